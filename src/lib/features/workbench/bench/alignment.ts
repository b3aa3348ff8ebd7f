import { blanked, shapeOf } from '@odd-compass/engine/shape';

/** A cell of an alignment: its text without the blanks around it, and where that stands. */
export interface Cell {
  readonly text: string;
  readonly from: number;
  readonly to: number;
}

export interface Row {
  readonly cells: readonly Cell[];
  /** What stands behind its `\\`: a space below, or nothing. */
  readonly skip: string;
}

/** Rows and tabs of a text, those within braces and inner environments left out. */
function partsOf(text: string): {
  rows: { from: number; to: number; skip: string }[];
  tabs: number[];
} {
  const shape = shapeOf(text);
  const rows: { from: number; to: number; skip: string }[] = [];
  const tabs: number[] = [];
  let depth = 0;
  let from = 0;
  for (const part of shape.parts) {
    if (part.kind === 'open' || part.kind === 'begin') depth++;
    else if (part.kind === 'close' || part.kind === 'end') depth--;
    else if (depth === 0 && part.from >= from && part.kind === 'tab') tabs.push(part.from);
    else if (depth === 0 && part.from >= from && part.kind === 'row') {
      const skip = /^\*?(?:\s*\[[^\]]*\])?/.exec(text.slice(part.to))?.[0] ?? '';
      rows.push({ from, to: part.from, skip });
      from = part.to + skip.length;
    }
  }
  if (blanked(shape, 'comment').slice(from).trim() !== '' || rows.length === 0)
    rows.push({ from, to: text.length, skip: '' });
  return { rows, tabs };
}

/** The cells of one line of an alignment, as texts. */
export const cellsOf = (line: string): string[] =>
  readRows(line)[0]?.cells.map(({ text }) => text) ?? [];

/** A line without its alignment marks; those in braces, or written `\\&`, stay. */
export function withoutTabs(line: string): string {
  const { tabs } = partsOf(line);
  return [...tabs]
    .reverse()
    .reduce((text, at) => text.slice(0, at) + text.slice(at + 1).replace(/^\s/, ''), line)
    .trim();
}

/** Before a cell that begins as what `\\` takes for its own does, when it follows one (amsldoc, section 3.3). */
const GUARD = '{}';
const GUARDED = /^\{\}(?=[[*])/;

/** The first cell of a row as it is written behind a `\\`. */
export const guarded = (cell: string): string => (/^[[*]/.test(cell) ? GUARD + cell : cell);

/** The rows and cells of an alignment's body; `base` is where that stands in the text. */
export function readRows(body: string, base = 0): Row[] {
  const { rows, tabs } = partsOf(body);
  return rows.map(({ from, to, skip }): Row => {
    const edges = [from - 1, ...tabs.filter((t) => t >= from && t < to), to];
    const cells = edges.slice(1).map((end, i): Cell => {
      const start = (edges[i] as number) + 1;
      const raw = body.slice(start, end);
      const blank = /^\s*/.exec(raw)?.[0].length ?? 0;
      const given = raw.trim();
      const text = i === 0 ? given.replace(GUARDED, '') : given;
      const before = blank + given.length - text.length;
      return {
        text,
        from: base + start + (text === '' ? 0 : before),
        to: base + start + (text === '' ? raw.length : before + text.length),
      };
    });
    return { cells, skip };
  });
}

/** Rows written out, a line each, cells below one another. */
export function writeRows(
  rows: readonly { cells: readonly string[]; skip?: string }[],
  indent = '  ',
): string {
  const widths: number[] = [];
  for (const { cells } of rows)
    cells.forEach((cell, c) => (widths[c] = Math.max(widths[c] ?? 0, cell.length)));
  return rows
    .map(({ cells, skip = '' }, r) => {
      const line = cells.map((given, c) => {
        const cell = c === 0 && r > 0 ? guarded(given) : given;
        return c + 1 < cells.length ? cell.padEnd(widths[c] ?? 0) : cell;
      });
      const last = r + 1 === rows.length;
      return `${indent}${line.join(' & ')}${last ? '' : ` \\\\${skip}`}`.trimEnd();
    })
    .join('\n');
}

/** Numbers and words copied from a spreadsheet: lines of cells parted by tabs; null for anything else. */
export function pastedCells(text: string): string[][] | null {
  if (!text.includes('\t') && !text.trim().includes('\n')) return null;
  return text
    .replace(/\r/g, '')
    .replace(/\n$/, '')
    .split('\n')
    .map((line) => line.split('\t').map((cell) => cell.trim()));
}
