import { NO_VALUE } from '../../expansion/argumentSpecs';
import { itemsOf, unspaced } from '../scanning/optionLists';
import { withArguments } from '../../expansion/definitions';
import type { Token } from '../../expansion/meaning';
import type { Processor } from '../../expansion/processor';
import { expandTokens, textOf } from '../../expansion/tokenText';
import { sameTokens } from '../../tokens/token';
import { Cat } from '../../tokens/categories';
import {
  asks,
  called,
  does,
  gives,
  group,
  held,
  intOf,
  keep,
  plainText,
  sets,
  text,
  walk,
  type Call,
  type ExplFunction,
  type Tokens,
  isBound,
} from './call';

const first = ({ args }: Call): Tokens => args[0] ?? [];
const second = ({ args }: Call): Tokens => args[1] ?? [];

/** Single tokens and groups of a list, blanks with them, groups with their braces. */
export function partsOf(tokens: Tokens): Token[][] {
  const out: Token[][] = [];
  let depth = 0;
  for (const token of tokens) {
    if (depth > 0) out.at(-1)?.push(token);
    else out.push([token]);
    if (token.cat === Cat.Begin) depth++;
    if (token.cat === Cat.End) depth--;
  }
  return out;
}

/** Places in a list counted from 1, or from its end below zero. */
export const placeIn = (count: number, n: number): number => (n < 0 ? count + n : n - 1);

/** Where a list stands in another; -1 when it does not. */
function indexIn(tokens: Tokens, sought: Tokens, from = 0): number {
  if (sought.length === 0) return -1;
  for (let i = from; i + sought.length <= tokens.length; i++)
    if (sameTokens(tokens.slice(i, i + sought.length), sought)) return i;
  return -1;
}

function replaced(tokens: Tokens, sought: Tokens, by: Tokens, all: boolean): Token[] {
  const out: Token[] = [];
  let at = 0;
  for (let found = indexIn(tokens, sought); found >= 0; found = indexIn(tokens, sought, at)) {
    out.push(...tokens.slice(at, found), ...by);
    at = found + sought.length;
    if (!all) break;
  }
  return [...out, ...tokens.slice(at)];
}

const change = (
  name: string,
  spec: string,
  make: (before: Tokens, call: Call) => Tokens,
): ExplFunction[] =>
  sets(name, spec, (call, global) =>
    keep(call.p, call.args[0], make(held(call.p, call.args[0]), call), global),
  );

/** What is done with a list given, and with one that a variable holds. */
const ofBoth = (
  name: string,
  spec: string,
  give: (tokens: Tokens, call: Call) => Tokens,
): ExplFunction[] => [
  gives(name, `n${spec}`, (call) => give(first(call), call)),
  gives(name, `N${spec}`, (call) => give(held(call.p, call.args[0]), call)),
];
const askBoth = (
  name: string,
  spec: string,
  test: (tokens: Tokens, call: Call) => boolean,
): ExplFunction[] => [
  ...asks(name, `n${spec}`, (call) => test(first(call), call)),
  ...asks(name, `N${spec}`, (call) => test(held(call.p, call.args[0]), call)),
];

const number = (p: Processor, n: number): Token[] => p.chars(String(n));

/** Walks over what a list holds, in the three ways of the layer. */
function walks(
  kind: string,
  things: (call: Call, tokens: Tokens) => readonly Tokens[],
): ExplFunction[] {
  const over = (call: Call, letter: string): readonly Tokens[] =>
    things(call, letter === 'N' ? held(call.p, call.args[0]) : first(call));
  return ['n', 'N'].flatMap((letter) => [
    does(`${kind}_map_inline`, `${letter}n`, (call) =>
      walk(
        call.p,
        over(call, letter).map((thing) => withArguments(second(call), [thing])),
      ),
    ),
    {
      ...does(`${kind}_map_function`, `${letter}N`, (call) =>
        walk(
          call.p,
          over(call, letter).map((thing) => called(call.args[1], call.p, [thing])),
        ),
      ),
      protect: false,
    },
    does(`${kind}_map_variable`, `${letter}Nn`, (call) => {
      const { p } = call;
      walk(
        p,
        over(call, letter).map((thing) => [
          p.command('def'),
          ...second(call),
          ...group(p, thing),
          ...(call.args[2] ?? []),
        ]),
      );
    }),
  ]);
}

