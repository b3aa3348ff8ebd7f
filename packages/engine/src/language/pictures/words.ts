import { PT } from '../../base/lengths';
import type { Glue } from '../../base/lengths';
import { STOP, type Token } from '../../expansion/meaning';
import { quantityOf } from '../../expansion/scan';
import { Cat } from '../../tokens/categories';
import type { Interpreter } from '../machine/interpreter';
import { writtenNumber } from './arithmetic';

/**
 * Tokens as the text that pictures read: expanded, registers as their values in pt or as numbers.
 * Braces stay; other commands are written as they are.
 */
export function wordsOf(it: Interpreter, tokens: readonly Token[]): string {
  const { p } = it;
  p.push([...tokens, p.make(Cat.End, '}')]);
  let out = '';
  for (let depth = 1; ;) {
    const token = p.nextExpanded();
    if (token === null || token.cat === STOP) {
      if (token) p.unread(token);
      return out.trim();
    }
    if (token.cat === Cat.Begin) depth++;
    else if (token.cat === Cat.End && --depth === 0) return out.trim();
    out += token.cat === Cat.Command ? valueWords(it, token, out) : token.text;
  }
}

function valueWords(it: Interpreter, token: Token, before: string): string {
  const quantity = quantityOf(it.p, token);
  if (!quantity) return `\\${token.text} `;
  const { type, value } = quantity;
  // `2\x` is a product.
  const sign = /[\d.)]\s*$/.test(before) ? '*' : '';
  if (type === 'count') return sign + String(value);
  const width = type === 'dimen' ? (value as number) : (value as Glue).width;
  return `${sign}${writtenNumber(width / PT)}pt`;
}

/** The place of a sign in a text outside all brackets and braces; -1 where there is none. */
export function outside(text: string, sign: string, from = 0): number {
  let depth = 0;
  for (let i = from; i < text.length; i++) {
    const c = text[i] as string;
    if (depth === 0 && text.startsWith(sign, i)) return i;
    if ('([{'.includes(c)) depth++;
    else if (')]}'.includes(c)) depth = Math.max(0, depth - 1);
  }
  return -1;
}

/** A text cut at a sign that stands outside brackets and braces. */
export function partsOf(text: string, sign: string): string[] {
  const parts: string[] = [];
  let start = 0;
  for (;;) {
    const at = outside(text, sign, start);
    if (at < 0) return [...parts, text.slice(start).trim()];
    parts.push(text.slice(start, at).trim());
    start = at + sign.length;
  }
}

/** A text without the braces around all of it. */
export function bare(text: string): string {
  const inner = text.trim();
  return inner.startsWith('{') && matching(inner, 0) === inner.length - 1
    ? inner.slice(1, -1).trim()
    : inner;
}

const PAIRS: Readonly<Record<string, string>> = { '(': ')', '[': ']', '{': '}' };

/** The place of the bracket that closes the one at a place; -1 when none does. */
export function matching(text: string, at: number): number {
  const stack: string[] = [];
  for (let i = at; i < text.length; i++) {
    const c = text[i] as string;
    if (PAIRS[c]) stack.push(PAIRS[c]);
    else if (c === stack.at(-1)) {
      stack.pop();
      if (stack.length === 0) return i;
    }
  }
  return -1;
}

/**
 * Is it this sign? In pictures the signs that a language writes by are signs like any other (the
 * library `babel`), active though they are.
 */
export const isSign = (token: Token | undefined, sign: string): boolean =>
  token?.text === sign && token.cat !== Cat.Command;

/** The place of the `=` between a key and its value, outside braces; -1 where there is none. */
export function equalsOf(part: readonly Token[]): number {
  let depth = 0;
  return part.findIndex((t) => {
    if (t.cat === Cat.Begin) depth++;
    else if (t.cat === Cat.End) depth--;
    return depth === 0 && isSign(t, '=');
  });
}
