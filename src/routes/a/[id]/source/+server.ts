import { error, json } from '@sveltejs/kit';
import { assignmentId, problem, saveRequest } from '$lib/domain/schemas';
import type { RequestHandler } from './$types';

/** Saves the source: 200 with the new revision, 409 with what another window saved first. */
export const PUT: RequestHandler = async ({ params, request, locals }) => {
  const id = assignmentId.validate(params.id);
  const body = saveRequest.validate(await request.json().catch(() => null));
  if (id.error) error(404, 'There is no such assignment.');
  if (body.error) error(400, problem(body.error));
  const outcome = locals.services.assignments.save(id.value as string, body.value);
  if (!outcome) error(404, 'There is no such assignment.');
  return json(outcome, { status: outcome.kind === 'conflict' ? 409 : 200 });
};
