import { PT, type Sp } from '../base/lengths';
import { boxOf, rule, type Box, type Child } from '../boxes/box';
import type { ColumnLayout } from '../document/page';
import { bestSplit, isDiscardable } from './cost';
import type { Element } from '../boxes/elements';
import { naturalSize, stack } from '../boxes/stack';

/** Columns set side by side, and how many elements they hold. */
export interface Balanced {
  readonly box: Box;
  readonly end: number;
  readonly columns: readonly (readonly Element[])[];
}

const MAX_DEPTH: Sp = 5 * PT;

function cut(elements: readonly Element[], from: number, count: number, height: Sp): number[] {
  const ends: number[] = [];
  let at = from;
  for (let c = 0; c < count; c++) {
    at = bestSplit(elements, at, height, MAX_DEPTH);
    ends.push(at);
  }
  return ends;
}

const withoutTop = (elements: readonly Element[]): readonly Element[] => {
  const first = elements.findIndex((e) => !isDiscardable(e));
  return first < 0 ? [] : elements.slice(first);
};

const columnsOf = (elements: readonly Element[], from: number, ends: readonly number[]) =>
  ends.map((end, c) => withoutTop(elements.slice(c === 0 ? from : ends[c - 1], end)));

/** Where the elements from `from` on are surely higher than `height`: no more of them matter then. */
function behind(elements: readonly Element[], from: number, height: Sp): number {
  let sum = 0;
  for (let i = from; i < elements.length; i++) {
    const element = elements[i] as Element;
    if (element.kind === 'box') sum += element.box.height + element.box.depth;
    else if (element.kind === 'glue') sum += element.glue.width;
    if (sum > height) return i + 1;
  }
  return elements.length;
}

/** Columns are made this much higher at each try (a line's worth of small steps). */
const STEP: Sp = PT;

/**
 * The elements from `from` on in columns of equal height, as low as they can be; when
 * that is higher than there is room, as many as fill it.
 *
 * @param topSkip distance from the top of a column to its first baseline.
 */
export function balance(
  elements: readonly Element[],
  from: number,
  layout: ColumnLayout,
  room: Sp,
  topSkip: Sp,
): Balanced | null {
  const rest = withoutTop(elements.slice(from, behind(elements, from, 2 * layout.count * room)));
  const { height, depth } = naturalSize(rest, topSkip);
  const firstTop = (column: readonly Element[]): Sp => {
    const [first] = column;
    return first?.kind === 'box' ? Math.max(0, topSkip - first.box.height) : 0;
  };
  let target = Math.max(topSkip, (height + depth) / layout.count);
  for (; target <= room; target += STEP) {
    const ends = cut(elements, from, layout.count, target - topSkip / 2);
    if (ends.at(-1) !== elements.length) continue;
    const columns = columnsOf(elements, from, ends);
    const tallest = Math.max(...columns.map((c) => naturalSize(c, topSkip).height));
    if (tallest > room) break;
    return { box: setColumns(columns, layout, tallest, topSkip), end: elements.length, columns };
  }
  if (room < 2 * topSkip) return null;
  const ends = cut(elements, from, layout.count, room - firstTop(rest));
  const end = ends.at(-1) as number;
  if (end <= from) return null;
  const columns = columnsOf(elements, from, ends);
  return { box: setColumns(columns, layout, room, topSkip), end, columns };
}

function setColumns(
  columns: readonly (readonly Element[])[],
  layout: ColumnLayout,
  height: Sp,
  topSkip: Sp,
): Box {
  const children: Child[] = [];
  let depth = 0;
  columns.forEach((column, c) => {
    const set = stack(column, topSkip, c < columns.length - 1 ? height : null);
    const x = c * (layout.width + layout.gap);
    for (const { box, x: dx, y } of set.boxes)
      children.push({ x: x + dx, y: height - y, item: box });
    depth = Math.max(depth, set.depth, set.height + set.depth - height);
    if (c > 0 && layout.rule > 0) {
      const line = rule(layout.rule, height, 0);
      children.push({ x: x - layout.gap / 2 - layout.rule / 2, y: 0, item: line });
    }
  });
  const width = layout.count * layout.width + (layout.count - 1) * layout.gap;
  return boxOf(width, height, depth, children);
}
