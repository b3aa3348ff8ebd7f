import { textOf } from '../../expansion/tokenText';
import { findFile, reportMissing } from '../constructs/files';
import { tokensOf, type CommandEntry, type PackageEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { macroEntry } from '../machine/macroEntry';

/** A document as a part of another: what is not between its begin and end is blank, and places stay. */
export function bodyAlone(text: string): string {
  const begin = /\\begin\s*\{document\}/.exec(text);
  if (!begin) return text;
  const from = begin.index + begin[0].length;
  const end = text.indexOf('\\end{document}', from);
  const to = end < 0 ? text.length : end;
  return ' '.repeat(from) + text.slice(from, to).trimEnd();
}

/** Reads a document in as a part, its preamble left out. */
function readIn(it: Interpreter, name: string): void {
  const file = findFile(it, name, ['', '.tex']);
  if (!file) return reportMissing(it, name, it.p.place);
  if (!it.p.openSource(file.name, bodyAlone(file.text)))
    it.p.report('files-in-circle', it.p.place, { name: file.name });
}

const part = (name: string, signature: string, description: string): CommandEntry => ({
  name,
  signature,
  description,
  example: `\\${name}{parts/tides}`,
  run: (it, args) => readIn(it, textOf(it.p, tokensOf(args, signature.length - 1))),
});

/** subfiles: parts that are documents by themselves. */
export const subfiles: PackageEntry = {
  name: 'subfiles',
  description: 'Parts that can be typeset by themselves.',
  options: null,
  commands: [
    part('subfile', 'm', 'Reads a part in; its own preamble is left out.'),
    part('subfileinclude', 'm', 'Reads a part in on a new page.'),
    macroEntry('subfix', 'm', 'A path as seen from the part.', '\\subfix{pier}', '#1'),
  ],
};

/** standalone: pictures that are documents by themselves. */
export const standalone: PackageEntry = {
  name: 'standalone',
  description: 'Pictures that can be typeset by themselves.',
  options: null,
  commands: [
    part('includestandalone', 'om', 'Reads a picture in; its own preamble is left out.'),
    macroEntry(
      'standaloneconfig',
      'm',
      'How such pictures are read in.',
      '\\standaloneconfig{}',
      '',
    ),
  ],
};
