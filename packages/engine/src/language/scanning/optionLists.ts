import type { Token } from '../../expansion/meaning';
import { stripBraces } from '../../expansion/arguments';
import { Cat } from '../../tokens/categories';

/** Options as key and value; a value's own braces are taken off. */
export function keyValues(tokens: readonly Token[]): Map<string, readonly Token[]> {
  const out = new Map<string, readonly Token[]>();
  for (const part of splitAt(tokens, ',')) {
    const eq = part.findIndex((t) => t.cat === Cat.Other && t.text === '=');
    const key = (eq < 0 ? part : part.slice(0, eq))
      .map((t) => t.text)
      .join('')
      .trim();
    if (key !== '') out.set(key, eq < 0 ? [] : trimmed(part.slice(eq + 1)));
  }
  return out;
}

/** The list cut at a character outside braces. */
export function splitAt(tokens: readonly Token[], char: string): Token[][] {
  const parts: Token[][] = [[]];
  let depth = 0;
  for (const token of tokens) {
    if (token.cat === Cat.Begin) depth++;
    else if (token.cat === Cat.End) depth--;
    if (depth === 0 && token.cell === null && token.text === char) parts.push([]);
    else parts.at(-1)?.push(token);
  }
  return parts;
}

/** The groups of a list, without their braces; what stands between them is left out. */
export function groupsIn(tokens: readonly Token[]): Token[][] {
  const out: Token[][] = [];
  let depth = 0;
  for (const token of tokens) {
    if (token.cat === Cat.End) depth--;
    if (depth > 0) out.at(-1)?.push(token);
    if (token.cat === Cat.Begin && depth++ === 0) out.push([]);
  }
  return out;
}

/** Items of a list: groups without their braces, single tokens between them; blanks apart from both are left out. */
export function itemsOf(tokens: readonly Token[]): Token[][] {
  const out: Token[][] = [];
  let depth = 0;
  for (const token of tokens) {
    if (token.cat === Cat.End) depth--;
    if (depth > 0) out.at(-1)?.push(token);
    else if (token.cat === Cat.Begin) out.push([]);
    else if (token.cat !== Cat.End && token.cat !== Cat.Space) out.push([token]);
    if (token.cat === Cat.Begin) depth++;
  }
  return out;
}

/** Without the blanks at both ends. */
export function unspaced(tokens: readonly Token[]): readonly Token[] {
  const from = tokens.findIndex(({ cat }) => cat !== Cat.Space);
  const to = tokens.findLastIndex(({ cat }) => cat !== Cat.Space);
  return from < 0 ? [] : tokens.slice(from, to + 1);
}

/** Without the blanks at both ends, and without the one pair of braces around what is left. */
export const trimmed = (tokens: readonly Token[]): readonly Token[] =>
  stripBraces([...unspaced(tokens)]);
