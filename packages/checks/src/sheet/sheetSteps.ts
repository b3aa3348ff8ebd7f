import { freeNames, some, type Expr } from '../reading/expression';
import type { Names } from '../reading/reader';
import type { Token } from '../reading/tokens';
import { checkStep, type MayDiffer, type Outcome } from '../steps/check';
import type { Facts, Kind } from '../steps/facts';
import type { Trials } from '../steps/trials';
import {
  definitionIn,
  headName,
  nothingYet,
  readQuietly,
  suppose,
  type Believed,
} from './believed';
import { bareLetters, eachLetter, firstPlaces } from './letters';
import { saidKinds, type SaidKind } from './kinds';
import { piecesOf, type Piece, type WrittenBlock } from './pieces';
import { isDefining, roleOf, type Role } from './roles';
import { statementsOf, type RelationToken, type Statement } from './statements';

/** A step of the sheet: two sides and the relation between them. Places are offsets in the text. */
export interface Step {
  /** The place of the relation's sign. */
  readonly from: number;
  readonly to: number;
  readonly left: Extent;
  readonly right: Extent;
  readonly relation: string;
  readonly outcome: Outcome;
  /** It defines or supposes: nothing was to be tested. */
  readonly untested: boolean;
  /** Only numbers stand in it: what is wrong with it is wrong without doubt. */
  readonly numbersOnly: boolean;
}

export interface Extent {
  readonly from: number;
  readonly to: number;
}

/** A formula begins so far before its first sign at most (`\\begin{align*}` and a label). */
const NEAR = 4;

const TESTED = /^[=≠<≤>≥≡≢∣∤≈≔]$/;

/** Which steps of a sheet are wanted: those of a stretch of its text, or with numbers alone. */
export interface Wanted {
  readonly within?: Extent;
  readonly numbersOnly?: boolean;
}

/** The steps of a sheet, one after another; each is tested when it comes. */
export function* stepsOf(
  blocks: readonly WrittenBlock[],
  wanted: Wanted = {},
): Generator<Step, void> {
  const pieces = piecesOf(blocks);
  const sheet = sheetNames(pieces);
  const believed = nothingYet();
  const waiting = [...saidKinds(pieces)];
  for (const statement of statementsOf(pieces)) {
    while (waiting[0] && waiting[0].at <= statement.to) {
      believed.kinds.push(waiting.shift() as SaidKind);
    }
    yield* statementSteps(statement, believed, sheet, isWanted(statement, wanted));
  }
}

/** How many steps that are wanted a sheet has. */
export function countSteps(blocks: readonly WrittenBlock[], wanted: Wanted = {}): number {
  return statementsOf(piecesOf(blocks))
    .filter((statement) => isWanted(statement, wanted))
    .reduce((sum, { signs }) => sum + signs.filter(({ char }) => TESTED.test(char)).length, 0);
}

function isWanted(statement: Statement, { within, numbersOnly }: Wanted): boolean {
  if (within && (statement.to <= within.from || statement.from >= within.to)) return false;
  if (!numbersOnly) return true;
  let letters = false;
  for (const side of statement.sides) eachLetter(side, () => (letters = true));
  return !letters;
}

interface SheetNames {
  readonly functions: ReadonlySet<string>;
  /** The sheet is about complex numbers. */
  readonly complex: boolean;
  /** The scopes that speak of matrices, and those that count with `i`. */
  readonly matrices: ReadonlySet<number>;
  readonly countsI: ReadonlySet<number>;
  /** `π` is spoken of as a thing of its own, or has an index. */
  readonly plainPi: boolean;
  /** Where each letter stands first. */
  readonly first: ReadonlyMap<string, number>;
}

