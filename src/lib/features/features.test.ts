import { describe, expect, it } from 'vitest';
import { pageText, type PageDescription } from '@odd-compass/engine';
import { runsOfLine } from '@odd-compass/engine/page';
import { WorkerHost, type Request, type Response } from '@odd-compass/engine/worker';
import {
  inArticle,
  testFonts,
  TODAY,
  typeset,
} from '../../../packages/engine/src/testing/document';
import { dueWords } from './desk/dueWords';
import { blockAt } from './workbench/blockAt';
import { nearestFinding } from './workbench/needle';
import { pageTops } from './workbench/sheet/geometry';
import { blockExtent, sourceAt } from './workbench/sheet/hit';
import { changedBand } from './workbench/painting/changedBand';

const describeFirst = (text: string): PageDescription => {
  const session = typeset(text);
  const [page] = session.pages;
  if (!page) throw new Error('no page');
  return session.describe(page);
};

describe('the desk', () => {
  it('tells dates as one would say them', () => {
    const now = new Date(2026, 2, 10, 9);
    const at = (day: number, hour = 18) =>
      dueWords(new Date(2026, 2, day, hour).toISOString(), now);
    expect([at(10), at(11), at(15), at(9), at(7)]).toEqual([
      'today 18:00',
      'tomorrow 18:00',
      'in 5 days',
      'yesterday',
      '3 days ago',
    ]);
    expect(dueWords(null, now)).toBe('no date');
  });
});

describe('the workbench', () => {
  it('finds blocks, the nearest finding, and the tops of pages', () => {
    expect([0, 9, 10, 99].map((at) => blockAt([0, 10, 20], at))).toEqual([0, 0, 1, 2]);
    expect(blockAt([], 3)).toBe(-1);
    expect(nearestFinding([{ from: 2 }, { from: 30 }], 20)).toEqual({ from: 30 });
    expect(nearestFinding([], 20)).toBeNull();
    expect(
      pageTops(
        [
          { key: 1, width: 10, height: 100, textLeft: 2, textRight: 8 },
          { key: 2, width: 10, height: 100, textLeft: 2, textRight: 8 },
        ],
        2,
      ),
    ).toEqual([20, 240, 460]);
  });
  it('a point on the page leads to its letter in the source', () => {
    const text = inArticle('The harbour is $x + y$ deep.');
    const session = typeset(text);
    const page = session.describe(session.pages[0] as never);
    const places = new Map(session.blocksOf(page).map((b) => [b.id, b]));
    for (const run of runsOfLine(page, 0)) {
      const start = places.get(run.block)?.start ?? 0;
      expect(sourceAt(page, places, run.x + 0.5, run.y - 1)).toBe(start + run.from);
    }
  });
  it('only the band that changed is painted again', () => {
    const before = describeFirst(inArticle('one\n\ntwo\n\nthree'));
    const after = describeFirst(inArticle('one\n\ntwo!\n\nthree'));
    expect(changedBand(before, before)).toBeNull();
    const band = changedBand(before, after) as { top: number; bottom: number };
    expect(band.bottom - band.top).toBeLessThan(12);
    const block = after.lineBlock[1] as number;
    expect(blockExtent(after, block)?.top).toBeCloseTo(band.top, 0);
  });
});

