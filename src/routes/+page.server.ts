import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) => ({
  courses: locals.services.desk.desk(),
  deleted: locals.services.desk.deleted(),
  profile: locals.services.settings.profile(),
});
