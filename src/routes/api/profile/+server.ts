import { json } from '@sveltejs/kit';
import { profileRequest } from '$lib/domain/schemas';
import { checkedBody } from '$lib/server/input';
import type { RequestHandler } from './$types';

export const PUT: RequestHandler = async ({ request, locals }) => {
  const profile = await checkedBody(profileRequest, request);
  locals.services.settings.setProfile(profile);
  return json(profile);
};
