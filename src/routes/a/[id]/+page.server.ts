import { placeQuery } from '$lib/domain/schemas';
import { checked, found, idOr404 } from '$lib/server/input';
import type { PageServerLoad } from './$types';

/** The assignment with the file to write in; `?at=` is a place in it to go to, `?find=` a text that stands there. */
export const load: PageServerLoad = ({ params, locals, url }) => {
  const id = idOr404(params.id);
  const {
    file = null,
    at = null,
    find = null,
  } = checked(placeQuery, Object.fromEntries(url.searchParams));
  const assignment = locals.services.assignments.open(id, file);
  return { assignment: found(assignment, file === null ? 'assignment' : 'file'), at, find };
};
