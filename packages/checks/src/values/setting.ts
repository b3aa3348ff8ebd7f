import type { Expr } from '../reading/expression';
import type { Taken } from '../numbers/functions';
import type { Value } from '../numbers/value';

/** What a name that is a function stands for. */
export interface Definition {
  readonly params: readonly string[];
  readonly body: Expr;
  readonly recursion?: Recursion;
}

/** How a sequence is said by its earlier terms: the term at `param + shift` is `body`. */
export interface Recursion {
  readonly shift: bigint;
  /** From so many terms before it the next one is worked out. */
  readonly reach: number;
  /** Terms that are said by themselves, by their index. */
  readonly first: ReadonlyMap<bigint, FirstTerm>;
}

export interface FirstTerm {
  readonly value: Expr;
  /** It was supposed, not claimed: it stands also where the earlier terms would give another. */
  readonly given: boolean;
  /** The paragraph it was said in. */
  readonly paragraph: number;
}

/** What an expression is worked out with. Only `work`, `scale` and `rough` change, as it is worked out. */
export interface Setting extends Taken {
  readonly values: ReadonlyMap<string, Value>;
  readonly functions: ReadonlyMap<string, Definition>;
  /** The value of a letter with an index, by its name with the index worked out (`a_3`). */
  readonly indexed: (name: string) => Value;
  /** Which of the two signs `\pm` stands for. */
  readonly sign: 1 | -1;
  /** Where integrals without bounds begin. */
  readonly base: number;
  readonly meter: Meter;
}

/** Counts the work, and how exact what comes of it can be. */
export interface Meter {
  /** Operations that may still be done. */
  left: number;
  /** The largest rounded number that was added. */
  scale: number;
  /** Error that approaching (integrals, limits, series) leaves, absolute. */
  rough: number;
  /** Terms of sequences that are worked out already. */
  readonly terms: Map<string, Value>;
}

export const newMeter = (left: number): Meter => ({ left, scale: 0, rough: 0, terms: new Map() });

/** The same with a name's value changed. */
export function withValue(setting: Setting, name: string, value: Value): Setting {
  return { ...setting, values: new Map(setting.values).set(name, value) };
}

/** A value about to be added: its size tells how much rounding may hide. */
export const counted = (value: Value, { meter }: Setting): Value => {
  if (typeof value === 'number') meter.scale = Math.max(meter.scale, Math.abs(value) || 0);
  return value;
};
