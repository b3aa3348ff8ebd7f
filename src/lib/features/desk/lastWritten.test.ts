import { expect, it } from 'vitest';
import type { DeskCourse } from '$lib/domain/assignment';
import { lastWrittenFirst } from './lastWritten';

/** Courses of cards that were written at these times. */
const desk = (...times: readonly (readonly string[])[]): DeskCourse[] =>
  times.map((of, c) => ({
    id: `c${c}`,
    assignments: of.map((writtenAt, n) => ({ id: `c${c}n${n}`, writtenAt })),
  })) as unknown as DeskCourse[];
const ids = (courses: readonly DeskCourse[]) =>
  courses.map(({ assignments }) => assignments.map(({ id }) => id));

it.each([
  [
    'in another course',
    [
      ['1', '2'],
      ['1', '3'],
    ],
    [
      ['c1n1', 'c1n0'],
      ['c0n0', 'c0n1'],
    ],
  ],
  ['in front already', [['4'], ['1', '3']], [['c0n0'], ['c1n0', 'c1n1']]],
  ['of several at once the first', [[], ['2', '2']], [['c1n0', 'c1n1'], []]],
  ['of none', [[], []], [[], []]],
] as const)('the sheet that was written last comes first: %s', (_, times, wanted) => {
  expect(ids(lastWrittenFirst(desk(...times)))).toEqual(wanted);
});
