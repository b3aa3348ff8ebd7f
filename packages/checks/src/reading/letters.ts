/** What a drawn letter is: its name, and whether it stands upright. */
export interface Letter {
  readonly name: string;
  readonly upright: boolean;
}

/** Italic variants that compatibility folding would take for the plain letter. */
const VARIANTS: Readonly<Record<string, string>> = {
  '𝜖': 'ϵ',
  '𝜗': 'ϑ',
  '𝜘': 'ϰ',
  '𝜙': 'ϕ',
  '𝜚': 'ϱ',
  '𝜛': 'ϖ',
  ϵ: 'ϵ',
  ϕ: 'ϕ',
  ϑ: 'ϑ',
  ϱ: 'ϱ',
};

/**
 * The letter that a character of a formula stands for, or null. Italic ones have the plain letter as name, those of other
 * alphabets (bold, blackboard) the character itself: they are other names.
 */
export function letterOf(char: string): Letter | null {
  const variant = VARIANTS[char];
  if (variant) return { name: variant, upright: false };
  if (char === 'ℎ') return { name: 'h', upright: false };
  if (char === '𝜕' || char === '∂') return { name: '∂', upright: true };
  if (/^[𝟎-𝟗𝟘-𝟡]$/u.test(char)) return { name: char, upright: false };
  if (char === 'ℓ') return { name: 'ℓ', upright: false };
  if (char === 'ı' || char === 'ȷ') return { name: char === 'ı' ? 'i' : 'j', upright: false };
  const plain = char.normalize('NFKC');
  if (!/^[\p{L}][︀︁]?$/u.test(plain) && !/^\p{L}/u.test(char)) return null;
  if (isItalic(char)) return { name: plain, upright: false };
  if (/^[A-Za-z]$/.test(char)) return { name: char, upright: true };
  if (/^\p{Script=Greek}$/u.test(char)) return { name: char, upright: false };
  return { name: char, upright: false };
}

function isItalic(char: string): boolean {
  const code = char.codePointAt(0) ?? 0;
  return (code >= 0x1d434 && code <= 0x1d467) || (code >= 0x1d6e2 && code <= 0x1d71b);
}

/** Bold letters name vectors or matrices. */
export function isBold(name: string): boolean {
  const code = name.codePointAt(0) ?? 0;
  return (
    (code >= 0x1d400 && code <= 0x1d433) ||
    (code >= 0x1d468 && code <= 0x1d49b) ||
    (code >= 0x1d6a8 && code <= 0x1d6e1) ||
    (code >= 0x1d71c && code <= 0x1d755)
  );
}

/** The blackboard letters of the sets of numbers. */
export const NUMBER_SETS: Readonly<Record<string, NumberSet>> = {
  ℕ: 'natural',
  ℤ: 'integer',
  ℚ: 'rational',
  ℝ: 'real',
  ℂ: 'complex',
};
export type NumberSet = 'natural' | 'integer' | 'rational' | 'real' | 'complex';
