import { editDistance } from '../../base/nearest';
import type { Span } from '../../base/spans';
import type { ArraySpan, MathList, MathNode } from '../../document/math';
import { readArgument, readOptional } from '../../expansion/arguments';
import { textOf } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import { scanDimen } from '../../expansion/scan';
import { displayWithin } from './displaySlips';
import { endOfList } from './formulaSlips';
import type { Ended, MathReader, Until } from './mathReader';
import { noBorders, type RowBorders } from './rowMarks';
import { textEnvironment } from './textInFormula';
import { ENDING, runOwnEnd } from './ownEnd';
import { isStranger, nearestEnvironment, renameFix } from './unknown';

/** Rows of an alignment as they were read. */
export interface ReadRow {
  readonly cells: MathList[];
  readonly skip: number;
  /** The cells that go over several columns. */
  readonly spans: readonly (ArraySpan | null)[];
  /** Rules that stand above the row. */
  readonly borders: RowBorders;
  readonly from: number;
  readonly to: number;
}

/** An environment that is open in a formula. */
export interface OpenInFormula {
  readonly name: string;
  readonly span: Span;
  /** Of the document's own: its closing half has been run. */
  ending?: boolean;
}

/** Commands of plain TeX that have become environments in amsmath. */
const PLAIN_MATRICES: ReadonlySet<string> = new Set(['matrix', 'pmatrix', 'cases']);

/** `\begin` inside a formula. False when it belongs to text, so that the formula ends before it. */
export function beginInFormula(reader: MathReader, token: Token, nodes: MathNode[]): boolean {
  const { it, p } = reader;
  const start = it.spanOf(token);
  const nameTokens = readArgument(p, token);
  if (!nameTokens) return true;
  const name = textOf(p, nameTokens);
  const entry = it.environment(name);
  const called: Token = { ...token, text: name };
  if (entry?.math) {
    const node = entry.math(reader, called);
    if (node) nodes.push(node);
    return true;
  }
  const text = textEnvironment(reader, token, name);
  if (text) {
    nodes.push(text);
    return true;
  }
  if (!entry && it.state.get(it.state.cell(name)) !== undefined) {
    // An environment of the document's own: its two halves are macros. Plain TeX's of these names are none.
    if (PLAIN_MATRICES.has(name)) p.report('environment-unknown', start, { name });
    reader.environments.push({ name, span: start });
    it.openGroup({ kind: 'math', span: start });
    p.push([p.command(name)]);
    const { nodes: body, ended } = reader.list('environment');
    closeMathEnvironment(reader, ended);
    nodes.push({ kind: 'group', cls: 'ord', body, limits: false, ...reader.span(token) });
    return true;
  }
  const within = entry && displayWithin(reader, token, name);
  if (within) {
    const node = within.math?.(reader, called);
    if (node) nodes.push(node);
    return true;
  }
  if (entry) {
    p.push([p.make(1, '{'), ...p.chars(name), p.make(2, '}')]);
    return false;
  }
  const near = nearestEnvironment(it, name);
  const fix = renameFix(it, nameTokens, near);
  const isForeign = !fix && isStranger(it, `the environment ${name}`, start);
  if (!isForeign) p.report('environment-unknown', start, { name }, fix);
  // The near name most likely says how to read what is inside; what a package brings that is not here has rows.
  const likely = near || isForeign ? it.environment(near ?? 'aligned') : undefined;
  if (likely?.math) {
    const node = likely.math(reader, called);
    if (node) nodes.push(node);
  } else nodes.push({ kind: 'unknown', text: `\\begin{${name}}`, ...start });
  return true;
}

/**
 * The `\end` of an environment of the document's own that was begun further out: its closing half
 * holds the ends of what stands open here (`\newenvironment{m}{\left(\begin{array}{c}}{\end{array}\right)}`).
 */
function runOwnHalf(reader: MathReader, name: string, until: Until, back: () => void): boolean {
  const { p } = reader;
  const own = reader.environments.findLast((one) => one.name === name);
  const isInner = own === reader.environments.at(-1) && until !== 'right';
  if (!own || isInner || own.ending || reader.it.environment(name)) return false;
  const half = p.command(`end${name}`);
  if (half.cell === null || p.state.get(half.cell) === undefined) return false;
  own.ending = true;
  back();
  p.push([half]);
  return true;
}

