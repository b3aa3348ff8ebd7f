import { FIL, glue, gluePt, PT, type Sp } from '../base/lengths';
import { boxOf, rule } from '../boxes/box';
import type { FloatVItem, VItem } from '../boxes/vertical';
import type { PageGeometry } from '../document/page';
import { balance } from './balance';
import {
  addBox,
  addGlue,
  AWFUL,
  bestSplit,
  breakCost,
  breakPenalty,
  FORCED,
  isDiscardable,
  NOTHING,
} from './cost';
import { elementsOf, elementsOnce, type Element } from '../boxes/elements';
import { glueElement, naturalSize, spaceElement } from '../boxes/stack';
import { Flow, type Located } from './flow';
import { floatColumn, placeFloat, roomTaken, type FloatArea } from './floats';
import type { FlowBlock, FlowPosition } from './page';

/** Where a column starts, and what waits from the ones before. */
export interface ColumnStart {
  readonly at: ColumnPosition;
  readonly waiting: readonly FloatVItem[];
  /** Notes, or what is left of them, that found no room. */
  readonly notes: readonly Located[];
  /** Rows of a table to repeat at the top, and at the foot where it goes on. */
  readonly repeat: readonly VItem[];
  readonly foot: readonly VItem[];
  /** Floats ahead that have been placed already. */
  readonly done: readonly FloatVItem[];
  /** Marks of a column that came to nothing. */
  readonly marks: readonly Located[];
  /** All waiting floats are to be placed before any more text. */
  readonly flush: boolean;
}

/** A place in the list; `inner` counts elements within balanced columns. */
export interface ColumnPosition extends FlowPosition {
  readonly inner?: number;
}

/** What ended a column. */
export type ColumnEnd = 'full' | 'clear' | 'clearOdd' | 'columns' | 'end';

export interface BuiltColumn {
  /** All of it from top to bottom, with the blocks it comes from. */
  readonly elements: readonly Located[];
  readonly ended: ColumnEnd;
  readonly next: ColumnStart;
  readonly reach: FlowPosition;
  /** The change of columns that ended it. */
  readonly change: Extract<VItem, { kind: 'columnchange' }> | null;
  readonly empty: boolean;
}

/** A note set for the foot of the column, and how many elements stood before it. */
interface NoteEntry {
  readonly elements: readonly Located[];
  readonly after: number;
}

interface BreakPoint {
  readonly count: number;
  readonly at: FlowPosition;
  readonly cost: number;
}

const none: FlowPosition = { block: 0, item: 0 };

/** A column under construction. */
class Column {
  readonly held: Located[] = [];
  readonly notes: NoteEntry[] = [];
  readonly area: FloatArea;
  readonly placedFloats: { readonly float: FloatVItem; readonly after: number }[] = [];
  readonly leftOver: NoteEntry[] = [];
  totals = NOTHING;
  best: BreakPoint | null = null;
  empty = true;
  lastWasBox = false;
  /** It ends where it is told to alone. */
  whole = false;
  insertPenalties = 0;
  private noteHeight = 0;
  /** Of the foot that a table needs when the column ends in it. */
  private footHeight: Sp = 0;

  constructor(
    readonly start: ColumnStart,
    readonly height: Sp,
    readonly geometry: PageGeometry,
  ) {
    const { floats: rules } = geometry;
    this.area = { rules, height, top: [], bottom: [], here: 0, topClosed: false, waiting: [] };
    this.reserve(start.foot);
  }

  /** Keeps room for the foot of a table. */
  reserve(foot: readonly VItem[]): void {
    const { height, depth } = naturalSize(elementsOf(foot), 0);
    this.footHeight = height + depth;
  }

  get goal(): Sp {
    return this.height - roomTaken(this.area) - this.noteHeight - this.footHeight;
  }

  get used(): Sp {
    return this.totals.height + this.totals.depth;
  }

  add(located: Located): void {
    const { element } = located;
    this.held.push(located);
    if (element.kind === 'box') {
      const top = this.empty ? Math.max(0, this.geometry.topSkip - element.box.height) : 0;
      this.totals = addBox(this.totals, element.box, top, this.geometry.maxDepth);
      this.empty = false;
      this.lastWasBox = true;
    } else if (element.kind === 'glue') {
      this.totals = addGlue(this.totals, element.glue);
      this.lastWasBox = false;
    } else if (element.kind === 'penalty') this.lastWasBox = false;
  }

