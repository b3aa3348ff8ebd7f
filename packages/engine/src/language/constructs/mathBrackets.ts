import type { MathClass } from '../../document/math';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { CommandEntry } from '../machine/entries';
import { bareBrace, missingPartner, missingRight, rightFurtherOn } from '../machine/bracketSlips';
import type { MathReader } from '../machine/mathReader';
import { DELIMITER_CHARACTERS, DELIMITER_COMMANDS } from '../symbols/delimiters';
import { mathEntry as entry, type Make } from './mathEntry';

/**
 * The bracket that follows, or a report and nothing. `null` is an empty one.
 *
 * @param opening the bracket that this one is the partner of.
 */
export function readDelimiter(
  reader: MathReader,
  caller: Token,
  opening: string | null = null,
): string | null {
  const token = reader.p.nextNonBlank();
  if (token !== null && token.cat === Cat.Command) {
    const char = DELIMITER_COMMANDS[token.text];
    if (char !== undefined) return char;
  } else if (token !== null && token.text in DELIMITER_CHARACTERS) {
    return DELIMITER_CHARACTERS[token.text] as string | null;
  } else if (token !== null && isBareBrace(token, opening)) {
    bareBrace(reader, token);
    return token.cat === Cat.Begin ? '{' : '}';
  }
  if (token) reader.p.unread(token);
  const span = reader.it.spanOf(caller);
  const ways = caller.text === 'right' ? missingPartner(opening, span) : undefined;
  reader.p.report('delimiter-missing', span, { name: caller.text }, ways);
  return null;
}

/** `\left{` is meant as `\left\{`; a `}` behind `\right` only where such a brace is open. */
const isBareBrace = ({ cat }: Token, opening: string | null): boolean =>
  cat === Cat.Begin || (cat === Cat.End && opening === '{');

const left: Make = (reader, token) => {
  const opening = readDelimiter(reader, token);
  reader.it.openGroup({ kind: 'math', span: reader.it.spanOf(token) });
  const { nodes: body, ended } = reader.list('right');
  reader.it.closeGroup();
  if (ended === 'closed') {
    const right = readDelimiter(reader, reader.closing ?? reader.p.command('right'), opening);
    return { kind: 'delimited', left: opening, right, body, ...reader.span(token) };
  }
  if (reader.p.exhausted === null && !rightFurtherOn(reader, token)) {
    const name = 'left';
    reader.p.report(
      'delimiter-unmatched',
      reader.it.spanOf(token),
      { name },
      missingRight(reader, opening),
    );
  }
  return { kind: 'delimited', left: opening, right: null, body, ...reader.span(token) };
};

const right: Make = (reader, token) => {
  if (token.from !== reader.partnerMark)
    reader.p.report('delimiter-unmatched', reader.it.spanOf(token), { name: 'right' });
  const char = readDelimiter(reader, token, '{');
  return char === null ? null : reader.symbol(char, 'close', reader.span(token));
};

const BIG: readonly (readonly [string, number])[] = [
  ['big', 1],
  ['Big', 2],
  ['bigg', 3],
  ['Bigg', 4],
];
const BIG_CLASSES: readonly (readonly [string, MathClass])[] = [
  ['', 'ord'],
  ['l', 'open'],
  ['r', 'close'],
  ['m', 'rel'],
];

const bigs: readonly CommandEntry[] = BIG.flatMap(([name, size]) =>
  BIG_CLASSES.map(([suffix, cls]) =>
    entry(
      name + suffix,
      '',
      'A bracket of a fixed larger size.',
      `\\${name}${suffix}(`,
      (reader, token) => ({
        kind: 'big',
        char: readDelimiter(reader, token),
        cls,
        size,
        ...reader.span(token),
      }),
    ),
  ),
);

/** Brackets that grow with what they hold, and those of fixed larger sizes. */
export const brackets: readonly CommandEntry[] = [
  entry(
    'left',
    '',
    'A bracket that grows with what follows, up to its \\right.',
    '\\left( x \\right)',
    left,
  ),
  entry('right', '', 'The bracket that ends a \\left.', '\\left( x \\right)', right),
  entry(
    'middle',
    '',
    'A bracket inside \\left and \\right that grows with them.',
    '\\left( x \\middle| y \\right)',
    (reader, token) => ({
      kind: 'middle',
      char: readDelimiter(reader, token),
      ...reader.span(token),
    }),
  ),
  ...bigs,
];
