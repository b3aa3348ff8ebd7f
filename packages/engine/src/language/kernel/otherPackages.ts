/**
 * Names of packages that there are but that are not set here: they are no misspelling of others,
 * however near they lie.
 */
export const OTHER_PACKAGES: ReadonlySet<string> = new Set(
  `
  amsaddr amsrefs apptools aurical  balance bbm-macros bclogo beramono beton
  bibentry bigints boites boxhandler calligra catchfile ccfonts centernot chancery changes
  chapterbib charter chemfig chemformula chronology circledsteps circuitikz clrscr
  clrscr3e cmbright color-edits colortab concmath contour cool cprotect crop currfile
  dashbox dashrule delarray dingbat doi  easylist eepic eqlist eqnarray
  eqparbox  euler eurosym  exercise expdlist exsheets extsizes fancypar
  fancyref fancytabs fixmath floatrow flushend fncychap fontaxes footmisc fouridx fourier
  fp frcursive gauss gnuplottex graphbox grffile halloweenmath harpoon hobby icomma
  inconsolata isodate isomath kantlipsum knowledge kpfonts leftidx libertine libertinus
  linegoal listofitems logicproof logpap lstautogobble ltcaption luacode lyluatex mandi
  mathabx mathalfa mathalpha mathastext mathcomp mathspec mciteplus mdwlist media9
  memhfixc menukeys metalogo mhchem mhsetup minibox minitoc moreverb mparhack multibib
  multienum musixtex nccmath newfloat newverbs nextpage niceframe nolbreaks nomencl
  numprint ocgx oldgerm optidef overpic parallel parnotes pdfcomment pdfpages pdfrender
  pgf pgfgantt pgfopts phonetic physics2 picinpar pict2e pictex picture piton prettyref
  program progressbar prooftrees pseudocode psfrag pst-node pstricks pythontex quoting
  realboxes regexpatch rotfloat savesym savetrees scalefnt scalerel scrextend
  scrlayer-scrpage semantic sepnum sfmath showkeys showlabels shuffle sidenotes simplewick
  sistyle skmath skull slashed splitidx spverbatim stackengine starfont stix subdepth
  sudoku svg tablefootnote tabto tabu tabvar textcase textfit textgreek    threeparttablex tikz-3dplot tikzpagenodes tikzsymbols titleps titletoc tkz-base
  tkz-euclide tkz-fct tkz-graph tkz-tab tocbibind totcount totpages tracefnt transparent
  twoopt typearea ulsy underscore unicode-math verbatimbox verse vwcol watermark
  witharrows xargs xhfill xpatch yfonts yhmath yquant zi4 zref
  `
    .trim()
    .split(/\s+/),
);
