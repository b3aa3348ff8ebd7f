import { withArguments } from '../../expansion/definitions';
import { cellsBy } from '../../expansion/cells';
import { detach, type Token } from '../../expansion/meaning';
import type { Processor } from '../../expansion/processor';
import { textOf } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { groupsIn, splitAt, trimmed, unspaced } from '../scanning/optionLists';
import {
  asks,
  does,
  group,
  keep,
  plainText,
  type Call,
  type ExplFunction,
  type Tokens,
} from './call';

/** A key: what is carried out with its value as `#1`, and what stands for a value that is left out. */
interface Key {
  readonly code: Tokens;
  readonly fallback: Tokens | null;
  /** The values it may have, where it is a choice. */
  readonly choices: readonly string[] | null;
}

const keys = cellsBy<Key | null>('explkey', null);

/** `key = value` pairs; a value left out is null. */
function pairs(tokens: Tokens): { name: string; at: Token; value: Tokens | null }[] {
  return splitAt(tokens, ',').flatMap((part) => {
    const eq = part.findIndex(({ text, cell }) => text === '=' && cell === null);
    const key = unspaced(eq < 0 ? part : part.slice(0, eq));
    const [at] = key;
    const name = plainText(key).replace(/\s*\/\s*/g, '/');
    return at ? [{ name, at, value: eq < 0 ? null : trimmed(part.slice(eq + 1)) }] : [];
  });
}

const parameter = (p: Processor): Token[] => [p.make(Cat.Parameter, '#'), p.make(Cat.Other, '1')];

function keepKey(p: Processor, path: string, change: Partial<Key>): void {
  const before = p.state.read(keys(path)) ?? { code: [], fallback: null, choices: null };
  p.state.write(keys(path), { ...before, ...change }, true);
}

/** Properties that keep a value under a variable, by the function that does so. */
const KEPT: Readonly<Record<string, string>> = {
  tl_set: 'tl_set:Nn',
  tl_gset: 'tl_gset:Nn',
  str_set: 'str_set:Nn',
  str_gset: 'str_gset:Nn',
  clist_set: 'clist_set:Nn',
  clist_gset: 'clist_gset:Nn',
  int_set: 'int_set:Nn',
  int_gset: 'int_gset:Nn',
  dim_set: 'dim_set:Nn',
  dim_gset: 'dim_gset:Nn',
  skip_set: 'skip_set:Nn',
  fp_set: 'fp_set:Nn',
  fp_gset: 'fp_gset:Nn',
};
const NEW: Readonly<Record<string, string>> = {
  tl: 'tl',
  str: 'str',
  clist: 'clist',
  int: 'int',
  dim: 'dim',
  skip: 'skip',
  fp: 'fp',
};

/** Binds a variable that nobody has made yet. */
function made(p: Processor, kind: string, name: Tokens): void {
  const [token] = name;
  if (token?.cell && p.state.meaning(token.cell) === undefined) {
    const maker = p.state.meaning(p.state.cell(`${NEW[kind] ?? 'tl'}_new:N`));
    if (maker?.kind !== 'expandable') return;
    p.push(name);
    maker.expand(p, token);
  }
}

