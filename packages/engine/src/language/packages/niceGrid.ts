import { readArgument, readOptional } from '../../expansion/arguments';
import { BRACKETS } from '../constructs/mathMatrices';
import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { rowsOf } from '../constructs/borderMatrix';
import { tokensOf, type CommandEntry, type EnvironmentEntry } from '../machine/entries';
import { environmentTokens } from '../machine/environmentTokens';
import { closeNamed } from '../machine/environments';
import { idleEntry, macroEntry } from '../machine/macroEntry';
import type { Interpreter } from '../machine/interpreter';
import { borderedArray, bordersIn, runningDots } from './niceBorders';
import {
  barPlaces,
  gridTokens,
  isColumn,
  type CellLook,
  type Grid,
  type GridCell,
} from './tableGrid';

const MOST = 60;
const RULES = /^(?:hline|Hline|hdottedline|hdashline|toprule|midrule|bottomrule)$/;

/** A colour given to places: cells `1-2`, rows, columns or a rectangle (nicematrix manual, section 9). */
interface Painted {
  readonly color: string;
  readonly holds: (row: number, column: number) => boolean;
}

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
function blockIn(
  cell: readonly Token[],
): { rows: number; columns: number; content: readonly Token[]; look: CellLook } | null {
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
  return {
    rows: Math.min(MOST, rows),
    columns: Math.min(MOST, columns),
    content: [...type, ...content],
    look: { ...(align ? { halign: align as 'l' | 'c' | 'r' } : {}), ...(fill ? { bg: fill } : {}) },
  };
}

function niceGrid(
  it: Interpreter,
  body: readonly Token[],
  columns: readonly string[],
  options: string,
): Grid {
  const bodyAt = commandAt(body, 'Body');
  const beforeAt = commandAt(body, 'CodeBefore');
  const afterAt = commandAt(body, 'CodeAfter');
  const paint =
    beforeAt >= 0 ? painted(tokensText(body.slice(beforeAt + 1, Math.max(beforeAt, bodyAt)))) : [];
  const inner = body.slice(bodyAt + 1, afterAt < 0 ? body.length : afterAt);
  const rows = [...runningDots(it, rowsOf(inner))];
  const split = (cell: readonly Token[]): [readonly Token[], readonly Token[]] => {
    let at = 0;
    while (cell[at] && (cell[at]?.cat === Cat.Space || RULES.test(cell[at]?.text ?? ''))) at++;
    return [cell.slice(0, at), cell.slice(at)];
  };
  const tail = rows.at(-1);
  const isTail = rows.length > 1 && tail?.length === 1 && split(tail[0] ?? [])[1].length === 0;
  const rules = rows.map((cells) => split(cells[0] ?? [])[0]);
  if (isTail) rows.pop();
  const bars = barPlaces(columns);
  const plain = columns.filter(isColumn);
  const all = /hvlines/.test(options);
  return {
    cells: rows.map((cells, r) =>
      cells.map((tokens, c): GridCell => {
        const content = c === 0 ? split(tokens)[1] : tokens;
        const block = blockIn(content);
        const bg = paint.findLast(({ holds }) => holds(r + 1, c + 1))?.color;
        const ground = bg === undefined ? {} : { bg };
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
    const body = environmentTokens(it.p, name);
    closeNamed(it, name);
    const wide = signature.startsWith('m') ? `{${tokensText(tokensOf(args, 0))}}` : '';
    const grid = niceGrid(it, body, columnsOf(preamble), options);
    it.p.push(gridTokens(it, grid, wide === '' ? 'tabular' : 'tabularx', wide));
  },
});

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
    const body = environmentTokens(p, name);
    const borders = bordersIn(options);
    if (borders) {
      p.push(borderedArray(it, body, columnsOf(preamble), borders, [left, right]));
      return null;
    }
    const grid = niceGrid(it, body, columnsOf(preamble), options);
    const bracket = (side: 'left' | 'right', char: string | null): Token[] =>
      char === null ? [] : it.source(`\\${side}${/[{}]/.test(char) ? '\\' : ''}${char}`);
    p.push([
      ...bracket('left', left),
      ...gridTokens(it, grid, 'array'),
      ...bracket('right', right),
    ]);
    return null;
  },
});

/** Tables and arrays of nicematrix with columns of their own (its manual, sections 3 to 9). */
export const niceTables: readonly EnvironmentEntry[] = [
  tabular('NiceTabular', 'om'),
  tabular('NiceTabularX', 'mom'),
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
  idleEntry('RowStyle', 'om', 'How a row looks.'),
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
    'What is drawn over the cells; it is left out.',
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
