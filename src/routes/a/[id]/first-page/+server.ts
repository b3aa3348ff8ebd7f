import { found, idOr404, orSentence } from '$lib/server/input';
import type { RequestHandler } from './$types';

/** The first page as a picture of outlines, for the desk. */
export const GET: RequestHandler = async ({ params, locals }) => {
  const work = locals.services.assignments.typeset(idOr404(params.id));
  const { firstPage } = found(await orSentence(work));
  return new Response(firstPage, {
    headers: {
      'content-type': 'image/svg+xml',
      'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'",
      'cache-control': 'private, max-age=86400',
    },
  });
};
