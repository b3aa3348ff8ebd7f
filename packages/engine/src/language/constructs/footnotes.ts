import { linkedMark, nextNotePlace, placedNote } from './contentsLinks';
import { scriptText } from './scriptText';
import { restoreParagraphs } from '../machine/columns';
import { emptyBox } from '../machine/paragraphMode';
import { FIL, glue, PT } from '../../base/lengths';
import type { BlockNode } from '../../document/blocks';
import type { Inline } from '../../document/inlines';
import { textOf } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import { setDimen, setSkip } from '../../expansion/registers';
import { labelValue, setCounter, stepCounter, nameNext } from '../machine/counters';
import { type Args, type CommandEntry, tokensOf } from '../machine/entries';
import type { OpenEnvironment } from '../machine/environments';
import type { Interpreter } from '../machine/interpreter';
import { singleSpaced } from '../machine/lineSpacing';
import { setSize } from './fonts';
import { cell } from '../../expansion/cells';
import { OWN } from '../machine/ownNames';

/** The notes of a minipage so far. */
const NOTES = cell<readonly BlockNode[]>('minipagenotes', []);

/** The minipage whose foot takes the notes, if one is open. */
const minipageOf = (it: Interpreter): OpenEnvironment | undefined =>
  it.environments.findLast((e) => e.name === 'minipage');

const counterOf = (it: Interpreter): string => (minipageOf(it) ? 'mpfootnote' : 'footnote');

/** The mark, raised (`\@makefnmark`). */
export function noteMark(it: Interpreter, tokens: readonly Token[]): Inline {
  const look = { family: it.textFamily, series: 'medium', shape: 'upright' } as const;
  if (!isDefined(it, '@makefnmark')) return scriptText(it, tokens, true, look);
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.changeFont(look);
  it.execute(thisMark(it, tokens));
  const inlines = it.inlinesOf([it.p.command('@makefnmark')]);
  it.closeGroup();
  return { ...emptyBox(it), inlines };
}

/** The mark in the line, where no line may begin (`\@footnotemark`). */
function addMark(it: Interpreter, mark: readonly Token[], to: string | null = null): void {
  const list = it.mode.hlist;
  list?.add({ kind: 'penalty', penalty: 10000, ...it.p.place });
  list?.add(linkedMark(it, noteMark(it, mark), to));
}

/** Has the document said so itself? */
const isDefined = (it: Interpreter, name: string): boolean =>
  it.state.get(it.state.cell(name)) !== undefined;

/** `\@thefnmark` is the mark of this note. */
const thisMark = (it: Interpreter, mark: readonly Token[]): Token[] => [
  ...it.source('\\def\\@thefnmark'),
  it.p.make(1, '{'),
  ...mark,
  it.p.make(2, '}'),
];

/** The note itself in small type, its mark hung in 1.8 em (`\@makefntext`). */
function noteBlocks(
  it: Interpreter,
  mark: readonly Token[],
  text: readonly Token[],
): readonly BlockNode[] {
  const { p } = it;
  it.openGroup({ kind: 'semisimple', span: p.place });
  it.changeFont({ family: it.textFamily, series: 'medium', shape: 'upright', color: 0 });
  singleSpaced(it);
  setSize(it, 'footnotesize');
  restoreParagraphs(it);
  const width = minipageOf(it) ? it.dimen('hsize') : it.dimen('columnwidth');
  for (const name of ['hsize', 'linewidth']) setDimen(it.state, name, width);
  setSkip(it.state, 'parfillskip', FIL);
  const { em } = it;
  setDimen(it.state, 'parindent', em);
  const start = p.command('\u0001notestart');
  // The document's own `\@makefntext` places the mark itself; `\footnotesep` is above it.
  const body = isDefined(it, '@makefntext')
    ? it.blocksOf([
        ...thisMark(it, mark),
        p.command('@makefntext'),
        p.make(1, '{'),
        ...it.source('\\rule{0pt}{.7\\baselineskip}\\ignorespaces '),
        ...text,
        p.command(OWN.noteEnd),
        p.make(2, '}'),
      ])
    : it.blocksOf([
        start,
        p.make(1, '{'),
        ...mark,
        p.make(2, '}'),
        ...text,
        p.command(OWN.noteEnd),
      ]);
  it.closeGroup();
  return body;
}

function noteStart(it: Interpreter, args: Args): void {
  it.startParagraph();
  const { place } = it.p;
  const height = Math.round(0.7 * it.skip('baselineskip').width);
  it.add({ kind: 'rule', width: 0, height, depth: 0, ...place });
  const sized = emptyBox(it);
  const mark = noteMark(it, tokensOf(args, 0));
  const indent = it.dimen('parindent');
  const width = Math.round(1.8 * it.em) - indent;
  it.add({ ...sized, inlines: [mark], width, align: 'right' });
  it.skipBlanks();
}

function noteEnd(it: Interpreter): void {
  it.mode.hlist?.unskip();
  if (!it.mode.hlist) return;
  const depth = Math.round(0.3 * it.skip('baselineskip').width);
  it.add({ kind: 'rule', width: 0, height: 0, depth, ...it.p.place });
}

/** Puts a note at the foot of the page, or of the minipage. */
function place(
  it: Interpreter,
  mark: readonly Token[],
  text: readonly Token[],
  name: string | null = null,
): void {
  const blocks = placedNote(it, noteBlocks(it, mark, text), name);
  const small = minipageOf(it);
  if (small) {
    small.data.set(NOTES, [...small.data.get(NOTES), ...blocks]);
    return;
  }
  const node = { kind: 'footnote' as const, blocks, width: it.dimen('columnwidth') };
  if (it.mode.hlist) it.mode.hlist.add({ kind: 'migrant', node, ...it.p.place });
  else it.mode.vlist.push(node);
}

