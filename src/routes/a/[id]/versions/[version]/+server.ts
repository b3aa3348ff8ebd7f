import { json } from '@sveltejs/kit';
import { rowId } from '$lib/domain/schemas';
import { checked, found, idOr404, orSentence } from '$lib/server/input';
import type { RequestHandler } from './$types';

/** The pages of a version with their lines, and its source; `now` is what is there now. */
export const GET: RequestHandler = async ({ params, locals }) => {
  const id = idOr404(params.id);
  const version = params.version === 'now' ? null : checked(rowId, params.version);
  const work = locals.services.versions.pages(id, version);
  return json(found(await orSentence(work), 'version'), {
    headers: { 'cache-control': 'no-store' },
  });
};

/** Goes back to a version; what was there is kept as one. */
export const POST: RequestHandler = ({ params, locals }) => {
  const id = idOr404(params.id);
  const version = checked(rowId, params.version);
  found(locals.services.versions.restore(id, version) || null, 'version');
  return json({ versions: locals.services.versions.list(id) });
};
