import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { tokensOf, type Args, type CommandEntry, type PackageEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { macroEntry, quietEntry } from '../machine/macroEntry';
import { readOptional } from '../../expansion/arguments';
import { keyValues } from '../scanning/optionLists';
import { nearestName } from '../../base/nearest';
import {
  ACRONYMS,
  ENTRIES,
  MAIN,
  SEPARATE,
  STYLE,
  entryOf,
  field,
  isUsed,
  keyIn,
  newEntry,
  setUsed,
} from './glossaryEntries';
import {
  addWord,
  LIST_LOOK,
  LIST_SOURCE,
  LIST_TITLES,
  listTokens,
  nameWord,
  type ListedWord,
  type ListLook,
} from './glossaryLists';

type Case = 'as written' | 'capital' | 'capitals';
/** What a command prints of an entry: a field, or that of its first use and the others by turns. */
type Shown = string | 'use' | 'usepl';

const EXAMPLE = '\\newglossaryentry{ebb}{name=ebb,description=falling water}';
const SHORT = '\\newacronym{hw}{HW}{high water}';

/** What a word prints; one that is not there is told of. */
function shownTokens(
  it: Interpreter,
  key: string,
  shown: Shown,
  letters: Case,
  behind: readonly Token[],
): readonly Token[] {
  const entry = entryOf(it, key);
  if (!entry) {
    const near = nearestName(
      key,
      it.read(ENTRIES).map((one) => one.key),
    );
    it.p.report('glossary-word-unknown', it.p.place, { name: key, near: near ?? '' });
    return it.source(`\\textbf{${key}}`);
  }
  nameWord(it, key);
  const plural = shown === 'usepl' ? 'plural' : '';
  const turn = isUsed(it, key) ? plural || 'text' : `first${plural}`;
  if (shown.startsWith('use')) setUsed(it, [key], true);
  const words = [...field(it, entry, shown.startsWith('use') ? turn : shown), ...behind];
  const grouped = [...it.source('{'), ...words, ...it.source('}')];
  if (letters === 'as written' || words.length === 0) return words;
  const command = letters === 'capitals' ? '\\MakeUppercase' : '\\makefirstuc';
  return [...it.source(command), ...grouped];
}

/** `\gls[options]{key}[behind it]`, with a star or a plus for its link. */
const use = (name: string, shown: Shown, letters: Case = 'as written'): CommandEntry => ({
  name,
  signature: 'som',
  description: `A word of the glossary: ${/^use/.test(shown) ? 'as it is at its first use, and later' : `its ${shown}`}${letters === 'as written' ? '' : `, with ${letters === 'capital' ? 'a capital' : 'capitals'}`}.`,
  example: `${/short|long|full/.test(shown) ? `${SHORT}\\${name}{hw}` : `${EXAMPLE}\\${name}{ebb}`}`,
  run: (it, args) => {
    const behind = readOptional(it.p, false) ?? [];
    it.startParagraph();
    it.p.push(shownTokens(it, keyIn(tokensOf(args, 2)), shown, letters, behind));
  },
  math: ({ it, p }, token) => {
    const args = it.readArguments('som', token);
    if (!args) return null;
    const behind = readOptional(p, false) ?? [];
    p.push(shownTokens(it, keyIn(tokensOf(args, 2)), shown, letters, behind));
    return null;
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
  ...['i', 'ii', 'iii', 'iv', 'v', 'vi'].flatMap((roman, i) =>
    inLetters(`glsuser${roman}`, `user${i + 1}`),
  ),
  ...inLetters('glsdesc', 'description'),
  ...inLetters('glsentrydesc', 'description'),
  ...['short', 'long', 'full'].flatMap((shown) => [
    ...['acr', 'glsxtr', 'glsentry'].flatMap((before) => inLetters(`${before}${shown}`, shown)),
    ...['acr', 'glsxtr', 'glsentry'].flatMap((before) =>
      inLetters(`${before}${shown}pl`, shown === 'full' ? 'fullpl' : `${shown}plural`),
    ),
  ]),
];

/** A list of words with its heading. */
function print(it: Interpreter, options: ReadonlyMap<string, readonly Token[]>): void {
  const asked = keyIn(options.get('type') ?? []).replace(/^\\acronymtype$/, ACRONYMS) || MAIN;
  const words = it
    .read(ENTRIES)
    .filter((entry) => entry.list === asked)
    .map((entry): ListedWord => ({
      key: entry.key,
      name: field(it, entry, 'name'),
      description: field(it, entry, 'description'),
      sort: tokensText(entry.fields.get('sort') ?? field(it, entry, 'name')),
      parent: keyIn(entry.fields.get('parent') ?? []),
    }));
  const style = options.has('style') ? keyIn(options.get('style') ?? []) : null;
  const body = listTokens(it, words, style, !/true|^$/.test(said(options, 'nonumberlist')));
  if (body.length === 0) return;
  const title = options.get('title') ?? titleOf(it, asked);
  const listed = options.get('toctitle') ?? title;
  it.p.push([
    ...it.source('\\gls@heading{'),
    ...title,
    ...it.source('}{'),
    ...listed,
    ...it.source('}\\glossarypreamble '),
    ...body,
    ...it.source('\\glossarypostamble '),
  ]);
}
const said = (options: ReadonlyMap<string, readonly Token[]>, key: string): string =>
  options.has(key) ? keyIn(options.get(key) ?? []) : 'false';
const titleOf = (it: Interpreter, list: string): readonly Token[] =>
  it.read(LIST_TITLES)[list] ?? it.source(list === ACRONYMS ? '\\acronymname' : '\\glossaryname');

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
  example: `${example}Tides\\glsaddall\\${name}`,
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

const setLook = (it: Interpreter, said: Partial<ListLook>): void =>
  it.write(LIST_LOOK, { ...it.read(LIST_LOOK), ...said }, true);
const addTitle = (it: Interpreter, list: string, title: readonly Token[]): void =>
  it.write(LIST_TITLES, { ...it.read(LIST_TITLES), [list]: title }, true);
/** Lists that options bring, with their titles. */
const OWN_LISTS: Readonly<Record<string, string>> = {
  symbols: 'Symbols',
  numbers: 'Numbers',
  index: '\\indexname',
};

/** glossaries: words with what they mean, and abbreviations. */
export const glossaries: PackageEntry = {
  name: 'glossaries',
  description: 'Words with what they mean, abbreviations, and lists of them.',
  options: null,
  requires: ['longtable'],
  setup: (it, options) => {
    it.write(
      SEPARATE,
      options.some((o) => /^acronyms?(?:=true)?$/.test(o)),
      true,
    );
    const isSaid = (option: RegExp): boolean => options.some((one) => option.test(one));
    setLook(it, {
      ...(isSaid(/^nonumberlist(?:=true)?$/) ? { pages: false } : {}),
      ...(isSaid(/^nopostdot(?:=true)?$/) || it.hasPackage('glossaries-extra')
        ? { dot: false }
        : {}),
      ...(isSaid(/^nogroupskip(?:=true)?$/) ? { groups: false } : {}),
      ...Object.fromEntries(
        options.flatMap((one) => {
          const style = /^style=(.+)$/.exec(one)?.[1];
          return style ? [['style', style]] : [];
        }),
      ),
    });
    for (const [option, title] of Object.entries(OWN_LISTS))
      if (isSaid(new RegExp(`^${option}$`))) addTitle(it, option, it.source(title));
    const level = options.map((one) => /^section(?:=(\w+))?$/.exec(one)).find(Boolean);
    if (level) it.define('gls@level', level[1] ?? 'section');
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
      example: `${EXAMPLE}Tides\\glsaddall\\printglossaries`,
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
    {
      name: 'newglossary',
      signature: '',
      description: 'A list of its own, with its title.',
      example: '\\newglossary{tides}{tid}{tdo}{Tides}',
      run: (it, _args, token) => {
        // With a star the endings of its files are not said.
        const isShort = it.p.takeChar('*');
        const args = it.readArguments(isShort ? 'mm' : 'ommmM', token);
        if (!args) return;
        const [name, title] = isShort ? [0, 1] : [1, 4];
        addTitle(it, keyIn(tokensOf(args, name)), tokensOf(args, title));
      },
    },
    {
      name: 'newterm',
      signature: 'om',
      description: 'A word of the index.',
      example: '\\newterm{ebb}',
      run: (it, args) => {
        const name = tokensOf(args, 1);
        const given = keyValues(tokensOf(args, 0));
        newEntry(
          it,
          keyIn(name),
          new Map([['name', name], ['type', it.p.chars('index')], ...given]),
        );
      },
    },
    {
      name: 'glsadd',
      signature: 'om',
      description: 'A word belongs to the list.',
      example: `${EXAMPLE}\\glsadd{ebb}`,
      run: (it, args) => addWord(it, keyIn(tokensOf(args, 1))),
    },
    {
      name: 'glsaddall',
      signature: 'o',
      description: 'All words belong to the list.',
      example: `${EXAMPLE}\\glsaddall`,
      run: (it) => addWord(it, '*'),
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
    ...['glossarystyle', 'setglossarystyle'].map((name): CommandEntry => ({
      name,
      signature: 'm',
      description: 'How the lists look: list, altlist, long, tree.',
      example: `\\${name}{long}`,
      run: (it, args) => setLook(it, { style: keyIn(tokensOf(args, 0)) }),
    })),
    ...['symbols', 'numbers'].map((type) =>
      printing(`print${type}`, EXAMPLE, `Prints the ${type}.`, (args, it) =>
        keyValues(tokensOf(args, 0)).set('type', it.p.chars(type)),
      ),
    ),
  ],
  source: String.raw`
\providecommand\glossaryname{Glossary}\providecommand\acronymname{Acronyms}
\newif\ifgls@toc\def\gls@level{\@ifundefined{chapter}{section}{chapter}}\newcommand\setglossarysection[1]{\def\gls@level{#1}}
\newcommand\gls@heading[2]{\csname\gls@level\endcsname*{#1}\ifgls@toc\addcontentsline{toc}{\gls@level}{#2}\fi}
\providecommand\makefirstuc[1]{\MakeUppercase #1}\def\acronymtype{acronym}
\let\printnoidxglossary\printglossary\let\printnoidxglossaries\printglossaries\let\newabbreviation\newacronym${LIST_SOURCE}
`,
};