/** One property of a key: `colour .tl_set:N = \l_colour_tl`. */
function property(call: Call, path: string, name: string, value: Tokens): void {
  const { p } = call;
  const base = name.replace(/:.*$/, '');
  const setter = KEPT[base];
  if (setter) {
    made(p, base.split('_')[0] ?? 'tl', value);
    keepKey(p, path, { code: detach([p.command(setter), ...value, ...group(p, parameter(p))]) });
    return;
  }
  if (/^bool_g?set/.test(base)) {
    const [token] = value;
    if (token?.cell && p.state.meaning(token.cell) === undefined)
      p.state.set(token.cell, { kind: 'chardef', code: 0 }, true);
    const [yes, no] = base.includes('inverse') ? ['false', 'true'] : ['true', 'false'];
    const how = base.includes('gset') ? 'bool_gset' : 'bool_set';
    keepKey(p, path, {
      code: detach([
        p.command('str_if_eq:nnTF'),
        ...group(p, parameter(p)),
        ...group(p, p.chars('true')),
        ...group(p, [p.command(`${how}_${yes}:N`), ...value]),
        ...group(p, [p.command(`${how}_${no}:N`), ...value]),
      ]),
      fallback: p.chars('true'),
    });
    return;
  }
  switch (base) {
    case 'code':
      return keepKey(p, path, { code: detach(value) });
    case 'default':
      return keepKey(p, path, { fallback: detach(value) });
    case 'initial':
      return setKey(call, path, value);
    case 'meta':
      return keepKey(p, path, {
        code: detach([
          p.command('keys_set:nn'),
          ...group(p, p.chars(path.split('/').slice(0, -1).join('/'))),
          ...group(p, value),
        ]),
      });
    case 'choice':
      return keepKey(p, path, { choices: [] });
    case 'choices': {
      const [names = [], code = []] = groupsIn(value);
      for (const one of splitAt(names, ',').map((part) => plainText(unspaced(part))))
        keepKey(p, `${path}/${one}`, {
          code: detach([
            p.command('def'),
            p.command('l_keys_choice_tl'),
            ...group(p, p.chars(one)),
            ...code,
          ]),
        });
      return keepKey(p, path, { choices: [] });
    }
    default:
      return;
  }
}

/** `\keys_define:nn { module } { key .code:n = {…} }`. */
function define(call: Call): void {
  const module = plainText(unspaced(call.args[0] ?? []));
  for (const { name, value } of pairs(call.args[1] ?? [])) {
    const [, key = '', kind = ''] = /^(.*?)\s*\.([\w:]+)$/.exec(name) ?? [];
    if (kind === '') continue;
    property(call, `${module}/${key.trim()}`, kind, value ?? []);
  }
}

/** Carries out a key with a value; a choice goes to the key of that name. */
function setKey(call: Call, path: string, value: Tokens | null): void {
  const { p } = call;
  const key = p.state.read(keys(path));
  if (!key) return;
  const given = value ?? key.fallback ?? [];
  if (key.choices) return setKey(call, `${path}/${textOf(p, given)}`, given);
  p.push(withArguments(key.code, [given]));
}

function setAll(call: Call, unknown: Tokens | null): void {
  const { p } = call;
  const module = plainText(unspaced(call.args[0] ?? []));
  const rest: Token[] = [];
  const found: (() => void)[] = [];
  for (const { name, at, value } of pairs(call.args[1] ?? [])) {
    const path = `${module}/${name}`;
    if (p.state.read(keys(path))) found.push(() => setKey(call, path, value));
    else if (p.state.read(keys(`${module}/unknown`))) {
      found.push(() => {
        setKey(call, `${module}/unknown`, value);
        p.push([p.command('def'), p.command('l_keys_key_str'), ...group(p, p.chars(name))]);
      });
    } else if (unknown)
      rest.push(
        ...p.chars(`${rest.length > 0 ? ',' : ''}${name}`),
        ...(value ? [...p.chars('='), ...group(p, value)] : []),
      );
    else p.report('option-unknown', p.spanOf(at), { name });
  }
  // What is pushed last is carried out first.
  for (const one of found.reverse()) one();
  if (unknown) keep(p, unknown, rest, false);
}

/** Keys with values (the interfaces of the layer, part 27). */
export const KEYS: readonly ExplFunction[] = [
  does('keys_define', 'nn', define),
  does('keys_set', 'nn', (call) => setAll(call, null)),
  does('keys_set_known', 'nn', (call) => setAll(call, [])),
  does('keys_set_known', 'nnN', (call) => setAll(call, call.args[2] ?? [])),
  ...asks('keys_if_exist', 'nn', ({ p, args }) => {
    const path = [args[0], args[1]].map((part) => plainText(unspaced(part ?? []))).join('/');
    return p.state.read(keys(path)) !== null;
  }),
];
