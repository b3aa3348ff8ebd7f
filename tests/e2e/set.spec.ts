import { expect, test, type Page } from './test';
import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { accessibility } from './accessibility';
import {
  accept,
  article,
  bench,
  caretBehind,
  dropOn,
  emptySheet,
  needle,
  sheet,
  sheetWith,
  source,
  write,
  written,
} from './writing';

const PICTURES = 'packages/engine/src/testing/corpus/pictures';
const photo = {
  name: 'Tide gauge.jpg',
  type: 'image/jpeg',
  bytes: readFileSync(`${PICTURES}/photo.jpg`),
};

test('a set of two pages from an empty sheet, by keys alone but for the picture', async ({
  page,
}) => {
  await emptySheet(page);
  await write(page, '\\documentclass{art');
  await accept(page);
  await page.keyboard.press('End');
  await write(page, '\n\\usepackage{amsth');
  await accept(page);
  await page.keyboard.press('End');
  await write(page, '\n\\begin{docum');
  await accept(page);
  // Completion writes a section, the bench a matrix and aligned lines.
  await write(page, '\\sectio');
  await accept(page);
  await write(page, 'Two harbours');
  await page.keyboard.press('End');
  await write(page, '\nThe ferry moves by\n\\[\n\\begin{pmatri');
  await accept(page);
  await expect(bench(page)).toContainText('Matrix');
  await page.keyboard.press('F6');
  for (const cell of ['1/2', '1/2']) {
    await write(page, cell);
    await page.keyboard.press('Tab');
  }
  await page.keyboard.press('Escape');
  await expect.poll(() => written(page)).toContain('1/2 & 1/2');
  await caretBehind(page, '\\end{pmatrix}');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('End');
  await write(page, '\nso that\n\\begin{alig');
  await accept(page);
  await write(page, 'p = 1/2 = 2/4 = 3/6');
  await expect(bench(page)).toContainText('Aligned lines');
  await page.keyboard.press('F6');
  await page.keyboard.press('Tab');
  await expect(page.getByLabel('Line 1', { exact: true })).toBeFocused();
  const split = bench(page).getByRole('button', { name: 'Split at all relations' });
  for (let i = 0; i < 8 && !(await split.evaluate((b) => b === document.activeElement)); i++)
    await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect.poll(() => written(page)).toMatch(/p & = 1\/2 \\\\\n/);
  await expect.poll(() => written(page)).toContain('& = 3/6');
  await caretBehind(page, '& = 3/6');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('End');
  await write(page, '\n\n\\newpage\nThe gauge is on the pier.\n');

  await dropOn(page, 'The gauge is on the pier', photo);
  await expect
    .poll(() => written(page))
    .toContain('\\includegraphics[width=0.6\\textwidth]{tide-gauge.jpg}');
  await write(page, 'The gauge');
  await expect(sheet(page)).toContainText('Figure 1: The gauge');
  expect(await written(page)).toContain('\\usepackage{graphicx}');
  await expect(page.getByTestId('status')).toContainText('saved · 2 pages');
  await expect(needle(page)).toContainText('all well');

  const file = test.info().outputPath('set.pdf');
  writeFileSync(file, await (await page.request.get('/a/tide-sums/pdf')).body());
  expect(execFileSync('pdfimages', ['-list', file], { encoding: 'utf8' })).toContain('image');
  expect(execFileSync('pdftotext', [file, '-'], { encoding: 'utf8' })).toContain('Two harbours');
});

/** A mistake as it stands in a body, its button, and what is written then. */
const MISTAKES: readonly (readonly [string, string, string])[] = [
  ['An ebb & flood.', 'Print the & itself', 'An ebb \\& flood.'],
  ['Let $x = 1 be tides.', 'Close it with $', 'Let $x = 1$ be tides.'],
  ['So $\\left( x$ is.', 'Add \\right)', 'So $\\left( x \\right)$ is.'],
  ['So $x^a^b$ is.', 'Put braces around the first', 'So ${x^a}^b$ is.'],
  ['Some 50% of it\nis in.', 'Write \\%', 'Some 50\\% of it'],
  ['The \\textbff{tide} rises.', 'Write \\textbf', 'The \\textbf{tide} rises.'],
  ['\\begin{center}x\\end{cetner}', 'Write center', '\\end{center}'],
  ['\\begin{itemize}\nebb\n\\item flood\n\\end{itemize}', 'Start an item here', '\\item ebb'],
  ['The sign of $sin x$.', 'Write \\sin', '$\\sin x$'],
  ['In \\textcolor{red}{red}.', 'Load xcolor', '\\usepackage{xcolor}'],
];

test('ten mistakes are mended by their buttons', async ({ page }) => {
  await sheetWith(page, article(MISTAKES.map(([wrong]) => wrong).join('\n\n')));
  for (const [, button, right] of MISTAKES) {
    const mend = source(page).getByRole('button', { name: button, exact: true });
    await expect(mend.first()).toBeVisible();
    await mend.first().click();
    await expect.poll(() => written(page)).toContain(right);
  }
  await expect(needle(page)).toContainText('all well');
  await expect(page.getByRole('note')).toHaveCount(0);
});

