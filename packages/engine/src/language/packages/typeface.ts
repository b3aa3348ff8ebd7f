import { CELLS } from '../machine/cells';
import type { FontFace, FontSpec, MonoFace, SansFace } from '../../document/font';
import type { PackageEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';

/** Puts another face in force, for text, for mathematics, or for both. */
export function setFace(
  it: Interpreter,
  face: FontFace,
  covers: 'text' | 'mathematics' | 'both' = 'both',
): void {
  const { face: text, mathFace = text } = it.font;
  if (covers !== 'mathematics') it.write(CELLS.face, face, true);
  it.changeFont({
    face: covers === 'mathematics' ? text : face,
    mathFace: covers === 'text' ? mathFace : face,
  });
}

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
  setup: (it) => setFace(it, face, covers),
});

/** Faces of the text that a package puts in force together. */
export interface Faces {
  readonly roman?: FontFace;
  readonly sans?: SansFace;
  readonly mono?: MonoFace;
}

/** What `scaled`, `scaled=.9` and their kin multiply sizes by; 1 where nothing is said. */
export function scaleIn(options: readonly string[], bare: number): number {
  for (const option of options) {
    const said = /^(?:scaled?|helvratio|lighttt)\s*(?:=\s*([\d.]+))?$/.exec(option.trim());
    if (said) return said[1] === undefined ? bare : parseFloat(said[1]) || 1;
  }
  return 1;
}

/** A package that sets several kinds of type at once. */
export const typefaces = (name: string, faces: Faces, description: string): PackageEntry => ({
  name,
  description,
  options: null,
  setup: (it, options) => {
    if (faces.roman) setFace(it, faces.roman, 'text');
    const change: Partial<FontSpec> = {
      ...(faces.sans ? { sansFace: faces.sans, sansScale: scaleIn(options, 0.95) } : {}),
      ...(faces.mono ? { monoFace: faces.mono } : {}),
    };
    it.changeFont(change);
  },
});

/** A package for a font that does not ship: another one is set in its place, and that is told. */
export const fontElsewhere = (
  name: string,
  font: string,
  instead: string,
  set: (it: Interpreter, options: readonly string[]) => void = () => undefined,
): PackageEntry => ({
  name,
  description: `The font ${font}; ${instead} is set in its place.`,
  options: null,
  setup: (it, options) => {
    it.p.report('font-not-here', it.p.place, { name: font, instead });
    set(it, options);
  },
});
