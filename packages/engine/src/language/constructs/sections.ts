import { takeFlag } from '../machine/paragraphMode';
import { CELLS } from '../machine/cells';
import { glue, type Glue, negative, NO_GLUE } from '../../base/lengths';
import type { Span } from '../../base/spans';
import type { Inline } from '../../document/inlines';
import { expandTokens, textOf, tokensText } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import { getCount, setDimen } from '../../expansion/registers';
import { parameterise, withArguments } from '../../expansion/definitions';
import { Cat } from '../../tokens/categories';
import { type Args, type CommandEntry, isStarred, tokensOf } from '../machine/entries';
import { closeOpenGroups } from '../machine/environments';
import { refStepCounter } from '../machine/counters';
import type { Interpreter } from '../machine/interpreter';
import { passWrapped } from '../machine/wrapped';
import { dimenOf } from '../scanning/dimenOf';
import { addContentsLine } from './contents';
import { glueOf } from '../scanning/glueOf';
import { cellsBy, flag } from '../../expansion/cells';

/** `\@secpenalty` (LaTeX classes). */
const SECTION_PENALTY = -300;

/** Environments that no heading stands in: a heading inside one means its end was forgotten. */
const NEVER_AROUND =
  /^(itemize|enumerate|description|proof|theorem|lemma|proposition|corollary|definition|remark|example|quote|center)$/;

/** Of a theorem and its like: no heading stands in it. */
export const STATEMENT = flag('statement');

/** Starts a heading: what was forgotten open before it is closed. */
function closeForgotten(it: Interpreter, at: Span): void {
  const forgotten = it.environments.findIndex(
    (e) => NEVER_AROUND.test(e.name) || e.data.get(STATEMENT),
  );
  if (forgotten < 0) return;
  closeOpenGroups(it, it.environments[forgotten]?.groups ?? 0, at);
}

