/** A source of numbers that is the same each time (Mulberry32, Tommy Ettinger 2017); from 0 up to 1. */
export type Random = () => number;

export function randomFrom(seed: number): Random {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

/** A whole number from `low` to `high`, both of them possible. */
export const wholeBetween = (random: Random, low: number, high: number): number =>
  low + Math.floor(random() * (high - low + 1));

export function oneOf<T>(random: Random, list: readonly T[]): T {
  return list[Math.floor(random() * list.length)] as T;
}
