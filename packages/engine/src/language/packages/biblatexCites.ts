import { readArgument, readOptional } from '../../expansion/arguments';
import { cell } from '../../expansion/cells';
import { STOP, type Token } from '../../expansion/meaning';
import type { Interpreter } from '../machine/interpreter';
import { textOf } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { citation, keysOf } from '../constructs/bibliography';
import { type Args, type CommandEntry, tokensOf } from '../machine/entries';
import { macroEntry } from '../machine/macroEntry';

/** How `\autocite` cites: plain, inline, footnote or superscript (package option `autocite`). */
export const AUTOCITE = cell('autocite', 'plain');

const AUTO: Readonly<Record<string, string>> = {
  footnote: 'footcite',
  verbose: 'footfullcite',
  superscript: 'supercite',
};

/** Several names of one command, small and capital. */
const citing = (name: string, what: string, macro: string, signature = ''): CommandEntry[] =>
  [name, name.charAt(0).toUpperCase() + name.slice(1)].map((one) =>
    macroEntry(one, signature, what, `\\${one}{quill}`, macro),
  );

/** `\parencite*` and its kin: the year alone where sources are cited by author and year. */
const starred = (name: string, plain: string, star: string, what: string): CommandEntry => ({
  name,
  signature: '',
  description: what,
  example: `\\${name}{quill}`,
  package: 'biblatex',
  run: (it) => {
    const has = it.p.takeChar('*');
    it.p.push(it.source(has ? star : plain));
  },
});

/** What an entry is, of which a list of sources knows: its title, its address, all of it. */
const partOf = (name: string, part: string, what: string): CommandEntry => ({
  name,
  signature: 'soom',
  description: what,
  example: `\\${name}{quill}`,
  package: 'biblatex',
  run: (it, args: Args) => {
    const keys = keysOf(it, tokensOf(args, 3));
    it.citations.push(...keys);
    it.startParagraph();
    keys.forEach((key, i) => {
      if (i > 0) it.execute(it.source('\\multicitedelim '));
      it.add(citation(it, key, part));
    });
    const note = args[2] ?? args[1];
    if (Array.isArray(note) && note.length > 0)
      it.execute([...it.p.chars(', '), ...(note as Token[])]);
  },
});

/** Commands that cite several entries, each with notes of its own, and the one that cites them at once. */
const MANY = [
  ['cites', 'cite'],
  ['Cites', 'cite'],
  ['parencites', 'parencite'],
  ['Parencites', 'parencite'],
  ['textcites', 'textcite'],
  ['Textcites', 'textcite'],
  ['autocites', 'autocite'],
  ['Autocites', 'autocite'],
  ['smartcites', 'smartcite'],
  ['footcites', 'footcite'],
  ['footcitetexts', 'footcitetext'],
  ['supercites', 'supercite'],
] as const;

/** What stands in parentheses next, or null. */
function inParentheses(it: Interpreter): readonly Token[] | null {
  const { p } = it;
  if (!p.takeChar('(')) return null;
  const out: Token[] = [];
  for (let token = p.next(); token !== null; token = p.next()) {
    if (token.cell === null && token.text === ')') return out;
    if (token.cat === STOP || token.text === 'par') {
      p.unread(token);
      break;
    }
    out.push(token);
  }
  return out;
}

/** `\parencites[12]{a}[see][]{b}{c}`: their notes are the last one's. */
const many = (name: string, one: string): CommandEntry => ({
  name,
  signature: '',
  package: 'biblatex',
  description: 'Cites several entries.',
  example: `Tide \\${name}{quill}{marr}`,
  run: (it) => {
    const { p } = it;
    const keys: string[] = [];
    let note: readonly Token[] | null = null;
    // `\cites(before)(behind){a}{b}`: notes of the whole.
    const whole = [inParentheses(it), inParentheses(it)];
    for (;;) {
      const notes = [readOptional(p, false), readOptional(p, false)];
      const next = p.next();
      if (next) p.unread(next);
      if (next?.cat !== Cat.Begin) break;
      note = notes[1] ?? notes[0] ?? note;
      keys.push(textOf(p, readArgument(p, p.command(name)) ?? []));
    }
    const [before, behind] = whole[1] ? whole : [null, whole[0]];
    const last = behind && behind.length > 0 ? behind : note;
    const option = (tokens: readonly Token[] | null): Token[] =>
      tokens ? [...p.chars('['), ...tokens, ...p.chars(']')] : [];
    const bracketed = before ? [...option(before), ...option(last ?? [])] : option(last);
    p.push([
      p.command(one),
      ...bracketed,
      p.make(Cat.Begin, '{'),
      ...p.chars(keys.join(',')),
      p.make(Cat.End, '}'),
    ]);
  },
});

