import { shortVerbs } from '../constructs/shortVerb';
import type { Inline } from '../../document/inlines';
import { textOf } from '../../expansion/tokenText';
import { keyValues } from '../scanning/optionLists';
import {
  type CommandEntry,
  type EnvironmentEntry,
  type PackageEntry,
  tokensOf,
} from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import type { Token } from '../../expansion/meaning';
import { colourOf } from '../scanning/colours';
import { caption as addCaption } from '../constructs/floats';
import { findFile, reportMissing } from '../constructs/files';
import { endList } from '../constructs/lists';
import {
  finishRaw,
  rawLines,
  rawOptions,
  readRaw,
  typewriterInlines,
} from '../constructs/verbatim';
import { labelDefinition } from '../constructs/references';
import { type Look, PLAIN_LOOK, setListing } from '../constructs/listing';
import { insideEnvironment } from './fancyvrb';
import { keywordsOf, type Language, splitCode } from './listingsLanguages';
import { cell, cellsBy } from '../../expansion/cells';
import { environmentCell } from '../machine/cells';

type Keys = ReadonlyMap<string, readonly Token[]>;
const SETTINGS = cell<Readonly<Record<string, readonly Token[]>>>('listings', {});
/** Settings under a name (`\lstdefinestyle`). */
const styleOf = cellsBy<readonly Token[] | null>('lststyle', null);

function keysWith(it: Interpreter, own: readonly Token[] | null): Keys {
  const keys = new Map<string, readonly Token[]>(Object.entries(it.read(SETTINGS)));
  for (const [key, value] of own ? keyValues(own) : []) keys.set(key, value);
  return keys;
}

const word = (it: Interpreter, keys: Keys, key: string): string =>
  textOf(it.p, keys.get(key) ?? []);
const style = (keys: Keys, key: string): readonly Token[] => keys.get(key) ?? [];

function lookOf(it: Interpreter, keys: Keys): Look {
  const frame = word(it, keys, 'frame');
  const numbers = word(it, keys, 'numbers');
  const background = keys.get('backgroundcolor');
  return {
    ...PLAIN_LOOK,
    numbers: numbers === 'left' || numbers === 'right' ? numbers : 'none',
    firstNumber: parseInt(word(it, keys, 'firstnumber') || '1', 10) || 1,
    step: parseInt(word(it, keys, 'stepnumber') || '1', 10) || 1,
    frame: /single|shadowbox|trBL|tblr|TBLR/.test(frame)
      ? 'box'
      : /lines|tb|leftline/.test(frame)
        ? 'lines'
        : 'none',
    background: background ? backgroundOf(it, background) : null,
  };
}

/** The colour that `\color{…}` names. */
function backgroundOf(it: Interpreter, tokens: readonly Token[]): number | null {
  const at = tokens.findIndex((t) => t.text === 'color');
  if (at < 0) return null;
  const name = tokens.slice(at + 1).filter((t) => t.cat !== 1 && t.cat !== 2);
  return colourOf(it, null, name);
}

/** The work of a word in its style, in the measure of an expansion. */
const PART_WORK = 20;

/** A line of code, its words in the styles of their kind. */
function codeLine(it: Interpreter, line: string, keys: Keys, language: Language): Inline[] {
  const out: Inline[] = [];
  for (const { text, kind } of splitCode(line, language)) {
    const tokens = kind === 'plain' ? [] : style(keys, `${kind}style`);
    if (!it.p.spend(PART_WORK, kind)) break;
    it.openGroup({ kind: 'semisimple', span: it.p.place });
    if (kind === 'keyword' && !keys.has('keywordstyle')) it.changeFont({ series: 'bold' });
    else if (kind === 'comment' && !keys.has('commentstyle')) it.changeFont({ shape: 'italic' });
    else it.execute(tokens);
    out.push(...codeInlines(it, text));
    it.closeGroup();
  }
  return out;
}

/** Characters on a grid of 0.6 em, as listings sets them unless told otherwise; in typewriter they are as wide by themselves. */
function codeInlines(it: Interpreter, text: string): Inline[] {
  if (it.font.family === 'mono') return typewriterInlines(it, text);
  const width = Math.round(0.6 * it.font.size);
  const at = it.p.place;
  return [...text.replaceAll('\t', '        ')].map((char): Inline =>
    char === ' '
      ? { kind: 'kern', width, ...at }
      : {
          kind: 'box',
          inlines: [{ kind: 'text', text: char, font: it.font, ...at }],
          width,
          align: 'center',
          raise: 0,
          hidden: false,
          frame: null,
          grow: false,
          ...at,
        },
  );
}

function setCode(it: Interpreter, lines: readonly string[], keys: Keys): void {
  const language = keywordsOf(
    word(it, keys, 'language'),
    word(it, keys, 'morekeywords'),
    word(it, keys, 'morecomment'),
  );
  const look = lookOf(it, keys);
  it.execute(style(keys, 'basicstyle'));
  setListing(it, lines, { ...look, style: '' }, (inner, line) =>
    codeLine(inner, line, keys, language),
  );
}

