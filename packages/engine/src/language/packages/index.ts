import type { PackageEntry } from '../machine/entries';
import { amsmath } from './amsmath';
import { amsfonts, amssymb } from './amssymb';
import { amsthm } from './amsthm';
import { appendix } from './appendix';
import { array } from './array';
import { authblk } from './authblk';
import { babel } from './babel';
import { blindtext } from './blindtext';
import { bm } from './bm';
import { booktabs } from './booktabs';
import { calc } from './calc';
import { cancel } from './cancel';
import { caption, subcaption } from './caption';
import { cite } from './cite';
import { cleveref } from './cleveref';
import { colortbl } from './colortbl';
import { comment } from './comment';
import { csquotes } from './csquotes';
import { ctex } from './ctex';
import { dsfont } from './dsfont';
import { enumerate, enumitem } from './enumitem';
import { etoolbox } from './etoolbox';
import { fancyhdr } from './fancyhdr';
import { fancyvrb } from './fancyvrb';
import { float } from './float';
import { withFurther } from './furtherNames';
import { fontenc } from './fontenc';
import { framed } from './framed';
import { fullpage } from './fullpage';
import { geometry } from './geometry';
import { graphics, graphicx } from './graphicx';
import { hyperref } from './hyperref';
import { url, xurl } from './url';
import { ifthen } from './ifthen';
import { indentfirst } from './indentfirst';
import { lastpage } from './lastpage';
import { lipsum } from './lipsum';
import { listings } from './listings';
import { longtable } from './longtable';
import { mathdots } from './mathdots';
import { mathpazo } from './mathpazo';
import { mathptmx } from './mathptmx';
import { mathrsfs } from './mathrsfs';
import { makecell } from './makecell';
import { mathtools } from './mathtools';
import { multicol } from './multicol';
import { multirow } from './multirow';
import { nameref } from './nameref';
import { natbib } from './natbib';
import { newpxmath } from './newpxmath';
import { newpxtext } from './newpxtext';
import { newtxmath } from './newtxmath';
import { newtxtext } from './newtxtext';
import { expl3 } from './expl3';
import { floatrow } from './floatRows';
import { etoc, minitoc, titletoc } from './partialContents';
import { parskip } from './parskip';
import { olderPackages } from './olderPackages';
import { quiet } from './quiet';
import { polyglossia } from './polyglossia';
import { pdfpages } from './pdfpages';
import { setspace } from './setspace';
import { a4wide, bbm, epsfig, lscape, nicefrac, pdflscape } from './smallPackages';
import { paralist, tasks } from './listPackages';
import { floatflt, wrapfig } from './wrapfig';
import {
  rotating,
  lettrine,
  epigraph,
  sidecap,
  sectsty,
  abstractPackage,
  endnotes,
  afterpage,
  paracol,
  multido,
  forloop,
} from './layoutPackages';
import { lineno } from './lineno';
import { bigdelim, blkarray, kbordermatrix } from './blockArrays';
import { proofPackage, youngtab, ytableau } from './tableaux';
import { cases, empheq } from './empheq';
import {
  dcolumn,
  diagbox,
  hhline,
  ltablex,
  supertabular,
  tabulary,
  xltabular,
  xtab,
} from './tablePackages';
import { ninecolors } from './ninecolors';
import { tabularray } from './tabularray';
import { mintedPackage } from './minted';
import { adjustbox } from './adjustbox';
import { fancybox, ntheorem, shadow } from './boxPackages';
import { acronym } from './acronyms';
import { glossaries } from './glossaries';
import { bbding, fontawesome, fontawesome5, marvosym, pifont, wasysym } from './signPackages';
import { environ } from './bodyEnvironments';
import { standalone, subfiles } from './subDocuments';
import { autobreak, breqn } from './brokenFormulas';
import { varioref } from './varioref';
import { datetime, datetime2, eucal, turnstile, xifthen, xstring } from './stringTools';
import { qtree, tikzQtree } from './bracketTrees';
import { forest } from './forest';
import { polynom } from './polynom';
import { systeme } from './systems';
import { picturePackages } from './picturePackages';
import { commandPackages } from './commandPackages';
import { wantedLayout } from './wantedLayout';
import { wantedNotation } from './wantedNotation';
import { mhchem } from './chemistry';
import { backdropPackages } from './backdropPackages';
import { imakeidx, makeidx } from './indexPackages';
import { keyval, xkeyval } from './keyval';
import { morePackages } from './morePackages';
import { toolPackages } from './toolPackages';
import { tocloft } from './tocloft';
import { soul } from './soul';
import { arydshln } from './arydshln';
import { braket } from './braket';
import { amscd, quiver, tikzcd, xy, xypic } from './diagramPackages';
import {
  algcompatible,
  algorithm,
  algorithmicPackage,
  algorithmicx,
  algpseudocode,
} from './algorithms';
import { biblatex } from './biblatex';
import { bussproofs, ebproof } from './proofTrees';
import {
  accents,
  bbold,
  changepage,
  commath,
  esvect,
  faktor,
  gensymb,
  importing,
  interval,
  marginnote,
  mleftright,
  needspace,
  ragged2e,
  relsize,
  stackrel,
  subfig,
  subfigure,
  tensor,
  units,
  xfrac,
} from './notationPackages';
import { derivative, diffcoeff, esdiff } from './derivativePackages';
import { nicematrix } from './matrixPackages';
import { gauss } from './gaussMatrix';
import { spalign } from './spalign';
import { physics } from './physics';
import { siunitx } from './quantities';
import { algorithm2e } from './algorithm2e';
import { tcolorbox } from './tcolorbox';
import { mdframed } from './mdframed';
import { pgfplots, pgfplotstable } from './pgfplots';
import { pgffor, pgfmath, tikz } from './tikz';
import {
  actuarialangle,
  colonequals,
  esint,
  extarrows,
  extpfeil,
  overarrows,
  steinmetz,
  stmaryrd,
  undertilde,
  upgreek,
} from './symbolPackages';
import { thmRestate } from './thmRestate';
import { thmtools } from './thmtools';
import { tabularx } from './tabularx';
import { tgpagella } from './tgpagella';
import { tgtermes } from './tgtermes';
import { pxfonts, txfonts } from './txfonts';
import { titlesec } from './titlesec';
import { titling } from './titling';
import { cellspace } from './cellspace';
import { logicproof } from './logicproof';
import { mathpartir } from './mathpartir';
import { threeparttable } from './threeparttable';
import { todonotes } from './todonotes';
import { ulem } from './ulem';
import { verbatim } from './verbatim';
import { fontspec, unicodeMath } from './fontspec';
import { CJK, xeCJK } from './xeCJK';
import { collections } from './collections';
import { color, xcolor } from './xcolor';
import { xspace } from './xspace';