  /** Notes the cost of breaking here; true when the column is to end. */
  consider(element: Element, at: FlowPosition): boolean {
    const penalty = breakPenalty(element, this.lastWasBox);
    if (penalty === null || (this.whole && penalty > FORCED)) return false;
    const cost = breakCost(this.totals, penalty, this.goal, this.insertPenalties);
    if (this.best === null || cost <= this.best.cost) {
      this.best = { count: this.held.length, at, cost };
    }
    return cost === AWFUL || penalty <= FORCED;
  }

  /** Adds a note: whole when there is room, else as much as fits (TeX: The Program, §1008–1010). */
  addNote(elements: readonly Located[], after = this.held.length): void {
    if (elements.length === 0) return;
    if (this.leftOver.length > 0) {
      this.leftOver.push({ elements, after });
      this.insertPenalties += 10_000;
      return;
    }
    const above = this.notes.length === 0 ? this.area.rules.footnotes.width : 0;
    const size = naturalSize(elementsFrom(elements), 0);
    // A column has a line of text at least: notes carried over leave room for it.
    const line = this.empty ? this.geometry.topSkip + this.geometry.maxDepth : 0;
    const room = this.goal - this.used - above - line;
    if (size.height + size.depth <= room || (this.empty && size.height <= room)) {
      this.keepNote(elements, after, above + size.height + size.depth);
      return;
    }
    // What came from the column before and fits nowhere must stand somewhere.
    const carried = this.held.length === 0 && this.area.top.length === 0;
    const tall = Math.max(0, room);
    const end = bestSplit(elementsFrom(elements), 0, tall, this.geometry.maxDepth);
    const part = room > 0 || carried ? elements.slice(0, end) : [];
    const partSize = naturalSize(elementsFrom(part), 0);
    if (part.length === 0 || (partSize.height > room && !carried)) {
      this.leftOver.push({ elements, after });
      this.insertPenalties += 10_000;
      return;
    }
    this.keepNote(part, after, above + partSize.height + partSize.depth);
    this.leftOver.push({ elements: elements.slice(end), after });
    this.insertPenalties += 100;
  }

  private keepNote(elements: readonly Located[], after: number, height: Sp): void {
    if (this.notes.length === 0) {
      // `\\skip\\footins` can stretch and shrink with the page (TeX: The Program, §1009).
      const { stretch, shrink, stretchOrder } = this.area.rules.footnotes;
      const more = stretchOrder === 0 ? stretch : 0;
      const { totals } = this;
      this.totals = {
        ...totals,
        stretch: totals.stretch + more,
        shrink: totals.shrink + shrink,
      };
    }
    this.notes.push({ elements, after });
    this.noteHeight += height;
  }

  /** Places a float met in the text. */
  addFloat(float: FloatVItem, at: FlowPosition): void {
    const verdict = this.whole ? 'here' : placeFloat(this.area, float, this.used, this.goal);
    this.placedFloats.push({ float, after: this.held.length });
    if (verdict === 'wait') this.area.waiting.push(float);
    else if (verdict === 'top') this.area.top.push(float);
    else if (verdict === 'bottom') this.area.bottom.push(float);
    else {
      const space = this.area.rules.inText;
      this.area.here++;
      this.consider({ kind: 'penalty', penalty: 0 }, at);
      this.add({ element: glueElement(space), at });
      this.add({ element: floatElement(float), at });
      this.add({ element: { kind: 'penalty', penalty: 0 }, at });
      this.add({ element: glueElement(space), at });
    }
  }
}

const elementsFrom = (located: readonly Located[]): Element[] =>
  located.map(({ element }) => element);

/** A float as one box; its lines are taken apart again when it is placed. */
export function floatElement(float: FloatVItem): Element {
  const { box } = float;
  const whole = boxOf(box.width, box.height + box.depth, 0, [{ x: 0, y: box.depth, item: box }]);
  return { kind: 'box', box: whole, x: 0, line: null, float };
}

/**
 * Builds one column: the break of least cost, as TeX's page builder chooses it
 * (TeX: The Program, §§980–1028; The TeXbook, chapter 15), with notes at its
 * foot and floats as LaTeX places them.
 */
