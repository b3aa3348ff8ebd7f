/** Units by the names of their commands, as they are printed (the brochure of the SI and the package's manual). */
const UNITS: Readonly<Record<string, string>> = {
  metre: 'm',
  meter: 'm',
  kilogram: 'kg',
  gram: 'g',
  second: 's',
  ampere: 'A',
  kelvin: 'K',
  mole: 'mol',
  candela: 'cd',
  hertz: 'Hz',
  newton: 'N',
  pascal: 'Pa',
  joule: 'J',
  watt: 'W',
  coulomb: 'C',
  volt: 'V',
  farad: 'F',
  ohm: '\\Omega',
  siemens: 'S',
  weber: 'Wb',
  tesla: 'T',
  henry: 'H',
  lumen: 'lm',
  lux: 'lx',
  becquerel: 'Bq',
  gray: 'Gy',
  sievert: 'Sv',
  katal: 'kat',
  radian: 'rad',
  steradian: 'sr',
  celsius: '{}^{\\circ}C',
  degreeCelsius: '{}^{\\circ}C',
  degree: '{}^{\\circ}',
  arcminute: "{}'",
  arcsecond: "{}''",
  minute: 'min',
  hour: 'h',
  day: 'd',
  litre: 'L',
  liter: 'L',
  tonne: 't',
  hectare: 'ha',
  bar: 'bar',
  percent: '\\%',
  electronvolt: 'eV',
  atomicmassunit: 'u',
  dalton: 'Da',
  astronomicalunit: 'au',
  neper: 'Np',
  bel: 'B',
  decibel: 'dB',
  byte: 'B',
  bit: 'bit',
  angstrom: '\\mathring{A}',
  m: 'm',
  cm: 'cm',
  mm: 'mm',
  km: 'km',
  um: '\\mu m',
  nm: 'nm',
  kg: 'kg',
  g: 'g',
  mg: 'mg',
  s: 's',
  ms: 'ms',
  us: '\\mu s',
  ns: 'ns',
  Hz: 'Hz',
  kHz: 'kHz',
  MHz: 'MHz',
  GHz: 'GHz',
  N: 'N',
  kN: 'kN',
  Pa: 'Pa',
  kPa: 'kPa',
  J: 'J',
  kJ: 'kJ',
  W: 'W',
  kW: 'kW',
  MW: 'MW',
  V: 'V',
  kV: 'kV',
  mV: 'mV',
  A: 'A',
  mA: 'mA',
  eV: 'eV',
  keV: 'keV',
  MeV: 'MeV',
  GeV: 'GeV',
  mol: 'mol',
  K: 'K',
  dB: 'dB',
};
const PREFIXES: Readonly<Record<string, string>> = {
  yocto: 'y',
  zepto: 'z',
  atto: 'a',
  femto: 'f',
  pico: 'p',
  nano: 'n',
  micro: '\\mu ',
  milli: 'm',
  centi: 'c',
  deci: 'd',
  deca: 'da',
  deka: 'da',
  hecto: 'h',
  kilo: 'k',
  mega: 'M',
  giga: 'G',
  tera: 'T',
  peta: 'P',
  exa: 'E',
  zetta: 'Z',
  yotta: 'Y',
};

/** One unit of a product, with its power. */
interface UnitPart {
  readonly symbol: string;
  readonly power: number;
}

