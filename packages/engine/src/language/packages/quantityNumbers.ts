import { isOn, type Settings, signSource } from './quantitySettings';

/** A number as it was typed: figures before and behind the point, how far off it may be, a power of ten. */
export interface NumberParts {
  readonly comparator: string;
  readonly sign: string;
  readonly whole: string;
  /** Null where there is no point. */
  readonly fraction: string | null;
  /** In units of the last figure. */
  readonly uncertainty: bigint | null;
  readonly exponent: number | null;
}

const NUMBER =
  /^(<=|>=|<|>|=|\\(?:leq?|geq?|ll|gg|approx|sim|simeq)(?![A-Za-z]))?([-+]|\\pm(?![A-Za-z])|\\mp(?![A-Za-z]))?(\d*)(?:([.,])(\d*))?(?:\((\d+)(?:\.(\d+))?\)|(?:\+-|±|\\pm)(\d*)(?:[.,](\d*))?)?(?:[eEdD]([-+]?\d+))?$/;

/** Reads a number; null for what is none. */
export function readNumber(text: string): NumberParts | null {
  const found = NUMBER.exec(text.replace(/\\,|[\s~]/g, ''));
  if (!found) return null;
  const [
    ,
    comparator = '',
    sign = '',
    whole = '',
    point,
    behind,
    inBrackets,
    rest,
    off,
    offBehind,
    power,
  ] = found;
  if (whole === '' && !behind && power === undefined) return null;
  let fraction = point === undefined ? null : (behind ?? '');
  let uncertainty: bigint | null = null;
  if (inBrackets !== undefined) uncertainty = BigInt(inBrackets + (rest ?? ''));
  else if (off !== undefined) {
    const places = Math.max(fraction?.length ?? 0, offBehind?.length ?? 0);
    if (places > 0) fraction = (fraction ?? '').padEnd(places, '0');
    uncertainty = BigInt(`${off}${(offBehind ?? '').padEnd(places, '0')}` || '0');
  }
  const exponent = power === undefined ? null : Number(power);
  return {
    comparator,
    sign,
    whole: whole || (fraction ? '0' : ''),
    fraction,
    uncertainty,
    exponent,
  };
}

/** All figures as one integer, and how many of them stand behind the point. */
const units = ({ whole, fraction }: NumberParts): readonly [bigint, number] => [
  BigInt(`${whole}${fraction ?? ''}` || '0'),
  fraction?.length ?? 0,
];

function withUnits(number: NumberParts, value: bigint, places: number): NumberParts {
  const text = String(value).padStart(places + 1, '0');
  return places === 0
    ? { ...number, whole: text, fraction: null }
    : { ...number, whole: text.slice(0, -places), fraction: text.slice(-places) };
}

const ten = (power: number): bigint => 10n ** BigInt(Math.max(0, power));

/** A quotient by a power of ten, rounded: halves up, or to the even figure. */
function divided(value: bigint, power: number, half: string): bigint {
  const by = ten(power);
  const [whole, rest] = [value / by, value % by];
  const twice = rest * 2n;
  if (twice > by || (twice === by && (half !== 'even' || whole % 2n === 1n))) return whole + 1n;
  return whole;
}

/** The number with its last figure at a place behind the point (before it, if negative). */
function roundedAt(number: NumberParts, places: number, settings: Settings): NumberParts {
  const [value, has] = units(number);
  if (places >= has) {
    if (!isOn(settings, 'round-pad') || places === has) return number;
    return withUnits(number, value * ten(places - has), places);
  }
  const half = settings['round-half'] ?? 'up';
  const short = divided(value, has - places, half);
  const uncertainty =
    number.uncertainty === null ? null : divided(number.uncertainty, has - places, half);
  const shown = places < 0 ? short * ten(-places) : short;
  return withUnits(
    {
      ...number,
      uncertainty: uncertainty === null || places >= 0 ? uncertainty : uncertainty * ten(-places),
    },
    shown,
    Math.max(0, places),
  );
}

const figuresOf = (value: bigint): number => (value === 0n ? 1 : String(value).length);

/** `round-mode`: to places, to figures, or to so many figures of how far off it may be. */
function rounded(number: NumberParts, settings: Settings): NumberParts {
  const precision = parseInt(settings['round-precision'] ?? '', 10) || 0;
  const [value, has] = units(number);
  switch (settings['round-mode']) {
    case 'places':
      return number.uncertainty === null ? roundedAt(number, precision, settings) : number;
    case 'figures': {
      if (number.uncertainty !== null || value === 0n) return number;
      const at = precision - (figuresOf(value) - has);
      const first = roundedAt(number, at, settings);
      // 9.96 to two figures is 10, which has one more than is asked for.
      const more = figuresOf(units(first)[0]) - units(first)[1] > figuresOf(value) - has;
      return more ? roundedAt(first, at - 1, settings) : first;
    }
    case 'uncertainty': {
      if (!number.uncertainty) return number;
      return roundedAt(number, precision - (figuresOf(number.uncertainty) - has), settings);
    }
    default:
      return number;
  }
}

