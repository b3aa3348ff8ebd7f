import type { AssignmentCard } from '$lib/domain/assignment';

/** What has no date stands as if it were due this far away, ms. */
const NO_DATE = 14 * 86_400_000;

const distance = ({ dueAt }: AssignmentCard, now: Date): number =>
  dueAt === null ? NO_DATE : Math.abs(new Date(dueAt).getTime() - now.getTime());

/** So many of a list as lie nearest to now, in the order of the list. */
export function nearest<T>(
  list: readonly T[],
  cardOf: (one: T) => AssignmentCard,
  most: number,
  now: Date,
): readonly T[] {
  if (list.length <= most) return list;
  const near = [...list].sort((a, b) => distance(cardOf(a), now) - distance(cardOf(b), now));
  const kept = new Set(near.slice(0, most));
  return list.filter((one) => kept.has(one));
}
