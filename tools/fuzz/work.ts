import { examples } from '../../packages/engine/src/testing/examples';
import { corpus, corpusFiles } from '../../packages/engine/src/testing/corpus';
import {
  differencesFromCold,
  fails,
  randomStep,
  sessionOf,
  shrunk,
  standingOf,
  take,
  type Failure,
  type Step,
  type Subject,
} from '../../packages/engine/src/testing/fuzz';
import { HARD_DOCUMENTS, soupOf } from '../../packages/engine/src/testing/hard';
import { numbers } from '../../packages/engine/src/testing/random';
import { ROOT } from '../../packages/engine/src/testing/root';
import { readdirSync, readFileSync } from 'node:fs';
import { filesIn } from '../folderFiles';

/** One piece of work for a process of its own. */
export type Task =
  | { readonly kind: 'edits'; readonly seed: number; readonly steps: number }
  | { readonly kind: 'hard'; readonly name: string }
  | { readonly kind: 'soup'; readonly seed: number };

/** What a process tells: what it begins, and how it ended. */
export type Told =
  | { readonly kind: 'begin'; readonly what: string }
  | { readonly kind: 'slow'; readonly what: string; readonly seconds: number }
  | { readonly kind: 'different'; readonly what: string; readonly parts: readonly string[] }
  | { readonly kind: 'threw'; readonly what: string; readonly error: string }
  | { readonly kind: 'small'; readonly failure: string }
  | {
      readonly kind: 'end';
      readonly steps: number;
      readonly compared: number;
      readonly memory: number;
    };

/** No step may work longer, in seconds; a document of a megabyte may take as much for each half of it. */
const LONGEST = 2;
const PER_LENGTH = LONGEST / 500_000;
/** After so many steps a session is compared with one from cold. */
const COMPARED_EACH = 5;
/** A failure is made small for so long at most, in milliseconds. */
const SHRINKING = 60_000;

const DEMO = `${ROOT}/tools/demo/`;
const demo = readdirSync(DEMO)
  .filter((name) => name.endsWith('.tex'))
  .map((name): Subject => ({
    name,
    text: readFileSync(DEMO + name, 'utf8'),
    files: filesIn(DEMO),
  }));
export const SUBJECTS: readonly Subject[] = [
  ...corpus.map((document): Subject => ({ ...document, files: corpusFiles })),
  ...demo,
];
const NAMES = examples.map(({ name }) => name);

/** Work and time, whichever is less: other programs, and the cleaning of memory, are not the step's own. */
const clock = (): { work: number; time: number } => ({
  work: process.cpuUsage().user / 1e6,
  time: performance.now() / 1e3,
});

/** Does a step, and tells when it was slow or threw. */
function timed(what: string, tell: (told: Told) => void, act: () => void, length = 0): boolean {
  tell({ kind: 'begin', what });
  const before = clock();
  try {
    act();
  } catch (error) {
    tell({ kind: 'threw', what, error: error instanceof Error ? (error.stack ?? '') : '' });
    return false;
  }
  const after = clock();
  const took = Math.min(after.work - before.work, after.time - before.time);
  if (took > Math.max(LONGEST, PER_LENGTH * length)) tell({ kind: 'slow', what, seconds: took });
  return true;
}

/** Does a failure hold, within the time for making it small? An exception is a failure. */
function checkUntil(end: number): (failure: Failure) => boolean {
  return (failure) => {
    if (Date.now() > end) return false;
    try {
      return fails(failure);
    } catch {
      return true;
    }
  };
}

function told(step: Step): unknown {
  if (step.kind === 'edit') return step.edit;
  return { file: step.name, bytes: step.bytes && Buffer.from(step.bytes).toString('base64') };
}

/** Random edits of a random document, compared with cold every so often. */
function edits(seed: number, count: number, tell: (told: Told) => void): number {
  const random = numbers(seed);
  const subject = SUBJECTS[Math.floor(random() * SUBJECTS.length)] as Subject;
  const standing = standingOf(subject);
  const start = { text: standing.text, files: new Map(standing.files) };
  const session = sessionOf(standing);
  const steps: Step[] = [];
  let compared = 0;
  for (let i = 1; i <= count; i++) {
    const step = randomStep(random, standing, SUBJECTS);
    steps.push(step);
    const what = `seed ${seed}, ${subject.name}, step ${i}`;
    let parts: string[] = [];
    const done = timed(what, tell, () => take(step, standing, session));
    if (done && i % COMPARED_EACH === 0) {
      compared++;
      timed(`${what}, compared`, tell, () => (parts = differencesFromCold(session, standing)));
    }
    if (done && parts.length === 0) continue;
    if (parts.length > 0) tell({ kind: 'different', what, parts });
    tell({ kind: 'begin', what: `${what}, made small` });
    const small = shrunk({ ...start, steps }, checkUntil(Date.now() + SHRINKING));
    const failure = {
      text: small.text,
      files: [...small.files.keys()],
      steps: small.steps.map(told),
    };
    tell({ kind: 'small', failure: JSON.stringify(failure) });
    break;
  }
  return compared;
}

/** Carries out a task, telling as it goes. */
export function work(task: Task, tell: (told: Told) => void): void {
  let compared = 0;
  const document = (what: string, text: string): void => {
    const act = (): void => void sessionOf({ text, files: new Map() }).findings();
    timed(what, tell, act, text.length);
  };
  if (task.kind === 'edits') compared = edits(task.seed, task.steps, tell);
  else if (task.kind === 'hard') document(task.name, HARD_DOCUMENTS[task.name] ?? '');
  else document(`soup ${task.seed}`, soupOf(numbers(task.seed), NAMES, 400));
  const memory = process.resourceUsage().maxRSS / 1024;
  const steps = task.kind === 'edits' ? task.steps : 1;
  tell({ kind: 'end', steps, compared, memory });
}
