import { PT } from '../../base/lengths';
import { mapped, type Point } from '../../base/maps';
import { plus } from '../../drawing/vectors';
import type { Reading } from './coordinates';
import type { Graphics } from './graphics';
import { addMarks } from './openPicture';
import type { Written } from './scanPath';

const UNITS: Readonly<Record<string, number>> = {
  pt: PT,
  cm: (72.27 / 2.54) * PT,
  mm: (7.227 / 2.54) * PT,
  in: 72.27 * PT,
  bp: (72.27 / 72) * PT,
};
const NUMBER = String.raw`[-+]?(?:\d+\.?\d*|\.\d+)\s*(pt|cm|mm|in|bp)?`;
const ALONG_AXES = new RegExp(String.raw`^\s*${NUMBER}\s*,\s*${NUMBER}\s*$`);
const POLAR = new RegExp(String.raw`^\s*[-+]?[\d.]+\s*:\s*${NUMBER}\s*$`);

/**
 * Lets a hand take a point whose coordinate is two plain numbers, with units or without, or an angle and
 * a radius: then the steps are those of the radius, across and up. Others are left alone.
 * @param at where the point lies in the picture, sp
 */
export function addHandle(reading: Reading, g: Graphics, written: Written, at: Point): void {
  const { words, span } = written;
  const found = span && (ALONG_AXES.exec(words) ?? POLAR.exec(words));
  if (!found) return;
  const [, first, second = found.length === 2 ? first : undefined] = found;
  const across = first === undefined ? g.x : { x: UNITS[first] ?? PT, y: 0 };
  const up = second === undefined ? g.y : { x: 0, y: UNITS[second] ?? PT };
  const linear = { ...g.map, e: 0, f: 0 };
  const [one, other] = [mapped(linear, across), mapped(linear, up)];
  const { from, to } = span;
  addMarks(
    reading,
    [
      {
        kind: 'handle',
        path: [
          { kind: 'move', to: at },
          { kind: 'line', to: plus(at, one) },
          { kind: 'line', to: plus(at, other) },
        ],
        from,
        to,
      },
    ],
    false,
  );
}
