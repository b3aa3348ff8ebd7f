import type { Sp } from '../base/lengths';
import { boxOf, rule } from '../boxes/box';
import type { FloatVItem } from '../boxes/vertical';
import type {
  Backdrop,
  ColumnLayout,
  NumberStyle,
  PageGeometry,
  PageStyle,
  RunningTexts,
} from '../document/page';
import { buildColumn, type BuiltColumn, type ColumnStart, floatElement } from './column';
import { elementsOf, type Element } from '../boxes/elements';
import { stack } from '../boxes/stack';
import type { Located } from './flow';
import { heightOf } from './floats';
import { withMargins } from './marginNotes';
import { numberText } from './numbers';
import type { FlowBlock, FlowPosition, Page, PlacedBox, PlacedLabel, PlacedMark } from './page';
import { cropped } from './cropped';
import { asTurned, turnedGeometry } from './turned';

/** Where a page starts, and all that holds from there on. Equal starts over equal lists give equal pages. */
export interface PageStart extends ColumnStart {
  /** Its place among the pages, from 1. */
  readonly index: number;
  readonly number: number;
  readonly numbering: NumberStyle;
  readonly style: PageStyle;
  readonly running: RunningTexts;
  readonly backdrop: Backdrop | null;
  readonly columns: ColumnLayout | null;
  /** A page without anything comes first, so that this one is a right-hand page. */
  readonly blank: boolean;
  /** The change of columns that is in force begins on this page: what stands above them. */
  readonly wide: readonly Element[];
}

/** Where a page ended: the place to go on from, and the furthest place looked at. */
export interface BuiltPage {
  /** Null when nothing was on it: the next one is built in its place. */
  readonly page: Page | null;
  readonly start: PageStart;
  readonly next: PageStart | null;
  readonly reach: FlowPosition;
}

const EMPTY_STYLE: PageStyle = { head: null, foot: null, evenHead: null, evenFoot: null };

/** The first page of a document. */
export const FIRST_PAGE: PageStart = {
  at: { block: 0, item: 0 },
  waiting: [],
  notes: [],
  repeat: [],
  foot: [],
  done: [],
  marks: [],
  flush: false,
  index: 1,
  number: 1,
  numbering: 'arabic',
  style: EMPTY_STYLE,
  running: { left: { words: [] }, right: { words: [] } },
  backdrop: null,
  columns: null,
  blank: false,
  wide: [],
};

/** What is gathered while the parts of a page are put in place. */
interface Sheet {
  readonly placed: PlacedBox[];
  readonly labels: PlacedLabel[];
  readonly marks: PlacedMark[];
  bottom: Sp;
}

/** Builds one page, column by column. Null when nothing is left. */
export function buildPage(
  blocks: readonly FlowBlock[],
  start: PageStart,
  document: PageGeometry,
): BuiltPage | null {
  const paper = start.columns?.area ? { ...document, ...start.columns.area } : document;
  if (start.blank) return blankPage(start, paper);
  const turned = start.columns?.turned;
  const geometry = turned ? turnedGeometry(paper) : paper;
  const sheet: Sheet = { placed: [], labels: [], marks: [], bottom: geometry.top };
  const layout = start.columns ?? { count: 1, width: geometry.textWidth, gap: 0, rule: 0 };
  const idOf = (at: FlowPosition): number =>
    blocks[Math.min(at.block, blocks.length - 1)]?.id ?? -1;
  const left = leftOf(start.number, geometry);
  const wideFloats = takeWide(start.waiting, geometry);
  let top = 0;
  if (start.wide.length > 0) top += placeWide(sheet, start, left, geometry, idOf(start.at));
  for (const float of wideFloats)
    top += placeWideFloat(sheet, float, left, top, geometry, idOf(start.at));
  const height = geometry.textHeight - top;
  let from: ColumnStart = {
    ...start,
    waiting: start.waiting.filter((f) => !wideFloats.includes(f)),
  };
  let built: BuiltColumn | null = null;
  let empty = top === 0;
  for (let c = 0; c < layout.count; c++) {
    built = buildColumn(blocks, from, height, { ...geometry, textWidth: layout.width });
    from = built.next;
    empty &&= built.empty;
    if (empty && built.ended === 'end' && from.waiting.length === 0 && from.notes.length === 0) {
      if (start.index > 1 || from.marks.length === 0) return null;
    }
    const x = left + c * (layout.width + layout.gap);
    const ragged = geometry.raggedBottom || built.ended !== 'full';
    place(sheet, built.elements, x, geometry.top + top, height, ragged, idOf);
    if (c > 0 && layout.rule > 0)
      columnRule(sheet, x - layout.gap / 2, geometry.top + top, height, layout);
    if (built.ended !== 'full') break;
  }
  const done = finishPage(built as BuiltColumn, sheet, start, geometry, empty);
  if (!done.page) return done;
  const page = turned ? asTurned(done.page, paper, turned) : done.page;
  return { ...done, page: paper.crop ? cropped(page, paper.crop) : page };
}

