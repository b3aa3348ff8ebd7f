import type { FoundPlace } from '@odd-compass/engine/worker';
import { render } from '@testing-library/svelte';
import { describe, expect, it } from 'vitest';
import { field, fill, press, settle, shown } from '$lib/testing/hands';
import SheetFind from './SheetFind.svelte';

const place = (page: number): FoundPlace => ({ page }) as FoundPlace;

async function finding(places: Readonly<Record<string, readonly FoundPlace[]>>) {
  const wentTo: (number | null)[] = [];
  const closed: true[] = [];
  const view = render(SheetFind, {
    find: (text: string) => Promise.resolve(places[text] ?? []),
    revision: 1,
    ongo: (to: FoundPlace | null) => wentTo.push(to?.page ?? null),
    onclose: () => closed.push(true),
  });
  await settle();
  return { wentTo, closed, view };
}
const key = async (name: string, shiftKey = false): Promise<void> => {
  field('Find on the sheet').dispatchEvent(
    new KeyboardEvent('keydown', { key: name, shiftKey, bubbles: true, cancelable: true }),
  );
  await settle();
};
const THREE = { ebb: [place(0), place(2), place(5)] };

describe('finding on the sheet', () => {
  it('has the keys from the start, and goes to the first place', async () => {
    const { wentTo } = await finding(THREE);
    expect(document.activeElement).toBe(field('Find on the sheet'));
    await fill('Find on the sheet', 'ebb', 'input');
    expect(shown()).toContain('1 of 3');
    expect(wentTo.at(-1)).toBe(0);
  });
  it('goes on and back, round the ends', async () => {
    const { wentTo } = await finding(THREE);
    await fill('Find on the sheet', 'ebb', 'input');
    await press('Before');
    expect([wentTo.at(-1), shown().includes('3 of 3')]).toEqual([5, true]);
    await press('Next');
    await key('Enter');
    expect([wentTo.at(-1), shown().includes('2 of 3')]).toEqual([2, true]);
    await key('Enter', true);
    expect(wentTo.at(-1)).toBe(0);
  });
  it('says that a text is not there', async () => {
    const { wentTo } = await finding(THREE);
    await fill('Find on the sheet', 'flood', 'input');
    expect(shown()).toContain('not there');
    await press('Next');
    expect(wentTo.at(-1)).toBeNull();
  });
  it('looks again when the pages are others', async () => {
    const places: Record<string, FoundPlace[]> = { ebb: [place(0), place(2)] };
    const { view } = await finding(places);
    await fill('Find on the sheet', 'ebb', 'input');
    await press('Next');
    places.ebb = [place(1)];
    await view.rerender({ revision: 2 });
    await settle();
    expect(shown()).toContain('1 of 1');
  });
  it('is closed with Escape, and nothing stays marked', async () => {
    const { wentTo, closed } = await finding(THREE);
    await fill('Find on the sheet', 'ebb', 'input');
    await key('Escape');
    expect([closed.length, wentTo.at(-1)]).toEqual([1, null]);
  });
});
