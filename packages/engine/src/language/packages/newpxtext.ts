import type { PackageEntry } from '../machine/entries';
import { typeface } from './typeface';

/** newpxtext: Text in the Palatino manner (TeX Gyre Pagella). */
export const newpxtext: PackageEntry = typeface(
  'newpxtext',
  'pagella',
  'Text in the Palatino manner (TeX Gyre Pagella).',
  'text',
);
