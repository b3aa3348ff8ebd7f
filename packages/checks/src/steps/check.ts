import { freeNames, mapParts, some, type Expr, type RelationSign } from '../reading/expression';
import { OTHERWISE, Unreadable, USUAL, type Habits } from '../reading/reader';
import { readerFor } from '../reading/read';
import type { Token } from '../reading/tokens';
import { valueText } from '../numbers/value';
import { withVariables } from './variables';
import { equationsAbout } from './equations';
import type { Equation, Facts } from './facts';
import {
  TOTAL_WORK,
  tryClaim,
  valuesTold,
  type Budget,
  type Claim,
  type Trial,
  type Trials,
} from './trials';

export type Result = 'holds' | 'differs' | 'sometimes' | 'unknown';

/** How a step came out, and how that is known. */
export interface Outcome {
  readonly result: Result;
  /** In the writer's words. */
  readonly why: string;
  /** The values for which the sides differ, or are both defined; null where there are none. */
  readonly at: Readonly<Record<string, string>> | null;
  /** What both sides came to there. */
  readonly sides: readonly [string, string] | null;
  /** The sides as they were read. */
  readonly read: readonly [Expr, Expr] | null;
  /** The values themselves, for who asks further. */
  readonly trial: Trial | null;
}

/** A step as it is written. */
export interface WrittenStep {
  readonly left: readonly Token[];
  readonly sign: string;
  readonly right: readonly Token[];
  readonly modulus: readonly Token[] | null;
  /** Where its block starts in the text. */
  readonly offset: number;
}

/** May the step be called false? If not, the reason it is left open instead. */
export type MayDiffer = (left: Expr, right: Expr, trials: Trials) => string | null;

const READ_SIGNS = /^[=≠<≤>≥≡≢∣∤≈]$/;

/** Tests one step: read the usual way first, then otherwise where mathematicians write both. */
export function checkStep(step: WrittenStep, facts: Facts, mayDiffer: MayDiffer): Outcome {
  if (!READ_SIGNS.test(step.sign)) return unknown(`the sign ${step.sign} is not tested`);
  const doubts = new Set<keyof Habits>();
  const budget = { left: TOTAL_WORK };
  const usual = readAndTry(step, facts, USUAL, doubts, mayDiffer, budget);
  if (usual.result === 'holds') return usual;
  for (const habits of otherHabits(doubts)) {
    if (budget.left <= 0) break;
    const other = readAndTry(step, facts, habits, new Set(), mayDiffer, budget);
    if (other.result === 'holds') return other;
  }
  if (!facts.perhapsImaginary || budget.left <= 0) return usual;
  const names = { ...facts.names, imaginary: !facts.names.imaginary };
  const flipped = { ...facts, names };
  const other = readAndTry(step, flipped, USUAL, new Set(), mayDiffer, budget);
  return other.result === 'holds' ? other : usual;
}

const unknown = (why: string, read: readonly [Expr, Expr] | null = null): Outcome => ({
  result: 'unknown',
  why,
  at: null,
  sides: null,
  read,
  trial: null,
});

/** Every other habit that matters, one at a time, and then two at once. */
function otherHabits(doubts: ReadonlySet<keyof Habits>): readonly Habits[] {
  const singles = [...doubts].flatMap((key) =>
    OTHERWISE[key].map((value) => ({ [key]: value }) as Partial<Habits>),
  );
  const pairs = singles.flatMap((first, i) =>
    singles.slice(i + 1).map((second) => ({ ...second, ...first })),
  );
  return [...singles, ...pairs.slice(0, 12)].map((change) => ({ ...USUAL, ...change }));
}

const LOG_BASES = { e: Math.E, '10': 10, '2': 2 } as const;

