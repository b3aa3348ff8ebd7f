import { arrayStretch } from './tablePreamble';
import { CELLS } from '../machine/cells';
import type { BlockNode } from '../../document/blocks';
import type { Inline, TabularColumn } from '../../document/inlines';
import { readArgument } from '../../expansion/arguments';
import { textOf } from '../../expansion/tokenText';
import { STOP, type Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { enterColumn, leaveColumn } from '../machine/columns';
import { closeOpenGroups } from '../machine/environments';
import { ENDING, runOwnEnd } from '../machine/ownEnd';
import { InlineList } from '../machine/inlineList';
import type { Interpreter } from '../machine/interpreter';
import type { CellFrame } from '../machine/tableState';
import { OWN } from '../machine/ownNames';

/** What a cell costs besides what it holds: less than what is written for it gives. */
const CELL_WORK = 20;

type CellEnd = 'tab' | 'row' | 'end';

/** A cell's contents, on one line or as a column, and what ended it. */
interface ReadCell {
  readonly inlines: readonly Inline[];
  readonly blocks: readonly BlockNode[] | null;
  readonly ended: CellEnd;
}

/**
 * One cell of a table: everything to the next `&`, `\\` or the table's `\end` at its
 * own level, which is left unread. `\multicolumn` may change the column on the way.
 */
export function readCell(
  it: Interpreter,
  frame: CellFrame,
  column: TabularColumn,
  before: readonly Token[],
): ReadCell {
  const paragraphs = column.width !== null;
  it.p.spend(CELL_WORK, frame.environment);
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  const outer = enterColumn(it, column.width);
  const list = paragraphs ? null : new InlineList(it.read(CELLS.divisions));
  it.mode.hlist = list;
  it.mode.restricted = !paragraphs;
  const groups = it.groups.length;
  it.mode.cell = frame;
  if (before.length > 0) it.p.push(before);
  const ended = fillCell(it, groups, frame);
  it.mode.cell = outer.cell;
  it.mode.hlist?.unskip();
  // The blank within the braces of `\multicolumn` goes as well as the one behind them.
  if (it.mode.table?.own) it.mode.hlist?.unskip();
  if (paragraphs) finalStrut(it);
  const inlines = list?.finish() ?? [];
  closeOpenGroups(it, groups);
  it.mode.restricted = false;
  if (!paragraphs) it.mode.hlist = null;
  const blocks = leaveColumn(it, outer);
  it.closeGroup();
  return { inlines, blocks: paragraphs ? blocks : null, ended };
}

/** The last line of a column of paragraphs is as deep as a row (LaTeX's `\@finalstrut`). */
function finalStrut(it: Interpreter): void {
  if (!it.mode.hlist || it.mode.hlist.isEmpty) return;
  const depth = Math.round(0.3 * it.skip('baselineskip').width * arrayStretch(it));
  it.mode.hlist.add({ kind: 'rule', width: 0, height: 0, depth, ...it.p.place });
}

const ACROSS: ReadonlySet<string> = new Set([
  'hline',
  'toprule',
  'midrule',
  'bottomrule',
  'cline',
  'cmidrule',
]);

const ENDS_PART: ReadonlySet<string> = new Set([
  'endhead',
  'endfirsthead',
  'endfoot',
  'endlastfoot',
]);

function fillCell(it: Interpreter, groups: number, frame: CellFrame): CellEnd {
  let marked = false;
  for (;;) {
    const token = it.p.nextExpanded();
    if (token === null) return 'end';
    if (token.cat === STOP) {
      it.p.unread(token);
      return 'end';
    }
    if (token.cat === Cat.Command && token.text === OWN.cellEnd) {
      marked = true;
      continue;
    }
    const ended = it.groups.length === groups ? endOf(it, token, frame) : null;
    if (ended === 'own') continue;
    if (ended && !marked && frame.after.length > 0) {
      it.p.push([...frame.after, it.p.command(OWN.cellEnd), token]);
      continue;
    }
    if (ended === 'end') it.p.unread(token);
    if (ended === 'row' && ACROSS.has(token.text)) it.p.report('row-unended', it.spanOf(token));
    if (ended === 'row' && (ACROSS.has(token.text) || ENDS_PART.has(token.text)))
      it.p.unread(token);
    if (ended) return ended;
    it.carryOut(token);
  }
}

const ENDS_ROW: ReadonlySet<string> = new Set(['\\', 'tabularnewline', 'cr', 'crcr']);

/** How a token of the cell's own level ends it, or null; `own` when it opened the closing half of the document's own environment. */
function endOf(it: Interpreter, token: Token, frame: CellFrame): CellEnd | 'own' | null {
  if (token.cat === Cat.Tab) return 'tab';
  if (token.cat !== Cat.Command) return null;
  if (ENDS_ROW.has(token.text)) return 'row';
  // The parts of a long table end their last row themselves (longtable's `\\LT@end@hd@ft`).
  if (ENDS_PART.has(token.text)) return 'row';
  // A line across belongs between rows (The TeXbook, chapter 22: misplaced \noalign).
  if (ACROSS.has(token.text)) return 'row';
  if (token.text !== 'end') return null;
  return ownEnd(it, frame) ? 'own' : 'end';
}

/**
 * An `\end` that names an environment of the document's own, opened around the
 * table: its closing half holds the table's real end and may hold more cells.
 */
function ownEnd(it: Interpreter, frame: CellFrame): boolean {
  const tokens = readArgument(it.p, it.p.command('end'));
  if (!tokens) return false;
  const name = textOf(it.p, tokens);
  const back = [it.p.make(Cat.Begin, '{'), ...tokens, it.p.make(Cat.End, '}')];
  const open = it.environments.findLast((e) => e.name === name);
  if (name === frame.environment || !open || open.entry !== null || open.data.get(ENDING)) {
    it.p.push(back);
    return false;
  }
  runOwnEnd(it, open);
  return true;
}
