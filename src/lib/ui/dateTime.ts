const two = (n: number): string => String(n).padStart(2, '0');

/** A moment as fields of date and time have it, by the clock of the reader; both empty for none. */
export function dateAndTime(iso: string | null): { readonly date: string; readonly time: string } {
  if (!iso) return { date: '', time: '' };
  const at = new Date(iso);
  return {
    date: `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`,
    time: `${two(at.getHours())}:${two(at.getMinutes())}`,
  };
}

/** The moment that two fields name; the end of the day when no time is given, null when no date is. */
export function momentOf(date: string, time: string): string | null {
  if (date === '') return null;
  const at = new Date(`${date}T${time === '' ? '23:59' : time}`);
  return Number.isNaN(at.getTime()) ? null : at.toISOString();
}
