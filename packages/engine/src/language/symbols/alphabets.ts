import type { MathAlphabet } from '../../document/math';

/** First code points of the alphabets for A, a, Α, α and 0 (Unicode 16, "Mathematical Alphanumeric Symbols"). */
interface Offsets {
  readonly upper?: number;
  readonly lower?: number;
  readonly greekUpper?: number;
  readonly greekLower?: number;
  readonly digit?: number;
}

const ALPHABETS: Readonly<Record<MathAlphabet, Offsets>> = {
  normal: { upper: 0x1d434, lower: 0x1d44e, greekLower: 0x1d6fc },
  roman: {},
  italic: { upper: 0x1d434, lower: 0x1d44e, greekUpper: 0x1d6e2, greekLower: 0x1d6fc },
  textItalic: {},
  bold: {
    upper: 0x1d400,
    lower: 0x1d41a,
    greekUpper: 0x1d6a8,
    greekLower: 0x1d6c2,
    digit: 0x1d7ce,
  },
  boldItalic: {
    upper: 0x1d468,
    lower: 0x1d482,
    greekUpper: 0x1d71c,
    greekLower: 0x1d736,
    digit: 0x1d7ce,
  },
  sans: { upper: 0x1d5a0, lower: 0x1d5ba, digit: 0x1d7e2 },
  sansItalic: { upper: 0x1d608, lower: 0x1d622, digit: 0x1d7e2 },
  mono: { upper: 0x1d670, lower: 0x1d68a, digit: 0x1d7f6 },
  blackboard: { upper: 0x1d538, lower: 0x1d552, digit: 0x1d7d8 },
  // The fonts have no small script letters: they stay as they are in formulas.
  calligraphic: { upper: 0x1d49c, lower: 0x1d44e },
  script: { upper: 0x1d49c, lower: 0x1d44e },
  fraktur: { upper: 0x1d504, lower: 0x1d51e },
};

/** Letters that had a place in Unicode before the alphabets did. */
const EARLIER: ReadonlyMap<number, number> = new Map([
  [0x1d455, 0x210e],
  [0x1d49d, 0x212c],
  [0x1d4a0, 0x2130],
  [0x1d4a1, 0x2131],
  [0x1d4a3, 0x210b],
  [0x1d4a4, 0x2110],
  [0x1d4a7, 0x2112],
  [0x1d4a8, 0x2133],
  [0x1d4ad, 0x211b],
  [0x1d4ba, 0x212f],
  [0x1d4bc, 0x210a],
  [0x1d4c4, 0x2134],
  [0x1d506, 0x212d],
  [0x1d50b, 0x210c],
  [0x1d50c, 0x2111],
  [0x1d515, 0x211c],
  [0x1d51d, 0x2128],
  [0x1d53a, 0x2102],
  [0x1d53f, 0x210d],
  [0x1d545, 0x2115],
  [0x1d547, 0x2119],
  [0x1d548, 0x211a],
  [0x1d549, 0x211d],
  [0x1d551, 0x2124],
]);

/** Greek variant letters, which follow omega in each mathematical alphabet. */
const VARIANTS = ['∂', 'ϵ', 'ϑ', 'ϰ', 'ϕ', 'ϱ', 'ϖ'];

function shifted(code: number, offsets: Offsets): number | null {
  const from = (first: number, start: number | undefined): number | null =>
    start === undefined ? null : start + code - first;
  if (code >= 0x41 && code <= 0x5a) return from(0x41, offsets.upper);
  if (code >= 0x61 && code <= 0x7a) return from(0x61, offsets.lower);
  if (code >= 0x30 && code <= 0x39) return from(0x30, offsets.digit);
  if (code >= 0x391 && code <= 0x3a9) return from(0x391, offsets.greekUpper);
  if (code >= 0x3b1 && code <= 0x3c9) return from(0x3b1, offsets.greekLower);
  const variant = VARIANTS.indexOf(String.fromCodePoint(code));
  if (variant >= 0 && offsets.greekLower !== undefined) return offsets.greekLower + 25 + variant;
  return null;
}

/** Behind a letter: a script capital is drawn as calligraphic, or in round hand (Unicode, “Variation Sequences”); one of a word in the italics of text. */
const FORMS: Partial<Record<MathAlphabet, string>> = {
  calligraphic: '\ufe00',
  script: '\ufe01',
  textItalic: '\ufe03',
};
const HAS_FORM = /[\ufe00\ufe01\ufe03]$/u;

const GREEK_SMALL = /^[α-ωϵϑϰϕϱϖ∂]$/u;
const GREEK_CAPITAL = /^[Α-Ω]$/u;

/**
 * A letter of a formula in the alphabet in force. Small Greek letters have only their
 * own form, capital ones are upright unless asked for otherwise (LaTeX's math codes).
 */
export function letterIn(char: string, alphabet: MathAlphabet): string {
  if (GREEK_SMALL.test(char)) return inAlphabet(char, 'normal');
  if (GREEK_CAPITAL.test(char)) {
    if (alphabet === 'normal') return char;
    return inAlphabet(char, alphabet === 'textItalic' ? 'italic' : alphabet);
  }
  const takesForm = alphabet === 'textItalic' ? /^[A-Za-z0-9]$/ : /^[A-Z]$/;
  const form = takesForm.test(char) ? (FORMS[alphabet] ?? '') : '';
  return inAlphabet(char, alphabet) + form;
}

/** First and last of a regular alphabet, and how far behind it the bold one lies. */
const BOLD: readonly (readonly [number, number, number])[] = [
  [0x41, 0x5a, 0x1d400 - 0x41],
  [0x61, 0x7a, 0x1d41a - 0x61],
  [0x30, 0x39, 0x1d7ce - 0x30],
  [0x391, 0x3a9, 0x1d6a8 - 0x391],
  [0x3b1, 0x3c9, 0x1d6c2 - 0x3b1],
  [0x1d434, 0x1d467, 0x34],
  [0x1d49c, 0x1d4cf, 0x34],
  [0x1d504, 0x1d537, 0x68],
  [0x1d5a0, 0x1d5d3, 0x34],
  [0x1d608, 0x1d63b, 0x34],
  [0x1d6e2, 0x1d71b, 0x3a],
];
const BOLD_SIGNS: Readonly<Record<string, string>> = { ℎ: '𝒉', '∂': '𝛛', '∇': '𝛁' };
const LATER: ReadonlyMap<number, number> = new Map(
  [...EARLIER].map(([place, code]) => [code, place]),
);

/** The bold form of a character that is already in its alphabet, or null. */
export function emboldened(char: string): string | null {
  const sign = BOLD_SIGNS[char];
  if (sign) return sign;
  if (HAS_FORM.test(char)) return null;
  const code = char.codePointAt(0) ?? 0;
  const place = LATER.get(code) ?? code;
  const range = BOLD.find(([first, last]) => place >= first && place <= last);
  return range ? String.fromCodePoint(place + range[2]) : null;
}

/** The character in an alphabet; one that the alphabet lacks stays as it is. */
export function inAlphabet(char: string, alphabet: MathAlphabet): string {
  const code = char.codePointAt(0) ?? 0;
  const to = shifted(code, ALPHABETS[alphabet]);
  return to === null ? char : String.fromCodePoint(EARLIER.get(to) ?? to);
}
