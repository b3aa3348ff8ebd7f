import type { Point } from '../../base/maps';
import { arcSegments, polyline, type Path } from '../../base/paths';
import { angleOf, minus, plus, polar, times } from '../../drawing/vectors';
import { placeOf, type Reading } from './coordinates';
import { freshPath, GRAPHICS, type Graphics } from './graphics';
import { STYLES, withKeys, withStyle } from './keys';
import { freshNode, newSaying, setNode, setText } from './nodes';
import { paintPath } from './painting';
import { takeCoordinate, takeGroup, takeOptions, takeThisWord, type Scanner } from './scanPath';
import { wordsOf } from './words';

type Span = { readonly from: number; readonly to: number };

/** `pic[options] (name) at (place) {what}`: an angle, or a picture of the document's own. */
export function readPic(
  scanner: Scanner,
  reading: Reading,
  outer: Graphics,
  at: Point,
  span: Span,
): void {
  const saying = newSaying();
  let g = freshPath(outer);
  for (;;) {
    const options = takeOptions(scanner);
    if (options) g = withKeys(reading, g, options, saying);
    else if (takeThisWord(scanner, 'at')) saying.at = takeCoordinate(scanner);
    else if (takeCoordinate(scanner) === null) break;
  }
  const words = wordsOf(scanner.it, takeGroup(scanner) ?? []);
  const place = saying.at === null ? at : placeOf(reading, outer, saying.at).at;
  const angle = /^(right )?angle\s*=?\s*(.+?)\s*--\s*(.+?)\s*--\s*(.+)$/.exec(words);
  if (!angle) return ownPic(reading, g, words, place);
  const [first, corner, last] = angle.slice(2).map((name) => placeOf(reading, outer, name).at);
  if (first && corner && last)
    drawAngle(
      reading,
      g,
      { first, corner, last, right: Boolean(angle[1]) },
      saying.labels[0]?.tokens,
      span,
    );
}

/** A picture under a name of the document's own, drawn at a place. */
function ownPic(reading: Reading, g: Graphics, words: string, at: Point): void {
  const { it } = reading;
  const [, name = words, value = ''] = /^([^=]*?)\s*(?:=\s*(.*))?$/.exec(words) ?? [];
  const own = it.read(STYLES)[`pic ${name.trim()}`];
  if (!own) return it.p.report('picture-key', it.p.place, { name: words });
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.write(GRAPHICS, { ...g, map: { ...g.map, e: at.x, f: at.y } });
  it.define('pictureargument', value);
  it.execute(own.body);
  it.closeGroup();
}

interface Angle {
  readonly first: Point;
  readonly corner: Point;
  readonly last: Point;
  readonly right: boolean;
}

/** An arc, or the square of a right angle, at a corner, with words in it (the library of angles). */
function drawAngle(
  reading: Reading,
  g: Graphics,
  { first, corner, last, right }: Angle,
  words: Parameters<typeof wordsOf>[1] | undefined,
  span: Span,
): void {
  const radius = g.arc.radius;
  const from = angleOf(minus(first, corner));
  let to = angleOf(minus(last, corner));
  while (to < from) to += 360;
  const start = plus(corner, polar(from, radius));
  const mid = plus(corner, plus(polar(from, radius), polar(to, radius)));
  const line: Path = right
    ? polyline([start, mid, plus(corner, polar(to, radius))])
    : [{ kind: 'move', to: start }, ...arcSegments(corner, radius, radius, from, to)];
  const wedge: Path = [
    { kind: 'move', to: corner },
    { kind: 'line', to: start },
    ...line.slice(1),
    { kind: 'close' },
  ];
  const { mode } = g;
  if (mode.fill) paintPath(reading, { ...g, mode: { ...mode, draw: false } }, wedge, span);
  if (mode.draw) paintPath(reading, { ...g, mode: { ...mode, fill: false } }, line, span);
  if (!words) return;
  const share = right ? Math.SQRT2 : 1;
  const at = plus(corner, times(polar((from + to) / 2, 1), radius * share * g.arc.eccentricity));
  const look = withStyle(reading, freshNode(g), 'every pic quotes');
  const open = words.findIndex((t) => t.text === ']');
  const node = { ...look, node: { ...look.node, anchor: 'center' } };
  setNode(
    reading,
    node,
    newSaying(),
    setText(reading, node, words.slice(open + 2, -1)),
    at,
    null,
    span,
  );
}
