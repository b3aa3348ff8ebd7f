import { availableParallelism } from 'node:os';
import { Worker } from 'node:worker_threads';
import type { TypesetJob, TypesetResult } from './job';

/** A document took too long or too much memory; the words are for the student. */
export class TypesetTooMuch extends Error {}

export interface TypesetLimits {
  /** ms */
  readonly time: number;
  /** MB */
  readonly memory: number;
  /** Threads at work at once; more wait their turn. */
  readonly atOnce: number;
  /** How many may wait; each keeps what it is made of in memory. */
  readonly waiting: number;
}
export const STANDARD_LIMITS: TypesetLimits = {
  time: 20_000,
  memory: 512,
  // One processor is left to those who write.
  atOnce: Math.max(1, Math.min(4, availableParallelism() - 1)),
  waiting: 40,
};

/** Too many wait already. */
export class TypesetBusy extends TypesetTooMuch {
  constructor() {
    super('Many PDFs are being made at this moment. Ask for this one again in a while.');
  }
}

export interface Typesetter {
  typeset(job: TypesetJob): Promise<TypesetResult>;
}

/**
 * Runs the engine in a thread of its own for each job, within limits of time and
 * memory: a document can stop its own typesetting, never the server.
 *
 * @param thread path of the built thread program.
 * @param fonts folder of the font files.
 */
export function threadTypesetter(
  thread: string,
  fonts: string,
  limits: TypesetLimits = STANDARD_LIMITS,
): Typesetter {
  let running = 0;
  const waiting: (() => void)[] = [];
  const enter = async (): Promise<void> => {
    if (running >= limits.atOnce && waiting.length >= limits.waiting) throw new TypesetBusy();
    if (running >= limits.atOnce) await new Promise<void>((resolve) => waiting.push(resolve));
    running++;
  };
  const leave = (): void => {
    running--;
    waiting.shift()?.();
  };
  return {
    async typeset(job) {
      await enter();
      try {
        return await runThread(thread, fonts, job, limits);
      } finally {
        leave();
      }
    },
  };
}

function runThread(
  thread: string,
  fonts: string,
  job: TypesetJob,
  limits: TypesetLimits,
): Promise<TypesetResult> {
  return new Promise((resolve, reject) => {
    const worker = new Worker(thread, {
      workerData: { job, fonts },
      resourceLimits: { maxOldGenerationSizeMb: limits.memory },
    });
    const timer = setTimeout(() => {
      void worker.terminate();
      reject(
        new TypesetTooMuch(
          'This document takes too long to typeset. Look for a command that repeats for ever.',
        ),
      );
    }, limits.time);
    worker.once('message', (result: TypesetResult) => {
      clearTimeout(timer);
      // Bytes cross from a thread without their class.
      const [pdf, firstPage] = [Buffer.from(result.pdf), Buffer.from(result.firstPage)];
      resolve({ ...result, pdf, firstPage });
      void worker.terminate();
    });
    worker.once('error', (error: NodeJS.ErrnoException) => {
      clearTimeout(timer);
      const tooLarge = error.code === 'ERR_WORKER_OUT_OF_MEMORY';
      reject(
        tooLarge ? new TypesetTooMuch('This document needs too much memory to typeset.') : error,
      );
    });
  });
}
