import { fileNameOf } from '$lib/domain/fileName';
import { typesetOr } from '$lib/server/typesetOr';
import type { RequestHandler } from './$types';

/** The PDF of the source as it is saved now. */
export const GET: RequestHandler = async ({ params, locals }) => {
  const { pdf, title, revision } = await typesetOr(locals.services.assignments, params.id);
  return new Response(new Uint8Array(pdf), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="${fileNameOf(title)}.pdf"`,
      'cache-control': 'no-store',
      'x-revision': String(revision),
    },
  });
};
