import type { NumberStyle } from '../document/page';

const ROMAN: readonly (readonly [number, string])[] = [
  [1000, 'm'],
  [900, 'cm'],
  [500, 'd'],
  [400, 'cd'],
  [100, 'c'],
  [90, 'xc'],
  [50, 'l'],
  [40, 'xl'],
  [10, 'x'],
  [9, 'ix'],
  [5, 'v'],
  [4, 'iv'],
  [1, 'i'],
];

function roman(value: number): string {
  let rest = value;
  let out = '';
  for (const [worth, letters] of ROMAN) {
    for (; rest >= worth; rest -= worth) out += letters;
  }
  return out;
}

const letter = (value: number): string =>
  value >= 1 && value <= 26 ? String.fromCharCode(96 + value) : String(value);

/** A page's number as it is written. */
export function numberText(value: number, style: NumberStyle): string {
  switch (style) {
    case 'roman':
      return roman(value);
    case 'Roman':
      return roman(value).toUpperCase();
    case 'alph':
      return letter(value);
    case 'Alph':
      return letter(value).toUpperCase();
    default:
      return String(value);
  }
}
