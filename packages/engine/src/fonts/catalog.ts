import { PT, type Sp } from '../base/lengths';
import type { FontFace, FontSpec } from '../document/font';

/** A family that comes in four cuts at one size. */
function cutsOf<Stem extends string>(stem: Stem) {
  return [`${stem}-regular`, `${stem}-bold`, `${stem}-italic`, `${stem}-bolditalic`] as const;
}

/** The font files that ship, in the order of their ids. Append only: ids are stored in page descriptions. */
export const FONT_FILES = [
  'latinmodern-math',
  'lmroman5-regular',
  'lmroman6-regular',
  'lmroman7-regular',
  'lmroman8-regular',
  'lmroman9-regular',
  'lmroman10-regular',
  'lmroman12-regular',
  'lmroman17-regular',
  'lmroman5-bold',
  'lmroman6-bold',
  'lmroman7-bold',
  'lmroman8-bold',
  'lmroman9-bold',
  'lmroman10-bold',
  'lmroman12-bold',
  'lmroman7-italic',
  'lmroman8-italic',
  'lmroman9-italic',
  'lmroman10-italic',
  'lmroman12-italic',
  'lmroman10-bolditalic',
  'lmromanslant8-regular',
  'lmromanslant9-regular',
  'lmromanslant10-regular',
  'lmromanslant12-regular',
  'lmromanslant17-regular',
  'lmromanslant10-bold',
  'lmromancaps10-regular',
  'lmromancaps10-oblique',
  'lmsans8-regular',
  'lmsans9-regular',
  'lmsans10-regular',
  'lmsans12-regular',
  'lmsans17-regular',
  'lmsans8-oblique',
  'lmsans9-oblique',
  'lmsans10-oblique',
  'lmsans12-oblique',
  'lmsans17-oblique',
  'lmsans10-bold',
  'lmsans10-boldoblique',
  'lmmono8-regular',
  'lmmono9-regular',
  'lmmono10-regular',
  'lmmono12-regular',
  'lmmono10-italic',
  'lmmonoslant10-regular',
  'lmmonolt10-bold',
  'texgyrepagella-regular',
  'texgyrepagella-bold',
  'texgyrepagella-italic',
  'texgyrepagella-bolditalic',
  'texgyrepagella-math',
  'texgyretermes-regular',
  'texgyretermes-bold',
  'texgyretermes-italic',
  'texgyretermes-bolditalic',
  'texgyretermes-math',
  'katex-ams',
  'katex-script',
  'katex-calligraphic',
  'notosymbols2',
  'notosymbols',
  'notomath',
  ...cutsOf('texgyreheros'),
  ...cutsOf('texgyrecursor'),
  ...cutsOf('texgyreschola'),
  ...cutsOf('texgyrebonum'),
  ...cutsOf('texgyreadventor'),
  ...cutsOf('libertine'),
] as const;

/** Parts of the font that stands in for characters no other one has, numbered from 0. */
export type FallbackFile = `notoserifsc-${number}`;
export type FontFile = (typeof FONT_FILES)[number] | FallbackFile;

const FIRST_FALLBACK = 1000;

/** The id of a file in page descriptions, and back. */
export const idOfFile = (file: FontFile): number =>
  file.startsWith('notoserifsc-')
    ? FIRST_FALLBACK + Number(file.slice('notoserifsc-'.length))
    : FONT_FILES.indexOf(file as (typeof FONT_FILES)[number]);

export const fileOfId = (id: number): FontFile =>
  id >= FIRST_FALLBACK ? `notoserifsc-${id - FIRST_FALLBACK}` : (FONT_FILES[id] as FontFile);

/** The mathematics font of each face. */
export const MATH_FONTS: Readonly<Record<FontFace, FontFile>> = {
  modern: 'latinmodern-math',
  pagella: 'texgyrepagella-math',
  termes: 'texgyretermes-math',
  schola: 'latinmodern-math',
  bonum: 'latinmodern-math',
  libertine: 'latinmodern-math',
};
/** What the mathematics fonts lack: the further symbols of the AMS, and round-hand capitals. */
export const SYMBOL_FONT: FontFile = 'katex-ams';
export const SCRIPT_FONT: FontFile = 'katex-script';
/** The calligraphic capitals of Computer Modern, which the Latin Modern font has in another design. */
export const CALLIGRAPHIC_FONT: FontFile = 'katex-calligraphic';
export const FALLBACK_FONT: FontFile = 'lmroman10-regular';

