import { boldCommand } from '../constructs/mathAlphabets';
import type { PackageEntry } from '../machine/entries';

/** bm: bold signs of formulas, italic letters staying italic. */
export const bm: PackageEntry = {
  name: 'bm',
  description: 'Bold letters and signs in formulas.',
  options: [],
  commands: [boldCommand('bm'), boldCommand('boldsymbol')],
};
