import { PT } from '../../base/lengths';
import type { Token } from '../../expansion/meaning';
import { cell } from '../../expansion/cells';
import { Cat } from '../../tokens/categories';
import type { Interpreter } from '../machine/interpreter';
import { splitAt, trimmed } from '../scanning/optionLists';
import { worked } from './arithmeticCommands';
import { placeOf } from './coordinates';
import { expandedItems } from './loops';
import { DECLARED, graphicsOf, RETURNED } from './openPicture';
import { readingOf } from './reading';
import { bare, isSign, wordsOf } from './words';

type Type = 'real' | 'integer' | 'coordinate';
/** What the variables were declared to be. */
const TYPES = cell<Readonly<Record<string, Type>>>('tikzmathtypes', {});
const TYPE_WORDS: Readonly<Record<string, Type>> = {
  int: 'integer',
  integer: 'integer',
  real: 'real',
  coordinate: 'coordinate',
};

/** Statements in reading: what of their tokens is left. */
interface Source {
  readonly it: Interpreter;
  readonly tokens: readonly Token[];
  at: number;
}

function blanks(source: Source): void {
  while (source.tokens[source.at]?.cat === Cat.Space) source.at++;
}

/** The word of letters that begins here; '' when none does. */
function word({ tokens, at }: Source): string {
  let end = at;
  while (tokens[end]?.cat === Cat.Letter) end++;
  return tokens
    .slice(at, end)
    .map(({ text }) => text)
    .join('');
}

function takeWord(source: Source, wanted: string): boolean {
  blanks(source);
  if (word(source) !== wanted) return false;
  source.at += wanted.length;
  return true;
}

/** What stands here up to something outside of braces, which is taken too where it is a sign. */
function upTo(source: Source, ends: (at: number) => boolean): readonly Token[] {
  const { tokens } = source;
  const start = source.at;
  let depth = 0;
  for (; source.at < tokens.length; source.at++) {
    const token = tokens[source.at] as Token;
    if (depth === 0 && ends(source.at)) break;
    if (token.cat === Cat.Begin) depth++;
    else if (token.cat === Cat.End) depth--;
  }
  return trimmed(tokens.slice(start, source.at));
}
const upToSign = (source: Source, sign: string): readonly Token[] => {
  const found = upTo(source, (at) => isSign(source.tokens[at], sign));
  source.at++;
  return found;
};

/** What stands in braces here; nothing when none do. */
function group(source: Source): readonly Token[] {
  blanks(source);
  if (source.tokens[source.at]?.cat !== Cat.Begin) return [];
  const start = ++source.at;
  for (let depth = 1; source.at < source.tokens.length; source.at++) {
    const { cat } = source.tokens[source.at] as Token;
    if (cat === Cat.Begin) depth++;
    else if (cat === Cat.End && --depth === 0) break;
  }
  return source.tokens.slice(start, source.at++);
}

/**
 * Carries out statements of the library “math” (its manual: assignments, types, `let`, `if`, `for`,
 * `function`, `return`, and what is drawn in braces).
 *
 * @returns false when a `return` ended them.
 */
export function runStatements(it: Interpreter, tokens: readonly Token[]): boolean {
  const source: Source = { it, tokens, at: 0 };
  for (;;) {
    blanks(source);
    const token = tokens[source.at];
    if (!token) return true;
    if (!it.p.spend(1, 'tikzmath')) return false;
    if (isSign(token, ';')) source.at++;
    else if (token.cat === Cat.Begin) it.execute(group(source));
    else if (token.cat === Cat.Command) assign(source, null);
    else {
      const name = word(source);
      source.at += Math.max(1, name.length);
      const type = TYPE_WORDS[name];
      if (type) declare(source, type);
      else if (!statement(source, name, token)) return false;
    }
  }
}

function statement(source: Source, name: string, token: Token): boolean {
  const { it } = source;
  switch (name) {
    case 'let':
      assign(source, 'text');
      return true;
    case 'print':
      it.execute(group(source));
      return true;
    case 'if':
      return choose(source);
    case 'for':
      return repeat(source);
    case 'function':
      defineFunction(source);
      return true;
    case 'return':
      it.write(RETURNED, worked(it, upToSign(source, ';')));
      return false;
    default:
      it.p.report('picture-word', it.spanOf(token), { word: name || token.text, near: '' });
      upToSign(source, ';');
      return true;
  }
}

