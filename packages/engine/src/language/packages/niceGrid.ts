import { readArgument, readOptional } from '../../expansion/arguments';
import { BRACKETS } from '../constructs/mathMatrices';
import { cell as stored } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { rowsOf } from '../constructs/borderMatrix';
import { tokensOf, type CommandEntry, type EnvironmentEntry } from '../machine/entries';
import { environmentTokens, formulaTokens } from '../machine/environmentTokens';
import { closeNamed } from '../machine/environments';
import { macroEntry } from '../machine/macroEntry';
import type { Interpreter } from '../machine/interpreter';
import { drawnOver } from './niceAfter';
import { borderedArray, bordersIn, runningDots } from './niceBorders';
import { notesOf, RULES, rowStyles, withNotes, withoutStyle } from './niceCells';
import { patchTokens, type Painted, type PlacedBlock } from './nicePatches';
import {
  barPlaces,
  gridTokens,
  isColumn,
  type CellLook,
  type Grid,
  type GridCell,
} from './tableGrid';

const MOST = 60;

/** What `\CodeBefore` paints. */
function painted(source: string): Painted[] {
  const out: Painted[] = [];
  const pattern =
    /\\(cellcolor|rowcolor|columncolor|rectanglecolor|rowcolors)\s*(?:\[[^\]]*\])?\{([^{}]*)\}\{([^{}]*)\}(?:\{([^{}]*)\})?/g;
  const inRange = (said: string, place: number): boolean =>
    said.split(',').some((part) => {
      const [from = 0, to = from] = part.split('-').map((end) => parseInt(end, 10));
      return place >= from && place <= (Number.isNaN(to) ? Infinity : to);
    });
  for (const [, name = '', color = '', first = '', second = ''] of source.matchAll(pattern)) {
    if (name === 'rowcolor') out.push({ color, holds: (row) => inRange(first, row) });
    else if (name === 'columncolor')
      out.push({ color, holds: (_, column) => inRange(first, column) });
    else if (name === 'rowcolors') {
      const start = parseInt(color, 10) || 1;
      if (first !== '')
        out.push({ color: first, holds: (row) => row >= start && (row - start) % 2 === 0 });
      if (second !== '')
        out.push({ color: second, holds: (row) => row >= start && (row - start) % 2 === 1 });
    } else if (name === 'cellcolor')
      out.push({
        color,
        holds: (row, column) => first.split(',').some((one) => one.trim() === `${row}-${column}`),
      });
    else {
      const [top = 0, left = 0] = first.split('-').map(Number);
      const [bottom = 0, right = 0] = second.split('-').map(Number);
      out.push({
        color,
        holds: (row, column) => row >= top && row <= bottom && column >= left && column <= right,
      });
    }
  }
  return out;
}

const commandAt = (tokens: readonly Token[], name: string): number =>
  tokens.findIndex((t) => t.cat === Cat.Command && t.text === name);

