import { withArguments } from '../../expansion/definitions';
import type { Token } from '../../expansion/meaning';
import type { Processor } from '../../expansion/processor';
import { sameTokens } from '../../tokens/token';
import { Cat } from '../../tokens/categories';
import { itemsOf, splitAt, trimmed, unspaced } from '../scanning/optionLists';
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
  walk,
  type Call,
  type ExplFunction,
  type Tokens,
  isBound,
} from './call';
import { placeIn } from './tokenLists';

/** How the items of a kind of list are written down: each in braces, or with commas between. */
interface Kind {
  readonly name: 'seq' | 'clist';
  readonly read: (tokens: Tokens) => Tokens[];
  readonly write: (p: Processor, items: readonly Tokens[]) => Tokens;
}

const commaItems = (tokens: Tokens): Tokens[] =>
  splitAt(tokens, ',')
    .map(unspaced)
    .filter((item) => item.length > 0)
    .map(trimmed);

const SEQ: Kind = {
  name: 'seq',
  read: itemsOf,
  write: (p, items) => items.flatMap((item) => group(p, item)),
};
const CLIST: Kind = {
  name: 'clist',
  read: commaItems,
  write: (p, items) =>
    items.flatMap((item, i) => {
      const needs =
        item.some(({ text, cell }) => text === ',' && cell === null) || item.length === 0;
      return [...(i > 0 ? p.chars(',') : []), ...(needs ? group(p, item) : item)];
    }),
};

const isIn = (items: readonly Tokens[], item: Tokens): boolean =>
  items.some((one) => sameTokens(one, item));
const unique = (items: readonly Tokens[]): Tokens[] =>
  items.filter((item, i) => !isIn(items.slice(0, i), item));

/** Items with words between: two, several, before the last. */
const joined = (
  items: readonly Tokens[],
  [two = [], more = [], last = []]: readonly Tokens[],
): Tokens =>
  items.flatMap((item, i) => {
    if (i === 0) return item;
    const between = items.length === 2 ? two : i === items.length - 1 ? last : more;
    return [...between, ...item];
  });

function functionsOf({ name, read, write }: Kind): ExplFunction[] {
  const items = (call: Call, at = 0): Tokens[] => read(held(call.p, call.args[at]));
  const put = (call: Call, list: readonly Tokens[], global: boolean, at = 0): void =>
    keep(call.p, call.args[at], write(call.p, list), global);
  const change = (
    what: string,
    spec: string,
    make: (before: Tokens[], call: Call) => readonly Tokens[],
  ): ExplFunction[] =>
    sets(`${name}_${what}`, spec, (call, global) => put(call, make(items(call), call), global));
  /** Takes an item off and keeps it under the second variable. */
  const take = (what: string, fromLeft: boolean, removes: boolean): ExplFunction[] =>
    ['', 'T', 'F', 'TF'].flatMap((branches) =>
      (removes ? [false, true] : [false]).map((global) =>
        does(`${name}_${global ? 'g' : ''}${what}`, `NN${branches}`, (call) => {
          const list = items(call);
          const [item] = fromLeft ? list : list.slice(-1);
          const rest = fromLeft ? list.slice(1) : list.slice(0, -1);
          keep(call.p, call.args[1], item ?? [call.p.command('q_no_value')], false);
          if (removes && item) put(call, rest, global);
          const branch = branches.indexOf(item ? 'T' : 'F');
          if (branch >= 0) call.p.push(call.args[2 + branch] ?? []);
        }),
      ),
    );
  const forms: [string, (call: Call) => Tokens[]][] =
    name === 'clist'
      ? [
          ['N', items],
          ['n', (call) => read(call.args[0] ?? [])],
        ]
      : [['N', items]];
  return [
    does(`${name}_new`, 'N', ({ p, args }) => keep(p, args[0], [], true)),
    does(`${name}_const_from_clist`, 'Nn', (call) =>
      put(call, commaItems(call.args[1] ?? []), true),
    ),
    ...change('clear', 'N', () => []),
    ...change('clear_new', 'N', () => []),
    ...change('set_eq', 'NN', (_, call) => items(call, 1)),
    ...(name === 'clist' ? change('set', 'Nn', (_, { args }) => commaItems(args[1] ?? [])) : []),
    ...(name === 'clist'
      ? [does('clist_const', 'Nn', (call) => put(call, commaItems(call.args[1] ?? []), true))]
      : []),
    ...change('concat', 'NNN', (_, call) => [...items(call, 1), ...items(call, 2)]),
    ...change('put_left', 'Nn', (before, { args }) =>
      name === 'clist' ? [...commaItems(args[1] ?? []), ...before] : [args[1] ?? [], ...before],
    ),
    ...change('put_right', 'Nn', (before, { args }) =>
      name === 'clist' ? [...before, ...commaItems(args[1] ?? [])] : [...before, args[1] ?? []],
    ),
    ...change('push', 'Nn', (before, { args }) => [args[1] ?? [], ...before]),
    ...change('remove_duplicates', 'N', unique),
    ...change('remove_all', 'Nn', (before, { args }) =>
      before.filter((item) => !sameTokens(item, args[1] ?? [])),
    ),
    ...change('reverse', 'N', (before) => [...before].reverse()),
    ...change('set_from_clist', 'Nn', (_, { args }) => commaItems(args[1] ?? [])),
    ...change('set_from_clist', 'NN', (_, { p, args }) => commaItems(held(p, args[1]))),
    ...change('set_from_seq', 'NN', (_, { p, args }) => itemsOf(held(p, args[1]))),
    ...change('set_map', 'NNn', (_, call) =>
      items(call, 1).map((item) => withArguments(call.args[2] ?? [], [item])),
    ),
    ...take('pop', true, true),
    ...take('pop_left', true, true),
    ...take('pop_right', false, true),
    ...take('get', true, false),
    ...take('get_left', true, false),
    ...take('get_right', false, false),
    ...asks(`${name}_if_exist`, 'N', isBound),
    ...forms.flatMap(([letter, list]): ExplFunction[] => [
      gives(`${name}_count`, letter, (call) => call.p.chars(String(list(call).length))),
      gives(`${name}_item`, `${letter}n`, (call) => {
        const all = list(call);
        return all[placeIn(all.length, intOf(call.p, call.args[1]))] ?? [];
      }),
      gives(`${name}_use`, `${letter}nnn`, (call) => joined(list(call), call.args.slice(1))),
      gives(`${name}_use`, `${letter}n`, (call) => {
        const between = call.args[1] ?? [];
        return joined(list(call), [between, between, between]);
      }),
      ...asks(`${name}_if_empty`, letter, (call) => list(call).length === 0),
      ...asks(`${name}_if_in`, `${letter}n`, (call) => isIn(list(call), call.args[1] ?? [])),
      does(`${name}_map_inline`, `${letter}n`, (call) =>
        walk(
          call.p,
          list(call).map((item) => withArguments(call.args[1] ?? [], [item])),
        ),
      ),
      {
        ...does(`${name}_map_function`, `${letter}N`, (call) =>
          walk(
            call.p,
            list(call).map((item) => called(call.args[1], call.p, [item])),
          ),
        ),
        protect: false,
      },
      does(`${name}_map_indexed_inline`, `${letter}n`, (call) =>
        walk(
          call.p,
          list(call).map((item, i) =>
            withArguments(call.args[1] ?? [], [call.p.chars(String(i + 1)), item]),
          ),
        ),
      ),
      does(`${name}_map_variable`, `${letter}Nn`, (call) =>
        walk(
          call.p,
          list(call).map((item) => [
            call.p.command('def'),
            ...(call.args[1] ?? []),
            ...group(call.p, item),
            ...(call.args[2] ?? []),
          ]),
        ),
      ),
    ]),
  ];
}

