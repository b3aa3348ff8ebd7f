import { error, type Handle } from '@sveltejs/kit';
import { building } from '$app/environment';
import { compose, databasePath, rootFolder, type Services } from '$lib/server/compose';
import { copyOfDay } from '$lib/server/db/copies';
import { troubleOf } from '$lib/server/db/trouble';
import { guarded } from '$lib/server/guarded';
import { join } from 'node:path';

const path = databasePath();

/** The parts of the server; without them it says why in a sentence, and ends. */
function composedOrEnd(): ReturnType<typeof compose> {
  try {
    return compose(rootFolder(), path);
  } catch (trouble) {
    const known = troubleOf(trouble, path);
    if (!known) throw trouble;
    process.stderr.write(`odd-compass: ${known.message}\n`);
    process.exit(3);
  }
}
const composed = building ? null : composedOrEnd();

/** What the database cannot do is told in its sentence; the window tries again later. */
const services =
  composed &&
  guarded(composed.services, (trouble) => {
    const known = troubleOf(trouble, path);
    if (known) error(503, known.message);
    throw trouble;
  });

const HOUR = 3_600_000;

/** A copy of the database for each day that it is used. */
function copyEachDay(): void {
  const copy = (): void => {
    copyOfDay(path, join(rootFolder(), 'drizzle'), new Date()).catch((trouble: unknown) => {
      const said = trouble instanceof Error ? trouble.message : String(trouble);
      process.stderr.write(`odd-compass: the copy of today could not be made: ${said}\n`);
    });
  };
  setTimeout(copy, 3000).unref();
  setInterval(copy, HOUR).unref();
}
if (composed) copyEachDay();

/** What is done beside: old deletions go for good, texts are made ready for search, a few at a time. */
function tidy({ desk }: Services): void {
  /** What the database cannot do now is done another day. */
  const quietly = (work: () => void): void => {
    try {
      work();
    } catch (trouble) {
      if (!troubleOf(trouble, path)) throw trouble;
    }
  };
  quietly(() => desk.purge());
  const prepare = (): void =>
    quietly(() => {
      if (desk.prepareSearch() > 0) setTimeout(prepare, 30).unref();
    });
  setTimeout(prepare, 1000).unref();
}
if (composed) tidy(composed.services);

/** Names under which this machine is addressed by itself; others are refused. */
const OWN_NAME = /^(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/;

/** Only this machine is served, and only its own pages may write. */
export const handle: Handle = async ({ event, resolve }) => {
  if (!services) return resolve(event);
  const host = event.request.headers.get('host') ?? '';
  if (!OWN_NAME.test(host)) error(403, 'Odd Compass answers only on this machine.');
  const writes = !['GET', 'HEAD'].includes(event.request.method);
  const origin = event.request.headers.get('origin') ?? '';
  if (writes && origin.replace(/^https?:\/\//, '') !== host) {
    error(403, 'Another page may not change anything here.');
  }
  event.locals.services = services;
  return resolve(event);
};
