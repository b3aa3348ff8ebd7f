import { exactOf, isNothing, minus, quotientTex, type Quotient } from './quotients';
import type { Entries, Reduction, RowStep, Solutions } from './operations';

/** How the writer sets a matrix: its environment with what stands behind its name, and what surrounds it. */
export interface MatrixStyle {
  readonly environment: string;
  /** The columns of an `array`, as an argument; empty for others. */
  readonly columns: string;
  /** `\left(` and `\right)` of an `array`, or nothing. */
  readonly before: string;
  readonly behind: string;
}

/** A matrix as source in the writer's environment and brackets. */
export function matrixSource(entries: Entries, style: MatrixStyle): string {
  const { environment, before, behind } = style;
  const width = entries[0]?.length ?? 0;
  const columns = environment === 'array' ? columnsFor(style.columns, width) : '';
  const body = entries.map((row) => row.map(quotientTex).join(' & ')).join(' \\\\ ');
  return `${before}\\begin{${environment}}${columns} ${body} \\end{${environment}}${behind}`;
}

/** The writer's columns where they are as many; else centred ones. */
function columnsFor(columns: string, width: number): string {
  const count =
    columns
      .slice(1, -1)
      .replace(/\{[^{}]*\}/g, '')
      .match(/[lcr]/g)?.length ?? 0;
  return count === width ? columns : `{${'c'.repeat(width)}}`;
}

/** A row operation as it is written over an arrow. */
export function stepTex(step: RowStep): string {
  const row = `R_{${step.row + 1}}`.replace(/_\{(\d)\}/, '_$1');
  switch (step.kind) {
    case 'swap':
      return `${row} \\leftrightarrow R_${step.with + 1}`;
    case 'scale':
      return `${factorTex(step.by)}${row}`;
    case 'add': {
      const negative = quotientTex(step.by).startsWith('-');
      const size = negative ? minus(step.by) : step.by;
      return `${row} ${negative ? '-' : '+'} ${factorTex(size)}R_${step.from + 1}`;
    }
  }
}

function factorTex(factor: Quotient): string {
  const value = exactOf(factor);
  if (value === 1n) return '';
  if (value === -1n) return '-';
  const tex = quotientTex(factor);
  return value === null && / [+-] /.test(tex) && !/^-?\\frac/.test(tex) ? `(${tex})` : tex;
}

/** The arrows of a row reduction with the matrices they lead to. */
export function reductionSource({ stages }: Reduction, style: MatrixStyle): string {
  return stages
    .map(({ steps, entries }) => {
      const lines = steps.map(stepTex);
      const label = lines.length > 1 ? `\\substack{${lines.join(' \\\\ ')}}` : (lines[0] ?? '');
      return ` \\xrightarrow{${label}} ${matrixSource(entries, style)}`;
    })
    .join('');
}

/** The unknowns of a system, so many, as they are usually called. */
export const unknownNames = (count: number): readonly string[] =>
  count <= 3
    ? ['x', 'y', 'z'].slice(0, count)
    : Array.from({ length: count }, (_, i) => `x_${i + 1}`);

const FREE = ['t', 's', 'r', 'u', 'v', 'w'];

/** A solution set as an equation between columns. */
export function solutionsSource(solutions: Solutions, names: readonly string[]): string {
  if (solutions.kind === 'none') return '\\text{no solution}';
  const column = (entries: readonly string[]): string =>
    `\\begin{pmatrix} ${entries.join(' \\\\ ')} \\end{pmatrix}`;
  const { particular, directions } = solutions;
  const parts = directions.map(
    ({ vector }, i) => `${FREE[i] ?? `t_${i}`} ${column(vector.map(quotientTex))}`,
  );
  const start =
    particular.every(isNothing) && parts.length ? [] : [column(particular.map(quotientTex))];
  return `${column(names)} = ${[...start, ...parts].join(' + ')}`;
}
