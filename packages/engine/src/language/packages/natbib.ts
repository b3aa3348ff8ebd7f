import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { CELLS } from '../machine/cells';
import {
  type Args,
  type CommandEntry,
  isStarred,
  type PackageEntry,
  tokensOf,
} from '../machine/entries';
import { citation, citations, citesByName, keysOf } from '../constructs/bibliography';
import { scriptInlines } from '../constructs/scriptText';
import type { Inline } from '../../document/inlines';
import type { Interpreter } from '../machine/interpreter';
import { idleEntry, macroEntry, quietEntry } from '../machine/macroEntry';
import { cell, cellsBy } from '../../expansion/cells';
import { keyValues } from '../scanning/optionLists';

interface Form {
  /** Author before the brackets, author inside them, or none. */
  readonly author: 'before' | 'inside' | 'none';
  readonly year: boolean;
  readonly bracketed: boolean;
}

const byNumber = (it: Interpreter): boolean => !citesByName(it);

/** With package biblatex a note that is a number names a page. */
function paged(it: Interpreter, note: Args[number] | undefined, standard: boolean): Args[number] {
  if (!standard || !Array.isArray(note) || it.read(PLAIN_NOTES)) return note ?? null;
  const text = tokensText(note as Token[]).trim();
  if (!/^[\divxlc]+(?:\s*(?:--?|,|–)\s*[\divxlc]+)*$/.test(text)) return note;
  return [...it.source(/[-,–]/.test(text) ? 'pp.~' : 'p.~'), ...(note as Token[])];
}

/** The signs of citations (natbib manual, section 2.9). */
interface Marks {
  readonly open: string;
  readonly close: string;
  readonly between: string;
  readonly beforeYear: string;
  readonly beforeNote: string;
  /** Numbers are raised. */
  readonly raised: boolean;
}
/** What the document says of them. */
const MARKS = cell<Partial<Marks>>('citemarks', {});
/** Names that stand for entries (`\defcitealias`). */
const citeAlias = cellsBy<readonly Token[] | null>('citealias', null);

const usualMarks = (it: Interpreter): Marks => {
  const standard = it.hasPackage('biblatex');
  return {
    open: byNumber(it) ? '[' : '(',
    close: byNumber(it) ? ']' : ')',
    between: standard ? '\\multicitedelim ' : byNumber(it) ? ', ' : '; ',
    beforeYear: standard ? '\\nameyeardelim ' : ', ',
    beforeNote: ', ',
    raised: false,
  };
};

/** `\citet*[before][note]{keys}` and its kin. */
function cite(it: Interpreter, args: Args, form: Form): void {
  const part = isStarred(args) ? ':full' : ':author';
  const keys = keysOf(it, tokensOf(args, 3));
  const one = args[2] === null;
  const before = one ? null : tokensOf(args, 1);
  const said = paged(it, one ? args[1] : args[2], it.hasPackage('biblatex'));
  const note = Array.isArray(said) && said.length > 0 ? said : null;
  const marks: Marks = { ...usualMarks(it), ...it.read(MARKS) };
  it.citations.push(...keys);
  it.startParagraph();
  const numbers = byNumber(it);
  const citedBy = it.read(CITED_BY);
  // The whole entry the first time (package biblatex); by title where years are not named.
  const seen = it.read(CITED_WHOLE);
  if (citedBy === 'whole') it.write(CITED_WHOLE, [...new Set([...seen, ...keys])], true);
  const second = numbers ? '' : citedBy === 'usual' ? ':year' : ':title';
  const raised = numbers && marks.raised;
  const say = (text: string): void => it.execute(it.source(text));
  const noted = (): void => {
    if (note) it.execute([...it.source(marks.beforeNote), ...(note as Token[])]);
  };
  const [open, close] = form.bracketed || numbers ? [marks.open, marks.close] : ['', ''];
  /** Numbers, raised where the document has them so. */
  const addAll = (make: () => readonly Inline[]): void =>
    raised ? it.add(scriptInlines(it, make, true)) : make().forEach((inline) => it.add(inline));
  if (form.author === 'inside' && form.bracketed && !raised) say(open);
  if (before && before.length > 0 && form.author === 'inside')
    it.execute([...before, ...it.source('~')]);
  const inside = form.author === 'inside' && form.year;
  if (numbers && inside && (raised || (it.read(SORTED) && keys.length > 1)))
    addAll(() =>
      it.read(SORTED) && keys.length > 1
        ? [citations(it, keys)]
        : keys.flatMap((key, i) => [
            ...(i > 0 ? it.inlinesOf(it.p.chars(',')) : []),
            citation(it, key),
          ]),
    );
  else
    keys.forEach((key, i) => {
      const isLast = i === keys.length - 1;
      const isWhole = citedBy === 'whole' && form.author === 'inside' && form.year;
      if (i > 0) say(form.author === 'before' ? ', ' : marks.between);
      const named = form.author === 'before' || (!numbers && form.author !== 'none') || !form.year;
      if (isWhole && !seen.includes(key)) {
        it.add(citation(it, key, ':entry'));
        return;
      }
      if (named) it.add(citation(it, key, part));
      if (!form.year) return;
      // natbib ties the year to the name, package biblatex does not.
      const tie = it.hasPackage('biblatex') ? ' ' : '~';
      if (form.author === 'before')
        say(raised ? '' : form.bracketed || numbers ? `${tie}${open}` : ' ');
      else if (form.author === 'inside' && !numbers)
        say(citedBy === 'usual' ? marks.beforeYear : '\\nametitledelim ');
      addAll(() => [citation(it, key, second)]);
      if (form.author === 'before') {
        if (isLast) noted();
        if ((form.bracketed || numbers) && !raised) say(close);
      }
    });
  if (form.author !== 'before') noted();
  if (form.author !== 'before' && form.bracketed && !raised) say(close);
}