/** An empty page costs nothing when it only changes columns: the next one starts here. */
function finishPage(
  built: BuiltColumn,
  sheet: Sheet,
  start: PageStart,
  geometry: PageGeometry,
  empty: boolean,
): BuiltPage {
  const settled = takeMarks(sheet.marks, start);
  const more =
    built.ended !== 'end' || built.next.waiting.length > 0 || built.next.notes.length > 0;
  const page: Page = {
    index: start.index,
    number: settled.number,
    geometry,
    placed: withMargins(sheet.placed, { geometry, number: settled.number, columns: start.columns }),
    labels: sheet.labels,
    marks: sheet.marks,
    folio: numberText(settled.number, settled.numbering),
    style: settled.thisStyle ?? settled.style,
    running: settled.shown,
    backdrops: settled.backdrops,
    size: { width: geometry.paperWidth, height: geometry.paperHeight },
    turned: null,
    hasLineNumbers: sheet.placed.some(({ box }) => box.numbered !== undefined),
    overfull: Math.max(0, sheet.bottom - geometry.top - geometry.textHeight),
  };
  const odd = built.ended === 'clearOdd' && geometry.twoSided;
  const keepsPage = empty && built.ended !== 'full' && built.ended !== 'end';
  const number = keepsPage ? settled.number : settled.number + 1;
  const next: PageStart = {
    ...built.next,
    index: keepsPage ? start.index : start.index + 1,
    number,
    numbering: settled.numbering,
    style: settled.style,
    running: settled.running,
    backdrop: settled.backdrop,
    columns: built.change ? built.change.layout : start.columns,
    wide: built.change ? elementsOf(built.change.wide) : [],
    blank: odd && number % 2 === 0,
  };
  return { page: keepsPage ? null : page, start, next: more ? next : null, reach: built.reach };
}

function blankPage(start: PageStart, geometry: PageGeometry): BuiltPage {
  const page: Page = {
    index: start.index,
    number: start.number,
    geometry,
    placed: [],
    labels: [],
    marks: [],
    folio: numberText(start.number, start.numbering),
    style: start.style,
    running: start.running,
    backdrops: start.backdrop ? [start.backdrop] : [],
    size: { width: geometry.paperWidth, height: geometry.paperHeight },
    turned: null,
    hasLineNumbers: false,
    overfull: 0,
  };
  const next = { ...start, blank: false, index: start.index + 1, number: start.number + 1 };
  return { page, start, next, reach: start.at };
}

const leftOf = (number: number, geometry: PageGeometry): Sp =>
  geometry.twoSided && number % 2 === 0 ? geometry.evenLeft : geometry.left;

/** Wide floats that fit at the top of this page. */
function takeWide(waiting: readonly FloatVItem[], geometry: PageGeometry): FloatVItem[] {
  const out: FloatVItem[] = [];
  let room = geometry.floats.topFraction * geometry.textHeight;
  for (const float of waiting) {
    if (!float.wide) continue;
    if (out.length > 0 && heightOf(float) > room) break;
    room -= heightOf(float) + geometry.floats.between.width;
    out.push(float);
  }
  return out;
}

function placeWide(
  sheet: Sheet,
  start: PageStart,
  left: Sp,
  geometry: PageGeometry,
  id: number,
): Sp {
  const located = start.wide.map((element): Located => ({ element, at: start.at }));
  return place(sheet, located, left, geometry.top, null, true, () => id);
}

function placeWideFloat(
  sheet: Sheet,
  float: FloatVItem,
  left: Sp,
  top: Sp,
  geometry: PageGeometry,
  id: number,
): Sp {
  const located: Located[] = [{ element: floatElement(float), at: { block: 0, item: 0 } }];
  place(sheet, located, left, geometry.top + top, null, true, () => id);
  return heightOf(float) + geometry.floats.text.width;
}

