import { expandTokens, tokensText } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import { cell } from '../../expansion/cells';
import { Cat } from '../../tokens/categories';
import { tokensOf, type Args, type CommandEntry, type PackageEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import type { MathReader } from '../machine/mathReader';
import { columnType } from '../constructs/tablePreamble';
import { splitAt, trimmed } from '../scanning/optionLists';
import { numberCell, numberColumn, rawText } from './decimalCells';
import { CELLS } from '../machine/cells';
import { angleSource, isSpread, numberWritten } from './quantityNumbers';
import { DEFAULTS, IDLE_KEYS, isOn, KEYS, type Settings, settingsIn } from './quantitySettings';
import { isUnitName, NO_OWN_UNITS, type OwnUnits, standsClose, unitSource } from './quantityUnits';
import { tellUnknownKey } from '../scanning/unknownKeys';

/** The words between numbers in other languages. */
const WORDS: Readonly<Record<string, Settings>> = Object.fromEntries(
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
    {
      'range-phrase': ` ${to} `,
      'list-final-separator': ` ${and} `,
      'list-pair-separator': ` ${and} `,
    },
  ]),
);

/** Settings that the document makes (`\sisetup`). */
const SETTINGS = cell<Settings>('siunitx', {});
/** Units that it declares, and what holds where one of them is used. */
const OWN_UNITS = cell<OwnUnits>('ownunits', NO_OWN_UNITS);
const OF_UNITS = cell<Readonly<Record<string, Settings>>>('ownunitsettings', {});

/** All settings that hold now, with those in brackets before the argument. */
function settingsNow(it: Interpreter, own: readonly Token[]): Settings {
  tellUnknown(it, own);
  const spoken = WORDS[(it.read(CELLS.patterns) ?? '').slice(0, 2)] ?? {};
  return { ...DEFAULTS, ...spoken, ...it.read(SETTINGS), ...settingsIn(own) };
}

/** Keys that there are not, with the nearest there is; and those that change nothing here. */
function tellUnknown(it: Interpreter, tokens: readonly Token[]): void {
  for (const part of splitAt(tokens, ',')) {
    const eq = part.findIndex(({ text }) => text === '=');
    const key = trimmed(eq < 0 ? part : part.slice(0, eq));
    const name = key.map(({ text }) => text).join('');
    const [first] = key;
    if (!first) continue;
    const span = { from: first.from, to: (key.at(-1) as Token).to };
    if (IDLE_KEYS.has(name)) it.p.report('key-without-effect', span, { name });
    if (KEYS.includes(name)) continue;
    tellUnknownKey(it, key, KEYS);
  }
}

type Source = (it: Interpreter, args: Args, settings: Settings) => string;

