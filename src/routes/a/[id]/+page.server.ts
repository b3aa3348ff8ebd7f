import { filePath } from '$lib/domain/schemas';
import { checked, found, idOr404 } from '$lib/server/input';
import type { PageServerLoad } from './$types';

/** The assignment with the file to write in; `?at=` is a place in it to go to, `?find=` a text that stands there. */
export const load: PageServerLoad = ({ params, locals, url }) => {
  const id = idOr404(params.id);
  const asked = url.searchParams.get('file');
  const path = asked === null ? null : checked(filePath, asked);
  const { assignments } = locals.services;
  const thing = path === null ? 'assignment' : 'file';
  const at = Number(url.searchParams.get('at'));
  return {
    assignment: found(assignments.open(id, path), thing),
    at: Number.isInteger(at) && at > 0 ? at : null,
    find: url.searchParams.get('find'),
  };
};
