/** A thing that can be looked up: its name, what it is asked for by, and whatever else is said of it. */
export interface LookedUp {
  readonly name: string;
  readonly phrases: readonly string[];
  readonly said: string;
}

/** Words that say nothing of what is sought. */
const EMPTY: ReadonlySet<string> = new Set(
  'how what which do does did i can could you we to a an the of in on at is are be make makes making write writing get put want need my your for with like it that this there some use using add insert type latex command symbol sign when one change something anything thing'.split(
    ' ',
  ),
);

const SPELT: Readonly<Record<string, string>> = {
  center: 'centre',
  centered: 'centred',
  color: 'colour',
  colors: 'colours',
  colored: 'coloured',
  math: 'formula',
  maths: 'formula',
  equation: 'equation',
  image: 'picture',
  images: 'pictures',
  photo: 'picture',
  graphic: 'picture',
  bigger: 'larger',
  parenthesis: 'parentheses',
  labelled: 'labeled',
};

/** The beginning by which a word is known in its other forms: "margins", "numbering". */
const stemOf = (word: string): string =>
  word.length > 4 ? word.replace(/(?:ations?|ings?|ies|es|ed|s|e|y)$/, '') : word;

const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== '')
    .map((word) => SPELT[word] ?? word);

/** The words that say something; all of them when none does. */
function telling(words: readonly string[]): readonly string[] {
  const some = words.filter((word) => !EMPTY.has(word));
  return some.length > 0 ? some : words;
}

/** A word of what is told of a thing, or of a question. */
interface KnownWord {
  readonly word: string;
  readonly stem: string;
}
const known = (word: string): KnownWord => ({ word, stem: stemOf(word) });

const alike = (one: KnownWord, asked: KnownWord): boolean => {
  if (asked.word.length < 3) return one.word === asked.word;
  return one.word.startsWith(asked.word) || (asked.stem.length > 2 && one.stem === asked.stem);
};

/** What is told of a thing, taken apart into words. */
interface Told {
  readonly lower: string;
  /** The telling words of each phrase. */
  readonly phrases: readonly (readonly KnownWord[])[];
  /** All words, those of its name and of what is said of it too. */
  readonly all: readonly KnownWord[];
}

const toldWords = ({ name, phrases, said }: LookedUp): Told => ({
  lower: name.toLowerCase(),
  phrases: phrases.map((phrase) => telling(wordsOf(phrase)).map(known)),
  all: wordsOf(`${phrases.join(' ')} ${said} ${name}`).map(known),
});

/** A rank below which an entry lacks one of the words asked for. */
const LACKS_ONE = 200;

/** A question made ready: without the backslash of a command and the words that say nothing. */
interface Question {
  readonly asked: string;
  readonly words: readonly KnownWord[];
  /** Was it asked for with its backslash? */
  readonly isCommand: boolean;
}

function questionOf(text: string): Question {
  const asked = text
    .trim()
    .toLowerCase()
    .replace(/^\\(?=.)/, '');
  return { asked, words: telling(wordsOf(asked)).map(known), isCommand: /^\\./.test(text.trim()) };
}

/** How near a phrase comes to the words asked for: 0 when it lacks one of them. */
function nearPhrase(said: readonly KnownWord[], words: readonly KnownWord[]): number {
  if (words.length === 0 || !words.every((asked) => said.some((one) => alike(one, asked))))
    return 0;
  const exact = words.filter((asked) => said.some(({ word }) => word === asked.word)).length;
  const spare = said.length - words.length;
  return spare <= 0 ? 900 + 5 * exact : Math.max(600, 760 - 40 * spare + 5 * exact);
}

/**
 * How well an entry answers a question, larger is better; 0 when not at all, at most `LACKS_ONE`
 * when a word is lacking. The name itself comes first (unless it is the everyday word for another: "picture"), then what it is asked for by, then the
 * beginning of the name, then what is said of it.
 */
function rankOf({ lower, phrases, all }: Told, { asked, words, isCommand }: Question): number {
  if (asked === '') return 0;
  const nearest = phrases.reduce((most, phrase) => Math.max(most, nearPhrase(phrase, words)), 0);
  if (lower === asked) return phrases.length > 0 || isCommand ? 1000 : Math.max(nearest, 890);
  if (nearest >= 900) return nearest;
  if (asked.length > 1 && lower.startsWith(asked)) return Math.max(nearest, 800 - lower.length);
  if (nearest > 0) return nearest;
  if (words.length === 0) return lower.includes(asked) ? 300 : 0;
  const has = words.filter((word) => all.some((one) => alike(one, word))).length;
  if (has === words.length) return 500 - Math.min(200, all.length);
  if (words.every(({ word }) => lower.includes(word))) return 400 - lower.length;
  return words.length > 1 && has === words.length - 1 ? LACKS_ONE - Math.min(100, all.length) : 0;
}

/**
 * A way to look things up: gives the entries that answer a question, the best first; those that
 * lack a word only when nothing else does. What is told of a thing is taken apart once.
 * @param bonus what is added to the rank of a thing among those that answer
 */
export function lookingUp<T extends object>(
  told: (thing: T) => LookedUp,
  bonus: (thing: T) => number = () => 0,
): (things: readonly T[], question: string) => T[] {
  const apart = new WeakMap<T, Told>();
  const toldOf = (thing: T): Told => {
    let one = apart.get(thing);
    if (!one) apart.set(thing, (one = toldWords(told(thing))));
    return one;
  };
  return (things, question) => {
    const ready = questionOf(question);
    const ranked = things
      .map((thing) => ({ thing, rank: rankOf(toldOf(thing), ready) }))
      .filter(({ rank }) => rank > 0);
    const whole = ranked.filter(({ rank }) => rank > LACKS_ONE);
    return (whole.length > 0 ? whole : ranked)
      .map(({ thing, rank }) => ({ thing, rank: rank + bonus(thing) }))
      .sort((a, b) => b.rank - a.rank)
      .map(({ thing }) => thing);
  };
}
