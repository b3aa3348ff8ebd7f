import { cell, cellsBy } from '../../expansion/cells';
import { withArguments } from '../../expansion/definitions';
import type { Token } from '../../expansion/meaning';
import { textOf, tokensText } from '../../expansion/tokenText';
import { keysOf } from '../constructs/bibliography';
import { type EntryTest, wantedEntries } from '../constructs/bibliographyList';
import { type CommandEntry, type EnvironmentEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { macroEntry } from '../machine/macroEntry';

type Choice = EntryTest | null;

/** A heading of the document's own: what it is called where no title is said, and its form. */
const ownHeading = cellsBy<{
  readonly title: readonly Token[] | null;
  readonly form: readonly Token[];
} | null>('bibheading', null);
const bibNote = cellsBy<readonly Token[] | null>('bibnote', null);
const bibFilter = cellsBy<string | null>('bibfilter', null);
/** The entries of a category. */
const category = cellsBy<readonly string[]>('bibcategory', []);
/** How many citations there were when the innermost section of sources began. */
const SECTION = cell<number | null>('refsection', null);

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
  subbibnumbered:
    '\\def\\@bibheading{\\@ifundefined{chapter}{\\subsection{\\refname}}{\\section{\\refname}}}',
};

/** What makes a heading of that name the heading of the list. */
export function headingOf(
  it: Interpreter,
  name: string,
  title: readonly Token[] | null,
): readonly Token[] {
  const own = it.read(ownHeading(name));
  if (!own) return it.source(HEADINGS[name] ?? '');
  const usual = title ?? own.title ?? it.source('\\@ifundefined{chapter}{\\refname}{\\bibname}');
  return [
    ...it.source('\\def\\@bibheading{'),
    ...withArguments(own.form, [usual]),
    ...it.source('}'),
  ];
}

/** The words of a note by its name. */
export const noteOf = (it: Interpreter, name: readonly Token[] | undefined): readonly Token[] =>
  name ? (it.read(bibNote(tokensText(name).trim())) ?? []) : [];

/** `type=book or (keyword=tides and not category=old)`, as one test; null where it cannot be read. */
function filterOf(it: Interpreter, text: string): Choice {
  const words = text.match(/[()]|[^\s()]+/g) ?? [];
  let at = 0;
  const one = (): EntryTest => {
    const word = words[at++] ?? '';
    if (word === 'not') {
      const inner = one();
      return (e) => !inner(e);
    }
    if (word === '(') {
      const inner = either();
      at++;
      return inner;
    }
    const [key = '', value = ''] = word.split('=');
    return chosenBy(it, key, value) ?? (() => true);
  };
  const both = (): EntryTest => {
    let test = one();
    while (words[at] === 'and') {
      at++;
      const [left, right] = [test, one()];
      test = (e) => left(e) && right(e);
    }
    return test;
  };
  function either(): EntryTest {
    let test = both();
    while (words[at] === 'or') {
      at++;
      const [left, right] = [test, both()];
      test = (e) => left(e) || right(e);
    }
    return test;
  }
  return words.length > 0 ? either() : null;
}

/** The entries that one option lets through, or null. */
function chosenBy(it: Interpreter, key: string, value: string): Choice {
  if (key === 'category') {
    const keys = it.read(category(value));
    return (e) => keys.includes(e.key);
  }
  if (key === 'notcategory') {
    const keys = it.read(category(value));
    return (e) => !keys.includes(e.key);
  }
  if (key === 'filter') return filterOf(it, it.read(bibFilter(value)) ?? '');
  return wantedEntries(new Map([[key, it.p.chars(value)]]));
}

/** The entries that all options of a list let through, and that its section cites. */
export function chosenEntries(
  it: Interpreter,
  options: ReadonlyMap<string, readonly Token[]>,
): Choice {
  const tests = [...options].map(([key, value]) => chosenBy(it, key, tokensText(value).trim()));
  const from = it.read(SECTION);
  if (from !== null) {
    const cited = new Set(it.citations.slice(from));
    tests.push(cited.has('*') ? null : (e) => cited.has(e.key));
  }
  const real = tests.filter((test) => test !== null);
  return real.length === 0 ? null : (e) => real.every((test) => test(e));
}

/** A command of the package. */
export const setting = (
  name: string,
  signature: string,
  description: string,
  example: string,
  run: CommandEntry['run'],
): CommandEntry => ({
  name,
  signature,
  description,
  example,
  package: 'biblatex',
  ...(run ? { run } : {}),
});

/** What chooses and heads lists of sources (biblatex manual, sections 3.8.2 to 3.8.9). */
export const choiceCommands: readonly CommandEntry[] = [
  setting(
    'defbibheading',
    'moM',
    'A heading of your own for lists of sources.',
    '\\defbibheading{mine}[Sources]{\\section*{#1}}',
    (it, args) =>
      it.write(
        ownHeading(textOf(it.p, tokensOf(args, 0)).trim()),
        { title: args[1] ? tokensOf(args, 1) : null, form: tokensOf(args, 2) },
        true,
      ),
  ),
  setting(
    'defbibnote',
    'mM',
    'Words before or behind a list.',
    '\\defbibnote{tide}{Ebb.}',
    (it, args) =>
      it.write(bibNote(textOf(it.p, tokensOf(args, 0)).trim()), tokensOf(args, 1), true),
  ),
  setting(
    'defbibfilter',
    'mm',
    'A choice of entries by a name.',
    '\\defbibfilter{papers}{type=article or type=inproceedings}',
    (it, args) =>
      it.write(
        bibFilter(textOf(it.p, tokensOf(args, 0)).trim()),
        tokensText(tokensOf(args, 1)),
        true,
      ),
  ),
  macroEntry(
    'DeclareBibliographyCategory',
    'm',
    'A kind of entries of your own.',
    '\\DeclareBibliographyCategory{old}',
    '',
  ),
  setting(
    'addtocategory',
    'mm',
    'Puts entries into a kind of your own.',
    '\\addtocategory{old}{quill}',
    (it, args) => {
      const to = category(textOf(it.p, tokensOf(args, 0)).trim());
      it.write(to, [...it.read(to), ...keysOf(it, tokensOf(args, 1))], true);
    },
  ),
  macroEntry(
    'newrefsection',
    'o',
    'Sources of a part of their own from here.',
    '\\newrefsection',
    '',
  ),
  macroEntry('newrefsegment', 'o', 'A segment of sources from here.', '\\newrefsegment', ''),
  macroEntry(
    'newrefcontext',
    'om',
    'Another order of sources.',
    '\\newrefcontext[sorting=nyt]{}',
    '',
  ),
  macroEntry('endrefcontext', '', 'Ends another order of sources.', '\\endrefcontext', ''),
];

const plain = (name: string, signature: string, description: string): EnvironmentEntry => ({
  name,
  signature,
  description,
  example: `\\begin{${name}}${signature === 'om' ? '{}' : ''}\nEbb\n\\end{${name}}`,
  package: 'biblatex',
  begin: () => undefined,
});

/** Parts with sources of their own. */
export const choiceEnvironments: readonly EnvironmentEntry[] = [
  {
    ...plain('refsection', 'o', 'A part whose list names what is cited in it.'),
    begin: (it) => it.write(SECTION, it.citations.length),
  },
  plain('refsegment', 'o', 'A segment of the sources.'),
  plain('refcontext', 'om', 'Sources in another order.'),
];
