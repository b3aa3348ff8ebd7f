import { error } from '@sveltejs/kit';
import type Joi from 'joi';
import { plainId, problem } from '../domain/schemas';
import { SiteTrouble } from './courseSite/courseSite';
import { TypesetTooMuch } from './typeset/typesetter';

/** What came from outside, when it passes its schema; else a sentence and 400. */
export function checked<T>(schema: Joi.Schema<T>, given: unknown): T {
  const { value, error: wrong } = schema.validate(given);
  if (wrong) error(400, problem(wrong));
  return value as T;
}

/** The JSON that a request holds, when it passes its schema. */
export const checkedBody = async <T>(schema: Joi.Schema<T>, request: Request): Promise<T> =>
  checked(schema, await request.json().catch(() => null));

/** The id in an address; what is none names nothing. */
export function idOr404(id: string | undefined, thing = 'assignment'): string {
  const { value, error: wrong } = plainId.validate(id);
  if (wrong) error(404, `There is no such ${thing}.`);
  return value as string;
}

/** What is there, or 404 with a sentence. */
export function found<T>(thing: T | null | undefined | false, name = 'assignment'): T {
  if (thing === null || thing === undefined || thing === false)
    error(404, `There is no such ${name}.`);
  return thing;
}

/** The result of work that a document, or the course site, can bring to nothing: then its sentence, with a status. */
export async function orSentence<T>(work: Promise<T>): Promise<T> {
  try {
    return await work;
  } catch (trouble) {
    if (trouble instanceof TypesetTooMuch) error(503, trouble.message);
    if (trouble instanceof SiteTrouble) error(502, trouble.message);
    throw trouble;
  }
}

/** All bytes of a request, or 413 with a sentence when there are more than allowed. */
export async function bytesOf(request: Request, most: number): Promise<Buffer> {
  const tooMuch = `This is larger than ${Math.round(most / 1_000_000)} MB. Make it smaller.`;
  if (Number(request.headers.get('content-length') ?? 0) > most) error(413, tooMuch);
  const bytes = Buffer.from(await request.arrayBuffer());
  if (bytes.length > most) error(413, tooMuch);
  return bytes;
}

/** A file as an answer that is saved under a name. */
export const download = (bytes: Buffer, name: string, type: string): Response =>
  new Response(new Uint8Array(bytes), {
    headers: {
      'content-type': type,
      'content-disposition': `attachment; filename="${name}"`,
      'x-content-type-options': 'nosniff',
      'cache-control': 'no-store',
    },
  });
