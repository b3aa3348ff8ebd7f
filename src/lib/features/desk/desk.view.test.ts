import { render } from '@testing-library/svelte';
import { describe, expect, it } from 'vitest';
import type { AssignmentCard, DeskCourse } from '$lib/domain/assignment';
import { chooseFiles, field, fill, press, settle, shown } from '$lib/testing/hands';
import { reloads, visited } from '$lib/testing/navigation';
import { pretendServer, type Answered, type Asked } from '$lib/testing/server';
import Desk from './Desk.svelte';

const card = (id: string, more: Partial<AssignmentCard> = {}): AssignmentCard => ({
  id,
  courseId: 'tides',
  title: `Set ${id}`,
  kind: 'problem set',
  dueAt: null,
  state: 'draft',
  edition: 1,
  archived: false,
  pages: 2,
  toFix: 0,
  writtenAt: '2026-03-01T09:00:00.000Z',
  ...more,
});
const course = (assignments: AssignmentCard[], more: Partial<DeskCourse> = {}): DeskCourse => ({
  id: 'tides',
  code: 'MA 1',
  title: 'Tides',
  term: 'Lent',
  colour: 'sea',
  archived: false,
  assignments,
  ...more,
});

/** The desk with courses on it, and a server that answers as told. */
async function desk(
  courses: readonly DeskCourse[],
  answers: Readonly<Record<string, Answered>> = {},
  deleted: readonly { id: string; title: string; deletedAt: string }[] = [],
): Promise<Asked[]> {
  const asked = pretendServer(answers);
  render(Desk, { courses, deleted, profile: { name: 'A. Marsh', college: '', number: '' } });
  await settle();
  return asked;
}
const sent = (asked: readonly Asked[]): Asked[] => asked.filter(({ method }) => method !== 'GET');
const titles = (): string[] => [...document.querySelectorAll('h3')].map((h) => shown(h));

describe('a sheet on the desk', () => {
  it.each([
    [card('1', { toFix: 3 }), '3 to fix'],
    [card('1', { toFix: 0 }), 'draft'],
    [card('1', { state: 'ready' }), 'ready'],
    [card('1', { state: 'handed-in', toFix: 2 }), 'handed in'],
    [card('1', { pages: 1 }), '1 page'],
    [card('1', { pages: 4 }), '4 pages'],
  ])('says how it stands', async (one, says) => {
    await desk([course([one])]);
    expect(shown()).toContain(says);
  });
  it('that was put away is not among the others, and can be taken back', async () => {
    const asked = await desk([course([card('1'), card('2', { archived: true })])], {
      'PATCH /api/assignments/2': {},
    });
    expect(titles()).toEqual(['Set 1']);
    await press('Set 2 back to the desk');
    expect(sent(asked)).toEqual([
      { method: 'PATCH', address: '/api/assignments/2', body: { archived: false } },
    ]);
  });
  it('that was deleted can be taken back', async () => {
    const asked = await desk([course([])], { 'PATCH /api/assignments/9': {} }, [
      { id: '9', title: 'Lost', deletedAt: '2026-03-01' },
    ]);
    await press('Lost back to the desk');
    expect(sent(asked)[0]?.body).toEqual({ deleted: false });
  });
});

