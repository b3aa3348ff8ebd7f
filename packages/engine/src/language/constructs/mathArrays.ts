import type { Sp } from '../../base/lengths';
import type { ArrayColumn, ArrayNode, ArrayRow, MathList, MathNode } from '../../document/math';
import type { Token } from '../../expansion/meaning';
import { readArgument, readOptional } from '../../expansion/arguments';
import { textOf } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import type { CommandEntry, EnvironmentEntry } from '../machine/entries';
import { readRows, type ReadRow } from '../machine/mathEnvironments';
import type { MathReader } from '../machine/mathReader';
import { readDelimiter } from './mathBrackets';
import { fieldOf, mathEntry } from './mathEntry';
import { givenColumns } from './givenColumns';
import { argumentAt, arrayStretch, unfold } from './tablePreamble';

export type ArraySpec = Omit<ArrayNode, 'kind' | 'from' | 'to' | 'rows' | 'rulesBelow'>;

/** What a preamble puts before and behind the cells of each column. */
interface CellTokens {
  readonly before: readonly Token[];
  readonly after: readonly Token[];
}

const arrayRow = (row: ReadRow): ArrayRow => ({
  cells: row.cells,
  ...(row.spans.some((s) => s !== null) ? { spans: row.spans } : {}),
  rulesAbove: row.borders.rules,
  ...(row.borders.dashed ? { dashedAbove: true } : {}),
  ...(row.borders.parts.length > 0 ? { partRules: row.borders.parts } : {}),
  skip: row.skip,
});

/** Reads the rows of an array. With `trim` it has as many of the columns given as its rows need. */
export function readArray(
  reader: MathReader,
  token: Token,
  spec: ArraySpec,
  trim = false,
  around: readonly CellTokens[] = [],
): ArrayNode {
  const at = reader.it.spanOf(token);
  const rows: ArrayRow[] = [];
  let below: Partial<ArrayNode> = {};
  const marks = reader.rowMarks;
  const outer = reader.patches;
  reader.patches = [];
  readRows(
    reader,
    token.text,
    at,
    (row) => {
      const { rules, dashed, parts } = row.borders;
      const blank = row.cells.every((cell) => cell.length === 0);
      // Rules behind the last `\\` stand below the array.
      if (blank && row.cells.length === 1 && (rules > 0 || parts.length > 0))
        below = { rulesBelow: rules, dashedBelow: dashed, partRulesBelow: parts };
      else rows.push(withAfter(reader, token, arrayRow(row), around));
    },
    spec.paired,
    (column) => around[column]?.before ?? [],
  );
  reader.rowMarks = marks;
  const { patches } = reader;
  reader.patches = outer;
  const columnsOf = (row: ArrayRow): number =>
    row.cells.reduce((sum, _, i) => sum + (row.spans?.[i]?.count ?? 1), 0);
  const most = Math.max(0, ...rows.map(columnsOf));
  if (!trim && most > spec.columns.length) reader.p.report('columns-too-many', reader.span(token));
  const columns = trim ? spec.columns.slice(0, most) : spec.columns;
  const patched = patches.length > 0 ? { patches } : {};
  return {
    kind: 'array',
    rulesBelow: 0,
    ...spec,
    ...below,
    ...patched,
    columns,
    rows,
    ...reader.span(token),
  };
}

/** The row with what the preamble puts behind its cells. */
function withAfter(
  reader: MathReader,
  caller: Token,
  row: ArrayRow,
  around: readonly CellTokens[],
): ArrayRow {
  if (around.every(({ after }) => after.length === 0)) return row;
  const cells = row.cells.map((cell, i) => {
    const after = around[i]?.after ?? [];
    return after.length === 0 ? cell : [...cell, ...fieldOf(reader, after, caller)];
  });
  return { ...row, cells };
}

const ALIGN: Readonly<Record<string, ArrayColumn['align']>> = {
  l: 'left',
  c: 'center',
  r: 'right',
  p: 'left',
  m: 'left',
  b: 'left',
  X: 'left',
};

type Draft = { -readonly [K in keyof ArrayColumn]: ArrayColumn[K] };

