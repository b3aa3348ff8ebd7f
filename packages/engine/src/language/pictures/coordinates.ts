import { PT } from '../../base/lengths';
import { mapped, type Point } from '../../base/maps';
import { boundsOf } from '../../base/paths';
import { between, dot, linesMeet, minus, plus, polar, times, unit } from '../../drawing/vectors';
import { meetings } from '../../drawing/curves';
import { boxAnchor, paperBox } from './boxPlaces';
import { ExpressionTrouble, readExpression, type Value } from './arithmetic';
import type { Graphics } from './graphics';
import type { Key } from './keys';
import {
  anchorOf,
  centreOf,
  surroundings,
  unitsOf,
  type Drawing,
  type PlacedNode,
} from './openPicture';
import { markElsewhere, nodeElsewhere } from './remembered';
import { bare, matching, outside, partsOf } from './words';

/** A place in the picture, sp; with a node where lines end at that node's border. */
export interface Place {
  readonly at: Point;
  readonly node: PlacedNode | null;
}

/** What could not be read of a coordinate or a number. */
export interface Trouble {
  readonly kind: 'node' | 'anchor' | 'number' | 'coordinate';
  readonly word: string;
}

/** What reading a coordinate may ask for. */
export interface Reading extends Drawing {
  readonly trouble: (trouble: Trouble) => void;
  /** All keys there are. */
  readonly keys: Readonly<Record<string, Key>>;
  /** A state with options applied to it, for coordinates with options of their own. */
  readonly withOptions: (g: Graphics, options: string) => Graphics;
}

const NOWHERE: Place = { at: { x: 0, y: 0 }, node: null };
const free = (at: Point): Place => ({ at, node: null });

const SIMPLE = /^([-+]?(?:\d+\.?\d*|\.\d+))\s*(?:(pt|cm|mm)|([*/])\s*(\d+\.?\d*))?$/;
const SIMPLE_UNITS: Readonly<Record<string, number>> = {
  pt: 1,
  cm: 72.27 / 2.54,
  mm: 7.227 / 2.54,
};

/** Most numbers are plain, a length, or one by another: they need no reader. */
function simpleNumber(text: string): { value: number; hasUnit: boolean } | null {
  const found = SIMPLE.exec(text);
  if (!found) return null;
  const [, first = '0', unit, sign, second = '1'] = found;
  if (unit !== undefined)
    return { value: Number(first) * (SIMPLE_UNITS[unit] ?? 1), hasUnit: true };
  const by = Number(second);
  return { value: sign === '/' ? Number(first) / by : Number(first) * by, hasUnit: false };
}

/** A number, and whether a length stood in it (then it is in pt). */
export function numberIn(
  reading: Pick<Reading, 'it' | 'trouble'>,
  text: string,
  variables: Readonly<Record<string, Value>> = {},
): { value: number; hasUnit: boolean } {
  const simple = simpleNumber(text);
  if (simple) return simple;
  try {
    const expression = readExpression(text, unitsOf(reading.it));
    const value = expression.run(surroundings(reading.it, variables));
    const number = typeof value === 'number' ? value : Number(value);
    return { value: Number.isFinite(number) ? number : 0, hasUnit: expression.hasUnit };
  } catch (error) {
    if (!(error instanceof ExpressionTrouble)) throw error;
    reading.trouble({ kind: 'number', word: text.trim() });
    return { value: 0, hasUnit: false };
  }
}

/** A vector from its coordinates along the unit vectors; lengths count as they are. */
function alongAxes(
  reading: Reading,
  g: Graphics,
  parts: readonly string[],
  isPlace: boolean,
): Point {
  const axes = [g.x, g.y, g.z];
  let sum: Point = { x: 0, y: 0 };
  const numbers = parts.map((part) => numberIn(reading, bare(part)));
  const plain = isPlace && numbers.every(({ hasUnit }) => !hasUnit);
  const values = scaled(
    plain ? g.scales : undefined,
    numbers.map(({ value }) => value),
  );
  numbers.forEach(({ hasUnit }, i) => {
    const value = values[i] ?? 0;
    const axis = axes[i] ?? { x: 0, y: 0 };
    const own = i === 1 ? { x: 0, y: PT } : i === 0 ? { x: PT, y: 0 } : times(unit(axis), PT);
    sum = plus(sum, times(hasUnit ? own : axis, value));
  });
  return sum;
}

/** Numbers as the axis they stand in counts them. */
function scaled(scales: Graphics['scales'], values: readonly number[]): readonly number[] {
  if (!scales) return values;
  if (scales === 'polar') {
    const { x, y } = polar(values[0] ?? 0, values[1] ?? 0);
    return [x, y];
  }
  return values.map((value, i) => (scales[i] === 'log' && value > 0 ? Math.log10(value) : value));
}

