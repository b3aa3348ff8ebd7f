/**
 * A page of every construct of formulas at text and display size in the three fonts, and
 * beside it the same formulas as the library katex draws them: to be looked at closely.
 * Needs `pdftoppm` and Chromium. Writes to build/gallery.
 */
import { Session } from '@odd-compass/engine';
import { chromium } from '@playwright/test';
import katex from 'katex';
import { execFileSync } from 'node:child_process';
import { mkdirSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { CONSTRUCTS } from './gallery/constructs';
import { fontsFrom } from './hostFonts';

const root = process.env.ODD_COMPASS_ROOT ?? dirname(dirname(fileURLToPath(import.meta.url)));
const out = join(root, 'build/gallery');
const FACES: readonly (readonly [string, string])[] = [
  ['modern', ''],
  ['pagella', '\\usepackage{mathpazo}'],
  ['termes', '\\usepackage{newtxtext,newtxmath}'],
];
const PACKAGES = 'amsmath,amssymb,mathtools,bm,mathrsfs,dsfont,cancel,braket,amscd,arydshln';
const PER_SHEET = 10;

/** One small page for each formula, so that each is a picture of its own. */
const documentOf = (line: string): string =>
  `\\documentclass{article}\n\\usepackage[paperwidth=13.5cm,paperheight=2.7cm,margin=1.5mm]{geometry}\n` +
  `\\usepackage{${PACKAGES}}\n${line}\n\\pagestyle{empty}\\parindent0pt\n\\begin{document}\n` +
  CONSTRUCTS.map(
    ([, formula]) =>
      `\\vspace*{\\fill}$${formula}$\\hfill$\\displaystyle ${formula}$\\vspace*{\\fill}`,
  ).join('\n\\newpage\n') +
  '\n\\end{document}\n';

/** Heights of the formulas in sp, as the first font sets them. */
let heights: readonly number[] = [];
const shape = (i: number): string => ((heights[i] ?? 0) < 28 * 65536 ? 'flat' : 'tall');

async function draw(face: string, line: string): Promise<void> {
  const session = new Session({
    fonts: fontsFrom(join(root, 'static/fonts')),
    today: { year: 2026, month: 3, day: 1 },
  });
  session.setText(documentOf(line));
  session.settleAll();
  if (await session.loadPatterns()) session.settleAll();
  if (heights.length === 0)
    heights = session.pages.map(({ placed }) =>
      Math.max(...placed.map(({ box }) => box.height + box.depth)),
    );
  for (const { kind, message } of session.findings())
    if (!kind.startsWith('formula-too') && !kind.startsWith('line-too'))
      console.log(face, kind, message);
  const file = join(out, `${face}.pdf`);
  writeFileSync(file, await session.pdf({ title: face, author: '' }));
  execFileSync('pdftoppm', ['-r', '150', '-png', file, join(out, face)]);
}

function page(first: number): string {
  const images = (face: string): string[] =>
    readdirSync(out)
      .filter((name) => name.startsWith(`${face}-`))
      .sort();
  const [modern, pagella, termes] = FACES.map(([face]) => images(face)) as [
    string[],
    string[],
    string[],
  ];
  const rows = CONSTRUCTS.slice(first, first + PER_SHEET).map(([title, formula], k) => {
    const i = first + k;
    const html = (displayMode: boolean): string =>
      katex.renderToString(displayMode ? `\\displaystyle ${formula}` : formula, {
        throwOnError: false,
      });
    return `<tr><th>${title}</th><td><img class="${shape(i)}" src="${modern[i]}"></td><td class="other"><div>${html(false)}</div><div>${html(true)}</div></td></tr>
      <tr><th></th><td><img class="${shape(i)}" src="${pagella[i]}"></td><td><img class="${shape(i)}" src="${termes[i]}"></td></tr>`;
  });
  return `<!doctype html><meta charset="utf-8"><link rel="stylesheet" href="../../node_modules/katex/dist/katex.min.css">
    <style>body{font:12px sans-serif;margin:8px}td,th{border:1px solid #ccc;padding:2px;text-align:left}th{width:7em}
    img{width:780px;display:block}.other{width:560px;font-size:21.6px}.other{overflow:hidden;white-space:nowrap}.other div{display:inline-block;margin-right:2em}.flat{height:74px;object-fit:cover}.katex{font-size:1em}</style>
    <table>${rows.join('')}</table>`;
}

rmSync(out, { recursive: true, force: true });
mkdirSync(out, { recursive: true });
for (const [face, line] of FACES) await draw(face, line);
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu'],
});
const tab = await browser.newPage({ viewport: { width: 1760, height: 900 } });
for (let first = 0, n = 1; first < CONSTRUCTS.length; first += PER_SHEET, n++) {
  const file = join(out, `sheet-${n}.html`);
  writeFileSync(file, page(first));
  await tab.goto(`file://${file}`);
  await tab.screenshot({ path: join(out, `sheet-${n}.png`), fullPage: true });
}
await browser.close();
