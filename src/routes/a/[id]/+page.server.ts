import { error } from '@sveltejs/kit';
import { assignmentId } from '$lib/domain/schemas';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, locals }) => {
  const id = assignmentId.validate(params.id);
  const assignment = id.error ? null : locals.services.assignments.open(id.value as string);
  if (!assignment) error(404, 'There is no such assignment.');
  return { assignment };
};
