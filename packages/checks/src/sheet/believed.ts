import { some, type Expr, type Relation, type RelationSign } from '../reading/expression';
import { NUMBER_SETS, type NumberSet } from '../reading/letters';
import { readerFor } from '../reading/read';
import { partedAtCommas, Unreadable, type Names } from '../reading/reader';
import type { Token } from '../reading/tokens';
import type { Definition } from '../values/setting';
import type { Equation, Kind } from '../steps/facts';
import type { SaidKind } from './kinds';
import type { FirstTerms } from './recursions';
import type { Statement } from './statements';

/** So many paragraphs later what was supposed is no longer meant. */
export const REACH = 12;

/** What a sheet has said so far, each with its scope. */
export interface Believed {
  readonly functions: Map<
    string,
    Definition & { readonly scope: number; readonly paragraph: number }
  >;
  readonly relations: {
    readonly relation: Relation;
    readonly scope: number;
    readonly paragraph: number;
  }[];
  readonly equations: (Equation & { readonly scope: number; readonly paragraph: number })[];
  readonly kinds: SaidKind[];
  /** First terms of sequences, by the name of the sequence and its scope. */
  readonly firstTerms: FirstTerms;
  /** What the writer supposes besides, wherever it is. */
  readonly everywhere?: Believed;
}

export const nothingYet = (): Believed => ({
  functions: new Map(),
  relations: [],
  equations: [],
  kinds: [],
  firstTerms: new Map(),
});

/** Reads without complaint; null where it is not read. */
export function readQuietly(tokens: readonly Token[], names: Names): Expr | null {
  try {
    return readerFor(0, names).expression(tokens, null);
  } catch (error) {
    if (error instanceof Unreadable) return null;
    throw error;
  }
}

/** Takes up what a statement supposes: signs of numbers, memberships, equations. */
export function suppose(
  believed: Believed,
  statement: Statement,
  names: Names,
  given: boolean,
): void {
  const { scope, paragraph, signs, sides, beside } = statement;
  signs.forEach((sign, i) => {
    const [left, right] = [sides[i] ?? [], sides[i + 1] ?? []];
    const subjects = i === 0 ? [...beside, ...partedAtCommas(left)] : [left];
    if (sign.char === '∈') {
      for (const subject of subjects) belongs(believed, subject, right, statement, names);
      return;
    }
    const value = readQuietly(right, names);
    const modulus = statement.modulus ? readQuietly(statement.modulus, names) : null;
    if (!value) return;
    for (const subject of subjects) {
      const read = readQuietly(subject, names);
      if (!read) continue;
      if (sign.char === '=')
        believed.equations.push({ left: read, right: value, given, scope, paragraph });
      else if (given && /^[≠<≤>≥∣∤≡≢]$/.test(sign.char)) {
        const relation = {
          left: read,
          sign: sign.char as RelationSign,
          right: value,
          ...(modulus && { modulus }),
        };
        believed.relations.push({ relation, scope, paragraph });
      }
    }
  });
}

const KINDS_OF_SETS: Readonly<Record<NumberSet, readonly Kind[]>> = {
  natural: ['natural', 'integer'],
  integer: ['integer'],
  rational: ['real'],
  real: ['real'],
  complex: ['complex'],
};

const PLAIN_SETS: Readonly<Record<string, string>> = {
  '𝐍': 'ℕ',
  '𝐙': 'ℤ',
  '𝐐': 'ℚ',
  '𝐑': 'ℝ',
  '𝐂': 'ℂ',
};

