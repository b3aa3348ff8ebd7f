import type { Point } from '../base/maps';
import { PT } from '../base/lengths';
import { arcSegments, polyline, type Path, type Segment } from '../base/paths';
import { lengthOf, minus, plus, polar, times, unit } from './vectors';
import {
  around,
  boxSize,
  circleRadius,
  outlined,
  polygon,
  round,
  said,
  turnedShape,
  type Maker,
  type Room,
  type Shape,
} from './shapeParts';

/**
 * Shapes of the library “shapes.geometric”. Sizes and places of anchors are those that the manual
 * describes: a shape is as large as the text with its separation needs, grows to its least size, and
 * is turned by quarters (`shape border rotate`). For what points somewhere, “height” runs that way.
 */

const tan = (degrees: number): number => Math.tan((degrees * Math.PI) / 180);
const cot = (degrees: number): number =>
  Math.abs(degrees % 180) === 90 ? 0 : 1 / tan(degrees === 0 ? 1 : degrees);

const named = (names: readonly string[], points: readonly Point[]): Record<string, Point> =>
  Object.fromEntries(names.map((name, i) => [name, points[i] ?? { x: 0, y: 0 }]));

/** Corners grown evenly until they are as wide and high as they must be. */
function grown(corners: readonly Point[], least: Point): readonly Point[] {
  const [xs, ys] = [corners.map(({ x }) => x), corners.map(({ y }) => y)];
  const width = Math.max(...xs) - Math.min(...xs);
  const height = Math.max(...ys) - Math.min(...ys);
  const by = Math.max(1, least.x / (width || 1), least.y / (height || 1));
  return by === 1 ? corners : corners.map((corner) => times(corner, by));
}

const trapezium: Maker = (outer) =>
  turnedShape(outer, (room) => {
    const both = said(room, 'trapezium angle', 60);
    const [left, right] = ['left', 'right'].map((side) =>
      cot(said(room, `trapezium ${side} angle`, both)),
    ) as [number, number];
    let { halfWidth: w, halfHeight: h } = room;
    const stretchesBody = said(room, 'trapezium stretches body', 0) === 1;
    const stretches = said(room, 'trapezium stretches', 0) === 1;
    let [a, b] = [2 * h * left, 2 * h * right];
    const whole = (): number => 2 * w + Math.abs(a) + Math.abs(b);
    if (stretches || stretchesBody) {
      const higher = Math.max(h, room.minHeight / 2);
      // Its sides keep their angles, or how far they lean.
      if (stretchesBody) [a, b] = [(a * higher) / h, (b * higher) / h];
      h = higher;
      const lacks = room.minWidth - whole();
      if (lacks > 0 && stretchesBody) w += lacks / 2;
      else if (lacks > 0) {
        const by = room.minWidth / whole();
        [w, a, b] = [w * by, a * by, b * by];
      }
    }
    const corners = grown(
      [
        { x: -w - Math.max(a, 0), y: -h },
        { x: -w + Math.min(a, 0), y: h },
        { x: w - Math.min(b, 0), y: h },
        { x: w + Math.max(b, 0), y: -h },
      ],
      { x: room.minWidth, y: room.minHeight },
    );
    const [lowLeft, highLeft, highRight, lowRight] = corners as [Point, Point, Point, Point];
    const middle = (p: Point, q: Point): Point => times(plus(p, q), 0.5);
    return polygon(room, [lowRight, highRight, highLeft, lowLeft], {
      'bottom left corner': lowLeft,
      'top left corner': highLeft,
      'top right corner': highRight,
      'bottom right corner': lowRight,
      'left side': middle(lowLeft, highLeft),
      'right side': middle(lowRight, highRight),
      'top side': middle(highLeft, highRight),
      'bottom side': middle(lowLeft, lowRight),
    });
  });

