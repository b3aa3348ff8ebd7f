import type { PackageEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { fontElsewhere, setFace, typeface, typefaces } from './typeface';

/** Text that is set without serifs throughout where an option says so (`default`, `sfdefault`). */
function perhapsSans(it: Interpreter, options: readonly string[]): void {
  if (options.some((option) => /^(?:default|sfdefault|defaultsans|defaultfam)$/.test(option)))
    it.define('familydefault', '\\sfdefault');
}

/** The fonts of the standard collection, which TeX Gyre has (psnfss). */
const STANDARD: readonly PackageEntry[] = [
  typefaces(
    'times',
    { roman: 'termes', sans: 'heros', mono: 'cursor' },
    'Text in the Times manner, with Helvetica and Courier (TeX Gyre); formulas stay as they are.',
  ),
  typefaces(
    'palatino',
    { roman: 'pagella', sans: 'heros', mono: 'cursor' },
    'Text in the Palatino manner, with Helvetica and Courier (TeX Gyre); formulas stay as they are.',
  ),
  typefaces(
    'bookman',
    { roman: 'bonum', sans: 'adventor', mono: 'cursor' },
    'Text in the Bookman manner, with Avant Garde and Courier (TeX Gyre).',
  ),
  typefaces(
    'newcent',
    { roman: 'schola', sans: 'adventor', mono: 'cursor' },
    'Text in the New Century Schoolbook manner, with Avant Garde and Courier (TeX Gyre).',
  ),
  typefaces(
    'pslatex',
    { roman: 'termes', sans: 'heros', mono: 'cursor' },
    'Text in the Times manner, with Helvetica and Courier (TeX Gyre).',
  ),
  typefaces('helvet', { sans: 'heros' }, 'Type without serifs in the Helvetica manner.'),
  typefaces('uarial', { sans: 'heros' }, 'Type without serifs as wide as Arial.'),
  typefaces('avant', { sans: 'adventor' }, 'Type without serifs in the Avant Garde manner.'),
  typefaces('courier', { mono: 'cursor' }, 'Typewriter in the Courier manner.'),
  typefaces('couriers', { mono: 'cursor' }, 'Typewriter in the Courier manner.'),
  typefaces('tgheros', { sans: 'heros' }, 'The font TeX Gyre Heros.'),
  typefaces('tgadventor', { sans: 'adventor' }, 'The font TeX Gyre Adventor.'),
  typefaces('tgcursor', { mono: 'cursor' }, 'The font TeX Gyre Cursor.'),
  typeface('tgschola', 'schola', 'The font TeX Gyre Schola.', 'text'),
  typeface('tgbonum', 'bonum', 'The font TeX Gyre Bonum.', 'text'),
  typeface('fouriernc', 'schola', 'Text in the New Century Schoolbook manner.', 'text'),
  typeface('libertine', 'libertine', 'Text in Linux Libertine.', 'text'),
  typeface('libertineRoman', 'libertine', 'Text in Linux Libertine.', 'text'),
  typeface('libertinus', 'libertine', 'Text in Linux Libertine, the elder of Libertinus.', 'text'),
  typeface('libertinus-type1', 'libertine', 'Text in Linux Libertine.', 'text'),
  typeface('stix', 'termes', 'Text and formulas in the Times manner.'),
  typeface('stix2', 'termes', 'Text and formulas in the Times manner.'),
  typeface('stickstootext', 'termes', 'Text in the Times manner.', 'text'),
  typeface('stickstoo', 'termes', 'Text in the Times manner.', 'text'),
  typeface('tempora', 'termes', 'Text in the Times manner.', 'text'),
  typeface('newcomputermodern', 'modern', 'Computer Modern with more signs.', 'text'),
  typeface('mlmodern', 'modern', 'Computer Modern, a little heavier.', 'text'),
];

const ROMAN_ELSEWHERE: Readonly<Record<string, string>> = {
  charter: 'Charter',
  XCharter: 'XCharter',
  utopia: 'Utopia',
  heuristica: 'Heuristica',
  erewhon: 'Erewhon',
  fourier: 'Utopia, with Fourier’s signs',
  mathdesign: 'of mathdesign',
  ebgaramond: 'EB Garamond',
  garamondx: 'GaramondX',
  garamondlibre: 'Garamond Libre',
  cochineal: 'Cochineal',
  crimson: 'Crimson',
  CrimsonPro: 'Crimson Pro',
  baskervillef: 'Baskervville',
  baskervaldx: 'Baskervald',
  librebaskerville: 'Libre Baskerville',
  librecaslon: 'Libre Caslon',
  spectral: 'Spectral',
  merriweather: 'Merriweather',
  Alegreya: 'Alegreya',
  fbb: 'Cardo',
  antpolt: 'Antykwa Poltawskiego',
  gfsartemisia: 'Artemisia',
  noto: 'Noto',
  notomath: 'Noto',
  'noto-serif': 'Noto Serif',
  sourceserifpro: 'Source Serif',
  PTSerif: 'PT Serif',
  ccfonts: 'Concrete',
  concmath: 'Concrete',
  concrete: 'Concrete',
  beton: 'Concrete',
  PlayfairDisplay: 'Playfair Display',
  chancery: 'Zapf Chancery',
  droid: 'Droid',
};

const SANS_ELSEWHERE: Readonly<Record<string, string>> = {
  lato: 'Lato',
  roboto: 'Roboto',
  opensans: 'Open Sans',
  cabin: 'Cabin',
  sourcesanspro: 'Source Sans',
  FiraSans: 'Fira Sans',
  montserrat: 'Montserrat',
  raleway: 'Raleway',
  carlito: 'Carlito',
  berasans: 'Bera Sans',
  DejaVuSans: 'DejaVu Sans',
  biolinum: 'Linux Biolinum',
  universalis: 'Universalis',
  gillius: 'Gillius',
  overlock: 'Overlock',
  nunito: 'Nunito',
  quattrocento: 'Quattrocento',
  'noto-sans': 'Noto Sans',
  PTSans: 'PT Sans',
  cantarell: 'Cantarell',
  comfortaa: 'Comfortaa',
};

const MONO_ELSEWHERE: Readonly<Record<string, string>> = {
  inconsolata: 'Inconsolata',
  zi4: 'Inconsolata',
  beramono: 'Bera Mono',
  sourcecodepro: 'Source Code',
  FiraMono: 'Fira Mono',
  DejaVuSansMono: 'DejaVu Sans Mono',
  luximono: 'Luxi Mono',
  droidmono: 'Droid Sans Mono',
  newtxtt: 'of newtxtt',
  anonymouspro: 'Anonymous Pro',
  'noto-mono': 'Noto Sans Mono',
};

/** Fonts whose text is without serifs, formulas too. */
const ALL_SANS: Readonly<Record<string, string>> = {
  cmbright: 'Computer Modern Bright',
  arev: 'Arev',
  iwona: 'Iwona',
  kurier: 'Kurier',
  sansmathfonts: 'of sansmathfonts',
};

const MATHEMATICS_ELSEWHERE: Readonly<Record<string, string>> = {
  eulervm: 'Euler',
  euler: 'Euler',
  mathastext: 'of the text, in formulas',
  libertinust1math: 'Libertinus Math',
  sansmath: 'without serifs, in formulas',
  sfmath: 'without serifs, in formulas',
  newtxsf: 'without serifs, in formulas',
};

const table = (
  fonts: Readonly<Record<string, string>>,
  instead: string,
  set?: (it: Interpreter, options: readonly string[]) => void,
): PackageEntry[] =>
  Object.entries(fonts).map(([name, font]) => fontElsewhere(name, font, instead, set));

/** Fonts by their packages: those that ship, and those in whose place another one is set. */
export const fontPackages: readonly PackageEntry[] = [
  ...STANDARD,
  fontElsewhere('kpfonts', 'Kp-Fonts', 'TeX Gyre Pagella', (it) => setFace(it, 'pagella')),
  ...table(ROMAN_ELSEWHERE, 'the font in force'),
  ...table(SANS_ELSEWHERE, 'Latin Modern Sans', perhapsSans),
  ...table(MONO_ELSEWHERE, 'Latin Modern Mono'),
  ...table(ALL_SANS, 'Latin Modern Sans', (it) => it.define('familydefault', '\\sfdefault')),
  ...table(MATHEMATICS_ELSEWHERE, 'the font of formulas in force'),
];
