import { cell } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { textOf, tokensText } from '../../expansion/tokenText';
import { keysOf } from '../constructs/bibliography';
import { listTokens } from '../constructs/bibliographyList';
import { tokensOf, type PackageEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { idleEntry, quietEntry } from '../machine/macroEntry';
import { keyValues } from '../scanning/optionLists';
import {
  choiceCommands,
  choiceEnvironments,
  chosenEntries,
  headingOf,
  noteOf,
} from './biblatexChoice';
import { citeCommands } from './biblatexCites';
import { beforeEntries, listRequest, lookCommands, optionNames } from './biblatexLook';
import { setOptions, setStyleOf } from './biblatexOptions';
import { BIBLATEX_SOURCE } from './biblatexSource';

/** The files that hold the entries, as they were named. */
const RESOURCES = cell<readonly string[]>('bibresources', []);

const addResources = (it: Interpreter, files: readonly string[]): void =>
  it.write(
    RESOURCES,
    [...it.read(RESOURCES), ...files.map((file) => file.replace(/\.bib$/, ''))],
    true,
  );

/** `\printbibliography[title=…,heading=…,type=…]`. */
function printBibliography(it: Interpreter, given: readonly Token[], token: Token): void {
  const options = keyValues(given);
  const files = it.read(RESOURCES);
  if (files.length === 0) return;
  const { p } = it;
  const at = it.spanOf(token);
  const span = { from: at.from, to: Math.max(at.to, p.here()) };
  it.openGroup({ kind: 'semisimple', span: p.place });
  it.execute(headingFor(it, options));
  const request = {
    wanted: chosenEntries(it, options),
    before: [...noteOf(it, options.get('prenote')), ...beforeEntries(it)],
    after: noteOf(it, options.get('postnote')),
    countsAnew: options.has('resetnumbers'),
    ...listRequest(it),
  };
  it.execute(listTokens(it, files, span, request));
  it.closeGroup();
}

/** What makes the heading that the options ask for the heading of the list. */
function headingFor(it: Interpreter, options: ReadonlyMap<string, readonly Token[]>): Token[] {
  const { p } = it;
  const title = options.get('title');
  const named = tokensText(options.get('heading') ?? []).trim();
  const words = (title ? ['refname', 'bibname'] : []).flatMap((name) => [
    p.command('def'),
    p.command(name),
    p.make(1, '{'),
    ...(title ?? []),
    p.make(2, '}'),
  ]);
  return [...words, ...headingOf(it, named, title ?? null)];
}

/** What changes the look of entries in ways that are not followed here, with what it takes. */
const IDLE: readonly (readonly [name: string, signature: string])[] = [
  ['DeclareNameFormat', 'omm'],
  ['DeclareListFormat', 'omm'],
  ['DeclareFieldAlias', 'omm'],
  ['DeclareBibliographyDriver', 'mm'],
  ['DeclareLabelalphaTemplate', 'om'],
  ['DeclareSortingTemplate', 'om'],
];
/** What has nothing to change here: indexes of entries, aliases of kinds, checks. */
const QUIET: readonly (readonly [name: string, signature: string])[] = [
  ['DeclareIndexFieldFormat', 'omm'],
  ['DeclareBibliographyAlias', 'mm'],
  ['DefineBibliographyExtras', 'mm'],
  ['defbibcheck', 'mm'],
  ['AtEveryCitekey', 'm'],
];

/** biblatex: citations and bibliographies, their entries from `.bib` files. */
export const biblatex: PackageEntry = {
  name: 'biblatex',
  description: 'Citations and bibliographies by number, by letters, or by author and year.',
  options: null,
  requires: ['natbib', 'url'],
  commands: [
    {
      name: 'addbibresource',
      signature: 'om',
      package: 'biblatex',
      description: 'A file with entries for the bibliography.',
      example: '\\addbibresource{harbour.bib}',
      run: (it, args) => {
        addResources(it, [textOf(it.p, tokensOf(args, 1))]);
      },
    },
    {
      name: 'printbibliography',
      signature: 'o',
      package: 'biblatex',
      description: 'The list of what is cited; title= gives it another heading.',
      example: '\\printbibliography',
      run: (it, args, token) => printBibliography(it, tokensOf(args, 0), token),
    },
    ...citeCommands,
    {
      name: 'ExecuteBibliographyOptions',
      signature: 'om',
      package: 'biblatex',
      description: 'Options of the package, said later.',
      example: '\\ExecuteBibliographyOptions{isbn=false}',
      run: (it, args) => setOptions(it, optionNames(tokensOf(args, 1))),
    },
    ...IDLE.map(([name, signature]) => idleEntry(name, signature, 'How bibliographies look.')),
    ...QUIET.map(([name, signature]) => quietEntry(name, signature, 'How bibliographies look.')),
    ...lookCommands,
    ...choiceCommands,
    {
      name: 'printbibheading',
      signature: 'o',
      package: 'biblatex',
      description: 'The heading of the bibliography.',
      example: '\\printbibheading',
      run: (it, args) => {
        it.openGroup({ kind: 'semisimple', span: it.p.place });
        it.execute(headingFor(it, keyValues(tokensOf(args, 0))));
        it.call('@bibheading');
        it.closeGroup();
      },
    },
    {
      name: 'bibliography',
      signature: 'm',
      package: 'biblatex',
      description: 'Files with entries for the bibliography, as older documents name them.',
      example: '\\bibliography{harbour}',
      run: (it, args) => addResources(it, keysOf(it, tokensOf(args, 0))),
    },
  ],
  environments: choiceEnvironments,
  source: BIBLATEX_SOURCE,
  setup: (it, options) => {
    setOptions(it, options);
    setStyleOf(it, options);
  },
};
