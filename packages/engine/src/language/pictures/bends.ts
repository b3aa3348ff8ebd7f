import type { Point } from '../../base/maps';
import { angleOf, lengthOf, minus, plus, polar } from '../../drawing/vectors';
import type { Place } from './coordinates';
import type { Bend } from './graphics';
import { borderTowards, centreOf } from './openPicture';
import { curveTo, lineTo, type Walk } from './walk';

/** The share of the distance between its ends at which the controls of a bent line lie (the manual's figure). */
const LOOSE = 0.3915;

/** Draws a line of `to` and `edge`: straight, bent at its ends, or a loop. */
export function bentTo(walk: Walk, target: Place, bend: Bend, keepsBase = false): void {
  const { place } = walk;
  if (bend.out === null && bend.into === null) return lineTo(walk, target, keepsBase);
  const straight = angleOf(minus(target.at, place.at));
  const turn = bend.relative ? straight : 0;
  const out = turn + (bend.out ?? 0);
  const into = turn + (bend.into ?? 180);
  const start = leaving(place, out);
  const end = leaving(target, into);
  const distance = LOOSE * lengthOf(minus(end, start));
  const reach = (loose: number): number =>
    Math.min(bend.most, Math.max(bend.least, loose * distance));
  const from = plus(start, polar(out, reach(bend.looseOut)));
  const to = plus(end, polar(into, reach(bend.looseIn)));
  if (place.node) walk.place = { at: start, node: null };
  curveTo(walk, from, to, { at: end, node: null }, keepsBase);
  walk.place = target.node ? target : walk.place;
  if (!keepsBase) walk.base = target.at;
}

/** Where a line leaves a place at an angle. */
function leaving({ at, node }: Place, degrees: number): Point {
  if (!node) return at;
  const centre = centreOf(node);
  return borderTowards(node, plus(centre, polar(degrees, 65536 * 100)));
}
