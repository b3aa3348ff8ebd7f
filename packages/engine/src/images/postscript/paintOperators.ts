import { composed, growthOf, inverted, mapped, scaledTurned } from '../../base/maps';
import type { Paint } from '../../base/paint';
import { mappedPath, polyline, type Path } from '../../base/paths';
import type { Stroke } from '../../document/drawing';
import { filled, stroked } from '../../document/drawing';
import {
  call,
  change,
  draw,
  type Machine,
  newPath,
  numbersIn,
  type Operators,
  pathOf,
  pop,
  popArray,
  popDict,
  popNumber,
  popNumbers,
  popTruth,
  push,
} from './machine';
import { mapOf, popRectangles } from './pathOperators';
import { fromBase85, fromHex } from './scanner';
import { arrayOf, type DictValue, isKind, PostScriptError, type Value } from './values';

// ---- colours

const byte = (share: number): number => Math.round(255 * Math.min(1, Math.max(0, share)));
const rgb = (r: number, g: number, b: number): Paint =>
  byte(r) * 0x10000 + byte(g) * 0x100 + byte(b);

/** Grey, red green blue, or cyan magenta yellow black (Language Reference, 7.2). */
export function paintOf(components: readonly number[]): Paint {
  const [a = 0, b = 0, c = 0, d = 0] = components;
  if (components.length >= 4) return rgb(1 - a - d, 1 - b - d, 1 - c - d);
  return components.length === 3 ? rgb(a, b, c) : rgb(a, a, a);
}

const setColour = (it: Machine, components: readonly number[]): void =>
  change(it, { components, paint: paintOf(components) });

/** Hue, saturation, brightness, each from 0 to 1. */
function fromHsb([h = 0, s = 0, v = 0]: readonly number[]): number[] {
  const part = (n: number): number => {
    const k = (n + h * 6) % 6;
    return v - v * s * Math.max(0, Math.min(k, 4 - k, 1));
  };
  return [part(5), part(3), part(1)];
}

const COMPONENTS: Readonly<Record<string, number>> = {
  DeviceGray: 1,
  CalGray: 1,
  CIEBasedA: 1,
  DeviceRGB: 3,
  CalRGB: 3,
  CIEBasedABC: 3,
  DeviceCMYK: 4,
};

function setSpace(it: Machine): void {
  const given = pop(it);
  const space = isKind(given, 'array') ? given.items : [given];
  change(it, { space });
  setColour(
    it,
    componentsOf(space) === 4 ? [0, 0, 0, 1] : new Array<number>(componentsOf(space)).fill(0),
  );
}

const familyOf = (space: readonly Value[]): string => {
  const [family = null] = space;
  return isKind(family, 'name') ? family.name : '';
};
const componentsOf = (space: readonly Value[]): number => COMPONENTS[familyOf(space)] ?? 1;

/** A colour of the space in force; of others than plain ones, by what leads to a plain one. */
function setSpaceColour(it: Machine): void {
  const { space } = it.state;
  const family = familyOf(space);
  if (family === 'Pattern') throw new PostScriptError('undefined', 'a pattern');
  if (family === 'Separation' || family === 'DeviceN') {
    call(it, space[3] ?? null);
    const below = space[2] ?? null;
    const inner = isKind(below, 'array') ? below.items : [below];
    return setColour(it, popNumbers(it, componentsOf(inner)));
  }
  if (family === 'Indexed') return setColour(it, indexed(it, space, popNumber(it)));
  setColour(it, popNumbers(it, componentsOf(space)));
}

/** The colour of that number in a table. */
function indexed(it: Machine, space: readonly Value[], index: number): number[] {
  const [, below = null, , table = null] = space;
  const count = componentsOf(isKind(below, 'array') ? below.items : [below]);
  if (isKind(table, 'string'))
    return Array.from({ length: count }, (_, i) => table.text.charCodeAt(index * count + i) / 255);
  push(it, index);
  call(it, table);
  return popNumbers(it, count);
}

// ---- lines and areas

const CAPS = ['butt', 'round', 'square'] as const;
const JOINS = ['miter', 'round', 'bevel'] as const;
/** The thinnest line a device draws, in the default unit. */
const THINNEST = 0.1;

/** Strokes a path; where the coordinates are stretched, so is the pen. */
function stroke(it: Machine, path: Path): void {
  const { state } = it;
  const { ctm } = state;
  const even =
    Math.abs(ctm.a * ctm.c + ctm.b * ctm.d) < 1e-6 * growthOf(ctm) ** 2 &&
    Math.abs(Math.hypot(ctm.a, ctm.b) - Math.hypot(ctm.c, ctm.d)) < 1e-6 * growthOf(ctm);
  const scale = growthOf(ctm);
  if (scale === 0) return;
  // Where the pen is stretched, path and pen stand in units as large as those of the drawing.
  const sp = growthOf(it.base);
  const unit = even ? scale : sp;
  const thinnest = THINNEST * (even ? sp : (sp * sp) / scale);
  const pen: Stroke = {
    paint: state.paint,
    width: Math.max(thinnest, state.width * unit),
    cap: CAPS[state.cap] ?? 'butt',
    join: JOINS[state.join] ?? 'miter',
    miterLimit: Math.max(1, state.miterLimit),
    dash: state.dash.some((length) => length > 0) ? state.dash.map((length) => length * unit) : [],
    dashPhase: state.dashPhase * unit,
  };
  if (even) return draw(it, { kind: 'path', path, style: stroked(pen) });
  const map = composed(ctm, scaledTurned(1 / sp, 1 / sp, 0));
  const mark = {
    kind: 'path',
    path: mappedPath(path, inverted(map)),
    style: stroked(pen),
  } as const;
  draw(it, { kind: 'group', map, clip: null, marks: [mark] });
}

