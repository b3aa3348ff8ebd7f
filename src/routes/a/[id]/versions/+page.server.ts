import { found, idOr404 } from '$lib/server/input';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, locals }) => {
  const id = idOr404(params.id);
  const { assignments, versions } = locals.services;
  const { title, course } = found(assignments.particulars(id));
  return { id, title, course, versions: versions.list(id) };
};