/** Design sizes and the size in pt up to which each is used (as in the Latin Modern font definition files). */
type Steps = readonly (readonly [number, number])[];
const ROMAN: Steps = [
  [5, 5.5],
  [6, 6.5],
  [7, 7.5],
  [8, 8.5],
  [9, 9.5],
  [10, 11.5],
  [12, 14.5],
  [17, Infinity],
];
const BOLD: Steps = [
  [5, 5.5],
  [6, 6.5],
  [7, 7.5],
  [8, 8.5],
  [9, 9.5],
  [10, 11.5],
  [12, Infinity],
];
const ITALIC: Steps = [
  [7, 7.5],
  [8, 8.5],
  [9, 9.5],
  [10, 11.5],
  [12, Infinity],
];
const SLANTED: Steps = [
  [8, 8.5],
  [9, 9.5],
  [10, 11.5],
  [12, 14.5],
  [17, Infinity],
];
const SANS: Steps = SLANTED;
const MONO: Steps = [
  [8, 8.5],
  [9, 9.5],
  [10, 11.5],
  [12, Infinity],
];
const TEN: Steps = [[10, Infinity]];

const STEPS: Readonly<Record<string, readonly [string, Steps, string]>> = {
  'roman medium upright': ['lmroman', ROMAN, 'regular'],
  'roman medium italic': ['lmroman', ITALIC, 'italic'],
  'roman medium slanted': ['lmromanslant', SLANTED, 'regular'],
  'roman medium caps': ['lmromancaps', TEN, 'regular'],
  'roman bold upright': ['lmroman', BOLD, 'bold'],
  'roman bold italic': ['lmroman', TEN, 'bolditalic'],
  'roman bold slanted': ['lmromanslant', TEN, 'bold'],
  'roman bold caps': ['lmromancaps', TEN, 'regular'],
  'sans medium upright': ['lmsans', SANS, 'regular'],
  'sans medium italic': ['lmsans', SANS, 'oblique'],
  'sans medium slanted': ['lmsans', SANS, 'oblique'],
  'sans medium caps': ['lmsans', SANS, 'regular'],
  'sans bold upright': ['lmsans', TEN, 'bold'],
  'sans bold italic': ['lmsans', TEN, 'boldoblique'],
  'sans bold slanted': ['lmsans', TEN, 'boldoblique'],
  'sans bold caps': ['lmsans', TEN, 'bold'],
  'mono medium upright': ['lmmono', MONO, 'regular'],
  'mono medium italic': ['lmmono', TEN, 'italic'],
  'mono medium slanted': ['lmmonoslant', TEN, 'regular'],
  'mono medium caps': ['lmmono', MONO, 'regular'],
  'mono bold upright': ['lmmonolt', TEN, 'bold'],
  'mono bold italic': ['lmmonolt', TEN, 'bold'],
  'mono bold slanted': ['lmmonolt', TEN, 'bold'],
  'mono bold caps': ['lmmonolt', TEN, 'bold'],
};

/** The file that draws a font at its size: the optical size nearest to it. */
export function fileFor(font: FontSpec): FontFile {
  const stem = oneSize(font);
  if (stem !== null) return cutOf(stem, font);
  const [name, steps, suffix] = STEPS[
    `${font.family} ${font.series} ${font.shape}`
  ] as (typeof STEPS)[string];
  const size: Sp = font.size / PT;
  const [design] = steps.find(([, upTo]) => size < upTo) as Steps[number];
  return `${name}${design}-${suffix}` as FontFile;
}

/** The family of four cuts that a font is of; null for Latin Modern, which has sizes. */
function oneSize({ family, face, sansFace, monoFace }: FontSpec): string | null {
  if (family === 'sans') return sansFace ? `texgyre${sansFace}` : null;
  if (family === 'mono') return monoFace ? `texgyre${monoFace}` : null;
  if (face === 'libertine') return face;
  return face === 'modern' ? null : `texgyre${face}`;
}

/** Four cuts at one size: slanted is set italic, small capitals are other glyphs of the upright. */
function cutOf(stem: string, { series, shape }: FontSpec): FontFile {
  const slanted = shape === 'italic' || shape === 'slanted';
  const cut =
    series === 'bold' ? (slanted ? 'bolditalic' : 'bold') : slanted ? 'italic' : 'regular';
  return `${stem}-${cut}` as FontFile;
}
