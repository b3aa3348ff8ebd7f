import { withArguments } from '../../expansion/definitions';
import { formatPt } from '../../base/lengths';
import { evaluated } from '../../expansion/evaluations';
import { floatText } from '../../expansion/floatExpressions';
import type { RegisterType, Token } from '../../expansion/meaning';
import { toLetter, toRoman } from '../../expansion/numerals';
import type { Processor } from '../../expansion/processor';
import { declareRegister } from '../../expansion/registers';
import { scanGlue } from '../../expansion/scan';
import { Cat } from '../../tokens/categories';
import {
  asks,
  called,
  dimOf,
  does,
  gives,
  group,
  held,
  intOf,
  keep,
  sets,
  text,
  variable,
  walk,
  type Call,
  type ExplFunction,
  type Tokens,
  isBound,
} from './call';
import { chooses } from './tokenLists';

type Relation = (a: number, b: number) => boolean;
const RELATIONS: Readonly<Record<string, Relation>> = {
  '=': (a, b) => a === b,
  '==': (a, b) => a === b,
  '!=': (a, b) => a !== b,
  '<': (a, b) => a < b,
  '<=': (a, b) => a <= b,
  '>': (a, b) => a > b,
  '>=': (a, b) => a >= b,
};

/** A kind of number: what its expressions give. */
type Evaluate = (call: Call, tokens: Tokens | undefined) => number;

/** `{ 1 < 2 <= 3 }`: relations in a row hold if each does. */
function chainHolds(call: Call, evaluate: Evaluate): boolean {
  const parts: Token[][] = [[]];
  const signs: string[] = [];
  let depth = 0;
  const tokens = call.args[0] ?? [];
  for (let i = 0; i < tokens.length; i++) {
    const token = tokens[i] as Token;
    if (token.cat === Cat.Begin) depth++;
    if (token.cat === Cat.End) depth--;
    const isSign = depth === 0 && token.cell === null && /^[<>=!]$/.test(token.text);
    if (!isSign) {
      parts.at(-1)?.push(token);
      continue;
    }
    const double = tokens[i + 1]?.text === '=';
    signs.push(token.text + (double ? '=' : ''));
    if (double) i++;
    parts.push([]);
  }
  const values = parts.map((part) => evaluate(call, part));
  return signs.every((sign, i) => RELATIONS[sign]?.(values[i] ?? 0, values[i + 1] ?? 0) ?? false);
}

const compares = (call: Call, evaluate: Evaluate): boolean =>
  RELATIONS[text(call.args[1])]?.(evaluate(call, call.args[0]), evaluate(call, call.args[2])) ??
  false;

/** `\int_while_do:nNnn` and its kin: while or until something holds, the test before or behind. */
function loops(kind: string, evaluate: Evaluate): ExplFunction[] {
  return ['while', 'until'].flatMap((word) =>
    ['', 'do'].flatMap((place) =>
      (['nNnn', 'nn'] as const).map((spec) => {
        const name = place === '' ? `${kind}_${word}_do` : `${kind}_do_${word}`;
        return does(name, spec, (call) => {
          const { p, args } = call;
          const code = args.at(-1) ?? [];
          const test = spec === 'nn' ? args.slice(0, 1) : args.slice(0, 3);
          const again: Token[] = [
            p.command(`${kind}_${word}_do:${spec}`),
            ...test.flatMap((part, i) => (spec === 'nNnn' && i === 1 ? [...part] : group(p, part))),
            ...group(p, code),
          ];
          const holds = spec === 'nn' ? chainHolds(call, evaluate) : compares(call, evaluate);
          if (place === 'do' || holds === (word === 'while')) p.push([...code, ...again]);
        });
      }),
    ),
  );
}

const comparisons = (kind: string, evaluate: Evaluate): ExplFunction[] => [
  ...asks(`${kind}_compare`, 'nNn', (call) => compares(call, evaluate)),
  ...asks(`${kind}_compare`, 'n', (call) => chainHolds(call, evaluate)),
  ...loops(kind, evaluate),
];