/** `\volcite[before]{volume}[page]{key}`. */
const volume = (name: string, cite: string): CommandEntry =>
  macroEntry(
    name,
    'omom',
    'Cites a volume of an entry.',
    `\\${name}{2}[3]{quill}`,
    `\\${cite}[vol.~#2\\if\\relax\\detokenize{#3}\\relax\\else, #3\\fi]{#4}`,
    '',
  );

/** Commands that cite (biblatex manual, sections 3.9.1 to 3.9.5). */
export const citeCommands: readonly CommandEntry[] = [
  starred('parencite', '\\citep', '\\citeyearpar', 'Cites in brackets.'),
  starred('Parencite', '\\citep', '\\citeyearpar', 'Cites in brackets.'),
  ...citing('textcite', 'Cites in the sentence.', '\\citet'),
  ...['autocite', 'Autocite'].map((name): CommandEntry => ({
    name,
    signature: '',
    description: 'Cites as the style has it.',
    example: `\\${name}{quill}`,
    package: 'biblatex',
    run: (it) => it.p.push([it.p.command(AUTO[it.read(AUTOCITE)] ?? 'parencite')]),
  })),
  ...citing('smartcite', 'Cites as the place asks for it.', '\\parencite'),
  macroEntry('Cite', '', 'Cites at the start of a sentence.', '\\Cite{quill}', '\\cite'),
  ...citing('footcite', 'Cites in a note at the foot.', '\\footnote{\\citealp[#1]{#2}.}', 'om'),
  macroEntry(
    'footcitetext',
    'om',
    'Cites in a note whose mark is set already.',
    'Tide\\footnotemark\\footcitetext{quill}',
    '\\footnotetext{\\citealp[#1]{#2}.}',
  ),
  macroEntry(
    'supercite',
    'm',
    'Cites by a raised number.',
    'Tide\\supercite{quill}',
    '\\textsuperscript{\\citealp{#1}}',
  ),
  partOf('citetitle', ':title', 'Cites an entry by its title.'),
  partOf('Citetitle', ':title', 'Cites an entry by its title.'),
  partOf('citeurl', ':url', 'The address of an entry.'),
  partOf('fullcite', ':entry', 'Cites an entry as a whole.'),
  macroEntry(
    'footfullcite',
    'om',
    'Cites an entry as a whole in a note.',
    'Tide\\footfullcite{quill}',
    '\\footnote{\\fullcite[#1]{#2}.}',
    '',
  ),
  macroEntry('citedate', 'm', 'The year of an entry.', '\\citedate{quill}', '\\citeyear{#1}'),
  volume('volcite', 'cite'),
  volume('pvolcite', 'parencite'),
  volume('fvolcite', 'footcite'),
  volume('tvolcite', 'textcite'),
  macroEntry('notecite', 'om', 'The notes of a citation alone.', '\\notecite[3]{quill}', '#1', ''),
  macroEntry(
    'pnotecite',
    'om',
    'The notes alone, in brackets.',
    '\\pnotecite[3]{quill}',
    '(#1)',
    '',
  ),
  macroEntry(
    'fnotecite',
    'om',
    'The notes alone, at the foot.',
    'Tide\\fnotecite[3]{quill}',
    '\\footnote{#1}',
    '',
  ),
  macroEntry('parentext', 'm', 'Text in brackets.', '\\parentext{Ebb}', '(#1)'),
  macroEntry('brackettext', 'm', 'Text in square brackets.', '\\brackettext{Ebb}', '[#1]'),
  ...MANY.map(([name, one]) => many(name, one)),
];
