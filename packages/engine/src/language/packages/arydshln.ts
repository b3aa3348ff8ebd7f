import { dashedRule } from '../constructs/mathArrays';
import type { PackageEntry } from '../machine/entries';

/** arydshln: dashed rules in arrays. */
export const arydshln: PackageEntry = {
  name: 'arydshln',
  description: 'Dashed rules in arrays.',
  options: null,
  commands: [dashedRule],
};
