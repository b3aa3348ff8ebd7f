import { composed, mapped, scaledTurned, translation } from '../../base/maps';
import { lengthAlong, placeAlong, pointsAlong, type Path } from '../../base/paths';
import type { Mark } from '../../document/drawing';
import type { Inline } from '../../document/inlines';
import { left, plus, times } from '../../drawing/vectors';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { Decoration, Graphics } from './graphics';
import { widen, type Drawing } from './openPicture';

/** The decoration whose words run along a path. */
export const TEXT_ALONG = 'text along path';

/** What is set as one: a letter, a blank, a formula, a group. */
function piecesOf(tokens: readonly Token[]): Token[][] {
  const pieces: Token[][] = [];
  let [depth, inFormula] = [0, false];
  for (const token of tokens) {
    const joins = depth > 0 || inFormula;
    if (token.cat === Cat.Begin) depth++;
    else if (token.cat === Cat.End) depth--;
    else if (token.cat === Cat.Math && depth === 0) inFormula = !inFormula;
    if (joins) pieces.at(-1)?.push(token);
    else pieces.push([token]);
  }
  return pieces;
}

/** Words along a path, letter by letter, each upright on it where its middle is. */
export function textAlong(
  drawing: Drawing,
  g: Graphics,
  path: Path,
  { text, textAlign, textColour, raise, before, behind }: Decoration,
): Mark[] {
  const { it } = drawing;
  const points = pointsAlong(path);
  const length = lengthAlong(points);
  if (length <= 0) return [];
  const set = (piece: readonly Token[]): readonly Inline[] =>
    it.inlinesBy(() => {
      it.changeFont({ color: textColour ?? g.node.textColour ?? g.colour });
      it.execute(g.node.font);
      // A blank alone would be dropped at the edge of its line.
      it.execute(piece[0]?.cat === Cat.Space ? it.source('\\ ') : piece);
    });
  const pieces = piecesOf(text).map((piece) => {
    const inlines = set(piece);
    return { inlines, ...it.host.measure(inlines) };
  });
  const total = pieces.reduce((sum, { width }) => sum + width, 0);
  const room = length - before - behind - total;
  let at = before + (textAlign === 'center' ? room / 2 : textAlign === 'right' ? room : 0);
  return pieces.flatMap(({ inlines, width, height, depth }): Mark[] => {
    const middle = at + width / 2;
    at += width;
    if (middle < 0 || middle > length) return [];
    const { point, direction } = placeAlong(points, middle / length);
    const place = plus(point, times(left(direction), raise));
    const angle = (Math.atan2(direction.y, direction.x) * 180) / Math.PI;
    const map = composed(translation(place.x, place.y), scaledTurned(1, 1, angle));
    const corners = [-width / 2, width / 2].flatMap((x) => [
      mapped(map, { x, y: height }),
      mapped(map, { x, y: -depth }),
    ]);
    widen(drawing, corners, g.mode.overlay);
    const label: Mark = {
      kind: 'label',
      inlines,
      at: { x: -width / 2, y: 0 },
      across: 0,
      up: null,
    };
    return [{ kind: 'group', marks: [label], map, clip: null }];
  });
}