// ---- registers

function assign(p: Processor, name: Tokens | undefined, value: unknown, global: boolean): void {
  const cell = variable(name)?.cell;
  const meaning = cell ? p.state.meaning(cell) : undefined;
  if (meaning?.kind === 'register') p.state.set(meaning.storage, value, global);
}

function declare(p: Processor, type: RegisterType, name: Tokens | undefined): void {
  const token = variable(name);
  if (token) declareRegister(p.state, type, token.text);
}

const ofVariable = (call: Call): Tokens => call.args[0] ?? [];

/** Names, values and sums of numbers or lengths in registers. */
const registers = (
  kind: string,
  type: RegisterType,
  evaluate: Evaluate,
  print: (value: number) => string,
): ExplFunction[] => [
  does(`${kind}_new`, 'N', ({ p, args }) => declare(p, type, args[0])),
  does(`${kind}_const`, 'Nn', (call) => {
    const value = evaluate(call, call.args[1]);
    declare(call.p, type, call.args[0]);
    assign(call.p, call.args[0], value, true);
  }),
  ...sets(`${kind}_zero`, 'N', ({ p, args }, global) => assign(p, args[0], 0, global)),
  ...sets(`${kind}_zero_new`, 'N', ({ p, args }, global) => {
    const cell = variable(args[0])?.cell;
    if (cell && p.state.meaning(cell) === undefined) declare(p, type, args[0]);
    assign(p, args[0], 0, global);
  }),
  ...sets(`${kind}_set`, 'Nn', (call, global) =>
    assign(call.p, call.args[0], evaluate(call, call.args[1]), global),
  ),
  ...sets(`${kind}_set_eq`, 'NN', (call, global) =>
    assign(call.p, call.args[0], evaluate(call, call.args[1]), global),
  ),
  ...sets(`${kind}_add`, 'Nn', (call, global) => {
    const sum = evaluate(call, ofVariable(call)) + evaluate(call, call.args[1]);
    assign(call.p, call.args[0], sum, global);
  }),
  ...sets(`${kind}_sub`, 'Nn', (call, global) => {
    const rest = evaluate(call, ofVariable(call)) - evaluate(call, call.args[1]);
    assign(call.p, call.args[0], rest, global);
  }),
  gives(`${kind}_use`, 'N', (call) => call.p.chars(print(evaluate(call, ofVariable(call))))),
  gives(`${kind}_eval`, 'n', (call) => call.p.chars(print(evaluate(call, call.args[0])))),
  gives(`${kind}_abs`, 'n', (call) => call.p.chars(print(Math.abs(evaluate(call, call.args[0]))))),
  gives(`${kind}_max`, 'nn', (call) =>
    call.p.chars(print(Math.max(evaluate(call, call.args[0]), evaluate(call, call.args[1])))),
  ),
  gives(`${kind}_min`, 'nn', (call) =>
    call.p.chars(print(Math.min(evaluate(call, call.args[0]), evaluate(call, call.args[1])))),
  ),
  ...asks(`${kind}_if_exist`, 'N', isBound),
  ...comparisons(kind, evaluate),
];

// ---- whole numbers

const int: Evaluate = ({ p }, tokens) => intOf(p, tokens);

const shown = (name: string, print: (n: number) => string): ExplFunction =>
  gives(`int_${name}`, 'n', (call) => call.p.chars(print(int(call, call.args[0]))));

const two = (name: string, work: (a: number, b: number) => number): ExplFunction =>
  gives(`int_${name}`, 'nn', (call) => {
    const [a, b] = [int(call, call.args[0]), int(call, call.args[1])];
    return call.p.chars(String(b === 0 ? 0 : work(a, b)));
  });

const roundedAway = (a: number, b: number): number =>
  Math.sign(a / b) * Math.floor(Math.abs(a / b) + 0.5);

