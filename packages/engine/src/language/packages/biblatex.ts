import { readArgument, readOptional } from '../../expansion/arguments';
import { cell } from '../../expansion/cells';
import { Cat } from '../../tokens/categories';
import { textOf, tokensText } from '../../expansion/tokenText';
import { ENTRY_LOOK, wantedEntries, WANTED } from '../constructs/bibliography';
import type { Interpreter } from '../machine/interpreter';
import { SORTED } from './natbib';
import type { Token } from '../../expansion/meaning';
import { CELLS } from '../machine/cells';
import { tokensOf, type CommandEntry, type PackageEntry } from '../machine/entries';
import { macroEntry, quietEntry } from '../machine/macroEntry';
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
      : /author|year|chicago/.test(named)
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
}

/** Headings of the list by their names. */
const HEADINGS: Readonly<Record<string, string>> = {
  none: '\\let\\@bibheading\\relax ',
  bibintoc:
    '\\let\\blx@heading\\@bibheading\\def\\@bibheading{\\blx@heading\\@ifundefined{chapter}{\\addcontentsline{toc}{section}{\\refname}}{\\addcontentsline{toc}{chapter}{\\bibname}}}',
  bibnumbered:
    '\\def\\@bibheading{\\@ifundefined{chapter}{\\section{\\refname}}{\\chapter{\\bibname}}}',
  subbibliography:
    '\\def\\@bibheading{\\@ifundefined{chapter}{\\subsection*{\\refname}}{\\section*{\\refname}}}',
  subbibintoc:
    '\\def\\@bibheading{\\@ifundefined{chapter}{\\subsection*{\\refname}\\addcontentsline{toc}{subsection}{\\refname}}{\\section*{\\refname}\\addcontentsline{toc}{section}{\\refname}}}',
};

/** `\printbibliography[title=…,heading=…,type=…]`. */
function printBibliography(it: Interpreter, given: readonly Token[]): void {
  const options = keyValues(given);
  const files = it.read(RESOURCES);
  if (files.length === 0) return;
  const title = options.get('title');
  const heading = HEADINGS[tokensText(options.get('heading') ?? []).trim()];
  const { p } = it;
  it.openGroup({ kind: 'semisimple', span: p.place });
  if (heading) it.execute(it.source(heading));
  for (const name of title ? ['refname', 'bibname'] : [])
    it.execute([
      p.command('def'),
      p.command(name),
      p.make(1, '{'),
      ...(title ?? []),
      p.make(2, '}'),
    ]);
  it.write(WANTED, wantedEntries(options));
  it.execute([
    p.command('bibliography'),
    p.make(1, '{'),
    ...p.chars(files.join(',')),
    p.make(2, '}'),
  ]);
  it.closeGroup();
}

const citing = (name: string, what: string, macro: string): CommandEntry[] =>
  [name, name.charAt(0).toUpperCase() + name.slice(1)].map((one) =>
    macroEntry(one, '', what, `\\${one}{quill}`, macro),
  );

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
  ['DeclareBibliographyCategory', 'm'],
  ['DeclareBibliographyAlias', 'mm'],
  ['DeclareBibliographyDriver', 'mm'],
  ['DeclareLabelalphaTemplate', 'om'],
  ['DeclareSortingTemplate', 'om'],
  ['DefineBibliographyStrings', 'mm'],
  ['DefineBibliographyExtras', 'mm'],
  ['defbibheading', 'mom'],
  ['defbibnote', 'mm'],
  ['defbibfilter', 'mm'],
  ['defbibcheck', 'mm'],
  ['addtocategory', 'mm'],
  ['renewbibmacro', 'smoom'],
  ['newbibmacro', 'smoom'],
  ['providebibmacro', 'smoom'],
  ['newrefcontext', 'om'],
  ['endrefcontext', ''],
  ['AtEveryBibitem', 'm'],
  ['AtEveryCitekey', 'm'],
  ['AtBeginBibliography', 'm'],
  ['AtNextBibliography', 'm'],
];

