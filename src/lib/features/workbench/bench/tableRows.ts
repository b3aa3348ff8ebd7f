import { guarded, readRows, type Cell } from './alignment';

/** A row of a table: the rules drawn above it, and its cells. */
export interface TableRow {
  readonly rules: string;
  readonly cells: readonly Cell[];
  readonly skip: string;
}

export interface TableBody {
  readonly rows: readonly TableRow[];
  /** Rules below the last row. */
  readonly tail: string;
}

const RULES =
  /^(?:\s*(?:\\hline|\\(?:top|mid|bottom)rule|\\cline\{[^{}]*\}|\\cmidrule(?:\([^)]*\))?\{[^{}]*\}|\\addlinespace)(?![A-Za-z]))+/;

/** The rows of a table's body, with the rules between them; `base` is where it stands. */
export function readTable(body: string, base = 0): TableBody {
  const rows = readRows(body, base).map(({ cells, skip }): TableRow => {
    const [first, ...others] = cells;
    const rules = first ? (RULES.exec(first.text)?.[0] ?? '') : '';
    if (!first || rules === '') return { rules: '', cells, skip };
    const text = first.text.slice(rules.length).trim();
    const from = text === '' ? first.to : first.to - text.length;
    return { rules: rules.trim(), cells: [{ text, from, to: first.to }, ...others], skip };
  });
  const last = rows.at(-1);
  const onlyRules = last && last.rules !== '' && last.cells.every(({ text }) => text === '');
  return onlyRules && rows.length > 1
    ? { rows: rows.slice(0, -1), tail: last.rules }
    : { rows, tail: '' };
}

/** A row as it is written: its rules and its cells. */
export interface WrittenRow {
  readonly rules: string;
  readonly cells: readonly string[];
  readonly skip?: string;
}

/** The body of a table, a line for each row, cells below one another, rules on lines of their own. */
export function writeTable(rows: readonly WrittenRow[], tail: string, indent = '  '): string {
  const widths: number[] = [];
  for (const { cells } of rows)
    cells.forEach((cell, c) => (widths[c] = Math.max(widths[c] ?? 0, cell.length)));
  const lines = rows.map(({ rules, cells, skip = '' }, r) => {
    const line = cells
      .map((given, c) => {
        const cell = c === 0 && r > 0 && rules === '' ? guarded(given) : given;
        return c + 1 < cells.length ? cell.padEnd(widths[c] ?? 0) : cell;
      })
      .join(' & ');
    const last = r + 1 === rows.length && tail === '';
    const above = rules === '' ? '' : `${indent}${rules}\n`;
    return `${above}${indent}${line}${last ? '' : ` \\\\${skip}`}`.trimEnd();
  });
  return [...lines, ...(tail === '' ? [] : [`${indent}${tail}`])].join('\n');
}

/** How a table is ruled. */
export type Ruling = 'none' | 'all' | 'book';

/** Rows with other rules: none, one between all, or the three of a book (over, under the head, below). */
export function ruled(
  rows: readonly WrittenRow[],
  ruling: Ruling,
): { rows: WrittenRow[]; tail: string } {
  const over = (r: number): string => {
    if (ruling === 'none') return '';
    if (ruling === 'all') return '\\hline';
    return r === 0 ? '\\toprule' : r === 1 ? '\\midrule' : '';
  };
  const tail = ruling === 'none' ? '' : ruling === 'all' ? '\\hline' : '\\bottomrule';
  return { rows: rows.map((row, r) => ({ ...row, rules: over(r) })), tail };
}

export function rulingOf({ rows, tail }: TableBody): Ruling {
  if (/rule/.test(tail) || rows.some(({ rules }) => /rule/.test(rules))) return 'book';
  return tail !== '' || rows.some(({ rules }) => rules !== '') ? 'all' : 'none';
}
