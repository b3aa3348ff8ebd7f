import { isStranger } from '../machine/unknown';
import { CELLS } from '../machine/cells';
import { FOOTNOTE_SIGNS, toLetter, toRoman } from '../../expansion/numerals';
import { readArgument } from '../../expansion/arguments';
import { expandTokens, textOf } from '../../expansion/tokenText';
import { meaningOf } from '../../expansion/conditionals';
import {
  type Expandable,
  type RegisterMeaning,
  sameMeaning,
  type Token,
} from '../../expansion/meaning';
import { registerOf, scanDimen, scanGlue, scanInt } from '../../expansion/scan';
import type { Processor } from '../../expansion/processor';
import {
  addReset,
  counterExists,
  counterValue,
  newCounter,
  refStepCounter,
  setCounter,
  stepCounter,
} from '../machine/counters';
import { type CommandEntry, tokensOf } from '../machine/entries';
import { setPage } from './pageStyle';
import type { Interpreter } from '../machine/interpreter';
import { OWN } from '../machine/ownNames';
import { tellBareZero } from '../scanning/dimenOf';
import { tokensText } from '../../expansion/tokenText';

function counterName(it: Interpreter, tokens: readonly Token[], token: Token): string | null {
  const name = textOf(it.p, tokens);
  if (counterExists(it.state, name)) return name;
  it.p.report('counter-unknown', it.spanOf(token), { name });
  return null;
}

function intOf(it: Interpreter, tokens: readonly Token[]): number {
  const expression = it.read(CELLS.calc) ? [it.p.command('numexpr')] : [];
  const relax = it.p.command('relax');
  it.p.push([...expression, ...tokens, relax, ...(expression.length > 0 ? [relax] : [])]);
  const value = scanInt(it.p);
  const rest = it.p.next();
  if (rest && rest.text !== 'relax') it.p.unread(rest);
  return value;
}

/** Counters as commands. */
export const counterCommands: readonly CommandEntry[] = [
  {
    name: 'newcounter',
    signature: 'mo',
    description: 'A new counter; brackets name the one that sets it back.',
    example: '\\newcounter{ferry}[section]',
    run: (it, args, token) => {
      const name = textOf(it.p, tokensOf(args, 0));
      const exists = it.state.get(it.state.cell(`c@${name}`)) !== undefined;
      // What packages of ours declare stands in for what those of others do.
      if (exists && token.chunk === it.p.reader.chunk)
        return it.p.report('counter-exists', it.spanOf(token), { name });
      newCounter(it, name, args[1] ? textOf(it.p, tokensOf(args, 1)) : null);
    },
  },
  {
    name: 'setcounter',
    signature: 'mm',
    description: 'Sets a counter.',
    example: '\\setcounter{section}{3}',
    run: (it, args, token) => {
      const name = counterName(it, tokensOf(args, 0), token);
      const value = intOf(it, tokensOf(args, 1));
      if (name) setCounter(it.state, name, value);
      if (name === 'page') setPage(it, value, null);
    },
  },
  {
    name: 'addtocounter',
    signature: 'mm',
    description: 'Adds to a counter.',
    example: '\\addtocounter{section}{1}',
    run: (it, args, token) => {
      const name = counterName(it, tokensOf(args, 0), token);
      const value = intOf(it, tokensOf(args, 1));
      if (name) setCounter(it.state, name, counterValue(it.state, name) + value);
    },
  },
  {
    name: 'stepcounter',
    signature: 'm',
    description: 'One more on a counter.',
    example: '\\stepcounter{section}',
    run: (it, args, token) => {
      const name = counterName(it, tokensOf(args, 0), token);
      if (name) stepCounter(it.state, name);
    },
    math: () => null,
  },
  {
    name: 'refstepcounter',
    signature: 'm',
    description: 'One more on a counter, for a \\label that follows.',
    example: '\\refstepcounter{ferry}',
    run: (it, args, token) => {
      const name = counterName(it, tokensOf(args, 0), token);
      if (name) refStepCounter(it, name);
    },
  },
  {
    name: 'counterwithin',
    signature: 'smm',
    description: 'Numbers one counter within another.',
    example: '\\counterwithin{equation}{section}',
    run: (it, args) =>
      numberWithin(it, textOf(it.p, tokensOf(args, 1)), textOf(it.p, tokensOf(args, 2))),
  },
  {
    name: 'setlength',
    signature: 'mm',
    description: 'Sets a length.',
    example: '\\setlength{\\parindent}{0pt}',
    run: (it, args, token) => setLength(it, tokensOf(args, 0), tokensOf(args, 1), token, false),
  },
  {
    name: 'addtolength',
    signature: 'mm',
    description: 'Adds to a length.',
    example: '\\addtolength{\\textwidth}{1cm}',
    run: (it, args, token) => setLength(it, tokensOf(args, 0), tokensOf(args, 1), token, true),
  },
];

/** `\numberwithin`: reset by the outer counter, printed behind it. */
export function numberWithin(it: Interpreter, inner: string, outer: string): void {
  addReset(it.state, inner, outer);
  it.define(`the${inner}`, `\\csname the${outer}\\endcsname.\\arabic{${inner}}`);
}

/** A register by its number: `\\skip\\footins`; null where there is none. */
function numbered(it: Interpreter, target: readonly Token[]) {
  const [named] = target;
  if (target.length < 2 || !named || !/^(?:skip|dimen|muskip)$/.test(named.text)) return null;
  it.p.push([...target.slice(1), it.p.command('relax')]);
  const meaning = registerOf(it.p, named);
  const end = it.p.next();
  if (end && end.text !== 'relax') it.p.unread(end);
  return meaning && { named, meaning };
}

