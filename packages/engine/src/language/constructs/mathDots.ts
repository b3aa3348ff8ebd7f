import type { Span } from '../../base/spans';
import type { MathClass, MathNode } from '../../document/math';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { CommandEntry } from '../machine/entries';
import type { MathReader } from '../machine/mathReader';
import { DELIMITER_COMMANDS } from '../symbols/delimiters';
import { CLASS_OF_COMMAND } from '../symbols/symbols';
import { mathEntry as entry } from './mathEntry';

/** Dots in a row at a height that is said: command, and the sign that comes three times. */
const ROWS: readonly (readonly [string, string])[] = [
  ['ldots', '.'],
  ['mathellipsis', '.'],
  ['cdots', '⋅'],
];

/** Dots as one sign: command, character, class. */
const PLAIN: readonly (readonly [string, string, MathClass])[] = [
  ['vdots', '⋮', 'ord'],
  ['varvdots', '⋮', 'ord'],
  ['ddots', '⋱', 'inner'],
];

/** Dots by their neighbours (amsmath): commas, operators and relations, products, integrals, others. */
const SEMANTIC: readonly (readonly [string, string])[] = [
  ['dotsc', '.'],
  ['dotsb', '⋅'],
  ['dotsm', '⋅'],
  ['dotsi', '⋅'],
  ['dotso', '.'],
  ['dotsx', '.'],
  ['hdots', '.'],
];

/** Commands that stand for an operator or relation, besides the symbols themselves. */
const BINARY: ReadonlySet<string> = new Set([
  'iff',
  'implies',
  'impliedby',
  'not',
  'bmod',
  'DOTSB',
]);

/** What comes next, without taking it. */
function ahead(reader: MathReader): Token | null {
  const next = reader.p.nextNonBlank();
  if (next) reader.p.unread(next);
  return next;
}

function classAhead(reader: MathReader, token: Token): MathClass | 'end' {
  if (token.cat === Cat.Other || token.cat === Cat.Letter) {
    const node = reader.characterNode(token.text, token);
    return node.kind === 'symbol' ? node.cls : node.kind === 'operator' ? 'op' : 'ord';
  }
  if (token.cat === Cat.Math) return 'end';
  if (token.cat !== Cat.Command) return 'ord';
  if (BINARY.has(token.text)) return 'bin';
  if (token.text === 'right' || CLOSING.has(token.text)) return 'close';
  return CLASS_OF_COMMAND.get(token.text) ?? 'ord';
}

const CLOSING: ReadonlySet<string> = new Set(
  Object.keys(DELIMITER_COMMANDS).filter((name) => /^(r[a-z]+|\})$/.test(name)),
);

/** Three dots with thin spaces between them, as one part (plain TeX's `\ldots`, `\cdots`). */
function threeDots(reader: MathReader, char: string, at: Span): MathNode {
  const dot = reader.symbol(char, 'punct', at);
  return { kind: 'group', cls: 'inner', limits: false, body: [dot, dot, dot], ...at };
}

/** The dots, and a thin space before a bracket that closes. */
function dotsNodes(reader: MathReader, token: Token, char: string): MathNode[] {
  const at = reader.it.spanOf(token);
  const next = ahead(reader);
  const dots = threeDots(reader, char, at);
  const closes = next !== null && classAhead(reader, next) === 'close';
  return closes ? [dots, { kind: 'space', mu: 3, width: 0, ...at }] : [dots];
}

/** Dots at the height that suits what follows: between operators and relations in the middle. */
function dots(reader: MathReader, token: Token): MathNode[] {
  // By itself LaTeX knows but one height (`\\let\\dots\\ldots` in formulas).
  if (!reader.it.hasPackage('amsmath')) return [threeDots(reader, '.', reader.it.spanOf(token))];
  const next = ahead(reader);
  const cls = next ? classAhead(reader, next) : 'ord';
  return dotsNodes(reader, token, cls === 'bin' || cls === 'rel' || cls === 'op' ? '⋅' : '.');
}

const mark = (name: string): CommandEntry =>
  entry(
    name,
    '',
    'Tells dots what they stand before; draws nothing.',
    `\\dots\\${name} x`,
    () => null,
  );

/** `\iddots` (mathdots). */
export const risingDots: CommandEntry = {
  ...entry('iddots', '', 'Dots that rise.', '\\iddots', (reader, token) =>
    reader.symbol('⋰', 'inner', reader.it.spanOf(token)),
  ),
  package: 'mathdots',
};

export const dotCommands: readonly CommandEntry[] = [
  ...ROWS.map(([name, char]) =>
    entry(name, '', 'Dots.', `a \\${name} b`, (reader, token) =>
      threeDots(reader, char, reader.it.spanOf(token)),
    ),
  ),
  ...PLAIN.map(([name, char, cls]) =>
    entry(name, '', 'Dots.', `a \\${name} b`, (reader, token) =>
      reader.symbol(char, cls, reader.it.spanOf(token)),
    ),
  ),
  entry('dots', '', 'Dots, at the height that suits what follows.', 'a,\\dots,z', dots),
];

export const amsDots: readonly CommandEntry[] = [
  ...SEMANTIC.map(([name, char]) =>
    entry(name, '', 'Dots.', `a \\${name} b`, (reader, token) => dotsNodes(reader, token, char)),
  ),
  ...['DOTSB', 'DOTSI', 'DOTSX'].map(mark),
];
