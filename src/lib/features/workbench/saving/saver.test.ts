import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { browserDrafts, type Draft, type Drafts } from './drafts';
import { merged } from './merge';
import { fileKey, Saver } from './saver.svelte';

interface Sent {
  path: string;
  revision: number;
  content: string;
}

/** A server that answers as told, and what it was sent. */
function server(answer: (body: Sent) => { status: number; body: unknown } | Error) {
  const sent: Sent[] = [];
  vi.stubGlobal('fetch', async (_url: string, init: { body: string }) => {
    const body = JSON.parse(init.body) as Sent;
    sent.push(body);
    const said = answer(body);
    if (said instanceof Error) throw said;
    return new Response(JSON.stringify(said.body), { status: said.status });
  });
  return sent;
}
const saves = ({ revision }: { revision: number }) => ({
  status: 200,
  body: { kind: 'saved', revision: revision + 1 },
});

/** Drafts in memory. */
function memory(): Drafts & { kept: Map<string, Omit<Draft, 'at'>> } {
  const kept = new Map<string, Omit<Draft, 'at'>>();
  return {
    kept,
    keep: async (draft) => void kept.set(draft.file, draft),
    forget: async (file) => void kept.delete(file),
    left: async () => null,
  };
}

const BASE = 'one\ntwo\nthree\nfour\nfive';
/** A saver of one file, in the state that a window has just opened it in. */
function opened(content = BASE) {
  const drafts = memory();
  const texts: string[] = [];
  const saver: Saver = new Saver(
    'a',
    { path: 'sheet.tex', revision: 1, content },
    {
      drafts,
      window: 'w',
      onmerge: (text) => {
        texts.push(text);
        saver.change(() => text);
      },
    },
  );
  return { saver, drafts, texts, draft: () => drafts.kept.get(fileKey('a', 'sheet.tex')) };
}

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal('BroadcastChannel', undefined);
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('saving as typed', () => {
  it('waits for a pause, sends the last text, and forgets the draft', async () => {
    const sent = server(saves);
    const { saver, draft } = opened();
    saver.change(() => 'one');
    saver.change(() => 'two');
    await vi.advanceTimersByTimeAsync(130);
    expect([saver.status, draft()?.content, draft()?.base]).toEqual(['saving', 'two', BASE]);
    await vi.advanceTimersByTimeAsync(300);
    expect(sent).toEqual([{ path: 'sheet.tex', revision: 1, content: 'two' }]);
    expect([saver.status, draft()]).toEqual(['saved', undefined]);
  });
  it('flushes what waits, and what is typed meanwhile, one request after another', async () => {
    const { saver } = opened();
    const sent = server((body) => {
      if (body.content === 'one') saver.change(() => 'two');
      return saves(body);
    });
    saver.change(() => 'one');
    expect(await saver.flush()).toBe(true);
    expect(sent.map(({ revision, content }) => [revision, content])).toEqual([
      [1, 'one'],
      [2, 'two'],
    ]);
  });
  it('keeps the text while the server is away, and sends it when it is back', async () => {
    let away = true;
    server((body) => (away ? new Error('away') : saves(body)));
    const { saver, draft } = opened();
    saver.change(() => 'kept');
    expect(await saver.flush()).toBe(false);
    expect([saver.status, draft()?.content]).toEqual(['waiting', 'kept']);
    away = false;
    await vi.advanceTimersByTimeAsync(2500);
    expect(saver.status).toBe('saved');
  });
  it('sends nothing when the text is what the server has', async () => {
    const sent = server(saves);
    const { saver } = opened();
    saver.change(() => BASE);
    expect(await saver.flush()).toBe(true);
    expect(sent).toEqual([]);
  });
  it('goes on from a draft of an earlier visit', async () => {
    const sent = server(saves);
    const { saver } = opened('newer');
    saver.resume({ file: 'f', window: 'old', base: BASE, revision: 4, content: 'left', at: 0 });
    await saver.flush();
    expect(sent).toEqual([{ path: 'sheet.tex', revision: 4, content: 'left' }]);
  });
});

