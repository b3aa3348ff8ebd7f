import { render } from '@testing-library/svelte';
import { describe, expect, it } from 'vitest';
import type { DeskCourse } from '$lib/domain/assignment';
import { canPress, field, fill, press, settle, shown } from '$lib/testing/hands';
import { reloads, visited } from '$lib/testing/navigation';
import { pretendServer, type Answered, type Asked } from '$lib/testing/server';
import AboutCourse from './AboutCourse.svelte';
import Postings from './Postings.svelte';
import SearchResults from './SearchResults.svelte';

const POSTING = {
  id: 'set-3',
  course: 'MA 1',
  courseTitle: 'Tides',
  title: 'Set 3',
  problems: ['1', '2'],
  rules: {
    kinds: ['pdf'],
    largest: 1e6,
    mostPages: 6,
    deadline: '2126-03-09T18:00:00Z',
    latePolicy: 'Late costs a tenth.',
    lateMinutes: 0,
  },
  files: ['set-3.tex', 'quay.png'],
};

describe('what the courses posted', () => {
  const posted = async (answers: Readonly<Record<string, Answered>>): Promise<Asked[]> => {
    const asked = pretendServer(answers);
    const { component } = render(Postings, {});
    component.open();
    await settle();
    return asked;
  };
  it('is told with what it takes and brings', async () => {
    await posted({ 'GET /api/postings': [POSTING] });
    for (const part of [
      'MA 1 · Tides',
      '2 problems',
      'up to 6 pages',
      'set-3.tex, quay.png',
      'Late costs',
    ])
      expect(shown()).toContain(part);
  });
  it.each([
    [{ problems: ['1'] }, '1 problem ·'],
    [{ problems: [] }, '0 problems'],
  ])('counts its problems', async (more, says) => {
    await posted({ 'GET /api/postings': [{ ...POSTING, ...more }] });
    expect(shown()).toContain(says);
  });
  it('becomes a sheet, and is opened', async () => {
    const asked = await posted({
      'GET /api/postings': [POSTING],
      'POST /api/postings/set-3': { id: '9' },
    });
    visited.length = 0;
    await press(/^Start/);
    expect(asked.map(({ method, address }) => `${method} ${address}`)).toContain(
      'POST /api/postings/set-3',
    );
    expect(visited).toEqual(['/a/9']);
  });
  it('that cannot be taken says why, and can be tried again', async () => {
    await posted({
      'GET /api/postings': [POSTING],
      'POST /api/postings/set-3': { status: 502, message: 'The course site is away.' },
    });
    await press(/^Start/);
    expect(shown()).toContain('The course site is away.');
    await press('Ask again');
    expect(canPress(/^Start/)).toBe(true);
  });
  it('may be nothing', async () => {
    await posted({ 'GET /api/postings': [] });
    expect(shown()).toContain('Nothing is posted just now.');
  });
});

describe('a course', () => {
  const COURSE: DeskCourse = {
    id: 'tides',
    code: 'MA 1',
    title: 'Tides',
    term: 'Lent',
    colour: 'sea',
    archived: false,
    assignments: [],
  };
  const about = async (course: DeskCourse | null, answers: Readonly<Record<string, Answered>>) => {
    const asked = pretendServer(answers);
    const told: { says: string; undo: (() => Promise<unknown>) | null }[] = [];
    const { component } = render(AboutCourse, {
      onchanged: (says: string, undo: (() => Promise<unknown>) | null) => told.push({ says, undo }),
    });
    component.open(course);
    await settle();
    return { asked, told };
  };
  it('is made', async () => {
    const { asked, told } = await about(null, { 'POST /api/courses': {} });
    await fill('Title', 'Knots', 'input');
    await fill('Code', 'MA 2', 'input');
    field('moss').click();
    await settle();
    await press('Make the course');
    expect(asked[0]?.body).toEqual({ code: 'MA 2', title: 'Knots', term: '', colour: 'moss' });
    expect(told).toEqual([{ says: '“Knots” is a course now.', undo: null }]);
  });
  it('is changed, and back', async () => {
    const { asked, told } = await about(COURSE, { 'PATCH /api/courses/tides': {} });
    await fill('Term', 'Easter', 'input');
    await press('Keep these');
    await told[0]?.undo?.();
    expect(asked.map(({ body }) => (body as { term: string }).term)).toEqual(['Easter', 'Lent']);
  });
  it.each([
    [false, 'Archive', true],
    [true, 'Back to the desk', false],
  ])('archived %s: %s', async (archived, title, to) => {
    const { asked, told } = await about(
      { ...COURSE, archived },
      { 'PATCH /api/courses/tides': {} },
    );
    await press(title);
    await told[0]?.undo?.();
    expect(asked.map(({ body }) => body)).toEqual([{ archived: to }, { archived: !to }]);
  });
  it('with sheets in it is not deleted: the server says why', async () => {
    const before = reloads.count;
    const { told } = await about(COURSE, {
      'DELETE /api/courses/tides': { status: 409, message: 'There are sheets in it.' },
    });
    await press('Delete');
    expect(shown()).toContain('There are sheets in it.');
    expect([told, reloads.count]).toEqual([[], before]);
  });
});

describe('what is found in all the work', () => {
  const hit = (excerpt: string) => ({
    assignmentId: 'old',
    title: 'Set 0',
    course: 'Tides',
    path: 'parts/one.tex',
    excerpt,
  });
  const found = async (answers: Readonly<Record<string, Answered>>): Promise<void> => {
    pretendServer(answers);
    render(SearchResults, { query: 'gauge' });
    await new Promise((resolve) => setTimeout(resolve, 300));
    await settle();
  };
  it('leads to its place', async () => {
    await found({ 'GET /api/search?q=gauge': [hit('…the \u0001gauge\u0002 at six…')] });
    const way = document.querySelector('a')?.getAttribute('href') ?? '';
    expect(way).toContain('/a/old?file=parts%2Fone.tex&find=gauge');
    expect(shown()).toContain('the gauge at six');
  });
  it('in a name leads to the sheet', async () => {
    await found({ 'GET /api/search?q=gauge': [hit('')] });
    expect(document.querySelector('a')?.getAttribute('href')).toBe('/a/old?file=parts%2Fone.tex');
  });
  it('that cannot be looked for says so', async () => {
    await found({ 'GET /api/search?q=gauge': { status: 500, message: 'Not now.' } });
    expect(shown()).toContain('Not now.');
  });
});
