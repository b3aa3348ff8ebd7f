import type { Expr, Range } from '../reading/expression';
import { repeated } from './derive';
import { approach, integrate, sumForEver, type Approached } from '../numbers/numerics';
import { scalarOf } from './operations';
import { counted, withValue, type Setting } from './setting';
import {
  add,
  addScalars,
  CannotTell,
  fraction,
  isExact,
  multiply,
  negate,
  negateScalar,
  toInteger,
  toNumber,
  type Exact,
  type Scalar,
  type Value,
} from '../numbers/value';

/** Sums, integrals, limits and derivatives: what is worked out by its body at many places. */

/** Works out an expression within a setting. */
type Evaluate = (expr: Expr, setting: Setting) => Value;

/** So many terms are added one by one. */
const MOST_TERMS = 4000n;

/** A sum or product over its range, term by term, or for ever. */
export function series(
  expr: Extract<Expr, { kind: 'series' }>,
  setting: Setting,
  evaluate: Evaluate,
): Value {
  const join = expr.op === 'sum' ? add : multiply;
  const termIn = (where: Setting, index: Value): Value =>
    evaluate(expr.body, withValue(where, expr.index, index));
  const term = (index: Value): Value => termIn(setting, index);
  const { over } = expr;
  if (over.kind === 'between') {
    const last = evaluate(over.last, setting);
    const first = toInteger(evaluate(over.first, setting));
    if (last === Infinity && first !== null) {
      const far = { ...setting, values: rounded(setting.values) };
      return endless(expr.op, first, (index) => termIn(far, index), setting);
    }
  }
  const indices = valuesOver(over, setting, evaluate);
  if (!indices) return NaN;
  let result: Value = expr.op === 'sum' ? 0n : 1n;
  for (const index of indices) result = counted(join(result, term(index)), setting);
  return result;
}

function valuesOver(over: Range, setting: Setting, evaluate: Evaluate): readonly Value[] | null {
  if (over.kind === 'among') return over.values.map((value) => evaluate(value, setting));
  if (over.kind === 'divisors') {
    const n = toInteger(evaluate(over.of, setting));
    if (n === null || n < 1n) return null;
    if (n > MOST_TERMS) throw new CannotTell('it would take too long to work out');
    return Array.from({ length: Number(n) }, (_, i) => BigInt(i + 1)).filter((d) => n % d === 0n);
  }
  const first = toInteger(evaluate(over.first, setting));
  const last = toInteger(evaluate(over.last, setting));
  if (first === null || last === null) return null;
  // Below its first term by more than one a sum is not what its formula says.
  if (last < first - 1n) return null;
  if (last - first > MOST_TERMS) throw new CannotTell('it would take too long to work out');
  return Array.from({ length: Number(last - first) + 1 }, (_, i) => first + BigInt(i));
}

function endless(
  op: 'sum' | 'product',
  first: bigint,
  term: (index: Value) => Value,
  setting: Setting,
): Value {
  const real = (k: number): number => toNumber(scalarOf(term(first + BigInt(k))));
  if (op === 'sum') return approached(sumForEver(real), setting);
  const logs = sumForEver((k) => Math.log(real(k)));
  return approached(
    { value: Math.exp(logs.value), error: logs.error * Math.exp(logs.value) },
    setting,
  );
}

function approached({ value, error }: Approached, { meter }: Setting): number {
  if (error > 1e-3 * Math.max(1, Math.abs(value))) {
    throw new CannotTell('its value is not found exactly enough');
  }
  if (!Number.isNaN(value))
    meter.rough = Math.max(meter.rough, 10 * error + 1e-10 * Math.abs(value));
  return value;
}

function variableValue(name: string, { values }: Setting): Value {
  const value = values.get(name);
  if (value === undefined) throw new CannotTell(`it is not said what ${name} is`);
  return value;
}

