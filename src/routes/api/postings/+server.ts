import { json } from '@sveltejs/kit';
import { orSentence } from '$lib/server/input';
import type { RequestHandler } from './$types';

/** What the course site has posted. */
export const GET: RequestHandler = async ({ locals }) =>
  json(await orSentence(locals.services.handIn.postings()), {
    headers: { 'cache-control': 'no-store' },
  });
