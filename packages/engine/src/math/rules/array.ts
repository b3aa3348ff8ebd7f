import { PT, type Sp } from '../../base/lengths';
import { type Box, boxOf, type Child, hbox, type HItem, hpack, rule } from '../../boxes/box';
import type { ArrayColumn, ArrayNode, ArrayPatch, ArrayRow, MathList } from '../../document/math';
import { atom, type Atom } from '../atom';
import { centredOnAxis, glyphFor, glyphItem, inStyle, type MathContext, mu } from '../context';
import { named } from '../style';
import {
  type Columns,
  DOUBLE_RULE,
  MOST_COLUMNS,
  placeColumns,
  placeRows,
  type Rows,
  RULE,
  type SetCell,
  type SetRow,
  strutSkip,
} from './arrayPlaces';
import { delimiter, delimiterSize } from './delimited';

/** Dashes of a dashed rule and the gaps between them. */
const DASH: Sp = 4 * PT;

/** Rows and columns, centred on the axis, with brackets that fit (LaTeX's `array`, amsmath's matrices and `aligned`). */
export function array(node: ArrayNode, around: MathContext): Atom {
  const ctx = inStyle(around, named(node.style, 0));
  const rows = node.rows.map((row): SetRow => layoutRow(node, row, ctx));
  const between = node.columns.map(({ between }) => (between ? ctx.lay.list(between, ctx) : null));
  if (node.lastBetween) between.push(ctx.lay.list(node.lastBetween, ctx));
  const columns = placeColumns(node, rows, between);
  const places = placeRows(node, rows);
  const children = [
    ...(node.patches ?? []).flatMap((patch) => grounds(patch, columns, places)),
    ...rows.flatMap((row, r) =>
      row.cells.map((cell) => placeCell(node, cell, r, columns, places, ctx)),
    ),
    ...rows.flatMap((_, r) => borders(between, columns, places.ys[r] as Sp)),
    ...bars(node, rows, columns, places, ctx.color),
    ...places.rules.flatMap(({ y, dashed }) => across(0, columns.width, y, dashed, ctx.color)),
    ...partRules(node, columns, places, ctx.color),
    ...(node.patches ?? []).flatMap((patch) => frame(patch, columns, places)),
  ];
  const body = boxOf(columns.width, 0, places.total, children);
  return atom(
    node.left === null && node.right === null ? 'ord' : 'inner',
    bracketed(node, body, places.ys, around),
    around.style,
  );
}

function layoutRow(node: ArrayNode, row: ArrayRow, ctx: MathContext): SetRow {
  let column = 0;
  const cells = row.cells.slice(0, MOST_COLUMNS).map((cell: MathList, i): SetCell => {
    const span = row.spans?.[i] ?? null;
    const set = { box: ctx.lay.list(cell, ctx), column, span };
    column += span?.count ?? 1;
    return set;
  });
  // `\@arstrutbox`: 0.7 and 0.3 of the line distance (LaTeX's array).
  const strut = node.strut ? node.baselineSkip : 0;
  return {
    cells,
    height: Math.max(0.7 * strut, ...cells.map(({ box }) => box.height)),
    depth: Math.max(0.3 * strut + strutSkip(node, row), ...cells.map(({ box }) => box.depth)),
  };
}

function placeCell(
  node: ArrayNode,
  { box, column, span }: SetCell,
  row: number,
  { xs, widths }: Columns,
  { ys }: Rows,
  ctx: MathContext,
): Child {
  const last = Math.min(column + (span?.count ?? 1), widths.length) - 1;
  const left = xs[column] ?? 0;
  const width = (xs[last] ?? left) + (widths[last] ?? 0) - left;
  const y = -(ys[row] as Sp);
  if (span?.dots !== undefined)
    return { x: left, y, item: dotsAcross(width, span.dots, node, ctx) };
  const align = span?.align ?? node.columns[Math.min(column, node.columns.length - 1)]?.align;
  const spare = width - box.width;
  const shift = align === 'right' ? spare : align === 'center' ? spare / 2 : 0;
  return { x: left + shift, y, item: box };
}

/** Periods spread evenly over a width (amsmath's `\hdotsfor`: 1.5 mu on both sides of each, times the factor). */
function dotsAcross(width: Sp, factor: number, node: ArrayNode, ctx: MathContext): Box {
  const dot = glyphItem(glyphFor('.', ctx), ctx, node);
  const step = dot.width + 3 * factor * mu(ctx);
  const count = Math.max(1, Math.min(2000, Math.floor(width / step)));
  const start = (width - count * step) / 2 + (step - dot.width) / 2;
  const children = Array.from({ length: count }, (_, i) => ({
    x: start + i * step,
    y: 0,
    item: dot,
  }));
  return boxOf(width, dot.height, dot.depth, children);
}

