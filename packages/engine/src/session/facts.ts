import type { RefInline } from '../document/inlines';
import type { RawFinding } from '../findings/finding';
import type { SessionBlock } from './block';

/** What references can ask for: numbers are known after reading, pages after pages are made. */
export interface Facts {
  readonly numbers: ReadonlyMap<string, string>;
  readonly pages: ReadonlyMap<string, number>;
}

export const NO_FACTS: Facts = { numbers: new Map(), pages: new Map() };

const key = (ref: RefInline): string => `${ref.what}:${ref.label}`;

/** The answer to a fact's key. */
export function answer(facts: Facts, factKey: string): string | null {
  const at = factKey.indexOf(':');
  const label = factKey.slice(at + 1);
  if (factKey.slice(0, at) === 'number') return facts.numbers.get(label) ?? null;
  if (!facts.numbers.has(label)) return null;
  const page = facts.pages.get(label);
  return page === undefined ? '?' : String(page);
}

/** Answers references, and notes in `reads` what was asked. */
export function resolver(facts: Facts, reads: Map<string, string | null>) {
  return (ref: RefInline): string | null => {
    const factKey = key(ref);
    const value = answer(facts, factKey);
    reads.set(factKey, value);
    return value;
  };
}

/** Would every answer the block was laid out from still be the same? */
export function sameFacts(block: SessionBlock, facts: Facts): boolean {
  if (!block.laid) return false;
  for (const [factKey, value] of block.laid.facts)
    if (answer(facts, factKey) !== value) return false;
  return true;
}

/** A finding with the block it was made in. */
export interface PlacedFinding {
  readonly block: SessionBlock;
  readonly finding: RawFinding;
}

/** All labels with the numbers they name; a second label of the same name is a finding. */
export function collectNumbers(blocks: readonly SessionBlock[]): {
  numbers: Map<string, string>;
  repeated: PlacedFinding[];
} {
  const numbers = new Map<string, string>();
  const repeated: PlacedFinding[] = [];
  for (const block of blocks) {
    for (const { name, value, from, to } of block.reading.labels) {
      if (!numbers.has(name)) numbers.set(name, value);
      else repeated.push({ block, finding: { code: 'label-repeated', from, to, args: { name } } });
    }
  }
  return { numbers, repeated };
}
