import { glue, NO_GLUE, PT, type Sp } from '../base/lengths';
import { boxOf, type Box, type Child } from '../boxes/box';
import type { LineSpacing, VItem } from '../boxes/vertical';
import type { BlockNode, Display, DisplayRow, Migrant } from '../document/blocks';
import type { Inline } from '../document/inlines';
import { formulaContext, layoutList } from '../math/layout';
import { DISPLAY, TEXT } from '../math/style';
import { inStyle } from '../math/context';
import { setText } from '../paragraphs/boxes';
import type { LayoutEnv } from '../paragraphs/env';
import { missingIn } from '../paragraphs/items';
import { HFUZZ } from '../paragraphs/lines';
import { inMillimetres } from '../paragraphs/paragraph';
import { migrantsOf } from './inside';

/** `\mintagsep` of amsmath: half an em at least between a formula and its number. */
const TAG_GAP_EM = 0.5;

/** Notes and floats within the boxes of a formula never leave it. */
const STAYS: ReadonlySet<string> = new Set(['footnote', 'float', 'marginnote']);
const goesToPage = (node: Migrant): node is Exclude<Migrant, { readonly kind: 'marginnote' }> =>
  !STAYS.has(node.kind);

/** A row with its cells set. */
interface SetRow {
  readonly row: DisplayRow;
  readonly cells: readonly Box[];
  readonly tag: Box | null;
  /** The end mark of a proof at the right margin, where numbers stand left. */
  readonly mark: Box | null;
}

type LayoutInner = (blocks: readonly BlockNode[]) => VItem[];

/**
 * Adds a displayed formula: space above, its rows, space below.
 *
 * @param lastLine where the line before ends, from the left edge of the column; null if there is none.
 */
export function layoutDisplay(
  out: VItem[],
  given: Display,
  lastLine: Sp | null,
  env: LayoutEnv,
  inner: LayoutInner,
): void {
  const display = withMarkAsNumber(given);
  const setInner = (inlines: readonly Inline[], scale: number): Box => setText(inlines, env, scale);
  const ctx = formulaContext(env.fonts, display.font, DISPLAY, setInner, missingIn(env));
  const inText = inStyle(ctx, TEXT);
  const rows = display.rows.map((row): SetRow => ({
    row,
    // The relation between the columns of eqnarray is set as in text.
    cells: row.cells.map((cell, c) =>
      layoutList(cell, display.layout === 'equationArray' && c % 3 === 1 ? inText : ctx),
    ),
    ...marginOf(display, row, env),
  }));
  const places = placeRows(display, rows);
  const short = isShort(display, places[0], lastLine);
  out.push({ kind: 'penalty', penalty: display.preDisplayPenalty });
  const beyond = numberBeyond(display, places[0], rows[0]?.tag ?? null);
  if (beyond !== 'above')
    out.push({ kind: 'glue', glue: short ? display.aboveShort : display.above });
  const spacing = rowSpacing(display);
  // The first row is not opened up (`\\displ@y` takes it back; eqnarray has `\\jot` between rows).
  const { baselineSkip, lineSkip, lineSkipLimit } = display;
  const first: LineSpacing = { baselineSkip, lineSkip, lineSkipLimit };
  places.forEach((place, i) => {
    const { row, tag, mark } = rows[i] as SetRow;
    const wished = rows[i - 1]?.row.breakBelow;
    if (i > 0) out.push({ kind: 'penalty', penalty: wished ?? display.rowPenalty });
    if (row.textAbove) out.push(...inner(row.textAbove), { kind: 'penalty', penalty: 10000 });
    reportTooWide(display, place, row, env);
    if (row.number !== '') {
      const { number, from, to } = row;
      out.push({ kind: 'mark', mark: { kind: 'number', what: 'equation', number, from, to } });
    }
    pushRow(out, display, withMark(display, place, mark), tag, row, i === 0 ? first : spacing);
    // What a row says to its page goes with it: drawings on the paper, words for lists.
    const said = migrantsOf(place.box).filter(goesToPage);
    if (said.length > 0) out.push(...inner(said));
    if (row.skip !== 0 && i < places.length - 1) out.push({ kind: 'glue', glue: glue(row.skip) });
  });
  out.push({ kind: 'penalty', penalty: display.postDisplayPenalty });
  if (beyond !== 'below')
    out.push({ kind: 'glue', glue: short ? display.belowShort : display.below });
}

