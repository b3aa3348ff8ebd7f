import type { CatCode } from './categories';

/**
 * One token. Offsets count from the start of the chunk (the piece of source, one
 * block or one file, that it was read from).
 *
 * @typeParam C what a control sequence's name is bound to; given by `expansion`.
 */
export interface Token<C = unknown> {
  readonly cat: CatCode;
  /** The character, or the name of the control sequence without its backslash. */
  readonly text: string;
  /** The binding of a control sequence or active character; null for the rest. */
  readonly cell: C | null;
  readonly from: number;
  readonly to: number;
  readonly chunk: number;
}

/** Do the two tokens look the same, wherever they came from? */
export function sameToken(a: Token, b: Token): boolean {
  return a.cat === b.cat && a.text === b.text;
}

/** Do the two lists look the same, token by token? */
export function sameTokens(a: readonly Token[], b: readonly Token[]): boolean {
  if (a === b) return true;
  return a.length === b.length && a.every((token, i) => sameToken(token, b[i] as Token));
}
