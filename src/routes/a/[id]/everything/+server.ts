import { download, found, idOr404, orSentence } from '$lib/server/input';
import type { RequestHandler } from './$types';

/** PDF, source and pictures in one zip. */
export const GET: RequestHandler = async ({ params, locals }) => {
  const work = locals.services.handIn.packed(idOr404(params.id), 'all');
  const { name, bytes } = found(await orSentence(work));
  return download(bytes, name, 'application/zip');
};
