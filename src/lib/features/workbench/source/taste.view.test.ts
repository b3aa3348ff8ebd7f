import { render } from '@testing-library/svelte';
import { describe, expect, it } from 'vitest';
import { field, fill, press, settle, shown } from '$lib/testing/hands';
import { abbreviationsOf, STANDARD } from './abbreviations';
import { ownWords } from './speller';
import { keptTaste, STANDARD_TASTE, type Taste } from './taste';
import TasteDialog from './TasteDialog.svelte';

async function dialog(): Promise<Taste[]> {
  const told: Taste[] = [];
  const { component } = render(TasteDialog, {
    taste: STANDARD_TASTE,
    onchange: (taste: Taste) => told.push(taste),
  });
  component.open();
  await settle();
  return told;
}

describe('how one writes', () => {
  it.each([
    ['Size of the source', '18', { size: 18 }],
    ['Spelling', 'american', { spelling: 'american' }],
    ['Spelling', 'none', { spelling: 'none' }],
  ] as const)('%s %s counts at once, and is kept', async (label, value, part) => {
    const told = await dialog();
    await fill(label, value);
    expect(told).toEqual([{ ...STANDARD_TASTE, ...part }]);
    expect(keptTaste()).toMatchObject(part);
  });
  it.each([
    ['Wrap long lines', { wrap: false }],
    ['Number the lines', { numbers: false }],
  ])('%s is taken off', async (label, part) => {
    const told = await dialog();
    field(label).click();
    await settle();
    expect(told).toEqual([{ ...STANDARD_TASTE, ...part }]);
  });
  it('has words of one’s own, kept when it is done', async () => {
    const told = await dialog();
    await fill(/Words of your own/, 'skerry\n  voe  ', 'input');
    expect(ownWords()).toEqual([]);
    await press('Done');
    expect(ownWords()).toEqual(['skerry', 'voe']);
    expect(told).toHaveLength(1);
  });
  it('has short forms, changed, added and taken out', async () => {
    await dialog();
    await fill('What is written for it 1', '\\rightleftharpoons ', 'input');
    await press('Take out', 1);
    await press('Add one');
    await fill(`Short form ${STANDARD.length}`, 'EE', 'input');
    await fill(`What is written for it ${STANDARD.length}`, '\\mathbb{E}', 'input');
    await press('Done');
    const kept = abbreviationsOf();
    expect(kept).toContainEqual({ short: '<->', long: '\\rightleftharpoons ' });
    expect(kept).toContainEqual({ short: 'EE', long: '\\mathbb{E}' });
    expect(kept.map(({ short }) => short)).not.toContain('<=>');
  });
  it('gives back those it came with', async () => {
    await dialog();
    await press('Take out', 0);
    await press('Those it came with');
    await press('Done');
    expect(abbreviationsOf()).toHaveLength(STANDARD.length);
    expect(shown()).toContain('Typed for short in formulas');
  });
});