/** By what package biblatex cites entries: number or year, title, the whole entry the first time. */
export const CITED_BY = cell<'usual' | 'title' | 'whole'>('bibcitedby', 'usual');
const CITED_WHOLE = cell<readonly string[]>('bibcitedwhole', []);
/** Pages are not named before notes that are numbers. */
export const PLAIN_NOTES = cell('bibplainnotes', false);

/** Numbers in one pair of brackets are put in order, and shortened to ranges. */
export const SORTED = cell('citessorted', false);

/** `\setcitestyle{authoryear,round,semicolon,aysep={,},…}` (manual, section 2.9). */
function setStyle(it: Interpreter, options: ReadonlyMap<string, readonly Token[]>): void {
  const marks: { -readonly [Key in keyof Marks]?: Marks[Key] } = { ...it.read(MARKS) };
  const brackets = (open: string, close: string): void => {
    marks.open = open;
    marks.close = close;
  };
  for (const [key, value] of options) {
    const text = tokensText(value).trim();
    if (key === 'authoryear') it.write(CELLS.authorYear, true, true);
    else if (key === 'numbers' || key === 'super') {
      it.write(CELLS.authorYear, false, true);
      marks.raised = key === 'super';
      if (key === 'super') brackets('', '');
    } else if (key === 'sort&compress' || key === 'compress') it.write(SORTED, true, true);
    else if (key === 'round') brackets('(', ')');
    else if (key === 'square') brackets('[', ']');
    else if (key === 'curly') brackets('\\{', '\\}');
    else if (key === 'angle') brackets('$\\langle$', '$\\rangle$');
    else if (key === 'open') marks.open = text;
    else if (key === 'close') marks.close = text;
    else if (key === 'semicolon' || key === 'colon') marks.between = '; ';
    else if (key === 'comma') marks.between = ', ';
    else if (key === 'citesep') marks.between = `${text} `;
    else if (key === 'aysep') marks.beforeYear = `${text} `;
    else if (key === 'notesep') marks.beforeNote = tokensText(value);
  }
  it.write(MARKS, marks, true);
}

/** `\bibpunct[note]{open}{close}{between}{n|s|a}{before year}{between years}`. */
function setMarks(it: Interpreter, args: Args): void {
  const text = (i: number): string => tokensText(tokensOf(args, i)).trim();
  const kind = text(4);
  if (kind !== '') it.write(CELLS.authorYear, kind === 'a', true);
  it.write(
    MARKS,
    {
      open: text(1),
      close: text(2),
      between: `${text(3)} `,
      beforeYear: `${text(5)} `,
      raised: kind === 's',
      ...(args[0] ? { beforeNote: tokensText(tokensOf(args, 0)) } : {}),
    },
    true,
  );
}

const command = (name: string, form: Form, what: string): CommandEntry => ({
  name,
  signature: 'soom',
  description: what,
  example: `\\${name}[p.~3]{quill}`,
  package: 'natbib',
  run: (it, args) => cite(it, args, form),
});

