import type { Token } from '../../../expansion/meaning';
import type { Interpreter } from '../../machine/interpreter';
import { wordsOf } from '../words';
import type { DataPoint, Plot } from './axis';
import { placed, words, type Painter } from './frame';
import { formatFrom, numberText, PLAIN_NUMBERS } from './numberFormat';
import { optionsIn } from './optionPaths';

/** What is written at the points of a plot (pgfplots manual, section 4.17: `nodes near coords`). */
export interface NearCoordinates {
  /** What is written; null for the value. */
  readonly text: readonly Token[] | null;
  readonly style: readonly Token[];
  readonly align: string;
  /** What is said of each point behind its coordinates stands there. */
  readonly symbolic: boolean;
}

/** What options ask for; null where they ask for nothing. */
export function nearCoordinatesIn(
  it: Interpreter,
  options: readonly Token[],
): NearCoordinates | null {
  let near: NearCoordinates = { text: null, style: [], align: '', symbolic: false };
  let isAsked = false;
  for (const [name, value] of optionsIn(it, options)) {
    if (name === 'nodes near coords' || name === 'nodes near coords*') {
      isAsked = true;
      near = { ...near, text: value.length > 0 ? value : null };
    } else if (/^(?:nodes near coords style|every node near coord)/.test(name))
      near = { ...near, style: [...near.style, ...it.p.chars(','), ...value] };
    else if (/^nodes near coords align/.test(name)) near = { ...near, align: wordsOf(it, value) };
    else if (name === 'point meta')
      near = { ...near, symbolic: /explicit/.test(wordsOf(it, value)) };
  }
  return isAsked ? near : null;
}

/** Writes at each point what is asked for; `shift` is how far bars stand beside their places. */
export function drawNearCoordinates(
  painter: Painter,
  plot: Plot,
  points: readonly DataPoint[],
  own: Plot,
  shift: number,
): void {
  const { frame, reading } = painter;
  const { near } = plot;
  if (!near) return;
  const { it } = reading;
  const { format, rest } = formatFrom(it, PLAIN_NUMBERS, near.style);
  const across = plot.form === 'xbar';
  for (const point of points) {
    const found = own.points[plot.points.indexOf(point)] ?? point;
    const value = numberText(across ? found.x : found.y, 2, format);
    const meta = near.symbolic ? (point.meta ?? []) : null;
    const number = meta ?? it.source(`$${value}$`);
    const said = near.text
      ? [
          ...it.source('\\def\\pgfplotspointmeta'),
          it.p.make(1, '{'),
          ...(meta ?? it.source(value.replaceAll('{,}', ''))),
          it.p.make(2, '}'),
          ...near.text,
        ]
      : number;
    const { x, y } = placed(frame, point);
    const at = across ? { x, y: y + shift } : { x: x + shift, y };
    const isLevel = near.align === 'horizontal' || (near.align === '' && across);
    const isBelow = (across ? point.x : point.y) < 0 && /bar/.test(plot.form);
    const anchor = isLevel ? (isBelow ? 'east' : 'west') : isBelow ? 'north' : 'south';
    words(painter, plot.g, said, at, /anchor=(.+)/.exec(near.align)?.[1] ?? anchor, rest);
  }
}
