import { trimmed } from './optionLists';
import { blended } from '../../base/paint';
import { textOf } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import type { Interpreter } from '../machine/interpreter';
import { cellsBy } from '../../expansion/cells';

/** The names that every colour package knows (xcolor manual, section “Predefined colors”). */
const NAMED: Readonly<Record<string, number>> = {
  black: 0x000000,
  white: 0xffffff,
  red: 0xff0000,
  green: 0x00ff00,
  blue: 0x0000ff,
  cyan: 0x00ffff,
  magenta: 0xff00ff,
  yellow: 0xffff00,
  gray: 0x808080,
  darkgray: 0x404040,
  lightgray: 0xbfbfbf,
  brown: 0xbf8040,
  lime: 0xbfff00,
  olive: 0x808000,
  orange: 0xff8000,
  pink: 0xffbfbf,
  purple: 0xbf0040,
  teal: 0x008080,
  violet: 0x800080,
  ForestGreen: 0x009b55,
  NavyBlue: 0x006eb8,
  RoyalBlue: 0x0071bc,
  MidnightBlue: 0x006795,
  CornflowerBlue: 0x41b0e4,
  SkyBlue: 0x46c5dd,
  Blue: 0x2d2f92,
  Red: 0xed1b23,
  BrickRed: 0xb6321c,
  Maroon: 0xaf3235,
  Crimson: 0xdc143c,
  OrangeRed: 0xed135a,
  Orange: 0xf58137,
  BurntOrange: 0xf7921d,
  Goldenrod: 0xffdf42,
  Yellow: 0xfff200,
  Green: 0x00a64f,
  OliveGreen: 0x3c8031,
  SeaGreen: 0x3fbc9d,
  PineGreen: 0x008b72,
  Emerald: 0x00a99d,
  Teal: 0x00a99d,
  TealBlue: 0x00aeb3,
  Plum: 0x92268f,
  Purple: 0x99479b,
  Violet: 0x58429b,
  Magenta: 0xec008c,
  Brown: 0x792500,
  Gray: 0x949698,
  Black: 0x221e1f,
  DarkBlue: 0x00008b,
  darkblue: 0x00008b,
  darkgreen: 0x006400,
};

const fromParts = (parts: readonly number[], scale: number): number =>
  parts.reduce((sum, v) => (sum << 8) | Math.max(0, Math.min(255, Math.round(v * scale))), 0);

/** A colour in a model: rgb, RGB, HTML, gray, cmyk. */
export function modelled(model: string, values: string): number {
  if (model === 'HTML') return parseInt(values, 16) || 0;
  const parts = values.split(',').map((v) => parseFloat(v) || 0);
  if (model === 'RGB') return fromParts(parts, 1);
  if (model === 'gray') return fromParts([parts[0] ?? 0, parts[0] ?? 0, parts[0] ?? 0], 255);
  if (model === 'cmyk') {
    const [c = 0, m = 0, y = 0, k = 0] = parts;
    return fromParts([1 - Math.min(1, c + k), 1 - Math.min(1, m + k), 1 - Math.min(1, y + k)], 255);
  }
  return fromParts(parts, 255);
}

/** Colours that the document defines, by name. */
export const definedColour = cellsBy<number | null>('colour', null);

/** A name or a mix such as `blue!60!black`. */
export function colourOf(
  it: Interpreter,
  model: readonly Token[] | null,
  value: readonly Token[],
): number {
  const text = textOf(it.p, value);
  if (model) return modelled(textOf(it.p, model), text);
  const parts = text.split('!');
  const named = (name: string): number =>
    it.read(definedColour(name.trim())) ?? NAMED[name.trim()] ?? 0;
  let colour = named(parts[0] ?? 'black');
  for (let i = 1; i < parts.length; i += 2) {
    colour = blended(
      colour,
      named(parts[i + 1] ?? 'white'),
      (parseFloat(parts[i] ?? '100') || 0) / 100,
    );
  }
  return colour;
}

/** Does a text name a colour, or a mix of them? */
export function isColour(it: Interpreter, text: string): boolean {
  const parts = text.split('!');
  const isName = (name: string): boolean =>
    name in NAMED || it.read(definedColour(name)) !== null || name === '.';
  return parts.every((part, i) => {
    const name = part.trim();
    return i % 2 === 0 ? isName(name) || (i > 0 && name === '') : /^[\d.]*$/.test(name);
  });
}

/** The colour that `\color[model]{…}` or a name alone gives, or null where nothing is said. */
export function colourSaid(it: Interpreter, tokens: readonly Token[] | undefined): number | null {
  if (!tokens || tokens.length === 0) return null;
  const rest = tokens.slice(tokens.findIndex(({ text }) => text === 'color') + 1);
  const end = rest[0]?.text === '[' ? rest.findIndex(({ text }) => text === ']') : -1;
  return colourOf(it, end > 0 ? rest.slice(1, end) : null, trimmed(rest.slice(end + 1)));
}
