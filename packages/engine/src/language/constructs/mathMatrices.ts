import { PT } from '../../base/lengths';
import type { Span } from '../../base/spans';
import type { ArrayNode, ArrayRow, MathNode } from '../../document/math';
import type { Token } from '../../expansion/meaning';
import { readArgument, readOptional } from '../../expansion/arguments';
import type { EnvironmentEntry } from '../machine/entries';
import type { MathReader } from '../machine/mathReader';
import { arraySpec, readArray, VALIGN, type ArraySpec } from './mathArrays';
import { formulaTokens } from '../machine/environmentTokens';
import { openedCell } from '../machine/mathEnvironments';
import { dimenOf } from '../scanning/dimenOf';
import { textCell } from './mathText';

/** Columns without end, all set alike. */
const columnsOf = (align: 'left' | 'center' | 'right') =>
  Array.from({ length: 64 }, () => ({ align, barsBefore: 0 }));

const LETTERS: Readonly<Record<string, 'left' | 'center' | 'right'>> = {
  l: 'left',
  c: 'center',
  r: 'right',
};

/** The closer rows of a matrix in the line (amsmath's `smallmatrix`). */
const SMALL: Partial<ArraySpec> = {
  style: 'script',
  strut: false,
  baselineSkip: 6 * PT,
  lineGap: 1.5 * PT,
  columnSep: 2.8 * PT,
};

/** Has the document changed `\\env@matrix` so that matrices take their columns in brackets, as many do? */
function takesColumns(reader: MathReader): boolean {
  const meaning = reader.it.state.meaning(reader.it.state.cell('env@matrix'));
  return meaning?.kind === 'macro' && meaning.body.length > 0;
}

/** `\\begin{bmatrix}[cc|c]`: an array of those columns in the matrix's brackets. */
function columned(
  reader: MathReader,
  begin: Token,
  columns: readonly Token[],
  name: string,
  left: string | null,
  right: string | null,
): null {
  const { it, p } = reader;
  const [open, close] =
    left === null ? ['', ''] : [`\\left${sign(left)}`, `\\right${sign(right ?? '.')}`];
  p.push([
    ...it.source(`${open}\\begin{array}{@{}`),
    ...columns,
    ...it.source('@{}}'),
    ...formulaTokens(reader, name, begin),
    ...it.source(`\\end{array}${close}`),
  ]);
  return null;
}
const sign = (char: string): string =>
  ({ '{': '\\{', '}': '\\}', '‖': '\\Vert', '∥': '\\Vert' })[char] ?? char;

/** A matrix in brackets (amsmath): no space at its sides, any number of centred columns; with a star `[r]` says how they are set (mathtools). */
export function matrix(
  name: string,
  left: string | null,
  right: string | null,
  small = false,
): EnvironmentEntry {
  const starred = name.endsWith('*');
  return {
    name,
    signature: starred ? 'o' : '',
    package: starred ? 'mathtools' : 'amsmath',
    description: `A matrix${left ? ` between ${left} and ${right ?? ''}` : ''}.`,
    example: `\\begin{${name}} a & b \\\\ c & d \\end{${name}}`,
    math: (reader, token) => {
      if (!starred && takesColumns(reader)) {
        const given = readOptional(reader.p);
        if (given) return columned(reader, token, given, name, left, right);
      }
      const letter = starred ? readOptional(reader.p)?.[0]?.text : undefined;
      const columns = columnsOf(LETTERS[letter ?? 'c'] ?? 'center');
      const base = { ...arraySpec(reader), sideSep: 0, ...(small ? SMALL : {}) };
      return readArray(reader, token, { ...base, columns, left, right }, true);
    },
  };
}

