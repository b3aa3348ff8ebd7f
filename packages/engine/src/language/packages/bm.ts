import { alphabetCommand } from '../constructs/mathStructures';
import type { PackageEntry } from '../entries';

/** bm: bold letters of formulas, italic ones staying italic. */
export const bm: PackageEntry = {
  name: 'bm',
  description: 'Bold letters in formulas.',
  options: [],
  commands: [
    alphabetCommand('bm', 'boldItalic', 'Bold letters, italic ones staying italic'),
    alphabetCommand('boldsymbol', 'boldItalic', 'Bold letters, italic ones staying italic'),
  ],
};
