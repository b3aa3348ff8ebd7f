import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, url }) => {
  const courses = locals.services.desk.desk().filter(({ archived }) => !archived);
  const asked = url.searchParams.get('course');
  return {
    courses: courses.map(({ assignments: _, archived: __, ...course }) => course),
    earlier: courses.flatMap(({ title: course, assignments }) =>
      assignments.map(({ id, title }) => ({ id, title, course })),
    ),
    profile: locals.services.settings.profile(),
    course: courses.some(({ id }) => id === asked) ? asked : null,
  };
};
