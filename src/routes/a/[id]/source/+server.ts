import { json } from '@sveltejs/kit';
import { saveRequest } from '$lib/domain/schemas';
import { checkedBody, found, idOr404 } from '$lib/server/input';
import type { RequestHandler } from './$types';

/** Saves a text: 200 with the new revision, 409 with what another window saved first. */
export const PUT: RequestHandler = async ({ params, request, locals }) => {
  const id = idOr404(params.id);
  const asked = await checkedBody(saveRequest, request);
  const outcome = found(locals.services.assignments.save(id, asked), 'file');
  return json(outcome, { status: outcome.kind === 'conflict' ? 409 : 200 });
};
