import { error, json } from '@sveltejs/kit';
import { postingId } from '$lib/domain/schemas';
import { checked, orSentence } from '$lib/server/input';
import type { RequestHandler } from './$types';

/** Takes a posting's files as a new assignment. */
export const POST: RequestHandler = async ({ params, locals }) => {
  const taken = await orSentence(locals.services.handIn.take(checked(postingId, params.posting)));
  if ('problem' in taken) error(422, taken.problem);
  return json(taken, { status: 201 });
};
