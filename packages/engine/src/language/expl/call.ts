import { readArgument } from '../../expansion/arguments';
import { detach, type Expandable, type Macro, type Token } from '../../expansion/meaning';
import type { Processor } from '../../expansion/processor';
import { scanDimen, scanInt } from '../../expansion/scan';
import { tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';

export type Tokens = readonly Token[];

/** A function of the programming layer that is being carried out. */
export interface Call {
  readonly p: Processor;
  readonly caller: Token;
  readonly args: readonly Tokens[];
}

/** A function: its name without what it takes, a letter for each argument, and what it does. */
export interface ExplFunction {
  readonly name: string;
  readonly spec: string;
  /** What stands behind the colon, where it reads more than its arguments. */
  readonly suffix?: string;
  /** It does something, so it stays as it is where tokens are only expanded. */
  readonly protect: boolean;
  readonly run: (call: Call) => void;
}

export const nameOf = ({ name, spec, suffix }: ExplFunction): string => `${name}:${suffix ?? spec}`;

/** The meaning of a function: it reads its arguments, then runs. */
export function meaningOf(entry: ExplFunction): Expandable {
  const { spec, protect, run } = entry;
  const count = spec.length;
  return {
    kind: 'expandable',
    name: nameOf(entry),
    protect,
    expand: (p, caller) => {
      const args: Tokens[] = [];
      for (let i = 0; i < count; i++) args.push(readArgument(p, caller, true) ?? []);
      if (p.exhausted === null) run({ p, caller, args });
    },
  };
}

/** A function that gives tokens and changes nothing. */
export const gives = (name: string, spec: string, give: (call: Call) => Tokens): ExplFunction => ({
  name,
  spec,
  protect: false,
  run: (call) => call.p.push(give(call)),
});

/** A function that does something. */
export const does = (name: string, spec: string, run: (call: Call) => void): ExplFunction => ({
  name,
  spec,
  protect: true,
  run,
});

/** The same for a change within the group and for one that stays: `\tl_set:Nn`, `\tl_gset:Nn`. */
export const sets = (
  name: string,
  spec: string,
  run: (call: Call, global: boolean) => void,
): ExplFunction[] => [
  does(name, spec, (call) => run(call, false)),
  does(name.replace('_', '_g'), spec, (call) => run(call, true)),
];

/** A test in its forms with branches, and `_p` where tests are joined. */
export function asks(
  name: string,
  spec: string,
  test: (call: Call) => boolean,
  { protect = false, predicate = true } = {},
): ExplFunction[] {
  const branches = (letters: string): ExplFunction => ({
    name,
    spec: spec + letters,
    protect,
    run: (call) => {
      const chosen = letters.indexOf(test(call) ? 'T' : 'F');
      if (chosen >= 0) call.p.push(call.args[spec.length + chosen] ?? []);
    },
  });
  const forms = ['TF', 'T', 'F'].map(branches);
  return predicate
    ? [...forms, gives(`${name}_p`, spec, (call) => call.p.chars(test(call) ? '1' : '0'))]
    : forms;
}

export const text = (tokens: Tokens | undefined): string => tokensText(tokens ?? []).trim();

/** What a token list holds as text, no blank added behind commands. */
export const plainText = (tokens: Tokens | undefined): string =>
  (tokens ?? []).map((t) => (t.cat === Cat.Command ? `\\${t.text}` : t.text)).join('');

const macroOf = (body: Tokens): Macro => ({
  kind: 'macro',
  params: [],
  optional: null,
  body: detach(body),
  long: true,
  protect: false,
});

/** The first command of an argument: the variable it names. */
export const variable = (tokens: Tokens | undefined): Token | null =>
  (tokens ?? []).find(({ cell }) => cell !== null) ?? null;

/** Keeps tokens under a variable. */
export function keep(p: Processor, name: Tokens | undefined, body: Tokens, global: boolean): void {
  const token = variable(name);
  if (token?.cell) p.state.set(token.cell, macroOf(body), global);
}

/** The tokens that a variable holds. */
export function held(p: Processor, name: Tokens | undefined): Tokens {
  const token = variable(name);
  const meaning = token?.cell ? p.state.meaning(token.cell) : undefined;
  if (meaning?.kind === 'macro') return meaning.body.map((t) => ({ ...t, ...p.place, chunk: -1 }));
  if (meaning?.kind === 'chardef') return p.chars(String(meaning.code));
  return [];
}

export const group = (p: Processor, tokens: Tokens): Token[] => [
  p.make(Cat.Begin, '{'),
  ...tokens,
  p.make(Cat.End, '}'),
];

/** Is there a variable of the name in the first argument? */
export const isBound = ({ p, args }: Call): boolean => {
  const token = variable(args[0]);
  return token?.cell != null && p.state.meaning(token.cell) !== undefined;
};

/** Ends a walk over a list, so that it can be broken off. */
export const MAP_END = 'expl@mapend';

/** Carries code out for each of some things in turn. */
export function walk(p: Processor, rounds: readonly Tokens[]): void {
  p.push([...rounds.flat(), p.command(MAP_END)]);
}

/** A walk that gives each thing to a function by its name. */
export const called = (
  name: Tokens | undefined,
  p: Processor,
  args: readonly Tokens[],
): Token[] => [...(name ?? []), ...args.flatMap((arg) => group(p, arg))];

/** The whole number that an expression gives. */
export function intOf(p: Processor, tokens: Tokens | undefined): number {
  p.push([p.command('numexpr'), ...(tokens ?? []), p.command('relax')]);
  return scanInt(p);
}

/** The length that an expression gives, in sp. */
export function dimOf(p: Processor, tokens: Tokens | undefined): number {
  p.push([p.command('dimexpr'), ...(tokens ?? []), p.command('relax')]);
  return scanDimen(p);
}
