import { vocabulary } from '@odd-compass/engine';
import { render } from '@testing-library/svelte';
import { describe, expect, it } from 'vitest';
import { editorOf } from '$lib/testing/editor';
import { inArticle } from '../../../../../packages/engine/src/testing/document';
import { canPress, fill, press, settle, shown } from '$lib/testing/hands';
import { pretendServer, type Answered, type Asked } from '$lib/testing/server';
import FragmentsDrawer from './FragmentsDrawer.svelte';

const MATRIX = {
  id: 4,
  name: 'a turn',
  origin: 'Set 1',
  source: '\\begin{pmatrix}0&1\\end{pmatrix}',
  packages: ['amsmath'],
};
const PLAIN = { id: 5, name: 'the usual', origin: 'Set 2', source: 'By the tides,', packages: [] };

/** The drawer over an editor; bars in the text stand around what is selected. */
async function drawer(marked: string, answers: Readonly<Record<string, Answered>> = {}) {
  const [before = '', inside = '', behind = ''] = marked.split('|');
  const asked: Asked[] = pretendServer({ 'GET /api/fragments': [MATRIX, PLAIN], ...answers });
  const view = editorOf(before + inside + behind);
  view.dispatch({ selection: { anchor: before.length, head: before.length + inside.length } });
  const { component } = render(FragmentsDrawer, { view, title: 'Set 3', words: vocabulary() });
  component.open();
  await settle();
  return { asked, text: () => view.state.doc.toString() };
}
const DOCUMENT = inArticle('Here || it is.', '');

describe('fragments', () => {
  it('are listed with where they come from and what they need', async () => {
    await drawer(DOCUMENT);
    expect(shown()).toContain('a turn from Set 1');
    expect(shown()).toContain('needs amsmath');
  });
  it('are put in where the caret stands, with the line of their package', async () => {
    const open = await drawer(DOCUMENT);
    await press('Insert a turn');
    expect(open.text()).toContain('Here \\begin{pmatrix}0&1\\end{pmatrix} it is.');
    expect(open.text()).toMatch(/\\usepackage\{amsmath\}\n+\\begin\{document\}/);
  });
  it('that need nothing bring nothing', async () => {
    const open = await drawer(DOCUMENT);
    await press('Insert the usual');
    expect(open.text()).toBe(DOCUMENT.replace('||', 'By the tides,'));
  });
  it('take the place of what is selected', async () => {
    const open = await drawer(inArticle('Here |and there| it is.', ''));
    await press('Insert the usual');
    expect(open.text()).toContain('Here By the tides, it is.');
  });
  it('are kept from what is selected, with the packages it needs', async () => {
    const open = await drawer(inArticle('So |$\\text{ebb}\\lesssim x$|.'), {
      'POST /api/fragments': {},
    });
    expect(canPress('Keep')).toBe(false);
    await fill('Name of the fragment', 'low', 'input');
    await press('Keep');
    const kept = open.asked.find(({ method }) => method === 'POST')?.body;
    expect(kept).toMatchObject({
      name: 'low',
      source: '$\\text{ebb}\\lesssim x$',
      origin: 'Set 3',
    });
    expect((kept as { packages: string[] }).packages).toEqual(
      expect.arrayContaining(['amsmath', 'amssymb']),
    );
  });
  it('whose name is taken say so, and what was selected stays', async () => {
    await drawer(inArticle('So |ebb|.', ''), {
      'POST /api/fragments': { status: 409, message: 'There is one of that name.' },
    });
    await fill('Name of the fragment', 'a turn', 'input');
    await press('Keep');
    expect(shown()).toContain('There is one of that name.');
    expect(shown()).toContain('Keep what is selected');
  });
  it('go with Escape, from the field to search in too', async () => {
    await drawer(DOCUMENT);
    const sought = document.querySelector<HTMLInputElement>('input[type=search]');
    const escape = new KeyboardEvent('keydown', { key: 'Escape', bubbles: true, cancelable: true });
    sought?.dispatchEvent(escape);
    await settle();
    expect([escape.defaultPrevented, document.querySelector('dialog')?.open]).toEqual([
      true,
      false,
    ]);
  });
  it('are forgotten when asked', async () => {
    const open = await drawer(DOCUMENT, { 'DELETE /api/fragments/5': {} });
    await press('Forget the usual');
    expect(open.asked.map(({ method, address }) => `${method} ${address}`)).toContain(
      'DELETE /api/fragments/5',
    );
  });
  it.each([
    ['turn', ['a turn']],
    ['tides set', ['the usual']],
    ['pmatrix', ['a turn']],
    ['nowhere', []],
  ])('are found by name, origin and what is in them: %s', async (words, names) => {
    await drawer(DOCUMENT, { [`GET /api/search?q=${encodeURIComponent(words)}`]: [] });
    await fill(/Find a fragment/, words, 'input');
    const found = ['a turn', 'the usual'].filter((name) => shown().includes(`${name} from`));
    expect(found).toEqual(names);
    expect(shown().includes('No fragment has these words.')).toBe(names.length === 0);
  });
  it('of earlier sheets are found too', async () => {
    const hit = {
      assignmentId: 'old',
      title: 'Set 0',
      course: 'Tides',
      path: 'sheet.tex',
      excerpt: 'the \u0001gauge\u0002 at',
    };
    await drawer(DOCUMENT, { 'GET /api/search?q=gauge': [hit] });
    await fill(/Find a fragment/, 'gauge', 'input');
    expect(shown()).toContain('In earlier sheets');
    expect(shown()).toContain('Set 0 · sheet.tex');
  });
});
