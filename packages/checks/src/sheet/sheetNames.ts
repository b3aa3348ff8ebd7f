import type { Token } from '../reading/tokens';
import { headName } from './believed';
import { eachLetter, firstPlaces } from './letters';
import type { Piece } from './pieces';

/** What a sheet as a whole tells of its letters. */
export interface SheetNames {
  readonly functions: ReadonlySet<string>;
  /** The sheet is about complex numbers. */
  readonly complex: boolean;
  /** The scopes that speak of matrices, and the paragraphs that count with `i`. */
  readonly matrices: ReadonlySet<number>;
  readonly countsI: ReadonlySet<number>;
  /** `π` is spoken of as a thing of its own, or has an index. */
  readonly plainPi: boolean;
  /** Where each letter stands first. */
  readonly first: ReadonlyMap<string, number>;
}

/** Looks through a sheet for what its letters are. */
export function sheetNames(pieces: readonly Piece[]): SheetNames {
  const functions = new Set<string>();
  const [matrices, countsI] = [new Set<number>(), new Set<number>()];
  let [scope, paragraph, complex, plainPi] = [0, 0, false, false];
  for (const piece of pieces) {
    if (piece.kind === 'break') {
      paragraph++;
      if (piece.what !== 'paragraph') scope++;
    }
    if (piece.kind === 'words') {
      if (/\bcomplex|imaginary|conjugate/i.test(piece.text)) complex = true;
      if (/\bmatri(x|ces)\b|\blinear maps?\b/i.test(piece.text)) matrices.add(scope);
    }
    if (piece.kind !== 'formula') continue;
    for (const row of piece.strands.flat()) {
      if (mentions(row, /^(ℂ|𝐂)$/)) complex = true;
      if (usesOfI(row).counted) countsI.add(paragraph);
      if (
        row.some(
          (token) => token.t === 'letter' && token.name === 'π' && (row.length === 1 || token.sub),
        )
      )
        plainPi = true;
      const at = row.findIndex(({ t }) => t === 'relation');
      for (const name of at > 0 ? headName(row.slice(0, at)) : []) functions.add(name);
    }
  }
  return { functions, complex, matrices, countsI, plainPi, first: firstPlaces(pieces) };
}

/** Does a letter stand in these tokens, at any depth of brackets? */
function mentions(tokens: readonly Token[], letter: RegExp): boolean {
  return tokens.some((token) =>
    token.t === 'letter'
      ? letter.test(token.name)
      : token.t === 'bracket' && mentions(token.inner, letter),
  );
}

/** How the letter `i` stands in tokens: below another sign (it counts), or as a value. */
export function usesOfI(side: readonly Token[]): {
  readonly counted: boolean;
  readonly unit: boolean;
} {
  let [counted, unit] = [false, false];
  eachLetter(side, (name, below) => {
    if (name === 'i' && below) counted = true;
    if (name === 'i' && !below) unit = true;
  });
  return { counted, unit };
}
