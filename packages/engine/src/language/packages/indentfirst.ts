import type { PackageEntry } from '../entries';

/** indentfirst: the first paragraph behind a heading is indented too. */
export const indentfirst: PackageEntry = {
  name: 'indentfirst',
  description: 'The first paragraph behind a heading is indented too.',
  options: [],
  setup: (it) => it.setFact('indentFirst', true, true),
};
