import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import type { Interpreter } from '../machine/interpreter';
import type { Grid } from './tableGrid';

/** Commands within the cells of nicematrix: styles of rows, turned cells, notes. */

/** Rules at the head of a row. */
export const RULES = /^(?:hline|Hline|hdottedline|hdashline|toprule|midrule|bottomrule)$/;

/** `\RowStyle[bold,color=red]{…}`: what a row is set with from the cell on in which it stands. */
function styleAt(cell: readonly Token[]): { style: string; rows: number; end: number } | null {
  const at = cell.findIndex(({ cat }) => cat !== Cat.Space);
  if (cell[at]?.cat !== Cat.Command || cell[at]?.text !== 'RowStyle') return null;
  let depth = 0;
  const end = cell.findIndex((token, i) => {
    if (i <= at) return false;
    if (token.cat === Cat.Begin) depth++;
    return token.cat === Cat.End && --depth === 0;
  });
  const text = tokensText(cell.slice(at + 1, end + 1));
  const [, keys = '', code = ''] = /^\s*(?:\[([^\]]*)\])?\s*\{([\s\S]*)\}$/.exec(text) ?? [];
  const colour = /(?:^|,)\s*color\s*=\s*([^,]+)/.exec(keys)?.[1];
  const style = `${/(?:^|,)\s*bold/.test(keys) ? '\\bfseries\\boldmath ' : ''}${colour ? `\\color{${colour}}` : ''}${code}`;
  return { style, rows: Number(/nb-rows\s*=\s*(\d+)/.exec(keys)?.[1] ?? 1), end };
}

/** The style of each cell, by where `\RowStyle` stands. */
export function rowStyles(rows: readonly (readonly (readonly Token[])[])[]) {
  const said = rows.flatMap((cells, r) =>
    cells.flatMap((cell, c) => {
      const found = styleAt(cell.slice(rulesAhead(cell)));
      return found ? [{ r, c, ...found }] : [];
    }),
  );
  return (row: number, column: number): string =>
    said
      .filter(({ r, c, rows: high }) => row >= r && row < r + high && column >= c)
      .map(({ style }) => style)
      .join('');
}
const rulesAhead = (cell: readonly Token[]): number => {
  let at = 0;
  while (cell[at] && (cell[at]?.cat === Cat.Space || RULES.test(cell[at]?.text ?? ''))) at++;
  return at;
};

/** A cell without what styles its row; `\rotate` turns the rest of it. */
export function withoutStyle(it: Interpreter, cell: readonly Token[]): readonly Token[] {
  const found = styleAt(cell);
  const rest = found ? cell.slice(found.end + 1) : cell;
  const at = rest.findIndex(({ cat }) => cat !== Cat.Space);
  if (rest[at]?.cat !== Cat.Command || rest[at]?.text !== 'rotate') return rest;
  return [...it.source('\\rotatebox{90}{'), ...rest.slice(at + 1), ...it.source('}')];
}

/** `\tabularnote{…}`: letters in the cells, and the notes that stand below the table. */
export function notesOf(it: Interpreter, grid: Grid): { grid: Grid; notes: readonly Token[][] } {
  const notes: Token[][] = [];
  const take = (content: readonly Token[]): readonly Token[] => {
    const at = content.findIndex(({ cat, text }) => cat === Cat.Command && text === 'tabularnote');
    if (at < 0) return content;
    let depth = 0;
    const end = content.findIndex((token, i) => {
      if (i <= at) return false;
      if (token.cat === Cat.Begin) depth++;
      return token.cat === Cat.End && --depth === 0;
    });
    if (end < 0) return content;
    const open = content.findIndex((token, i) => i > at && token.cat === Cat.Begin);
    notes.push(content.slice(open + 1, end));
    return [
      ...content.slice(0, at),
      ...it.source(`\\textsuperscript{\\textit{${noteLetter(notes.length)}}}`),
      ...take(content.slice(end + 1)),
    ];
  };
  const cells = grid.cells.map((row) =>
    row.map((cell) => ({ ...cell, content: take(cell.content) })),
  );
  return { grid: { ...grid, cells }, notes };
}
const noteLetter = (n: number): string => String.fromCharCode(96 + Math.min(26, n));

/** A table with notes below it, as wide as it is. */
export const withNotes = (
  it: Interpreter,
  table: readonly Token[],
  notes: readonly (readonly Token[])[],
): readonly Token[] =>
  notes.length === 0
    ? table
    : [
        ...it.source('\\begin{tabular}{@{}l@{}}'),
        ...table,
        ...notes.flatMap((note, i) => [
          ...it.source(`\\\\{\\footnotesize\\textsuperscript{\\textit{${noteLetter(i + 1)}}}\\ `),
          ...note,
          ...it.source('}'),
        ]),
        ...it.source('\\end{tabular}'),
      ];
