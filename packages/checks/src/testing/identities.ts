import fc from 'fast-check';

/** Expressions for tests: trees that are printed in any notation and rewritten by known rules. */
export type Tree =
  | { readonly op: 'number'; readonly value: number }
  | { readonly op: 'name'; readonly name: string }
  | { readonly op: '+' | '-' | '*' | '/'; readonly a: Tree; readonly b: Tree }
  | { readonly op: '^'; readonly a: Tree; readonly n: number }
  | { readonly op: 'f'; readonly f: 'sin' | 'cos' | 'exp'; readonly a: Tree };

const number = (value: number): Tree => ({ op: 'number', value });
const two = (op: '+' | '-' | '*' | '/', a: Tree, b: Tree): Tree => ({ op, a, b });
const raised = (a: Tree, n: number): Tree => ({ op: '^', a, n });
const f = (name: 'sin' | 'cos' | 'exp', a: Tree): Tree => ({ op: 'f', f: name, a });

export const trees: fc.Arbitrary<Tree> = fc.letrec<{ tree: Tree }>((tie) => ({
  tree: fc.oneof(
    { maxDepth: 3, withCrossShrink: true },
    fc.integer({ min: 1, max: 9 }).map(number),
    fc.constantFrom('x', 'y', 'a', 'n').map((name): Tree => ({ op: 'name', name })),
    fc
      .tuple(fc.constantFrom('+', '-', '*', '/'), tie('tree'), tie('tree'))
      .map(([op, a, b]) => two(op, a, b)),
    fc.tuple(tie('tree'), fc.constantFrom(2, 3)).map(([a, n]) => raised(a, n)),
    fc.tuple(fc.constantFrom('sin', 'cos'), tie('tree')).map(([name, a]) => f(name, a)),
  ),
})).tree;

/** Rules of algebra: each gives another form of a tree, or null where it does not fit. */
export const RULES: readonly ((tree: Tree) => Tree | null)[] = [
  (t) => (t.op === '+' || t.op === '*' ? two(t.op, t.b, t.a) : null),
  (t) => (t.op === '-' ? two('+', t.a, two('*', two('-', number(0), number(1)), t.b)) : null),
  (t) => two('+', t, number(0)),
  (t) => two('*', number(1), t),
  (t) => two('-', two('+', t, number(3)), number(3)),
  (t) => two('/', two('*', number(2), t), number(2)),
  (t) => (t.op === '^' && t.n === 2 ? two('*', t.a, t.a) : null),
  (t) => (t.op === '^' && t.n === 3 ? two('*', raised(t.a, 2), t.a) : null),
  (t) => (t.op === '^' && t.n === 2 && t.a.op === '+' ? expanded(t.a.a, t.a.b) : null),
  (t) =>
    t.op === '*' && t.b.op === '+' ? two('+', two('*', t.a, t.b.a), two('*', t.a, t.b.b)) : null,
  (t) =>
    t.op === '*' && t.a.op === '-' ? two('-', two('*', t.a.a, t.b), two('*', t.a.b, t.b)) : null,
  (t) =>
    t.op === '/' && t.a.op === '+' ? two('+', two('/', t.a.a, t.b), two('/', t.a.b, t.b)) : null,
  (t) => (t.op === '/' ? two('*', t.a, raised(t.b, -1)) : null),
  (t) =>
    t.op === 'f' && t.f === 'sin' ? two('-', number(0), f('sin', two('-', number(0), t.a))) : null,
  (t) => (t.op === 'f' && t.f === 'cos' ? f('cos', two('-', number(0), t.a)) : null),
  (t) =>
    t.op === 'name' ? two('*', t, two('+', raised(f('sin', t), 2), raised(f('cos', t), 2))) : null,
];

function expanded(a: Tree, b: Tree): Tree {
  const mixed = two('*', two('*', number(2), a), b);
  return two('+', two('+', raised(a, 2), mixed), raised(b, 2));
}

/** All places of a tree, each with what puts another tree there. */
export function places(
  tree: Tree,
): readonly { readonly at: Tree; readonly put: (other: Tree) => Tree }[] {
  const here = { at: tree, put: (other: Tree): Tree => other };
  if (tree.op === 'number' || tree.op === 'name') return [here];
  const inner = places(tree.a).map(({ at, put }) => ({
    at,
    put: (other: Tree): Tree => ({ ...tree, a: put(other) }),
  }));
  if (!('b' in tree)) return [here, ...inner];
  const second = places(tree.b).map(({ at, put }) => ({
    at,
    put: (other: Tree): Tree => ({ ...tree, b: put(other) }),
  }));
  return [here, ...inner, ...second];
}

/** Takes numbers from a list in turn, to choose by. */
export function chooser(choices: readonly number[]): (count: number) => number {
  let i = 0;
  return (count) => Math.abs(choices[i++ % choices.length] ?? 0) % count;
}

/** A tree as LaTeX in one of the notations that mean it. */
export function written(tree: Tree, choose: (count: number) => number): string {
  const bracket = (inner: Tree): string => {
    const tex = written(inner, choose);
    return choose(2) ? `\\left(${tex}\\right)` : `(${tex})`;
  };
  const plain = (inner: Tree): boolean =>
    inner.op === 'name' || inner.op === 'number' || inner.op === 'f';
  const factor = (inner: Tree): string => (plain(inner) ? written(inner, choose) : bracket(inner));
  switch (tree.op) {
    case 'number':
      return String(tree.value);
    case 'name':
      return tree.name;
    case '+':
      return `${written(tree.a, choose)} + ${tree.b.op === '-' && tree.b.a.op === 'number' ? bracket(tree.b) : written(tree.b, choose)}`;
    case '-': {
      const right =
        tree.b.op === '+' || tree.b.op === '-' ? bracket(tree.b) : written(tree.b, choose);
      const zero = tree.a.op === 'number' && tree.a.value === 0;
      return zero ? `(-${factor(tree.b)})` : `${written(tree.a, choose)} - ${right}`;
    }
    case '*': {
      const [a, b] = [factor(tree.a), factor(tree.b)];
      const needsSign =
        /^[\d\\]/.test(b) ||
        tree.a.op === 'f' ||
        (/^[a-z]$/.test(a) === false && tree.a.op === 'name');
      const sign = needsSign
        ? ['\\cdot ', '\\times '][choose(2)]
        : ['', '\\cdot ', '\\,'][choose(3)];
      return `${a} ${sign}${b}`;
    }
    case '/':
      return choose(3)
        ? `\\frac{${written(tree.a, choose)}}{${written(tree.b, choose)}}`
        : `${plain(tree.a) ? written(tree.a, choose) : bracket(tree.a)}/${bracket(tree.b)}`;
    case '^': {
      const base =
        tree.a.op === 'name' || (tree.a.op === 'number' && tree.a.value < 10)
          ? written(tree.a, choose)
          : bracket(tree.a);
      return tree.a.op === 'f' && tree.n > 0 && choose(2)
        ? `\\${tree.a.f}^${tree.n}${bracket(tree.a.a)}`
        : `${base}^{${tree.n}}`;
    }
    case 'f':
      return `\\${tree.f}${bracket(tree.a)}`;
  }
}
