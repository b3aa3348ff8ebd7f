import type { Sp } from '../base/lengths';
import type { Box, MarginBox } from '../boxes/box';
import type { ColumnLayout, PageGeometry } from '../document/page';
import type { PlacedBox } from './page';

/** What says where the margins of a page are. */
interface Sides {
  readonly geometry: PageGeometry;
  readonly number: number;
  readonly columns: ColumnLayout | null;
}

/** Boxes in boxes are looked through so deep for notes. */
const DEEP = 6;

/** Notes of a box and of those in it, each with where its line stands. */
function notesIn(
  box: Box,
  x: Sp,
  y: Sp,
  out: { readonly note: MarginBox; readonly x: Sp; readonly y: Sp }[],
  depth = 0,
): void {
  for (const note of box.margins ?? []) out.push({ note, x, y });
  if (depth < DEEP)
    for (const child of box.children)
      if (child.item.kind === 'box') notesIn(child.item, x + child.x, y - child.y, out, depth + 1);
}

/**
 * The boxes of a page with its notes in the margins, each behind its line: at the outer margin, of two
 * columns at the margin of its own, at the other one where that is said; a note that would lie over one
 * above it is moved down (LaTeX's `\@addmarginpar`).
 */
export function withMargins(placed: readonly PlacedBox[], sides: Sides): readonly PlacedBox[] {
  const { geometry, number, columns } = sides;
  const even = geometry.twoSided && number % 2 === 0;
  const left = even ? geometry.evenLeft : geometry.left;
  const { count, width, gap } = columns ?? { count: 1, width: geometry.textWidth, gap: 0 };
  const bottoms = new Map<string, Sp>();
  const out: PlacedBox[] = [];
  let any = false;
  for (const one of placed) {
    out.push(one);
    const notes: { readonly note: MarginBox; readonly x: Sp; readonly y: Sp }[] = [];
    notesIn(one.box, one.x, one.y, notes);
    for (const { note, x, y } of notes) {
      any = true;
      const column = Math.min(count - 1, Math.max(0, Math.floor((x - left) / (width + gap))));
      const atLeft = count > 1 ? column === 0 : even !== note.reversed;
      const start = left + column * (width + gap);
      const box = atLeft ? note.left : note.right;
      const edge = atLeft ? start - note.sep - note.width : start + width + note.sep;
      const side = `${atLeft ? 'left' : 'right'}${column}`;
      const least = (bottoms.get(side) ?? -Infinity) + box.height;
      const base = note.push === null ? y + note.shift : Math.max(y + note.shift, least);
      if (note.push !== null) bottoms.set(side, base + box.depth + note.push);
      out.push({ x: edge, y: base, box, block: one.block });
    }
  }
  return any ? out : placed;
}
