import { expect, test } from './test';
import { caretBehind, sheet, sheetWith, source, write, written } from './writing';

const WHOLE = String.raw`\documentclass{article}
\begin{document}
\section{Ebb}
First.
\input{shore}
\nocite{*}
\bibliographystyle{plain}
\bibliography{lights}
\end{document}
`;
const file = (name: string, text: string) => ({
  name,
  mimeType: 'text/plain',
  buffer: Buffer.from(text),
});

test('files are brought in through the drawer; parts of parts, a bibliography and a document apart are set as they are typed', async ({
  page,
}) => {
  const failures: string[] = [];
  page.on('pageerror', ({ message }) => failures.push(message));
  await sheetWith(page, WHOLE);
  await expect(page.getByTestId('needle')).toContainText('2 to fix');
  await page.getByRole('button', { name: 'Files', exact: true }).click();
  await page
    .locator('input[type=file][multiple]')
    .setInputFiles([
      file('shore.tex', 'Shore.\n\\input{rocks}\n'),
      file('rocks.tex', 'Rocks.\n'),
      file('lights.bib', '@book{one, title={Lamps}, author={Ada Reef}, year={2001}}\n'),
      file('apart.tex', '\\documentclass{article}\n\\begin{document}\nApart.\n\\end{document}\n'),
    ]);
  // What was missing is there at once.
  await expect(sheet(page)).toContainText('Rocks.');
  await expect(sheet(page)).toContainText('Ada Reef');

  const open = async (name: string, holds: string) => {
    await page.getByRole('link', { name, exact: true }).click();
    // Until the file is there, keys are for the one before.
    await expect(source(page)).toContainText(holds);
    await expect(page.getByTestId('status')).toContainText(/^saved/);
    await source(page).focus();
  };
  const files = () => page.getByRole('button', { name: 'Files', exact: true }).click();
  await open('rocks.tex', 'Rocks.');
  await page.keyboard.press('Control+End');
  await write(page, 'More of \\thes.');
  await expect(sheet(page)).toContainText('More of');
  await expect(sheet(page)).toContainText('First.');
  await expect(source(page)).toContainText('There is no command \\thes.');

  await files();
  await open('lights.bib', 'Ada');
  await caretBehind(page, 'Ada ');
  await write(page, 'Q. ');
  await expect(sheet(page)).toContainText('Ada Q. Reef');

  await files();
  await open('apart.tex', 'Apart.');
  await expect(sheet(page)).toContainText('Apart.');
  await expect(sheet(page)).not.toContainText('First.');
  await page.getByLabel('Take the sheet away, or copy it').click();
  await page.getByRole('button', { name: 'Make apart.tex the sheet' }).click();
  await expect(page.getByTestId('status')).toContainText(/^saved/);
  await page.goto('/a/tide-sums');
  await expect(sheet(page)).toContainText('Apart.');
  await page.request.patch('/api/assignments/tide-sums', { data: { mainPath: 'sheet.tex' } });
  expect(failures).toEqual([]);
});

test('what is typed as soon as a sheet opens goes where its text begins; the list at the seam leads about; source and PDF are taken', async ({
  page,
}) => {
  await page.goto('/a/ferry-notes', { waitUntil: 'commit' });
  await page.locator('body').waitFor();
  await page.keyboard.type('Early words. ');
  await expect(page.getByTestId('status')).toContainText(/^saved/);
  await page.keyboard.type('And later. ');
  await expect(sheet(page)).toContainText('Early words. And later.');
  await expect.poll(() => written(page)).toMatch(/\\maketitle\n\n?Early words\. And later\. /);

  await page.getByRole('button', { name: 'What stands on this sheet' }).click();
  const list = page.getByRole('dialog', { name: 'On this sheet' });
  await list.getByRole('button', { name: 'Headings' }).click();
  await list.getByRole('button', { name: /The long run/ }).click();
  await expect(list).toBeHidden();
  await page.keyboard.type('%');
  await expect.poll(() => written(page)).toContain('%\\section{The long run}');
  await page.keyboard.press('Backspace');

  await page.getByLabel('Take the sheet away, or copy it').click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Source and PDF in one .zip' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('Lecture-notes-ferries-as-chains.zip');
});

test('the line that is written on stays in view when the bench opens', async ({ page }) => {
  const lines = Array.from({ length: 60 }, (_, i) => `Watch ${i}.`).join('\n\n');
  await sheetWith(page, `\\documentclass{article}\n\\begin{document}\n${lines}\n\\end{document}\n`);
  await page.getByRole('button', { name: 'Fold', exact: true }).click();
  await source(page).focus();
  await page.keyboard.press('Control+End');
  await expect(page.locator('.cm-activeLine')).toBeInViewport();
  await page.getByRole('button', { name: 'Unfold', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Fold', exact: true })).toBeVisible();
  await expect(page.locator('.cm-activeLine')).toBeInViewport();
});
