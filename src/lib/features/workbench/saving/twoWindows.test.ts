import fc from 'fast-check';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { Draft, Drafts } from './drafts';
import { fileKey, Saver } from './saver.svelte';

/** A server with one file, that may be away, or lose its answers. */
class Server {
  revision = 1;
  content: string;
  away = false;
  mute = false;
  constructor(content: string) {
    this.content = content;
  }
  async take(body: { revision: number; content: string; over?: boolean }): Promise<Response> {
    if (this.away) throw new Error('away');
    const isNewest = body.over === true || body.revision === this.revision;
    if (isNewest) {
      this.content = body.content;
      this.revision++;
    }
    if (this.mute) throw new Error('the answer did not come');
    const { revision, content } = this;
    return isNewest
      ? Response.json({ kind: 'saved', revision })
      : Response.json({ kind: 'conflict', revision, content }, { status: 409 });
  }
}

/** What the browser keeps, for all its windows; which of them are open. */
class Browser implements Drafts {
  readonly kept = new Map<string, Draft>();
  readonly open = new Set<string>();
  private clock = 0;
  keep = async (draft: Omit<Draft, 'at'>): Promise<void> =>
    void this.kept.set(draft.window, { ...draft, at: ++this.clock });
  forget = async (_file: string, window: string): Promise<void> => void this.kept.delete(window);
  left = async (_file: string, window: string): Promise<Draft | null> =>
    [...this.kept.values()]
      .filter((draft) => draft.window === window || !this.open.has(draft.window))
      .sort((a, b) => b.at - a.at)[0] ?? null;
}

/** A window that writes lines of its own into the file. */
class Window {
  text: string;
  readonly saver: Saver;
  constructor(
    readonly name: string,
    browser: Browser,
    server: Server,
    draft: Draft | null,
  ) {
    browser.open.add(name);
    const file = { path: 'sheet.tex', revision: server.revision, content: server.content };
    const unsent = draft !== null && draft.content !== file.content;
    this.text = unsent ? draft.content : file.content;
    const merged = (text: string): void => {
      this.text = text;
      this.saver.change(() => text);
    };
    this.saver = new Saver('a', file, { drafts: browser, window: name, onmerge: merged });
    if (unsent) this.saver.resume(draft);
    else if (draft) void browser.forget(draft.file, draft.window);
  }
  /** It is gone: nothing of it goes on. */
  async end(browser: Browser): Promise<void> {
    await vi.advanceTimersByTimeAsync(1);
    const { timer, draftTimer } = this.saver as unknown as Record<string, NodeJS.Timeout>;
    clearTimeout(timer);
    clearTimeout(draftTimer);
    browser.open.delete(this.name);
  }
  write(mark: string, line: string): void {
    this.text = this.text.replace(`${mark}\n`, `${mark}\n${line}\n`);
    const now = this.text;
    this.saver.change(() => now);
  }
}

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal('BroadcastChannel', undefined);
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const BASE = `one:\n${'between\n'.repeat(12)}two:\n${'after\n'.repeat(3)}`;
const pass = (time: number): Promise<unknown> => vi.advanceTimersByTimeAsync(time);

const event = fc.oneof(
  { weight: 12, arbitrary: fc.record({ what: fc.constant('write'), who: fc.nat(1) }) },
  { weight: 4, arbitrary: fc.record({ what: fc.constant('wait'), who: fc.nat(3000) }) },
  { weight: 2, arbitrary: fc.record({ what: fc.constantFrom('away', 'back'), who: fc.nat(1) }) },
  { weight: 2, arbitrary: fc.record({ what: fc.constantFrom('mute', 'heard'), who: fc.nat(1) }) },
  { weight: 2, arbitrary: fc.record({ what: fc.constantFrom('close', 'kill'), who: fc.nat(1) }) },
);

it('two windows on one sheet, offline and back, closed and killed: every line is there once, in both', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(event, { minLength: 30, maxLength: 120 }), async (events) => {
      const server = new Server(BASE);
      vi.stubGlobal('fetch', (_url: string, init: { body: string }) =>
        server.take(JSON.parse(init.body) as Parameters<Server['take']>[0]),
      );
      const browser = new Browser();
      const marks = ['one:', 'two:'] as const;
      let names = 0;
      const opened = async (): Promise<Window> => {
        const name = `w${++names}`;
        return new Window(
          name,
          browser,
          server,
          await browser.left(fileKey('a', 'sheet.tex'), name),
        );
      };
      const windows = [await opened(), await opened()];
      const lines: string[] = [];
      for (const { what, who } of events) {
        const i = who % 2;
        const window = windows[i] as Window;
        if (what === 'write') {
          const line = `line ${lines.length}.`;
          lines.push(line);
          window.write(marks[i] as string, line);
        } else if (what === 'wait') await pass(who);
        else if (what === 'away' || what === 'back') server.away = what === 'away';
        else if (what === 'mute' || what === 'heard') server.mute = what === 'mute';
        else {
          // A window that is closed keeps what it has; one that is killed had kept it a moment ago.
          if (what === 'close') void window.saver.keep();
          else await pass(130);
          await window.end(browser);
          // A page is loaded from a server that is there.
          [server.away, server.mute] = [false, false];
          await pass(1);
          windows[i] = await opened();
        }
      }
      [server.away, server.mute] = [false, false];
      // Unsent texts of windows that are gone come back when the sheet is opened.
      for (let n = 0; n < 8; n++) {
        await pass(20_000);
        const [window] = windows as [Window];
        await window.end(browser);
        windows[0] = await opened();
      }
      await pass(60_000);
      for (const { saver } of windows) expect(saver.status).toBe('saved');
      const found = server.content.split('\n');
      for (const line of lines)
        expect([line, found.filter((one) => one === line).length]).toEqual([line, 1]);
      expect(browser.kept.size).toBe(0);
    }),
    { numRuns: Number(process.env.LAW_RUNS ?? 40) },
  );
});
