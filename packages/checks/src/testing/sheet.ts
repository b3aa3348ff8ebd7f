import { inArticle, typeset } from '@odd-compass/engine/testing';
import { sideText, stepsOf, type Step } from '../index';

/** A step of a sheet as its text. */
export interface ShownStep {
  readonly left: string;
  readonly sign: string;
  readonly right: string;
  readonly step: Step;
}

/** The steps of a body put into a small sheet, tested. */
export function stepsIn(body: string): readonly ShownStep[] {
  const text = inArticle(body);
  return [...stepsOf(typeset(text).written())].map((step) => ({
    left: sideText(text, step.left),
    sign: text.slice(step.from, step.to),
    right: sideText(text, step.right),
    step,
  }));
}

/** How the steps of a body come out, in order. */
export const resultsIn = (body: string): readonly string[] =>
  stepsIn(body).map(({ step }) => step.outcome.result);

/** Was a step called false, for all values or for some? */
export const isFalse = ({ outcome }: Step): boolean =>
  outcome.result === 'differs' || outcome.result === 'sometimes';
