import { quietEntry } from '../machine/macroEntry';
import { CELLS } from '../machine/cells';
import type { FieldInline, Inline } from '../../document/inlines';
import { withPaper } from '../machine/paper';
import type { NumberStyle, PageStyle, RunningLine, RunningWords } from '../../document/page';
import { textOf } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import { setCounter } from '../machine/counters';
import { type CommandEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { setSize } from './fonts';
import { byPage, pageNumber } from './knownPages';
import { OWN } from '../machine/ownNames';
import { cell, flag } from '../../expansion/cells';
import { tellUnknownKey } from '../scanning/unknownKeys';

/** Within `\nouppercase`. */
const UNCAPITALISED = flag('uncapitalised');

/** Without the capitals that marks make of their words. */
export const nouppercase: CommandEntry = {
  name: 'nouppercase',
  signature: 'M',
  description: 'In a running head: text as it was written, not in capitals.',
  example: '\\nouppercase{\\leftmark}',
  package: 'fancyhdr',
  run: (it, args) => {
    it.openGroup({ kind: 'semisimple', span: it.p.place });
    it.write(UNCAPITALISED, true);
    it.execute([...it.source('\\let\\MakeUppercase\\@firstofone'), ...tokensOf(args, 0)]);
    it.closeGroup();
  },
};

/** How thick lines at head and foot are by the options of a class; nothing for none. */
export const SEPARATORS = cell('separators', { head: '', foot: '' });

/** The work of a head or foot, in the measure of an expansion. */
const LINE_WORK = 30;

/** One line of a head or foot; where it goes by the number of the page, of each page. */
function runningLine(it: Interpreter, macro: string, rule: string): RunningLine | null {
  const { always, onPages } = byPage(it, () => setRunningLine(it, macro, rule));
  if (!onPages?.some((line) => line !== null)) return always;
  const nothing = { inlines: [], rule: 0, width: it.dimen('textwidth') };
  return { ...(always ?? nothing), onPages };
}

/** One line of a head or foot, set as if at the top level of the document; null when its macro is empty. */
function setRunningLine(it: Interpreter, macro: string, rule: string): RunningLine | null {
  const { state } = it;
  if (state.get(state.cell(macro)) === undefined || !it.p.spend(LINE_WORK, macro)) return null;
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.changeFont({ family: it.textFamily, series: 'medium', shape: 'upright', color: 0 });
  setSize(it, 'normalsize');
  it.write(CELLS.alignment, 'justified');
  const [inlines, onPaper] = withPaper(it, () => it.inlinesOf([it.p.command(macro)]));
  const width = it.dimen(OWN.headWidth) || it.dimen('textwidth');
  const thickness = ruleWidth(it, rule);
  it.closeGroup();
  if (inlines.length + onPaper.length === 0) return null;
  const line = { inlines, rule: thickness, width };
  return onPaper.length === 0 ? line : { ...line, onPaper };
}

/** How thick the rule at a head or foot is: what its macro says now; 0 when there is none. */
function ruleWidth(it: Interpreter, name: string): number {
  const meaning = it.state.meaning(it.state.cell(name));
  if (meaning?.kind !== 'macro' || meaning.body.length === 0) return 0;
  it.execute([...it.source('\\@tempdima='), it.p.command(name), it.p.command('relax')]);
  return it.dimen('@tempdima');
}

/** Heads and feet as their macros stand now. */
export function currentStyle(it: Interpreter): PageStyle {
  const [rule, footRule] = [OWN.headRule, OWN.footRule];
  return {
    head: runningLine(it, '@oddhead', rule),
    foot: runningLine(it, '@oddfoot', footRule),
    evenHead: runningLine(it, '@evenhead', rule),
    evenFoot: runningLine(it, '@evenfoot', footRule),
  };
}

/** Sends the style in force to the pages. In the preamble it waits for the document to begin. */
export function emitStyle(it: Interpreter, thisPageOnly: boolean): void {
  if (!it.read(CELLS.inDocument)) return;
  emit(it, { kind: 'pagestyle', style: currentStyle(it), thisPageOnly });
}

type Emitted = Parameters<Interpreter['mode']['vlist']['push']>[0];

/** Adds a mark for the page: between paragraphs, or on the line where it is met. */
export function emit(
  it: Interpreter,
  node: Emitted & { kind: 'pagestyle' | 'backdrop' | 'pagenumber' | 'running' | 'contents' },
): void {
  if (it.mode.hlist === null) it.mode.vlist.push(node);
  else it.mode.hlist.add({ kind: 'migrant', node, ...it.p.place });
}

/** Styles of pages that every class has, and what is meant by others. */
const PLAIN_STYLES = ['empty', 'plain', 'headings', 'myheadings'];
const MEANT_STYLES: Readonly<Record<string, string>> = {
  none: 'empty',
  blank: 'empty',
  no: 'empty',
};

function chooseStyle(it: Interpreter, tokens: readonly Token[], once: boolean): void {
  const name = textOf(it.p, tokens);
  const macro = `ps@${name}`;
  if (it.state.get(it.state.cell(macro)) === undefined) {
    const known = it.state.names((one) => one.startsWith('ps@'));
    const styles = [...new Set([...PLAIN_STYLES, ...[...known].map((one) => one.slice(3))])];
    return tellUnknownKey(it, tokens, styles, MEANT_STYLES[name]);
  }
  takeStyle(it, macro, once);
}

/** Carries out the macro of a style, and sends what it says to the pages that follow, or to this one alone. */
function takeStyle(it: Interpreter, macro: string, once: boolean): void {
  if (once) it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.write(CELLS.choosingStyle, true);
  it.execute([it.p.command(macro)]);
  it.write(CELLS.choosingStyle, false);
  emitStyle(it, once);
  if (once) it.closeGroup();
}

/** The page on which a title or a chapter begins. */
export const plainPage = (it: Interpreter): void => takeStyle(it, 'ps@plain', true);

/** A page without head and foot. */
export const emptyPage = (it: Interpreter): void => takeStyle(it, 'ps@empty', true);

const field =
  (what: FieldInline['what']) =>
  (it: Interpreter): void =>
    it.add({
      kind: 'field',
      what,
      font: it.font,
      uncapitalised: it.read(UNCAPITALISED),
      ...it.p.place,
    });

/** What makes capitals of words. */
const CAPITALS: ReadonlySet<string> = new Set(['MakeUppercase', 'uppercase', 'MakeTextUppercase']);

/** Words of a running head, set in the type of the text. */
function headWords(it: Interpreter, tokens: readonly Token[]): RunningWords {
  const words = wordsOf(it, tokens, false);
  const capitals = tokens.some(({ text }) => CAPITALS.has(text));
  return capitals ? { words, uncapitalised: wordsOf(it, tokens, true) } : { words };
}

function wordsOf(it: Interpreter, tokens: readonly Token[], asTheyAre: boolean): readonly Inline[] {
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.changeFont({ family: it.textFamily, series: 'medium', shape: 'upright' });
  setSize(it, 'normalsize');
  if (asTheyAre) for (const name of CAPITALS) it.execute(it.source(`\\let\\${name}\\@firstofone`));
  const inlines = it.inlinesOf(tokens);
  it.closeGroup();
  return inlines;
}

const running = (it: Interpreter, left: readonly Token[] | null, right: readonly Token[]): void =>
  emit(it, { kind: 'running', left: left && headWords(it, left), right: headWords(it, right) });

/** Package extramarks: a second pair of texts for running heads. */
export const extraMarks: readonly CommandEntry[] = [
  {
    name: 'extramarks',
    signature: 'mm',
    description: 'A second pair of texts for running heads: \\firstxmark and \\lastxmark.',
    example: '\\extramarks{Problem 1}{Problem 1 goes on}',
    run: (it, args) =>
      emit(it, {
        kind: 'running',
        left: null,
        right: null,
        extra: [headWords(it, tokensOf(args, 0)), headWords(it, tokensOf(args, 1))],
      }),
  },
  ...(
    [
      ['firstxmark', 'extraLeft', 'the left extra text of the first mark of the page'],
      ['firstleftxmark', 'extraLeft', 'the left extra text of the first mark of the page'],
      ['topxmark', 'extraLeft', 'the left extra text of the page'],
      ['lastxmark', 'extraRight', 'the right extra text of the last mark of the page'],
      ['lastrightxmark', 'extraRight', 'the right extra text of the last mark of the page'],
      ['lastleftmark', 'left', 'the left text of the last mark of the page'],
      ['firstleftmark', 'left', 'the left text of the page'],
      ['firstrightmark', 'right', 'the right text of the first mark of the page'],
      ['lastrightmark', 'right', 'the right text of the page'],
    ] as const
  ).map(([name, what, said]): CommandEntry => ({
    name,
    signature: '',
    description: `In a running head: ${said}.`,
    example: `\\${name}`,
    run: field(what),
  })),
];

const STYLES: readonly NumberStyle[] = ['arabic', 'roman', 'Roman', 'alph', 'Alph'];

/** Page numbers are counted anew from here. */
export function setPage(it: Interpreter, value: number | null, style: NumberStyle | null): void {
  if (value !== null) setCounter(it.state, 'page', value);
  if (!it.read(CELLS.inDocument)) {
    it.write(CELLS.firstPage, { value: value ?? 1, style: style ?? 'arabic' }, true);
    return;
  }
  emit(it, { kind: 'pagenumber', value, style });
}

function pageNumbering(it: Interpreter, tokens: readonly Token[]): void {
  const name = textOf(it.p, tokens) as NumberStyle;
  if (!STYLES.includes(name) && (name as string) !== 'gobble') {
    return tellUnknownKey(it, tokens, [...STYLES, 'gobble']);
  }
  if ((name as string) === 'gobble') {
    it.define('thepage', '');
    return emitStyle(it, false);
  }
  it.define('thepage', `\\${name}{page}`);
  setPage(it, 1, name);
}

/** Marks by hand: what heads say is set by `\markboth` and `\markright`. */
const marks: readonly CommandEntry[] = [
  quietEntry(
    'mark',
    'm',
    'A mark for the heads of pages; \\markboth and \\markright set what they say.',
  ),
  ...['topmark', 'firstmark', 'botmark', 'splitfirstmark', 'splitbotmark'].map((name) =>
    quietEntry(name, '', 'A mark of the page, where a head is put together by hand.'),
  ),
];

/** Heads, feet and page numbers. */
export const pageStyleCommands: readonly CommandEntry[] = [
  ...marks,
  {
    name: 'pagestyle',
    signature: 'm',
    description:
      'What stands at the head and foot of pages: plain, empty, headings, or a style of a package.',
    example: '\\pagestyle{empty}',
    run: (it, args) => chooseStyle(it, tokensOf(args, 0), false),
  },
  {
    name: 'thispagestyle',
    signature: 'm',
    description: 'The same for this page only.',
    example: '\\thispagestyle{empty}',
    run: (it, args) => chooseStyle(it, tokensOf(args, 0), true),
  },
  {
    name: 'pagenumbering',
    signature: 'm',
    description:
      'How page numbers are written: arabic, roman, Roman, alph, Alph. Counts from 1 again.',
    example: '\\pagenumbering{roman}',
    run: (it, args) => pageNumbering(it, tokensOf(args, 0)),
  },
  {
    name: 'markboth',
    signature: 'mm',
    description: 'What running heads say on left and right pages.',
    example: '\\markboth{Tides}{Gauges}',
    run: (it, args) => running(it, tokensOf(args, 0), tokensOf(args, 1)),
  },
  {
    name: 'markright',
    signature: 'm',
    description: 'What running heads say on right pages.',
    example: '\\markright{Gauges}',
    run: (it, args) => running(it, null, tokensOf(args, 0)),
  },
  {
    name: 'leftmark',
    signature: '',
    description: 'In a running head: the chapter, as \\markboth set it.',
    example: '\\leftmark',
    run: field('left'),
  },
  {
    name: 'rightmark',
    signature: '',
    description: 'In a running head: the section, as \\markright set it.',
    example: '\\rightmark',
    run: field('right'),
  },
  {
    name: '@norules',
    signature: '',
    description: 'No rules at head and foot.',
    example: '',
    run: (it) => {
      for (const name of [OWN.headRule, OWN.footRule]) it.define(name, '');
    },
  },
  {
    name: OWN.pageField,
    signature: '',
    description: '',
    example: '',
    run: field('page'),
    read: pageNumber,
    math: (reader, token) => ({
      kind: 'text',
      inlines: [
        {
          kind: 'field',
          what: 'page',
          font: reader.it.font,
          uncapitalised: false,
          ...reader.span(token),
        },
      ],
      ...reader.span(token),
    }),
  },
  {
    name: OWN.setPage,
    signature: '',
    description: '',
    example: '',
    run: (it) => setPage(it, it.read(CELLS.pageSet), null),
  },
];

/** The styles every class has; `headings` is the class's own. */
export const PAGE_STYLES = String.raw`
\def\ps@empty{\@norules\let\@oddhead\@empty\let\@evenhead\@empty\let\@oddfoot\@empty\let\@evenfoot\@empty}
\def\ps@plain{\ps@empty\def\@oddfoot{\hfil\thepage\hfil}\let\@evenfoot\@oddfoot}
\def\ps@myheadings{\ps@empty
  \def\@oddhead{{\slshape\rightmark}\hfil\thepage}%
  \def\@evenhead{\thepage\hfil{\slshape\leftmark}}%
  \let\@mkboth\@gobbletwo\let\chaptermark\@gobble\let\sectionmark\@gobble\let\subsectionmark\@gobble}
\def\ps@headings{\ps@myheadings}
\let\sectionmark\@gobble\let\subsectionmark\@gobble\let\subsubsectionmark\@gobble
\let\paragraphmark\@gobble\let\subparagraphmark\@gobble\let\chaptermark\@gobble
\let\@mkboth\@gobbletwo
\def\thepage{\arabic{page}}
`;
