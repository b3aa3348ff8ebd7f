import { fileNameOf } from '$lib/domain/fileName';
import { pdfQuery } from '$lib/domain/schemas';
import { checked, found, idOr404, orSentence } from '$lib/server/input';
import type { RequestHandler } from './$types';

/** The PDF of the files as they are saved now: of the sheet, or of `?file=`, which is typeset by itself. */
export const GET: RequestHandler = async ({ params, locals, url }) => {
  const id = idOr404(params.id);
  const { assignments } = locals.services;
  const { file } = checked(pdfQuery, Object.fromEntries(url.searchParams));
  if (file !== undefined) {
    const made = found(await orSentence(assignments.typesetFile(id, file)), 'file');
    return answer(made.pdf, made.name, {});
  }
  const { pdf, title, edition } = found(await orSentence(assignments.typeset(id)));
  return answer(pdf, title, { 'x-edition': String(edition) });
};

const answer = (pdf: Buffer, title: string, more: Record<string, string>): Response =>
  new Response(new Uint8Array(pdf), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="${fileNameOf(title)}.pdf"`,
      'cache-control': 'no-store',
      ...more,
    },
  });
