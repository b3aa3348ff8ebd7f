import type { Point } from '../../base/maps';
import { arcSegments, polyline, type Path } from '../../base/paths';
import { angleOf, minus, plus, polar, times } from '../../drawing/vectors';
import { placeOf, type Reading } from './coordinates';
import { freshPath, GRAPHICS, type Graphics } from './graphics';
import { filled, STYLES, withKeys, withStyle } from './keys';
import type { Token } from '../../expansion/meaning';
import { keyValues, trimmed } from '../scanning/optionLists';
import { freshNode, newSaying, setNode, setText } from './nodes';
import { paintPath } from './painting';
import { takeCoordinate, takeGroup, takeOptions, takeThisWord, type Scanner } from './scanPath';
import { equalsOf, wordsOf } from './words';

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
    else {
      const name = takeCoordinate(scanner);
      if (name === null) break;
      saying.name = name;
    }
  }
  const tokens = saying.contents ?? takeGroup(scanner) ?? [];
  const place = saying.at === null ? at : placeOf(reading, outer, saying.at).at;
  const words = anglesIn(scanner, tokens);
  const angle = /^(right )?angle\s*=?\s*(.+?)\s*--\s*(.+?)\s*--\s*(.+)$/.exec(words);
  if (!angle) return ownPic(reading, g, tokens, place, saying.name);
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

/** What stands there, if it may be the mark of an angle. */
const anglesIn = ({ it }: Scanner, tokens: readonly Token[]): string =>
  /^\s*(?:right )?angle/.test(tokens.map(({ text }) => text).join('')) ? wordsOf(it, tokens) : '';

/** A picture under a name of the document's own, drawn at a place; its nodes are named after it. */
function ownPic(
  reading: Reading,
  g: Graphics,
  tokens: readonly Token[],
  at: Point,
  name: string | null,
): void {
  const { it, picture } = reading;
  const eq = equalsOf(tokens);
  const called = wordsOf(it, eq < 0 ? tokens : tokens.slice(0, eq));
  const own = it.read(STYLES)[`pics/${called}`];
  if (!own) return it.p.report('picture-key', it.p.place, { name: wordsOf(it, tokens) });
  const value = eq < 0 ? (own.fallback ?? []) : trimmed(tokens.slice(eq + 1));
  const said = keyValues(filled(own, value));
  const { prefix } = picture;
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  picture.prefix = `${prefix}${name ?? ''}`;
  const state = { ...freshPath(g), map: { ...g.map, e: at.x, f: at.y } };
  const draws = (key: string, behind: boolean): void => {
    const code = said.get(key);
    if (!code) return;
    it.write(GRAPHICS, { ...state, mode: { ...state.mode, behind: behind || state.mode.behind } });
    it.execute(code);
  };
  it.write(GRAPHICS, state);
  for (const key of ['setup code', 'background code', 'code', 'foreground code'])
    draws(key, key === 'background code');
  picture.prefix = prefix;
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