/** `\\setlength{parskip}{…}`: a name without its backslash. */
function bareLength(it: Interpreter, target: readonly Token[], command: Token): void {
  const [first] = target;
  const name = tokensText(target).trim();
  const span = { from: first?.from ?? command.from, to: target.at(-1)?.to ?? command.to };
  const edits = [{ from: span.from, to: span.from, text: '\\' }];
  const isTyped = first?.chunk === it.p.reader.chunk;
  const fix = isTyped ? { title: `Write \\${name}`, edits } : undefined;
  it.p.report(
    'name-bare',
    isTyped ? span : it.spanOf(command),
    { name, command: command.text },
    fix,
  );
}

function setLength(
  it: Interpreter,
  target: readonly Token[],
  value: readonly Token[],
  token: Token,
  adds: boolean,
): void {
  const found = (tokens: readonly Token[]) => {
    const named = tokens.find((t) => t.cell !== null);
    const meaning = named?.cell ? (it.state.get(named.cell) as RegisterMeaning | undefined) : null;
    return { named, meaning };
  };
  const typed = found(target);
  // The name may be put together (`\csname`).
  const { named, meaning } =
    typed.meaning?.kind === 'register'
      ? typed
      : (numbered(it, target) ?? found(expandTokens(it.p, target)));
  if (meaning?.kind !== 'register') {
    const span = it.spanOf(named ?? token);
    const name = named?.text ?? token.text;
    if (!named) return bareLength(it, target, token);
    if (!isStranger(it, `\\${name}`, span)) it.p.report('command-unknown', span, { name });
    return;
  }
  tellBareZero(it, value);
  const calc = it.read(CELLS.calc);
  const relax = it.p.command('relax');
  const isGlue = meaning.type === 'skip' || meaning.type === 'muskip';
  const expression = calc ? [it.p.command(isGlue ? 'glueexpr' : 'dimexpr')] : [];
  it.p.push([...expression, ...value, relax, ...(calc ? [relax] : [])]);
  const old = it.state.get(meaning.storage);
  if (meaning.type === 'skip' || meaning.type === 'muskip') {
    const g = scanGlue(it.p);
    const before = old as typeof g | undefined;
    it.state.set(
      meaning.storage,
      adds && before
        ? {
            ...g,
            width: g.width + before.width,
            stretch: g.stretch + before.stretch,
            shrink: g.shrink + before.shrink,
          }
        : g,
    );
  } else {
    const length = scanDimen(it.p);
    it.state.set(meaning.storage, adds ? Number(old ?? 0) + length : length);
  }
  const rest = it.p.next();
  if (rest && rest.text !== 'relax') it.p.unread(rest);
}

function printing(name: string, print: (n: number) => string): Expandable {
  return {
    kind: 'expandable',
    name,
    expand: (p: Processor, token) => {
      const tokens = readArgument(p, token);
      if (!tokens) return;
      const counter = textOf(p, tokens);
      if (!counterExists(p.state, counter)) {
        p.report('counter-unknown', p.spanOf(token), { name: counter });
        return;
      }
      // The page a line falls on is known when the pages are made.
      if (counter === 'page') p.unread(p.command(OWN.pageField));
      else p.push(p.chars(print(counterValue(p.state, counter))));
    },
  };
}

const MONTHS =
  'January February March April May June July August September October November December'.split(
    ' ',
  );

/** What prints a counter's value, and the date: expandable, so that labels and `\edef` see characters. */
export const counterExpandables: readonly Expandable[] = [
  printing('arabic', String),
  printing('roman', (n) => toRoman(n).toLowerCase()),
  printing('Roman', toRoman),
  printing('alph', (n) => toLetter(n).toLowerCase()),
  printing('Alph', toLetter),
  printing('fnsymbol', (n) => FOOTNOTE_SIGNS[n - 1] ?? ''),
  {
    kind: 'expandable',
    name: 'value',
    expand: (p, token) => {
      const tokens = readArgument(p, token);
      if (tokens) p.unread(p.command(`c@${textOf(p, tokens)}`));
    },
  },
  {
    kind: 'expandable',
    name: 'today',
    expand: (p) => {
      const read = (name: string): number =>
        Number(p.state.get(p.state.register('count', name)) ?? 1);
      p.push(p.chars(`${MONTHS[read('month') - 1] ?? ''} ${read('day')}, ${read('year')}`));
    },
  },
  {
    kind: 'expandable',
    name: '@ifnextchar',
    expand: (p) => {
      const wanted = p.next();
      const yes = readArgument(p, p.command('@ifnextchar'), true) ?? [];
      const no = readArgument(p, p.command('@ifnextchar'), true) ?? [];
      p.skipSpaces();
      const next = p.next();
      if (next) p.unread(next);
      p.push(wanted && next && sameMeaning(meaningOf(p, wanted), meaningOf(p, next)) ? yes : no);
    },
  },
  {
    kind: 'expandable',
    name: '@ifstar',
    expand: (p) => {
      const yes = readArgument(p, p.command('@ifstar'), true) ?? [];
      const no = readArgument(p, p.command('@ifstar'), true) ?? [];
      p.push(p.takeChar('*') ? yes : no);
    },
  },
];
