import { error, json } from '@sveltejs/kit';
import { givenName, LARGEST_UPLOAD } from '$lib/domain/schemas';
import { bytesOf, checked, found, idOr404 } from '$lib/server/input';
import type { RequestHandler } from './$types';

/** All files, each with the texts that mention it. */
export const GET: RequestHandler = ({ params, locals }) => {
  const id = idOr404(params.id);
  const { files } = locals.services;
  return json(files.list(id).map((file) => ({ ...file, usedIn: files.usedIn(id, file.path) })));
};

/** Takes a file: its bytes in the body, the name it came with in the address. Gives how it is kept. */
export const POST: RequestHandler = async ({ params, request, url, locals }) => {
  const id = idOr404(params.id);
  const name = url.searchParams.get('name');
  if (name === null || name === '') error(400, 'This file came without a name.');
  const bytes = await bytesOf(request, LARGEST_UPLOAD);
  const outcome = found(locals.services.files.add(id, checked(givenName, name), bytes));
  if (outcome.kind === 'refused') error(415, outcome.problem);
  return json(outcome.file, { status: 201 });
};