/** Reads units as commands (`\kilo\metre\per\second\squared`) or as letters (`km.s^{-2}`); null for none. */
export function readUnits(text: string): readonly UnitPart[] {
  const parts: UnitPart[] = [];
  let [prefix, sign, next] = ['', 1, 1];
  const put = (symbol: string): void => {
    parts.push({ symbol: prefix + symbol, power: sign * next });
    [prefix, sign, next] = ['', 1, 1];
  };
  const raise = (power: number): void => {
    const last = parts.pop();
    if (last) parts.push({ ...last, power: last.power * power });
  };
  for (const [, name, power, letters] of text.matchAll(
    /\\([A-Za-z]+)\s*|\^\s*\{?\s*(-?\d+)\s*\}?|([A-Za-zµΩ°%]+)/g,
  )) {
    if (power !== undefined) raise(Number(power));
    else if (letters !== undefined) put(letters);
    else if (name === 'per') sign = -1;
    else if (name === 'square') next = 2;
    else if (name === 'cubic') next = 3;
    else if (name === 'squared') raise(2);
    else if (name === 'cubed') raise(3);
    else if (name !== undefined && PREFIXES[name]) prefix = PREFIXES[name];
    else if (name !== undefined && UNITS[name] !== undefined) put(UNITS[name]);
    else if (name !== undefined && !/^(?:tothe|raiseto|of|cancel|highlight)$/.test(name))
      put(`\\${name} `);
  }
  return parts;
}

/** Units as a formula: powers by themselves, as a fraction, or behind a stroke. */
export function unitSource(text: string, settings: Readonly<Record<string, string>>): string {
  const parts = readUnits(
    text.replace(/\\tothe\s*/g, '^').replace(/\\raiseto\s*\{(-?\d+)\}\s*(\\[A-Za-z]+)/g, '$2^{$1}'),
  );
  const one = ({ symbol, power }: UnitPart): string =>
    `\\mathrm{${symbol}}${power === 1 ? '' : `^{${power}}`}`;
  const mode = settings['per-mode'] ?? 'power';
  const below = parts
    .filter(({ power }) => power < 0)
    .map(({ symbol, power }) => one({ symbol, power: -power }));
  const above = parts.filter(({ power }) => power > 0).map(one);
  const between = settings['inter-unit-product']?.replace(/^\{(.*)\}$/, '$1') ?? '\\,';
  if (below.length === 0 || mode === 'power' || mode === 'reciprocal')
    return parts.map(one).join(between);
  const [over, under] = [above.join(between) || '1', below.join(between)];
  if (mode === 'fraction') return `\\frac{${over}}{${under}}`;
  const brackets = below.length > 1 && settings['bracket-unit-denominator'] !== 'false';
  return `${over}${settings['per-symbol'] ?? '/'}${brackets ? `(${under})` : under}`;
}

/** What a region is used to (manual, section 4.14). */
const LOCALES: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  DE: { 'output-decimal-marker': ',', 'exponent-product': '\\cdot', 'inter-unit-product': '\\,' },
  FR: { 'output-decimal-marker': ',', 'inter-unit-product': '\\,' },
  PL: { 'output-decimal-marker': ',', 'exponent-product': '\\cdot' },
  ZA: { 'output-decimal-marker': ',', 'exponent-product': '\\cdot' },
};

/** Settings with what their region adds. */
export const withLocale = (
  settings: Readonly<Record<string, string>>,
): Readonly<Record<string, string>> => ({ ...LOCALES[settings.locale ?? ''], ...settings });

const isOn = (settings: Readonly<Record<string, string>>, key: string): boolean =>
  settings[key] !== undefined && settings[key] !== 'false';

/** Digits in groups of three from five on, as the package has them. */
function grouped(digits: string, settings: Readonly<Record<string, string>>): string {
  const [whole = '', fraction] = digits.split('.');
  const mark = settings['group-separator']?.replace(/^\{(.*)\}$/, '$1') ?? '\\,';
  const which = settings['group-digits'];
  const off = which === 'false' || which === 'none';
  const least = Number(settings['group-minimum-digits'] ?? 5);
  const inWhole =
    !off && which !== 'decimal' && whole.length >= least
      ? whole.replace(/\B(?=(\d{3})+$)/g, mark)
      : whole;
  if (fraction === undefined) return inWhole;
  const inFraction =
    !off && which !== 'integer' && fraction.length >= least
      ? fraction.replace(/(\d{3})(?=\d)/g, `$1${mark}`)
      : fraction;
  const point = settings['output-decimal-marker']?.replace(/[{}]/g, '') ?? '.';
  return `${inWhole}${point === ',' ? '{,}' : point}${inFraction}`;
}