/** Commands that cite several entries, each with notes of its own, and the one that cites them at once. */
const MANY = [
  ['cites', 'cite'],
  ['parencites', 'citep'],
  ['textcites', 'citet'],
  ['autocites', 'citep'],
  ['footcites', 'footcite'],
  ['supercites', 'supercite'],
] as const;

/** `\parencites[12]{a}[see][]{b}{c}`: their notes are the last one's. */
const many = (name: string, one: string): CommandEntry => ({
  name,
  signature: '',
  package: 'biblatex',
  description: 'Cites several entries.',
  example: `Tide \\${name}{quill}{marr}`,
  run: (it) => {
    const { p } = it;
    const keys: string[] = [];
    let note: readonly Token[] | null = null;
    for (;;) {
      const notes = [readOptional(p, false), readOptional(p, false)];
      const next = p.next();
      if (next) p.unread(next);
      if (next?.cat !== Cat.Begin) break;
      note = notes[1] ?? notes[0] ?? note;
      keys.push(textOf(p, readArgument(p, p.command(name)) ?? []));
    }
    const bracketed = note ? [...p.chars('['), ...note, ...p.chars(']')] : [];
    p.push([
      p.command(one),
      ...bracketed,
      p.make(Cat.Begin, '{'),
      ...p.chars(keys.join(',')),
      p.make(Cat.End, '}'),
    ]);
  },
});

/** biblatex: citations and bibliographies, their entries from `.bib` files. */
export const biblatex: PackageEntry = {
  name: 'biblatex',
  description: 'Citations and bibliographies by number, by letters, or by author and year.',
  options: null,
  requires: ['natbib'],
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
    ...citing('parencite', 'Cites in brackets.', '\\citep'),
    ...citing('textcite', 'Cites in the sentence.', '\\citet'),
    ...citing('autocite', 'Cites as the style has it.', '\\citep'),
    ...citing('fullcite', 'Cites an entry as a whole.', '\\citealt'),
    macroEntry(
      'footcite',
      'om',
      'Cites in a note at the foot.',
      'Tide\\footcite{quill}',
      '\\footnote{\\citealp[#1]{#2}.}',
    ),
    macroEntry(
      'supercite',
      'm',
      'Cites by a raised number.',
      'Tide\\supercite{quill}',
      '\\textsuperscript{\\citealp{#1}}',
    ),
    macroEntry(
      'citetitle',
      'm',
      'Cites an entry by its title; its author stands for it here.',
      '\\citetitle{quill}',
      '\\citeauthor{#1}',
    ),
    ...QUIET.map(([name, signature]) => quietEntry(name, signature, 'How bibliographies look.')),
    ...MANY.map(([name, one]) => many(name, one)),
    macroEntry(
      'footfullcite',
      'om',
      'Cites an entry as a whole in a note.',
      'Tide\\footfullcite{quill}',
      '\\footnote{\\citealt[#1]{#2}.}',
    ),
    macroEntry(
      'smartcite',
      'om',
      'Cites as the place asks for it.',
      'Tide \\smartcite{quill}',
      '\\citep[#1]{#2}',
    ),
    macroEntry('citedate', 'm', 'The year of an entry.', '\\citedate{quill}', '\\citeyear{#1}'),
    macroEntry(
      'printbibheading',
      'o',
      'The heading of the bibliography.',
      '\\printbibheading',
      '\\@bibheading',
    ),
  ],
  source: String.raw`\newlength\bibitemsep\newlength\bibnamesep\newlength\bibinitsep\def\mkbibparens#1{(#1)}\def\mkbibbrackets#1{[#1]}\def\mkbibemph#1{\emph{#1}}\def\mkbibquote#1{“#1”}\def\mkbibbold#1{\textbf{#1}}\def\mkbibitalic#1{\textit{#1}}`,
  setup: setUp,
};
