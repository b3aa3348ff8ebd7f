import { found, idOr404 } from '$lib/server/input';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, locals }) => {
  const id = idOr404(params.id);
  const { assignments, handIn, settings } = locals.services;
  const { title, course, posting, state, mainPath } = found(assignments.particulars(id));
  return {
    id,
    title,
    course,
    posting,
    state,
    mainPath,
    siteName: handIn.siteName,
    profile: settings.profile(),
    receipts: handIn.receipts(id),
  };
};
