import { toldStep as told } from '$lib/testing/toldStep';
import { expect, it, vi } from 'vitest';
import type { EngineClient } from '../engine/engineClient.svelte';
import { ChecksClient } from './checksClient.svelte';
import type { ChecksAnswer, ChecksRequest } from './messages';

/** A client with a worker that only writes down what it is asked; the file begins at 100 in the engine's text. */
function client() {
  vi.stubGlobal(
    'MessageChannel',
    class {
      port1 = {};
      port2 = {};
    },
  );
  const asked: ChecksRequest[] = [];
  const worker = {
    onmessage: null as ((event: { data: ChecksAnswer }) => void) | null,
    postMessage: (request: ChecksRequest) => void asked.push(request),
    terminate: vi.fn(),
  };
  const engine = {
    sendReading: vi.fn(),
    enginePlace: (at: number) => at + 100,
    ownPlace: (at: number) => (at < 100 ? null : at - 100),
  } as unknown as EngineClient;
  const checks = new ChecksClient(engine, () => worker as unknown as Worker);
  return {
    checks,
    asked,
    engine,
    worker,
    say: (answer: ChecksAnswer) => worker.onmessage?.({ data: answer }),
  };
}

it('tests the whole sheet: what is found comes as it is found, with places of the file', () => {
  const { checks, asked, engine, say } = client();
  checks.testAll();
  expect(asked).toMatchObject([{ kind: 'steps', run: 1, wanted: {} }]);
  expect(engine.sendReading).toHaveBeenCalledOnce();
  say({ kind: 'total', run: 1, total: 3, revision: 7, supposed: 0 });
  expect([checks.progress, checks.revision]).toEqual([{ done: 0, total: 3 }, 7]);
  // One of another file, one that only defines.
  say({ kind: 'steps', run: 1, steps: [told(110), told(50), told(120, { untested: true })] });
  expect(checks.steps?.map(({ from, left }) => [from, left.from])).toEqual([[10, 8]]);
  expect(checks.progress).toEqual({ done: 3, total: 3 });
  say({ kind: 'done', run: 1 });
  expect(checks.progress).toBe(null);
});

it('stops: what comes late from a stopped run is not heard', () => {
  const { checks, asked, say } = client();
  checks.testAll();
  say({ kind: 'steps', run: 1, steps: [told(110)] });
  checks.stop();
  expect(asked.at(-1)).toEqual({ kind: 'stop', run: 1 });
  say({ kind: 'steps', run: 1, steps: [told(112)] });
  expect(checks.steps?.length).toBe(1);
});

it('tests a stretch, and finds wrong arithmetic by itself', async () => {
  const { checks, asked, say } = client();
  const stretch = checks.testStretch(5, 9);
  expect(asked[0]).toMatchObject({ wanted: { within: { from: 105, to: 109 } } });
  say({ kind: 'steps', run: 1, steps: [told(106)] });
  say({ kind: 'done', run: 1 });
  expect((await stretch).map(({ from }) => from)).toEqual([6]);

  const numbers = checks.testNumbers();
  const wrong = { result: 'differs', numbersOnly: true } as const;
  say({ kind: 'steps', run: 2, steps: [told(110, wrong), told(114, { numbersOnly: true })] });
  say({ kind: 'done', run: 2 });
  await numbers;
  expect(checks.wrongNumbers.map(({ from }) => from)).toEqual([10]);
});

it('hands on what is supposed besides, and hears whether it was read', () => {
  const { checks, engine, say } = client();
  checks.supposed = ' x^2 = 2 ';
  checks.testAll();
  expect(engine.sendReading).toHaveBeenLastCalledWith({}, 'x^2 = 2');
  say({ kind: 'total', run: 1, total: 3, revision: 7, supposed: 1 });
  expect(checks.supposedRead).toBe(1);
});

it('asks for a graph of a place of the file', () => {
  const { checks, asked } = client();
  void checks.graph(4, 9, { first: -1, last: 1 });
  const ask = { from: 104, to: 109, first: -1, last: 1 };
  expect(asked[0]).toMatchObject({ question: { what: 'graph', ask } });
});

it('asks of a matrix, and gives its edits places of the file', async () => {
  const { checks, asked, say } = client();
  const answer = checks.matrix({
    task: 'rank',
    from: 4,
    environment: 'pmatrix',
    columns: '',
    exponent: 2,
  });
  expect(asked[0]).toMatchObject({ kind: 'ask', question: { what: 'matrix', ask: { from: 104 } } });
  say({
    kind: 'answer',
    run: 1,
    answer: { shown: '2', edits: [{ from: 108, to: 108, insert: ' = 2' }], assumed: [] },
  });
  expect(await answer).toEqual({
    shown: '2',
    edits: [{ from: 8, to: 8, insert: ' = 2' }],
    assumed: [],
  });
});

it('waits with a question until the engine has read what was typed', async () => {
  const { checks, asked, engine } = client();
  Object.assign(engine, { revision: 2, accountRevision: 1 });
  void checks.value(1, 2);
  await Promise.resolve();
  expect(asked).toEqual([]);
  Object.assign(engine, { accountRevision: 2 });
  await vi.waitFor(() =>
    expect(asked).toMatchObject([{ kind: 'ask', question: { what: 'value' } }]),
  );
});
