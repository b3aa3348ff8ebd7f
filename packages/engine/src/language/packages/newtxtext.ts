import type { PackageEntry } from '../machine/entries';
import { typeface } from './typeface';

/** newtxtext: Text in the Times manner (TeX Gyre Termes). */
export const newtxtext: PackageEntry = typeface(
  'newtxtext',
  'termes',
  'Text in the Times manner (TeX Gyre Termes).',
  'text',
);
