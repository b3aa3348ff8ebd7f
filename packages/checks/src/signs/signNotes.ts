import { boundIn, freeNames, walk, type Expr } from '../reading/expression';
import { readQuietly } from '../sheet/believed';
import { bareLetters, eachLetter } from '../sheet/letters';
import type { Piece } from '../sheet/pieces';
import { statementsOf, type Statement } from '../sheet/statements';
import type { Meaning, Sign } from './signs';

/** What is odd about the signs of a sheet. */
export type SignNote =
  /** A letter stands in a formula before it is introduced. */
  | {
      readonly kind: 'early';
      readonly name: string;
      readonly first: number;
      readonly introduced: number;
    }
  /** Two forms of one letter are used. */
  | {
      readonly kind: 'forms';
      readonly names: readonly [string, string];
      readonly rarer: string;
      readonly at: number;
    }
  /** A letter stands once, where another stands in everything around it. */
  | { readonly kind: 'lone'; readonly name: string; readonly usual: string; readonly at: number }
  /** What a sum or an integral runs over stands outside it too, or in its bounds. */
  | { readonly kind: 'bound'; readonly name: string; readonly at: number }
  /** A letter is introduced as one thing and then as another. */
  | {
      readonly kind: 'twice';
      readonly name: string;
      readonly meanings: readonly [string, string];
      readonly at: number;
    };

/** Looks through a sheet for what is odd about its signs. */
export function notesOn(
  pieces: readonly Piece[],
  signs: readonly Sign[],
  meanings: readonly Meaning[],
): readonly SignNote[] {
  const statements = statementsOf(pieces);
  return [
    ...earlyUses(signs),
    ...twoForms(signs),
    ...loneLetters(statements, signs),
    ...boundTwice(statements),
    ...introducedTwice(meanings),
  ];
}

/** Letters that have two forms. */
const FORMS: readonly (readonly [string, string])[] = [
  ['ϵ', 'ε'],
  ['ϕ', 'φ'],
  ['ϑ', 'θ'],
  ['ϱ', 'ρ'],
  ['ϰ', 'κ'],
];

function earlyUses(signs: readonly Sign[]): readonly SignNote[] {
  return signs.flatMap(({ name, first, meaning, count }): SignNote[] =>
    meaning &&
    count > 2 &&
    first < meaning.at - 1 &&
    /\b(denote|stands? for|be an?)\b|^(an?|the)\b/i.test(meaning.words)
      ? [{ kind: 'early', name, first, introduced: meaning.at }]
      : [],
  );
}

function twoForms(signs: readonly Sign[]): readonly SignNote[] {
  return FORMS.flatMap(([a, b]): SignNote[] => {
    const [one, other] = [a, b].map((form) => signs.find(({ name }) => name === form));
    if (!one || !other) return [];
    const rarer = one.count <= other.count ? one : other;
    return [{ kind: 'forms', names: [a, b], rarer: rarer.name, at: rarer.first }];
  });
}

/** A chain has to be so long for one of its sides to stand out. */
const LONG = 3;

function loneLetters(
  statements: readonly Statement[],
  signs: readonly Sign[],
): readonly SignNote[] {
  const once = new Set(
    signs.filter(({ count, meaning }) => count === 1 && !meaning).map(({ name }) => name),
  );
  return statements.flatMap(({ sides, from }): SignNote[] => {
    if (sides.length < LONG) return [];
    const letters = sides.map(lettersOf);
    return letters.flatMap((own, i) => {
      const others = letters.filter((_, at) => at !== i);
      const [name, ...more] = [...own].filter((letter) => once.has(letter));
      if (name === undefined || more.length) return [];
      const usual = [...(others[0] ?? [])].find(
        (letter) => !own.has(letter) && others.every((side) => side.has(letter)),
      );
      if (usual === undefined) return [];
      const meant = new Set([...own].map((letter) => (letter === name ? usual : letter)));
      return others.some((side) => isSame(side, meant))
        ? [{ kind: 'lone', name, usual, at: sides[i]?.[0]?.from ?? from }]
        : [];
    });
  });
}

function lettersOf(side: Statement['sides'][number]): ReadonlySet<string> {
  const letters = new Set<string>();
  eachLetter(side, (name) => letters.add(name));
  return letters;
}

const isSame = (a: ReadonlySet<string>, b: ReadonlySet<string>): boolean =>
  a.size === b.size && [...a].every((letter) => b.has(letter));

function boundTwice(statements: readonly Statement[]): readonly SignNote[] {
  const notes = new Map<string, SignNote>();
  for (const { sides } of statements) {
    for (const side of sides) {
      const names = { ...NO_NAMES, numbers: bareLetters(side) };
      const read = readQuietly(side, names);
      const name = read && boundBesides(read);
      if (name == null || notes.has(name)) continue;
      notes.set(name, { kind: 'bound', name, at: side[0]?.from ?? 0 });
    }
  }
  return [...notes.values()];
}

const NO_NAMES = {
  functions: new Set<string>(),
  numbers: new Set<string>(),
  imaginary: false,
  plainE: false,
  plainPi: false,
};

/** A name that a sum or integral runs over, and which stands in its bounds or outside it as well. */
function boundBesides(expr: Expr): string | null {
  const free = freeNames(expr);
  let found: string | null = null;
  walk(expr, (part) => {
    if (part.kind !== 'series' && part.kind !== 'integral') return;
    const name = boundIn(part);
    if (name !== null && (free.has(name) || inBounds(part, name))) found ??= name;
  });
  return found;
}

function inBounds(expr: Extract<Expr, { kind: 'series' | 'integral' }>, name: string): boolean {
  if (expr.kind === 'integral')
    return (expr.bounds ?? []).some((bound) => freeNames(bound).has(name));
  const { over } = expr;
  return over.kind === 'between' && [over.first, over.last].some((end) => freeNames(end).has(name));
}

/** Words that do not make a meaning another one. */
const tidied = (words: string): string =>
  words
    .toLowerCase()
    .replace(/\b(an?|the|any|some|another|fixed|arbitrary|given)\b/g, '')
    .replace(/\s+/g, ' ')
    .trim();

function introducedTwice(meanings: readonly Meaning[]): readonly SignNote[] {
  const introduced = meanings.filter(({ kind }) => kind === 'introduced');
  return introduced.flatMap((later, i): SignNote[] => {
    const first = introduced
      .slice(0, i)
      .find(({ name, scope }) => name === later.name && scope === later.scope);
    if (!first || !later.words || !first.words) return [];
    const [a, b] = [tidied(first.words), tidied(later.words)];
    if (a.startsWith(b) || b.startsWith(a)) return [];
    return [
      { kind: 'twice', name: later.name, meanings: [first.words, later.words], at: later.at },
    ];
  });
}