/** `\\displaymath@qed` (amsthm): in a display without a number the end mark stands where numbers stand at the right. */
function withMarkAsNumber(display: Display): Display {
  const [only] = display.rows;
  const isAlone = display.layout === 'single' && only?.endMark && !only.tag;
  return isAlone ? { ...display, tagSide: 'right' } : display;
}

/** What stands at the margins of a row: its number, and the end mark of a proof. */
function marginOf(
  display: Display,
  row: DisplayRow,
  env: LayoutEnv,
): { readonly tag: Box | null; readonly mark: Box | null } {
  const tag = row.tag ? setText(row.tag, env) : null;
  const mark = row.endMark ? setText(row.endMark, env) : null;
  if (!mark || display.tagSide === 'left') return { tag, mark };
  if (!tag) return { tag: mark, mark: null };
  const together = display.layout === 'single' ? numberOverMark : numberBesideMark;
  return { tag: together(display, tag, mark), mark: null };
}

/** `\\equation@qed` (amsthm): the mark is the line below the number, in a `\\vtop` that ends at the margin. */
function numberOverMark(display: Display, tag: Box, mark: Box): Box {
  const width = Math.max(tag.width, mark.width);
  const below = display.baselineSkip.width;
  return boxOf(width, tag.height, Math.max(tag.depth, below + mark.depth), [
    { x: width - tag.width, y: 0, item: tag },
    { x: width - mark.width, y: -below, item: mark },
  ]);
}

/** In a row of several the mark stands behind the number. */
function numberBesideMark(display: Display, tag: Box, mark: Box): Box {
  const x = tag.width + em(display);
  const [height, depth] = [Math.max(tag.height, mark.height), Math.max(tag.depth, mark.depth)];
  return boxOf(x + mark.width, height, depth, [
    { x: 0, y: 0, item: tag },
    { x, y: 0, item: mark },
  ]);
}

/** The place of a row with the mark at its right margin, or below it where there is no room. */
function withMark(display: Display, { box, x }: Place, mark: Box | null): Place {
  if (!mark) return { box, x };
  // `\\equation@qed` (amsthm): one formula gives way to a quad and the mark behind it.
  const shift = display.layout === 'single' ? Math.min(x, (em(display) + mark.width) / 2) : 0;
  const start = x - shift;
  const markX = display.width - mark.width;
  const below = start + box.width > markX ? display.baselineSkip.width : 0;
  const height = Math.max(box.height, mark.height);
  const depth = Math.max(box.depth, below + mark.depth);
  const children = [
    { x: 0, y: 0, item: box },
    { x: markX - start, y: -below, item: mark },
  ];
  return { box: boxOf(display.width - start, height, depth, children), x: start };
}

/** On which side of its formula the number stands on a line of its own, in the place of the skip there (TeX: The Program, §1204 f.). */
function numberBeyond(
  display: Display,
  place: Place | undefined,
  tag: Box | null,
): 'above' | 'below' | null {
  if (display.layout !== 'single' || !place || !tag || numberFits(display, place, tag)) return null;
  return display.tagSide === 'left' ? 'above' : 'below';
}

/** Is there room for the number beside what stands in its row? */
function numberFits(display: Display, { box, x }: Place, tag: Box): boolean {
  const gap = TAG_GAP_EM * em(display);
  return display.tagSide === 'left'
    ? x >= tag.width + gap
    : x + box.width + gap <= display.width - tag.width;
}

/** Lines of an alignment stand a `\jot` further apart (amsmath's `\displ@y`). */
function rowSpacing(display: Display): LineSpacing {
  const extra = display.layout === 'single' ? 0 : display.jot;
  return {
    baselineSkip: { ...display.baselineSkip, width: display.baselineSkip.width + extra },
    lineSkip: { ...display.lineSkip, width: display.lineSkip.width + extra },
    lineSkipLimit: display.lineSkipLimit + extra,
  };
}

/** A row placed: its contents as one box, and where that starts in the display. */
interface Place {
  readonly box: Box;
  readonly x: Sp;
}

