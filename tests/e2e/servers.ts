/** How many journeys run side by side: one more than cores, for they wait much. */
export const WORKERS = 3;

const APP = 4319;
const SITE = 4316;

export const portOf = (worker: number): number => APP + worker;
export const sitePortOf = (worker: number): number => SITE - worker;
/** Where a worker's app is, and its course site. */
export const addressOf = (worker: number): string => `http://127.0.0.1:${portOf(worker)}`;
export const siteOf = (worker: number): string => `http://127.0.0.1:${sitePortOf(worker)}`;
