import { mapParts, partsOf, same, substitute, walk, type Expr } from '../reading/expression';
import { at } from './derive';
import { CannotTell, toInteger, valueText, type Value } from '../numbers/value';

type Dots = Extract<Expr, { kind: 'dots' }>;

const NO_PATTERN = 'the terms between the dots do not show how they go on';

/** The name of the counter that stands for the number of a term. */
const COUNTER = '\u0001j';

/**
 * What dots stand for, as a sum or product of all its terms. Two ways lead there: the last term says what a term
 * looks like (`1 + 4 + … + n^2`), or the first ones show how one becomes the next (`a + ar + … + ar^{n-1}`).
 * `valueOf` works out expressions for the values of the moment. Throws `CannotTell` where neither does.
 */
export function dotsBetween(dots: Dots, valueOf: (expr: Expr) => Value): Expr {
  return byLastTerm(dots) ?? byFirstTerms(dots, valueOf);
}

/** The last term, with a variable of it counting: right if it gives the first ones too. */
function byLastTerm(dots: Dots): Expr | null {
  const { shown, last, op } = dots;
  const [first, second] = shown;
  if (!last || !first) return null;
  const make = at(dots);
  for (const name of indicesOf(last)) {
    const term = (k: bigint): Expr => substitute(last, name, make({ kind: 'number', value: k }));
    for (let start = -3n; start <= 6n; start++) {
      const fits = shown.every((wanted, i) => alike(term(start + BigInt(i)), wanted));
      // One term alone says too little, but for the first or the one before it.
      if (!fits || (!second && start !== 1n && start !== 0n)) continue;
      const number = make({ kind: 'number', value: start });
      return make({
        kind: 'series',
        op,
        index: name,
        over: { kind: 'between', first: number, last: make({ kind: 'name', name }) },
        body: last,
      });
    }
  }
  return null;
}

/** Variables of whole numbers first. */
function indicesOf(expr: Expr): readonly string[] {
  const names = new Set<string>();
  walk(expr, (part) => {
    if (part.kind === 'name') names.add(part.name);
  });
  const whole = (name: string): number => (/^[nmkNrlpqt]$/.test(name) ? 0 : 1);
  return [...names].sort((a, b) => whole(a) - whole(b));
}

/** Two expressions without variables of equal value, or alike after whole numbers are worked out. */
function alike(a: Expr, b: Expr): boolean {
  return same(settled(a), settled(b));
}

/** Whole numbers added, multiplied and raised where they stand side by side. */
export function settled(expr: Expr): Expr {
  const inner = mapParts(expr, settled);
  const make = at(expr);
  const whole = (part: Expr): bigint | null =>
    part.kind === 'number' && typeof part.value === 'bigint' ? part.value : null;
  const number = (value: bigint): Expr => make({ kind: 'number', value });
  switch (inner.kind) {
    case 'negate': {
      const factors = [number(-1n), ...factorsOf(inner.body)];
      return settled(make({ kind: 'multiply', factors }));
    }
    case 'add': {
      const values = inner.terms.map(whole);
      const sum = values.reduce<bigint>((total, value) => total + (value ?? 0n), 0n);
      const rest = inner.terms.filter((_, i) => values[i] === null);
      if (rest.length === 0) return number(sum);
      const all = sum === 0n ? rest : [...rest, number(sum)];
      return all.length === 1 ? (all[0] as Expr) : make({ kind: 'add', terms: all });
    }
    case 'multiply': {
      const values = inner.factors.map(whole);
      const product = values.reduce<bigint>((total, value) => total * (value ?? 1n), 1n);
      if (product === 0n) return number(0n);
      const rest = inner.factors.filter((_, i) => values[i] === null);
      if (rest.length === 0) return number(product);
      const all = product === 1n ? rest : [number(product), ...rest];
      return all.length === 1 ? (all[0] as Expr) : make({ kind: 'multiply', factors: all });
    }
    case 'cross': {
      const [a, b] = [whole(inner.left), whole(inner.right)];
      return a !== null && b !== null ? number(a * b) : inner;
    }
    case 'power': {
      const [base, exponent] = [whole(inner.base), whole(inner.exponent)];
      if (exponent === 1n) return inner.base;
      if (exponent === 0n) return number(1n);
      if (base === null || exponent === null || exponent < 0n || exponent > 64n) return inner;
      return number(base ** exponent);
    }
    case 'divide': {
      const [top, bottom] = [whole(inner.top), whole(inner.bottom)];
      if (bottom === 1n) return inner.top;
      return top !== null && bottom && top % bottom === 0n ? number(top / bottom) : inner;
    }
    default:
      return inner;
  }
}

/** What the first terms have in common: numbers that change count on by equal steps, or each is the same multiple of the one before. */
function byFirstTerms(dots: Dots, valueOf: (expr: Expr) => Value): Expr {
  const { shown, last, op } = dots;
  const make = at(dots);
  const [first, second] = shown;
  if (!first || !second) throw new CannotTell(NO_PATTERN);
  const alike = template(first, second, 0);
  const counted = template(filled(first, second), filled(second, first), 0);
  const number = (value: bigint): Expr => make({ kind: 'number', value });
  for (const general of [alike, counted, multiplied(first, second)]) {
    if (!general) continue;
    const term = (j: bigint): string => textOf(valueOf(substitute(general, COUNTER, number(j))));
    if (shown.some((wanted, j) => term(BigInt(j)) !== textOf(valueOf(wanted)))) continue;
    if (last && term(0n) === term(1n))
      throw new CannotTell('it is not shown how many terms there are');
    const end = last ? numberOf(term, textOf(valueOf(last))) : null;
    if (last && end === null) continue;
    const to = end === null ? make({ kind: 'constant', name: 'infinity' }) : number(end);
    const over = { kind: 'between', first: number(0n), last: to } as const;
    return make({ kind: 'series', op, index: COUNTER, over, body: general });
  }
  throw new CannotTell(NO_PATTERN);
}

