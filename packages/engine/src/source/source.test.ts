import fc from 'fast-check';
import { expect, it } from 'vitest';
import { applyEdit, applyEdits, editBetween } from './edits';
import { lineMap, positionAt } from './lines';

it('tells line and column from 1, whatever ends the lines', () => {
  const map = lineMap('ab\ncd\r\ne\rf');
  expect(positionAt(map, 0)).toEqual({ line: 1, column: 1 });
  expect(positionAt(map, 4)).toEqual({ line: 2, column: 2 });
  expect(positionAt(map, 7)).toEqual({ line: 3, column: 1 });
  expect(positionAt(map, 9)).toEqual({ line: 4, column: 1 });
  expect(positionAt(map, 99)).toEqual({ line: 4, column: 2 });
});

it('finds the one edit between two texts', () => {
  fc.assert(
    fc.property(fc.string(), fc.string(), (before, after) => {
      const edit = editBetween(before, after);
      expect(edit ? applyEdit(before, edit) : before).toBe(after);
    }),
  );
});

it('applies several edits whose offsets refer to the text before them', () => {
  const edits = [
    { from: 0, to: 1, text: 'X' },
    { from: 4, to: 4, text: '!' },
  ];
  expect(applyEdits('abcd', edits)).toBe('Xbcd!');
});
