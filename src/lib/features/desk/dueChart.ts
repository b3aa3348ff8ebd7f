import type { AssignmentCard, DeskCourse, Ink } from '$lib/domain/assignment';
import { scaleTime, type ScaleTime } from 'd3-scale';
import { timeDay, timeMonday } from 'd3-time';
import { timeFormat } from 'd3-time-format';

/** An assignment on the chart: a pile of its pages on the day it is due. */
export interface Pile {
  readonly card: AssignmentCard;
  readonly ink: Ink;
  readonly x: number;
  /** Pages that are drawn; `more` of them are only counted. */
  readonly pages: number;
  readonly more: number;
  /** The row of its title, from 0, so that titles do not run into each other. */
  readonly row: number;
}

export interface DueChart {
  readonly piles: readonly Pile[];
  readonly days: readonly { readonly x: number; readonly words: string; readonly week: boolean }[];
  readonly today: number;
}

/** Weeks that are looked ahead, and days that are looked back. */
const WEEKS = 5;
const BACK = 2;
export const MOST_PAGES = 8;
const ROWS = 3;
/** What a letter of a title takes, CSS pixels, roughly. */
const LETTER = 7;
const LONGEST = 22;

export const shortTitle = (title: string): string =>
  title.length > LONGEST ? `${title.slice(0, LONGEST - 1)}…` : title;

const weekday = timeFormat('%-d %b');

/** What is due over the coming weeks and not handed in, laid out on a line of time so wide, in CSS pixels. */
export function dueChart(courses: readonly DeskCourse[], now: Date, width: number): DueChart {
  const start = timeDay.offset(timeDay.floor(now), -BACK);
  const end = timeDay.offset(start, 7 * WEEKS);
  const x = scaleTime([start, end], [0, width]);
  const due = courses
    .flatMap(({ colour, assignments }) => assignments.map((card) => ({ card, ink: colour })))
    .filter(({ card }) => card.dueAt && !card.archived && card.state !== 'handed-in')
    .map((one) => ({ ...one, at: new Date(one.card.dueAt ?? 0) }))
    .filter(({ at }) => at >= start && at <= end)
    .sort((a, b) => a.at.getTime() - b.at.getTime());
  const ends: number[] = Array.from({ length: ROWS }, () => -Infinity);
  const piles = due.map(({ card, ink, at }): Pile => {
    const place = x(at);
    const long = LETTER * shortTitle(card.title).length;
    const free = ends.findIndex((right) => right < place - long / 2);
    const row = free < 0 ? ends.indexOf(Math.min(...ends)) : free;
    ends[row] = place + long / 2 + 6;
    const all = card.pages ?? 0;
    const pages = Math.min(all, MOST_PAGES);
    return { card, ink, x: place, pages, more: all - pages, row };
  });
  return { piles, days: daysOf(x, start, end), today: x(now) };
}

const daysOf = (x: ScaleTime<number, number>, start: Date, end: Date): DueChart['days'] =>
  timeDay.range(start, end).map((day) => ({
    x: x(day),
    words: weekday(day),
    week: timeMonday.floor(day).getTime() === day.getTime(),
  }));
