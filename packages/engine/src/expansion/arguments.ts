import { Cat } from '../tokens/categories';
import { sameToken } from '../tokens/token';
import { bracesMeant, bracketCut, cutShort, nameBefore, opensItem } from './argumentSlips';
import { STOP, type Token } from './meaning';
import type { Processor } from './processor';

/** How an argument that is missing or goes on too long ends. */
type ArgumentEnd = 'closed' | 'paragraph' | 'end';

interface Balanced {
  readonly tokens: Token[];
  readonly end: ArgumentEnd;
}

/** Is the token `\par` (a blank line)? */
export const isPar = (token: Token): boolean => token.cat === Cat.Command && token.text === 'par';

/**
 * The tokens up to the brace that closes a group whose `{` was just read. Unless
 * `long`, a blank line ends it too; at the end of the file, reading goes back to
 * the first blank line inside, so that one forgotten brace does not eat the sheet.
 */
export function readBalanced(p: Processor, long: boolean): Balanced {
  const tokens: Token[] = [];
  let depth = 1;
  let firstPar = -1;
  let resume = 0;
  const ownFile = p.reader;
  for (;;) {
    const token = p.next();
    if (token === null || token.cat === STOP) {
      if (token) p.unread(token);
      if (token === null && firstPar >= 0 && p.reader === ownFile && p.exhausted === null) {
        p.reader.jump(resume);
        return { tokens: tokens.slice(0, firstPar), end: 'paragraph' };
      }
      return { tokens, end: 'end' };
    }
    if (token.cat === Cat.Begin) depth++;
    else if (token.cat === Cat.End && --depth === 0) return { tokens, end: 'closed' };
    else if (isPar(token)) {
      if (!long) {
        p.unread(token);
        return { tokens, end: 'paragraph' };
      }
      if (firstPar < 0 && token.chunk === p.reader.chunk && p.atFile) {
        firstPar = tokens.length;
        resume = p.reader.base + token.from;
      }
    }
    tokens.push(token);
  }
}

/**
 * One undelimited argument: a group without its braces, or one token. Null when
 * there is none before the end of what can be read; that is reported.
 */
export function readArgument(p: Processor, caller: Token, long = false): Token[] | null {
  for (;;) {
    const token = p.next();
    if (token !== null && token.cat === Cat.Space) continue;
    if (token === null || token.cat === STOP || token.cat === Cat.End || (isPar(token) && !long)) {
      if (token) p.unread(token);
      if (p.exhausted === null) {
        p.report('argument-missing', p.spanOf(caller), { name: caller.text });
      }
      return null;
    }
    if (isEdge(p, token)) {
      p.unread(token);
      p.report('argument-missing', p.spanOf(caller), { name: caller.text });
      return null;
    }
    if (token.cat !== Cat.Begin) return bracesMeant(p, token) ?? [token];
    return readGroup(p, caller, token, long);
  }
}

/** `\\begin` and `\\end` as they are typed are nobody's argument. */
const isEdge = (p: Processor, { cat, text, chunk }: Token): boolean =>
  cat === Cat.Command &&
  (text === 'begin' || text === 'end') &&
  chunk === p.reader.chunk &&
  p.atFile;

/** What stands in a group whose `{` was just read, without the braces; one that is never closed is told of, and goes as far as it was meant to. */
export function readGroup(p: Processor, caller: Token, open: Token, long: boolean): Token[] {
  const { tokens, end } = readBalanced(p, long);
  if (end === 'closed' || p.exhausted !== null) return tokens;
  const name = nameBefore(p, open) ?? caller.text;
  const inside = cutShort(p, name, caller.text, open, tokens, end === 'paragraph' && !long);
  const isDoubled = isOneGroup(inside) && p.reader.text[p.reader.base + open.to] === '{';
  reportUnclosed(p, name, open, inside, isDoubled);
  return isDoubled ? inside.slice(1, -1) : inside;
}