/** `\Block[…]{2-3}<\Large>{content}` at the head of a cell. */
function blockIn(cell: readonly Token[]): {
  rows: number;
  columns: number;
  content: readonly Token[];
  edge: string;
  look: CellLook;
} | null {
  const at = cell.findIndex(({ cat }) => cat !== Cat.Space);
  if (cell[at]?.cat !== Cat.Command || cell[at]?.text !== 'Block') return null;
  const groups: Token[][] = [];
  let [depth, brackets, angle] = [0, '', false];
  const type: Token[] = [];
  for (const token of cell.slice(at + 1)) {
    if (token.cat === Cat.End) depth--;
    if (depth > 0) groups.at(-1)?.push(token);
    else if (token.cat === Cat.Other && token.text === '<') angle = true;
    else if (token.cat === Cat.Other && token.text === '>') angle = false;
    else if (angle) type.push(token);
    else if (groups.length === 0 && token.cat !== Cat.Begin) brackets += token.text;
    if (token.cat === Cat.Begin && depth++ === 0) groups.push([]);
  }
  const [size = [], content = []] = groups;
  const [rows = 1, columns = 1] = tokensText(size)
    .split('-')
    .map((n) => parseInt(n, 10) || 1);
  const align = /(?:^|[[,\s])([lcr])(?:$|[\],\s])/.exec(brackets)?.[1];
  const fill = /(?:fill|color)\s*=\s*([\w!]+)/.exec(brackets)?.[1];
  const drawn = /(?:^|[[,\s])draw(?:\s*=\s*([\w!]+))?/.exec(brackets);
  return {
    rows: Math.min(MOST, rows),
    columns: Math.min(MOST, columns),
    content: [...type, ...content],
    edge: drawn ? (drawn[1] ?? 'black') : '',
    look: { ...(align ? { halign: align as 'l' | 'c' | 'r' } : {}), ...(fill ? { bg: fill } : {}) },
  };
}

/** A body without what stands before and behind its cells; what paints behind them. */
function partsOf(body: readonly Token[]): {
  inner: readonly Token[];
  paint: readonly Painted[];
  code: readonly Token[];
} {
  const bodyAt = commandAt(body, 'Body');
  const beforeAt = commandAt(body, 'CodeBefore');
  const afterAt = commandAt(body, 'CodeAfter');
  const paint =
    beforeAt >= 0 ? painted(tokensText(body.slice(beforeAt + 1, Math.max(beforeAt, bodyAt)))) : [];
  const code = afterAt < 0 ? [] : body.slice(afterAt + 1);
  return { inner: body.slice(bodyAt + 1, afterAt < 0 ? body.length : afterAt), paint, code };
}

/** The blocks of a grid, each where it stands. */
const blocksOf = (rows: readonly (readonly (readonly Token[])[])[]): PlacedBlock[] =>
  rows.flatMap((cells, r) =>
    cells.flatMap((cell, c) => {
      const block = blockIn(cell);
      if (!block) return [];
      const { rows: down, columns, edge, look } = block;
      return [{ row: r + 1, column: c + 1, rows: down, columns, fill: look.bg ?? '', edge }];
    }),
  );

function niceGrid(
  it: Interpreter,
  body: readonly Token[],
  given: readonly string[] | null,
  options: string,
  inFormula: boolean,
): { grid: Grid; after: readonly Token[] } {
  const { inner, paint, code } = partsOf(body);
  const dotted = runningDots(it, rowsOf(inner));
  const { rows: marked, after } = drawnOver(it, dotted, code, [1, 1], inFormula);
  const rows = [...marked];
  const split = (cell: readonly Token[]): [readonly Token[], readonly Token[]] => {
    let at = 0;
    while (cell[at] && (cell[at]?.cat === Cat.Space || RULES.test(cell[at]?.text ?? ''))) at++;
    return [cell.slice(0, at), cell.slice(at)];
  };
  const tail = rows.at(-1);
  const isTail = rows.length > 1 && tail?.length === 1 && split(tail[0] ?? [])[1].length === 0;
  const rules = rows.map((cells) => split(cells[0] ?? [])[0]);
  if (isTail) rows.pop();
  const count = Math.max(1, ...rows.map((cells) => cells.length));
  const width = /(?:^|[,\s])columns-width\s*=\s*([\d.]+\s*[a-z]+)/.exec(options)?.[1];
  const columns = given ?? Array.from({ length: count }, () => (width ? `w{c}{${width}}` : 'c'));
  const bars = barPlaces(columns);
  const plain = columns.filter(isColumn);
  const all = /hvlines/.test(options);
  const styles = rowStyles(rows);
  const grid: Grid = {
    patches: patchTokens(it, paint, blocksOf(rows), [rows.length, count]),
    cells: rows.map((cells, r) =>
      cells.map((tokens, c): GridCell => {
        const content = withoutStyle(it, c === 0 ? split(tokens)[1] : tokens);
        const block = blockIn(content);
        const bg = paint.findLast(({ holds }) => holds(r + 1, c + 1))?.color;
        const style = styles(r, c);
        const ground = { ...(bg === undefined ? {} : { bg }), ...(style ? { font: style } : {}) };
        return block
          ? { ...block, look: { ...ground, ...block.look } }
          : { content, rows: 1, columns: 1, look: ground };
      }),
    ),
    rules,
    lineAbove: () => all || /(?:^|[,\s])hlines/.test(options),
    columns: plain,
    lineBefore: (column) => all || /(?:^|[,\s])vlines/.test(options) || bars.has(column),
  };
  return { grid, after };
}

/** The columns of a preamble, one by one, bars among them. */
const columnsOf = (preamble: string): string[] =>
  preamble
    .replace(/\*\{?(\d+)\}?\{([^{}]*)\}/g, (_, n: string, one: string) =>
      one.repeat(Math.min(MOST, Number(n))),
    )
    .match(/[lcrXS]|[pmbwW](?:\{[^{}]*\})+|[@!><]\{[^{}]*\}|\|/g) ?? [];

const tabular = (name: string, signature: string): EnvironmentEntry => ({
  name,
  signature,
  package: 'nicematrix',
  description: 'A table with blocks over rows and columns, and colours behind its cells.',
  example: `\\begin{${name}}${signature.startsWith('m') ? '{\\linewidth}' : ''}{cc}[hvlines]\n\\Block{1-2}{tides} & \\\\ ebb & flow\n\\end{${name}}`,
  begin: (it, args) => {
    const preamble = tokensText(
      tokensOf(args, signature.indexOf('m', signature.startsWith('m') ? 1 : 0)),
    );
    const options =
      tokensText(readOptional(it.p) ?? []) + tokensText(tokensOf(args, signature.indexOf('o')));
    const body = environmentTokens(it, name);
    closeNamed(it, name);
    const wide = signature.startsWith('m') ? `{${tokensText(tokensOf(args, 0))}}` : '';
    const { grid, after } = niceGrid(it, body, columnsOf(preamble), options, false);
    const notes = notesOf(it, grid);
    const environment = wide === '' ? 'tabular' : name.endsWith('*') ? 'tabular*' : 'tabularx';
    it.p.push(
      withNotes(it, [...gridTokens(it, notes.grid, environment, wide), ...after], notes.notes),
    );
  },
});

/** Options for all that follow (`\NiceMatrixOptions`). */
export const NICE_OPTIONS = stored('niceoptions', '');

/** `1 2; 3 4`: blanks part entries, semicolons rows (option `light-syntax`). */
function heavySyntax(it: Interpreter, body: readonly Token[]): Token[] {
  const rows: Token[][][] = [[]];
  let depth = 0;
  let isNew = true;
  for (const token of body) {
    if (token.cat === Cat.Begin) depth++;
    else if (token.cat === Cat.End) depth--;
    if (depth === 0 && token.cat === Cat.Space) isNew = true;
    else if (depth === 0 && token.cat === Cat.Other && token.text === ';') {
      rows.push([]);
      isNew = true;
    } else {
      if (isNew) rows.at(-1)?.push([]);
      isNew = false;
      rows.at(-1)?.at(-1)?.push(token);
    }
  }
  return [
    ...joinedRows(
      it,
      rows.filter((row) => row.length > 0),
    ),
  ];
}

/** A matrix or array of nicematrix: with rows and columns outside its brackets, or as a grid in them. */
export function niceArray(
  it: Interpreter,
  given: readonly Token[],
  columns: readonly string[] | null,
  own: string,
  [left, right]: readonly [string | null, string | null],
): Token[] {
  const options = `${it.read(NICE_OPTIONS)},${own}`;
  const body = /light-syntax/.test(options) ? heavySyntax(it, given) : given;
  const borders = bordersIn(options);
  if (borders) {
    const { inner: plain, paint, code } = partsOf(body);
    const start = [borders.firstRow ? 0 : 1, borders.firstColumn ? 0 : 1] as const;
    const over = drawnOver(it, rowsOf(plain), code, start, true);
    const inner = over.after.length === 0 ? plain : joinedRows(it, over.rows);
    const rows = rowsOf(inner);
    const size = [rows.length, Math.max(1, ...rows.map((cells) => cells.length))] as const;
    const first = [borders.firstRow ? 0 : 1, borders.firstColumn ? 0 : 1] as const;
    const patches = patchTokens(it, paint, blocksOf(rows), size, first);
    const array = borderedArray(
      it,
      [...patches, ...inner],
      columns,
      borders,
      [left, right],
      options,
    );
    return [...array, ...over.after];
  }
  const { grid, after } = niceGrid(it, body, columns, options, true);
  const bracket = (side: 'left' | 'right', char: string | null): Token[] =>
    char === null ? [] : it.source(`\\${side}${/[{}]/.test(char) ? '\\' : ''}${char}`);
  // Matrices have no room at their sides (amsmath), arrays have that between columns.
  const side =
    columns === null && !/margin/.test(options) ? it.source('\\kern-\\arraycolsep ') : [];
  return [
    ...bracket('left', left),
    ...side,
    ...gridTokens(it, grid, 'array'),
    ...side,
    ...bracket('right', right),
    ...after,
  ];
}

const joinedRows = (
  it: Interpreter,
  rows: readonly (readonly (readonly Token[])[])[],
): readonly Token[] =>
  rows.flatMap((cells, r) => [
    ...(r > 0 ? it.source('\\\\') : []),
    ...cells.flatMap((cell, c) => [...(c > 0 ? it.source('&') : []), ...cell]),
  ]);

const array = (name: string, left: string | null, right: string | null): EnvironmentEntry => ({
  name,
  signature: 'om',
  package: 'nicematrix',
  description: 'An array with blocks over rows and columns.',
  example: `$\\begin{${name}}{c|c} \\Block{1-2}{A} & \\\\ a & b \\end{${name}}$`,
  math: (reader, token) => {
    const { it, p } = reader;
    const before = tokensText(readOptional(p) ?? []);
    const preamble = tokensText(readArgument(p, token) ?? []);
    const options = before + tokensText(readOptional(p) ?? []);
    const body = formulaTokens(reader, name, token);
    p.push(niceArray(it, body, columnsOf(preamble), options, [left, right]));
    return null;
  },
});

/** Tables and arrays of nicematrix with columns of their own (its manual, sections 3 to 9). */
export const niceTables: readonly EnvironmentEntry[] = [
  tabular('NiceTabular', 'om'),
  tabular('NiceTabularX', 'mom'),
  tabular('NiceTabular*', 'mom'),
  {
    name: 'NiceMatrixBlock',
    signature: 'o',
    package: 'nicematrix',
    description: 'Matrices whose columns are of one width.',
    example:
      '\\begin{NiceMatrixBlock}[auto-columns-width]\n$\\begin{pNiceMatrix} a \\end{pNiceMatrix}$\n\\end{NiceMatrixBlock}',
    begin: () => undefined,
    math: (reader, token) => {
      readOptional(reader.p);
      reader.p.push(formulaTokens(reader, 'NiceMatrixBlock', token));
      return null;
    },
  },
  array('NiceArray', null, null),
  ...BRACKETS.filter(([letter]) => letter !== '').map(([letter, left, right]) =>
    array(`${letter}NiceArray`, left, right),
  ),
];

const within = (inner: string): string => `\\begin{NiceTabular}{cc}${inner}\\end{NiceTabular}`;

/** What stands in their cells. */
export const niceCommands: readonly CommandEntry[] = [
  macroEntry(
    'Block',
    'omm',
    'A cell over rows and columns, 2-3 for two rows and three columns.',
    within('\\Block{1-2}{tides} & \\\\ a & b'),
    '#3',
  ),
  macroEntry(
    'RowStyle',
    'om',
    'How a row looks: bold, color=red, and what is said in braces.',
    within('\\RowStyle[bold]{} a & b'),
    '',
  ),
  macroEntry('rotate', '', 'A cell turned by a quarter.', within('\\rotate a & b'), ''),
  macroEntry(
    'CodeBefore',
    '',
    'What paints behind the cells, up to \\Body.',
    within('\\CodeBefore\\cellcolor{yellow}{1-1}\\Body a & b'),
    '',
  ),
  macroEntry(
    'CodeAfter',
    '',
    'What is drawn over the cells, which are nodes of pictures: (1-2) is the second of the first row.',
    within('a & b\\CodeAfter'),
    '',
  ),
  macroEntry(
    'Body',
    '',
    'The cells begin.',
    within('\\CodeBefore\\rowcolor{yellow}{1}\\Body a & b'),
    '',
  ),
  macroEntry('Hline', 'o', 'A line across.', within('a & b\\\\ \\Hline c & d'), '\\hline'),
];
