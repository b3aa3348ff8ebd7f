import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { Interpreter } from '../machine/interpreter';
import { splitAt, trimmed, unspaced } from '../scanning/optionLists';
import { writtenNumber, readExpression, ExpressionTrouble } from './arithmetic';
import { numberIn, type Reading } from './coordinates';
import { surroundings, unitsOf } from './openPicture';
import { takeGroup, takeOptions, takeThisWord, peek, type Scanner } from './scanPath';
import { bare, equalsOf, wordsOf } from './words';

/** `\foreach \x/\y [count=\i] in {1,...,4} {body}` as it was read. */
export interface Loop {
  readonly variables: readonly string[];
  readonly count: { readonly name: string; readonly from: number } | null;
  readonly evaluate: readonly {
    readonly name: string;
    readonly source: readonly Token[];
    readonly whole: boolean;
  }[];
  readonly remember: readonly {
    readonly from: string;
    readonly to: string;
    readonly first: string;
  }[];
  readonly items: readonly (readonly Token[])[];
  readonly body: readonly Token[];
}

/** A loop goes through no more things. */
const MOST = 20_000;

/** What a loop needs of a reading: a picture is not among it, loops stand in text too. */
export type LoopReading = Pick<Reading, 'it' | 'trouble'>;

/** Reads a loop behind its `\foreach`; null when it has no list. */
export function readLoop(scanner: Scanner, reading: LoopReading): Loop | null {
  const { it } = scanner;
  const variables: string[] = [];
  for (;;) {
    const token = it.p.next();
    if (!token) return null;
    if (token.cat === Cat.Space || token.text === '/') continue;
    if (token.cat !== Cat.Command) {
      it.p.unread(token);
      break;
    }
    variables.push(token.text);
  }
  const options = takeOptions(scanner) ?? [];
  if (!takeThisWord(scanner, 'in')) {
    it.p.report('picture-loop', it.p.place);
    // The list is most often there, and only its word is not.
    if (peek(scanner)?.cat !== Cat.Begin) return null;
  }
  const list = takeGroup(scanner) ?? listByMacro(scanner);
  const items = expandedItems(reading, list);
  const more = peek(scanner);
  // `\foreach … in {…} \foreach … {…}`: the body is the loop behind.
  const body = more?.cat === Cat.Begin ? takeGroup(scanner) : statementOf(scanner);
  return { variables, ...loopOptions(it, options), items, body: body ?? [] };
}

function listByMacro({ it }: Scanner): readonly Token[] {
  const token = it.p.next();
  return token ? it.p.chars(wordsOf(it, [token])) : [];
}

/** A body without braces goes to its `;`; when it is a loop itself, to the end of that one's body. */
function statementOf(scanner: Scanner): Token[] {
  const { p } = scanner.it;
  const loop = peek(scanner)?.text === 'foreach';
  const out: Token[] = [];
  let depth = 0;
  for (let token = p.next(); token !== null; token = p.next()) {
    if (token.cat === Cat.Command && token.text === 'end' && depth === 0) {
      p.unread(token);
      return out;
    }
    out.push(token);
    if (token.cat === Cat.Begin) depth++;
    else if (token.cat === Cat.End) {
      // Behind the list of a loop stands its body.
      if (--depth === 0 && loop) return [...out, ...bodyOf(scanner)];
    } else if (token.text === ';' && depth === 0) return out;
  }
  return out;
}
function bodyOf(scanner: Scanner): Token[] {
  if (peek(scanner)?.cat !== Cat.Begin) return statementOf(scanner);
  const { p } = scanner.it;
  return [p.make(Cat.Begin, '{'), ...(takeGroup(scanner) ?? []), p.make(Cat.End, '}')];
}

