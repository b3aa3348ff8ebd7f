/** The worker is called busy when an answer takes so long, ms. */
export const BUSY_AFTER = 500;
/** One that hears nothing for so long hangs, ms. */
export const LOST_AFTER = 5000;
/** The same before it has ever spoken: its program is on its way. */
const COMING = 60_000;

/** What is done when a worker is slow to answer, and when it does not hear any more. */
export interface Attending {
  readonly ping: () => void;
  readonly busy: (is: boolean) => void;
  readonly lost: () => void;
}

/**
 * Looks whether a worker answers. It is pinged while an answer is awaited: one that works in
 * steps hears that between them, one that hangs does not.
 */
export class Attention {
  private awaiting = false;
  private spoken = false;
  private pinged: number | null = null;
  private since = 0;
  private timer: ReturnType<typeof setInterval> | null = null;

  constructor(
    private readonly act: Attending,
    private readonly now: () => number = () => performance.now(),
  ) {}

  /** Something was asked that takes work. */
  asked(): void {
    if (this.awaiting) return;
    this.awaiting = true;
    this.since = this.now();
    this.timer ??= setInterval(() => this.look(), BUSY_AFTER / 2);
  }

  /** It said something, whatever it was. */
  heard(): void {
    this.spoken = true;
    this.pinged = null;
  }

  /** Part of the answer is there: what is missing is waited for anew. */
  progressed(): void {
    this.since = this.now();
    this.act.busy(false);
  }

  /** The answer is there. */
  answered(): void {
    this.awaiting = false;
    this.pinged = null;
    this.act.busy(false);
    this.stop();
  }

  stop(): void {
    if (this.timer !== null) clearInterval(this.timer);
    this.timer = null;
  }

  private look(): void {
    const now = this.now();
    if (now - this.since >= BUSY_AFTER) this.act.busy(true);
    if (this.pinged === null) {
      this.pinged = now;
      this.act.ping();
      return;
    }
    if (now - this.pinged < (this.spoken ? LOST_AFTER : COMING)) return;
    this.stop();
    this.awaiting = this.spoken = false;
    this.pinged = null;
    this.act.lost();
  }
}
