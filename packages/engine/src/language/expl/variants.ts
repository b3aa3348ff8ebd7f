import { readArgument } from '../../expansion/arguments';
import {
  detach,
  isExpandable,
  type Expandable,
  type Macro,
  type Token,
} from '../../expansion/meaning';
import type { Processor } from '../../expansion/processor';
import { quantityOf } from '../../expansion/scan';
import { expandTokens, textOf, tokensText } from '../../expansion/tokenText';
import { group, held, variable, type Tokens } from './call';

/** Works on arguments as letters say, then calls: takes the letters and the function. */
export const ARGUMENTS = 'expl@arguments';
const END = 'expl@argumentend';

/** Tokens expanded once, or as far as their first goes. */
function expandedBy(p: Processor, tokens: Tokens, once: boolean): Token[] {
  p.push([...tokens, p.command(END)]);
  const first = once ? p.next() : p.nextExpanded();
  const meaning = first?.cell ? p.state.meaning(first.cell) : undefined;
  if (first && once && isExpandable(meaning)) p.expand(first, meaning);
  else if (first) p.unread(first);
  const out: Token[] = [];
  for (let t = p.next(); t !== null && t.text !== END; t = p.next()) out.push(t);
  return out;
}

/** What a variable stands for where its value is asked for. */
function valueOf(p: Processor, tokens: Tokens): Tokens {
  const token = variable(tokens);
  if (!token?.cell) return tokens;
  const meaning = p.state.meaning(token.cell);
  if (meaning?.kind !== 'register') return held(p, tokens);
  const quantity = quantityOf(p, token);
  if (quantity?.type === 'toks') return (quantity.value as Tokens | undefined) ?? [];
  return expandTokens(p, [p.command('the'), token]);
}

/** An argument as its letter says (the interfaces of the layer, chapter 5.2). */
function argumentBy(p: Processor, letter: string, tokens: Tokens): Tokens {
  switch (letter) {
    case 'c':
      return [p.command(textOf(p, tokens))];
    case 'V':
      return valueOf(p, tokens);
    case 'v':
      return valueOf(p, [p.command(textOf(p, tokens))]);
    case 'o':
      return expandedBy(p, tokens, true);
    case 'f':
      return expandedBy(p, tokens, false);
    case 'x':
    case 'e':
      return expandTokens(p, tokens);
    default:
      return tokens;
  }
}

/** Reads letters, a function and its arguments; gives them as the function wants them. */
export const argumentsMeaning: Expandable = {
  kind: 'expandable',
  name: ARGUMENTS,
  expand: (p, caller) => {
    const letters = tokensText(readArgument(p, caller, true) ?? []);
    const called = readArgument(p, caller, true) ?? [];
    const args = [...letters].map((letter): Token[] => {
      const given = argumentBy(p, letter, readArgument(p, caller, true) ?? []);
      return /[Nc]/.test(letter) ? [...given] : group(p, given);
    });
    p.push([...called, ...args.flat()]);
  },
};

/** A name for a function with its arguments worked on. */
export function variantMacro(p: Processor, base: string, letters: string, protect: boolean): Macro {
  const body = [p.command(ARGUMENTS), ...group(p, p.chars(letters)), p.command(base)];
  return { kind: 'macro', params: [], optional: null, body: detach(body), long: true, protect };
}

const NAME = /^([\w@]+):([NnTFcVvoxefpwD]*)$/;
const plainLetters = (letters: string): string =>
  letters.replace(/c/g, 'N').replace(/[Vvoxef]/g, 'n');

/** Binds a name that asks for a known function with its arguments worked on; false when it asks for none. */
export function bindVariant(p: Processor, name: string): boolean {
  if (!name.includes(':')) return false;
  const [, base = '', letters = ''] = NAME.exec(name) ?? [];
  const plain = `${base}:${plainLetters(letters)}`;
  if (plain === name || letters === '') return false;
  const meaning = p.state.meaning(p.state.cell(plain));
  if (!isExpandable(meaning)) return false;
  p.state.set(p.state.cell(name), variantMacro(p, plain, letters, meaning.protect === true), true);
  return true;
}
