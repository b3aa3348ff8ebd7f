import { letterOf } from '../reading/letters';
import type { Token } from '../reading/tokens';
import type { Piece } from './pieces';

/** Calls `visit` for every letter in tokens, at any depth; `below` tells that it stands under another sign. */
export function eachLetter(
  tokens: readonly Token[],
  visit: (name: string, below: boolean) => void,
): void {
  const look = (value: unknown, below: boolean): void => {
    if (Array.isArray(value)) {
      for (const part of value) look(part, below);
      return;
    }
    if (value === null || typeof value !== 'object') return;
    const { t, kind, name, char } = value as Partial<
      Record<'t' | 'kind' | 'name' | 'char', string>
    >;
    if (t === 'letter' && name) visit(name, below);
    if (kind === 'symbol' && char) {
      const letter = letterOf(char);
      if (letter) visit(letter.name, below);
    }
    for (const [key, part] of Object.entries(value)) {
      if (typeof part === 'object') look(part, below || key === 'sub');
    }
  };
  look(tokens, false);
}

/** Where each letter of a sheet stands first. */
export function firstPlaces(pieces: readonly Piece[]): ReadonlyMap<string, number> {
  const places = new Map<string, number>();
  for (const piece of pieces) {
    if (piece.kind !== 'formula') continue;
    for (const row of piece.strands.flat()) {
      eachLetter(row, (name) => {
        if (!places.has(name)) places.set(name, piece.from);
      });
    }
  }
  return places;
}

const isCircle = (token: Token | undefined): boolean => token?.t === 'sign' && token.char === '∘';

/** Letters that stand in tokens without a bracket behind them, a prime, or an index. */
export function bareLetters(tokens: readonly Token[]): ReadonlySet<string> {
  const bare = new Set<string>();
  const look = (list: readonly Token[]): void => {
    list.forEach((token, i) => {
      const next = list[i + 1];
      if (token.t === 'bracket') look(token.inner);
      if (token.t !== 'letter' || next?.t === 'bracket' || token.sub) return;
      // `f \circ g` are functions.
      if (isCircle(next) || isCircle(list[i - 1])) return;
      const primed = token.sup?.some((node) => node.kind === 'symbol' && node.char === '′');
      if (!primed) bare.add(token.name);
    });
  };
  look(tokens);
  return bare;
}
