import { type Glue, PT } from '../../base/lengths';
import type { Inline } from '../../document/inlines';
import { cellsBy } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { setSkip } from '../../expansion/registers';
import { readArgument } from '../../expansion/arguments';
import { withArguments } from '../../expansion/definitions';
import { textOf, tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { groupsIn } from '../scanning/optionLists';
import { findFile, reportMissing } from '../constructs/files';
import { caption as addCaption, floatKind } from '../constructs/floats';
import { labelDefinition } from '../constructs/references';
import { shortVerbs } from '../constructs/shortVerb';
import { finishRaw, rawLines, rawOptions, readRaw } from '../constructs/verbatim';
import { environmentCell } from '../machine/cells';
import { nameNext } from '../machine/counters';
import {
  type Args,
  type CommandEntry,
  type EnvironmentEntry,
  type PackageEntry,
  tokensOf,
} from '../machine/entries';
import { resumeAfterBlock } from '../machine/formulas';
import type { Interpreter } from '../machine/interpreter';
import { colourSaid } from '../scanning/colours';
import { glueOf } from '../scanning/glueOf';
import { commonIndent } from './fancyvrbLines';
import { codeLine, codeLook } from './listingCode';
import {
  isOn,
  type Keys,
  keysWith,
  languageKeys,
  lengthOf,
  numberOf,
  setKeys,
  style,
  styleOf,
  word,
} from './listingKeys';
import { type ProgramLine, type ProgramLook, setProgram } from './listingLayout';
import { languageOf, START } from './listingsLanguages';

/** How often lines of programs were numbered to, by the name of the program (`firstnumber=last`). */
const lastNumber = cellsBy<number>('lstlast', 0);

function lookOf(it: Interpreter, keys: Keys): ProgramLook {
  const numbers = word(it, keys, 'numbers');
  const length = (key: string, otherwise: string): number => lengthOf(it, keys, key, otherwise);
  return {
    numbers: numbers === 'left' || numbers === 'right' ? numbers : 'none',
    numberStyle: style(keys, 'numberstyle'),
    numberSep: length('numbersep', '10pt'),
    counter: 'lstnumber',
    step: Math.max(1, numberOf(it, keys, 'stepnumber', 1)),
    first: isOn(it, keys, 'numberfirstline'),
    sides: sidesOf(word(it, keys, 'frame')),
    rule: length('framerule', '0.4pt'),
    ruleColour: colourSaid(it, style(keys, 'rulecolor')) ?? 0,
    sep: length('framesep', '3pt'),
    extra: [
      length('framexleftmargin', '0pt'),
      length('framexrightmargin', '0pt'),
      length('framextopmargin', '0pt'),
      length('framexbottommargin', '0pt'),
    ],
    arc: /t/.test(word(it, keys, 'frameround')) ? 4 * PT : 0,
    ground: colourSaid(it, style(keys, 'backgroundcolor')),
    left: length('xleftmargin', '0pt'),
    right: length('xrightmargin', '0pt'),
    breaks: isOn(it, keys, 'breaklines'),
    breakIndent: length('breakindent', '20pt'),
    preBreak: style(keys, 'prebreak'),
    postBreak: style(keys, 'postbreak'),
    autoIndent: isOn(it, keys, 'breakautoindent', true),
  };
}

const FRAMES: Readonly<Record<string, string>> = {
  none: '',
  leftline: 'l',
  topline: 't',
  bottomline: 'b',
  lines: 'tb',
  single: 'tblr',
  shadowbox: 'tblr',
};
/** Rules at left, right, top and bottom; those that are doubled elsewhere are single. */
function sidesOf(frame: string): ProgramLook['sides'] {
  const sides = (FRAMES[frame] ?? frame).toLowerCase();
  return [sides.includes('l'), sides.includes('r'), sides.includes('t'), sides.includes('b')];
}

/** Numbers of the lines that are shown: `linerange={2-5,8-9}`, `firstline`, `lastline`. */
function shownLines(it: Interpreter, keys: Keys, count: number): number[] {
  const ranges = word(it, keys, 'linerange').replace(/[{}]/g, '');
  const parts = ranges === '' ? [''] : ranges.split(',');
  return parts.flatMap((part) => {
    const [from = '', to = ''] = part.split('-').map((side) => side.trim());
    const first = Number(from) || numberOf(it, keys, 'firstline', 1);
    const last = Math.min(count, Number(to) || numberOf(it, keys, 'lastline', count));
    return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => first + i);
  });
}

