import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const filled = (fill: string) =>
  laidBody(`Ebb\\par\\nointerlineskip ${fill}\\noindent Flow`, '').rules.filter(
    ({ width }) => width > 0.01,
  );
const copies = (high: number, room: number) =>
  filled(`\\leaders\\hbox{\\vrule width3pt height${high}pt}\\vskip${room}pt`);

/** The TeXbook, chapter 21: leaders in a vertical list. */
describe('space between blocks that is filled', () => {
  it('with as many copies of a box as there is room for', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 4, max: 30 }),
        fc.integer({ min: 1, max: 200 }),
        (high, room) => {
          const found = copies(high, room);
          expect(found).toHaveLength(Math.floor(room / high));
          const ys = found.map(({ y }) => y).sort((a, b) => a - b);
          ys.slice(1).forEach((y, i) => expect(y - (ys[i] ?? 0)).toBeCloseTo(high, 1));
        },
      ),
      { numRuns: 20 },
    );
  });

  it('with a rule that is as high as the space', () => {
    const [rule, ...others] = filled('\\leaders\\hrule width2pt\\vskip 30pt');
    expect(others).toEqual([]);
    expect(rule?.width).toBeCloseTo(2, 2);
    expect(rule?.height).toBeCloseTo(30, 2);
  });

  it('to the end of the page where the space stretches', () => {
    const found = filled('\\leaders\\hrule width2pt\\vskip 0pt plus 1fill');
    expect(found[0]?.height).toBeGreaterThan(400);
  });

  it('takes its room whatever fills it', () => {
    const at = (fill: string): number =>
      laidBody(`Ebb\\par ${fill}\\noindent Flow`, '').word('Flow').y;
    expect(at('\\leaders\\hrule width2pt\\vskip 30pt')).toBeCloseTo(at('\\vskip 30pt'), 2);
    expect(at('\\cleaders\\hbox{x}\\vskip 30pt')).toBeCloseTo(at('\\vskip 30pt'), 2);
  });

  it.each([
    '\\leaders\\hrule\\hfill',
    '\\leaders\\hbox{.}\\hfill',
    'a\\leaders\\hrule\\vskip 3pt b',
  ])('in a line they are those of lines: %s', (body) =>
    expect(findingsIn(inArticle(`x ${body}\\ y`, ''))).toEqual([]),
  );
});
