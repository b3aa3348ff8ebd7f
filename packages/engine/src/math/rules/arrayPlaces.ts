import { PT, type Sp } from '../../base/lengths';
import type { Box } from '../../boxes/box';
import type { ArrayNode, ArrayRow, ArraySpan } from '../../document/math';

/** `\arrayrulewidth`, LaTeX: 0.4 pt; `\doublerulesep`: 2 pt. */
export const RULE: Sp = 0.4 * PT;
export const DOUBLE_RULE: Sp = 2 * PT;
/** Most columns that are laid out; more are a mistake and would not fit any page. */
export const MOST_COLUMNS = 512;

/** A cell laid out, and the column it starts in. */
export interface SetCell {
  readonly box: Box;
  readonly column: number;
  readonly span: ArraySpan | null;
}

/** `\\[2ex]` in rows with struts: that of the row is deeper by so much (`\@xargarraycr`). */
export const strutSkip = (node: ArrayNode, { skip }: Pick<ArrayRow, 'skip'>): Sp =>
  node.strut ? Math.max(0, skip) : 0;

export interface SetRow {
  readonly cells: readonly SetCell[];
  readonly height: Sp;
  readonly depth: Sp;
}

/** Where the columns start, how wide they and the whole are. */
export interface Columns {
  readonly xs: readonly Sp[];
  readonly widths: readonly Sp[];
  readonly width: Sp;
  /** The middle of what stands before each column, and the right edge: where bars and borders go. */
  readonly edges: readonly Sp[];
}

/** Columns as wide as their widest cell, with what stands between them. */
export function placeColumns(
  node: ArrayNode,
  rows: readonly SetRow[],
  between: readonly (Box | null)[],
): Columns {
  const last = rows.flatMap(({ cells }) => cells.map((c) => c.column + (c.span?.count ?? 1)));
  const count = Math.min(Math.max(node.columns.length, ...last), MOST_COLUMNS);
  const widths = Array.from({ length: count }, (_, c): Sp => node.columns[c]?.least ?? 0);
  const single = rows.flatMap(({ cells }) => cells.filter((c) => (c.span?.count ?? 1) === 1));
  for (const { box, column } of single) widths[column] = Math.max(widths[column] as Sp, box.width);
  const gapBefore = (c: number): Sp => {
    const own = between[c];
    if (own) return own.width;
    if (c === 0) return node.sideSep;
    // Within a pair of `aligned` nothing stands between the two columns.
    return node.paired && c % 2 === 1 ? 0 : node.columnSep;
  };
  for (const { box, column, span } of rows.flatMap(({ cells }) => cells)) {
    if (!span || span.count === 1 || span.dots !== undefined) continue;
    const end = Math.min(count, column + span.count);
    let has = 0;
    for (let c = column; c < end; c++) has += (widths[c] as Sp) + (c > column ? gapBefore(c) : 0);
    // What a wide cell lacks goes to its last column (TeX's `\halign`).
    if (box.width > has) widths[end - 1] = (widths[end - 1] as Sp) + box.width - has;
  }
  const xs: Sp[] = [];
  const edges: Sp[] = [];
  let x = 0;
  widths.forEach((width, c) => {
    const gap = gapBefore(c);
    edges.push(c === 0 ? 0 : x + gap / 2);
    x += gap;
    xs.push(x);
    x += width;
  });
  x += between[count]?.width ?? node.sideSep;
  edges.push(x);
  return { xs, widths, width: x, edges };
}

/** Baselines, tops and bottoms of the rows and places of the rules, downwards from the top. */
export interface Rows {
  readonly ys: readonly Sp[];
  readonly tops: readonly Sp[];
  readonly bottoms: readonly Sp[];
  readonly total: Sp;
  /** Lower edges of the rules over the whole width, and whether they are dashed. */
  readonly rules: readonly { readonly y: Sp; readonly dashed: boolean }[];
}

export function placeRows(node: ArrayNode, rows: readonly SetRow[]): Rows {
  const ys: Sp[] = [];
  const tops: Sp[] = [];
  const bottoms: Sp[] = [];
  const rules: { y: Sp; dashed: boolean }[] = [];
  let y = 0;
  const drawRules = (count: number, dashed: boolean): void => {
    for (let i = 0; i < count; i++) {
      y += i === 0 ? RULE : DOUBLE_RULE;
      rules.push({ y, dashed });
    }
  };
  rows.forEach((row, r) => {
    tops.push(y);
    drawRules(node.rows[r]?.rulesAbove ?? 0, node.rows[r]?.dashedAbove === true);
    if (node.strut || r === 0) y += row.height;
    else {
      const before = rows[r - 1] as SetRow;
      const tight = before.depth + row.height + node.lineGap;
      y += Math.max(node.baselineSkip - before.depth, tight - before.depth);
    }
    ys.push(y);
    const { skip = 0 } = node.rows[r] ?? {};
    y += row.depth + skip - strutSkip(node, { skip });
    bottoms.push(y);
  });
  drawRules(node.rulesBelow, node.dashedBelow === true);
  if (bottoms.length > 0) bottoms[bottoms.length - 1] = y;
  return { ys, tops, bottoms, total: y, rules };
}
