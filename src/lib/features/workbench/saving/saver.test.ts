import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { keptDraft, Saver } from './saver.svelte';

/** A server that answers as told, and what it was sent. */
function server(
  answer: (body: {
    revision: number;
    content: string;
  }) => { status: number; body: unknown } | Error,
) {
  const sent: { revision: number; content: string }[] = [];
  vi.stubGlobal('fetch', async (_url: string, init: { body: string }) => {
    const body = JSON.parse(init.body) as { revision: number; content: string };
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

beforeEach(() => {
  const kept = new Map<string, string>();
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  });
  vi.useFakeTimers();
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('saving as typed', () => {
  it('waits for a pause, sends the last text, and forgets the draft', async () => {
    const sent = server(saves);
    const saver = new Saver('a', 1);
    saver.change(() => 'one');
    saver.change(() => 'two');
    await vi.advanceTimersByTimeAsync(130);
    expect([saver.status, keptDraft('a')?.content]).toEqual(['saving', 'two']);
    await vi.advanceTimersByTimeAsync(300);
    expect(sent).toEqual([{ revision: 1, content: 'two' }]);
    expect([saver.status, keptDraft('a')]).toEqual(['saved', null]);
  });
  it('flushes what waits, and what is typed meanwhile, one request after another', async () => {
    const saver = new Saver('a', 1);
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
    const saver = new Saver('a', 1);
    saver.change(() => 'kept');
    expect(await saver.flush()).toBe(false);
    expect([saver.status, keptDraft('a')]).toEqual(['waiting', { revision: 1, content: 'kept' }]);
    away = false;
    await vi.advanceTimersByTimeAsync(2500);
    expect(saver.status).toBe('saved');
  });
});

describe('another window saved first', () => {
  const conflict = { status: 409, body: { kind: 'conflict', revision: 5, content: 'theirs' } };
  it('asks, and can keep what is here', async () => {
    let first = true;
    const sent = server((body) => (first ? ((first = false), conflict) : saves(body)));
    const saver = new Saver('a', 1);
    saver.change(() => 'mine');
    await saver.flush();
    expect([saver.status, saver.theirs]).toEqual(['conflict', 'theirs']);
    saver.change(() => 'mine and more');
    await vi.advanceTimersByTimeAsync(1000);
    expect(sent.length).toBe(1);
    saver.keepMine();
    await vi.advanceTimersByTimeAsync(10);
    expect(sent.at(-1)).toEqual({ revision: 5, content: 'mine and more' });
    expect(saver.status).toBe('saved');
  });
  it('can take what is there', async () => {
    server(() => conflict);
    const saver = new Saver('a', 1);
    saver.change(() => 'mine');
    await saver.flush();
    expect(saver.takeTheirs()).toBe('theirs');
    expect([saver.status, keptDraft('a')]).toEqual(['saved', null]);
  });
  it('does not ask when both saved the same', async () => {
    server(() => ({ status: 409, body: { kind: 'conflict', revision: 5, content: 'same' } }));
    const saver = new Saver('a', 1);
    saver.change(() => 'same');
    await saver.flush();
    expect(saver.status).toBe('saved');
  });
});

it('a draft that cannot be read is none', () => {
  localStorage.setItem('odd-compass-draft-a', '{');
  expect(keptDraft('a')).toBeNull();
});
