import Joi from 'joi';
import type { HandInRules } from '../../domain/assignment';
import type { Receipt, SitePosting } from '../../domain/courseSite';
import { SiteTrouble, type CourseSite } from './courseSite';

/** The site is given so long to answer, ms. */
const PATIENCE = 10_000;
/** More than this is not read, bytes. */
const LARGEST_ANSWER = 40_000_000;

const words = Joi.string().max(400);
const rules = Joi.object<HandInRules>({
  kinds: Joi.array()
    .items(Joi.string().pattern(/^[a-z0-9]{1,8}$/))
    .min(1)
    .required(),
  largest: Joi.number().integer().positive().required(),
  mostPages: Joi.number().integer().positive().allow(null).required(),
  deadline: Joi.string().isoDate().required(),
  latePolicy: words.allow('').required(),
  lateMinutes: Joi.number().integer().min(0).required(),
});
const postings = Joi.array()
  .items(
    Joi.object<SitePosting>({
      id: Joi.string()
        .pattern(/^[A-Za-z0-9-]{1,80}$/)
        .required(),
      course: words.required(),
      courseTitle: words.required(),
      title: words.required(),
      problems: Joi.array().items(Joi.string().max(12)).max(60).required(),
      rules: rules.required(),
      files: Joi.array()
        .items(Joi.string().pattern(/^[A-Za-z0-9][A-Za-z0-9._-]{0,80}$/))
        .max(40)
        .required(),
    }),
  )
  .required();
const receipt = Joi.object<Omit<Receipt, 'site'>>({
  posting: Joi.string().required(),
  number: words.required(),
  receivedAt: Joi.string().isoDate().required(),
  late: Joi.boolean().required(),
  files: Joi.array()
    .items(
      Joi.object({
        name: words.required(),
        size: Joi.number().required(),
        sha256: words.required(),
      }),
    )
    .required(),
}).required();
const refusal = Joi.object<{ reason: string }, true>({ reason: words.required() }).required();

/**
 * A course site that is spoken to over HTTP. What it says passes a schema; that it is slow,
 * away or talks nonsense becomes a `SiteTrouble` with a sentence.
 *
 * @param patience ms until an answer that has not come is given up.
 */
export function httpCourseSite(
  base: string,
  name: string,
  patience = PATIENCE,
  ask: typeof fetch = fetch,
): CourseSite {
  async function request(path: string, init: RequestInit = {}): Promise<Response> {
    try {
      return await ask(base + path, {
        ...init,
        redirect: 'error',
        signal: AbortSignal.timeout(patience),
      });
    } catch (error) {
      throw new SiteTrouble(
        error instanceof Error && error.name === 'TimeoutError'
          ? `${name} takes too long to answer. Nothing was changed; try again in a while.`
          : `${name} does not answer. Nothing was changed; try again in a while.`,
      );
    }
  }
  async function bytes(answer: Response): Promise<Buffer> {
    try {
      const content = Buffer.from(await answer.arrayBuffer());
      if (content.length <= LARGEST_ANSWER) return content;
    } catch {
      // It broke off: the same as no answer.
    }
    throw new SiteTrouble(`${name} broke off in the middle of its answer. Try again in a while.`);
  }
  async function understood<T>(answer: Response, schema: Joi.Schema<T>): Promise<T> {
    if (answer.status >= 500)
      throw new SiteTrouble(`${name} is out of order. Nothing was changed; try again in a while.`);
    let said: unknown = null;
    try {
      said = JSON.parse((await bytes(answer)).toString('utf8'));
    } catch (error) {
      if (error instanceof SiteTrouble) throw error;
    }
    const { value, error } = schema.validate(said, { stripUnknown: true });
    if (error || !answer.ok)
      throw new SiteTrouble(
        `${name} says something that cannot be understood. Try again in a while.`,
      );
    return value as T;
  }
  return {
    name,
    postings: async () =>
      understood(await request('/postings'), postings as Joi.Schema<SitePosting[]>),
    async file(posting, file) {
      const answer = await request(`/postings/${posting}/files/${encodeURIComponent(file)}`);
      if (!answer.ok) throw new SiteTrouble(`${name} does not give ${file} out.`);
      return bytes(answer);
    },
    async handIn(posting, student, files) {
      const form = new FormData();
      form.set('student', student);
      for (const file of files)
        form.append('file', new Blob([new Uint8Array(file.bytes)]), file.name);
      const answer = await request(`/postings/${posting}/hand-ins`, { method: 'POST', body: form });
      if (answer.status >= 400 && answer.status < 500) {
        const said: unknown = await answer.json().catch(() => null);
        const { value, error } = refusal.validate(said, { stripUnknown: true });
        return {
          kind: 'refused',
          reason: error
            ? `${name} did not take it and gave no reason.`
            : (value as { reason: string }).reason,
        };
      }
      return { kind: 'receipt', receipt: { site: name, ...(await understood(answer, receipt)) } };
    },
  };
}
