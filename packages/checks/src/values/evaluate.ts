import { indexedName, type Condition, type Expr, type Relation } from '../reading/expression';
import { derivative, integral, limit, series } from './binding';
import { repeated } from './derive';
import { dotsBetween } from './dots';
import { FUNCTIONS, realOf } from '../numbers/functions';
import { transpose } from '../numbers/matrixValues';
import { cross, divide, fitting, matrix, power } from './operations';
import { termOf } from './recursion';
import { counted, withValue, type Definition, type Setting } from './setting';
import {
  add,
  addScalars,
  CannotTell,
  isMatrix,
  multiply,
  negate,
  negateScalar,
  signOf,
  toComplex,
  toInteger,
  type Value,
} from '../numbers/value';

const TOO_LONG = 'it would take too long to work out';

/**
 * The value of an expression; NaN where it is not defined for these values. Throws `CannotTell`, with the
 * reason, where it cannot be worked out at all.
 */
export function evaluate(expr: Expr, setting: Setting): Value {
  if (--setting.meter.left < 0) throw new CannotTell(TOO_LONG);
  const of = (part: Expr): Value => evaluate(part, setting);
  switch (expr.kind) {
    case 'number':
      return expr.value;
    case 'constant':
      return CONSTANTS[expr.name];
    case 'name':
      return nameValue(expr.name, setting);
    case 'indexed':
      return indexedValue(expr, setting);
    case 'call':
      return call(expr.fn, expr.args.map(of), setting);
    case 'apply':
      return apply(expr, setting);
    case 'add':
      return expr.terms
        .map(of)
        .reduce((a, b) => add(...fitting(counted(a, setting), counted(b, setting))));
    case 'multiply':
      return expr.factors.map(of).reduce(multiply);
    case 'cross':
      return cross(of(expr.left), of(expr.right));
    case 'negate':
      return negate(of(expr.body));
    case 'sign':
      return setting.sign * expr.sign === 1 ? of(expr.body) : negate(of(expr.body));
    case 'divide':
      return divide(of(expr.top), of(expr.bottom));
    case 'power':
      return power(of(expr.base), of(expr.exponent), setting, isWritten(expr.exponent));
    case 'transpose': {
      const value = of(expr.body);
      return isMatrix(value) ? transpose(value) : value;
    }
    case 'matrix':
      return matrix(expr.rows, of);
    case 'series':
      return series(expr, setting, evaluate);
    case 'dots':
      return of(dotsBetween(expr, (part) => of(part)));
    case 'cases':
      return cases(expr, setting);
    case 'derivative':
      return derivative(expr, setting, evaluate);
    case 'integral':
      return integral(expr, setting, evaluate);
    case 'limit':
      return limit(expr, setting, evaluate);
    case 'difference': {
      const bound = (value: Expr): Value =>
        evaluate(expr.body, withValue(setting, expr.variable, of(value)));
      const [first, last] = expr.bounds;
      return first ? add(bound(last), negate(bound(first))) : bound(last);
    }
  }
}

const CONSTANTS = {
  pi: Math.PI,
  e: Math.E,
  i: toComplex(0).add(0, 1),
  infinity: Infinity,
} as const;

/** An exponent written as a number, not worked out from letters. */
const isWritten = (expr: Expr): boolean =>
  expr.kind === 'number' ||
  (expr.kind === 'divide' && expr.top.kind === 'number' && expr.bottom.kind === 'number');

function nameValue(name: string, { values }: Setting): Value {
  const value = values.get(name);
  if (value === undefined) throw new CannotTell(`it is not said what ${name} is`);
  return value;
}

