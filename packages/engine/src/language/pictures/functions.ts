import type { Surroundings, Value } from './arithmetic';

type Own = (args: readonly Value[], around: Surroundings) => Value;

const number = (value: Value | undefined): number => {
  if (typeof value === 'number') return value;
  const read = typeof value === 'string' ? Number(value) : 0;
  return Number.isFinite(read) ? read : 0;
};
const of =
  (act: (...numbers: number[]) => number): Own =>
  (args) =>
    act(...args.map(number));
const flat = (args: readonly Value[]): number[] =>
  args.flatMap((arg) => (Array.isArray(arg) ? flat(arg as readonly Value[]) : [number(arg)]));
const rad = (degrees: number): number => (degrees * Math.PI) / 180;
const deg = (radians: number): number => (radians * 180) / Math.PI;
const yes = (is: boolean): number => (is ? 1 : 0);

/** Sine and cosine that are exact at whole quarters. */
const sin = (degrees: number): number => {
  const turn = ((degrees % 360) + 360) % 360;
  const exact = ({ 0: 0, 90: 1, 180: 0, 270: -1 } as Record<number, number>)[turn];
  return exact ?? Math.sin(rad(degrees));
};
const cos = (degrees: number): number => sin(degrees + 90);

const gcd = (a: number, b: number): number => (b === 0 ? Math.abs(a) : gcd(b, a % b));
const isPrime = (n: number): boolean => {
  for (let i = 2; i * i <= n; i++) if (n % i === 0) return false;
  return n > 1;
};
const modulo = (a: number, b: number): number => (b === 0 ? 0 : a - b * Math.trunc(a / b));
const factorial = (n: number): number => {
  let out = 1;
  for (let i = 2; i <= Math.min(n, 170); i++) out *= i;
  return out;
};
const inBase = (base: number) => (n: number) => Math.trunc(n).toString(base);

/** The functions of expressions in pictures, as the manual of their language lists them. Angles are in degrees. */
export const FUNCTIONS: Readonly<Record<string, Own | undefined>> = {
  pi: () => Math.PI,
  e: () => Math.E,
  true: () => 1,
  false: () => 0,
  rnd: (_args, around) => around.random(),
  rand: (_args, around) => 2 * around.random() - 1,
  random: (args, around) => {
    const [first, last] = args.map(number);
    if (first === undefined) return around.random();
    const [low, high] = last === undefined ? [1, first] : [first, last];
    return low + Math.floor(around.random() * (high - low + 1));
  },
  add: of((a = 0, b = 0) => a + b),
  subtract: of((a = 0, b = 0) => a - b),
  multiply: of((a = 0, b = 0) => a * b),
  divide: of((a = 0, b = 1) => a / b),
  neg: of((a = 0) => -a),
  abs: of((a = 0) => Math.abs(a)),
  sign: of((a = 0) => Math.sign(a)),
  mod: of((a = 0, b = 1) => modulo(a, b)),
  Mod: of((a = 0, b = 1) => modulo(modulo(a, b) + Math.abs(b), b)),
  div: of((a = 0, b = 1) => Math.trunc(a / b)),
  gcd: of((a = 0, b = 0) => gcd(Math.trunc(a), Math.trunc(b))),
  factorial: of((n = 0) => factorial(n)),
  sqrt: of((a = 0) => Math.sqrt(Math.max(0, a))),
  pow: of((a = 0, b = 1) => Math.pow(a, b)),
  exp: of((a = 0) => Math.exp(a)),
  ln: of((a = 1) => Math.log(a)),
  log10: of((a = 1) => Math.log10(a)),
  log2: of((a = 1) => Math.log2(a)),
  deg: of((a = 0) => deg(a)),
  rad: of((a = 0) => rad(a)),
  sin: of((a = 0) => sin(a)),
  cos: of((a = 0) => cos(a)),
  tan: of((a = 0) => sin(a) / cos(a)),
  sec: of((a = 0) => 1 / cos(a)),
  cosec: of((a = 0) => 1 / sin(a)),
  cot: of((a = 0) => cos(a) / sin(a)),
  asin: of((a = 0) => deg(Math.asin(Math.min(1, Math.max(-1, a))))),
  acos: of((a = 0) => deg(Math.acos(Math.min(1, Math.max(-1, a))))),
  atan: of((a = 0) => deg(Math.atan(a))),
  atan2: of((y = 0, x = 0) => deg(Math.atan2(y, x))),
  sinh: of((a = 0) => Math.sinh(a)),
  cosh: of((a = 0) => Math.cosh(a)),
  tanh: of((a = 0) => Math.tanh(a)),
  veclen: of((x = 0, y = 0) => Math.hypot(x, y)),
  round: of((a = 0) => Math.sign(a) * Math.round(Math.abs(a))),
  floor: of((a = 0) => Math.floor(a)),
  ceil: of((a = 0) => Math.ceil(a)),
  int: of((a = 0) => Math.trunc(a)),
  frac: of((a = 0) => Math.abs(a - Math.trunc(a))),
  real: of((a = 0) => a),
  scalar: of((a = 0) => a),
  isodd: of((a = 0) => yes(Math.abs(Math.trunc(a)) % 2 === 1)),
  iseven: of((a = 0) => yes(Math.trunc(a) % 2 === 0)),
  isprime: of((a = 0) => yes(isPrime(Math.trunc(a)))),
  equal: of((a = 0, b = 0) => yes(a === b)),
  notequal: of((a = 0, b = 0) => yes(a !== b)),
  greater: of((a = 0, b = 0) => yes(a > b)),
  less: of((a = 0, b = 0) => yes(a < b)),
  notgreater: of((a = 0, b = 0) => yes(a <= b)),
  notless: of((a = 0, b = 0) => yes(a >= b)),
  and: of((a = 0, b = 0) => yes(a !== 0 && b !== 0)),
  or: of((a = 0, b = 0) => yes(a !== 0 || b !== 0)),
  not: of((a = 0) => yes(a === 0)),
  ifthenelse: ([condition, whole = 0, other = 0]) => (number(condition) !== 0 ? whole : other),
  min: (args) => Math.min(...flat(args)),
  max: (args) => Math.max(...flat(args)),
  array: ([list = [], index]) =>
    typeof list === 'number' ? list : (list[Math.round(number(index))] ?? 0),
  dim: ([list = []]) => (typeof list === 'number' ? 1 : list.length),
  hex: ([n]) => inBase(16)(number(n)),
  Hex: ([n]) => inBase(16)(number(n)).toUpperCase(),
  oct: ([n]) => inBase(8)(number(n)),
  bin: ([n]) => inBase(2)(number(n)),
};
