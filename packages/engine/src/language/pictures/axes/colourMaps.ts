import { colourOf } from '../../scanning/colours';
import type { Interpreter } from '../../machine/interpreter';

/** A map of colours: where each stands, from 0 to 1, in order. */
export type ColourMap = readonly (readonly [at: number, colour: number])[];

const evenly = (...colours: readonly number[]): ColourMap =>
  colours.map((colour, i) => [i / (colours.length - 1), colour]);

/** The maps by their names (pgfplots manual, sections 4.7.6 and 5.2). */
const NAMED: Readonly<Record<string, ColourMap>> = {
  hot: evenly(0x0000ff, 0xffff00, 0xff8000, 0xff0000),
  hot2: [
    [0, 0],
    [3 / 8, 0xff0000],
    [6 / 8, 0xffff00],
    [1, 0xffffff],
  ],
  jet: [
    [0, 0x000080],
    [1 / 8, 0x0000ff],
    [3 / 8, 0x00ffff],
    [5 / 8, 0xffff00],
    [7 / 8, 0xff0000],
    [1, 0x800000],
  ],
  blackwhite: evenly(0, 0xffffff),
  bluered: evenly(0x0000b4, 0x00ffff, 0x64ff00, 0xffff00, 0xff0000, 0x800000),
  cool: evenly(0xffffff, 0x0080ff, 0xff00ff),
  greenyellow: evenly(0x008000, 0xffff00),
  redyellow: evenly(0xff0000, 0xffff00),
  violet: evenly(0x19197a, 0xffffff, 0xee8cee),
  viridis: evenly(
    0x440154,
    0x482878,
    0x3e4a89,
    0x31688e,
    0x26828e,
    0x1f9e89,
    0x35b779,
    0x6dcd59,
    0xb4de2c,
    0xfde725,
  ),
  spring: evenly(0xff00ff, 0xffff00),
  summer: evenly(0x008066, 0xffff66),
  autumn: evenly(0xff0000, 0xffff00),
  winter: evenly(0x0000ff, 0x00ff80),
  gray: evenly(0, 0xffffff),
  copper: evenly(0, 0xffc77f),
};
export const HOT = NAMED.hot as ColourMap;

/** A map by its name; null when there is none. */
export const namedMap = (name: string): ColourMap | null =>
  NAMED[name.trim().replace(/^viridis.*/, 'viridis')] ?? null;

/** `rgb255(0cm)=(0,0,255); color(1cm)=(yellow)`: colours at their places, or evenly where none are said. */
export function readMap(it: Interpreter, text: string): ColourMap | null {
  const found = [
    ...text.matchAll(
      /(rgb255|rgb|gray|color|cmyk)\s*(?:\(([\d.]+)\s*(?:cm|pt)?\))?\s*=\s*\(([^)]*)\)/g,
    ),
  ];
  if (found.length < 2) return null;
  const last = parseFloat(found.at(-1)?.[2] ?? '') || found.length - 1;
  return found.map(([, model = 'rgb', at, values = ''], i) => {
    const colour =
      model === 'color'
        ? colourOf(it, null, it.p.chars(values))
        : colourOf(it, it.p.chars(model === 'rgb255' ? 'RGB' : model), it.p.chars(values));
    return [(at === undefined ? i : parseFloat(at)) / last, colour];
  });
}

/** A share from 0 to 1 as a colour of the map. */
export function mappedColour(map: ColourMap, share: number): number {
  const at = Math.min(1, Math.max(0, share));
  const i = Math.max(
    1,
    map.findIndex(([place]) => place >= at),
  );
  const [from, a] = map[i - 1] ?? [0, 0];
  const [to, b] = map[i] ?? [1, 0];
  const part = (shift: number): number => {
    const [low, high] = [(a >> shift) & 255, (b >> shift) & 255];
    return Math.round(low + ((high - low) * (at - from)) / (to - from || 1)) << shift;
  };
  return part(16) | part(8) | part(0);
}
