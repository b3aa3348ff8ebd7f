import { expect, test, type Page } from './test';
import { accessibility } from './accessibility';
import { caretBehind, sheet, source } from './writing';
import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';

const saved = (page: Page) => expect(page.getByTestId('status')).toContainText(/^saved/);

test('open a sheet, type, see the page change, make a mistake, have it explained, mend it, take the PDF', async ({
  page,
}) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Chains and Timetables' })).toBeVisible();
  expect(await accessibility(page)).toEqual([]);

  await page.getByRole('heading', { name: 'Three harbours', exact: true }).click();
  await expect(sheet(page)).toContainText('A ferry leaves each morning');
  await expect(page.getByTestId('needle')).toContainText('all well');

  await caretBehind(page, 'A ferry leaves each');
  await page.keyboard.type(' and every');
  await expect(sheet(page)).toContainText('A ferry leaves each and every morning');
  await expect(page.getByTestId('lit-block')).toBeVisible();

  await page.keyboard.type(' \\textbff');
  await expect(page.getByRole('note')).toContainText('There is no command \\textbff.');
  await expect(page.getByTestId('needle')).toContainText('1 to fix');
  await expect(sheet(page)).toContainText('Problem 1.');
  expect(await accessibility(page)).toEqual([]);

  await page.getByRole('button', { name: 'Write \\textbf' }).click();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('note')).toContainText('There is no command \\textbff.');
  for (let i = 0; i < ' \\textbff'.length; i++) await page.keyboard.press('Backspace');
  await expect(page.getByRole('note')).toHaveCount(0);
  await expect(page.getByTestId('needle')).toContainText('all well');
  await saved(page);

  const answer = await page.request.get('/a/three-harbours/pdf');
  expect(answer.headers()['content-type']).toBe('application/pdf');
  const file = test.info().outputPath('sheet.pdf');
  writeFileSync(file, await answer.body());
  expect(execFileSync('pdftotext', [file, '-'], { encoding: 'utf8' })).toContain(
    'A ferry leaves each and every morning',
  );
  const fonts = execFileSync('pdffonts', [file], { encoding: 'utf8' }).trim().split('\n').slice(2);
  expect(fonts.length).toBeGreaterThan(3);
  for (const font of fonts) expect(font).toMatch(/yes yes yes/);
});

test('a mistake is mended by its button, and the needle leads to it', async ({ page }) => {
  await page.goto('/a/lamp-signals');
  await expect(page.getByTestId('needle')).toContainText('6 to fix');
  await page.getByTestId('needle').click();
  await page.getByRole('button', { name: 'Write claim' }).click();
  await expect(page.getByTestId('needle')).toContainText('5 to fix');
  await expect(source(page)).toContainText('\\end{claim}');
});

test('a click on the page puts the caret at that word', async ({ page }) => {
  await page.goto('/a/tide-gauge');
  await expect(sheet(page)).toContainText('The gauge at the end of the pier');
  const word = page.locator('article p', { hasText: 'The gauge at the end' }).first();
  const box = await word.boundingBox();
  if (!box) throw new Error('the line is not on the screen');
  await page.mouse.click(box.x + 4, box.y + box.height / 2);
  await page.keyboard.type('XYZ');
  await expect(sheet(page)).toContainText('XYZ');
  await expect(source(page)).toContainText(/XYZ?The gauge|TXYZhe gauge/);
});

test('two windows on one sheet never overwrite each other silently', async ({ page, context }) => {
  const other = await context.newPage();
  await page.goto('/a/signal-induction');
  await other.goto('/a/signal-induction');
  await expect(sheet(page)).toContainText('lighthouses');
  await expect(sheet(other)).toContainText('lighthouses');
  // In other lines: both have both.
  await caretBehind(page, 'two lighthouses');
  await page.keyboard.type(' first');
  await saved(page);
  await expect(source(other)).toContainText('two lighthouses first');
  // In one line, at once: the writer is asked.
  let release = (): void => undefined;
  const first = new Promise<void>((resolve) => (release = resolve));
  await other.route('**/source', async (route) => {
    await first;
    await route.continue();
  });
  await caretBehind(other, 'two lighthouses first');
  await other.keyboard.type(' THERE');
  await caretBehind(page, 'two lighthouses');
  await page.keyboard.type(' HERE');
  await saved(page);
  release();
  await expect(other.getByRole('alert')).toContainText('changed in another window');
  await other.getByRole('button', { name: 'Take the other one' }).click();
  await expect(source(other)).toContainText('two lighthouses HERE first');
});