/** natbib: citations by author and year. */
export const natbib: PackageEntry = {
  name: 'natbib',
  description: 'Citations by author and year, or by number.',
  options: null,
  commands: [
    command(
      'citet',
      { author: 'before', year: true, bracketed: true },
      'Cites in the sentence: Quill (2024).',
    ),
    command(
      'citep',
      { author: 'inside', year: true, bracketed: true },
      'Cites in brackets: (Quill, 2024).',
    ),
    command(
      'citealt',
      { author: 'before', year: true, bracketed: false },
      'As \\citet, without brackets.',
    ),
    command(
      'citealp',
      { author: 'inside', year: true, bracketed: false },
      'As \\citep, without brackets.',
    ),
    command(
      'citeauthor',
      { author: 'inside', year: false, bracketed: false },
      'The author of an entry.',
    ),
    command('citeyear', { author: 'none', year: true, bracketed: false }, 'The year of an entry.'),
    command(
      'Citet',
      { author: 'before', year: true, bracketed: true },
      'Cites at the start of a sentence.',
    ),
    command('Citep', { author: 'inside', year: true, bracketed: true }, 'Cites in brackets.'),
    macroEntry(
      'citeyearpar',
      'm',
      'The year of an entry in brackets.',
      '\\citeyearpar{quill}',
      '(\\citeyear{#1})',
    ),
    macroEntry(
      'citetext',
      'M',
      'Text in the brackets of citations.',
      '\\citetext{see there}',
      '(#1)',
    ),
    {
      name: 'cite',
      signature: 'soom',
      description: 'Cites: by number in brackets, or as \\citet.',
      example: '\\cite{quill}',
      package: 'natbib',
      run: (it, args) =>
        cite(
          it,
          args,
          byNumber(it) || it.hasPackage('biblatex')
            ? { author: 'inside', year: true, bracketed: byNumber(it) }
            : { author: 'before', year: true, bracketed: true },
        ),
    },
    ...(
      [
        ['Citealt', 'before'],
        ['Citealp', 'inside'],
      ] as const
    ).map(([name, author]) =>
      command(name, { author, year: true, bracketed: false }, 'Cites at the start of a sentence.'),
    ),
    ...['Citeauthor', 'citefullauthor', 'Citefullauthor'].map((name) =>
      command(name, { author: 'inside', year: false, bracketed: false }, 'The author of an entry.'),
    ),
    {
      name: 'citenum',
      signature: 'm',
      description: 'The number of an entry, without brackets.',
      example: '\\citenum{quill}',
      package: 'natbib',
      run: (it, args) => {
        const keys = keysOf(it, tokensOf(args, 0));
        it.citations.push(...keys);
        it.startParagraph();
        it.add(citations(it, keys));
      },
    },
    {
      name: 'defcitealias',
      signature: 'mm',
      description: 'A name that stands for an entry.',
      example: '\\defcitealias{quill}{The Tides}\\citetalias{quill}',
      package: 'natbib',
      run: (it, args) =>
        it.write(citeAlias(tokensText(tokensOf(args, 0)).trim()), tokensOf(args, 1), true),
    },
    ...(['citetalias', 'citepalias'] as const).map((name): CommandEntry => ({
      name,
      signature: 'm',
      description: 'Cites by the name that stands for an entry.',
      example: `\\defcitealias{quill}{The Tides}\\${name}{quill}`,
      package: 'natbib',
      run: (it, args) => {
        const key = tokensText(tokensOf(args, 0)).trim();
        it.citations.push(key);
        const marks = { ...usualMarks(it), ...it.read(MARKS) };
        const [open, close] = name === 'citepalias' ? [marks.open, marks.close] : ['', ''];
        it.execute([...it.source(open), ...(it.read(citeAlias(key)) ?? []), ...it.source(close)]);
      },
    })),
    {
      name: 'setcitestyle',
      signature: 'm',
      description: 'How citations are written: numbers, round, semicolon, aysep={,}.',
      example: '\\setcitestyle{numbers,square}',
      package: 'natbib',
      run: (it, args) => setStyle(it, keyValues(tokensOf(args, 0))),
    },
    {
      name: 'bibpunct',
      signature: 'ommmmmm',
      description: 'The signs of citations: brackets, between entries, the kind, before years.',
      example: '\\bibpunct{[}{]}{,}{n}{,}{,}',
      package: 'natbib',
      run: (it, args) => setMarks(it, args),
    },
    idleEntry('shortcites', 'm', 'Names shortened from the first time on.'),
    macroEntry('bibfont', '', 'The font of the bibliography.', '\\bibfont', ''),
    macroEntry(
      'bibsection',
      '',
      'The heading of the bibliography.',
      '\\bibsection',
      '\\@bibheading',
    ),
    quietEntry('citestyle', 'm', 'How citations are written.'),
  ],
  source:
    '\\newskip\\bibsep\\bibsep=\\itemsep\\advance\\bibsep by\\parsep \\newdimen\\bibhang\\bibhang=1em\\newif\\ifciteindex\\def\\citeindextrue{}\\def\\citeindexfalse{}\\let\\bibpreamble\\relax \\def\\bibnumfmt#1{[#1]}\\def\\citenumfont#1{#1}',
  setup: (it, options) => {
    setStyle(it, new Map(options.map((option) => [option, []])));
  },
};