/** Puts elements one under another; answers how much room they take. */
function place(
  sheet: Sheet,
  elements: readonly Located[],
  left: Sp,
  top: Sp,
  height: Sp | null,
  ragged: boolean,
  idOf: (at: FlowPosition) => number,
): Sp {
  const set = stack(
    elements.map(({ element }) => element),
    0,
    height,
    ragged,
  );
  for (const { x, y, box, labels, index } of set.boxes) {
    const { element, at } = elements[index] as Located;
    const block = idOf(at);
    if (element.kind === 'box' && element.float) {
      placeFloatLines(sheet, element.float, left + x, top + y - box.height, block);
      continue;
    }
    sheet.placed.push({ x: left + x, y: top + y, box, block });
    pushLabels(sheet, labels, left + x, top + y - box.height);
  }
  const marked = new Map(set.marks.map(({ mark, y }) => [mark, y]));
  for (const { element, at } of elements) {
    if (element.kind !== 'mark') continue;
    const y = marked.get(element.mark) ?? 0;
    addMark(sheet, { mark: element.mark, block: idOf(at), y: top + y }, left);
  }
  sheet.bottom = Math.max(sheet.bottom, top + set.height);
  return set.height + set.depth;
}

const pushLabels = (sheet: Sheet, names: readonly string[], x: Sp, y: Sp): void =>
  names.forEach((name) => sheet.labels.push({ name, x, y }));

function addMark(sheet: Sheet, placed: PlacedMark, left: Sp): void {
  sheet.marks.push(placed);
  if (placed.mark.kind === 'label') pushLabels(sheet, [placed.mark.name], left, placed.y);
}

function placeFloatLines(sheet: Sheet, float: FloatVItem, x: Sp, top: Sp, near: number): void {
  const block = float.block ?? near;
  const set = stack(elementsOf(float.items), 0, null);
  for (const line of set.boxes) {
    sheet.placed.push({ x: x + line.x, y: top + line.y, box: line.box, block });
    pushLabels(sheet, line.labels, x + line.x, top + line.y - line.box.height);
  }
  for (const { mark, y } of set.marks) addMark(sheet, { mark, block, y: top + y }, x);
}

function columnRule(sheet: Sheet, x: Sp, top: Sp, height: Sp, layout: ColumnLayout): void {
  const line = rule(layout.rule, height, 0);
  const box = boxOf(layout.rule, height, 0, [{ x: 0, y: 0, item: line }]);
  sheet.placed.push({ x: x - layout.rule / 2, y: top + height, box, block: -1 });
}

/** What the marks of a page change: its number, its style, its running texts; for it and for those behind. */
function takeMarks(marks: readonly PlacedMark[], start: PageStart) {
  let { number, numbering, style, running, backdrop } = start;
  const once: Backdrop[] = [];
  let thisStyle: PageStyle | null = null;
  let firstRight: RunningTexts['right'] | null = null;
  let firstExtra: RunningTexts['extraLeft'];
  for (const { mark } of marks) {
    if (mark.kind === 'pagestyle') {
      if (mark.thisPageOnly) thisStyle = mark.style;
      else style = mark.style;
    } else if (mark.kind === 'backdrop') {
      if (mark.thisPageOnly) once.push(mark.backdrop);
      else backdrop = mark.backdrop;
    } else if (mark.kind === 'pagenumber') {
      number = mark.value ?? number;
      numbering = mark.style ?? numbering;
    } else if (mark.kind === 'running') {
      const [extraLeft, extraRight] = mark.extra ?? [];
      running = {
        ...running,
        left: mark.left ?? running.left,
        right: mark.right ?? running.right,
        ...(extraLeft && extraRight ? { extraLeft, extraRight } : {}),
      };
      if (mark.right) firstRight ??= running.right;
      // Every mark bears the extra texts in force (package extramarks).
      firstExtra ??= running.extraLeft;
    }
  }
  // `\leftmark` is the last of the page, `\rightmark` the first (The TeXbook, chapter 23).
  const extraLeft = firstExtra ?? running.extraLeft;
  const shown: RunningTexts = {
    ...running,
    right: firstRight ?? running.right,
    ...(extraLeft ? { extraLeft } : {}),
  };
  const backdrops = [...(backdrop ? [backdrop] : []), ...once];
  return { number, numbering, style, running, backdrop, backdrops, thisStyle, shown };
}
