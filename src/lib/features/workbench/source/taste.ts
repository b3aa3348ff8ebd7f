/** How the source is shown, to each reader's taste; kept in the browser. */
export interface Taste {
  /** Size of the letters, CSS pixels. */
  readonly size: number;
  readonly wrap: boolean;
  readonly numbers: boolean;
}

export const STANDARD_TASTE: Taste = { size: 14, wrap: true, numbers: true };
export const SIZES: readonly number[] = [12, 13, 14, 16, 18, 20, 24];

const KEY = 'odd-compass:source-taste';

/** What was kept, as far as it makes sense. */
export function readTaste(kept: string | null): Taste {
  try {
    const found = JSON.parse(kept ?? '{}') as Partial<Taste>;
    const size = SIZES.includes(found.size ?? 0) ? (found.size as number) : STANDARD_TASTE.size;
    return { size, wrap: found.wrap !== false, numbers: found.numbers !== false };
  } catch {
    return STANDARD_TASTE;
  }
}

export const keptTaste = (): Taste => {
  try {
    return readTaste(localStorage.getItem(KEY));
  } catch {
    return STANDARD_TASTE;
  }
};

export function keepTaste(taste: Taste): void {
  try {
    localStorage.setItem(KEY, JSON.stringify(taste));
  } catch {
    // It holds until the page is left.
  }
}
