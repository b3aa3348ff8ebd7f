import type { PackageEntry } from '../entries';

/** enumitem: labels and measures of lists as options. The lists themselves read them. */
export const enumitem: PackageEntry = {
  name: 'enumitem',
  description: 'Labels and spaces of lists, in brackets behind their begin.',
  options: ['shortlabels', 'inline'],
};

/** enumerate: a model of the first number in brackets. */
export const enumerate: PackageEntry = {
  name: 'enumerate',
  description: 'The look of a list’s numbers, by a model in brackets: [(a)].',
  options: [],
};
