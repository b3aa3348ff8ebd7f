import type { Span } from '../../base/spans';
import type { Token } from '../../expansion/meaning';
import type { Fix } from '../../findings/finding';
import { Cat } from '../../tokens/categories';
import { endOfList } from './formulaSlips';
import type { MathReader } from './mathReader';

/** Brackets that grow and lack their partner, and where that was meant to stand. */

const PARTNERS: Readonly<Record<string, string>> = {
  '(': ')',
  '[': ']',
  '{': '\\}',
  '|': '|',
  '‖': '\\|',
  '⟨': '\\rangle',
  '⌊': '\\rfloor',
  '⌈': '\\rceil',
};

/** The `\right` that a `\left` lacks, where its part of the formula ends. */
export function missingRight(reader: MathReader, opening: string | null): Fix | undefined {
  const at = endOfList(reader);
  if (at === null) return undefined;
  const bracket = PARTNERS[opening ?? ''] ?? '.';
  return {
    title: `Add \\right${bracket}`,
    edits: [{ from: at, to: at, text: ` \\right${bracket}` }],
  };
}

/** The bracket that is missing behind a `\right`: the partner of what was opened, or none. */
export function missingPartner(opening: string | null, { to }: Span): Fix[] {
  const none = { title: 'No bracket on this side', edits: [{ from: to, to, text: '.' }] };
  const bracket = PARTNERS[opening ?? ''];
  if (bracket === undefined) return [none];
  return [{ title: `Write \\right${bracket}`, edits: [{ from: to, to, text: bracket }] }, none];
}

/** How far the rest of a formula is looked through. */
const AHEAD = 4000;

/** `\left{ … \right}`: braces without their backslashes, told of together. */
export function bareBrace(reader: MathReader, token: Token): void {
  const { p, it } = reader;
  if (token.from === reader.partnerMark) return;
  const { text, pos, base } = p.reader;
  const edits = [{ from: token.from, to: token.from, text: '\\' }];
  if (token.cat === Cat.Begin && p.atFile) {
    const ahead = text.slice(pos, pos + AHEAD);
    p.reach = Math.max(p.reach, Math.min(text.length, pos + ahead.length));
    const found = /\\right\s*\}/.exec(ahead.slice(0, /\n[ \t]*\n|$/.exec(ahead)?.index));
    if (found) {
      const at = pos - base + found.index + found[0].length - 1;
      reader.partnerMark = at;
      edits.push({ from: at, to: at, text: '\\' });
    }
  }
  const char = token.cat === Cat.Begin ? '{' : '}';
  p.report('brace-bare', it.spanOf(token), { char }, { title: `Write \\${char}`, edits });
}

/**
 * Does the `\right` of a `\left` that its cell cuts off stand in a later cell? Then both are told
 * of as one, with an empty partner for each.
 */
export function rightFurtherOn(reader: MathReader, token: Token): boolean {
  const { p, it } = reader;
  const end = endOfList(reader);
  const { text, base, chunk } = p.reader;
  if (end === null || token.chunk !== chunk) return false;
  const ahead = text.slice(base + end, base + end + AHEAD);
  p.reach = Math.max(p.reach, Math.min(text.length, base + end + ahead.length));
  let depth = 0;
  let cell = -1;
  const parts =
    /\\(?:left|right|begin|end)(?![A-Za-z])|\\\\(?:\[[^\]\n]*\])?|\\[\s\S]|%[^\n]*|&|\n[ \t]*\n/g;
  for (const { 0: part, index } of ahead.matchAll(parts)) {
    if (part === '\\left') depth++;
    else if (part === '\\right' && depth > 0) depth--;
    else if (part === '\\right') {
      if (cell < 0) return false;
      const start = end + cell;
      reader.partnerMark = end + index;
      const edits = [
        { from: end, to: end, text: ' \\right.' },
        { from: start, to: start, text: ' \\left.' },
      ];
      p.report(
        'delimiter-over-rows',
        it.spanOf(token),
        {},
        { title: 'Close and open it again', edits },
      );
      return true;
    } else if (part === '\\end' || part === '\\begin' || part.startsWith('\n')) return false;
    else if ((part === '&' || part.startsWith('\\\\')) && depth === 0) cell = index + part.length;
  }
  return false;
}
