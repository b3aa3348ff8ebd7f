import { pictureName } from '../base/pictureNames';
import { epsDrawing } from '../images/eps';
import { imageSize } from '../images/size';
import { pictureTrouble } from '../images/trouble';
import type { LanguageHost } from '../language/machine/interpreter';

/** The files of an assignment besides its main one. Names are paths within it, with `/`. */
export interface AssignmentFiles {
  readonly names: () => readonly string[];
  readonly bytes: (name: string) => Uint8Array | null;
  /** The file as UTF-8 text, or null. */
  readonly text: (name: string) => string | null;
}

export const NO_FILES: AssignmentFiles = {
  names: () => [],
  bytes: () => null,
  text: () => null,
};

/** Files held in memory. `decode` turns bytes to text: the engine itself has no decoder. */
export function filesOf(
  files: ReadonlyMap<string, Uint8Array>,
  decode: (bytes: Uint8Array) => string,
): AssignmentFiles {
  return {
    names: () => [...files.keys()],
    bytes: (name) => files.get(name) ?? null,
    text: (name) => {
      const bytes = files.get(name);
      return bytes ? decode(bytes) : null;
    },
  };
}

/** Sizes of pictures and what they draw, or what keeps them from being shown; read once each. */
export function imageMeasure(files: AssignmentFiles): LanguageHost['imageSize'] {
  const known = new Map<string, ReturnType<LanguageHost['imageSize']>>();
  return (file, page) => {
    const name = pictureName(file, page);
    let found = known.get(name);
    if (found === undefined) {
      const bytes = files.bytes(file);
      found = bytes ? (pictureTrouble(bytes) ?? measured(bytes, page)) : null;
      known.set(name, found);
    }
    return found;
  };
}

function measured(bytes: Uint8Array, page: number): ReturnType<LanguageHost['imageSize']> {
  const size = imageSize(bytes, page);
  if (size?.kind !== 'eps') return size;
  const drawing = epsDrawing(bytes);
  return 'lacks' in drawing ? size : drawing;
}
