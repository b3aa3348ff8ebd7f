import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** What was typed and not yet taken by the server, kept in this browser. */
export interface Draft {
  /** The assignment and the path of the file. */
  readonly file: string;
  /** The window it was typed in. */
  readonly window: string;
  /** What it was typed into, as the server has it, and its revision there. */
  readonly base: string;
  readonly revision: number;
  readonly content: string;
  /** ms since 1970. */
  readonly at: number;
}

interface DraftStore extends DBSchema {
  drafts: { key: [string, string]; value: Draft; indexes: { file: string } };
}

/** Drafts in the browser's database; those of several windows beside each other. */
export interface Drafts {
  keep(draft: Omit<Draft, 'at'>): Promise<void>;
  forget(file: string, window: string): Promise<void>;
  /** The last draft of a file that no other open window is still writing, or null. */
  left(file: string, window: string): Promise<Draft | null>;
}

const open = (): Promise<IDBPDatabase<DraftStore>> =>
  openDB<DraftStore>('odd-compass', 1, {
    upgrade(db) {
      const store = db.createObjectStore('drafts', { keyPath: ['file', 'window'] });
      store.createIndex('file', 'file');
    },
  });

/** @param isOpen is a window of this name still there? */
export function browserDrafts(isOpen: (window: string) => Promise<boolean>): Drafts {
  const db = open();
  // A browser that keeps nothing still writes to the server.
  db.catch(() => undefined);
  return {
    async keep(draft) {
      await (await db).put('drafts', { ...draft, at: Date.now() });
    },
    async forget(file, window) {
      await (await db).delete('drafts', [file, window]);
    },
    async left(file, window) {
      const all = await (await db).getAllFromIndex('drafts', 'file', file);
      const mine: Draft[] = [];
      for (const draft of all)
        if (draft.window === window || !(await isOpen(draft.window))) mine.push(draft);
      mine.sort((a, b) => b.at - a.at);
      return mine[0] ?? null;
    },
  };
}

const WINDOW_KEY = 'odd-compass-window';

/** The name of this window: the same after a reload, another in another window. It is held as long as the window is open. */
export async function windowName(): Promise<string> {
  const known = sessionStorage.getItem(WINDOW_KEY);
  // A window that was doubled brings its name along: then the other one holds it.
  if (known !== null && (await hold(known))) return known;
  const fresh = `w${Math.random().toString(36).slice(2)}`;
  sessionStorage.setItem(WINDOW_KEY, fresh);
  await hold(fresh);
  return fresh;
}

/** Holds a name until the window is closed; false when another window does. */
const hold = (name: string): Promise<boolean> =>
  new Promise((resolve) => {
    void navigator.locks.request(name, { ifAvailable: true }, (lock) => {
      resolve(lock !== null);
      return lock === null ? undefined : new Promise<void>(() => undefined);
    });
  });

/** Is a window of this name open? */
export async function isWindowOpen(name: string): Promise<boolean> {
  const { held = [] } = await navigator.locks.query();
  return held.some((lock) => lock.name === name);
}