function fill(it: Machine, path: Path, evenOdd = false): void {
  draw(it, { kind: 'path', path, style: { ...filled(it.state.paint), evenOdd } });
}

function paintPath(it: Machine, paint: (path: Path) => void): void {
  const path = pathOf(it);
  if (path.length > 0) paint(path);
  change(it, newPath());
}

// ---- pictures of points

interface Raster {
  readonly width: number;
  readonly height: number;
  readonly bits: number;
  readonly matrix: readonly number[];
  readonly source: Value;
  /** Shares of each component at 0 and at the most. */
  readonly decode: readonly number[];
  readonly components: number;
}
/** Points that are drawn as rectangles; a photograph has more. */
const MOST_CELLS = 60_000;
const MOST_PIECES = 20_000;

/** The bytes of a picture, from a string or from what a procedure gives bit by bit. */
function bytesOf(it: Machine, source: Value, wanted: number): string {
  if (isKind(source, 'string')) return source.text;
  if (isKind(source, 'file')) {
    const { scanner } = it;
    const found = scanner.text.slice(scanner.at + 1, scanner.at + 1 + wanted);
    scanner.at += 1 + found.length;
    return found;
  }
  let out = '';
  while (out.length < wanted) {
    call(it, source);
    const part = pop(it);
    if (!isKind(part, 'string') || part.text === '') break;
    out += part.text;
  }
  return out;
}

/** Points side by side of one colour are one rectangle. */
function drawRaster(
  it: Machine,
  raster: Raster,
  paintFor: (components: number[]) => Paint | null,
): void {
  const { width, height, bits, matrix, components, decode } = raster;
  if (!(width > 0 && height > 0)) return;
  const rowBytes = Math.ceil((width * components * bits) / 8);
  if (width * height > MOST_CELLS) throw new PostScriptError('limitcheck', 'image');
  const data = bytesOf(it, raster.source, rowBytes * height);
  const back = inverted(mapOf(matrix));
  const most = 2 ** bits - 1;
  const sample = (row: number, i: number): number => {
    const at = i * bits;
    const value = data.charCodeAt(row * rowBytes + (at >> 3)) || 0;
    const shifted = bits === 8 ? value : (value >> (8 - bits - (at & 7))) & most;
    const [low = 0, high = 1] = decode.slice((i % components) * 2);
    return low + (shifted / most) * (high - low);
  };
  let pieces = 0;
  for (let row = 0; row < height; row++) {
    let from = 0;
    let before: Paint | null = null;
    for (let x = 0; x <= width; x++) {
      const paint =
        x < width
          ? paintFor(Array.from({ length: components }, (_, i) => sample(row, x * components + i)))
          : null;
      if (x > 0 && paint === before && x < width) continue;
      if (before !== null) {
        if (++pieces > MOST_PIECES) throw new PostScriptError('limitcheck', 'image');
        const corners = [[from, row], [x, row], [x, row + 1], [from, row + 1]] as const; // prettier-ignore
        const path = polyline(
          corners.map(([px, py]) => mapped(it.state.ctm, mapped(back, { x: px, y: py }))),
          true,
        );
        draw(it, { kind: 'path', path, style: filled(before) });
      }
      [from, before] = [x, paint];
    }
  }
}

const straight = (components: number): number[] =>
  Array.from({ length: 2 * components }, (_, i) => i % 2);

function rasterOfDict(it: Machine, { entries }: DictValue): Raster {
  const number = (key: string, otherwise: number): number => {
    const value = entries.get(`/${key}`);
    return typeof value === 'number' ? value : otherwise;
  };
  const list = (key: string): number[] => {
    const value = entries.get(`/${key}`) ?? null;
    return isKind(value, 'array') ? numbersIn(value) : [];
  };
  const components = Math.max(1, componentsOf(it.state.space));
  const decode = list('Decode');
  return {
    width: number('Width', 0),
    height: number('Height', 0),
    bits: number('BitsPerComponent', 1),
    matrix: list('ImageMatrix'),
    source: entries.get('/DataSource') ?? null,
    decode: decode.length > 0 ? decode : straight(components),
    components,
  };
}

