import {
  declareLanguage,
  languageCommands,
  languageEnvironments,
  selectAtBegin,
} from '../constructs/languages';
import { textOf } from '../../expansion/tokenText';
import { type CommandEntry, type PackageEntry, tokensOf } from '../machine/entries';
import { quietEntry } from '../machine/macroEntry';
import { languageNamed } from '../symbols/languages';

/** A line of the preamble that names languages; the main one is in force when the document begins. */
const setLanguages = (name: string, isMain: boolean): CommandEntry => ({
  name,
  signature: 'om',
  description: isMain
    ? 'The language of the document.'
    : 'Languages that the document uses besides.',
  example: `\\${name}{${isMain ? 'german' : 'french'}}`,
  run: (it, args) => {
    for (const language of textOf(it.p, tokensOf(args, 1)).split(',')) {
      const asked = language.trim();
      if (languageNamed(asked)) declareLanguage(it, asked);
      else it.p.report('language-unknown', it.p.place, { name: asked, near: '' });
      if (isMain && languageNamed(asked)) selectAtBegin(it, asked);
    }
  },
});

/** polyglossia: the languages of a document, named by commands of their own. */
export const polyglossia: PackageEntry = {
  name: 'polyglossia',
  description: 'The languages of a document: how words are divided, the words the class prints.',
  options: null,
  commands: [
    ...languageCommands,
    setLanguages('setdefaultlanguage', true),
    setLanguages('setmainlanguage', true),
    setLanguages('setotherlanguage', false),
    setLanguages('setotherlanguages', false),
    quietEntry('setkeys', 'mm', 'Options of a language.'),
  ],
  environments: languageEnvironments,
};