const textOf = (value: Value): string =>
  typeof value === 'number' ? value.toPrecision(9) : String(toInteger(value) ?? valueText(value));

/** Which term has this value; so many are tried. */
function numberOf(term: (j: bigint) => string, wanted: string): bigint | null {
  for (let j = 0n; j <= 1100n; j++) if (term(j) === wanted) return j;
  return null;
}

/** A term in which factors and exponents that the other one shows are written out: `a` beside `ar` is `a r^0`. */
function filled(expr: Expr, other: Expr): Expr {
  const make = at(expr);
  const factors = factorsOf(settledSigns(expr));
  const bases = [...factors, ...factorsOf(settledSigns(other))].map(baseOf);
  const distinct = bases.filter(
    (base, i) => base.kind !== 'number' && bases.findIndex((one) => same(one, base)) === i,
  );
  distinct.sort((a, b) => JSON.stringify(partsText(a)).localeCompare(JSON.stringify(partsText(b))));
  const numbers = factors.filter(({ kind }) => kind === 'number');
  const powers = distinct.map((base) => {
    const own = factors.filter((factor) => same(baseOf(factor), base));
    const exponents = own.map((factor) =>
      factor.kind === 'power' ? factor.exponent : make({ kind: 'number', value: 1n }),
    );
    const exponent =
      exponents.length === 1
        ? (exponents[0] as Expr)
        : settled(
            make({ kind: 'add', terms: [...exponents, make({ kind: 'number', value: 0n })] }),
          );
    return make({ kind: 'power', base, exponent });
  });
  const coefficient = numbers.length
    ? settled(make({ kind: 'multiply', factors: numbers }))
    : make({ kind: 'number', value: 1n });
  return make({ kind: 'multiply', factors: [coefficient, ...powers] });
}

const settledSigns = (expr: Expr): Expr =>
  expr.kind === 'negate'
    ? at(expr)({
        kind: 'multiply',
        factors: [at(expr)({ kind: 'number', value: -1n }), expr.body],
      })
    : expr;

const partsText = (expr: Expr): unknown =>
  'name' in expr ? expr.name : [expr.kind, ...partsOf(expr).map(partsText)];

const factorsOf = (expr: Expr): readonly Expr[] =>
  expr.kind === 'multiply' ? expr.factors.flatMap(factorsOf) : [expr];

const baseOf = (expr: Expr): Expr => (expr.kind === 'power' ? expr.base : expr);

/** One expression for two of the same shape, numbers that differ counted on; null where the shapes differ. */
function template(a: Expr, b: Expr, depth: number): Expr | null {
  if (same(a, b)) return a;
  const make = at(a);
  const apart = numberApart(a, b);
  if (apart !== null) {
    const step = make({
      kind: 'multiply',
      factors: [make({ kind: 'number', value: apart }), make({ kind: 'name', name: COUNTER })],
    });
    return make({ kind: 'add', terms: [a, step] });
  }
  const [mine, others] = [partsOf(a), partsOf(b)];
  if (a.kind !== b.kind || mine.length !== others.length || depth > 20) return null;
  if ('name' in a && 'name' in b && a.name !== b.name) return null;
  if (a.kind === 'call' && b.kind === 'call' && a.fn !== b.fn) return null;
  let i = 0;
  let failed = mine.length === 0;
  const merged = mapParts(a, (part) => {
    const found = template(part, others[i++] as Expr, depth + 1);
    if (!found) failed = true;
    return found ?? part;
  });
  return failed ? null : merged;
}

/** The whole number by which two exponents, indices or numbers differ. */
function numberApart(a: Expr, b: Expr): bigint | null {
  const make = at(a);
  const minus = make({ kind: 'negate', body: a });
  const difference = settled(make({ kind: 'add', terms: [...termsOf(b), ...termsOf(minus)] }));
  return difference.kind === 'number' && typeof difference.value === 'bigint'
    ? difference.value
    : cancelled(difference);
}

const termsOf = (expr: Expr): readonly Expr[] => {
  if (expr.kind === 'add') return expr.terms.flatMap(termsOf);
  if (expr.kind === 'negate' && expr.body.kind === 'add') {
    return expr.body.terms
      .flatMap(termsOf)
      .map((body) => settled(at(expr)({ kind: 'negate', body })));
  }
  return [settled(expr)];
};

/** A sum in which everything but a number cancels. */
function cancelled(expr: Expr): bigint | null {
  if (expr.kind !== 'add') return null;
  const left = [...expr.terms];
  let total = 0n;
  while (left.length) {
    const term = left.pop() as Expr;
    if (term.kind === 'number' && typeof term.value === 'bigint') {
      total += term.value;
      continue;
    }
    const wanted = settled(at(term)({ kind: 'negate', body: term }));
    const opposite = left.findIndex((other) => same(settled(other), wanted));
    if (opposite < 0) return null;
    left.splice(opposite, 1);
  }
  return total;
}

/** Each term the same multiple of the one before. */
function multiplied(a: Expr, b: Expr): Expr {
  const make = at(a);
  const ratio = make({ kind: 'divide', top: b, bottom: a });
  const exponent = make({ kind: 'name', name: COUNTER });
  return make({ kind: 'multiply', factors: [a, make({ kind: 'power', base: ratio, exponent })] });
}