/** Points to the right; its sides touch the corners of the text. */
const triangle: Maker = (outer) =>
  turnedShape(outer, (room) => {
    const half = said(room, 'isosceles triangle apex angle', 45) / 2;
    const stretches = said(room, 'isosceles triangle stretches', 0) === 1;
    const { halfWidth: w, halfHeight: h } = room;
    let tip = w + h * cot(half);
    let base = (tip + w) * tan(half);
    let back = -w;
    const [high, wide] = [tip - back, 2 * base];
    if (stretches) {
      tip = Math.max(tip, back + room.minHeight);
      base = Math.max(base, room.minWidth / 2);
    } else {
      const by = Math.max(1, room.minHeight / high, room.minWidth / wide);
      [tip, base, back] = [tip * by, base * by, back * by];
    }
    const corners = [
      { x: tip, y: 0 },
      { x: back, y: base },
      { x: back, y: -base },
    ];
    const [apex, leftCorner, rightCorner] = corners as [Point, Point, Point];
    return polygon(room, corners, {
      apex,
      'left corner': leftCorner,
      'right corner': rightCorner,
      'lower side': { x: back, y: 0 },
      'left side': times(plus(apex, leftCorner), 0.5),
      'right side': times(plus(apex, rightCorner), 0.5),
    });
  });

const kite: Maker = (outer) =>
  turnedShape(outer, (room) => {
    const [upper, lower] = [
      said(room, 'kite upper vertex angle', said(room, 'kite vertex angles', 120)) / 2,
      said(room, 'kite lower vertex angle', said(room, 'kite vertex angles', 60)) / 2,
    ];
    const { halfWidth: w, halfHeight: h } = room;
    const [top, bottom] = [h + w * cot(upper), h + w * cot(lower)];
    const y = (top * tan(upper) - bottom * tan(lower)) / (tan(upper) + tan(lower));
    const x = (top - y) * tan(upper);
    const corners = grown(
      [
        { x, y },
        { x: 0, y: top },
        { x: -x, y },
        { x: 0, y: -bottom },
      ],
      { x: room.minWidth, y: room.minHeight },
    );
    return polygon(
      room,
      corners,
      named(['right vertex', 'upper vertex', 'left vertex', 'lower vertex'], corners),
    );
  });

const dart: Maker = (outer) =>
  turnedShape(outer, (room) => {
    const tip = said(room, 'dart tip angle', 45) / 2;
    const tail = said(room, 'dart tail angle', 135) / 2;
    const { halfWidth: w, halfHeight: h } = room;
    const point = w + h * cot(tip);
    // Where a side from the tip meets one from the hollow behind the text.
    const y = (point + w) / (cot(tip) - cot(tail));
    const corners = grown(
      [
        { x: point, y: 0 },
        { x: point - y * cot(tip), y },
        { x: -w, y: 0 },
        { x: point - y * cot(tip), y: -y },
      ],
      { x: room.minHeight, y: room.minWidth },
    );
    return polygon(
      room,
      corners,
      named(['tip', 'left tail', 'tail center', 'right tail'], corners),
    );
  });

const regularPolygon: Maker = (room) => {
  const { sides, turn } = room;
  const inner = Math.SQRT2 * Math.max(room.halfWidth, room.halfHeight);
  const least = Math.max(room.minWidth, room.minHeight) / 2;
  const radius = Math.max(inner / Math.cos(Math.PI / sides), least);
  // A side lies below, unless it is turned.
  const first = turn + (sides % 2 === 1 ? 90 : 90 - 180 / sides);
  const corners = around(sides, (i) => polar(first + (360 * i) / sides, radius));
  const corner = corners.map((at, i): [string, Point] => [`corner ${i + 1}`, at]);
  const side = corners.map((at, i): [string, Point] => [
    `side ${i + 1}`,
    times(plus(at, corners[(i + 1) % sides] as Point), 0.5),
  ]);
  return polygon(room, corners, Object.fromEntries([...corner, ...side]));
};

const star: Maker = (room) => {
  const { sides, turn } = room;
  const height = room.keys['star point height'];
  const ratio = Math.max(1.01, said(room, 'star point ratio', 1.5));
  let inner = Math.SQRT2 * Math.max(room.halfWidth, room.halfHeight);
  let outer = height === undefined ? inner * ratio : inner + height;
  const least = Math.max(room.minWidth, room.minHeight) / 2;
  if (outer < least) {
    outer = least;
    inner = height === undefined ? outer / ratio : Math.max(outer - height, outer / 50);
  }
  const corners = around(2 * sides, (i) =>
    polar(turn + 90 + (180 * i) / sides, i % 2 === 0 ? outer : inner),
  );
  const points = corners.map((at, i): [string, Point] => [
    `${i % 2 === 0 ? 'outer' : 'inner'} point ${Math.floor(i / 2) + 1}`,
    at,
  ]);
  return polygon(room, corners, Object.fromEntries(points));
};

