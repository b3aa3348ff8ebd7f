import { error, json } from '@sveltejs/kit';
import { filePath, LARGEST_UPLOAD, renameRequest } from '$lib/domain/schemas';
import { bytesOf, checked, checkedBody, found, idOr404 } from '$lib/server/input';
import type { FileOutcome } from '$lib/server/services/files';
import type { RequestHandler } from './$types';

const TYPES: Readonly<Record<string, string>> = {
  png: 'image/png',
  jpg: 'image/jpeg',
  jpeg: 'image/jpeg',
  svg: 'image/svg+xml',
  pdf: 'application/pdf',
};

const place = (params: { id: string; path: string }) => ({
  id: idOr404(params.id),
  path: checked(filePath, params.path),
});

/** The file that was kept, or why it was not. */
function answer(given: FileOutcome | null, status = 200): Response {
  const outcome = found(given, 'file');
  if (outcome.kind === 'refused') error(409, outcome.problem);
  return json(outcome.file, { status });
}

/** A file of an assignment. Opened by itself, it can run nothing and load nothing. */
export const GET: RequestHandler = ({ params, locals }) => {
  const { id, path } = place(params);
  const { files } = locals.services;
  const picture = files.picture(id, path);
  const bytes = picture?.bytes ?? Buffer.from(found(files.text(id, path), 'file'));
  const ending = path.split('.').at(-1)?.toLowerCase() ?? '';
  return new Response(new Uint8Array(bytes), {
    headers: {
      'content-type': (picture && TYPES[ending]) ?? 'text/plain; charset=utf-8',
      'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; sandbox",
      'x-content-type-options': 'nosniff',
      'cache-control': 'no-cache',
    },
  });
};

/** A new, empty text of that path. */
export const POST: RequestHandler = ({ params, locals }) => {
  const { id, path } = place(params);
  return answer(locals.services.files.create(id, path), 201);
};

/** Other bytes in its place. */
export const PUT: RequestHandler = async ({ params, request, locals }) => {
  const { id, path } = place(params);
  const bytes = await bytesOf(request, LARGEST_UPLOAD);
  return answer(locals.services.files.replace(id, path, bytes));
};

/** Another path; what mentions it follows. */
export const PATCH: RequestHandler = async ({ params, request, locals }) => {
  const { id, path } = place(params);
  const { to } = await checkedBody(renameRequest, request);
  return answer(locals.services.files.rename(id, path, to));
};

export const DELETE: RequestHandler = ({ params, locals }) => {
  const { id, path } = place(params);
  const outcome = found(locals.services.files.remove(id, path), 'file');
  if (outcome !== 'removed' && outcome.kind === 'refused') error(409, outcome.problem);
  return new Response(null, { status: 204 });
};
