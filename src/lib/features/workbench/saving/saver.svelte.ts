import type { SaveOutcome } from '$lib/domain/assignment';

/** How the source stands between here and the server. */
export type SaveStatus = 'saved' | 'saving' | 'waiting' | 'conflict';

/** Typing may pause this long before it is sent, ms. */
const PAUSE = 250;
/** What is typed is kept in the browser after this long at the latest, ms. */
const DRAFT_PAUSE = 120;
/** After a failure, tries again after this long. */
const RETRY = 2000;

const draftKey = (id: string): string => `odd-compass-draft-${id}`;

/** What was typed and not yet taken by the server, kept in this browser. */
export interface Draft {
  readonly revision: number;
  readonly content: string;
}

/** The draft that an earlier visit could not send, or null. */
export function keptDraft(id: string): Draft | null {
  try {
    const draft: unknown = JSON.parse(localStorage.getItem(draftKey(id)) ?? 'null');
    if (draft && typeof draft === 'object' && 'content' in draft && 'revision' in draft)
      return draft as Draft;
  } catch {
    // What cannot be read is no draft.
  }
  return null;
}

/** Saves what is typed, a moment after it is typed, one request at a time. */
export class Saver {
  status = $state<SaveStatus>('saved');
  /** What another window saved first. */
  theirs = $state<string | null>(null);
  private revision: number;
  /** What waits to be saved; put together when it is needed. */
  private waiting: (() => string) | null = null;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private draftTimer: ReturnType<typeof setTimeout> | null = null;
  private sending: Promise<void> | null = null;

  constructor(
    private readonly id: string,
    revision: number,
  ) {
    this.revision = revision;
  }

  /** The text is now what this gives. */
  change(content: () => string): void {
    this.waiting = content;
    this.draftTimer ??= setTimeout(() => this.keep(), DRAFT_PAUSE);
    if (this.status === 'conflict') return;
    this.status = 'saving';
    this.plan(PAUSE);
  }

  /** Sends at once what waits; true when all of it is saved. */
  async flush(): Promise<boolean> {
    if (this.timer) clearTimeout(this.timer);
    do await this.send();
    while (this.waiting !== null && this.status === 'saving');
    return this.status === 'saved';
  }

  /** Settles a conflict by what is here: it is saved over the other. */
  keepMine(): void {
    this.theirs = null;
    this.status = 'saving';
    void this.send();
  }

  /** Settles a conflict by what is there; gives it. */
  takeTheirs(): string {
    const text = this.theirs ?? '';
    this.theirs = null;
    this.forget();
    return text;
  }

  /** Keeps in this browser what the server has not taken yet. */
  keep(): void {
    if (this.draftTimer) clearTimeout(this.draftTimer);
    this.draftTimer = null;
    const content = this.waiting?.();
    if (content === undefined) return;
    try {
      localStorage.setItem(draftKey(this.id), JSON.stringify({ revision: this.revision, content }));
    } catch {
      // The browser's store is full: the server still has all but the last moments.
    }
  }

  private forget(): void {
    if (this.draftTimer) clearTimeout(this.draftTimer);
    this.draftTimer = null;
    this.waiting = null;
    this.status = 'saved';
    localStorage.removeItem(draftKey(this.id));
  }

  private plan(delay: number): void {
    if (this.timer) clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.send(), delay);
  }

  /** One request at a time: while one is on its way, that one is waited for. */
  private send(): Promise<void> {
    this.sending ??= this.request().finally(() => {
      this.sending = null;
    });
    return this.sending;
  }

  private async request(): Promise<void> {
    const asked = this.waiting;
    if (asked === null || this.status === 'conflict') return;
    const content = asked();
    try {
      const answer = await fetch(`/a/${this.id}/source`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ revision: this.revision, content }),
        keepalive: content.length < 30_000,
      });
      if (!answer.ok && answer.status !== 409) throw new Error(String(answer.status));
      this.settle((await answer.json()) as SaveOutcome, content, asked);
    } catch {
      this.status = 'waiting';
      this.keep();
      this.plan(RETRY);
    }
  }

  private settle(outcome: SaveOutcome, sent: string, asked: () => string): void {
    this.revision = outcome.revision;
    if (outcome.kind === 'conflict' && outcome.content !== sent) {
      this.theirs = outcome.content;
      this.status = 'conflict';
      return;
    }
    if (this.waiting !== asked) {
      this.keep();
      this.plan(0);
      return;
    }
    this.forget();
  }
}
