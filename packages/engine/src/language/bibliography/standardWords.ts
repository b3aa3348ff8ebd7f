/**
 * The words of entries by the standard styles of package biblatex, in the languages that it has
 * files for and that are set here.
 */

/** The words and signs of a language. */
export interface Words {
  readonly and: string;
  /** A comma before the last “and” of three and more. */
  readonly comma: boolean;
  readonly in: string;
  readonly inSign: string;
  readonly editedBy: string;
  readonly translatedBy: string;
  readonly editor: string;
  readonly editors: string;
  readonly volume: string;
  readonly page: string;
  readonly pages: string;
  readonly visited: string;
  readonly others: string;
  readonly noDate: string;
  readonly edition: (number: string) => string;
  readonly date: (year: string, month: number, day: number) => string;
  readonly visitedDate: (year: string, month: number, day: number) => string;
  readonly kinds: Readonly<Record<string, string>>;
}

const two = (n: number): string => String(n).padStart(2, '0');
const MONTHS = 'Jan. Feb. Mar. Apr. May June July Aug. Sept. Oct. Nov. Dec.'.split(' ');
const MONATE = 'Jan. Feb. März Apr. Mai Juni Juli Aug. Sep. Okt. Nov. Dez.'.split(' ');

/** “2nd”. */
function ordinal(text: string): string {
  const n = Number(text);
  if (!Number.isInteger(n) || n <= 0) return text;
  const teen = n % 100 >= 11 && n % 100 <= 13;
  return `${n}${teen ? 'th' : (['th', 'st', 'nd', 'rd'][n % 10] ?? 'th')}`;
}

const ENGLISH: Words = {
  and: 'and',
  comma: true,
  in: 'In',
  inSign: ': ',
  editedBy: 'Ed. by',
  translatedBy: 'Trans. by',
  editor: 'ed.',
  editors: 'eds.',
  volume: 'Vol.',
  page: 'p.',
  pages: 'pp.',
  visited: 'visited on',
  others: 'et~al.',
  noDate: 'n.d.',
  edition: (number) => `${ordinal(number)} ed.`,
  date: (year, month, day) => `${MONTHS[month - 1] ?? ''}${day > 0 ? `~${day},` : ''} ${year}`,
  visitedDate: (year, month, day) => `${two(month)}/${two(day)}/${year}`,
  kinds: {
    phdthesis: 'PhD thesis',
    mastersthesis: 'MA thesis',
    mathesis: 'MA thesis',
    techreport: 'Tech. rep.',
  },
};

const GERMAN: Words = {
  and: 'und',
  comma: false,
  in: 'In',
  inSign: ': ',
  editedBy: 'Hrsg. von',
  translatedBy: 'Übers. von',
  editor: 'Hrsg.',
  editors: 'Hrsg.',
  volume: 'Bd.',
  page: 'S.',
  pages: 'S.',
  visited: 'besucht am',
  others: 'u.~a.',
  noDate: 'o. D.',
  edition: (number) => `${/^\d+$/.test(number) ? `${number}.` : number} Aufl.`,
  date: (year, month, day) => `${day > 0 ? `${day}.~` : ''}${MONATE[month - 1] ?? ''} ${year}`,
  visitedDate: (year, month, day) => `${two(day)}.~${two(month)}.~${year}`,
  kinds: {
    phdthesis: 'Diss.',
    mastersthesis: 'Magisterarbeit',
    mathesis: 'Magisterarbeit',
    techreport: 'Techn. Ber.',
  },
};

/** Dates of other Englishes: the day first. */
const BRITISH: Words = {
  ...ENGLISH,
  date: (year, month, day) => `${day > 0 ? `${day}~` : ''}${MONTHS[month - 1] ?? ''} ${year}`,
  visitedDate: (year, month, day) => `${two(day)}/${two(month)}/${year}`,
};

const MOIS = 'janv. févr. mars avr. mai juin juill. août sept. oct. nov. déc.'.split(' ');
const FRENCH: Words = {
  and: 'et',
  comma: false,
  in: 'In',
  inSign: '~: ',
  editedBy: 'Sous la dir. de',
  translatedBy: 'Trad. par',
  editor: 'dir.',
  editors: 'dir.',
  volume: 'T.',
  page: 'p.',
  pages: 'p.',
  visited: 'visité le',
  others: 'et~al.',
  noDate: 's. d.',
  edition: (number) => `${number}\\textsuperscript{${number === '1' ? 're' : 'e'}}~éd.`,
  date: (year, month, day) => `${day > 0 ? `${day}~` : ''}${MOIS[month - 1] ?? ''} ${year}`,
  visitedDate: (year, month, day) => `${two(day)}/${two(month)}/${year}`,
  kinds: {
    phdthesis: 'Thèse de doct.',
    mastersthesis: 'Mém. de mast.',
    mathesis: 'Mém. de mast.',
    techreport: 'Rapp. tech.',
  },
};

/** By the name of the document's language. */
export function languageWords(language: string | null): Words {
  if (language === null) return ENGLISH;
  if (/german|austrian/.test(language)) return GERMAN;
  if (/^(?:french|francais|acadian|canadien)$/.test(language)) return FRENCH;
  return /^(?:british|UKenglish|australian|newzealand)$/.test(language) ? BRITISH : ENGLISH;
}

/** Words by the names that the package has for them, as they stand within a sentence. */
export function stringOf(language: string | null, name: string): string | null {
  const words = languageWords(language);
  const small = (word: string): string => word.charAt(0).toLowerCase() + word.slice(1);
  const isGerman = words === GERMAN;
  const said: Readonly<Record<string, string>> = {
    in: isGerman ? words.in : small(words.in),
    and: words.and,
    page: words.page,
    pages: words.pages,
    editor: words.editor,
    editors: words.editors,
    byeditor: isGerman ? words.editedBy : small(words.editedBy),
    bytranslator: isGerman ? words.translatedBy : small(words.translatedBy),
    volume: isGerman ? words.volume : small(words.volume),
    urlseen: words.visited,
    andothers: words.others,
    nodate: words.noDate,
    phdthesis: words.kinds.phdthesis ?? '',
    mathesis: words.kinds.mathesis ?? '',
    techreport: small(words.kinds.techreport ?? ''),
    references: isGerman ? 'Literatur' : 'References',
    bibliography: isGerman ? 'Literatur' : 'Bibliography',
  };
  return said[name] ?? null;
}
