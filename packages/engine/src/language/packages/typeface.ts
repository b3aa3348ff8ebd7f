import { CELLS } from '../machine/cells';
import type { FontFace } from '../../document/font';
import type { PackageEntry } from '../machine/entries';

/** A package whose line puts another face in force, for text, for mathematics, or for both. */
export const typeface = (
  name: string,
  face: FontFace,
  description: string,
  covers: 'text' | 'mathematics' | 'both' = 'both',
): PackageEntry => ({
  name,
  description,
  options: null,
  setup: (it) => {
    const { face: text, mathFace = text } = it.font;
    if (covers !== 'mathematics') it.write(CELLS.face, face, true);
    it.changeFont({
      face: covers === 'mathematics' ? text : face,
      mathFace: covers === 'text' ? mathFace : face,
    });
  },
});