const ALL: readonly PackageEntry[] = [
  ...backdropPackages,
  mhchem,
  ...picturePackages,
  ...commandPackages,
  ...wantedNotation,
  ...wantedLayout,
  keyval,
  xkeyval,
  paralist,
  faktor,
  tocloft,
  polynom,
  systeme,
  forest,
  qtree,
  tikzQtree,
  environ,
  standalone,
  subfiles,
  datetime,
  datetime2,
  eucal,
  turnstile,
  varioref,
  xifthen,
  xstring,
  acronym,
  glossaries,
  expl3,
  floatrow,
  minitoc,
  etoc,
  titletoc,
  bbding,
  fontawesome,
  fontawesome5,
  marvosym,
  pifont,
  wasysym,
  adjustbox,
  fancybox,
  ntheorem,
  shadow,
  mintedPackage,
  dcolumn,
  diagbox,
  hhline,
  ltablex,
  supertabular,
  tabulary,
  xltabular,
  xtab,
  ninecolors,
  tabularray,
  cases,
  bigdelim,
  blkarray,
  kbordermatrix,
  proofPackage,
  youngtab,
  ytableau,
  rotating,
  lettrine,
  epigraph,
  sidecap,
  sectsty,
  abstractPackage,
  endnotes,
  afterpage,
  lineno,
  pdfpages,
  paracol,
  multido,
  forloop,
  wrapfig,
  floatflt,
  tasks,
  amsmath,
  amssymb,
  amsfonts,
  amsthm,
  appendix,
  array,
  authblk,
  babel,
  blindtext,
  bm,
  booktabs,
  calc,
  cancel,
  caption,
  subcaption,
  cite,
  cleveref,
  colortbl,
  comment,
  csquotes,
  ctex,
  dsfont,
  enumitem,
  enumerate,
  etoolbox,
  fancyhdr,
  fancyvrb,
  float,
  fontenc,
  framed,
  fullpage,
  geometry,
  graphicx,
  graphics,
  hyperref,
  url,
  xurl,
  ifthen,
  indentfirst,
  lastpage,
  lipsum,
  listings,
  longtable,
  mathdots,
  mathpazo,
  mathptmx,
  mathrsfs,
  mathtools,
  multicol,
  multirow,
  nameref,
  natbib,
  newpxmath,
  newpxtext,
  newtxmath,
  newtxtext,
  ...collections,
  parskip,
  polyglossia,
  setspace,
  soul,
  tabularx,
  tgpagella,
  tgtermes,
  titlesec,
  titling,
  todonotes,
  ulem,
  verbatim,
  CJK,
  fontspec,
  unicodeMath,
  xeCJK,
  xcolor,
  color,
  xspace,
  thmtools,
  thmRestate,
  amscd,
  tikzcd,
  quiver,
  xy,
  xypic,
  tikz,
  pgffor,
  biblatex,
  bussproofs,
  ebproof,
  accents,
  bbold,
  esvect,
  importing,
  cellspace,
  logicproof,
  mathpartir,
  stackrel,
  subfig,
  subfigure,
  derivative,
  diffcoeff,
  esdiff,
  nicematrix,
  spalign,
  gauss,
  breqn,
  autobreak,
  txfonts,
  pxfonts,
  xfrac,
  units,
  gensymb,
  tensor,
  mleftright,
  interval,
  commath,
  empheq,
  relsize,
  ragged2e,
  makecell,
  marginnote,
  changepage,
  needspace,
  threeparttable,
  physics,
  siunitx,
  algorithm,
  algorithmicPackage,
  algcompatible,
  algpseudocode,
  algorithmicx,
  algorithm2e,
  tcolorbox,
  mdframed,
  pgfplots,
  pgfplotstable,
  pgfmath,
  arydshln,
  braket,
  stmaryrd,
  upgreek,
  esint,
  colonequals,
  extarrows,
  extpfeil,
  overarrows,
  undertilde,
  actuarialangle,
  steinmetz,
  a4wide,
  bbm,
  epsfig,
  imakeidx,
  lscape,
  makeidx,
  nicefrac,
  pdflscape,
  ...toolPackages,
  ...morePackages,
  ...olderPackages,
  ...quiet,
];

/** The packages that are understood, by name; each is a file of its own. */
export const PACKAGES: Readonly<Record<string, PackageEntry | undefined>> = Object.fromEntries(
  ALL.map((entry) => [entry.name, withFurther(entry)]),
);
