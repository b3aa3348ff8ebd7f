import { composed, scaledTurned, translation, type AffineMap, type Point } from '../../base/maps';
import { ellipse, mappedPath, polyline, type Path } from '../../base/paths';
import {
  CIRCUIT_ENDS,
  CIRCUIT_SIGNS,
  isCircuitPart,
  type CircuitPart,
  type CircuitSign,
} from '../../drawing/circuits';
import { CIRCUIT_BODIES, isCircuitBody } from '../../drawing/circuitBodies';
import { angleOf, between, left, lengthOf, minus, plus, times, unit } from '../../drawing/vectors';
import type { Token } from '../../expansion/meaning';
import type { Place, Reading } from './coordinates';
import { CM, freshPath, type Graphics } from './graphics';
import type { Key, KeyCall } from './keys';
import { freshNode, newSaying, setNode, setText } from './nodes';
import { borderTowards } from './openPicture';
import { paintPath } from './painting';
import { above, lineTo, moveTo, type Walk } from './walk';
import { isSign, wordsOf } from './words';

/** What is told of a part of a circuit beside it. */
interface Said {
  readonly what: 'label' | 'voltage' | 'current';
  /** On its left, as one goes along the line, or on its right. */
  readonly side: 'left' | 'right';
  readonly against: boolean;
  readonly tokens: readonly Token[];
}

/** A part that a line of `to` leads through (package circuitikz). */
export interface Element {
  readonly part: CircuitPart;
  readonly said: readonly Said[];
  /** A circle, open or full, at its start and its end. */
  readonly poles: readonly [string, string];
  readonly inverted: boolean;
  readonly mirrored: boolean;
}
const WIRE: Element = {
  part: 'short',
  said: [],
  poles: ['', ''],
  inverted: false,
  mirrored: false,
};

/** The standard length of parts. */
const LENGTH = 1.4 * CM;
const POLE = 0.04 * LENGTH;
/** Between a part and what is said of it. */
const GAP = 0.05 * LENGTH;

const change =
  (by: (call: KeyCall, element: Element) => Partial<Element>): Key =>
  (call) => {
    const element = call.g.element ?? WIRE;
    call.g.element = { ...element, ...by(call, element) };
  };
const say = (what: Said['what'], side: Said['side'], against = false): Key =>
  change(({ reading, value }, { said }) =>
    value && value.length > 0
      ? {
          said: [
            ...said.filter((one) => one.what !== what),
            { what, side, against, tokens: quantity(reading, value) },
          ],
        }
      : {},
  );

/** `4<\ohm>` is a quantity (option `siunitx`). */
function quantity({ it }: Reading, value: readonly Token[]): readonly Token[] {
  const open = value.findIndex((t) => isSign(t, '<'));
  if (open < 0 || value.at(-1)?.text !== '>' || !it.hasPackage('siunitx')) return value;
  return [
    ...it.source('\\SI{'),
    ...value.slice(0, open),
    ...it.source('}{'),
    ...value.slice(open + 1, -1),
    ...it.source('}'),
  ];
}

/** Keys that the styles of circuits stand for. */
export const CIRCUIT_KEYS: Readonly<Record<string, Key>> = {
  'circuit part': change(({ reading, value }) => {
    const part = wordsOf(reading.it, value ?? []);
    return isCircuitPart(part) ? { part } : {};
  }),
  'circuit poles': change(({ reading, value }) => {
    const [start = '', end = ''] = wordsOf(reading.it, value ?? []).split('-');
    return { poles: [start, end] };
  }),
  'circuit label': say('label', 'left'),
  'circuit label below': say('label', 'right'),
  'circuit voltage': say('voltage', 'right'),
  'circuit voltage above': say('voltage', 'left'),
  'circuit voltage against': say('voltage', 'right', true),
  'circuit current': say('current', 'left'),
  'circuit current below': say('current', 'right'),
  'circuit current against': say('current', 'left', true),
  'circuit signs': ({ reading, g, value }) =>
    void (g.americanSigns = wordsOf(reading.it, value ?? []) === 'american'),
  'circuit inverted': change((_call, { inverted }) => ({ inverted: !inverted })),
  'circuit mirrored': change((_call, { mirrored }) => ({ mirrored: !mirrored })),
  'circuit end': ({ reading, node, value }) => {
    if (node) node.symbol = wordsOf(reading.it, value ?? []);
  },
};

