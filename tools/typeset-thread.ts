import { stepsOf } from '@odd-compass/checks';
import {
  filesOf,
  lineLook,
  pageSvg,
  pageText,
  Session,
  type PageDescription,
} from '@odd-compass/engine';
import { Resvg } from '@resvg/resvg-js';
import { parentPort, workerData } from 'node:worker_threads';
import type { PagePicture, StepFact, TypesetJob } from '../src/lib/server/typeset/job';
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
if (await session.loadPatterns()) session.settleAll();

const TYPES: Readonly<Record<string, string>> = {
  png: 'image/png',
  jpg: 'image/jpeg',
  jpeg: 'image/jpeg',
  svg: 'image/svg+xml',
};

/** A picture as data within a page; those that a browser cannot show as such are left out. */
function pictureOf(name: string): string | null {
  const type = TYPES[name.split('.').at(-1)?.toLowerCase() ?? ''];
  const bytes = type === undefined ? null : files.bytes(name);
  return bytes ? `data:${type};base64,${Buffer.from(bytes).toString('base64')}` : null;
}

/** Pixels across the small page of the desk: twice what it shows. */
const SMALL = 480;

/** A page as a small PNG: thousands of outlines are too much for a desk full of them. */
const small = (svg: string): Buffer =>
  new Resvg(svg, { fitTo: { mode: 'width', value: SMALL } }).render().asPng();

function picture(page: PageDescription): PagePicture {
  const words = pageText(page, session.fonts);
  const lines = words.map((text, i) => {
    const [x = 0, y = 0, width = 0, height = 0, depth = 0] = page.lines.subarray(5 * i, 5 * i + 5);
    const look = lineLook(page, i, session.fonts);
    return { text, look, x, y: y - height, width, height: height + depth };
  });
  const { width, height } = page;
  return { svg: pageSvg(page, session.fonts, pictureOf), width, height, lines };
}

/** Steps are tested for so long, in ms: the pages must not wait for them. */
const TESTING = 4000;

function* factsOfSteps(): Generator<StepFact, void> {
  const end = performance.now() + TESTING;
  for (const { from, untested, outcome } of stepsOf(session.written())) {
    if (!untested) yield { from, result: outcome.result, why: outcome.why };
    if (performance.now() > end) return;
  }
}

const descriptions = session.pages.map((page) => session.describe(page));
const pictures = job.pictures ? descriptions.map(picture) : [];
const [first] = descriptions;
const pdf = await session.pdf({ title: job.title, author: '' });
const firstPage = first ? small(pageSvg(first, session.fonts, pictureOf)) : Buffer.alloc(0);
const findings = session.findings();
const toFix = findings.filter(({ severity }) => severity !== 'advice').length;
const formulas = [...session.formulaSpans()];
const pages = descriptions.length;
const steps = job.pictures ? [...factsOfSteps()] : [];
parentPort?.postMessage({ pdf, firstPage, pages, toFix, findings, formulas, steps, pictures });
