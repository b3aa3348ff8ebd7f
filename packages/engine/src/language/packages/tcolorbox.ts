import { withArguments } from '../../expansion/definitions';
import { readOptional } from '../../expansion/arguments';
import type { Token } from '../../expansion/meaning';
import { textOf, tokensText } from '../../expansion/tokenText';
import { finishRaw, rawLines, rawOptions } from '../constructs/verbatim';
import { endList } from '../constructs/lists';
import { environmentCell } from '../machine/cells';
import {
  tokensOf,
  type CommandEntry,
  type EnvironmentEntry,
  type PackageEntry,
} from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { macroEntry } from '../machine/macroEntry';
import { keyValues } from '../scanning/optionLists';
import { beginBox, boxCommands, braced, colourBox, endBox, lower } from './colourBoxes';
import { rasterCommands, rasterEnvironments } from './colourBoxRaster';
import { kindCommands } from './colourBoxKinds';
import { declaredListing, toolCommands } from './colourBoxTools';
import { printFile, printLines } from './listings';

const PACKAGE = 'tcolorbox';

/** What a box of a program says about the program: keys of package listings, those of the usual style first. */
function listingKeys(it: Interpreter, options: readonly Token[]): readonly Token[] {
  const keys = keyValues(options);
  const language = keys.get('minted language') ?? keys.get('listing language');
  const own = keys.get('listing options');
  const style = keys.get('listing style');
  const usual = 'aboveskip=0pt,belowskip=0pt';
  const looks =
    'language=[LaTeX]TeX,basicstyle=\\ttfamily\\small,breaklines=true,columns=fullflexible';
  return [
    ...it.source(own || style ? usual : `${usual},${looks}`),
    ...(style ? [...it.p.chars(',style='), ...style] : []),
    ...(own ? [...it.p.chars(','), ...own] : []),
    ...(language ? [...it.p.chars(',language='), ...language] : []),
  ];
}

/** What stands up to the end of the environment in a box: as a program, carried out, or both. */
function boxedProgram(it: Interpreter, name: string, options: readonly Token[]): void {
  const { program } = beginBox(it, options);
  const lines = rawLines(it, name);
  program.forEach((part, i) => {
    if (i > 0) lower(it);
    if (part === 'listing') printLines(it, lines, listingKeys(it, options));
    else it.execute(it.source(lines.join('\n')));
  });
  finishRaw(it);
}

const endProgram = (it: Interpreter): void => {
  endList(it);
  // The room that a list leaves below itself is the box's own here.
  if (it.mode.vlist.at(-1)?.kind === 'vspace') it.mode.vlist.pop();
  endBox(it);
};

const listingBox: EnvironmentEntry = {
  name: 'tcblisting',
  signature: 'm',
  package: PACKAGE,
  description: 'A program in a coloured box.',
  example: '\\begin{tcblisting}{listing only}\nfor each ferry: leave\n\\end{tcblisting}',
  begin: (it, args) => boxedProgram(it, 'tcblisting', tokensOf(args, 0)),
  end: endProgram,
};

/** `\newtcblisting[…]{name}[n][default]{options}`: an environment for programs in a box. */
function newListing(it: Interpreter, token: Token): void {
  const { p } = it;
  readOptional(p);
  const named = it.readArguments('m', token);
  const count = readOptional(p);
  const fallback = count ? readOptional(p) : null;
  const rest = it.readArguments('m', token);
  if (!named || !rest) return;
  const name = textOf(p, tokensOf(named, 0));
  const most = count ? parseInt(textOf(p, count), 10) || 0 : 0;
  const options = tokensOf(rest, 0);
  const entry: EnvironmentEntry = {
    ...listingBox,
    name,
    signature: '',
    detail: tokensText(options),
    begin: (inner, _args, begin) => {
      const own = fallback && most > 0 ? [rawOptions(inner) ?? fallback] : [];
      const given = inner.readArguments('m'.repeat(most - own.length), begin) ?? [];
      const args = [...own, ...given.map((_, i) => tokensOf(given, i))];
      boxedProgram(inner, name, withArguments(options, args));
    },
  };
  it.write(environmentCell(name), entry, true);
}

/** `\newtcbox{\name}[n][default]{options}`: a command that puts words into a box in the line. */
function newInlineBox(it: Interpreter, token: Token): void {
  const { p } = it;
  readOptional(p);
  const name = it.readArguments('m', token);
  const count = readOptional(p);
  const fallback = count ? readOptional(p) : null;
  const options = it.readArguments('m', token);
  if (!name || !options) return;
  const brackets = (tokens: readonly Token[]): Token[] => [
    ...p.chars('['),
    ...tokens,
    ...p.chars(']'),
  ];
  it.execute([
    p.command('newcommand'),
    ...tokensOf(name, 0),
    ...(count ? brackets(count) : []),
    ...(fallback ? brackets(fallback) : []),
    ...braced(it, [p.command('tcbox'), ...brackets(tokensOf(options, 0))]),
  ]);
}

