import { readOptional } from '../../expansion/arguments';
import { BRACKETS, matrix } from '../constructs/mathMatrices';
import { type CommandEntry, type EnvironmentEntry, type PackageEntry } from '../machine/entries';
import { idleEntry, macroEntry } from '../machine/macroEntry';
import { rowsOf } from '../constructs/borderMatrix';
import { tokensText } from '../../expansion/tokenText';
import { environmentTokens } from '../machine/environmentTokens';
import { runningDots } from './niceBorders';
import { niceArray, niceCommands, niceTables } from './niceGrid';
import { arrayPatch } from './nicePatches';

/** What a matrix of amsmath does not have. */
const SPECIAL: ReadonlySet<string> = new Set(['Block', 'CodeBefore', 'CodeAfter']);

/** A matrix of nicematrix: one of amsmath, its dots over empty entries, rows and columns outside where options say so. */
function niceMatrix(name: string, left: string | null, right: string | null): EnvironmentEntry {
  const plain = matrix(name, left, right);
  return {
    ...plain,
    package: 'nicematrix',
    math: (reader) => {
      const { it, p } = reader;
      const options = tokensText(readOptional(p) ?? []);
      const body = environmentTokens(p, name);
      const isPlain = options.trim() === '' && !body.some(({ text }) => SPECIAL.has(text));
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

/** nicematrix: matrices with dots over several entries. */
export const nicematrix: PackageEntry = {
  name: 'nicematrix',
  description: 'Matrices whose dots say where entries go on.',
  options: null,
  requires: ['amsmath', 'array', 'mathdots', 'colortbl', 'multirow', 'tabularx'],
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
    idleEntry('NiceMatrixOptions', 'm', 'How matrices look.'),
  ],
};
