import type { PackageEntry } from '../machine/entries';
import { typeface } from './typeface';

/** times: Text in the Times manner (TeX Gyre Termes). */
export const times: PackageEntry = typeface(
  'times',
  'termes',
  'Text in the Times manner (TeX Gyre Termes); formulas stay as they are.',
  'text',
);