function markTokens(it: Interpreter, counter: string): Token[] {
  const own = counter === 'mpfootnote' ? 'thempfootnote' : 'thefootnote';
  return it.p.chars(textOf(it.p, [it.p.command(own)]));
}

/** The number asked for in brackets, or the next one. */
function takeNumber(it: Interpreter, own: unknown, counter: string): void {
  if (!Array.isArray(own)) {
    stepCounter(it.state, counter);
    return;
  }
  setCounter(it.state, counter, parseInt(textOf(it.p, own as Token[]), 10) || 0);
}

/** Environments out of which no note comes, but in a minipage (The TeXbook, chapter 15: insertions in boxes). */
const CLOSED = /^(?:figure|table|tabular|tabularx|tabulary)\*?$/;

function reportInFloat(it: Interpreter, token: Token): void {
  const around = it.environments.findLast(({ name }) => CLOSED.test(name));
  if (!around || minipageOf(it) || !it.p.atFile) return;
  const outer = it.environments.find(({ name }) => CLOSED.test(name)) ?? around;
  const { from, to } = it.spanOf(token);
  it.report({ code: 'note-in-float', from, to, args: { kind: outer.name.replace('*', '') } });
}

function footnote(it: Interpreter, args: Args, token: Token): void {
  const counter = counterOf(it);
  const before = it.state.get(it.state.register('count', `c@${counter}`)) as number;
  takeNumber(it, args[0], counter);
  nameNext(it, labelValue(it, markTokens(it, counter), 'footnote'));
  const mark = markTokens(it, counter);
  it.startParagraph();
  const list = it.mode.hlist;
  const name = nextNotePlace(it);
  list?.addBeside(() => {
    addMark(it, mark, name);
    place(it, mark, tokensOf(args, 1), name);
  });
  reportInFloat(it, token);
  if (Array.isArray(args[0])) setCounter(it.state, counter, before);
}

/** The notes of a minipage under their rule. */
export function minipageNotes(it: Interpreter, open: OpenEnvironment): BlockNode[] {
  const notes = open.data.get(NOTES);
  if (notes.length === 0) return [];
  return [
    { kind: 'vspace', glue: it.skip(OWN.footIns), behaviour: 'plain' },
    { kind: 'vspace', glue: glue(-3 * PT), behaviour: 'plain' },
    { kind: 'rule', width: 0.4 * it.dimen('hsize'), height: 0.4 * PT, left: 0, color: 0 },
    { kind: 'vspace', glue: glue(2.6 * PT), behaviour: 'plain' },
    ...notes,
  ];
}

/** Notes at the foot. */
export const footnoteCommands: readonly CommandEntry[] = [
  {
    name: 'footnote',
    signature: 'oM',
    description: 'A note at the foot of the page.',
    example: 'the gauge\\footnote{Read at noon.}',
    run: footnote,
    math: (reader, token) => {
      const { it } = reader;
      reader.p.skipSpaces();
      const text = reader.argument(token);
      const counter = counterOf(it);
      takeNumber(it, null, counter);
      const mark = markTokens(it, counter);
      const node = {
        kind: 'footnote' as const,
        blocks: noteBlocks(it, mark, text),
        width: it.dimen('columnwidth'),
      };
      const at = reader.span(token);
      return {
        kind: 'text',
        inlines: [noteMark(it, mark), { kind: 'migrant', node, ...at }],
        ...at,
      };
    },
  },
  {
    name: 'footnotemark',
    signature: 'o',
    description: 'The mark of a footnote alone.',
    example: 'the gauge\\footnotemark',
    run: (it, args) => {
      takeNumber(it, args[0], 'footnote');
      it.startParagraph();
      addMark(it, markTokens(it, 'footnote'));
    },
  },
  {
    name: '@footnotetext',
    signature: 'M',
    description: 'The text of a note whose mark is said by hand.',
    example: '',
    run: (it, args) =>
      place(it, it.p.chars(textOf(it.p, [it.p.command('@thefnmark')])), tokensOf(args, 0)),
  },
  {
    name: '@footnotemark',
    signature: '',
    description: 'The mark of a note said by hand.',
    example: '',
    run: (it) => {
      it.startParagraph();
      addMark(it, it.p.chars(textOf(it.p, [it.p.command('@thefnmark')])));
    },
  },
  {
    name: 'footnotetext',
    signature: 'oM',
    description: 'The text of a footnote alone.',
    example: '\\footnotetext{Read at noon.}',
    run: (it, args) => {
      if (Array.isArray(args[0])) takeNumber(it, args[0], 'footnote');
      place(it, markTokens(it, counterOf(it)), tokensOf(args, 1));
    },
  },
  {
    name: 'thanks',
    signature: 'M',
    description: 'A note on the title or an author, at the foot of the page.',
    example: '\\author{M. Quill\\thanks{Harbour office}}',
    run: footnoteAs,
  },
  { name: '\u0001notestart', signature: 'm', description: '', example: '', run: noteStart },
  { name: OWN.noteEnd, signature: '', description: '', example: '', run: noteEnd },
];

function footnoteAs(it: Interpreter, args: Args): void {
  takeNumber(it, null, 'footnote');
  const mark = markTokens(it, 'footnote');
  it.startParagraph();
  addMark(it, mark);
  place(it, mark, tokensOf(args, 0));
}

export const FOOTNOTE_SOURCE = String.raw`
\newcounter{footnote}\newcounter{mpfootnote}
\def\thefootnote{\arabic{footnote}}\def\thempfootnote{\alph{mpfootnote}}
\let\@footnotemark\footnotemark
`;
