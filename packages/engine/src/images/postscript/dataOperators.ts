import {
  drop,
  give,
  lookUp,
  type Machine,
  type Operators,
  pop,
  popArray,
  popDict,
  popNumber,
  popNumbers,
  popString,
  push,
  spend,
} from './machine';
import { NUMBER_OPERATORS } from './numberOperators';
import { numberOf } from './scanner';
import {
  arrayOf,
  dictOf,
  isKind,
  keyOf,
  kindOf,
  MARK,
  nameOf,
  PostScriptError,
  stringOf,
  type Value,
  written,
} from './values';

/** Entries that a new array or string may have. */
const LONGEST = 1_000_000;
/** Items that are put on the stack at once. */
const MOST_LOADED = 10_000;

const rangeCheck = (what: string): PostScriptError => new PostScriptError('rangecheck', what);

function newLength(it: Machine): number {
  const length = popNumber(it);
  if (!(length >= 0 && length <= LONGEST)) throw rangeCheck(String(length));
  spend(it, length);
  return Math.floor(length);
}

// ---- the stack

function copy(it: Machine): void {
  const top = pop(it);
  if (typeof top === 'number') {
    if (top < 0 || top > it.operands.length) throw rangeCheck('copy');
    return push(it, ...it.operands.slice(it.operands.length - top));
  }
  const from = pop(it);
  if (isKind(top, 'array') && isKind(from, 'array')) {
    from.items.forEach((item, i) => (top.items[i] = item));
    return push(it, arrayOf(top.items.slice(0, from.items.length), top.executable));
  }
  if (isKind(top, 'dict') && isKind(from, 'dict'))
    from.entries.forEach((value, key) => top.entries.set(key, value));
  else if (isKind(top, 'string') && isKind(from, 'string'))
    top.text = from.text + top.text.slice(from.text.length);
  else throw new PostScriptError('typecheck', 'copy');
  push(it, top);
}

function roll(it: Machine): void {
  const [count = 0, by = 0] = popNumbers(it, 2);
  const { operands } = it;
  if (count < 0 || count > operands.length) throw rangeCheck('roll');
  if (count === 0) return;
  const turned = operands.splice(operands.length - count, count);
  const cut = (((-by % count) + count) % count) | 0;
  operands.push(...turned.slice(cut), ...turned.slice(0, cut));
}

function index(it: Machine): void {
  const value = it.operands.at(-1 - popNumber(it));
  if (value === undefined) throw rangeCheck('index');
  push(it, value);
}

/** What stands above the last mark, which is taken off with it. */
function aboveMark(it: Machine): Value[] {
  const at = it.operands.findLastIndex((value) => isKind(value, 'mark'));
  if (at < 0) throw new PostScriptError('unmatchedmark');
  return it.operands.splice(at).slice(1);
}

function countToMark(it: Machine): void {
  const at = it.operands.findLastIndex((value) => isKind(value, 'mark'));
  if (at < 0) throw new PostScriptError('unmatchedmark');
  push(it, it.operands.length - 1 - at);
}

function dictFromMark(it: Machine): void {
  const dict = dictOf();
  const pairs = aboveMark(it);
  for (let i = 0; i + 1 < pairs.length; i += 2)
    dict.entries.set(keyOf(pairs[i] as Value), pairs[i + 1] as Value);
  push(it, dict);
}

// ---- arrays, strings, dictionaries

function lengthOf(value: Value): number {
  if (isKind(value, 'array')) return value.items.length;
  if (isKind(value, 'dict')) return value.entries.size;
  if (isKind(value, 'string')) return value.text.length;
  if (isKind(value, 'name')) return value.name.length;
  throw new PostScriptError('typecheck', kindOf(value));
}

function get(it: Machine): void {
  const key = pop(it);
  const from = pop(it);
  const found = isKind(from, 'dict')
    ? from.entries.get(keyOf(key))
    : isKind(from, 'array') && typeof key === 'number'
      ? from.items[key]
      : isKind(from, 'string') && typeof key === 'number' && key < from.text.length
        ? from.text.charCodeAt(key)
        : undefined;
  if (found === undefined) throw new PostScriptError('undefined', written(key));
  push(it, found);
}

