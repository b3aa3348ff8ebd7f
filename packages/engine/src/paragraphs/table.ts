import { PT, type Sp } from '../base/lengths';
import { boxOf, rule, type Box, type Child, withRulesOf } from '../boxes/box';
import type { BlockNode } from '../document/blocks';
import type {
  Dashes,
  GapPart,
  Inline,
  TableRule,
  TabularCell,
  TabularColumn,
  TabularGap,
  TabularInline,
  TabularRow,
} from '../document/inlines';
import { setText } from './boxes';
import type { LayoutEnv } from './env';

/** A cell set, and the columns it stands over. */
interface SetCell {
  readonly cell: TabularCell;
  readonly box: Box;
  readonly first: number;
}

interface SetRow {
  readonly row: TabularRow;
  readonly cells: readonly SetCell[];
  readonly height: Sp;
  readonly depth: Sp;
}

/** Where everything of a table stands across. */
interface Across {
  /** Left edge and width of the text of each column. */
  readonly xs: readonly Sp[];
  readonly widths: readonly Sp[];
  /** Left edge of column i with its border (0 … n). */
  readonly edges: readonly Sp[];
  readonly width: Sp;
  /** What each growing border gives more. */
  readonly growth: Sp;
}

/** A table set as rows, so that a long one can be broken between them. */
export interface SetTable {
  readonly rows: readonly { readonly box: Box; readonly skip: Sp; readonly rules: Box | null }[];
  readonly below: Box | null;
  readonly width: Sp;
  /** Rules over its columns as a box, its top at height 0; null when there are none. */
  readonly ruled: (rules: readonly TableRule[]) => Box | null;
}

const NO_GAP: TabularGap = { before: false, after: false, parts: [], grows: false, extra: 0 };

const gapWidth = (gap: TabularGap, table: TabularInline, env: LayoutEnv): Sp => {
  let width = gap.extra + (gap.before ? table.columnSep : 0) + (gap.after ? table.columnSep : 0);
  gap.parts.forEach((part, i) => {
    if (isInlines(part)) width += setText(part, env).width;
    else width += table.ruleWidth + (isBar(gap.parts[i + 1]) ? table.doubleSep : 0);
  });
  return width;
};

/** Space of a border that belongs to the column before it and to the one behind it. */
const padOf = (gap: TabularGap, side: 'before' | 'after', table: TabularInline): Sp =>
  gap[side] ? table.columnSep : 0;

/** Cells of text on one line, set once: they are measured before they are placed. */
type Texts = Map<TabularCell, Box>;

function textBox(cell: TabularCell, texts: Texts, env: LayoutEnv): Box {
  let box = texts.get(cell);
  if (!box) {
    box = setText(cell.inlines, env);
    texts.set(cell, box);
  }
  return box;
}

function setCell(
  { size }: TabularInline,
  cell: TabularCell,
  width: Sp | null,
  texts: Texts,
  env: LayoutEnv,
): Box {
  if (!cell.blocks) return textBox(cell, texts, env);
  const wide = width ?? cell.column.width ?? 0;
  const delta = wide - (cell.column.width ?? 0);
  const blocks = delta === 0 ? cell.blocks : cell.blocks.map((block) => widened(block, delta));
  const { valign } = cell.column;
  return env.setParbox({ kind: 'parbox', blocks, width: wide, valign, size, from: 0, to: 0 });
}

/** The block in a column wider by `delta`. */
function widened(block: BlockNode, delta: Sp): BlockNode {
  if (block.kind === 'paragraph')
    return { ...block, shape: { ...block.shape, width: block.shape.width + delta } };
  if (block.kind === 'display') return { ...block, width: block.width + delta };
  return block;
}

