import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { Interpreter } from '../machine/interpreter';

/** How a cell of a table looks, where its keys say so. */
export interface CellLook {
  readonly bg?: string;
  readonly fg?: string;
  readonly font?: string;
  readonly halign?: 'l' | 'c' | 'r';
  /** A command that takes the words, what stands before and behind them, and formulas throughout. */
  readonly command?: string;
  readonly before?: string;
  readonly behind?: string;
  readonly math?: boolean;
}

/** A cell with how many rows and columns it covers. */
export interface GridCell {
  readonly content: readonly Token[];
  readonly rows: number;
  readonly columns: number;
  readonly look: CellLook;
}

/** A table as cells, with the lines above each row (1 is the first, one more than there are rows the last). */
export interface Grid {
  /** In a formula: what paints behind its cells, read in the first of them. */
  readonly patches?: readonly Token[];
  readonly cells: readonly (readonly GridCell[])[];
  /** What stands before each row: rules written in it. */
  readonly rules: readonly (readonly Token[])[];
  readonly lineAbove: (row: number) => boolean;
  /** The line above a row, where it looks otherwise than usual or does not go all across. */
  readonly ownLine?: (row: number) => string | null;
  /** The columns as `tabular` knows them, without lines. */
  readonly columns: readonly string[];
  readonly lineBefore: (column: number) => boolean;
  /** The line before a column, where it looks otherwise than a bar. */
  readonly ownBar?: (column: number) => string | null;
}

const barOf = (grid: Grid, column: number): string =>
  grid.ownBar?.(column) ?? (grid.lineBefore(column) ? '|' : '');

/** Whether a part of a specification is a column: no bar, nothing between columns. */
export const isColumn = (part: string): boolean => !/^[|@!><]/.test(part);

/** Before which columns a bar stands in the specification. */
export function barPlaces(parts: readonly string[]): ReadonlySet<number> {
  const out = new Set<number>();
  let column = 1;
  for (const part of parts) {
    if (part === '|') out.add(column);
    else if (isColumn(part)) column++;
  }
  return out;
}

const group = (it: Interpreter, tokens: readonly Token[]): Token[] => [
  it.p.make(Cat.Begin, '{'),
  ...tokens,
  it.p.make(Cat.End, '}'),
];

/** What a cell is set with: ground, colour, type. */
function dressed(it: Interpreter, { content, look }: GridCell, inFormula: boolean): Token[] {
  // Formulas have no grounds behind their entries.
  const before =
    (look.bg && !inFormula ? `\\cellcolor{${look.bg}}` : '') +
    (look.fg ? `\\color{${look.fg}}` : '') +
    (look.font ? `${look.font} ` : '');
  const words = worded(it, content, look);
  return before === '' ? words : [...it.source(before), ...words];
}

/** The words of a cell with what its keys put around them. */
function worded(it: Interpreter, content: readonly Token[], look: CellLook): Token[] {
  const isEmpty = content.every(({ cat }) => cat === Cat.Space);
  if (isEmpty) return [...content];
  const math = look.math ? it.source('$') : [];
  const inner = [
    ...it.source(look.before ?? ''),
    ...math,
    ...content,
    ...math,
    ...it.source(look.behind ?? ''),
  ];
  return look.command ? [...it.source(look.command), ...group(it, inner)] : inner;
}

/** A cell that goes on from above, and by how many rows. */
interface Above {
  readonly cell: GridCell;
  readonly offset: number;
}

/** Which places are covered by a cell from above. */
function coveredFromAbove(grid: Grid): (Above | null)[][] {
  const covered = grid.cells.map((row) => row.map((): Above | null => null));
  grid.cells.forEach((row, r) =>
    row.forEach((cell, c) => {
      for (let offset = 1; offset < cell.rows; offset++) {
        const line = covered[r + offset];
        if (line && c < line.length) line[c] = { cell, offset };
      }
    }),
  );
  return covered;
}

/** The lines above a row: whole, or in parts where a cell from above goes on. */
function lineTokens(
  it: Interpreter,
  grid: Grid,
  row: number,
  line: readonly (Above | null)[],
): Token[] {
  const own = grid.ownLine?.(row + 1) ?? null;
  if (own !== null && line.every((above) => above === null)) return it.source(own);
  if (!grid.lineAbove(row + 1)) return [];
  if (line.every((above) => above === null)) return it.source('\\hline ');
  const out: string[] = [];
  for (let c = 0; c < grid.columns.length; c += Math.max(1, line[c]?.cell.columns ?? 1))
    if (!line[c]) out.push(`\\cline{${c + 1}-${c + 1}}`);
  return it.source(out.join(''));
}