/** A point given by angle and radius (or two of them); in the unit vectors where it has no unit. */
function polarPoint(reading: Reading, g: Graphics, angle: string, radius: string): Point {
  const direction = COMPASS_WORDS[angle.trim()];
  const degrees = direction ?? numberIn(reading, angle).value;
  const [rx = '', ry = rx] = / and /.test(radius) ? radius.split(/ and /) : [radius];
  const [a, b] = [numberIn(reading, bare(rx)), numberIn(reading, bare(ry))];
  const { x, y } = polar(degrees, 1);
  const across = times(a.hasUnit ? { x: PT, y: 0 } : g.x, a.value * x);
  return plus(across, times(b.hasUnit ? { x: 0, y: PT } : g.y, b.value * y));
}
const COMPASS_WORDS: Readonly<Record<string, number>> = {
  right: 0,
  'above right': 45,
  up: 90,
  above: 90,
  'above left': 135,
  left: 180,
  'below left': 225,
  down: 270,
  below: 270,
  'below right': 315,
};

const linear = ({ map }: Graphics, vector: Point): Point => mapped({ ...map, e: 0, f: 0 }, vector);

/** The vector that a coordinate's words mean, not moved: for relative coordinates. */
export function vectorOf(reading: Reading, g: Graphics, words: string): Point {
  const vector = plainVector(reading, g, words, false);
  return vector
    ? linear(g, vector)
    : minus(placeOf(reading, g, words).at, mapped(g.map, { x: 0, y: 0 }));
}

/** Coordinates of a system that they name (the manual, “coordinate systems”). */
const SYSTEM =
  /^((?:rel )?axis|axis (?:description|direction)|canvas(?: polar)?|xyz?(?: polar)?|barycentric|node|intersection|perpendicular|pic)\s*cs\s*:/;

