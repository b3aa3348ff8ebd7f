import { readOptional } from '../../expansion/arguments';
import { withArguments } from '../../expansion/definitions';
import type { Token } from '../../expansion/meaning';
import { textOf, tokensText } from '../../expansion/tokenText';
import { rawOptions } from '../constructs/verbatim';
import { environmentCell } from '../machine/cells';
import { type CommandEntry, type EnvironmentEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { macroEntry } from '../machine/macroEntry';
import { braced } from './colourBoxes';

/** `\NewTCBox{\name}{arguments}{options}`, with its contents said too where it is a total one. */
const declaredCommand = (name: string, isTotal: boolean): CommandEntry => ({
  name,
  signature: isTotal ? 'ommmm' : 'ommm',
  package: 'tcolorbox',
  description: 'A command that is a coloured box, its arguments said by letters.',
  example: isTotal
    ? `\\${name}{\\pin}{m}{colback=yellow!20}{At #1}\\pin{noon}`
    : `\\${name}{\\pin}{O{}}{on line,#1}At \\pin{noon}`,
  run: (it, args) => {
    const box = name.includes('TColorBox');
    const options = [...it.p.chars('['), ...tokensOf(args, 3), ...it.p.chars(']')];
    const [spec, body] = isTotal
      ? [tokensOf(args, 2), braced(it, tokensOf(args, 4))]
      : [tokensOf(args, 2), []];
    it.execute([
      it.p.command('DeclareDocumentCommand'),
      ...tokensOf(args, 1),
      ...braced(it, spec),
      ...braced(
        it,
        box
          ? [
              ...it.source('\\begin{tcolorbox}'),
              ...options,
              ...body,
              ...it.source('\\end{tcolorbox}'),
            ]
          : [it.p.command('tcbox'), ...options, ...body],
      ),
    ]);
  },
});

/** Arguments by their letters, before a program that is read as it stands: `m`, `o`, `O{…}` and `s`. */
function readLetters(it: Interpreter, spec: string, token: Token): (readonly Token[])[] {
  return [...spec.matchAll(/[+!]?([a-zA-Z])(?:\{([^{}]*)\})?/g)].map(([, letter, otherwise]) => {
    if (letter === 'o' || letter === 'O') return rawOptions(it) ?? it.source(otherwise ?? '');
    const given = it.readArguments('m', token);
    return given ? tokensOf(given, 0) : [];
  });
}

/** `\NewTCBListing{name}{arguments}{options}`: an environment for programs in a box. */
export const declaredListing = (
  name: string,
  print: (it: Interpreter, name: string, options: readonly Token[]) => void,
  listing: EnvironmentEntry,
): CommandEntry => ({
  name,
  signature: 'ommm',
  package: 'tcolorbox',
  description: 'An environment for programs in a box, its arguments said by letters.',
  example: `\\${name}{program}{O{}}{listing only,#1}\n\\begin{program}\nfor each ferry: leave\n\\end{program}`,
  run: (it, args) => {
    const own = textOf(it.p, tokensOf(args, 1)).trim();
    const [spec, options] = [tokensText(tokensOf(args, 2)), tokensOf(args, 3)];
    const entry: EnvironmentEntry = {
      ...listing,
      name: own,
      signature: '',
      detail: spec + tokensText(options),
      begin: (inner, _args, begin) =>
        print(inner, own, withArguments(options, readLetters(inner, spec, begin))),
    };
    it.write(environmentCell(own), entry, true);
  },
});

/** `\tcblistof[\section*]{name}{title}`. */
const listOfBoxes: CommandEntry = {
  name: 'tcblistof',
  signature: '',
  package: 'tcolorbox',
  description: 'The list of boxes of a kind, with their pages.',
  example:
    '\\newtcbtheorem[list inside=ru]{tiderule}{Rule}{}{ru}\\tcblistof[\\section*]{ru}{Rules}\\begin{tiderule}{Ebb}{ebb}Low.\\end{tiderule}',
  run: (it, _args, token) => {
    const heading = readOptional(it.p) ?? it.source('\\section*');
    const args = it.readArguments('mm', token);
    if (!args) return;
    const list = textOf(it.p, tokensOf(args, 0)).trim();
    it.execute([
      ...heading,
      ...braced(it, tokensOf(args, 1)),
      ...it.source('\\makeatletter\\def\\l@tcolorbox{\\@dottedtocline{1}{0pt}{2.3em}}'),
      ...it.source(`\\@starttoc{${list}}\\makeatother `),
    ]);
  },
};

/** More tools of coloured boxes: boxes declared by letters, lists, pictures in boxes. */
export const toolCommands: readonly CommandEntry[] = [
  declaredCommand('NewTCBox', false),
  declaredCommand('DeclareTCBox', false),
  declaredCommand('NewTotalTCBox', true),
  declaredCommand('DeclareTotalTCBox', true),
  declaredCommand('NewTotalTColorBox', true),
  declaredCommand('DeclareTotalTColorBox', true),
  listOfBoxes,
  macroEntry(
    'tcbincludegraphics',
    'om',
    'A picture in a coloured box.',
    '\\tcbincludegraphics[colframe=blue]{pier}',
    '\\begin{tcolorbox}[left=0pt,right=0pt,top=0pt,bottom=0pt,boxsep=0pt,#1]\\includegraphics[width=\\linewidth]{#2}\\end{tcolorbox}',
    '',
  ),
  macroEntry(
    'tcboxfit',
    'om',
    'A coloured box around its contents.',
    '\\tcboxfit[height=2cm]{High water}',
    '\\begin{tcolorbox}[#1]#2\\end{tcolorbox}',
    '',
  ),
  macroEntry(
    'tcbifoddpage',
    'mm',
    'One of two, by whether the page is odd.',
    '\\tcbifoddpage{odd}{even}',
    '\\ifodd\\value{page}#1\\else#2\\fi',
  ),
];