/** A derivative by rule, or by central differences where there is none. */
export function derivative(
  expr: Extract<Expr, { kind: 'derivative' }>,
  setting: Setting,
  evaluate: Evaluate,
): Value {
  try {
    return evaluate(repeated(expr.body, expr.variable, expr.order), setting);
  } catch (error) {
    if (!(error instanceof CannotTell) || expr.order > 1) throw error;
    return bySteps(expr, setting, evaluate);
  }
}

/** A derivative by central differences, extrapolated. */
function bySteps(
  expr: Extract<Expr, { kind: 'derivative' }>,
  setting: Setting,
  evaluate: Evaluate,
): Value {
  const x = toNumber(scalarOf(variableValue(expr.variable, setting)));
  const f = (value: number): number =>
    toNumber(scalarOf(evaluate(expr.body, withValue(setting, expr.variable, value))));
  const slope = (h: number): number => (f(x + h) - f(x - h)) / (2 * h);
  const h = 1e-3 * Math.max(1, Math.abs(x));
  const value = (4 * slope(h / 2) - slope(h)) / 3;
  setting.meter.rough = Math.max(setting.meter.rough, 1e-6 * Math.max(1, Math.abs(value)));
  return value;
}

/** An integral by quadrature; without bounds from a fixed place to the variable's value. */
export function integral(
  expr: Extract<Expr, { kind: 'integral' }>,
  setting: Setting,
  evaluate: Evaluate,
): Value {
  const [from, to] = expr.bounds
    ? expr.bounds.map((bound) => toNumber(scalarOf(evaluate(bound, setting))))
    : [setting.base, toNumber(scalarOf(variableValue(expr.variable, setting)))];
  if (Number.isNaN(from) || Number.isNaN(to)) return NaN;
  const f = (x: number): number =>
    toNumber(scalarOf(evaluate(expr.body, withValue(setting, expr.variable, x))));
  return approached(integrate(f, from as number, to as number), setting);
}

/** A limit by approach, from the sides it is taken from. */
export function limit(
  expr: Extract<Expr, { kind: 'limit' }>,
  exact: Setting,
  evaluate: Evaluate,
): Value {
  const to = toNumber(scalarOf(evaluate(expr.point, exact)));
  // Far out exact fractions would only become long.
  const setting = Number.isFinite(to) ? exact : { ...exact, values: rounded(exact.values) };
  const body = (x: Value): number => {
    try {
      return toNumber(scalarOf(evaluate(expr.body, withValue(setting, expr.variable, x))));
    } catch (error) {
      // Too far out to be worked out: the nearer places decide.
      if (error instanceof CannotTell && setting.meter.left > 0) return NaN;
      throw error;
    }
  };
  if (!Number.isFinite(to)) {
    const whole = /^[nmkNijMK]$/.test(expr.variable);
    const far = (h: number): Value => {
      const x = 1 / h;
      return whole ? BigInt(Math.round(x)) : x;
    };
    return approached(
      approach((h) => body(to > 0 ? far(h) : negate(far(h)))),
      setting,
    );
  }
  const sides = expr.side === 0 ? [1, -1] : [expr.side];
  const values = sides.map((side) =>
    approach((h) =>
      body(addScalars(exactly(to), side === 1 ? fractionOf(h) : negateScalar(fractionOf(h)))),
    ),
  );
  const [first, second] = values.filter(({ value }) => !Number.isNaN(value));
  if (!first) return NaN;
  if (second && Math.abs(first.value - second.value) > 1e-3 * Math.max(1, Math.abs(first.value))) {
    return NaN;
  }
  return approached(first, setting);
}

const rounded = (values: ReadonlyMap<string, Value>): ReadonlyMap<string, Value> =>
  new Map(
    [...values].map(([name, value]) => [name, isFractional(value) ? toNumber(value) : value]),
  );

const isFractional = (value: Value): value is Exact => isExact(value) && typeof value !== 'bigint';

const exactly = (x: number): Scalar => (Number.isInteger(x) ? BigInt(x) : x);

/** Steps are exact, so that what cancels does. */
const fractionOf = (h: number): Scalar => fraction(1n, BigInt(Math.round(1 / h)));
