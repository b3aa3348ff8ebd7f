import fc from 'fast-check';
import { expect, it } from 'vitest';
import { chooser, places, RULES, trees, written, type Tree } from './testing/identities';
import { isFalse, stepsIn } from './testing/sheet';

const choices = fc.array(fc.nat(1000), { minLength: 30, maxLength: 30 });

/** A tree and another form of it, three rules away. */
const rewritten = fc.tuple(trees, choices).map(([tree, list]) => {
  const choose = chooser(list);
  let form: Tree = tree;
  for (let i = 0; i < 3; i++) {
    const spots = places(form);
    const spot = spots[choose(spots.length)] as (typeof spots)[number];
    const rule = RULES[choose(RULES.length)] as (typeof RULES)[number];
    const other = rule(spot.at);
    if (other) form = spot.put(other);
  }
  return { tree, form, choose };
});

it('random identities in random notation are never called false', () => {
  let holding = 0;
  let all = 0;
  fc.assert(
    fc.property(fc.array(rewritten, { minLength: 12, maxLength: 12 }), (chains) => {
      const body = chains.map(({ tree, form, choose }) => {
        const sides = [tree, form, tree].map((side) => written(side, choose));
        return `\\[ ${sides.join(' = ')} \\]`;
      });
      const steps = stepsIn(body.join('\n\n'));
      expect(
        steps
          .filter(({ step }) => isFalse(step))
          .map(({ left, right, step }) => [left, right, step.outcome.why]),
      ).toEqual([]);
      all += steps.length;
      holding += steps.filter(({ step }) => step.outcome.result === 'holds').length;
    }),
    { numRuns: 25 },
  );
  expect(holding / all).toBeGreaterThan(0.8);
});

it('changed ones nearly always are', () => {
  let [found, all] = [0, 0];
  fc.assert(
    fc.property(fc.array(rewritten, { minLength: 12, maxLength: 12 }), (chains) => {
      const changed = chains.map(({ tree, form, choose }) => {
        const wrong: Tree = { op: '+', a: form, b: { op: 'number', value: 1 + choose(3) } };
        return [form, tree, wrong].map((side) => written(side, choose)).join(' = ');
      });
      const steps = stepsIn(changed.map((chain) => `\\[ ${chain} \\]`).join('\n\n'));
      all += chains.length;
      found += steps.filter(({ step }, i) => i % 2 === 1 && isFalse(step)).length;
    }),
    { numRuns: 10 },
  );
  expect(found / all).toBeGreaterThan(0.9);
});
