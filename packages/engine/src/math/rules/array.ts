import { PT, type Sp } from '../../base/lengths';
import { boxOf, hbox, hpack, rule, type Box, type Child, type HItem } from '../../boxes/box';
import type { ArrayNode } from '../../document/math';
import { atom, type Atom } from '../atom';
import { centredOnAxis, inStyle, type MathContext } from '../context';
import { named } from '../style';
import { delimiter, delimiterSize } from './delimited';

/** `\arrayrulewidth`, LaTeX: 0.4 pt; `\doublerulesep`: 2 pt. */
const RULE: Sp = 0.4 * PT;
const DOUBLE_RULE: Sp = 2 * PT;
/** Most columns that are laid out; more are a mistake and would not fit any page. */
const MOST_COLUMNS = 512;

interface Row {
  readonly cells: readonly Box[];
  readonly height: Sp;
  readonly depth: Sp;
}

/** Rows and columns, centred on the axis, with brackets that fit (LaTeX's `array`, amsmath's matrices and `aligned`). */
export function array(node: ArrayNode, around: MathContext): Atom {
  const ctx = inStyle(around, named(node.style, 0));
  const rows = node.rows.map((row): Row => layoutRow(node, row.cells, ctx));
  const widths = columnWidths(node, rows);
  const { xs, width, bars } = columnPlaces(node, widths);
  const { ys, total, rules } = rowPlaces(node, rows);
  const children: Child[] = [];
  rows.forEach((row, r) => {
    row.cells.forEach((cell, c) => {
      const column = node.columns[Math.min(c, node.columns.length - 1)];
      const spare = (widths[c] as Sp) - cell.width;
      const shift = column?.align === 'right' ? spare : column?.align === 'center' ? spare / 2 : 0;
      children.push({ x: (xs[c] as Sp) + shift, y: -(ys[r] as Sp), item: cell });
    });
  });
  for (const x of bars) children.push({ x, y: 0, item: rule(RULE, 0, total, 0, node) });
  for (const y of rules) children.push({ x: 0, y: -y, item: rule(width, RULE, 0, 0, node) });
  return atom(
    node.left === null && node.right === null ? 'ord' : 'inner',
    bracketed(node, boxOf(width, 0, total, children), ys, around),
    around.style,
  );
}

function layoutRow(
  node: ArrayNode,
  cells: readonly ArrayNode['rows'][number]['cells'][number][],
  ctx: MathContext,
): Row {
  const boxes = cells.slice(0, MOST_COLUMNS).map((cell) => ctx.lay.list(cell, ctx));
  // `\@arstrutbox`: 0.7 and 0.3 of the line distance (LaTeX's array).
  const strut = node.strut ? node.baselineSkip : 0;
  return {
    cells: boxes,
    height: Math.max(0.7 * strut, ...boxes.map((b) => b.height)),
    depth: Math.max(0.3 * strut, ...boxes.map((b) => b.depth)),
  };
}

function columnWidths(node: ArrayNode, rows: readonly Row[]): Sp[] {
  const count = Math.max(node.columns.length, ...rows.map((row) => row.cells.length));
  const widths = Array<Sp>(Math.min(count, MOST_COLUMNS)).fill(0);
  for (const row of rows) {
    row.cells.forEach((cell, c) => {
      widths[c] = Math.max(widths[c] as Sp, cell.width);
    });
  }
  return widths;
}

function columnPlaces(node: ArrayNode, widths: readonly Sp[]) {
  const xs: Sp[] = [];
  const bars: Sp[] = [];
  let x = node.sideSep;
  widths.forEach((width, c) => {
    // Within a pair of `aligned` nothing stands between the two columns.
    if (c > 0) x += node.paired ? (c % 2 === 1 ? 0 : node.columnSep) : node.columnSep;
    const before = node.columns[c]?.barsBefore ?? 0;
    const edge = c === 0 ? x - node.sideSep : x - node.columnSep / 2;
    for (let i = 0; i < before; i++) bars.push(edge + i * DOUBLE_RULE);
    xs.push(x);
    x += width;
  });
  x += node.sideSep;
  for (let i = 0; i < node.barsAfter; i++) bars.push(x - RULE - i * DOUBLE_RULE);
  return { xs, width: x, bars };
}

/** Baselines of the rows and places of the rules, downwards from the top. */
function rowPlaces(node: ArrayNode, rows: readonly Row[]) {
  const ys: Sp[] = [];
  const rules: Sp[] = [];
  let y = 0;
  rows.forEach((row, r) => {
    const above = node.rows[r]?.rulesAbove ?? 0;
    for (let i = 0; i < above; i++) {
      rules.push(y + RULE + i * DOUBLE_RULE);
      y += i === 0 ? RULE : DOUBLE_RULE;
    }
    if (node.strut || r === 0) y += row.height;
    else {
      const before = rows[r - 1] as Row;
      const tight = before.depth + row.height + node.lineGap;
      y += Math.max(node.baselineSkip - before.depth, tight - before.depth);
    }
    ys.push(y);
    y += row.depth + (node.rows[r]?.skip ?? 0);
  });
  for (let i = 0; i < node.rulesBelow; i++) {
    rules.push(y + RULE);
    y += RULE;
  }
  return { ys, total: y, rules };
}

function bracketed(node: ArrayNode, body: Box, ys: readonly Sp[], ctx: MathContext): Box {
  const placed = alignVertically(node, body, ys, ctx);
  if (node.left === null && node.right === null) return placed;
  const size = delimiterSize(placed, ctx);
  const items: HItem[] = [];
  if (node.left !== null) items.push(hbox(delimiter(node.left, size, ctx, node)));
  items.push(hbox(placed));
  items.push(hbox(delimiter(node.right, size, ctx, node)));
  return hpack(items);
}

function alignVertically(node: ArrayNode, body: Box, ys: readonly Sp[], ctx: MathContext): Box {
  if (node.valign === 'center') return centredOnAxis(body, ctx);
  const shift = node.valign === 'top' ? (ys[0] ?? 0) : (ys.at(-1) ?? 0);
  return boxOf(body.width, shift, body.depth - shift, [{ x: 0, y: shift, item: body }]);
}