/** Caption and label from the options of a listing. */
function withCaption(it: Interpreter, keys: Keys, act: () => void): void {
  const caption = keys.get('caption') ?? keys.get('title');
  const label = keys.get('label');
  const below = word(it, keys, 'captionpos') === 'b';
  const print = (): void => {
    if (!caption) return;
    it.openGroup({ kind: 'semisimple', span: it.p.place });
    // Below a program its type is still in force (`\\@caption`: \\normalsize).
    it.execute(it.source('\\def\\@captype{lstlisting}\\normalfont\\normalsize '));
    addCaption(it, [!keys.has('caption'), null, caption], it.p.command('caption'));
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
  if (!caption) name();
  if (!below) print();
  act();
  if (!below) return;
  it.endParagraph();
  print();
}

const environment = (name: string, preset: readonly Token[], detail: string): EnvironmentEntry => ({
  name,
  signature: '',
  description: 'A program, its words set by their kind.',
  example: `\\begin{${name}}\nfor each ferry: leave\n\\end{${name}}`,
  package: 'listings',
  detail,
  begin: (it) => {
    const own = rawOptions(it);
    printCode(it, name, [...preset, ...(own ? [...it.p.chars(','), ...own] : [])]);
  },
  end: endList,
});

/** Prints what stands up to the end of an environment as a program. */
export function printCode(it: Interpreter, name: string, options: readonly Token[]): void {
  const keys = keysWith(it, options);
  const lines = rawLines(it, name);
  it.endParagraph();
  withCaption(it, keys, () => setCode(it, lines, keys));
  finishRaw(it);
}

/** A piece of a program in the line, between two equal characters or in braces. */
export function printInline(it: Interpreter, token: Token, options: readonly Token[]): void {
  const keys = keysWith(it, options);
  it.startParagraph();
  const start = it.p.nextSource?.rawChar() ?? it.p.next()?.text ?? '|';
  const { text, found } = readRaw(it, start === '{' ? '}' : start);
  if (!found) it.p.report('verb-unclosed', it.spanOf(token), { open: start });
  const language = keywordsOf(word(it, keys, 'language'), word(it, keys, 'morekeywords'), '');
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.execute(style(keys, 'basicstyle'));
  for (const part of codeLine(it, text, keys, language)) it.mode.hlist?.add(part);
  it.closeGroup();
}

/** A program from a file. */
export function printFile(it: Interpreter, name: string, options: readonly Token[]): void {
  const file = findFile(it, name, ['']);
  if (!file) return reportMissing(it, name, it.p.place);
  const keys = keysWith(it, options);
  const all = file.text.replace(/\n$/, '').split('\n');
  const first = parseInt(word(it, keys, 'firstline') || '1', 10) || 1;
  const last = parseInt(word(it, keys, 'lastline') || '0', 10) || all.length;
  insideEnvironment(it, () =>
    withCaption(it, keys, () => setCode(it, all.slice(first - 1, last), keys)),
  );
}

/** The words of the language that is set for all programs. */
function keywordsIn(it: Interpreter) {
  const keys = keysWith(it, []);
  return keywordsOf(word(it, keys, 'language'), word(it, keys, 'morekeywords'), '');
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

/** listings: programs. */
export const listings: PackageEntry = {
  name: 'listings',
  description: 'Programs with their words set by kind, numbered, framed, captioned.',
  options: null,
  environments: [environment('lstlisting', [], '')],
  commands: [
    ...shortVerbs('lstMakeShortInline', 'lstDeleteShortInline', (it, text) =>
      codeLine(it, text, keysWith(it, []), keywordsIn(it)),
    ),
    inline,
    {
      name: 'lstset',
      signature: 'M',
      description: 'How programs look from here on.',
      example: '\\lstset{basicstyle=\\ttfamily}',
      package: 'listings',
      run: (it, args) => {
        const keys = Object.fromEntries(keysWith(it, tokensOf(args, 0)));
        it.write(SETTINGS, keys);
      },
    },
    {
      name: 'lstdefinestyle',
      signature: 'mM',
      description: 'A look by a name.',
      example: '\\lstdefinestyle{tide}{basicstyle=\\ttfamily}',
      package: 'listings',
      run: (it, args) => it.write(styleOf(textOf(it.p, tokensOf(args, 0))), tokensOf(args, 1)),
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
        const at = begin.findIndex((t) => t.text === 'lstset');
        const inner = at < 0 ? [] : begin.slice(at + 2, -1);
        it.write(
          environmentCell(name),
          environment(name, inner, JSON.stringify(inner.map((t) => t.text))),
          true,
        );
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
      signature: 'omoM',
      description: 'A language by its words.',
      example: '\\lstdefinelanguage{tide}{morekeywords={ebb,flood}}',
      package: 'listings',
      run: () => undefined,
    },
  ],
  source: String.raw`\newcounter{lstlisting}\def\lstlistingname{Listing}\def\lstlistlistingname{Listings}
\def\lstlistingnamename{}\def\l@lstlisting{\@dottedtocline{1}{1.5em}{2.3em}}`,
};
