const ROMAN: readonly (readonly [number, string])[] = [
  [1000, 'M'],
  [900, 'CM'],
  [500, 'D'],
  [400, 'CD'],
  [100, 'C'],
  [90, 'XC'],
  [50, 'L'],
  [40, 'XL'],
  [10, 'X'],
  [9, 'IX'],
  [5, 'V'],
  [4, 'IV'],
  [1, 'I'],
];

/** A number in capital Roman numerals; nothing for numbers below one. */
export function toRoman(value: number): string {
  let rest = Math.min(value, 100_000);
  let out = '';
  for (const [worth, letters] of ROMAN) {
    while (rest >= worth) {
      out += letters;
      rest -= worth;
    }
  }
  return out;
}

/** The capital letter of that number, 1 to 26; nothing outside. */
export function toLetter(value: number): string {
  return value >= 1 && value <= 26 ? String.fromCharCode(64 + value) : '';
}

/** The footnote signs of `\fnsymbol`, 1 to 9. */
export const FOOTNOTE_SIGNS = ['∗', '†', '‡', '§', '¶', '‖', '∗∗', '††', '‡‡'] as const;

/** The number that is written so, in figures or as a Roman one; 0 for anything else. */
export function fromNumeral(text: string): number {
  if (!/^[ivxlcdm]+$/i.test(text)) return parseInt(text, 10) || 0;
  let rest = text.toUpperCase();
  let sum = 0;
  for (const [worth, letters] of ROMAN)
    while (rest.startsWith(letters)) {
      sum += worth;
      rest = rest.slice(letters.length);
    }
  return sum;
}