/** Widths of the columns: the widest cell of each; cells over several columns widen the last of them (LaTeX's `\multicolumn`). */
function columnWidths(table: TabularInline, texts: Texts, env: LayoutEnv): Sp[] {
  const widths = table.columns.map((column) => (column.flexible ? 0 : (column.width ?? 0)));
  const spanning: { first: number; span: number; width: Sp }[] = [];
  for (const row of table.rows) {
    let first = 0;
    for (const cell of row.cells) {
      const column = table.columns[first];
      if (cell.span === 1 && !cell.blocks && !column?.flexible) {
        const { width } = textBox(cell, texts, env);
        widths[first] = Math.max(widths[first] ?? 0, width);
      } else if (cell.span > 1) {
        const width = cell.blocks ? (cell.column.width ?? 0) : textBox(cell, texts, env).width;
        spanning.push({ first, span: cell.span, width });
      }
      first += cell.span;
    }
  }
  shareFlexible(table, widths, env);
  for (const { first, span, width } of spanning) {
    let room = 0;
    for (let c = first; c < Math.min(first + span, widths.length); c++) {
      room += widths[c] ?? 0;
      if (c > first) room += gapWidth(table.gaps[c] ?? NO_GAP, table, env);
    }
    const last = Math.min(first + span, widths.length) - 1;
    if (width > room && last >= 0) widths[last] = (widths[last] as Sp) + width - room;
  }
  return widths;
}

/** `X` columns share what is left of the width. */
function shareFlexible(table: TabularInline, widths: Sp[], env: LayoutEnv): void {
  const flexible = table.columns.filter((c) => c.flexible).length;
  if (flexible === 0 || table.width === null) return;
  const gaps = table.gaps.reduce((sum, gap) => sum + gapWidth(gap, table, env), 0);
  const fixed = widths.reduce((sum, w) => sum + w, 0);
  const share = Math.max(10 * PT, (table.width - gaps - fixed) / flexible);
  table.columns.forEach((column, c) => {
    if (column.flexible) widths[c] = share * (column.share ?? 1);
  });
}

function across(table: TabularInline, widths: readonly Sp[], env: LayoutEnv): Across {
  const gaps = table.gaps.map((gap) => gapWidth(gap, table, env));
  const natural = widths.reduce((a, b) => a + b, 0) + gaps.reduce((a, b) => a + b, 0);
  const growing = table.gaps.filter(({ grows }) => grows).length;
  const spare = table.width === null ? 0 : table.width - natural;
  const growth = growing > 0 ? spare / growing : 0;
  const xs: Sp[] = [];
  const edges: Sp[] = [];
  let x = 0;
  widths.forEach((width, c) => {
    const gap = table.gaps[c] ?? NO_GAP;
    edges.push(x + (c === 0 ? 0 : padOf(gap, 'before', table)));
    x += (gaps[c] ?? 0) + (gap.grows ? growth : 0);
    xs.push(x);
    x += width;
  });
  const last = table.gaps[widths.length] ?? NO_GAP;
  x += (gaps[widths.length] ?? 0) + (last.grows ? growth : 0);
  edges.push(x);
  return { xs, widths, edges, width: x, growth };
}

function setRow(
  table: TabularInline,
  row: TabularRow,
  place: Across,
  texts: Texts,
  env: LayoutEnv,
): SetRow {
  const cells: SetCell[] = [];
  let first = 0;
  for (const cell of row.cells) {
    const flexible = table.columns[first]?.flexible && cell.span === 1;
    const box = setCell(table, cell, flexible ? (place.widths[first] as Sp) : null, texts, env);
    cells.push({ cell, box, first });
    first += cell.span;
  }
  const counted = cells.filter(({ cell }) => cell.rows === 1).map(({ box }) => box);
  const height = Math.max(table.strut.height, ...counted.map((b) => b.height)) + table.extraHeight;
  return { row, cells, height, depth: Math.max(table.strut.depth, ...counted.map((b) => b.depth)) };
}

const isInlines = (part: GapPart): part is readonly Inline[] => Array.isArray(part);
const isBar = (part: GapPart | undefined): boolean => part !== undefined && !isInlines(part);

/** No line has more dashes. */
const MOST_DASHES = 2000;

/** The dashes of a line, by where they start and how long they are: half ones at its ends, the gaps as even as they come (arydshln manual). */
export function dashesOn(length: Sp, { dash, gap }: Dashes): readonly (readonly [Sp, Sp])[] {
  const step = dash + gap;
  // However they are shared out, dashes do not meet.
  const count = Math.min(MOST_DASHES, Math.round(length / step), Math.floor(length / dash));
  if (!(dash > 0) || !(gap > 0) || count < 1 || length <= dash) return [[0, length]];
  const stride = length / count;
  return Array.from({ length: count + 1 }, (_, i) => {
    const from = Math.max(0, i * stride - dash / 2);
    return [from, Math.min(length, i * stride + dash / 2) - from] as const;
  });
}