/** `\NewTColorBox{name}{arguments}{options}`: as `\NewDocumentEnvironment`. */
const declared = (name: string): CommandEntry => ({
  name,
  signature: 'omomm',
  package: PACKAGE,
  description: 'An environment that is a coloured box, its arguments said by letters.',
  example: `\\${name}{note}{O{}}{#1}\\begin{note}[colback=red!10]tide\\end{note}`,
  run: (it, args) =>
    it.execute([
      it.p.command('DeclareDocumentEnvironment'),
      ...braced(it, tokensOf(args, 1)),
      ...braced(it, tokensOf(args, 3)),
      ...braced(it, [
        ...it.source('\\begin{tcolorbox}['),
        ...tokensOf(args, 4),
        ...it.p.chars(']'),
      ]),
      ...braced(it, it.source('\\end{tcolorbox}')),
    ]),
});

/** `\tcbinputlisting{listing file=…}`: a program from a file in a box. */
const inputListing: CommandEntry = {
  name: 'tcbinputlisting',
  signature: 'm',
  package: PACKAGE,
  description: 'A program from a file in a coloured box.',
  example: '\\tcbinputlisting{listing file=gauge.py,listing only}',
  run: (it, args) => {
    const options = tokensOf(args, 0);
    const file = textOf(it.p, keyValues(options).get('listing file') ?? []).trim();
    it.execute([...it.source('\\begin{tcolorbox}['), ...options, ...it.p.chars(']')]);
    printFile(it, file, listingKeys(it, options));
    it.execute(it.source('\\end{tcolorbox}'));
  },
};

/** More commands of coloured boxes: boxes for programs, in the line, in formulas. */
const colourBoxCommands: readonly CommandEntry[] = [
  {
    name: 'newtcblisting',
    signature: '',
    package: PACKAGE,
    description: 'An environment of your own for programs in a coloured box.',
    example:
      '\\newtcblisting{program}{listing only,colback=gray!10}\n\\begin{program}\nfor each ferry: leave\n\\end{program}',
    run: (it, _args, token) => newListing(it, token),
  },
  {
    name: 'newtcbox',
    signature: '',
    package: PACKAGE,
    description: 'A command of your own that puts words into a coloured box.',
    example: '\\newtcbox{\\pin}{on line,colback=yellow!20}At \\pin{noon}',
    run: (it, _args, token) => newInlineBox(it, token),
  },
  declared('NewTColorBox'),
  declared('DeclareTColorBox'),
  ...['NewTCBListing', 'DeclareTCBListing'].map((name) =>
    declaredListing(name, boxedProgram, listingBox),
  ),
  inputListing,
  macroEntry(
    'tcbhighmath',
    'om',
    'A formula in a coloured box, within another.',
    '\\[ a = \\tcbhighmath{b} \\]',
    '\\mbox{\\tcbox[on line,colback=yellow!50!white,colframe=red,boxsep=0pt,left=2pt,right=2pt,top=2pt,bottom=2pt,boxrule=0.4pt,#1]{$\\displaystyle #2$}}',
    '',
  ),
  macroEntry(
    'tcboxmath',
    'om',
    'A formula in a coloured box, within another.',
    '\\[ a = \\tcboxmath{b} \\]',
    '\\mbox{\\tcbox[on line,#1]{$\\displaystyle #2$}}',
    '',
  ),
  macroEntry(
    'tcbline',
    '',
    'A line across a coloured box.',
    '\\begin{tcolorbox}Ebb\\tcbline Flood\\end{tcolorbox}',
    '\\par\\vskip 4pt\\hrule height .4pt\\vskip 4pt\\noindent\\ignorespaces ',
  ),
  macroEntry(
    'tcbsubtitle',
    'om',
    'A heading within a coloured box.',
    '\\begin{tcolorbox}\\tcbsubtitle{Ebb}Low.\\end{tcolorbox}',
    String.raw`\def\tcb@sub##1{\begin{tcolorbox}[sharp corners,boxrule=0pt,colframe=tcbcolbacktitle,colback=tcbcolbacktitle,colupper=tcbcoltitle,fontupper=\bfseries,boxsep=0pt,left=\tcb@room,right=\tcb@room,top=1mm,bottom=1mm,spread sidewards=\tcb@room,before skip=2mm,after skip=2mm,##1,#1]#2\end{tcolorbox}}\expandafter\tcb@sub\expandafter{\tcb@substyle}\noindent\ignorespaces `,
    '',
  ),
];

/** tcolorbox: paragraphs in coloured boxes. */
export const tcolorbox: PackageEntry = {
  name: 'tcolorbox',
  description: 'Coloured boxes with titles, also for theorems.',
  options: null,
  requires: ['xcolor', 'tikz', 'etoolbox', 'environ'],
  commands: [
    ...boxCommands,
    ...kindCommands,
    ...colourBoxCommands,
    ...toolCommands,
    ...rasterCommands,
  ],
  environments: [colourBox, listingBox, ...rasterEnvironments],
};
