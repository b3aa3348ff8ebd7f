import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { NONE_CHANGED, withBlock, withReading } from './changedBlocks';

describe('the blocks that changed', () => {
  it.each([
    ['none, then one', NONE_CHANGED, 3, { from: 3, to: 4 }],
    ['one before', { from: 3, to: 5 }, 1, { from: 1, to: 5 }],
    ['one behind', { from: 3, to: 5 }, 8, { from: 3, to: 9 }],
    ['one within', { from: 3, to: 5 }, 4, { from: 3, to: 5 }],
  ])('%s', (_, changed, index, wanted) => {
    expect(withBlock(changed, index)).toEqual(wanted);
  });

  it.each([
    ['a reading when all is whole', NONE_CHANGED, [2, 4, 9, 9], { from: 2, to: 4 }],
    ['nothing but a block gone', NONE_CHANGED, [2, 2, 9, 8], { from: 2, to: 3 }],
    ['the last block gone', NONE_CHANGED, [8, 8, 9, 8], { from: 8, to: 8 }],
    ['what waits behind moves on', { from: 6, to: 8 }, [2, 4, 9, 11], { from: 2, to: 10 }],
    ['and back, not past the end', { from: 6, to: 9 }, [2, 3, 9, 5], { from: 2, to: 5 }],
  ] as const)('%s', (_, changed, [first, reused, before, length], wanted) => {
    expect(withReading(changed, first, reused, before, length)).toEqual(wanted);
  });

  it('hold every block that any change touched, and stay within the document', () => {
    const reading = fc.record({ keep: fc.nat(9), tail: fc.nat(9), made: fc.nat(9) });
    fc.assert(
      fc.property(fc.array(reading, { maxLength: 8 }), (readings) => {
        // The blocks as they are, each known to have changed or not.
        let blocks = new Array<boolean>(10).fill(false);
        let changed = NONE_CHANGED;
        for (const { keep, tail, made } of readings) {
          const first = Math.min(keep, blocks.length);
          const kept = Math.min(tail, blocks.length - first);
          const before = blocks.length;
          const behind = blocks.slice(before - kept);
          blocks = [...blocks.slice(0, first), ...new Array<boolean>(made).fill(true), ...behind];
          changed = withReading(changed, first, first + made, before, blocks.length);
          expect(changed.to).toBeLessThanOrEqual(blocks.length);
          blocks.forEach((isNew, i) => {
            if (isNew) expect(i >= changed.from && i < changed.to).toBe(true);
          });
        }
      }),
    );
  });
});
