import { CELLS } from '../machine/cells';
import type { FontFace } from '../../document/font';
import type { PackageEntry } from '../machine/entries';

/** A package whose line puts another face in force, for text and mathematics. */
export const typeface = (name: string, face: FontFace, description: string): PackageEntry => ({
  name,
  description,
  options: null,
  setup: (it) => {
    it.write(CELLS.face, face, true);
    it.changeFont({ face });
  },
});
