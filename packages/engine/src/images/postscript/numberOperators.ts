import { give, type Machine, type Operators, pop, popNumber, popNumbers, push } from './machine';
import { equal, PostScriptError, type Value, written } from './values';

const degrees = (radians: number): number => ((((radians * 180) / Math.PI) % 360) + 360) % 360;
const radians = (angle: number): number => (angle * Math.PI) / 180;

function divided(a: number, b: number): number {
  if (b === 0) throw new PostScriptError('undefinedresult', 'div');
  return a / b;
}

const ONE: Readonly<Record<string, (a: number) => number>> = {
  neg: (a) => -a,
  abs: Math.abs,
  ceiling: Math.ceil,
  floor: Math.floor,
  round: (a) => Math.floor(a + 0.5),
  truncate: Math.trunc,
  sqrt: (a) => Math.sqrt(Math.max(0, a)),
  sin: (a) => Math.sin(radians(a)),
  cos: (a) => Math.cos(radians(a)),
  ln: (a) => Math.log(a),
  log: (a) => Math.log10(a),
};

const TWO: Readonly<Record<string, (a: number, b: number) => number>> = {
  add: (a, b) => a + b,
  sub: (a, b) => a - b,
  mul: (a, b) => a * b,
  div: divided,
  idiv: (a, b) => Math.trunc(divided(a, b)),
  mod: (a, b) => (divided(a, b), a % b),
  atan: (a, b) => degrees(Math.atan2(a, b)),
  exp: (a, b) => a ** b,
  bitshift: (a, b) => (b >= 0 ? a << b : a >> -b),
};

const order = (a: Value, b: Value): number => {
  if (typeof a === 'number' && typeof b === 'number') return a - b;
  return written(a) < written(b) ? -1 : written(a) === written(b) ? 0 : 1;
};
const COMPARED: Readonly<Record<string, (a: Value, b: Value) => boolean>> = {
  eq: equal,
  ne: (a, b) => !equal(a, b),
  lt: (a, b) => order(a, b) < 0,
  le: (a, b) => order(a, b) <= 0,
  gt: (a, b) => order(a, b) > 0,
  ge: (a, b) => order(a, b) >= 0,
};

const BITS: Readonly<Record<string, (a: number, b: number) => number>> = {
  and: (a, b) => a & b,
  or: (a, b) => a | b,
  xor: (a, b) => a ^ b,
};

function bits(it: Machine, by: (a: number, b: number) => number): void {
  const [b, a] = [pop(it), pop(it)];
  const found = by(Number(a), Number(b));
  push(it, typeof a === 'boolean' ? found !== 0 : found);
}

/** `rand` as a generator of 31 bits (Park and Miller, 1988). */
function rand(it: Machine): void {
  it.seed = (it.seed * 16807) % 2147483647;
  push(it, it.seed);
}

const negated = (value: Value): Value => (typeof value === 'boolean' ? !value : ~Number(value));

/** Operators of numbers, truth and order (Language Reference, 8.1). */
export const NUMBER_OPERATORS: Operators = new Map<string, (it: Machine) => void>([
  ...Object.entries(ONE).map(([name, by]) => [name, give((it) => by(popNumber(it)))] as const),
  ...Object.entries(TWO).map(
    ([name, by]) =>
      [name, (it: Machine) => push(it, by(...(popNumbers(it, 2) as [number, number])))] as const,
  ),
  ...Object.entries(COMPARED).map(
    ([name, by]) =>
      [
        name,
        (it: Machine) => {
          const b = pop(it);
          push(it, by(pop(it), b));
        },
      ] as const,
  ),
  ...Object.entries(BITS).map(([name, by]) => [name, (it: Machine) => bits(it, by)] as const),
  ['not', give((it) => negated(pop(it)))],
  ['true', give(() => true)],
  ['false', give(() => false)],
  ['null', give(() => null)],
  ['rand', rand],
  ['srand', (it) => void (it.seed = Math.abs(Math.trunc(popNumber(it))) % 2147483646 || 1)],
  ['rrand', give((it) => it.seed)],
]);