function firstNumber(it: Interpreter, keys: Keys, shown: readonly number[]): number {
  const said = word(it, keys, 'firstnumber');
  const name = word(it, keys, 'name');
  if (said === 'last' || (name !== '' && (said === '' || said === 'auto')))
    return it.read(lastNumber(said === 'last' ? '' : name)) + 1;
  return Number(said) || (keys.has('linerange') || keys.has('firstline') ? (shown[0] ?? 1) : 1);
}

function setCode(it: Interpreter, lines: readonly string[], keys: Keys): void {
  const look = lookOf(it, keys);
  const code = codeLook(it, keys, languageOf(it, keys));
  const gobble = isOn(it, keys, 'autogobble')
    ? commonIndent(lines)
    : Math.max(0, numberOf(it, keys, 'gobble', 0));
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.execute(style(keys, 'basicstyle'));
  const shown = shownLines(it, keys, lines.length);
  const first = firstNumber(it, keys, shown);
  let state = START;
  const set = shown.map((n, i): ProgramLine => {
    const line = (lines[n - 1] ?? '').slice(gobble);
    // A label in an escape names its line.
    nameNext(it, { value: String(first + i), shown: null, kind: 'lstnumber' });
    const read = codeLine(it, line, code, state);
    state = read.state;
    return { pieces: read.pieces, number: first + i, indent: /^\s/.test(line) ? 1 : 0 };
  });
  setProgram(it, set, look);
  it.closeGroup();
  for (const name of ['', word(it, keys, 'name')])
    it.write(lastNumber(name), first + shown.length - 1, true);
}

/** Caption and label from the options of a listing, and the room around it (listings.sty, `\lst@Init` and `\lst@DeInit`). */
function withCaption(it: Interpreter, keys: Keys, act: () => void): void {
  const titled = !keys.has('caption');
  const caption = keys.get('caption')?.at(-1) ?? keys.get('title')?.at(-1);
  const label = keys.get('label')?.at(-1);
  const below = word(it, keys, 'captionpos') === 'b';
  const print = (): void => {
    if (!caption) return;
    it.openGroup({ kind: 'semisimple', span: it.p.place });
    it.execute(it.source('\\def\\@captype{lstlisting}\\normalfont\\normalsize '));
    for (const side of ['abovecaptionskip', 'belowcaptionskip'])
      setSkip(it.state, side, skipOf(it, keys, side, 'smallskipamount'));
    addCaption(it, [titled, ...shortAndLong(caption)], it.p.command('caption'));
    name();
    it.closeGroup();
    // No page ends between a caption and its program.
    if (!below) it.addBlock({ kind: 'penalty', penalty: 10000 });
  };
  const name = (): void => {
    if (!label) return;
    const key = textOf(it.p, label);
    it.labels.push(labelDefinition(it, key, it.p.place));
    it.addBlock({ kind: 'label', name: key });
  };
  const space = (side: string): void => {
    it.endParagraph();
    it.addBlock({ kind: 'penalty', penalty: -50 });
    const glue = skipOf(it, keys, side, 'medskipamount');
    it.mode.vlist.push({ kind: 'vspace', glue, behaviour: 'plain' });
  };
  space('aboveskip');
  if (!caption) name();
  if (!below) print();
  act();
  it.endParagraph();
  if (below) print();
  space('belowskip');
}

const skipOf = (it: Interpreter, keys: Keys, key: string, otherwise: string): Glue =>
  keys.has(key) ? glueOf(it, style(keys, key)) : it.skip(otherwise);

/** `{[short]long}`. */
function shortAndLong(caption: readonly Token[]): [readonly Token[] | null, readonly Token[]] {
  const end = caption[0]?.text === '[' ? caption.findIndex(({ text }) => text === ']') : -1;
  return end > 0 ? [caption.slice(1, end), caption.slice(end + 1)] : [null, caption];
}

const environment = (
  name: string,
  preset: (it: Interpreter) => readonly Token[],
  detail: string,
): EnvironmentEntry => ({
  name,
  signature: '',
  description: 'A program, its words set by their kind.',
  example: `\\begin{${name}}\nfor each ferry: leave\n\\end{${name}}`,
  package: 'listings',
  detail,
  begin: (it) => {
    const given = preset(it);
    const own = rawOptions(it);
    printCode(it, name, [...given, ...(own ? [...it.p.chars(','), ...own] : [])]);
  },
  end: (it) => void (it.afterEnvironment = resumeAfterBlock),
});

