import { render } from '@testing-library/svelte';
import { describe, expect, it } from 'vitest';
import type { OpenAssignment } from '$lib/domain/assignment';
import { press, settle, shown } from '$lib/testing/hands';
import { visited } from '$lib/testing/navigation';
import { pretendServer, type Answered } from '$lib/testing/server';
import TakeMenu from './TakeMenu.svelte';

/** The menu of a sheet; `main` is the file that is typeset. */
async function menu(main: string, answers: Readonly<Record<string, Answered>> = {}, saves = true) {
  const asked = pretendServer(answers);
  visited.length = 0;
  const assignment = { id: 's1', sheet: 'sheet.tex', main: { path: main } };
  render(TakeMenu, {
    assignment: assignment as unknown as OpenAssignment,
    whenSaved: () => Promise.resolve(),
    flush: () => Promise.resolve(saves),
  });
  await settle();
  return asked.map.bind(asked, ({ method, address, body }) => [method, address, body]);
}
const addresses = (): string[] =>
  [...document.querySelectorAll('a')].map((link) => link.getAttribute('href') ?? '');

describe('what can be taken from the workbench', () => {
  it('is the PDF, the source, and both together', async () => {
    await menu('sheet.tex');
    expect(addresses()).toEqual(['/a/s1/pdf', '/a/s1/source-files', '/a/s1/everything']);
    expect(shown()).not.toContain('the sheet.tex');
  });
  it('a file that is typeset by itself has its own PDF, and can be made the sheet', async () => {
    const asked = await menu('parts/own.tex', { 'PATCH /api/assignments/s1': { id: 's1' } });
    expect(addresses()[0]).toBe('/a/s1/pdf?file=parts%2Fown.tex');
    await press('Make parts/own.tex the sheet');
    expect(asked()).toEqual([['PATCH', '/api/assignments/s1', { mainPath: 'parts/own.tex' }]]);
    expect(visited).toEqual(['/a/s1']);
  });
  it('a copy is gone on with', async () => {
    await menu('sheet.tex', { 'POST /api/assignments/s1/duplicate': { id: 's2' } });
    await press('A copy, to write on in that');
    expect(visited).toEqual(['/a/s2']);
  });
  it('nothing is copied that is not saved; what the server says is told', async () => {
    const asked = await menu('sheet.tex', {}, false);
    await press('A copy, to write on in that');
    expect(asked()).toEqual([]);
    document.body.innerHTML = '';
    await menu('sheet.tex');
    await press('A copy, to write on in that');
    expect(shown()).toContain('There is no such thing.');
    expect(visited).toEqual([]);
  });
});
