import { NO_GLUE, type Glue, type Sp } from '../base/lengths';
import { boxOf, rule, type Box } from './box';
import type { Element } from './elements';
import { giveOf, RIGID, setGlue, type GlueSet } from './glueSetting';
import type { PageMark, SetVerticalLeader } from './vertical';

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

/** How the glue must give so that the elements are as high as asked; null leaves it as it is. */
function glueSet(
  elements: readonly Element[],
  natural: Sp,
  height: Sp | null,
  ragged: boolean,
): GlueSet {
  if (height === null) return RIGID;
  const missing = height - natural;
  const glues = elements.flatMap((element) => (element.kind === 'glue' ? [element.glue] : []));
  const set = setGlue(glues, missing);
  // A ragged bottom has glue of its own, behind all finite glue.
  return ragged && missing > 0 && set.order === 0 ? RIGID : set;
}

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
      const room = element.glue.width + giveOf(element.glue, set);
      if (element.leader) boxes.push(...filled(element.leader, y + depth, room, index));
      y += depth + room;
      depth = 0;
    } else if (element.kind === 'mark') marks.push({ mark: element.mark, y });
  }
  return { boxes, marks, height: y, depth };
}

/** Space from `top` on, filled: with as many copies as there is room for, what is left above and below them alike (TeX: The Program, §634 ff.). */
function filled(leader: SetVerticalLeader, top: Sp, room: Sp, index: number): Stacked[] {
  const at = (x: Sp, y: Sp, box: Box): Stacked => ({ x, y, box, labels: [], index });
  if (room <= 0) return [];
  if (leader.kind === 'rules')
    return leader.rules.map(({ left, width }) =>
      at(
        left,
        top + room,
        boxOf(width, room, 0, [{ x: 0, y: 0, item: rule(width, room, 0, leader.color) }]),
      ),
    );
  const { box, left } = leader;
  const high = box.height + box.depth;
  if (high <= 0) return [];
  const count = Math.min(MOST_COPIES, Math.floor((room + 1) / high));
  const start = top + (room - count * high) / 2 + box.height;
  return Array.from({ length: count }, (_, i) => at(left, start + i * high, box));
}

/** More copies than any page has room for. */
const MOST_COPIES = 2000;

export const glueElement = (glue: Glue): Element => ({ kind: 'glue', glue });
export const spaceElement = (width: Sp): Element => ({ kind: 'glue', glue: { ...NO_GLUE, width } });
