import { typesetOr } from '$lib/server/typesetOr';
import type { RequestHandler } from './$types';

/** The first page as a picture of outlines, for the desk. */
export const GET: RequestHandler = async ({ params, locals }) => {
  const { firstPage } = await typesetOr(locals.services.assignments, params.id);
  return new Response(firstPage, {
    headers: {
      'content-type': 'image/svg+xml',
      'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'",
      'cache-control': 'no-cache',
    },
  });
};
