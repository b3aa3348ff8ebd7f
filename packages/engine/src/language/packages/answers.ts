import { writtenFile } from '../constructs/files';
import { finishRaw, rawLines } from '../constructs/verbatim';
import { cellsBy } from '../../expansion/cells';
import { tokensText } from '../../expansion/tokenText';
import { CELLS, environmentCell } from '../machine/cells';
import {
  type CommandEntry,
  tokensOf,
  type EnvironmentEntry,
  type PackageEntry,
} from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { macroEntry } from '../machine/macroEntry';

/** The file that is open under a name; null: none. */
const openFile = cellsBy<string | null>('solutionfile', null);

/** The label that a solution bears: the exercise's, as it stands where the solution is written. */
const currentLabel = (it: Interpreter): string => it.read(CELLS.currentLabel)?.value ?? '';

/** An environment whose contents wait in a file, in another environment with the label of the exercise. */
const kept = (name: string, shown: string, file: string): EnvironmentEntry => ({
  name,
  signature: '',
  description: `What is kept for the file ${file}.`,
  example: '',
  begin: (it) => {
    const lines = rawLines(it, name);
    const target = it.read(openFile(file));
    if (target !== null) {
      const before = it.read(writtenFile(target)) ?? '';
      const label = currentLabel(it);
      const text = `\\begin{${shown}}{${label}}\n${lines.join('\n')}\n\\end{${shown}}\n`;
      it.write(writtenFile(target), before + text, true);
    }
    finishRaw(it);
  },
});

const entry = (
  name: string,
  signature: string,
  description: string,
  example: string,
  run: (it: Interpreter, words: readonly string[]) => void,
): CommandEntry => ({
  name,
  signature,
  package: 'answers',
  description,
  example,
  run: (it, args) =>
    run(
      it,
      [...signature].map((_, i) => tokensText(tokensOf(args, i)).trim()),
    ),
});

/** answers: solutions written beside their exercises, and printed where they are wanted. */
export const answers: PackageEntry = {
  name: 'answers',
  description: 'Solutions written beside their exercises, printed elsewhere.',
  options: null,
  commands: [
    entry(
      'Newassociation',
      'mmm',
      'An environment for solutions: its name, how they are shown, the name of their file.',
      '\\Newassociation{sol}{Solution}{answers}',
      (it, [name = '', shown = '', file = '']) =>
        it.write(environmentCell(name), kept(name, shown, file), true),
    ),
    entry(
      'Opensolutionfile',
      'mo',
      'Solutions are kept from here on.',
      '\\Opensolutionfile{answers}',
      (it, [file = '', name]) => {
        const target = `${name || file}.tex`;
        it.write(openFile(file), target, true);
        it.write(writtenFile(target), '', true);
      },
    ),
    entry(
      'Closesolutionfile',
      'm',
      'No more solutions are kept.',
      '\\Closesolutionfile{answers}',
      (it, [file = '']) => it.write(openFile(file), null, true),
    ),
    macroEntry(
      'Readsolutionfile',
      'm',
      'Prints the solutions that were kept.',
      '\\Opensolutionfile{answers}\\Closesolutionfile{answers}\\Readsolutionfile{answers}',
      '\\InputIfFileExists{#1.tex}{}{}',
    ),
    macroEntry(
      'Writetofile',
      'mm',
      'Adds a line to the solutions.',
      '\\Writetofile{answers}{x}',
      '',
    ),
  ],
  source: String.raw`\newenvironment{Solution}[1]{\par\noindent\textbf{#1.} \ignorespaces}{\par}\newcommand\Ifanswerfiles[2]{#1}\newcommand\solutionpoint{}\newcommand\solutionextension{tex}`,
};
