import { CannotTell } from '../numbers/value';
import { freeNames, walk } from '../reading/expression';
import { nameTex } from '../reading/print';
import { readerFor } from '../reading/read';
import { NO_NAMES, Unreadable } from '../reading/reader';
import { piecesOf, type WrittenBlock } from '../sheet/pieces';
import { statementsOf, type Statement } from '../sheet/statements';
import type { Extent } from '../sheet/sheetSteps';
import { solutionsOf, type Entries } from './operations';
import { coefficientsIn, lettersOf, type Polynomial } from './polynomials';
import { add, minus, NOTHING, quotientOf, whole, type Quotient } from './quotients';
import { matrixSource, solutionsSource } from './writing';

/** A system of linear equations as its augmented matrix and with its solutions, as source; or why it is none. */
export type SystemAnswer =
  | { readonly matrix: string; readonly solutions: string; readonly assumed: readonly string[] }
  | { readonly refused: string };

/** Letters that are usually unknown; all others are parameters. */
const UNKNOWN = /^([uvwxyz]|[xyz]_\d+)$/;

/** Reads the equations that stand in a stretch of the text as one system, and solves it. */
export function answerSystem(blocks: readonly WrittenBlock[], place: Extent): SystemAnswer {
  const equations = statementsOf(piecesOf(blocks)).filter(
    ({ from, to, signs }) =>
      from >= place.from && to <= place.to && signs.length === 1 && signs[0]?.char === '=',
  );
  if (equations.length === 0) return { refused: 'No equations stand in these lines.' };
  try {
    const sides = equations.map(differenceOf);
    const unknowns = unknownsOf(equations);
    if (unknowns.length === 0)
      return { refused: 'None of x, y, z, u, v, w stands in these equations.' };
    const augmented = sides.map((side) => rowOf(side, unknowns));
    const solutions = solutionsOf(augmented);
    return {
      matrix: matrixSource(augmented, {
        environment: 'array',
        columns: `{${'c'.repeat(unknowns.length)}|c}`,
        before: '\\left(',
        behind: '\\right)',
      }),
      solutions: solutionsSource(solutions, unknowns),
      assumed: solutions.kind === 'some' ? solutions.assumed : [],
    };
  } catch (error) {
    if (error instanceof CannotTell) return { refused: error.message };
    if (error instanceof Unreadable)
      return { refused: `An equation is not read: ${error.message}.` };
    throw error;
  }
}

const sidesOf = ({ sides, offset }: Statement) => {
  const reader = readerFor(offset, NO_NAMES);
  return [
    reader.expression(sides[0] ?? [], null),
    reader.expression(sides[1] ?? [], null),
  ] as const;
};

/** Left side less right side. */
function differenceOf(statement: Statement): Quotient {
  const [left, right] = sidesOf(statement).map(quotientOf);
  return add(left ?? NOTHING, minus(right ?? NOTHING));
}

/** The unknowns in the order of the alphabet, as LaTeX. */
function unknownsOf(statements: readonly Statement[]): readonly string[] {
  const names = new Set<string>();
  for (const side of statements.flatMap(sidesOf)) {
    for (const name of freeNames(side)) if (UNKNOWN.test(name)) names.add(nameTex(name).trim());
    walk(side, (part) => {
      const [index] = part.kind === 'indexed' ? part.index : [];
      if (part.kind === 'indexed' && index?.kind === 'number' && /^[xyz]$/.test(part.name)) {
        names.delete(`${part.name}_{\\text{${String(index.value)}}}`);
        names.add(`${part.name}_{${String(index.value)}}`);
      }
    });
  }
  return [...names].sort((a, b) => a.localeCompare(b, 'en', { numeric: true }));
}

/** The coefficients of the unknowns, and the right side. */
function rowOf({ top, bottom }: Quotient, unknowns: readonly string[]): Entries[number] {
  if ([...lettersOf(bottom)].some((name) => unknowns.includes(name))) {
    throw new CannotTell('An unknown stands below a fraction bar.');
  }
  let rest: Polynomial = top;
  const row = unknowns.map((name) => {
    const [constant = new Map(), linear = new Map(), ...higher] = coefficientsIn(rest, name);
    const mixed = [...lettersOf(linear)].some((other) => unknowns.includes(other));
    if (higher.length || mixed) throw new CannotTell('The equations are not linear.');
    rest = constant;
    return { top: linear, bottom: whole(1n).top };
  });
  return [...row, minus({ top: rest, bottom: whole(1n).top })];
}