/** How keys are read: with those of `\lstset`, or alone. */
type ReadKeys = (it: Interpreter, options: readonly Token[]) => Keys;

/** `float=htbp`: the program floats. */
function inFloat(it: Interpreter, keys: Keys, act: () => void): void {
  const floats = keys.has('float');
  it.endParagraph();
  const place = word(it, keys, 'float').replace(/[^htbpH!]/g, '');
  if (floats) it.execute(it.source(`\\begin{lst@float}[${place || 'tbp'}]`));
  act();
  if (floats) it.execute(it.source('\\end{lst@float}'));
}

/** Lines printed as a program. */
export function printLines(
  it: Interpreter,
  lines: readonly string[],
  options: readonly Token[],
  read: ReadKeys = keysWith,
): void {
  const keys = read(it, options);
  inFloat(it, keys, () => withCaption(it, keys, () => setCode(it, lines, keys)));
}

/** Prints what stands up to the end of an environment as a program. */
export function printCode(
  it: Interpreter,
  name: string,
  options: readonly Token[],
  read: ReadKeys = keysWith,
): void {
  printLines(it, rawLines(it, name), options, read);
  finishRaw(it);
}

/** A piece of a program in the line, between two equal characters or in braces. */
export function printInline(
  it: Interpreter,
  token: Token,
  options: readonly Token[],
  read: ReadKeys = keysWith,
): void {
  const keys = read(it, options);
  it.startParagraph();
  const text = it.p.nextSource ? typedCode(it, token) : givenCode(it, token);
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.execute(style(keys, 'basicstyle'));
  const look = codeLook(it, keys, languageOf(it, keys));
  for (const part of codeLine(it, text, look).pieces.flat()) it.mode.hlist?.add(part);
  it.closeGroup();
}

/** A piece as it is typed in the source, between two equal characters or in braces. */
function typedCode(it: Interpreter, token: Token): string {
  const start = it.p.nextSource?.rawChar() ?? '|';
  const { text, found } = readRaw(it, start === '{' ? '}' : start);
  if (!found) it.p.report('verb-unclosed', it.spanOf(token), { open: start });
  return text;
}

/** A piece that a macro was given, so that its letters were read before. */
function givenCode({ p }: Interpreter, token: Token): string {
  const first = p.next();
  if (!first) return '';
  if (first.cat === Cat.Begin) {
    p.unread(first);
    return tokensText(readArgument(p, token) ?? []);
  }
  const out: Token[] = [];
  for (let next = p.next(); next && next.text !== first.text; next = p.next()) out.push(next);
  return tokensText(out);
}

/** A program from a file. */
export function printFile(
  it: Interpreter,
  name: string,
  options: readonly Token[],
  read: ReadKeys = keysWith,
): void {
  const file = findFile(it, name, ['']);
  if (!file) return reportMissing(it, name, it.p.place);
  printLines(it, file.text.replace(/\n$/, '').split('\n'), options, read);
}

function inlineCode(it: Interpreter, text: string): Inline[] {
  const keys = keysWith(it, []);
  return codeLine(it, text, codeLook(it, keys, languageOf(it, keys))).pieces.flat();
}

const inline: CommandEntry = {
  name: 'lstinline',
  signature: '',
  description: 'A piece of a program in the line, between two equal characters.',
  example: '\\lstinline|leave(ferry)|',
  package: 'listings',
  run: (it, _args, token) => {
    printInline(it, token, rawOptions(it) ?? []);
  },
};

const nameIn = (it: Interpreter, args: Args, i: number): string =>
  textOf(it.p, tokensOf(args, i)).trim().toLowerCase();

/** `\lstdefinelanguage[dialect]{name}[base dialect]{base}{keys}`; the two about a base may be missing. */
function defineLanguage(it: Interpreter, args: Args, token: Token): void {
  const name = nameIn(it, args, 1);
  const first = it.readArguments('M', token);
  const hasBase = args[2] !== null && args[2] !== undefined;
  // Without brackets a base is named only where one more group follows.
  const rest = hasBase ? it.readArguments('M', token) : null;
  const base = rest ? textOf(it.p, tokensOf(first ?? [], 0)).trim() : '';
  const keys = tokensOf(rest ?? first ?? [], 0);
  it.write(languageKeys(name), { base, keys });
}

