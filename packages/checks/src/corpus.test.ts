import { describe, expect, it } from 'vitest';
import { PAIRS } from './testing/corpus';
import { isFalse, stepsIn } from './testing/sheet';

describe('the corpus of chains', () => {
  const right = PAIRS.map((pair) => ({ pair, steps: stepsIn(pair.right).map(({ step }) => step) }));
  it('has three hundred pairs, no two alike', () => {
    expect(PAIRS.length).toBeGreaterThanOrEqual(300);
    expect(new Set(PAIRS.map((pair) => pair.right)).size).toBe(PAIRS.length);
    expect(PAIRS.filter((pair) => pair.right === pair.slipped)).toEqual([]);
  });
  it('calls no true step false, and answers “holds” for eight of ten', () => {
    expect(right.filter(({ steps }) => steps.some(isFalse)).map(({ pair }) => pair.right)).toEqual(
      [],
    );
    const all = right.flatMap(({ steps }) => steps);
    const holding = all.filter(({ outcome }) => outcome.result === 'holds').length;
    console.info(
      `true steps: ${all.length}, called false: 0, hold: ${((100 * holding) / all.length).toFixed(1)} %`,
    );
    expect(holding / all.length).toBeGreaterThan(0.88);
  });
  it.each([
    ['one below the other', '\n\n'],
    ['in sections', '\n\n\\section{A}\n'],
  ])('calls none false where all stand on one sheet, %s', (_, between) => {
    const sheet = PAIRS.map((pair) => pair.right).join(between);
    const told = stepsIn(sheet).filter(({ step }) => isFalse(step));
    expect(told.map(({ left, right, step }) => [left, right, step.outcome.why])).toEqual([]);
  });
  it('finds nine of ten slips on one sheet too', () => {
    const steps = stepsIn(PAIRS.map((pair) => pair.slipped).join('\n\n\\section{A}\n'));
    expect(steps.filter(({ step }) => isFalse(step)).length).toBeGreaterThan(0.9 * PAIRS.length);
  });
  it('finds nine of ten slips', () => {
    const found = PAIRS.filter(({ slipped }) => stepsIn(slipped).some(({ step }) => isFalse(step)));
    console.info(`slips found: ${found.length} of ${PAIRS.length}`);
    expect(found.length / PAIRS.length).toBeGreaterThan(0.95);
  });
});
