import {
  addScalars,
  CannotTell,
  divideScalars,
  isComplex,
  isZero,
  multiplyScalars,
  negateScalar,
  sizeOf,
  toNumber,
  type Matrix,
  type Scalar,
} from './value';

/** Matrices of numbers, exact where their entries are. */

export const identity = (size: number): Matrix => ({
  rows: Array.from({ length: size }, (_, i) =>
    Array.from({ length: size }, (_, j) => (i === j ? 1n : 0n)),
  ),
});

export const transpose = ({ rows }: Matrix): Matrix => ({
  rows: (rows[0] ?? []).map((_, j) => rows.map((row) => row[j] as Scalar)),
});

export function traceOf(matrix: Matrix): Scalar {
  square(matrix);
  return matrix.rows.map((row, i) => row[i] as Scalar).reduce(addScalars, 0n);
}

function square(matrix: Matrix): number {
  const [rows, columns] = sizeOf(matrix);
  if (rows !== columns) throw new CannotTell(`a ${rows} × ${columns} matrix is not square`);
  return rows;
}

const sizeOfEntry = (entry: Scalar): number =>
  isComplex(entry) ? entry.abs() : Math.abs(toNumber(entry));

const isNothing = (entry: Scalar): boolean => isZero(entry) || sizeOfEntry(entry) < 1e-12;

interface Reduced {
  readonly rows: readonly (readonly Scalar[])[];
  /** The columns that have a leading entry. */
  readonly pivots: readonly number[];
  /** The determinant's factor: the product of what was divided by, with its sign. */
  readonly factor: Scalar;
}

/** Gauss–Jordan elimination with the largest entry as pivot. */
export function reduce(matrix: Matrix, columns = sizeOf(matrix)[1]): Reduced {
  const rows = matrix.rows.map((row) => [...row]);
  const pivots: number[] = [];
  let factor: Scalar = 1n;
  for (let column = 0; column < columns && pivots.length < rows.length; column++) {
    const top = pivots.length;
    let best = top;
    for (let i = top; i < rows.length; i++) {
      if (entryAt(rows, i, column) > entryAt(rows, best, column)) best = i;
    }
    const pivotRow = rows[best] as Scalar[];
    const pivot = pivotRow[column] as Scalar;
    if (isNothing(pivot)) continue;
    if (best !== top) {
      rows[best] = rows[top] as Scalar[];
      factor = negateScalar(factor);
    }
    rows[top] = pivotRow.map((entry) => divideScalars(entry, pivot));
    factor = multiplyScalars(factor, pivot);
    for (let i = 0; i < rows.length; i++) {
      const times = rows[i]?.[column] as Scalar;
      if (i !== top && !isZero(times)) rows[i] = minusTimes(rows[i], times, rows[top]);
    }
    pivots.push(column);
  }
  return { rows, pivots, factor };
}

const entryAt = (rows: readonly (readonly Scalar[])[], i: number, j: number): number =>
  sizeOfEntry(rows[i]?.[j] as Scalar);

const minusTimes = (row: Scalar[] = [], times: Scalar, other: Scalar[] = []): Scalar[] =>
  row.map((entry, j) =>
    addScalars(entry, negateScalar(multiplyScalars(times, other[j] as Scalar))),
  );

export function determinant(matrix: Matrix): Scalar {
  const size = square(matrix);
  const { pivots, factor } = reduce(matrix);
  return pivots.length === size ? factor : 0n;
}

export const rankOf = (matrix: Matrix): number => reduce(matrix).pivots.length;

/** The inverse, or null where there is none. */
export function inverse(matrix: Matrix): Matrix | null {
  const size = square(matrix);
  const unit = identity(size);
  const beside = {
    rows: matrix.rows.map((row, i) => [...row, ...(unit.rows[i] as readonly Scalar[])]),
  };
  const { rows, pivots } = reduce(beside, size);
  return pivots.length === size ? { rows: rows.map((row) => row.slice(size)) } : null;
}
