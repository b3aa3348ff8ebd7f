import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { rowsOf, tallBracket } from '../constructs/borderMatrix';
import type { Interpreter } from '../machine/interpreter';
import { barPlaces, isColumn } from './tableGrid';

/** Which rows and columns stand outside the brackets (nicematrix manual, section 12). */
interface Borders {
  readonly firstRow: boolean;
  readonly lastRow: boolean;
  readonly firstColumn: boolean;
  readonly lastColumn: boolean;
}

/** The rows and columns outside that the options name; null when they name none. */
export function bordersIn(options: string): Borders | null {
  const has = (side: string, what: string): boolean =>
    new RegExp(`(?:^|[,\\s])${side}-${what}(?:$|[,\\s=])`).test(options);
  const borders = {
    firstRow: has('first', 'row'),
    lastRow: has('last', 'row'),
    firstColumn: has('first', 'col'),
    lastColumn: has('last', 'col'),
  };
  return Object.values(borders).includes(true) ? borders : null;
}

type Cells = readonly (readonly Token[])[];

const isBlank = (cell: readonly Token[] | undefined): boolean =>
  cell !== undefined && cell.every(({ cat }) => cat === Cat.Space);

/** Dots that go on over empty cells: the command, what stands in each cell, and which way they go. */
const RUNS: Readonly<Record<string, readonly [cell: string, down: number, across: number]>> = {
  Cdots: ['cdots', 0, 1],
  Ldots: ['ldots', 0, 1],
  Vdots: ['vdots', 1, 0],
  Ddots: ['ddots', 1, 1],
  Iddots: ['iddots', 1, -1],
};

/** Dots of a cell go on over the empty ones behind it, as far as those reach (manual, section 9). */
export function runningDots(it: Interpreter, rows: readonly Cells[]): readonly Cells[] {
  const filled = rows.map((cells) => cells.map((cell): readonly Token[] => cell));
  rows.forEach((cells, r) =>
    cells.forEach((cell, c) => {
      const first = cell.find(({ cat }) => cat !== Cat.Space);
      const run = first?.cat === Cat.Command ? RUNS[first.text] : undefined;
      if (!run) return;
      const [name, down, across] = run;
      for (let i = 1; isBlank(rows[r + i * down]?.[c + i * across]); i++) {
        const row = filled[r + i * down];
        if (row) row[c + i * across] = [it.p.command(name)];
        if (down + across === 0) return;
      }
    }),
  );
  return filled;
}

/** The rules at the head of a row, and the rest of its first cell. */
function withoutRules(cell: readonly Token[]): [readonly Token[], readonly Token[]] {
  let at = 0;
  while (cell[at]?.cat === Cat.Space || /^[hH]line$/.test(cell[at]?.text ?? '')) at++;
  return [cell.slice(0, at), cell.slice(at)];
}

/** An array whose brackets leave rows and columns at its edges outside. */
export function borderedArray(
  it: Interpreter,
  body: readonly Token[],
  columns: readonly string[] | null,
  borders: Borders,
  [left, right]: readonly [string | null, string | null],
  options = '',
): Token[] {
  const code = (side: string): Token[] =>
    it.source(
      new RegExp(`code-for-${side}\\s*=\\s*\\{?([^,{}]*(?:\\{[^{}]*\\})?)`).exec(options)?.[1] ??
        '',
    );
  const rows = runningDots(it, rowsOf(body));
  const { firstRow, lastRow, firstColumn, lastColumn } = borders;
  const width = Math.max(1, ...rows.map((cells) => cells.length));
  const [from, to] = [firstColumn ? 1 : 0, width - (lastColumn ? 1 : 0)];
  const inner = Array.from({ length: Math.max(0, to - from) }, () => 'c');
  const spec = (columns ?? inner).join('');
  const [top, bottom] = [firstRow ? 1 : 0, rows.length - (lastRow ? 1 : 0)];
  const bars = columns !== null && barPlaces(columns).size > 0;
  const alignments = (columns ?? inner).filter(isColumn);
  const bracket = (side: 'left' | 'right', char: string | null): Token[] =>
    char === null
      ? []
      : it.source(tallBracket(side, /[{}]/.test(char) ? `\\${char}` : char, bottom - top));
  /** What the options say of cells outside the brackets. */
  const styled = (cell: readonly Token[], r: number, c: number): readonly Token[] => [
    ...(r < top ? code('first-row') : r >= bottom ? code('last-row') : []),
    ...(c < from ? code('first-col') : c >= to ? code('last-col') : []),
    ...cell,
  ];
  const cellAt = (cells: Cells, r: number, c: number): readonly Token[] => {
    const cell = styled(c === 0 ? withoutRules(cells[0] ?? [])[1] : (cells[c] ?? []), r, c);
    const outside = r < top || r >= bottom;
    // Bars part what is inside the brackets only.
    if (outside && bars && c >= from && c < to)
      return [
        ...it.source(`\\multicolumn{1}{${alignments[c - from] ?? 'c'}}{`),
        ...cell,
        ...it.source('}'),
      ];
    if (r !== top) return cell;
    return [
      ...(c === from ? bracket('left', left) : []),
      ...cell,
      ...(c === to - 1 ? bracket('right', right) : []),
    ];
  };
  return [
    ...it.source(
      `\\begin{array}{${firstColumn ? '@{}r' : ''}@{\\quad}${spec}@{\\quad}${lastColumn ? 'l@{}' : ''}}`,
    ),
    ...rows.flatMap((cells, r) => [
      ...(r > 0 ? it.source('\\\\') : []),
      ...withoutRules(cells[0] ?? [])[0],
      ...Array.from({ length: width }, (_, c) => [
        ...(c > 0 ? it.source('&') : []),
        ...cellAt(cells, r, c),
      ]).flat(),
    ]),
    ...it.source('\\end{array}'),
  ];
}
