import { expect, test } from './test';
import { emptySheet, needle, sheet, write, written } from './writing';

/** A set as a hand types it that knows its commands: every sign, and Enter at the ends of lines. */
const SET = String.raw`\documentclass[11pt]{article}
\usepackage{amsmath}
\title{Tide sums}
\begin{document}
\maketitle
Hello there.
\begin{itemize}
\item one
\item two
\begin{enumerate}
\item a
\end{enumerate}
\item three
\end{itemize}
\begin{align*}
a &= b \\
c &= \left( d \right)
\end{align*}
\[
\begin{pmatrix}
1 & 2 \\
3 & 4
\end{pmatrix}
\]
\begin{tabular}{cc}
\hline
x & y \\
\hline
\end{tabular}
Then $\alpha x$ and \textbf{so on}.
\end{document}`;

const bare = (text: string): string =>
  text
    .split('\n')
    .map((line) => line.trim())
    .join('\n')
    .trim();

test('a set that is typed in full stands as it was typed, and is set without a note', async ({
  page,
}) => {
  await emptySheet(page);
  for (const [i, line] of SET.split('\n').entries()) {
    if (i > 0) await page.keyboard.press('Enter');
    await write(page, line);
    // Lists that are open have had time to take the key that comes next.
    await page.waitForTimeout(i % 3 === 0 ? 250 : 0);
  }
  await expect.poll(async () => bare(await written(page))).toBe(bare(SET));
  await expect(sheet(page)).toContainText('Hello there.');
  await expect(needle(page)).toContainText(/all well/i);
});

test('Escape sends the list away for its word; undo takes back one thing at a time', async ({
  page,
}) => {
  await emptySheet(page);
  const list = page.locator('.cm-tooltip-autocomplete');
  await write(page, '\\sect');
  // The words of the language may still be on their way.
  await expect(async () => {
    if (!(await list.isVisible())) await page.keyboard.press('Control+Space');
    await expect(list).toBeVisible({ timeout: 2000 });
  }).toPass({ timeout: 60_000 });
  await page.keyboard.press('Escape');
  await write(page, 'io');
  await page.waitForTimeout(400);
  await expect(list).toBeHidden();
  await write(page, ' \\subs');
  await expect(list).toBeVisible();
  // The list takes no key before it has been there for a moment.
  await page.waitForTimeout(150);
  await page.keyboard.press('Tab');
  await expect.poll(() => written(page)).toBe('\\sectio \\subsection{}');
  await page.keyboard.press('Control+z');
  await expect.poll(() => written(page)).toBe('\\sectio \\subs');
});