function placeRows(display: Display, rows: readonly SetRow[]): Place[] {
  switch (display.layout) {
    case 'aligned':
    case 'alignedAt':
    case 'alignedFull':
      return placeAligned(display, rows);
    case 'equationArray':
      return placeEquationArray(display, rows);
    default:
      return rows.map((row, i) => placeAlone(display, row, i, rows.length));
  }
}

const joined = (cells: readonly Box[]): Box => {
  if (cells.length === 1) return cells[0] as Box;
  const children: Child[] = [];
  let x = 0;
  for (const item of cells) {
    children.push({ x, y: 0, item });
    x += item.width;
  }
  return boxOf(
    x,
    Math.max(0, ...cells.map((c) => c.height)),
    Math.max(0, ...cells.map((c) => c.depth)),
    children,
  );
};

/** One row by itself: centred, or where `fleqn` or `multline` put it; the number makes it give way (TeXbook, chapter 19). */
function placeAlone(
  display: Display,
  { cells, tag, mark, row }: SetRow,
  index: number,
  count: number,
): Place {
  const box = joined(cells);
  if (display.flushIndent !== null) return { box, x: display.flushIndent };
  const spare = display.width - box.width;
  if (display.layout === 'multiline' && count > 1) {
    // `\multlinegap`, and `\multlinetaggap` where the number stands.
    const indent = Math.min(10 * PT, Math.max(0, spare));
    const roomFor = (beside: Box | null): Sp => (beside ? beside.width + 10 * PT : indent);
    const side = row.shove ?? (index === 0 ? 'left' : index === count - 1 ? 'right' : null);
    if (side === 'left') return { box, x: display.tagSide === 'left' ? roomFor(tag) : indent };
    if (side === 'right')
      return { box, x: Math.max(0, spare - roomFor(display.tagSide === 'right' ? tag : mark)) };
  }
  let x = spare / 2;
  if (tag && x < 2 * tag.width) x = Math.max(0, (spare - tag.width) / 2);
  if (display.tagSide === 'left' && tag) x = Math.max(x, spare - x);
  return { box, x: Math.max(0, x) };
}

/** Pairs of columns, right then left aligned (amsmath's `align`, `alignat`, `flalign`). */
function placeAligned(display: Display, rows: readonly SetRow[]): Place[] {
  const widths = columnWidths(rows);
  const { start, gap } = alignmentGaps(display, rows, widths);
  return rows.map(({ cells }) => {
    const children: Child[] = [];
    let x = 0;
    widths.forEach((width, c) => {
      if (c > 0 && c % 2 === 0) x += gap;
      const item = cells[c];
      if (item) children.push({ x: c % 2 === 0 ? x + width - item.width : x, y: 0, item });
      x += width;
    });
    return { box: rowBox(x, cells, children, display), x: start };
  });
}

/** `\minalignsep`: between pairs of columns at least. */
const MIN_GAP: Sp = 10 * PT;

/**
 * The space before the first pair and between pairs: equal all over the width for
 * `align`, none between for `alignat`, none at the margins for `flalign`. Numbers keep
 * their margin; what is left is shared out anew.
 */
function alignmentGaps(
  display: Display,
  rows: readonly SetRow[],
  widths: readonly Sp[],
): { start: Sp; gap: Sp } {
  const pairs = Math.ceil(widths.length / 2);
  const total = widths.reduce((sum, w) => sum + w, 0);
  const room = Math.max(
    0,
    ...rows.map(({ tag }) => (tag ? tag.width + TAG_GAP_EM * em(display) : 0)),
  );
  const before = display.tagSide === 'left' ? room : 0;
  const spare = Math.max(0, display.width - total);
  const left = Math.max(0, spare - room);
  const { flushIndent: indent, layout } = display;
  if (layout === 'alignedFull') {
    const gap = pairs > 1 ? Math.max(MIN_GAP, left / (pairs - 1)) : 0;
    return { start: before, gap };
  }
  if (indent !== null) {
    const gap = layout === 'alignedAt' ? 0 : Math.max(MIN_GAP, (spare - indent) / pairs);
    return { start: Math.max(indent, before), gap };
  }
  const shares = layout === 'alignedAt' ? 2 : pairs + 1;
  const even = spare / shares;
  if (even >= room) return { start: even, gap: layout === 'alignedAt' ? 0 : even };
  const tight = left / shares;
  if (layout === 'alignedAt') return { start: before + tight, gap: 0 };
  return { start: before + tight, gap: Math.max(Math.min(MIN_GAP, left), tight) };
}

