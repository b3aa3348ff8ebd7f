import { error, json } from '@sveltejs/kit';
import { courseChange } from '$lib/domain/schemas';
import { checkedBody, found, idOr404 } from '$lib/server/input';
import type { RequestHandler } from './$types';

export const PATCH: RequestHandler = async ({ params, request, locals }) => {
  const id = idOr404(params.id, 'course');
  const change = await checkedBody(courseChange, request);
  found(locals.services.desk.changeCourse(id, change), 'course');
  return json({ id });
};

export const DELETE: RequestHandler = ({ params, locals }) => {
  const outcome = locals.services.desk.removeCourse(idOr404(params.id, 'course'));
  if (outcome === 'missing') error(404, 'There is no such course.');
  if (outcome === 'in-use')
    error(409, 'There are sheets under this course: move or delete them first.');
  return new Response(null, { status: 204 });
};
