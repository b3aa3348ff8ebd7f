import { json } from '@sveltejs/kit';
import { startRequest } from '$lib/domain/schemas';
import { checkedBody, found } from '$lib/server/input';
import type { RequestHandler } from './$types';

/** A new assignment, as the start screen chose it. */
export const POST: RequestHandler = async ({ request, locals }) => {
  const asked = await checkedBody(startRequest, request);
  return json({ id: found(locals.services.desk.start(asked), 'course') }, { status: 201 });
};
