import { Cat } from '../tokens/categories';
import { sameToken } from '../tokens/token';
import { readOptional, readArgument, stripBraces, isPar, endsWith } from './arguments';
import { readBySpec } from './argumentSpecs';
import { type Token, type Macro, STOP } from './meaning';
import type { Processor } from './processor';

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

/** The body with `#1` … `#9` replaced. */
function substitute(body: readonly Token[], args: readonly (readonly Token[])[]): Token[] {
  const out: Token[] = [];
  for (const token of body) {
    if (token.cat !== Cat.Argument) out.push(token);
    else for (const t of args[Number(token.text) - 1] ?? []) out.push(t);
  }
  return out;
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
