import type { Design, Metrics } from './design';

/**
 * Computer Modern is drawn anew for small and for large sizes, wider the smaller it is. Its text
 * fonts and signs follow from the unit of each design (`u#`) and from the room at the sides of its
 * letters; the letters of mathematics lean on more than that and are listed.
 */
export type DesignSize = 5 | 6 | 7 | 8 | 9 | 10 | 12;

export const DESIGN_SIZES: readonly DesignSize[] = [5, 6, 7, 8, 9, 10, 12];

/** The design that LaTeX's font tables take for a size in pt: 10.95 is made from ten, 14.4 from twelve. */
export const designFor = (pt: number): DesignSize =>
  DESIGN_SIZES.findLast((design) => design <= pt + NEARLY) ?? 5;
const NEARLY = 0.05;

type BySize = Readonly<Record<DesignSize, number>>;

/** The unit of a design, in 1/36 pt. */
const UNITS: BySize = { 5: 12.5, 6: 14, 7: 15.5, 8: 17, 9: 18.5, 10: 20, 12: 23.5 };
/** That unit in em. */
export const unitOf = (size: DesignSize): number => UNITS[size] / 36 / size;
/** What the sides of a letter (twice that for signs) add to it, in 1/36 pt. */
const SIDES: BySize = { 5: 10, 6: 6, 7: 4, 8: 0, 9: 0, 10: 0, 12: 0 };
/** Bold letters, by how wide they are beside those of ten point. */
const BOLD: BySize = { 5: 0.641, 6: 0.71, 7: 0.7795, 8: 0.849, 9: 0.925, 10: 1, 12: 27 / 23 };
/** Without serifs and in typewriter there is nothing smaller than eight point. */
const SANS: BySize = { ...UNITS, 5: 17 * (5 / 8), 6: 17 * (6 / 8), 7: 17 * (7 / 8) };
const TYPEWRITER: BySize = {
  5: 2.65625,
  6: 3.1875,
  7: 3.71875,
  8: 4.25,
  9: 4.725,
  10: 5.25,
  12: 6.17616,
};

type Rows = Readonly<Partial<Record<DesignSize, string>>>;

/** Widths in 1/10,000 em, as files that were made with these fonts tell them: A to Z, a to z, and ∂ ℓ. */
const LETTERS: Rows = {
  5: '10361 10370 9960 11099 10070 8674 10640 11104 6267 7729 11389 9556 12840 10757 10475 8754 10822 10300 8563 8323 9439 8278 12792 11129 8243 9431 7744 6333 6494 7397 6770 6840 7006 8276 5336 5882 7581 4803 12280 8808 7028 7397 6589 6713 6701 5637 8461 7222 10090 7917 7306 6887 7490 5972',
  6: '9241 9266 8837 9983 8998 7750 9529 9995 5477 6816 10257 8463 11616 9671 9341 7800 9665 9221 7567 7311 8381 7296 11509 10014 7264 8377 6749 5477 5591 6425 5890 6007 6077 7257 4456 5116 6609 4016 10937 7697 6125 6425 5707 5799 5845 4768 7373 6250 8932 6979 6331 5961 6587 5185',
  7: '8591 8632 8194 9341 8387 7245 8894 9356 5063 6320 9599 7837 10894 9049 8689 7273 8997 8606 7015 6748 7782 6746 10744 9369 6715 7784 6197 5024 5105 5947 5420 5571 5573 6688 4042 4727 6073 3613 10137 7062 5639 5889 5236 5304 5392 4316 6754 5714 8264 6478 5794 5458 6101 4782',
  8: '7958 8014 7573 8717 7787 6724 8279 8728 4607 5804 8960 7226 10204 8433 8062 6736 8357 8002 6462 6186 7188 6188 10024 8739 6158 7200 5644 4545 4602 5467 4929 5104 5056 6123 3617 4297 5532 3171 9398 6447 5135 5348 4744 4795 4913 3837 6152 5174 7625 5981 5252 4942 5597 4340',
  9: '7707 7777 7336 8475 7563 6562 8048 8501 4493 5663 8704 6994 9929 8216 7821 6562 8106 7776 6278 5996 6991 5994 9705 8490 5965 6992 5445 4404 4449 5325 4778 4988 4901 5922 3517 4201 5351 3067 9055 6200 4975 5159 4592 4637 4788 3711 5914 4992 7366 5826 5062 0 5437 4244',
  12: '7340 7439 7005 8130 7248 6338 7724 8113 4319 5412 8330 6662 9473 7841 7483 6311 7755 7453 6022 5739 6650 5708 9244 8126 5681 6702 5140 4163 4214 5088 4538 4826 4689 5637 3340 4051 5093 2917 8565 5845 4707 4914 4341 4413 4612 3536 5573 4734 6999 5564 4774 4549 5169 4109',
};
/** The same of α to φ, in the order of the font. */
const GREEK: Rows = {
  6: '8045 6980 6520 5662 5233 5718 6440 5903 4664 7257 7361 7500 6215 5718 7267 6390 7165 5821 6898 7421 7674 8194 7799 5867 7507 10219 6390 4878 8116',
  7: '7427 6478 6001 5193 4761 5198 5886 5441 4228 6688 6776 6946 5728 5198 6680 5927 6620 5268 6329 6869 7138 7560 7197 5397 6899 9500 5927 4392 7514',
  8: '6824 5962 5473 4701 4295 4670 5332 4957 3762 6123 6198 6392 5223 4670 6101 5441 6072 4715 5764 6316 6597 6945 6607 4906 6321 8821 5441 3889 6924',
  9: '6587 5792 5308 4559 4164 4506 5132 4811 3638 5922 5995 6192 5069 4506 5882 5294 5877 4524 5563 6117 6408 6705 6394 4771 6095 8525 5294 3744 6711',
};
/** And of the calligraphic capitals. */
const CALLIGRAPHIC: Rows = {
  6: '9899 8133 6784 9612 6713 8799 7467 10593 7093 8463 9388 8545 14272 10057 9730 8784 10083 10614 7620 7113 7744 7852 12227 8837 8239 8840',
  7: '9176 7534 6202 8895 6161 8184 6885 9787 6465 7822 8717 7917 13427 9356 9058 8092 9359 9810 7022 6478 7178 7199 11351 8189 7644 8231',
  8: '8495 6947 5626 8217 5608 7583 6310 9042 5855 7201 8074 7307 12645 8691 8416 7433 8677 9069 6434 5863 6628 6562 10546 7564 7058 7636',
  9: '8211 6736 5426 7938 5424 7363 6109 8710 5627 6966 7822 7079 12292 8421 8163 7168 8393 8739 6224 5632 6423 6321 10175 7324 6850 7420',
};