function rasterOfStack(it: Machine, components: number, bits: number | null): Raster {
  const source = pop(it);
  const matrix = numbersIn(popArray(it));
  const depth = bits ?? popNumber(it);
  const [width = 0, height = 0] = popNumbers(it, 2);
  return { width, height, bits: depth, matrix, source, decode: straight(components), components };
}

function image(it: Machine): void {
  const top = it.operands.at(-1) ?? null;
  if (!isKind(top, 'dict')) return drawRaster(it, rasterOfStack(it, 1, null), paintOf);
  const { space } = it.state;
  const raster = rasterOfDict(it, popDict(it));
  const isTable = familyOf(space) === 'Indexed';
  drawRaster(it, raster, (components) =>
    isTable
      ? paintOf(indexed(it, space, Math.round((components[0] ?? 0) * (2 ** raster.bits - 1))))
      : paintOf(components),
  );
}

function colourImage(it: Machine): void {
  const components = popNumber(it);
  if (popTruth(it)) throw new PostScriptError('undefined', 'colorimage');
  drawRaster(it, rasterOfStack(it, components, null), paintOf);
}

/** Points of the present colour where the bits are those that paint. */
function imageMask(it: Machine): void {
  const top = it.operands.at(-1) ?? null;
  const { paint } = it.state;
  if (isKind(top, 'dict')) {
    const raster = { ...rasterOfDict(it, popDict(it)), bits: 1, components: 1 };
    return drawRaster(it, raster, ([value]) => (value === 0 ? paint : null));
  }
  const source = pop(it);
  const matrix = numbersIn(popArray(it));
  const ones = popTruth(it);
  const [width = 0, height = 0] = popNumbers(it, 2);
  const raster = { width, height, bits: 1, matrix, source, decode: [0, 1], components: 1 };
  drawRaster(it, raster, ([value]) => ((value === 1) === ones ? paint : null));
}

/** A filter on the file that is read: what it gives is found at once, up to its end. */
function filter(it: Machine): void {
  const name = pop(it);
  const kind = isKind(name, 'name') ? name.name : '';
  const source = pop(it);
  if (!isKind(source, 'file')) throw new PostScriptError('undefined', `filter ${kind}`);
  const { scanner } = it;
  const [mark, decode] =
    kind === 'ASCIIHexDecode'
      ? (['>', fromHex] as const)
      : kind === 'ASCII85Decode'
        ? (['~>', fromBase85] as const)
        : ([null, null] as const);
  if (!decode) throw new PostScriptError('undefined', `filter ${kind}`);
  const { text, at } = scanner;
  // What is drawn with it is told right behind: the data begin in the next line.
  const start = text.indexOf('\n', at) + 1 || text.length;
  const end = text.indexOf(mark, start);
  const until = end < 0 ? text.length : end;
  const command = text.slice(at, start);
  const bytes = decode(text.slice(start, until));
  push(it, { kind: 'string', text: bytes, executable: false });
  rewound(scanner, command, until + mark.length);
}

/** The rest of the line that asked for data is run before what stands behind the data. */
function rewound(scanner: Machine['scanner'], command: string, behind: number): void {
  scanner.text = command + scanner.text.slice(behind);
  scanner.at = 0;
}

/** Operators of colours and of what is painted (Language Reference, 8.1). */
export const PAINT_OPERATORS: Operators = new Map<string, (it: Machine) => void>([
  ['setgray', (it) => setColour(it, [popNumber(it)])],
  ['setrgbcolor', (it) => setColour(it, popNumbers(it, 3))],
  ['setcmykcolor', (it) => setColour(it, popNumbers(it, 4))],
  ['sethsbcolor', (it) => setColour(it, fromHsb(popNumbers(it, 3)))],
  ['setcolorspace', setSpace],
  ['setcolor', setSpaceColour],
  ['currentgray', (it) => push(it, greyOf(it))],
  ['currentrgbcolor', (it) => push(it, ...channels(it))],
  ['currentcmykcolor', (it) => push(it, ...channels(it).map((share) => 1 - share), 0)],
  ['currentcolor', (it) => push(it, ...it.state.components)],
  ['currentcolorspace', (it) => push(it, arrayOf([...it.state.space]))],

  ['fill', (it) => paintPath(it, (path) => fill(it, path))],
  ['eofill', (it) => paintPath(it, (path) => fill(it, path, true))],
  ['stroke', (it) => paintPath(it, (path) => stroke(it, path))],
  ['rectfill', (it) => fill(it, popRectangles(it))],
  ['rectstroke', (it) => stroke(it, popRectangles(it))],
  ['image', image],
  ['colorimage', colourImage],
  ['imagemask', imageMask],
  ['filter', filter],
]);

function channels({ state: { paint } }: Machine): number[] {
  return [16, 8, 0].map((shift) => ((paint >> shift) & 255) / 255);
}

/** Of a colour, how bright it is (Language Reference, 7.2.1). */
function greyOf(it: Machine): number {
  const [r = 0, g = 0, b = 0] = channels(it);
  return 0.3 * r + 0.59 * g + 0.11 * b;
}
