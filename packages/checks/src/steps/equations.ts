import { freeNames } from '../reading/expression';
import { evaluate, relationHolds } from '../values/evaluate';
import { withValue, type Setting } from '../values/setting';
import {
  addScalars,
  divideScalars,
  isComplex,
  isExact,
  isMatrix,
  isZero,
  negateScalar,
  subtract,
  toInteger,
  toNumber,
  type Scalar,
  type Value,
} from '../numbers/value';
import type { Equation } from './facts';

/** Which equations have to do with these names, however many steps away; the nearest first. */
export function equationsAbout(
  names: ReadonlySet<string>,
  equations: readonly Equation[],
): readonly Equation[] {
  const all = new Set(names);
  const chosen = new Set<Equation>();
  for (let grew = true; grew;) {
    grew = false;
    for (const equation of equations) {
      if (chosen.has(equation)) continue;
      const own = namesOf(equation);
      if (own.length === 0 || !own.some((name) => all.has(name))) continue;
      chosen.add(equation);
      for (const name of own) all.add(name);
      grew = true;
    }
  }
  return equations.filter((equation) => chosen.has(equation)).slice(0, 6);
}

export const namesOf = ({ left, right }: Equation): readonly string[] => [
  ...freeNames(left),
  ...freeNames(right),
];

/** The letter that an equation says the value of, or null. */
export function saysWhatIs({ left, right }: Equation): string | null {
  if (left.kind === 'name' && !freeNames(right).has(left.name)) return left.name;
  return null;
}

/**
 * Values that keep to the equations: letters that are said to be something take that value, and of every other
 * equation one letter is solved for. Null where that does not come out. `isWhole` tells the names of whole numbers.
 */
export function keepTo(
  equations: readonly Equation[],
  setting: Setting,
  isWhole: (name: string) => boolean,
): Setting | null {
  const fixed = new Set<string>();
  const said = new Map<string, Equation>();
  const others: Equation[] = [];
  for (const equation of equations) {
    const name = saysWhatIs(equation);
    if (name && !said.has(name)) said.set(name, equation);
    else others.push(equation);
  }
  let current: Setting | null = substituteSaid(said, setting, fixed);
  for (const equation of others) {
    if (!current) return null;
    current = solved(equation, current, fixed, said, isWhole);
  }
  return current;
}

function substituteSaid(
  said: ReadonlyMap<string, Equation>,
  setting: Setting,
  fixed: Set<string>,
): Setting {
  let current = setting;
  const waiting = new Map(said);
  for (let grew = true; grew;) {
    grew = false;
    for (const [name, equation] of waiting) {
      if ([...freeNames(equation.right)].some((other) => waiting.has(other))) continue;
      current = withValue(current, name, evaluate(equation.right, current));
      fixed.add(name);
      waiting.delete(name);
      grew = true;
    }
  }
  return current;
}

function solved(
  equation: Equation,
  setting: Setting,
  fixed: Set<string>,
  said: ReadonlyMap<string, Equation>,
  isWhole: (name: string) => boolean,
): Setting | null {
  const holds = (candidate: Setting): boolean =>
    relationHolds({ left: equation.left, sign: '=', right: equation.right }, candidate) === true;
  if (holds(setting)) return setting;
  for (const name of namesOf(equation)) {
    if (fixed.has(name) || !setting.values.has(name) || said.has(name)) continue;
    const value = solveFor(name, equation, setting, isWhole(name));
    if (value === null) continue;
    const next = withValue(setting, name, value);
    if (!holds(next)) continue;
    for (const own of namesOf(equation)) fixed.add(own);
    return next;
  }
  return null;
}

function solveFor(
  name: string,
  { left, right }: Equation,
  setting: Setting,
  whole: boolean,
): Scalar | null {
  const f = (value: Value): Scalar | null => {
    const inner = withValue(setting, name, value);
    const apart = subtract(evaluate(left, inner), evaluate(right, inner));
    return isMatrix(apart) || isComplex(apart) ? null : apart;
  };
  const [a, b, c] = [f(0n), f(1n), f(2n)];
  if (a !== null && b !== null && c !== null && [a, b, c].every(isExact)) {
    const slope = addScalars(b, negateScalar(a));
    const straight = isZero(addScalars(addScalars(c, negateScalar(b)), negateScalar(slope)));
    if (straight && !isZero(slope)) {
      const root = divideScalars(negateScalar(a), slope);
      return whole && toInteger(root) === null ? null : root;
    }
  }
  if (whole) {
    for (let k = -30n; k <= 30n; k++) {
      const value = f(k);
      if (value !== null && isZero(value)) return k;
    }
    return null;
  }
  return bySecants(
    (x) => {
      const value = f(x);
      return value === null ? NaN : toNumber(value);
    },
    toNumber(setting.values.get(name) as Scalar),
  );
}

/** A root near a value, by secants; null where none is found. */
function bySecants(f: (x: number) => number, start: number): number | null {
  for (const from of [start, 1, -1, start + 2, 0.3]) {
    let [x, y] = [from, from + 0.1];
    let [fx, fy] = [f(x), f(y)];
    for (let i = 0; i < 40 && Number.isFinite(fy); i++) {
      if (Math.abs(fy) < 1e-13) return y;
      const next = y - (fy * (y - x)) / (fy - fx);
      if (!Number.isFinite(next) || Math.abs(next) > 1e6) break;
      [x, fx, y] = [y, fy, next];
      fy = f(y);
      if (x === y) break;
    }
    if (Math.abs(fy) < 1e-10) return y;
  }
  return null;
}