/** `\seq_set_split:Nnn`: a text cut at a mark, blanks at the ends of its pieces left out. */
const splits: readonly ExplFunction[] = sets('seq_set_split', 'Nnn', ({ p, args }, global) => {
  const mark = args[1] ?? [];
  const tokens = args[2] ?? [];
  const parts: Token[][] = [[]];
  let depth = 0;
  for (let i = 0; i < tokens.length; i++) {
    const token = tokens[i] as Token;
    if (token.cat === Cat.Begin) depth++;
    if (token.cat === Cat.End) depth--;
    const cut =
      depth === 0 && mark.length > 0 && sameTokens(tokens.slice(i, i + mark.length), mark);
    if (cut) {
      parts.push([]);
      i += mark.length - 1;
    } else parts.at(-1)?.push(token);
  }
  const items = mark.length === 0 ? itemsOf(tokens) : tokens.length === 0 ? [] : parts.map(trimmed);
  keep(p, args[0], SEQ.write(p, items), global);
});

const SORT_END = 'expl@sortend';

/** `\seq_sort:Nn`: the code says whether two items stand in their order (`\sort_return_same:`) or not. */
const sorts: readonly ExplFunction[] = ['seq', 'clist'].flatMap((name) =>
  sets(`${name}_sort`, 'Nn', ({ p, args }, global) => {
    const kind = name === 'seq' ? SEQ : CLIST;
    const swapped = (a: Tokens, b: Tokens): boolean => {
      p.push([...withArguments(args[1] ?? [], [a, b]), p.command(SORT_END)]);
      let result = false;
      for (let t = p.nextExpanded(); t !== null && t.text !== SORT_END; t = p.nextExpanded())
        if (t.text === 'sort_return_swapped:') result = true;
      return result;
    };
    const items = kind.read(held(p, args[0]));
    const sorted: Tokens[] = [];
    for (const item of items) {
      let at = sorted.length;
      while (at > 0 && swapped(sorted[at - 1] ?? [], item)) at--;
      sorted.splice(at, 0, item);
      if (!p.spend(sorted.length, 'seq_sort')) break;
    }
    keep(p, args[0], kind.write(p, sorted), global);
  }),
);

