import { wholeLineEnd } from '../../base/lines';
import { CELLS } from './cells';
import type { Span } from '../../base/spans';
import type { Display, DisplayRow } from '../../document/blocks';
import { MARKED } from '../../document/font';
import type { FormulaBreakCosts } from '../../document/inlines';
import type { MathList, MathNode } from '../../document/math';
import type { Token } from '../../expansion/meaning';
import { getCount } from '../../expansion/registers';
import type { Fix } from '../../findings/finding';
import { Cat } from '../../tokens/categories';
import { marksAround, passMarks } from './formulaSlips';
import { literalSign, RUN, runAround } from './strayFormulas';
import type { Interpreter, LanguageCommand } from './interpreter';
import { MathReader, type Until } from './mathReader';
import { noBorders, type RowMarks } from './rowMarks';
import { openedCell, readRows, type ReadRow } from './mathEnvironments';
import { tagOf } from './displayTags';

/** Work that a display makes, in the measure of an expansion. */
const DISPLAY_WORK = 50;

/**
 * Words in a formula that look like prose: two or more in a row, the first of three letters at least or one
 * that sentences are full of; or one that joins before another formula.
 */
const PROSE =
  /(?<![\\A-Za-z])(?:(?:[A-Za-z]{3,}[,.;:]?|be|is|in|of|on|we|so|to|at|as|by)\s+[A-Za-z]{2,}|(?:and|or|so|then|where|with|for|if)\s+(?:\$|\\\())/;

/** A reader of formulas in the look that is in force. */
function readerOf(it: Interpreter): MathReader {
  const reader = new MathReader(it);
  reader.bold = it.read(CELLS.mathBold);
  return reader;
}

/** A formula between dollars, or a display between double ones. */
export function readDollarFormula(it: Interpreter, token: Token): void {
  const next = it.p.next();
  if (next?.cat === Cat.Math && !it.mode.restricted) return readBareDisplay(it, token, 'dollar');
  if (next?.cat === Cat.Math) return; // an empty formula
  if (next) it.p.unread(next);
  readInlineFormula(it, token, 'dollar', '$');
}

/** Is the formula an environment that needs no marks? Then it is read as that, and they are told of. */
function readsItself(it: Interpreter, open: Span, mark: string): boolean {
  const around = marksAround(it, open, mark);
  if (!around) return false;
  const begin = it.p.nextNonBlank();
  const meaning = begin?.cell ? it.state.meaning(begin.cell) : undefined;
  if (begin && meaning?.kind === 'command') (meaning as LanguageCommand).entry.run?.(it, [], begin);
  passMarks(it, around.closing);
  return true;
}

/** Reads an in-line formula whose opening mark was just taken. */
export function readInlineFormula(it: Interpreter, token: Token, until: Until, mark: string): void {
  const open = it.spanOf(token);
  if (mark === '$' && !it.mode.restricted && readsItself(it, open, mark)) return;
  it.startParagraph();
  const { nodes, closed, closing } = readFormula(it, open, until);
  const end = closed ? endOf(it, token, closing) : open.to;
  if (!closed) reportUnclosed(it, open, mark);
  const span = { from: open.from, to: Math.max(open.to, end) };
  it.add({ kind: 'math', list: nodes, font: it.font, ...breakCosts(it), ...span });
}

/** Where a formula ends: behind its closing mark, also where more than the formula was taken in before it was read. */
function endOf(it: Interpreter, open: Token, closing: Token | null): number {
  const { chunk } = it.p.reader;
  const isTyped = closing?.chunk === chunk && open.chunk === chunk && closing.to > open.from;
  return isTyped ? closing.to : it.p.here();
}

/** What breaks within the formula cost, when the document says so. */
function breakCosts(it: Interpreter): { breakCosts?: FormulaBreakCosts } {
  const relation = getCount(it.state, 'relpenalty');
  const operator = getCount(it.state, 'binoppenalty');
  return relation === 500 && operator === 700 ? {} : { breakCosts: { relation, operator } };
}

/** The mark that a formula was opened with, where it stands in the file. */
function openingMark({ p }: Interpreter, { from, to }: Span): string | null {
  const mark = p.reader.text.slice(p.reader.base + from, p.reader.base + to);
  return /^(?:\$\$?|\\[([])$/.test(mark) ? mark : null;
}

function readFormula(
  it: Interpreter,
  open: Span,
  until: Until,
  marks: RowMarks | null = null,
): { nodes: MathList; closed: boolean; closing: Token | null } {
  const reader = readerOf(it);
  reader.rowMarks = marks;
  reader.opening = openingMark(it, open);
  it.openGroup({ kind: 'math', span: open });
  const { nodes, ended } = it.inMath(() => reader.list(until));
  it.closeGroup();
  const { closing } = reader;
  return { nodes, closed: ended === 'closed' || it.p.exhausted !== null, closing };
}

/**
 * The mark that is missing: put where prose begins, or at the end of the line. With
 * an odd number of `$` the first formula that holds prose is the one left open, and
 * what was found behind it only follows from that.
 */
function reportUnclosed(it: Interpreter, last: Span, mark: string): void {
  // An argument without its } has taken the end of the formula with it, or half of one.
  if (it.findings.some(({ code }) => code === 'argument-unclosed')) return;
  // A loop comes by the same formula again and again.
  const isToldOf = ({ from: start }: Span): boolean =>
    it.findings.some(({ code, from }) => code === 'formula-unclosed' && from === start);
  if (isToldOf(last)) return;
  const { reader } = it.p;
  const open = mark === '$' ? firstWithProse(it, last) : last;
  if (isToldOf(open)) return;
  it.findings = it.findings.filter(({ code, from }) => code !== 'math-in-text' || from < open.from);
  const from = reader.base + open.to;
  const end = wholeLineEnd(reader.text, from);
  it.p.reach = Math.max(it.p.reach, Math.min(reader.text.length, end + 1));
  const [line = ''] = reader.text.slice(from, end).split(/\\[[(]/);
  const prose = PROSE.exec(line);
  const inside = (prose ? line.slice(0, prose.index) : line).trimEnd();
  const closing = mark === '\\(' ? '\\)' : mark === '\\[' ? '\\]' : mark;
  const at = open.to + (inside === '' ? line.trimEnd().length : inside.length);
  const fix: Fix = {
    title: `Close it with ${closing}`,
    edits: [{ from: at, to: at, text: closing }],
  };
  // One that a macro began is told of where that is used: nothing is to be written there.
  const isTyped = reader.text.startsWith(mark, reader.base + open.from);
  it.p.report('formula-unclosed', open, { open: mark }, isTyped ? fix : undefined);
}

function firstWithProse(it: Interpreter, last: Span): Span {
  const { reader } = it.p;
  for (const inline of it.mode.hlist?.finish() ?? []) {
    if (inline.kind !== 'math' || inline.to <= inline.from + 1) continue;
    const source = reader.text.slice(reader.base + inline.from, reader.base + inline.to);
    if (source.startsWith('$') && PROSE.test(source))
      return { from: inline.from, to: inline.from + 1 };
  }
  return last;
}

/**
 * Mathematics met in text: a `^`, a `_`, or a command that belongs in formulas. It
 * is set as the formula it was meant to be, and reported once with its extent.
 */
export function readStrayMath(it: Interpreter, token: Token): void {
  const span = it.spanOf(token);
  it.startParagraph();
  const before = token.cat === Cat.Command ? null : takeBase(it, span);
  const reader = readerOf(it);
  const nodes: MathNode[] = before ? [reader.characterNode(before.text, before)] : [];
  it.openGroup({ kind: 'math', span });
  it.p.unread(token);
  let end = span.to;
  do {
    const { nodes: more } = readOne(reader, nodes);
    if (!more) break;
    // Looking for a script ahead leaves a token waiting, so the place is noted before.
    if (it.p.atFile) end = trimmedEnd(it);
  } while (scriptFollows(it));
  it.closeGroup();
  const from = before?.from ?? span.from;
  const to = Math.max(span.to, end);
  const named = /^\\begin\{([A-Za-z]+\*?)\}/.exec(
    it.p.reader.text.slice(it.p.reader.base + span.from),
  );
  const command = named?.[1] ?? `\\${token.text}`;
  const what = token.cat === Cat.Command ? command : `The sign ${token.text}`;
  reportInText(it, { from, to }, what);
  it.add({ kind: 'math', list: nodes, font: { ...it.font, color: MARKED }, from, to });
}

/** Tells of mathematics in text; its button takes the whole run of it, which is told of once. */
function reportInText(it: Interpreter, span: Span, what: string): void {
  const { text, base } = it.p.reader;
  it.p.reach = Math.max(it.p.reach, Math.min(text.length, base + span.to + RUN));
  const run = runAround(text, { from: base + span.from, to: base + span.to });
  const [from, to] = [run.from - base, run.to - base];
  const told = it.findings.some(
    ({ code, fix }) =>
      code === 'math-in-text' && fix?.edits.some((edit) => edit.from === from && edit.text === '$'),
  );
  if (told && from < span.from) return;
  const marks: Fix = {
    title: 'Put it between $ marks',
    edits: [
      { from, to: from, text: '$' },
      { from: to, to, text: '$' },
    ],
  };
  it.p.report('math-in-text', span, { what }, [...literalSign(text, base, span), marks]);
}

function trimmedEnd(it: Interpreter): number {
  const { reader } = it.p;
  let end = reader.pos;
  while (end > reader.base && /\s/.test(reader.text[end - 1] ?? '')) end--;
  return end - reader.base;
}

/** The letter or digit that a stray script belongs to, taken back out of the text. */
function takeBase(it: Interpreter, at: Span): { text: string; from: number; to: number } | null {
  const last = it.mode.hlist?.last();
  if (!last || last.kind !== 'text' || last.to !== at.from || it.mode.hlist === null) return null;
  const char = last.text.at(-1) ?? '';
  if (!/[A-Za-z0-9)]/.test(char)) return null;
  it.mode.hlist.inlines.pop();
  const rest = last.text.slice(0, -1);
  if (rest !== '') it.mode.hlist.inlines.push({ ...last, text: rest, to: last.to - 1 });
  return { text: char, from: last.to - 1, to: last.to };
}

function readOne(reader: MathReader, nodes: MathNode[]): { nodes: boolean } {
  const token = reader.p.nextExpanded();
  if (token === null) return { nodes: false };
  const before = nodes.length;
  reader.takeOne(token, nodes);
  return { nodes: nodes.length >= before };
}

function scriptFollows(it: Interpreter): boolean {
  const token = it.p.next();
  if (token === null) return false;
  it.p.unread(token);
  return token.cat === Cat.Super || token.cat === Cat.Sub;
}

// ---- displays

/** Space and penalties of a display, from the registers in force. */
export function displayFrame(
  it: Interpreter,
  layout: Display['layout'],
  rows: readonly DisplayRow[],
  span: Span,
  alone: boolean,
): Display {
  return {
    kind: 'display',
    alone,
    layout,
    rows,
    font: it.font,
    width: it.dimen('linewidth'),
    left: it.dimen('totalleftmargin'),
    above: it.skip('abovedisplayskip'),
    below: it.skip('belowdisplayskip'),
    aboveShort: it.skip('abovedisplayshortskip'),
    belowShort: it.skip('belowdisplayshortskip'),
    preDisplayPenalty: getCount(it.state, 'predisplaypenalty'),
    postDisplayPenalty: getCount(it.state, 'postdisplaypenalty'),
    rowPenalty: getCount(it.state, 'interdisplaylinepenalty'),
    baselineSkip: it.skip('baselineskip'),
    lineSkip: it.skip('lineskip'),
    lineSkipLimit: it.dimen('lineskiplimit'),
    jot: it.dimen('jot'),
    tagSide: it.read(CELLS.leqno) ? 'left' : 'right',
    flushIndent: it.read(CELLS.fleqn) ? it.dimen('mathindent') : null,
    from: span.from,
    to: span.to,
  };
}

/** Ends the text before a display and starts what comes after without indent. */
export function addDisplay(it: Interpreter, display: Display): void {
  if (!it.p.spend(DISPLAY_WORK, 'display')) return;
  if (it.mode.restricted) {
    // A box on one line has no room for a display: the formula goes into the line.
    const list = display.rows.flatMap((row) => row.cells.flat());
    it.add({ kind: 'math', list, font: display.font, from: display.from, to: display.to });
    return;
  }
  if (it.mode.hlist !== null) {
    it.mode.hlist.unskip();
    it.endParagraph(true);
  }
  it.mode.vlist.push(display);
  it.write(CELLS.noIndentNext, true, true);
  resumeParagraph(it);
  it.write(CELLS.afterDisplay, it.read(CELLS.noIndentNext), true);
}

/**
 * After a list or what is set apart as one, text that follows at once goes on without indent; a
 * blank line starts a new paragraph, and so does the end of a group around it (`\@endpetrue` is
 * local to that).
 */
export function resumeAfterBlock(it: Interpreter): void {
  it.write(CELLS.noIndentNext, true, true);
  resumeParagraph(it, true);
}

/** The same after a display, which stands within its paragraph. */
function resumeParagraph(it: Interpreter, untilGroup = false): void {
  const { p } = it;
  const token = p.next();
  if (token === null) {
    it.write(CELLS.noIndentNext, false, true);
    return;
  }
  if (token.cat === Cat.Space) return resumeParagraph(it, untilGroup);
  p.unread(token);
  it.write(CELLS.listEnded, true, true);
  const endsParagraph = token.cat === Cat.Command && token.text === 'par';
  if (endsParagraph || (untilGroup && closesGroup(token)))
    it.write(CELLS.noIndentNext, false, true);
}

const closesGroup = ({ cat, text }: Token): boolean =>
  cat === Cat.End || (cat === Cat.Command && (text === 'endgroup' || text === 'egroup'));

/** `\[ … \]` and `$$ … $$`: one row without a number. */
export function readBareDisplay(it: Interpreter, token: Token, until: Until): void {
  const { from, to } = it.spanOf(token);
  const open = { from, to: until === 'dollar' ? Math.max(to, it.p.here()) : to };
  if (readsItself(it, open, until === 'dollar' ? '$$' : '\\[')) return;
  const alone = it.startParagraphForDisplay(until !== 'dollar' && !it.hasPackage('amsmath'));
  const marks: RowMarks = { numbered: false, tag: null, labels: [] };
  const { nodes, closed, closing } = readFormula(it, open, until, marks);
  if (until === 'dollar' && closing?.cat === Cat.Math) takeSecondDollar(it, open);
  if (!closed) reportUnclosed(it, open, until === 'dollar' ? '$$' : '\\[');
  const span = { from: open.from, to: closed ? it.p.here() : open.to };
  const row = finishRow(it, marks, {
    cells: [nodes],
    skip: 0,
    spans: [null],
    borders: noBorders(),
    ...span,
  });
  addDisplay(it, displayFrame(it, 'single', [row], span, alone));
}

function takeSecondDollar(it: Interpreter, open: Span): void {
  const token = it.p.next();
  if (token?.cat === Cat.Math) return;
  if (token) it.p.unread(token);
  it.p.report('formula-unclosed', open, { open: '$$' });
}

/** A display environment of rows: `align`, `gather` and their kin, numbered or not. */
export function readDisplayRows(
  it: Interpreter,
  token: Token,
  layout: Display['layout'],
  numbered: boolean,
): void {
  const open = it.spanOf(token);
  const alone = it.startParagraphForDisplay();
  const reader = readerOf(it);
  const rows: DisplayRow[] = [];
  // The lines of a `multline` are one formula and have one number.
  const together = layout === 'multiline';
  const whole: RowMarks = { numbered, tag: null, labels: [] };
  const startMarks = (): void => {
    reader.rowMarks = together ? whole : { numbered, tag: null, labels: [] };
  };
  startMarks();
  const take = (row: ReadRow): void => {
    if (layout === 'single') reportRows(it, row, rows.length, token.text);
    rows.push(together ? partRow(it, whole, row) : finishRow(it, reader.rowMarks as RowMarks, row));
    startMarks();
  };
  const paired = layout.startsWith('aligned');
  const keepsLast = layout !== 'single' && !together;
  it.inMath(() => readRows(reader, token.text, open, take, paired, undefined, keepsLast));
  if (together) numberTogether(it, whole, rows);
  const span = { from: open.from, to: it.p.here() };
  addDisplay(it, displayFrame(it, layout, rows, span, alone));
}

/** `&` and `\\` in a display that is one line. */
function reportRows(it: Interpreter, row: ReadRow, before: number, name: string): void {
  const place = trimRow(it, row);
  if (row.cells.length > 1) it.p.report('columns-in-equation', place, { name });
  else if (before === 1) it.p.report('rows-in-equation', place, { name });
}

/** A line of a formula that is numbered as a whole. */
function partRow(it: Interpreter, marks: RowMarks, row: ReadRow): DisplayRow {
  const { shove, breakBelow } = marks;
  delete marks.shove;
  delete marks.breakBelow;
  const own: RowMarks = { numbered: false, tag: null, labels: [] };
  if (shove) own.shove = shove;
  if (breakBelow !== undefined) own.breakBelow = breakBelow;
  // `\displaystyle{}##` (amsmath, \multline@)
  const cells = row.cells.map((cell) => openedCell(cell, row));
  return finishRow(it, own, { ...row, cells });
}

/** The number of a `multline` stands on its last line, or on its first where numbers stand left. */
function numberTogether(it: Interpreter, marks: RowMarks, rows: DisplayRow[]): void {
  const last = rows.length - 1;
  const at = it.read(CELLS.leqno) ? 0 : last;
  const row = rows[at];
  if (!row) return;
  const { endMark, ...number } = tagOf(it, marks, row);
  rows[at] = { ...row, ...number };
  // The end mark of a proof stands on the last line, wherever the number is.
  if (endMark) rows[last] = { ...(rows[last] ?? row), endMark };
}

function finishRow(it: Interpreter, marks: RowMarks, row: ReadRow): DisplayRow {
  const place = trimRow(it, row);
  const finished: DisplayRow = {
    cells: row.cells,
    ...tagOf(it, marks, place),
    skip: row.skip,
    textAbove: marks.textAbove ?? null,
    from: place.from,
    to: place.to,
  };
  if (!marks.shove && marks.breakBelow === undefined) return finished;
  const { shove, breakBelow } = marks;
  return { ...finished, ...(shove && { shove }), ...(breakBelow !== undefined && { breakBelow }) };
}

/** The row's place without the blanks at its ends. */
function trimRow(it: Interpreter, row: ReadRow): Span {
  const { reader } = it.p;
  let { from, to } = row;
  while (from < to && /\s/.test(reader.text[reader.base + from] ?? '')) from++;
  while (to > from && /\s/.test(reader.text[reader.base + to - 1] ?? '')) to--;
  return { from, to };
}
