import { fileNameOf } from '$lib/domain/fileName';
import { found, idOr404, orSentence } from '$lib/server/input';
import type { RequestHandler } from './$types';

/** The PDF of the files as they are saved now. */
export const GET: RequestHandler = async ({ params, locals }) => {
  const work = locals.services.assignments.typeset(idOr404(params.id));
  const { pdf, title, edition } = found(await orSentence(work));
  return new Response(new Uint8Array(pdf), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="${fileNameOf(title)}.pdf"`,
      'cache-control': 'no-store',
      'x-edition': String(edition),
    },
  });
};
