import { CannotTell } from '../numbers/value';
import {
  add,
  exactOf,
  isNothing,
  minus,
  NOTHING,
  over,
  quotientTex,
  times,
  UNIT,
  whole,
  type Quotient,
} from './quotients';
import { letter } from './polynomials';

/** A matrix whose entries may hold parameters. */
export type Entries = readonly (readonly Quotient[])[];

/** One row operation; rows count from 0. */
export type RowStep =
  | { readonly kind: 'swap'; readonly row: number; readonly with: number }
  | { readonly kind: 'scale'; readonly row: number; readonly by: Quotient }
  | { readonly kind: 'add'; readonly row: number; readonly by: Quotient; readonly from: number };

/** Row operations that are written over one arrow, and what they lead to. */
export interface Stage {
  readonly steps: readonly RowStep[];
  readonly entries: Entries;
}

export interface Reduction {
  readonly stages: readonly Stage[];
  readonly entries: Entries;
  readonly pivots: readonly number[];
  /** What was divided by and may be 0 for some values of the parameters, as LaTeX. */
  readonly assumed: readonly string[];
}

const sizes = (a: Entries): string => `${a.length} × ${a[0]?.length ?? 0}`;

function squareSide(a: Entries): number {
  if (a.length !== a[0]?.length) throw new CannotTell(`A ${sizes(a)} matrix is not square.`);
  return a.length;
}

export const transposed = (a: Entries): Entries =>
  (a[0] ?? []).map((_, j) => a.map((row) => row[j] as Quotient));

export function sum(a: Entries, b: Entries): Entries {
  if (sizes(a) !== sizes(b))
    throw new CannotTell(`A ${sizes(a)} and a ${sizes(b)} matrix have no sum.`);
  return a.map((row, i) => row.map((entry, j) => add(entry, b[i]?.[j] as Quotient)));
}

export function product(a: Entries, b: Entries): Entries {
  if (a[0]?.length !== b.length) {
    throw new CannotTell(`A ${sizes(a)} matrix times a ${sizes(b)} one is not defined.`);
  }
  return a.map((row) =>
    (b[0] ?? []).map((_, j) =>
      row.map((entry, k) => times(entry, b[k]?.[j] as Quotient)).reduce(add),
    ),
  );
}

export const unitMatrix = (side: number): Entries =>
  Array.from({ length: side }, (_, i) =>
    Array.from({ length: side }, (_, j) => (i === j ? UNIT : NOTHING)),
  );

/** A whole power; negative ones of the inverse. */
export function matrixPower(a: Entries, exponent: number): Entries {
  const side = squareSide(a);
  if (!Number.isInteger(exponent) || Math.abs(exponent) > 30) {
    throw new CannotTell('Powers are worked out up to 30.');
  }
  const base = exponent < 0 ? inverted(a) : a;
  let result = unitMatrix(side);
  for (let i = 0; i < Math.abs(exponent); i++) result = product(result, base);
  return result;
}

/** The determinant, by expansion with the sub-determinants kept (Laplace), so that no parameter is divided by. */
export function determinantOf(a: Entries): Quotient {
  const side = squareSide(a);
  if (side > 8) throw new CannotTell('Determinants are worked out up to 8 × 8.');
  const known = new Map<number, Quotient>();
  const minor = (row: number, used: number): Quotient => {
    if (row === side) return UNIT;
    const kept = known.get(used);
    if (kept) return kept;
    let [total, place] = [NOTHING, 0];
    for (let j = 0; j < side; j++) {
      if (used & (1 << j)) continue;
      const entry = a[row]?.[j] as Quotient;
      if (!isNothing(entry)) {
        const term = times(entry, minor(row + 1, used | (1 << j)));
        total = add(total, place % 2 ? minus(term) : term);
      }
      place++;
    }
    known.set(used, total);
    return total;
  };
  return minor(0, 0);
}

/** The inverse by adjugate and determinant; throws where there is none. */
export function inverted(a: Entries): Entries {
  const side = squareSide(a);
  const determinant = determinantOf(a);
  if (isNothing(determinant)) throw new CannotTell('The determinant is 0: there is no inverse.');
  if (side === 1) return [[over(UNIT, determinant)]];
  const without = (i: number, j: number): Entries =>
    a.filter((_, r) => r !== i).map((row) => row.filter((_, c) => c !== j));
  return a.map((_, i) =>
    a.map((_, j) => {
      const minor = determinantOf(without(j, i));
      return over((i + j) % 2 ? minus(minor) : minor, determinant);
    }),
  );
}

