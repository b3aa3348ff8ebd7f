import type { Point } from '../../base/maps';
import type { Path } from '../../base/paths';
import type { Mark } from '../../document/drawing';
import type { Room, Shape } from '../../drawing/shapes';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { NodeText } from './nodes';

/** The parts of a node's text (`rectangle split`): where they meet, and the middle of each, from the middle of all. */
export interface Parts {
  readonly way: 'down' | 'across';
  /** From the top down, or from the left on, sp. */
  readonly edges: readonly number[];
  readonly size: number;
}

/** The text cut at `\nodepart{…}`. */
export function partsOf(tokens: readonly Token[]): Token[][] {
  const parts: Token[][] = [[]];
  let depth = 0;
  for (let i = 0; i < tokens.length; i++) {
    const token = tokens[i] as Token;
    if (token.cat === Cat.Begin) depth++;
    else if (token.cat === Cat.End) depth--;
    if (depth !== 0 || token.cat !== Cat.Command || token.text !== 'nodepart') {
      parts.at(-1)?.push(token);
      continue;
    }
    parts.push([]);
    while (i + 1 < tokens.length && tokens[++i]?.cat !== Cat.End);
  }
  return parts;
}

/** Parts that were set, put together with room between them. */
export function inParts(
  parts: readonly NodeText[],
  way: Parts['way'],
  gap: Point,
  align: string | null,
): NodeText {
  const width = (part: NodeText): number => part.width;
  const tall = (part: NodeText): number => part.height + part.depth;
  const size = way === 'down' ? tall : width;
  const between = way === 'down' ? gap.y : gap.x;
  const edges: number[] = [];
  const starts: number[] = [];
  let at = 0;
  parts.forEach((part, i) => {
    if (i > 0) {
      edges.push(at + between / 2);
      at += between;
    }
    starts.push(at);
    at += size(part);
  });
  const whole = at;
  const across = Math.max(...parts.map(width));
  const height = Math.max(...parts.map((part) => part.height));
  const depth = Math.max(...parts.map((part) => part.depth));
  const share = align === 'left' ? 0 : align === 'right' ? 1 : 0.5;
  const first = parts[0]?.height ?? 0;
  const marks = (corner: Point): Mark[] =>
    parts.flatMap((part, i) =>
      part.marks(
        way === 'down'
          ? {
              x: corner.x + share * (across - part.width),
              y: corner.y + first - (starts[i] ?? 0) - part.height,
            }
          : { x: corner.x + (starts[i] ?? 0), y: corner.y },
      ),
    );
  return way === 'down'
    ? {
        marks,
        width: across,
        height: first,
        depth: whole - first,
        parts: { way, edges, size: whole },
      }
    : { marks, width: whole, height, depth, parts: { way, edges, size: whole } };
}

/** The two halves of a text, one above the middle and one below; beside one another where a line slants between them. */
export function inHalves(parts: readonly NodeText[], gap: Point, slants: boolean): NodeText {
  const [upper, lower] = parts;
  const tall = (part: NodeText | undefined): number => (part ? part.height + part.depth : 0);
  const half = gap.y / 2 + Math.max(tall(upper), tall(lower));
  const widths = [upper?.width ?? 0, lower?.width ?? 0] as const;
  const width = slants ? widths[0] + widths[1] + gap.x : Math.max(...widths);
  const x = (i: 0 | 1): number => (slants ? i * (width - widths[1]) : (width - widths[i]) / 2);
  return {
    width,
    height: half,
    depth: half,
    marks: (at) => [
      ...(upper?.marks({ x: at.x + x(0), y: at.y + gap.y / 2 + upper.depth }) ?? []),
      ...(lower?.marks({ x: at.x + x(1), y: at.y - gap.y / 2 - lower.height }) ?? []),
    ],
  };
}

const NAMES = ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];

/** A box with the lines between its parts, and anchors in each: `two`, `two south`. */
export function withParts(shape: Shape, { way, edges, size }: Parts, room: Room): Shape {
  const [x, y] = [
    Math.max(room.halfWidth, room.minWidth / 2),
    Math.max(room.halfHeight, room.minHeight / 2),
  ];
  const places = edges.map((edge) => (way === 'down' ? size / 2 - edge : edge - size / 2));
  const lines = places.flatMap((place): Path =>
    way === 'down'
      ? [
          { kind: 'move', to: { x: -x, y: place } },
          { kind: 'line', to: { x, y: place } },
        ]
      : [
          { kind: 'move', to: { x: place, y: -y } },
          { kind: 'line', to: { x: place, y } },
        ],
  );
  const bounds = way === 'down' ? [y, ...places, -y] : [-x, ...places, x];
  const anchors = bounds.slice(1).flatMap((end, i): [string, Point][] => {
    const start = bounds[i] ?? 0;
    const middle = (start + end) / 2;
    const name = NAMES[i] ?? String(i + 1);
    const [centre, north, south, west, east] =
      way === 'down'
        ? [
            { x: 0, y: middle },
            { x: 0, y: start },
            { x: 0, y: end },
            { x: -x, y: middle },
            { x, y: middle },
          ]
        : [
            { x: middle, y: 0 },
            { x: middle, y },
            { x: middle, y: -y },
            { x: start, y: 0 },
            { x: end, y: 0 },
          ];
    return [
      [name, centre],
      [`${name} north`, north],
      [`${name} south`, south],
      [`${name} west`, west],
      [`${name} east`, east],
    ];
  });
  return { ...shape, lines, anchors: { ...shape.anchors, ...Object.fromEntries(anchors) } };
}
