import { CELLS } from '../machine/cells';
import { INCH, PT, type Sp } from '../../base/lengths';
import { CONTENTS_OF_CHAPTERS, CONTENTS_OF_SECTIONS } from '../constructs/contents';
import {
  chapterCommand,
  chapterHeading,
  matterCommands,
  partCommand,
} from '../constructs/chapters';
import { sections } from '../constructs/sections';
import { titleCommands, titleEnvironments } from '../constructs/title';
import type { ClassEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { setSloppy } from '../machine/lineSpacing';
import { baseOf, setPage, setSizes, STANDARD_OPTIONS } from '../constructs/pageLayout';

/** How a standard class differs from its fellows. */
interface ClassKind {
  readonly chapters: boolean;
  readonly twoSide: boolean;
  readonly titlePage: boolean;
  readonly openRight: boolean;
  readonly twoColumn: boolean;
  readonly book: boolean;
}

/** `\headsep` and `\footskip`: 25 and 30 pt, in book by size (bk10.clo and its kin). */
function headAndFoot(book: boolean, base: number): { headSep: Sp; footSkip: Sp } {
  if (!book) return { headSep: 25 * PT, footSkip: 30 * PT };
  if (base === 10) return { headSep: 0.25 * INCH, footSkip: 0.35 * INCH };
  return { headSep: 0.275 * INCH, footSkip: base === 11 ? 0.382 * INCH : 30 * PT };
}

export const switchOn = (it: Interpreter, name: string, on: boolean): void =>
  it.execute(it.source(`\\global\\@${name}${on ? 'true' : 'false'}`));

/** Options of the class carried out: sizes, page, switches. */
export function setUp(it: Interpreter, options: readonly string[], kind: ClassKind): void {
  const base = baseOf(options);
  const has = (name: string): boolean => options.includes(name);
  const twoSide = has('twoside') || (kind.twoSide && !has('oneside'));
  const twoColumn = has('twocolumn') || (kind.twoColumn && !has('onecolumn'));
  setSizes(it, base, twoColumn);
  setPage(it, options, { base, twoSide, twoColumn, ...headAndFoot(kind.book, base) });
  switchOn(it, 'twoside', twoSide);
  switchOn(it, 'twocolumn', twoColumn);
  switchOn(it, 'titlepage', has('titlepage') || (kind.titlePage && !has('notitlepage')));
  switchOn(it, 'openright', has('openright') || (kind.openRight && !has('openany')));
  switchOn(it, 'mainmatter', true);
  it.write(CELLS.twoSided, twoSide, true);
  it.write(CELLS.flushBottom, twoSide || twoColumn, true);
  if (twoColumn) setSloppy(it, true);
  if (has('fleqn')) it.write(CELLS.fleqn, true, true);
  if (has('leqno')) it.write(CELLS.leqno, true, true);
  if (has('draft')) it.write(CELLS.draft, true, true);
  it.execute(it.source(twoSide ? HEADS.two : HEADS.one));
  it.execute(it.source(`\\pagestyle{${kind.book ? 'headings' : 'plain'}}`));
}

/** What `\pagestyle{headings}` says of sections, on two sides and on one (article.cls, report.cls, book.cls). */
const HEADS = {
  two: String.raw`\def\ps@headings{\ps@empty
    \def\@evenhead{\thepage\hfil\slshape\leftmark}\def\@oddhead{{\slshape\rightmark}\hfil\thepage}%
    \let\@mkboth\markboth\@headingmarks@two}`,
  one: String.raw`\def\ps@headings{\ps@empty
    \def\@oddhead{{\slshape\rightmark}\hfil\thepage}\let\@evenhead\@oddhead
    \let\@mkboth\markboth\@headingmarks@one}`,
};

const SECTION_MARKS = String.raw`
\def\@headingmarks@two{%
  \def\sectionmark##1{\markboth{\MakeUppercase{\ifnum\c@secnumdepth>0 \thesection\quad\fi ##1}}{}}%
  \def\subsectionmark##1{\markright{\ifnum\c@secnumdepth>1 \thesubsection\quad\fi ##1}}}
\def\@headingmarks@one{%
  \def\sectionmark##1{\markright{\MakeUppercase{\ifnum\c@secnumdepth>0 \thesection\quad\fi ##1}}}}
\def\@listheading#1{\section*{#1}\@mkboth{\MakeUppercase{#1}}{\MakeUppercase{#1}}}
\def\@bibheading{\section*{\refname}\@mkboth{\MakeUppercase\refname}{\MakeUppercase\refname}}
\def\@indexheading{\section*{\indexname}}
`;
const CHAPTER_MARKS = String.raw`
\def\@headingmarks@two{%
  \def\chaptermark##1{\markboth{\MakeUppercase{\ifnum\c@secnumdepth>-1 \if@mainmatter\@chapapp\ \thechapter. \ \fi\fi ##1}}{}}%
  \def\sectionmark##1{\markright{\MakeUppercase{\ifnum\c@secnumdepth>0 \thesection. \ \fi ##1}}}}
\def\@headingmarks@one{%
  \def\chaptermark##1{\markright{\MakeUppercase{\ifnum\c@secnumdepth>-1 \if@mainmatter\@chapapp\ \thechapter. \ \fi\fi ##1}}}}
\def\@listheading#1{\chapter*{#1}\@mkboth{\MakeUppercase{#1}}{\MakeUppercase{#1}}}
\def\@bibheading{\chapter*{\bibname}\@mkboth{\MakeUppercase\bibname}{\MakeUppercase\bibname}}
\def\@indexheading{\chapter*{\indexname}}
`;

/** Counters and what they print. */
const COUNTERS_OF_SECTIONS = String.raw`
\newcounter{part}\newcounter{section}\newcounter{subsection}[section]
\newcounter{subsubsection}[subsection]\newcounter{paragraph}[subsubsection]\newcounter{subparagraph}[paragraph]
\newcounter{figure}\newcounter{table}\newcounter{equation}
\setcounter{secnumdepth}{3}\setcounter{tocdepth}{3}
\def\thepart{\Roman{part}}\def\thesection{\arabic{section}}
\def\appendix{\par\setcounter{section}{0}\setcounter{subsection}{0}\gdef\thesection{\Alph{section}}}
`;
const COUNTERS_OF_CHAPTERS = String.raw`
\newcounter{part}\newcounter{chapter}\newcounter{section}[chapter]\newcounter{subsection}[section]
\newcounter{subsubsection}[subsection]\newcounter{paragraph}[subsubsection]\newcounter{subparagraph}[paragraph]
\newcounter{figure}[chapter]\newcounter{table}[chapter]\newcounter{equation}[chapter]
\@addtoreset{footnote}{chapter}
\setcounter{secnumdepth}{2}\setcounter{tocdepth}{2}
\def\thepart{\Roman{part}}\def\thechapter{\arabic{chapter}}\def\thesection{\thechapter.\arabic{section}}
\def\thefigure{\ifnum\c@chapter>0 \thechapter.\fi\arabic{figure}}
\def\thetable{\ifnum\c@chapter>0 \thechapter.\fi\arabic{table}}
\def\theequation{\ifnum\c@chapter>0 \thechapter.\fi\arabic{equation}}
\def\@chapapp{\chaptername}
\def\appendix{\par\setcounter{chapter}{0}\setcounter{section}{0}%
  \gdef\@chapapp{\appendixname}\gdef\thechapter{\Alph{chapter}}}
`;
const COUNTERS_BELOW = String.raw`
\def\thesubsection{\thesection.\arabic{subsection}}
\def\thesubsubsection{\thesubsection.\arabic{subsubsection}}
\def\theparagraph{\thesubsubsection.\arabic{paragraph}}
\def\thesubparagraph{\theparagraph.\arabic{subparagraph}}
`;

const NAMES = {
  abstractname: 'Abstract',
  refname: 'References',
  bibname: 'Bibliography',
  indexname: 'Index',
  figurename: 'Figure',
  tablename: 'Table',
  partname: 'Part',
  chaptername: 'Chapter',
  appendixname: 'Appendix',
  contentsname: 'Contents',
  listfigurename: 'List of Figures',
  listtablename: 'List of Tables',
};

function standardClass(
  name: string,
  description: string,
  kind: ClassKind,
  options: readonly string[] = [],
): ClassEntry {
  const { chapters } = kind;
  return {
    name,
    description,
    options: [...STANDARD_OPTIONS, ...options],
    commands: [
      ...sections,
      ...titleCommands,
      partCommand,
      ...(chapters ? [chapterCommand, chapterHeading] : []),
      ...(kind.book ? matterCommands : []),
    ],
    environments: titleEnvironments,
    macros: NAMES,
    source:
      (chapters ? COUNTERS_OF_CHAPTERS : COUNTERS_OF_SECTIONS) +
      COUNTERS_BELOW +
      (chapters ? CONTENTS_OF_CHAPTERS : CONTENTS_OF_SECTIONS) +
      (chapters ? CHAPTER_MARKS : SECTION_MARKS),
    setup: (it, given) => setUp(it, given, kind),
  };
}

const ARTICLE: ClassKind = {
  chapters: false,
  twoSide: false,
  titlePage: false,
  openRight: false,
  twoColumn: false,
  book: false,
};

export const article = standardClass(
  'article',
  'Sections without chapters: homework, proofs, notes, papers.',
  ARTICLE,
);
export const proc = standardClass('proc', 'A paper in two columns for proceedings.', {
  ...ARTICLE,
  twoColumn: true,
});
export const report = standardClass(
  'report',
  'Chapters on one side of the paper: longer notes, a project.',
  {
    ...ARTICLE,
    chapters: true,
    titlePage: true,
  },
);
export const book = standardClass(
  'book',
  'Chapters on both sides of the paper, with front and back matter.',
  {
    chapters: true,
    twoSide: true,
    titlePage: true,
    openRight: true,
    twoColumn: false,
    book: true,
  },
);
export { ARTICLE };
