/**
 * Names of packages that there are but that are not set here: they are no misspelling of others,
 * however near they lie.
 */
export const OTHER_PACKAGES: ReadonlySet<string> = new Set(
  `
  amsaddr amsrefs apptools aurical  balance bbm-macros bclogo beramono beton
  bibentry bigints boites boxhandler calligra catchfile ccfonts  chancery changes
  chapterbib charter chemfig chemformula chronology circledsteps circuitikz clrscr
  clrscr3e cmbright color-edits colortab concmath contour cool cprotect crop currfile
  dashbox dashrule delarray dingbat doi  easylist eepic eqlist eqnarray
  eqparbox  euler   exercise expdlist exsheets extsizes fancypar
  fancyref fancytabs  floatrow flushend fncychap fontaxes footmisc  fourier
   frcursive gauss gnuplottex graphbox grffile halloweenmath  hobby 
  inconsolata isodate  kantlipsum knowledge kpfonts  libertine libertinus
  linegoal listofitems logicproof logpap lstautogobble ltcaption luacode lyluatex mandi
  mathabx mathalfa mathalpha mathastext  mathspec mciteplus mdwlist media9
  memhfixc menukeys metalogo  mhsetup minibox minitoc moreverb mparhack multibib
  multienum musixtex nccmath  newverbs nextpage niceframe nolbreaks nomencl
   ocgx oldgerm  overpic parallel parnotes pdfcomment pdfpages pdfrender
  pgf pgfgantt pgfopts phonetic physics2 picinpar  pictex picture piton prettyref
  program progressbar prooftrees pseudocode psfrag pst-node pstricks pythontex quoting
  realboxes  rotfloat savesym savetrees scalefnt  scrextend
  scrlayer-scrpage semantic sepnum sfmath showkeys showlabels shuffle sidenotes simplewick
  sistyle skmath skull  splitidx spverbatim  starfont stix subdepth
  sudoku svg tablefootnote tabto tabu tabvar  textfit     threeparttablex tikz-3dplot tikzpagenodes tikzsymbols titleps titletoc tkz-base
  tkz-euclide tkz-fct tkz-graph tkz-tab tocbibind  totpages tracefnt transparent
   typearea ulsy  verbatimbox verse vwcol watermark
  witharrows  xhfill  yfonts  yquant zi4 zref
  `
    .trim()
    .split(/\s+/),
);
