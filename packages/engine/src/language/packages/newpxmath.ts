import type { PackageEntry } from '../machine/entries';
import { typeface } from './typeface';

/** newpxmath: Mathematics in the Palatino manner. */
export const newpxmath: PackageEntry = typeface(
  'newpxmath',
  'pagella',
  'Mathematics in the Palatino manner.',
  'mathematics',
);