/** From one number to another: `\int_step_inline:nn` and its longer forms. */
function stepsOf(call: Call, count: number): number[] {
  const numbers = call.args.slice(0, count).map((arg) => int(call, arg));
  const [from, step, to] =
    count === 1 ? [1, 1, numbers[0]] : count === 2 ? [numbers[0], 1, numbers[1]] : numbers;
  const out: number[] = [];
  if (from === undefined || to === undefined || !step) return out;
  for (let n = from; step > 0 ? n <= to : n >= to; n += step) {
    if (!call.p.spend(1, 'int_step')) break;
    out.push(n);
  }
  return out;
}

const steps: readonly ExplFunction[] = [1, 2, 3].flatMap((count): ExplFunction[] => {
  const spec = 'n'.repeat(count);
  const number = (p: Processor, n: number): Token[] => p.chars(String(n));
  return [
    does('int_step_inline', `${spec}n`, (call) =>
      walk(
        call.p,
        stepsOf(call, count).map((n) => withArguments(call.args[count] ?? [], [number(call.p, n)])),
      ),
    ),
    {
      ...does('int_step_function', `${spec}N`, (call) =>
        walk(
          call.p,
          stepsOf(call, count).map((n) => called(call.args[count], call.p, [number(call.p, n)])),
        ),
      ),
      protect: false,
    },
    does('int_step_variable', `${spec}Nn`, (call) =>
      walk(
        call.p,
        stepsOf(call, count).map((n) => [
          call.p.command('def'),
          ...(call.args[count] ?? []),
          ...group(call.p, number(call.p, n)),
          ...(call.args[count + 1] ?? []),
        ]),
      ),
    ),
  ];
});

const INTEGERS: readonly ExplFunction[] = [
  ...registers('int', 'count', int, String),
  ...sets('int_incr', 'N', (call, global) =>
    assign(call.p, call.args[0], int(call, ofVariable(call)) + 1, global),
  ),
  ...sets('int_decr', 'N', (call, global) =>
    assign(call.p, call.args[0], int(call, ofVariable(call)) - 1, global),
  ),
  shown('sign', (n) => String(Math.sign(n))),
  shown('to_arabic', String),
  shown('to_roman', (n) => toRoman(n).toLowerCase()),
  shown('to_Roman', toRoman),
  shown('to_alph', (n) => toLetter(n).toLowerCase()),
  shown('to_Alph', toLetter),
  shown('to_bin', (n) => n.toString(2)),
  shown('to_oct', (n) => n.toString(8)),
  shown('to_hex', (n) => n.toString(16)),
  shown('to_Hex', (n) => n.toString(16).toUpperCase()),
  gives('int_to_base', 'nn', (call) => {
    const base = Math.min(36, Math.max(2, int(call, call.args[1])));
    return call.p.chars(int(call, call.args[0]).toString(base));
  }),
  gives('int_from_bin', 'n', (call) => call.p.chars(String(parseInt(text(call.args[0]), 2) || 0))),
  gives('int_from_hex', 'n', (call) => call.p.chars(String(parseInt(text(call.args[0]), 16) || 0))),
  gives('int_from_base', 'nn', (call) =>
    call.p.chars(String(parseInt(text(call.args[0]), int(call, call.args[1])) || 0)),
  ),
  two('mod', (a, b) => a % b),
  two('div_truncate', (a, b) => Math.trunc(a / b)),
  two('div_round', roundedAway),
  ...asks('int_if_odd', 'n', (call) => Math.abs(int(call, call.args[0])) % 2 === 1),
  ...asks('int_if_even', 'n', (call) => Math.abs(int(call, call.args[0])) % 2 === 0),
  ...asks('int_if_zero', 'n', (call) => int(call, call.args[0]) === 0),
  ...chooses('int_case', 'n', (call) => {
    const asked = int(call, call.args[0]);
    return (one, { p }) => intOf(p, one) === asked;
  }),
  ...steps,
];

// ---- lengths

const dim: Evaluate = ({ p }, tokens) => dimOf(p, tokens);