/** The rectangle that a patch covers, from the top left; null where the array has no such cells. */
function extentOf({ rows, columns }: ArrayPatch, { edges }: Columns, { tops, bottoms }: Rows) {
  const [left, right] = [edges[columns[0]], edges[Math.min(columns[1] + 1, edges.length - 1)]];
  const [top, bottom] = [tops[rows[0]], bottoms[Math.min(rows[1], bottoms.length - 1)]];
  if (left === undefined || right === undefined || top === undefined || bottom === undefined)
    return null;
  return { left, top, width: right - left, height: bottom - top };
}

/** The ground behind cells. */
function grounds(patch: ArrayPatch, columns: Columns, places: Rows): Child[] {
  const extent = extentOf(patch, columns, places);
  if (!extent || patch.fill === null) return [];
  const { left, top, width, height } = extent;
  return [{ x: left, y: 0, item: rule(width, -top, top + height, patch.fill) }];
}

/** The frame around cells. */
function frame(patch: ArrayPatch, columns: Columns, places: Rows): Child[] {
  const extent = extentOf(patch, columns, places);
  if (!extent || patch.edge === null) return [];
  const { left, top, width, height } = extent;
  const { edge } = patch;
  return [
    ...across(left, width, top + RULE, false, edge),
    ...across(left, width, top + height, false, edge),
    ...upright(left, top, top + height, false, edge),
    ...upright(left + width - RULE, top, top + height, false, edge),
  ];
}

/** What the preamble puts between columns, in each row. */
function borders(between: readonly (Box | null)[], { xs, width }: Columns, y: Sp): Child[] {
  return between.flatMap((item, c) =>
    item ? [{ x: (xs[c] ?? width) - item.width, y: -y, item }] : [],
  );
}

/** Has the row a bar before the column? A cell over several columns brings its own. */
function barsAt(node: ArrayNode, row: SetRow, column: number): number {
  for (const { span, column: first } of row.cells) {
    if (!span || span.dots !== undefined) continue;
    if (column === first + span.count) return span.barsAfter;
    if (column === first) return span.barsBefore;
    if (column > first && column < first + span.count) return 0;
  }
  return column < node.columns.length ? (node.columns[column]?.barsBefore ?? 0) : node.barsAfter;
}

/** Vertical bars, drawn through all rows that have them. */
function bars(
  node: ArrayNode,
  rows: readonly SetRow[],
  columns: Columns,
  places: Rows,
  color: number,
): Child[] {
  const out: Child[] = [];
  const last = columns.edges.length - 1;
  columns.edges.forEach((edge, c) => {
    const counts = rows.map((row) => barsAt(node, row, c));
    const most = Math.max(0, ...counts);
    const dashed = (node.columns[c] as ArrayColumn | undefined)?.dashed === true;
    for (let i = 0; i < most; i++) {
      const x =
        c === last
          ? edge - RULE - i * DOUBLE_RULE
          : edge + i * DOUBLE_RULE - (c > 0 ? RULE / 2 : 0);
      let from: number | null = null;
      for (let r = 0; r <= rows.length; r++) {
        const has = r < rows.length && (counts[r] as number) > i;
        if (has && from === null) from = r;
        if (has || from === null) continue;
        out.push(
          ...upright(x, places.tops[from] as Sp, places.bottoms[r - 1] as Sp, dashed, color),
        );
        from = null;
      }
    }
  });
  return out;
}

function upright(x: Sp, top: Sp, bottom: Sp, dashed: boolean, color: number): Child[] {
  if (!dashed) return [{ x, y: 0, item: rule(RULE, -top, bottom, color) }];
  return dashes(bottom - top).map(([from, to]) => ({
    x,
    y: 0,
    item: rule(RULE, -(top + from), top + to, color),
  }));
}

function across(x: Sp, width: Sp, y: Sp, dashed: boolean, color: number): Child[] {
  if (!dashed) return [{ x, y: -y, item: rule(width, RULE, 0, color) }];
  return dashes(width).map(([from, to]) => ({
    x: x + from,
    y: -y,
    item: rule(to - from, RULE, 0, color),
  }));
}

/** A length in dashes that begin and end it. */
function dashes(length: Sp): (readonly [Sp, Sp])[] {
  const count = Math.max(1, Math.min(2000, Math.round((length / DASH + 1) / 2)));
  const dash = length / (2 * count - 1);
  return Array.from({ length: count }, (_, i) => [2 * i * dash, (2 * i + 1) * dash] as const);
}

/** Rules over some of the columns (`\cline`). */
function partRules(
  node: ArrayNode,
  { edges }: Columns,
  { tops, total }: Rows,
  color: number,
): Child[] {
  const all = [...node.rows.map(({ partRules }) => partRules), node.partRulesBelow];
  return all.flatMap((parts, r) =>
    (parts ?? []).flatMap(([first, last]) => {
      const from = edges[first] ?? 0;
      const to = edges[Math.min(last + 1, edges.length - 1)] ?? 0;
      return across(from, to - from, (tops[r] ?? total) + RULE / 2, false, color);
    }),
  );
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
