import { error } from '@sveltejs/kit';
import { assignmentId, pictureName } from '$lib/domain/schemas';
import type { RequestHandler } from './$types';

const TYPES: Readonly<Record<string, string>> = {
  png: 'image/png',
  jpg: 'image/jpeg',
  jpeg: 'image/jpeg',
  svg: 'image/svg+xml',
  pdf: 'application/pdf',
};

/** A picture of an assignment. Opened by itself, it can run nothing and load nothing. */
export const GET: RequestHandler = ({ params, locals }) => {
  const id = assignmentId.validate(params.id);
  const name = pictureName.validate(params.name);
  const found =
    id.error || name.error
      ? null
      : locals.services.pictures.find(id.value as string, name.value as string);
  if (!found) error(404, 'There is no such picture.');
  return new Response(new Uint8Array(found.bytes), {
    headers: {
      'content-type': TYPES[found.name.split('.').at(-1) ?? ''] ?? 'application/octet-stream',
      'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; sandbox",
      'x-content-type-options': 'nosniff',
      'cache-control': 'no-cache',
    },
  });
};
