import { download, found, idOr404, orSentence } from '$lib/server/input';
import type { RequestHandler } from './$types';

/** The source as it compiles elsewhere: one `.tex`, or a zip when there are more files. */
export const GET: RequestHandler = async ({ params, locals }) => {
  const work = locals.services.handIn.packed(idOr404(params.id), 'source');
  const { name, bytes } = found(await orSentence(work));
  const type = name.endsWith('.zip') ? 'application/zip' : 'text/x-tex; charset=utf-8';
  return download(bytes, name, type);
};