describe('another window saved first', () => {
  const theirs = BASE.replace('five', 'five, theirs');
  const conflict = (content: string) => ({
    status: 409,
    body: { kind: 'conflict', revision: 5, content },
  });
  it('what both wrote in other lines is put together and saved', async () => {
    let first = true;
    const sent = server((body) => (first ? ((first = false), conflict(theirs)) : saves(body)));
    const { saver, texts } = opened();
    saver.change(() => BASE.replace('one', 'one, mine'));
    await saver.flush();
    await vi.advanceTimersByTimeAsync(500);
    const both = 'one, mine\ntwo\nthree\nfour\nfive, theirs';
    expect(texts).toEqual([both]);
    expect(sent.at(-1)).toMatchObject({ revision: 5, content: both });
    expect(saver.status).toBe('saved');
  });
  it('asks where both wrote in the same lines, and can keep what is here', async () => {
    let first = true;
    const sent = server((body) => (first ? ((first = false), conflict(theirs)) : saves(body)));
    const { saver } = opened();
    const mine = BASE.replace('five', 'five, mine');
    saver.change(() => mine);
    await saver.flush();
    expect([saver.status, saver.theirs]).toEqual(['conflict', theirs]);
    saver.change(() => `${mine} and more`);
    await vi.advanceTimersByTimeAsync(1000);
    expect(sent.length).toBe(1);
    await saver.keepMine();
    expect(sent.at(-1)).toMatchObject({ revision: 5, content: `${mine} and more`, over: true });
    expect(saver.status).toBe('saved');
  });
  it('can take what is there; what is here is saved before, so that a version keeps it', async () => {
    let first = true;
    const sent = server((body) => (first ? ((first = false), conflict(theirs)) : saves(body)));
    const { saver, draft } = opened();
    const mine = BASE.replace('five', 'five, mine');
    saver.change(() => mine);
    await saver.flush();
    const taken = await saver.takeTheirs();
    expect(taken).toBe(theirs);
    saver.change(() => taken ?? '');
    await saver.flush();
    expect(sent.slice(1)).toEqual([
      { path: 'sheet.tex', revision: 5, content: mine, over: true },
      { path: 'sheet.tex', revision: 6, content: theirs, over: true },
    ]);
    expect([saver.status, draft()]).toEqual(['saved', undefined]);
  });
  it('goes on asking when the server goes away before it is settled', async () => {
    let answers = 0;
    server(() => (answers++ === 0 ? conflict(theirs) : new Error('away')));
    const { saver } = opened();
    saver.change(() => BASE.replace('five', 'five, mine'));
    await saver.flush();
    expect(await saver.takeTheirs()).toBeNull();
    expect([saver.status, saver.theirs]).toEqual(['conflict', theirs]);
  });
  it('does not ask when both saved the same', async () => {
    server(() => conflict('same'));
    const { saver } = opened();
    saver.change(() => 'same');
    await saver.flush();
    expect(saver.status).toBe('saved');
  });
});