describe('what is changed about a sheet', () => {
  const about = async (answers: Readonly<Record<string, Answered>>, one = card('1')) => {
    const asked = await desk([course([one]), course([], { id: 'knots', title: 'Knots' })], answers);
    await press('About Set 1');
    return asked;
  };
  it('is kept as one change, and taken back as one', async () => {
    const asked = await about({ 'PATCH /api/assignments/1': {} });
    const before = reloads.count;
    await fill('Title', 'Low water', 'input');
    await fill('Due on', '2026-03-09', 'input');
    await fill('at', '18:00', 'input');
    await fill('It is', 'notes');
    await fill('Course', 'knots');
    field('It is ready to be handed in').click();
    await settle();
    await press('Keep these');
    expect(sent(asked)[0]?.body).toEqual({
      title: 'Low water',
      kind: 'notes',
      courseId: 'knots',
      dueAt: new Date('2026-03-09T18:00').toISOString(),
      state: 'ready',
    });
    expect(reloads.count).toBe(before + 1);
    expect(shown()).toContain('“Low water” was changed.');
    await press('Undo');
    expect(sent(asked)[1]?.body).toEqual({
      title: 'Set 1',
      kind: 'problem set',
      courseId: 'tides',
      dueAt: null,
      state: 'draft',
    });
  });
  it.each([
    ['Archive', { archived: true }, { archived: false }, 'was archived.'],
    ['Delete', { deleted: true }, { deleted: false }, 'was deleted.'],
  ])('%s, and back', async (title, to, back, says) => {
    const asked = await about({ 'PATCH /api/assignments/1': {} });
    await press(title);
    expect(shown()).toContain(says);
    await press('Undo');
    expect(sent(asked).map(({ body }) => body)).toEqual([to, back]);
  });
  it('a copy, which undo deletes', async () => {
    const asked = await about({
      'POST /api/assignments/1/duplicate': { id: '7' },
      'PATCH /api/assignments/7': {},
    });
    await press('Duplicate');
    await press('Undo');
    expect(sent(asked).map(({ method, address }) => `${method} ${address}`)).toEqual([
      'POST /api/assignments/1/duplicate',
      'PATCH /api/assignments/7',
    ]);
  });
  it('that is refused says why, and stays open', async () => {
    await about({ 'PATCH /api/assignments/1': { status: 400, message: 'The title is too long.' } });
    await press('Keep these');
    expect(shown()).toContain('The title is too long.');
    expect(document.querySelector('dialog[open]')).not.toBeNull();
  });
  it('never takes a hand-in back', async () => {
    const asked = await about(
      { 'PATCH /api/assignments/1': {} },
      card('1', { state: 'handed-in' }),
    );
    await press('Keep these');
    expect(sent(asked)[0]?.body).not.toHaveProperty('state');
  });
});

describe('a sheet brought in', () => {
  const tex = new File(['\\documentclass{article}'], 'set.tex');
  it('opens, when all of it was of use', async () => {
    const asked = await desk([course([])], {
      'POST /api/bring-in?course=tides': { id: '5', leftOut: [] },
    });
    await press('Bring in');
    await chooseFiles('Choose files', tex);
    visited.length = 0;
    await press('Bring it in');
    expect(sent(asked)).toHaveLength(1);
    expect(visited).toEqual(['/a/5']);
  });
  it('names what was left out, and then leads there', async () => {
    await desk([course([])], {
      'POST /api/bring-in?course=tides': { id: '5', leftOut: ['notes.docx'] },
    });
    await press('Bring in');
    await chooseFiles('Choose files', tex);
    await press('Bring it in');
    expect(shown()).toContain('notes.docx');
    expect(document.querySelector('dialog a[href="/a/5"]')).not.toBeNull();
  });
  it('that cannot be read says why, and keeps the choice', async () => {
    await desk([course([])], {
      'POST /api/bring-in?course=tides': { status: 400, message: 'No .tex among them.' },
    });
    await press('Bring in');
    await chooseFiles('Choose files', tex);
    await press('Bring it in');
    expect(shown()).toContain('No .tex among them.');
    expect(shown()).toContain('set.tex');
  });
});

describe('who you are', () => {
  it('is kept', async () => {
    const asked = await desk([course([])], { 'PUT /api/profile': {} });
    await press('A. Marsh');
    await fill('College', 'St Ebb', 'input');
    await press('Keep these');
    expect(sent(asked)[0]?.body).toEqual({ name: 'A. Marsh', college: 'St Ebb', number: '' });
  });
  it.each([
    [{ taken: 1, there: 0 }, '1 sheet was taken.'],
    [{ taken: 3, there: 2 }, '3 sheets were taken; 2 were here already and stayed as they are.'],
  ])('has all the work brought back, and says how much of it: %j', async (answer, says) => {
    await desk([course([])], { 'POST /api/collection': answer });
    await press('A. Marsh');
    await chooseFiles('Bring it back', new File(['z'], 'all.zip'));
    expect(shown()).toContain(says);
  });
});