test('what is typed while the server does not answer is kept and sent later', async ({ page }) => {
  await page.goto('/a/tide-sums');
  await expect(sheet(page)).toContainText('Tides as sums');
  await page.route('**/source', (route) => route.abort());
  await caretBehind(page, 'Harmonic tides');
  await page.keyboard.type(' again');
  await expect(page.getByTestId('status')).toContainText('not saved yet');
  await page.reload();
  await expect(source(page)).toContainText('Harmonic tides again');
  await page.unroute('**/source');
  await saved(page);
});

test('what is typed before the fonts have come is on the page', async ({ page }) => {
  await page.route('**/fonts/*', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 800));
    await route.continue();
  });
  await page.goto('/a/tide-sums');
  await caretBehind(page, 'Sheet 6');
  await page.keyboard.type(' early');
  await expect(sheet(page)).toContainText('Sheet 6 early');
});

test('the sheet follows the caret once, and then stays where it is scrolled to', async ({
  page,
}) => {
  await page.goto('/a/ferry-notes');
  await caretBehind(page, 'A ferry line has finitely');
  await expect(page.getByTestId('lit-block')).toBeVisible();
  const scrolled = () => sheet(page).evaluate((element) => element.scrollTop);
  await sheet(page).hover();
  for (let i = 0; i < 5; i++) {
    await page.mouse.wheel(0, 800);
    await page.waitForTimeout(150);
  }
  await expect(sheet(page)).toContainText('Theorem 4.2.');
  const place = await scrolled();
  expect(place).toBeGreaterThan(2500);
  await page.waitForTimeout(600);
  expect(await scrolled()).toBe(place);
  await source(page).focus();
  await page.keyboard.type('x');
  await expect.poll(scrolled).toBeLessThan(900);
});

test('the PDF holds what was typed the moment before', async ({ page, context }) => {
  await page.goto('/a/three-harbours');
  await expect(sheet(page)).toContainText('the ferry is in');
  await page.route('**/source', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 400));
    await route.continue();
  });
  await caretBehind(page, 'night at the next');
  await page.keyboard.type(' pier');
  const asked = context.waitForEvent('request', (request) => request.url().endsWith('/pdf'));
  await page.getByRole('link', { name: 'PDF' }).click();
  await asked;
  // By the time the PDF is asked for, nothing waits to be saved.
  expect(await page.getByTestId('status').textContent()).toMatch(/^saved/);
  const file = test.info().outputPath('sheet.pdf');
  writeFileSync(file, await (await page.request.get('/a/three-harbours/pdf')).body());
  expect(execFileSync('pdftotext', [file, '-'], { encoding: 'utf8' })).toContain(
    'night at the next pier',
  );
});

test('the page on the screen is the page of the PDF', async ({ page }) => {
  await page.goto('/a/tide-gauge');
  await expect(sheet(page)).toContainText('What the gauge knows');
  await saved(page);
  const lines = (await page.locator('article').first().locator('p').allTextContents()).join(' ');
  const answer = await page.request.get('/a/tide-gauge/pdf');
  const file = test.info().outputPath('sheet.pdf');
  writeFileSync(file, await answer.body());
  const words = execFileSync('pdftotext', ['-l', '1', file, '-'], { encoding: 'utf8' });
  for (const word of words.split(/\s+/).filter((w) => /^[A-Za-z]{5,}$/.test(w)))
    expect(lines).toContain(word);
});

test('input that is no save is refused with a sentence', async ({ request, baseURL }) => {
  const put = (data: object, origin = baseURL ?? '') =>
    request.put('/a/tide-gauge/source', { data, headers: { origin } });
  const answer = await put({ revision: 'one' });
  expect(answer.status()).toBe(400);
  expect(await answer.text()).toContain('could not be understood');
  expect(
    (
      await put({ path: 'sheet.tex', revision: 1, content: 'x' }, 'http://elsewhere.example')
    ).status(),
  ).toBe(403);
  expect((await request.get('/a/no-such-sheet')).status()).toBe(404);
  expect((await request.get('/a/no-such-sheet/pdf')).status()).toBe(404);
});
