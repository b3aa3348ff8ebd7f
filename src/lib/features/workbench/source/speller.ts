import { keep, kept } from '$lib/ui/kept';
import britishAff from '@dictionaries/dictionary-en-gb/index.aff?url';
import britishDic from '@dictionaries/dictionary-en-gb/index.dic?url';
import americanAff from '@dictionaries/dictionary-en/index.aff?url';
import americanDic from '@dictionaries/dictionary-en/index.dic?url';
import type { SpellingAnswer, SpellingRequest } from './spelling.worker';
import SpellingWorker from './spelling.worker?worker';
import type { SpellingLanguage } from './taste';

const KEY = 'odd-compass:own-words';

/** Looks words up, each once; the student's own words count as right. */
export interface Speller {
  /** Words known to be wrong among these; those not looked up yet are, and `ontold` is called. */
  readonly wrong: (words: readonly string[]) => ReadonlySet<string>;
  readonly suggest: (word: string) => Promise<readonly string[]>;
  /** Puts a word into the student's own dictionary. */
  readonly add: (word: string) => void;
  /** The student's own words were changed elsewhere. */
  readonly reread: () => void;
  readonly close: () => void;
}

/** The words the student has added, kept in this browser. */
export function ownWords(): string[] {
  const found = kept(KEY);
  return Array.isArray(found) ? found.filter((w): w is string => typeof w === 'string') : [];
}

export const setOwnWords = (words: readonly string[]): void =>
  keep(
    KEY,
    [...new Set(words)].sort((a, b) => a.localeCompare(b)),
  );

const FILES = {
  american: { aff: americanAff, dic: americanDic },
  british: { aff: britishAff, dic: britishDic },
} as const;

/** Opens the dictionary of a language in a thread of its own. */
export function openSpeller(
  language: Exclude<SpellingLanguage, 'none'>,
  ontold: () => void,
): Speller {
  const worker = new SpellingWorker();
  const say = (request: SpellingRequest): void => worker.postMessage(request);
  const { aff, dic } = FILES[language];
  say({ kind: 'open', aff: absolute(aff), dic: absolute(dic) });
  const looked = new Map<string, boolean>();
  let own = new Set(ownWords());
  const waiting = new Map<number, (words: readonly string[]) => void>();
  let last = 0;
  worker.onmessage = ({ data }: MessageEvent<SpellingAnswer>) => {
    waiting.get(data.id)?.(data.words);
    waiting.delete(data.id);
  };
  const ask = (request: (id: number) => SpellingRequest): Promise<readonly string[]> =>
    new Promise((resolve) => {
      const id = ++last;
      waiting.set(id, resolve);
      say(request(id));
    });
  const reread = (): void => {
    own = new Set(ownWords());
    ontold();
  };
  return {
    wrong(words) {
      const fresh = [...new Set(words)].filter((word) => !looked.has(word));
      if (fresh.length > 0) {
        // Taken for right until the answer comes.
        for (const word of fresh) looked.set(word, true);
        void ask((id) => ({ kind: 'check', id, words: fresh })).then((wrong) => {
          for (const word of wrong) looked.set(word, false);
          if (wrong.length > 0) ontold();
        });
      }
      return new Set(words.filter((word) => looked.get(word) === false && !own.has(word)));
    },
    suggest: (word) => ask((id) => ({ kind: 'suggest', id, word })),
    add(word) {
      setOwnWords([...ownWords(), word]);
      reread();
    },
    reread,
    close: () => worker.terminate(),
  };
}

const absolute = (path: string): string => new URL(path, location.href).href;
