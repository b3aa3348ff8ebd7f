/**
 * Names of packages that there are but that are not set here: they are no misspelling of others,
 * however near they lie.
 */
export const OTHER_PACKAGES: ReadonlySet<string> = new Set(
  `
  amsaddr amsrefs apptools aurical  balance bbm-macros bclogo beramono beton
  bibentry bigints boites boxhandler calligra catchfile ccfonts  chancery 
  chapterbib charter chemformula chronology clrscr
  clrscr3e cmbright color-edits colortab concmath contour cool cprotect crop currfile
  dashbox dashrule dingbat doi  easylist eepic eqlist eqnarray
  eqparbox  euler   exercise expdlist exsheets extsizes fancypar
  fancytabs  flushend fncychap fontaxes   fourier
   frcursive gauss gnuplottex graphbox grffile halloweenmath  hobby 
  inconsolata isodate  kantlipsum knowledge kpfonts  libertine libertinus
  linegoal listofitems logicproof logpap lstautogobble ltcaption luacode lyluatex mandi
  mathabx mathalfa mathalpha mathastext  mathspec mciteplus  media9
  memhfixc menukeys metalogo  mhsetup minibox moreverb mparhack multibib
  multienum musixtex nccmath  newverbs nextpage niceframe nolbreaks 
   ocgx oldgerm  overpic parnotes pdfcomment pdfrender
  pgf pgfgantt pgfopts phonetic physics2 picinpar  pictex picture piton 
  program progressbar prooftrees pseudocode psfrag pst-node pstricks pythontex 
  realboxes  rotfloat savesym savetrees scalefnt  scrextend
   semantic sepnum sfmath  showlabels shuffle sidenotes simplewick
  sistyle skmath skull  splitidx spverbatim  starfont stix subdepth
  sudoku  tablefootnote tabto tabu tabvar  textfit     threeparttablex  tikzpagenodes tikzsymbols titleps  tkz-base
  tkz-euclide tkz-fct tkz-graph tkz-tab   totpages tracefnt transparent
   typearea ulsy  vwcol watermark
  witharrows  xhfill  yfonts  yquant zi4
  `
    .trim()
    .split(/\s+/),
);
