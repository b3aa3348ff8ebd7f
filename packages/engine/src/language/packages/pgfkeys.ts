import { cellsBy, cell } from '../../expansion/cells';
import { withArguments } from '../../expansion/definitions';
import { readArgument } from '../../expansion/arguments';
import { detach, type Expandable, type Token } from '../../expansion/meaning';
import { expandTokens, textOf, tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { type CommandEntry, type PackageEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { groupsIn, splitAt, trimmed } from '../scanning/optionLists';
import { braced } from './colourBoxes';

type Tokens = readonly Token[];

/** What a key does with its value: code, or further keys; its default, and what it holds. */
interface Key {
  readonly code: Tokens | null;
  readonly style: Tokens | null;
  /** How many groups the value is taken apart into. */
  readonly parts: number;
  readonly fallback: Tokens | null;
  readonly value: Tokens | null;
  readonly isFamily: boolean;
  /** Where keys of this family are looked for too. */
  readonly also: readonly string[];
}
const NO_KEY: Key = {
  code: null,
  style: null,
  parts: 1,
  fallback: null,
  value: null,
  isFamily: false,
  also: [],
};
const keyAt = cellsBy<Key | null>('pgfkey', null);
/** The family that names without a slash belong to. */
const PATH = cell('pgfkeypath', '');

/** How deep keys may call one another. */
const DEEPEST = 60;

const read = (it: Interpreter, path: string): Key => it.read(keyAt(path)) ?? NO_KEY;
const change = (it: Interpreter, path: string, by: Partial<Key>): void =>
  it.write(keyAt(path), { ...read(it, path), ...by });

/** `name`, `/family/name`, `name/.handler`. */
const fullPath = (it: Interpreter, name: string): string =>
  (name.startsWith('/') ? name : `${it.read(PATH)}/${name}`)
    .replace(/\/+/g, '/')
    .replace(/\/$/, '');

type Handler = (it: Interpreter, path: string, value: Tokens, depth: number) => void;

const joined = (a: Tokens | null, b: Tokens, it: Interpreter): Tokens => [
  ...(a ?? []),
  ...(a && a.length > 0 ? it.p.chars(',') : []),
  ...b,
];
/** `#1`, as it stands in a definition. */
const argument = (it: Interpreter): Tokens => [
  it.p.make(Cat.Parameter, '#'),
  it.p.make(Cat.Other, '1'),
];
const macroIn = (value: Tokens): Token | undefined =>
  value.find(({ cell: bound }) => bound !== null);
/** Defines the macro of a value as what `#1` stands for. */
const storing =
  (how: 'def' | 'edef'): Handler =>
  (it, path, value) => {
    const macro = macroIn(value);
    if (!macro) return;
    change(it, path, {
      code: detach([it.p.command(how), macro, ...braced(it, argument(it))]),
      parts: 1,
    });
  };

/** What stands behind `/.`, and what it does with the key before it (the manual of pgfkeys, handlers). */
const HANDLERS: Readonly<Record<string, Handler | undefined>> = {
  code: (it, path, value) => change(it, path, { code: detach(value), style: null, parts: 1 }),
  'code 2 args': (it, path, value) =>
    change(it, path, { code: detach(value), style: null, parts: 2 }),
  'code n args': (it, path, value) => {
    const [count = [], code = []] = groupsIn(value);
    change(it, path, { code: detach(code), style: null, parts: Number(tokensText(count)) || 1 });
  },
  style: (it, path, value) => change(it, path, { style: detach(value), code: null, parts: 1 }),
  'style 2 args': (it, path, value) =>
    change(it, path, { style: detach(value), code: null, parts: 2 }),
  'append style': (it, path, value) =>
    change(it, path, { style: detach(joined(read(it, path).style, value, it)) }),
  'prefix style': (it, path, value) =>
    change(it, path, { style: detach(joined(value, read(it, path).style ?? [], it)) }),
  'append code': (it, path, value) =>
    change(it, path, { code: detach([...(read(it, path).code ?? []), ...value]) }),
  'prefix code': (it, path, value) =>
    change(it, path, { code: detach([...value, ...(read(it, path).code ?? [])]) }),
  default: (it, path, value) => change(it, path, { fallback: detach(value) }),
  'value required': () => undefined,
  'value forbidden': () => undefined,
  initial: (it, path, value) => change(it, path, { value: detach(value) }),
  'store in': storing('def'),
  'estore in': storing('edef'),
  'is family': (it, path) => change(it, path, { isFamily: true }),
  cd: (it, path) => it.write(PATH, path),
  'search also': (it, path, value) =>
    change(it, path, {
      also: tokensText(value)
        .split(',')
        .map((one) => one.replace(/[{}]/g, '').trim()),
    }),
  get: (it, path, value) => {
    const macro = macroIn(value);
    if (macro) it.execute([it.p.command('def'), macro, ...braced(it, read(it, path).value ?? [])]);
  },
  'is if': (it, path, value) => {
    const name = tokensText(value).trim();
    const call = [
      ...it.source('\\csname '),
      ...it.p.chars(name),
      ...argument(it),
      ...it.source('\\endcsname'),
    ];
    change(it, path, { code: detach(call), parts: 1, fallback: detach(it.p.chars('true')) });
  },
  'is choice': (it, path) => {
    change(it, path, { style: detach([...it.p.chars(`${path}/`), ...argument(it)]), parts: 1 });
  },
  'forward to': (it, path, value) => {
    change(it, path, {
      style: detach([...value, ...it.p.chars('='), ...braced(it, argument(it))]),
      parts: 1,
    });
  },
  list: (it, path, value, depth) => {
    for (const one of splitAt(value, ',')) runKey(it, path, trimmed(one), depth);
  },
  try: (it, path, value, depth) => {
    if (isKnown(it, path)) runKey(it, path, value, depth);
  },
  expanded: runExpanded,
  'expand once': runExpanded,
};

function runExpanded(it: Interpreter, path: string, value: Tokens, depth: number): void {
  runKey(it, path, expandTokens(it.p, value), depth);
}

const isKnown = (it: Interpreter, path: string): boolean => it.read(keyAt(path)) !== null;

/** A key with its value: its code, its style, or what it holds; false as for a list of keys. */
function runKey(it: Interpreter, path: string, given: Tokens | null, depth: number): boolean {
  const key = read(it, path);
  const value = given ?? key.fallback ?? [];
  const args = key.parts > 1 ? groupsIn(value) : [value];
  if (key.code) it.execute(withArguments(key.code, args));
  else if (key.style) {
    const before = it.read(PATH);
    const done = runKeys(it, withArguments(key.style, args), depth + 1);
    it.write(PATH, before);
    return done;
  } else if (key.isFamily) it.write(PATH, path);
  else if (key.value && given) change(it, path, { value: detach(given) });
  return true;
}

/** A key that its family does not have: another one's, the family's own answer to unknown ones, or a report. */
function unknownKey(
  it: Interpreter,
  name: string,
  path: string,
  value: Tokens | null,
  depth: number,
): void {
  const family = path.slice(0, path.lastIndexOf('/'));
  for (const other of read(it, family).also)
    if (isKnown(it, `${other}/${name}`)) return void runKey(it, `${other}/${name}`, value, depth);
  // Keys of pictures are those of pictures.
  if (/^\/tikz\b/.test(path))
    return it.execute([
      it.p.command('tikzset'),
      ...braced(it, [
        ...it.p.chars(path.replace(/^\/tikz\/?/, '')),
        ...(value ? [...it.p.chars('='), ...braced(it, value)] : []),
      ]),
    ]);
  if (/^\/(?:pgf|pgfplots|utils|handlers|errors)\b/.test(path)) return;
  const unknown = `${family}/.unknown`;
  if (!isKnown(it, unknown)) return it.p.report('option-unknown', it.p.place, { name });
  it.execute([
    ...it.source('\\def\\pgfkeyscurrentname'),
    ...braced(it, it.p.chars(path.slice(family.length + 1))),
    ...it.source('\\def\\pgfkeyscurrentkey'),
    ...braced(it, it.p.chars(path)),
    ...it.source('\\def\\pgfkeyscurrentvalue'),
    ...braced(it, value ?? []),
  ]);
  runKey(it, unknown, value, depth);
}

/** Carries out keys in turn; false where they call one another for ever, so that whoever called stops too. */
function runKeys(it: Interpreter, tokens: Tokens, depth = 0): boolean {
  if (depth > DEEPEST) {
    it.p.report('nesting-too-deep', it.p.place);
    return false;
  }
  for (const part of splitAt(tokens, ',')) {
    const eq = part.findIndex((t) => t.cat === Cat.Other && t.text === '=');
    const name = textOf(it.p, trimmed(eq < 0 ? part : part.slice(0, eq))).trim();
    if (name === '') continue;
    if (!it.p.spend(5, name)) return false;
    const value = eq < 0 ? null : trimmed(part.slice(eq + 1));
    const [, before = '', after = ''] = /^(.*?)\/\.([^/]*)$/.exec(name) ?? [];
    const handler = HANDLERS[after];
    const path = fullPath(it, handler ? before || '/' : name);
    if (handler) handler(it, path, value ?? [], depth);
    else if (!isKnown(it, path)) unknownKey(it, name, path, value, depth);
    else if (!runKey(it, path, value, depth)) return false;
  }
  return true;
}

/** Keys read from a family, which is left as it was behind them. */
function keysFrom(it: Interpreter, path: string, tokens: Tokens): void {
  const before = it.read(PATH);
  it.write(PATH, path);
  runKeys(it, tokens);
  it.write(PATH, before);
}

const command = (
  name: string,
  signature: string,
  description: string,
  example: string,
  run: NonNullable<CommandEntry['run']>,
): CommandEntry => ({
  name,
  signature,
  package: 'pgfkeys',
  description,
  example,
  run,
});

/** `\pgfkeysvalueof{/family/name}`: what a key holds. */
const valueOf = (it: Interpreter): Expandable => ({
  kind: 'expandable',
  name: 'pgfkeysvalueof',
  expand: (p, caller) => {
    const path = fullPath(it, textOf(p, readArgument(p, caller) ?? []));
    p.push(read(it, path).value ?? []);
  },
});

/** pgfkeys: commands of one's own with options by name. */
export const pgfkeys: PackageEntry = {
  name: 'pgfkeys',
  description:
    'Options by name for commands of your own: families of keys, with defaults and styles.',
  options: null,
  commands: [
    command(
      'pgfkeys',
      'm',
      'Declares keys of a family, or carries them out.',
      '\\pgfkeys{/tide/.is family, /tide, high/.code={High: #1}}\\pgfkeys{/tide, high=5}',
      (it, args) => keysFrom(it, '', tokensOf(args, 0)),
    ),
    command(
      'pgfqkeys',
      'mm',
      'The same, in a family.',
      '\\pgfkeys{/tide/high/.code={High: #1}}\\pgfqkeys{/tide}{high=5}',
      (it, args) => keysFrom(it, textOf(it.p, tokensOf(args, 0)), tokensOf(args, 1)),
    ),
    command(
      'pgfkeysalso',
      'm',
      'Further keys, within the code of one.',
      '\\pgfkeys{/tide/high/.code={High: #1}, /tide/both/.code={\\pgfkeysalso{/tide/high=#1}}}\\pgfkeys{/tide/both=5}',
      (it, args) => void runKeys(it, tokensOf(args, 0)),
    ),
    command(
      'pgfkeyssetvalue',
      'mm',
      'What a key holds.',
      '\\pgfkeyssetvalue{/tide/high}{5}\\pgfkeysvalueof{/tide/high}',
      (it, args) =>
        change(it, fullPath(it, textOf(it.p, tokensOf(args, 0))), {
          value: detach(tokensOf(args, 1)),
        }),
    ),
    command(
      'pgfkeysgetvalue',
      'mm',
      'What a key holds, as a macro.',
      '\\pgfkeyssetvalue{/tide/high}{5}\\pgfkeysgetvalue{/tide/high}{\\tide}\\tide',
      (it, args) => {
        const path = fullPath(it, textOf(it.p, tokensOf(args, 0)));
        HANDLERS.get?.(it, path, tokensOf(args, 1), 0);
      },
    ),
    command(
      'pgfkeysifdefined',
      'mMM',
      'One text where there is such a key, another elsewhere.',
      '\\pgfkeysifdefined{/tide/high}{yes}{no}',
      (it, args) => {
        const path = fullPath(it, textOf(it.p, tokensOf(args, 0)));
        it.p.push(tokensOf(args, isKnown(it, path) ? 1 : 2));
      },
    ),
  ],
  setup: (it) => it.state.set(it.state.cell('pgfkeysvalueof'), valueOf(it)),
};

/** Packages whose keys these are, or that bring them along. */
export const pgfopts: PackageEntry = {
  name: 'pgfopts',
  description: 'Options of packages by the keys of pgfkeys.',
  options: null,
  requires: ['pgfkeys'],
  source: '\\newcommand\\ProcessPgfOptions[1]{}\\newcommand\\ProcessPgfPackageOptions[1]{}',
};
export const pgf: PackageEntry = {
  name: 'pgf',
  description: 'What pictures described in text stand on.',
  options: null,
  requires: ['tikz'],
};
