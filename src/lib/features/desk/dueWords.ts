const DAY = 86_400_000;

/** A due date as one would say it: “today 18:00”, “tomorrow”, “in 5 days”, “3 days ago”. */
export function dueWords(dueAt: string | null, now: Date): string {
  if (!dueAt) return 'no date';
  const due = new Date(dueAt);
  const midnight = (d: Date): number =>
    new Date(d.getFullYear(), d.getMonth(), d.getDate()).getTime();
  const days = Math.round((midnight(due) - midnight(now)) / DAY);
  const clock = `${String(due.getHours()).padStart(2, '0')}:${String(due.getMinutes()).padStart(2, '0')}`;
  if (days === 0) return `today ${clock}`;
  if (days === 1) return `tomorrow ${clock}`;
  if (days === -1) return 'yesterday';
  return days > 0 ? `in ${days} days` : `${-days} days ago`;
}
