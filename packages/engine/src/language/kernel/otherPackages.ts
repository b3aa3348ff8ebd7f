/**
 * Names of packages that there are but that are not set here: they are no misspelling of others,
 * however near they lie.
 */
export const OTHER_PACKAGES: ReadonlySet<string> = new Set(
  `
  adjustbox amsaddr amsrefs apptools aurical background balance bbding bbm-macros bclogo
  beramono beton bibentry bigints boites boxhandler calligra catchfile ccfonts centernot
  chancery changes chapterbib charter chemfig chemformula chronology circledsteps
  circuitikz clrscr clrscr3e cmbright color-edits colortab concmath contour cool cprotect
  crop currfile dashbox dashrule datetime datetime2 dcolumn delarray diagbox dingbat doi
  draftwatermark easylist eepic environ eqlist eqnarray eqparbox eso-pic eucal euler
  eurosym everypage exercise expdlist exsheets extsizes fancybox fancypar fancyref
  fancytabs fixmath floatrow flushend fncychap fontawesome fontawesome5 fontaxes footmisc
  forest fouridx fourier fp frcursive gauss glossaries gnuplottex graphbox grffile
  halloweenmath harpoon hhline hobby icomma inconsolata isodate isomath kantlipsum
  knowledge kpfonts leftidx libertine libertinus linegoal listofitems logicproof logpap
  lstautogobble ltablex ltcaption luacode lyluatex mandi marvosym mathabx mathalfa
  mathalpha mathastext mathcomp mathspec mciteplus mdwlist media9 memhfixc menukeys
  metalogo mhchem mhsetup minibox minitoc minted moreverb mparhack multibib multienum
  musixtex nccmath newfloat newverbs nextpage niceframe nolbreaks nomencl ntheorem
  numprint ocgx oldgerm optidef overpic parallel parnotes pdfcomment pdfpages pdfrender
  pgf pgfgantt pgfopts phonetic physics2 picinpar pict2e pictex picture pifont piton
  polynom prettyref program progressbar prooftrees pseudocode psfrag pst-node pstricks
  pythontex qtree quoting realboxes regexpatch rotfloat savesym savetrees scalefnt
  scalerel scrextend scrlayer-scrpage semantic sepnum sfmath showkeys showlabels shuffle
  sidenotes simplewick sistyle skmath skull slashed splitidx spverbatim stackengine
  standalone starfont stix subdepth subfiles sudoku supertabular svg systeme tablefootnote
  tabto tabu tabularray tabulary tabvar textcase textfit textgreek textpos threeparttablex
  tikz-3dplot tikzpagenodes tikzsymbols titleps titletoc tkz-base tkz-euclide tkz-fct
  tkz-graph tkz-tab tocbibind tocloft totcount totpages tracefnt transparent turnstile
  twoopt typearea ulsy underscore unicode-math varioref venndiagram verbatimbox verse
  vwcol wasysym watermark witharrows xargs xhfill xifthen xltabular xpatch xstring yfonts
  yhmath yquant zi4 zref
  `
    .trim()
    .split(/\s+/),
);
