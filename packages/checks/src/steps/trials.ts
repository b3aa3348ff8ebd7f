import {
  freeNames,
  some,
  walk,
  type Expr,
  type Relation,
  type RelationSign,
} from '../reading/expression';
import { evaluate, relationHolds } from '../values/evaluate';
import { newMeter, withValue, type Definition, type Meter, type Setting } from '../values/setting';
import { CannotTell, toInteger, valueText, type Value } from '../numbers/value';
import { compare, type Comparison, type Places } from './compare';
import { isWhole } from '../values/recursion';
import { equationsAbout, keepTo, namesOf } from './equations';
import { sequenceOf, type Equation, type Facts } from './facts';
import { powerModulo } from './modular';
import { randomFrom, type Random } from './random';
import { anyFunction, domainOf, namesTogether, sample, wholeNames, type Domain } from './sampling';

/** One step of a chain, read. */
export interface Claim {
  readonly left: Expr;
  readonly sign: RelationSign;
  readonly right: Expr;
  readonly modulus: Expr | null;
  /** Decimal places of a side written as a decimal. */
  readonly places: Places;
  readonly logBase: number;
}

/** Values tried and what both sides came to. */
export interface Trial {
  readonly values: ReadonlyMap<string, Value>;
  readonly setting: Setting;
  readonly left: Value;
  readonly right: Value;
}

export interface Trials {
  readonly agreed: number;
  readonly differed: number;
  readonly unsure: number;
  readonly agrees: Trial | null;
  readonly differs: Trial | null;
  /** Why nothing could be worked out, where nothing could. */
  readonly reason: string | null;
  /** The left side came to the same for all values. */
  readonly leftIsConstant: boolean;
  /** Everything that was worked out was exact. */
  readonly exact: boolean;
  /** Functions and sequences about which nothing is known were taken as any. */
  readonly anything: boolean;
  readonly anyFunctions: boolean;
  /** Names that stood for matrices or vectors. */
  readonly matrixNames: ReadonlySet<string>;
  /** Equations of the sheet were kept to. */
  readonly under: readonly Equation[];
}

/** So many trials are wanted, and so many made at most to get them. */
const WANTED = 12;
const MOST = 240;
/** Operations that may still be done for a step, over all ways to read it. */
export interface Budget {
  left: number;
}

/** Operations for one trial, and for a step. */
const WORK = 60_000;
export const TOTAL_WORK = 400_000;

/**
 * Tries a claim with values for its names, within what is assumed; with `equations`, with values that keep to those
 * too.
 */
export function tryClaim(
  claim: Claim,
  facts: Facts,
  equations: readonly Equation[],
  budget: Budget = { left: TOTAL_WORK },
): Trials {
  const plan = planFor(claim, facts, equations);
  let [agreed, differed, unsure, undefinedCount, refused] = [0, 0, 0, 0, 0];
  let agrees: Trial | null = null;
  let differs: Trial | null = null;
  let reason: string | null = null;
  let exact = true;
  const lefts = new Set<string>();
  const most = plan.names.length === 0 && !plan.anything ? 1 : MOST;
  for (
    let attempt = 0;
    attempt < most && agreed + differed + unsure < WANTED && budget.left > 0;
    attempt++
  ) {
    const meter = newMeter(Math.min(WORK, budget.left));
    const before = meter.left;
    try {
      const made = makeTrial(claim, facts, plan, attempt, meter);
      budget.left -= before - meter.left;
      if (!made) {
        refused++;
        continue;
      }
      const { comparison, trial } = made;
      exact = exact && isPlainlyExact(trial);
      lefts.add(valueText(trial.left));
      if (comparison === 'agree') [agreed, agrees] = [agreed + 1, agrees ?? trial];
      else if (comparison === 'differ')
        [differed, differs] = [differed + 1, simpler(differs, trial)];
      else if (comparison === 'unsure') unsure++;
      else undefinedCount++;
    } catch (error) {
      budget.left -= before - meter.left;
      if (!(error instanceof CannotTell)) throw error;
      reason = error.message;
      // What cannot be worked out now will hardly be with other numbers.
      if (++refused > 20 && agreed + differed === 0) break;
    }
    if (undefinedCount > 60 && agreed + differed === 0) break;
  }
  if (agreed + differed > 0) reason = null;
  else
    reason ??= undefinedCount
      ? 'a side is not defined for the values that were tried'
      : 'no values were found that keep to what is assumed';
  return {
    agreed,
    differed,
    unsure,
    agrees,
    differs,
    reason,
    exact,
    leftIsConstant: lefts.size === 1,
    anything: plan.anything,
    anyFunctions: plan.opaque.length > 0,
    matrixNames: matrixNames(plan),
    under: plan.equations,
  };
}

