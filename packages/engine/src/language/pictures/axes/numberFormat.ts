import type { Token } from '../../../expansion/meaning';
import type { Interpreter } from '../../machine/interpreter';
import { splitAt, trimmed } from '../../scanning/optionLists';
import { bare, equalsOf, wordsOf } from '../words';
import { withPaths } from './optionPaths';
import { tickText } from './scale';

/** How numbers are written (pgf manual, section 97: `/pgf/number format`). */
export interface NumberFormat {
  readonly thousands: string;
  readonly point: string;
  /** Places behind the point; null: as many as the ticks need. */
  readonly precision: number | null;
  readonly zeroFill: boolean;
  readonly form: 'plain' | 'fixed' | 'sci' | 'whole';
  readonly plus: boolean;
}

export const PLAIN_NUMBERS: NumberFormat = {
  thousands: '{,}',
  point: '.',
  precision: null,
  zeroFill: false,
  form: 'plain',
  plus: false,
};

const PATH = /^\/?pgf\/number format\//;
const isOff = (text: string): boolean => text === 'false';

type Change = (format: NumberFormat, text: string) => NumberFormat;
const separator: Change = (format, text) => ({
  ...format,
  thousands: text === '' ? '' : `{${text}}`,
});
const point: Change = (format, text) => ({ ...format, point: `{${text}}` });
const FORMS: Readonly<Record<string, Change>> = {
  '1000 sep': separator,
  '1000 sep in fractionals': (format) => format,
  'set thousands separator': separator,
  'dec sep': point,
  'set decimal separator': point,
  'use comma': (format) => ({ ...format, thousands: '{.}', point: '{,}' }),
  'use period': (format) => ({ ...format, thousands: '{,}', point: '.' }),
  precision: (format, text) => ({ ...format, precision: Math.max(0, parseInt(text, 10) || 0) }),
  zerofill: (format, text) => ({ ...format, zeroFill: !isOff(text) }),
  fixed: (format) => ({ ...format, form: 'fixed' }),
  'fixed zerofill': (format, text) => ({ ...format, form: 'fixed', zeroFill: !isOff(text) }),
  sci: (format) => ({ ...format, form: 'sci' }),
  'sci zerofill': (format, text) => ({ ...format, form: 'sci', zeroFill: !isOff(text) }),
  std: (format) => ({ ...format, form: 'plain' }),
  'int detect': (format) => ({ ...format, form: 'plain' }),
  'int trunc': (format) => ({ ...format, form: 'whole' }),
  'print sign': (format, text) => ({ ...format, plus: !isOff(text) }),
  'assume math mode': (format) => format,
};

/** A format with what options say of it, and the other options. */
export function formatFrom(
  it: Interpreter,
  from: NumberFormat,
  options: readonly Token[],
): { readonly format: NumberFormat; readonly rest: readonly Token[] } {
  if (!options.some(({ text }) => text === '/')) return { format: from, rest: options };
  let format = from;
  const rest: Token[] = [];
  for (const part of splitAt(withPaths(it, options), ',')) {
    const eq = equalsOf(part);
    const name = wordsOf(it, eq < 0 ? part : part.slice(0, eq)).replace(/\s+/g, ' ');
    if (PATH.test(name)) {
      const key = name.replace(PATH, '');
      const text = eq < 0 ? '' : bare(wordsOf(it, trimmed(part.slice(eq + 1))));
      const change = FORMS[key];
      if (change) format = change(format, text);
      else it.p.report('key-without-effect', it.p.place, { name: key });
    } else rest.push(...(rest.length > 0 ? it.p.chars(',') : []), ...part);
  }
  return { format, rest };
}

/** A number in the language of formulas; with so many places where the format says nothing of them. */
export function numberText(value: number, places: number, format: NumberFormat): string {
  const { precision, zeroFill, form } = format;
  const sign = format.plus && value > 0 ? '+' : '';
  if (form === 'whole') return sign + styled(tickText(Math.trunc(value), 0), format);
  if (form === 'sci' && value !== 0) {
    const power = Math.floor(Math.log10(Math.abs(value)) + 1e-12);
    const digits = numberText(value / 10 ** power, places, { ...format, form: 'fixed' });
    return `${digits}\\cdot10^{${power}}`;
  }
  const shown = precision ?? places;
  const plain = tickText(value, shown);
  if (!zeroFill) return sign + styled(plain, format);
  const missing = shown - (plain.split('.')[1]?.length ?? 0);
  const dot = plain.includes('.') || missing <= 0 ? '' : '.';
  return sign + styled(plain + dot + '0'.repeat(Math.max(0, missing)), format);
}

/** With the signs of the format between thousands and before the fraction. */
const styled = (plain: string, { thousands, point: sign }: NumberFormat): string =>
  plain.replace('.', '\uE000').replaceAll('{,}', thousands).replace('\uE000', sign);