function readAndTry(
  step: WrittenStep,
  facts: Facts,
  habits: Habits,
  doubts: Set<keyof Habits>,
  mayDiffer: MayDiffer,
  budget: Budget,
): Outcome {
  const reader = readerFor(step.offset, facts.names, habits);
  try {
    const near = step.left[0] ?? step.right[0] ?? null;
    const [left, right] = withVariables(
      reader.expression(step.left, near),
      reader.expression(step.right, near),
    );
    const modulus = step.modulus ? reader.expression(step.modulus, near) : null;
    // `7 = 2 (mod 5)` counts modulo as well, where the sides differ without that.
    const sign = (
      step.sign === '=' && modulus && differsPlainly(left, right, facts) ? '≡' : step.sign
    ) as RelationSign;
    if (/^[≡≢]$/.test(sign) && !modulus)
      return unknown('it is not written what is counted modulo', [left, right]);
    const claim = {
      left,
      sign,
      right,
      modulus,
      places: placesOf(left) ?? placesOf(right),
      logBase: LOG_BASES[habits.log],
    };
    return outcomeOf(claim, facts, mayDiffer, budget);
  } catch (error) {
    if (!(error instanceof Unreadable)) throw error;
    return unknown(error.message);
  } finally {
    for (const doubt of reader.doubts) doubts.add(doubt);
  }
}

/** Do two sides differ without a modulus? */
function differsPlainly(left: Expr, right: Expr, facts: Facts): boolean {
  const claim: Claim = { left, sign: '=', right, modulus: null, places: null, logBase: Math.E };
  const { agreed, differed } = tryClaim(claim, facts, []);
  return differed > 0 || agreed === 0;
}

function placesOf(expr: Expr): number | null {
  if (expr.kind === 'negate') return placesOf(expr.body);
  return expr.kind === 'number' ? (expr.places ?? 0) : null;
}

/** First for any values, then, where that is not so, for those that keep to the sheet's equations. */
function outcomeOf(claim: Claim, facts: Facts, mayDiffer: MayDiffer, budget: Budget): Outcome {
  const own = { ...facts, matrices: facts.matrices || speaksOfMatrices(claim) };
  const wide = tryClaim(claim, own, [], budget);
  const plain =
    wide.agreed + wide.differed === 0 && own.assumptions.length > own.nearAssumptions.length
      ? tryClaim(claim, { ...own, assumptions: own.nearAssumptions }, [], budget)
      : wide;
  if (isHeld(plain)) return told(claim, plain, mayDiffer);
  const counted = withTotient(claim, facts);
  if (counted) {
    const trials = tryClaim(counted, own, [], budget);
    if (isHeld(trials)) return told(counted, trials, mayDiffer);
  }
  if (!own.matrices && own.perhapsMatrices && hasCapitals(claim)) {
    const trials = tryClaim(claim, { ...own, matrices: true }, [], budget);
    if (isHeld(trials)) return told(claim, trials, mayDiffer);
  }
  if (own.equations.length === 0) return told(claim, plain, mayDiffer);
  const kept = tryClaim(claim, own, own.equations, budget);
  if (kept.under.length === 0) return told(claim, plain, mayDiffer);
  if (isHeld(kept)) return told(claim, kept, mayDiffer);
  const given = tryClaim(
    claim,
    own,
    own.equations.filter((equation: Equation) => equation.given),
    budget,
  );
  if (given.under.length && given.under.length < kept.under.length && isHeld(given)) {
    return told(claim, given, mayDiffer);
  }
  if (kept.agreed + kept.differed > 0) return told(claim, kept, mayDiffer);
  // What the sheet says before may decide it, but no values were found that keep to it.
  const isMeant = equationsAbout(namesOfClaim(claim), own.equations).some(
    ({ given, near }) => given && near,
  );
  return plain.differed > 0 && isMeant
    ? unknown('no values were found that keep to what the sheet says before', [
        claim.left,
        claim.right,
      ])
    : told(claim, plain, mayDiffer);
}

const hasCapitals = ({ left, right }: Claim): boolean =>
  [left, right].some((side) => [...freeNames(side)].some((name) => /^[A-Z]$/.test(name)));

