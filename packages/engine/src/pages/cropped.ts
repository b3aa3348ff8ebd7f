import type { Sp } from '../base/lengths';
import type { PageGeometry } from '../document/page';
import type { Box } from '../boxes/box';
import type { Page, PlacedBox } from './page';

/** From where to where there is something in a line, from its left end; what has no width does not count. */
function extentOf(box: Box): readonly [Sp, Sp] {
  const solid = box.children.filter(({ item }) => item.width > 0);
  if (solid.length === 0) return [0, 0];
  return [
    Math.min(...solid.map(({ x }) => x)),
    Math.max(...solid.map(({ x, item }) => x + item.width)),
  ];
}

/** The page as large as what is on it, with some room around (class standalone). */
export function cropped(page: Page, room: NonNullable<PageGeometry['crop']>): Page {
  const { placed } = page;
  if (placed.length === 0) return page;
  const extents = placed.map(({ box }) => extentOf(box));
  const edge = (of: (one: PlacedBox, extent: readonly [Sp, Sp]) => Sp): Sp[] =>
    placed.map((one, i) => of(one, extents[i] as readonly [Sp, Sp]));
  const left = Math.min(...edge(({ x }, [from]) => x + from));
  const right = Math.max(...edge(({ x }, [, to]) => x + to));
  const top = Math.min(...edge(({ y, box }) => y - box.height));
  const bottom = Math.max(...edge(({ y, box }) => y + box.depth));
  const [dx, dy] = [room.left - left, room.top - top];
  const moved = <Place extends { readonly x: Sp; readonly y: Sp }>(at: Place): Place => ({
    ...at,
    x: at.x + dx,
    y: at.y + dy,
  });
  const size = {
    width: right - left + room.left + room.right,
    height: bottom - top + room.top + room.bottom,
  };
  return { ...page, size, placed: placed.map(moved), labels: page.labels.map(moved), overfull: 0 };
}
