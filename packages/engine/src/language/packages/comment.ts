import { textOf } from '../../expansion/expandables';
import { ignoredEnvironment } from '../constructs/verbatim';
import type { PackageEntry } from '../entries';
import { tokensOf } from '../entries';

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
        it.state.set(
          it.state.cell(`\u0002${name}`),
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
        it.state.set(
          it.state.cell(`\u0002${name}`),
          { name, signature: '', description: 'A passage.', example: '', detail: name },
          true,
        );
      },
    },
  ],
};
