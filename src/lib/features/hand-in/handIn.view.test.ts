import { render } from '@testing-library/svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { canPress, field, fill, press, settle, shown } from '$lib/testing/hands';
import { pretendServer, type Answered, type Asked } from '$lib/testing/server';
import HandIn from './HandIn.svelte';

vi.mock('$lib/ui/pdf', () => ({
  openPdf: () => Promise.resolve({ numPages: 2, destroy: () => Promise.resolve() }),
  drawPdfPage: () => Promise.resolve(),
}));

const RULES = {
  kinds: ['pdf', 'tex'],
  largest: 1_000_000,
  mostPages: 6,
  deadline: '2026-03-09T18:00:00Z',
  latePolicy: 'A day late costs a tenth.',
  lateMinutes: 60,
};
const POSTING = { site: 'Course site', id: 'tides-3', title: 'Set 3', problems: [], rules: RULES };
const LOOK = {
  lines: [
    { topic: 'Pages', well: true, says: 'Two, as the course allows.', places: [] },
    {
      topic: 'References',
      well: false,
      says: 'One leads nowhere.',
      places: [{ says: 'line 4', path: 'parts/second.tex', from: 31 }],
    },
  ],
  pages: 2,
  edition: 7,
  files: [
    { name: 'set-3.pdf', size: 20_480 },
    { name: 'set-3.zip', size: 4096 },
  ],
  texts: [
    { path: 'main.tex', text: '\\begin{document}The water falls.\\end{document}', formulas: [] },
  ],
};
const receiptOf = (number: string, late = false) => ({
  id: 1,
  versionId: 2,
  at: '2026-03-09T17:00:00Z',
  receipt: {
    site: 'Course site',
    posting: 'tides-3',
    number,
    receivedAt: '2026-03-09T17:00:00Z',
    late,
    files: [{ name: 'set-3.pdf', size: 20_480, sha256: 'ab12' }],
  },
});
const props = {
  id: 's1',
  title: 'Tides',
  course: { id: 'c', code: 'MA 1', title: 'Tides', term: 'Lent', colour: 'sea' as const },
  state: 'ready' as const,
  posting: POSTING as typeof POSTING | null,
  siteName: 'Course site',
  profile: { name: 'A. Marsh', college: '', number: '' },
  receipts: [] as ReturnType<typeof receiptOf>[],
};

/** The place to hand in, with a server that answers as told. */
async function atTheCounter(
  given: Partial<typeof props> = {},
  answers: Readonly<Record<string, Answered>> = {},
): Promise<Asked[]> {
  const asked = pretendServer({ 'GET /a/s1/hand-in/look': LOOK, ...answers });
  render(HandIn, { ...props, ...given });
  await settle();
  return asked;
}
const sent = (asked: readonly Asked[]): Asked[] => asked.filter(({ method }) => method !== 'GET');

beforeEach(() => {
  // Without a dictionary: what is spelt wrong is looked up elsewhere.
  localStorage.setItem('odd-compass:source-taste', JSON.stringify({ spelling: 'none' }));
});

describe('the last look', () => {
  it('says what is well and what is not, with ways to the places', async () => {
    await atTheCounter();
    expect(shown()).toContain('One thing to look at.');
    expect(shown()).toContain('Pages. Two, as the course allows.');
    const way = document.querySelector<HTMLAnchorElement>('a[href*="second"]');
    expect(way?.getAttribute('href')).toBe('/a/s1?file=parts%2Fsecond.tex&at=31');
  });
  it('says so when nothing stands in the way', async () => {
    await atTheCounter(
      {},
      { 'GET /a/s1/hand-in/look': { ...LOOK, lines: LOOK.lines.slice(0, 1) } },
    );
    expect(shown()).toContain('Nothing stands in the way.');
    expect(canPress('Hand it in')).toBe(true);
  });
  it('that cannot be had is told, and nothing can be handed in unseen', async () => {
    await atTheCounter({}, { 'GET /a/s1/hand-in/look': { status: 500, message: 'Not now.' } });
    expect(shown()).toContain('Not now.');
    expect(canPress(/^Hand it in/)).toBe(false);
  });
  it('shows every page of the PDF that goes', async () => {
    await atTheCounter();
    expect(document.querySelectorAll('figure[aria-label^="Page"]')).toHaveLength(2);
  });
});

describe('handing in', () => {
  it('sends what is ticked to where it goes, once, and shows the receipt', async () => {
    const asked = await atTheCounter({}, { 'POST /a/s1/hand-in': receiptOf('R-77') });
    await press('Hand it in as it is');
    expect(sent(asked)).toEqual([
      {
        method: 'POST',
        address: '/a/s1/hand-in',
        body: { posting: 'tides-3', pdf: true, source: true },
      },
    ]);
    expect(shown()).toContain('Receipt R-77');
    expect(shown()).toContain('SHA-256 ab12');
  });
  it.each([
    [['pdf'], false],
    [['pdf', 'zip'], true],
  ])('ticks the source when the course takes more than the PDF: %j', async (kinds, ticked) => {
    await atTheCounter({ posting: { ...POSTING, rules: { ...RULES, kinds } } });
    expect(field(/set-3\.pdf/).checked).toBe(true);
    expect(field(/set-3\.zip/).checked).toBe(ticked);
  });
  it('is not possible with nothing ticked', async () => {
    await atTheCounter();
    field(/set-3\.pdf/).click();
    field(/set-3\.zip/).click();
    await settle();
    expect(canPress(/^Hand it in/)).toBe(false);
  });
  it('is not possible without a name; a new one is kept first', async () => {
    const asked = await atTheCounter(
      {},
      { 'PUT /api/profile': {}, 'POST /a/s1/hand-in': receiptOf('R-78') },
    );
    await fill('Your name', '  ', 'input');
    expect(canPress(/^Hand it in/)).toBe(false);
    await fill('Your name', ' B. Marsh ', 'input');
    await press(/^Hand it in/);
    expect(sent(asked).map(({ method, address }) => `${method} ${address}`)).toEqual([
      'PUT /api/profile',
      'POST /a/s1/hand-in',
    ]);
    expect(sent(asked)[0]?.body).toEqual({ name: 'B. Marsh', college: '', number: '' });
  });
  it('that is refused says why, and can be tried again', async () => {
    await atTheCounter(
      {},
      { 'POST /a/s1/hand-in': { status: 409, message: 'Seven pages; six go.' } },
    );
    await press(/^Hand it in/);
    expect(shown()).toContain('Seven pages; six go.');
    expect(shown()).not.toContain('Receipt');
    expect(canPress(/^Hand it in/)).toBe(true);
  });
  it('of a sheet that came from nowhere asks where it goes', async () => {
    const site = { id: 'tides-4', course: 'MA 1', courseTitle: 'Tides', title: 'Set 4' };
    const asked = await atTheCounter(
      { posting: null },
      {
        'GET /api/postings': [{ ...site, problems: [], rules: RULES, files: [] }],
        'POST /a/s1/hand-in': receiptOf('R-79'),
      },
    );
    expect(canPress(/^Hand it in/)).toBe(false);
    await fill(/^Which assignment/, 'tides-4');
    field(/set-3\.zip/).click();
    await settle();
    await press(/^Hand it in/);
    expect(sent(asked)[0]?.body).toEqual({ posting: 'tides-4', pdf: true, source: true });
  });
  it('again: the receipts of before stay, and what was written since is told', async () => {
    await atTheCounter({ receipts: [receiptOf('R-1', true)] });
    expect(shown()).toContain('Receipt R-1');
    expect(shown()).toContain(', late.');
    expect(shown()).toContain('You have written on since');
  });
});
