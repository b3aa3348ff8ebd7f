import { create } from 'fontkit';
import { readFileSync } from 'node:fs';
import { vocabulary } from '@odd-compass/engine';
import { describe, expect, it } from 'vitest';
import { mostLike, shapeOfPicture, shapeOfStrokes, type Point, type Shape } from './recognise';
import { signsOf } from './symbols';

const font = create(readFileSync('static/fonts/latinmodern-math.otf')) as unknown as {
  glyphForCodePoint(code: number): { path: { commands: Command[] } };
};
interface Command {
  readonly command: string;
  readonly args: readonly number[];
}

/** The outline of a glyph as polygons. */
function polygonsOf(commands: readonly Command[]): Point[][] {
  const out: Point[][] = [];
  let at: Point = { x: 0, y: 0 };
  for (const { command, args } of commands) {
    const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0] = args;
    if (command === 'moveTo') out.push([(at = { x: a, y: -b })]);
    else if (command === 'lineTo') out.at(-1)?.push((at = { x: a, y: -b }));
    else if (command === 'bezierCurveTo') {
      const from = at;
      for (let i = 1; i <= 8; i++) {
        const [t, s] = [i / 8, 1 - i / 8];
        out.at(-1)?.push({
          x: s ** 3 * from.x + 3 * s * s * t * a + 3 * s * t * t * c + t ** 3 * e,
          y: s ** 3 * from.y - 3 * s * s * t * b - 3 * s * t * t * d - t ** 3 * f,
        });
      }
      at = { x: e, y: -f };
    }
  }
  return out;
}

/** Is a point inside, by how often a line from it crosses the outline? */
function inside(polygons: readonly Point[][], x: number, y: number): boolean {
  let winding = 0;
  for (const polygon of polygons)
    polygon.forEach((p, i) => {
      const q = polygon[(i + 1) % polygon.length] as Point;
      if (p.y <= y === q.y <= y) return;
      const crossing = p.x + ((y - p.y) / (q.y - p.y)) * (q.x - p.x);
      if (crossing > x) winding += q.y > p.y ? 1 : -1;
    });
  return winding !== 0;
}

function glyphShape(sign: string): Shape | null {
  const polygons = polygonsOf(font.glyphForCodePoint(sign.codePointAt(0) ?? 0).path.commands);
  const points = polygons.flat();
  if (points.length === 0) return null;
  const [left, top] = [Math.min(...points.map((p) => p.x)), Math.min(...points.map((p) => p.y))];
  const [right, bottom] = [
    Math.max(...points.map((p) => p.x)),
    Math.max(...points.map((p) => p.y)),
  ];
  const step = Math.max(right - left, bottom - top) / 60;
  return shapeOfPicture(
    (x, y) => (inside(polygons, left + (x + 0.5) * step, top + (y + 0.5) * step) ? 255 : 0),
    Math.ceil((right - left) / step) + 1,
    Math.ceil((bottom - top) / step) + 1,
  );
}

const known = signsOf(vocabulary())
  .filter(({ sign }) => [...sign].length === 1)
  .flatMap(({ sign }) => {
    const shape = glyphShape(sign);
    return shape ? [{ shape, of: sign }] : [];
  });

const arc = (x: number, y: number, rx: number, ry: number, from: number, to: number): Point[] =>
  Array.from({ length: 20 }, (_, i) => {
    const angle = ((from + ((to - from) * i) / 19) * Math.PI) / 180;
    return { x: x + rx * Math.cos(angle), y: y + ry * Math.sin(angle) };
  });
const line = (...at: readonly (readonly [number, number])[]): Point[] =>
  at.map(([x, y]) => ({ x, y }));

/** Signs as a hand may draw them, y downwards. */
const DRAWN: Readonly<Record<string, Point[][]>> = {
  '∪': [[...line([0, 0]), ...arc(25, 30, 25, 25, 180, 0), ...line([51, 2])]],
  '∩': [[...line([0, 60]), ...arc(25, 25, 25, 25, 180, 360), ...line([50, 58])]],
  '∈': [
    [...line([50, 3]), ...arc(26, 28, 26, 27, 270, 90), ...line([52, 54])],
    line([1, 28], [48, 29]),
  ],
  '⊂': [[...line([60, 1]), ...arc(27, 28, 27, 27, 270, 90), ...line([61, 55])]],
  '∀': [line([0, 0], [28, 62], [55, 1]), line([11, 23], [45, 24])],
  '∃': [line([2, 1], [40, 0], [41, 60], [0, 61]), line([4, 30], [40, 30])],
  '→': [line([0, 20], [90, 21]), line([70, 5], [91, 21], [71, 38])],
  '≤': [line([50, 0], [2, 20], [51, 40]), line([1, 58], [52, 57])],
  '∞': [[...arc(20, 20, 20, 16, 0, 360), ...arc(58, 20, 20, 16, 180, 540)]],
  '⊥': [line([0, 60], [60, 61]), line([30, 0], [31, 60])],
  '∫': [[...arc(38, 10, 10, 9, 330, 180), ...line([20, 78]), ...arc(10, 80, 10, 9, 0, 140)]],
  '∑': [line([55, 8], [54, 0], [0, 1], [32, 33], [1, 66], [55, 67], [57, 58])],
  '×': [line([0, 0], [40, 41]), line([41, 0], [1, 40])],
};

describe('a drawn symbol', () => {
  it('is compared with the shapes of some hundreds of glyphs', () =>
    expect(known.length).toBeGreaterThan(250));
  it.each(Object.entries(DRAWN))('%s is among the first eight', (sign, strokes) => {
    const drawn = shapeOfStrokes(strokes) as Shape;
    expect(mostLike(drawn, known, 8)).toContain(sign);
  });
  it('may be drawn of any size, at any place', () => {
    const strokes = DRAWN['∈'] ?? [];
    const moved = strokes.map((s) => s.map(({ x, y }) => ({ x: 3 * x + 200, y: 3 * y - 90 })));
    expect(mostLike(shapeOfStrokes(moved) as Shape, known, 8)).toEqual(
      mostLike(shapeOfStrokes(strokes) as Shape, known, 8),
    );
  });
  it('that is empty is nothing', () => {
    expect(shapeOfStrokes([])).toBeNull();
    expect(shapeOfPicture(() => 0, 10, 10)).toBeNull();
  });
});
