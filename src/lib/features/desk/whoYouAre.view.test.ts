import { render } from '@testing-library/svelte';
import { describe, expect, it } from 'vitest';
import { chooseFiles, field, fill, settle } from '$lib/testing/hands';
import { pretendServer } from '$lib/testing/server';
import WhoYouAre from './WhoYouAre.svelte';

const NOBODY = { name: '', college: '', number: '' };
const MAREN = { name: 'Maren Quill', college: 'Skerry Point', number: '7' };
const NAME = 'Your name, as it stands on what you hand in';

/** The panel of somebody who has no name here yet, and a zip that brings one. */
async function panel(profile = NOBODY): Promise<void> {
  pretendServer({ 'POST /api/collection': { taken: 1, there: 0 } });
  const props = { profile, onchanged: (): Promise<void> => view.rerender({ profile: MAREN }) };
  const view = render(WhoYouAre, { props });
  view.component.open();
  await settle();
}
const broughtBack = (): Promise<void> =>
  chooseFiles('Bring it back', new File(['z'], 'all.zip')).then(settle);

describe('a name that comes with all the work', () => {
  it('stands in the fields, so that keeping them keeps it', async () => {
    await panel();
    await broughtBack();
    expect([NAME, 'College', 'Student number'].map((label) => field(label).value)).toEqual([
      'Maren Quill',
      'Skerry Point',
      '7',
    ]);
  });
  it('writes over nothing that was typed', async () => {
    await panel();
    await fill('College', 'Harent', 'input');
    await broughtBack();
    expect(field(NAME).value).toBe('');
    expect(field('College').value).toBe('Harent');
  });
});
