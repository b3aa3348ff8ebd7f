import { freeNames, mapParts, substitute, type Expr, type ExprKind } from '../reading/expression';
import { CannotTell } from '../numbers/value';

/** Builds expressions at the place of another. */
export const at =
  (place: { readonly from: number; readonly to: number }) =>
  (kind: ExprKind): Expr => ({ ...kind, from: place.from, to: place.to });

const number = (value: bigint): ExprKind => ({ kind: 'number', value });

/**
 * The derivative of an expression by a variable, by the rules of calculus; not simplified.
 * Throws `CannotTell` where no rule is known.
 */
export function derive(expr: Expr, variable: string): Expr {
  const make = at(expr);
  if (!dependsOn(expr, variable)) return make(number(0n));
  const by = (part: Expr): Expr => derive(part, variable);
  const times = (...factors: Expr[]): Expr => make({ kind: 'multiply', factors });
  const minus = (body: Expr): Expr => make({ kind: 'negate', body });
  switch (expr.kind) {
    case 'name':
      return make(number(expr.name === variable ? 1n : 0n));
    case 'add':
    case 'negate':
    case 'transpose':
    case 'sign':
    case 'matrix':
      return mapParts(expr, by);
    case 'multiply':
      return make({
        kind: 'add',
        terms: expr.factors.map((_, i) =>
          times(...expr.factors.map((factor, j) => (i === j ? by(factor) : factor))),
        ),
      });
    case 'cross':
      return make({
        kind: 'add',
        terms: [
          make({ kind: 'cross', left: by(expr.left), right: expr.right }),
          make({ kind: 'cross', left: expr.left, right: by(expr.right) }),
        ],
      });
    case 'divide': {
      const { top, bottom } = expr;
      const upper = make({
        kind: 'add',
        terms: [times(by(top), bottom), minus(times(top, by(bottom)))],
      });
      return make({ kind: 'divide', top: upper, bottom: times(bottom, bottom) });
    }
    case 'power':
      return powerRule(expr, variable);
    case 'call':
      return chainRule(expr, variable);
    case 'apply':
      return applied(expr, variable);
    case 'derivative':
      return by(repeated(expr.body, expr.variable, expr.order));
    case 'cases':
      return make({
        kind: 'cases',
        branches: expr.branches.map(({ value, when }) => ({ value: by(value), when })),
      });
    case 'series':
      if (expr.over.kind !== 'between' || expr.op === 'product') break;
      if (dependsOn(expr.over.first, variable) || dependsOn(expr.over.last, variable)) break;
      return make({ ...expr, body: by(expr.body) });
    case 'integral':
      return underTheIntegral(expr, variable);
  }
  throw new CannotTell('this is not differentiated by rule');
}

/** Derived so many times. */
export function repeated(expr: Expr, variable: string, order: number): Expr {
  let result = expr;
  for (let i = 0; i < order; i++) result = derive(result, variable);
  return result;
}

const dependsOn = (expr: Expr, variable: string): boolean => freeNames(expr).has(variable);

function powerRule(expr: Extract<Expr, { kind: 'power' }>, variable: string): Expr {
  const make = at(expr);
  const { base, exponent } = expr;
  const inner = derive(base, variable);
  if (!dependsOn(exponent, variable)) {
    const less = make({ kind: 'add', terms: [exponent, make(number(-1n))] });
    const power = make({ kind: 'power', base, exponent: less });
    return make({ kind: 'multiply', factors: [exponent, power, inner] });
  }
  const log = make({ kind: 'call', fn: 'ln', args: [base] });
  const first = make({ kind: 'multiply', factors: [derive(exponent, variable), log] });
  const terms = dependsOn(base, variable)
    ? [
        first,
        make({
          kind: 'divide',
          top: make({ kind: 'multiply', factors: [exponent, inner] }),
          bottom: base,
        }),
      ]
    : [first];
  return make({ kind: 'multiply', factors: [expr, make({ kind: 'add', terms })] });
}

