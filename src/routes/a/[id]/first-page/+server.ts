import { found, idOr404, orSentence } from '$lib/server/input';
import type { RequestHandler } from './$types';

/** The first page as a small picture, for the desk. */
export const GET: RequestHandler = async ({ params, locals }) => {
  const work = locals.services.assignments.firstPage(idOr404(params.id));
  const firstPage = found(await orSentence(work));
  return new Response(new Uint8Array(firstPage), {
    headers: {
      'content-type': 'image/png',
      'cache-control': 'private, max-age=86400',
    },
  });
};
