import type { Request, Response } from '@odd-compass/engine/worker';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { LOST_AFTER } from './attention';
import { EngineClient } from './engineClient.svelte';

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal('location', { origin: 'http://here' });
  vi.stubGlobal('requestAnimationFrame', (act: () => void) => setTimeout(act, 1));
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const TEXT = 'Before.\n\nEbb and flood.\n\nAfter.\n';

/** A worker that says what the test makes it say, and hears pings or not. */
class Scripted {
  onmessage: ((event: MessageEvent<Response>) => void) | null = null;
  readonly said: Request[] = [];
  hears = true;
  ended = false;
  postMessage(request: Request): void {
    this.said.push(request);
    if (request.kind === 'ping' && this.hears) this.answer({ kind: 'pong' });
  }
  terminate(): void {
    this.ended = true;
  }
  answer(response: Response): void {
    if (!this.ended) this.onmessage?.({ data: response } as MessageEvent<Response>);
  }
  account(revision: number): void {
    this.answer({ kind: 'pages', revision, pages: [], views: [] });
    this.answer({
      kind: 'account',
      revision,
      findings: [],
      outline: [],
      blockStarts: [],
      blockPages: [],
      labels: [],
      formulas: new Int32Array(),
    });
  }
  get opened(): Extract<Request, { kind: 'open' }> {
    return this.said.find(({ kind }) => kind === 'open') as Extract<Request, { kind: 'open' }>;
  }
}

function opened() {
  const workers: Scripted[] = [];
  const client = new EngineClient({ path: 'sheet.tex', text: TEXT, part: null }, [], () => {
    const worker = new Scripted();
    workers.push(worker);
    return worker as unknown as Worker;
  });
  client.view([{ first: 0, last: 1 }]);
  const worker = (i: number): Scripted => workers[i] as Scripted;
  return { client, workers, worker };
}
const pass = (time: number): Promise<unknown> => vi.advanceTimersByTimeAsync(time);
const LONG = LOST_AFTER + 1000;

describe('a worker that does not hear any more', () => {
  it('is followed by another, without the paragraph that was written in; a finding says so', async () => {
    const { client, workers, worker } = opened();
    worker(0).account(1);
    worker(0).hears = false;
    client.edit([{ from: 13, to: 13, text: '!' }], () => '');
    await pass(600);
    expect(client.busy).toBe(true);
    await pass(LONG);
    expect(workers).toHaveLength(2);
    expect(worker(0).ended).toBe(true);
    expect(worker(1).opened.text).toBe(`Before.\n\n${' '.repeat(15)}\n\nAfter.\n`);
    expect(worker(1).opened.watched).toBe(true);
    expect(worker(1).said.map(({ kind }) => kind)).toContain('view');
    worker(1).account(2);
    await pass(200);
    expect(client.busy).toBe(false);
    expect(client.generation).toBe(1);
    expect(client.findings.map(({ kind, from, to }) => [kind, from, to])).toEqual([
      ['paragraph-set-aside', 9, 24],
    ]);
    client.close();
  });
  it('gets it back when it is changed', async () => {
    const { client, worker } = opened();
    worker(0).account(1);
    worker(0).hears = false;
    client.edit([{ from: 13, to: 13, text: '!' }], () => '');
    await pass(LONG);
    worker(1).account(2);
    await pass(200);
    client.edit([{ from: 13, to: 14, text: '' }], () => '');
    expect(worker(1).said.at(-1)).toMatchObject({
      kind: 'edit',
      edits: [
        { from: 9, to: 24, text: 'Ebb !and flood.' },
        { from: 13, to: 14, text: '' },
      ],
    });
    worker(1).account(3);
    await pass(200);
    expect(client.findings).toEqual([]);
    client.close();
  });
  it('and was never written to: the next one shows at which block it is', async () => {
    const { client, workers, worker } = opened();
    worker(0).answer({ kind: 'vocabulary', words: [] });
    worker(0).hears = false;
    await pass(LONG);
    expect(worker(1).opened.text).toBe(TEXT);
    worker(1).answer({ kind: 'at', start: TEXT.indexOf('Ebb') });
    worker(1).hears = false;
    await pass(LONG);
    expect(workers).toHaveLength(3);
    expect(worker(2).opened.text).not.toContain('Ebb');
    expect(worker(2).opened.text).toContain('Before.');
    expect(worker(2).opened.text).toContain('After.');
    client.close();
  });
  it('has its questions asked of the next', async () => {
    const { client, worker } = opened();
    worker(0).answer({ kind: 'vocabulary', words: [] });
    worker(0).hears = false;
    const page = client.pageOf('ebb');
    await pass(LONG);
    const asked = worker(1).said.find(({ kind }) => kind === 'place');
    worker(1).answer({ kind: 'place', id: asked?.kind === 'place' ? asked.id : 0, page: 7 });
    expect(await page).toBe(7);
    client.close();
  });
  it('is given up after some, and it is said', async () => {
    const { client, workers } = opened();
    for (let i = 0; i < 9; i++) {
      workers.at(-1)?.answer({ kind: 'vocabulary', words: [] });
      if (workers.at(-1)) (workers.at(-1) as Scripted).hears = false;
      await pass(LONG);
    }
    expect(client.failed).toBe(true);
    expect(workers.length).toBeLessThan(9);
    client.close();
  });
});
