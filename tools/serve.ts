import type { Server } from 'node:http';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { databasePath, rootFolder } from '../src/lib/server/compose';
import { openDatabase } from '../src/lib/server/db/connection';
import { takeIntoUse } from '../src/lib/server/db/inUse';
import { troubleOf } from '../src/lib/server/db/trouble';

/**
 * Starts the built server, or says in a sentence why it cannot be. Exit codes: 3 the database,
 * 4 the address.
 */
const root = rootFolder();
const database = databasePath();
const host = process.env.HOST ?? '127.0.0.1';
const port = Number(process.env.PORT ?? 4310);

/** A request may take so long to come in, ms. */
const REQUEST_TIME = 60_000;

function say(sentence: string, status: number): never {
  process.stderr.write(`odd-compass: ${sentence}\n`);
  process.exit(status);
}

const TAKEN: Readonly<Record<string, string>> = {
  EADDRINUSE: `Port ${port} is taken, perhaps by Odd Compass itself: look at http://${host}:${port}/ first. Another port is chosen with PORT=4320 before the command.`,
  EACCES: `Port ${port} may not be used by this account. Choose another, above 1024, with PORT=4320 before the command.`,
  EADDRNOTAVAIL: `This machine has no address ${host}. Leave HOST away, or name one that it has.`,
};
const addressTrouble = (error: NodeJS.ErrnoException): string =>
  TAKEN[error.code ?? ''] ?? `Port ${port} cannot be used (${error.code ?? error.message}).`;

/** Can the address be listened at? Its trouble, or null. */
const tried = (): Promise<NodeJS.ErrnoException | null> =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', resolve);
    probe.listen(port, host, () => probe.close(() => resolve(null)));
  });

const trouble = await tried();
if (trouble) say(addressTrouble(trouble), 4);
try {
  takeIntoUse(database);
  openDatabase(database, join(root, 'drizzle')).$client.close();
} catch (error) {
  say(troubleOf(error, database)?.message ?? String(error), 3);
}
process.env.HOST = host;
process.env.PORT = String(port);
process.on('uncaughtException', (error: NodeJS.ErrnoException) => {
  if (error.syscall === 'listen') say(addressTrouble(error), 4);
  process.stderr.write(`${error.stack ?? String(error)}\n`);
  process.exit(1);
});
const built = join(root, 'build/index.js');
const { server } = (await import(pathToFileURL(built).href)) as {
  readonly server: { readonly server: Server };
};
server.server.requestTimeout = REQUEST_TIME;
// When all requests are answered nothing else is waited for.
process.once('sveltekit:shutdown' as 'exit', () => process.exit(0));