/** Cartesian and polar coordinates before the picture's map; null for others. */
function plainVector(reading: Reading, g: Graphics, words: string, isPlace: boolean): Point | null {
  if (/^[$[]/.test(words) || SYSTEM.test(words)) return null;
  const commas = partsOf(words, ',');
  if (commas.length > 1) return alongAxes(reading, g, commas, isPlace);
  const colon = outside(words, ':');
  if (colon >= 0) return polarPoint(reading, g, words.slice(0, colon), words.slice(colon + 1));
  return null;
}

/** The place that the words between the brackets of a coordinate mean. */
export function placeOf(reading: Reading, g: Graphics, words: string): Place {
  const text = words.trim();
  if (text.startsWith('[')) {
    const end = matching(text, 0);
    const own = reading.withOptions(g, text.slice(1, end < 0 ? undefined : end));
    const place = placeOf(reading, own, end < 0 ? '' : text.slice(end + 1));
    // Of a node only the shift of its options counts.
    const moved = minus(mapped(own.map, { x: 0, y: 0 }), mapped(g.map, { x: 0, y: 0 }));
    return place.node || isNamed(reading, text.slice(end + 1))
      ? free(plus(place.at, moved))
      : place;
  }
  if (text.startsWith('$'))
    return free(calculated(reading, g, text.slice(1).replace(/\$\s*$/, '')));
  const system = SYSTEM.exec(text);
  if (system) return inSystem(reading, g, system[1] ?? '', text.slice(system[0].length));
  const met = /^intersection(?:\s+\d+)?\s+of\s+(.+?)--(.+?)\s+and\s+(.+?)--(.+)$/.exec(text);
  if (met) return free(crossing(reading, g, met.slice(1)));
  for (const sign of ['|-', '-|']) {
    const at = outside(text, sign);
    if (at < 0) continue;
    const [a, b] = [
      placeOf(reading, g, bracketless(text.slice(0, at))),
      placeOf(reading, g, bracketless(text.slice(at + 2))),
    ];
    return free(sign === '|-' ? { x: a.at.x, y: b.at.y } : { x: b.at.x, y: a.at.y });
  }
  // `(amp.+)`: an end of a part by its sign, no sum.
  if (/\.\s*[+-]$/.test(text) && isNamed(reading, text)) return named(reading, text);
  const vector = plainVector(reading, g, text, true);
  return vector ? free(mapped(g.map, vector)) : named(reading, text);
}

const bracketless = (text: string): string => {
  const inner = text.trim();
  return inner.startsWith('(') && matching(inner, 0) === inner.length - 1
    ? inner.slice(1, -1)
    : inner;
};
const isNamed = ({ picture }: Reading, text: string): boolean =>
  picture.nodes.has((text.trim().split('.')[0] ?? '').trim());

/** A node by its name, or one of its anchors. */
function named(reading: Reading, text: string): Place {
  const { nodes, prefix } = reading.picture;
  const [node = ''] = text.split('.');
  const isOwn = prefix !== '' && nodes.has(prefix + node);
  return namedWhole(reading, isOwn ? prefix + text : text);
}

function namedWhole(reading: Reading, text: string): Place {
  const { nodes, bounds, lastPath } = reading.picture;
  const whole = nodes.get(text);
  if (whole) return { at: centreOf(whole), node: whole.isCoordinate ? null : whole };
  const dotAt = text.indexOf('.');
  const name = (dotAt < 0 ? text : text.slice(0, dotAt)).trim();
  const anchor = dotAt < 0 ? '' : text.slice(dotAt + 1).trim();
  const box =
    name === 'current bounding box'
      ? bounds
      : name === 'current path bounding box'
        ? boundsOf(lastPath)
        : /^current page\b/.test(name)
          ? paperBox(reading, name)
          : null;
  if (box) return free(boxAnchor(box, anchor));
  const elsewhere = nodes.has(name) ? null : nodeElsewhere(reading, name);
  if (elsewhere && anchor === '')
    return { at: centreOf(elsewhere), node: elsewhere.isCoordinate ? null : elsewhere };
  const node = nodes.get(name) ?? elsewhere;
  if (!node) {
    // `(0 0)`: two numbers, and no node.
    const isPair = /^[-+]?[\d.]+(?:cm|mm|pt)?\s+[-+]?[\d.]+(?:cm|mm|pt)?$/.test(text);
    if (isPair) reading.trouble({ kind: 'coordinate', word: text });
    else if (text !== '') reading.trouble({ kind: 'node', word: name });
    return NOWHERE;
  }
  const isAngle = !node.shape.anchors[anchor] && /^[-+\d.*/() ]+$/.test(anchor);
  const angle = isAngle ? String(numberIn(reading, anchor).value) : anchor;
  const at = anchorOf(node, angle);
  if (!at) reading.trouble({ kind: 'anchor', word: anchor });
  return free(at ?? centreOf(node));
}

const settings = (text: string): ReadonlyMap<string, string> =>
  new Map(
    partsOf(text, ',').map((part): [string, string] => {
      const [key = '', ...rest] = part.split('=');
      return [key.trim(), bare(rest.join('='))];
    }),
  );

function inSystem(reading: Reading, g: Graphics, system: string, text: string): Place {
  const set = settings(text);
  const of = (key: string, other = '0'): string => set.get(key) ?? other;
  switch (system) {
    case 'barycentric': {
      let [sum, weight] = [{ x: 0, y: 0 }, 0];
      for (const [name, value] of set) {
        const share = numberIn(reading, value).value;
        sum = plus(sum, times(named(reading, name).at, share));
        weight += share;
      }
      return free(times(sum, 1 / (weight || 1)));
    }
    case 'node':
      return named(
        reading,
        `${of('name', '')}${set.has('anchor') ? `.${of('anchor')}` : set.has('angle') ? `.${of('angle')}` : ''}`,
      );
    case 'canvas polar':
    case 'xy polar':
    case 'xyz polar':
      return free(mapped(g.map, polarPoint(reading, g, of('angle'), of('radius', of('x radius')))));
    case 'pic':
      return free(markElsewhere(reading, text.trim()));
    case 'axis':
    case 'axis direction':
      return placeOf(reading, g, text);
    case 'rel axis':
    case 'axis description': {
      const frame = reading.picture.nodes.get('current axis');
      const [low, high] = frame
        ? [anchorOf(frame, 'south west'), anchorOf(frame, 'north east')]
        : [null, null];
      if (!low || !high) return NOWHERE;
      const [x = 0, y = 0] = partsOf(text, ',').map((part) => numberIn(reading, bare(part)).value);
      return free({ x: low.x + x * (high.x - low.x), y: low.y + y * (high.y - low.y) });
    }
    case 'perpendicular': {
      const horizontal = placeOf(reading, g, bracketless(of('horizontal line through'))).at;
      const vertical = placeOf(reading, g, bracketless(of('vertical line through'))).at;
      return free({ x: vertical.x, y: horizontal.y });
    }
    default:
      return free(mapped(g.map, alongAxes(reading, g, [of('x'), of('y'), of('z')], true)));
  }
}

function crossing(reading: Reading, g: Graphics, names: readonly string[]): Point {
  const [a, b, c, d] = names.map((name) => placeOf(reading, g, bracketless(name)).at);
  return (a && b && c && d && linesMeet(a, b, c, d)) || a || { x: 0, y: 0 };
}

/** `$(A)!.5!(B) + 2*(1,1)$`: sums of coordinates with factors, and places between them. */
function calculated(reading: Reading, g: Graphics, text: string): Point {
  let at = 0;
  let sum: Point = { x: 0, y: 0 };
  const origin = mapped(g.map, { x: 0, y: 0 });
  let first = true;
  const blanks = (): void => {
    while (/\s/.test(text[at] ?? '')) at++;
  };
  for (;;) {
    blanks();
    if (at >= text.length) return first ? origin : sum;
    let sign = 1;
    while (/[-+\s]/.test(text[at] ?? '')) if (text[at++] === '-') sign = -sign;
    const open = factorEnd(text, at);
    if (open < 0) {
      reading.trouble({ kind: 'coordinate', word: text.trim() });
      return first ? origin : sum;
    }
    const written = text
      .slice(at, open)
      .replace(/\*\s*$/, '')
      .trim();
    const factor = written === '' ? 1 : numberIn(reading, bare(written)).value;
    const { point, end, vector } = modified(reading, g, text, open);
    at = end;
    // A sum begins at a point; what is added are vectors from the origin.
    const term = vector ?? minus(point, origin);
    sum = first ? plus(origin, times(term, sign * factor)) : plus(sum, times(term, sign * factor));
    first = false;
  }
}

/** Where the coordinate behind an optional factor opens; -1 when none does. */
function factorEnd(text: string, from: number): number {
  for (let i = from; i < text.length;) {
    const c = text[i] as string;
    if (c === '(') {
      const close = matching(text, i);
      // A bracket behind which a star stands is part of the factor.
      if (close >= 0 && /^\s*\*/.test(text.slice(close + 1))) i = close + 1;
      else return i;
    } else if (c === '{') i = Math.max(i, matching(text, i)) + 1;
    else i++;
  }
  return -1;
}

/** A coordinate with what stands behind it: `!.5!(B)`, `!.5!30:(B)`, `!2cm!(B)`, `!(C)!(B)`. */
function modified(reading: Reading, g: Graphics, text: string, open: number) {
  let close = matching(text, open);
  if (close < 0) close = text.length;
  const words = text.slice(open + 1, close);
  let point = placeOf(reading, g, words).at;
  const plain = plainVector(reading, g, words, true);
  let vector: Point | null = plain && linear(g, plain);
  let at = close + 1;
  for (;;) {
    const rest = text.slice(at);
    const bang = /^\s*!/.exec(rest);
    if (!bang) return { point, end: at, vector };
    at += bang[0].length;
    vector = null;
    const second = outside(text, '!', at);
    if (second < 0) return { point, end: text.length, vector };
    const how = text.slice(at, second).trim();
    const target = /^\s*(?:([^(]*?):)?\s*\(/.exec(text.slice(second + 1));
    if (!target) return { point, end: text.length, vector };
    const start = second + target[0].length;
    const end = matching(text, start);
    const other = placeOf(reading, g, text.slice(start + 1, end < 0 ? undefined : end)).at;
    const angle = target[1] === undefined ? 0 : numberIn(reading, target[1]).value;
    point = moved(reading, g, point, other, how, angle);
    at = end < 0 ? text.length : end + 1;
  }
}

function moved(
  reading: Reading,
  g: Graphics,
  from: Point,
  to: Point,
  how: string,
  angle: number,
): Point {
  const line = minus(to, from);
  if (how.startsWith('(')) {
    const foot = minus(placeOf(reading, g, bracketless(how)).at, from);
    return plus(from, times(line, dot(foot, line) / Math.max(1e-9, dot(line, line))));
  }
  const { value, hasUnit } = numberIn(reading, bare(how));
  const direction = turnedBy(line, angle);
  return hasUnit
    ? plus(from, times(unit(direction), value * PT))
    : angle === 0
      ? between(from, to, value)
      : plus(from, times(direction, value));
}
const turnedBy = (vector: Point, degrees: number): Point => {
  const { x, y } = polar(degrees, 1);
  return { x: x * vector.x - y * vector.y, y: y * vector.x + x * vector.y };
};

/** Names places where two named paths meet: `name intersections={of=a and b, by={P,Q}}`; how many there are. */
export function nameIntersections(
  reading: Reading,
  text: string,
  coordinate: (name: string, at: Point) => void,
): number {
  const set = settings(text);
  const [one = '', other = ''] = (set.get('of') ?? '').split(/\s+and\s+/);
  const { paths } = reading.picture;
  const [a, b] = [paths.get(one.trim()), paths.get(other.trim())];
  if (!a || !b) {
    reading.trouble({ kind: 'node', word: a ? other.trim() : one.trim() });
    return 0;
  }
  const found = meetings(a, b);
  const names = partsOf(set.get('by') ?? '', ',').map((name) =>
    name.replace(/^\[[^\]]*\]/, '').trim(),
  );
  const stem = set.get('name') ?? 'intersection';
  found.forEach((at, i) => {
    coordinate(`${stem}-${i + 1}`, at);
    if (names[i]) coordinate(names[i], at);
  });
  return found.length;
}
