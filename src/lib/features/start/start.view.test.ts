import { render } from '@testing-library/svelte';
import { describe, expect, it, vi } from 'vitest';
import { canPress, field, fill, press, settle, shown } from '$lib/testing/hands';
import { visited } from '$lib/testing/navigation';
import { pretendServer, type Answered, type Asked } from '$lib/testing/server';
import Start from './Start.svelte';

vi.mock('../workbench/painting/engine.worker?worker', () => ({
  default: class {
    onmessage = null;
    postMessage = (): void => undefined;
    terminate = (): void => undefined;
  },
}));

const COURSES = [
  { id: 'tides', code: 'MA 1', title: 'Tides', term: 'Lent', colour: 'sea' as const },
  { id: 'knots', code: 'MA 2', title: 'Knots', term: 'Lent', colour: 'moss' as const },
];
const EARLIER = [{ id: 'old', title: 'Set 1', course: 'Tides' }];

async function starting(
  answers: Readonly<Record<string, Answered>> = {},
  given: { course?: string | null; name?: string; courses?: typeof COURSES } = {},
): Promise<Asked[]> {
  const asked = pretendServer(answers);
  render(Start, {
    courses: given.courses ?? COURSES,
    earlier: EARLIER,
    profile: { name: given.name ?? 'A. Marsh', college: '', number: '' },
    course: given.course ?? null,
  });
  await settle();
  return asked;
}
const preamble = (): string =>
  document.querySelector('[data-testid="preamble"]')?.textContent ?? '';
const posted = (asked: readonly Asked[]): Record<string, unknown> =>
  (asked.find(({ method }) => method === 'POST')?.body ?? {}) as Record<string, unknown>;

describe('a new sheet', () => {
  it('is made of what was chosen, and opened', async () => {
    const asked = await starting({ 'POST /api/assignments': { id: '8' } });
    expect(canPress('Start writing')).toBe(false);
    await fill('Title', 'Low water', 'input');
    await fill('Course', 'knots');
    await fill('It is', 'notes');
    await fill('Due on', '2026-03-09', 'input');
    visited.length = 0;
    await press('Start writing');
    expect(posted(asked)).toMatchObject({
      courseId: 'knots',
      title: 'Low water',
      kind: 'notes',
      dueAt: new Date('2026-03-09T23:59').toISOString(),
      filesFrom: null,
    });
    expect(posted(asked).content).toContain('\\title{Low water}');
    expect(visited).toEqual(['/a/8']);
  });
  it('is under the course it was begun from', async () => {
    await starting({}, { course: 'knots' });
    expect(field('Course').value).toBe('knots');
  });
  it('bears the name of who writes it', async () => {
    await starting({}, { name: 'B. Quay' });
    expect(preamble()).toContain('\\author{B. Quay}');
    await fill('Author', 'C. Mole', 'input');
    expect(preamble()).toContain('\\author{C. Mole}');
  });
  it.each([
    ['none', '\\date{}'],
    ['today', '\\date{\\today}'],
  ])('has the date asked for: %s', async (choice, line) => {
    await starting();
    await fill('Date', choice);
    const date = preamble().includes('\\date') ? preamble() : '\\date{\\today}';
    expect(date).toContain(line);
  });
  it('has a date of one’s own', async () => {
    await starting();
    await fill('Date', 'fixed');
    await fill('The date', 'Candlemas');
    expect(preamble()).toContain('\\date{Candlemas}');
  });
  it('that is refused says why, and keeps what was chosen', async () => {
    await starting({ 'POST /api/assignments': { status: 400, message: 'The title is too long.' } });
    await fill('Title', 'Low water', 'input');
    await press('Start writing');
    expect(shown()).toContain('The title is too long.');
    expect(field('Title').value).toBe('Low water');
  });
  it('needs a course to be under', async () => {
    await starting({}, { courses: [] });
    await fill('Title', 'Low water', 'input');
    expect(shown()).toContain('Make a course on the desk first');
    expect(canPress('Start writing')).toBe(false);
  });
});
