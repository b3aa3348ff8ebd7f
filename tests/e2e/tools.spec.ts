import { expect, test } from './test';
import { accessibility } from './accessibility';
import { accept, bench, emptySheet, sheet, source, write, written } from './writing';

test('a sheet is written by keys alone: completion, items, rows, a matrix on the bench', async ({
  page,
}) => {
  await emptySheet(page);
  await write(page, '\\documentclass{article}\n\\begin{docum');
  await accept(page);
  await write(page, 'Boats leave when $x');
  await expect(sheet(page)).toContainText('Boats leave when');
  await write(page, '<=3$ and\n\\begin{enumer');
  await accept(page);
  await write(page, 'ebb');
  await page.keyboard.press('Enter');
  await write(page, 'flood');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await write(page, '\\begin{pmatr');
  await page.keyboard.press('Escape');
  for (let i = 0; i < '\\begin{pmatr'.length; i++) await page.keyboard.press('Backspace');
  await write(page, '\\[\n\\begin{pmatri');
  await accept(page);
  await write(page, '1');
  let text = await written(page);
  expect(text).toContain('\\usepackage{amsmath}');
  expect(text).toContain('$x\\le 3$');
  expect(text).toContain('\\item ebb\n  \\item flood\n\\end{enumerate}');
  expect(text).toContain('\\end{pmatrix}');

  await expect(bench(page)).toContainText('Matrix');
  const cell = (row: number, column: number) =>
    page.getByLabel(`Row ${row}, column ${column}`, { exact: true });
  await page.keyboard.press('F6');
  await expect(cell(1, 1)).toBeFocused();
  await page.keyboard.press('Tab');
  await expect(cell(1, 2)).toBeFocused();
  await write(page, '2');
  await page.keyboard.press('Enter');
  await expect(cell(2, 1)).toBeFocused();
  await write(page, '3');
  await expect(page.getByRole('grid')).toHaveAccessibleName('The matrix, 2 rows, 2 columns');
  expect(await accessibility(page)).toEqual([]);
  await page.keyboard.press('Escape');
  text = await written(page);
  expect(text.replace(/\s+/g, ' ')).toContain('1 & 2 \\\\ 3 &');
  await page.keyboard.press('Control+z');
  await expect.poll(() => written(page)).not.toContain('3 &');
});

test('a formula is seen large, put in another form, and aligned in one action', async ({
  page,
}) => {
  await emptySheet(page);
  await write(
    page,
    '\\documentclass{article}\n\\usepackage{amsmath}\n\\begin{document}\nSo $a = b + c = d',
  );
  await page.keyboard.press('Control+End');
  await write(page, '\n\\end{document}');
  await expect(page.getByTestId('needle')).toContainText('all well');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('End');
  await page.keyboard.press('ArrowLeft');
  await expect(bench(page).getByRole('img', { name: 'The formula, large' })).toBeVisible();
  await bench(page).getByRole('button', { name: 'Aligned at relations' }).click();
  const text = await written(page);
  expect(text).toContain('a &= b + c \\\\\n');
  expect(text).toContain('&= d\n\\end{align*}');
  await expect(page.getByTestId('needle')).toContainText('all well');
  await expect(bench(page)).toContainText('Aligned lines');
  await page.keyboard.press('Control+z');
  await expect.poll(() => written(page)).toContain('$a = b + c = d$');
});

test('a symbol is found by what it means, its package loaded with it', async ({ page }) => {
  await emptySheet(page);
  await write(page, '\\documentclass{article}\n\\begin{document}\nThere is ');
  await page.keyboard.press('Control+End');
  await page.keyboard.press('F7');
  await write(page, 'end of proof');
  await expect(bench(page).getByRole('button', { name: /^square/ })).toBeVisible();
  expect(await accessibility(page)).toEqual([]);
  await page.keyboard.press('Enter');
  const text = await written(page);
  expect(text).toContain('There is $\\square$');
  expect(text).toContain('\\usepackage{amssymb}');
});

test('a package that is missing is loaded by its button', async ({ page }) => {
  await emptySheet(page);
  await write(page, '\\documentclass{article}\n\\begin{document}\n\\textcolor{red}{low water}');
  await expect(page.getByRole('note').first()).toContainText('comes with the package xcolor');
  await page.getByRole('button', { name: 'Load xcolor' }).click();
  await expect.poll(() => written(page)).toContain('\\usepackage{xcolor}');
  await expect(page.getByRole('note').filter({ hasText: 'xcolor' })).toHaveCount(0);
});

test('all that was found is a keystroke away, with the buttons that mend it', async ({ page }) => {
  await emptySheet(page);
  await write(page, '\\documentclass{article}\n\\begin{document}\n\\textbff and $x^2^3');
  await page.keyboard.press('Control+End');
  await expect(page.getByTestId('needle')).toContainText('to fix');
  await page.keyboard.press('F8');
  const list = page.getByRole('dialog', { name: 'What was found' });
  await expect(list).toContainText('There is no command \\textbff.');
  await expect(list).toContainText('two superscripts');
  expect(await accessibility(page)).toEqual([]);
  await list.getByRole('button', { name: 'Write \\textbf' }).click();
  await expect(list).toBeHidden();
  await expect.poll(() => written(page)).toContain('\\textbf and');
});

test('the source is shown to taste, and remembers it', async ({ page }) => {
  await emptySheet(page);
  await write(page, '\\documentclass{article}\n\\begin{document}\nHigh water $x$ at noon.');
  await expect(page.getByTestId('counts')).toHaveText('4 words · 1 formula');
  await page.getByRole('button', { name: 'How you write' }).click();
  const dialog = page.getByRole('dialog', { name: 'How you write' });
  await dialog.getByLabel('Size of the source').selectOption('18');
  await dialog.getByLabel('Number the lines').uncheck();
  expect(await accessibility(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Done' }).click();
  await page.reload();
  await expect(source(page)).toBeVisible();
  await expect(page.locator('.cm-lineNumbers')).toHaveCount(0);
  expect(await source(page).evaluate((el) => getComputedStyle(el).fontSize)).toBe('18px');
});
