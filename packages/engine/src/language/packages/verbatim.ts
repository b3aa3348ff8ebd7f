import { ignoredEnvironment, setLines, typewriterInlines } from '../constructs/verbatim';
import { findFile, reportMissing } from '../constructs/files';
import { textOf } from '../../expansion/tokenText';
import { type PackageEntry, tokensOf } from '../machine/entries';
import { insideEnvironment } from './fancyvrb';

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
        const lines = file.text.replace(/\n$/, '').split('\n');
        const set = lines.map((line) => typewriterInlines(it, line));
        insideEnvironment(it, () => setLines(it, set));
      },
    },
  ],
};
