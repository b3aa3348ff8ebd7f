import { cell } from '../../expansion/cells';
import { textOf } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import { CELLS } from '../machine/cells';
import { tokensOf, type CommandEntry, type PackageEntry } from '../machine/entries';
import { macroEntry, quietEntry } from '../machine/macroEntry';
import { keyValues } from '../scanning/optionLists';

/** The files that hold the entries, as they were named. */
const RESOURCES = cell<readonly string[]>('bibresources', []);

/** How each style is set here: the nearest of the styles of `.bst` files. */
const STYLES: Readonly<Record<string, string>> = {
  numeric: 'plain',
  'numeric-comp': 'plain',
  'numeric-verb': 'plain',
  alphabetic: 'alpha',
  'alphabetic-verb': 'alpha',
  authoryear: 'plainnat',
  'authoryear-comp': 'plainnat',
  'authoryear-icomp': 'plainnat',
  authortitle: 'plainnat',
  apa: 'apalike',
  mla: 'plainnat',
  chicago: 'plainnat',
  ieee: 'ieeetr',
  nature: 'unsrt',
  science: 'unsrt',
  phys: 'unsrt',
};

/** The style for the options of the package: its name, and whether entries stand in the order they are cited. */
export function styleFor(options: readonly string[]): string {
  const value = (key: string): string | undefined =>
    options
      .map((option) => option.split('=').map((side) => side.trim()))
      .find(([name]) => name === key)?.[1];
  const named = value('style') ?? value('bibstyle') ?? value('citestyle') ?? 'numeric';
  const style = STYLES[named] ?? (/author|year/.test(named) ? 'plainnat' : 'plain');
  const asCited = value('sorting') === 'none';
  if (!asCited) return style;
  return style === 'plain' ? 'unsrt' : style === 'plainnat' ? 'unsrtnat' : style;
}

const citing = (name: string, what: string, macro: string): CommandEntry[] =>
  [name, name.charAt(0).toUpperCase() + name.slice(1)].map((one) =>
    macroEntry(one, '', what, `\\${one}{quill}`, macro),
  );

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
      run: (it, args) => {
        const options = keyValues(tokensOf(args, 0));
        const title = options.get('title');
        const files = it.read(RESOURCES);
        if (files.length === 0) return;
        const { p } = it;
        const group = (tokens: readonly Token[]): Token[] => [
          p.make(1, '{'),
          ...tokens,
          p.make(2, '}'),
        ];
        const heading = title
          ? ['refname', 'bibname'].flatMap((name) => [
              p.command('def'),
              p.command(name),
              ...group(title),
            ])
          : [];
        it.execute([...heading, p.command('bibliography'), ...group(p.chars(files.join(',')))]);
      },
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
      '\\footnote{\\citealt{#2}}',
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
    ...[
      'ExecuteBibliographyOptions',
      'DeclareFieldFormat',
      'DefineBibliographyStrings',
      'defbibheading',
      'DeclareNameAlias',
      'renewbibmacro',
      'AtEveryBibitem',
    ].map((name) =>
      quietEntry(
        name,
        name === 'ExecuteBibliographyOptions' || name === 'AtEveryBibitem' ? 'm' : 'om',
        'How bibliographies look.',
      ),
    ),
    macroEntry(
      'printbibheading',
      'o',
      'The heading of the bibliography.',
      '\\printbibheading',
      '\\@bibheading',
    ),
  ],
  setup: (it, options) => it.write(CELLS.bibStyle, styleFor(options), true),
};