function belongs(
  believed: Believed,
  subject: readonly Token[],
  set: readonly Token[],
  { scope, paragraph, from }: Statement,
  names: Names,
): void {
  const [only] = subject;
  const [first, ...rest] = set;
  const name = subject.length === 1 && only?.t === 'letter' ? nameOf(only) : null;
  if (!name || !first) return;
  if (first.t === 'letter') {
    const numbers = NUMBER_SETS[PLAIN_SETS[first.name] ?? first.name];
    if (!numbers) return;
    const kinds = spaceKinds(first, KINDS_OF_SETS[numbers]);
    believed.kinds.push({ name, kinds, at: from, scope });
    return;
  }
  if (first.t !== 'bracket' || rest.length) return;
  const bounds = partedAtCommas(first.inner).map((part) => readQuietly(part, names));
  const [low, high] = bounds;
  if (bounds.length !== 2 || !low || !high || !/^[([\]]$/.test(first.open ?? '')) return;
  const letter = readQuietly(subject, names);
  if (!letter) return;
  believed.kinds.push({ name, kinds: ['real'], at: from, scope });
  const add = (relation: Relation): number =>
    believed.relations.push({ relation, scope, paragraph });
  add({ left: letter, sign: first.open === '[' ? '≥' : '>', right: low });
  add({ left: letter, sign: first.close === ']' ? '≤' : '<', right: high });
}

function nameOf(token: Extract<Token, { t: 'letter' }>): string {
  if (!token.sub) return token.name;
  return token.name;
}

/** `\mathbb R^n` holds vectors, `\mathbb R^{n \times n}` matrices, `\mathbb R_{>0}` positive numbers. */
function spaceKinds(set: Token, plain: readonly Kind[]): readonly Kind[] {
  const chars = (list: Token['sup']): string =>
    (list ?? []).map((node) => ('char' in node ? node.char : '?')).join('');
  const [above, below] = [chars(set.sup), chars(set.sub)];
  if (/^\+/.test(above) || /^\+|>0/.test(below)) return [...plain, 'positive'];
  if (/^[≥⩾]0|^0$/.test(below) || /^[≥⩾]0$/.test(above))
    return [...plain.filter((kind) => kind !== 'natural'), 'nonnegative'];
  if (above.includes('×')) return ['matrix'];
  if (/^[∗*×]$/.test(above)) return [...plain, 'nonzero'];
  return above ? ['vector'] : plain;
}

/** What a statement defines if it does: `f(x) = …`, `a_n = …`. */
export function definitionIn(
  statement: Statement,
  names: Names,
): { readonly name: string; readonly definition: Definition } | null {
  const [left, right] = statement.sides;
  if (!left || !right || !/^[=≔]$/.test(statement.signs[0]?.char ?? '')) return null;
  const lhs = readQuietly(left, {
    ...names,
    functions: new Set([...names.functions, ...headName(left)]),
  });
  const body = readQuietly(right, names);
  if (!lhs || !body) return null;
  const params =
    lhs.kind === 'apply' && lhs.primes === 0 ? lhs.args : lhs.kind === 'indexed' ? lhs.index : [];
  const letters = params.flatMap((param) => (param.kind === 'name' ? [param.name] : []));
  if (
    params.length === 0 ||
    letters.length !== params.length ||
    new Set(letters).size !== letters.length
  )
    return null;
  const name = lhs.kind === 'apply' ? lhs.name : lhs.kind === 'indexed' ? `${lhs.name}_` : '';
  // What is said in terms of itself is a recursion: no value follows from it alone.
  if (
    some(
      body,
      (part) =>
        (part.kind === 'apply' && part.name === name) ||
        (part.kind === 'indexed' && `${part.name}_` === name),
    )
  )
    return null;
  return { name, definition: { params: letters, body } };
}

/** `f` of `f(x)`, where it stands at the head of a side. */
export function headName(side: readonly Token[]): readonly string[] {
  const [letter, bracket] = side;
  if (letter?.t !== 'letter' || letter.sub || bracket?.t !== 'bracket' || side.length !== 2)
    return [];
  const parts = partedAtCommas(bracket.inner);
  const letters = parts.every(([only, ...more]) => only?.t === 'letter' && more.length === 0);
  return letters ? [letter.name] : [];
}
