import { json } from '@sveltejs/kit';
import { versionRequest } from '$lib/domain/schemas';
import { checkedBody, found, idOr404 } from '$lib/server/input';
import type { RequestHandler } from './$types';

/** Keeps the files as they are now, under a name. */
export const POST: RequestHandler = async ({ params, request, locals }) => {
  const id = idOr404(params.id);
  const { name } = await checkedBody(versionRequest, request);
  const version = found(locals.services.versions.name(id, name));
  return json({ id: version, versions: locals.services.versions.list(id) }, { status: 201 });
};
