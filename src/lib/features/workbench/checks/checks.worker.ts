import {
  answerMatrix,
  answerSystem,
  countSteps,
  graphAt,
  signsOf,
  stepsOf,
  tableAt,
  valueAt,
  tellStep,
  type ToldStep,
  type WrittenBlock,
} from '@odd-compass/checks';
import type { ReadingPart } from '@odd-compass/engine/worker';
import { turns } from '../painting/turns';
import type { Asked, ChecksAnswer, ChecksRequest, Question } from './messages';

/** Tests steps in a thread of its own, a few at a time, so that it hears when a run is to stop. */
const scope = self as unknown as {
  postMessage(answer: ChecksAnswer): void;
  onmessage: ((event: MessageEvent<ChecksRequest>) => void) | null;
};

/** Steps are told of after so long, in ms. */
const SLICE = 40;

const stopped = new Set<number>();
const turn = turns();

interface Reading {
  readonly blocks: readonly WrittenBlock[];
  readonly revision: number;
  /** What the writer supposes besides. */
  readonly beside: readonly WrittenBlock[];
}

/** What the engine read, as it was sent so far, by its numbers. */
const known = new Map<number, WrittenBlock['nodes']>();

/** What the engine read, once all of it has come through a port. */
const readingThrough = (port: MessagePort): Promise<Reading> =>
  new Promise((resolve) => {
    port.onmessage = ({ data }: MessageEvent<ReadingPart>) => {
      if (data.afresh) known.clear();
      for (const { id, nodes } of data.nodes) known.set(id, nodes);
      if (!data.whole) return;
      port.close();
      const { blocks, revision, beside } = data.whole;
      resolve({
        revision,
        beside: beside.length ? [{ start: 0, nodes: beside }] : [],
        blocks: blocks.map(([start, id]) => ({ start, nodes: known.get(id) ?? [] })),
      });
    };
  });

scope.onmessage = ({ data }) => {
  if (data.kind === 'stop') {
    stopped.add(data.run);
    return;
  }
  const { run } = data;
  void readingThrough(data.port).then((reading) => {
    if (data.kind === 'steps') void test(run, reading, data.wanted);
    else {
      const told = answer(reading.blocks, data.question);
      scope.postMessage({ kind: 'answer', run, answer: told });
    }
  });
};

function answer(blocks: readonly WrittenBlock[], question: Question): Asked[keyof Asked]['answer'] {
  switch (question.what) {
    case 'matrix':
      return answerMatrix(blocks, question.ask);
    case 'value':
      return valueAt(blocks, question.ask);
    case 'table':
      return tableAt(blocks, question.ask, question.ask);
    case 'graph':
      return graphAt(blocks, question.ask, question.ask);
    case 'system':
      return answerSystem(blocks, question.ask);
    case 'signs':
      return signsOf(blocks);
  }
}

async function test(
  run: number,
  { blocks, revision, beside }: Reading,
  wanted: Extract<ChecksRequest, { kind: 'steps' }>['wanted'],
): Promise<void> {
  const say = (answer: ChecksAnswer): void => scope.postMessage(answer);
  const supposed = countSteps(beside);
  say({ kind: 'total', run, total: countSteps(blocks, wanted), revision, supposed });
  let told: ToldStep[] = [];
  let end = performance.now() + SLICE;
  for (const step of stepsOf(blocks, wanted, beside)) {
    told.push(tellStep(step));
    if (performance.now() < end) continue;
    say({ kind: 'steps', run, steps: told });
    told = [];
    await turn();
    if (stopped.delete(run)) return;
    end = performance.now() + SLICE;
  }
  say({ kind: 'steps', run, steps: told });
  say({ kind: 'done', run });
}
