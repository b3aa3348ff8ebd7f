import { error, json } from '@sveltejs/kit';
import { handInRequest } from '$lib/domain/schemas';
import { checkedBody, found, idOr404, orSentence } from '$lib/server/input';
import type { RequestHandler } from './$types';

/** Hands in. What the course site refuses comes back with its reason. */
export const POST: RequestHandler = async ({ params, request, locals }) => {
  const id = idOr404(params.id);
  const choice = await checkedBody(handInRequest, request);
  const outcome = found(await orSentence(locals.services.handIn.handIn(id, choice)));
  if (outcome.kind === 'refused') error(422, outcome.reason);
  return json(outcome.handIn, { status: 201 });
};