/** Half a circle over its chord. */
const semicircle: Maker = (outer) =>
  turnedShape(outer, (room) => {
    const { halfWidth: w, halfHeight: h } = room;
    const needs = Math.hypot(w, 2 * h);
    const radius = Math.max(needs, room.minWidth / 2, room.minHeight);
    const chord = -h * (radius / (needs || 1));
    const centre = { x: 0, y: chord };
    const path: Path = [
      { kind: 'move', to: { x: radius, y: chord } },
      ...arcSegments(centre, radius, radius, 0, 180),
      { kind: 'close' },
    ];
    return outlined(room, path, {
      apex: { x: 0, y: chord + radius },
      'arc start': { x: radius, y: chord },
      'arc end': { x: -radius, y: chord },
      'chord center': centre,
    });
  });

/** Lies on its side, its lid at the right. */
const cylinder: Maker = (outer) =>
  turnedShape(outer, (room) => {
    const { halfWidth: w, halfHeight: h, ratio } = room;
    const ry = Math.max(h, room.minWidth / 2);
    const rx = ry * ratio;
    // The text stands between the foot's line and the near side of the lid.
    const more = Math.max(0, room.minHeight - 2 * w - 3 * rx) / 2;
    const [foot, lid] = [-w - more, w + rx + more];
    const [f, l] = [
      { x: foot, y: 0 },
      { x: lid, y: 0 },
    ];
    const at = (x: number, y: number): Point => ({ x, y });
    const outline: Path = [
      { kind: 'move', to: at(lid, -ry) },
      ...arcSegments(l, rx, ry, -90, 90),
      { kind: 'line', to: at(foot, ry) },
      ...arcSegments(f, rx, ry, 90, 270),
      { kind: 'close' },
    ];
    const rim: Path = [{ kind: 'move', to: at(lid, ry) }, ...arcSegments(l, rx, ry, 90, 270)];
    const shape = outlined(room, outline, {
      'shape center': at((foot + lid) / 2, 0),
      'before top': at(lid, -ry),
      top: at(lid + rx, 0),
      'after top': at(lid, ry),
      'before bottom': at(foot, ry),
      bottom: at(foot - rx, 0),
      'after bottom': at(foot, -ry),
    });
    return { ...shape, lines: rim };
  });

/** Puffs of so many degrees on an ellipse around the text, of even width. */
const cloud: Maker = (room) => {
  const puffs = Math.max(2, Math.round(said(room, 'cloud puffs', 10)));
  const arc = Math.min(350, Math.max(10, said(room, 'cloud puff arc', 135)));
  // How far a puff stands out of its chord, in the length of that.
  const bulge = tan(arc / 4) / 2;
  let [w, h] = [Math.SQRT2 * room.halfWidth, Math.SQRT2 * room.halfHeight];
  let points = evenly(w, h, puffs);
  const out = (): number =>
    bulge *
    Math.max(...points.map((at, i) => lengthOf(minus(points[(i + 1) % puffs] as Point, at))));
  // Larger puffs stand out further: the ellipse is found in a few steps.
  for (let i = 0; i < 6; i++) {
    [w, h] = [Math.max(w, room.minWidth / 2 - out()), Math.max(h, room.minHeight / 2 - out())];
    points = evenly(w, h, puffs);
  }
  const path: Segment[] = [{ kind: 'move', to: points[0] as Point }];
  const tops: [string, Point][] = [];
  points.forEach((at, i) => {
    const to = points[(i + 1) % puffs] as Point;
    const curves = puff(at, to, arc);
    path.push(...curves);
    const middle = curves[Math.floor((curves.length - 1) / 2)];
    if (middle && middle.kind !== 'close') tops.push([`puff ${i + 1}`, middle.to]);
  });
  const shape = round(room, w + out(), h + out());
  return {
    ...shape,
    outline: [...path, { kind: 'close' }],
    anchors: { ...shape.anchors, ...Object.fromEntries(tops) },
  };
};

