import { NO_GLUE, type Glue, type Sp } from '../base/lengths';
import type { Box } from '../boxes/box';
import type { PageMark } from '../boxes/vertical';
import type { Element } from './flow';

/** A box of a stack, its reference point from the top left corner of the stack. */
export interface Stacked {
  readonly x: Sp;
  readonly y: Sp;
  readonly box: Box;
  readonly labels: readonly string[];
  /** Which of the elements it was. */
  readonly index: number;
}

/** Boxes one under another, glue set. */
export interface Stack {
  readonly boxes: readonly Stacked[];
  readonly marks: readonly { readonly mark: PageMark; readonly y: Sp }[];
  /** From its top to the baseline of the last box, and what hangs below that. */
  readonly height: Sp;
  readonly depth: Sp;
}

interface Give {
  readonly order: number;
  readonly ratio: number;
}

/** How the glue must give so that the elements are as high as asked; null leaves it as it is. */
function glueSet(
  elements: readonly Element[],
  natural: Sp,
  height: Sp | null,
  ragged: boolean,
): Give {
  if (height === null) return { order: 0, ratio: 0 };
  const missing = height - natural;
  const total = [0, 0, 0, 0];
  for (const element of elements) {
    if (element.kind !== 'glue') continue;
    const { glue } = element;
    const order = missing > 0 ? glue.stretchOrder : glue.shrinkOrder;
    total[order] = (total[order] as number) + (missing > 0 ? glue.stretch : glue.shrink);
  }
  let order = 3;
  while (order > 0 && total[order] === 0) order--;
  const give = total[order] as number;
  if (give === 0) return { order, ratio: 0 };
  // A ragged bottom has glue of its own, behind all finite glue.
  if (missing > 0) return { order, ratio: ragged && order === 0 ? 0 : missing / give };
  return { order, ratio: order === 0 ? Math.max(-1, missing / give) : missing / give };
}

const settled = (g: Glue, { order, ratio }: Give): Sp =>
  ratio >= 0
    ? g.stretchOrder === order
      ? g.stretch * ratio
      : 0
    : g.shrinkOrder === order
      ? g.shrink * ratio
      : 0;

/** Height to the last baseline at natural glue, with the first box's height or `topSkip`, and the last depth. */
export function naturalSize(elements: readonly Element[], topSkip: Sp): { height: Sp; depth: Sp } {
  let height = 0;
  let depth = 0;
  let first = true;
  for (const element of elements) {
    if (element.kind === 'box') {
      height += depth + (first ? Math.max(topSkip, element.box.height) : element.box.height);
      depth = element.box.depth;
      first = false;
    } else if (element.kind === 'glue') {
      height += depth + element.glue.width;
      depth = 0;
    }
  }
  return { height, depth };
}

/**
 * Sets elements one under another.
 *
 * @param topSkip least distance from the top to the first baseline (`\topskip`).
 * @param height the height to fill, or null for the natural one.
 * @param ragged whether finite glue stays as it is when there is room to spare.
 */
export function stack(
  elements: readonly Element[],
  topSkip: Sp,
  height: Sp | null,
  ragged = false,
): Stack {
  const natural = naturalSize(elements, topSkip);
  const set = glueSet(elements, natural.height, height, ragged);
  const boxes: Stacked[] = [];
  const marks: { mark: PageMark; y: Sp }[] = [];
  let y = 0;
  let depth = 0;
  let first = true;
  for (let index = 0; index < elements.length; index++) {
    const element = elements[index] as Element;
    if (element.kind === 'box') {
      const { box, x, line } = element;
      y += depth + (first ? Math.max(topSkip, box.height) : box.height);
      first = false;
      depth = box.depth;
      boxes.push({ x, y, box, labels: line?.labels ?? [], index });
    } else if (element.kind === 'glue') {
      y += depth + element.glue.width + settled(element.glue, set);
      depth = 0;
    } else if (element.kind === 'mark') marks.push({ mark: element.mark, y });
  }
  return { boxes, marks, height: y, depth };
}

export const glueElement = (glue: Glue): Element => ({ kind: 'glue', glue });
export const spaceElement = (width: Sp): Element => ({ kind: 'glue', glue: { ...NO_GLUE, width } });
