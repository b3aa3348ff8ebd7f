import { error, json } from '@sveltejs/kit';
import { bytesOf, download } from '$lib/server/input';
import type { RequestHandler } from './$types';

const LARGEST_COLLECTION = 100_000_000;

/** Everything, as one zip of plain files. */
export const GET: RequestHandler = ({ locals }) =>
  download(locals.services.collection.pack(), 'odd-compass.zip', 'application/zip');

/** Takes what a collection holds and is not here yet. */
export const POST: RequestHandler = async ({ request, locals }) => {
  const outcome = locals.services.collection.unpack(await bytesOf(request, LARGEST_COLLECTION));
  if (outcome.kind === 'refused') error(415, outcome.problem);
  return json(outcome);
};
