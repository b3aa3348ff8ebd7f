import { featureLookups, readClasses, readCoverage } from './common';
import { sub } from './sfnt';

/** The kern between two glyphs, in font units. */
export type PairKerns = (left: number, right: number) => number;

const X_ADVANCE = 0x0004;

/** Bytes of a value record: two for each bit of its format. */
function valueSize(format: number): number {
  let bits = 0;
  for (let f = format; f; f >>= 1) bits += f & 1;
  return 2 * bits;
}

/** Where XAdvance stands in a value record, or -1. */
function advanceOffset(format: number): number {
  return format & X_ADVANCE ? valueSize(format & (X_ADVANCE - 1)) : -1;
}

/** Pair kerning from `kern` (OpenType 1.9, GPOS lookup type 2): the first subtable that covers the left glyph and knows the pair decides. */
export function readPairKerns(gpos: DataView | undefined): PairKerns {
  if (!gpos) return () => 0;
  const pairs = featureLookups(gpos, 'kern', 9)
    .filter((lookup) => lookup.type === 2)
    .flatMap((lookup) => lookup.subtables.map(readPairs));
  return (left, right) => {
    for (const pair of pairs) {
      const value = pair(left, right);
      if (value !== null) return value;
    }
    return 0;
  };
}

function readPairs(view: DataView): (left: number, right: number) => number | null {
  const format1 = view.getUint16(4);
  const size = valueSize(format1) + valueSize(view.getUint16(6));
  const offset = advanceOffset(format1);
  const coverage = readCoverage(sub(view, view.getUint16(2)));
  if (offset < 0) return () => null;
  return view.getUint16(0) === 1
    ? listedPairs(view, coverage, size, offset)
    : classPairs(view, coverage, size, offset);
}

function listedPairs(view: DataView, coverage: readonly number[], size: number, offset: number) {
  const kerns = new Map<number, number>();
  coverage.forEach((left, i) => {
    const set = sub(view, view.getUint16(10 + 2 * i));
    for (let k = 0; k < set.getUint16(0); k++) {
      const at = 2 + k * (2 + size);
      kerns.set(left * 65536 + set.getUint16(at), set.getInt16(at + 2 + offset));
    }
  });
  return (left: number, right: number) => kerns.get(left * 65536 + right) ?? null;
}

function classPairs(view: DataView, coverage: readonly number[], size: number, offset: number) {
  const covered = new Set(coverage);
  const first = readClasses(sub(view, view.getUint16(8)));
  const second = readClasses(sub(view, view.getUint16(10)));
  const columns = view.getUint16(14);
  return (left: number, right: number) => {
    if (!covered.has(left)) return null;
    const at = 16 + ((first.get(left) ?? 0) * columns + (second.get(right) ?? 0)) * size;
    return view.getInt16(at + offset);
  };
}
