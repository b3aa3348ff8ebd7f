import { nearestName } from '../../base/nearest';
import { cell } from '../../expansion/cells';
import { setCount } from '../../expansion/registers';
import { textOf } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { activeName } from '../../tokens/reader';
import { CELLS } from '../machine/cells';
import { type Args, type CommandEntry, type EnvironmentEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { renameFix } from '../machine/unknown';
import { LANGUAGE_CUSTOMS } from '../symbols/languageCustoms';
import { type Language, LANGUAGE_NAMES, languageNamed } from '../symbols/languages';

/** The language in force, by the name it was asked for; null when none was. */
export const LANGUAGE = cell<string | null>('language', null);

const ownToday = ({ months, today }: Language): string => {
  const month = `\\ifcase\\month ${months
    .split(' ')
    .map((name) => `\\or ${name}`)
    .join('')}\\fi`;
  return today.replace('MONTH', month);
};

/** The macros by which documents change what a language prints (`\captionsngerman`, `\datengerman`). */
export function declareLanguage(it: Interpreter, name: string): void {
  const language = languageNamed(name);
  if (!language) return;
  const words = Object.entries(language.words).map(([macro, text]) => `\\def\\${macro}{${text}}`);
  it.define(`captions${name}`, words.join(''));
  it.define(`date${name}`, `\\def\\today{${ownToday(language)}}`);
  const customs = LANGUAGE_CUSTOMS[language.patterns];
  const quote = `\\catcode\`\\"=${language.shorthands ? '13' : '12'} `;
  it.define(`extras${name}`, quote + (customs?.extras ?? ''));
  it.define(`noextras${name}`, customs?.noextras ?? '');
  if (customs) it.execute(it.source(customs.commands));
}

/** Puts a language in force: how words are divided, and with `whole` what classes print. */
function selectLanguage(it: Interpreter, name: string, whole: boolean): void {
  const language = languageNamed(name);
  it.define('languagename', name);
  if (!language) return;
  const before = it.read(LANGUAGE);
  if (before !== null && before !== name)
    it.execute(it.source(`\\csname noextras${before}\\endcsname`));
  it.write(LANGUAGE, name);
  if (language.shorthands) it.write(CELLS.ownQuotes, true, true);
  setPatterns(it, language);
  // Words for references are those of the whole document's language.
  if (whole && it.hasPackage('hyperref'))
    for (const [macro, word] of Object.entries(language.auto ?? {})) it.define(macro, word);
  const hooks = whole ? ['captions', 'date', 'extras'] : ['extras'];
  it.execute(it.source(hooks.map((hook) => `\\csname ${hook}${name}\\endcsname`).join('')));
}

function setPatterns(it: Interpreter, { patterns, minima }: Language): void {
  it.write(CELLS.patterns, patterns);
  setCount(it.state, 'lefthyphenmin', minima[0]);
  setCount(it.state, 'righthyphenmin', minima[1]);
}

/** The language an argument names; one that is not known, or not declared, is told of. */
function languageOf(it: Interpreter, args: Args, i: number): string | null {
  const name = textOf(it.p, tokensOf(args, i)).trim();
  if (languageNamed(name)) {
    // Others ask for it among the package's options; here it is at hand all the same.
    if (it.state.get(it.state.cell(`captions${name}`)) === undefined) declareLanguage(it, name);
    return name;
  }
  const tokens = tokensOf(args, i);
  const span = { from: tokens[0]?.from ?? it.p.place.from, to: tokens.at(-1)?.to ?? it.p.place.to };
  const fix = renameFix(it, tokens, nearestName(name, LANGUAGE_NAMES));
  it.p.report('language-unknown', span, { name, near: '' }, fix);
  return null;
}

/** The language at the beginning of the document; the last one asked for holds. */
export function selectAtBegin(it: Interpreter, name: string): void {
  const main = LANGUAGE_CUSTOMS[languageNamed(name)?.patterns ?? '']?.main ?? '';
  it.execute(it.source(`\\AtBeginDocument{\\selectlanguage{${name}}${main}}`));
}

const SHORT: Readonly<Record<string, string>> = {
  a: 'ä',
  o: 'ö',
  u: 'ü',
  e: 'ë',
  i: 'ï',
  A: 'Ä',
  O: 'Ö',
  U: 'Ü',
  E: 'Ë',
  I: 'Ï',
  s: 'ß',
  z: 'ß',
  S: 'SS',
  Z: 'SZ',
  '`': '„',
  "'": '“',
  '<': '«',
  '>': '»',
};
/** What parts words and says where they may be divided. */
const PARTING: Readonly<Record<string, string>> = {
  '-': '\\-',
  '=': '-',
  '~': '\\mbox{-}',
  '|': '{}',
  '"': '\\hskip0pt\\relax',
  '/': '/\\hskip0pt\\relax',
};

/** `"` with what follows, where the language makes it a sign of its own (babel manual, on German). */
const quoteMark: CommandEntry = {
  name: activeName('"'),
  signature: '',
  description: 'With what follows: a letter with dots, a quotation mark, a place to divide.',
  example: '\\selectlanguage{ngerman} "`Ebbe"\' und S"alze',
  run: (it) => {
    const next = it.p.next();
    const char = next && (!next.cell || next.cat === Cat.Active) ? next.text : '';
    const short = SHORT[char];
    const parting = PARTING[char];
    if (short !== undefined) it.execute(it.p.chars(short));
    else if (parting !== undefined) it.execute(it.source(parting));
    else {
      if (next) it.p.unread(next);
      it.execute(it.p.chars('”'));
    }
  },
  math: (reader, token) => reader.symbol('”', 'ord', reader.it.spanOf(token)),
};

/** Languages within a document, as babel and polyglossia both know them. */
export const languageCommands: readonly CommandEntry[] = [
  quoteMark,
  {
    name: 'selectlanguage',
    signature: 'm',
    description: 'From here on the document is in this language.',
    example: '\\selectlanguage{ngerman}',
    run: (it, args) => {
      const name = languageOf(it, args, 0);
      if (name) selectLanguage(it, name, true);
    },
  },
  {
    name: 'foreignlanguage',
    signature: 'omM',
    description: 'A few words in another language.',
    example: '\\foreignlanguage{ngerman}{die Ebbe}',
    run: (it, args) => {
      const name = languageOf(it, args, 1);
      it.startParagraph();
      it.openGroup({ kind: 'semisimple', span: it.p.place });
      if (name) selectLanguage(it, name, false);
      it.execute(tokensOf(args, 2));
      it.closeGroup();
    },
  },
  {
    name: '@spacedpunctuation',
    signature: 'm',
    description: 'Whether some signs stand apart from the word before them.',
    example: '',
    run: (it, args) => it.write(CELLS.spacedPunctuation, textOf(it.p, tokensOf(args, 0)) === '1'),
  },
  {
    name: '@indentfirst',
    signature: '',
    description: 'The first paragraph behind a heading is indented too.',
    example: '',
    run: (it) => it.write(CELLS.indentFirst, true, true),
  },
  {
    name: 'iflanguage',
    signature: 'mMM',
    description: 'One thing in a language, another in all others.',
    example: '\\iflanguage{english}{tide}{Tide}',
    run: (it, args) => {
      const name = textOf(it.p, tokensOf(args, 0)).trim();
      const now = languageNamed(it.read(LANGUAGE) ?? 'english');
      it.execute(tokensOf(args, languageNamed(name) === now ? 1 : 2));
    },
  },
];

const inLanguage = (name: string, whole: boolean): EnvironmentEntry => ({
  name,
  signature: 'om',
  description: 'Paragraphs in another language.',
  example: `\\begin{${name}}{ngerman}\nDie Ebbe\n\\end{${name}}`,
  begin: (it, args) => {
    const language = languageOf(it, args, 1);
    if (language) selectLanguage(it, language, whole);
    it.skipBlanks();
  },
});

export const languageEnvironments: readonly EnvironmentEntry[] = [
  inLanguage('otherlanguage', true),
  inLanguage('otherlanguage*', false),
  {
    name: 'hyphenrules',
    signature: 'm',
    description: 'Paragraphs whose words are divided as in another language, or not at all.',
    example: '\\begin{hyphenrules}{nohyphenation}\nFloodgates\n\\end{hyphenrules}',
    begin: (it, args) => {
      const name = textOf(it.p, tokensOf(args, 0)).trim();
      if (name === 'nohyphenation') return it.write(CELLS.patterns, null);
      const language = languageOf(it, args, 0);
      const found = language && languageNamed(language);
      if (found) setPatterns(it, found);
    },
    end: (it) => it.endParagraph(),
  },
];
