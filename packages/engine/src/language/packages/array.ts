import type { PackageEntry } from '../machine/entries';
import { macroEntry } from '../machine/macroEntry';

/** array: more kinds of columns; they are known to every table here. */
export const array: PackageEntry = {
  name: 'array',
  description: 'Columns m, b, w, tokens before and behind cells (>, <), columns of your own.',
  options: [],
  commands: [
    macroEntry(
      'arraybackslash',
      '',
      'Gives \\\\ its meaning back in a column with \\raggedright.',
      '\\begin{tabular}{>{\\raggedright\\arraybackslash}p{2cm}}ebb\\end{tabular}',
      '',
    ),
    macroEntry(
      'firsthline',
      '',
      'A rule at the top of a table that stands in a line.',
      '\\begin{tabular}{l}\\firsthline ebb\\end{tabular}',
      '\\hline',
    ),
    macroEntry(
      'lasthline',
      '',
      'A rule at its bottom.',
      '\\begin{tabular}{l}ebb\\\\\\lasthline\\end{tabular}',
      '\\hline',
    ),
  ],
};
