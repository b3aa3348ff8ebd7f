import { stepsOf } from '@odd-compass/checks';
import { FontStore, Session, type FontFile } from '@odd-compass/engine';
import katex from 'katex';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import PDFDocument from 'pdfkit';
import type { FontSpec } from '../packages/engine/src/document/font';
import type { MathList } from '../packages/engine/src/document/math';
import { formulaContext, layoutList } from '../packages/engine/src/math/layout';
import { TEXT } from '../packages/engine/src/math/style';
import { numbers } from '../packages/engine/src/testing/random';
import { mathematicalDocument, type GeneratedDocument } from './bench/documents';

/** Prints the budgets as ratios within this one run; absolute times only tell where one stands. */
const FONTS = join(process.env.ODD_COMPASS_ROOT ?? process.cwd(), 'static/fonts');
const bytes = new Map<string, Uint8Array>();
const fonts = (file: FontFile): Uint8Array => {
  let found = bytes.get(file);
  if (!found) {
    found = new Uint8Array(readFileSync(join(FONTS, `${file}.otf`)));
    bytes.set(file, found);
  }
  return found;
};
const today = { year: 2026, month: 3, day: 1 };

const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;
const p95 = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length * 0.95)] ?? 0;

function timed(work: () => void): number {
  const start = performance.now();
  work();
  return performance.now() - start;
}

/** Everything from the text to page descriptions, with a session that knows nothing yet. */
function cold(text: string): Session {
  const session = new Session({ fonts, today });
  session.setText(text);
  session.settleAll();
  for (const page of session.pages) session.describe(page);
  return session;
}

function formulasAsStrings({ formulas }: GeneratedDocument): void {
  for (const { source, display } of formulas) {
    katex.renderToString(source, { displayMode: display, throwOnError: false });
  }
}

/** The formulas of a document as lists, found wherever they stand in what was read. */
function listsIn(value: unknown, found: { list: MathList; font: FontSpec }[] = []): typeof found {
  if (Array.isArray(value)) for (const item of value) listsIn(item, found);
  else if (value !== null && typeof value === 'object') {
    const node = value as { kind?: string; list?: MathList; font?: FontSpec; rows?: unknown };
    if (node.kind === 'math' && node.list && node.font)
      found.push({ list: node.list, font: node.font });
    else for (const part of Object.values(value)) listsIn(part, found);
  }
  return found;
}

/** The layout of mathematics alone, lists to boxes, against katex's strings. */
function mathAlone(): void {
  const { formulas } = mathematicalDocument(150);
  const some = formulas.slice(0, 2000);
  const text = `\\documentclass{article}\n\\usepackage{amsmath,amssymb}\n\\begin{document}\n${some
    .map(({ source, display }) => `$${display ? '\\displaystyle ' : ''}${source}$`)
    .join('\n\n')}\n\\end{document}\n`;
  const session = cold(text);
  const lists = listsIn(session.nodes());
  const noText = () => {
    throw new Error('these formulas hold no text');
  };
  const ours: number[] = [];
  const theirs: number[] = [];
  for (let i = 0; i < 7; i++) {
    ours.push(
      timed(() => {
        for (const { list, font } of lists)
          layoutList(
            list,
            formulaContext(session.fonts, font, TEXT, noText, () => undefined),
          );
      }),
    );
    theirs.push(timed(() => formulasAsStrings({ text, formulas: some })));
  }
  const value = median(ours) / median(theirs);
  add(
    `${lists.length} formulas through math alone, against katex`,
    `${ratio(value)} (${ms(median(ours))} / ${ms(median(theirs))})`,
    '≤ 0.5 ×',
    value <= 0.5,
  );
}

interface Row {
  readonly what: string;
  readonly measured: string;
  readonly bound: string;
  readonly holds: boolean | null;
}
const rows: Row[] = [];
const ratio = (value: number): string => `${value.toFixed(2)} ×`;
const ms = (value: number): string => `${value.toFixed(1)} ms`;

function add(what: string, measured: string, bound: string, holds: boolean | null): void {
  rows.push({ what, measured, bound, holds });
  const mark = holds === null ? ' ' : holds ? '✓' : '✗';
  process.stdout.write(`${mark} ${what.padEnd(58)} ${measured.padEnd(34)} ${bound}\n`);
}

function coldAgainstKatex(): number {
  let hundred = 0;
  for (const pages of [10, 100, 500]) {
    const document = mathematicalDocument(pages);
    const rounds = pages === 500 ? 1 : 5;
    const ours: number[] = [];
    const theirs: number[] = [];
    let count = 0;
    for (let i = 0; i < rounds; i++) {
      ours.push(timed(() => (count = cold(document.text).pages.length)));
      theirs.push(timed(() => formulasAsStrings(document)));
    }
    const value = median(ours) / median(theirs);
    add(
      `cold, ${count} pages, ${document.formulas.length} formulas, against katex`,
      `${ratio(value)} (${ms(median(ours))} / ${ms(median(theirs))})`,
      pages === 100 ? '< 1 ×' : '',
      pages === 100 ? value < 1 : null,
    );
    if (pages === 100) hundred = median(ours);
  }
  return hundred;
}

