import type { Token } from '../../expansion/meaning';
import { textOf } from '../../expansion/expandables';
import type { PackageEntry } from '../entries';
import { tokensOf } from '../entries';
import type { Interpreter } from '../interpreter';
import { quietEntry } from '../macroEntry';
import { setTitlePart } from '../constructs/title';

interface Line {
  readonly mark: string;
  readonly text: readonly Token[];
}

const read = (it: Interpreter, name: string): readonly Line[] =>
  (it.state.get(it.state.cell(`\u0001${name}`)) as readonly Line[] | undefined) ?? [];

function add(it: Interpreter, name: string, mark: string, text: readonly Token[]): void {
  it.state.set(it.state.cell(`\u0001${name}`), [...read(it, name), { mark, text }], true);
  const raised = (m: string): Token[] => (m === '' ? [] : it.source(`\\textsuperscript{${m}}`));
  const authors = read(it, 'authors');
  const names = authors.flatMap(({ mark: m, text: t }, i) => [
    ...(i === 0
      ? []
      : it.source(i === authors.length - 1 ? (authors.length > 2 ? ', and ' : ' and ') : ', ')),
    ...t,
    ...raised(m),
  ]);
  const places = read(it, 'affiliations').flatMap(({ mark: m, text: t }) => [
    ...it.source('\\\\{\\normalsize '),
    ...raised(m),
    ...t,
    ...it.source('}'),
  ]);
  setTitlePart(it, 'author', [...names, ...places]);
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
    quietEntry('Authfont', '', 'The font of authors.'),
    quietEntry('Affilfont', '', 'The font of affiliations.'),
    quietEntry('Authands', '', 'What stands before the last author.'),
  ],
};