function put(it: Machine): void {
  const value = pop(it);
  const key = pop(it);
  const into = pop(it);
  if (isKind(into, 'dict')) into.entries.set(keyOf(key), value);
  else if (typeof key !== 'number' || key < 0 || key >= lengthOf(into)) throw rangeCheck('put');
  else if (isKind(into, 'array')) into.items[key] = value;
  else if (isKind(into, 'string') && typeof value === 'number')
    into.text =
      into.text.slice(0, key) + String.fromCharCode(value & 255) + into.text.slice(key + 1);
}

function getInterval(it: Machine): void {
  const [start = 0, count = 0] = popNumbers(it, 2);
  const from = pop(it);
  if (start < 0 || count < 0 || start + count > lengthOf(from)) throw rangeCheck('getinterval');
  spend(it, count);
  if (isKind(from, 'array'))
    push(it, arrayOf(from.items.slice(start, start + count), from.executable));
  else if (isKind(from, 'string')) push(it, stringOf(from.text.slice(start, start + count)));
}

function putInterval(it: Machine): void {
  const part = pop(it);
  const start = popNumber(it);
  const into = pop(it);
  if (start < 0 || start + lengthOf(part) > lengthOf(into)) throw rangeCheck('putinterval');
  if (isKind(into, 'array') && isKind(part, 'array'))
    part.items.forEach((item, i) => (into.items[start + i] = item));
  else if (isKind(into, 'string') && isKind(part, 'string'))
    into.text = into.text.slice(0, start) + part.text + into.text.slice(start + part.text.length);
}

function astore(it: Machine): void {
  const array = popArray(it);
  const count = array.items.length;
  if (count > it.operands.length) throw new PostScriptError('stackunderflow');
  it.operands
    .splice(it.operands.length - count, count)
    .forEach((value, i) => (array.items[i] = value));
  push(it, array);
}

function packedArray(it: Machine): void {
  const count = newLength(it);
  if (count > it.operands.length) throw new PostScriptError('stackunderflow');
  push(it, arrayOf(it.operands.splice(it.operands.length - count)));
}

function search(it: Machine): void {
  const wanted = popString(it).text;
  const { text } = popString(it);
  const at = text.indexOf(wanted);
  if (at < 0) return push(it, stringOf(text), false);
  const behind = stringOf(text.slice(at + wanted.length));
  push(it, behind, stringOf(wanted), stringOf(text.slice(0, at)), true);
}

function anchorSearch(it: Machine): void {
  const wanted = popString(it).text;
  const { text } = popString(it);
  if (!text.startsWith(wanted)) return push(it, stringOf(text), false);
  push(it, stringOf(text.slice(wanted.length)), stringOf(wanted), true);
}

// ---- names

function define(it: Machine): void {
  const value = pop(it);
  const key = keyOf(pop(it));
  it.dicts.at(-1)?.entries.set(key, value);
}

function store(it: Machine): void {
  const value = pop(it);
  const key = keyOf(pop(it));
  const holder = it.dicts.findLast(({ entries }) => entries.has(key)) ?? it.dicts.at(-1);
  holder?.entries.set(key, value);
}

function load(it: Machine): void {
  const key = keyOf(pop(it));
  const found = lookUp(it, key.slice(1));
  if (found === undefined) throw new PostScriptError('undefined', key.slice(1));
  push(it, found);
}

function where(it: Machine): void {
  const key = keyOf(pop(it));
  const holder = it.dicts.findLast(({ entries }) => entries.has(key));
  if (holder) push(it, holder, true);
  else push(it, false);
}

/** Names of operators stand for them from now on, whatever the names come to mean (`bind`). */
function bind(it: Machine, value: Value = it.operands.at(-1) ?? null): void {
  if (!isKind(value, 'array')) return;
  value.items.forEach((item, i) => {
    if (isKind(item, 'array') && item.executable) bind(it, item);
    if (!isKind(item, 'name') || !item.executable) return;
    const found = lookUp(it, item.name);
    if (found !== undefined && isKind(found, 'operator')) value.items[i] = found;
  });
}

// ---- kinds

const TYPES: Readonly<Record<string, string>> = {
  boolean: 'booleantype',
  null: 'nulltype',
  name: 'nametype',
  string: 'stringtype',
  array: 'arraytype',
  dict: 'dicttype',
  operator: 'operatortype',
  mark: 'marktype',
  file: 'filetype',
  save: 'savetype',
};

const typeName = (value: Value): string =>
  typeof value === 'number'
    ? Number.isInteger(value)
      ? 'integertype'
      : 'realtype'
    : (TYPES[kindOf(value)] ?? 'nulltype');

