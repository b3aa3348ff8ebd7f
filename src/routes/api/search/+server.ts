import { json } from '@sveltejs/kit';
import { searchQuery } from '$lib/domain/schemas';
import { checked } from '$lib/server/input';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = ({ url, locals }) =>
  json(locals.services.desk.search(checked(searchQuery, url.searchParams.get('q') ?? '')), {
    headers: { 'cache-control': 'no-store' },
  });
