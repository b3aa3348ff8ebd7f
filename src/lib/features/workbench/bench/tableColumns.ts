/** A column of a table: its letter with its argument, and the rules and marks before it. */
export interface TableColumn {
  readonly before: string;
  readonly kind: string;
}

export interface ColumnSpec {
  readonly columns: readonly TableColumn[];
  /** Rules and marks behind the last column. */
  readonly behind: string;
}

const MARK = /^(?:\s|\||[@!<>]\{(?:[^{}]|\{[^{}]*\})*\})/;
const COLUMN = /^(?:[pmb]\{[^{}]*\}|[A-Za-z](?:\[[^\]]*\])?(?:\{[^{}]*\})?)/;

/** `*{3}{c|}` written out. */
function repeated(spec: string): string {
  const found = /\*\{(\d+)\}\{((?:[^{}]|\{[^{}]*\})*)\}/.exec(spec);
  if (!found) return spec;
  const times = Math.min(Number(found[1]), 60);
  const whole = (found[2] ?? '').repeat(times);
  return repeated(spec.slice(0, found.index) + whole + spec.slice(found.index + found[0].length));
}

/** The columns that a table's argument names. */
export function readColumns(given: string): ColumnSpec {
  let rest = repeated(given);
  const columns: TableColumn[] = [];
  let before = '';
  while (rest !== '') {
    const mark = MARK.exec(rest);
    const column = mark ? null : COLUMN.exec(rest);
    const taken = (mark ?? column)?.[0] ?? rest[0] ?? '';
    rest = rest.slice(taken.length);
    if (!column) before += taken;
    else {
      columns.push({ before, kind: taken });
      before = '';
    }
  }
  return { columns, behind: before };
}

export const writeColumns = ({ columns, behind }: ColumnSpec): string =>
  columns.map(({ before, kind }) => before + kind).join('') + behind;

/** The columns with one more behind the given one, of its kind. */
export function withColumn({ columns, behind }: ColumnSpec, after: number): ColumnSpec {
  const like = columns[after] ?? { before: '', kind: 'c' };
  const one = { before: after >= 0 ? bars(like.before) : '', kind: like.kind };
  return { columns: [...columns.slice(0, after + 1), one, ...columns.slice(after + 1)], behind };
}

const bars = (marks: string): string => marks.replace(/[^|]/g, '');

export const withoutColumn = ({ columns, behind }: ColumnSpec, at: number): ColumnSpec => ({
  columns: columns.filter((_, c) => c !== at),
  behind,
});

export function withKind({ columns, behind }: ColumnSpec, at: number, kind: string): ColumnSpec {
  return { columns: columns.map((one, c) => (c === at ? { ...one, kind } : one)), behind };
}

/** A rule before a column put in, or taken out. */
export function withBar({ columns, behind }: ColumnSpec, at: number): ColumnSpec {
  const toggled = (marks: string): string =>
    marks.includes('|') ? marks.replaceAll('|', '') : `|${marks}`;
  return at === columns.length
    ? { columns, behind: toggled(behind) }
    : {
        columns: columns.map((one, c) =>
          c === at ? { ...one, before: toggled(one.before) } : one,
        ),
        behind,
      };
}

/** Two neighbours exchanged; the rules between columns stay where they are. */
export function swapped({ columns, behind }: ColumnSpec, a: number, b: number): ColumnSpec {
  return {
    columns: columns.map((one, c) => ({
      before: one.before,
      kind: (c === a ? columns[b] : c === b ? columns[a] : one)?.kind ?? one.kind,
    })),
    behind,
  };
}
