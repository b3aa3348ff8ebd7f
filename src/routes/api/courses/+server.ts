import { json } from '@sveltejs/kit';
import { courseRequest } from '$lib/domain/schemas';
import { checkedBody } from '$lib/server/input';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ request, locals }) => {
  const course = await checkedBody(courseRequest, request);
  return json({ id: locals.services.desk.addCourse(course) }, { status: 201 });
};
