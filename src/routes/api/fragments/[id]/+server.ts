import { rowId } from '$lib/domain/schemas';
import { checked, found } from '$lib/server/input';
import type { RequestHandler } from './$types';

export const DELETE: RequestHandler = ({ params, locals }) => {
  found(locals.services.fragments.remove(checked(rowId, params.id)), 'fragment');
  return new Response(null, { status: 204 });
};