const kept: readonly ExplFunction[] = ['tl', 'str'].flatMap((kind): ExplFunction[] => {
  const own = (call: Call, tokens: Tokens): Tokens =>
    kind === 'str' ? call.p.chars(plainText(tokens)) : tokens;
  return [
    does(`${kind}_new`, 'N', ({ p, args }) => keep(p, args[0], [], true)),
    does(`${kind}_const`, 'Nn', (call) =>
      keep(call.p, call.args[0], own(call, second(call)), true),
    ),
    ...change(`${kind}_set`, 'Nn', (_, call) => own(call, second(call))),
    ...change(`${kind}_clear`, 'N', () => []),
    ...change(`${kind}_clear_new`, 'N', () => []),
    ...change(`${kind}_set_eq`, 'NN', (_, { p, args }) => held(p, args[1])),
    ...change(`${kind}_concat`, 'NNN', (_, { p, args }) => [
      ...held(p, args[1]),
      ...held(p, args[2]),
    ]),
    ...change(`${kind}_put_left`, 'Nn', (before, call) => [...own(call, second(call)), ...before]),
    ...change(`${kind}_put_right`, 'Nn', (before, call) => [...before, ...own(call, second(call))]),
    ...['once', 'all'].flatMap((how) => [
      ...change(`${kind}_replace_${how}`, 'Nnn', (before, call) =>
        replaced(before, own(call, second(call)), own(call, call.args[2] ?? []), how === 'all'),
      ),
      ...change(`${kind}_remove_${how}`, 'Nn', (before, call) =>
        replaced(before, own(call, second(call)), [], how === 'all'),
      ),
    ]),
    gives(`${kind}_use`, 'N', ({ p, args }) => held(p, args[0])),
    ...asks(`${kind}_if_exist`, 'N', isBound),
    ...asks(`${kind}_if_empty`, 'N', ({ p, args }) => held(p, args[0]).length === 0),
    ...asks(`${kind}_if_in`, 'Nn', (call) =>
      plainText(held(call.p, call.args[0])).includes(plainText(second(call))),
    ),
    ...asks(`${kind}_if_in`, 'nn', (call) =>
      plainText(first(call)).includes(plainText(second(call))),
    ),
  ];
});

const ranges = (kind: 'tl' | 'str'): ExplFunction[] => {
  const pieces = (call: Call, tokens: Tokens): readonly Tokens[] =>
    kind === 'str' ? call.p.chars(plainText(tokens)).map((one) => [one]) : itemsOf(tokens);
  return [
    ...ofBoth(`${kind}_count`, '', (tokens, call) => number(call.p, pieces(call, tokens).length)),
    ...ofBoth(`${kind}_head`, '', (tokens, call) => pieces(call, tokens)[0] ?? []),
    ...ofBoth(`${kind}_tail`, '', (tokens, call) =>
      kind === 'str'
        ? pieces(call, tokens).slice(1).flat()
        : partsOf(unspaced(tokens)).slice(1).flat(),
    ),
    ...ofBoth(`${kind}_item`, 'n', (tokens, call) => {
      const all = pieces(call, tokens);
      return all[placeIn(all.length, intOf(call.p, second(call)))] ?? [];
    }),
    ...ofBoth(`${kind}_range`, 'nn', (tokens, call) => {
      const all = kind === 'str' ? pieces(call, tokens) : partsOf(tokens);
      const from = placeIn(all.length, intOf(call.p, second(call)));
      const to = placeIn(all.length, intOf(call.p, call.args[2]));
      return all.slice(Math.max(0, from), to + 1).flat();
    }),
    ...walks(kind, pieces),
  ];
};

