import type { LookedText, LookLine } from '$lib/domain/courseSite';
import {
  formulasIn,
  keptTaste,
  openSpeller,
  proseOf,
  wordsIn,
  wordsOfDocument,
} from '../workbench';

/** How many words are shown with a way to them. */
const MOST = 12;

/** Looks the words of a sheet's texts up; tells the line of the last look, again when more is known. Gives a way to stop. */
export function lookUpSpelling(
  texts: readonly LookedText[],
  tell: (line: LookLine) => void,
): () => void {
  const { spelling } = keptTaste();
  if (spelling === 'none') return () => undefined;
  const own = new Set(texts.flatMap(({ text }) => [...wordsOfDocument(text)]));
  const words = texts.flatMap(({ path, text, formulas }) => {
    const begin = text.indexOf('\\begin{document}');
    return wordsIn(proseOf(text, 0, formulas ?? formulasIn(text)), 0)
      .filter(({ word, from }) => from > begin && !own.has(word))
      .map(({ word, from }) => ({ word, from, path }));
  });
  const look = (): void => {
    const wrong = speller.wrong(words.map(({ word }) => word));
    const found = words.filter(({ word }) => wrong.has(word));
    const distinct = new Set(found.map(({ word }) => word)).size;
    tell({
      topic: 'Spelling',
      well: found.length === 0 ? true : null,
      says:
        found.length === 0
          ? 'Every word is in the dictionary.'
          : `${distinct === 1 ? 'One word is' : `${distinct} words are`} not in the dictionary.`,
      places: found.slice(0, MOST).map(({ word, from, path }) => ({ says: word, path, from })),
    });
  };
  const speller = openSpeller(spelling, look);
  look();
  return () => speller.close();
}
