import { CELLS } from '../machine/cells';
import type { PackageEntry } from '../machine/entries';

/** indentfirst: the first paragraph behind a heading is indented too. */
export const indentfirst: PackageEntry = {
  name: 'indentfirst',
  description: 'The first paragraph behind a heading is indented too.',
  options: [],
  setup: (it) => it.write(CELLS.indentFirst, true, true),
};
