import { composed, translation, type AffineMap, type Point } from '../../base/maps';
import type { Path } from '../../base/paths';
import type { Sp } from '../../base/lengths';
import { UNNAMED_PLACE, type AnchorInline } from '../../document/inlines';
import { NO_ROOM, outlined } from '../../drawing/shapeParts';
import { cell, cellsBy } from '../../expansion/cells';
import type { Interpreter } from '../machine/interpreter';
import type { Drawing, OpenPicture, PlacedNode } from './openPicture';

/** A place of the document: on which page it lies, and where from the lower left corner of the paper, sp. */
export interface PagePlace {
  readonly page: number;
  readonly x: Sp;
  readonly y: Sp;
}

/** Places that pictures asked to be found again, as the pages were made last: given back by the session. */
export const PLACES = cell<Readonly<Record<string, PagePlace>>>('pictureplaces', {});

/** A node of a picture that is remembered: what of it is plain, and the picture whose coordinates it has. */
interface Remembered {
  readonly picture: string;
  readonly outline: Path;
  readonly anchors: Readonly<Record<string, Point>>;
  readonly map: AffineMap;
  readonly isCoordinate: boolean;
}
const nodeNamed = cellsBy<Remembered | null>('picturenode', null);
const COUNT = cell<number>('pictureplacecount', 0);

const PREFIX = `${UNNAMED_PLACE}of pictures:`;

/** What stands in the text where a place is remembered; what it names lies so far from it. */
export const anchorOf = (it: Interpreter, name: string, off: Point): AnchorInline => ({
  kind: 'anchor',
  label: `${PREFIX}${Math.round(off.x)} ${Math.round(off.y)} ${name}`,
  ...it.p.place,
});

/** The name of a place and how far it lies from its anchor; null for the anchors of others. */
export function placeNamed(label: string): { readonly name: string; readonly off: Point } | null {
  if (!label.startsWith(PREFIX)) return null;
  const found = /^(-?\d+) (-?\d+) ([\s\S]*)$/.exec(label.slice(PREFIX.length));
  return found && { name: found[3] ?? '', off: { x: Number(found[1]), y: Number(found[2]) } };
}

/** `remember picture`: its places can be found again, from other pictures too. */
export function remember({ it, picture }: Drawing): void {
  if (picture.ownName !== null) return;
  const count = it.read(COUNT) + 1;
  it.write(COUNT, count, true);
  picture.ownName = `picture ${count}`;
}

/** Keeps the named nodes of a picture that is remembered, for those behind it. */
export function keepNodes(it: Interpreter, { ownName, nodes, onPaper }: OpenPicture): void {
  if (ownName === null) return;
  const picture = onPaper ? '' : ownName;
  for (const [name, { shape, map, isCoordinate }] of nodes) {
    if (name.startsWith('\u0001')) continue;
    const { outline, anchors } = shape;
    it.write(nodeNamed(name), { picture, outline, anchors, map, isCoordinate }, true);
  }
}

/** Where the coordinates of a picture begin on its page; null while nobody knows. */
const originOf = (it: Interpreter, name: string): Point | null =>
  name === '' ? { x: 0, y: 0 } : (it.read(PLACES)[name] ?? null);

/**
 * A point of the page in the coordinates of the picture at hand. One that lies over the text without
 * room of its own counts from the corner of the paper from then on.
 */
function onPage({ it, picture }: Drawing, at: Point): Point | null {
  if (picture.isOverlay) {
    picture.onPaper = true;
    picture.overText = true;
    return at;
  }
  const own = picture.ownName === null ? null : originOf(it, picture.ownName);
  return own && { x: at.x - own.x, y: at.y - own.y };
}

/** A node of another picture, as this one has it; null when none is remembered by that name. */
export function nodeElsewhere(drawing: Drawing, name: string): PlacedNode | null {
  const { it, picture } = drawing;
  if (picture.ownName === null) return null;
  const found = it.read(nodeNamed(name));
  if (!found) return null;
  // Until the pages are made it lies somewhere.
  const by = onPage(drawing, originOf(it, found.picture) ?? { x: 0, y: 0 }) ?? { x: 0, y: 0 };
  const { outline, anchors, isCoordinate, map } = found;
  const shape = { ...outlined(NO_ROOM, outline), anchors };
  return { shape, isCoordinate, map: composed(translation(by.x, by.y), map) };
}

/** `pic cs:a`: a place that was marked in the text. */
export function markElsewhere(drawing: Drawing, name: string): Point {
  const found = drawing.it.read(PLACES)[`mark ${name}`];
  return onPage(drawing, found ?? { x: 0, y: 0 }) ?? { x: 0, y: 0 };
}