/** `eqnarray`: right, centre, left, with two columns' space between them. */
function placeEquationArray(display: Display, rows: readonly SetRow[]): Place[] {
  const widths = columnWidths(rows);
  const separation = 2 * 5 * PT;
  const total = widths.reduce((sum, w) => sum + w, 0) + separation * Math.max(0, widths.length - 1);
  const start = display.flushIndent ?? Math.max(0, (display.width - total) / 2);
  return rows.map(({ cells }) => {
    const children: Child[] = [];
    let x = 0;
    widths.forEach((width, c) => {
      if (c > 0) x += separation;
      const item = cells[c];
      if (item) {
        const spare = width - item.width;
        children.push({ x: x + (c % 3 === 0 ? spare : c % 3 === 1 ? spare / 2 : 0), y: 0, item });
      }
      x += width;
    });
    return { box: rowBox(x, cells, children, display), x: start };
  });
}

function columnWidths(rows: readonly SetRow[]): Sp[] {
  const widths: Sp[] = [];
  for (const { cells } of rows) {
    cells.forEach((cell, c) => {
      widths[c] = Math.max(widths[c] ?? 0, cell.width);
    });
  }
  return widths;
}

/** How far to the right what stands in a row reaches: its last columns may be empty. */
const reachOf = ({ box, x }: Place, isAlignment: boolean): Sp =>
  isAlignment
    ? x + Math.max(0, ...box.children.map((child) => child.x + child.item.width))
    : x + box.width;

/** Rows of an alignment hold a strut: 0.7 and 0.3 of the line distance. */
function rowBox(
  width: Sp,
  cells: readonly Box[],
  children: readonly Child[],
  display: Display,
): Box {
  const strut = display.baselineSkip.width;
  return boxOf(
    width,
    Math.max(0.7 * strut, ...cells.map((c) => c.height)),
    Math.max(0.3 * strut, ...cells.map((c) => c.depth)),
    children,
  );
}

const em = (display: Display): Sp => display.font.size;

/** Short skips: the line before ends left of where the formula begins (TeX: The Program, §1203). */
function isShort(display: Display, first: Place | undefined, lastLine: Sp | null): boolean {
  if (display.layout !== 'single' || !first) return false;
  if (lastLine === null) return true;
  return display.left + first.x > lastLine + 2 * em(display);
}

function reportTooWide(display: Display, place: Place, row: DisplayRow, env: LayoutEnv): void {
  const reach = reachOf(place, /^(aligned|equationArray)/.test(display.layout));
  const excess = reach - display.width;
  if (excess <= HFUZZ) return;
  const width = Math.max(reach, place.box.width);
  env.report({
    code: 'formula-too-wide',
    from: row.from,
    to: row.to,
    args: { amount: inMillimetres(excess), times: (width / display.width).toFixed(2) },
  });
}

/** One line with the formula and its number; a number without room goes on a line of its own. */
function pushRow(
  out: VItem[],
  display: Display,
  place: Place,
  tag: Box | null,
  row: DisplayRow,
  spacing: LineSpacing,
): void {
  const { box, x } = place;
  const tagX = tag ? (display.tagSide === 'left' ? 0 : display.width - tag.width) : 0;
  const fits = !tag || numberFits(display, place, tag);
  const children: Child[] = [{ x, y: 0, item: box }];
  if (tag && fits) children.push({ x: tagX, y: 0, item: tag });
  const height = Math.max(box.height, tag && fits ? tag.height : 0);
  const depth = Math.max(box.depth, tag && fits ? tag.depth : 0);
  const line = (b: Box, labels: readonly string[]): VItem => ({
    kind: 'line',
    box: b,
    x: display.left,
    spacing,
    labels,
  });
  const formula = line(boxOf(display.width, height, depth, children), row.labels);
  if (!tag || fits) return void out.push(formula);
  const number = line(
    boxOf(display.width, tag.height, tag.depth, [{ x: tagX, y: 0, item: tag }]),
    [],
  );
  const joint: VItem[] = [
    { kind: 'penalty', penalty: 10000 },
    { kind: 'glue', glue: NO_GLUE },
  ];
  if (display.tagSide === 'left') out.push(number, ...joint, formula);
  else out.push(formula, ...joint, number);
}