/** `\end` inside a formula: the end of the innermost environment, or too early. */
export function endInFormula(reader: MathReader, token: Token, until: Until): Ended | null {
  const { it, p } = reader;
  const span = it.spanOf(token);
  const nameTokens = readArgument(p, token) ?? [];
  const name = textOf(p, nameTokens);
  const back = (): 'early' => {
    p.push([token, p.make(1, '{'), ...nameTokens, p.make(2, '}')]);
    return 'early';
  };
  const open = reader.environments.at(-1);
  const endsList = until === 'cell' || until === 'environment';
  if (!open) return back();
  if ((endsList || until === 'right') && runOwnHalf(reader, name, until, back)) return null;
  if (!endsList) return back();
  if (open.name === name && open.ending) return 'closed';
  if (open.name === name) {
    const closing = p.state.get(p.state.cell(`end${name}`)) as { kind?: string } | undefined;
    if (it.environment(name) || closing === undefined) return 'closed';
    // The document's own closing half may itself hold the `\end` that counts.
    reader.environments.pop();
    p.push([p.command(`end${name}`)]);
    const rest = reader.list('environment');
    reader.environments.push(open);
    reader.current.push(...rest.nodes);
    return rest.ended === 'early' ? 'closed' : rest.ended;
  }
  const own = it.environments.findLast((e) => e.name === name && e.entry === null);
  if (own && !own.data.get(ENDING)) {
    // An environment of the document's own around the display: its closing half holds the `\end` that counts.
    runOwnEnd(it, own);
    return null;
  }
  if (reader.environments.some((e) => e.name === name)) return back();
  if (editDistance(name, open.name, 2) > 2 && it.environments.some((e) => e.name === name))
    return back();
  const fix = renameFix(it, nameTokens, open.name);
  p.report(
    'begin-end-mismatch',
    { from: span.from, to: reader.span(token).to },
    { found: `\\end{${name}}`, expected: open.name },
    fix,
  );
  return 'closed';
}

/** Takes an environment off; reports it when its `\end` never came. */
export function closeMathEnvironment(reader: MathReader, ended: Ended): void {
  const open = reader.environments.pop();
  if (ended === 'early' && open && reader.p.exhausted === null) {
    const at = endOfList(reader);
    const text = ` \\end{${open.name}}`;
    const fix = at === null ? undefined : { from: at, to: at, text };
    const ways = fix && { title: `End ${open.name} here`, edits: [fix] };
    reader.p.report('environment-unclosed', open.span, { name: open.name }, ways);
  }
  reader.it.closeGroup();
}

/** A cell with an empty atom before it: a sign it begins with is spaced as one between two others (amsmath's `{}`). */
export const openedCell = (cell: MathList, { from, to }: Span): MathList =>
  cell.length === 0
    ? cell
    : [{ kind: 'group', cls: 'ord', body: [], limits: false, from, to }, ...cell];

/** Most cells and rows that are kept of one alignment. */
const MOST_ROWS = 4000;

/**
 * Rows and cells up to the `\end` of the environment that was just opened.
 *
 * @param onRow called at the end of each row, before the next one is read.
 * @param paired the columns come in pairs, right then left aligned.
 * @param before what the preamble puts before the cells of a column.
 * @param keepsLast a row with nothing in it counts behind the last `\\` too, as in displays.
 */
export function readRows(
  reader: MathReader,
  name: string,
  span: Span,
  onRow: (row: ReadRow) => void,
  paired = false,
  before: (column: number) => readonly Token[] = () => [],
  keepsLast = false,
): void {
  const { it, p } = reader;
  reader.environments.push({ name, span });
  it.openGroup({ kind: 'math', span });
  reader.borders = noBorders();
  let cells: MathList[] = [];
  let spans: (ArraySpan | null)[] = [];
  let rowFrom = p.here();
  for (let rows = 0; rows < MOST_ROWS;) {
    it.openGroup({ kind: 'math', span });
    reader.cellSpan = null;
    pushBefore(reader, before(cells.length));
    const { nodes, ended } = reader.list('cell');
    it.closeGroup();
    spans.push(reader.cellSpan);
    reader.cellSpan = null;
    // An empty atom opens every second column of a pair, so that a relation there is spaced as one (amsmath).
    const opens = paired && cells.length % 2 === 1 && nodes.length > 0;
    cells.push(opens ? openedCell(nodes, span) : nodes);
    if (ended === 'tab') continue;
    const { borders } = reader;
    reader.borders = noBorders();
    const ruled = borders.rules > 0 || borders.parts.length > 0;
    if (ended === 'row') p.takeCharHere('*');
    const skip = ended === 'row' ? rowSkip(reader) : 0;
    const blank = cells.every((cell) => cell.length === 0);
    if (ended === 'row' || !blank || ruled || rows === 0 || (keepsLast && ended === 'closed')) {
      onRow({ cells, skip, spans, borders, from: rowFrom, to: p.here() });
    }
    cells = [];
    spans = [];
    rowFrom = p.here();
    rows++;
    if (ended !== 'row') {
      closeMathEnvironment(reader, ended);
      return;
    }
  }
  closeMathEnvironment(reader, 'early');
}

/** Puts what the preamble says before a cell, unless the alignment ends here. */
function pushBefore({ p }: MathReader, tokens: readonly Token[]): void {
  if (tokens.length === 0) return;
  const next = p.nextNonBlank();
  if (!next) return;
  p.unread(next);
  const skipped = next.text === 'end' || next.text === 'multicolumn' || next.text === 'hline';
  if (!skipped || next.cell === null) p.push([...tokens]);
}

/** `[2ex]` right behind `\\`; a bracket that belongs to the formula is left alone. */
function rowSkip(reader: MathReader): number {
  const { p } = reader;
  const optional = readOptional(p, false);
  if (optional === null) return 0;
  const text = optional.map((t) => t.text).join('');
  if (!/^\s*-?[\d.,]+\s*[a-z]+|^[a-z]+$/i.test(text)) {
    p.push([p.make(12, '['), ...optional, p.make(12, ']')]);
    return 0;
  }
  p.push([...optional, p.command('relax')]);
  return scanDimen(p);
}
