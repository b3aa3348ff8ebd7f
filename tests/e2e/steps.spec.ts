import { accessibility } from './accessibility';
import { expect, test } from './test';
import { article, bench, caretBehind, needle, sheetWith, source, write, written } from './writing';

const DERIVATION = article(
  [
    'The pier has $12 \\cdot 7 = 74$ lamps, and',
    '\\begin{align*}',
    '  (n+1)^2 &= n^2 + 2n + 1 \\\\',
    '  &= n^2 + 3n + 1.',
    '\\end{align*}',
    '\\[ \\begin{pmatrix} 1 & 2 \\\\ 3 & a \\end{pmatrix} \\]',
  ].join('\n'),
);

test('steps are tested: arithmetic by itself, lines on the bench, all of them in a list', async ({
  page,
}) => {
  await sheetWith(page, DERIVATION);
  await expect(page.getByRole('note')).toContainText('The left side is 84, the right side 74.');

  await caretBehind(page, 'n^2 + 3n');
  await page.keyboard.press('F6');
  const lines = bench(page).getByRole('list', { name: 'The lines' }).getByRole('listitem');
  await expect(lines.nth(0)).toContainText('holds');
  await lines.nth(1).getByRole('button', { name: 'differs' }).click();
  await expect(page.getByTestId('step-details')).toContainText(/For n = \d+ the left side is/);
  expect(await accessibility(page)).toEqual([]);

  // What is mended is tested again.
  await caretBehind(page, 'n^2 + 3');
  await page.keyboard.press('Backspace');
  await write(page, '2');
  await page.keyboard.press('F6');
  await expect(lines.nth(1)).toContainText('holds');

  await page.getByRole('button', { name: 'Steps', exact: true }).click();
  const list = page.getByRole('dialog', { name: 'Steps and signs' });
  await expect(list).toContainText('1 differs and 2 hold.');
  expect(await accessibility(page)).toEqual([]);
  await list.getByRole('button', { name: 'Signs' }).click();
  await expect(list.getByRole('row', { name: /^n/ })).toBeVisible();
  await list.getByRole('button', { name: 'Steps', exact: true }).click();
  await list.getByRole('button', { name: /^line 4$/ }).click();
  await expect(source(page)).toBeFocused();
});

test('a matrix is worked out and written in; what is marked has its value', async ({ page }) => {
  await sheetWith(page, DERIVATION);
  await caretBehind(page, '3 & a');
  await page.keyboard.press('F6');
  await bench(page).getByRole('button', { name: 'Row reduction' }).click();
  const result = page.getByTestId('matrix-result');
  await expect(result).toContainText('This takes it that a - 6 is not 0.');
  await result.getByRole('button', { name: 'Write it in' }).click();
  expect(await written(page)).toContain('\\xrightarrow{R_2 - 3R_1}');

  await caretBehind(page, '$12');
  await bench(page).getByRole('button', { name: 'Value of the formula' }).click();
  await expect(bench(page).getByTestId('formula-value')).toContainText('= 74');
});

test('a formula in one letter is drawn and tabled; lines are solved; more is supposed', async ({
  page,
}) => {
  await sheetWith(
    page,
    article(
      [
        'The tide $h(t) = t^2 - 1$ is low.',
        '',
        'Solve \\begin{align*}',
        '  x + 2y &= 5 \\\\',
        '  3x - y &= 1',
        '\\end{align*}',
        '',
        'Then $\\sqrt{z^2} = z = z + 0$.',
      ].join('\n'),
    ),
  );
  await caretBehind(page, '$h(t)');
  await bench(page).getByRole('button', { name: 'Value of the formula' }).click();
  const value = bench(page).getByTestId('formula-value');
  await expect(value).toContainText('It depends on t.');
  await value.getByRole('button', { name: 'Draw its graph' }).click();
  await expect.poll(() => written(page)).toContain('\\addplot[thick, blue] {x^2-1};');
  await expect.poll(() => written(page)).toContain('\\usepackage{pgfplots}');
  await expect(needle(page)).toContainText('all well');

  await caretBehind(page, '$h(t)');
  await bench(page).getByRole('button', { name: 'Value of the formula' }).click();
  await value.getByLabel('from').fill('0');
  await value.getByLabel('to').fill('2');
  await value.getByRole('button', { name: 'Table of its values' }).click();
  await expect.poll(() => written(page)).toContain('$2$ & $3$');

  await caretBehind(page, '3x - y');
  await page.keyboard.press('F6');
  const system = page.getByTestId('system');
  await system.getByRole('button', { name: 'Solve as a system' }).click();
  await system.getByRole('button', { name: 'Write the solution' }).click();
  await expect.poll(() => written(page)).toMatch(/\\\[.*x.*1.*\\\]/);

  await page.getByRole('button', { name: 'Steps', exact: true }).click();
  const list = page.getByRole('dialog', { name: 'Steps and signs' });
  await expect(list).toContainText('1 holds only sometimes');
  await list.getByLabel('Suppose besides').fill('z > 0');
  await list.getByLabel('Suppose besides').press('Enter');
  await expect(list).toContainText(/\d+ hold/);
  await expect(list).not.toContainText('only sometimes');
  expect(await accessibility(page)).toEqual([]);
});

test('the argument of a sheet as a map and in words', async ({ page }) => {
  await page.goto('/a/ferry-notes');
  await page.getByRole('link', { name: 'Argument' }).click();
  await expect(page.getByRole('heading', { name: 'Argument' })).toBeVisible();
  const words = page.getByRole('region', { name: 'What rests on what, in words' });
  await expect(words).toContainText('Corollary 3.4 has no proof here.');
  await expect(words).toContainText('Theorem 3.3 rests on Lemma 2.6');
  const map = page.getByTestId('argument-map');
  await expect(map.getByRole('button', { name: /^Theorem 3.3/ })).toBeVisible();
  expect(await accessibility(page)).toEqual([]);
  await map.getByRole('button', { name: /^Theorem 3.3/ }).click();
  await expect(source(page)).toBeFocused();
});