/** The number times a power of ten, with an exponent that makes up for it. */
function shifted(number: NumberParts, by: number): NumberParts {
  const [value, has] = units(number);
  const places = has + by;
  const exponent = (number.exponent ?? 0) + by;
  if (places >= 0) return { ...withUnits(number, value, places), exponent };
  const up = ten(-places);
  const uncertainty = number.uncertainty === null ? null : number.uncertainty * up;
  return { ...withUnits({ ...number, uncertainty }, value * up, 0), exponent };
}

/** `exponent-mode`: which power of ten is split off. */
function withExponent(number: NumberParts, settings: Settings): NumberParts {
  const mode = settings['exponent-mode'];
  const [value, has] = units(number);
  if (mode === 'fixed')
    return shifted(number, Number(settings['fixed-exponent'] ?? 0) - (number.exponent ?? 0));
  if (value === 0n || mode === undefined || mode === 'input') return number;
  const order = figuresOf(value) - 1 - has;
  const inAll = order + (number.exponent ?? 0);
  if (mode === 'engineering')
    return shifted(number, 3 * Math.floor(inAll / 3) - (number.exponent ?? 0));
  if (mode === 'threshold') {
    const [low = -3, high = 3] = (settings['exponent-thresholds'] ?? '').split(':').map(Number);
    const plain = shifted(number, -(number.exponent ?? 0));
    if (inAll > low && inAll < high) return { ...plain, exponent: null };
  }
  return shifted(number, order);
}

const GROUPS: Readonly<Record<string, readonly [boolean, boolean]>> = {
  none: [false, false],
  false: [false, false],
  integer: [true, false],
  decimal: [false, true],
};

/** Figures in groups, from so many on. */
function grouped(figures: string, settings: Settings, behindPoint: boolean): string {
  const [inWhole, inFraction] = GROUPS[settings['group-digits'] ?? 'all'] ?? [true, true];
  const least = Number(settings['group-minimum-digits'] ?? 5);
  if (!(behindPoint ? inFraction : inWhole) || figures.length < least) return figures;
  const size = Math.max(1, Number(settings['digit-group-size'] ?? 3) || 3);
  const mark = signSource(settings['group-separator'] ?? '\\,');
  const groups: string[] = [];
  if (behindPoint)
    for (let at = 0; at < figures.length; at += size) groups.push(figures.slice(at, at + size));
  else
    for (let end = figures.length; end > 0; end -= size)
      groups.unshift(figures.slice(Math.max(0, end - size), end));
  return groups.join(mark);
}

const point = (settings: Settings): string => signSource(settings['output-decimal-marker'] ?? '.');

/** Figures with their point. */
function figures(whole: string, fraction: string | null, settings: Settings): string {
  const least = Number(settings['minimum-integer-digits'] ?? 0);
  const before = whole.padStart(least, '0');
  const isZero = /^0*$/.test(before);
  const shown =
    isZero && before !== '' && fraction && !isOn(settings, 'print-zero-integer') && least === 0
      ? ''
      : grouped(before, settings, false);
  const padded = (fraction ?? '').padEnd(Number(settings['minimum-decimal-digits'] ?? 0), '0');
  const dropped = isOn(settings, 'drop-zero-decimal') && /^0*$/.test(padded);
  if (padded === '' || dropped) return shown;
  if (isOn(settings, 'zero-decimal-as-symbol') && /^0+$/.test(padded))
    return `${shown}${point(settings)}${settings['zero-symbol'] ?? ''}`;
  return `${shown}${point(settings)}${grouped(padded, settings, true)}`;
}

/** How far off a number may be, behind it. */
function uncertain(number: NumberParts, settings: Settings): string {
  const { uncertainty, fraction } = number;
  if (uncertainty === null) return '';
  const places = fraction?.length ?? 0;
  const mode = settings['uncertainty-mode'];
  const full = withUnits(number, uncertainty, places);
  if (mode === 'separate') return `\\pm ${figures(full.whole, full.fraction, settings)}`;
  const inFigures =
    mode === 'full' || (mode === 'compact-marker' && places > 0 && full.whole !== '0')
      ? figures(full.whole, full.fraction, settings)
      : String(uncertainty);
  return `${settings['uncertainty-separator'] ?? ''}(${inFigures})`;
}

const COMPARATORS: Readonly<Record<string, string>> = { '<=': '\\le ', '>=': '\\ge ' };