/** The parts of a border, drawn from its left edge; bars as high as the row. */
function drawGap(
  out: Child[],
  gap: TabularGap,
  x: Sp,
  table: TabularInline,
  row: { height: Sp; depth: Sp },
  env: LayoutEnv,
): void {
  let at = x + padOf(gap, 'before', table);
  gap.parts.forEach((part, i) => {
    if (isInlines(part)) {
      const box = setText(part, env);
      const children = withRulesOf(row.height, row.depth, box.children);
      out.push({ x: at, y: 0, item: { ...box, children } });
      at += box.width;
      return;
    }
    const { height, depth } = row;
    const upright = (from: Sp, length: Sp): void => {
      const line = rule(table.ruleWidth, length, 0, table.ruleColor);
      out.push({ x: at, y: from - depth, item: line });
    };
    if (part === 'bar')
      out.push({ x: at, y: 0, item: rule(table.ruleWidth, height, depth, table.ruleColor) });
    else for (const [from, length] of dashesOn(height + depth, part)) upright(from, length);
    at += table.ruleWidth + (isBar(gap.parts[i + 1]) ? table.doubleSep : 0);
  });
}

const shiftIn = (column: TabularColumn, spare: Sp): Sp =>
  column.align === 'right' ? spare : column.align === 'center' ? spare / 2 : 0;

/** One row as a box, its reference point on the baseline. */
function rowBox(table: TabularInline, set: SetRow, place: Across, env: LayoutEnv): Box {
  const children: Child[] = [];
  const { row, cells, height, depth } = set;
  if (row.color !== null)
    children.push({ x: 0, y: 0, item: rule(place.width, height, depth, row.color) });
  for (const { cell, first } of cells) {
    if (cell.color === null) continue;
    const [from, to] = edgesOf(place, first, cell.span);
    children.push({ x: from, y: 0, item: rule(to - from, height, depth, cell.color) });
  }
  for (const { cell, box, first } of cells) {
    const before = cell.before ?? (table.gaps[first] as TabularGap | undefined) ?? NO_GAP;
    const behind = first + cell.span;
    const left = (place.xs[first] ?? 0) - gapWidth(before, table, env);
    if (first === 0 || cell.before) drawGap(children, before, Math.max(0, left), table, set, env);
    const right = rightOf(place, first, cell.span);
    const next = cells.find((c) => c.first === behind);
    const after = cell.after ?? (next?.cell.before ? NO_GAP : (table.gaps[behind] ?? NO_GAP));
    const grown = (table.gaps[behind]?.grows ?? false) && !cell.after ? place.growth : 0;
    drawGap(children, after, right + grown / 2, table, set, env);
    const spare = right - (place.xs[first] ?? 0) - box.width;
    const x = (place.xs[first] ?? 0) + shiftIn(cell.column, spare);
    children.push({ x, y: cellShift(table, cell, box), item: box });
  }
  drawMissing(children, table, cells, place, set, env);
  return boxOf(place.width, height, depth, children);
}

/** A cell over several rows is centred on them, as high as they are when nothing in them is higher than a line (package multirow). */
function cellShift({ strut }: TabularInline, cell: TabularCell, box: Box): Sp {
  if (cell.rows === 1) return 0;
  const one = strut.height + strut.depth;
  const middle = strut.height - (one * Math.abs(cell.rows)) / 2;
  const up = cell.rows < 0 ? one * (Math.abs(cell.rows) - 1) : 0;
  const height = Math.max(strut.height, box.height);
  const depth = Math.max(strut.depth, box.depth);
  return middle + up - (height - depth) / 2;
}

/** Borders of columns that a short row leaves empty. */
function drawMissing(
  out: Child[],
  table: TabularInline,
  cells: readonly SetCell[],
  place: Across,
  set: SetRow,
  env: LayoutEnv,
): void {
  const last = cells.at(-1);
  const start = last ? last.first + last.cell.span : 0;
  for (let c = start; c < table.columns.length; c++)
    drawGap(out, table.gaps[c + 1] ?? NO_GAP, rightOf(place, c, 1), table, set, env);
}

