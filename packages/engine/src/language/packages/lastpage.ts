import type { PackageEntry } from '../machine/entries';

/** lastpage: the label LastPage, which every document bears here. */
export const lastpage: PackageEntry = {
  name: 'lastpage',
  description: 'The label LastPage on the last page: \\pageref{LastPage}.',
  options: null,
};
