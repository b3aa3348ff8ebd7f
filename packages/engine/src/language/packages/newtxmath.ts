import type { PackageEntry } from '../machine/entries';
import { typeface } from './typeface';

/** newtxmath: Mathematics in the Times manner. */
export const newtxmath: PackageEntry = typeface(
  'newtxmath',
  'termes',
  'Mathematics in the Times manner.',
  'mathematics',
);
