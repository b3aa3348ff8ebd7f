import { readLatin1 } from './latin1';
import { type NotDrawn, postScriptDrawing, type PostScriptDrawing } from './postscript/drawing';

const known = new WeakMap<Uint8Array, PostScriptDrawing | NotDrawn>();

/** What an EPS file draws, or what keeps it from being drawn. Run once for each file. */
export function epsDrawing(bytes: Uint8Array): PostScriptDrawing | NotDrawn {
  let found = known.get(bytes);
  if (found === undefined) known.set(bytes, (found = postScriptDrawing(readLatin1(bytes))));
  return found;
}
