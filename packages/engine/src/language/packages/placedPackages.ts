import { readArgument } from '../../expansion/arguments';
import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { dimenOf } from '../scanning/dimenOf';
import { keyValues } from '../scanning/optionLists';
import { environmentTokens } from '../machine/environmentTokens';
import { closeNamed } from '../machine/environments';
import { tokensOf, type PackageEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { describedPackage, sourceCommand } from '../machine/macroEntry';
import { braced } from './colourBoxes';

/** The lines of a body as they are cut by `\\`; null where it holds more than lines. */
function linesOf(body: readonly Token[]): Token[][] | null {
  const lines: Token[][] = [[]];
  let depth = 0;
  for (const token of body) {
    depth += token.cat === Cat.Begin ? 1 : token.cat === Cat.End ? -1 : 0;
    if (token.cell && /^(?:begin|par|item|section|\[)$/.test(token.text)) return null;
    if (token.cell && depth === 0 && /^(?:\\|newline)$/.test(token.text)) lines.push([]);
    else lines.at(-1)?.push(token);
  }
  return lines;
}

/** varwidth: columns that are as wide as their lines, at most so wide. */
const varwidth: PackageEntry = {
  name: 'varwidth',
  description: 'Columns as wide as their lines, at most so wide.',
  options: null,
  environments: [
    {
      name: 'varwidth',
      signature: 'ooom',
      package: 'varwidth',
      description: 'A column as wide as its lines, at most so wide.',
      example: '\\fbox{\\begin{varwidth}{5cm}Ebb\\\\flow\\end{varwidth}}',
      begin: (it, args) => {
        const most = dimenOf(it, tokensOf(args, 3));
        const body = environmentTokens(it, 'varwidth');
        closeNamed(it, 'varwidth');
        const lines = linesOf(body);
        const widths = (lines ?? []).map((line) => it.host.measure(it.inlinesOf(line)).width);
        const natural = lines === null ? most : Math.max(0, ...widths);
        const place = args[0] ? tokensText(tokensOf(args, 0)) : 'c';
        it.p.push([
          ...it.source(`\\begin{minipage}[${place}]{${Math.ceil(Math.min(natural, most))}sp}`),
          ...body,
          ...it.source('\\end{minipage}'),
        ]);
      },
    },
  ],
};

/** `\ctable[keys]{columns}{notes}{rows}` as a float with a table in it. */
function setCtable(it: Interpreter, args: readonly (readonly Token[] | boolean | null)[]): void {
  const keys = keyValues(tokensOf(args, 0));
  const has = (key: string): boolean => keys.has(key);
  const command = (name: string, value: readonly Token[] | undefined): Token[] =>
    value ? [...it.source(`\\${name}`), ...braced(it, value)] : [];
  const caption = has('caption')
    ? [
        ...it.source('\\caption'),
        ...(keys.get('cap')
          ? [...it.p.chars('['), ...(keys.get('cap') ?? []), ...it.p.chars(']')]
          : []),
        ...braced(it, keys.get('caption') ?? []),
        ...command('label', keys.get('label')),
      ]
    : command('label', keys.get('label'));
  const float = `${has('figure') ? 'figure' : 'table'}${has('star') ? '*' : ''}`;
  const place = has('pos') ? `[${tokensText(keys.get('pos') ?? [])}]` : '';
  const side = has('sideways') ? `sideways${float}` : float;
  const at = has('left') ? '\\raggedright' : has('right') ? '\\raggedleft' : '\\centering';
  const below = has('botcap');
  const width = keys.get('width');
  it.p.push([
    ...it.source(`\\begin{${side}}${has('sideways') ? '' : place}${at}`),
    ...(below ? [] : [...caption, ...it.source('\\par\\vskip.5ex\\relax ')]),
    ...(width
      ? [...it.source('\\begin{tabularx}'), ...braced(it, width)]
      : it.source('\\begin{tabular}')),
    ...braced(it, tokensOf(args, 1)),
    ...tokensOf(args, 3),
    ...it.source(
      `\\end{${width ? 'tabularx' : 'tabular'}}\\par\\smallskip{\\footnotesize\\ctb@notes `,
    ),
    ...tokensOf(args, 2),
    ...it.source('\\par}'),
    ...(below ? caption : []),
    ...it.source(`\\end{${side}}`),
  ]);
}

const ctable: PackageEntry = {
  name: 'ctable',
  description: 'Tables with captions and notes, by one command.',
  options: null,
  requires: ['booktabs', 'tabularx', 'array', 'xcolor', 'rotating'],
  commands: [
    {
      name: 'ctable',
      signature: '',
      package: 'ctable',
      description: 'A table with its caption, columns, notes and rows.',
      example:
        '\\ctable[caption=Tides,pos=h]{lr}{\\tnote{at noon}}{\\FL ebb & 1\\tmark\\ML flow & 2\\LL}',
      run: (it, _args, token) => {
        const options = it.readArguments('o', token)?.[0] ?? null;
        const rest = [0, 1, 2].map(() => readArgument(it.p, token, true) ?? []);
        setCtable(it, [options, ...rest]);
      },
    },
  ],
  described: [
    sourceCommand('tmark', 'o', 'The mark of a note in a table.', '\\tmark[a]'),
    sourceCommand('tnote', 'om', 'A note below a table.', '\\tnote[a]{at noon}'),
  ],
  source: String.raw`
\newcommand\tmark[1][a]{\textsuperscript{\itshape #1}}\newcommand\tnote[2][a]{\textsuperscript{\itshape #1}\,#2\quad}\def\ctb@notes{\noindent}
\newcommand\NN{\tabularnewline}\newcommand\FL{\toprule}\newcommand\ML{\tabularnewline\midrule}\newcommand\LL{\tabularnewline\bottomrule}\newcommand\setupctable[1]{}
`,
};

/** Packages for boxes, pictures and tables that are small enough to stand together. */
export const placedPackages: readonly PackageEntry[] = [
  varwidth,
  ctable,
  ...['boxedminipage', 'boxedminipage2e'].map((name) =>
    describedPackage(
      name,
      'A column in a frame.',
      String.raw`{boxedminipage} om | A column in a frame. | \begin{boxedminipage}{4cm}Ebb\end{boxedminipage}`,
      String.raw`\newlength\bmp@w\newsavebox\bmp@b\newenvironment{boxedminipage}[2][c]{\setlength\bmp@w{#2}\addtolength\bmp@w{-2\fboxsep}\addtolength\bmp@w{-2\fboxrule}\begin{lrbox}\bmp@b\begin{minipage}[#1]{\bmp@w}}{\end{minipage}\end{lrbox}\fbox{\usebox\bmp@b}}`,
    ),
  ),
  describedPackage(
    'pbox',
    'Boxes as wide as their lines, at most so wide.',
    String.raw`pbox omm | A box as wide as its lines, at most so wide. | \pbox{5cm}{ebb\\flow}`,
    String.raw`\newsavebox\pb@x\newcommand\pbox{\@ifnextchar[{\pb@place}{\pb@place[c]}}\def\pb@place[#1]{\@ifnextchar[{\pb@high[#1]}{\pb@set{#1}}}\def\pb@high[#1][#2]{\@ifnextchar[{\pb@inner[#1]}{\pb@set{#1}}}\def\pb@inner[#1][#2]{\pb@set{#1}}\long\def\pb@set#1#2#3{\sbox\pb@x{\begin{tabular}[#1]{@{}l@{}}#3\end{tabular}}\ifdim\wd\pb@x>\dimexpr#2\relax\parbox[#1]{#2}{#3}\else\usebox\pb@x\fi}`,
  ),
  describedPackage(
    'overpic',
    'Words put on a picture.',
    String.raw`{overpic} om | A picture with words put on it, by hundredths of its width. | \begin{overpic}[width=4cm]{gauge}\put(50,20){Ebb}\end{overpic}`,
    String.raw`\newsavebox\ovp@box\newif\ifovp@abs\newcommand\ovp@keys{}
\newenvironment{overpic}[2][]{\sbox\ovp@box{\ovp@plain{#1}{#2}}\setlength\unitlength{.01\wd\ovp@box}\begin{picture}(100,\strip@pt\dimexpr100\dimexpr\ht\ovp@box\relax*65536/\wd\ovp@box\relax)\put(0,0){\usebox\ovp@box}}{\end{picture}}
\newenvironment{Overpic}[2][]{\sbox\ovp@box{#2}\setlength\unitlength{.01\wd\ovp@box}\begin{picture}(100,100)\put(0,0){\usebox\ovp@box}}{\end{picture}}
\newcommand\ovp@plain[2]{\def\ovp@own{}\@for\ovp@one:=#1\do{\expandafter\ovp@sort\ovp@one\@nil}\expandafter\includegraphics\expandafter[\ovp@own]{#2}}
\def\ovp@sort#1\@nil{\in@{|#1|}{|abs||percent||permil||grid|}\ifin@\else\in@{tics=}{#1}\ifin@\else\in@{unit=}{#1}\ifin@\else\expandafter\def\expandafter\ovp@own\expandafter{\ovp@own#1,}\fi\fi\fi}`,
    ['graphicx'],
  ),
];
