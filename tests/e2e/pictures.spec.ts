import { expect, test } from './test';
import { accessibility } from './accessibility';
import { article, bench, caretBehind, needle, sheetWith, written } from './writing';

const PICTURE = `\\begin{tikzpicture}
  \\draw[thick] (0,0) -- (3,2);
  \\node[circle, draw] (a) at (0,0) {$a$};
\\end{tikzpicture}`;

test('points of a picture are moved on the sheet, its lines chosen and joined on the bench', async ({
  page,
}) => {
  await sheetWith(page, article(PICTURE, '\\usepackage{tikz}'));
  await caretBehind(page, '[thick');
  const point = page.getByRole('button', { name: /^Point 3,2 of the picture/ });
  const box = await point.boundingBox();
  if (!box) throw new Error('the point is not on the sheet');
  await page.mouse.move(box.x + 7, box.y + 7);
  await page.mouse.down();
  await page.mouse.move(box.x + 7, box.y + 60, { steps: 4 });
  await page.mouse.up();
  await expect.poll(() => written(page)).toMatch(/\(0,0\) -- \(3,(1|0)(\.5)?\);/);
  await caretBehind(page, '[thick');
  await page.keyboard.press('Control+z');
  await expect.poll(() => written(page)).toContain('(0,0) -- (3,2);');
  await page.getByRole('button', { name: /^Point 3,2 of the picture/ }).focus();
  await page.keyboard.press('ArrowRight');
  await expect.poll(() => written(page)).toContain('(0,0) -- (3.5,2);');
  await page.keyboard.press('ArrowUp');
  await expect.poll(() => written(page)).toContain('(0,0) -- (3.5,2.5);');

  await caretBehind(page, '[thick');
  await bench(page).getByLabel('Colour').selectOption('red');
  await expect.poll(() => written(page)).toContain('\\draw[thick, red] (0,0)');
  await bench(page).getByLabel('Dashes').selectOption('dashed');
  await bench(page).getByRole('button', { name: 'Vertex' }).click();
  await expect.poll(() => written(page)).toContain('\\node[circle, draw] (b) at (2,0) {$b$};');
  await bench(page).getByLabel('Weight').fill('4');
  await bench(page).getByRole('button', { name: 'Join' }).click();
  await expect
    .poll(() => written(page))
    .toContain('\\draw (b) -- node[auto] {$4$} (a);\n\\end{tikzpicture}');
  await expect(needle(page)).toContainText('all well');
  expect(await accessibility(page)).toEqual([]);
});

test('diagrams are drawn as objects and arrows, axes as functions in fields', async ({ page }) => {
  const body = `\\[\\begin{tikzcd}
  A & B
\\end{tikzcd}\\]

\\begin{tikzpicture}
  \\begin{axis}[grid=major]
    \\addplot[domain=-1:1] {x^2};
  \\end{axis}
\\end{tikzpicture}`;
  await sheetWith(page, article(body, '\\usepackage{tikz-cd,pgfplots}'));
  await caretBehind(page, 'A & B');
  const tools = bench(page);
  await tools.getByRole('button', { name: 'Row below' }).click();
  await page.getByRole('textbox', { name: 'Row 2, column 2' }).fill('D');
  await page.getByRole('textbox', { name: 'Row 1, column 1' }).focus();
  await tools.getByRole('form', { name: 'A new arrow' }).getByLabel('to').selectOption('D');
  await tools.getByLabel('Label', { exact: true }).fill('f');
  await tools.getByRole('button', { name: 'Draw', exact: true }).click();
  await expect.poll(() => written(page)).toContain('A \\arrow[rd, "f"] & B');
  await tools.getByLabel('Course').selectOption('bent left');
  await expect.poll(() => written(page)).toContain('\\arrow[rd, "f", bend left]');
  expect(await accessibility(page)).toEqual([]);

  await caretBehind(page, '{x^2');
  await tools.getByLabel('Function 1', { exact: true }).fill('x^3');
  await page.keyboard.press('Tab');
  await expect.poll(() => written(page)).toContain('{x^3};');
  await tools.getByRole('button', { name: 'Add a function' }).click();
  await expect(tools.getByLabel('Function 2', { exact: true })).toBeVisible();
  await tools.getByLabel('Lines').selectOption('through the origin');
  await expect.poll(() => written(page)).toContain('axis lines=middle');
  await expect(needle(page)).toContainText('all well');
  expect(await accessibility(page)).toEqual([]);
});
