import { json } from '@sveltejs/kit';
import { assignmentChange } from '$lib/domain/schemas';
import { checkedBody, found, idOr404 } from '$lib/server/input';
import type { RequestHandler } from './$types';

/** Its source, for starting another from it. */
export const GET: RequestHandler = ({ params, locals }) => {
  const { title, kind, main } = found(locals.services.assignments.open(idOr404(params.id), null));
  return json({ title, kind, content: main.content });
};

export const PATCH: RequestHandler = async ({ params, request, locals }) => {
  const id = idOr404(params.id);
  const change = await checkedBody(assignmentChange, request);
  found(locals.services.desk.change(id, change));
  return json({ id });
};
