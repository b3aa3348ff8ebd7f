import { PT } from '../../../base/lengths';
import { IDENTITY, type Point } from '../../../base/maps';
import { polyline, type Path } from '../../../base/paths';
import type { Token } from '../../../expansion/meaning';
import type { Interpreter } from '../../machine/interpreter';
import { withKeys } from '../keys';
import { paintPath } from '../painting';
import { bare, wordsOf } from '../words';
import type { DataPoint, Plot } from './axis';
import { placed, type Painter } from './frame';
import { optionsIn } from './optionPaths';

/** The bars of one direction: which sides they have, and how long they are where the data do not say. */
interface Errors {
  readonly side: 'none' | 'plus' | 'minus' | 'both';
  readonly size: 'explicit' | 'fixed' | 'relative' | 'explicit relative';
  readonly amount: number;
}

/** What `error bars/…` says (pgfplots manual, section 4.12). */
export interface ErrorBars {
  readonly x: Errors;
  readonly y: Errors;
  readonly style: readonly Token[];
}

const NONE: Errors = { side: 'none', size: 'fixed', amount: 0 };

function withKey(errors: Errors, key: string, text: string): Errors {
  switch (key) {
    case 'dir':
      return {
        ...errors,
        side: /^(?:plus|minus|both)$/.test(text) ? (text as Errors['side']) : 'none',
      };
    case 'explicit':
      return { ...errors, size: 'explicit' };
    case 'explicit relative':
      return { ...errors, size: 'explicit relative' };
    case 'fixed':
      return { ...errors, size: 'fixed', amount: Number(text) || 0 };
    case 'fixed relative':
      return { ...errors, size: 'relative', amount: Number(text) || 0 };
    default:
      return errors;
  }
}

/** The bars that options ask for; null where they ask for none. */
export function errorBarsIn(it: Interpreter, options: readonly Token[]): ErrorBars | null {
  let [x, y] = [NONE, NONE];
  let style: readonly Token[] = [];
  for (const [name, value] of optionsIn(it, options)) {
    const path = /^(?:\/pgfplots\/)?error bars\/(.*)$/.exec(name)?.[1];
    if (path === undefined) continue;
    if (path.startsWith('error bar style')) style = value;
    const [, axis, key = ''] = /^([xy]) (.*)$/.exec(path) ?? [];
    const text = bare(wordsOf(it, value));
    if (axis === 'x') x = withKey(x, key, text);
    if (axis === 'y') y = withKey(y, key, text);
  }
  return x.side === 'none' && y.side === 'none' ? null : { x, y, style };
}

/** How far a bar reaches down and up from a value. */
function reachOf(errors: Errors, value: number, plus: number, minus: number): [number, number] {
  const { side, size, amount } = errors;
  const relative = size === 'relative' || size === 'explicit relative' ? Math.abs(value) : 1;
  const isSaid = size.startsWith('explicit');
  const up = relative * (isSaid ? plus : amount);
  const down = relative * (isSaid ? minus : amount);
  return [
    side === 'plus' || side === 'none' ? 0 : Math.abs(down),
    side === 'minus' || side === 'none' ? 0 : Math.abs(up),
  ];
}

/** A point of the data with how far its bars reach: beyond it, and before it. */
export function withErrors(point: DataPoint, bars: ErrorBars | null): DataPoint {
  if (!bars) return { ...point, errorX: 0, errorY: 0, minusX: 0, minusY: 0 };
  const { x, y, errorX, errorY } = point;
  const [minusX, plusX] = reachOf(bars.x, x, errorX, point.minusX ?? errorX);
  const [minusY, plusY] = reachOf(bars.y, y, errorY, point.minusY ?? errorY);
  return { ...point, errorX: plusX, errorY: plusY, minusX, minusY };
}

/** Half the width of the line at the end of a bar. */
const CAP = 2 * PT;

/** The error bars of a plot; those of bars stand beside their places as they do. */
export function drawErrors({ frame, reading, span }: Painter, plot: Plot, shift = 0): void {
  const plain = { ...plot.g, map: IDENTITY, dash: [], mode: { ...plot.g.mode, fill: false } };
  const g = withKeys(reading, plain, plot.errors?.style ?? []);
  const bar = (point: Point, end: Point, cap: Point): void => {
    const across = polyline([
      { x: end.x - cap.x, y: end.y - cap.y },
      { x: end.x + cap.x, y: end.y + cap.y },
    ]);
    paintPath(reading, g, [...polyline([point, end]), ...across] as Path, span);
  };
  for (const { x, y, errorX, errorY, minusX = 0, minusY = 0 } of plot.points) {
    if (!Number.isFinite(x) || !Number.isFinite(y)) continue;
    const beside = (point: Point): Point =>
      plot.form === 'xbar'
        ? { x: point.x, y: point.y + shift }
        : { x: point.x + shift, y: point.y };
    const place = (to: Point): Point => beside(placed(frame, to));
    const at = place({ x, y });
    const upright: Point = { x: CAP, y: 0 };
    const level: Point = { x: 0, y: CAP };
    if (errorY > 0) bar(at, place({ x, y: y + errorY }), upright);
    if (minusY > 0) bar(at, place({ x, y: y - minusY }), upright);
    if (errorX > 0) bar(at, place({ x: x + errorX, y }), level);
    if (minusX > 0) bar(at, place({ x: x - minusX, y }), level);
  }
}