function indexedValue(expr: Extract<Expr, { kind: 'indexed' }>, setting: Setting): Value {
  const defined = setting.functions.get(`${expr.name}_`);
  if (defined) return definedValue(`${expr.name}_`, defined, expr.index, 0, setting);
  const known = setting.values.get(indexedName(expr));
  if (known !== undefined) return known;
  const parts = expr.index.map((index) => toInteger(evaluate(index, setting)));
  if (parts.some((part) => part === null)) {
    throw new CannotTell(`the index of ${expr.name} is not a whole number`);
  }
  return setting.indexed(`${expr.name}_${parts.join('')}`);
}

function call(fn: string, args: readonly Value[], setting: Setting): Value {
  const known = FUNCTIONS[fn];
  if (!known) throw new CannotTell(`${fn} is not worked out`);
  return known(args, setting);
}

function apply(expr: Extract<Expr, { kind: 'apply' }>, setting: Setting): Value {
  const defined = setting.functions.get(expr.name);
  if (!defined) throw new CannotTell(`it is not said what the function ${expr.name} is`);
  return definedValue(expr.name, defined, expr.args, expr.primes, setting);
}

function definedValue(
  name: string,
  defined: Definition,
  args: readonly Expr[],
  primes: number,
  setting: Setting,
): Value {
  const [only] = args;
  if (!defined.recursion || !only) return applied(defined, args, primes, setting);
  const index = toInteger(evaluate(only, setting));
  if (index === null || primes) throw new CannotTell('only whole terms of it are said');
  return termOf(name, defined, index, setting, evaluate);
}

/** How deep functions may call themselves. */
const DEEPEST = 60;

function applied(
  { params, body }: Definition,
  args: readonly Expr[],
  primes: number,
  setting: Setting,
): Value {
  if (params.length !== args.length) throw new CannotTell('a function has other arguments here');
  let inner = setting;
  args.forEach((arg, i) => {
    inner = withValue(inner, params[i] as string, evaluate(arg, setting));
  });
  const depth = (setting.values.get(DEPTH) as bigint | undefined) ?? 0n;
  if (depth > DEEPEST) throw new CannotTell('a function calls itself without end');
  const own = primes ? repeated(body, params[0] as string, primes) : body;
  return evaluate(own, withValue(inner, DEPTH, depth + 1n));
}
const DEPTH = '\u0001depth';

function cases(expr: Extract<Expr, { kind: 'cases' }>, setting: Setting): Value {
  for (const { value, when } of expr.branches) {
    if (!when || conditionHolds(when, setting)) return evaluate(value, setting);
  }
  return NaN;
}

/** Do all relations of a condition hold for these values? */
export const conditionHolds = (condition: Condition, setting: Setting): boolean =>
  condition.every((relation) => relationHolds(relation, setting) === true);

/** Does a relation hold exactly for these values? Null where a side is not defined. */
export function relationHolds(relation: Relation, setting: Setting): boolean | null {
  const left = evaluate(relation.left, setting);
  const right = evaluate(relation.right, setting);
  if (isMatrix(left) || isMatrix(right)) return null;
  const difference = realOf(addScalars(left, negateScalar(right)));
  if (Number.isNaN(difference)) return null;
  const near = typeof difference === 'number' && Math.abs(difference) < 1e-9;
  const sign = near ? 0 : signOf(difference);
  switch (relation.sign) {
    case '=':
    case '≈':
      return sign === 0;
    case '≠':
      return sign !== 0;
    case '<':
      return sign < 0;
    case '≤':
      return sign <= 0;
    case '>':
      return sign > 0;
    case '≥':
      return sign >= 0;
    case '∣':
    case '∤': {
      const [a, b] = [toInteger(left), toInteger(right)];
      if (a === null || b === null) return null;
      return (a === 0n ? b === 0n : b % a === 0n) === (relation.sign === '∣');
    }
    case '≡':
    case '≢': {
      const modulus = relation.modulus && toInteger(evaluate(relation.modulus, setting));
      const apart = toInteger(difference);
      if (!modulus || apart === null) return null;
      return (apart % modulus === 0n) === (relation.sign === '≡');
    }
    case '∈':
      return null;
  }
}
