import { cell } from '../../expansion/cells';
import { detach, type Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { entriesOf } from '../constructs/contents';
import { pagesOf } from '../constructs/indexEntries';
import { emit } from '../constructs/pageStyle';
import { aside } from '../machine/asides';
import type { Interpreter } from '../machine/interpreter';

/** Lists of a glossary: whose words stand in them, with which pages, in which form. */

/** How the lists look, as options and settings say. */
export interface ListLook {
  readonly style: string;
  readonly pages: boolean;
  /** A full stop behind what a word means. */
  readonly dot: boolean;
  /** Room between words of different first letters. */
  readonly groups: boolean;
}
export const LIST_LOOK = cell<ListLook>('glossarylook', {
  style: 'list',
  pages: true,
  dot: true,
  groups: true,
});
/** Titles of lists by their names. */
export const LIST_TITLES = cell<Readonly<Record<string, readonly Token[]>>>('glossarytitles', {});

const NAMED = 'glossary words';

/** The text names a word: it stands in its list, with this page. */
export function nameWord(it: Interpreter, key: string): void {
  emit(it, { kind: 'contents', list: NAMED, entry: detach(it.p.chars(key)), ...it.p.place });
}
/** The same where nothing is printed. */
export const addWord = (it: Interpreter, key: string): void => aside(it, () => nameWord(it, key));

/** The pages of the words that are named, by their keys. */
function namedPages(it: Interpreter): Map<string, { page: string; around: ''; range: '' }[]> {
  const out = new Map<string, { page: string; around: ''; range: '' }[]>();
  for (const { entry, page } of entriesOf(it, NAMED)) {
    const key = tokensText(entry);
    out.set(key, [...(out.get(key) ?? []), { page, around: '', range: '' }]);
  }
  return out;
}

/** A word as a list prints it. */
export interface ListedWord {
  readonly key: string;
  readonly name: readonly Token[];
  readonly description: readonly Token[];
  readonly sort: string;
  /** The key of the word that it stands below. */
  readonly parent: string;
}

/** The words of a list that the text names, in the order of the alphabet, as source. */
export function listTokens(
  it: Interpreter,
  words: readonly ListedWord[],
  style: string | null,
  withPages: boolean,
): Token[] {
  const named = namedPages(it);
  const all = named.has('*');
  // What stands below a named word brings that with it.
  const wanted = new Set(
    words.filter(({ key }) => all || named.has(key)).flatMap(({ key, parent }) => [key, parent]),
  );
  const sorted = words
    .filter(({ key }) => wanted.has(key))
    .sort((a, b) => a.sort.localeCompare(b.sort));
  const rows = sorted
    .filter(({ parent }) => parent === '' || !wanted.has(parent))
    .flatMap((word) => [
      { word, depth: 0 },
      ...sorted.filter(({ parent }) => parent === word.key).map((one) => ({ word: one, depth: 1 })),
    ]);
  const look = { ...it.read(LIST_LOOK), ...(style === null ? {} : { style }) };
  const form = formOf(look.style);
  const pagesNamed = (key: string) =>
    [...(named.get(key) ?? []), ...(named.get('*') ?? [])].sort(
      (a, b) => Number(a.page) - Number(b.page),
    );
  const out = it.source(form.begin);
  rows.forEach(({ word, depth }, i) => {
    const before = rows[i - 1]?.word;
    const isNew = depth === 0 && before !== undefined && letterOf(before) !== letterOf(word);
    if (isNew && look.groups) out.push(...it.source(form.apart));
    const pages = withPages && look.pages ? pagesOf(pagesNamed(word.key)) : [];
    const dot = look.dot && word.description.length > 0 ? '.' : '';
    out.push(
      ...it.source(form.before(depth)),
      ...word.name,
      ...it.source(form.between),
      ...word.description,
      ...it.source(`${dot}${form.pages(pages.join(', '))}${form.after}`),
    );
  });
  return rows.length === 0 ? [] : [...out, ...it.source(form.end)];
}

const letterOf = ({ sort }: ListedWord): string => {
  const first = sort
    .replace(/^\\[A-Za-z]+\s*|[${}\\]/g, '')
    .charAt(0)
    .toUpperCase();
  return /[A-Z]/.test(first) ? first : /\d/.test(first) ? '0' : '';
};

interface Form {
  readonly begin: string;
  readonly end: string;
  readonly apart: string;
  readonly before: (depth: number) => string;
  readonly between: string;
  readonly pages: (pages: string) => string;
  readonly after: string;
}

const plainPages = (pages: string): string => (pages === '' ? '' : `\\space ${pages}`);
const LIST: Form = {
  begin: '\\begin{description}',
  end: '\\end{description}',
  apart: '\\par\\glsgroupskip ',
  before: () => '\\item[\\glsnamefont{',
  between: '}] ',
  pages: plainPages,
  after: '',
};
const TREE: Form = {
  begin: '\\begingroup\\parindent0pt\\relax ',
  end: '\\par\\endgroup ',
  apart: '\\par\\glsgroupskip ',
  before: (depth) =>
    `\\par\\hangindent ${30 + 10 * depth}pt\\leavevmode\\hspace*{${20 * depth}pt}\\glsnamefont{\\textbf{`,
  between: '}}\\space ',
  pages: plainPages,
  after: '',
};

/** A table of words, what they mean, and where its columns say so their pages apart. */
const table = (columns: number, bordered: boolean, header: boolean): Form => {
  const bar = bordered ? '|' : '';
  const last = columns > 2 ? `${bar}p{\\glspagelistwidth}` : '';
  const words = ['\\entryname', '\\descriptionname', ...(columns > 2 ? ['\\pagelistname'] : [])];
  const heads = header
    ? `${words.map((one) => `\\textbf{${one}}`).join('&')}\\\\${bordered ? '\\hline ' : ''}`
    : '';
  return {
    begin: `\\begin{longtable}{${bar}l${bar}p{\\glsdescwidth}${last}${bar}}${bordered ? '\\hline ' : ''}${heads}`,
    end: '\\end{longtable}',
    apart: '&\\\\',
    before: () => '\\glsnamefont{',
    between: '}&',
    pages: columns > 2 ? (pages) => `&${pages}` : plainPages,
    after: bordered ? '\\\\\\hline ' : '\\\\',
  };
};

/** The styles of lists that the manual names (section 13), by what they are built like. */
function formOf(style: string): Form {
  if (/^(?:alt)?(?:long|super)/.test(style)) {
    const columns = /3col|4col/.test(style) ? 3 : 2;
    return table(columns, /border/.test(style), /header/.test(style));
  }
  if (/^(?:index|tree|alttree|mcol|indexgroup|treenoname)/.test(style)) return TREE;
  if (/^altlist/.test(style)) return { ...LIST, between: '}]\\mbox{}\\par\\nobreak ' };
  if (/^listdotted/.test(style)) return { ...LIST, between: '}]\\dotfill\\ ' };
  if (/^inline/.test(style))
    return {
      ...LIST,
      begin: '\\par ',
      end: '\\par ',
      apart: '',
      before: () => '\\glsnamefont{',
      between: '}: ',
      after: '; ',
    };
  return LIST;
}

/** Names that the forms use. */
export const LIST_SOURCE = String.raw`
\newcommand\glsnamefont[1]{#1}\newcommand\glsgroupskip{\vskip10pt plus5pt minus3pt\relax}\newdimen\glsdescwidth\glsdescwidth.6\hsize\newdimen\glspagelistwidth\glspagelistwidth.1\hsize
\providecommand\entryname{Notation}\providecommand\descriptionname{Description}\providecommand\symbolname{Symbol}\providecommand\pagelistname{Page List}\newcommand\glspostdescription{}\newcommand\glossarypreamble{}\newcommand\glossarypostamble{}\newcommand\setglossarypreamble[2][]{\def\glossarypreamble{#2}}
`;
