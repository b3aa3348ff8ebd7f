import { PT } from '../../base/lengths';
import { IDENTITY, mapped, type Point } from '../../base/maps';
import { ellipse, polyline, type Path, type Segment } from '../../base/paths';
import { filled, stroked, solidStroke, type Mark } from '../../document/drawing';
import { smoothed } from '../../drawing/curves';
import { plus, polar, times } from '../../drawing/vectors';
import { defineHere } from '../machine/define';
import type { Token } from '../../expansion/meaning';
import { readExpression, ExpressionTrouble, type Expression } from './arithmetic';
import { placeOf, type Reading } from './coordinates';
import type { Graphics, Plotting } from './graphics';
import { addMarks, paintOf, surroundings, unitsOf, widen } from './openPicture';
import { STYLES, withKeys } from './keys';
import { bare, outside, partsOf, wordsOf } from './words';

/** A function is worked out at no more places. */
const MOST_SAMPLES = 20_000;

/** The numbers at which a function is worked out: evenly over its domain, or as listed. */
export function samplesOf({ from, to, samples, at }: Graphics['plot']): readonly number[] {
  if (at) return at;
  const count = Math.min(MOST_SAMPLES, Math.max(1, samples));
  return Array.from(
    { length: count },
    (_, i) => from + (count === 1 ? 0 : ((to - from) * i) / (count - 1)),
  );
}

/** A text with the macro of a variable as the name of one, ready to be read as an expression. */
function asVariable(reading: Reading, tokens: readonly Token[], name: string): string {
  const { it } = reading;
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  defineHere(it, name, '(plotvariable)');
  const text = wordsOf(it, tokens);
  it.closeGroup();
  return text;
}

/** The points of `plot (\x, {…})` in the unit vectors' coordinates. */
export function plotted(reading: Reading, g: Graphics, tokens: readonly Token[]): Point[] {
  const text = asVariable(reading, tokens, g.plot.variable);
  const colon = outside(text, ':');
  const isPolar = colon >= 0 && partsOf(text, ',').length === 1;
  const parts = isPolar ? [text.slice(0, colon), text.slice(colon + 1)] : partsOf(text, ',');
  const read = parts.map((part) => expression(reading, bare(part)));
  if (read.some((one) => one === null)) return [];
  const all = read as Expression[];
  const numbers = samplesOf(g.plot);
  if (!reading.it.p.spend(numbers.length, 'plot')) return [];
  return numbers.flatMap((at): Point[] => {
    const around = surroundings(reading.it, { plotvariable: at });
    const values = all.map((one) => safely(reading, () => Number(one.run(around))));
    if (values.some((value) => value === null || !Number.isFinite(value))) return [];
    const [a = 0, b = 0, c = 0] = values as number[];
    const [x, y] = isPolar ? [polar(a, b).x, polar(a, b).y] : [a, b];
    return [
      mapped(
        g.map,
        plus(plus(along(g.x, x, all[0]), along(g.y, y, all[1])), times(g.z, isPolar ? 0 : c)),
      ),
    ];
  });
}
const along = (axis: Point, value: number, one: Expression | undefined): Point =>
  one?.hasUnit
    ? times(axis.x !== 0 ? { x: PT, y: 0 } : { x: 0, y: PT }, value)
    : times(axis, value);

function expression(reading: Reading, text: string): Expression | null {
  return safely(reading, () => readExpression(text, unitsOf(reading.it)));
}
function safely<T>(reading: Reading, act: () => T): T | null {
  try {
    return act();
  } catch (error) {
    if (!(error instanceof ExpressionTrouble)) throw error;
    reading.trouble({ kind: 'number', word: error.word });
    return null;
  }
}

/** The points of `plot coordinates {(0,0) (1,2)}`. */
export function listed(reading: Reading, g: Graphics, tokens: readonly Token[]): Point[] {
  const text = wordsOf(reading.it, tokens);
  const out: Point[] = [];
  for (const found of text.matchAll(/\(([^()]*(?:\([^()]*\)[^()]*)*)\)/g))
    out.push(placeOf(reading, g, found[1] ?? '').at);
  return out;
}

/** The line of a plot through its points. */
export function plotLine(g: Graphics, points: readonly Point[]): Path {
  const { plot } = g;
  const [first] = points;
  if (!first || plot.onlyMarks) return [];
  const origin = mapped(g.map, { x: 0, y: 0 });
  switch (plot.form) {
    case 'ycomb':
      return points.flatMap((p) => polyline([{ x: p.x, y: origin.y }, p]));
    case 'xcomb':
      return points.flatMap((p) => polyline([{ x: origin.x, y: p.y }, p]));
    case 'polar comb':
      return points.flatMap((p) => polyline([origin, p]));
    case 'bars':
      return points.flatMap((point) => {
        const half = plot.barWidth / 2;
        const p = { x: point.x + plot.barShift, y: point.y };
        return polyline(
          [
            { x: p.x - half, y: origin.y },
            { x: p.x - half, y: p.y },
            { x: p.x + half, y: p.y },
            { x: p.x + half, y: origin.y },
          ],
          true,
        );
      });
    case 'steps':
      return inSteps(points, plot);
    default:
      return plot.smooth
        ? smoothed(points, plot.tension, plot.closed)
        : polyline(points, plot.closed);
  }
}

