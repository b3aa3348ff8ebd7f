import type { PackageEntry } from '../machine/entries';
import { typeface } from './typeface';

/** tgtermes: The font TeX Gyre Termes. */
export const tgtermes: PackageEntry = typeface(
  'tgtermes',
  'termes',
  'The font TeX Gyre Termes.',
  'text',
);