test('a formula that breaks keeps its last good form on the page, marked, until it is whole', async ({
  page,
}) => {
  await sheetWith(page, article('The height is $a + b$ now.'));
  await expect(sheet(page)).toContainText('The height is');
  await caretBehind(page, '$a + b');
  await write(page, ' + \\fra');
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('held')).toBeVisible();
  await expect(needle(page)).toContainText('1 to fix');
  for (let i = 0; i < '\\fra'.length; i++) await page.keyboard.press('Backspace');
  await write(page, 'c');
  await expect(page.getByTestId('held')).toHaveCount(0);
});

/** What the bench shows at a place of a sheet that has everything, and a tool of it that changes the source. */
const SHEET = article(
  `\\maketitle
Some $R$ text, see \\ref{tab:a}.

\\begin{table}[htbp]
  \\centering
  \\caption{Heights}
  \\label{tab:a}
  \\begin{tabular}{lc}
    port & height \\\\
    East & 2
  \\end{tabular}
\\end{table}

\\begin{itemize}
  \\item ebb
\\end{itemize}`,
  '\\usepackage{amsmath}\n\\usepackage{xcolor}\n\\title{Tides}',
);

test('the bench has tools for the class line, packages, tables, references and lists', async ({
  page,
}) => {
  await sheetWith(page, SHEET);
  await caretBehind(page, '\\documentclass');
  await bench(page).getByLabel('Paper').selectOption('A4');
  await expect.poll(() => written(page)).toContain('\\documentclass[a4paper]{article}');
  await bench(page).getByLabel('Margins').selectOption('2 cm');
  await expect.poll(() => written(page)).toContain('\\usepackage[margin=2cm]{geometry}');
  expect(await accessibility(page)).toEqual([]);

  await caretBehind(page, '\\usepackage{xcolor');
  await expect(bench(page)).toContainText('Nothing of it is used.');
  await bench(page).getByRole('button', { name: 'Take xcolor out' }).click();
  await expect.poll(() => written(page)).not.toContain('xcolor');

  await caretBehind(page, 'port & hei');
  await expect(page.getByRole('grid')).toHaveAccessibleName('The table, 2 rows, 2 columns');
  await page.getByLabel('Row 2, column 2').fill('2.4');
  await bench(page).getByLabel('Rules').selectOption('above, below, under the head');
  await expect.poll(() => written(page)).toContain('\\midrule\n  East & 2.4');
  expect(await written(page)).toContain('\\usepackage{booktabs}');
  await bench(page).getByLabel('This column').selectOption('right');
  await bench(page).getByRole('button', { name: 'Column after' }).click();
  await expect(page.getByRole('grid')).toHaveAccessibleName('The table, 2 rows, 3 columns');
  expect(await accessibility(page)).toEqual([]);

  await caretBehind(page, '\\ref{tab');
  await expect(bench(page)).toContainText('is table 1');

  await caretBehind(page, '\\item ebb');
  await bench(page).getByRole('button', { name: 'Numbered', exact: true }).click();
  await expect.poll(() => written(page)).toContain('\\end{enumerate}');
  await expect(needle(page)).toContainText('all well');
});

test('a part of a formula is chosen on the bench, marked in the source, and changed', async ({
  page,
}) => {
  await sheetWith(page, article('The height $\\frac{a+b}{R}$ it is.'));
  await caretBehind(page, 'frac{a');
  await expect(bench(page).getByRole('img', { name: 'The formula, large' })).toBeVisible();
  await bench(page).getByRole('button', { name: 'the next part' }).click();
  await bench(page).getByRole('button', { name: 'more around it' }).click();
  await bench(page).getByRole('button', { name: 'more around it' }).click();
  await expect(page.getByTestId('marked-part').first()).toBeVisible();
  await bench(page).getByRole('button', { name: 'root' }).click();
  await expect.poll(() => written(page)).toContain('$\\sqrt{\\frac{a+b}{R}}$');
  await caretBehind(page, '{R');
  await bench(page).getByRole('button', { name: 'Other form of the letter' }).click();
  await expect.poll(() => written(page)).toContain('{\\mathbf{R}}');
});

test('a symbol is drawn by hand, and kept as a favourite', async ({ page }) => {
  await sheetWith(page, article('So $a $ it is.'));
  await caretBehind(page, '$a');
  await page.keyboard.press('F7');
  await bench(page).getByRole('button', { name: 'Draw it' }).click();
  // The shapes of the glyphs are learnt first; the bench has come to rest then.
  await page.waitForTimeout(1500);
  const pad = await page.getByLabel('Draw a symbol here with the pointer').boundingBox();
  if (!pad) throw new Error('there is nothing to draw on');
  const to = (x: number, y: number) => page.mouse.move(pad.x + x, pad.y + y);
  await to(20, 20);
  await page.mouse.down();
  for (let i = 0; i <= 20; i++) {
    const angle = Math.PI - (Math.PI * i) / 20;
    await to(65 + 40 * Math.cos(angle), 70 + 40 * Math.sin(angle));
  }
  await to(105, 20);
  await page.mouse.up();
  const union = bench(page).getByRole('button', { name: /^cup/ });
  await expect(union).toBeVisible();
  await bench(page).getByLabel('choose favourites').check();
  await union.click();
  await bench(page).getByLabel('choose favourites').uncheck();
  await bench(page).getByRole('button', { name: 'Favourites' }).click();
  await union.click();
  await expect.poll(() => written(page)).toContain('$a\\cup $');
});

