import type { Token } from '../reading/tokens';
import type { Kind } from '../steps/facts';
import type { Piece } from './pieces';

/** Something said of a name, and from where on it is said. */
export interface SaidKind {
  readonly name: string;
  readonly kinds: readonly Kind[];
  readonly at: number;
  readonly scope: number;
}

const NOUNS: readonly (readonly [RegExp, readonly Kind[]])[] = [
  [/\bnon-?negative\b/, ['nonnegative']],
  [/\bnon-?zero\b/, ['nonzero']],
  [/\bpositive\b/, ['positive']],
  [/(?<!non-?)\bnegative\b/, ['negative']],
  [/\bodd\b/, ['odd', 'integer']],
  [/\beven\b/, ['even', 'integer']],
  [/\bprimes?\b/, ['prime', 'integer']],
  [/\bnatural numbers?\b/, ['natural', 'integer']],
  [/\b(integers?|whole numbers?|digits?|indices)\b/, ['integer']],
  [/\b(reals?|rationals?|angles?)\b/, ['real']],
  [/\bcomplex\b/, ['complex']],
  [/\b(matrix|matrices)\b/, ['matrix']],
  [/\bvectors?\b/, ['vector']],
  [/\b(function|functions|map|maps|polynomials?|homomorphism|linear)\b/, ['function']],
];

/** One name is marked like this in the sentence, with its number. */
const MARK = /⟦\d+⟧/g;
const LIST = String.raw`((?:⟦\d+⟧(?:\s*(?:,\s*and|,|and|or)\s*)?)+)`;
const BEFORE = new RegExp(String.raw`((?:[\w-]+\s+){0,3}[\w-]+)\s+${LIST}`, 'g');
const BEHIND = new RegExp(
  String.raw`${LIST}\s*(?:is|are|be|denote|both|all|not|being)?\s*(?:an?|the|two|both|some|any|all)?\s*((?:(?:[\w×-]+|⟦\d+⟧)\s+){0,3}[\w-]+)`,
  'g',
);

/** What the words of a sheet say of its names: “let $n$ be odd”, “for positive $x$”, “$A$ and $B$ are matrices”. */
export function saidKinds(pieces: readonly Piece[]): readonly SaidKind[] {
  const found: SaidKind[] = [];
  let scope = 0;
  let sentence = '';
  let marks: { readonly names: readonly string[]; readonly at: number }[] = [];
  const end = (): void => {
    if (marks.length) found.push(...kindsIn(sentence, marks, scope));
    [sentence, marks] = ['', []];
  };
  for (const piece of pieces) {
    if (piece.kind === 'break') {
      end();
      if (piece.what !== 'paragraph') scope++;
    } else if (piece.kind === 'words') {
      const sentences = piece.text.split(/(?<=[.;:!?])\s/);
      sentences.forEach((part, i) => {
        if (i > 0) end();
        sentence += part.toLowerCase();
      });
    } else {
      const names = piece.display ? [] : namesOf(piece.strands[0]?.[0] ?? []);
      sentence += ` ⟦${marks.length}⟧ `;
      marks.push({ names, at: piece.from });
    }
  }
  end();
  return found;
}

/** The letters of a formula that lists names: `a, b`; of `x > 0` and `n \in \mathbb N` the one that is spoken of. */
function namesOf(row: readonly Token[]): readonly string[] {
  const relation = row.findIndex(({ t }) => t === 'relation');
  const subject = relation < 0 ? row : row.slice(0, relation);
  const names: string[] = [];
  for (const token of subject) {
    if (token.t === 'letter') names.push(token.name);
    else if (token.t === 'accent' && token.base.length === 1) names.push(accentName(token));
    else if (token.t !== 'comma' && token.t !== 'dots') return [];
  }
  return names;
}

function accentName({ base, accent }: Extract<Token, { t: 'accent' }>): string {
  const [only] = base;
  return only?.kind === 'symbol' ? `${only.char.normalize('NFKC')}${accent}` : '';
}

function kindsIn(
  sentence: string,
  marks: readonly { readonly names: readonly string[]; readonly at: number }[],
  scope: number,
): SaidKind[] {
  const said: SaidKind[] = [];
  const add = (list: string, words: string): void => {
    const kinds = NOUNS.filter(([pattern]) => pattern.test(words)).flatMap(([, kind]) => kind);
    if (kinds.length === 0 || /\bnot\b/.test(words)) return;
    for (const mark of list.match(MARK) ?? []) {
      const { names = [], at = 0 } = marks[Number(mark.slice(1, -1))] ?? {};
      for (const name of names) said.push({ name, kinds, at, scope });
    }
  };
  for (const [, words = '', list = ''] of sentence.matchAll(BEFORE)) add(list, words);
  for (const [, list = '', words = ''] of sentence.matchAll(BEHIND)) add(list, words);
  return said;
}
