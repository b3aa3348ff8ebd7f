import type { PackageEntry } from '../machine/entries';
import { typeface } from './typeface';

/** tgpagella: The font TeX Gyre Pagella. */
export const tgpagella: PackageEntry = typeface(
  'tgpagella',
  'pagella',
  'The font TeX Gyre Pagella.',
  'text',
);
