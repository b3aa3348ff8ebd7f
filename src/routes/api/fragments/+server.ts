import { json } from '@sveltejs/kit';
import { fragmentRequest } from '$lib/domain/schemas';
import { checkedBody } from '$lib/server/input';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = ({ locals }) => json(locals.services.fragments.list());

export const POST: RequestHandler = async ({ request, locals }) => {
  const fragment = await checkedBody(fragmentRequest, request);
  const id = locals.services.fragments.add(fragment, new Date().toISOString());
  return json({ id }, { status: 201 });
};
