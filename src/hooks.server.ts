import { error, type Handle } from '@sveltejs/kit';
import { building } from '$app/environment';
import { compose, databasePath, rootFolder, type Services } from '$lib/server/compose';

const composed = building ? null : compose(rootFolder(), databasePath());

/** What is done beside: old deletions go for good, texts are made ready for search, a few at a time. */
function tidy({ desk }: Services): void {
  desk.purge();
  const prepare = (): void => {
    if (desk.prepareSearch() > 0) setTimeout(prepare, 30).unref();
  };
  setTimeout(prepare, 1000).unref();
}
if (composed) tidy(composed.services);

/** Names under which this machine is addressed by itself; others are refused. */
const OWN_NAME = /^(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/;

/** Only this machine is served, and only its own pages may write. */
export const handle: Handle = async ({ event, resolve }) => {
  if (!composed) return resolve(event);
  const host = event.request.headers.get('host') ?? '';
  if (!OWN_NAME.test(host)) error(403, 'Odd Compass answers only on this machine.');
  const writes = !['GET', 'HEAD'].includes(event.request.method);
  const origin = event.request.headers.get('origin') ?? '';
  if (writes && origin.replace(/^https?:\/\//, '') !== host) {
    error(403, 'Another page may not change anything here.');
  }
  event.locals.services = composed.services;
  return resolve(event);
};