export function buildColumn(
  blocks: readonly FlowBlock[],
  start: ColumnStart,
  height: Sp,
  geometry: PageGeometry,
): BuiltColumn {
  const alone = floatColumn(start.waiting, height, geometry.floats, start.flush);
  if (alone.length > 0) return floatsAlone(start, alone);
  const column = new Column(start, height, geometry);
  for (const float of start.waiting) placeWaiting(column, float);
  column.addNote(start.notes, 0);
  for (const element of elementsOf(start.repeat)) column.add({ element, at: start.at });
  if (start.repeat.length > 0) column.empty = true;
  column.held.push(...start.marks);
  return fillColumn(column, blocks);
}

/** A float from an earlier column goes to the top or bottom of this one, or waits on (LaTeX's `\@addtonextcol`). */
function placeWaiting(column: Column, float: FloatVItem): void {
  const { area } = column;
  const edges = { ...float, placement: float.placement.replace('h', '') };
  const verdict = float.wide ? 'wait' : placeFloat(area, edges, 0, column.goal);
  if (verdict === 'top') area.top.push(float);
  else if (verdict === 'bottom') area.bottom.push(float);
  else area.waiting.push(float);
}

/** A column of floats only, spread from top to bottom. */
function floatsAlone(start: ColumnStart, floats: readonly FloatVItem[]): BuiltColumn {
  const { at } = start;
  const between = glueElement({ ...gluePt(8, 2), stretchOrder: 1 });
  const elements = [
    glueElement(FIL),
    ...floats.flatMap((f, i) => (i === 0 ? [floatElement(f)] : [between, floatElement(f)])),
    glueElement(FIL),
  ];
  return {
    elements: elements.map((element) => ({ element, at })),
    ended: 'full',
    next: { ...start, waiting: start.waiting.filter((f) => !floats.includes(f)) },
    reach: at,
    change: null,
    empty: false,
  };
}

function fillColumn(column: Column, blocks: readonly FlowBlock[]): BuiltColumn {
  const { start } = column;
  const flow = new Flow(blocks, start.at);
  let inner = start.at.inner ?? 0;
  for (;;) {
    const located = flow.next();
    if (!located) return finish(column, 'end', null, flow.at);
    const { element, at } = located;
    switch (element.kind) {
      case 'clear': {
        const waits = column.area.waiting.length > 0;
        if (!waits && (element.barrier || (isEmpty(column) && !element.odd))) continue;
        return finish(column, element.odd ? 'clearOdd' : 'clear', null, after(at));
      }
      case 'columnchange':
        return { ...finish(column, 'columns', null, after(at)), change: element };
      case 'float':
        if (!start.done.includes(element.float)) column.addFloat(element.float, at);
        continue;
      case 'footnote':
        column.addNote(elementsOf(element.items).map((e) => ({ element: e, at })));
        continue;
      case 'repeat':
        column.reserve(element.foot);
        column.held.push(located);
        continue;
      case 'balanced': {
        const done = addBalanced(column, element, at, inner);
        inner = 0;
        if (done) return done;
        continue;
      }
      default:
        if (element.kind === 'mark' && element.mark.kind === 'notop') column.area.topClosed = true;
        if (element.kind === 'mark' && element.mark.kind === 'wholepage') column.whole = true;
        if (column.empty && isDiscardable(element)) continue;
        if (column.consider(element, at)) return finish(column, 'full', column.best, flow.at);
        column.add(located);
    }
  }
}

/** Is there nothing to be seen in the column? */
const isEmpty = ({ empty, area, notes }: Column): boolean =>
  empty && area.top.length === 0 && area.bottom.length === 0 && notes.length === 0;

const after = (at: FlowPosition): FlowPosition => ({ block: at.block, item: at.item + 1 });

/** Adds balanced columns; when they go on behind this column, it ends with what fits. */
function addBalanced(
  column: Column,
  element: Extract<Element, { kind: 'balanced' }>,
  at: FlowPosition,
  from: number,
): BuiltColumn | null {
  const elements = elementsOnce(element.items);
  const room = column.goal - column.used;
  const set = balance(elements, from, element.layout, room, column.geometry.topSkip);
  if (!set && !column.empty)
    return finish(column, 'full', { count: column.held.length, at, cost: 0 }, at, from);
  const forced =
    set ?? balance(elements, from, element.layout, column.height, column.geometry.topSkip);
  if (!forced) return null;
  column.add({ element: { kind: 'box', box: forced.box, x: element.left, line: null }, at });
  for (const e of elements.slice(from, forced.end)) takeAlong(column, e, at);
  if (forced.end >= elements.length) return null;
  const end = { count: column.held.length, at, cost: 0 };
  return finish(column, 'full', end, after(at), forced.end);
}

