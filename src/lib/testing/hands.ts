import { screen } from '@testing-library/svelte';
import { tick } from 'svelte';

/** What was asked of the server, or of the next frame, has been answered and shown. */
export async function settle(): Promise<void> {
  for (let i = 0; i < 4; i++) {
    await new Promise((resolve) => setTimeout(resolve, 0));
    await tick();
  }
}

/** The field of a label. */
export const field = (label: string | RegExp): HTMLInputElement =>
  screen.getByLabelText<HTMLInputElement>(label);

/** Clicks the button of a title, the nth of them; one that cannot be pressed is an error. */
export async function press(title: string | RegExp, nth = 0): Promise<void> {
  const found = screen.getAllByRole<HTMLButtonElement>('button', { name: title })[nth];
  if (!found) throw new Error(`no button ${nth} of the title ${String(title)}`);
  if (found.disabled) throw new Error(`${String(title)} cannot be pressed`);
  found.click();
  await settle();
}

/** Can the button of a title be pressed? */
export const canPress = (title: string | RegExp): boolean =>
  screen
    .getAllByRole<HTMLButtonElement>('button', { name: title })
    .some(({ disabled }) => !disabled);

/** Puts a value into a field, as one would who then leaves it. */
export async function fill(
  label: string | RegExp,
  value: string,
  event: 'input' | 'change' = 'change',
): Promise<void> {
  field(label).focus();
  await settle();
  field(label).value = value;
  field(label).dispatchEvent(new Event(event, { bubbles: true }));
  await settle();
}

/** Chooses files in a field, as from the system's dialog. */
export async function chooseFiles(label: string | RegExp, ...files: File[]): Promise<void> {
  const input = field(label);
  Object.defineProperty(input, 'files', { value: files, configurable: true });
  input.dispatchEvent(new Event('change', { bubbles: true }));
  await settle();
}

/** All that can be read, blanks as one. */
export const shown = (element: Element = document.body): string =>
  (element.textContent ?? '').replace(/\s+/g, ' ').trim();
