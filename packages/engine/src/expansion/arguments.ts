import { Cat } from '../tokens/categories';
import { sameToken } from '../tokens/token';
import type { Macro, Token } from './meaning';
import { readBySpec } from './argumentSpecs';
import { STOP, type Processor } from './processor';

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
    if (token.cat !== Cat.Begin) return [token];
    const { tokens, end } = readBalanced(p, long);
    if (end !== 'closed' && p.exhausted === null) reportUnclosed(p, caller, token, tokens);
    return tokens;
  }
}

function reportUnclosed(p: Processor, caller: Token, open: Token, inside: readonly Token[]): void {
  const own = [...inside].reverse().find((t) => t.chunk === p.reader.chunk && t.cat !== Cat.Space);
  const fix =
    own && open.chunk === p.reader.chunk
      ? { title: 'Close it with }', edits: [{ from: own.to, to: own.to, text: '}' }] }
      : undefined;
  p.report('argument-unclosed', p.spanOf(open), { name: caller.text }, fix);
}

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
      isPar(token) ||
      (token.cat === Cat.End && depth === 0)
    ) {
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

/** The body of a macro with its arguments put in, or null when they cannot be read. */
export function bindArguments(p: Processor, token: Token, macro: Macro): readonly Token[] | null {
  if (macro.spec) return substitute(macro.body, readBySpec(p, token, macro.spec));
  if (macro.params.length === 0 && macro.optional === null) return macro.body;
  const args: (readonly Token[])[] = [];
  if (macro.optional !== null) args.push(readOptional(p) ?? macro.optional);
  const { params } = macro;
  for (let i = 0; i < params.length; i++) {
    const param = params[i] as Token;
    if (param.cat !== Cat.Argument) {
      // A delimiter before the first argument must stand there.
      const found = p.next();
      if (found !== null && sameToken(found, param)) continue;
      if (found) p.unread(found);
      p.report('macro-pattern', p.spanOf(token), { name: token.text });
      return null;
    }
    const delimiters = delimitersAfter(params, i);
    const arg =
      delimiters.length === 0
        ? readArgument(p, token, macro.long)
        : readDelimited(p, token, delimiters, macro.long);
    args.push(arg ?? []);
    i += delimiters.length;
  }
  return substitute(macro.body, args);
}

function delimitersAfter(params: readonly Token[], at: number): readonly Token[] {
  let end = at + 1;
  while (end < params.length && (params[end] as Token).cat !== Cat.Argument) end++;
  return params.slice(at + 1, end);
}

/** Everything before the delimiters at brace level zero, or null when they never come. */
function readDelimited(
  p: Processor,
  caller: Token,
  delimiters: readonly Token[],
  long: boolean,
): Token[] | null {
  const tokens: Token[] = [];
  let depth = 0;
  for (;;) {
    const token = p.next();
    if (token === null || token.cat === STOP || (isPar(token) && !long)) {
      p.push(token === null ? tokens : [...tokens, token]);
      if (p.exhausted === null) {
        p.report('macro-pattern', p.spanOf(caller), { name: caller.text });
      }
      return null;
    }
    tokens.push(token);
    if (token.cat === Cat.Begin) depth++;
    else if (token.cat === Cat.End) depth--;
    // A brace may be the last of the delimiters itself.
    const isOutside = depth <= 0 || (depth === 1 && token.cat === Cat.Begin);
    if (isOutside && endsWith(tokens, delimiters)) {
      return stripBraces(tokens.slice(0, tokens.length - delimiters.length));
    }
  }
}

function endsWith(tokens: readonly Token[], tail: readonly Token[]): boolean {
  const offset = tokens.length - tail.length;
  return offset >= 0 && tail.every((t, i) => sameToken(t, tokens[offset + i] as Token));
}

/** The body with `#1` … `#9` replaced. */
export function substitute(body: readonly Token[], args: readonly (readonly Token[])[]): Token[] {
  const out: Token[] = [];
  for (const token of body) {
    if (token.cat !== Cat.Argument) out.push(token);
    else for (const t of args[Number(token.text) - 1] ?? []) out.push(t);
  }
  return out;
}