const ALPHABET = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ';
const LETTER_ORDER = `${ALPHABET}${ALPHABET.toLowerCase()}∂ℓ`;
const GREEK_ORDER = 'αβγδϵζηθικλμνξπρστυϕχψωεϑϖϱςφ';

function widthsOf(rows: Rows, order: string): ReadonlyMap<DesignSize, ReadonlyMap<number, number>> {
  const chars = [...order].map((char) => char.codePointAt(0) ?? 0);
  return new Map(
    DESIGN_SIZES.map((size) => {
      const widths = (rows[size] ?? '').split(' ').map(Number);
      const known = chars.flatMap((code, i) =>
        widths[i] ? [[code, widths[i] / 1e4] as const] : [],
      );
      return [size, new Map(known)];
    }),
  );
}

const LISTED: Readonly<Partial<Record<Design, readonly ReturnType<typeof widthsOf>[]>>> = {
  'Math-Italic': [widthsOf(LETTERS, LETTER_ORDER), widthsOf(GREEK, GREEK_ORDER)],
  'Caligraphic-Regular': [widthsOf(CALLIGRAPHIC, ALPHABET)],
};

/** Of `Main-Regular` the roman font has that; the rest are signs of the symbol font and the letters'. */
const isRoman = (code: number): boolean =>
  (code < 0x80 && !OF_SIGNS.has(code)) || (code >= 0x391 && code <= 0x3a9);
const codesOf = (chars: string): ReadonlySet<number> =>
  new Set([...chars].map((char) => char.charCodeAt(0)));
/** These stand with the letters of mathematics, which are drawn for twelve point as well. */
const OF_LETTERS = codesOf('<>/.,');
const OF_SIGNS = codesOf('{|}<>/.,*\\');

/**
 * How wide a character is in the design of a size, in em of that size; `metrics` are those of ten
 * point.
 */
export function widthAt(design: Design, code: number, metrics: Metrics, size: DesignSize): number {
  const ten = metrics.width * 10;
  if (size === 10) return metrics.width;
  switch (design) {
    case 'Main-Bold':
      return (ten * BOLD[size]) / size;
    case 'SansSerif-Regular':
      return (ten * SANS[size]) / 20 / size;
    case 'Typewriter-Regular':
      return TYPEWRITER[size] / size;
    case 'Math-BoldItalic':
    case 'AMS-Regular':
      return metrics.width;
  }
  for (const listed of LISTED[design] ?? []) {
    const width = listed.get(size)?.get(code);
    if (width !== undefined) return width;
  }
  const roman = design === 'Main-Regular' && isRoman(code);
  // The symbol font has no design for twelve point.
  const drawn = roman || design === 'Math-Italic' || OF_LETTERS.has(code);
  if (size === 12 && !drawn) return metrics.width;
  return ((ten * UNITS[size]) / 20 + ((roman ? 1 : 2) * SIDES[size]) / 36) / size;
}