test('words of the text are spelt, and learnt; formulas are left alone', async ({ page }) => {
  await sheetWith(page, article('The tidde at Brannock is $teh$ and \\label{xyzzy} harbour.'));
  const wrong = page.locator('.src-misspelt');
  await expect(wrong).toHaveText(['tidde', 'Brannock']);
  await caretBehind(page, 'Branno');
  await page.keyboard.press('F9');
  await page.getByRole('button', { name: '“Brannock” is right' }).click();
  await expect(wrong).toHaveText(['tidde']);
  await caretBehind(page, 'tidd');
  // One who only looks at a word is not writing it: it stays marked.
  await page.waitForTimeout(900);
  await expect(wrong).toHaveText(['tidde']);
  await page.keyboard.press('F9');
  const card = page.getByRole('dialog', { name: 'Spelling of tidde' });
  await card.getByRole('button', { name: 'tide', exact: true }).click();
  await expect.poll(() => written(page)).toContain('The tide at');
  await expect(wrong).toHaveCount(0);
});

test('the sheet is leafed through, searched, and followed by its links', async ({ page }) => {
  await page.goto('/a/ferry-notes');
  await expect(sheet(page)).toContainText('Ferries as chains');
  const tools = page.getByRole('group', { name: 'How the sheet is seen' });
  await tools.getByRole('button', { name: 'All pages, small' }).click();
  const small = page.getByRole('group', { name: 'All pages, small' });
  await small.getByRole('button', { name: 'page 4' }).click();
  await expect(tools.getByRole('textbox', { name: /^Page/ })).toHaveValue('4');
  await tools.getByRole('button', { name: 'Next page' }).click();
  await expect(tools.getByRole('textbox', { name: /^Page/ })).toHaveValue('5');
  await tools.getByRole('button', { name: 'A whole page' }).click();
  await sheet(page).focus();
  await page.keyboard.press('Control+f');
  await write(page, 'stationary');
  await expect(page.getByRole('search', { name: 'On the sheet' })).toContainText('of 9');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('found')).toBeVisible();
  expect(await accessibility(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('found')).toHaveCount(0);
});

test('a reference on the page leads to what it names, and back', async ({ page }) => {
  await sheetWith(
    page,
    article(
      'See \\eqref{eq:ebb}, and \\cite{quill}.\\newpage Slack.\\newpage \\begin{equation}x\\label{eq:ebb}\\end{equation} So in \\ref{s}.\\newpage \\section{Flood}\\label{s}\\begin{thebibliography}{9}\\bibitem{quill} A book.\\end{thebibliography}',
      '\\usepackage{amsmath}\\usepackage{hyperref}',
    ),
  );
  const at = page
    .getByRole('group', { name: 'How the sheet is seen' })
    .getByRole('textbox', { name: /^Page/ });
  const leading = (number: number) =>
    page
      .getByRole('article', { name: `Page ${number}` })
      .getByRole('button', { name: 'Go to what is referred to' });
  await page.getByRole('button', { name: 'A whole page' }).click();
  await at.fill('1');
  await at.press('Enter');
  await leading(1).first().click();
  await expect(at).toHaveValue('3');
  await leading(3).first().click();
  await expect(at).toHaveValue('4');
  await at.fill('1');
  await at.press('Enter');
  await leading(1).last().click();
  await expect(at).toHaveValue('4');
});

async function figureWidth(page: Page): Promise<number> {
  const found = /width=([\d.]+)\\textwidth/.exec(await written(page));
  return Number(found?.[1]);
}

test('a picture is drawn to its size on the page; what is no picture is refused in words', async ({
  page,
}) => {
  await sheetWith(page, article('The gauge.'));
  await dropOn(page, 'The gauge', photo);
  const handle = page.getByRole('button', { name: /^Width of tide-gauge/ });
  await expect(handle).toBeVisible();
  expect(await figureWidth(page)).toBe(0.6);
  const box = await handle.boundingBox();
  if (!box) throw new Error('the picture is not on the page');
  await page.mouse.move(box.x + 8, box.y + 8);
  await page.mouse.down();
  await page.mouse.move(box.x - 60, box.y - 30, { steps: 4 });
  await page.mouse.up();
  await expect.poll(() => figureWidth(page)).toBeLessThan(0.5);
  const before = await written(page);
  await dropOn(page, 'The gauge', {
    name: 'plan.eps',
    type: 'application/postscript',
    bytes: Buffer.from('%!PS-Adobe-3.0 EPSF-3.0'),
  });
  await expect(page.getByRole('alert')).toContainText('save it as PDF');
  expect(await written(page)).toBe(before);
});
