import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { cell } from '../../expansion/cells';
import { tokensOf, type CommandEntry, type PackageEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { macroEntry } from '../machine/macroEntry';
import { keyValues } from '../scanning/optionLists';

/** A word of the glossary or an abbreviation. */
interface Entry {
  readonly key: string;
  readonly name: readonly Token[];
  readonly plural: readonly Token[] | null;
  readonly description: readonly Token[];
  /** An abbreviation stands for it. */
  readonly long: readonly Token[] | null;
  readonly acronym: boolean;
}

const ENTRIES = cell<readonly Entry[]>('glossary', []);
/** The words that were used; those of the printed list, and abbreviations already written out. */
const USED = cell<readonly string[]>('glossaryused', []);

const add = (it: Interpreter, entry: Entry): void =>
  it.write(ENTRIES, [...it.read(ENTRIES).filter(({ key }) => key !== entry.key), entry], true);
const entryOf = (it: Interpreter, key: string): Entry | undefined =>
  it.read(ENTRIES).find((entry) => entry.key === key);
const keyIn = (tokens: readonly Token[]): string => tokensText(tokens).trim();

function newEntry(
  it: Interpreter,
  key: string,
  options: ReadonlyMap<string, readonly Token[]>,
): void {
  const name = options.get('name') ?? options.get('short') ?? it.p.chars(key);
  add(it, {
    key,
    name,
    plural: options.get('plural') ?? null,
    description: options.get('description') ?? options.get('long') ?? [],
    long: null,
    acronym: false,
  });
}

type Form = 'usual' | 'short' | 'long' | 'full' | 'name' | 'description';

/** The words that stand for an entry in the text. */
function wordsFor(it: Interpreter, entry: Entry, form: Form, plural: boolean): Token[] {
  const s = plural ? it.p.chars('s') : [];
  const name = plural && entry.plural ? [...entry.plural] : [...entry.name, ...s];
  const long = entry.long ? [...entry.long, ...s] : name;
  const isFirst = !it.read(USED).includes(entry.key);
  if (isFirst) it.write(USED, [...it.read(USED), entry.key], true);
  if (form === 'description') return [...entry.description];
  if (form === 'long') return long;
  if (form === 'full' || (form === 'usual' && isFirst && entry.long))
    return [...long, ...it.source(' ('), ...name, ...it.source(')')];
  return name;
}

const use = (name: string, form: Form, { plural = false, capital = false } = {}): CommandEntry => ({
  name,
  signature: 'som',
  description: `A word of the glossary${plural ? ' in the plural' : ''}${capital ? ', with a capital' : ''}.`,
  example: `\\newglossaryentry{ebb}{name=ebb,description=falling water}\\${name}{ebb}`,
  run: (it, args) => {
    const key = keyIn(tokensOf(args, 2));
    const entry = entryOf(it, key);
    if (!entry) {
      it.p.push(it.source(`\\textbf{${key}}`));
      return;
    }
    const words = wordsFor(it, entry, form, plural);
    it.p.push(capital ? [...it.source('\\MakeUppercase '), ...words] : words);
  },
});

/** The list of what was used, in the order of the alphabet. */
function print(it: Interpreter, acronyms: boolean | null): void {
  const wanted = it
    .read(ENTRIES)
    .filter((entry) => acronyms === null || entry.acronym === acronyms)
    .sort((a, b) => tokensText(a.name).localeCompare(tokensText(b.name)));
  if (wanted.length === 0) return;
  const heading = acronyms ? '\\acronymname' : '\\glossaryname';
  it.p.push([
    ...it.source(`\\gls@heading{${heading}}\\begin{description}`),
    ...wanted.flatMap(({ name, description, long }) => [
      ...it.source('\\item['),
      ...name,
      ...it.source('] '),
      ...(long ?? description),
    ]),
    ...it.source('\\end{description}'),
  ]);
}

/** glossaries: words with what they mean, and abbreviations. */
export const glossaries: PackageEntry = {
  name: 'glossaries',
  description: 'Words with what they mean, abbreviations, and lists of them.',
  options: null,
  commands: [
    {
      name: 'newglossaryentry',
      signature: 'mM',
      description: 'A word of the glossary: its name and description.',
      example: '\\newglossaryentry{ebb}{name=ebb,description=falling water}',
      run: (it, args) => newEntry(it, keyIn(tokensOf(args, 0)), keyValues(tokensOf(args, 1))),
    },
    {
      name: 'longnewglossaryentry',
      signature: 'mMM',
      description: 'A word of the glossary, its description apart.',
      example: '\\longnewglossaryentry{ebb}{name=ebb}{falling water}',
      run: (it, args) =>
        newEntry(
          it,
          keyIn(tokensOf(args, 0)),
          new Map([...keyValues(tokensOf(args, 1)), ['description', tokensOf(args, 2)] as const]),
        ),
    },
    {
      name: 'newacronym',
      signature: 'ommm',
      description: 'An abbreviation: its key, its short and its long form.',
      example: '\\newacronym{hw}{HW}{high water}',
      run: (it, args) =>
        add(it, {
          key: keyIn(tokensOf(args, 1)),
          name: tokensOf(args, 2),
          plural: null,
          description: [],
          long: tokensOf(args, 3),
          acronym: true,
        }),
    },
    use('gls', 'usual'),
    use('Gls', 'usual', { capital: true }),
    use('glspl', 'usual', { plural: true }),
    use('Glspl', 'usual', { plural: true, capital: true }),
    use('acrshort', 'short'),
    use('acrlong', 'long'),
    use('acrfull', 'full'),
    use('glsxtrshort', 'short'),
    use('glsxtrlong', 'long'),
    use('glsxtrfull', 'full'),
    use('glsentrytext', 'name'),
    use('glsentryname', 'name'),
    use('glsentrydesc', 'description'),
    use('glsdesc', 'description'),
    {
      name: 'printglossary',
      signature: 'o',
      description: 'Prints the words and what they mean.',
      example: '\\newglossaryentry{ebb}{name=ebb,description=falling water}\\printglossary',
      run: (it, args) => print(it, /acronym/.test(tokensText(tokensOf(args, 0)))),
    },
    {
      name: 'printglossaries',
      signature: '',
      description: 'Prints the words and the abbreviations.',
      example: '\\newglossaryentry{ebb}{name=ebb,description=falling water}\\printglossaries',
      run: (it) => {
        it.p.push(it.source('\\printglossary\\printacronyms'));
      },
    },
    {
      name: 'printacronyms',
      signature: 'o',
      description: 'Prints the abbreviations.',
      example: '\\newacronym{hw}{HW}{high water}\\printacronyms',
      run: (it) => print(it, true),
    },
    macroEntry('makeglossaries', '', 'Asks for the lists to be made.', '\\makeglossaries', ''),
    macroEntry(
      'makenoidxglossaries',
      '',
      'Asks for the lists to be made.',
      '\\makenoidxglossaries',
      '',
    ),
    macroEntry('glsaddall', 'o', 'All words belong to the list.', '\\glsaddall', ''),
    macroEntry(
      'setacronymstyle',
      'm',
      'How abbreviations are written.',
      '\\setacronymstyle{long-short}',
      '',
    ),
    macroEntry(
      'setabbreviationstyle',
      'om',
      'How abbreviations are written.',
      '\\setabbreviationstyle{long-short}',
      '',
    ),
    macroEntry('glossarystyle', 'm', 'How the lists look.', '\\glossarystyle{list}', ''),
    macroEntry('setglossarystyle', 'm', 'How the lists look.', '\\setglossarystyle{list}', ''),
  ],
  source: String.raw`
\providecommand\glossaryname{Glossary}\providecommand\acronymname{Acronyms}
\newcommand\gls@heading[1]{\@ifundefined{chapter}{\section*{#1}}{\chapter*{#1}}}
\let\printnoidxglossary\printglossary\let\printnoidxglossaries\printglossaries\let\newabbreviation\newacronym
`,
};