const matrixNames = ({ domains }: Plan): ReadonlySet<string> =>
  new Set(
    [...domains]
      .filter(([, { kind }]) => /^(matrix|vector|unit)$/.test(kind))
      .map(([name]) => name),
  );

/** Of two trials the one whose values are sooner read. */
function simpler(before: Trial | null, trial: Trial): Trial {
  const length = ({ values, left, right }: Trial): number =>
    [...values.values(), left, right].reduce<number>(
      (sum, value) => sum + valueText(value).length,
      0,
    );
  return before && length(before) <= length(trial) ? before : trial;
}

const isPlainlyExact = ({ left, right }: Trial): boolean =>
  [left, right].every(
    (value) => typeof value === 'bigint' || (typeof value === 'object' && 'd' in value),
  );

interface Plan {
  readonly names: readonly string[];
  readonly domains: ReadonlyMap<string, Domain>;
  readonly assumptions: readonly Relation[];
  readonly equations: readonly Equation[];
  readonly opaque: readonly (readonly [string, number])[];
  readonly anything: boolean;
  readonly hasSign: boolean;
  /** The name by which sides are integrated without bounds: only their difference counts. */
  readonly upToConstant: string | null;
  readonly sizeName: string | null;
  /** The step is about complex numbers: roots and logarithms of negative ones are taken. */
  readonly complex: boolean;
  /** Cross products are taken: vectors have three coordinates. */
  readonly inSpace: boolean;
}

function planFor(claim: Claim, facts: Facts, equations: readonly Equation[]): Plan {
  const sides = claim.modulus
    ? [claim.left, claim.right, claim.modulus]
    : [claim.left, claim.right];
  const used = sidesWithDefinitions(sides, facts);
  const own = new Set(sides.flatMap((side) => [...freeNames(side)]));
  for (const name of used.flatMap((side) => [...freeNames(side)])) own.add(name);
  const chosen = equationsAbout(own, equations);
  for (const name of chosen.flatMap(namesOf)) own.add(name);
  const together = namesTogether(
    own,
    facts.assumptions.filter(({ left, right }) =>
      [...freeNames(left), ...freeNames(right)].some((name) => own.has(name)),
    ),
  );
  const assumptions = facts.assumptions.filter(({ left, right }) => {
    const names = [...freeNames(left), ...freeNames(right)];
    return names.some((name) => own.has(name)) && names.every((name) => together.has(name));
  });
  const everything = [
    ...used,
    ...chosen.flatMap(({ left, right }) => [left, right]),
    ...assumptions.flatMap(({ left, right }) => [left, right]),
  ];
  const whole = wholeNames(everything);
  const congruent = /^[≡≢∣∤]$/.test(claim.sign);
  // A term of a sequence that is defined is worked out, not chosen.
  const names = [...together].filter(
    (name) => !/(\(\)|_)$/.test(name) && !facts.functions.has(sequenceOf(name)),
  );
  const opaque = opaqueFunctions(everything, facts);
  const domains = new Map(
    names.map((name) => [name, domainOf(name, facts, whole, congruent)] as const),
  );
  const isSequence = sides.some((side) =>
    some(side, (part) => {
      const name =
        part.kind === 'indexed' ? `${part.name}_` : part.kind === 'apply' ? part.name : null;
      if (name === null) return false;
      const defined = facts.functions.get(name);
      return defined ? !isWhole(defined) : part.kind === 'indexed';
    }),
  );
  return {
    names,
    domains,
    assumptions,
    equations: chosen,
    opaque,
    anything: opaque.length > 0 || isSequence,
    hasSign: sides.some((side) => some(side, ({ kind }) => kind === 'sign')),
    upToConstant: indefinite(sides),
    complex: facts.names.imaginary && isComplexStep(used, domains),
    inSpace: sides.some((side) => some(side, ({ kind }) => kind === 'cross')),
    sizeName: facts.matrices && together.has('n') ? 'n' : null,
  };
}