/** The words of a title, macros in it expanded, for the outline and for references by name. */
export function plainTitle(it: Interpreter, tokens: readonly Token[]): string {
  return tokensText(expandTokens(it.p, tokens))
    .replace(/\\(label|footnote|thanks|index) ?\{[^}]*\}/g, '')
    .replace(/\\[A-Za-z@]+ ?|\\[ ,;:!>\\]|[{}$~]/g, ' ')
    .replace(/\\([&%#_])/g, '$1')
    .replace(/\s+/g, ' ')
    .trim();
}

/** A heading's mark for outline and bookmarks; the place a reference by page finds. */
export function markHeading(it: Interpreter, level: number, number: string, title: string): void {
  const { place } = it.p;
  const to = Math.max(place.to, it.p.here());
  it.mode.vlist.push({ kind: 'outline', level, number, title, from: place.from, to });
}

/** What a package has said of how a heading is set (`titlesec`). */
export interface HeadingFormat {
  readonly shape: string;
  readonly format: readonly Token[];
  readonly label: readonly Token[];
  readonly gap: readonly Token[];
  readonly before: readonly Token[];
  readonly after: readonly Token[];
}

export interface HeadingSpacing {
  readonly left: readonly Token[];
  readonly above: readonly Token[];
  readonly below: readonly Token[];
}

/** Marks a format for headings of a kind that have no number. */
export const UNNUMBERED = '*';

export const formatOf = cellsBy<HeadingFormat | null>('format', null);
export const spacingOf = cellsBy<HeadingSpacing | null>('spacing', null);

/** A heading as `\@startsection` is told to set it. */
interface Heading {
  readonly name: string;
  readonly level: number;
  readonly indent: number;
  readonly above: Glue;
  readonly below: Glue;
  readonly keepsIndent: boolean;
  readonly style: readonly Token[];
  readonly number: string | null;
  readonly title: readonly Token[];
}

const abs = (g: Glue): Glue => (g.width < 0 ? negative(g) : g);

/** `\@startsection{name}{level}{indent}{above}{below}{style}*[short]{title}` (LaTeX kernel). */
function startSection(it: Interpreter, args: Args): void {
  const name = textOf(it.p, tokensOf(args, 0));
  const level = parseInt(textOf(it.p, tokensOf(args, 1)), 10) || 0;
  closeForgotten(it, it.p.place);
  const starred = isStarred(args, 6);
  const title = tokensOf(args, 8);
  const short = Array.isArray(args[7]) ? tokensOf(args, 7) : title;
  const numbered = !starred && getCount(it.state, 'c@secnumdepth') >= level;
  passWrapped(it);
  it.endParagraph();
  const spacing = it.read(spacingOf(name));
  const above = glueOf(it, spacing?.above ?? tokensOf(args, 3));
  const below = glueOf(it, spacing?.below ?? tokensOf(args, 4));
  const keepsIndent = above.width >= 0 && !spacing && tokensOf(args, 3).length > 0;
  if (numbered) refStepCounter(it, name);
  const number = numbered ? textOf(it.p, [it.p.command(`the${name}`)]) : null;
  const words = plainTitle(it, title);
  it.write(CELLS.currentTitle, words, true);
  takeFlag(it, CELLS.afterDisplay);
  // `\\@startsection` adds nothing while `\\if@nobreak` is true: right behind a heading.
  if (!it.read(CELLS.afterHeading)) {
    it.mode.vlist.push({ kind: 'penalty', penalty: SECTION_PENALTY, added: true });
    it.mode.vlist.push({ kind: 'vspace', glue: abs(above), behaviour: 'merge' });
  }
  markHeading(it, level, number ?? '', words);
  if (!starred) {
    it.call(`${name}mark`, short);
    const tokens = number === null ? null : [it.p.command(`the${name}`)];
    if (level <= 5) addContentsLine(it, 'toc', name, tokens, short);
  }
  const indent = dimenOf(it, tokensOf(args, 2));
  const h = {
    name,
    level,
    indent,
    above,
    below,
    keepsIndent,
    style: tokensOf(args, 5),
    number,
    title,
  };
  if (!spacing && below.width <= 0) runIn(it, h);
  else if (formatFor(it, name, numbered)?.shape === 'runin') runIn(it, h);
  else displayed(it, h);
}

/** How a package has a heading set: one without a number perhaps otherwise. */
export const formatFor = (it: Interpreter, name: string, numbered: boolean): HeadingFormat | null =>
  (numbered ? null : it.read(formatOf(name + UNNUMBERED))) ?? it.read(formatOf(name));

/** The number in front, as the class or a package says. */
function numberInlines(it: Interpreter, h: Heading, format: HeadingFormat | null): Inline[] {
  if (h.number === null) return [];
  const at = it.p.place;
  if (format) {
    const gap = dimenOf(it, format.gap);
    return [...it.inlinesOf(format.label), { kind: 'kern', width: gap, ...at }];
  }
  const own = it.state.get(it.state.cell('@seccntformat')) !== undefined;
  if (own) {
    const name = [it.p.make(1, '{'), ...it.p.chars(h.name), it.p.make(2, '}')];
    return [...it.inlinesOf([it.p.command('@seccntformat'), ...name])];
  }
  const number = it.inlinesOf([it.p.command(`the${h.name}`)]);
  return [...number, { kind: 'glue', glue: glue(it.em), ...at }];
}

/** A heading on a line of its own; never a page break behind it. */
function displayed(it: Interpreter, h: Heading): void {
  const format = formatFor(it, h.name, h.number !== null);
  it.write(CELLS.afterHeading, false, true);
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  setDimen(it.state, 'parindent', 0);
  setHeadingStyle(it, format?.format ?? h.style);
  it.mode.nextIndent = h.indent;
  it.startParagraph(false);
  it.mode.nextIndent = h.indent;
  const taker = takesArgument(it, format?.format ?? h.style);
  if (format?.shape === 'display' && h.number !== null) {
    for (const inline of it.inlinesOf(format.label)) it.add(inline);
    it.endParagraph();
    it.mode.vlist.push({ kind: 'vspace', glue: glue(dimenOf(it, format.gap)), behaviour: 'plain' });
    it.startParagraph(false);
  } else for (const inline of numberInlines(it, h, format)) it.add(inline);
  const title = format ? wrapTitle(it, format, h.title) : h.title;
  for (const inline of it.inlinesOf(taker ? [taker, ...braced(it, title)] : title)) it.add(inline);
  it.mode.clubPenalty = 10000;
  it.endParagraph();
  if (format) it.execute(format.after);
  it.closeGroup();
  it.mode.vlist.push(
    { kind: 'penalty', penalty: 10000 },
    { kind: 'vspace', glue: abs(h.below), behaviour: 'plain' },
  );
  afterHeading(it, h.keepsIndent);
}

/** The title where `before` has it as `#1`; else its last command may take it as its argument. */
export const wrapTitle = (
  it: Interpreter,
  format: HeadingFormat,
  title: readonly Token[],
): Token[] => {
  const before = parameterise(format.before);
  if (before.some(({ cat }) => cat === Cat.Argument)) return withArguments(before, [title]);
  const last = format.before.at(-1);
  return last?.cell ? [...format.before, ...braced(it, title)] : [...format.before, ...title];
};

const braced = (it: Interpreter, tokens: readonly Token[]): Token[] => [
  it.p.make(1, '{'),
  ...tokens,
  it.p.make(2, '}'),
];

/** `\MakeUppercase` and its like at the end of a style take the title. */
function takesArgument(it: Interpreter, style: readonly Token[]): Token | null {
  const last = style.findLast((t) => t.cat !== 10);
  if (!last?.cell) return null;
  const meaning = it.state.meaning(last.cell);
  if (meaning?.kind === 'macro') return meaning.params.length === 1 ? last : null;
  return /^(MakeUppercase|MakeLowercase|uppercase|underline|textbf|textit|textsc|centerline|fbox|emph)$/.test(
    last.text,
  )
    ? last
    : null;
}

function setHeadingStyle(it: Interpreter, style: readonly Token[]): void {
  const taker = takesArgument(it, style);
  it.execute(taker ? style.slice(0, style.lastIndexOf(taker)) : style);
}

/** No break and no indent behind a heading (`\@afterheading`). */
export function afterHeading(it: Interpreter, keepsIndent = false): void {
  it.write(CELLS.listEnded, false, true);
  it.write(CELLS.afterHeading, true, true);
  const indents = keepsIndent || it.read(CELLS.indentFirst);
  it.write(CELLS.noIndentNext, !indents, true);
}

/** A heading that the paragraph goes on behind. */
function runIn(it: Interpreter, h: Heading): void {
  const format = formatFor(it, h.name, h.number !== null);
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  setHeadingStyle(it, format?.format ?? h.style);
  const title = format ? wrapTitle(it, format, h.title) : h.title;
  const taker = takesArgument(it, format?.format ?? h.style);
  const shown = taker ? [taker, ...braced(it, title)] : title;
  const inlines = [...numberInlines(it, h, format), ...it.inlinesOf(shown)];
  if (format) inlines.push(...it.inlinesOf(format.after));
  it.closeGroup();
  it.write(CELLS.afterHeading, false, true);
  it.write(CELLS.noIndentNext, false, true);
  it.startParagraph(false);
  it.mode.nextIndent = h.indent;
  for (const inline of inlines) it.add(inline);
  it.add({ kind: 'glue', glue: abs({ ...NO_GLUE, width: h.below.width }), ...it.p.place });
  it.skipBlanks();
}

/** Headings from sections down, with the measures of the standard classes (article.cls). */
const HEADINGS: readonly (readonly [string, number, string, string, string, string])[] = [
  [
    'section',
    1,
    '0pt',
    '-3.5ex plus -1ex minus -.2ex',
    '2.3ex plus .2ex',
    '\\normalfont\\Large\\bfseries',
  ],
  [
    'subsection',
    2,
    '0pt',
    '-3.25ex plus -1ex minus -.2ex',
    '1.5ex plus .2ex',
    '\\normalfont\\large\\bfseries',
  ],
  [
    'subsubsection',
    3,
    '0pt',
    '-3.25ex plus -1ex minus -.2ex',
    '1.5ex plus .2ex',
    '\\normalfont\\normalsize\\bfseries',
  ],
  [
    'paragraph',
    4,
    '0pt',
    '3.25ex plus 1ex minus .2ex',
    '-1em',
    '\\normalfont\\normalsize\\bfseries',
  ],
  [
    'subparagraph',
    5,
    '\\parindent',
    '3.25ex plus 1ex minus .2ex',
    '-1em',
    '\\normalfont\\normalsize\\bfseries',
  ],
];

const headingEntry = ([
  name,
  level,
  indent,
  above,
  below,
  style,
]: (typeof HEADINGS)[number]): CommandEntry => ({
  name,
  signature: '',
  description: `A heading of level ${level}; with a star it has no number.`,
  example: `\\${name}{The three harbours}`,
  macro: `\\@startsection{${name}}{${level}}{${indent}}{${above}}{${below}}{${style}}`,
});

export const sections: readonly CommandEntry[] = HEADINGS.map(headingEntry);

export const sectionInternals: readonly CommandEntry[] = [
  {
    name: '@startsection',
    signature: 'mmmmmmsoM',
    description:
      'Sets a heading: name, level, indent, space above and below, style, then its title.',
    example: '\\@startsection{section}{1}{0pt}{2ex}{1ex}{\\bfseries}{Tides}',
    run: startSection,
  },
  {
    name: '@afterheading',
    signature: '',
    description: 'No page break and no indent here.',
    example: '\\@afterheading',
    run: (it) => afterHeading(it),
  },
];
