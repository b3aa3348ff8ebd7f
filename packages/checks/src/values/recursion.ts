import { CannotTell, isFraction, isMatrix, toNumber, type Value } from '../numbers/value';
import type { Expr } from '../reading/expression';
import { withValue, type Definition, type Setting } from './setting';

/** Terms further on are not worked out. */
const FURTHEST = 300n;
/** Exact terms with more binary digits than this are rounded: their length may double from one to the next. */
const LONGEST = 900;

/**
 * A term of a sequence that is said by those before it, worked out from the first ones on. First terms that the sheet
 * does not say are taken as `setting.indexed` gives them. Throws `CannotTell` below the first and very far out.
 */
export function termOf(
  name: string,
  definition: Definition,
  index: bigint,
  setting: Setting,
  evaluate: (expr: Expr, setting: Setting) => Value,
): Value {
  const { recursion, body, params } = definition;
  const [param] = params;
  if (!recursion || param === undefined) throw new CannotTell(`it is not said what ${name} is`);
  const { terms } = setting.meter;
  const key = (k: bigint): string => `${name} ${k}`;
  const least = firstIndex(definition);
  if (index < least) throw new CannotTell(`${name} begins later`);
  if (index - least > FURTHEST) throw new CannotTell('the terms are too many to work out');
  for (let k = least; k <= index; k++) {
    if (terms.has(key(k))) continue;
    const said = recursion.first.get(k);
    const free = k - least < BigInt(recursion.reach);
    const value =
      said && (free || said.given)
        ? evaluate(said.value, setting)
        : free
          ? setting.indexed(`${name}${k}`)
          : evaluate(body, withValue(setting, param, k - recursion.shift));
    terms.set(key(k), shortened(value));
  }
  return terms.get(key(index)) as Value;
}

/** Is every first term said that the others are worked out from? */
export function isWhole(definition: Definition): boolean {
  const { recursion } = definition;
  if (!recursion) return true;
  const least = firstIndex(definition);
  for (let k = 0; k < recursion.reach; k++) {
    if (!recursion.first.has(least + BigInt(k))) return false;
  }
  return true;
}

/** The index of the first term: the least that is said, or 0. */
function firstIndex({ recursion }: Definition): bigint {
  let least: bigint | null = null;
  for (const k of recursion?.first.keys() ?? []) if (least === null || k < least) least = k;
  return least ?? 0n;
}

function shortened(value: Value): Value {
  if (isMatrix(value)) return value;
  const long = (whole: bigint): boolean => whole.toString(16).length * 4 > LONGEST;
  if (typeof value === 'bigint') return long(value) ? toNumber(value) : value;
  return isFraction(value) && (long(value.n) || long(value.d)) ? toNumber(value) : value;
}