/** Columns, bars and what stands between and around them, from the preamble of `array`. */
export function arrayColumns(reader: MathReader, caller: Token, tokens: readonly Token[]) {
  const list = unfold(reader.it, tokens);
  const columns: ArrayColumn[] = [];
  const around: { before: Token[]; after: Token[] }[] = [];
  let next: Omit<Draft, 'align'> = { barsBefore: 0 };
  let before: Token[] = [];
  for (let i = 0; i < list.length; i++) {
    const { text, cat } = list[i] as Token;
    if (cat === Cat.Space || cat === Cat.End) continue;
    if (text === '|' || text === ':') {
      next.barsBefore++;
      if (text === ':') next.dashed = true;
    } else if ('>@!<'.includes(text)) {
      const { inner, end } = argumentAt(list, i + 1);
      i = end - 1;
      if (text === '>') before = [...inner, ...before];
      else if (text === '<') around.at(-1)?.after.unshift(...inner);
      else next.between = fieldOf(reader, inner, caller);
    } else if (text in ALIGN || text === 'w') {
      let align = ALIGN[text] ?? 'center';
      if ('pmbw'.includes(text)) {
        const first = argumentAt(list, i + 1);
        const second = text === 'w' ? argumentAt(list, first.end) : first;
        if (text === 'w') align = ALIGN[textOf(reader.p, first.inner)] ?? 'center';
        i = second.end - 1;
      }
      columns.push({ align, ...next });
      around.push({ before, after: [] });
      next = { barsBefore: 0 };
      before = [];
    }
  }
  const lastBetween = next.between ? { lastBetween: next.between } : {};
  return { spec: { columns, barsAfter: next.barsBefore, ...lastBetween }, around };
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
    baselineSkip: reader.it.skip('baselineskip').width * arrayStretch(reader.it),
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

/** Is a group what comes next? */
function opensGroup({ p }: MathReader): boolean {
  const next = p.nextNonBlank();
  if (next) p.unread(next);
  return next?.cat === Cat.Begin;
}

/** `array` of the kernel; `darray` has its cells in display style. */
export const arrayNamed = (name: 'array' | 'darray'): EnvironmentEntry => ({
  name,
  signature: 'om',
  description: 'Rows and columns in a formula, a letter for each column.',
  example: `\\begin{${name}}{cc|c} 1 & 0 & 2 \\\\ 0 & 1 & 3 \\end{${name}}`,
  math: (reader, token) => {
    const position = readOptional(reader.p)?.[0]?.text ?? 'c';
    // Package delarray: `\begin{array}({cc})` has brackets around it.
    const isBracketed = reader.it.hasPackage('delarray') && !opensGroup(reader);
    const left = isBracketed ? readDelimiter(reader, token) : null;
    const { spec, around } = arrayColumns(
      reader,
      token,
      givenColumns(reader.it, readArgument(reader.p, token) ?? [], token),
    );
    const right = isBracketed ? readDelimiter(reader, token) : null;
    return readArray(
      reader,
      token,
      {
        ...arraySpec(reader),
        ...spec,
        style: name === 'darray' ? 'display' : 'text',
        valign: VALIGN[position] ?? 'center',
        ...(isBracketed ? { left, right } : {}),
      },
      false,
      around,
    );
  },
});
export const arrayEnvironment = arrayNamed('array');

/** `\multicolumn{2}{c|}{…}` in a formula. */
export function spanningCell(reader: MathReader, token: Token): readonly MathNode[] {
  const count = Math.max(
    1,
    Math.min(64, parseInt(textOf(reader.p, reader.argument(token)), 10) || 1),
  );
  const { spec } = arrayColumns(reader, token, reader.argument(token));
  const [column] = spec.columns;
  const body: MathList = reader.field(token);
  reader.cellSpan = {
    count,
    align: column?.align ?? 'center',
    barsBefore: column?.barsBefore ?? 0,
    barsAfter: spec.barsAfter,
  };
  return body;
}

/** `\hdotsfor[1.5]{3}`: dots over some columns (amsmath). */
export const dotsOver: CommandEntry = mathEntry(
  'hdotsfor',
  'om',
  'Dots over several columns of a matrix.',
  '\\begin{matrix} a & b \\\\ \\hdotsfor{2} \\end{matrix}',
  (reader, token) => {
    const factor = parseFloat(textOf(reader.p, readOptional(reader.p) ?? [])) || 1;
    const count = parseInt(textOf(reader.p, reader.argument(token)), 10) || 1;
    reader.cellSpan = {
      count: Math.max(1, Math.min(64, count)),
      align: 'center',
      barsBefore: 0,
      barsAfter: 0,
      dots: factor,
    };
    const empty: MathNode = {
      kind: 'group',
      cls: 'ord',
      body: [],
      limits: false,
      ...reader.span(token),
    };
    return empty;
  },
);

/** `\hdashline` (package arydshln). */
export const dashedRule: CommandEntry = mathEntry(
  'hdashline',
  'o',
  'A dashed rule between rows.',
  '\\begin{array}{c} a \\\\ \\hdashline b \\end{array}',
  (reader) => {
    readOptional(reader.p, false);
    reader.borders.rules++;
    reader.borders.dashed = true;
    return null;
  },
);
