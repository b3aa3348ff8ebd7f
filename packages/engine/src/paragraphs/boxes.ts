import { FIL, PT, type Sp } from '../base/lengths';
import { boxOf, rule, type Box, type Child } from '../boxes/box';
import type { BoxInline, Inline, TabularInline, TabularRow } from '../document/inlines';
import type { LayoutEnv } from './env';
import { glueItem, lineItems, type LineItem } from './items';
import { packNatural, packTo } from './lines';

/** Inlines side by side at their natural width, fonts scaled: text inside formulas. */
export function setText(inlines: readonly Inline[], env: LayoutEnv, scale = 1): Box {
  const scaled = scale === 1 ? inlines : inlines.map((inline) => scaleFonts(inline, scale));
  return packNatural(lineItems(scaled, env));
}

function scaleFonts(inline: Inline, scale: number): Inline {
  if (!('font' in inline)) return inline;
  return { ...inline, font: { ...inline.font, size: Math.round(inline.font.size * scale) } };
}

/** `\mbox`, `\makebox`, `\framebox`, `\raisebox` and `\phantom`. */
export function boxInline(inline: BoxInline, env: LayoutEnv): Box {
  const items = lineItems(inline.inlines, env);
  const natural = packNatural(items);
  const fixed = inline.width !== null && !(inline.grow && natural.width > inline.width);
  let box = fixed ? aligned(items, inline.width as Sp, inline.align) : natural;
  if (inline.frame) box = framed(box, inline.frame.rule, inline.frame.padding);
  if (inline.hidden) box = { ...box, children: [] };
  if (inline.raise === 0) return box;
  return boxOf(box.width, box.height + inline.raise, box.depth - inline.raise, [
    { x: 0, y: inline.raise, item: box },
  ]);
}

function aligned(items: readonly LineItem[], width: Sp, align: BoxInline['align']): Box {
  const ss = glueItem({ ...FIL, shrink: PT, shrinkOrder: 1 });
  return packTo(
    [...(align !== 'left' ? [ss] : []), ...items, ...(align !== 'right' ? [ss] : [])],
    width,
  );
}

function framed(box: Box, line: Sp, padding: Sp): Box {
  const edge = line + padding;
  const width = box.width + 2 * edge;
  const height = box.height + edge;
  const depth = box.depth + edge;
  return boxOf(width, height, depth, [
    { x: edge, y: 0, item: box },
    { x: 0, y: height - line, item: rule(width, line, 0) },
    { x: 0, y: -depth, item: rule(width, line, 0) },
    { x: 0, y: 0, item: rule(line, height, depth) },
    { x: width - line, y: 0, item: rule(line, height, depth) },
  ]);
}

interface Row {
  readonly cells: readonly Box[];
  readonly height: Sp;
  readonly depth: Sp;
}

/** A table within the line (LaTeX's `tabular`): columns as wide as their widest cell. */
export function tabularBox(table: TabularInline, env: LayoutEnv): Box {
  const rows = table.rows.map((row) => tableRow(table, row, env));
  const widths = table.columns.map(
    (column, c) => column.width ?? Math.max(0, ...rows.map((row) => row.cells[c]?.width ?? 0)),
  );
  const { xs, bars, width } = tableColumns(table, widths);
  const children: Child[] = [];
  const baselines: Sp[] = [];
  let y = 0;
  rows.forEach((row, r) => {
    const source = table.rows[r] as TabularRow;
    for (let i = 0; i < source.rulesAbove; i++) {
      children.push({ x: 0, y: -y - table.ruleWidth, item: rule(width, table.ruleWidth, 0) });
      y += table.ruleWidth + (i + 1 < source.rulesAbove ? 2 * PT : 0);
    }
    if (row.cells.length === 0) return;
    y += row.height;
    baselines.push(y);
    row.cells.forEach((cell, c) => {
      const spare = (widths[c] ?? 0) - cell.width;
      const align = table.columns[c]?.align;
      const shift = align === 'right' ? spare : align === 'center' ? spare / 2 : 0;
      children.push({ x: (xs[c] ?? 0) + shift, y: -y, item: cell });
    });
    y += row.depth + source.skip;
  });
  for (const x of bars) children.push({ x, y: 0, item: rule(table.ruleWidth, 0, y) });
  return alignTable(table, boxOf(width, 0, y, children), baselines, env);
}

function tableRow(table: TabularInline, row: TabularRow, env: LayoutEnv): Row {
  const cells = row.cells.map((cell) => setText(cell, env));
  // A row of nothing but rules (behind the last `\\`) has no height.
  if (cells.length <= 1 && (cells[0]?.width ?? 0) === 0 && row === table.rows.at(-1)) {
    return { cells: [], height: 0, depth: 0 };
  }
  return {
    cells,
    height: Math.max(0.7 * table.baselineSkip, ...cells.map((c) => c.height)),
    depth: Math.max(0.3 * table.baselineSkip, ...cells.map((c) => c.depth)),
  };
}

function tableColumns(table: TabularInline, widths: readonly Sp[]) {
  const xs: Sp[] = [];
  const bars: Sp[] = [];
  let x = 0;
  widths.forEach((width, c) => {
    const count = table.bars[c] ?? 0;
    for (let i = 0; i < count; i++) bars.push(x + i * 2 * PT);
    x += table.columnSep;
    xs.push(x);
    x += width + table.columnSep;
  });
  const after = table.bars[widths.length] ?? 0;
  for (let i = 0; i < after; i++) bars.push(x - table.ruleWidth - i * 2 * PT);
  return { xs, bars, width: x };
}

function alignTable(table: TabularInline, box: Box, baselines: readonly Sp[], env: LayoutEnv): Box {
  const axis = (env.fonts.math().math?.constants.axisHeight ?? 250) / 1000;
  const height =
    table.valign === 'top'
      ? (baselines[0] ?? 0)
      : table.valign === 'bottom'
        ? (baselines.at(-1) ?? 0)
        : box.depth / 2 + axis * 10 * PT;
  return boxOf(box.width, height, box.depth - height, [{ x: 0, y: height, item: box }]);
}
