/**
 * Names of packages that there are but that are not set here: they are no misspelling of others,
 * however near they lie.
 */
export const OTHER_PACKAGES: ReadonlySet<string> = new Set(
  `
  abstract adjustbox afterpage amsaddr amsrefs apptools background balance beramono
  bibentry bigints blkarray calligra cases catchfile centernot changes chapterbib charter
  chemfig circuitikz cmbright color-edits cool crop dashbox datetime datetime2 dcolumn
  delarray diagbox doi draftwatermark endnotes environ eqnarray eqparbox eso-pic eucal
  euler eurosym everypage exercise exsheets fancybox fancyref fixmath floatrow flushend
  fontawesome fontawesome5 footmisc forest fourier fp gauss hhline kbordermatrix kpfonts
  leftidx lettrine libertine linegoal lineno listofitems ltablex lyluatex marvosym mathabx
  mathalfa mathalpha mathcomp mdwlist memhfixc menukeys mhchem minitoc minted moreverb
  multibib multienum newverbs nomencl ntheorem numprint optidef overpic paralist
  pdfcomment pdfpages pgf pgfgantt phonetic physics2 pifont polynom prettyref pst-node
  pstricks qtree rotating scalerel sectsty sfmath showkeys showlabels shuffle skmath
  slashed spverbatim stackengine standalone stix subfiles supertabular svg systeme tabu
  tabularray tabulary tasks textgreek textpos tikz-3dplot titletoc tkz-euclide tkz-graph
  tocbibind tocloft totcount totpages tracefnt transparent turnstile underscore upgreek
  varioref venndiagram verbatimbox verse wasysym watermark wrapfig xargs xhfill xpatch
  xstring yfonts yhmath youngtab ytableau zref
  `
    .trim()
    .split(/\s+/),
);
