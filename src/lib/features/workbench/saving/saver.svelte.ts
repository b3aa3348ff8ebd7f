import type { SaveOutcome, SourceFile } from '$lib/domain/assignment';
import type { Draft, Drafts } from './drafts';
import { merged } from './merge';

/** How the source stands between here and the server. */
export type SaveStatus = 'saved' | 'saving' | 'waiting' | 'refused' | 'conflict';

/** Typing may pause this long before it is sent, ms. */
const PAUSE = 250;
/** What is typed is kept in the browser after this long at the latest, ms. */
const DRAFT_PAUSE = 120;
/** After a failure, tries again after this long. */
const RETRY = 2000;

/** What a saver needs of its surroundings. */
export interface SaverSurroundings {
  readonly drafts: Drafts;
  /** The name of this window. */
  readonly window: string;
  /** What another window wrote was merged in: the text is this now. */
  readonly onmerge: (text: string) => void;
  /** The server has a new revision. */
  readonly onsaved?: (revision: number) => void;
}

/** What a saved file is called among drafts, and between windows. */
export const fileKey = (assignment: string, path: string): string => `${assignment} ${path}`;

/** The sentence of an answer, if it has one. */
const said = (answer: Response): Promise<string | null> =>
  answer.json().then(
    ({ message }: { readonly message?: unknown }) => (typeof message === 'string' ? message : null),
    () => null,
  );

/** Said by a window when the server has taken its text. */
interface Saved {
  readonly file: string;
  readonly revision: number;
  readonly content: string;
}

/**
 * Saves what is typed, a moment after it is typed, one request at a time. What another
 * window saved is merged with what is here; only where both changed the same lines the
 * writer is asked.
 */
export class Saver {
  status = $state<SaveStatus>('saved');
  /** What another window saved, in the same lines. */
  theirs = $state<string | null>(null);
  /** Why the server did not take the text, in its words; null when it is only away. */
  reason = $state<string | null>(null);
  private revision: number;
  /** The text that the server has, as far as is known here. */
  private base: string;
  private readonly key: string;
  /** The next save writes over what was written elsewhere. */
  private over = false;
  /** What waits to be saved; put together when it is needed. */
  private waiting: (() => string) | null = null;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private draftTimer: ReturnType<typeof setTimeout> | null = null;
  private sending: Promise<void> | null = null;
  private readonly others: BroadcastChannel | null;

  constructor(
    private readonly assignment: string,
    private readonly file: SourceFile,
    private readonly around: SaverSurroundings,
  ) {
    this.revision = file.revision;
    this.base = file.content;
    this.key = fileKey(assignment, file.path);
    this.others = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(this.key);
    if (this.others) this.others.onmessage = ({ data }: MessageEvent<Saved>) => this.hear(data);
  }

  /** Goes on from what an earlier visit could not send; from now on it is this window's. */
  resume({ base, revision, content, window }: Draft): void {
    const { drafts, window: own } = this.around;
    this.base = base;
    this.revision = revision;
    this.change(() => content);
    const taken = this.keep();
    // Else it would be found again when it has long been saved, and written over.
    if (window !== own)
      void taken.then(() => drafts.forget(this.key, window)).catch(() => undefined);
  }

  /** The text is now what this gives. */
  change(content: () => string): void {
    this.waiting = content;
    this.draftTimer ??= setTimeout(() => void this.keep(), DRAFT_PAUSE);
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

  /** Settles a conflict by what is here: it is saved over the other, which stays among the earlier versions. */
  async keepMine(): Promise<boolean> {
    const { theirs } = this;
    this.theirs = null;
    this.status = 'saving';
    this.over = true;
    await this.send();
    // The server went away meanwhile: it is asked again later.
    if ((this.status as SaveStatus) === 'waiting')
      [this.status, this.theirs] = ['conflict', theirs];
    return this.status !== 'conflict';
  }

  /** Settles a conflict by what is there; gives it. What is here is saved before, so that it stays among the earlier versions. Null when the server is away. */
  async takeTheirs(): Promise<string | null> {
    const text = this.theirs ?? '';
    if (!(await this.keepMine())) return null;
    this.over = true;
    return text;
  }

  /** Keeps in this browser what the server has not taken yet. */
  async keep(): Promise<void> {
    if (this.draftTimer) clearTimeout(this.draftTimer);
    this.draftTimer = null;
    const content = this.waiting?.();
    if (content === undefined) return;
    const { key: file, base, revision, around } = this;
    // When the browser's store is full the server still has all but the last moments.
    await around.drafts
      .keep({ file, window: around.window, base, revision, content })
      .catch(() => undefined);
  }

  close(): void {
    this.others?.close();
  }

  private forget(): void {
    if (this.draftTimer) clearTimeout(this.draftTimer);
    this.draftTimer = null;
    this.waiting = null;
    this.status = 'saved';
    this.reason = null;
    this.around.drafts.forget(this.key, this.around.window).catch(() => undefined);
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
    if (content === this.base) return this.forget();
    const { revision, over } = this;
    try {
      const answer = await fetch(`/a/${this.assignment}/source`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({
          path: this.file.path,
          revision,
          content,
          ...(over ? { over } : {}),
        }),
        keepalive: content.length < 30_000,
      });
      if (!answer.ok && answer.status !== 409) return this.notTaken(answer, await said(answer));
      const outcome = (await answer.json()) as SaveOutcome;
      this.reason = null;
      this.settle(outcome, content, asked);
    } catch {
      this.wait(null);
    }
  }

  /** The server is away, or cannot write: what is here is kept, and sent again later. */
  private wait(reason: string | null): void {
    this.status = 'waiting';
    this.reason = reason;
    void this.keep();
    this.plan(RETRY);
  }

  /** A text that the server will never take as it is waits for the next change; other trouble passes. */
  private notTaken({ status }: Response, reason: string | null): void {
    if (status >= 500 || status === 408 || status === 429) return this.wait(reason);
    void this.keep();
    this.status = 'refused';
    this.reason = reason ?? 'The server does not take this text.';
  }

  private settle(outcome: SaveOutcome, sent: string, asked: () => string): void {
    const { revision } = outcome;
    if (outcome.kind === 'conflict' && outcome.content !== sent)
      return this.mergeWith({ file: this.key, revision, content: outcome.content });
    this.revision = revision;
    this.base = sent;
    this.over = false;
    this.around.onsaved?.(revision);
    if (outcome.kind === 'saved')
      this.others?.postMessage({ file: this.key, revision, content: sent } satisfies Saved);
    if (this.waiting !== asked) {
      void this.keep();
      this.plan(0);
      return;
    }
    this.forget();
  }

  /** Another window has saved. */
  private hear(saved: Saved): void {
    if (saved.revision > this.revision && this.status !== 'conflict' && !this.sending)
      this.mergeWith(saved);
  }

  /** What is here with what another window saved: together where they can be, else the writer is asked. */
  private mergeWith({ revision, content: theirs }: Saved): void {
    const mine = this.waiting?.() ?? this.base;
    const both = merged(this.base, mine, theirs);
    this.revision = revision;
    if (both === null) {
      this.theirs = theirs;
      this.status = 'conflict';
      return;
    }
    this.base = theirs;
    // The editor says of its new text that it changed, and so it is sent.
    if (both !== mine) this.around.onmerge(both);
    else this.plan(0);
  }
}
