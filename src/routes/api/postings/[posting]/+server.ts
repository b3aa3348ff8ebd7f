import { error, json } from '@sveltejs/kit';
import { postingId } from '$lib/domain/schemas';
import { checked, orSentence } from '$lib/server/input';
import type { RequestHandler } from './$types';

/** What its handout says, to look at it first. */
export const GET: RequestHandler = async ({ params, locals }) => {
  const id = checked(postingId, params.posting);
  const found = await orSentence(locals.services.handIn.preview(id));
  if ('problem' in found) error(422, found.problem);
  return json(found);
};

/** Takes a posting's files as a new assignment. */
export const POST: RequestHandler = async ({ params, locals }) => {
  const taken = await orSentence(locals.services.handIn.take(checked(postingId, params.posting)));
  if ('problem' in taken) error(422, taken.problem);
  return json(taken, { status: 201 });
};
