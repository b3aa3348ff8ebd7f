import type { DeskCourse } from '$lib/domain/assignment';

/** The courses with the sheet that was written last in front, and its course; all else stays in its order. */
export function lastWrittenFirst(courses: readonly DeskCourse[]): readonly DeskCourse[] {
  const times = courses.flatMap(({ assignments }) => assignments.map((card) => card.writtenAt));
  const last = times.reduce((a, b) => (b > a ? b : a), '');
  const of = courses.find(({ assignments }) => assignments.some((card) => card.writtenAt === last));
  const card = of?.assignments.find(({ writtenAt }) => writtenAt === last);
  if (!of || !card) return courses;
  const first = { ...of, assignments: [card, ...of.assignments.filter((one) => one !== card)] };
  return [first, ...courses.filter((course) => course !== of)];
}