/** What stands behind the begin of an environment of the document's own: so many arguments, the first in brackets where it has a usual form. */
function ownArguments(
  it: Interpreter,
  count: number,
  usual: readonly Token[] | null,
): (readonly Token[])[] {
  const optional = usual && count > 0 ? [rawOptions(it) ?? usual] : [];
  const rest = Array.from({ length: count - optional.length }, () =>
    tokensOf(it.readArguments('m', it.p.command('lstset')) ?? [], 0),
  );
  return [...optional, ...rest];
}

/** The keys that the code at the begin of an environment sets. */
function presetOf(begin: readonly Token[]): readonly Token[] {
  const at = begin.findIndex((t) => t.text === 'lstset');
  return at < 0 ? [] : (groupsIn(begin.slice(at + 1))[0] ?? []);
}

/** listings: programs. */
export const listings: PackageEntry = {
  name: 'listings',
  description: 'Programs with their words set by kind, numbered, framed, captioned.',
  options: null,
  environments: [
    environment('lstlisting', () => [], ''),
    ...floatKind('lstlisting', 'A program')
      .slice(0, 1)
      .map((entry) => ({ ...entry, name: 'lst@float' })),
  ],
  commands: [
    ...shortVerbs('lstMakeShortInline', 'lstDeleteShortInline', (it, text) => inlineCode(it, text)),
    inline,
    {
      name: 'lstset',
      signature: 'M',
      description: 'How programs look from here on.',
      example: '\\lstset{basicstyle=\\ttfamily}',
      package: 'listings',
      run: (it, args) => setKeys(it, tokensOf(args, 0)),
    },
    {
      name: 'lstdefinestyle',
      signature: 'mM',
      description: 'A look by a name.',
      example: '\\lstdefinestyle{tide}{basicstyle=\\ttfamily}',
      package: 'listings',
      run: (it, args) =>
        it.write(styleOf(textOf(it.p, tokensOf(args, 0)).trim().toLowerCase()), tokensOf(args, 1)),
    },
    {
      name: 'lstnewenvironment',
      signature: 'mooMM',
      description: 'An environment of your own for programs.',
      example: '\\lstnewenvironment{code}{}{}',
      package: 'listings',
      run: (it, args) => {
        const name = textOf(it.p, tokensOf(args, 0));
        const begin = tokensOf(args, 3);
        const count = Number(tokensText(args[1] ? tokensOf(args, 1) : [])) || 0;
        const usual = args[2] ? tokensOf(args, 2) : null;
        const preset = (inner: Interpreter): readonly Token[] =>
          presetOf(withArguments(begin, ownArguments(inner, count, usual)));
        const detail = JSON.stringify([count, ...begin.map((t) => t.text)]);
        it.write(environmentCell(name), environment(name, preset, detail), true);
      },
    },
    {
      name: 'lstinputlisting',
      signature: 'om',
      description: 'A program from a file.',
      example: '\\lstinputlisting{gauge.py}',
      package: 'listings',
      run: (it, args) => {
        printFile(it, textOf(it.p, tokensOf(args, 1)), tokensOf(args, 0));
      },
    },
    {
      name: 'lstlistoflistings',
      signature: '',
      description: 'The list of programs with captions.',
      example: '\\lstlistoflistings',
      package: 'listings',
      macro: '\\@listheading{\\lstlistlistingname}\\@starttoc{lol}',
    },
    {
      name: 'lstdefinelanguage',
      signature: 'omo',
      description: 'A language by its words, on the ground of another where one is named.',
      example: '\\lstdefinelanguage{tide}{morekeywords={ebb,flood}}',
      package: 'listings',
      run: defineLanguage,
    },
    {
      name: 'lstalias',
      signature: 'omom',
      description: 'Another name of a language.',
      example: '\\lstalias{snake}{Python}',
      package: 'listings',
      run: (it, args) =>
        it.write(languageKeys(nameIn(it, args, 1)), { base: nameIn(it, args, 3), keys: [] }),
    },
  ],
  source: String.raw`\newcounter{lstlisting}\newcounter{lstnumber}\def\lstlistingname{Listing}\def\lstlistlistingname{Listings}
\def\lstlistingnamename{}\def\l@lstlisting{\@dottedtocline{1}{1.5em}{2.3em}}`,
};
