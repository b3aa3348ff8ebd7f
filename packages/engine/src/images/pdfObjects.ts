import { Inflate } from 'fflate';

/** What the packed objects of a PDF may unpack to, bytes. */
export const MOST_UNPACKED = 30_000_000;

/** Hands on what a packed stream unpacks to, part by part, until that is `most` bytes; gives how many they were. */
export function unpack(
  packed: Uint8Array,
  most: number,
  take: (part: Uint8Array) => void = () => undefined,
): number {
  let count = 0;
  const inflate = new Inflate((part) => {
    count += part.length;
    take(part);
  });
  const STEP = 16_384;
  try {
    // The two bytes before are the head of the format (RFC 1950).
    for (let at = 2; at < packed.length && count < most; at += STEP)
      inflate.push(packed.subarray(at, at + STEP));
  } catch {
    // What stands behind the end of the stream is none of it.
  }
  return count;
}

/** Where each packed stream of objects begins in the text of a PDF, and what its dictionary says (ISO 32000-1, 7.5.7). */
function* objectStreams(text: string): Generator<{ readonly head: string; readonly data: number }> {
  for (const found of text.matchAll(/\/Type\s*\/ObjStm\b[^]{0,400}?stream\r?\n/g)) {
    const start = text.lastIndexOf('obj', found.index);
    const data = found.index + found[0].length;
    yield { head: text.slice(start, data), data };
  }
}

const number = (text: string, key: string): number =>
  Number(new RegExp(`/${key}\\s+(\\d+)`).exec(text)?.[1] ?? NaN);

/** Objects packed into a stream: their numbers and places stand before them. */
function packedObjects(unpacked: string, head: string, into: Map<string, string>): void {
  const [count, first] = [number(head, 'N'), number(head, 'First')];
  if (!(count > 0 && first > 0)) return;
  const places = unpacked.slice(0, first).trim().split(/\s+/);
  for (let i = 0; i < Math.min(count, places.length / 2); i++) {
    const from = first + Number(places[2 * i + 1]);
    const to = i + 1 < count ? first + Number(places[2 * i + 3]) : unpacked.length;
    into.set(places[2 * i] as string, unpacked.slice(from, to));
  }
}

/**
 * The objects of a PDF by their numbers, as text, of streams their dictionaries alone; the last of
 * a number counts, as after changes (ISO 32000-1, 7.3.10, 7.5.6). `text` has a character for each byte.
 */
export function pdfObjects(bytes: Uint8Array, text: string): ReadonlyMap<string, string> {
  const out = new Map<string, string>();
  for (const found of text.matchAll(/\b(\d+)\s+\d+\s+obj\b/g)) {
    const from = found.index + found[0].length;
    const end = text.indexOf('endobj', from);
    const body = text.slice(from, end < 0 ? text.length : end);
    const stream = body.indexOf('stream');
    out.set(found[1] as string, stream < 0 ? body : body.slice(0, stream));
  }
  let left = MOST_UNPACKED;
  for (const { head, data } of objectStreams(text)) {
    const parts: string[] = [];
    const decoder = (part: Uint8Array): void => {
      for (let i = 0; i < part.length; i += 8192)
        parts.push(String.fromCharCode(...part.subarray(i, i + 8192)));
    };
    left -= unpack(bytes.subarray(data), left, decoder);
    if (left <= 0) break;
    packedObjects(parts.join(''), head, out);
  }
  return out;
}
