import { json } from '@sveltejs/kit';
import { found, idOr404, orSentence } from '$lib/server/input';
import type { RequestHandler } from './$types';

/** The last look before handing in. */
export const GET: RequestHandler = async ({ params, locals }) => {
  const work = locals.services.handIn.look(idOr404(params.id));
  return json(found(await orSentence(work)), { headers: { 'cache-control': 'no-store' } });
};
