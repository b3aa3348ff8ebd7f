/*
 * A data table: packages that are not carried out here and that change nothing of a page by being loaded; they
 * bring commands and environments. Where a sheet uses none of these, its pages are the same as everywhere.
 */
const NAMES = `
  SIunits academicons accsupp acro advdate algobox amsrefs animate annotate-equations arrayjobx arraysort ascii
  askmaps atbegshi attachfile awesomebox barcodes bclogo bez123 bibentry bicaption bigintcalc bitset bnumexpr
  bodegraph bohr boldtensors bpchem bytefield calculator calculus captcont ccaption ccicons chemformula chemmacros
  chessboard circ cool coollist coolstr copyrightbox crossreftools csvsimple currency currvita curve2e cutwin datatool
  dcpic dialogue dingbat docmute drawstack duckuments easy-todo easybmat easylist easymat embedfile endiagram engord
  envlab epic etextools everyhook everyshi exercise expdlist exsheets feynmf feynmp filecontentsdef filehook floatpag
  flowchart fltpoint fmtcount forarray gettitlestring gitinfo2 gmverse gnuplottex grfext guitar hf-tikz hvfloat hycolor
  ifmtarg ifsym intcalc karnaugh-map karnaughmap keycommand keystroke kvmap lcg leadsheets letterspace linegoal linguex
  listofitems logicpuzzle longdivision ltxkeys manfnt mathcommand mathenv mathexam matlab-prettifier mcode
  menukeys modiagram multenum multibib niceframe noindentafter nolbreaks nth numname pagenote parcolumns pdfcomment
  pgf-umlsd pgfcalendar pgfgantt pgfmath-xfp pgfornament physics2 picinpar printlen probsoln program
  proof-at-the-end prooftrees pseudo pst-barcode pst-node pst-plot pstricks pythonhighlight pythontex qcircuit qrcode
  quantikz randomlist readarray register remreset repeatindex rerunfilecheck romanbar romannum sagetex schemabloc
  scrdate scrlfile selinput semtrans shadethm shapepar showexpl simplewick sistyle skak smartdiagram smartref snotez
  spreadtab statex statex2 stringstrings subeqn sverb svn-prov tabstackengine tabularcalc tensind texdraw textmerg
  thmbox ticket tikz-dependency tikz-feynman tikz-layers tikz-network tikz-timing tikzducks tikzorbital tikzpagenodes
  tikzpeople tikzscale tikzsymbols tipa titleref tkz-base tkz-berge tkz-euclide tkz-graph tokcycle trfsigns
  trimspaces trivfloat truncate typed-checklist uniquecounter vowel vwcol witharrows xint xintexpr xinttools xlop xpicture
`;

const BRING_COMMANDS: ReadonlySet<string> = new Set(NAMES.trim().split(/\s+/));

/** Does the package change nothing of a page where none of its commands is used? */
export const bringsCommandsAlone = (name: string): boolean => BRING_COMMANDS.has(name);
