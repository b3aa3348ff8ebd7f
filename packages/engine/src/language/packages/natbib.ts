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
import type { Interpreter } from '../machine/interpreter';
import { macroEntry, quietEntry } from '../machine/macroEntry';
import { cell } from '../../expansion/cells';

interface Form {
  /** Author before the brackets, author inside them, or none. */
  readonly author: 'before' | 'inside' | 'none';
  readonly year: boolean;
  readonly bracketed: boolean;
}

const byNumber = (it: Interpreter): boolean => !citesByName(it);

/** With package biblatex a note that is a number names a page. */
function paged(it: Interpreter, note: Args[number] | undefined, standard: boolean): Args[number] {
  if (!standard || !Array.isArray(note)) return note ?? null;
  const text = tokensText(note as Token[]).trim();
  if (!/^[\divxlc]+(?:\s*(?:--?|,|–)\s*[\divxlc]+)*$/.test(text)) return note;
  return [...it.source(/[-,–]/.test(text) ? 'pp.~' : 'p.~'), ...(note as Token[])];
}

/** `\citet*[before][note]{keys}` and its kin. */
function cite(it: Interpreter, args: Args, form: Form): void {
  const part = isStarred(args) ? ':full' : ':author';
  const keys = keysOf(it, tokensOf(args, 3));
  const one = args[2] === null;
  const before = one ? null : tokensOf(args, 1);
  const standard = it.hasPackage('biblatex');
  const note = paged(it, one ? args[1] : args[2], standard);
  it.citations.push(...keys);
  it.startParagraph();
  const say = (text: string): void => it.execute(it.source(text));
  const [open, close] = byNumber(it) ? ['[', ']'] : brackets(it);
  if (form.author === 'inside' && form.bracketed) say(open);
  if (before && before.length > 0 && form.author === 'inside')
    it.execute([...before, ...it.source('~')]);
  const together =
    byNumber(it) && it.read(SORTED) && form.author === 'inside' && form.year && keys.length > 1;
  if (together) it.add(citations(it, keys));
  keys.forEach((key, i) => {
    if (together) return;
    if (i > 0) say(byNumber(it) || form.author === 'before' ? ', ' : '; ');
    if (byNumber(it)) {
      if (form.author === 'before' || (form.author === 'inside' && !form.year)) {
        it.add(citation(it, key, part));
        if (form.year) say(`~${open}`);
      }
      if (form.year) it.add(citation(it, key));
      if (form.author === 'before' && form.year) {
        if (note && i === keys.length - 1) it.execute([...it.source(', '), ...(note as never[])]);
        say(close);
      }
      return;
    }
    if (form.author !== 'none') it.add(citation(it, key, part));
    if (!form.year) return;
    if (form.author === 'before') say(form.bracketed ? `~${open}` : ' ');
    else if (form.author === 'inside') say(standard ? ' ' : ', ');
    it.add(citation(it, key, ':year'));
    if (form.author === 'before') {
      if (note && i === keys.length - 1) it.execute([...it.source(', '), ...(note as never[])]);
      if (form.bracketed) say(close);
    }
  });
  if (note && form.author !== 'before') it.execute([...it.source(', '), ...(note as never[])]);
  if (form.author === 'inside' && form.bracketed) say(close);
  if (form.author === 'none' && form.bracketed) say(close);
}

/** The brackets around citations: round, square or curly. */
const BRACKETS = cell('citebrackets', 'round');
/** Numbers in one pair of brackets are put in order, and shortened to ranges. */
export const SORTED = cell('citessorted', false);

function brackets(it: Interpreter): [string, string] {
  const kind = it.read(BRACKETS);
  return kind === 'square' ? ['[', ']'] : kind === 'curly' ? ['\\{', '\\}'] : ['(', ')'];
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
    quietEntry('setcitestyle', 'm', 'How citations are written.'),
    quietEntry('bibpunct', 'ommmmmm', 'The signs of citations.'),
    quietEntry('shortcites', 'm', 'Names shortened from the first time on.'),
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
  source: '\\newskip\\bibsep\\newdimen\\bibhang\\bibhang=1em',
  setup: (it, options) => {
    if (options.includes('numbers') || options.includes('super'))
      it.write(CELLS.authorYear, false, true);
    if (options.some((o) => o === 'sort&compress' || o === 'compress'))
      it.write(SORTED, true, true);
    if (options.includes('authoryear')) it.write(CELLS.authorYear, true, true);
    const kind = options.find((o) => ['square', 'round', 'curly'].includes(o));
    if (kind) it.write(BRACKETS, kind, true);
  },
};
