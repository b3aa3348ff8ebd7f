import { json } from '@sveltejs/kit';
import { found, idOr404 } from '$lib/server/input';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = ({ params, locals }) =>
  json({ id: found(locals.services.desk.duplicate(idOr404(params.id))) }, { status: 201 });