/** Keystrokes before measuring starts, and those measured: enough for a steady 95th percentile. */
const WARM = 40;
const MEASURED = 400;
/** New sections change the document: fewer, so that it stays the one it is. */
const FEW = 60;

/** Types letters into paragraphs around the middle, each to the changed page's description. */
function keystrokes(
  pages: number,
  insert: string,
  place: RegExp,
  measured = MEASURED,
): { times: number[]; whole: number } {
  const { text } = mathematicalDocument(pages);
  let session = cold(text);
  const whole = median([1, 2, 3].map(() => timed(() => (session = cold(text)))));
  const random = numbers(7);
  const times: number[] = [];
  const typed: number[] = [];
  // What opening the document left behind is cleared first: typing is measured, not that.
  globalThis.gc?.();
  for (let i = 0; i < WARM + measured; i++) {
    const from = Math.floor(text.length * (0.45 + 0.1 * random()));
    const hit = place.exec(text.slice(from, from + 4000));
    const original = from + (hit?.index ?? 0) + (hit?.[0].length ?? 0);
    // Where that place is after what has been typed before it.
    const at = original + insert.length * typed.filter((place) => place <= original).length;
    typed.push(original);
    // To the description of the page typed on; the pages behind it are made when that is shown.
    const { starts, pages: on } = session.blockPlaces();
    const page = on[starts.findLastIndex((start) => start <= at)] ?? 0;
    let run: Generator<number, void, void> | null = null;
    const time = timed(() => {
      session.edit(at, at, insert);
      run = session.settle();
      for (let step = run.next(); !step.done && step.value <= page;) step = run.next();
      const typedOn = session.pages[page];
      if (typedOn) session.describe(typedOn);
    });
    for (const ready of run ?? []) void ready;
    if (i >= WARM) times.push(time);
  }
  return { times, whole };
}

function keystrokeRows(): void {
  const word = /\n\n[A-Z][a-z]+ /;
  const small = keystrokes(50, 'a', word);
  const hundred = keystrokes(100, 'a', word);
  const large = keystrokes(500, 'a', word);
  const share = p95(hundred.times) / hundred.whole;
  add(
    'keystroke, 100 pages, p95 of the cold time',
    `${(100 * share).toFixed(2)} % (${ms(p95(hundred.times))})`,
    '≤ 1 %',
    share <= 0.01,
  );
  const growth = p95(large.times) / p95(small.times);
  add(
    'keystroke, 500 pages against 50, p95',
    `${ratio(growth)} (${ms(p95(large.times))} / ${ms(p95(small.times))})`,
    '≤ 1.5 ×',
    growth <= 1.5,
  );
  const renumber = keystrokes(100, '\n\n\\section{New}\n\n', /\n\n(?=[A-Z])/, FEW);
  const part = p95(renumber.times) / renumber.whole;
  add(
    'a new section in the middle, 100 pages, p95 of cold',
    `${(100 * part).toFixed(1)} % (${ms(p95(renumber.times))})`,
    '≤ 10 %',
    part <= 0.1,
  );
}

/** Twenty pictures of functions with words between them. */
const PICTURES = Array.from(
  { length: 20 },
  (_, i) => `The gauge of quay ${i} reads

\\begin{tikzpicture}
\\draw[->] (0,0) -- (3,0) node[right] {$x$};
\\draw[domain=0:3,samples=100] plot (\\x,{sin(\\x r)});
\\foreach \\n in {1,...,20} \\fill (\\n/8,0) circle (1pt);
\\end{tikzpicture}
`,
).join('\n');
const withPictures = (body: string): string =>
  `\\documentclass{article}\n\\usepackage{tikz}\n\\begin{document}\n${body}\\end{document}\n`;