/** Level pieces, each with the point it belongs to at its left, its right or in its middle; what rises between them may be left out. */
export function inSteps(points: readonly Point[], { stepAt, jumps }: Plotting): Path {
  const out: Segment[] = [];
  const half = (a: Point, b: Point): number => (a.x + b.x) / 2;
  points.forEach((point, i) => {
    const [before, behind] = [points[i - 1], points[i + 1]];
    const start =
      stepAt === 'left' || !before ? point.x : stepAt === 'right' ? before.x : half(before, point);
    const end =
      stepAt === 'right' || !behind ? point.x : stepAt === 'left' ? behind.x : half(point, behind);
    if (start === end && jumps) return;
    out.push({ kind: out.length === 0 || jumps ? 'move' : 'line', to: { x: start, y: point.y } });
    if (start !== end) out.push({ kind: 'line', to: { x: end, y: point.y } });
  });
  return out;
}

/** The marks at the points of a plot. */
export function plotMarks(
  reading: Reading,
  g: Graphics,
  points: readonly Point[],
  span: { from: number; to: number },
): void {
  const name = g.plot.mark;
  if (name === null || name === 'none') return;
  const { markEvery, markFrom } = g.plot;
  const said = [...(reading.it.read(STYLES)['every mark']?.body ?? [])];
  const own =
    said.length === 0 ? g.plot.markLook : [...said, ...reading.it.p.chars(','), ...g.plot.markLook];
  const look =
    own.length === 0 ? { ...g, map: IDENTITY } : withKeys(reading, { ...g, map: IDENTITY }, own);
  const size = g.plot.markSize;
  const paint = paintOf(look.drawColour, look);
  const pen = stroked(solidStroke(look.lineWidth, paint));
  // What is said of their ground shows within their lines.
  const ground =
    look.fillColour === null || own.length === 0
      ? look.drawColour === null || look.drawColour === look.colour
        ? filled(paint)
        : { ...pen, fill: paintOf(null, look) }
      : { ...pen, fill: paintOf(look.fillColour, look) };
  const isPlain = look.map.a === 1 && look.map.b === 0 && look.map.d === 1;
  const marks = points
    .filter((_, i) => i >= markFrom - 1 && (i - markFrom + 1) % markEvery === 0)
    .map((at): Mark => {
      const [path, isFilled] = markAt(name, isPlain ? at : { x: 0, y: 0 }, size);
      const mark: Mark = { kind: 'path', path, style: isFilled ? ground : pen, ...span };
      if (isPlain) return mark;
      return { kind: 'group', marks: [mark], map: { ...look.map, e: at.x, f: at.y }, clip: null };
    });
  addMarks(reading, marks, g.mode.behind);
  widen(
    reading,
    points.flatMap(({ x, y }) => [
      { x: x - size, y: y - size },
      { x: x + size, y: y + size },
    ]),
    g.mode.overlay,
  );
}

/** A mark of a plot around a point, and whether it is filled. */
export function markAt(name: string, at: Point, size: number): readonly [Path, boolean] {
  const arms = (angles: readonly number[]): Path =>
    angles.flatMap((angle) =>
      polyline([plus(at, polar(angle, size)), plus(at, polar(angle + 180, size))]),
    );
  const corners = (angles: readonly number[], reach = size): Path =>
    polyline(
      angles.map((angle) => plus(at, polar(angle, reach))),
      true,
    );
  const whole = name.endsWith('*');
  switch (name.replace(/\*$/, '')) {
    case '+':
      return [arms([0, 90]), false];
    case 'x':
      return [arms([45, 135]), false];
    case 'asterisk':
      return [arms([0, 60, 120]), false];
    case '':
      return [ellipse(at, size, size), name === '*'];
    case 'star':
      return [arms([18, 90, 162]), false];
    case 'o':
      return [ellipse(at, size, size), whole];
    case '|':
      return [arms([90]), false];
    case '-':
      return [arms([0]), false];
    case 'square':
      return [corners([45, 135, 225, 315], size * Math.SQRT2 * 0.9), whole];
    case 'triangle':
      return [corners([90, 210, 330], size * 1.2), whole];
    case 'diamond':
      return [corners([0, 90, 180, 270], size * 1.2), whole];
    case 'pentagon':
      return [corners([90, 162, 234, 306, 18]), whole];
    default:
      return [ellipse(at, size, size), name === '*'];
  }
}