/** A ground that goes on from above; its words stand in the last row, over all of it. */
function groundTokens(it: Interpreter, { cell, offset }: Above, bg: string): Token[] {
  const ground = it.source(`\\cellcolor{${bg}}`);
  if (offset < cell.rows - 1) return ground;
  const { look } = cell;
  const inner = dressed(it, { ...cell, look: { ...look, bg: '' } }, false);
  return [...ground, ...it.source(`\\multirow{-${cell.rows}}{*}`), ...group(it, inner)];
}

/** What stands in a place: a tall cell's words in the middle of its rows. */
function placeTokens(
  it: Interpreter,
  cell: GridCell,
  above: Above | null,
  inFormula: boolean,
): Token[] {
  if (inFormula) {
    const whole = above?.cell ?? cell;
    const middle = Math.floor((whole.rows - 1) / 2);
    if ((above?.offset ?? 0) !== middle) return [];
    const inner = dressed(it, whole, true);
    if (whole.rows % 2 === 1 || inner.every(({ cat }) => cat === Cat.Space)) return inner;
    // Between two rows: half a line down.
    const low = it.source('\\smash{\\lower\\dimexpr.5\\baselineskip\\relax\\hbox{$');
    return [...low, ...inner, ...it.source('$}}')];
  }
  const { bg } = (above?.cell ?? cell).look;
  if (bg && above) return groundTokens(it, above, bg);
  if (above) return [];
  if (bg && cell.rows > 1) return it.source(`\\cellcolor{${bg}}`);
  const inner = dressed(it, cell, false);
  if (cell.rows === 1) return inner;
  return [...it.source(`\\multirow{${cell.rows}}{*}`), ...group(it, inner)];
}

function rowTokens(
  it: Interpreter,
  grid: Grid,
  cells: readonly GridCell[],
  line: readonly (Above | null)[],
  inFormula: boolean,
): Token[] {
  const out: Token[] = [];
  const bar = (column: number): string => barOf(grid, column + 1);
  for (let c = 0; c < cells.length;) {
    if (c > 0) out.push(...it.source('&'));
    const cell = cells[c] as GridCell;
    const above = line[c] ?? null;
    const width = Math.max(1, (above?.cell ?? cell).columns);
    const usual = /^[lcr]/.exec(grid.columns[c] ?? 'l')?.[0] ?? 'l';
    const align = cell.look.halign ?? (width > 1 ? 'c' : usual);
    const inner = placeTokens(it, cell, above, inFormula);
    if (width === 1 && (cell.look.halign === undefined || align === usual)) out.push(...inner);
    else {
      const before = c === 0 ? bar(0) : '';
      out.push(
        ...it.source(`\\multicolumn{${width}}{${before}${align}${bar(c + width)}}`),
        ...group(it, inner),
      );
    }
    c += width;
  }
  return out;
}

/** A grid as a `tabular` or an `array`. */
export function gridTokens(
  it: Interpreter,
  grid: Grid,
  environment: string,
  between = '',
): Token[] {
  const covered = coveredFromAbove(grid);
  const count = grid.columns.length;
  const spec = grid.columns.map((column, i) => `${barOf(grid, i + 1)}${column}`).join('');
  const out = it.source(`\\begin{${environment}}${between}{${spec}${barOf(grid, count + 1)}}`);
  const last = grid.cells.length;
  const hasFoot = grid.lineAbove(last + 1) || grid.ownLine?.(last + 1);
  const body = grid.cells.flatMap((_, r) => [
    ...lineTokens(it, grid, r, covered[r] ?? []),
    ...(grid.rules[r] ?? []),
    ...(r === 0 && environment === 'array' ? (grid.patches ?? []) : []),
    ...rowTokens(it, grid, grid.cells[r] ?? [], covered[r] ?? [], environment === 'array'),
    ...(r < last - 1 || hasFoot || (grid.rules[last]?.length ?? 0) > 0 ? it.source('\\\\') : []),
  ]);
  const foot = [
    ...(hasFoot ? it.source(grid.ownLine?.(last + 1) ?? '\\hline ') : []),
    ...(grid.rules[last] ?? []),
  ];
  return [...out, ...body, ...foot, ...it.source(`\\end{${environment}}`)];
}
