import { eachLetter } from '../sheet/letters';
import { piecesOf, type Piece, type WrittenBlock } from '../sheet/pieces';
import { notesOn, type SignNote } from './signNotes';

/** A letter of the sheet: how often and where it stands, and what the sheet says it is. */
export interface Sign {
  readonly name: string;
  readonly count: number;
  /** Where the formula begins in which it stands first. */
  readonly first: number;
  /** The words that introduce it, and where; null where there are none. */
  readonly meaning: { readonly words: string; readonly at: number } | null;
}

export interface Signs {
  readonly signs: readonly Sign[];
  readonly notes: readonly SignNote[];
}

/** What words say of a letter: where it is introduced, or beside a noun. */
export interface Meaning {
  readonly name: string;
  readonly words: string;
  readonly at: number;
  readonly scope: number;
  readonly kind: 'introduced' | 'beside';
}

/** The signs of a sheet in the order of their first use. */
export function signsOf(blocks: readonly WrittenBlock[]): Signs {
  const pieces = piecesOf(blocks);
  const found = new Map<string, { count: number; first: number }>();
  for (const piece of pieces) {
    if (piece.kind !== 'formula') continue;
    for (const row of piece.strands.flat()) {
      eachLetter(row, (name) => {
        const known = found.get(name);
        if (known) known.count++;
        else found.set(name, { count: 1, first: piece.from });
      });
    }
  }
  const said = meaningsIn(pieces);
  const meanings = new Map([...said].reverse().map((one) => [one.name, one]));
  const signs = [...found]
    .filter(([name]) => !CONSTANTS.has(name))
    .map(([name, { count, first }]): Sign => ({
      name,
      count,
      first,
      meaning: meanings.get(name) ?? null,
    }));
  return { signs, notes: notesOn(pieces, signs, said) };
}

/** Signs that mean the same everywhere. */
const CONSTANTS: ReadonlySet<string> = new Set(['π', 'd', '∂', 'ℝ', 'ℕ', 'ℤ', 'ℚ', 'ℂ', 'dx']);

const INTRODUCES =
  /\b(let|denote|denotes?|write|call|where|with|suppose|given|fix|for (?:all|every|each|any|some)|by|put|define|set|and)\s*$/i;
const BEHIND = /^\s*(?:be|denote|denotes|is|are|stands? for|for)\b[^.;:!?]*/i;

/** What is said of lone letters: “let $P$ be a point”, “where $n$ denotes the number”, “the tide $h$”. */
function meaningsIn(pieces: readonly Piece[]): readonly Meaning[] {
  const meanings: Meaning[] = [];
  let scope = 0;
  pieces.forEach((piece, i) => {
    if (piece.kind === 'break' && piece.what !== 'paragraph') scope++;
    if (piece.kind !== 'formula' || piece.display) return;
    const name = loneLetter(piece);
    if (name === null) return;
    const before = wordsOf(pieces[i - 1]);
    const behind = wordsOf(pieces[i + 1]);
    const said = BEHIND.exec(behind)?.[0];
    if (said && INTRODUCES.test(before.trimEnd())) {
      const words = tidy(said);
      meanings.push({ name, words, at: piece.from, scope, kind: 'introduced' });
      return;
    }
    const noun = /\b(?:the|an?|every|each|any|some|all)\s+((?:[\w-]+\s+){0,3}[\w-]+)\s*$/i.exec(
      before,
    )?.[1];
    if (noun) {
      meanings.push({ name, words: tidy(noun), at: piece.from, scope, kind: 'beside' });
    }
  });
  return meanings;
}

const wordsOf = (piece: Piece | undefined): string => (piece?.kind === 'words' ? piece.text : '');

const tidy = (words: string): string =>
  words
    .trim()
    .replace(/\s+/g, ' ')
    .replace(/^(be|is|are)\s+/i, '')
    .replace(/[\s,]+(where|and|with|such that|so that|or|for)?[\s,]*$/i, '')
    .slice(0, 80);

/** The letter that a formula consists of, or that its relation speaks of. */
function loneLetter(piece: Extract<Piece, { kind: 'formula' }>): string | null {
  const row = piece.strands[0]?.[0] ?? [];
  const at = row.findIndex(({ t }) => t === 'relation');
  const subject = at < 0 ? row : row.slice(0, at);
  const [only, ...others] = subject;
  return only?.t === 'letter' && others.length === 0 && !only.sup ? only.name : null;
}