/** What a list of cases gives for something asked; null when it has none. */
function caseOf(cases: Tokens, same: (one: Tokens) => boolean): Tokens | null {
  const groups = itemsOf(cases);
  const at = groups.findIndex((one, i) => i % 2 === 0 && same(one));
  return at < 0 ? null : (groups[at + 1] ?? []);
}

/** `\str_case:nnTF` and its kin. */
export const chooses = (
  name: string,
  letter: 'n' | 'N',
  asked: (call: Call) => (one: Tokens, call: Call) => boolean,
): ExplFunction[] =>
  ['', 'T', 'F', 'TF'].map((branches) => ({
    name,
    spec: `${letter}n${branches}`,
    protect: false,
    run: (call) => {
      const same = asked(call);
      const found = caseOf(second(call), (one) => same(one, call));
      const branch = branches.indexOf(found ? 'T' : 'F');
      call.p.push([...(found ?? []), ...(branch < 0 ? [] : (call.args[2 + branch] ?? []))]);
    },
  }));

const cased = (name: string, by: (text: string) => string): ExplFunction =>
  gives(name, 'n', ({ p, args }) =>
    expandTokens(p, args[0] ?? []).map((token) =>
      token.cat === Cat.Letter || token.cat === Cat.Other
        ? { ...token, text: by(token.text) }
        : token,
    ),
  );

/** Only the first letter in another case. */
const firstCased: readonly ExplFunction[] = [
  'text_titlecase',
  'text_titlecase_first',
  'str_titlecase',
].map((name) =>
  gives(name, 'n', ({ p, args }) => {
    const tokens = expandTokens(p, args[0] ?? []);
    const at = tokens.findIndex(({ cat }) => cat === Cat.Letter);
    return tokens.map((token, i) =>
      i === at ? { ...token, text: token.text.toUpperCase() } : token,
    );
  }),
);

/** A pattern of the layer as one of JavaScript; null when that has none. */
function patternOf(tokens: Tokens, flags: string): RegExp | null {
  try {
    return new RegExp(
      plainText(tokens)
        .replace(/\\c\{[^}]*\}/g, '')
        .replace(/\\A/g, '^')
        .replace(/\\[Zz]/g, '$'),
      `${flags}u`,
    );
  } catch {
    return null;
  }
}
const replacementOf = (tokens: Tokens): string =>
  plainText(tokens)
    .replace(/\$/g, '$$$$')
    .replace(/\\0/g, '$$&')
    .replace(/\\(\d)/g, '$$$1')
    .replace(/\\g\{(\d+)\}/g, '$$$1');

const patterns: readonly ExplFunction[] = [
  ...asks(
    'regex_match',
    'nn',
    (call) => patternOf(first(call), '')?.test(plainText(second(call))) ?? false,
    {
      protect: true,
      predicate: false,
    },
  ),
  ...['once', 'all'].map((how) =>
    does(`regex_replace_${how}`, 'nnN', (call) => {
      const { p, args } = call;
      const pattern = patternOf(first(call), how === 'all' ? 'g' : '');
      const before = plainText(held(p, args[2]));
      if (pattern)
        keep(p, args[2], p.chars(before.replace(pattern, replacementOf(second(call)))), false);
    }),
  ),
  does('regex_count', 'nnN', (call) => {
    const { p, args } = call;
    const found = [...plainText(second(call)).matchAll(patternOf(first(call), 'g') ?? /$^/g)]
      .length;
    p.push([...(args[2] ?? []), ...p.chars(`=${found}`), p.command('relax')]);
  }),
  ...(
    [
      ['regex_split', (text: string, pattern: RegExp) => text.split(pattern)],
      [
        'regex_extract_all',
        (text: string, pattern: RegExp) => [...text.matchAll(pattern)].map(([one]) => one),
      ],
      [
        'regex_extract_once',
        (text: string, pattern: RegExp) => [...(new RegExp(pattern.source, 'u').exec(text) ?? [])],
      ],
    ] as const
  ).map(([name, cut]) =>
    does(name, 'nnN', (call) => {
      const { p, args } = call;
      const pattern = patternOf(first(call), 'g');
      const parts = pattern ? cut(plainText(second(call)), pattern) : [];
      keep(
        p,
        args[2],
        parts.flatMap((part) => group(p, p.chars(part))),
        false,
      );
    }),
  ),
];