/** A command that is a formula, in text as in formulas. Its options come first. */
function quantity(
  name: string,
  signature: string,
  description: string,
  example: string,
  source: Source,
): CommandEntry {
  const made = (it: Interpreter, args: Args): Token[] => {
    const settings = settingsNow(it, args[0] ? tokensOf(args, 0) : []);
    const written = source(it, args, settings);
    const { color = '' } = settings;
    return it.source(color === '' ? written : `{\\color{${color}}${written}}`);
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

const words = (it: Interpreter, args: Args, i: number): string =>
  tokensText(expandTokens(it.p, tokensOf(args, i))).trim();

/** A number in its colour; what is none is told of and stands as it was typed. */
function numberOf(it: Interpreter, text: string, settings: Settings, at: readonly Token[]): string {
  const parses = isOn(settings, 'parse-numbers');
  const written = parses ? numberWritten(text, settings) : text;
  if (written === null && text !== '') {
    const [first, last] = [at[0], at.at(-1)];
    const span = first && last ? { from: first.from, to: last.to } : it.p.place;
    it.p.report('quantity-unreadable', span, { number: text });
  }
  const colour = settings['number-color'] ?? '';
  const source = written ?? text;
  return colour === '' ? source : `{\\color{${colour}}${source}}`;
}

const numberIn = (it: Interpreter, args: Args, i: number, settings: Settings): string =>
  numberOf(it, words(it, args, i), settings, tokensOf(args, i));

/** Commands of the document itself that stand for units are carried out, names of units are not. */
function unitText(it: Interpreter, tokens: readonly Token[], depth = 0): string {
  const own = it.read(OWN_UNITS);
  return tokens
    .map((token) => {
      if (token.cat !== Cat.Command || !token.cell || isUnitName(token.text, own) || depth > 8)
        return rawText([token]);
      const meaning = it.state.meaning(token.cell);
      return meaning?.kind === 'macro' && meaning.params.length === 0
        ? unitText(it, meaning.body, depth + 1)
        : rawText([token]);
    })
    .join('');
}

/** The settings of a unit that is declared with some: those of the command come before them. */
function withUnitSettings(it: Interpreter, text: string, settings: Settings): Settings {
  const name = /^\s*\\([A-Za-z]+)\s*$/.exec(text)?.[1];
  const own = name === undefined ? undefined : it.read(OF_UNITS)[name];
  return own ? { ...settings, ...own } : settings;
}

function unitOf(it: Interpreter, args: Args, i: number, settings: Settings): string {
  const source = unitSource(unitText(it, tokensOf(args, i)), settings, it.read(OWN_UNITS));
  const colour = settings['unit-color'] ?? '';
  return colour === '' || source === '' ? source : `{\\color{${colour}}${source}}`;
}

/** A number and its unit; a number that says how far off it may be stands in brackets. */
function both(written: string, unit: string, settings: Settings): string {
  if (unit === '') return written;
  const space = standsClose(unit) ? '' : (settings['quantity-product'] ?? '\\,');
  if (!isSpread(written) || /^\(.*\)/.test(written)) return `${written}${space}${unit}`;
  switch (settings['separate-uncertainty-units']) {
    case 'repeat':
      return written.replace('\\pm ', `${space}${unit}\\pm `) + `${space}${unit}`;
    case 'single':
      return `${written}${space}${unit}`;
    default:
      return `(${written})${space}${unit}`;
  }
}

const said = (text: string): string => (text === '' ? '' : `\\mbox{${text}}`);

/** Several in a row, with words between the last two. */
function list(items: readonly string[], settings: Settings): string {
  const of = (key: string): string => said(settings[key] ?? '');
  if (items.length < 2) return items[0] ?? '';
  if (items.length === 2) return items.join(of('list-pair-separator'));
  return `${items.slice(0, -1).join(of('list-separator'))}${of('list-final-separator')}${items.at(-1) ?? ''}`;
}

/** Numbers with one unit: behind each, behind the last, or behind all in brackets. */
function inUnits(
  numbers: readonly string[],
  unit: string,
  how: string,
  settings: Settings,
  join: (items: readonly string[]) => string,
): string {
  if (how === 'single') return both(join(numbers), unit, settings);
  if (how.startsWith('bracket')) return both(`(${join(numbers)})`, unit, settings);
  return join(numbers.map((one) => both(one, unit, settings)));
}

const ends =
  (settings: Settings) =>
  (items: readonly string[]): string =>
    items.join(said(settings['range-phrase'] ?? ' to '));

/** The parts of an argument, each a number. */
const numbersIn = (it: Interpreter, args: Args, mark: ';' | 'x', settings: Settings): string[] =>
  words(it, args, 1)
    .split(mark)
    .map((one) => numberOf(it, one.trim(), settings, tokensOf(args, 1)));

const product =
  (settings: Settings) =>
  (items: readonly string[]): string =>
    settings['product-mode'] === 'phrase'
      ? items.join(said(settings['product-phrase'] ?? ' by '))
      : items.join(` ${settings['product-symbol'] ?? '\\times'} `);

/** `1+2i`: a number with an imaginary part. */
function complex(it: Interpreter, args: Args, settings: Settings): string {
  const text = words(it, args, 1).replace(/\s/g, '');
  const match = /^([+-]?[^ij+-]*)([+-][^ij]*)[ij]([\d.]*)$/.exec(text);
  const root = settings['output-complex-root'] ?? '\\mathrm{i}';
  const one = (part: string): string => numberOf(it, part, settings, tokensOf(args, 1));
  const imaginary = (part: string): string =>
    settings['complex-root-position'] === 'before-number'
      ? `${root}${one(part)}`
      : `${one(part)}${root}`;
  if (!match) {
    const alone = /^([+-]?)(?:([\d.]*)[ij]|[ij]([\d.]+))$/.exec(text);
    if (!alone) return one(text);
    const figures = alone[2] || alone[3] || '';
    return `${alone[1] ?? ''}${figures === '' ? root : imaginary(figures)}`;
  }
  const [, real = '', signed = '', behind = ''] = match;
  const figures = signed.slice(1) || behind;
  return `${real === '' ? '' : one(real)}${signed.charAt(0)}${figures === '' ? root : imaginary(figures)}`;
}

const number: Source = (it, args, settings) => numberIn(it, args, 1, settings);
const quantityOf: Source = (it, args, settings) => {
  const own = withUnitSettings(it, unitText(it, tokensOf(args, 2)), settings);
  return both(numberIn(it, args, 1, own), unitOf(it, args, 2, own), own);
};
const unit: Source = (it, args, settings) => unitOf(it, args, 1, settings);

/** A declaration: the name that it is for, and what it says. */
const declaration = (
  name: string,
  signature: string,
  description: string,
  example: string,
  declare: (it: Interpreter, args: Args) => void,
): CommandEntry => ({ name, signature, package: 'siunitx', description, example, run: declare });

const nameIn = (args: Args, i: number): string =>
  tokensOf(args, i).find((t) => t.cat === Cat.Command)?.text ?? '';

function declareOwn<K extends keyof OwnUnits>(
  it: Interpreter,
  kind: K,
  name: string,
  value: OwnUnits[K][string],
): void {
  const own = it.read(OWN_UNITS);
  if (name !== '') it.write(OWN_UNITS, { ...own, [kind]: { ...own[kind], [name]: value } });
}

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
    quantity(
      'ang',
      'm',
      'An angle in degrees, minutes and seconds.',
      '\\ang{45;30;}',
      (it, args, settings) => angleSource(words(it, args, 1), settings),
    ),
    quantity('numlist', 'm', 'Several numbers.', '\\numlist{1;2;3}', (it, args, settings) =>
      list(numbersIn(it, args, ';', settings), settings),
    ),
    quantity(
      'numrange',
      'mm',
      'Numbers from one to another.',
      '\\numrange{1}{5}',
      (it, args, settings) => ends(settings)([1, 2].map((i) => numberIn(it, args, i, settings))),
    ),
    ...(['qtyrange', 'SIrange'] as const).map((name) =>
      quantity(
        name,
        'mmm',
        'Quantities from one to another.',
        `\\${name}{1}{5}{\\metre}`,
        (it, args, settings) =>
          inUnits(
            [1, 2].map((i) => numberIn(it, args, i, settings)),
            unitOf(it, args, 3, settings),
            settings['range-units'] ?? 'repeat',
            settings,
            ends(settings),
          ),
      ),
    ),
    ...(['qtylist', 'SIlist'] as const).map((name) =>
      quantity(
        name,
        'mm',
        'Several quantities.',
        `\\${name}{1;2;3}{\\metre}`,
        (it, args, settings) =>
          inUnits(
            numbersIn(it, args, ';', settings),
            unitOf(it, args, 2, settings),
            settings['list-units'] ?? 'repeat',
            settings,
            (items) => list(items, settings),
          ),
      ),
    ),
    quantity(
      'numproduct',
      'm',
      'Numbers times one another.',
      '\\numproduct{2 x 3 x 4}',
      (it, args, settings) => product(settings)(numbersIn(it, args, 'x', settings)),
    ),
    quantity(
      'qtyproduct',
      'mm',
      'Quantities times one another.',
      '\\qtyproduct{2 x 3}{\\metre}',
      (it, args, settings) => {
        const numbers = numbersIn(it, args, 'x', settings);
        const how = settings['product-units'] ?? 'repeat';
        const inUnit = unitOf(it, args, 2, settings);
        if (!how.endsWith('power'))
          return inUnits(numbers, inUnit, how, settings, product(settings));
        const all = product(settings)(numbers);
        return both(how === 'power' ? all : `(${all})`, `${inUnit}^{${numbers.length}}`, settings);
      },
    ),
    quantity('complexnum', 'm', 'A complex number.', '\\complexnum{1+2i}', complex),
    quantity(
      'complexqty',
      'mm',
      'A complex number with its unit.',
      '\\complexqty{1+2i}{\\ohm}',
      (it, args, settings) =>
        both(`(${complex(it, args, settings)})`, unitOf(it, args, 2, settings), settings),
    ),
    quantity('tablenum', 'm', 'A number of a table.', '\\tablenum{12.3}', number),
    {
      name: 'sisetup',
      signature: 'm',
      package: 'siunitx',
      description: 'How numbers and units are written from here on.',
      example: '\\sisetup{per-mode=symbol}',
      run: (it, args) => {
        tellUnknown(it, tokensOf(args, 0));
        it.write(SETTINGS, { ...it.read(SETTINGS), ...settingsIn(tokensOf(args, 0)) });
      },
    },
    declaration(
      'DeclareSIUnit',
      'omm',
      'A unit of your own.',
      '\\DeclareSIUnit{\\knot}{kn}',
      (it, args) => {
        const name = nameIn(args, 1);
        declareOwn(it, 'units', name, rawText(tokensOf(args, 2)));
        if (args[0])
          it.write(OF_UNITS, { ...it.read(OF_UNITS), [name]: settingsIn(tokensOf(args, 0)) });
      },
    ),
    declaration(
      'DeclareSIPrefix',
      'mmm',
      'A prefix of your own: its name, its sign, its power of ten.',
      '\\DeclareSIPrefix{\\myria}{my}{4}\\unit{\\myria\\metre}',
      (it, args) => declareOwn(it, 'prefixes', nameIn(args, 0), rawText(tokensOf(args, 1))),
    ),
    declaration(
      'DeclareSIPower',
      'mmm',
      'A power of your own: its names before and behind the unit.',
      '\\DeclareSIPower{\\quartic}{\\tothefourth}{4}\\unit{\\quartic\\metre}',
      (it, args) => {
        const power = Number(rawText(tokensOf(args, 2))) || 1;
        declareOwn(it, 'powersBefore', nameIn(args, 0), power);
        declareOwn(it, 'powersBehind', nameIn(args, 1), power);
      },
    ),
    declaration(
      'DeclareSIQualifier',
      'mm',
      'A qualifier of your own.',
      '\\DeclareSIQualifier{\\salt}{salt}\\unit{\\kilogram\\salt}',
      (it, args) => declareOwn(it, 'qualifiers', nameIn(args, 0), rawText(tokensOf(args, 1))),
    ),
    numberCell((it, own) => settingsNow(it, own)),
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