const rightOf = (place: Across, first: number, span: number): Sp => {
  const last = Math.min(first + span, place.widths.length) - 1;
  return (place.xs[last] ?? 0) + (place.widths[last] ?? 0);
};

const edgesOf = (place: Across, first: number, span: number): [Sp, Sp] => {
  const end = Math.min(first + span, place.edges.length - 1);
  return [place.edges[first] ?? 0, place.edges[end] ?? place.width];
};

/** Rules and spaces above a row as one box, its top at height 0 and all of it below; null when there are none. */
function rulesBox(table: TabularInline, rules: readonly TableRule[], place: Across): Box | null {
  if (rules.length === 0) return null;
  const children: Child[] = [];
  let y = 0;
  rules.forEach((r, i) => {
    if (r.kind === 'space') {
      y += r.size;
      return;
    }
    const before = rules[i - 1];
    if (before?.kind === 'rule' && !(r.level && before.level)) y += table.doubleSep;
    const [from, to] = r.span ? edgesOf(place, r.span[0], r.span[1] - r.span[0]) : [0, place.width];
    const [cutLeft, cutRight] = r.trim;
    const width = to - from - cutLeft - cutRight;
    const pieces = r.dashes ? dashesOn(width, r.dashes) : [[0, width] as const];
    for (const [start, length] of pieces) {
      const line = rule(length, r.size, 0, r.color);
      children.push({ x: from + cutLeft + start, y: -y - r.size, item: line });
    }
    const next = rules[i + 1];
    if (!(r.level && next?.kind === 'rule' && next.level)) y += r.size;
  });
  return boxOf(place.width, 0, y, children);
}

/** `\\[2ex]`: a strut that is deeper by so much, where it is not taken back (`\@xargarraycr`). */
const withStrut = (row: SetRow, skip: Sp, { strut }: TabularInline): SetRow =>
  skip > 0 ? { ...row, depth: Math.max(row.depth, strut.depth + skip) } : row;

/** All rows of a table with the rules between them. */
export function setTable(table: TabularInline, env: LayoutEnv): SetTable {
  const texts: Texts = new Map();
  const place = across(table, columnWidths(table, texts, env), env);
  const rows = table.rows.map((row) => {
    const set = withStrut(setRow(table, row, place, texts, env), row.skip, table);
    return {
      box: rowBox(table, set, place, env),
      skip: Math.min(0, row.skip),
      rules: rulesBox(table, row.above, place),
    };
  });
  const ruled = (rules: readonly TableRule[]): Box | null => rulesBox(table, rules, place);
  return { rows, below: ruled(table.rulesBelow), width: place.width, ruled };
}

/** A table within the line (LaTeX's `tabular`). */
export function tabularBox(table: TabularInline, env: LayoutEnv): Box {
  const set = setTable(table, env);
  const children: Child[] = [];
  const baselines: Sp[] = [];
  let y = 0;
  for (const { box, skip, rules } of set.rows) {
    if (rules) {
      children.push({ x: 0, y: -y, item: rules });
      y += rules.depth;
    }
    y += box.height;
    baselines.push(y);
    children.push({ x: 0, y: -y, item: box });
    y += box.depth + skip;
  }
  if (set.below) {
    children.push({ x: 0, y: -y, item: set.below });
    y += set.below.depth;
  }
  return align(table, boxOf(set.width, 0, y, children), baselines, env);
}

function align(table: TabularInline, box: Box, baselines: readonly Sp[], env: LayoutEnv): Box {
  const axis = (env.fonts.math().math?.constants.axisHeight ?? 250) / 1000;
  const first = table.rows[0]?.above.some(({ kind }) => kind === 'rule') ? 0 : (baselines[0] ?? 0);
  const height =
    table.valign === 'top'
      ? first
      : table.valign === 'bottom'
        ? (baselines.at(-1) ?? 0)
        : box.depth / 2 + axis * table.size;
  return boxOf(box.width, height, box.depth - height, [{ x: 0, y: height, item: box }]);
}