/** Points on an ellipse, from near its top against the clock, as far from one another along it. */
function evenly(rx: number, ry: number, count: number): Point[] {
  const steps = 360;
  const angle = (i: number): number => 90 - 180 / count + (360 * i) / steps;
  const lengths = [0];
  for (let i = 1; i <= steps; i++) {
    const piece = lengthOf(minus(polar(angle(i), rx, ry), polar(angle(i - 1), rx, ry)));
    lengths.push((lengths[i - 1] as number) + piece);
  }
  const whole = lengths[steps] as number;
  return around(count, (k) => {
    const at = lengths.findIndex((length) => length >= (whole * k) / count - 1e-6);
    return polar(angle(Math.max(0, at)), rx, ry);
  });
}

/** An arc from one point to another that bulges to the right of the way. */
function puff(from: Point, to: Point, arc: number): Segment[] {
  const chord = minus(to, from);
  const length = lengthOf(chord);
  if (length < 1e-6) return [{ kind: 'line', to }];
  const half = (arc / 2) * (Math.PI / 180);
  const radius = length / 2 / Math.sin(half);
  const along = unit(chord);
  const outwards = { x: along.y, y: -along.x };
  const centre = plus(plus(from, times(chord, 0.5)), times(outwards, -radius * Math.cos(half)));
  const start = (Math.atan2(from.y - centre.y, from.x - centre.x) * 180) / Math.PI;
  return arcSegments(centre, radius, radius, start, start + arc);
}

/** A circle with a handle below at the right, as long again as it says. */
const magnifyingGlass: Maker = (room) => {
  const radius = circleRadius(room);
  const angle = said(room, 'magnifying glass handle angle', -45);
  const reach = said(room, 'magnifying glass handle aspect', 1.5);
  const shape = round(room, radius, radius);
  return { ...shape, lines: polyline([polar(angle, radius), polar(angle, radius * (1 + reach))]) };
};

/** The upper and the lower edge are waves. */
const tape: Maker = (room) => {
  const { x, y } = boxSize(room);
  const bend = said(room, 'tape bend height', 5 * PT) / 2;
  const edge = (from: number, to: number, level: number): Segment[] => {
    const by = (to - from) / 4;
    const wave = (a: number, b: number, side: number): Segment => ({
      kind: 'curve',
      from: { x: a + by * 0.7, y: level + side * bend },
      into: { x: b - by * 0.7, y: level + side * bend },
      to: { x: b, y: level },
    });
    return [wave(from, from + 2 * by, 1), wave(from + 2 * by, to, -1)];
  };
  const high = y + bend / 2;
  return outlined(room, [
    { kind: 'move', to: { x: -x, y: high } },
    ...edge(-x, x, high),
    { kind: 'line', to: { x, y: -high } },
    ...edge(x, -x, -high),
    { kind: 'close' },
  ]);
};

/** A circle, an ellipse or a diamond with a line through its middle: its parts stand above and below. */
const withLine = (shape: Shape, reach: number, slope = 0): Shape => ({
  ...shape,
  lines: polyline([polar(180 + slope, reach), polar(slope, reach)]),
});

export const GEOMETRIC_SHAPES = {
  'regular polygon': regularPolygon,
  star,
  trapezium,
  'isosceles triangle': triangle,
  kite,
  dart,
  semicircle,
  cylinder,
  cloud,
  'magnifying glass': magnifyingGlass,
  tape,
  'circle split': (room: Room) => {
    const radius = circleRadius(room);
    return withLine(round(room, radius, radius), radius);
  },
  'circle solidus': (room: Room) => {
    const radius = circleRadius(room);
    return withLine(round(room, radius, radius), radius, 45);
  },
  'ellipse split': (room: Room) => {
    const rx = Math.max(Math.SQRT2 * room.halfWidth, room.minWidth / 2);
    const ry = Math.max(Math.SQRT2 * room.halfHeight, room.minHeight / 2);
    return withLine(round(room, rx, ry), rx);
  },
  'forbidden sign': (room: Room) => {
    const radius = circleRadius(room);
    return withLine(round(room, radius, radius), radius, 45);
  },
} satisfies Record<string, Maker>;
