import type { PackageEntry } from '../machine/entries';
import { alphabetCommand } from '../constructs/mathAlphabets';

/** mathrsfs: script letters. */
export const mathrsfs: PackageEntry = {
  name: 'mathrsfs',
  description: 'Script letters.',
  options: null,
  commands: [alphabetCommand('mathscr', 'script', 'Script letters')],
};