const strokes = (g: Graphics, wide: number): Graphics => {
  const fresh = freshPath({ ...g, startTips: [], endTips: [], element: null, rounding: 0 });
  return { ...fresh, lineWidth: wide * g.lineWidth, mode: { ...fresh.mode, draw: true } };
};
const filling = (g: Graphics): Graphics => {
  const fresh = strokes(g, 1);
  return {
    ...fresh,
    fillColour: g.drawColour ?? g.colour,
    mode: { ...fresh.mode, draw: false, fill: true },
  };
};

/** Draws a line with a part of a circuit in its middle, and what is said of it. */
export function elementTo(
  walk: Walk,
  target: Place,
  g: Graphics,
  element: Element,
  keepsBase: boolean,
): void {
  const sign = CIRCUIT_SIGNS[element.part];
  const { place } = walk;
  const start = place.node ? borderTowards(place.node, target.at) : place.at;
  const end = target.node ? borderTowards(target.node, start) : target.at;
  const middle = between(start, end, 0.5);
  const way = unit(minus(end, start));
  const half = Math.min(sign.half * LENGTH, lengthOf(minus(end, start)) / 2);
  const before = minus(middle, times(way, half));
  const behind = plus(middle, times(way, half));
  if (element.part === 'open') moveTo(walk, target, keepsBase);
  else if (sign.half === 0) lineTo(walk, target, keepsBase);
  else {
    lineTo(walk, { at: before, node: null }, true);
    moveTo(walk, { at: behind, node: null }, true);
    lineTo(walk, target, keepsBase);
  }
  walk.last = [{ start, segment: { kind: 'line', to: end } }];
  const map = signMap(middle, way, element);
  above(walk, () => {
    paintSign(walk, g, element.part, map);
    drawPole(walk, g, element.poles[0], start);
    drawPole(walk, g, element.poles[1], end);
    const spot = { start, end, middle, before, behind, way, height: sign.height * LENGTH };
    for (const said of element.said) sayBeside(walk, g, element, said, spot);
  });
}

function signMap(middle: Point, way: Point, { inverted, mirrored }: Element): AffineMap {
  const own = scaledTurned(inverted ? -LENGTH : LENGTH, mirrored ? -LENGTH : LENGTH, 0);
  const turned = composed(scaledTurned(1, 1, angleOf(way)), own);
  return composed(translation(middle.x, middle.y), turned);
}

function paintSign(walk: Walk, g: Graphics, part: CircuitPart, map: AffineMap): void {
  const { reading, span } = walk;
  const sign: CircuitSign = CIRCUIT_SIGNS[part];
  for (const path of sign.solid) paintPath(reading, filling(g), mappedPath(path, map), span);
  for (const path of sign.bold) paintPath(reading, strokes(g, 2), mappedPath(path, map), span);
  for (const path of sign.fine) paintPath(reading, strokes(g, 1), mappedPath(path, map), span);
  if (sign.word) words(walk, g, reading.it.source(sign.word), { x: map.e, y: map.f }, null);
}

/** Words at a place, or beside a line that runs in a direction. */
function words(
  { reading, span }: Walk,
  g: Graphics,
  tokens: readonly Token[],
  at: Point,
  beside: { readonly way: Point; readonly side: 'left' | 'right' } | null,
): void {
  const look = freshNode({ ...g, element: null });
  const node = { ...look.node, auto: beside?.side ?? null, anchor: beside ? null : 'center' };
  const placed = { ...look, node: { ...node, innerX: GAP, innerY: GAP } };
  const text = setText(reading, placed, tokens);
  setNode(reading, placed, newSaying(), text, at, beside?.way ?? null, span);
}

/** Where a part of a circuit is drawn, and for which stretch of the source. */
interface Drawn {
  readonly reading: Reading;
  readonly span: { readonly from: number; readonly to: number };
}

