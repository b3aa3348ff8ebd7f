import { emptyBox } from '../machine/paragraphMode';
import { CELLS } from '../machine/cells';
import { glue, NO_GLUE, PT, type Sp } from '../../base/lengths';
import type { BlockNode } from '../../document/blocks';
import { expandTokens, textOf, tokensText } from '../../expansion/tokenText';
import { detach, type Token } from '../../expansion/meaning';
import { getCount, setCount, setDimen, setSkip } from '../../expansion/registers';
import { type Args, type CommandEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { glueOf } from '../scanning/glueOf';
import { dimenOf } from '../scanning/dimenOf';
import { groupsIn } from '../scanning/optionLists';
import { linkContentsLines, markContentsPlace } from './contentsLinks';
import { emit } from './pageStyle';
import { cell } from '../../expansion/cells';
import { OWN } from '../machine/ownNames';

/** The entries of all lists, which the session gives back with the pages they fell on. */
export const CONTENTS = cell<
  readonly { readonly list: string; readonly entry: unknown; readonly page: string }[]
>('contents', []);

/** Is a list of contents being set? What it says adds nothing to any, nor sets one: contents would stand in themselves. */
const IN_LIST = cell<boolean>('inContents', false);

/** How high a line of contents stands, by its kind. */
export const CONTENTS_LEVELS: Readonly<Record<string, number>> = {
  part: -1,
  chapter: 0,
  section: 1,
  subsection: 2,
  subsubsection: 3,
  paragraph: 4,
  subparagraph: 5,
  figure: 1,
  table: 1,
};

/** The entries of a list: the tokens of each, and its page. */
export const entriesOf = (it: Interpreter, list: string) =>
  it.read(CONTENTS).flatMap(({ list: of, entry, page }) =>
    // What `addToList` gave to the page comes back as it was.
    of === list ? [{ entry: entry as readonly Token[], page }] : [],
  );

/** Tokens for a list, with numbers as they are now. */
export function addToList(it: Interpreter, list: string, tokens: readonly Token[]): void {
  if (it.read(IN_LIST)) return;
  const entry = detach(expandTokens(it.p, tokens));
  const [kind, text] = entry[0]?.text === 'contentsline' ? groupsIn(entry.slice(1)) : [];
  if (kind && text) markContentsPlace(it, tokensText(kind), text);
  emit(it, { kind: 'contents', list, entry, ...it.p.place });
}

/** `\addcontentsline`: a line of a kind, its text with the number before it. */
export function addContentsLine(
  it: Interpreter,
  list: string,
  kind: string,
  number: readonly Token[] | null,
  title: readonly Token[],
): void {
  const { p } = it;
  const group = (tokens: readonly Token[]): Token[] => [p.make(1, '{'), ...tokens, p.make(2, '}')];
  const head = number ? [p.command('numberline'), ...group(number)] : [];
  addToList(it, list, [
    p.command('contentsline'),
    ...group(p.chars(kind)),
    ...group([...head, ...title]),
  ]);
}

/** `\@starttoc`: the entries of a list, each with its page. */
function startList(it: Interpreter, tokens: readonly Token[]): void {
  setEntries(it, entriesOf(it, textOf(it.p, tokens)));
}

/** Lines of contents are paragraphs; these take the space between them away. */
const closesUp = (it: Interpreter): boolean =>
  ['parskip', 'tocloft'].some((name) => it.hasPackage(name)) ||
  /^(?:scr|memoir$)/.test(it.read(CELLS.class) ?? '');

/** Sets lines of contents, each with its page. */
export function setEntries(
  it: Interpreter,
  entries: readonly { readonly entry: readonly Token[]; readonly page: string }[],
): void {
  if (it.read(IN_LIST)) return;
  it.endParagraph();
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.write(IN_LIST, true);
  if (closesUp(it)) setSkip(it.state, 'parskip', NO_GLUE);
  for (const { entry, page } of entries) {
    const isLine = entry[0]?.text === 'contentsline';
    const number = isLine ? [it.p.make(1, '{'), ...it.p.chars(page), it.p.make(2, '}')] : [];
    it.execute([...entry, ...number]);
  }
  it.endParagraph();
  it.closeGroup();
  it.write(CELLS.afterHeading, false, true);
}

/** In the kind of a line, parts how it is set from what it is a line of. */
export const LINE_OF = '/';

/** `\contentsline{kind}{text}{page}`: as the kind of line is set. */
function contentsLine(it: Interpreter, args: Args): void {
  const kind = textOf(it.p, tokensOf(args, 0));
  const [look = ''] = kind.split(LINE_OF);
  if (it.state.get(it.state.cell(`l@${look}`)) === undefined) return;
  const before = it.mode.vlist.length;
  it.call(`l@${look}`, tokensOf(args, 1), tokensOf(args, 2));
  linkContentsLines(it, before, kind, tokensOf(args, 1));
}

/** How a line of contents is set: margins, the number's width, dots or none. */
interface LineLook {
  readonly indent: Sp;
  readonly numberWidth: Sp;
  readonly dots: boolean;
  readonly bold: boolean;
}

const PAGE_WIDTH_EM = 1.55;
const RIGHT_MARGIN_EM = 2.55;

/** `\vskip\z@\@plus.2\p@` above a line with dots. */
const BEFORE_DOTS: BlockNode = {
  kind: 'vspace',
  glue: { ...NO_GLUE, stretch: 0.2 * PT },
  behaviour: 'plain',
};

/** Text, leader and page number as one paragraph (LaTeX's `\@dottedtocline`). */
function setLine(
  it: Interpreter,
  look: LineLook,
  text: readonly Token[],
  page: readonly Token[],
): void {
  const { p, state } = it;
  it.endParagraph();
  it.openGroup({ kind: 'semisimple', span: p.place });
  const { em } = it;
  const pageWidth = Math.round(PAGE_WIDTH_EM * em);
  const margin = Math.round((look.dots ? RIGHT_MARGIN_EM : PAGE_WIDTH_EM) * em);
  setSkip(state, 'leftskip', glue(look.indent + look.numberWidth));
  setSkip(state, 'rightskip', glue(margin));
  setSkip(state, 'parfillskip', glue(-margin));
  setDimen(state, 'parindent', 0);
  setCount(state, 'interlinepenalty', 10000);
  if (look.dots) it.mode.vlist.push(BEFORE_DOTS);
  it.write(CELLS.alignment, 'justified');
  setDimen(state, OWN.numberWidth, look.numberWidth);
  if (look.bold) it.changeFont({ series: 'bold' });
  it.startParagraph(false);
  it.add({ kind: 'kern', width: -look.numberWidth, ...p.place });
  it.execute(text);
  it.mode.hlist?.unskip();
  it.add({ kind: 'penalty', penalty: 10000, ...p.place });
  it.add({
    kind: 'glue',
    glue: { ...NO_GLUE, stretch: PT, stretchOrder: 1 },
    ...leaderOf(it, look.dots),
    ...p.place,
  });
  it.add({ kind: 'penalty', penalty: 10000, ...p.place });
  it.add({ ...emptyBox(it), width: pageWidth, align: 'right', inlines: it.inlinesOf(page) });
  it.endParagraph();
  it.closeGroup();
}

/** Dots nine mu apart (`\@dotsep` 4.5 on either side). */
function leaderOf(it: Interpreter, dots: boolean) {
  if (!dots) return {};
  const font = it.intern({ ...it.font, series: 'medium', family: 'roman', shape: 'upright' });
  const dot = { kind: 'text' as const, text: '.', font, ...it.p.place };
  const width = Math.round((2.77779 / 10 + 0.5) * font.size);
  return { leader: { kind: 'box' as const, inlines: [dot], width } };
}

function dottedLine(it: Interpreter, args: Args): void {
  const level = parseInt(textOf(it.p, tokensOf(args, 0)), 10);
  if (level > getCount(it.state, 'c@tocdepth')) return;
  const look = {
    indent: dimenOf(it, tokensOf(args, 1)),
    numberWidth: dimenOf(it, tokensOf(args, 2)),
    dots: true,
    bold: false,
  };
  setLine(it, look, tokensOf(args, 3), tokensOf(args, 4));
}

/** A line of the highest level: bold, without dots, with space above and a break encouraged. */
function boldLine(it: Interpreter, args: Args): void {
  const level = parseInt(textOf(it.p, tokensOf(args, 0)), 10);
  if (level > getCount(it.state, 'c@tocdepth')) return;
  it.endParagraph();
  it.mode.vlist.push({ kind: 'penalty', penalty: level < 1 ? -300 : -51, added: true });
  // article adds by `\\addvspace`; report and book have `\\vskip` above a chapter.
  const behaviour = level === 0 ? 'plain' : 'merge';
  it.mode.vlist.push({ kind: 'vspace', glue: glueOf(it, tokensOf(args, 1)), behaviour });
  const look = { indent: 0, numberWidth: dimenOf(it, tokensOf(args, 2)), dots: false, bold: true };
  setLine(it, look, tokensOf(args, 3), tokensOf(args, 4));
}

/** The number before a heading in a list, in a box as wide as the list says. */
function numberLine(it: Interpreter, args: Args): void {
  const box = emptyBox(it);
  const width = it.dimen(OWN.numberWidth);
  it.add({ ...box, width, grow: true, inlines: it.inlinesOf(tokensOf(args, 0)) });
}

const list = (name: string, suffix: string, title: string, what: string): CommandEntry => ({
  name,
  signature: '',
  description: what,
  example: `\\${name}`,
  macro: `\\@listheading{\\${title}}\\@starttoc{${suffix}}`,
});

/** Lists of contents, figures and tables, and what writes into them. */
export const contentsCommands: readonly CommandEntry[] = [
  list('tableofcontents', 'toc', 'contentsname', 'The list of headings with their pages.'),
  list('listoffigures', 'lof', 'listfigurename', 'The list of figures with their pages.'),
  list('listoftables', 'lot', 'listtablename', 'The list of tables with their pages.'),
  {
    name: 'addcontentsline',
    signature: 'mmm',
    description: 'Adds a line to a list of contents.',
    example: '\\addcontentsline{toc}{section}{Sources}',
    run: (it, args) =>
      addContentsLine(
        it,
        textOf(it.p, tokensOf(args, 0)),
        textOf(it.p, tokensOf(args, 1)),
        null,
        tokensOf(args, 2),
      ),
  },
  {
    name: 'addtocontents',
    signature: 'mm',
    description: 'Adds commands to a list of contents.',
    example: '\\addtocontents{toc}{\\vspace{1ex}}',
    run: (it, args) => addToList(it, textOf(it.p, tokensOf(args, 0)), tokensOf(args, 1)),
  },
  {
    name: 'contentsline',
    signature: 'mmm',
    description: 'A line of a list of contents.',
    example: '\\contentsline{section}{Tides}{3}',
    run: contentsLine,
  },
  {
    name: 'numberline',
    signature: 'm',
    description: 'The number of a line of contents.',
    example: '\\numberline{1}Tides',
    run: numberLine,
  },
  {
    name: '@starttoc',
    signature: 'm',
    description: 'The entries of a list of contents.',
    example: '\\@starttoc{toc}',
    run: (it, args) => startList(it, tokensOf(args, 0)),
  },
  {
    name: '@dottedtocline',
    signature: 'mmmmm',
    description: 'A line of contents with dots: level, indent, width of the number, text, page.',
    example: '\\@dottedtocline{1}{1.5em}{2.3em}{Tides}{3}',
    run: dottedLine,
  },
  {
    name: '@boldtocline',
    signature: 'mmmmm',
    description: 'A bold line of contents: level, space above, width of the number, text, page.',
    example: '\\@boldtocline{1}{1em}{1.5em}{Tides}{3}',
    run: boldLine,
  },
];

/** Lines of contents of a class with sections on top (article.cls). */
export const CONTENTS_OF_SECTIONS = String.raw`
\def\l@part#1#2{\@boldtocline{-1}{2.25em}{3em}{\large #1}{#2}}
\def\l@section#1#2{\@boldtocline{1}{1em plus 1pt}{1.5em}{#1}{#2}}
\def\l@subsection{\@dottedtocline{2}{1.5em}{2.3em}}
\def\l@subsubsection{\@dottedtocline{3}{3.8em}{3.2em}}
\def\l@paragraph{\@dottedtocline{4}{7em}{4.1em}}
\def\l@subparagraph{\@dottedtocline{5}{10em}{5em}}
\def\l@figure{\@dottedtocline{1}{1.5em}{2.3em}}
\let\l@table\l@figure
`;

/** The same for classes with chapters (report.cls, book.cls). */
export const CONTENTS_OF_CHAPTERS = String.raw`
\def\l@part#1#2{\@boldtocline{-1}{2.25em plus 1pt}{3em}{\large #1}{#2}}
\def\l@chapter#1#2{\@boldtocline{0}{1em plus 1pt}{1.5em}{#1}{#2}}
\def\l@section{\@dottedtocline{1}{1.5em}{2.3em}}
\def\l@subsection{\@dottedtocline{2}{3.8em}{3.2em}}
\def\l@subsubsection{\@dottedtocline{3}{7em}{4.1em}}
\def\l@paragraph{\@dottedtocline{4}{10em}{5em}}
\def\l@subparagraph{\@dottedtocline{5}{12em}{6em}}
\def\l@figure{\@dottedtocline{1}{1.5em}{2.3em}}
\let\l@table\l@figure
`;
