/**
 * Names of packages that there are but that are not set here: they are no misspelling of others,
 * however near they lie.
 */
export const OTHER_PACKAGES: ReadonlySet<string> = new Set(
  `
  amsaddr amsrefs apptools aurical   bbm-macros bclogo beramono beton
  bibentry bigints boites boxhandler calligra catchfile ccfonts  chancery 
  chapterbib charter chemformula chronology clrscr
  clrscr3e cmbright color-edits colortab concmath  cool  crop 
  dashbox  dingbat doi  easylist eepic eqlist eqnarray
  eqparbox  euler   exercise expdlist exsheets extsizes fancypar
  fancytabs fncychap    fontaxes   fourier
   frcursive gauss gnuplottex graphbox  halloweenmath  hobby 
  inconsolata   kantlipsum knowledge kpfonts  libertine libertinus
  linegoal listofitems logicproof logpap   luacode lyluatex mandi
  mathabx mathalfa mathalpha mathastext  mathspec mciteplus  media9
  memhfixc menukeys metalogo  mhsetup minibox moreverb mparhack multibib
  multienum musixtex nccmath  newverbs nextpage niceframe nolbreaks 
   ocgx oldgerm  overpic parnotes pdfcomment pdfrender
  pgf pgfgantt pgfopts phonetic physics2 picinpar  pictex picture piton 
  program progressbar prooftrees pseudocode pst-node pstricks pythontex 
     savesym    scrextend
   semantic sepnum sfmath  shuffle  simplewick
  sistyle skmath skull  splitidx   starfont stix subdepth
  sudoku    tabu tabvar  textfit       tikzpagenodes tikzsymbols titleps  tkz-base
  tkz-euclide tkz-fct tkz-graph tkz-tab    tracefnt 
   typearea ulsy  vwcol watermark
  witharrows  xhfill  yfonts  yquant zi4
  `
    .trim()
    .split(/\s+/),
);
