import { expect, it } from 'vitest';
import { outcomeOf, randomSlip, SLIPS, soundDocuments } from '../testing/mutations';
import { numbers } from '../testing/random';

/** A small share of what `npm run slips` tries, with the same figures asked of it. */
const EACH = 6;

it('of slips put in by machine most are mended by the first buttons, and hardly one makes it worse', () => {
  const random = numbers(3);
  const documents = soundDocuments();
  expect(documents.length).toBeGreaterThan(30);
  const outcomes = SLIPS.flatMap((kind) => {
    const found = [];
    while (found.length < EACH) {
      const sound = documents[Math.floor(random() * documents.length)] ?? '';
      const slip = randomSlip(sound, kind, random);
      if (slip) found.push(outcomeOf(sound, slip));
    }
    return found;
  });
  const share = (of: (outcome: (typeof outcomes)[number]) => boolean): number =>
    outcomes.filter(of).length / outcomes.length;
  expect(share(({ isMended }) => isMended)).toBeGreaterThan(0.8);
  expect(share(({ worse }) => worse !== null)).toBeLessThan(0.06);
  expect(share(({ notes }) => notes > 3)).toBeLessThan(0.1);
}, 120_000);