/** What stands in balanced columns besides boxes: labels, marks, notes, floats. */
function takeAlong(column: Column, element: Element, at: FlowPosition): void {
  if (element.kind === 'mark') column.held.push({ element, at });
  if (element.kind === 'footnote')
    column.addNote(elementsOf(element.items).map((e) => ({ element: e, at })));
  if (element.kind === 'float') column.addFloat(element.float, at);
  if (element.kind !== 'box') return;
  for (const name of element.line?.labels ?? [])
    column.held.push({ element: { kind: 'mark', mark: { kind: 'label', name } }, at });
}

function finish(
  column: Column,
  ended: ColumnEnd,
  end: BreakPoint | null,
  reach: FlowPosition,
  inner?: number,
): BuiltColumn {
  const { start, area } = column;
  const count = end ? end.count : column.held.length;
  const text = column.held.slice(0, count);
  const notes = column.notes.filter((n) => n.after <= count);
  const { items: repeat, foot } = lastRepeat(text, start);
  const at: ColumnPosition = end ? (inner ? { ...end.at, inner } : end.at) : reach;
  const done = column.placedFloats.filter((f) => f.after > count).map(({ float }) => float);
  const left = column.leftOver.filter((n) => n.after <= count);
  const empty = isEmpty(column);
  return {
    elements: empty ? [] : assemble(column, end ? withFoot(text, foot) : text, notes),
    ended,
    next: {
      at,
      waiting: area.waiting,
      notes: left.flatMap((n) => n.elements),
      repeat,
      foot,
      done,
      marks: empty ? text.filter(({ element }) => element.kind === 'mark') : [],
      flush: ended === 'clear' || ended === 'clearOdd' || ended === 'end',
    },
    reach,
    change: null,
    empty,
  };
}

/** What the table repeats that a column ends in. */
function lastRepeat(
  text: readonly Located[],
  start: ColumnStart,
): { readonly items: readonly VItem[]; readonly foot: readonly VItem[] } {
  const last = text.findLast(({ element }) => element.kind === 'repeat')?.element;
  return last?.kind === 'repeat' ? last : { items: start.repeat, foot: start.foot };
}

/** The text of a column that ends within a table, and the table's foot below it. */
function withFoot(text: readonly Located[], foot: readonly VItem[]): readonly Located[] {
  const at = text.at(-1)?.at ?? none;
  return [...text, ...elementsOf(foot).map((element) => ({ element, at }))];
}

/** Floats at the top, text, notes, floats at the bottom: all of a column as one list (LaTeX's `\@makecol`). */
function assemble(
  column: Column,
  text: readonly Located[],
  notes: readonly NoteEntry[],
): Located[] {
  const { area, geometry } = column;
  const at = text[0]?.at ?? none;
  const at0 = (element: Element): Located => ({ element, at });
  const out: Located[] = [];
  area.top.forEach((float, i) => {
    if (i > 0) out.push(at0(glueElement(area.rules.between)));
    out.push(at0(floatElement(float)));
  });
  if (area.top.length > 0) out.push(at0(glueElement(area.rules.text)));
  const first = text.find(({ element }) => element.kind === 'box')?.element;
  if (first?.kind === 'box') {
    out.push(at0(spaceElement(Math.max(0, geometry.topSkip - first.box.height))));
  }
  out.push(...text);
  if (notes.length > 0) {
    out.push(at0(glueElement(area.rules.footnotes)), ...footnoteRule(column).map(at0));
    for (const note of notes) out.push(...note.elements);
  }
  if (area.bottom.length > 0) out.push(at0(glueElement(area.rules.text)));
  area.bottom.forEach((float, i) => {
    if (i > 0) out.push(at0(glueElement(area.rules.between)));
    out.push(at0(floatElement(float)));
  });
  return out;
}

/** `\kern-3pt \hrule width .4\columnwidth \kern 2.6pt` (LaTeX kernel). */
function footnoteRule({ area, geometry }: Column): Element[] {
  if (!area.rules.footnoteRule) return [];
  const width = 0.4 * geometry.textWidth;
  const line = boxOf(width, 0.4 * PT, 0, [{ x: 0, y: 0, item: rule(width, 0.4 * PT, 0) }]);
  return [
    glueElement(glue(-3 * PT)),
    { kind: 'box', box: line, x: 0, line: null },
    glueElement(glue(2.6 * PT)),
  ];
}
