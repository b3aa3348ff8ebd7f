import { freeNames, mapParts, some, substitute, walk, type Expr } from '../reading/expression';

/**
 * Both sides with the variables filled in that writing leaves out: `[F]_a^b`, `(uv)'` and `f'` go by the variable
 * that the rest of the step shows.
 */
export function withVariables(left: Expr, right: Expr): readonly [Expr, Expr] {
  const sides = [left, right];
  const open = sides.some((side) =>
    some(
      side,
      (part) =>
        (part.kind === 'difference' && part.variable === '') ||
        (part.kind === 'derivative' && (part.variable === '' || isOther(part))),
    ),
  );
  if (!open) return [left, right];
  const variable = integrationVariable(sides) ?? usualVariable(sides);
  const bare = new Set(sides.flatMap(primedNames));
  const fill = (expr: Expr): Expr => {
    const inner = mapParts(expr, fill);
    if (inner.kind === 'difference' && inner.variable === '') return { ...inner, variable };
    if (inner.kind === 'derivative' && (inner.variable === '' || isOther(inner))) {
      return filledDerivative(inner, inner.variable || variable);
    }
    return inner;
  };
  const whole = (side: Expr): Expr => functionsOf(fill(side), bare, variable);
  return [whole(left), whole(right)];
}

/** `dy/dx` of a letter alone: it is a function of the other one. */
const isOther = ({ body, variable }: Derivative): boolean =>
  body.kind === 'name' && body.name !== variable;

type Derivative = Extract<Expr, { kind: 'derivative' }>;

/** `y'` is the derivative of a function that is written without its argument. */
function filledDerivative(expr: Derivative, variable: string): Expr {
  const { body, order } = expr;
  if (body.kind !== 'name' || body.name === variable) return { ...expr, variable };
  const place = { from: expr.from, to: expr.to };
  const args: Expr[] = [{ ...place, kind: 'name', name: variable }];
  return { ...place, kind: 'apply', name: body.name, primes: order, args };
}

function primedNames(side: Expr): readonly string[] {
  const names: string[] = [];
  walk(side, (part) => {
    if (part.kind === 'derivative' && part.variable === '' && part.body.kind === 'name')
      names.push(part.body.name);
  });
  return names;
}

/** Names that are primed somewhere are functions of the variable wherever they stand alone. */
function functionsOf(side: Expr, names: ReadonlySet<string>, variable: string): Expr {
  let result = side;
  for (const name of names) {
    if (name === variable) continue;
    const place = { from: side.from, to: side.to };
    const args: Expr[] = [{ ...place, kind: 'name', name: variable }];
    result = substitute(result, name, { ...place, kind: 'apply', name, primes: 0, args });
  }
  return result;
}

function integrationVariable(sides: readonly Expr[]): string | null {
  let found: string | null = null;
  for (const side of sides) {
    walk(side, (part) => {
      if (part.kind === 'integral' || (part.kind === 'derivative' && part.variable))
        found ??= part.variable;
    });
  }
  return found;
}

function usualVariable(sides: readonly Expr[]): string {
  const names = new Set(sides.flatMap((side) => [...freeNames(side)]));
  for (const usual of ['x', 't', 'u', 'θ', 'y', 's', 'r']) if (names.has(usual)) return usual;
  return [...names].find((name) => /^\p{L}$/u.test(name) && !/^[fgh]$/.test(name)) ?? 'x';
}
