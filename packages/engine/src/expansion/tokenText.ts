import { Cat } from '../tokens/categories';
import { STOP, type Token } from './meaning';
import type { Processor } from './processor';

/** The text of an argument that names something: expanded, characters only. */
export function textOf(p: Processor, tokens: readonly Token[]): string {
  return expandTokens(p, tokens)
    .map((t) => (t.cat === Cat.Command ? `\\${t.text}` : t.text))
    .join('')
    .trim();
}

/** A token list as source text, a blank behind each control word (`\detokenize`). */
export function tokensText(tokens: readonly Token[]): string {
  return tokens
    .map((t) => tokenText(t) + (t.cat === Cat.Command && /^[A-Za-z@]+$/.test(t.text) ? ' ' : ''))
    .join('');
}

/** Everything up to the closing brace, expanded as `\edef` does (the opening one was read). */
export function readExpanded(p: Processor): Token[] {
  const out: Token[] = [];
  let depth = 1;
  for (;;) {
    const token = p.nextExpanded(true);
    if (token === null || token.cat === STOP) {
      if (token) p.unread(token);
      return out;
    }
    if (token.cat === Cat.Begin) depth++;
    else if (token.cat === Cat.End && --depth === 0) return out;
    out.push(token);
  }
}

/** The tokens expanded as `\edef` does. */
export function expandTokens(p: Processor, tokens: readonly Token[]): Token[] {
  p.push([...tokens, p.make(Cat.End, '}')]);
  return readExpanded(p);
}

/** How a token is written: `\string`. */
export function tokenText(token: Token): string {
  if (token.cat === Cat.Active) return token.text;
  if (token.cat === Cat.Command) return `\\${token.text}`;
  return token.cat === Cat.Argument ? `#${token.text}` : token.text;
}
