import { rowId } from '$lib/domain/schemas';
import { checked, found, idOr404 } from '$lib/server/input';
import type { RequestHandler } from './$types';

/** The very PDF that was handed in. */
export const GET: RequestHandler = ({ params, locals }) => {
  const id = idOr404(params.id);
  const number = checked(rowId, params.receipt);
  const pdf = found(locals.services.handIn.frozenPdf(id, number), 'receipt');
  return new Response(new Uint8Array(pdf), {
    headers: { 'content-type': 'application/pdf', 'cache-control': 'private' },
  });
};
