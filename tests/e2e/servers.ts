/** How many journeys run side by side: one more than cores, for they wait much. */
export const WORKERS = 3;

const APP = 4319;
const SITE = 4316;

export const portOf = (worker: number): number => APP + worker;
export const sitePortOf = (worker: number): number => SITE - worker;
/** Where a worker's app is, and its course site. */
export const addressOf = (worker: number): string => `http://127.0.0.1:${portOf(worker)}`;
export const siteOf = (worker: number): string => `http://127.0.0.1:${sitePortOf(worker)}`;

/** The demo as it was when the journeys began: made once, for each who needs one to copy. */
export const DEMO = 'test-results/demo.db';
/** Makes it; its days are counted from today. */
export const MAKE_DEMO = `ODD_COMPASS_DATABASE=${DEMO} node build-tools/fill-demo.mjs --afresh`;
/** Puts a copy of it in the place of a database that no server has open. */
export const copyDemo = (database: string): string =>
  `rm -f ${database} ${database}-wal ${database}-shm && ODD_COMPASS_DATABASE=${DEMO} node build-tools/backup.mjs ${database}`;
