import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';

/** A `[…]` or `{…}` that follows at once. */
export function argumentBehind(
  tokens: readonly Token[],
  start: number,
): { inner: Token[]; end: number; bracketed: boolean } | null {
  let at = start;
  while (tokens[at]?.cat === Cat.Space) at++;
  const open = tokens[at];
  const bracketed = open?.text === '[' && open.cell === null;
  if (!open || (!bracketed && open.cat !== Cat.Begin)) return null;
  let depth = 0;
  for (let i = at + 1; i < tokens.length; i++) {
    const t = tokens[i] as Token;
    if (depth === 0 && (bracketed ? t.text === ']' : t.cat === Cat.End))
      return { inner: tokens.slice(at + 1, i), end: i + 1, bracketed };
    if (t.cat === Cat.Begin) depth++;
    else if (t.cat === Cat.End) depth--;
  }
  return null;
}

/** Short forms: `\rar`, `\dar` and so on. */
const SHORT = /^([rlud]{1,2})ar$/;

/** The arrows that are written in a cell: where each begins and ends, and its groups of options and labels. */
export function arrowsIn(cell: readonly Token[]) {
  const found: { at: number; end: number; short: string | undefined; groups: Group[] }[] = [];
  for (let i = 0; i < cell.length; i++) {
    const { cat, text } = cell[i] as Token;
    if (cat !== Cat.Command) continue;
    const short = SHORT.exec(text)?.[1];
    if (!short && !/^(?:arrow|ar)$/.test(text)) continue;
    const groups: Group[] = [];
    let end = i + 1;
    for (let group = argumentBehind(cell, end); group; group = argumentBehind(cell, end)) {
      groups.push(group);
      end = group.end;
    }
    found.push({ at: i, end, short, groups });
    i = end - 1;
  }
  return found;
}
type Group = NonNullable<ReturnType<typeof argumentBehind>>;
