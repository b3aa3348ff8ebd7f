import type { PackageEntry } from '../machine/entries';
import { typeface } from './typeface';

/** palatino: Text in the Palatino manner. */
export const palatino: PackageEntry = typeface(
  'palatino',
  'pagella',
  'Text in the Palatino manner; formulas stay as they are.',
  'text',
);