/** A variable: its name, and the figures behind it that tell it from others of that name. */
function variable(source: Source): readonly [name: string, index: string] {
  const { tokens } = source;
  const name = tokens[source.at++]?.text ?? '';
  let index = '';
  while (/^\d$/.test(tokens[source.at]?.text ?? '')) index += tokens[source.at++]?.text;
  return [name, index];
}

function put(it: Interpreter, [name, index]: readonly [string, string], value: string): void {
  if (index === '') return it.define(name, value);
  it.define(`tikzmath:${name}${index}`, value);
  it.define(name, `\\csname tikzmath:${name}#1\\endcsname`, 1);
}

function declare(source: Source, type: Type): void {
  const { it } = source;
  const names = upToSign(source, ';').filter(({ cat }) => cat === Cat.Command);
  const types = { ...it.read(TYPES) };
  for (const { text } of names) types[text] = type;
  it.write(TYPES, types);
}

function assign(source: Source, how: 'text' | null): void {
  const { it } = source;
  blanks(source);
  const target = variable(source);
  upToSign(source, '=');
  const value = upToSign(source, ';');
  const type = it.read(TYPES)[target[0]] ?? 'real';
  if (how === 'text') put(it, target, wordsOf(it, value));
  else if (type === 'coordinate') assignPlace(it, target, wordsOf(it, value));
  else put(it, target, worked(it, value, type === 'integer'));
}

/** `\c` is the place, `\cx` and `\cy` are its coordinates, in pt. */
function assignPlace(
  it: Interpreter,
  [name, index]: readonly [string, string],
  text: string,
): void {
  const reading = readingOf(it);
  const { at } = placeOf(reading, graphicsOf(it), `$${text}$`);
  const [x, y] = [`${(at.x / PT).toFixed(5)}pt`, `${(at.y / PT).toFixed(5)}pt`];
  put(it, [name, index], `${x},${y}`);
  put(it, [`${name}x`, index], x);
  put(it, [`${name}y`, index], y);
}

const isWord = (tokens: readonly Token[], at: number, wanted: string): boolean =>
  tokens[at - 1]?.cat !== Cat.Letter && word({ tokens, at } as Source) === wanted;

/** `if … then {…} else {…}`. */
function choose(source: Source): boolean {
  const { it, tokens } = source;
  const condition = upTo(source, (at) => isWord(tokens, at, 'then'));
  takeWord(source, 'then');
  const holds = Number(worked(it, condition)) !== 0;
  const first = group(source);
  let goesOn = holds ? runStatements(it, first) : true;
  if (!takeWord(source, 'else')) return goesOn;
  if (takeWord(source, 'if')) {
    if (!holds) return choose(source);
    skipChoice(source);
    return goesOn;
  }
  const second = group(source);
  if (!holds) goesOn = runStatements(it, second);
  return goesOn;
}

function skipChoice(source: Source): void {
  upTo(source, (at) => isWord(source.tokens, at, 'then'));
  takeWord(source, 'then');
  group(source);
  if (!takeWord(source, 'else')) return;
  if (takeWord(source, 'if')) skipChoice(source);
  else group(source);
}

/** `for \x in {…}, \y in {…} {…}`: all pairs, the last one fastest. */
function repeat(source: Source): boolean {
  const { it } = source;
  const lists: { readonly name: string; readonly items: readonly (readonly Token[])[] }[] = [];
  do {
    if (isSign(source.tokens[source.at], ',')) source.at++;
    blanks(source);
    const [name] = variable(source);
    takeWord(source, 'in');
    const reading = readingOf(it);
    lists.push({ name, items: expandedItems(reading, group(source)) });
    blanks(source);
  } while (isSign(source.tokens[source.at], ','));
  const body = group(source);
  const turn = (level: number): boolean => {
    const list = lists[level];
    if (!list) return it.p.spend(1 + body.length, 'for') && runStatements(it, body);
    return list.items.every((item) => {
      it.define(list.name, bare(wordsOf(it, item)));
      return turn(level + 1);
    });
  };
  return turn(0);
}

/** `function f(\x,\y) {…}`: for expressions from here on. */
function defineFunction(source: Source): void {
  const { it } = source;
  blanks(source);
  const head = upTo(source, (at) => source.tokens[at]?.cat === Cat.Begin);
  const [, name = ''] = /^\s*(\w+)/.exec(head.map(({ text }) => text).join('')) ?? [];
  const parameters = splitAt(head, ',').flatMap((part) =>
    part.filter(({ cat }) => cat === Cat.Command).map(({ text }) => text),
  );
  const declared = { parameters, body: '', statements: group(source) };
  it.write(DECLARED, { ...it.read(DECLARED), [name]: declared });
}
