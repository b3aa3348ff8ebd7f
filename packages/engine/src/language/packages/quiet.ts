import type { PackageEntry } from '../entries';

const nothing = (name: string, description: string): PackageEntry => ({
  name,
  description,
  options: null,
});

/** Packages whose work is done here anyway. */
export const quiet: readonly PackageEntry[] = [
  nothing('inputenc', 'The encoding of the file; UTF-8 is always read.'),
  nothing('fontenc', 'The encoding of fonts; all characters of the fonts are at hand.'),
  nothing('lmodern', 'The Latin Modern fonts, which are used unless others are asked for.'),
  nothing('babel', 'The language of the document; English is set.'),
  nothing('microtype', 'Finer spacing of letters; lines are broken as without it.'),
  nothing('amsbsy', 'Bold symbols, part of amsmath.'),
  nothing('amstext', '\\text in formulas, part of amsmath.'),
];
