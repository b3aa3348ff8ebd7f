import type { Token } from '../../expansion/meaning';
import { textOf } from '../../expansion/tokenText';
import { type PackageEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { quietEntry } from '../machine/macroEntry';
import { setTitlePart } from '../constructs/title';
import { cell } from '../../expansion/cells';

interface Line {
  readonly mark: string;
  readonly text: readonly Token[];
}

const LINES = {
  authors: cell<readonly Line[]>('authors', []),
  affiliations: cell<readonly Line[]>('affiliations', []),
};

/** Prints them in the title. */
const LIST = '@authorlist';

function add(
  it: Interpreter,
  name: keyof typeof LINES,
  mark: string,
  text: readonly Token[],
): void {
  it.write(LINES[name], [...it.read(LINES[name]), { mark, text }], true);
  setTitlePart(it, 'author', [it.p.command(LIST)]);
}

/** All authors with what marks their places, and the places below them. */
function listed(it: Interpreter): Token[] {
  const raised = (m: string): Token[] => (m === '' ? [] : it.source(`\\textsuperscript{${m}}`));
  const authors = it.read(LINES.authors);
  const names = authors.flatMap(({ mark: m, text: t }, i) => [
    ...(i === 0
      ? []
      : it.source(i === authors.length - 1 ? (authors.length > 2 ? ', and ' : ' and ') : ', ')),
    ...t,
    ...raised(m),
  ]);
  const places = it
    .read(LINES.affiliations)
    .flatMap(({ mark: m, text: t }) => [
      ...it.source('\\\\{\\normalsize '),
      ...raised(m),
      ...t,
      ...it.source('}'),
    ]);
  return [...names, ...places];
}

/** authblk: authors with numbered affiliations. */
export const authblk: PackageEntry = {
  name: 'authblk',
  description: 'Authors with numbered affiliations.',
  options: null,
  commands: [
    {
      name: 'author',
      signature: 'oM',
      description: 'An author; brackets number the affiliation.',
      example: '\\author[1]{M. Quill}',
      package: 'authblk',
      run: (it, args) =>
        add(it, 'authors', args[0] ? textOf(it.p, tokensOf(args, 0)) : '', tokensOf(args, 1)),
    },
    {
      name: 'affil',
      signature: 'oM',
      description: 'An affiliation with its number.',
      example: '\\affil[1]{Harbour College}',
      package: 'authblk',
      run: (it, args) =>
        add(it, 'affiliations', args[0] ? textOf(it.p, tokensOf(args, 0)) : '', tokensOf(args, 1)),
    },
    {
      name: LIST,
      signature: '',
      description: 'The authors and their affiliations, as the title prints them.',
      example: '',
      run: (it) => it.execute(listed(it)),
    },
    quietEntry('Authfont', '', 'The font of authors.'),
    quietEntry('Affilfont', '', 'The font of affiliations.'),
    quietEntry('Authands', '', 'What stands before the last author.'),
  ],
};
