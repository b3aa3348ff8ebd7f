import { error, json } from '@sveltejs/kit';
import { givenName, LARGEST_UPLOAD } from '$lib/domain/schemas';
import { checked, found, idOr404 } from '$lib/server/input';
import type { RequestHandler } from './$types';

/** Makes an assignment of the files of a form, under a course; all of it or nothing. */
export const POST: RequestHandler = async ({ request, url, locals }) => {
  const courseId = idOr404(url.searchParams.get('course') ?? undefined, 'course');
  if (Number(request.headers.get('content-length') ?? 0) > LARGEST_UPLOAD)
    error(413, 'This is larger than 40 MB. Pack only what belongs to the sheet.');
  const form = await request.formData().catch(() => null);
  const given = (form?.getAll('file') ?? []).filter((entry) => entry instanceof File);
  if (given.length === 0) error(400, 'No file came.');
  const files = await Promise.all(
    given.map(async (file) => ({
      name: checked(givenName, file.name),
      bytes: Buffer.from(await file.arrayBuffer()),
    })),
  );
  const outcome = found(locals.services.desk.bringIn(courseId, files), 'course');
  if (outcome.kind === 'refused') error(415, outcome.problem);
  return json(outcome, { status: 201 });
};
