import { render } from '@testing-library/svelte';
import { describe, expect, it, vi } from 'vitest';
import { canPress, chooseFiles, fill, press, settle, shown } from '$lib/testing/hands';
import { pretendServer, type Answered, type Asked } from '$lib/testing/server';
import FilesDrawer from './FilesDrawer.svelte';

const listed = (path: string, usedIn: { path: string; times: number }[] = []) => ({
  path,
  kind: path.endsWith('.tex') ? 'text' : 'picture',
  version: 3,
  size: 2048,
  usedIn,
});
const FILES = [
  listed('sheet.tex'),
  listed('parts/one.tex', [{ path: 'sheet.tex', times: 1 }]),
  listed('quay.png', [{ path: 'parts/one.tex', times: 2 }]),
  listed('old.png'),
];

interface Drawer {
  readonly asked: Asked[];
  readonly told: string[][];
  readonly flushes: () => number;
}

/** The drawer, open over the sheet. */
async function drawer(answers: Readonly<Record<string, Answered>> = {}): Promise<Drawer> {
  const asked = pretendServer({ 'GET /a/s1/files': FILES, ...answers });
  const told: string[][] = [];
  const flush = vi.fn(() => Promise.resolve(true));
  const { component } = render(FilesDrawer, {
    id: 's1',
    main: 'sheet.tex',
    open: 'sheet.tex',
    onfiles: (files) => told.push(files.map(({ path }) => path)),
    flush,
  });
  component.open();
  await settle();
  return { asked, told, flushes: () => flush.mock.calls.length };
}
const written = ({ asked }: Drawer): string[] =>
  asked
    .filter(({ method }) => method !== 'GET')
    .map(({ method, address }) => `${method} ${address}`);
const rowOf = (path: string): HTMLElement => {
  const row = [...document.querySelectorAll('li')].find((li) => shown(li).startsWith(path));
  if (!row) throw new Error(`no row for ${path}`);
  return row;
};

describe('the files of a sheet', () => {
  it('are saved before they are looked at, and told with where they are used', async () => {
    const open = await drawer();
    expect(open.flushes()).toBe(1);
    expect(open.told).toEqual([FILES.map(({ path }) => path)]);
    expect(shown(rowOf('sheet.tex'))).toContain('the sheet · 2 kB · open now');
    expect(shown(rowOf('parts/one.tex'))).toContain('used in sheet.tex');
    expect(shown(rowOf('quay.png'))).toContain('used in parts/one.tex (2 times)');
    expect(shown(rowOf('old.png'))).toContain('not used');
  });
  it('lead to the texts among them', async () => {
    await drawer();
    expect(rowOf('parts/one.tex').querySelector('a')?.getAttribute('href')).toBe(
      '/a/s1?file=parts%2Fone.tex',
    );
    expect(rowOf('quay.png').querySelector('a')).toBeNull();
  });
  it.each([
    ['quay.png', 'quay.png is used in parts/one.tex (2 times): it will be missing there.'],
    ['old.png', 'old.png is used nowhere.'],
  ])('are deleted after a warning that says what is lost: %s', async (path, warning) => {
    const open = await drawer({ [`DELETE /a/s1/files/${path}`]: {} });
    await press(`Delete ${path}`);
    expect(shown()).toContain(warning);
    expect(written(open)).toEqual([]);
    await press('Delete it');
    expect(written(open)).toEqual([`DELETE /a/s1/files/${path}`]);
    // Looked at again, and told.
    expect(open.told).toHaveLength(2);
  });
  it('stay when one thinks better of it', async () => {
    const open = await drawer();
    await press('Delete old.png');
    await press('Leave it');
    expect(written(open)).toEqual([]);
    expect(canPress('Delete old.png')).toBe(true);
  });
  it('of which the sheet, and the one that is open, cannot be deleted', async () => {
    await drawer();
    expect(() => canPress('Delete sheet.tex')).toThrow();
  });
  it('whose new name is refused say why, and keep the old one', async () => {
    const open = await drawer({
      'PATCH /a/s1/files/quay.png': { status: 409, message: 'There is such a file.' },
    });
    await press('Rename quay.png');
    await fill('New name of quay.png', 'old.png', 'input');
    await press('Rename');
    expect(written(open)).toEqual(['PATCH /a/s1/files/quay.png']);
    expect(open.asked.find(({ method }) => method === 'PATCH')?.body).toEqual({ to: 'old.png' });
    expect(shown()).toContain('There is such a file.');
    expect(open.flushes()).toBe(2);
  });
  it.each([
    ['second', 'second.tex'],
    ['parts/second.tex', 'parts/second.tex'],
    ['work.bib', 'work.bib'],
  ])('are begun as texts: %s', async (typed, path) => {
    const open = await drawer({ [`POST /a/s1/files/${path}`]: {} });
    expect(canPress('Begin it')).toBe(false);
    await fill(/A new part/, typed, 'input');
    await press('Begin it');
    expect(written(open)).toEqual([`POST /a/s1/files/${path}`]);
  });
  it('are brought in one by one; what cannot be kept is named', async () => {
    const open = await drawer({
      'POST /a/s1/files?name=mole.png': listed('mole.png'),
      'POST /a/s1/files?name=big.png': { status: 413, message: 'it is too large.' },
    });
    await chooseFiles(/Bring files in/, new File(['a'], 'mole.png'), new File(['b'], 'big.png'));
    expect(written(open)).toEqual([
      'POST /a/s1/files?name=mole.png',
      'POST /a/s1/files?name=big.png',
    ]);
    expect(shown()).toContain('big.png: it is too large.');
    expect(open.told).toHaveLength(2);
  });
  it('are replaced by others under their name', async () => {
    const open = await drawer({ 'PUT /a/s1/files/quay.png': {} });
    await chooseFiles('Replace quay.png', new File(['c'], 'other.png'));
    expect(written(open)).toEqual(['PUT /a/s1/files/quay.png']);
  });
  it('that cannot be listed say so', async () => {
    await drawer({ 'GET /a/s1/files': { status: 500, message: 'The disk is full.' } });
    expect(shown()).toContain('The disk is full.');
  });
});
