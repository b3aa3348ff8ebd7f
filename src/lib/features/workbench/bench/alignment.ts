import { withoutComments } from '../source/structure';

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

/** Parts of a text at marks outside braces and inner environments. */
function partsOf(text: string): {
  rows: { from: number; to: number; skip: string }[];
  tabs: number[];
} {
  const source = withoutComments(text);
  const rows: { from: number; to: number; skip: string }[] = [];
  const tabs: number[] = [];
  let depth = 0;
  let from = 0;
  for (let i = 0; i < source.length; i++) {
    const rest = source.slice(i, i + 24);
    const edge = /^\\(begin|end)\s*\{/.exec(rest);
    if (edge) {
      depth += edge[1] === 'begin' ? 1 : -1;
      i += edge[0].length - 2;
    } else if (source[i] === '\\' && source[i + 1] === '\\') {
      if (depth === 0) {
        const skip = /^\\\\(\*?\s*\[[^\]]*\])?/.exec(source.slice(i)) ?? ['\\\\', ''];
        rows.push({ from, to: i, skip: skip[1] ?? '' });
        from = i + skip[0].length;
        i = from - 1;
      } else i++;
    } else if (source[i] === '\\') i++;
    else if (source[i] === '{') depth++;
    else if (source[i] === '}') depth--;
    else if (source[i] === '&' && depth === 0) tabs.push(i);
  }
  if (source.slice(from).trim() !== '' || rows.length === 0)
    rows.push({ from, to: source.length, skip: '' });
  return { rows, tabs };
}

/** The rows and cells of an alignment's body; `base` is where that stands in the text. */
export function readRows(body: string, base = 0): Row[] {
  const { rows, tabs } = partsOf(body);
  return rows.map(({ from, to, skip }): Row => {
    const edges = [from - 1, ...tabs.filter((t) => t >= from && t < to), to];
    const cells = edges.slice(1).map((end, i): Cell => {
      const start = (edges[i] as number) + 1;
      const raw = body.slice(start, end);
      const before = /^\s*/.exec(raw)?.[0].length ?? 0;
      const text = raw.trim();
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
      const line = cells.map((cell, c) =>
        c + 1 < cells.length ? cell.padEnd(widths[c] ?? 0) : cell,
      );
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
