import { featureLookups, readCoverage } from './common';
import { sub } from './sfnt';

/** A ligature: what follows the first glyph, and what all become. */
export interface Ligature {
  readonly rest: readonly number[];
  readonly glyph: number;
}

/** The ligatures of one lookup by first glyph, longest first. */
export type LigatureStep = ReadonlyMap<number, readonly Ligature[]>;

/** Ligatures of `liga`, a step for each lookup, in the order they are applied (OpenType 1.9, GSUB lookup type 4). */
export function readLigatures(gsub: DataView | undefined): LigatureStep[] {
  if (!gsub) return [];
  return featureLookups(gsub, 'liga', 7)
    .filter(({ type }) => type === 4)
    .map(({ subtables }) => ligatureStep(subtables));
}

function ligatureStep(subtables: readonly DataView[]): LigatureStep {
  const all = new Map<number, Ligature[]>();
  for (const view of subtables) {
    readCoverage(sub(view, view.getUint16(2))).forEach((first, i) => {
      const set = sub(view, view.getUint16(6 + 2 * i));
      const known = all.get(first) ?? [];
      for (let k = 0; k < set.getUint16(0); k++) {
        const entry = sub(set, set.getUint16(2 + 2 * k));
        const rest = Array.from({ length: entry.getUint16(2) - 1 }, (_, c) =>
          entry.getUint16(4 + 2 * c),
        );
        known.push({ rest, glyph: entry.getUint16(0) });
      }
      all.set(
        first,
        known.sort((a, b) => b.rest.length - a.rest.length),
      );
    });
  }
  return all;
}

/** One glyph for another under a feature (GSUB lookup types 1 and 3): all alternates by glyph. */
export function readAlternates(gsub: DataView | undefined, feature: string): Map<number, number[]> {
  const all = new Map<number, number[]>();
  if (!gsub) return all;
  for (const lookup of featureLookups(gsub, feature, 7)) {
    for (const view of lookup.subtables) {
      const coverage = readCoverage(sub(view, view.getUint16(2)));
      const format = view.getUint16(0);
      coverage.forEach((glyph, i) => {
        if (lookup.type === 1) {
          all.set(glyph, [
            format === 1 ? (glyph + view.getInt16(4)) & 0xffff : view.getUint16(6 + 2 * i),
          ]);
        } else if (lookup.type === 3) {
          const set = sub(view, view.getUint16(6 + 2 * i));
          all.set(
            glyph,
            Array.from({ length: set.getUint16(0) }, (_, k) => set.getUint16(2 + 2 * k)),
          );
        }
      });
    }
  }
  return all;
}