/** `cases`: two columns on the left, a brace before them; those of mathtools in display style. */
export function cases(
  name: string,
  style: 'text' | 'display',
  left: string | null,
  right: string | null,
): EnvironmentEntry {
  return {
    name,
    signature: '',
    package: name === 'cases' ? 'amsmath' : 'mathtools',
    description: 'Cases behind a brace.',
    example: name.endsWith('*')
      ? `\\begin{${name}} 1 & at ebb \\\\ 0 & at flood \\end{${name}}`
      : `\\begin{${name}} 1 & x > 0 \\\\ 0 & x \\le 0 \\end{${name}}`,
    math: (reader, token) => {
      // The second column of a starred form is text.
      const around = name.endsWith('*') ? [NOTHING, textColumn(reader)] : [];
      const spec: ArraySpec = {
        ...arraySpec(reader),
        style,
        left,
        right,
        sideSep: 0,
        columnSep: reader.it.font.size,
        // `\arraystretch` 1.2 (amsmath)
        baselineSkip: 1.2 * reader.it.skip('baselineskip').width,
        columns: columnsOf('left').slice(0, 2),
      };
      return readArray(reader, token, spec, false, around);
    },
  };
}
const NOTHING = { before: [], after: [] };
const textColumn = ({ p }: MathReader) => ({ before: [p.command(textCell.name)], after: [] });

/** Lines of a display: display style, a `\jot` further apart than lines of text. */
function displayLines(reader: MathReader): ArraySpec {
  const base = arraySpec(reader);
  const jot = reader.it.dimen('jot');
  return {
    ...base,
    style: 'display',
    strut: false,
    sideSep: 0,
    baselineSkip: reader.it.skip('baselineskip').width + jot,
    lineGap: reader.it.skip('lineskip').width + jot,
  };
}

const PAIRS = Array.from({ length: 32 }, (_, i) => ({
  align: i % 2 === 0 ? ('right' as const) : ('left' as const),
  barsBefore: 0,
}));

/** `aligned`, `gathered`, `split`: lines of a display inside a formula. */
export function innerAlignment(
  name: string,
  kind: 'aligned' | 'gathered',
  optional: boolean,
): EnvironmentEntry {
  return {
    name,
    signature: `${optional ? 'o' : ''}${name === 'alignedat' ? 'm' : ''}`,
    package: 'amsmath',
    description:
      kind === 'aligned'
        ? 'Lines aligned at &, as part of a formula.'
        : 'Centred lines, as part of a formula.',
    example: `\\begin{${name}}${name === 'alignedat' ? '{2}' : ''} a &= b \\\\ &= c \\end{${name}}`,
    math: (reader, token) => {
      const position = optional ? readOptional(reader.p)?.[0]?.text : undefined;
      if (name === 'alignedat') readArgument(reader.p, token);
      const valign: ArrayNode['valign'] = VALIGN[position ?? 'c'] ?? 'center';
      const base = { ...displayLines(reader), valign };
      if (kind === 'gathered')
        return readArray(reader, token, { ...base, columns: columnsOf('center').slice(0, 1) });
      // A quad parts the pairs of `aligned`; `alignedat` leaves none.
      const columnSep = name === 'alignedat' ? 0 : reader.it.font.size;
      return readArray(reader, token, { ...base, paired: true, columns: PAIRS, columnSep }, true);
    },
  };
}

/** `lgathered`, `rgathered`: lines of a display inside a formula, all at one side (mathtools). */
const gatheredAt = (name: string, side: 'left' | 'right'): EnvironmentEntry => ({
  name,
  signature: 'o',
  package: 'mathtools',
  description: `Lines that stand at the ${side}, as part of a formula.`,
  example: `\\begin{${name}} a + b \\\\ c \\end{${name}}`,
  math: (reader, token) => {
    const valign = VALIGN[readOptional(reader.p)?.[0]?.text ?? 'c'] ?? 'center';
    const columns = columnsOf(side).slice(0, 1);
    return readArray(reader, token, { ...displayLines(reader), valign, columns });
  },
});

/**
 * `multlined`: a long formula within a formula, its first line at the left, its last at the right,
 * a `\multlinegap` of 10 pt kept free beyond them (mathtools manual, section 3.4.5).
 */
