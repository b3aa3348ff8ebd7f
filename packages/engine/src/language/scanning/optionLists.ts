import type { Token } from '../../expansion/meaning';
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

export function trimmed(tokens: readonly Token[]): readonly Token[] {
  let list = [...tokens];
  while (list[0]?.cat === Cat.Space) list = list.slice(1);
  while (list.at(-1)?.cat === Cat.Space) list = list.slice(0, -1);
  const braced = list[0]?.cat === Cat.Begin && list.at(-1)?.cat === Cat.End;
  return braced ? list.slice(1, -1) : list;
}
