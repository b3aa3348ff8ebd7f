import { Worker } from 'node:worker_threads';

/** One document may take so many seconds, and so many MB. */
const TIME = Number(process.env.ODD_COMPASS_PDF_SECONDS ?? 60);
const MEMORY = 1000;

/**
 * Runs a program of its own file in a thread that can be ended: one document may never hold up whoever waits for it.
 * Gives the thread's exit code, or 2 with a sentence to standard error.
 */
export function inBoundedThread(program: string): Promise<number> {
  return new Promise((resolve) => {
    const thread = new Worker(program, {
      argv: process.argv.slice(2),
      resourceLimits: { maxOldGenerationSizeMb: MEMORY },
    });
    const stop = (sentence: string): void => {
      clearTimeout(timer);
      process.stderr.write(`odd-compass: ${sentence}\n`);
      resolve(2);
      void thread.terminate();
    };
    const timer = setTimeout(
      () =>
        stop(
          `this document was not done in ${TIME} seconds. Look for a command that repeats for ever.`,
        ),
      TIME * 1000,
    );
    thread.once('error', (error: NodeJS.ErrnoException) => {
      if (error.code === 'ERR_WORKER_OUT_OF_MEMORY')
        stop(`this document needs more than ${MEMORY} MB to be typeset. Divide it.`);
      else stop(`this document cannot be typeset (${error.message})`);
    });
    thread.once('exit', (code) => {
      clearTimeout(timer);
      resolve(code);
    });
  });
}
