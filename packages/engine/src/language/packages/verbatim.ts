import { ignoredEnvironment, setLines, typewriterInlines } from '../constructs/verbatim';
import { findFile, reportMissing } from '../constructs/files';
import { textOf } from '../../expansion/expandables';
import type { PackageEntry } from '../entries';
import { tokensOf } from '../entries';
import { endList } from '../constructs/lists';

/** verbatim: whole files as they are, and passages left out. */
export const verbatim: PackageEntry = {
  name: 'verbatim',
  description: 'Text as it is typed, from files too; passages left out.',
  options: [],
  environments: [ignoredEnvironment('comment', 'A passage that is not printed.')],
  commands: [
    {
      name: 'verbatiminput',
      signature: 'sm',
      description: 'A file as it is, in typewriter.',
      example: '\\verbatiminput{gauge.txt}',
      package: 'verbatim',
      run: (it, args) => {
        const name = textOf(it.p, tokensOf(args, 1));
        const file = findFile(it, name, ['', '.tex']);
        if (!file) return reportMissing(it, name, it.p.place);
        const span = it.p.place;
        it.environments.push({
          name: 'verbatim',
          span,
          entry: null,
          groups: it.groups.length,
          data: { ending: true },
        });
        it.openGroup({ kind: 'environment', span });
        const lines = file.text.replace(/\n$/, '').split('\n');
        setLines(
          it,
          lines.map((line) => typewriterInlines(it, line)),
        );
        endList(it);
        it.environments.pop();
        it.closeGroup();
        it.afterEnvironment = null;
      },
    },
  ],
};