/** Derivatives of functions of one number, in terms of their argument `u`. */
const OUTER: Readonly<Record<string, (u: Expr, make: (kind: ExprKind) => Expr) => Expr>> = {
  sin: (u, make) => make({ kind: 'call', fn: 'cos', args: [u] }),
  cos: (u, make) => make({ kind: 'negate', body: make({ kind: 'call', fn: 'sin', args: [u] }) }),
  tan: (u, make) => overSquare(make, 'cos', u),
  cot: (u, make) => make({ kind: 'negate', body: overSquare(make, 'sin', u) }),
  sinh: (u, make) => make({ kind: 'call', fn: 'cosh', args: [u] }),
  cosh: (u, make) => make({ kind: 'call', fn: 'sinh', args: [u] }),
  tanh: (u, make) => overSquare(make, 'cosh', u),
  exp: (u, make) => make({ kind: 'call', fn: 'exp', args: [u] }),
  ln: (u, make) => over(make, make(number(1n)), u),
  sqrt: (u, make) =>
    over(
      make,
      make(number(1n)),
      make({
        kind: 'multiply',
        factors: [make(number(2n)), make({ kind: 'call', fn: 'sqrt', args: [u] })],
      }),
    ),
  arctan: (u, make) =>
    over(make, make(number(1n)), make({ kind: 'add', terms: [make(number(1n)), square(make, u)] })),
  arcsin: (u, make) => over(make, make(number(1n)), besideOne(make, u)),
  arccos: (u, make) => over(make, make(number(-1n)), besideOne(make, u)),
};

type Make = (kind: ExprKind) => Expr;

const over = (make: Make, top: Expr, bottom: Expr): Expr => make({ kind: 'divide', top, bottom });

const square = (make: Make, base: Expr): Expr =>
  make({ kind: 'power', base, exponent: make(number(2n)) });

const overSquare = (make: Make, fn: string, u: Expr): Expr =>
  over(make, make(number(1n)), square(make, make({ kind: 'call', fn, args: [u] })));

const besideOne = (make: Make, u: Expr): Expr => {
  const minus = make({ kind: 'negate', body: square(make, u) });
  return make({
    kind: 'call',
    fn: 'sqrt',
    args: [make({ kind: 'add', terms: [make(number(1n)), minus] })],
  });
};

function chainRule(expr: Extract<Expr, { kind: 'call' }>, variable: string): Expr {
  const [u, ...others] = expr.args;
  const outer = OUTER[expr.fn];
  if (!u || !outer || others.length)
    throw new CannotTell(`${expr.fn} is not differentiated by rule`);
  const make = at(expr);
  return make({ kind: 'multiply', factors: [outer(u, make), derive(u, variable)] });
}

function applied(expr: Extract<Expr, { kind: 'apply' }>, variable: string): Expr {
  const [u, ...others] = expr.args;
  if (!u || others.length)
    throw new CannotTell('functions of several variables are not differentiated by rule');
  const make = at(expr);
  return make({
    kind: 'multiply',
    factors: [make({ ...expr, primes: expr.primes + 1 }), derive(u, variable)],
  });
}

/** Leibniz's rule: what the bounds sweep over, and what changes below the sign. */
function underTheIntegral(expr: Extract<Expr, { kind: 'integral' }>, variable: string): Expr {
  const make = at(expr);
  if (!expr.bounds) {
    if (expr.variable === variable) return expr.body;
    throw new CannotTell('this integral is not differentiated by rule');
  }
  const [first, last] = expr.bounds;
  const edge = (bound: Expr): Expr =>
    make({
      kind: 'multiply',
      factors: [substitute(expr.body, expr.variable, bound), derive(bound, variable)],
    });
  const terms: Expr[] = [];
  if (dependsOn(last, variable)) terms.push(edge(last));
  if (dependsOn(first, variable)) terms.push(make({ kind: 'negate', body: edge(first) }));
  if (variable !== expr.variable && dependsOn(expr.body, variable)) {
    terms.push(make({ ...expr, body: derive(expr.body, variable) }));
  }
  return terms.length ? make({ kind: 'add', terms }) : make(number(0n));
}