function loopOptions(
  it: Interpreter,
  options: readonly Token[],
): Pick<Loop, 'count' | 'evaluate' | 'remember'> {
  let count: Loop['count'] = null;
  const evaluate: Loop['evaluate'][number][] = [];
  const remember: Loop['remember'][number][] = [];
  for (const part of splitAt(options, ',')) {
    const eq = equalsOf(part);
    const key = part
      .slice(0, Math.max(0, eq))
      .map((t) => t.text)
      .join('')
      .trim();
    const value = trimmed(part.slice(eq + 1));
    const commands = value.filter((t) => t.cat === Cat.Command).map((t) => t.text);
    const words = value.map((t) => (t.cat === Cat.Command ? `\\${t.text} ` : t.text)).join('');
    const [first, second] = commands;
    if (key === 'count' && first)
      count = { name: first, from: Number(/from\s+(-?\d+)/.exec(words)?.[1] ?? 1) };
    if (key === 'evaluate' && first) {
      const as = /\bas\s*\\(\w+)/.exec(words)?.[1];
      const using = value.findIndex(
        (_, i) =>
          value
            .slice(i, i + 5)
            .map((t) => t.text)
            .join('') === 'using',
      );
      const source = using >= 0 ? trimmed(value.slice(using + 5)) : [it.p.command(first)];
      evaluate.push({ name: as ?? first, source, whole: false });
    }
    if (key === 'remember' && first)
      remember.push({
        from: first,
        to: second ?? first,
        first: /\(initially\s+(.*?)\)/.exec(words)?.[1] ?? '',
      });
    if (key === 'var' && first) continue;
  }
  return { count, evaluate, remember };
}

/** A list cut at commas outside braces and round brackets. */
function itemsOf(list: readonly Token[]): Token[][] {
  const out: Token[][] = [[]];
  let depth = 0;
  for (const token of list) {
    if (token.cat === Cat.Begin || token.text === '(') depth++;
    else if (token.cat === Cat.End || token.text === ')') depth--;
    if (depth === 0 && token.text === ',') out.push([]);
    else out.at(-1)?.push(token);
  }
  return out;
}

/** The items of a list, `1,...,5` and `a,...,e` filled in. */
export function expandedItems(reading: LoopReading, list: readonly Token[]): (readonly Token[])[] {
  const { it } = reading;
  const parts = itemsOf(list).map((part) => unspaced(part));
  const out: (readonly Token[])[] = [];
  const words = (part: readonly Token[] | undefined): string =>
    part ? bare(wordsOf(it, part)) : '';
  parts.forEach((part, i) => {
    if (!isDots(part)) return void out.push(part);
    const [before, last] = [words(out.at(-1)), words(parts[i + 1])];
    const earlier = i >= 2 && !isDots(parts[i - 2] ?? []) ? words(out.at(-2)) : '';
    for (const item of filledIn(reading, earlier, before, last)) out.push(it.p.chars(item));
  });
  return out.slice(0, MOST);
}
const isDots = (part: readonly Token[]): boolean =>
  /^(\.\.\.|\\(?:ldots|dots))$/.test(
    part.map((t) => (t.cat === Cat.Command ? `\\${t.text}` : t.text)).join(''),
  );
/** What stands for the dots: up to the last one, which the list has itself. */
function filledIn(reading: LoopReading, earlier: string, before: string, last: string): string[] {
  const letter = /^[A-Za-z]$/;
  if (letter.test(before) && letter.test(last)) {
    const [from, to] = [before.charCodeAt(0), last.charCodeAt(0)];
    const step = from <= to ? 1 : -1;
    return Array.from({ length: Math.max(0, Math.abs(to - from) - 1) }, (_, i) =>
      String.fromCharCode(from + step * (i + 1)),
    );
  }
  // `a_1,...,a_5` and the like count the number in them.
  const context = /^(.*?)(-?\d+(?:\.\d+)?)(.*)$/.exec(before);
  const end = /^(.*?)(-?\d+(?:\.\d+)?)(.*)$/.exec(last);
  const plain = (text: string): boolean => /^[-+\d.*/() ]+$/.test(text);
  if (context && end && !plain(before) && context[1] === end[1] && context[3] === end[3]) {
    const between = filledIn(reading, '', context[2] ?? '', end[2] ?? '');
    return between.map((number) => `${context[1] ?? ''}${number}${context[3] ?? ''}`);
  }
  const [from, to] = [numberIn(reading, before).value, numberIn(reading, last).value];
  const step =
    earlier !== '' && plain(earlier)
      ? from - numberIn(reading, earlier).value
      : from <= to
        ? 1
        : -1;
  if (step === 0 || !Number.isFinite(step)) return [];
  const out: string[] = [];
  const places = Math.max(decimals(before), decimals(earlier), decimals(last));
  for (let i = 1; out.length < MOST; i++) {
    const value = from + i * step;
    // The list's own last item comes behind; what is as good as it is not said twice.
    const near = Math.abs(step) * 1e-4;
    if (step > 0 ? value > to - near : value < to + near) break;
    out.push(places === 0 ? String(value) : String(Number(value.toFixed(Math.max(places, 5)))));
  }
  return out;
}
const decimals = (text: string): number =>
  /\.(\d+)/.exec(text)?.[1]?.length ?? (text === '' || /^-?\d+$/.test(text) ? 0 : 5);

