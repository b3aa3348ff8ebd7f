import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  continuedOn,
  type ExamMark,
  incompleteOn,
  inParts,
  markRead,
  pagesOf,
  type PlacedExamMark,
  pointsWritten,
  questionsOf,
  sumOf,
  writtenMark,
} from './examPoints';

/** Marks in a few signs: `?2` question 2, `5` points, `+5` bonus points, `.` end, `<a` and `a>` a range, `|` a new page. */
function marks(signs: string): PlacedExamMark[] {
  let page = 1;
  return signs.split(' ').flatMap((sign): PlacedExamMark[] => {
    if (sign === '|') return (void page++, []);
    if (sign.startsWith('?')) return [{ kind: 'question', number: sign.slice(1), page }];
    if (sign === '.') return [{ kind: 'end', page }];
    if (sign.startsWith('<')) return [{ kind: 'range', name: sign.slice(1), page }];
    if (sign.endsWith('>')) return [{ kind: 'rangeend', name: sign.slice(0, -1), page }];
    return [{ kind: 'points', points: Number(sign), bonus: sign.startsWith('+'), page }];
  });
}

describe('the points of questions', () => {
  it.each([
    ['?1 5 .', null, ['1: 5+0']],
    ['?1 5 2 . ?2 .', null, ['1: 7+0', '2: 0+0']],
    ['?1 5 +2 . ?2 2.5 0.5 .', null, ['1: 5+2', '2: 3+0']],
    ['?1 5 . <a ?2 1 . ?3 2 . a> ?4 8 .', 'a', ['2: 1+0', '3: 2+0']],
    ['?1 5 .', 'a', []],
    ['5 ?1 1 .', null, ['1: 1+0']],
  ])('%s, range %s', (signs, range, said) => {
    const found = questionsOf(marks(signs), range);
    expect(found.map(({ label, points, bonus }) => `${label}: ${points}+${bonus}`)).toEqual(said);
  });

  it.each([
    ['?1 5 | 2 . ?2 3 +1 .', ['1: 5+0', '2: 5+1']],
    ['?1 | | 2 .', ['3: 2+0']],
  ])('by pages: %s', (signs, said) => {
    const found = pagesOf(marks(signs));
    expect(found.map(({ label, points, bonus }) => `${label}: ${points}+${bonus}`)).toEqual(said);
  });

  it.each([
    ['?1 . ?2 | . ?3 .', 1, null, '2'],
    ['?1 . ?2 | . ?3 .', 2, '2', null],
    ['?1 | | .', 2, '1', '1'],
    ['?1 . | ?2 .', 2, null, null],
    ['?1 | ', 1, null, '1'],
  ])('%s on page %d: goes on %s, is not done %s', (signs, page, continued, incomplete) => {
    const found = questionsOf(marks(signs));
    expect([continuedOn(found, page), incompleteOn(found, page)]).toEqual([continued, incomplete]);
  });

  it('are the same counted by questions and by pages', () => {
    const sign = fc.constantFrom('?1', '5', '+3', '0.5', '|');
    fc.assert(
      fc.property(fc.array(sign), (signs) => {
        const all = marks(['?0', ...signs, '.'].join(' '));
        expect(sumOf(questionsOf(all))).toEqual(sumOf(pagesOf(all)));
      }),
    );
  });
});

it('marks come back as they were written', () => {
  const every: ExamMark[] = [
    { kind: 'question', number: '12' },
    { kind: 'item', level: 'subpart' },
    { kind: 'points', points: 2.5, bonus: true },
    { kind: 'points', points: 3, bonus: false },
    { kind: 'end' },
    { kind: 'range', name: 'tides' },
    { kind: 'rangeend', name: 'tides' },
  ];
  for (const mark of every) expect(markRead(writtenMark(mark), 'iv')).toEqual({ ...mark, page: 4 });
  expect(markRead('something else', '1')).toBeNull();
});

it.each([
  [0, '0'],
  [3, '3'],
  [0.5, '\\half{}'],
  [18.5, '18\\half{}'],
])('%d points are written %s', (points, said) => expect(pointsWritten(points)).toBe(said));

it.each([
  [0, 2, [0]],
  [3, 2, [2, 1]],
  [4, 2, [3, 1]],
  [5, 1, [5]],
  [3, 9, [1, 1, 1]],
])('%d rows in %d parts, with room for the total', (rows, count, sizes) => {
  const parts = inParts(Array.from({ length: rows }), count);
  expect(parts.map((part) => part.length)).toEqual(sizes);
});