/** `φ` without a definition may be Euler's function. */
function withTotient(claim: Claim, facts: Facts): Claim | null {
  if (facts.functions.has('φ') || facts.functions.has('ϕ')) return null;
  const isPhi = (expr: Expr): boolean => expr.kind === 'apply' && /^[φϕ]$/.test(expr.name);
  if (!some(claim.left, isPhi) && !some(claim.right, isPhi)) return null;
  const change = (expr: Expr): Expr => {
    const inner = mapParts(expr, change);
    return inner.kind === 'apply' && isPhi(inner)
      ? { kind: 'call', fn: 'totient', args: inner.args, from: inner.from, to: inner.to }
      : inner;
  };
  return { ...claim, left: change(claim.left), right: change(claim.right) };
}

const namesOfClaim = ({ left, right }: Claim): ReadonlySet<string> =>
  new Set([...freeNames(left), ...freeNames(right)]);

const isHeld = ({ agreed, differed, unsure }: Trials): boolean =>
  agreed > 0 && differed === 0 && unsure <= agreed;

function speaksOfMatrices({ left, right }: Claim): boolean {
  const capital = (expr: Expr | undefined): boolean =>
    expr?.kind === 'name' && /^[A-Z]$/.test(expr.name);
  return [left, right].some((side) =>
    some(side, (part) =>
      part.kind === 'transpose'
        ? some(part.body, capital)
        : part.kind === 'call' &&
          /^(det|tr|rank)$/.test(part.fn) &&
          some(part.args[0] as Expr, capital),
    ),
  );
}

/** Values for which a relation holds by accident are so few of those tried. */
const ACCIDENT = 0.25;

function told(claim: Claim, trials: Trials, mayDiffer: MayDiffer): Outcome {
  const { agreed, differed, unsure, agrees, differs } = trials;
  const read = [claim.left, claim.right] as const;
  if (agreed + differed === 0) {
    const why = unsure
      ? 'the sides come too near to each other to tell'
      : (trials.reason ?? 'it was not worked out');
    return unknown(why, read);
  }
  if (isHeld(trials)) return held(claim, trials, agrees as Trial);
  if (differed === 0) return unknown('the sides come too near to each other to tell', read);
  const trial = differs as Trial;
  const stop = mayDiffer(claim.left, claim.right, trials);
  const result = agreed > ACCIDENT * (agreed + differed) ? 'sometimes' : 'differs';
  if (stop) return unknown(stop, read);
  const at = valuesTold(trial, claim);
  const sides = [valueText(trial.left), valueText(trial.right)] as const;
  const where = listed(at);
  const apart = where
    ? `for ${where} the left side is ${sides[0]}, the right side ${sides[1]}`
    : `the left side is ${sides[0]}, the right side ${sides[1]}`;
  const why =
    result === 'differs'
      ? apart
      : `it holds for ${listed(valuesTold(agrees as Trial, claim)) || 'some values'}, but ${apart}`;
  return { result, why, at, sides, read, trial };
}

function held(claim: Claim, trials: Trials, trial: Trial): Outcome {
  const sides = [valueText(trial.left), valueText(trial.right)] as const;
  const names = freeNames(claim.left).size + freeNames(claim.right).size > 0;
  const given = trials.under.length ? ', with what the sheet says before' : '';
  const any = trials.anything ? ', for functions taken as any' : '';
  const why = !names
    ? claim.sign === '=' && trials.exact
      ? `both sides are exactly ${sides[0]}`
      : `the left side is ${sides[0]}, the right side ${sides[1]}`
    : `tried with ${trials.agreed === 1 ? 'one set' : `${trials.agreed} sets`} of values${trials.exact ? ', exactly' : ''}${given}${any}`;
  return {
    result: 'holds',
    why,
    at: names ? valuesTold(trial, claim) : null,
    sides,
    read: [claim.left, claim.right],
    trial,
  };
}

export function listed(at: Readonly<Record<string, string>>): string {
  const parts = Object.entries(at).map(([name, value]) => `${name} = ${value}`);
  return parts.length > 1
    ? `${parts.slice(0, -1).join(', ')} and ${parts.at(-1) ?? ''}`
    : (parts[0] ?? '');
}
