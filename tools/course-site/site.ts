import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import { join } from 'node:path';
import type { Receipt, SitePosting } from '../../src/lib/domain/courseSite';

/** How the site behaves: so that what happens when it is not well can be tried. */
export type SiteMood = 'well' | 'slow' | 'down' | 'refusing' | 'babbling';

/** When it is slow, it answers after so long, ms. */
const SLOW = 15_000;

export interface SimulatedSite {
  readonly server: Server;
  mood: SiteMood;
  readonly taken: { readonly student: string; readonly receipt: Omit<Receipt, 'site'> }[];
}

type Answer = { readonly status: number; readonly body: Buffer | string; readonly type: string };

const json = (status: number, said: unknown): Answer => ({
  status,
  body: JSON.stringify(said),
  type: 'application/json',
});
const refuse = (status: number, reason: string): Answer => json(status, { reason });

/**
 * A course site for trying things out: posts handouts, takes hand-ins under rules and
 * answers with a receipt. It keeps what it took as long as it runs.
 *
 * @param folder where the posted files lie.
 */
export function simulatedSite(
  postings: readonly SitePosting[],
  folder: string,
  now: () => Date,
): SimulatedSite {
  const site: SimulatedSite = { server: createServer(), mood: 'well', taken: [] };

  async function answer(request: IncomingMessage): Promise<Answer> {
    const { pathname } = new URL(request.url ?? '/', 'http://site');
    if (pathname === '/') return page(postings, site);
    if (pathname === '/mood' && request.method === 'POST') {
      site.mood = (await bodyOf(request)).toString('utf8') as SiteMood;
      return json(200, { mood: site.mood });
    }
    if (site.mood === 'slow') await new Promise((resolve) => setTimeout(resolve, SLOW));
    if (site.mood === 'down') return refuse(503, 'The site is being looked after.');
    if (site.mood === 'babbling') return { status: 200, body: '<html>hello', type: 'text/html' };
    if (pathname === '/postings') return json(200, postings);
    const [, id, what, name] =
      /^\/postings\/([^/]+)\/(files|hand-ins)(?:\/([^/]+))?$/.exec(pathname) ?? [];
    const posting = postings.find((one) => one.id === id);
    if (!posting) return refuse(404, 'There is no such assignment.');
    if (what === 'files') return fileOf(posting, decodeURIComponent(name ?? ''));
    return request.method === 'POST' ? take(posting, request) : refuse(405, 'Hand in with POST.');
  }

  function fileOf(posting: SitePosting, name: string): Answer {
    if (!posting.files.includes(name)) return refuse(404, 'There is no such file.');
    return {
      status: 200,
      body: readFileSync(join(folder, name)),
      type: 'application/octet-stream',
    };
  }

  async function take(posting: SitePosting, request: IncomingMessage): Promise<Answer> {
    if (site.mood === 'refusing') return refuse(422, 'Hand-ins for this assignment are on hold.');
    const form = await new Response(new Uint8Array(await bodyOf(request)), {
      headers: { 'content-type': request.headers['content-type'] ?? '' },
    }).formData();
    const student = String(form.get('student') ?? '').trim();
    const files = await Promise.all(
      form
        .getAll('file')
        .filter((entry) => entry instanceof File)
        .map(async (file) => ({ name: file.name, bytes: Buffer.from(await file.arrayBuffer()) })),
    );
    const wrong = brokenRule(posting, student, files, now());
    if (wrong) return refuse(422, wrong);
    const receipt: Omit<Receipt, 'site'> = {
      posting: posting.id,
      number: `SP-${String(1041 + site.taken.length)}`,
      receivedAt: now().toISOString(),
      late: now() > new Date(posting.rules.deadline),
      files: files.map(({ name, bytes }) => ({
        name,
        size: bytes.length,
        sha256: createHash('sha256').update(bytes).digest('hex'),
      })),
    };
    site.taken.push({ student, receipt });
    return json(201, receipt);
  }

  const respond = (response: ServerResponse, { status, body, type }: Answer): void => {
    response.writeHead(status, { 'content-type': type });
    response.end(body);
  };
  site.server.on('request', (request, response) => {
    answer(request).then(
      (said) => respond(response, said),
      () => respond(response, refuse(400, 'The request could not be read.')),
    );
  });
  return site;
}

interface GivenFile {
  readonly name: string;
  readonly bytes: Buffer;
}

/** The first rule of a posting that a hand-in breaks, as the course says it; null when it keeps all. */
function brokenRule(
  { rules }: SitePosting,
  student: string,
  files: readonly GivenFile[],
  now: Date,
): string | null {
  if (student === '') return 'The hand-in bears no name.';
  if (files.length === 0) return 'There is no file in the hand-in.';
  for (const { name, bytes } of files) {
    const ending = name.split('.').at(-1)?.toLowerCase() ?? '';
    if (!rules.kinds.includes(ending))
      return `${name} is not taken: this course takes ${rules.kinds.join(', ')} files.`;
    if (ending === 'pdf' && bytes.subarray(0, 5).toString() !== '%PDF-')
      return `${name} is no PDF.`;
  }
  if (files.reduce((sum, { bytes }) => sum + bytes.length, 0) > rules.largest)
    return `The files are larger than ${rules.largest / 1_000_000} MB together.`;
  const late = now.getTime() - new Date(rules.deadline).getTime();
  if (late > rules.lateMinutes * 60_000) return `The deadline has passed. ${rules.latePolicy}`;
  return null;
}

async function bodyOf(request: IncomingMessage): Promise<Buffer> {
  const parts: Buffer[] = [];
  for await (const part of request) parts.push(part as Buffer);
  return Buffer.concat(parts);
}

const escaped = (text: string): string => text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);

/** What the site holds, for looking at it in a browser. */
function page(postings: readonly SitePosting[], { taken, mood }: SimulatedSite): Answer {
  const posted = postings.map(({ id, title, course }) => {
    const got = taken.filter(({ receipt }) => receipt.posting === id);
    const rows = got.map(
      ({ student, receipt }) =>
        `<li>${escaped(receipt.number)}: ${escaped(student)}, ${escaped(receipt.files.map(({ name }) => name).join(', '))}${receipt.late ? ', late' : ''}</li>`,
    );
    return `<h2>${escaped(course)}: ${escaped(title)}</h2><ul>${rows.join('') || '<li>nothing handed in yet</li>'}</ul>`;
  });
  const body = `<!doctype html><meta charset="utf-8"><title>Skerry Point College</title><h1>Skerry Point College: hand-ins</h1><p>The site is ${mood}.</p>${posted.join('')}`;
  return { status: 200, body, type: 'text/html; charset=utf-8' };
}
