import { render } from '@testing-library/svelte';
import { describe, expect, it } from 'vitest';
import { canPress, fill, press, settle, shown } from '$lib/testing/hands';
import { visited } from '$lib/testing/navigation';
import { pretendServer, type Answered, type Asked } from '$lib/testing/server';
import type { VersionCard } from '$lib/domain/version';
import Versions from './Versions.svelte';

const card = (id: number, more: Partial<VersionCard> = {}): VersionCard => ({
  id,
  at: `2026-03-0${id}T10:00:00Z`,
  kind: 'as-written',
  name: null,
  words: 40 * id,
  pages: 1,
  ...more,
});
const pictured = (text: string) => ({
  text,
  pages: [
    {
      svg: '<svg></svg>',
      width: 612,
      height: 792,
      lines: text.split('\n').map((line, i) => ({
        // Words between stars are bold.
        text: line.replace(/\*/g, ''),
        look: line.includes('*') ? 'bold' : 'plain',
        x: 10,
        y: 20 * i,
        width: 100,
        height: 12,
      })),
    },
  ],
});
const NOW = 'The tide falls.\nIt turns at six.\nThen it rises.';
const course = { id: 'c', code: 'MA 1', title: 'Tides', term: 'Lent', colour: 'sea' as const };

/** The earlier versions of a sheet, with a server that pictures them as told. */
async function looking(
  versions: readonly VersionCard[],
  texts: Readonly<Record<string, string>> = {},
  answers: Readonly<Record<string, Answered>> = {},
): Promise<Asked[]> {
  const asked = pretendServer({
    'GET /a/s1/versions/now': pictured(NOW),
    ...Object.fromEntries(
      Object.entries(texts).map(([id, text]) => [`GET /a/s1/versions/${id}`, pictured(text)]),
    ),
    ...answers,
  });
  render(Versions, { id: 's1', title: 'Set 3', course, versions });
  await settle();
  return asked;
}

describe('earlier versions', () => {
  it('say how they come about, when there is none', async () => {
    await looking([]);
    expect(shown()).toContain('There is no earlier version yet.');
  });
  it('are looked at from the last, and called by what they are', async () => {
    const asked = await looking([card(1), card(2, { kind: 'handed-in' })], { 2: NOW });
    expect(asked.map(({ address }) => address)).toContain('/a/s1/versions/2');
    expect(shown()).toContain('handed in');
    expect(shown()).toContain('80 words');
  });
  it.each([
    [NOW, 'the same as now'],
    [NOW.replace('six', 'seven'), '1 line of the source differs'],
    ['The tide falls.', '2 lines of the source differ'],
  ])('say how many lines differ', async (then, says) => {
    await looking([card(1)], { 1: then });
    expect(shown()).toContain(says);
    expect(canPress('Go back to this')).toBe(says !== 'the same as now');
  });
  it('mark on the pages what is not on the other', async () => {
    await looking([card(1)], { 1: NOW.replace('It turns at six.', 'It turns at noon.') });
    const marks = document.querySelectorAll('[title="not so now"], [aria-label*="not so now"]');
    expect(marks.length + (shown().includes('not so now') ? 1 : 0)).toBeGreaterThan(0);
  });
  it('tell of a layout that alone is another', async () => {
    await looking([card(1)], { 1: NOW.replace('six', '*six*') });
    expect(shown()).toContain(
      '1 line of the source differs: the words are the same, 1 line looks otherwise',
    );
    expect(document.querySelectorAll('[title="not so now"]').length).toBe(1);
  });
  it('mark lines that only stand elsewhere otherwise', async () => {
    const then = pictured(NOW);
    const lower = {
      ...then,
      text: `%\n${NOW}`,
      pages: then.pages.map((page) => ({
        ...page,
        lines: page.lines.map((line) => ({ ...line, y: line.y + 30 })),
      })),
    };
    await looking([card(1)], {}, { 'GET /a/s1/versions/1': lower });
    expect(shown()).toContain('the words are the same, 3 lines stand elsewhere');
    expect(document.querySelectorAll('[title="stands elsewhere"]').length).toBe(6);
  });
  it('stand beside the source of now, line by line', async () => {
    await looking([card(1)], { 1: NOW.replace('six', 'seven') });
    await press('Source');
    const rows = [...document.querySelectorAll('tr')].map((row) =>
      [...row.querySelectorAll('td')].map((cell) => shown(cell)),
    );
    expect(rows).toContainEqual(['It turns at seven.', 'It turns at six.']);
    expect(rows).toContainEqual(['Then it rises.', 'Then it rises.']);
  });
  it('are gone back to', async () => {
    const asked = await looking([card(1)], { 1: 'Other.' }, { 'POST /a/s1/versions/1': {} });
    visited.length = 0;
    await press('Go back to this');
    expect(asked.filter(({ method }) => method === 'POST').map(({ address }) => address)).toEqual([
      '/a/s1/versions/1',
    ]);
    expect(visited).toEqual(['/a/s1']);
  });
  it('that cannot be gone back to say why, and nothing changes', async () => {
    await looking(
      [card(1)],
      { 1: 'Other.' },
      { 'POST /a/s1/versions/1': { status: 409, message: 'It is gone.' } },
    );
    visited.length = 0;
    await press('Go back to this');
    expect(shown()).toContain('It is gone.');
    expect(visited).toEqual([]);
  });
  it('are kept under a name, and shown at once', async () => {
    const kept = card(3, { kind: 'named', name: 'before the last problem' });
    const asked = await looking(
      [card(1)],
      { 1: 'Other.', 3: NOW },
      { 'POST /a/s1/versions': { id: 3, versions: [card(1), kept] } },
    );
    expect(canPress('Keep it as this')).toBe(false);
    await fill(/A name for the sheet/, 'before the last problem', 'input');
    await press('Keep it as this');
    expect(asked.find(({ method }) => method === 'POST')?.body).toEqual({
      name: 'before the last problem',
    });
    expect(shown()).toContain('before the last problem');
    expect(shown()).toContain('the same as now');
  });
  it('that the server cannot picture say why', async () => {
    await looking([card(1)], {}, { 'GET /a/s1/versions/1': { status: 500, message: 'Not now.' } });
    expect(shown()).toContain('Not now.');
  });
});
