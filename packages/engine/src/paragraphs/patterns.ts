import type { PatternName } from '../document/blocks';
import { englishHyphenator, type Hyphenate, hyphenatorOf } from './hyphenation';

/** Where patterns divide a word; nowhere as long as they are not at hand. */
export type Divide = (word: string, patterns: PatternName | null) => readonly number[];

type Others = Exclude<PatternName, 'en-us'>;
type Loaded = Promise<{ readonly default: unknown }>;

/** Patterns are large: those of a language are fetched when a document is first written in it. */
const FILES: Readonly<Record<Others, () => Loaded>> = {
  'en-gb': () => import('hyphen/patterns/en-gb.js'),
  'de-1901': () => import('hyphen/patterns/de-1901.js'),
  'de-1996': () => import('hyphen/patterns/de-1996.js'),
  'de-ch-1901': () => import('hyphen/patterns/de-ch-1901.js'),
  fr: () => import('hyphen/patterns/fr.js'),
  es: () => import('hyphen/patterns/es.js'),
  it: () => import('hyphen/patterns/it.js'),
  pt: () => import('hyphen/patterns/pt.js'),
  nl: () => import('hyphen/patterns/nl.js'),
  pl: () => import('hyphen/patterns/pl.js'),
};

/** Words divided in the languages that a document asks for. */
export interface Divisions {
  readonly divide: Divide;
  /** Fetches the patterns that were asked for and not at hand; false when there were none. */
  readonly load: (then: () => void) => Promise<boolean>;
}

export function divisions(): Divisions {
  const known = new Map<PatternName, Hyphenate>([['en-us', englishHyphenator()]]);
  const missing = new Set<Others>();
  return {
    divide: (word, patterns) => {
      if (patterns === null) return [];
      const hyphenate = known.get(patterns);
      if (!hyphenate && patterns !== 'en-us') missing.add(patterns);
      return hyphenate?.(word) ?? [];
    },
    load: async (then) => {
      const wanted = [...missing];
      missing.clear();
      await Promise.all(
        wanted.map(async (name) => known.set(name, hyphenatorOf((await FILES[name]()).default))),
      );
      if (wanted.length > 0) then();
      return wanted.length > 0;
    },
  };
}
