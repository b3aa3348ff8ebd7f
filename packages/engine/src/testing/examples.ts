import type { Described } from '../language/machine/entries';
import { kernel } from '../language/kernel/kernel';
import { PACKAGES } from '../language/packages';

/** Examples that only make sense inside something else, or before the document. */
const NEEDS: Readonly<Record<string, (example: string) => string>> = {
  array: (e) => `$${e.replaceAll('$', '')}$`,
  displaylines: () => '$\\displaylines{a\\cr b\\cr}$',
  gathered: () => '$\\begin{gathered}a\\\\b\\end{gathered}$',
  item: (e) => `\\begin{itemize}${e}\\end{itemize}`,
  hline: (e) => `\\begin{tabular}{l}${e} x\\end{tabular}`,
  qedhere: (e) => `\\begin{proof}x ${e}\\end{proof}`,
  nonumber: () => '\\begin{equation}x\\nonumber\\end{equation}',
  notag: () => '\\begin{equation}x\\notag\\end{equation}',
  tag: () => '\\begin{equation}x\\tag{T}\\end{equation}',
  newcounter: (e) => e,
  refstepcounter: (e) => `\\newcounter{ferry}${e}`,
  counterwithin: (e) => e,
  theoremstyle: (e) => e,
  renewenvironment: () =>
    '\\newenvironment{note}{}{}\\renewenvironment{note}{\\begin{quote}}{\\end{quote}}x',
};
/** What an example may be told of: it points to what it does not bring, or does nothing yet. */
export const EXPECTED = new Set([
  'line-too-wide',
  'reference-unknown',
  'citation-unknown',
  'file-missing',
  'picture-unreadable',
  'command-without-effect',
  // A package brings it with an option, which the button gives.
  'option-needed',
]);
const SKIPPED = new Set([
  'documentclass',
  'usepackage',
  'RequirePackage',
  'begin',
  'end',
  ')',
  ']',
  'begingroup',
  'endgroup',
  'right',
  'middle',
  'eqref',
  'ref',
  'pageref',
  'title',
  'author',
  'date',
  'maketitle',
  'AtBeginDocument',
  'newtheorem',
  'addtolength',
  'document',
  'filecontents',
  'filecontents*',
  'input',
  'include',
]);

/** An example of the vocabulary, and the packages it needs. */
export interface Example {
  readonly name: string;
  readonly example: string;
  readonly packages: string;
}

const shownOf = (entries: readonly Described[], packages: string): Example[] =>
  entries
    .filter(
      ({ name, example }) => example !== '' && !SKIPPED.has(name) && !/[\u0000-\u001f@]/.test(name),
    )
    .map(({ name, example, ...entry }) => ({
      name,
      // An environment that is only mathematics shows what stands in a formula.
      example:
        'math' in entry &&
        !('begin' in entry) &&
        !('run' in entry) &&
        example.startsWith('\\begin') &&
        !example.includes('align*')
          ? `$${example}$`
          : example,
      packages,
    }));

const BASE = 'mathtools,amssymb,amsthm,enumitem';
/** Every example that can be shown by itself. */
export const examples: readonly Example[] = [
  ...shownOf([...(kernel.commands ?? []), ...(kernel.environments ?? [])], BASE),
  ...Object.values(PACKAGES).flatMap((entry) =>
    entry
      ? shownOf(
          [...(entry.commands ?? []), ...(entry.environments ?? []), ...(entry.described ?? [])],
          entry.name,
        )
      : [],
  ),
];

/** An example as it stands in a document: within what it needs around it. */
export const sourceOf = ({ name, example }: Example): string => NEEDS[name]?.(example) ?? example;