describe('putting two texts together', () => {
  const lines = fc.array(fc.constantFrom('a', 'b', 'c', 'd'), { minLength: 1, maxLength: 8 });
  it.each([
    ['a\nb', 'a\n1\n2\nb', 'a\n1\nb', 'a\n1\n2\nb'],
    ['a\nb', 'a\n2\nb', 'a\n1\n2\n3\nb', 'a\n1\n2\n3\nb'],
    ['a\nb', 'a\n1\nb', 'a\n2\nb', null],
    ['a\nb', 'a1\nb', 'a2\nb', null],
  ])(
    'takes what both put in once, when one of them holds the other: %j',
    (base, one, other, both) => {
      expect(merged(base, one, other)).toBe(both);
      expect(merged(base, other, one)).toBe(both);
    },
  );
  it('takes over what only one side changed, whichever it is', () => {
    fc.assert(
      fc.property(lines, lines, (base, other) => {
        const [before, after] = [base.join('\n'), other.join('\n')];
        expect(merged(before, before, after)).toBe(after);
        expect(merged(before, after, before)).toBe(after);
        expect(merged(before, after, after)).toBe(after);
      }),
    );
  });
  it('loses no line that a side added far from what the other changed', () => {
    fc.assert(
      fc.property(lines, fc.nat(7), (base, at) => {
        const before = ['start', ...base, 'middle', ...base, 'end'];
        const mine = [...before];
        mine.splice(1 + (at % base.length), 0, 'mine');
        const both = merged(before.join('\n'), mine.join('\n'), [...before, 'theirs'].join('\n'));
        if (both === null) return;
        expect(both.split('\n')).toContain('mine');
        expect(both.split('\n')).toContain('theirs');
      }),
    );
  });
});

describe('drafts in the browser', () => {
  beforeEach(() => vi.useRealTimers());
  it('of windows that are closed are found again, the last one first; of open ones they are left alone', async () => {
    const drafts = browserDrafts(async (name) => name === 'open');
    const draft = { file: 'f', base: '', revision: 1, content: 'x' };
    await drafts.keep({ ...draft, window: 'open' });
    expect(await drafts.left('f', 'me')).toBeNull();
    await drafts.keep({ ...draft, window: 'closed', content: 'older' });
    await new Promise((resolve) => setTimeout(resolve, 5));
    await drafts.keep({ ...draft, window: 'me', content: 'newer' });
    expect((await drafts.left('f', 'me'))?.content).toBe('newer');
    await drafts.forget('f', 'me');
    expect((await drafts.left('f', 'me'))?.content).toBe('older');
    expect(await drafts.left('other', 'me')).toBeNull();
  });
});

describe('a text that the server does not take', () => {
  const TOO_LONG = 'This file is too long to be kept here.';
  it('is kept, told in the words of the server, and not sent for ever', async () => {
    const sent = server(() => ({ status: 400, body: { message: TOO_LONG } }));
    const { saver, draft } = opened();
    saver.change(() => 'much');
    await vi.advanceTimersByTimeAsync(60_000);
    expect(sent).toHaveLength(1);
    expect([saver.status, saver.reason]).toEqual(['refused', TOO_LONG]);
    expect(draft()?.content).toBe('much');
    expect(await saver.flush()).toBe(false);
  });
  it('is sent again when it has changed', async () => {
    const sent = server((body) =>
      body.content === 'much' ? { status: 413, body: { message: TOO_LONG } } : saves(body),
    );
    const { saver, draft } = opened();
    saver.change(() => 'much');
    await vi.advanceTimersByTimeAsync(1000);
    saver.change(() => 'less');
    await vi.advanceTimersByTimeAsync(1000);
    expect(sent.map(({ content }) => content)).toEqual(['much', 'less']);
    expect([saver.status, saver.reason, draft()]).toEqual(['saved', null, undefined]);
  });
  it('because of trouble that passes is sent until it is taken', async () => {
    let full = true;
    const reason = 'There is no room left on the disk.';
    server((body) => (full ? { status: 503, body: { message: reason } } : saves(body)));
    const { saver, draft } = opened();
    saver.change(() => 'much');
    await vi.advanceTimersByTimeAsync(10_000);
    expect([saver.status, saver.reason, draft()?.content]).toEqual(['waiting', reason, 'much']);
    full = false;
    await vi.advanceTimersByTimeAsync(3000);
    expect([saver.status, saver.reason]).toEqual(['saved', null]);
  });
  it('is told even when the answer has no words', async () => {
    vi.stubGlobal('fetch', async () => new Response('<html>', { status: 404 }));
    const { saver } = opened();
    saver.change(() => 'much');
    await vi.advanceTimersByTimeAsync(1000);
    expect(saver.status).toBe('refused');
    expect(saver.reason).toMatch(/does not take/);
  });
});