function pictureRows(): void {
  const marks = withPictures(
    '\\begin{tikzpicture}\\foreach \\x in {1,...,50} \\foreach \\y in {1,...,40} \\draw (\\x/10,\\y/10) circle (1pt);\\end{tikzpicture}\n',
  );
  const drawing = median([1, 2, 3, 4, 5].map(() => timed(() => cold(marks))));
  add('a picture of 2,000 marks', ms(drawing), '(25 ms)', null);

  const text = withPictures(PICTURES);
  const session = cold(text);
  const whole = median([1, 2, 3].map(() => timed(() => cold(text))));
  const typed = (at: number, length: number, words: (i: number) => string): number => {
    const times: number[] = [];
    for (let i = 0; i < WARM + FEW; i++) {
      const time = timed(() => {
        session.edit(at, at + length, words(i));
        session.settleAll();
      });
      if (i >= WARM) times.push(time);
    }
    return p95(times) / whole;
  };
  const quay = text.indexOf('quay 10') + 'quay '.length;
  const beside = typed(quay, 2, (i) => String(10 + (i % 80)));
  const samples = text.indexOf('samples=', quay) + 'samples='.length;
  const within = typed(samples, 3, (i) => String(100 + i));
  const share = (value: number): string =>
    `${(100 * value).toFixed(1)} % (${ms(value * whole)} of ${ms(whole)})`;
  add('a key beside twenty pictures, p95 of cold', share(beside), '≤ 5 %', beside <= 0.05);
  add('a key in one of twenty pictures, p95 of cold', share(within), '≤ 20 %', within <= 0.2);
}

/** The same words on as many pages, as the other library writes them. */
function plainPdf(lines: readonly string[], pages: number): Promise<number> {
  return new Promise((resolve) => {
    const start = performance.now();
    const document = new PDFDocument({
      autoFirstPage: false,
      font: join(FONTS, 'lmroman10-regular.otf'),
    });
    document.on('data', () => undefined);
    document.on('end', () => resolve(performance.now() - start));
    const perPage = Math.ceil(lines.length / pages);
    for (let page = 0; page < pages; page++) {
      document.addPage();
      document.fontSize(10);
      lines.slice(page * perPage, (page + 1) * perPage).forEach((line, i) => {
        document.text(line, 100, 72 + i * 12, { lineBreak: false });
      });
    }
    document.end();
  });
}

async function pdfAgainstPdfkit(): Promise<void> {
  const { text } = mathematicalDocument(100);
  const session = cold(text);
  const { pageText } = await import('@odd-compass/engine');
  const lines = session.pages.flatMap((page) => pageText(session.describe(page), session.fonts));
  const ours: number[] = [];
  const theirs: number[] = [];
  for (let i = 0; i < 3; i++) {
    const start = performance.now();
    await session.pdf({ title: 'bench', author: '' });
    ours.push(performance.now() - start);
    theirs.push(await plainPdf(lines, session.pages.length));
  }
  const value = median(ours) / median(theirs);
  add(
    `PDF of ${session.pages.length} pages against pdfkit`,
    `${ratio(value)} (${ms(median(ours))} / ${ms(median(theirs))})`,
    '< 1 ×',
    value < 1,
  );
}

function firstPage(): void {
  const { text } = mathematicalDocument(10);
  const times = Array.from({ length: 5 }, () =>
    timed(() => {
      const session = new Session({ fonts: new FontStore(fonts), today });
      session.setText(text.slice(0, 3000));
      session.settle().next();
    }),
  );
  add('first page of a new document, fonts not yet opened', ms(median(times)), '(100 ms)', null);
}

/** Heap and buffers of the whole program, with nothing but one document open. */
function memory(): void {
  const { text } = mathematicalDocument(100);
  const megabytes = (): number => {
    const { heapUsed, external } = process.memoryUsage();
    return (heapUsed + external) / 1e6;
  };
  const session = cold(text);
  const peak = megabytes();
  globalThis.gc?.();
  add(
    `memory, ${session.pages.length} pages open: at the end of cold, then held`,
    `${peak.toFixed(0)} MB, ${megabytes().toFixed(0)} MB`,
    '≤ 300 MB',
    peak <= 300,
  );
}

/** Derivations of a sheet tested, against typesetting that sheet. */
function stepRows(): void {
  for (const [count, most] of [
    [20, 100],
    [300, 3000],
  ] as const) {
    const rows = Array.from(
      { length: count },
      (_, i) =>
        `\\section{A}\n$(x+${i})^2 = x^2 + ${2 * i}x + ${i * i}$ and $\\sum_{k=1}^n k^2 + ${i} = \\frac{n(n+1)(2n+1)}{6} + ${i}$`,
    );
    const body = rows.slice(0, count / 2).join('\n\n');
    const session = cold(`\\documentclass{article}\\begin{document}${body}\\end{document}`);
    const times = [0, 1, 2].map(() => timed(() => [...stepsOf(session.written())]));
    const value = median(times);
    add(`${count} steps of derivations tested`, ms(value), `(${most} ms)`, value <= most);
  }
}

process.stdout.write('Odd Compass benchmark: ratios within this run\n\n');
memory();
coldAgainstKatex();
mathAlone();
keystrokeRows();
pictureRows();
stepRows();
await pdfAgainstPdfkit();
firstPage();
const failed = rows.filter(({ holds }) => holds === false);
process.stdout.write(
  failed.length === 0
    ? '\nEvery budget holds.\n'
    : `\nShort of its budget: ${failed.map(({ what }) => what).join('; ')}\n`,
);
