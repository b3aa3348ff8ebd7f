import { readArgument, readOptional } from '../../expansion/arguments';
import { STOP, type Token } from '../../expansion/meaning';
import type { Interpreter } from '../machine/interpreter';
import { textOf } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { citation, citesByName, keysOf } from '../constructs/bibliography';
import { type Args, type CommandEntry, tokensOf } from '../machine/entries';
import { macroEntry } from '../machine/macroEntry';
import { AUTOCITE } from './biblatexOptions';

const AUTO: Readonly<Record<string, string>> = {
  footnote: 'footcite',
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

/** What stands around citations of a form, and between several of them. */
function around(
  it: Interpreter,
  form: string,
): readonly [open: string, close: string, between: string] {
  const byNumber = !citesByName(it);
  switch (form) {
    case 'cite':
      return byNumber ? ['[', ']', '\\multicitedelim '] : ['', '', '\\multicitedelim '];
    case 'textcite':
      return ['', '', '\\textcitedelim '];
    case 'footcite':
      return ['\\footnote{', '.}', '\\multicitedelim '];
    case 'footcitetext':
      return ['\\footnotetext{', '.}', '\\multicitedelim '];
    case 'supercite':
      return ['\\textsuperscript{', '}', '\\supercitedelim '];
    default:
      return [byNumber ? '[' : '(', byNumber ? ']' : ')', '\\multicitedelim '];
  }
}

const bracketed = (it: Interpreter, tokens: readonly Token[] | null): Token[] =>
  tokens ? [...it.p.chars('['), ...tokens, ...it.p.chars(']')] : [];
const braced = (it: Interpreter, tokens: readonly Token[]): Token[] => [
  it.p.make(Cat.Begin, '{'),
  ...tokens,
  it.p.make(Cat.End, '}'),
];

/** `\footcite[before][behind]{keys}`: citations with something around them. */
const wrapped = (name: string, form: string, what: string, inner = 'citealp'): CommandEntry => ({
  name,
  signature: 'soom',
  description: what,
  example: `Tide\\${name}{quill}`,
  package: 'biblatex',
  run: (it, args: Args) => {
    const [open, close] = around(it, form);
    const notes = [1, 2].flatMap((i) => bracketed(it, args[i] ? tokensOf(args, i) : null));
    it.p.push([
      ...it.source(open),
      it.p.command(inner),
      ...notes,
      ...braced(it, tokensOf(args, 3)),
      ...it.source(close),
    ]);
  },
});

/** `\parencites(see)(and more)[12]{a}[see][]{b}{c}`: each with notes of its own. */
const many = (name: string, one: string): CommandEntry => ({
  name,
  signature: '',
  package: 'biblatex',
  description: 'Cites several entries.',
  example: `Tide \\${name}{quill}{marr}`,
  run: (it) => {
    const { p } = it;
    const cited: { key: string; notes: (readonly Token[] | null)[] }[] = [];
    const whole = [inParentheses(it), inParentheses(it)];
    for (;;) {
      const notes = [readOptional(p, false), readOptional(p, false)];
      const next = p.next();
      if (next) p.unread(next);
      if (next?.cat !== Cat.Begin) break;
      cited.push({ key: textOf(p, readArgument(p, p.command(name)) ?? []), notes });
    }
    const [before, behind] = whole[1] ? whole : [null, whole[0]];
    const usual = one === 'autocite' ? (AUTO[it.read(AUTOCITE)] ?? 'parencite') : one;
    const form = usual === 'smartcite' ? 'parencite' : usual;
    const hasNotes = cited.some(({ notes }) => notes.some((note) => note !== null));
    if (!hasNotes) {
      const keys = p.chars(cited.map(({ key }) => key).join(','));
      const said = before
        ? [...bracketed(it, before), ...bracketed(it, behind ?? [])]
        : bracketed(it, behind ?? null);
      p.push([p.command(one), ...said, ...braced(it, keys)]);
      return;
    }
    const [open, close, between] = around(it, form);
    const each = form === 'textcite' ? 'textcite' : 'citealp';
    const items = cited.flatMap(({ key, notes }, i) => [
      ...(i > 0 ? it.source(between) : []),
      p.command(each),
      ...notes.flatMap((note) => bracketed(it, note)),
      ...braced(it, p.chars(key)),
    ]);
    p.push([
      ...it.source(open),
      ...(before ? [...before, ...it.source('~')] : []),
      ...items,
      ...(behind && behind.length > 0 ? [...it.source(', '), ...behind] : []),
      ...it.source(close),
    ]);
  },
});

/** `\volcite[before]{volume}[page]{key}`. */
const volume = (name: string, cite: string): CommandEntry => ({
  name,
  signature: 'omom',
  package: 'biblatex',
  description: 'Cites a volume of an entry.',
  example: `\\${name}{2}[3]{quill}`,
  run: (it, args) => {
    const { p } = it;
    const pages = args[2] ? [...p.chars(', '), ...tokensOf(args, 2)] : [];
    p.push([
      p.command(cite),
      ...bracketed(it, args[0] ? tokensOf(args, 0) : null),
      ...bracketed(it, [...it.source('vol.~'), ...tokensOf(args, 1), ...pages]),
      ...braced(it, tokensOf(args, 3)),
    ]);
  },
});

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
  wrapped('footcite', 'footcite', 'Cites in a note at the foot.'),
  wrapped('Footcite', 'footcite', 'Cites in a note at the foot.'),
  wrapped('footcitetext', 'footcitetext', 'Cites in a note whose mark is set already.'),
  wrapped('supercite', 'supercite', 'Cites by a raised number.'),
  wrapped('footfullcite', 'footcite', 'Cites an entry as a whole in a note.', 'fullcite'),
  partOf('citetitle', ':title', 'Cites an entry by its title.'),
  partOf('Citetitle', ':title', 'Cites an entry by its title.'),
  partOf('citeurl', ':url', 'The address of an entry.'),
  partOf('fullcite', ':entry', 'Cites an entry as a whole.'),
  partOf('citedate', ':date', 'The date of an entry.'),
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