function sheetNames(pieces: readonly Piece[]): SheetNames {
  const functions = new Set<string>();
  const [matrices, countsI] = [new Set<number>(), new Set<number>()];
  let [scope, complex, plainPi] = [0, false, false];
  for (const piece of pieces) {
    if (piece.kind === 'break' && piece.what !== 'paragraph') scope++;
    if (piece.kind === 'words') {
      if (/\bcomplex|imaginary|conjugate/i.test(piece.text)) complex = true;
      if (/\bmatri(x|ces)\b|\blinear maps?\b/i.test(piece.text)) matrices.add(scope);
    }
    if (piece.kind !== 'formula') continue;
    for (const row of piece.strands.flat()) {
      if (mentions(row, /^(ℂ|𝐂)$/)) complex = true;
      if (usesOfI(row).counted) countsI.add(scope);
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

function* statementSteps(
  statement: Statement,
  believed: Believed,
  sheet: SheetNames,
  wanted: boolean,
): Generator<Step, void> {
  const facts = factsFor(statement, believed, sheet);
  const role: Role = statement.condition ? 'given' : roleOf(statement.said, statement.after);
  const chain = statement.signs.length > 1;
  const defines = definesNow(statement, believed, facts, role);
  const spokenOf = isSpokenOf(statement, sheet, facts);
  const earlier = (name: string): boolean =>
    (sheet.first.get(name.replace(/[_(].*$/, '')) ?? Infinity) < statement.from - NEAR;
  let stands = wanted;
  for (const [i, sign] of statement.signs.entries()) {
    if (!wanted || !TESTED.test(sign.char)) continue;
    const untested =
      i === 0 && defines ? 'definition' : role === 'given' && !chain ? 'condition' : null;
    const step = stepAt(statement, i, sign, facts, { role, chain, untested, spokenOf, earlier });
    if (step.outcome.result !== 'holds') stands = false;
    yield step;
  }
  remember(statement, believed, { defines, role, chain, stands, names: facts.names });
}

/** Takes up what a statement says, for those that follow. */
function remember(
  statement: Statement,
  believed: Believed,
  {
    defines,
    role,
    chain,
    stands,
    names,
  }: {
    readonly defines: Defines | null;
    readonly role: Role;
    readonly chain: boolean;
    readonly stands: boolean;
    readonly names: Names;
  },
): void {
  if (defines?.kind === 'function') {
    believed.functions.set(defines.name, { ...defines.definition, scope: statement.scope });
  } else if (role === 'given' && !(chain && defines)) {
    suppose(believed, statement, names, true);
  } else if (defines || (!chain && !stands)) {
    const first = { ...statement, signs: statement.signs.slice(0, 1) };
    suppose(believed, first, names, role === 'given' || isDefining(statement.said));
  }
}

/** Does a function or sequence of the statement occur before it, so that something may be said of it? */
function isSpokenOf(statement: Statement, sheet: SheetNames, facts: Facts): boolean {
  let spoken = false;
  const look = (expr: Expr | null): void => {
    if (!expr) return;
    some(expr, (part) => {
      if (part.kind !== 'apply' && part.kind !== 'indexed') return false;
      const at = sheet.first.get(part.name) ?? 0;
      if (at < statement.from - NEAR) spoken = true;
      return false;
    });
  };
  for (const side of statement.sides) look(readQuietly(side, facts.names));
  return spoken;
}

type Defines =
  | {
      readonly kind: 'function';
      readonly name: string;
      readonly definition: { readonly params: readonly string[]; readonly body: Expr };
    }
  | { readonly kind: 'name'; readonly name: string };

/** What the first relation of a statement gives a meaning to, if anything. */
function definesNow(
  statement: Statement,
  believed: Believed,
  facts: Facts,
  role: Role,
): Defines | null {
  const sign = statement.signs[0]?.char;
  if (sign !== '=' && sign !== '≔') return null;
  const defining = sign === '≔' || isDefining(statement.said);
  const made = definitionIn(statement, facts.names);
  if (made) {
    const known = believed.functions.get(made.name);
    if (!known || defining || role === 'given' || known.scope !== statement.scope)
      return { kind: 'function', ...made };
    return null;
  }
  const left = readQuietly(statement.sides[0] ?? [], facts.names);
  if (left?.kind !== 'name' && left?.kind !== 'indexed') return null;
  const name = left.kind === 'name' ? left.name : `${left.name}_`;
  const known = facts.equations.some(
    ({ left: own, given }) => own.kind === 'name' && own.name === name && given,
  );
  const derived = statement.signs.length === 1 && role === 'claim' && known;
  return derived && !defining ? null : { kind: 'name', name };
}

/** What is known where a statement stands. */
function factsFor(statement: Statement, believed: Believed, sheet: SheetNames): Facts {
  const { scope, paragraph } = statement;
  const kinds = kindsAt(believed, scope);
  const here = (entry: { readonly scope: number }): boolean => entry.scope === scope;
  const nearest = <T extends { readonly paragraph: number }>(entries: readonly T[]): readonly T[] =>
    [...entries]
      .reverse()
      .sort((a, b) => Number(b.paragraph === paragraph) - Number(a.paragraph === paragraph));
  const names: Names = {
    functions: new Set([...sheet.functions, ...believed.functions.keys(), ...functionNames(kinds)]),
    numbers: new Set(statement.sides.flatMap((side) => [...bareLetters(side)])),
    imaginary: isImaginary(statement, sheet, kinds),
    plainE: kinds.has('e'),
    plainPi: sheet.plainPi,
  };
  return {
    names,
    functions: believed.functions,
    kinds,
    assumptions: nearest(believed.relations.filter(here)).map(({ relation }) => relation),
    nearAssumptions: nearest(
      believed.relations.filter((entry) => here(entry) && entry.paragraph === paragraph),
    ).map(({ relation }) => relation),
    equations: nearest(believed.equations.filter(here)),
    matrices: sheet.matrices.has(scope) && !kinds.get('A')?.has('real'),
    perhapsMatrices: sheet.matrices.size > 0,
  };
}

const functionNames = (kinds: ReadonlyMap<string, ReadonlySet<Kind>>): readonly string[] =>
  [...kinds].filter(([, own]) => own.has('function')).map(([name]) => name);

/** What is said last of a name counts; what was said in an earlier scope only if nothing is said in this one. */
function kindsAt(believed: Believed, scope: number): ReadonlyMap<string, ReadonlySet<Kind>> {
  const kinds = new Map<string, Set<Kind>>();
  const from = new Map<string, number>();
  for (const said of believed.kinds) {
    const before = from.get(said.name);
    const own = before === said.scope ? (kinds.get(said.name) ?? new Set<Kind>()) : new Set<Kind>();
    for (const kind of said.kinds) own.add(kind);
    kinds.set(said.name, own);
    from.set(said.name, said.scope);
  }
  for (const [name, at] of from) {
    const lasting = ['matrix', 'vector', 'complex', 'function', 'prime'] as const;
    if (at === scope || lasting.some((kind) => kinds.get(name)?.has(kind))) continue;
    kinds.delete(name);
  }
  return kinds;
}

/** `i` is the imaginary unit where nothing counts with it. */
function isImaginary(
  statement: Statement,
  sheet: SheetNames,
  kinds: ReadonlyMap<string, ReadonlySet<Kind>>,
): boolean {
  if (kinds.get('i')?.has('integer') || kinds.get('i')?.has('real')) return false;
  if (sheet.countsI.has(statement.scope)) return false;
  return sheet.complex || statement.sides.some((side) => usesOfI(side).unit);
}

/** How the letter `i` stands in tokens: below another sign (it counts), or as a value. */
function usesOfI(side: readonly Token[]): { readonly counted: boolean; readonly unit: boolean } {
  let [counted, unit] = [false, false];
  eachLetter(side, (name, below) => {
    if (name === 'i' && below) counted = true;
    if (name === 'i' && !below) unit = true;
  });
  return { counted, unit };
}

interface Standing {
  readonly role: Role;
  readonly chain: boolean;
  /** Why the relation is no step: it says what its left side is, or it is a condition. */
  readonly untested: 'definition' | 'condition' | null;
  /** A function or sequence of the statement occurs before it. */
  readonly spokenOf: boolean;
  /** Does a letter stand on the sheet before the statement? */
  readonly earlier: (name: string) => boolean;
}

function stepAt(
  statement: Statement,
  i: number,
  sign: RelationToken,
  facts: Facts,
  standing: Standing,
): Step {
  const [left, right] = [statement.sides[i] ?? [], statement.sides[i + 1] ?? []];
  const modulus = statement.modulus;
  const outcome: Outcome = standing.untested
    ? leftOpen(standing.untested, left)
    : checkStep(
        {
          left,
          sign: sign.char === '≔' ? '=' : sign.char,
          right,
          modulus,
          offset: statement.offset,
        },
        facts,
        mayDiffer(statement, i, standing, facts),
      );
  return {
    from: sign.from,
    to: sign.to,
    left: extentOf(left, sign.from),
    right: extentOf(right, sign.to),
    relation: sign.char,
    outcome,
    untested: standing.untested !== null,
    numbersOnly: outcome.read !== null && outcome.read.every((side) => freeNames(side).size === 0),
  };
}

const leftOpen = (untested: 'definition' | 'condition', left: readonly Token[]): Outcome => ({
  result: 'unknown',
  why:
    untested === 'condition'
      ? 'it is a condition, or says what a letter is'
      : `this says what ${left.length === 1 ? 'the letter on the left' : 'the left side'} is`,
  at: null,
  sides: null,
  read: null,
  trial: null,
});

const extentOf = (side: readonly Token[], near: number): Extent => ({
  from: side[0]?.from ?? near,
  to: side.at(-1)?.to ?? near,
});

/**
 * A relation that defines, assumes, states a condition or is to be solved is no step. What tells is the words before
 * it, and how it stands: a single equation with unknowns, or a chain that ends in one.
 */
function mayDiffer(statement: Statement, i: number, standing: Standing, facts: Facts): MayDiffer {
  const { role, chain } = standing;
  return (left, right, trials) => {
    const [own, others] = [freeNames(left), freeNames(right)];
    if (role === 'denied') return 'the words around it say that it is not so';
    if (own.size + others.size === 0) return role === 'given' ? 'it is a condition' : null;
    if (role === 'given') return 'it is a condition, or it says what a letter is';
    if (trials.anyFunctions) return 'it may rest on what is said of a function';
    if (trials.anything && standing.spokenOf)
      return 'it may rest on what is said of a function or sequence';
    if (!chain && !isComputation(left, right, facts)) {
      return 'a single relation with unknowns may be a condition, or is to be solved';
    }
    return chain ? chainMayDiffer(statement, i, left, right, facts, standing, trials) : null;
  };
}

/** The left side asks for a value that the right side gives: no one solves such an equation. */
function isComputation(left: Expr, right: Expr, facts: Facts): boolean {
  const works = (expr: Expr): boolean => {
    if (expr.kind === 'apply') return facts.functions.has(expr.name);
    return ['series', 'integral', 'limit', 'derivative', 'difference', 'dots'].includes(expr.kind);
  };
  const matrix = (expr: Expr): boolean => some(expr, ({ kind }) => kind === 'matrix');
  const constants = left.kind === 'integral' && !left.bounds ? /^[CcK]$/ : /^$/;
  const own = freeNames(left);
  const others = [...freeNames(right)].filter((name) => !constants.test(name));
  if (others.length === 0 || !others.every((name) => own.has(name))) return false;
  return works(left) || matrix(left);
}

function chainMayDiffer(
  statement: Statement,
  i: number,
  left: Expr,
  right: Expr,
  facts: Facts,
  standing: Standing,
  trials: Trials,
): string | null {
  const [own, others] = [freeNames(left), freeNames(right)];
  const isLast = i === statement.signs.length - 1;
  const lone = (expr: Expr): boolean =>
    expr.kind === 'negate'
      ? lone(expr.body)
      : ['name', 'number', 'constant', 'indexed'].includes(expr.kind);
  if (isLast && isZero(right) && own.size > 0 && !trials.leftIsConstant)
    return 'the chain may end in an equation to be solved';
  if (lone(left) && lone(right)) return 'a letter is set equal to another';
  const lost = [...own].filter((name) => !others.has(name));
  const come = [...others].filter((name) => !own.has(name));
  if (trials.under.length && come.every((name) => isTied(name, own, trials))) return null;
  const isMatrix = (expr: Expr): boolean => some(expr, ({ kind }) => kind === 'matrix');
  if (lost.some((name) => trials.matrixNames.has(name)) && isMatrix(right) && !isMatrix(left)) {
    return 'a matrix takes the place of a letter, and it is not seen by what';
  }
  if (lost.length && come.length)
    return 'one letter takes the place of another, and it is not seen by what';
  if (
    come.length &&
    /\b(some|exists?|suitable|theorem|where|there is|between)\b/i.test(
      `${statement.said.slice(-160)} ${statement.after.slice(0, 80)}`,
    )
  ) {
    return 'a letter comes in that the words around speak of';
  }
  if (come.length && come.some((name) => standing.earlier(name) || isKnownBefore(name, facts))) {
    return 'a letter comes in that is spoken of before';
  }
  return null;
}

const isZero = (expr: Expr): boolean => expr.kind === 'number' && expr.value === 0n;

/** Do the equations that were kept to tie a letter to those of the left side? */
function isTied(name: string, own: ReadonlySet<string>, { under }: Trials): boolean {
  const tied = new Set(own);
  for (let grew = true; grew;) {
    grew = false;
    for (const equation of under) {
      const names = [...freeNames(equation.left), ...freeNames(equation.right)];
      if (!names.some((other) => tied.has(other)) || names.every((other) => tied.has(other)))
        continue;
      for (const other of names) tied.add(other);
      grew = true;
    }
  }
  return tied.has(name);
}

/** Was something said of the letter before this chain? */
function isKnownBefore(name: string, facts: Facts): boolean {
  if (facts.kinds.has(name)) return true;
  return [...facts.equations, ...facts.assumptions].some(
    ({ left, right }) => freeNames(left).has(name) || freeNames(right).has(name),
  );
}