/** The characteristic polynomial, det(A − λI), in the letter given. */
export function characteristic(a: Entries, name = '\\lambda '): Quotient {
  const unknown: Quotient = { top: letter(name), bottom: whole(1n).top };
  return determinantOf(
    a.map((row, i) => row.map((entry, j) => (i === j ? add(entry, minus(unknown)) : entry))),
  );
}

/** Reduction to the reduced echelon form, a stage for each column; `columns` leaves those behind a bar out. */
export function rowReduced(a: Entries, columns = a[0]?.length ?? 0): Reduction {
  const stages: Stage[] = [];
  const pivots: number[] = [];
  const assumed: string[] = [];
  let now = a;
  const carryOut = (steps: readonly RowStep[]): void => {
    if (steps.length === 0) return;
    now = steps.reduce(withStep, now);
    stages.push({ steps, entries: now });
  };
  for (let column = 0; column < columns && pivots.length < a.length; column++) {
    const top = pivots.length;
    const best = pivotRow(now, top, column);
    if (best === null) continue;
    if (best !== top) carryOut([{ kind: 'swap', row: top, with: best }]);
    const pivot = now[top]?.[column] as Quotient;
    const value = exactOf(pivot);
    if (value === null) assumed.push(quotientTex(pivot));
    if (value !== 1n) carryOut([{ kind: 'scale', row: top, by: over(UNIT, pivot) }]);
    carryOut(
      now.flatMap((row, i): RowStep[] => {
        const entry = row[column] as Quotient;
        return i === top || isNothing(entry)
          ? []
          : [{ kind: 'add', row: i, by: minus(entry), from: top }];
      }),
    );
    pivots.push(column);
  }
  return { stages, entries: now, pivots, assumed };
}

/** The row to bring up: one with 1 in the column, else with −1, else with a number, else with anything but 0. */
function pivotRow(a: Entries, top: number, column: number): number | null {
  let [best, rank] = [null as number | null, 9];
  for (let i = top; i < a.length; i++) {
    const entry = a[i]?.[column] as Quotient;
    if (isNothing(entry)) continue;
    const value = exactOf(entry);
    const own =
      value === 1n ? 0 : value === -1n ? 1 : typeof value === 'bigint' ? 2 : value !== null ? 3 : 4;
    // A row already there is kept where another is only a little better.
    if (own < rank) [best, rank] = [i, own];
  }
  return best;
}

/** A matrix after one row operation. */
export function withStep(a: Entries, step: RowStep): Entries {
  const row = a[step.row] as readonly Quotient[];
  switch (step.kind) {
    case 'swap':
      return a.map((own, i) =>
        i === step.row ? (a[step.with] ?? own) : i === step.with ? row : own,
      );
    case 'scale':
      return a.map((own, i) => (i === step.row ? own.map((entry) => times(step.by, entry)) : own));
    case 'add': {
      const other = a[step.from] as readonly Quotient[];
      return a.map((own, i) =>
        i === step.row
          ? own.map((entry, j) => add(entry, times(step.by, other[j] as Quotient)))
          : own,
      );
    }
  }
}

/** What the unknowns of an augmented matrix may be. */
export type Solutions =
  | { readonly kind: 'none' }
  | {
      readonly kind: 'some';
      /** One solution, and directions that may be added to it, each by the column of its free unknown. */
      readonly particular: readonly Quotient[];
      readonly directions: readonly {
        readonly free: number;
        readonly vector: readonly Quotient[];
      }[];
      readonly assumed: readonly string[];
    };

/** The solution set of a system, its last column the right side. */
export function solutionsOf(augmented: Entries): Solutions {
  const unknowns = (augmented[0]?.length ?? 1) - 1;
  const { entries, pivots, assumed } = rowReduced(augmented, unknowns);
  const contradiction = entries
    .slice(pivots.length)
    .some((row) => !isNothing(row[unknowns] ?? NOTHING));
  if (contradiction) return { kind: 'none' };
  const particular = Array.from({ length: unknowns }, (_, j) => {
    const row = pivots.indexOf(j);
    return row < 0 ? NOTHING : (entries[row]?.[unknowns] as Quotient);
  });
  const free = Array.from({ length: unknowns }, (_, j) => j).filter((j) => !pivots.includes(j));
  const directions = free.map((column) => ({
    free: column,
    vector: Array.from({ length: unknowns }, (_, j) => {
      if (j === column) return UNIT;
      const row = pivots.indexOf(j);
      return row < 0 ? NOTHING : minus(entries[row]?.[column] as Quotient);
    }),
  }));
  return { kind: 'some', particular, directions, assumed };
}
