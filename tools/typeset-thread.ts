import { filesOf, pageSvg, pageText, Session, type PageDescription } from '@odd-compass/engine';
import { parentPort, workerData } from 'node:worker_threads';
import type { PagePicture, TypesetJob } from '../src/lib/server/typeset/job';
import { fontsFrom } from './hostFonts';

/** The thread in which the server typesets one document. */
const { job, fonts } = workerData as { job: TypesetJob; fonts: string };
const decoder = new TextDecoder('utf-8');
const files = filesOf(new Map(job.files.map(({ name, bytes }) => [name, bytes])), (bytes) =>
  decoder.decode(bytes),
);
const session = new Session({
  fonts: fontsFrom(fonts),
  today: job.today,
  files,
  file: job.path,
});
session.setText(job.text);
session.settleAll();

function picture(page: PageDescription): PagePicture {
  const words = pageText(page, session.fonts);
  const lines = words.map((text, i) => {
    const [x = 0, y = 0, width = 0, height = 0, depth = 0] = page.lines.subarray(5 * i, 5 * i + 5);
    return { text, x, y: y - height, width, height: height + depth };
  });
  const { width, height } = page;
  return { svg: pageSvg(page, session.fonts), width, height, lines };
}

const descriptions = session.pages.map((page) => session.describe(page));
const pictures = job.pictures ? descriptions.map(picture) : [];
const [first] = descriptions;
const pdf = await session.pdf({ title: job.title, author: '' });
const firstPage = first ? pageSvg(first, session.fonts) : '';
const findings = session.findings();
const toFix = findings.filter(({ severity }) => severity !== 'advice').length;
const formulas = [...session.formulaSpans()];
const pages = descriptions.length;
parentPort?.postMessage({ pdf, firstPage, pages, toFix, findings, formulas, pictures });
