import { freeNames, some, type Expr } from '../reading/expression';
import type { Names } from '../reading/reader';
import { mayDiffer, type Standing } from './mayDiffer';
import { sheetNames, usesOfI, type SheetNames } from './sheetNames';
import type { Token } from '../reading/tokens';
import { checkStep, type Outcome } from '../steps/check';
import { isSaid, type Equation, type Facts, type Kind } from '../steps/facts';
import type { Definition } from '../values/setting';
import { definitionIn, nothingYet, REACH, readQuietly, suppose, type Believed } from './believed';
import { bareLetters, eachLetter } from './letters';
import { saidKinds, type SaidKind } from './kinds';
import { piecesOf, type WrittenBlock } from './pieces';
import { isDefining, roleOf, type Role } from './roles';
import { beginAnew, recursionIn, takeFirstTerms } from './recursions';
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

/** The steps of a sheet, one after another; each is tested when it comes. What is `beside` it is supposed everywhere. */
export function* stepsOf(
  blocks: readonly WrittenBlock[],
  wanted: Wanted = {},
  beside: readonly WrittenBlock[] = [],
): Generator<Step, void> {
  const pieces = piecesOf(blocks);
  const sheet = sheetNames(pieces);
  const believed = { ...nothingYet(), everywhere: supposedBeside(beside, sheet) };
  const waiting = [...saidKinds(pieces)];
  for (const statement of statementsOf(pieces)) {
    while (waiting[0] && waiting[0].at <= statement.to) {
      believed.kinds.push(waiting.shift() as SaidKind);
    }
    yield* statementSteps(statement, believed, sheet, isWanted(statement, wanted));
  }
}

function supposedBeside(beside: readonly WrittenBlock[], sheet: SheetNames): Believed {
  const everywhere = nothingYet();
  for (const statement of statementsOf(piecesOf(beside))) {
    suppose(everywhere, statement, factsFor(statement, everywhere, sheet).names, true);
  }
  return everywhere;
}

/** What is known at a place of the text: what was said and defined before it. */
export function factsAt(blocks: readonly WrittenBlock[], place: number): Facts {
  const pieces = piecesOf(blocks);
  const sheet = sheetNames(pieces);
  const believed = nothingYet();
  const waiting = saidKinds(pieces).filter(({ at }) => at <= place);
  believed.kinds.push(...waiting);
  let last: Statement | null = null;
  for (const statement of statementsOf(pieces)) {
    if (statement.from > place) break;
    last = statement;
    if (statement.to > place) break;
    // Nothing is tested: what is said is only taken up.
    for (const _ of statementSteps(statement, believed, sheet, false));
  }
  return factsFor(last ?? NO_STATEMENT, believed, sheet);
}

const NO_STATEMENT: Statement = {
  sides: [],
  signs: [],
  modulus: null,
  beside: [],
  said: '',
  after: '',
  condition: false,
  scope: 0,
  paragraph: 0,
  display: false,
  offset: 0,
  from: 0,
  to: 0,
};

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
  let stands = wanted;
  for (const [i, sign] of statement.signs.entries()) {
    if (!wanted || !TESTED.test(sign.char)) continue;
    const untested =
      i === 0 && defines ? 'definition' : role === 'given' && !chain ? 'condition' : null;
    const step = stepAt(statement, i, sign, facts, { role, chain, untested, spokenOf });
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
  if (role !== 'denied') {
    takeFirstTerms(statement, names, believed.firstTerms, role === 'given');
  }
  if (defines?.kind === 'function') {
    const { scope, paragraph } = statement;
    believed.functions.set(defines.name, { ...defines.definition, scope, paragraph });
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
      readonly definition: Definition;
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
    if (
      !known ||
      defining ||
      role === 'given' ||
      known.scope !== statement.scope ||
      statement.paragraph - known.paragraph > REACH
    )
      return { kind: 'function', ...made };
    return null;
  }
  const recursion = recursionIn(statement, facts.names, believed.firstTerms);
  if (recursion) {
    const { name } = recursion;
    const known = believed.functions.get(name);
    const here = known?.scope === statement.scope && statement.paragraph - known.paragraph <= REACH;
    const anew = (defining || role === 'given') && statement.signs.length === 1;
    if (here && !anew) return null;
    if (here) beginAnew(believed.firstTerms, name, statement);
    return { kind: 'function', ...recursion };
  }
  const left = readQuietly(statement.sides[0] ?? [], facts.names);
  if (left?.kind !== 'name' && left?.kind !== 'indexed') return null;
  const name = left.kind === 'name' ? left.name : `${left.name}_`;
  if (isSaid(name, facts) && !defining && role === 'claim') return null;
  const known = facts.equations.some(
    ({ left: own, given }) => own.kind === 'name' && own.name === name && given,
  );
  const derived = statement.signs.length === 1 && role === 'claim' && known;
  return derived && !defining ? null : { kind: 'name', name };
}

/** A display parts its paragraph in two: what stands so many before still belongs together. */
const BESIDE = 2;

/** What is known where a statement stands. */
function factsFor(statement: Statement, believed: Believed, sheet: SheetNames): Facts {
  const { scope, paragraph } = statement;
  const kinds = kindsAt(believed, scope);
  const everywhere = believed.everywhere?.relations ?? [];
  const here = (entry: { readonly scope: number }): boolean => entry.scope === scope;
  interface Said {
    readonly scope: number;
    readonly paragraph: number;
  }
  const isBeside = (entry: Said): boolean => paragraph - entry.paragraph <= BESIDE;
  const reaches = (entry: Said): boolean => here(entry) && paragraph - entry.paragraph <= REACH;
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
    assumptions: [
      ...everywhere.map(({ relation }) => relation),
      ...nearest(believed.relations.filter(reaches)).map(({ relation }) => relation),
    ],
    nearAssumptions: nearest([
      ...everywhere,
      ...believed.relations.filter((entry) => here(entry) && entry.paragraph === paragraph),
    ]).map(({ relation }) => relation),
    equations: nearest(
      believed.equations.filter((entry) => reaches(entry) && (entry.given || isBeside(entry))),
    )
      .map((equation): Equation => ({ ...equation, near: isBeside(equation) }))
      .concat((believed.everywhere?.equations ?? []).map((one) => ({ ...one, near: true }))),
    perhapsImaginary: statement.sides.some((side) => usesOfI(side).unit),
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
  for (const said of believed.everywhere?.kinds ?? []) kinds.set(said.name, new Set(said.kinds));
  return kinds;
}

/** `i` is the imaginary unit where nothing counts with it. */
function isImaginary(
  statement: Statement,
  sheet: SheetNames,
  kinds: ReadonlyMap<string, ReadonlySet<Kind>>,
): boolean {
  if (kinds.get('i')?.has('integer') || kinds.get('i')?.has('real')) return false;
  for (let back = 0; back <= BESIDE; back++) {
    if (sheet.countsI.has(statement.paragraph - back)) return false;
  }
  return sheet.complex || statement.sides.some((side) => usesOfI(side).unit);
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
