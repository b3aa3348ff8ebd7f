import { join } from 'node:path';
import { postingsFrom } from './course-site/postings';
import { simulatedSite } from './course-site/site';

/** Serves the simulated course site, to this machine only. */
const root = process.env.ODD_COMPASS_ROOT ?? process.cwd();
const port = Number(process.env.COURSE_SITE_PORT ?? 4311);
const folder = join(root, 'tools/course-site');
// Started beside the app it goes when that is gone.
const beside = process.ppid;
if (process.argv.includes('--beside'))
  setInterval(() => process.ppid !== beside && process.exit(0), 1000);
const { server } = simulatedSite(postingsFrom(new Date()), folder, () => new Date());
server.listen(port, '127.0.0.1', () =>
  process.stdout.write(`The simulated course site: http://127.0.0.1:${port}/\n`),
);
