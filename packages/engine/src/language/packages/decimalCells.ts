import { textOf } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { cellTokens, setNumber, type PointRoom } from '../constructs/decimalColumns';
import { type CommandEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { numberSource } from './quantityNumbers';
import type { Settings } from './quantitySettings';

/** Tokens as they are typed: their commands are not carried out. */
export const rawText = (tokens: readonly Token[]): string =>
  tokens.map((t) => (t.cat === Cat.Command ? `\\${t.text} ` : t.text)).join('');

const solid = (tokens: readonly Token[]): readonly Token[] => {
  const from = tokens.findIndex(({ cat }) => cat !== Cat.Space);
  const to = tokens.findLastIndex(({ cat }) => cat !== Cat.Space);
  return from < 0 ? [] : tokens.slice(from, to + 1);
};

/** `\@dcell{in}{out}{places}`: a cell of package dcolumn; what stands before the sign `in` is its whole part. */
export const decimalCell: CommandEntry = {
  name: '@dcell',
  signature: 'mmm',
  description: 'A cell whose number is aligned at its point.',
  example: '',
  run: (it, args) => {
    const tokens = solid(cellTokens(it));
    if (tokens.length === 0 || tokens[0]?.cat === Cat.Begin) return it.p.push([...tokens]);
    const [sign, printed, places] = [0, 1, 2].map((i) => textOf(it.p, tokensOf(args, i)));
    const text = rawText(tokens);
    const [before = '', behind] = text.split(sign === '' ? '.' : (sign ?? '.'), 2);
    const point = printed === ',' ? '{,}' : `{${printed}}`;
    const whole = behind === undefined ? before : `${before}${point}${behind}`;
    setNumber(it, { whole, before }, dcolumnRoom(places ?? '-1', point));
  },
};

/** What the last argument of a D column keeps free: `3` digits behind the point, `2.3`, or with a negative number the same on both sides. */
export function dcolumnRoom(places: string, point: string): PointRoom {
  const [before, behind] = places.includes('.') ? places.split('.') : ['', places];
  const digits = Number(behind);
  if (!(digits >= 0)) return { before: '', behind: '', centred: true };
  return {
    before: '0'.repeat(Number(before) || 0),
    behind: digits === 0 ? '' : `${point}${'0'.repeat(digits)}`,
    centred: false,
  };
}

/** What `table-format` keeps free: `-2.3e1` is a sign, two digits, a point, three digits, an exponent of one. */
export function tableFormatRoom(format: string): PointRoom {
  const found = /^([-+]?)(\d*)(?:\.(\d+))?(?:\((\d+)\))?(?:e([-+]?)(\d+))?/.exec(
    format.replace(/[\s{}]/g, ''),
  );
  if (format === '' || !found) return { before: '', behind: '', centred: true };
  const [, sign = '', whole = '', fraction, uncertain, powerSign = '', power] = found;
  const zeros = (count: string | undefined): string => '0'.repeat(Math.min(30, Number(count ?? 0)));
  return {
    before: sign + zeros(whole),
    behind:
      (fraction === undefined ? '' : `.${zeros(fraction)}`) +
      (uncertain === undefined ? '' : `(${zeros(uncertain)})`) +
      (power === undefined ? '' : `\\times 10^{${powerSign}${zeros(power)}}`),
    centred: false,
  };
}

/** A number with room for the places that it lacks before its power of ten, so that these stand below one another. */
export function withAlignedPower(whole: string, format: string): string {
  const [, body = '', power = ''] = /^(.*?)(\s*\\times\b.*)$/s.exec(whole) ?? [];
  const places = /^[-+]?\d*\.(\d+)/.exec(format.replace(/[\s{}]/g, ''))?.[1];
  if (power === '' || places === undefined) return whole;
  const [, fraction] = body.replace(/\{,\}|\{\.\}/, '.').split('.');
  const has = (fraction ?? '').replace(/\D/g, '').length;
  const lacks = Math.min(30, Number(places)) - has;
  if (lacks <= 0) return whole;
  return `${body}\\phantom{${fraction === undefined ? '.' : ''}${'0'.repeat(lacks)}}${power}`;
}

/** A cell of an S column (package siunitx): a number as `\num` writes it; anything else is set as it stands. */
export const numberCell = (
  settingsOf: (it: Interpreter, own: readonly Token[]) => Settings,
): CommandEntry => ({
  name: '@sicell',
  signature: 'm',
  description: 'A cell whose number is written and aligned at its point.',
  example: '',
  run: (it, args) => {
    const tokens = cellTokens(it);
    const text = tokens[0]?.cat === Cat.Begin ? '' : rawText(solid(tokens));
    const settings = settingsOf(it, tokensOf(args, 0));
    if (!/^[-+]?\s*[\d.,]/.test(text)) return it.p.push([...tokens]);
    const whole = numberSource(text, settings);
    const before = /^[-+]?(?:\d|\\,|,(?=\d{3})|~)*/.exec(whole.replace(/\{,\}/g, ';'))?.[0] ?? '';
    const format = settings['table-format'] ?? '';
    const aligns = settings['table-align-exponent'] !== 'false';
    const shown = aligns ? withAlignedPower(whole, format) : whole;
    setNumber(it, { whole: shown, before }, tableFormatRoom(format));
  },
});

/** The tokens of an S column: its settings go to each of its cells. */
export const numberColumn = (it: Interpreter): Token[] => [
  ...it.source('>{\\@sicell{'),
  it.p.make(Cat.Argument, '1'),
  ...it.source('}}c'),
];
