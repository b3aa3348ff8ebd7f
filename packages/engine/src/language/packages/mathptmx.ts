import type { PackageEntry } from '../machine/entries';
import { typeface } from './typeface';

/** mathptmx: Text and mathematics in the Times manner (TeX Gyre Termes). */
export const mathptmx: PackageEntry = typeface(
  'mathptmx',
  'termes',
  'Text and mathematics in the Times manner (TeX Gyre Termes).',
);
