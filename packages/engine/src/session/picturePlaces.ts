import type { Sp } from '../base/lengths';
import { mapped, mappedAt, type AffineMap } from '../base/maps';
import type { Box, Item } from '../boxes/box';
import { placeNamed, PLACES } from '../language/pictures/remembered';
import type { Page } from '../pages/page';
import type { PageRecord } from './paging';

export { PLACES };

type Places = Record<string, (typeof PLACES.start)[string]>;

/** What was found on pages that are as they were. */
const found = new WeakMap<Page['placed'], readonly (readonly [name: string, x: Sp, y: Sp])[]>();

/** Where the places lie that pictures asked to be found again, by name. */
export function collectPlaces(records: readonly PageRecord[]): typeof PLACES.start {
  const places: Places = {};
  for (const { page } of records)
    for (const [name, x, y] of placesOn(page)) places[name] = { page: page.index, x, y };
  return places;
}

function placesOn(page: Page): readonly (readonly [name: string, x: Sp, y: Sp])[] {
  const known = found.get(page.placed);
  if (known) return known;
  const out: [string, Sp, Sp][] = [];
  const visit = (item: Item, x: Sp, y: Sp, frame: AffineMap | null): void => {
    if (item.kind === 'box') return inside(item, x, y, frame);
    const place = item.kind === 'anchor' ? placeNamed(item.label) : null;
    if (!place) return;
    const at = frame ? mapped(frame, { x, y }) : { x, y };
    out.push([
      place.name,
      Math.round(at.x + place.off.x),
      Math.round(page.size.height - at.y + place.off.y),
    ]);
  };
  const inside = (box: Box, x: Sp, y: Sp, frame: AffineMap | null): void => {
    let [inner, left, base] = [frame, x, y];
    if (box.map) {
      inner = mappedAt(box.map, x, y, frame);
      [left, base] = [0, 0];
    }
    for (const child of box.children) visit(child.item, left + child.x, base - child.y, inner);
  };
  for (const { x, y, box } of page.placed) inside(box, x, y, null);
  found.set(page.placed, out);
  return out;
}
