import { cell } from '../../expansion/cells';

import { textOf, tokensText } from '../../expansion/tokenText';
import { ENTRY_LOOK, NOTES_AROUND, WANTED } from '../constructs/bibliography';
import type { Interpreter } from '../machine/interpreter';
import { SORTED } from './natbib';
import type { Token } from '../../expansion/meaning';
import { CELLS } from '../machine/cells';
import { tokensOf, type PackageEntry } from '../machine/entries';
import { macroEntry, quietEntry } from '../machine/macroEntry';
import {
  choiceCommands,
  choiceEnvironments,
  chosenEntries,
  headingOf,
  noteOf,
} from './biblatexChoice';
import { AUTOCITE, citeCommands } from './biblatexCites';
import { BIBLATEX_SOURCE } from './biblatexSource';
import { keyValues } from '../scanning/optionLists';

/** The files that hold the entries, as they were named. */
const RESOURCES = cell<readonly string[]>('bibresources', []);

/** Styles of other packages, by the standard ones that are nearest. */
const STYLES: Readonly<Record<string, string>> = {
  apa: 'authoryear',
  mla: 'authoryear',
  authortitle: 'authoryear',
  ieee: 'numeric-ascited',
  nature: 'numeric-ascited',
  science: 'numeric-ascited',
  phys: 'numeric-ascited',
};

const optionOf = (options: readonly string[], key: string): string | undefined =>
  options
    .map((option) => option.split('=').map((side) => side.trim()))
    .find(([name]) => name === key)?.[1];

/** The style for the options of the package: its name, and whether entries stand in the order they are cited. */
export function styleFor(options: readonly string[]): string {
  const value = (key: string): string | undefined => optionOf(options, key);
  const named = value('style') ?? value('bibstyle') ?? value('citestyle') ?? 'numeric';
  const kind =
    STYLES[named] ??
    (/^alphabetic/.test(named)
      ? 'alphabetic'
      : /author|year|chicago|^verbose/.test(named)
        ? 'authoryear'
        : 'numeric');
  const asCited = value('sorting') === 'none' && !kind.endsWith('ascited');
  return `biblatex-${kind}${asCited ? '-ascited' : ''}`;
}

/** What options say of the names of entries, and of several numbers at once. */
function setUp(it: Interpreter, options: readonly string[]): void {
  it.write(CELLS.bibStyle, styleFor(options), true);
  const most = (key: string): number =>
    Number(optionOf(options, key) ?? optionOf(options, 'maxnames') ?? 3) || 3;
  const initials = options.some((o) => /^giveninits(?:=true)?$|^firstinits(?:=true)?$/.test(o));
  it.write(
    ENTRY_LOOK,
    { initials, mostNames: most('maxbibnames'), mostCited: most('maxcitenames') },
    true,
  );
  const style = optionOf(options, 'style') ?? optionOf(options, 'citestyle') ?? '';
  if (style === 'numeric-comp') it.write(SORTED, true, true);
  const usual = /^verbose/.test(style)
    ? 'verbose'
    : /^authortitle/.test(style)
      ? 'footnote'
      : 'plain';
  it.write(AUTOCITE, optionOf(options, 'autocite') ?? usual, true);
  const byYear = styleFor(options).includes('authoryear');
  it.execute(
    it.source(`\\def\\multicitedelim{${byYear ? '\\addsemicolon' : '\\addcomma'}\\space}`),
  );
}

/** `\printbibliography[title=…,heading=…,type=…]`. */
function printBibliography(it: Interpreter, given: readonly Token[]): void {
  const options = keyValues(given);
  const files = it.read(RESOURCES);
  if (files.length === 0) return;
  const title = options.get('title');
  const { p } = it;
  it.openGroup({ kind: 'semisimple', span: p.place });
  const heading = headingOf(it, tokensText(options.get('heading') ?? []).trim(), title ?? null);
  it.execute(heading);
  it.write(NOTES_AROUND, {
    before: noteOf(it, options.get('prenote')),
    after: noteOf(it, options.get('postnote')),
  });
  for (const name of title ? ['refname', 'bibname'] : [])
    it.execute([
      p.command('def'),
      p.command(name),
      p.make(1, '{'),
      ...(title ?? []),
      p.make(2, '}'),
    ]);
  it.write(WANTED, chosenEntries(it, options));
  it.execute([
    p.command('bibliography'),
    p.make(1, '{'),
    ...p.chars(files.join(',')),
    p.make(2, '}'),
  ]);
  it.closeGroup();
}

/** What changes the look of entries in ways that are not followed here, with what it takes. */
const QUIET: readonly (readonly [name: string, signature: string])[] = [
  ['ExecuteBibliographyOptions', 'om'],
  ['DeclareFieldFormat', 'somm'],
  ['DeclareIndexFieldFormat', 'omm'],
  ['DeclareListFormat', 'omm'],
  ['DeclareNameFormat', 'omm'],
  ['DeclareNameAlias', 'omm'],
  ['DeclareFieldAlias', 'omm'],
  ['DeclareDelimFormat', 'omm'],
  ['DeclareSourcemap', 'm'],
  ['DeclareBibliographyAlias', 'mm'],
  ['DeclareBibliographyDriver', 'mm'],
  ['DeclareLabelalphaTemplate', 'om'],
  ['DeclareSortingTemplate', 'om'],
  ['DefineBibliographyStrings', 'mm'],
  ['DefineBibliographyExtras', 'mm'],
  ['defbibcheck', 'mm'],
  ['renewbibmacro', 'smoom'],
  ['newbibmacro', 'smoom'],
  ['providebibmacro', 'smoom'],
  ['AtEveryBibitem', 'm'],
  ['AtEveryCitekey', 'm'],
  ['AtBeginBibliography', 'm'],
  ['AtNextBibliography', 'm'],
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
        const file = textOf(it.p, tokensOf(args, 1)).replace(/\.bib$/, '');
        it.write(RESOURCES, [...it.read(RESOURCES), file], true);
      },
    },
    {
      name: 'printbibliography',
      signature: 'o',
      package: 'biblatex',
      description: 'The list of what is cited; title= gives it another heading.',
      example: '\\printbibliography',
      run: (it, args) => printBibliography(it, tokensOf(args, 0)),
    },
    ...citeCommands,
    ...QUIET.map(([name, signature]) => quietEntry(name, signature, 'How bibliographies look.')),
    ...choiceCommands,
    macroEntry(
      'printbibheading',
      'o',
      'The heading of the bibliography.',
      '\\printbibheading',
      '\\@bibheading',
    ),
  ],
  environments: choiceEnvironments,
  source: BIBLATEX_SOURCE,
  setup: setUp,
};
