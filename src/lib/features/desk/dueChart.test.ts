import { describe, expect, it } from 'vitest';
import type { AssignmentCard, DeskCourse } from '$lib/domain/assignment';
import { dateAndTime, momentOf } from '$lib/ui/dateTime';
import { dueChart, MOST_PAGES } from './dueChart';
import { nearest } from './nearest';

const now = new Date(2026, 2, 10, 9);
const card = (id: string, day: number, more: Partial<AssignmentCard> = {}): AssignmentCard => ({
  id,
  courseId: 'c',
  title: `Sheet ${id}`,
  kind: 'notes',
  dueAt: new Date(2026, 2, day, 18).toISOString(),
  state: 'draft',
  edition: 1,
  archived: false,
  pages: 2,
  toFix: 0,
  writtenAt: '2026-03-01T09:00:00.000Z',
  ...more,
});
const course = (...assignments: AssignmentCard[]): DeskCourse => ({
  id: 'c',
  code: 'C',
  title: 'C',
  term: '',
  colour: 'moss',
  archived: false,
  assignments,
});

describe('the chart of what is due', () => {
  it('has a pile of pages for each sheet that is to be handed in within the weeks ahead', () => {
    const { piles, today } = dueChart(
      [
        course(
          card('late', 9),
          card('soon', 12, { pages: MOST_PAGES + 3 }),
          card('done', 12, { state: 'handed-in' }),
          card('away', 12, { archived: true }),
          card('no date', 12, { dueAt: null }),
          card('next term', 80),
          card('empty', 20, { pages: null }),
        ),
      ],
      now,
      1000,
    );
    expect(piles.map(({ card: { id }, pages, more }) => [id, pages, more])).toEqual([
      ['late', 2, 0],
      ['soon', MOST_PAGES, 3],
      ['empty', 0, 0],
    ]);
    const [late, soon] = piles;
    expect(late?.x).toBeLessThan(today);
    expect(soon?.x).toBeGreaterThan(today);
    expect(soon?.ink).toBe('moss');
  });
  it('puts titles that would run into each other in rows of their own', () => {
    const { piles } = dueChart([course(card('a', 12), card('b', 12), card('c', 25))], now, 1000);
    expect(piles.map(({ row }) => row)).toEqual([0, 1, 0]);
  });
});

it('of many sheets those are shown that are due about now, in their order', () => {
  const all = [card('old', 1), card('soon', 12), card('today', 10), card('far', 30)];
  const ids = nearest(all, (one) => one, 2, now).map(({ id }) => id);
  expect(ids).toEqual(['soon', 'today']);
  expect(nearest(all, (one) => one, 4, now)).toBe(all);
});

it('moments go into fields of date and time and come out the same', () => {
  const iso = new Date(2026, 2, 5, 18, 30).toISOString();
  const { date, time } = dateAndTime(iso);
  expect([date, time]).toEqual(['2026-03-05', '18:30']);
  expect(momentOf(date, time)).toBe(iso);
  expect(momentOf('', '18:30')).toBeNull();
  expect(new Date(momentOf('2026-03-05', '') ?? 0).getHours()).toBe(23);
  expect(dateAndTime(null)).toEqual({ date: '', time: '' });
});
