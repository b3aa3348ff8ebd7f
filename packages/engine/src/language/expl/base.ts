import { readArgument } from '../../expansion/arguments';
import { parameterise } from '../../expansion/definitions';
import { detach, isExpandable, sameMeaning, type Macro, type Token } from '../../expansion/meaning';
import { meaningOf as tokenMeaning } from '../../expansion/conditionals';
import type { Processor } from '../../expansion/processor';
import { expandTokens, textOf, tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import {
  asks,
  does,
  gives,
  intOf,
  MAP_END,
  text,
  variable,
  type Call,
  type ExplFunction,
  type Tokens,
} from './call';
import { variantMacro } from './variants';

// ---- definitions

/** Parameters up to the brace, as they are written. */
function parameterText(p: Processor): Token[] {
  const out: Token[] = [];
  for (let t = p.next(); t !== null; t = p.next()) {
    if (t.cat === Cat.Begin) {
      p.unread(t);
      break;
    }
    out.push(t);
  }
  return out;
}

/** `#1#2…` for the letters behind the colon of a name. */
function parametersOf(p: Processor, name: string): Token[] {
  const letters = (name.split(':')[1] ?? '').replace(/[TFwpD]/g, '');
  return [...letters].flatMap((_, i) => [
    p.make(Cat.Parameter, '#'),
    p.make(Cat.Other, String(i + 1)),
  ]);
}

interface Definition {
  readonly name: string;
  readonly protect: boolean;
  readonly global: boolean;
  readonly long: boolean;
}

const macro = (params: Tokens, body: Tokens, { protect, long }: Definition): Macro => ({
  kind: 'macro',
  params: detach(parameterise(params)),
  optional: null,
  body: detach(parameterise(body)),
  long,
  protect,
});

/** `\cs_new:Npn` and its kin: parameters are written, or follow from the name. */
function definitions(definition: Definition): ExplFunction[] {
  const define = (call: Call, params: Tokens, body: Tokens): void => {
    const cell = variable(call.args[0])?.cell;
    if (cell) call.p.state.set(cell, macro(params, body, definition), definition.global);
  };
  const forms: [string, (p: Processor, tokens: Tokens) => Tokens][] = [
    ['n', (_, tokens) => tokens],
    ['x', expandTokens],
    ['e', expandTokens],
  ];
  const named = (p: Processor, letter: string, tokens: Tokens): Tokens =>
    letter === 'c' ? [p.command(textOf(p, tokens))] : tokens;
  return forms.flatMap(([last, worked]) =>
    ['N', 'c'].flatMap((first): ExplFunction[] => {
      const at = (call: Call): Call => ({
        ...call,
        args: [named(call.p, first, call.args[0] ?? []), ...call.args.slice(1)],
      });
      return [
        {
          ...does(definition.name, first, (call) => {
            const params = parameterText(call.p);
            const body = readArgument(call.p, call.caller, true) ?? [];
            define(at(call), params, worked(call.p, body));
          }),
          // Its parameters are no argument of the usual kind.
          suffix: `${first}p${last}`,
        },
        does(definition.name, `${first}${last}`, (call) => {
          const named_ = at(call);
          const params = parametersOf(call.p, variable(named_.args[0])?.text ?? '');
          define(named_, params, worked(call.p, call.args[1] ?? []));
        }),
      ];
    }),
  );
}

const DEFINITIONS: readonly ExplFunction[] = ['', '_protected'].flatMap((protect) =>
  ['', '_nopar'].flatMap((nopar) =>
    (
      [
        ['cs_new', true],
        ['cs_set', false],
        ['cs_gset', true],
      ] as const
    ).flatMap(([name, global]) =>
      definitions({
        name: `${name}${protect}${nopar}`,
        protect: protect !== '',
        global,
        long: nopar === '',
      }),
    ),
  ),
);

const letTo =
  (global: boolean) =>
  ({ p, args }: Call): void => {
    const cell = variable(args[0])?.cell;
    const [to] = args[1] ?? [];
    if (cell && to) p.state.set(cell, tokenMeaning(p, to), global);
  };

const exists = ({ p, args }: Call): boolean => {
  const [token] = args[0] ?? [];
  return token?.cell != null && p.state.meaning(token.cell) !== undefined;
};

const variantsMade = ({ p, args }: Call): void => {
  const base = variable(args[0])?.text ?? '';
  const [name = '', plain = ''] = base.split(':');
  const meaning = p.state.meaning(p.state.cell(base));
  const protect = isExpandable(meaning) && meaning.protect === true;
  for (const letters of text(args[1]).split(',')) {
    const own = letters.trim();
    const whole = own + plain.slice(own.length);
    if (whole === plain) continue;
    p.state.set(p.state.cell(`${name}:${whole}`), variantMacro(p, base, whole, protect), true);
  }
};

// ---- conditionals of one's own

const TEST_END = 'expl@testend';

/** `\prg_return_true:`: the rest of the test is passed, and the branch taken. */
const returns = (result: boolean): ExplFunction => ({
  name: `prg_return_${String(result)}`,
  spec: '',
  protect: false,
  run: ({ p, caller }) => {
    for (let t = p.nextExpanded(); t !== null && t.text !== TEST_END; t = p.nextExpanded());
    const letters = tokensText(readArgument(p, caller, true) ?? []);
    if (letters === 'p') {
      p.push(p.chars(result ? '1' : '0'));
      return;
    }
    const branches = [...letters].map((letter) => ({
      letter,
      tokens: readArgument(p, caller, true) ?? [],
    }));
    p.push(branches.find(({ letter }) => letter === (result ? 'T' : 'F'))?.tokens ?? []);
  },
});

/** The forms of a test that a document writes. */
function conditionals(name: string, global: boolean, protect: boolean): ExplFunction[] {
  const define = (call: Call, params: Tokens, forms: Tokens, body: Tokens): void => {
    const { p } = call;
    const [own = '', spec = ''] = (variable(call.args[0])?.text ?? '').split(':');
    for (const form of text(forms).split(',')) {
      const letters = form.trim();
      const ending = [
        p.command(TEST_END),
        p.make(Cat.Begin, '{'),
        ...p.chars(letters),
        p.make(Cat.End, '}'),
      ];
      const named = letters === 'p' ? `${own}_p:${spec}` : `${own}:${spec}${letters}`;
      const definition = { name: named, protect: protect && letters !== 'p', global, long: true };
      p.state.set(p.state.cell(named), macro(params, [...body, ...ending], definition), global);
    }
  };
  return [
    {
      ...does(name, 'N', (call) => {
        const params = parameterText(call.p);
        const forms = readArgument(call.p, call.caller, true) ?? [];
        define(call, params, forms, readArgument(call.p, call.caller, true) ?? []);
      }),
      suffix: 'Npnn',
    },
    does(name, 'Nnn', (call) =>
      define(
        call,
        parametersOf(call.p, variable(call.args[0])?.text ?? ''),
        call.args[1] ?? [],
        call.args[2] ?? [],
      ),
    ),
  ];
}

// ---- use and expansion

const uses: readonly ExplFunction[] = [
  gives('use', 'n', ({ args }) => args[0] ?? []),
  gives('use', 'nn', ({ args }) => args.flat()),
  gives('use', 'nnn', ({ args }) => args.flat()),
  gives('use', 'N', ({ args }) => args[0] ?? []),
  gives('use_i', 'nn', ({ args }) => args[0] ?? []),
  gives('use_ii', 'nn', ({ args }) => args[1] ?? []),
  gives('use_i', 'nnn', ({ args }) => args[0] ?? []),
  gives('use_ii', 'nnn', ({ args }) => args[1] ?? []),
  gives('use_iii', 'nnn', ({ args }) => args[2] ?? []),
  gives('use_i_ii', 'nnn', ({ args }) => [...(args[0] ?? []), ...(args[1] ?? [])]),
  ...[1, 2, 3, 4, 5].map((n) => gives('use_none', 'n'.repeat(n), () => [])),
  gives('exp_not', 'n', ({ p, args }) => [
    p.command('unexpanded'),
    p.make(Cat.Begin, '{'),
    ...(args[0] ?? []),
    p.make(Cat.End, '}'),
  ]),
  gives('exp_not', 'N', ({ p, args }) => [p.command('noexpand'), ...(args[0] ?? [])]),
  gives('cs_to_str', 'N', ({ p, args }) => p.chars(variable(args[0])?.text ?? '')),
  gives('token_to_str', 'N', ({ p, args }) => p.chars(text(args[0]))),
  gives('prg_replicate', 'nn', ({ p, args }) => {
    const count = Math.max(0, intOf(p, args[0]));
    const most = Math.min(count, Math.ceil(200_000 / Math.max(1, args[1]?.length ?? 1)));
    return Array.from({ length: most }, () => args[1] ?? []).flat();
  }),
];

/** Passes what waits up to the end of the walk. */
const breakOff = (name: string, spec: string): ExplFunction => ({
  name,
  spec,
  protect: false,
  run: ({ p, args }) => {
    for (let t = p.next(); t !== null && t.text !== MAP_END; t = p.next());
    p.push(args[0] ?? []);
  },
});

/** What comes next, without taking it: by its meaning, its character, its category. */
const peeks: readonly ExplFunction[] = ['', '_remove'].flatMap((remove) =>
  ['meaning', 'charcode', 'catcode'].flatMap((by): ExplFunction[] =>
    ['TF', 'T', 'F'].map((branches) =>
      does(`peek_${by}${remove}`, `N${branches}`, ({ p, args }) => {
        const next = p.next();
        const [asked] = args[0] ?? [];
        const same =
          next !== null &&
          asked !== undefined &&
          (by === 'catcode'
            ? next.cat === asked.cat
            : by === 'charcode'
              ? next.text === asked.text
              : sameMeaning(tokenMeaning(p, next), tokenMeaning(p, asked)));
        if (next && !(same && remove !== '')) p.unread(next);
        const chosen = branches.indexOf(same ? 'T' : 'F');
        if (chosen >= 0) p.push(args[chosen + 1] ?? []);
      }),
    ),
  ),
);

const isQuark =
  (name: string) =>
  (call: Call): boolean => {
    const [token] = call.args[0] ?? [];
    const meaning = token?.cell ? call.p.state.meaning(token.cell) : undefined;
    return (
      token?.text === name ||
      (meaning?.kind === 'macro' && meaning.body[0]?.text === name && meaning.body.length === 1)
    );
  };

/** Definitions, tests of one's own, expansion (the interfaces of the layer, parts 4 to 7). */
export const BASE: readonly ExplFunction[] = [
  ...DEFINITIONS,
  ...(
    [
      ['prg_new_conditional', true, false],
      ['prg_set_conditional', false, false],
      ['prg_gset_conditional', true, false],
      ['prg_new_protected_conditional', true, true],
      ['prg_set_protected_conditional', false, true],
    ] as const
  ).flatMap(([name, global, protect]) => conditionals(name, global, protect)),
  returns(true),
  returns(false),
  does('cs_new_eq', 'NN', letTo(true)),
  does('cs_set_eq', 'NN', letTo(false)),
  does('cs_gset_eq', 'NN', letTo(true)),
  does('cs_undefine', 'N', ({ p, args }) => {
    const cell = variable(args[0])?.cell;
    if (cell) p.state.set(cell, undefined, true);
  }),
  does('cs_generate_variant', 'Nn', variantsMade),
  does('prg_generate_conditional_variant', 'Nnn', (call) => {
    const base = variable(call.args[0])?.text ?? '';
    for (const form of text(call.args[2]).split(',')) {
      const letters = form.trim();
      const [own = '', spec = ''] = base.split(':');
      const named = letters === 'p' ? `${own}_p:${spec}` : `${own}:${spec}${letters}`;
      variantsMade({ ...call, args: [[call.p.command(named)], call.args[1] ?? []] });
    }
  }),
  ...asks('cs_if_exist', 'N', exists),
  ...asks('cs_if_free', 'N', (call) => !exists(call)),
  ...asks('cs_if_eq', 'NN', ({ p, args }) =>
    sameMeaning(tokenMeaning(p, args[0]?.[0] ?? null), tokenMeaning(p, args[1]?.[0] ?? null)),
  ),
  ...asks('token_if_eq_meaning', 'NN', ({ p, args }) =>
    sameMeaning(tokenMeaning(p, args[0]?.[0] ?? null), tokenMeaning(p, args[1]?.[0] ?? null)),
  ),
  gives('cs_if_exist_use', 'N', (call) => (exists(call) ? (call.args[0] ?? []) : [])),
  ...uses,
  ...peeks,
  ...['tl', 'seq', 'clist', 'prop', 'int', 'str'].flatMap((kind) => [
    breakOff(`${kind}_map_break`, ''),
    breakOff(`${kind}_map_break`, 'n'),
  ]),
  does('quark_new', 'N', ({ p, args }) => {
    const token = variable(args[0]);
    if (token?.cell)
      p.state.set(
        token.cell,
        macro([], [token], { name: '', protect: true, global: true, long: true }),
        true,
      );
  }),
  ...asks('quark_if_nil', 'N', isQuark('q_nil')),
  ...asks('quark_if_nil', 'n', isQuark('q_nil')),
  ...asks('quark_if_no_value', 'N', isQuark('q_no_value')),
  ...asks('quark_if_no_value', 'n', isQuark('q_no_value')),
  does('scan_new', 'N', ({ p, args }) => {
    const cell = variable(args[0])?.cell;
    if (cell) p.state.set(cell, p.state.meaning(p.state.cell('relax')), true);
  }),
];

/** Marks that only functions here look for. */
export const MARKS: readonly string[] = [TEST_END, MAP_END];
