import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { rowsOf } from '../constructs/borderMatrix';
import { tokensOf, type CommandEntry, type PackageEntry } from '../machine/entries';
import { formulaTokens } from '../machine/environmentTokens';
import type { Interpreter } from '../machine/interpreter';
import type { MathReader } from '../machine/mathReader';
import { macroEntry, sourceCommand } from '../machine/macroEntry';

/** A cell of a tableau, or null where there is none. */
type Cell = readonly Token[] | null;

/** Rows of squares, each with what stands in it; borders that touch are one line. */
function tableau(it: Interpreter, rows: readonly (readonly Cell[])[]): Token[] {
  const row = (cells: readonly Cell[]): Token[] => [
    ...it.source('\\yt@row{'),
    ...cells.flatMap((cell) =>
      cell ? [...it.source('\\yt@cell{'), ...cell, ...it.source('}')] : it.source('\\yt@gap'),
    ),
    ...it.source('}'),
  ];
  return [...it.source('\\yt@all{'), ...rows.flatMap(row), ...it.source('}')];
}

/** `\none[x]`: nothing, or what is in the brackets without a square. */
function cellOf(cell: readonly Token[]): Cell {
  const first = cell.find(({ cat }) => cat !== Cat.Space);
  return first?.cat === Cat.Command && first.text === 'none' ? null : cell;
}

/** Acts in text and formulas alike: the tokens it makes are read next. */
const anywhere = (
  name: string,
  signature: string,
  description: string,
  example: string,
  make: (it: Interpreter, args: readonly (readonly Token[])[]) => Token[],
): CommandEntry => ({
  name,
  signature,
  description,
  example,
  run: (it, args) =>
    it.p.push(
      make(
        it,
        args.map((_, i) => tokensOf(args, i)),
      ),
    ),
  math: (reader: MathReader, token) => {
    const args = reader.it.readArguments(signature, token);
    if (args)
      reader.p.push(
        make(
          reader.it,
          args.map((_, i) => tokensOf(args, i)),
        ),
      );
    return null;
  },
});

const shapeOf = (it: Interpreter, lengths: string): Token[] =>
  tableau(
    it,
    lengths
      .split(',')
      .map((n) => Array.from({ length: Math.min(60, parseInt(n, 10) || 0) }, () => [])),
  );

/** Rows parted by commas, a sign for each square. */
const shortOf = (it: Interpreter, text: readonly Token[]): Token[] => {
  const rows: Cell[][] = [[]];
  for (const token of text) {
    if (token.text === ',' && token.cell === null) rows.push([]);
    else if (token.cat !== Cat.Space && token.cat !== Cat.Begin && token.cat !== Cat.End)
      rows.at(-1)?.push(cellOf([token]));
  }
  return tableau(it, rows);
};

const SOURCE = String.raw`
\newdimen\yt@side\yt@side1.5em
\def\yt@bar{\vrule width.4pt height\dimexpr\yt@side-.4em\relax depth.4em}
\def\yt@cell#1{\vbox{\hrule height.4pt\hbox{\yt@bar\hbox to\yt@side{\hss$#1$\hss}\yt@bar}\hrule height.4pt}\kern-.4pt}
\def\yt@gap{\hbox to\yt@side{\hss}}
\def\yt@row#1{\hbox{#1\kern.4pt}\kern-.4pt}
\def\yt@all#1{\ensuremath{\vcenter{\offinterlineskip#1\kern.4pt}}}
`;

/** ytableau: Young tableaux and diagrams. */
export const ytableau: PackageEntry = {
  name: 'ytableau',
  description: 'Young tableaux and diagrams.',
  options: null,
  environments: [
    {
      name: 'ytableau',
      signature: '',
      package: 'ytableau',
      description: 'A tableau, its squares parted by & and its rows by \\\\.',
      example: '$\\begin{ytableau} 1 & 2 & 3 \\\\ 4 \\end{ytableau}$',
      math: (reader, token) => {
        const body = formulaTokens(reader, 'ytableau', token);
        const rows = rowsOf(body).map((cells) => cells.map(cellOf));
        reader.p.push(tableau(reader.it, rows));
        return null;
      },
    },
  ],
  commands: [
    anywhere(
      'ydiagram',
      'om',
      'A diagram by the lengths of its rows.',
      '\\ydiagram{3,2,1}',
      (it, [, lengths]) => shapeOf(it, tokensText(lengths ?? []).replace(/\d+\+/g, '')),
    ),
    anywhere(
      'ytableaushort',
      'om',
      'A tableau of single signs, its rows parted by commas.',
      '\\ytableaushort{123,45}',
      (it, [, text]) => shortOf(it, text ?? []),
    ),
    macroEntry(
      'ytableausetup',
      'm',
      'How tableaux are set.',
      '\\ytableausetup{centertableaux}',
      '',
    ),
  ],
  source: SOURCE,
};

/** youngtab: tableaux by their rows. */
export const youngtab: PackageEntry = {
  name: 'youngtab',
  description: 'Young tableaux.',
  options: null,
  commands: [
    anywhere(
      'yng',
      '',
      'A diagram by the lengths of its rows, in round brackets.',
      '$\\yng(3,2)$',
      (it) => shapeOf(it, inRoundBrackets(it).text),
    ),
    anywhere(
      'young',
      '',
      'A tableau of single signs, in round brackets.',
      '$\\young(123,45)$',
      (it) => shortOf(it, inRoundBrackets(it).tokens),
    ),
  ],
  source: SOURCE,
};

function inRoundBrackets(it: Interpreter): {
  readonly tokens: readonly Token[];
  readonly text: string;
} {
  const first = it.p.nextNonBlank();
  if (first?.text !== '(') {
    if (first) it.p.unread(first);
    return { tokens: [], text: '' };
  }
  const tokens: Token[] = [];
  for (let t = it.p.next(); t !== null && t.text !== ')'; t = it.p.next()) tokens.push(t);
  return { tokens, text: tokensText(tokens) };
}

/** proof: derivations as fractions. */
export const proofPackage: PackageEntry = {
  name: 'proof',
  description: 'Derivations, premises above a line and the conclusion below.',
  options: null,
  requires: ['amsmath'],
  described: [
    sourceCommand(
      'infer',
      'omm',
      'A conclusion, and its premises parted by &; the rule in brackets.',
      '$\\infer[R]{B}{A & A \\to B}$',
    ),
    sourceCommand(
      'deduce',
      'omm',
      'A conclusion below its premises, without a line.',
      '$\\deduce{B}{A}$',
    ),
  ],
  source: String.raw`
\def\pf@above#1{{\arraycolsep.5em\begin{matrix}#1\end{matrix}}}
\newcommand\infer{\@ifstar{\pf@many}{\@ifnextchar={\pf@double}{\pf@infer}}}
\newcommand\pf@infer[3][]{{\displaystyle\frac{\pf@above{#3}}{#2}}\,{\scriptstyle#1}}
\def\pf@double={\pf@infer}
\newcommand\pf@many[3][]{\begin{array}[b]{@{}c@{}}\pf@above{#3}\\[-2pt]\vdots\,{\scriptstyle#1}\\#2\end{array}}
\newcommand\deduce[3][]{\begin{array}[b]{@{}c@{}}\pf@above{#3}\\#2\end{array}}
`,
};