describe('the worker', () => {
  /** Pages that were given to be painted, after so many answers. */
  interface Painted {
    readonly answered: number;
    readonly pages: readonly number[];
    readonly outlines: readonly unknown[];
  }
  /** A worker whose answers are gathered. */
  const decode = (bytes: Uint8Array) => new TextDecoder().decode(bytes);
  const PARTS: Readonly<Record<string, string>> = { '/part/1': 'Ebb.', '/part/2': 'Flood.' };
  const fetchFile = async (address: string) =>
    PARTS[address] === undefined ? null : new TextEncoder().encode(PARTS[address]);
  function worker(fetchFont = async (file: string) => testFonts(file)) {
    const answers: Response[] = [];
    const painted: Painted[] = [];
    const host = new WorkerHost({
      fetchFont,
      fetchFile,
      decode,
      post: (response) => void answers.push(structuredClone(response)),
      paint: (pages, outlines) =>
        void painted.push({ answered: answers.length, pages: [...pages.keys()], outlines }),
      painted: () => Promise.resolve(),
      turn: () => new Promise((resolve) => setTimeout(resolve, 0)),
      now: () => performance.now(),
    });
    return { answers, painted, say: (request: Request) => host.take(request) };
  }
  const lastPages = (answers: readonly Response[]) =>
    answers.findLast((a) => a.kind === 'pages') as Extract<Response, { kind: 'pages' }>;

  it('paints pages before it tells of them, and sends each once, then gives its account', async () => {
    const { answers, painted, say } = worker();
    await say({
      kind: 'open',
      text: inArticle('Tides. \\nosuch'),
      revision: 1,
      today: TODAY,
      fontBase: '',
      files: [],
    });
    const pages = lastPages(answers);
    expect(pages).toMatchObject({ revision: 1 });
    expect(pages.views[0]?.text?.[0]).toContain('Tides.');
    const first = answers.findIndex((a) => a.kind === 'pages');
    expect(painted[0]).toMatchObject({ answered: first, pages: [0] });
    expect(painted[0]?.outlines.length).toBeGreaterThan(5);
    expect(answers.find((a) => a.kind === 'account')).toMatchObject({
      findings: [{ kind: 'command-unknown' }],
    });
    await say({ kind: 'view', ranges: [{ first: 0, last: 0 }] });
    expect(lastPages(answers).views[0]?.description).toBeNull();
    expect(painted.at(-1)).toMatchObject({ pages: [0], outlines: [] });
  });
  it('keeps what is typed while the first fonts are on their way', async () => {
    const slow = async (file: string) => {
      await new Promise((resolve) => setTimeout(resolve, 30));
      return testFonts(file);
    };
    const { answers, say } = worker(slow);
    const text = inArticle('Tides.');
    const at = text.indexOf('Tides');
    const opening = say({ kind: 'open', text, revision: 1, today: TODAY, fontBase: '', files: [] });
    const typing = [
      say({ kind: 'edit', edits: [{ from: at, to: at, text: 'Ebb ' }], revision: 2 }),
      say({ kind: 'edit', edits: [{ from: at, to: at, text: 'The ' }], revision: 3 }),
    ];
    await Promise.all([opening, ...typing]);
    expect(lastPages(answers).revision).toBe(3);
    expect(lastPages(answers).views[0]?.text?.[0]).toBe('The Ebb Tides.');
  });
  it('reads the other files of the assignment, and again when others take their place', async () => {
    const { answers, say } = worker();
    const text = inArticle('\\input{part}');
    const files = [
      { name: 'part.tex', address: '/part/1' },
      { name: 'gone.png', address: '/none' },
    ];
    await say({ kind: 'open', text, revision: 1, today: TODAY, fontBase: '', files });
    expect(lastPages(answers).views[0]?.text?.[0]).toBe('Ebb.');
    await say({ kind: 'files', files: [{ name: 'part.tex', address: '/part/2' }] });
    expect(lastPages(answers).views[0]?.text?.[0]).toBe('Flood.');
  });
  it('finds text on all pages, and tells which page a label stands on', async () => {
    const { answers, say } = worker();
    const text = inArticle('Ebb.\\newpage Flood.\\begin{equation}x\\label{eq:x}\\end{equation}');
    await say({ kind: 'open', text, revision: 1, today: TODAY, fontBase: '', files: [] });
    await say({ kind: 'find', id: 7, text: 'flood' });
    expect(answers.at(-1)).toMatchObject({
      kind: 'found',
      id: 7,
      places: [{ page: 1, spans: [{ y: expect.closeTo(134.8, 0) }] }],
    });
    expect(answers.find((a) => a.kind === 'account')).toMatchObject({
      labels: [{ name: 'eq:x', page: 1 }],
    });
  });
  it('says when fonts are not to be had', async () => {
    const { answers, say } = worker(() => Promise.reject(new Error('gone')));
    await say({ kind: 'open', text: 'x', revision: 1, today: TODAY, fontBase: '', files: [] });
    expect(answers).toEqual([{ kind: 'failed', reason: 'Error: gone' }]);
  });
  it('a newer edit overtakes the work under way, and the last text counts', async () => {
    const { answers, say } = worker();
    const text = inArticle(
      Array.from(
        { length: 300 },
        (_, i) => `Paragraph ${i} on the tides of the bay and the ferries in it.`,
      ).join('\n\n'),
    );
    const opening = say({ kind: 'open', text, revision: 1, today: TODAY, fontBase: '', files: [] });
    await new Promise((resolve) => setTimeout(resolve, 5));
    await opening;
    const at = text.indexOf('Paragraph 0');
    const first = say({ kind: 'edit', edits: [{ from: at, to: at, text: 'A' }], revision: 2 });
    const second = say({ kind: 'edit', edits: [{ from: at, to: at, text: 'B' }], revision: 3 });
    await Promise.all([first, second]);
    expect(lastPages(answers).revision).toBe(3);
    // A page goes over once: its text came with the last answer that held it.
    const texts = answers.flatMap((a) => (a.kind === 'pages' ? [a.views[0]?.text] : []));
    expect(texts.findLast((t) => t)?.[0]).toContain('BAParagraph 0');
  });
});

it('the words of a page stand in reading order', () => {
  const session = typeset(inArticle('One two.\n\n\\section{Three}'));
  expect(pageText(session.describe(session.pages[0] as never), session.fonts)).toEqual([
    'One two.',
    '1 Three',
    '1',
  ]);
});
