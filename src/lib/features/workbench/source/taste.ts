import { keep, kept } from '$lib/ui/kept';

/** How the source is shown, to each reader's taste; kept in the browser. */
export interface Taste {
  /** Size of the letters, CSS pixels. */
  readonly size: number;
  readonly wrap: boolean;
  readonly numbers: boolean;
  /** The dictionary that words of the text are looked up in. */
  readonly spelling: SpellingLanguage;
}

export type SpellingLanguage = 'none' | 'american' | 'british';
export const SPELLINGS: readonly SpellingLanguage[] = ['british', 'american', 'none'];

export const STANDARD_TASTE: Taste = {
  size: 14,
  wrap: true,
  numbers: true,
  spelling: 'british',
};
export const SIZES: readonly number[] = [12, 13, 14, 16, 18, 20, 24];

const KEY = 'odd-compass:source-taste';

/** What was kept, as far as it makes sense. */
export function readTaste(text: string | null): Taste {
  try {
    const found = (JSON.parse(text ?? 'null') ?? {}) as Partial<Taste>;
    const size = SIZES.includes(found.size ?? 0) ? (found.size as number) : STANDARD_TASTE.size;
    const spelling = SPELLINGS.find((one) => one === found.spelling) ?? STANDARD_TASTE.spelling;
    return { size, wrap: found.wrap !== false, numbers: found.numbers !== false, spelling };
  } catch {
    return STANDARD_TASTE;
  }
}

export const keptTaste = (): Taste => readTaste(JSON.stringify(kept(KEY)));

export const keepTaste = (taste: Taste): void => keep(KEY, taste);
