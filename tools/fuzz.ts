import { fork, type ChildProcess } from 'node:child_process';
import { availableParallelism } from 'node:os';
import { parseArgs } from 'node:util';
import { HARD_DOCUMENTS } from '../packages/engine/src/testing/hard';
import { work, type Task, type Told } from './fuzz/work';

const USAGE = `npm run fuzz -- [--edits 20000] [--seed 1] [--soups 300] [--jobs 2] [--only "seed 7"]
Random edits of the corpus and the demo, each document compared with one typeset from cold, and
documents made to be hard. Exit status 1 when something differs, throws, hangs or takes too much.`;

/** Edits of one document in a row. */
const RUN = 25;
/** A process that says nothing for so long hangs, in milliseconds; making small takes longer. */
const SILENCE = 20_000;
const SHRINKING = 120_000;
/** No process may hold more, in MB. */
const MEMORY = 600;

if (process.send) {
  process.on('message', (task: Task) => {
    work(task, (told) => process.send?.(told));
  });
} else {
  await master();
}

interface Account {
  steps: number;
  compared: number;
  memory: number;
  readonly faults: string[];
}

function tasksOf(values: { edits: string; seed: string; soups: string; only?: string }): Task[] {
  const seed = Number(values.seed);
  const one = /^(seed|soup) (\d+)$/.exec(values.only ?? '');
  if (one?.[1] === 'seed') return [{ kind: 'edits', seed: Number(one[2]), steps: RUN }];
  if (one) return [{ kind: 'soup', seed: Number(one[2]) }];
  if (values.only) return [{ kind: 'hard', name: values.only }];
  const runs = Math.ceil(Number(values.edits) / RUN);
  return [
    ...Object.keys(HARD_DOCUMENTS).map((name): Task => ({ kind: 'hard', name })),
    ...Array.from({ length: Number(values.soups) }, (_, i): Task => ({
      kind: 'soup',
      seed: seed * 100_000 + i,
    })),
    ...Array.from({ length: runs }, (_, i): Task => ({
      kind: 'edits',
      seed: seed * 100_000 + i,
      steps: RUN,
    })),
  ];
}

/** Hands out tasks to processes, and ends those that hang. */
async function master(): Promise<void> {
  const { values } = parseArgs({
    options: {
      edits: { type: 'string', default: '20000' },
      seed: { type: 'string', default: '1' },
      soups: { type: 'string', default: '300' },
      jobs: { type: 'string', default: String(availableParallelism()) },
      only: { type: 'string' },
      help: { type: 'boolean', default: false },
    },
  });
  if (values.help) return void process.stdout.write(`${USAGE}\n`);
  const tasks = tasksOf(values);
  const account: Account = { steps: 0, compared: 0, memory: 0, faults: [] };
  const started = Date.now();
  const clock = setInterval(() => {
    const minutes = ((Date.now() - started) / 60_000).toFixed(1);
    process.stderr.write(`${minutes} min: ${account.steps} steps, ${tasks.length} tasks left\n`);
  }, 60_000);
  await Promise.all(Array.from({ length: Number(values.jobs) }, () => worker(tasks, account)));
  clearInterval(clock);
  const minutes = ((Date.now() - started) / 60_000).toFixed(1);
  process.stdout.write(
    `${account.steps} steps, ${account.compared} compared with cold, ${minutes} min, ` +
      `most memory ${Math.round(account.memory)} MB: ` +
      `${account.faults.length === 0 ? 'no fault' : `${account.faults.length} faults`}\n`,
  );
  process.exitCode = account.faults.length === 0 ? 0 : 1;
}

function tellFault(account: Account, fault: string): void {
  account.faults.push(fault);
  process.stdout.write(`${fault}\n`);
}

/** Works through tasks in one process after another; a hard document has one of its own. */
async function worker(tasks: Task[], account: Account): Promise<void> {
  let child: ChildProcess | null = null;
  for (let task = tasks.shift(); task; task = tasks.shift()) {
    child ??= fork(process.argv[1] as string, [], {
      execArgv: ['--max-old-space-size=560', '--stack-size=900'],
      stdio: ['ignore', 'inherit', 'ignore', 'ipc'],
    });
    const well = await carriedOut(task, child, account);
    if (well && task.kind !== 'hard') continue;
    child.kill('SIGKILL');
    child = null;
  }
  child?.kill('SIGKILL');
}

/** Gives a task to a process and hears it out; false when the process is of no more use. */
function carriedOut(task: Task, child: ChildProcess, account: Account): Promise<boolean> {
  return new Promise((resolve) => {
    let at = JSON.stringify(task);
    let patience: NodeJS.Timeout;
    const end = (well: boolean): void => {
      clearTimeout(patience);
      child.off('message', hear);
      child.off('exit', died);
      resolve(well);
    };
    const wait = (time: number): void => {
      clearTimeout(patience);
      patience = setTimeout(() => {
        tellFault(account, `hangs: ${at}`);
        end(false);
      }, time);
    };
    const died = (): void => {
      tellFault(account, `ends its process (memory): ${at}`);
      end(false);
    };
    const hear = (told: Told): void => {
      if (told.kind === 'begin') {
        at = told.what;
        wait(at.endsWith('made small') ? SHRINKING : SILENCE);
      } else if (told.kind === 'slow')
        tellFault(account, `slow, ${told.seconds.toFixed(1)} s: ${told.what}`);
      else if (told.kind === 'different')
        tellFault(account, `different (${told.parts.join(', ')}): ${told.what}`);
      else if (told.kind === 'threw') tellFault(account, `throws: ${told.what}\n${told.error}`);
      else if (told.kind === 'small') process.stdout.write(`  made small: ${told.failure}\n`);
      else {
        account.steps += told.steps;
        account.compared += told.compared;
        account.memory = Math.max(account.memory, told.memory);
        if (told.memory > MEMORY)
          tellFault(account, `holds ${Math.round(told.memory)} MB: ${JSON.stringify(task)}`);
        // A process that holds much is begun anew, so that the next fault is the next task's own.
        end(told.memory < MEMORY * 0.8);
      }
    };
    child.on('message', hear);
    child.on('exit', died);
    wait(SILENCE);
    child.send(task);
  });
}
