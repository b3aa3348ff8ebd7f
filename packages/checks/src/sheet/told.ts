import type { Place } from '../reading/expression';
import { signTex, texOf } from '../reading/print';
import { agreeingParts } from '../steps/agreeing';
import type { Result } from '../steps/check';
import type { Extent, Step } from './sheetSteps';

/** A step with how it came out, as plain data that can be handed from thread to thread. */
export interface ToldStep {
  readonly from: number;
  readonly to: number;
  readonly left: Extent;
  readonly right: Extent;
  readonly relation: string;
  readonly result: Result;
  readonly why: string;
  readonly at: Readonly<Record<string, string>> | null;
  readonly sides: readonly [string, string] | null;
  readonly untested: boolean;
  readonly numbersOnly: boolean;
  /** As it was read, with every bracket and sign; null where it was not. */
  readonly reading: string | null;
  /** What agrees on both sides where they differ. */
  readonly agreeing: readonly Place[];
}

/** A step told in plain data. */
export function tellStep(step: Step): ToldStep {
  const { from, to, left, right, relation, untested, numbersOnly, outcome } = step;
  const { result, why, at, sides, read, trial } = outcome;
  const stands = (part: Place): boolean =>
    [left, right].some(
      (side) => part.from >= side.from && part.to <= side.to && part.to > part.from,
    );
  const differs = result === 'differs' || result === 'sometimes';
  return {
    from,
    to,
    left,
    right,
    relation,
    result,
    why,
    at,
    sides,
    untested,
    numbersOnly,
    reading: read && `${texOf(read[0])} ${signTex(relation)} ${texOf(read[1])}`,
    agreeing:
      differs && read && trial ? agreeingParts(read[0], read[1], trial.setting).filter(stands) : [],
  };
}