function drawPole({ reading, span }: Drawn, g: Graphics, kind: string, at: Point): void {
  if (kind !== '*' && kind !== 'o') return;
  const path = ellipse(at, POLE, POLE);
  if (kind === '*') return paintPath(reading, filling(g), path, span);
  paintPath(reading, { ...filling(g), fillColour: 0xffffff }, path, span);
  paintPath(reading, strokes(g, 1), path, span);
}

interface Spot {
  readonly start: Point;
  readonly end: Point;
  readonly middle: Point;
  readonly before: Point;
  readonly behind: Point;
  readonly way: Point;
  readonly height: number;
}

function sayBeside(walk: Walk, g: Graphics, element: Element, said: Said, spot: Spot): void {
  const away = times(left(spot.way), said.side === 'left' ? 1 : -1);
  const beside = { way: spot.way, side: said.side };
  if (said.what === 'label')
    return words(walk, g, said.tokens, plus(spot.middle, times(away, spot.height)), beside);
  if (said.what === 'current') {
    const at = between(spot.behind, spot.end, 0.5);
    arrowHead(walk, g, at, said.against ? times(spot.way, -1) : spot.way);
    return words(walk, g, said.tokens, plus(at, times(away, 0.06 * LENGTH)), beside);
  }
  const isSource = walk.g.americanSigns && element.part.includes('source');
  const far = spot.height + (isSource ? 0 : 0.22 * LENGTH);
  // A source shows its signs itself.
  if (!isSource) sayVoltage(walk, g, said, spot, times(away, far));
  words(walk, g, said.tokens, plus(spot.middle, times(away, far)), beside);
}

/** An arrow beside the part, or plus and minus where signs are American. */
function sayVoltage(walk: Walk, g: Graphics, said: Said, spot: Spot, off: Point): void {
  const { reading, span } = walk;
  const reach = times(spot.way, lengthOf(minus(spot.behind, spot.middle)) + 0.12 * LENGTH);
  const [a, b] = said.against ? [1, -1] : [-1, 1];
  const from = plus(spot.middle, times(reach, a));
  const to = plus(spot.middle, times(reach, b));
  if (g.americanSigns) {
    const aside = times(off, 0.6);
    words(walk, g, reading.it.source('$+$'), plus(from, aside), null);
    words(walk, g, reading.it.source('$-$'), plus(to, aside), null);
    return;
  }
  const path: Path = [
    { kind: 'move', to: plus(from, times(off, 0.4)) },
    {
      kind: 'curve',
      from: plus(plus(from, off), times(minus(to, from), 0.25)),
      into: plus(plus(to, off), times(minus(from, to), 0.25)),
      to: plus(to, times(off, 0.4)),
    },
  ];
  paintPath(reading, { ...strokes(g, 1), endTips: [g.tip] }, path, span);
}

function arrowHead({ reading, span }: Walk, g: Graphics, at: Point, way: Point): void {
  const size = 0.07 * LENGTH;
  const side = times(left(way), 0.6 * size);
  const back = minus(at, times(way, size));
  const path = polyline([plus(at, times(way, size)), plus(back, side), minus(back, side)], true);
  paintPath(reading, filling(g), path, span);
}

/** Draws a sign that hangs on one place, such as the ground. */
export function drawCircuitEnd(
  reading: Reading,
  g: Graphics,
  name: string,
  at: Point,
  span: { readonly from: number; readonly to: number },
): void {
  const body = isCircuitBody(name) ? CIRCUIT_BODIES[name] : null;
  const end = body ?? CIRCUIT_ENDS[name];
  if (!end) return;
  const turned = scaledTurned(LENGTH * g.node.scaleX, LENGTH * g.node.scaleY, g.node.turn);
  const map = composed(translation(at.x, at.y), turned);
  for (const path of end.solid) paintPath(reading, filling(g), mappedPath(path, map), span);
  for (const path of end.bold) paintPath(reading, strokes(g, 2), mappedPath(path, map), span);
  for (const path of body?.fine ?? [])
    paintPath(reading, strokes(g, 1), mappedPath(path, map), span);
  if (name === 'ocirc') drawPole({ reading, span }, g, 'o', at);
}
