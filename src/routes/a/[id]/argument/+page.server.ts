import { found, idOr404 } from '$lib/server/input';
import type { PageServerLoad } from './$types';

/** The sheet, to see what in it rests on what. */
export const load: PageServerLoad = ({ params, locals }) => {
  const id = idOr404(params.id);
  return { assignment: found(locals.services.assignments.open(id, null)) };
};