function withExecutable(value: Value, executable: boolean): Value {
  if (isKind(value, 'name')) return nameOf(value.name, executable);
  // Both share what is in the array.
  if (isKind(value, 'array')) return arrayOf(value.items, executable);
  return value;
}

const isExecutable = (value: Value): boolean =>
  isKind(value, 'operator') ||
  ((isKind(value, 'name') || isKind(value, 'array')) && value.executable);

function toNumber(it: Machine): number {
  const value = pop(it);
  const found = typeof value === 'number' ? value : numberOf(written(value).trim());
  if (found === null) throw new PostScriptError('typecheck', 'cvr');
  return found;
}

function cvs(it: Machine): void {
  popString(it);
  push(it, stringOf(written(pop(it))));
}

function cvrs(it: Machine): void {
  popString(it);
  const [value = 0, radix = 10] = popNumbers(it, 2);
  push(
    it,
    stringOf(
      Math.trunc(value)
        .toString(Math.min(36, Math.max(2, radix)))
        .toUpperCase(),
    ),
  );
}

/** Operators of the stack, of numbers, texts, arrays, dictionaries and names (Language Reference, 8.1). */
export const DATA_OPERATORS: Operators = new Map<string, (it: Machine) => void>([
  ['pop', drop(1)],
  ['exch', (it) => push(it, ...[pop(it), pop(it)])],
  ['dup', (it) => push(it, ...new Array<Value>(2).fill(pop(it)))],
  ['copy', copy],
  ['index', index],
  ['roll', roll],
  ['clear', (it) => void (it.operands.length = 0)],
  ['count', (it) => push(it, it.operands.length)],
  ['mark', give(() => MARK)],
  ['[', give(() => MARK)],
  ['<<', give(() => MARK)],
  ['cleartomark', (it) => void aboveMark(it)],
  ['counttomark', countToMark],
  [']', (it) => push(it, arrayOf(aboveMark(it)))],
  ['>>', dictFromMark],

  ...NUMBER_OPERATORS,
  ['array', give((it) => arrayOf(new Array<Value>(newLength(it)).fill(null)))],
  ['string', give((it) => stringOf('\0'.repeat(newLength(it))))],
  ['dict', (it) => (newLength(it), push(it, dictOf()))],
  ['length', give((it) => lengthOf(pop(it)))],
  ['maxlength', give((it) => lengthOf(pop(it)) + 20)],
  ['get', get],
  ['put', put],
  ['getinterval', getInterval],
  ['putinterval', putInterval],
  ['astore', astore],
  [
    'aload',
    (it) => {
      const array = popArray(it);
      if (array.items.length > MOST_LOADED) throw rangeCheck('aload');
      push(it, ...array.items, array);
    },
  ],
  ['packedarray', packedArray],
  ['search', search],
  ['anchorsearch', anchorSearch],

  ['def', define],
  ['store', store],
  ['load', load],
  ['where', where],
  [
    'known',
    (it) => {
      const key = keyOf(pop(it));
      push(it, popDict(it).entries.has(key));
    },
  ],
  [
    'undef',
    (it) => {
      const key = keyOf(pop(it));
      popDict(it).entries.delete(key);
    },
  ],
  ['begin', (it) => void it.dicts.push(popDict(it))],
  [
    'end',
    (it) => {
      if (it.dicts.length <= 2) throw new PostScriptError('dictstackunderflow');
      it.dicts.pop();
    },
  ],
  ['currentdict', give((it) => it.dicts.at(-1) ?? null)],
  ['countdictstack', give((it) => it.dicts.length)],
  ['cleardictstack', (it) => void (it.dicts.length = 2)],
  ['bind', (it) => bind(it)],

  ['type', give((it) => nameOf(typeName(pop(it)), true))],
  ['cvx', give((it) => withExecutable(pop(it), true))],
  ['cvlit', give((it) => withExecutable(pop(it), false))],
  ['xcheck', give((it) => isExecutable(pop(it)))],
  ['rcheck', give((it) => (pop(it), true))],
  ['wcheck', give((it) => (pop(it), true))],
  ['gcheck', give((it) => (pop(it), false))],
  ['cvi', give((it) => Math.trunc(toNumber(it)))],
  ['cvr', give(toNumber)],
  ['cvn', give((it) => nameOf(popString(it).text))],
  ['cvs', cvs],
  ['cvrs', cvrs],
]);