/** Token lists, strings, patterns (the interfaces of the layer, parts 8 to 10). */
export const TOKEN_LISTS: readonly ExplFunction[] = [
  ...kept,
  ...ranges('tl'),
  ...ranges('str'),
  ...askBoth('tl_if_blank', '', (tokens) => tokens.every(({ cat }) => cat === Cat.Space)),
  ...asks('tl_if_empty', 'n', (call) => first(call).length === 0),
  ...askBoth('tl_if_single', '', (tokens) => itemsOf(tokens).length === 1),
  ...asks('tl_if_eq', 'nn', (call) => sameTokens(first(call), second(call))),
  ...asks('tl_if_eq', 'NN', ({ p, args }) => sameTokens(held(p, args[0]), held(p, args[1]))),
  ...asks('tl_if_eq', 'Nn', (call) => sameTokens(held(call.p, call.args[0]), second(call))),
  ...asks(
    'tl_if_novalue',
    'n',
    (call) => first(call).length === 1 && first(call)[0]?.text === NO_VALUE,
  ),
  ...ofBoth('tl_reverse', '', (tokens) => partsOf(tokens).reverse().flat()),
  ...change('tl_reverse', 'N', (before) => partsOf(before).reverse().flat()),
  ...ofBoth('tl_trim_spaces', '', (tokens) => unspaced(tokens)),
  ...change('tl_trim_spaces', 'N', unspaced),
  gives('tl_to_str', 'n', ({ p, args }) => p.chars(plainText(args[0]))),
  gives('tl_to_str', 'N', ({ p, args }) => p.chars(plainText(held(p, args[0])))),
  ...asks('str_if_eq', 'nn', (call) => plainText(first(call)) === plainText(second(call))),
  ...asks(
    'str_if_eq',
    'NN',
    ({ p, args }) => plainText(held(p, args[0])) === plainText(held(p, args[1])),
  ),
  ...asks('str_compare', 'nNn', ({ args }) => {
    const [a, b] = [plainText(args[0]), plainText(args[2])];
    const sign = text(args[1]);
    return sign === '<' ? a < b : sign === '>' ? a > b : a === b;
  }),
  ...chooses('str_case', 'n', (call) => {
    const asked = plainText(first(call));
    return (one) => plainText(one) === asked;
  }),
  ...chooses('str_case_e', 'n', (call) => {
    const asked = textOf(call.p, first(call));
    return (one) => textOf(call.p, one) === asked;
  }),
  ...chooses('tl_case', 'N', (call) => {
    const asked = held(call.p, call.args[0]);
    return (one, { p }) => sameTokens(held(p, one), asked);
  }),
  ...['text', 'str'].flatMap((kind) => [
    cased(`${kind}_uppercase`, (letter) => letter.toUpperCase()),
    cased(`${kind}_lowercase`, (letter) => letter.toLowerCase()),
    cased(`${kind}_foldcase`, (letter) => letter.toLowerCase()),
  ]),
  ...firstCased,
  gives('text_purify', 'n', ({ p, args }) => p.chars(textOf(p, args[0] ?? []))),
  gives('text_expand', 'n', ({ p, args }) => expandTokens(p, args[0] ?? [])),
  ...patterns,
];
