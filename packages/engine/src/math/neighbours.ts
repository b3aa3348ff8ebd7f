import { PT, type Sp } from '../base/lengths';
import type { MathNode, SymbolNode } from '../document/math';
import { MATH_ITALIC_KERNS } from '../fonts/computerModern/kerns';
import { designFor, unitOf } from '../fonts/computerModern/sizes';
import type { Atom } from './atom';
import { sizeOf, textFont, type MathContext, type TextFamily } from './context';

/** The families of fonts in which characters of one kind stand: those of text, and the letters of mathematics. */
type Family = TextFamily | 'letters';

/** A character by its family, as it is called in that. */
interface Letter {
  readonly family: Family;
  readonly char: string;
}

/** Ranges of letters: where they start, how many, their family and their first one there. */
const RANGES: readonly (readonly [from: number, count: number, family: Family, first: string])[] = [
  [0x41, 26, 'roman', 'A'],
  [0x61, 26, 'roman', 'a'],
  [0x1d400, 26, 'bold', 'A'],
  [0x1d41a, 26, 'bold', 'a'],
  [0x1d434, 26, 'letters', 'A'],
  [0x1d44e, 26, 'letters', 'a'],
  [0x210e, 1, 'letters', 'h'],
  [0x1d6fc, 25, 'letters', 'α'],
  [0x1d5a0, 26, 'sans', 'A'],
  [0x1d5ba, 26, 'sans', 'a'],
];
/** In formulas these are taken from the font of the letters. */
const OF_LETTERS = /^[.,/]$/;
const TEXT_ITALIC = '\ufe03';

function letterOf(char: string): Letter | null {
  if (OF_LETTERS.test(char)) return { family: 'letters', char };
  if (char.endsWith(TEXT_ITALIC)) return { family: 'italic', char: char.slice(0, -1) };
  const code = char.codePointAt(0) ?? 0;
  if (char.length !== String.fromCodePoint(code).length) return null;
  for (const [from, count, family, first] of RANGES)
    if (code >= from && code < from + count)
      return { family, char: String.fromCodePoint((first.codePointAt(0) ?? 0) + code - from) };
  return null;
}

/**
 * Braces round a single character or accent are none: what they hold takes the place of the group
 * (TeX: The Program, §1186).
 */
export function unwrapped(node: MathNode): MathNode {
  if (node.kind !== 'group' || node.body.length !== 1 || node.cramped || node.limits !== false)
    return node;
  const inner = unwrapped(node.body[0] as MathNode);
  if (inner.kind === 'symbol' && inner.cls === 'ord' && node.cls !== 'op')
    return { ...inner, cls: node.cls };
  return inner.kind === 'accent' && node.cls === 'ord' ? inner : node;
}

/** The character that a node is, scripts apart. */
function characterOf(node: MathNode): SymbolNode | null {
  const bare = unwrapped(node.kind === 'scripts' && node.base ? node.base : node);
  return bare.kind === 'symbol' ? bare : null;
}

/** Pairs that are drawn as one: how much less room that takes is a kern here. */
const LIGATURES: Readonly<Record<string, number>> = { ff: 0xfb00, fi: 0xfb01, fl: 0xfb02 };

/** What a pair of neighbours does. */
export interface Closeness {
  /** How far the second moves; negative is nearer. */
  readonly kern: Sp;
  /** The first has no italic correction, as within a word. */
  readonly within: boolean;
}

/**
 * Two characters of one family side by side: kerns and ligatures act as in a word, and the first
 * of them, when it is a letter of text, has no italic correction (Appendix G, rules 14 and 17;
 * TeX: The Program, §752). Null when they are none such.
 */
export function closeness(first: MathNode, second: MathNode, ctx: MathContext): Closeness | null {
  const left = unwrapped(first);
  const right = characterOf(second);
  if (left.kind !== 'symbol' || left.cls !== 'ord' || !right || right.cls === 'inner') return null;
  const [before, after] = [letterOf(left.char), letterOf(right.char)];
  if (!before || before.family !== after?.family) return null;
  const { family } = before;
  const size = sizeOf(ctx);
  if (family === 'letters') {
    const kern = MATH_ITALIC_KERNS.get(before.char + after.char) ?? 0;
    return { kern: kern * unitOf(designFor(size / PT)) * size, within: false };
  }
  const font = textFont(family, ctx);
  const [a, b] = [before.char, after.char].map((char) => font.glyph(char.codePointAt(0) ?? 0));
  if (!a || !b) return null;
  const ligature = font.glyph(LIGATURES[before.char + after.char] ?? 0);
  const saved = ligature ? font.box(ligature).width - font.box(a).width - font.box(b).width : 0;
  return { kern: ((font.kern(a, b) + saved) * size) / font.unitsPerEm, within: true };
}

/** The atom of a character within a word. */
export const withoutCorrection = (atom: Atom): Atom => ({ ...atom, italic: 0 });