const multlined: EnvironmentEntry = {
  name: 'multlined',
  signature: 'oo',
  package: 'mathtools',
  description: 'One long formula over several lines, as part of a formula.',
  example: '\\begin{multlined} a + b \\\\ {} + c \\end{multlined}',
  math: (reader, token) => {
    const options = [readOptional(reader.p), readOptional(reader.p)].map((tokens) => tokens ?? []);
    const letter = options.find(([first, second]) => first && !second && first.text in VALIGN);
    const width = options.find((tokens) => tokens.length > 1);
    const spec = displayLines(reader);
    const least = width ? dimenOf(reader.it, width) : 0;
    const array = readArray(reader, token, {
      ...spec,
      valign: VALIGN[letter?.[0]?.text ?? 'c'] ?? 'center',
      columns: [{ align: 'center', barsBefore: 0, least }],
    });
    return { ...array, rows: spread(array.rows, reader.span(token)) };
  },
};

/** The first line at the left and the last at the right, with room beyond them. */
function spread(rows: ArrayNode['rows'], at: Span): ArrayNode['rows'] {
  const gap: MathNode = { kind: 'space', mu: 0, width: 10 * PT, ...at };
  const placed = (row: ArrayRow, align: 'left' | 'right'): ArrayRow => {
    const [cell = []] = row.cells;
    const cells = [align === 'left' ? [...cell, gap] : [gap, ...cell]];
    return { ...row, cells, spans: [{ count: 1, align, barsBefore: 0, barsAfter: 0 }] };
  };
  const opened = rows.map((row) => ({
    ...row,
    cells: row.cells.map((cell) => openedCell(cell, at)),
  }));
  return opened.map((row, i) => {
    if (rows.length > 1 && i === 0) return placed(row, 'left');
    return i > 0 && i === rows.length - 1 ? placed(row, 'right') : row;
  });
}

/** Lines under an operator: script size, close together (amsmath's `subarray`, `\substack`). */
export function readSubarray(reader: MathReader, token: Token, letter: string): ArrayNode {
  return readArray(reader, token, {
    ...arraySpec(reader),
    style: 'script',
    strut: false,
    sideSep: 0,
    // `\baselineskip` is that of the script size: its height with and depth of numerator and denominator.
    baselineSkip: 0.85 * reader.it.font.size,
    lineGap: 1 * PT,
    columns: columnsOf(LETTERS[letter] ?? 'center').slice(0, 1),
  });
}

export const subarray: EnvironmentEntry = {
  name: 'subarray',
  signature: 'm',
  package: 'amsmath',
  description: 'Several lines under an operator, set left or centred.',
  example: '\\begin{subarray}{l} i<n \\\\ k \\ne i \\end{subarray}',
  math: (reader, token) =>
    readSubarray(reader, token, readArgument(reader.p, token)?.[0]?.text ?? 'c'),
};

/** Matrices of amsmath, by what they stand between. */
export const BRACKETS: readonly (readonly [string, string | null, string | null])[] = [
  ['', null, null],
  ['p', '(', ')'],
  ['b', '[', ']'],
  ['B', '{', '}'],
  ['v', '|', '|'],
  ['V', '‖', '‖'],
];

export const amsMatrices: readonly EnvironmentEntry[] = [
  ...BRACKETS.map(([letter, left, right]) => matrix(`${letter}matrix`, left, right)),
  matrix('smallmatrix', null, null, true),
  cases('cases', 'text', '{', null),
  innerAlignment('aligned', 'aligned', true),
  innerAlignment('alignedat', 'aligned', true),
  innerAlignment('gathered', 'gathered', true),
  innerAlignment('split', 'aligned', false),
  subarray,
];

export const toolsMatrices: readonly EnvironmentEntry[] = [
  cases('dcases', 'display', '{', null),
  cases('dcases*', 'display', '{', null),
  cases('cases*', 'text', '{', null),
  cases('rcases', 'text', null, '}'),
  cases('rcases*', 'text', null, '}'),
  cases('drcases', 'display', null, '}'),
  cases('drcases*', 'display', null, '}'),
  ...BRACKETS.map(([letter, left, right]) => matrix(`${letter}matrix*`, left, right)),
  ...BRACKETS.slice(1).flatMap(([letter, left, right]) => [
    matrix(`${letter}smallmatrix`, left, right, true),
    matrix(`${letter}smallmatrix*`, left, right, true),
  ]),
  matrix('smallmatrix*', null, null, true),
  gatheredAt('lgathered', 'left'),
  gatheredAt('rgathered', 'right'),
  multlined,
];