/** A number as a formula. */
function writeNumber(read: NumberParts, settings: Settings): string {
  const changed = rounded(withExponent(read, settings), settings);
  const number = {
    ...changed,
    uncertainty: isOn(settings, 'drop-uncertainty') ? null : changed.uncertainty,
    exponent: isOn(settings, 'drop-exponent') ? null : changed.exponent,
  };
  const [value] = units(number);
  const isPlainZero = number.whole !== '' && value === 0n && number.uncertainty === null;
  const minus = number.sign === '-' && !isPlainZero;
  const plus = isOn(settings, 'retain-explicit-plus') || isOn(settings, 'print-implicit-plus');
  const implicit =
    number.sign === '' && number.whole !== '' && isOn(settings, 'print-implicit-plus');
  const bracketed = minus && isOn(settings, 'bracket-negative-numbers');
  const sign = minus
    ? bracketed
      ? ''
      : '-'
    : (number.sign === '+' && plus) || implicit
      ? '+'
      : number.sign.startsWith('\\')
        ? `${number.sign} `
        : '';
  const body = figures(number.whole, number.fraction, settings);
  const off = uncertain(number, settings);
  const hasPower =
    number.exponent !== null && (number.exponent !== 0 || isOn(settings, 'print-zero-exponent'));
  const alone =
    number.whole === '' ||
    (body === '1' && off === '' && hasPower && !isOn(settings, 'print-unity-mantissa'));
  const mantissa = `${sign}${alone ? '' : body}${off}`;
  const inBrackets =
    off.startsWith('\\pm') && hasPower && isOn(settings, 'bracket-ambiguous-numbers')
      ? `(${mantissa})`
      : mantissa;
  const times = isOn(settings, 'tight-spacing')
    ? `{${settings['exponent-product'] ?? ''}}`
    : ` ${settings['exponent-product'] ?? ''} `;
  const marker = settings['output-exponent-marker'] ?? '';
  const power = !hasPower
    ? ''
    : marker !== ''
      ? `${marker}${number.exponent}`
      : `${alone ? '' : times}${settings['exponent-base'] ?? '10'}^{${number.exponent}}`;
  const all = bracketed ? `(${inBrackets}${power})` : `${inBrackets}${power}`;
  const colour = minus ? (settings['negative-color'] ?? '') : '';
  const comparator = number.comparator
    ? `${COMPARATORS[number.comparator] ?? `${number.comparator} `}`
    : '';
  const written = `${comparator}${all}`;
  return colour === '' ? written : `{\\color{${colour}}${written}}`;
}

/** A number as a formula; null for what is no number. */
export function numberWritten(text: string, settings: Settings): string | null {
  const number = readNumber(text);
  return number && writeNumber(number, settings);
}

/** A number as a formula; what is none as it stands. */
export const numberSource = (text: string, settings: Settings): string =>
  isOn(settings, 'parse-numbers') ? (numberWritten(text, settings) ?? text) : text;

/** Has a number both a value and how far off it may be? With a unit it stands in brackets then. */
export const isSpread = (source: string): boolean => source.includes('\\pm ');

const DEGREE = '{}^{\\circ}';

/** `45;30;10` or `45.5` degrees as a formula. */
export function angleSource(text: string, settings: Settings): string {
  const parts = text.split(';').map((part) => part.trim());
  const [degrees = '', minutes = '', seconds = ''] =
    parts.length === 1 && settings['angle-mode'] === 'arc'
      ? inArcs(parts[0] ?? '')
      : parts.length > 1 && settings['angle-mode'] === 'decimal'
        ? [inDegrees(parts)]
        : parts;
  const filled = (value: string, key: string): string =>
    value === '' && parts.length > 1 && isOn(settings, key) ? '0' : value;
  const between = settings['number-angle-product'] ?? '';
  return (
    [
      [filled(degrees, 'fill-angle-degrees'), DEGREE],
      [filled(minutes, 'fill-angle-minutes'), "{}'"],
      [filled(seconds, 'fill-angle-seconds'), "{}''"],
    ] as const
  )
    .filter(([value]) => value !== '')
    .map(([value, sign]) => `${angleFigures(value, settings)}${between}${sign}`)
    .join(settings['angle-separator'] ?? '');
}

/** No degrees at all may be below nothing: the minutes behind them are. */
const angleFigures = (value: string, settings: Settings): string =>
  /^-0+$/.test(value) ? `-${value.slice(1)}` : numberSource(value, settings);

function inArcs(text: string): string[] {
  const value = Number(text.replace(',', '.'));
  if (Number.isNaN(value)) return [text];
  const seconds = Math.round(Math.abs(value) * 3600 * 1e6) / 1e6;
  const rest = Math.round((seconds % 60) * 1e6) / 1e6;
  const minutes = Math.floor(seconds / 60) % 60;
  return [`${value < 0 ? '-' : ''}${Math.floor(seconds / 3600)}`, String(minutes), String(rest)];
}

function inDegrees(parts: readonly string[]): string {
  const [degrees = 0, minutes = 0, seconds = 0] = parts.map((part) =>
    Number(part.replace(',', '.')),
  );
  const value = Math.abs(degrees) + minutes / 60 + seconds / 3600;
  const rounded = Math.round(value * 1e8) / 1e8;
  return `${/^-/.test(parts[0] ?? '') ? '-' : ''}${rounded}`;
}
