import { expect, type Page } from '@playwright/test';

export const sheet = (page: Page) => page.getByRole('region', { name: 'The sheet' });
export const source = (page: Page) => page.getByRole('textbox', { name: 'The source' });
export const bench = (page: Page) => page.getByRole('region', { name: 'The bench' });
export const needle = (page: Page) => page.getByTestId('needle');

/** The whole source: the editor shows only what is in sight, so sheets here are short. */
export const written = (page: Page): Promise<string> =>
  source(page)
    .locator('.cm-line')
    .allInnerTexts()
    .then((lines) => lines.map((line) => line.replace(/\n$/, '')).join('\n'));

/** An empty sheet to write on. */
export async function emptySheet(page: Page): Promise<void> {
  await page.goto('/a/tide-sums');
  await expect(page.getByTestId('status')).toContainText(/^saved/);
  await source(page).focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Delete');
}

/** A sheet with this text, put in at once, the caret at its end. */
export async function sheetWith(page: Page, text: string): Promise<void> {
  await emptySheet(page);
  await source(page).evaluate((element, pasted) => {
    const data = new DataTransfer();
    data.setData('text/plain', pasted);
    element.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
    );
  }, text);
}

export const article = (body: string, preamble = '\\usepackage{amsmath}'): string =>
  `\\documentclass{article}\n${preamble}\n\\begin{document}\n${body}\n\\end{document}\n`;

/** As a hand types it. */
export const write = (page: Page, text: string): Promise<void> =>
  page.keyboard.type(text, { delay: 15 });

/** Takes the first completion that is offered. */
export async function accept(page: Page): Promise<void> {
  const list = page.locator('.cm-tooltip-autocomplete');
  // The words of the language may still be on their way: then the list is asked for.
  await expect(async () => {
    if (!(await list.isVisible())) await page.keyboard.press('Control+Space');
    await expect(list).toBeVisible({ timeout: 2000 });
  }).toPass({ timeout: 60_000 });
  // The list takes no key before it has been there for a moment.
  await page.waitForTimeout(150);
  await page.keyboard.press('Enter');
}

/** Puts the caret behind the first place of a text in the source, by keys alone. */
export async function caretBehind(page: Page, text: string): Promise<void> {
  // A panel that is being closed still holds the keys for a moment.
  await expect(async () => {
    await source(page).focus();
    await expect(source(page)).toBeFocused({ timeout: 1000 });
  }).toPass({ timeout: 60_000 });
  await page.keyboard.press('Control+Home');
  await page.keyboard.press('Control+f');
  const sought = page.locator('.cm-search input[name="search"]');
  await expect(sought).toBeFocused();
  await page.keyboard.type(text);
  await page.keyboard.press('Enter');
  await expect(page.locator('.cm-searchMatch-selected').first()).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(source(page)).toBeFocused();
  await page.keyboard.press('ArrowRight');
}

/** Drops a file on the line of the source that holds a text. */
export async function dropOn(
  page: Page,
  text: string,
  file: { name: string; type: string; bytes: Buffer },
): Promise<void> {
  await page
    .locator('.cm-line', { hasText: text })
    .first()
    .evaluate(
      (line, { name, type, base64 }) => {
        const data = new DataTransfer();
        const bytes = Uint8Array.from(atob(base64), (c) => c.charCodeAt(0));
        data.items.add(new File([bytes], name, { type }));
        const box = line.getBoundingClientRect();
        line.dispatchEvent(
          new DragEvent('drop', {
            dataTransfer: data,
            bubbles: true,
            cancelable: true,
            clientX: box.left + 10,
            clientY: box.top + box.height / 2,
          }),
        );
      },
      { name: file.name, type: file.type, base64: file.bytes.toString('base64') },
    );
}
