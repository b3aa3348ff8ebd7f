import nspell from 'nspell';

/** What the page asks: a dictionary to open, words to look up, what a word may have been meant for. */
export type SpellingRequest =
  | { readonly kind: 'open'; readonly aff: string; readonly dic: string }
  | { readonly kind: 'check'; readonly id: number; readonly words: readonly string[] }
  | { readonly kind: 'suggest'; readonly id: number; readonly word: string };

/** The words that are in no dictionary, or the suggestions for one. */
export interface SpellingAnswer {
  readonly id: number;
  readonly words: readonly string[];
}

const MOST = 6;
const scope = self as unknown as {
  postMessage(answer: SpellingAnswer): void;
  onmessage: ((event: MessageEvent<SpellingRequest>) => void) | null;
};
let speller: Promise<ReturnType<typeof nspell>> | null = null;

/** Those that start alike first: the first letter of a word is seldom wrong. */
const nearestFirst = (found: readonly string[], word: string): string[] => {
  const alike = (one: string): boolean => one[0]?.toLowerCase() === word[0]?.toLowerCase();
  return [...found.filter(alike), ...found.filter((one) => !alike(one))];
};

async function open(aff: string, dic: string): Promise<ReturnType<typeof nspell>> {
  const [rules, words] = await Promise.all([aff, dic].map(async (a) => (await fetch(a)).text()));
  return nspell(rules as string, words as string);
}

scope.onmessage = ({ data }) => {
  if (data.kind === 'open') {
    speller = open(data.aff, data.dic);
    return;
  }
  void speller?.then((known) => {
    const words =
      data.kind === 'check'
        ? data.words.filter((word) => !known.correct(word.replaceAll('’', "'")))
        : nearestFirst(known.suggest(data.word), data.word).slice(0, MOST);
    scope.postMessage({ id: data.id, words });
  });
};
