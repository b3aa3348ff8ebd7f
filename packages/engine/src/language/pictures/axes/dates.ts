import type { Token } from '../../../expansion/meaning';
import type { Interpreter } from '../../machine/interpreter';

/** Milliseconds of a day. */
const DAY = 86_400_000;

/**
 * A date (`2026-03-01`, with ` 14:30` behind it) as days since 1970, by the calendar of today.
 *
 * @returns null for what is no date.
 */
export function dayOf(text: string): number | null {
  const found = /^\s*(\d{1,4})-(\d{1,2})-(\d{1,2})(?:[ T](\d{1,2}):(\d{2}))?\s*$/.exec(text);
  if (!found) return null;
  const [year = 0, month = 1, day = 1, hour = 0, minute = 0] = found
    .slice(1)
    .map((part) => Number(part ?? 0));
  return Date.UTC(year, month - 1, day, hour, minute) / DAY;
}

/** The names of the parts of a date as tick labels ask for them (library dateplot). */
const PARTS: Readonly<Record<string, (date: Date) => string>> = {
  year: (date) => String(date.getUTCFullYear()),
  month: (date) => two(date.getUTCMonth() + 1),
  day: (date) => two(date.getUTCDate()),
  Hour: (date) => String(date.getUTCHours()),
  hour: (date) => two(date.getUTCHours()),
  Minute: (date) => String(date.getUTCMinutes()),
  minute: (date) => two(date.getUTCMinutes()),
  lowlevel: () => '',
};
const two = (n: number): string => String(n).padStart(2, '0');

/** What is written at a day: as it is asked, or year, month and day. */
export function dateLabel(
  it: Interpreter,
  day: number,
  code: readonly Token[] | null,
): readonly Token[] {
  const date = new Date(Math.round(day * 1440) * 60_000);
  const defined = Object.entries(PARTS).map(([name, of]) => `\\def\\${name}{${of(date)}}`);
  return [...it.source(defined.join('')), ...(code ?? it.source('\\year-\\month-\\day'))];
}
