import { plus } from '../../drawing/vectors';
import { placeOf, vectorOf, type Place } from './coordinates';
import { addHandle } from './handles';
import { takeSign, takeSigns, takeWritten, type Scanner } from './scanPath';
import type { Walk } from './walk';

/** A place that an operation leads to; after a single `+` the next relative one counts from where this did. */
export interface Target {
  readonly place: Place;
  readonly keepsBase: boolean;
}

/** `(A)`, `+(1,0)`, `++(1,0)`, with options of their own. */
export function readTarget(reader: Scanner, walk: Walk): Target | null {
  const { reading } = walk;
  const plusses = takeSigns(reader, '++') ? 2 : takeSign(reader, '+') ? 1 : 0;
  const written = takeWritten(reader);
  if (written === null) return null;
  const target = targetOf(walk, written.words, plusses);
  addHandle(reading, walk.g, written, target.place.at);
  return target;
}

function targetOf(walk: Walk, words: string, plusses: number): Target {
  const { reading } = walk;
  // Empty brackets mean the place at hand.
  if (words === '') return { place: walk.place, keepsBase: false };
  if (plusses === 0) return { place: placeOf(reading, walk.g, words), keepsBase: false };
  const at = plus(walk.base, vectorOf(reading, walk.g, words));
  return { place: { at, node: null }, keepsBase: plusses === 1 };
}