// ---- properties

type Property = readonly [key: string, value: Tokens];

const propertiesOf = (p: Processor, name: Tokens | undefined): Property[] => {
  const items = itemsOf(held(p, name));
  return items.flatMap((item, i): Property[] =>
    i % 2 === 0 ? [[plainText(item), items[i + 1] ?? []]] : [],
  );
};
const writeProperties = (
  p: Processor,
  name: Tokens | undefined,
  list: readonly Property[],
  global: boolean,
): void =>
  keep(
    p,
    name,
    list.flatMap(([key, value]) => [...group(p, p.chars(key)), ...group(p, value)]),
    global,
  );
const keyOf = ({ args }: Call): string => plainText(unspaced(args[1] ?? []));
const withProperty = (list: readonly Property[], key: string, value: Tokens): Property[] =>
  list.some(([one]) => one === key)
    ? list.map((one): Property => (one[0] === key ? [key, value] : one))
    : [...list, [key, value]];
/** `a = 1, b = 2`. */
const pairsOf = (tokens: Tokens): Property[] =>
  splitAt(tokens, ',').flatMap((part): Property[] => {
    const eq = part.findIndex(({ text, cell }) => text === '=' && cell === null);
    const key = plainText(unspaced(eq < 0 ? part : part.slice(0, eq)));
    return key === '' ? [] : [[key, eq < 0 ? [] : trimmed(part.slice(eq + 1))]];
  });

const changeProperties = (
  what: string,
  spec: string,
  make: (before: Property[], call: Call) => readonly Property[],
): ExplFunction[] =>
  sets(`prop_${what}`, spec, (call, global) =>
    writeProperties(call.p, call.args[0], make(propertiesOf(call.p, call.args[0]), call), global),
  );

const valueFor = (call: Call): Tokens | null =>
  propertiesOf(call.p, call.args[0]).find(([key]) => key === keyOf(call))?.[1] ?? null;

const PROPERTIES: readonly ExplFunction[] = [
  does('prop_new', 'N', ({ p, args }) => keep(p, args[0], [], true)),
  ...changeProperties('clear', 'N', () => []),
  ...changeProperties('clear_new', 'N', () => []),
  ...changeProperties('set_eq', 'NN', (_, { p, args }) => propertiesOf(p, args[1])),
  ...changeProperties('put', 'Nnn', (before, call) =>
    withProperty(before, keyOf(call), call.args[2] ?? []),
  ),
  ...changeProperties('put_if_new', 'Nnn', (before, call) =>
    before.some(([key]) => key === keyOf(call))
      ? before
      : withProperty(before, keyOf(call), call.args[2] ?? []),
  ),
  ...changeProperties('put_from_keyval', 'Nn', (before, { args }) =>
    pairsOf(args[1] ?? []).reduce((list, [key, value]) => withProperty(list, key, value), before),
  ),
  ...changeProperties('set_from_keyval', 'Nn', (_, { args }) => pairsOf(args[1] ?? [])),
  does('prop_const_from_keyval', 'Nn', ({ p, args }) =>
    writeProperties(p, args[0], pairsOf(args[1] ?? []), true),
  ),
  ...changeProperties('remove', 'Nn', (before, call) =>
    before.filter(([key]) => key !== keyOf(call)),
  ),
  gives('prop_item', 'Nn', (call) => valueFor(call) ?? []),
  gives('prop_count', 'N', ({ p, args }) => p.chars(String(propertiesOf(p, args[0]).length))),
  ...asks('prop_if_in', 'Nn', (call) => valueFor(call) !== null),
  ...asks('prop_if_empty', 'N', ({ p, args }) => propertiesOf(p, args[0]).length === 0),
  ...asks('prop_if_exist', 'N', isBound),
  ...['', 'T', 'F', 'TF'].map((branches) =>
    does('prop_get', `NnN${branches}`, (call) => {
      const value = valueFor(call);
      keep(call.p, call.args[2], value ?? [call.p.command('q_no_value')], false);
      const branch = branches.indexOf(value ? 'T' : 'F');
      if (branch >= 0) call.p.push(call.args[3 + branch] ?? []);
    }),
  ),
  does('prop_map_inline', 'Nn', ({ p, args }) =>
    walk(
      p,
      propertiesOf(p, args[0]).map(([key, value]) =>
        withArguments(args[1] ?? [], [p.chars(key), value]),
      ),
    ),
  ),
  {
    ...does('prop_map_function', 'NN', ({ p, args }) =>
      walk(
        p,
        propertiesOf(p, args[0]).map(([key, value]) => called(args[1], p, [p.chars(key), value])),
      ),
    ),
    protect: false,
  },
];

/** Sequences, lists with commas, properties (the interfaces of the layer, parts 17 to 22). */
export const LISTS: readonly ExplFunction[] = [
  ...functionsOf(SEQ),
  ...functionsOf(CLIST),
  ...splits,
  ...sorts,
  ...PROPERTIES,
];
