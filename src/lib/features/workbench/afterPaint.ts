/** A page that is not looked at paints nothing: then the work is done after this long, ms. */
const UNSEEN = 120;

export interface AfterPaint {
  readonly ask: () => void;
  /** Does it at once, asked for or not. */
  readonly now: () => void;
  readonly asked: () => boolean;
}

/**
 * Work that waits until the next frame is on the screen, so that a key's echo never waits for
 * it. Asked for several times before that, it is done once.
 */
export function afterPaint(work: () => void): AfterPaint {
  let waiting = false;
  const channel = new MessageChannel();
  const run = (): void => {
    if (!waiting) return;
    waiting = false;
    work();
  };
  channel.port1.onmessage = run;
  return {
    asked: () => waiting,
    now() {
      waiting = false;
      work();
    },
    ask() {
      if (waiting) return;
      waiting = true;
      // A message posted within a frame is heard when that frame is done.
      requestAnimationFrame(() => channel.port2.postMessage(null));
      setTimeout(run, UNSEEN);
    },
  };
}