/** A number as a formula: `1.2e3`, `1.23(4)`, `5 +- 0.1`, `1/2`. */
export function numberSource(text: string, settings: Readonly<Record<string, string>>): string {
  const plain = text
    .replace(/\\pm|\+-/g, '±')
    .replace(/\s+/g, '')
    .replace(/,(?=\d)/g, '.');
  const found = /^([-+]?)([\d.]*)(?:\((\d+)\))?(?:±([\d.]+))?(?:[eEdD]([-+]?\d+))?$/.exec(plain);
  if (!found) return text;
  const [, sign = '', given = '', paired, plusMinus, written] = found;
  const [digits, exponent] = withExponent(given, written, settings);
  const separate =
    isOn(settings, 'separate-uncertainty') || settings['uncertainty-mode'] === 'separate';
  const body = digits === '' ? '' : grouped(rounded(digits, settings), settings);
  const spread = plusMinus ?? (separate && paired ? lastPlaces(digits, paired) : undefined);
  const uncertain =
    spread !== undefined
      ? ` \\pm ${grouped(spread, settings)}`
      : paired !== undefined
        ? `(${paired})`
        : '';
  const times = settings['exponent-product']?.replace(/[{}]/g, '').trim() ?? '\\times';
  const power =
    exponent === undefined
      ? ''
      : `${body === '' ? '' : ` ${times} `}10^{${exponent.replace(/^\+/, '')}}`;
  const inner = `${body}${uncertain}`;
  const plus = isOn(settings, 'retain-explicit-plus') ? '+' : '';
  return `${sign === '+' ? plus : sign}${spread !== undefined && power !== '' ? `(${inner})` : inner}${power}`;
}

/** Has a number both a value and how far off it may be? With a unit it stands in brackets then. */
export const isSpread = (source: string): boolean => source.includes('\\pm ');

/** `(2)` behind `3.5`: so much in its last places. */
function lastPlaces(digits: string, paired: string): string {
  const places = digits.split('.')[1]?.length ?? 0;
  if (places === 0) return paired;
  const padded = paired.padStart(places + 1, '0');
  return `${padded.slice(0, -places)}.${padded.slice(-places)}`;
}

/** A number as one digit and a power of ten, or a power that three divides, where that is asked for. */
function withExponent(
  digits: string,
  exponent: string | undefined,
  settings: Readonly<Record<string, string>>,
): readonly [string, string | undefined] {
  const mode =
    settings['exponent-mode'] ?? (isOn(settings, 'scientific-notation') ? 'scientific' : '');
  const value = Number(digits);
  if ((mode !== 'scientific' && mode !== 'engineering') || !value) return [digits, exponent];
  const whole = Math.floor(Math.log10(Math.abs(value)));
  const by = mode === 'engineering' ? 3 * Math.floor(whole / 3) : whole;
  const places = Math.max(0, digits.replace('.', '').replace(/^0+/, '').length - 1 - (whole - by));
  return [(value / 10 ** by).toFixed(places), String(by + Number(exponent ?? 0))];
}

function rounded(digits: string, settings: Readonly<Record<string, string>>): string {
  const places = Number(settings['round-precision'] ?? 2);
  if (isOn(settings, 'drop-zero-decimal') && /\.0+$/.test(digits))
    return digits.replace(/\.0+$/, '');
  if (settings['round-mode'] === 'places') return Number(digits).toFixed(places);
  if (settings['round-mode'] === 'figures')
    return String(Number(Number(digits).toPrecision(Math.max(1, places))));
  return digits;
}

/** `45;30;10` or `45.5` degrees. */
export function angleSource(text: string): string {
  const [degrees = '', minutes = '', seconds = ''] = text.split(';').map((part) => part.trim());
  const part = (value: string, sign: string): string => (value === '' ? '' : `${value}${sign}`);
  return part(degrees, '^{\\circ}') + part(minutes, "'") + part(seconds, "''");
}
