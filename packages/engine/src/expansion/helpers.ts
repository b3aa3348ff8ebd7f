import { Cat } from '../tokens/categories';
import { NO_VALUE } from './argumentSpecs';
import { readArgument } from './arguments';
import { readCsName } from './conditionals';
import { textOf, tokensText } from './tokenText';
import { type Expandable, isFree, type Token } from './meaning';
import type { Processor } from './processor';
import { ownName } from './cells';

/** Takes the unit off what `\the` gives. */
const STRIP_PT = ownName('strippt');

type Branch = (p: Processor, caller: Token) => boolean;

const arg = (p: Processor, caller: Token): Token[] => readArgument(p, caller, true) ?? [];

/** An expandable that reads a test, then takes the first of two arguments or the second. */
function choice(name: string, test: Branch): Expandable {
  return {
    kind: 'expandable',
    name,
    expand: (p, caller) => {
      const holds = test(p, caller);
      const yes = arg(p, caller);
      const no = arg(p, caller);
      p.push(holds ? yes : no);
    },
  };
}

/** The same with one branch only. */
function guard(name: string, test: Branch): Expandable {
  return {
    kind: 'expandable',
    name,
    expand: (p, caller) => {
      const holds = test(p, caller);
      const then = arg(p, caller);
      if (holds) p.push(then);
    },
  };
}

const isNoValue: Branch = (p, caller) => {
  const [first, ...rest] = arg(p, caller);
  return first?.text === NO_VALUE && rest.length === 0;
};
const isTrue: Branch = (p, caller) => arg(p, caller)[0]?.text === 'BooleanTrue';
const isBlank: Branch = (p, caller) => arg(p, caller).every((t) => t.cat === Cat.Space);
const not =
  (test: Branch): Branch =>
  (p, caller) =>
    !test(p, caller);

const undefinedOrRelax: Branch = (p, caller) => {
  return isFree(p.meaning(p.state.cell(textOf(p, arg(p, caller)))));
};

const simple = (name: string, expand: Expandable['expand']): Expandable => ({
  kind: 'expandable',
  name,
  expand,
});

/** The kernel's expandable helpers: choices by what an argument is, names made from text. */
export const helpers: readonly Expandable[] = [
  choice('IfNoValueTF', isNoValue),
  choice('IfValueTF', not(isNoValue)),
  choice('IfBooleanTF', isTrue),
  choice('IfBlankTF', isBlank),
  guard('IfNoValueT', isNoValue),
  guard('IfNoValueF', not(isNoValue)),
  guard('IfValueT', not(isNoValue)),
  guard('IfValueF', isNoValue),
  guard('IfBooleanT', isTrue),
  guard('IfBooleanF', not(isTrue)),
  choice('@ifundefined', undefinedOrRelax),
  simple('@nameuse', (p, caller) => {
    p.unread(p.command(textOf(p, arg(p, caller))));
  }),
  simple('@car', (p, caller) => {
    const first = arg(p, caller);
    for (let t = p.next(); t && t.text !== '@nil'; t = p.next());
    p.push(first);
  }),
  simple('@cdr', (p, caller) => {
    arg(p, caller);
    const rest: Token[] = [];
    for (let t = p.next(); t && t.text !== '@nil'; t = p.next()) rest.push(t);
    p.push(rest);
  }),
  simple('protect', () => undefined),
  simple('strip@pt', (p) => {
    // Used before a length register: its value without the unit.
    p.push([p.command('expandafter'), p.command(STRIP_PT), p.command('the')]);
  }),
  simple(STRIP_PT, (p) => {
    let text = '';
    let token = p.next();
    while (token && token.cat === Cat.Other && /[-0-9.]/.test(token.text)) {
      text += token.text;
      token = p.next();
    }
    const second = token ? p.next() : null;
    if (second && second.text !== 't') p.unread(second);
    p.push(p.chars(text.replace(/\.0$/, '')));
  }),
  simple('begincsname', (p) => {
    const cell = p.state.cell(readCsName(p));
    if (p.state.get(cell) !== undefined) p.unread(p.command(cell.name));
  }),
  simple('zap@space', (p) => {
    const out: Token[] = [];
    for (let t = p.next(); t && t.text !== '@empty'; t = p.next())
      if (t.cat !== Cat.Space) out.push(t);
    p.push(out);
  }),
  simple('expanded', (p, caller) => {
    p.push(p.chars(''));
    const tokens = arg(p, caller);
    p.push(tokens);
  }),
  simple('strcmp', (p, caller) => {
    const [a, b] = [tokensText(arg(p, caller)), tokensText(arg(p, caller))];
    p.push(p.chars(a === b ? '0' : a < b ? '-1' : '1'));
  }),
  simple('jobname', (p) => p.push(p.chars('sheet'))),
];