const isComplexStep = (sides: readonly Expr[], domains: ReadonlyMap<string, Domain>): boolean =>
  [...domains.values()].some(({ kind }) => kind === 'complex') ||
  sides.some((side) => some(side, (part) => part.kind === 'constant' && part.name === 'i'));

/** The sides, and what the functions in them are defined as. */
function sidesWithDefinitions(sides: readonly Expr[], facts: Facts): readonly Expr[] {
  const all = [...sides];
  const seen = new Set<string>();
  for (let i = 0; i < all.length && i < 40; i++) {
    walk(all[i] as Expr, (part) => {
      const name =
        part.kind === 'apply' ? part.name : part.kind === 'indexed' ? `${part.name}_` : null;
      const defined = name === null || seen.has(name) ? undefined : facts.functions.get(name);
      if (!name || !defined) return;
      seen.add(name);
      const inner = [...freeNames(defined.body)].filter(
        (free) => !defined.params.includes(free) && !/[()_]$/.test(free),
      );
      all.push(...inner.map((free): Expr => ({ kind: 'name', name: free, from: 0, to: 0 })));
    });
  }
  return all;
}

function opaqueFunctions(
  sides: readonly Expr[],
  facts: Facts,
): readonly (readonly [string, number])[] {
  const found = new Map<string, number>();
  for (const side of sides) {
    walk(side, (part) => {
      if (part.kind === 'apply' && !facts.functions.has(part.name))
        found.set(part.name, part.args.length);
    });
  }
  return [...found];
}

function indefinite(sides: readonly Expr[]): string | null {
  for (const side of sides) {
    let variable: string | null = null;
    walk(side, (part) => {
      if (part.kind === 'integral' && !part.bounds) variable = part.variable;
    });
    if (variable) return variable;
  }
  return null;
}

function makeTrial(
  claim: Claim,
  facts: Facts,
  plan: Plan,
  attempt: number,
  meter: Meter,
): { readonly comparison: Comparison; readonly trial: Trial } | null {
  const random = randomFrom(7919 * attempt + 17);
  const setting = settingFor(claim, facts, plan, attempt, random, meter);
  if (!setting) return null;
  const modulus = claim.modulus ? toInteger(evaluate(claim.modulus, setting)) : null;
  if (claim.modulus && (modulus === null || modulus === 0n || (modulus === 1n && attempt % 4)))
    return null;
  if (plan.upToConstant) return upToConstant(claim, plan.upToConstant, setting);
  const [left, right] = [
    valueOf(claim.left, setting, modulus),
    valueOf(claim.right, setting, modulus),
  ];
  const first = compare(left, claim.sign, right, meter, claim.places, modulus);
  const trial = { values: setting.values, setting, left, right };
  if (!plan.hasSign || first !== 'agree') return { comparison: first, trial };
  const other = { ...setting, sign: -1 } as const;
  const [l, r] = [evaluate(claim.left, other), evaluate(claim.right, other)];
  return {
    comparison: compare(l, claim.sign, r, meter, claim.places, modulus),
    trial: { ...trial, left: l, right: r },
  };
}

/** Powers too long to write out are still known modulo a number. */
function valueOf(expr: Expr, setting: Setting, modulus: bigint | null): Value {
  try {
    return evaluate(expr, setting);
  } catch (error) {
    if (!(error instanceof CannotTell) || !modulus) throw error;
    const value = powerModulo(expr, modulus, (part) => toInteger(evaluate(part, setting)));
    if (value === null) throw error;
    return value;
  }
}

