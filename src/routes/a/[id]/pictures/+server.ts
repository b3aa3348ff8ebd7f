import { error, json } from '@sveltejs/kit';
import { assignmentId, givenName } from '$lib/domain/schemas';
import type { RequestHandler } from './$types';

/** Takes a picture: its bytes in the body, the name it came with in the address. Gives the name it is kept under. */
export const POST: RequestHandler = async ({ params, request, url, locals }) => {
  const id = assignmentId.validate(params.id);
  const name = givenName.validate(url.searchParams.get('name'));
  if (id.error) error(404, 'There is no such assignment.');
  if (name.error) error(400, 'This picture came without a name.');
  const bytes = Buffer.from(await request.arrayBuffer());
  const outcome = locals.services.pictures.add(id.value as string, name.value as string, bytes);
  if (!outcome) error(404, 'There is no such assignment.');
  if (outcome.kind === 'refused') error(415, outcome.problem);
  return json(outcome.picture, { status: 201 });
};
