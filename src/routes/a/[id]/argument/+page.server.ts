import { found, idOr404 } from '$lib/server/input';
import type { PageServerLoad } from './$types';

/** The sheet with its parts, to see what in it rests on what. */
export const load: PageServerLoad = ({ params, locals }) => {
  const id = idOr404(params.id);
  const { assignments, files } = locals.services;
  const assignment = found(assignments.open(id, null));
  const parts = files
    .list(id)
    .filter(({ kind, path }) => kind === 'text' && path.endsWith('.tex'))
    .map(({ path }) => [path, files.text(id, path) ?? ''] as const);
  return { assignment, parts };
};
