import { filesOf, pageSvg, Session, type PageDescription } from '@odd-compass/engine';
import { parentPort, workerData } from 'node:worker_threads';
import type { TypesetJob } from '../src/lib/server/typeset/job';
import { fontsFrom } from './hostFonts';

/** The thread in which the server typesets one document. */
const { job, fonts } = workerData as { job: TypesetJob; fonts: string };
const decoder = new TextDecoder('utf-8');
const files = filesOf(new Map(job.files.map(({ name, bytes }) => [name, bytes])), (bytes) =>
  decoder.decode(bytes),
);
const session = new Session({ fonts: fontsFrom(fonts), today: job.today, files });
session.setText(job.text);
session.settleAll();
const [first] = session.pages;
const pdf = await session.pdf({ title: job.title, author: '' });
const firstPage = first ? pageSvg(session.describe(first) as PageDescription, session.fonts) : '';
const toFix = session.findings().filter(({ severity }) => severity !== 'advice').length;
parentPort?.postMessage({ pdf, firstPage, pages: session.pages.length, toFix });
