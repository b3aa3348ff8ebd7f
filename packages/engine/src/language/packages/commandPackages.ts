import type { Token } from '../../expansion/meaning';
import { braced } from './colourBoxes';
import { CELLS } from '../machine/cells';
import { type Args, type CommandEntry, type PackageEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { sourceCommand, sourcePackage } from '../machine/macroEntry';
import { keyValues } from '../scanning/optionLists';
import { textOf } from '../../expansion/tokenText';

/** The arguments of `\newcommandx`, `{n}[2=x, …]`, as the kernel's `\NewDocumentCommand` writes them. */
function xargsSpec(it: Interpreter, args: Args, count: number, options: number): Token[] {
  const fallbacks = keyValues(tokensOf(args, options));
  const most = Math.min(9, parseInt(textOf(it.p, tokensOf(args, count)), 10) || 0);
  return Array.from({ length: most }, (_, i) => {
    const fallback = fallbacks.get(String(i + 1));
    return fallback ? [...it.source('O'), ...braced(it, fallback)] : it.source('m');
  }).flat();
}

const xCommand = (name: string, kernel: string, what: string): CommandEntry => ({
  name,
  signature: 'moom',
  package: 'xargs',
  description: `${what} a command, any of whose arguments may be left out.`,
  example: `${name === 'renewcommandx' ? '\\newcommand\\tide{}' : ''}\\${name}{\\tide}[2][1=ebb,2=flow]{#1 and #2}\n\\tide \\tide[high]`,
  run: (it, args) =>
    it.execute([
      it.p.command(kernel),
      ...braced(it, tokensOf(args, 0)),
      ...braced(it, xargsSpec(it, args, 1, 2)),
      ...braced(it, tokensOf(args, 3)),
    ]),
});

/** xargs: commands with several arguments that may be left out. */
const xargs: PackageEntry = {
  name: 'xargs',
  description: 'Commands with several arguments that may be left out.',
  options: null,
  commands: [
    xCommand('newcommandx', 'NewDocumentCommand', 'Defines'),
    xCommand('renewcommandx', 'RenewDocumentCommand', 'Redefines'),
    xCommand('providecommandx', 'ProvideDocumentCommand', 'Defines, unless there is one,'),
    {
      name: 'newenvironmentx',
      signature: 'moomm',
      package: 'xargs',
      description: 'Defines an environment, any of whose arguments may be left out.',
      example:
        '\\newenvironmentx{tides}[2][1=ebb,2=flow]{#1: }{ (end)}\n\\begin{tides}water\\end{tides}',
      run: (it, args) =>
        it.execute([
          it.p.command('NewDocumentEnvironment'),
          ...braced(it, tokensOf(args, 0)),
          ...braced(it, xargsSpec(it, args, 1, 2)),
          ...braced(it, tokensOf(args, 3)),
          ...braced(it, tokensOf(args, 4)),
        ]),
    },
  ],
};

const twoopt = sourcePackage(
  'twoopt',
  'Commands with two arguments that may be left out.',
  [
    sourceCommand(
      'newcommandtwoopt',
      'mooom',
      'Defines a command whose first two arguments may be left out.',
      '\\newcommandtwoopt{\\tide}[3][ebb][flow]{#1, #2, #3}\n\\tide{now}',
    ),
  ],
  String.raw`
\NewDocumentCommand\newcommandtwoopt{m O{2} O{} O{} m}{\two@define{#1}{#2}{#3}{#4}{#5}}
\def\two@define#1#2#3#4#5{\ifcase#2\or\or\NewDocumentCommand#1{O{#3}O{#4}}{#5}\or\NewDocumentCommand#1{O{#3}O{#4}m}{#5}\or\NewDocumentCommand#1{O{#3}O{#4}mm}{#5}\or\NewDocumentCommand#1{O{#3}O{#4}mmm}{#5}\fi}
\NewDocumentCommand\renewcommandtwoopt{m O{2} O{} O{} m}{\let#1\two@undefined\two@define{#1}{#2}{#3}{#4}{#5}}
`,
);

const patching = (name: string): PackageEntry =>
  sourcePackage(
    name,
    'Commands that others have defined, changed.',
    [
      sourceCommand(
        'xpatchcmd',
        'mmmmm',
        'Puts something else into a command.',
        '\\newcommand{\\tide}{ebb}\\xpatchcmd{\\tide}{ebb}{flood}{}{}\\tide',
      ),
      sourceCommand(
        'xapptocmd',
        'mmmm',
        'Adds to the end of a command.',
        '\\newcommand{\\tide}{ebb}\\xapptocmd{\\tide}{s}{}{}\\tide',
      ),
      sourceCommand(
        'xpretocmd',
        'mmmm',
        'Adds to the beginning of a command.',
        '\\newcommand{\\tide}{ebb}\\xpretocmd{\\tide}{an }{}{}\\tide',
      ),
    ],
    '\\let\\xpatchcmd\\patchcmd\\let\\xapptocmd\\apptocmd\\let\\xpretocmd\\pretocmd\\let\\regexpatchcmd\\patchcmd',
    ['etoolbox'],
  );

const totcount = sourcePackage(
  'totcount',
  'The last value of a counter, anywhere.',
  [
    sourceCommand(
      'newtotcounter',
      'mo',
      'A counter whose last value is known anywhere.',
      '\\newtotcounter{tides}\\stepcounter{tides}\\total{tides}',
    ),
    sourceCommand(
      'regtotcounter',
      'm',
      'The same for a counter there is.',
      '\\regtotcounter{section}\\total{section}',
    ),
    sourceCommand(
      'total',
      'm',
      'The last value of a counter.',
      '\\regtotcounter{section}\\total{section}',
    ),
  ],
  String.raw`
\NewDocumentCommand\newtotcounter{m o}{\IfValueTF{#2}{\newcounter{#1}[#2]}{\newcounter{#1}}\regtotcounter{#1}}
\newcommand\regtotcounter[1]{\AtEndDocument{\edef\@currentlabel{\arabic{#1}}\label{totalof@#1}}}
\newcommand\total[1]{\ref*{totalof@#1}}\newcommand\totvalue[1]{\ref*{totalof@#1}}
`,
);

const fp = sourcePackage(
  'fp',
  'Arithmetic with fractions.',
  [
    sourceCommand(
      'FPeval',
      'mm',
      'A name for the value of an expression.',
      '\\FPeval\\tide{round(2/3:2)}\\tide',
    ),
    sourceCommand('FPset', 'mm', 'A name for a number.', '\\FPset\\tide{2.5}\\tide'),
    ...(['add', 'sub', 'mul', 'div'] as const).map((name) =>
      sourceCommand(
        `FP${name}`,
        'mmm',
        'A name for what two numbers make.',
        `\\FP${name}\\tide{6}{2}\\tide`,
      ),
    ),
    sourceCommand(
      'FPround',
      'mmm',
      'Rounded to so many places.',
      '\\FPround\\tide{2.345}{1}\\tide',
    ),
    sourceCommand('FPprint', 'm', 'Prints a number.', '\\FPprint{2.5}'),
  ],
  String.raw`
\newcommand\FPeval[2]{\edef#1{\fpeval{#2}}}\newcommand\FPset[2]{\edef#1{#2}}
\newcommand\FPadd[3]{\edef#1{\fpeval{(#2)+(#3)}}}\newcommand\FPsub[3]{\edef#1{\fpeval{(#2)-(#3)}}}
\newcommand\FPmul[3]{\edef#1{\fpeval{(#2)*(#3)}}}\newcommand\FPdiv[3]{\edef#1{\fpeval{(#2)/(#3)}}}
\newcommand\FPround[3]{\edef#1{\fpeval{round(#2,#3)}}}\newcommand\FPtrunc[3]{\edef#1{\fpeval{trunc(#2,#3)}}}
\newcommand\FPclip[2]{\edef#1{#2}}\newcommand\FPprint[1]{\fpeval{#1}}\newcommand\FPabs[2]{\edef#1{\fpeval{abs(#2)}}}
\newcommand\FPpow[3]{\edef#1{\fpeval{(#2)^(#3)}}}\newcommand\FPneg[2]{\edef#1{\fpeval{-(#2)}}}
`,
);

const newfloat = sourcePackage(
  'newfloat',
  'Kinds of floats of your own.',
  [
    sourceCommand(
      'DeclareFloatingEnvironment',
      'om',
      'A new kind of float.',
      '\\DeclareFloatingEnvironment[name=Chart]{chart}\n\\begin{chart}tide\\caption{Ebb}\\end{chart}',
    ),
  ],
  String.raw`
\define@key{nfl}{name}{\def\nfl@name{#1}}\define@key{nfl}{fileext}{\def\nfl@ext{#1}}\define@key{nfl}{listname}{\def\nfl@list{#1}}
\define@key{nfl}{placement}{\def\nfl@place{#1}}\define@key{nfl}{within}{\def\nfl@within{[#1]}}\define@key{nfl}{chapterlistsgaps}{}
\newcommand\DeclareFloatingEnvironment[2][]{\def\nfl@name{\MakeUppercase#2}\def\nfl@ext{lo#2}\def\nfl@place{tbp}\def\nfl@within{}\def\nfl@list{List of #2s}\setkeys{nfl}{#1}%
\edef\nfl@do{\noexpand\newfloat{#2}{\nfl@place}{\nfl@ext}\nfl@within}\nfl@do\expandafter\nfl@title\expandafter{\nfl@name}{#2}}
\def\nfl@title#1#2{\floatname{#2}{#1}}
\newcommand\SetupFloatingEnvironment[2]{}
`,
  ['keyval', 'float'],
);

/** Packages that bring ways to make commands, counters and floats. */
export const commandPackages: readonly PackageEntry[] = [
  xargs,
  twoopt,
  patching('xpatch'),
  patching('regexpatch'),
  totcount,
  fp,
  sourcePackage(
    'textcase',
    'Capital and small letters, formulas left alone; part of the kernel.',
    [],
    '',
  ),
  newfloat,
  sourcePackage('xfp', 'Arithmetic with fractions; part of the kernel.', [], ''),
  {
    name: 'underscore',
    description: 'A low line in text stands for itself.',
    options: null,
    setup: (it) => it.write(CELLS.plainLowLine, true, true),
  },
];
