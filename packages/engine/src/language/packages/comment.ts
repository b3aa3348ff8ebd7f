import { textOf } from '../../expansion/tokenText';
import { ignoredEnvironment } from '../constructs/verbatim';
import { environmentCell } from '../machine/cells';
import { type PackageEntry, tokensOf } from '../machine/entries';

/** comment: passages left out or taken in. */
export const comment: PackageEntry = {
  name: 'comment',
  description: 'Passages that are left out, by name.',
  options: [],
  environments: [ignoredEnvironment('comment', 'A passage that is not printed.')],
  commands: [
    {
      name: 'excludecomment',
      signature: 'm',
      description: 'Passages in this environment are left out.',
      example: '\\excludecomment{hidden}',
      package: 'comment',
      run: (it, args) => {
        const name = textOf(it.p, tokensOf(args, 0));
        it.write(
          environmentCell(name),
          { ...ignoredEnvironment(name, 'A passage that is not printed.'), detail: name },
          true,
        );
      },
    },
    {
      name: 'includecomment',
      signature: 'm',
      description: 'Passages in this environment are printed.',
      example: '\\includecomment{shown}',
      package: 'comment',
      run: (it, args) => {
        const name = textOf(it.p, tokensOf(args, 0));
        it.write(
          environmentCell(name),
          { name, signature: '', description: 'A passage.', example: '', detail: name },
          true,
        );
      },
    },
  ],
};
