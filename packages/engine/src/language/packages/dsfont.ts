import type { PackageEntry } from '../machine/entries';
import { alphabetCommand } from '../constructs/mathAlphabets';

/** dsfont: letters with a double stroke, the one among them. */
export const dsfont: PackageEntry = {
  name: 'dsfont',
  description: 'Letters with a double stroke.',
  options: null,
  commands: [alphabetCommand('mathds', 'blackboard', 'Letters with a double stroke')],
};
