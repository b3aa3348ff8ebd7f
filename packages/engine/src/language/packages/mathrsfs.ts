import type { PackageEntry } from '../entries';
import { alphabetCommand } from '../constructs/mathStructures';

/** mathrsfs: script letters. */
export const mathrsfs: PackageEntry = {
  name: 'mathrsfs',
  description: 'Script letters.',
  options: null,
  commands: [alphabetCommand('mathscr', 'script', 'Script letters')],
};