/** Two antiderivatives may differ by a constant: their difference is the same at two places. */
function upToConstant(
  claim: Claim,
  variable: string,
  setting: Setting,
): { readonly comparison: Comparison; readonly trial: Trial } | null {
  const x = setting.values.get(variable);
  if (x === undefined || (typeof x === 'object' && 'rows' in x)) return null;
  const near = withValue(setting, variable, addSmall(x));
  const [l0, r0] = [evaluate(claim.left, setting), evaluate(claim.right, setting)];
  const [l1, r1] = [evaluate(claim.left, near), evaluate(claim.right, near)];
  const [left, right] = [minus(l1, l0), minus(r1, r0)];
  const comparison = compare(left, claim.sign, right, setting.meter, null, null);
  return { comparison, trial: { values: setting.values, setting, left, right } };
}

const numberOf = (value: Value): number =>
  Number(typeof value === 'object' && 'rows' in value ? NaN : value.valueOf());
const addSmall = (value: Value): number => numberOf(value) + 0.37;
const minus = (a: Value, b: Value): number => numberOf(a) - numberOf(b);

function settingFor(
  claim: Claim,
  facts: Facts,
  plan: Plan,
  attempt: number,
  random: Random,
  meter: Meter,
): Setting | null {
  const size = plan.inSpace || attempt % 3 !== 2 ? 3 : 2;
  const values = new Map<string, Value>();
  for (const name of plan.names) {
    const domain = plan.domains.get(name) as Domain;
    values.set(name, name === plan.sizeName ? BigInt(size) : sample(domain, random, size));
  }
  const functions = new Map<string, Definition>(facts.functions);
  for (const [name, count] of plan.opaque) {
    const params = Array.from({ length: count }, (_, i) => `\u0001${i}`);
    functions.set(name, anyFunction(params, random));
  }
  const seed = Math.floor(random() * 1e9);
  const terms = new Map<string, Value>();
  const setting: Setting = {
    values,
    functions,
    indexed: (name) => {
      const known = values.get(name) ?? terms.get(name);
      if (known !== undefined) return known;
      const domain = domainOf(name, facts, new Set(), /^[≡≢∣∤]$/.test(claim.sign));
      const value = sample(
        domain.kind === 'integer' && !facts.kinds.has(name.replace(/_.*$/, ''))
          ? { ...domain, kind: 'real', low: -Infinity }
          : domain,
        randomFrom(seed ^ hash(name)),
        size,
      );
      terms.set(name, value);
      return value;
    },
    sign: 1,
    base: 0.61,
    complex: plan.complex,
    logBase: claim.logBase,
    meter,
  };
  const isCounted = (name: string): boolean => plan.domains.get(name)?.kind === 'integer';
  const kept = plan.equations.length ? keepTo(plan.equations, setting, isCounted) : setting;
  if (!kept) return null;
  return plan.assumptions.every((relation) => holdsSoFar(relation, kept)) ? kept : null;
}

/** An assumption that cannot be worked out is not held against the values. */
function holdsSoFar(relation: Relation, setting: Setting): boolean {
  try {
    return relationHolds(relation, setting) !== false;
  } catch (error) {
    if (error instanceof CannotTell) return true;
    throw error;
  }
}

function hash(text: string): number {
  let value = 2166136261;
  for (const char of text) value = Math.imul(value ^ (char.codePointAt(0) ?? 0), 16777619);
  return value >>> 0;
}

/** The values of a trial for the names of the claim itself, as they are told. */
export function valuesTold({ values }: Trial, claim: Claim): Readonly<Record<string, string>> {
  const names = new Set([
    ...freeNames(claim.left),
    ...freeNames(claim.right),
    ...(claim.modulus ? freeNames(claim.modulus) : []),
  ]);
  return Object.fromEntries(
    [...values]
      .filter(([name]) => names.has(name))
      .map(([name, value]) => [name, valueText(value)]),
  );
}
