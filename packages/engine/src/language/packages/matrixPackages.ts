import { readOptional } from '../../expansion/arguments';
import { BRACKETS, matrix } from '../constructs/mathMatrices';
import type { Token } from '../../expansion/meaning';
import {
  type CommandEntry,
  type EnvironmentEntry,
  type PackageEntry,
  tokensOf,
} from '../machine/entries';
import { macroEntry } from '../machine/macroEntry';
import { rowsOf } from '../constructs/borderMatrix';
import { tokensText } from '../../expansion/tokenText';
import { formulaTokens } from '../machine/environmentTokens';
import { runningDots } from './niceBorders';
import { NICE_OPTIONS, niceArray, niceCommands, niceTables } from './niceGrid';
import { arrayPatch } from './nicePatches';

/** What a matrix of amsmath does not have. */
const SPECIAL: ReadonlySet<string> = new Set([
  'Block',
  'CodeBefore',
  'CodeAfter',
  'RowStyle',
  'rotate',
]);

/** A matrix of nicematrix: one of amsmath, its dots over empty entries, rows and columns outside where options say so. */
function niceMatrix(name: string, left: string | null, right: string | null): EnvironmentEntry {
  const plain = matrix(name, left, right);
  return {
    ...plain,
    package: 'nicematrix',
    math: (reader, token) => {
      const { it, p } = reader;
      const options = tokensText(readOptional(p) ?? []);
      const body = formulaTokens(reader, name, token);
      const isPlain =
        options.trim() === '' &&
        it.read(NICE_OPTIONS) === '' &&
        !body.some(({ text }) => SPECIAL.has(text));
      if (!isPlain) p.push(niceArray(it, body, null, options, [left, right]));
      else {
        const rows = runningDots(it, rowsOf(body)).map((cells) =>
          cells.flatMap((cell, i) => [...(i > 0 ? it.source('&') : []), ...cell]),
        );
        const inside = rows.flatMap((row, i) => [...(i > 0 ? it.source('\\\\') : []), ...row]);
        const as = name.replace('NiceMatrix', 'matrix');
        p.push([...it.source(`\\begin{${as}}`), ...inside, ...it.source(`\\end{${as}}`)]);
      }
      return null;
    },
  };
}

const dots = (name: string, as: string, description: string): CommandEntry =>
  macroEntry(
    name,
    'o',
    description,
    `$\\begin{pNiceMatrix} a & \\${name} \\\\ b & c \\end{pNiceMatrix}$`,
    as,
  );

/** `\\pAutoNiceMatrix{3-4}{a_{\\arabic{iRow}}}`: each entry by its row and column. */
const autoMatrix = (letter: string): CommandEntry => ({
  name: `${letter}AutoNiceMatrix`,
  signature: 'omm',
  package: 'nicematrix',
  description: 'A matrix whose entries are made of their row and column.',
  example: `$\\${letter}AutoNiceMatrix{2-3}{a_{\\arabic{iRow}\\arabic{jCol}}}$`,
  math: (reader, token) => {
    const { it, p } = reader;
    const args = it.readArguments('omm', token);
    if (!args) return null;
    const [rows = 1, columns = 1] = tokensText(tokensOf(args, 1))
      .split('-')
      .map((n) => Math.max(0, Math.min(60, parseInt(n, 10) || 0)));
    const entry = tokensOf(args, 2);
    const cell = (r: number, c: number): Token[] => [
      ...(c > 1 ? it.source('&') : []),
      ...it.source(`\\setcounter{iRow}{${r}}\\setcounter{jCol}{${c}}`),
      ...entry,
    ];
    const name = `${letter}NiceMatrix`;
    p.push([
      ...it.source(`\\begin{${name}}`),
      ...Array.from({ length: rows }, (_, r) => [
        ...(r > 0 ? it.source('\\\\') : []),
        ...Array.from({ length: columns }, (_cell, c) => cell(r + 1, c + 1)).flat(),
      ]).flat(),
      ...it.source(`\\end{${name}}`),
    ]);
    return null;
  },
});

/** nicematrix: matrices with dots over several entries. */
export const nicematrix: PackageEntry = {
  name: 'nicematrix',
  description: 'Matrices whose dots say where entries go on.',
  options: null,
  requires: [
    'amsmath',
    'array',
    'mathdots',
    'colortbl',
    'multirow',
    'tabularx',
    'arydshln',
    'graphicx',
    'tikz',
  ],
  source: '\\usetikzlibrary{calc,decorations.pathreplacing}\\newcounter{iRow}\\newcounter{jCol}',
  environments: [
    ...BRACKETS.map(([letter, left, right]) => niceMatrix(`${letter}NiceMatrix`, left, right)),
    ...niceTables,
  ],
  commands: [
    dots('Cdots', '\\cdots', 'Dots along a row.'),
    dots('Ldots', '\\ldots', 'Dots along a row, on the line.'),
    macroEntry(
      'Hdotsfor',
      'om',
      'Dots along a row, over so many columns.',
      '$\\begin{pNiceMatrix} a & b \\\\ \\Hdotsfor{2} \\end{pNiceMatrix}$',
      '\\hdotsfor{#2}',
    ),
    dots('Vdots', '\\vdots', 'Dots down a column.'),
    dots('Ddots', '\\ddots', 'Dots down a diagonal.'),
    dots('Iddots', '\\iddots', 'Dots up a diagonal.'),
    arrayPatch,
    ...niceCommands,
    ...BRACKETS.map(([letter]) => autoMatrix(letter)),
    {
      name: 'NiceMatrixOptions',
      signature: 'm',
      package: 'nicematrix',
      description: 'Options for all matrices that follow.',
      example:
        '\\NiceMatrixOptions{code-for-first-row=\\scriptstyle}$\\begin{pNiceMatrix}[first-row] a \\\\ b \\end{pNiceMatrix}$',
      run: (it, args) =>
        it.write(NICE_OPTIONS, `${it.read(NICE_OPTIONS)},${tokensText(tokensOf(args, 0))}`),
    },
  ],
};
