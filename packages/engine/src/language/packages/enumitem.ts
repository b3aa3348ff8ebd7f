import { tokensText } from '../../expansion/expandables';
import type { ListDefaults } from '../constructs/listOptions';
import { tokensOf, type PackageEntry } from '../entries';

/** enumitem: labels and measures of lists as options. The lists themselves read them. */
export const enumitem: PackageEntry = {
  name: 'enumitem',
  description: 'Labels and spaces of lists, in brackets behind their begin.',
  options: ['shortlabels', 'inline'],
  commands: [
    {
      name: 'setlist',
      signature: 'som',
      description: 'Options for all lists, or for those named in brackets.',
      example: '\\setlist{noitemsep}',
      package: 'enumitem',
      run: (it, args) => {
        const kinds = Array.isArray(args[1]) ? tokensText(tokensOf(args, 1)).split(',') : [''];
        const before = it.fact<ListDefaults>('listDefaults') ?? {};
        const added = Object.fromEntries(
          kinds.map((kind) => [kind.trim(), [...(before[kind.trim()] ?? []), tokensOf(args, 2)]]),
        );
        it.setFact('listDefaults', { ...before, ...added });
      },
    },
  ],
};

/** enumerate: a model of the first number in brackets. */
export const enumerate: PackageEntry = {
  name: 'enumerate',
  description: 'The look of a list’s numbers, by a model in brackets: [(a)].',
  options: [],
};
