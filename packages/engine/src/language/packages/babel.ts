import {
  declareLanguage,
  languageCommands,
  languageEnvironments,
  selectAtBegin,
} from '../constructs/languages';
import { CELLS } from '../machine/cells';
import type { PackageEntry } from '../machine/entries';
import { idleEntry, macroEntry, quietEntry } from '../machine/macroEntry';
import { languageNamed } from '../symbols/languages';
import { nearestName } from '../../base/nearest';
import { LANGUAGE_NAMES } from '../symbols/languages';

/** Options that are no languages and change nothing here. */
const QUIET = ['shorthands=off', 'es-noshorthands', 'es-tabla', 'autolang', 'provide=*'];

/** Quotation marks of German and Swiss writing. */
const QUOTES = [
  ['glqq', '„', 'German, it opens'],
  ['grqq', '“', 'German, it closes'],
  ['glq', '‚', 'German, single, it opens'],
  ['grq', '‘', 'German, single, it closes'],
  ['flqq', '«', 'pointed to the left'],
  ['frqq', '»', 'pointed to the right'],
  ['flq', '‹', 'single, pointed to the left'],
  ['frq', '›', 'single, pointed to the right'],
  ['dq', '"', 'straight'],
] as const;

/** babel: the languages of a document; the last one among the options is the main one. */
export const babel: PackageEntry = {
  name: 'babel',
  description: 'The languages of a document: how words are divided, the words the class prints.',
  options: null,
  commands: [
    ...languageCommands,
    macroEntry(
      'addto',
      'mM',
      'Adds to what a macro stands for, as the words of a language.',
      '\\addto\\captionsenglish{\\renewcommand{\\contentsname}{Overview}}',
      '\\ifdefined#1\\expandafter\\def\\expandafter#1\\expandafter{#1#2}\\else\\def#1{#2}\\fi',
    ),
    macroEntry(
      'og',
      '',
      'A French quotation mark that opens.',
      '\\og ebbe\\fg{}',
      '«~\\ignorespaces',
    ),
    macroEntry('fg', '', 'A French quotation mark that closes.', '\\og ebbe\\fg{}', '\\unskip~»'),
    ...QUOTES.map(([name, mark, what]) =>
      macroEntry(name, '', `A quotation mark: ${what}.`, `\\${name}`, `\\mbox{${mark}}`),
    ),
    quietEntry('babelprovide', 'om', 'Declares a language.'),
    quietEntry('babelfont', 'omom', 'Fonts of a language.'),
    macroEntry(
      'babeltags',
      'm',
      'Short names of languages.',
      '\\babeltags{de = german}',
      '\\@for\\bbl@next:=#1\\do{\\edef\\bbl@next{\\expandafter\\zap@space\\bbl@next\\space\\@empty}\\expandafter\\bbl@tag\\bbl@next\\@nil}',
    ),
    quietEntry('shorthandoff', 'm', 'Signs that stand for themselves.'),
    quietEntry('shorthandon', 'm', 'Signs that stand for others.'),
    idleEntry('useshorthands', 'm', 'A sign that stands for others.'),
    quietEntry('frenchsetup', 'm', 'Options for French; the usual ones hold.'),
    quietEntry('frenchbsetup', 'm', 'Options for French; the usual ones hold.'),
  ],
  environments: languageEnvironments,
  setup: (it, options) => {
    const ofClass = (it.read(CELLS.classOptions) ?? []).filter((name) => languageNamed(name));
    const asked = options.filter((option) => option !== '' && !QUIET.includes(option));
    const main = asked
      .find((option) => option.startsWith('main='))
      ?.slice(5)
      .trim();
    const names = [...ofClass, ...asked.filter((option) => !option.includes('='))];
    for (const name of new Set(['english', ...names, ...(main ? [main] : [])])) {
      if (languageNamed(name)) declareLanguage(it, name);
      else {
        const near = nearestName(name, LANGUAGE_NAMES);
        it.p.report('language-unknown', it.p.place, { name, near: near ?? '' });
      }
    }
    const last = main ?? names.findLast((name) => languageNamed(name));
    if (last) selectAtBegin(it, last);
  },
};
