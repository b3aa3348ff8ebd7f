import { PT, type Sp } from '../../base/lengths';
import type { ArrayColumn, ArrayNode, MathNode } from '../../document/math';
import type { Token } from '../../expansion/meaning';
import { readArgument, readOptional } from '../../expansion/arguments';
import type { EnvironmentEntry } from '../entries';
import { readRows } from '../mathEnvironments';
import type { MathReader } from '../mathReader';

type ArraySpec = Omit<ArrayNode, 'kind' | 'from' | 'to' | 'rows' | 'rulesBelow'>;

/** Reads the rows of an array. With `trim` it has as many of the columns given as its rows need. */
export function readArray(
  reader: MathReader,
  token: Token,
  spec: ArraySpec,
  trim = false,
): MathNode {
  const at = reader.it.spanOf(token);
  const rows: ArrayNode['rows'][number][] = [];
  let rulesBelow = 0;
  const marks = reader.rowMarks;
  readRows(
    reader,
    token.text,
    at,
    (row) => {
      const blank = row.cells.every((cell) => cell.length === 0);
      // Rules behind the last `\\` stand below the array.
      if (blank && row.rules > 0 && row.cells.length === 1) rulesBelow = row.rules;
      else rows.push({ cells: row.cells, rulesAbove: row.rules, skip: row.skip });
    },
    spec.paired,
  );
  reader.rowMarks = marks;
  const most = Math.max(0, ...rows.map((row) => row.cells.length));
  if (trim)
    return {
      kind: 'array',
      ...spec,
      columns: spec.columns.slice(0, most),
      rows,
      rulesBelow,
      ...reader.span(token),
    };
  if (most > spec.columns.length) reader.p.report('columns-too-many', reader.span(token));
  return { kind: 'array', ...spec, rows, rulesBelow, ...reader.span(token) };
}

/** Column letters and bars of `array`. */
export function arrayColumns(tokens: readonly Token[]): {
  columns: ArrayColumn[];
  barsAfter: number;
} {
  const columns: ArrayColumn[] = [];
  let bars = 0;
  for (const t of tokens) {
    if (t.text === '|') bars++;
    else if (t.text === 'l' || t.text === 'c' || t.text === 'r') {
      columns.push({
        align: t.text === 'l' ? 'left' : t.text === 'r' ? 'right' : 'center',
        barsBefore: bars,
      });
      bars = 0;
    }
  }
  return { columns, barsAfter: bars };
}

/** The measures that arrays share: LaTeX's `\arraycolsep` on both sides, struts in every row. */
export function arraySpec(reader: MathReader): ArraySpec {
  const separation: Sp = reader.it.dimen('arraycolsep');
  return {
    columns: [],
    barsAfter: 0,
    left: null,
    right: null,
    columnSep: 2 * separation,
    sideSep: separation,
    paired: false,
    style: 'text',
    baselineSkip: reader.it.skip('baselineskip').width,
    lineGap: 0,
    strut: true,
    valign: 'center',
  };
}

export const VALIGN: Readonly<Record<string, ArrayNode['valign']>> = {
  t: 'top',
  c: 'center',
  b: 'bottom',
};

/** `array` of the kernel. */
export const arrayEnvironment: EnvironmentEntry = {
  name: 'array',
  signature: 'om',
  description: 'Rows and columns in a formula, a letter for each column.',
  example: '\\left(\\begin{array}{cc|c} 1 & 0 & 2 \\\\ 0 & 1 & 3 \\end{array}\\right)',
  math: (reader, token) => {
    const position = readOptional(reader.p)?.[0]?.text ?? 'c';
    const columns = arrayColumns(readArgument(reader.p, token) ?? []);
    return readArray(reader, token, {
      ...arraySpec(reader),
      ...columns,
      valign: VALIGN[position] ?? 'center',
    });
  },
};

/** A matrix in brackets (amsmath): no space at its sides, any number of centred columns. */
export function matrix(
  name: string,
  left: string | null,
  right: string | null,
  small = false,
): EnvironmentEntry {
  return {
    name,
    signature: '',
    package: 'amsmath',
    description: `A matrix${left ? ` between ${left} and ${right ?? ''}` : ''}.`,
    example: `\\begin{${name}} a & b \\\\ c & d \\end{${name}}`,
    math: (reader, token) => {
      const base = arraySpec(reader);
      const spec: ArraySpec = small
        ? {
            ...base,
            style: 'script',
            strut: false,
            baselineSkip: 6 * PT,
            lineGap: 1.5 * PT,
            columnSep: 2.8 * PT,
            sideSep: 0,
          }
        : { ...base, sideSep: 0 };
      return readArray(reader, token, { ...spec, ...anyColumns, left, right }, true);
    },
  };
}
/** Columns without end: the last one given serves for all that follow. */
const anyColumns = {
  columns: Array.from({ length: 64 }, () => ({ align: 'center' as const, barsBefore: 0 })),
};

/** `cases`: two columns on the left, a brace before them. */
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
    example: `\\begin{${name}} 1 & x > 0 \\\\ 0 & x \\le 0 \\end{${name}}`,
    math: (reader, token) => {
      const base = arraySpec(reader);
      return readArray(reader, token, {
        ...base,
        style,
        left,
        right,
        sideSep: 0,
        columnSep: reader.it.font.size,
        // `\arraystretch` 1.2 (amsmath)
        baselineSkip: 1.2 * base.baselineSkip,
        columns: [
          { align: 'left', barsBefore: 0 },
          { align: 'left', barsBefore: 0 },
        ],
      });
    },
  };
}

/** `aligned`, `gathered`, `split`: lines of a display inside a formula. */
export function innerAlignment(
  name: string,
  kind: 'aligned' | 'gathered',
  optional: boolean,
): EnvironmentEntry {
  return {
    name,
    signature: optional ? 'o' : '',
    package: 'amsmath',
    description:
      kind === 'aligned'
        ? 'Lines aligned at &, as part of a formula.'
        : 'Centred lines, as part of a formula.',
    example: `\\begin{${name}} a &= b \\\\ &= c \\end{${name}}`,
    math: (reader, token) => {
      if (name === 'alignedat') readArgument(reader.p, token);
      const position = optional ? (readOptional(reader.p)?.[0]?.text ?? 'c') : 'c';
      const base = arraySpec(reader);
      const pairs = Array.from({ length: 32 }, (_, i) => ({
        align: i % 2 === 0 ? ('right' as const) : ('left' as const),
        barsBefore: 0,
      }));
      const jot = reader.it.dimen('jot');
      return readArray(
        reader,
        token,
        {
          ...base,
          style: 'display',
          strut: false,
          sideSep: 0,
          baselineSkip: base.baselineSkip + jot,
          lineGap: reader.it.skip('lineskip').width + jot,
          valign: VALIGN[position] ?? 'center',
          ...(kind === 'aligned'
            ? {
                paired: true,
                columns: pairs,
                columnSep: name === 'alignedat' ? 0 : reader.it.font.size,
              }
            : { columns: [{ align: 'center' as const, barsBefore: 0 }] }),
        },
        kind === 'aligned',
      );
    },
  };
}
