import type { PackageEntry } from '../machine/entries';
import { typeface } from './typeface';

/** mathpazo: Text and mathematics in the Palatino manner (TeX Gyre Pagella). */
export const mathpazo: PackageEntry = typeface(
  'mathpazo',
  'pagella',
  'Text and mathematics in the Palatino manner (TeX Gyre Pagella).',
);
