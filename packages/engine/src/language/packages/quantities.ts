import type { Token } from '../../expansion/meaning';
import { textOf } from '../../expansion/tokenText';
import { cell } from '../../expansion/cells';
import { Cat } from '../../tokens/categories';
import { tokensOf, type Args, type CommandEntry, type PackageEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { idleEntry } from '../machine/macroEntry';
import type { MathReader } from '../machine/mathReader';
import { columnType } from '../constructs/tablePreamble';
import { optionWords } from '../scanning/optionWords';
import { numberCell, numberColumn, rawText } from './decimalCells';
import { CELLS } from '../machine/cells';
import { angleSource, isSpread, numberSource, unitSource, withLocale } from './quantityText';

/** The words between numbers in other languages. */
const WORDS: Readonly<Record<string, Readonly<Record<string, string>>>> = Object.fromEntries(
  (
    [
      ['de', 'bis', 'und'],
      ['fr', 'à', 'et'],
      ['es', 'a', 'y'],
      ['it', 'a', 'e'],
      ['pt', 'a', 'e'],
      ['nl', 'tot', 'en'],
      ['pl', 'do', 'i'],
    ] as const
  ).map(([language, to, and]) => [
    language,
    { 'range-phrase': to, 'list-final-separator': and, 'list-pair-separator': and },
  ]),
);

/** Settings of quantities (`\sisetup`). */
const SETTINGS = cell<Readonly<Record<string, string>>>('siunitx', {});

type Source = (it: Interpreter, args: Args, settings: Readonly<Record<string, string>>) => string;

/** A command that is a formula, in text as in formulas. Its options come first. */
function quantity(
  name: string,
  signature: string,
  description: string,
  example: string,
  source: Source,
): CommandEntry {
  const made = (it: Interpreter, args: Args): Token[] => {
    const own = args[0] ? optionWords(tokensOf(args, 0)) : {};
    const spoken = WORDS[(it.read(CELLS.patterns) ?? '').slice(0, 2)] ?? {};
    const settings = withLocale({ ...spoken, ...it.read(SETTINGS), ...own });
    return it.source(source(it, args, settings));
  };
  return {
    name,
    signature: `o${signature}`,
    package: 'siunitx',
    description,
    example,
    run: (it, args) => {
      const dollar = it.p.make(Cat.Math, '$');
      it.execute([dollar, ...made(it, args), dollar]);
    },
    math: (reader: MathReader, token) => {
      const { it, p } = reader;
      const args = it.readArguments(`o${signature}`, token);
      if (args) p.push([p.make(Cat.Begin, '{'), ...made(it, args), p.make(Cat.End, '}')]);
      return null;
    },
  };
}

const words = (it: Interpreter, args: Args, i: number): string => textOf(it.p, tokensOf(args, i));
const unitOf = (args: Args, i: number, settings: Readonly<Record<string, string>>): string =>
  unitSource(rawText(tokensOf(args, i)), settings);
const both = (written: string, unit: string): string => {
  const number =
    unit !== '' && isSpread(written) && !written.startsWith('(') ? `(${written})` : written;
  return joined(number, unit);
};
const joined = (number: string, unit: string): string =>
  unit === ''
    ? number
    : /^\\mathrm\{\{\}\^\{\\circ\}\}|^\\mathrm\{\\%\}/.test(unit) && unit.includes('circ}}')
      ? `${number}${unit}`
      : `${number}\\,${unit}`;
const list = (items: readonly string[], word: string): string =>
  items.length < 2
    ? (items[0] ?? '')
    : `${items.slice(0, -1).join(',\\ ')}\\mbox{ ${word} }${items.at(-1) ?? ''}`;

type Settings = Readonly<Record<string, string>>;

/** What stands between the ends of a range: “to”, or what `range-phrase` says. */
function phrase(settings: Settings): string {
  const said = settings['range-phrase'] ?? 'to';
  return `\\mbox{${/^\p{L}+$/u.test(said) ? ` ${said} ` : said}}`;
}
const lastWord = (settings: Settings): string => settings['list-final-separator'] ?? 'and';

/** `2 x 3 x 4`: factors with the times sign between them. */
const factors = (it: Interpreter, args: Args, settings: Settings): string[] =>
  words(it, args, 1)
    .split('x')
    .map((one) => numberSource(one.trim(), settings));
const product = (items: readonly string[]): string => items.join('\\times ');

/** `1+2i`: a number with an imaginary part. */
function complex(it: Interpreter, args: Args, settings: Settings): string {
  const text = words(it, args, 1).replace(/\s/g, '');
  const match = /^([+-]?[^ij+-]*)([+-][^ij]*)[ij]$/.exec(text);
  const root = settings['output-complex-root'] ?? '\\mathrm{i}';
  if (!match)
    return /[ij]$/.test(text)
      ? `${numberSource(text.slice(0, -1), settings)}${root}`
      : numberSource(text, settings);
  const [, real = '', imaginary = ''] = match;
  return `${numberSource(real, settings)}${imaginary.charAt(0)}${numberSource(imaginary.slice(1), settings)}${root}`;
}

const number: Source = (it, args, settings) => numberSource(words(it, args, 1), settings);
const quantityOf: Source = (it, args, settings) =>
  both(numberSource(words(it, args, 1), settings), unitOf(args, 2, settings));
const unit: Source = (_it, args, settings) => unitOf(args, 1, settings);
const numbers = (
  it: Interpreter,
  args: Args,
  settings: Readonly<Record<string, string>>,
): string[] =>
  words(it, args, 1)
    .split(';')
    .map((one) => numberSource(one.trim(), settings));

/** siunitx: numbers and quantities with their units. */
export const siunitx: PackageEntry = {
  name: 'siunitx',
  description: 'Numbers and quantities with units, as the SI wants them.',
  options: null,
  requires: ['array'],
  commands: [
    quantity('num', 'm', 'A number: digits in groups, powers of ten.', '\\num{12345.6e-3}', number),
    quantity(
      'qty',
      'mm',
      'A number with its unit.',
      '\\qty{9.81}{\\metre\\per\\second\\squared}',
      quantityOf,
    ),
    quantity(
      'SI',
      'mm',
      'A number with its unit, in the older way.',
      '\\SI{9.81}{\\metre\\per\\second\\squared}',
      quantityOf,
    ),
    quantity('unit', 'm', 'A unit by itself.', '\\unit{\\kilo\\metre\\per\\hour}', unit),
    quantity(
      'si',
      'm',
      'A unit by itself, in the older way.',
      '\\si{\\kilo\\metre\\per\\hour}',
      unit,
    ),
    quantity('ang', 'm', 'An angle in degrees, minutes and seconds.', '\\ang{45;30;}', (it, args) =>
      angleSource(words(it, args, 1)),
    ),
    quantity('numlist', 'm', 'Several numbers.', '\\numlist{1;2;3}', (it, args, settings) =>
      list(numbers(it, args, settings), lastWord(settings)),
    ),
    quantity(
      'numrange',
      'mm',
      'Numbers from one to another.',
      '\\numrange{1}{5}',
      (it, args, settings) =>
        `${number(it, args, settings)}${phrase(settings)}${numberSource(words(it, args, 2), settings)}`,
    ),
    ...(['qtyrange', 'SIrange'] as const).map((name) =>
      quantity(
        name,
        'mmm',
        'Quantities from one to another.',
        `\\${name}{1}{5}{\\metre}`,
        (it, args, settings) => {
          const inUnit = unitOf(args, 3, settings);
          const first = number(it, args, settings);
          const start = settings['range-units'] === 'single' ? first : both(first, inUnit);
          return `${start}${phrase(settings)}${both(numberSource(words(it, args, 2), settings), inUnit)}`;
        },
      ),
    ),
    ...(['qtylist', 'SIlist'] as const).map((name) =>
      quantity(
        name,
        'mm',
        'Several quantities.',
        `\\${name}{1;2;3}{\\metre}`,
        (it, args, settings) =>
          list(
            numbers(it, args, settings).map((one) => both(one, unitOf(args, 2, settings))),
            lastWord(settings),
          ),
      ),
    ),
    quantity(
      'numproduct',
      'm',
      'Numbers times one another.',
      '\\numproduct{2 x 3 x 4}',
      (it, args, settings) => product(factors(it, args, settings)),
    ),
    quantity(
      'qtyproduct',
      'mm',
      'Quantities times one another.',
      '\\qtyproduct{2 x 3}{\\metre}',
      (it, args, settings) =>
        product(factors(it, args, settings).map((one) => both(one, unitOf(args, 2, settings)))),
    ),
    quantity('complexnum', 'm', 'A complex number.', '\\complexnum{1+2i}', complex),
    quantity(
      'complexqty',
      'mm',
      'A complex number with its unit.',
      '\\complexqty{1+2i}{\\ohm}',
      (it, args, settings) => both(`(${complex(it, args, settings)})`, unitOf(args, 2, settings)),
    ),
    quantity('tablenum', 'm', 'A number of a table.', '\\tablenum{12.3}', number),
    idleEntry('DeclareSIPrefix', 'mmm', 'A prefix of your own.'),
    idleEntry('DeclareSIPower', 'mmm', 'A power of your own.'),
    idleEntry('DeclareSIQualifier', 'mm', 'A qualifier of your own.'),
    {
      name: 'sisetup',
      signature: 'm',
      package: 'siunitx',
      description: 'How numbers and units are written from here on.',
      example: '\\sisetup{per-mode=symbol}',
      run: (it, args) =>
        it.write(SETTINGS, { ...it.read(SETTINGS), ...optionWords(tokensOf(args, 0)) }),
    },
    numberCell((it) => withLocale(it.read(SETTINGS))),
    {
      name: 'DeclareSIUnit',
      signature: 'omm',
      package: 'siunitx',
      description: 'A unit of your own.',
      example: '\\DeclareSIUnit{\\knot}{kn}',
      run: (it, args) => {
        const name = tokensOf(args, 1).find((t) => t.cat === Cat.Command);
        if (name) it.define(name.text, rawText(tokensOf(args, 2)));
      },
    },
  ],
  setup: (it) => {
    for (const letter of ['S', 's'])
      it.write(columnType(letter), {
        count: 0,
        body: letter === 'S' ? numberColumn(it) : it.p.chars('c'),
        settings: true,
      });
  },
};
