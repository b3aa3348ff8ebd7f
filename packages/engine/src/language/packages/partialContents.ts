import { CONTENTS_LEVELS, entriesOf, setEntries, addToList } from '../constructs/contents';
import { textOf, tokensText } from '../../expansion/tokenText';
import { getCount, setCount } from '../../expansion/registers';
import { tokensOf, type CommandEntry, type PackageEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { macroEntry, quietEntry, sourceCommand } from '../machine/macroEntry';
import { cell } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { TITLE_RULE } from './titlesec';

/** Marks a place among the lines of contents; prints nothing. */
const MARK = 'contents@place';
/** How many places were marked. */
const MARKS = cell('contentsplaces', 0);

type Entry = ReturnType<typeof entriesOf>[number];

/** The level of a line of contents; null for what is none. */
function levelOf({ entry }: Entry): number | null {
  if (entry[0]?.text !== 'contentsline') return null;
  const end = entry.findIndex(({ text }, i) => i > 1 && text === '}');
  return CONTENTS_LEVELS[tokensText(entry.slice(2, end))] ?? null;
}

/** Above all headings. */
const TOP = -2;

/** The lines of contents from a place on, up to the next heading as high as the one it stands under; and how high that is. */
function linesUnder(
  entries: readonly Entry[],
  place: string,
): { readonly lines: readonly Entry[]; readonly level: number } {
  const at = entries.findIndex(
    ({ entry }) => entry[0]?.text === MARK && tokensText(entry.slice(1)) === `{${place}}`,
  );
  if (at < 0) return { lines: [], level: TOP };
  const above = entries.slice(0, at).findLast((entry) => levelOf(entry) !== null);
  const level = (above && levelOf(above)) ?? TOP;
  const behind = entries.slice(at + 1);
  const end = behind.findIndex((entry) => (levelOf(entry) ?? Infinity) <= level);
  return { lines: end < 0 ? behind : behind.slice(0, end), level };
}

/** Sets the lines of contents of what follows here, down to a level: by its name or number, or `+1` below the heading they stand under. */
function setPartial(it: Interpreter, depth: string): void {
  const place = it.read(MARKS) + 1;
  it.write(MARKS, place, true);
  const mark: Token[] = [it.p.command(MARK), ...it.source(`{${place}}`)];
  addToList(it, 'toc', mark);
  const { lines, level } = linesUnder(entriesOf(it, 'toc'), String(place));
  const before = getCount(it.state, 'c@tocdepth');
  const said = CONTENTS_LEVELS[depth] ?? parseInt(depth, 10) + (/^[-+]/.test(depth) ? level : 0);
  setCount(it.state, 'c@tocdepth', Number.isNaN(said) ? before : said);
  setEntries(it, lines);
  setCount(it.state, 'c@tocdepth', before);
}

/** What all three packages stand on. */
const PARTS: readonly CommandEntry[] = [
  {
    name: 'contents@partial',
    signature: 'm',
    description: 'The lines of contents of what follows, down to a level.',
    example: '\\contents@partial{2}',
    run: (it, args) => setPartial(it, textOf(it.p, tokensOf(args, 0)).trim()),
  },
  quietEntry(MARK, 'm', 'A place among the lines of contents.'),
];

/** minitoc: contents at the head of each part, chapter or section (its manual, section 1). */
export const minitoc: PackageEntry = {
  name: 'minitoc',
  description: 'Contents of a chapter or a section at its head.',
  options: null,
  commands: [
    ...PARTS,
    ...['minitoc', 'secttoc', 'parttoc'].map((name) =>
      macroEntry(
        name,
        'o',
        'The contents of what follows here.',
        `\\${name}`,
        `\\mtc@set{${name}}`,
      ),
    ),
    ...['dominitoc', 'dosecttoc', 'doparttoc'].map((name) =>
      quietEntry(name, 'o', 'Asks for contents of chapters, sections or parts.'),
    ),
    macroEntry(
      'mtcsetdepth',
      'mm',
      'Down to which level the contents of a chapter go.',
      '\\mtcsetdepth{minitoc}{1}',
      '\\@namedef{mtc@depth@#1}{#2}',
    ),
    macroEntry(
      'mtcsettitle',
      'mm',
      'What stands above the contents of a chapter.',
      '\\mtcsettitle{minitoc}{In this chapter}',
      '\\@namedef{mtc@title@#1}{#2}',
    ),
    macroEntry(
      'mtcsetrules',
      'mm',
      'Whether rules stand around the contents of a chapter: on or off.',
      '\\mtcsetrules{minitoc}{off}',
      '\\@namedef{mtc@rules@#1}{#2}',
    ),
    ...['mtcsetfont', 'mtcsetpagenumbers', 'mtcsetformat', 'mtcsetfeature'].map((name) =>
      quietEntry(name, name === 'mtcsetpagenumbers' ? 'mm' : 'mmm', 'How those contents look.'),
    ),
    ...['adjustmtc', 'mtcaddchapter', 'mtcaddsection', 'mtcaddpart', 'faketableofcontents'].map(
      (name) =>
        quietEntry(name, 'o', 'Keeps the contents of chapters in step; nothing is needed here.'),
    ),
  ],
  source: String.raw`
\@namedef{mtc@depth@minitoc}{2}\@namedef{mtc@depth@secttoc}{3}\@namedef{mtc@depth@parttoc}{1}
\providecommand\mtctitle{\contentsname}\def\mtc@on{on}
\def\mtc@rule#1{\edef\mtc@a{\@ifundefined{mtc@rules@#1}{on}{\@nameuse{mtc@rules@#1}}}\ifx\mtc@a\mtc@on\hrule height.4pt\fi}
\def\mtc@set#1{\par\begingroup\parindent\z@\noindent{\large\bfseries\@ifundefined{mtc@title@#1}{\mtctitle}{\@nameuse{mtc@title@#1}}}\par\nobreak\vskip3pt\mtc@rule{#1}\vskip3pt
 \def\@boldtocline##1##2##3##4##5{\@dottedtocline{##1}{0pt}{##3}{\bfseries ##4}{##5}}%
 \small\contents@partial{\@nameuse{mtc@depth@#1}}\par\vskip3pt\mtc@rule{#1}\vskip\medskipamount\endgroup}
`,
};

/** etoc: contents of what follows, anywhere (its manual, part 1). */
export const etoc: PackageEntry = {
  name: 'etoc',
  description: 'Contents of the section or chapter they stand in.',
  options: null,
  commands: [
    ...PARTS,
    macroEntry(
      'localtableofcontents',
      '',
      'The contents of the section or chapter it stands in.',
      '\\localtableofcontents',
      '\\etoc@local{\\value{tocdepth}}',
    ),
    macroEntry(
      'localtableofcontentswithrelativedepth',
      'm',
      'The same, so many levels deep.',
      '\\localtableofcontentswithrelativedepth{+1}',
      '\\etoc@local{#1}',
    ),
    macroEntry(
      'etocsettocstyle',
      'mm',
      'What stands above contents and below.',
      '\\etocsettocstyle{\\subsection*{In this section}}{}',
      '\\def\\etoc@before{#1}\\def\\etoc@after{#2}',
    ),
    macroEntry(
      'etocsettocdepth',
      'm',
      'Down to which level contents go.',
      '\\etocsettocdepth{2}',
      '\\setcounter{tocdepth}{\\etoc@level{#1}}',
    ),
    macroEntry(
      'etocsetnexttocdepth',
      'm',
      'Down to which level the next contents go.',
      '\\etocsetnexttocdepth{2}',
      '\\gdef\\etoc@next{#1}',
    ),
    ...[
      'etocstandardlines',
      'etocstandarddisplaystyle',
      'etocdefaultlines',
      'etocmulticolstyle',
    ].map((name) => quietEntry(name, name.endsWith('colstyle') ? 'oM' : '', 'How contents look.')),
  ],
  source: String.raw`
\def\etoc@before{\section*{\contentsname}}\def\etoc@after{}\def\etoc@next{}
\def\etoc@local#1{\etoc@before\ifx\etoc@next\@empty\contents@partial{#1}\else\contents@partial{\etoc@next}\gdef\etoc@next{}\fi\etoc@after}
\let\etoc@toc\tableofcontents\def\tableofcontents{\begingroup\ifx\etoc@next\@empty\else\c@tocdepth\etoc@level{\etoc@next}\relax\gdef\etoc@next{}\fi\etoc@toc\endgroup}
\def\etoc@level#1{\@ifundefined{etoc@level@#1}{#1}{\@nameuse{etoc@level@#1}}}
\@namedef{etoc@level@none}{-3}\@namedef{etoc@level@all}{5}\@namedef{etoc@level@part}{-1}\@namedef{etoc@level@chapter}{0}\@namedef{etoc@level@section}{1}\@namedef{etoc@level@subsection}{2}\@namedef{etoc@level@subsubsection}{3}
`,
};

const LEVELS = Object.entries(CONTENTS_LEVELS)
  .map(([kind, level]) => `\\@namedef{ttl@level@${kind}}{${level}}`)
  .join('');

/** titletoc: lines of contents by one's own design, and contents of parts (titlesec manual, section 6). */
export const titletoc: PackageEntry = {
  name: 'titletoc',
  description: 'Lines of contents by your own design; contents of a chapter or a section.',
  options: null,
  commands: PARTS,
  described: [
    sourceCommand(
      'titlecontents',
      'mommmmo',
      'How lines of a kind look: margin, what is above, with a number, without, filler and page.',
      '\\titlecontents{section}[1.5em]{}{\\contentslabel{1.5em}}{}{\\titlerule*[.5pc]{.}\\contentspage}',
    ),
    sourceCommand(
      'dottedcontents',
      'mommm',
      'Lines of a kind with dots: margin, what is above, the widths of number and dots.',
      '\\dottedcontents{section}[2em]{}{2em}{1pc}',
    ),
    sourceCommand(
      'contentslabel',
      'om',
      'The number of a line, in the margin.',
      '\\contentslabel{1em}',
    ),
    sourceCommand('contentspage', '', 'The page of a line.', '\\contentspage'),
    sourceCommand('thecontentslabel', '', 'The number of a line by itself.', '\\thecontentslabel'),
    sourceCommand('thecontentspage', '', 'The page of a line by itself.', '\\thecontentspage'),
    sourceCommand(
      'contentsmargin',
      'om',
      'The right margin of contents.',
      '\\contentsmargin{2.55em}',
    ),
    sourceCommand(
      'startcontents',
      'o',
      'Contents of a part begin here.',
      '\\startcontents[sections]',
    ),
    sourceCommand(
      'printcontents',
      'ommm',
      'The contents of the part that was begun.',
      '\\startcontents[sections]\\printcontents[sections]{}{1}{}',
    ),
    sourceCommand('stopcontents', 'o', 'Contents of a part end here.', '\\stopcontents[sections]'),
  ],
  source: String.raw`
${LEVELS}\newdimen\ttl@margin\ttl@margin2.55em
\def\thecontentslabel{}\def\thecontentspage{}
\NewDocumentCommand\contentslabel{o m}{\hskip-\dimexpr#2\relax\hbox to\dimexpr#2\relax{\IfValueTF{#1}{#1}{\thecontentslabel}\hfil}}
\newcommand\contentspush[1]{\hbox{#1}}
\newcommand\contentspage[1][\thecontentspage]{\nobreak\hbox to1.55em{\hfil#1}}
\newcommand\contentsmargin[2][0pt]{\ttl@margin\dimexpr#2\relax}
\def\ttl@end{\ttl@end}
\long\def\ttl@yes#1#2\numberline#3#4\ttl@end{\def\thecontentslabel{#3}#1{#4}}
\long\def\ttl@no#1#2#3\ttl@end{#2{#3}}
\NewDocumentCommand\titlecontents{s m o +m +m +m +m o}{\expandafter\def\csname l@#2\endcsname##1##2{%
 \ifnum\value{tocdepth}<\@nameuse{ttl@level@#2} \else\par\begingroup\leftskip\dimexpr\IfValueTF{#3}{#3}{0pt}\relax\rightskip\ttl@margin\parfillskip-\ttl@margin\parindent\z@\parskip\z@
 #4\relax\noindent\def\thecontentspage{##2}\ttl@entry{#5}{#6}##1\ttl@end\nobreak#7\par\IfValueT{#8}{#8}\endgroup\fi}}
\def\ttl@entry#1#2{\@ifnextchar\numberline{\ttl@yes{#1}{#2}}{\ttl@no{#1}{#2}}}
\NewDocumentCommand\dottedcontents{m o +m m m}{\titlecontents{#1}[\IfValueTF{#2}{#2}{0pt}]{#3}{\contentslabel{#4}}{\hspace*{-#4}}{\ttl@dots{#5}\contentspage}}
\def\ttl@dots#1{\leaders\hbox to#1{\hss.\hss}\hfill}
\NewDocumentCommand\startcontents{o}{}\NewDocumentCommand\stopcontents{o}{}\NewDocumentCommand\resumecontents{o}{}
\NewDocumentCommand\printcontents{o m m o +m}{\begingroup#5\contents@partial{\IfValueTF{#4}{#4}{\value{tocdepth}}}\endgroup}
${TITLE_RULE}
`,
};
