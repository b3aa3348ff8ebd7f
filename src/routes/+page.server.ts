import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) => ({
  courses: locals.services.assignments.desk(),
});