/** Are they one group, braces and all? */
function isOneGroup(tokens: readonly Token[]): boolean {
  let depth = 0;
  return tokens.every(({ cat }, i) => {
    if (cat === Cat.Begin) depth++;
    else if (cat === Cat.End) depth--;
    return depth > 0 || (i > 0 && i === tokens.length - 1 && cat === Cat.End);
  });
}

function reportUnclosed(
  p: Processor,
  name: string,
  open: Token,
  inside: readonly Token[],
  isDoubled: boolean,
): void {
  const own = [...inside].reverse().find((t) => t.chunk === p.reader.chunk && t.cat !== Cat.Space);
  const fix =
    own && open.chunk === p.reader.chunk
      ? { title: 'Close it with }', edits: [{ from: own.to, to: own.to, text: '}' }] }
      : undefined;
  const one = { title: 'Take out one {', edits: [{ from: open.from, to: open.to, text: '' }] };
  p.report('argument-unclosed', p.spanOf(open), { name }, fix && isDoubled ? one : fix);
}

/** Is it a command that stands in the source, and no blank line? */
const isWritten = ({ reader }: Processor, { chunk, from }: Token): boolean =>
  chunk === reader.chunk && reader.text[reader.base + from] === '\\';

/** An optional argument in square brackets, or null. Braces inside protect brackets. */
export function readOptional(p: Processor, spacesAllowed = true): Token[] | null {
  const blanks: Token[] = [];
  let token = p.next();
  while (spacesAllowed && token !== null && token.cat === Cat.Space) {
    blanks.push(token);
    token = p.next();
  }
  if (token === null || token.cat !== Cat.Other || token.text !== '[') {
    p.push(token === null ? blanks : [...blanks, token]);
    return null;
  }
  const open = token;
  const tokens: Token[] = [];
  let depth = 0;
  for (;;) {
    token = p.next();
    if (
      token === null ||
      token.cat === STOP ||
      (isPar(token) && !(depth > 0 && isWritten(p, token))) ||
      (token.cat === Cat.Command && token.text === 'item' && opensItem(p, open)) ||
      (token.cat === Cat.End && depth === 0)
    ) {
      const cut = bracketCut(p, open, tokens);
      if (cut) {
        p.push(token === null ? tokens.slice(cut) : [...tokens.slice(cut), token]);
        return tokens.slice(0, cut);
      }
      // Never closed: what was read is text after all.
      p.push(token === null ? [open, ...tokens] : [open, ...tokens, token]);
      return null;
    }
    if (token.cat === Cat.Begin) depth++;
    else if (token.cat === Cat.End) depth--;
    else if (depth === 0 && token.cat === Cat.Other && token.text === ']') {
      return stripBraces(tokens);
    }
    tokens.push(token);
  }
}

/** Takes the outer braces off a list that is one group. */
export function stripBraces(tokens: Token[]): Token[] {
  const last = tokens.length - 1;
  if (last < 1 || tokens[0]?.cat !== Cat.Begin || tokens[last]?.cat !== Cat.End) return tokens;
  let depth = 0;
  for (let i = 0; i < last; i++) {
    const cat = (tokens[i] as Token).cat;
    if (cat === Cat.Begin) depth++;
    else if (cat === Cat.End && --depth === 0) return tokens;
  }
  return tokens.slice(1, -1);
}

export function endsWith(tokens: readonly Token[], tail: readonly Token[]): boolean {
  const offset = tokens.length - tail.length;
  return offset >= 0 && tail.every((t, i) => sameToken(t, tokens[offset + i] as Token));
}

/**
 * What stands in braces after commands are carried out up to the opening one
 * (The TeXbook, chapter 24, ⟨general text⟩): `\detokenize\expandafter{\x}`.
 */
export function readGeneralText(p: Processor, caller: Token): Token[] {
  const first = p.nextExpanded();
  const open = first?.cat === Cat.Space ? p.nextExpanded() : first;
  if (open) p.unread(open);
  return readArgument(p, caller, true) ?? [];
}
