import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { cell, flag } from '../../expansion/cells';
import { tokensOf, type Args, type CommandEntry, type PackageEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { macroEntry, quietEntry } from '../machine/macroEntry';
import { readOptional } from '../../expansion/arguments';
import { keyValues } from '../scanning/optionLists';

/** A word of the glossary or an abbreviation: what is said of it by the keys of the manual, section 4. */
interface Entry {
  readonly key: string;
  readonly fields: ReadonlyMap<string, readonly Token[]>;
  /** The list it stands in. */
  readonly list: string;
}

const ENTRIES = cell<readonly Entry[]>('glossary', []);
/** Words that were used, so that what stands at their first use is not said again. */
const USED = cell<readonly string[]>('glossaryused', []);
/** Words that belong to the list: those the text names; `*` is all. */
const LISTED = cell<readonly string[]>('glossarylisted', []);
const STYLE = cell('glossarystyle', 'long-short');

/** Abbreviations have a list of their own (option `acronym`). */
const SEPARATE = flag('glossaryacronyms');

const MAIN = 'main';
const ACRONYMS = 'acronym';

const keyIn = (tokens: readonly Token[]): string => tokensText(tokens).trim();
const entryOf = (it: Interpreter, key: string): Entry | undefined =>
  it.read(ENTRIES).find((entry) => entry.key === key);
const isUsed = (it: Interpreter, key: string): boolean => it.read(USED).includes(key);

function setUsed(it: Interpreter, keys: readonly string[], used: boolean): void {
  const others = it.read(USED).filter((key) => !keys.includes(key));
  it.write(USED, used ? [...others, ...keys] : others, true);
}

/** A word that the text names stands in the list. */
function list(it: Interpreter, key: string): void {
  const listed = it.read(LISTED);
  if (!listed.includes(key)) it.write(LISTED, [...listed, key], true);
}

function newEntry(it: Interpreter, key: string, said: ReadonlyMap<string, readonly Token[]>): void {
  const list = keyIn(said.get('type') ?? []).replace(/^\\acronymtype$/, ACRONYMS) || MAIN;
  const entry = { key, fields: said, list };
  it.write(ENTRIES, [...it.read(ENTRIES).filter((other) => other.key !== key), entry], true);
}

/** A field of an entry; one that is not said follows from others (manual, section 4). */
function field(it: Interpreter, entry: Entry, name: string): readonly Token[] {
  const said = entry.fields.get(name);
  if (said) return said;
  const of = (other: string): readonly Token[] => field(it, entry, other);
  const isShort = entry.fields.has('short');
  const plural = (other: string): readonly Token[] => [...of(other), ...it.p.chars('s')];
  switch (name) {
    case 'name':
      return isShort ? of('short') : it.p.chars(entry.key);
    case 'text':
      return isShort ? of('short') : of('name');
    case 'plural':
      return isShort ? of('shortplural') : plural('text');
    case 'first':
      return isShort ? full(it, entry, false) : of('text');
    case 'firstplural':
      return isShort
        ? full(it, entry, true)
        : entry.fields.has('first')
          ? plural('first')
          : of('plural');
    case 'shortplural':
      return plural('short');
    case 'longplural':
      return plural('long');
    case 'description':
      return isShort ? of('long') : [];
    case 'full':
      return full(it, entry, false);
    case 'fullpl':
      return full(it, entry, true);
    default:
      return [];
  }
}

/** The long form and the short one, in the order of the style. */
function full(it: Interpreter, entry: Entry, plural: boolean): Token[] {
  const ending = plural ? 'plural' : '';
  const [long, short] = [field(it, entry, `long${ending}`), field(it, entry, `short${ending}`)];
  const style = it.read(STYLE);
  const behind = (first: readonly Token[], second: readonly Token[]): Token[] => [
    ...first,
    ...it.source(' ('),
    ...second,
    ...it.source(')'),
  ];
  if (style.startsWith('footnote'))
    return [...short, ...it.source('\\footnote{'), ...long, ...it.source('}')];
  if (style.startsWith('short-long')) return behind(short, long);
  return behind(long, short);
}

type Case = 'as written' | 'capital' | 'capitals';
/** What a command prints of an entry: a field, or that of its first use and the others by turns. */
type Shown = string | 'use' | 'usepl';

const EXAMPLE = '\\newglossaryentry{ebb}{name=ebb,description=falling water}';
const SHORT = '\\newacronym{hw}{HW}{high water}';

function show(
  it: Interpreter,
  key: string,
  shown: Shown,
  letters: Case,
  behind: readonly Token[],
): void {
  const entry = entryOf(it, key);
  if (!entry) {
    it.p.push(it.source(`\\textbf{${key}}`));
    return;
  }
  list(it, key);
  const plural = shown === 'usepl' ? 'plural' : '';
  const turn = isUsed(it, key) ? plural || 'text' : `first${plural}`;
  if (shown.startsWith('use')) setUsed(it, [key], true);
  const words = [...field(it, entry, shown.startsWith('use') ? turn : shown), ...behind];
  const grouped = [...it.source('{'), ...words, ...it.source('}')];
  if (letters === 'as written' || words.length === 0) it.p.push(words);
  else if (letters === 'capitals') it.p.push([...it.source('\\MakeUppercase'), ...grouped]);
  else it.p.push([...it.source('\\makefirstuc'), ...grouped]);
}

/** `\gls[options]{key}[behind it]`, with a star or a plus for its link. */
const use = (name: string, shown: Shown, letters: Case = 'as written'): CommandEntry => ({
  name,
  signature: 'som',
  description: `A word of the glossary: ${/^use/.test(shown) ? 'as it is at its first use, and later' : `its ${shown}`}${letters === 'as written' ? '' : `, with ${letters === 'capital' ? 'a capital' : 'capitals'}`}.`,
  example: `${/short|long|full/.test(shown) ? `${SHORT}\\${name}{hw}` : `${EXAMPLE}\\${name}{ebb}`}`,
  run: (it, args) => {
    const behind = readOptional(it.p, false) ?? [];
    show(it, keyIn(tokensOf(args, 2)), shown, letters, behind);
  },
});

/** The command in its three forms of letters. */
const inLetters = (name: string, shown: Shown): CommandEntry[] => [
  use(name, shown),
  use(name.charAt(0).toUpperCase() + name.slice(1), shown, 'capital'),
];

/** Commands that print a field alone, by the names of both kinds. */
const FIELDS: readonly CommandEntry[] = [
  ...['text', 'first', 'plural', 'firstplural', 'name', 'symbol'].flatMap((shown) => [
    ...inLetters(`gls${shown}`, shown),
    ...inLetters(`glsentry${shown}`, shown),
  ]),
  ...inLetters('glsdesc', 'description'),
  ...inLetters('glsentrydesc', 'description'),
  ...['short', 'long', 'full'].flatMap((shown) => [
    ...['acr', 'glsxtr', 'glsentry'].flatMap((before) => inLetters(`${before}${shown}`, shown)),
    ...['acr', 'glsxtr', 'glsentry'].flatMap((before) =>
      inLetters(`${before}${shown}pl`, shown === 'full' ? 'fullpl' : `${shown}plural`),
    ),
  ]),
];

/** The list of words, in the order of the alphabet; `null` for all lists in turn. */
function print(it: Interpreter, options: ReadonlyMap<string, readonly Token[]>): void {
  const asked = keyIn(options.get('type') ?? []).replace(/^\\acronymtype$/, ACRONYMS) || MAIN;
  const listed = it.read(LISTED);
  // Before the text has named any, which it will is not known.
  const isListed = (key: string): boolean =>
    listed.length === 0 || listed.includes('*') || listed.includes(key);
  const sortKey = (entry: Entry): string =>
    tokensText(entry.fields.get('sort') ?? field(it, entry, 'name'));
  const wanted = it
    .read(ENTRIES)
    .filter((entry) => entry.list === asked && isListed(entry.key))
    .sort((a, b) => sortKey(a).localeCompare(sortKey(b)));
  if (wanted.length === 0) return;
  const title =
    options.get('title') ?? it.source(asked === ACRONYMS ? '\\acronymname' : '\\glossaryname');
  it.p.push([
    ...it.source('\\gls@heading{'),
    ...title,
    ...it.source('}\\begin{description}'),
    ...wanted.flatMap((entry) => [
      ...it.source('\\item['),
      ...field(it, entry, 'name'),
      ...it.source('] '),
      ...field(it, entry, 'description'),
    ]),
    ...it.source('\\end{description}'),
  ]);
}

const lists = (it: Interpreter): string[] => [...new Set(it.read(ENTRIES).map(({ list }) => list))];

const printing = (
  name: string,
  example: string,
  description: string,
  options: (args: Args, it: Interpreter) => Map<string, readonly Token[]>,
): CommandEntry => ({
  name,
  signature: 'o',
  description,
  example: `${example}\\${name}`,
  run: (it, args) => print(it, options(args, it)),
});

const useMark = (name: string, used: boolean, all: boolean): CommandEntry => ({
  name,
  signature: all ? 'o' : 'm',
  description: `${all ? 'Every word counts' : 'Words count'} as ${used ? 'used' : 'not yet used'}.`,
  example: all ? `${EXAMPLE}\\${name}` : `${EXAMPLE}\\${name}{ebb}`,
  run: (it, args) => {
    const keys = all
      ? it.read(ENTRIES).map(({ key }) => key)
      : keyIn(tokensOf(args, 0)).split(/\s*,\s*/);
    setUsed(it, keys, used);
  },
});

/** Short names of commands that the option `shortcuts` brings (manual, section 6.1). */
const SHORTCUTS = String.raw`\let\ac\gls\let\Ac\Gls\let\acs\acrshort\let\acl\acrlong\let\acf\acrfull\let\acp\glspl\let\Acp\Glspl\let\acsp\acrshortpl\let\aclp\acrlongpl\let\acfp\acrfullpl`;

/** glossaries: words with what they mean, and abbreviations. */
export const glossaries: PackageEntry = {
  name: 'glossaries',
  description: 'Words with what they mean, abbreviations, and lists of them.',
  options: null,
  setup: (it, options) => {
    it.write(
      SEPARATE,
      options.some((o) => /^acronyms?(?:=true)?$/.test(o)),
      true,
    );
    if (options.some((o) => /^toc(?:=true)?$/.test(o))) it.execute(it.source('\\gls@toctrue '));
    if (options.some((o) => /^shortcuts(?:=true|=ac|=all)?$/.test(o)))
      it.execute(it.source(SHORTCUTS));
  },
  commands: [
    {
      name: 'newglossaryentry',
      signature: 'mM',
      description: 'A word of the glossary: its name and description.',
      example: EXAMPLE,
      run: (it, args) => newEntry(it, keyIn(tokensOf(args, 0)), keyValues(tokensOf(args, 1))),
    },
    {
      name: 'longnewglossaryentry',
      signature: 'mMM',
      description: 'A word of the glossary, its description apart.',
      example: '\\longnewglossaryentry{ebb}{name=ebb}{falling water}',
      run: (it, args) => {
        const said = keyValues(tokensOf(args, 1));
        newEntry(it, keyIn(tokensOf(args, 0)), said.set('description', tokensOf(args, 2)));
      },
    },
    {
      name: 'newacronym',
      signature: 'ommm',
      description: 'An abbreviation: its key, its short and its long form.',
      example: SHORT,
      run: (it, args) => {
        const said = keyValues(tokensOf(args, 0)).set('short', tokensOf(args, 2));
        const list = it.read(SEPARATE) ? ACRONYMS : MAIN;
        if (!said.has('type')) said.set('type', it.p.chars(list));
        newEntry(it, keyIn(tokensOf(args, 1)), said.set('long', tokensOf(args, 3)));
      },
    },
    ...inLetters('gls', 'use'),
    use('GLS', 'use', 'capitals'),
    ...inLetters('glspl', 'usepl'),
    use('GLSpl', 'usepl', 'capitals'),
    ...FIELDS,
    ...['glslink', 'glsdisp'].map((name): CommandEntry => ({
      name,
      signature: 'somm',
      description: 'Words of your own that stand for a word of the glossary.',
      example: `${EXAMPLE}\\${name}{ebb}{the ebb}`,
      run: (it, args) => {
        if (name === 'glsdisp') setUsed(it, [keyIn(tokensOf(args, 2))], true);
        it.p.push(tokensOf(args, 3));
      },
    })),
    useMark('glsreset', false, false),
    useMark('glsresetall', false, true),
    useMark('glsunset', true, false),
    useMark('glsunsetall', true, true),
    {
      name: 'ifglsused',
      signature: 'mmm',
      description: 'Chooses by whether a word was used.',
      example: `${EXAMPLE}\\ifglsused{ebb}{again}{new}`,
      run: (it, args) => it.p.push(tokensOf(args, isUsed(it, keyIn(tokensOf(args, 0))) ? 1 : 2)),
    },
    {
      name: 'ifglsentryexists',
      signature: 'mmm',
      description: 'Chooses by whether the glossary has a word.',
      example: `${EXAMPLE}\\ifglsentryexists{ebb}{known}{new}`,
      run: (it, args) => it.p.push(tokensOf(args, entryOf(it, keyIn(tokensOf(args, 0))) ? 1 : 2)),
    },
    printing('printglossary', EXAMPLE, 'Prints the words and what they mean.', (args) =>
      keyValues(tokensOf(args, 0)),
    ),
    printing('printacronyms', SHORT, 'Prints the abbreviations.', (args, it) =>
      keyValues(tokensOf(args, 0)).set('type', it.p.chars(it.read(SEPARATE) ? ACRONYMS : MAIN)),
    ),
    {
      name: 'printglossaries',
      signature: '',
      description: 'Prints all lists of words.',
      example: `${EXAMPLE}\\printglossaries`,
      run: (it) => {
        it.p.push(
          it.source(
            lists(it)
              .map((list) => `\\printglossary[type=${list}]`)
              .join(''),
          ),
        );
      },
    },
    ...['setacronymstyle', 'setabbreviationstyle'].map((name): CommandEntry => ({
      name,
      signature: 'om',
      description: 'How abbreviations are written out: long-short, short-long, footnote.',
      example: `\\${name}{short-long}`,
      run: (it, args) => it.write(STYLE, keyIn(tokensOf(args, 1)), true),
    })),
    quietEntry('newglossary', 'sommmm', 'A list of its own.'),
    {
      name: 'glsadd',
      signature: 'om',
      description: 'A word belongs to the list.',
      example: `${EXAMPLE}\\glsadd{ebb}`,
      run: (it, args) => list(it, keyIn(tokensOf(args, 1))),
    },
    {
      name: 'glsaddall',
      signature: 'o',
      description: 'All words belong to the list.',
      example: `${EXAMPLE}\\glsaddall`,
      run: (it) => list(it, '*'),
    },
    {
      name: 'loadglsentries',
      signature: 'om',
      description: 'Words from a file.',
      example: '\\loadglsentries{words}',
      run: (it, args) =>
        it.execute([...it.source('\\input{'), ...tokensOf(args, 1), ...it.source('}')]),
    },
    quietEntry('setupglossaries', 'm', 'Settings of the lists.'),
    quietEntry('glsdisablehyper', '', 'Words of the glossary are no links.'),
    quietEntry('glsenablehyper', '', 'Words of the glossary are links.'),
    macroEntry('makeglossaries', '', 'Asks for the lists to be made.', '\\makeglossaries', ''),
    macroEntry(
      'makenoidxglossaries',
      '',
      'Asks for the lists to be made.',
      '\\makenoidxglossaries',
      '',
    ),
    macroEntry('glossarystyle', 'm', 'How the lists look.', '\\glossarystyle{list}', ''),
    macroEntry('setglossarystyle', 'm', 'How the lists look.', '\\setglossarystyle{list}', ''),
  ],
  source: String.raw`
\providecommand\glossaryname{Glossary}\providecommand\acronymname{Acronyms}
\newif\ifgls@toc\newcommand\gls@heading[1]{\@ifundefined{chapter}{\section*{#1}\ifgls@toc\addcontentsline{toc}{section}{#1}\fi}{\chapter*{#1}\ifgls@toc\addcontentsline{toc}{chapter}{#1}\fi}}
\providecommand\makefirstuc[1]{\MakeUppercase #1}\def\acronymtype{acronym}
\let\printnoidxglossary\printglossary\let\printnoidxglossaries\printglossaries\let\newabbreviation\newacronym
`,
};