const LENGTHS: readonly ExplFunction[] = [
  ...registers('dim', 'dimen', dim, formatPt),
  gives('dim_to_decimal', 'n', (call) =>
    call.p.chars(formatPt(dim(call, call.args[0])).replace('pt', '')),
  ),
  does('skip_new', 'N', ({ p, args }) => declare(p, 'skip', args[0])),
  ...sets('skip_set', 'Nn', ({ p, args }, global) => {
    p.push([...(args[1] ?? []), p.command('relax')]);
    const value = scanGlue(p);
    const end = p.next();
    if (end && end.text !== 'relax') p.unread(end);
    assign(p, args[0], value, global);
  }),
  gives('skip_use', 'N', ({ p, args }) => [p.command('the'), ...(args[0] ?? [])]),
  gives('skip_horizontal', 'n', ({ p, args }) => [
    p.command('hskip'),
    ...(args[0] ?? []),
    p.command('relax'),
  ]),
  gives('skip_horizontal', 'N', ({ p, args }) => [
    p.command('hskip'),
    ...(args[0] ?? []),
    p.command('relax'),
  ]),
  gives('skip_vertical', 'n', ({ p, args }) => [
    p.command('vskip'),
    ...(args[0] ?? []),
    p.command('relax'),
  ]),
  gives('skip_vertical', 'N', ({ p, args }) => [
    p.command('vskip'),
    ...(args[0] ?? []),
    p.command('relax'),
  ]),
];

// ---- decimal numbers

const fp: Evaluate = ({ p, caller }, tokens) => evaluated(p, tokens ?? [], caller);
const decimal = (call: Call, value: number): Token[] => call.p.chars(floatText(value));

const DECIMALS: readonly ExplFunction[] = [
  does('fp_new', 'N', ({ p, args }) => keep(p, args[0], p.chars('0'), true)),
  does('fp_const', 'Nn', (call) =>
    keep(call.p, call.args[0], decimal(call, fp(call, call.args[1])), true),
  ),
  ...sets('fp_set', 'Nn', (call, global) =>
    keep(call.p, call.args[0], decimal(call, fp(call, call.args[1])), global),
  ),
  ...sets('fp_set_eq', 'NN', ({ p, args }, global) => keep(p, args[0], held(p, args[1]), global)),
  ...sets('fp_zero', 'N', ({ p, args }, global) => keep(p, args[0], p.chars('0'), global)),
  ...(['add', 'sub'] as const).flatMap((name) =>
    sets(`fp_${name}`, 'Nn', (call, global) => {
      const by = fp(call, call.args[1]);
      const sum = fp(call, held(call.p, call.args[0])) + (name === 'add' ? by : -by);
      keep(call.p, call.args[0], decimal(call, sum), global);
    }),
  ),
  gives('fp_eval', 'n', (call) => decimal(call, fp(call, call.args[0]))),
  gives('fp_use', 'N', ({ p, args }) => held(p, args[0])),
  gives('fp_abs', 'n', (call) => decimal(call, Math.abs(fp(call, call.args[0])))),
  gives('fp_max', 'nn', (call) =>
    decimal(call, Math.max(fp(call, call.args[0]), fp(call, call.args[1]))),
  ),
  gives('fp_min', 'nn', (call) =>
    decimal(call, Math.min(fp(call, call.args[0]), fp(call, call.args[1]))),
  ),
  ...['to_decimal', 'to_tl', 'to_scientific'].flatMap((name) => [
    gives(`fp_${name}`, 'n', (call) => decimal(call, fp(call, call.args[0]))),
    gives(`fp_${name}`, 'N', ({ p, args }) => held(p, args[0])),
  ]),
  ...['n', 'N'].flatMap((letter) => [
    gives('fp_to_int', letter, (call) => call.p.chars(String(Math.round(fp(call, call.args[0]))))),
    gives('fp_to_dim', letter, (call) => call.p.chars(`${floatText(fp(call, call.args[0]))}pt`)),
  ]),
  ...comparisons('fp', fp),
];

/** Whole numbers, lengths, decimal numbers (the interfaces of the layer, parts 21 to 29). */
export const NUMBERS: readonly ExplFunction[] = [...INTEGERS, ...LENGTHS, ...DECIMALS];
