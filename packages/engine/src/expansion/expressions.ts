import { NO_GLUE, type Glue } from '../base/lengths';
import { Cat } from '../tokens/categories';
import { readArgument } from './arguments';
import type { Primitive, Quantity, Token } from './meaning';
import type { Processor } from './processor';
import { scanDimen, scanGlue, scanInt } from './scan';

type Kind = 'count' | 'dimen' | 'skip';

/** Division with rounding away from zero (e-TeX manual, section 3.5). */
const divideRounded = (a: number, b: number): number =>
  b === 0
    ? 0
    : Math.sign(a) * Math.sign(b) * Math.floor((Math.abs(a) + Math.abs(b) / 2) / Math.abs(b));

const asGlue = (value: number | Glue): Glue =>
  typeof value === 'number' ? { ...NO_GLUE, width: value } : value;

function plus(a: number | Glue, b: number | Glue, sign: 1 | -1): number | Glue {
  if (typeof a === 'number' && typeof b === 'number') return a + sign * b;
  const [x, y] = [asGlue(a), asGlue(b)];
  return {
    ...x,
    width: x.width + sign * y.width,
    stretch: x.stretch + sign * y.stretch,
    stretchOrder: y.stretch === 0 ? x.stretchOrder : y.stretchOrder,
    shrink: x.shrink + sign * y.shrink,
    shrinkOrder: y.shrink === 0 ? x.shrinkOrder : y.shrinkOrder,
  };
}

function scale(a: number | Glue, by: (n: number) => number): number | Glue {
  if (typeof a === 'number') return by(a);
  return { ...a, width: by(a.width), stretch: by(a.stretch), shrink: by(a.shrink) };
}

function isOperator(token: Token | null, signs: string): token is Token {
  return token !== null && token.cell === null && signs.includes(token.text) && token.text !== '';
}

function operand(p: Processor, kind: Kind): number | Glue {
  const token = p.nextNonBlank();
  if (isOperator(token, '(')) {
    const value = p.nested('(', () => sum(p, kind)) ?? 0;
    const close = p.nextNonBlank();
    if (close && !isOperator(close, ')')) p.unread(close);
    return value;
  }
  if (token) p.unread(token);
  return kind === 'count' ? scanInt(p) : kind === 'dimen' ? scanDimen(p) : scanGlue(p);
}

/** What multiplies or divides: a whole number, or calc's `\real{…}` and `\ratio{…}{…}`. */
function factor(p: Processor): number {
  const token = p.nextNonBlank();
  if (token?.cat === Cat.Command && token.text === 'real')
    return parseFloat((readArgument(p, token) ?? []).map((t) => t.text).join('')) || 0;
  if (token?.cat === Cat.Command && token.text === 'ratio') {
    const length = (): number => {
      p.push([...(readArgument(p, token) ?? []), p.command('relax')]);
      const value = scanDimen(p);
      const rest = p.next();
      if (rest && rest.text !== 'relax') p.unread(rest);
      return value;
    };
    const [a, b] = [length(), length()];
    return b === 0 ? 0 : a / b;
  }
  if (token) p.unread(token);
  return Number(operand(p, 'count'));
}

function product(p: Processor, kind: Kind): number | Glue {
  let value = operand(p, kind);
  for (;;) {
    const token = p.nextNonBlank();
    if (!isOperator(token, '*/')) {
      if (token) p.unread(token);
      return value;
    }
    const by = factor(p);
    value = scale(value, (n) =>
      token.text === '*' ? n * by : Number.isInteger(by) ? divideRounded(n, by) : n / by,
    );
  }
}

function sum(p: Processor, kind: Kind): number | Glue {
  let value = product(p, kind);
  for (;;) {
    const token = p.nextNonBlank();
    if (!isOperator(token, '+-')) {
      if (token) p.unread(token);
      return value;
    }
    value = plus(value, product(p, kind), token.text === '+' ? 1 : -1);
  }
}

function expression(name: string, kind: Kind): Primitive {
  return {
    kind: 'primitive',
    name,
    run: () => undefined,
    read: (p): Quantity => {
      const value = sum(p, kind);
      const end = p.next();
      const relax = end?.cat === Cat.Command && end.text === 'relax';
      if (end && !relax) p.unread(end);
      return { type: kind, value };
    },
  };
}

/** `\numexpr`, `\dimexpr`, `\glueexpr` (e-TeX manual, section 3.5). */
export const expressions: readonly Primitive[] = [
  expression('numexpr', 'count'),
  expression('dimexpr', 'dimen'),
  expression('glueexpr', 'skip'),
];