/** The definitions that a turn of a loop begins with, one turn after another. */
function turns(it: Interpreter, loop: Loop, reading: LoopReading): (() => void)[] {
  const kept = new Map(loop.remember.map(({ to, first }) => [to, first]));
  return loop.items.map((item, i) => () => {
    if (loop.count) it.define(loop.count.name, String(loop.count.from + i));
    for (const [name, value] of kept) it.define(name, value);
    const parts = loop.variables.length === 1 ? [item] : splitAt(trimmed(item), '/');
    loop.variables.forEach((name, v) => {
      const part = parts[v] ?? parts.at(-1) ?? [];
      it.state.set(it.state.cell(name), macro(trimmed(unspaced(part))));
    });
    for (const { name, source } of loop.evaluate)
      it.define(name, valueOf(reading, wordsOf(it, source)));
    for (const { from, to } of loop.remember) kept.set(to, wordsOf(it, [it.p.command(from)]));
  });
}
const macro = (body: readonly Token[]) => ({
  kind: 'macro' as const,
  params: [],
  optional: null,
  body,
  long: true,
  protect: false,
});

function valueOf({ it, trouble }: LoopReading, text: string): string {
  try {
    const expression = readExpression(text, unitsOf(it));
    const value = expression.run(surroundings(it));
    return typeof value === 'number'
      ? writtenNumber(value, expression.integral)
      : String(value as string);
  } catch (error) {
    if (!(error instanceof ExpressionTrouble)) throw error;
    trouble({ kind: 'number', word: text });
    return '0';
  }
}

/** Carries out a loop's body for each of its things, each in a group of its own. */
export function runLoop(it: Interpreter, loop: Loop, reading: LoopReading): void {
  for (const begin of turns(it, loop, reading)) {
    if (!it.p.spend(2 + loop.body.length, 'foreach')) return;
    it.openGroup({ kind: 'semisimple', span: it.p.place });
    begin();
    it.execute(loop.body);
    it.closeGroup();
  }
}

/** A loop within a path: its bodies one after another, the variables written out in each. */
export function loopTokens(it: Interpreter, loop: Loop, reading: LoopReading): Token[] {
  const out: Token[] = [];
  const names = [
    ...loop.variables,
    ...(loop.count ? [loop.count.name] : []),
    ...loop.evaluate.map(({ name }) => name),
    ...loop.remember.map(({ to }) => to),
  ];
  for (const begin of turns(it, loop, reading)) {
    if (!it.p.spend(2 + loop.body.length, 'foreach')) break;
    it.openGroup({ kind: 'semisimple', span: it.p.place });
    begin();
    for (const token of loop.body) {
      const mine = token.cat === Cat.Command && names.includes(token.text);
      const meaning = mine ? it.state.meaning(it.state.cell(token.text)) : null;
      if (meaning?.kind === 'macro') out.push(...meaning.body);
      else out.push(token);
    }
    it.closeGroup();
  }
  return out;
}
