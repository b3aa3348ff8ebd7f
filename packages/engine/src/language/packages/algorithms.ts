import type { Interpreter } from '../machine/interpreter';
import {
  tokensOf,
  type CommandEntry,
  type EnvironmentEntry,
  type Module,
  type PackageEntry,
} from '../machine/entries';
import { macroEntry } from '../machine/macroEntry';
import { ALGORITHM_BLOCKS, algorithmBlockNames } from './algorithmBlocks';
import { environmentCell } from '../machine/cells';
import { floatKind } from '../constructs/floats';
import { isFloatStyle, styledFloat } from '../constructs/floatStyles';
import { beginGeneral } from '../constructs/generalList';
import { endList } from '../constructs/lists';
import { newCounter } from '../machine/counters';
import { textOf } from '../../expansion/tokenText';

/**
 * The body of algorithms: a list whose items are lines, numbered every so many, each as far to the
 * right as it is deep (one and a half em to a level, the manual's figure).
 */
const BODY = String.raw`
\newcounter{ALG@line}\newcount\ALG@depth\newcount\ALG@every\newdimen\algorithmicindent\algorithmicindent1.5em
\def\alglinenumber#1{\footnotesize #1:}
\def\ALG@label{\ifnum\ALG@every>0 \ifnum\numexpr\value{ALG@line}-\value{ALG@line}/\ALG@every*\ALG@every\relax=0 \alglinenumber{\arabic{ALG@line}}\fi\fi}
\def\ALG@item{\refstepcounter{ALG@line}\item[\ALG@label]\hspace*{\ALG@depth\algorithmicindent}\ignorespaces}
\def\ALG@plain{\item[]\hspace*{\ALG@depth\algorithmicindent}\ignorespaces}
\def\ALG@in{\advance\ALG@depth by 1 \relax}
\def\ALG@out{\advance\ALG@depth by -1 \relax}
\def\algorithmiccomment#1{\hfill\(\triangleright\) #1}\def\ALG@comment{\algorithmiccomment}
\providecommand{\algorithmname}{Algorithm}
\def\algorithmicrequire{\textbf{Require:}}\def\algorithmicensure{\textbf{Ensure:}}
\def\algorithmicend{\textbf{end}}\def\algorithmicif{\textbf{if}}\def\algorithmicthen{\textbf{then}}
\def\algorithmicelse{\textbf{else}}\def\algorithmicfor{\textbf{for}}\def\algorithmicforall{\textbf{for all}}
\def\algorithmicdo{\textbf{do}}\def\algorithmicwhile{\textbf{while}}\def\algorithmicrepeat{\textbf{repeat}}
\def\algorithmicuntil{\textbf{until}}\def\algorithmicloop{\textbf{loop}}\def\algorithmicreturn{\textbf{return}}
\def\algorithmicprocedure{\textbf{procedure}}\def\algorithmicfunction{\textbf{function}}
`;

/** A block's first line, its last, and how its names are written in the two packages. */
interface BlockWords {
  readonly name: string;
  readonly args: string;
  readonly head: string;
  readonly end: string;
}
const BLOCKS: readonly BlockWords[] = [
  {
    name: 'If',
    args: 'm',
    head: '\\algorithmicif\\ #1\\ \\algorithmicthen',
    end: '\\algorithmicend\\ \\algorithmicif',
  },
  {
    name: 'For',
    args: 'm',
    head: '\\algorithmicfor\\ #1\\ \\algorithmicdo',
    end: '\\algorithmicend\\ \\algorithmicfor',
  },
  { name: 'ForAll', args: 'm', head: '\\algorithmicforall\\ #1\\ \\algorithmicdo', end: '' },
  {
    name: 'While',
    args: 'm',
    head: '\\algorithmicwhile\\ #1\\ \\algorithmicdo',
    end: '\\algorithmicend\\ \\algorithmicwhile',
  },
  {
    name: 'Loop',
    args: '',
    head: '\\algorithmicloop',
    end: '\\algorithmicend\\ \\algorithmicloop',
  },
];

const inAlgorithm = (line: string): string =>
  `\\begin{algorithmic}[1]\n${line}\n\\end{algorithmic}`;
const command = (
  name: string,
  args: string,
  what: string,
  example: string,
  macro: string,
  fallback?: string,
): CommandEntry => ({
  ...macroEntry(name, args, what, inAlgorithm(example), macro, fallback),
});

/** `\begin{algorithmic}[1]`: the lines of an algorithm, numbered every so many. */
const algorithmic = (pkg: string, first: string): EnvironmentEntry => ({
  name: 'algorithmic',
  signature: 'o',
  package: pkg,
  description: 'The lines of an algorithm; a number in brackets numbers every so many of them.',
  example: inAlgorithm(`\\${first} Wait for high water.`),
  begin: (it, args) => {
    const every = Number(textOf(it.p, tokensOf(args, 0))) || 0;
    // The label's width, its distance, and both together: the figures of the manual.
    const [label, margin] = every > 0 ? ['1.2em', '1.7em'] : ['.5em', '1em'];
    it.execute(
      it.source(`\\par\\ALG@every=${every}\\relax\\ALG@depth=0 \\setcounter{ALG@line}{0}`),
    );
    beginGeneral(it, [
      [],
      it.source(
        `\\topsep.2em\\itemsep0pt\\parsep0pt\\partopsep0pt\\labelsep.5em\\labelwidth${label}\\leftmargin${margin}\\relax`,
      ),
    ]);
  },
  end: endList,
});

/** Blocks and lines under the names that one of the packages gives them. */
function lines(written: (name: string) => string, ends: boolean): CommandEntry[] {
  const end = (block: BlockWords): string => (ends ? `\\ALG@item ${block.end}` : '\\relax');
  const w = written;
  return [
    command(w('State'), '', 'A line of an algorithm.', `\\${w('State')} Wait.`, '\\ALG@item '),
    ...BLOCKS.flatMap((block) => {
      const arg = block.args === 'm' ? '{$x>0$}' : '';
      const example = `\\${w(block.name)}${arg}\\${w('State')} Wait.\\${w(`End${block.name === 'ForAll' ? 'For' : block.name}`)}`;
      const opens = command(
        w(block.name),
        block.args,
        'Begins a block of an algorithm.',
        example,
        `\\ALG@item ${block.head}\\ALG@in `,
      );
      return block.end === ''
        ? [opens]
        : [
            opens,
            command(
              w(`End${block.name}`),
              '',
              'Ends a block of an algorithm.',
              example,
              `\\ALG@out ${end(block)}`,
            ),
          ];
    }),
    command(
      w('ElsIf'),
      'm',
      'Another case.',
      `\\${w('If')}{$x$}\\${w('ElsIf')}{$y$}\\${w('EndIf')}`,
      '\\ALG@out\\ALG@item\\algorithmicelse\\ \\algorithmicif\\ #1\\ \\algorithmicthen\\ALG@in ',
    ),
    command(
      w('Else'),
      '',
      'All other cases.',
      `\\${w('If')}{$x$}\\${w('Else')}\\${w('EndIf')}`,
      '\\ALG@out\\ALG@item\\algorithmicelse\\ALG@in ',
    ),
    command(
      w('Repeat'),
      '',
      'Begins what is repeated.',
      `\\${w('Repeat')}\\${w('State')} Wait.\\${w('Until')}{noon}`,
      '\\ALG@item\\algorithmicrepeat\\ALG@in ',
    ),
    command(
      w('Until'),
      'm',
      'Ends what is repeated.',
      `\\${w('Repeat')}\\${w('State')} Wait.\\${w('Until')}{noon}`,
      '\\ALG@out\\ALG@item\\algorithmicuntil\\ #1',
    ),
    command(
      w('Require'),
      '',
      'What an algorithm is given.',
      `\\${w('Require')} a harbour`,
      '\\item[\\algorithmicrequire]',
    ),
    command(
      w('Ensure'),
      '',
      'What it gives.',
      `\\${w('Ensure')} a tide`,
      '\\item[\\algorithmicensure]',
    ),
    command(
      w('Comment'),
      'm',
      'A remark at the end of a line.',
      `\\${w('State')} Wait.\\${w('Comment')}{till noon}`,
      '\\ALG@comment{#1}',
    ),
  ];
}

const OPTIONS = ['noend', 'end', 'compatible', 'indent'];

/** algpseudocode and algorithmicx: algorithms in words, with names like `\State`. */
export const algpseudocode: PackageEntry = {
  name: 'algpseudocode',
  description: 'Algorithms as lines of words: \\State, \\If, \\For, \\While.',
  options: OPTIONS,
  requires: ['ifthen'],
  environments: [algorithmic('algpseudocode', 'State')],
  commands: [
    ...lines((name) => name, true),
    command('Statex', '', 'A line without a number.', '\\Statex Wait.', '\\ALG@plain '),
    ...(['Procedure', 'Function'] as const).flatMap((name) => [
      command(
        name,
        'mm',
        'Begins a named part of an algorithm.',
        `\\${name}{Tide}{x}\\End${name}`,
        `\\ALG@item\\algorithmic${name.toLowerCase()}\\ \\textproc{#1}(#2)\\ALG@in `,
      ),
      command(
        `End${name}`,
        '',
        'Ends it.',
        `\\${name}{Tide}{x}\\End${name}`,
        `\\ALG@out\\ALG@item\\algorithmicend\\ \\algorithmic${name.toLowerCase()}`,
      ),
    ]),
    command(
      'Call',
      'mm',
      'A part of the algorithm at work.',
      '\\State \\Call{Tide}{x}',
      '\\textproc{#1}(#2)',
    ),
    command('Return', '', 'What is given back.', '\\State \\Return $x$', '\\algorithmicreturn\\ '),
    command('textproc', 'm', 'The name of a part.', '\\State \\textproc{Tide}', '\\textsc{#1}'),
  ],
  source: BODY + ALGORITHM_BLOCKS,
  described: algorithmBlockNames,
  setup: withoutEnds,
};

/** With the option `noend` blocks have no last line. */
function withoutEnds(it: Interpreter, options: readonly string[]): void {
  if (!options.some((option) => option.trim() === 'noend')) return;
  for (const name of ['If', 'For', 'While', 'Loop', 'Procedure', 'Function'])
    it.define(`End${name}`, '\\ALG@out ');
}
export const algorithmicx: PackageEntry = { ...algpseudocode, name: 'algorithmicx' };
export const algcompatible: PackageEntry = { ...old('algcompatible'), options: OPTIONS };

/** algorithmic: the same with names in capitals. */
export const algorithmicPackage: PackageEntry = old('algorithmic');

function old(name: string): PackageEntry {
  const module: Module = {
    environments: [algorithmic('algorithmic', 'STATE')],
    commands: [
      ...lines((written) => written.toUpperCase(), true),
      command(
        'RETURN',
        '',
        'What is given back.',
        '\\RETURN $x$',
        '\\ALG@item\\algorithmicreturn\\ ',
      ),
      command('PRINT', '', 'What is printed.', '\\PRINT $x$', '\\ALG@item\\textbf{print}\\ '),
      ...['TRUE', 'FALSE', 'AND', 'OR', 'XOR', 'NOT', 'TO'].map((word) =>
        command(
          word,
          '',
          'A word of conditions.',
          `\\STATE \\${word}`,
          `\\textbf{${word.toLowerCase()}}`,
        ),
      ),
    ],
    // The older package has comments in braces, right behind what they are about.
    source: name === 'algorithmic' ? `${BODY}\\def\\algorithmiccomment#1{\\{#1\\}}` : BODY,
  };
  return {
    name,
    description: 'Algorithms as lines of words: \\STATE, \\IF, \\FOR, \\WHILE.',
    options: ['noend', 'end'],
    ...module,
  };
}

export const LIST = macroEntry(
  'listofalgorithms',
  '',
  'The list of all algorithms.',
  '\\listofalgorithms',
  '\\@listheading{\\listalgorithmname}\\@starttoc{loa}',
);

export function declareFloat(it: Interpreter): void {
  newCounter(it, 'algorithm', null);
  it.define('algorithmname', 'Algorithm');
  it.define('listalgorithmname', 'List of Algorithms');
  it.define('ext@algorithm', 'loa');
  it.define('l@algorithm', '\\@dottedtocline{1}{1.5em}{2.3em}');
}

const algorithmFloats = (style: string): EnvironmentEntry[] =>
  floatKind('algorithm', 'An algorithm').map((entry) => ({
    ...styledFloat(entry, style),
    package: 'algorithm',
  }));

/** algorithm: a float for algorithms. */
export const algorithm: PackageEntry = {
  name: 'algorithm',
  description: 'Floats for algorithms, between rules, with a caption and a list.',
  options: ['ruled', 'boxed', 'plain', 'section', 'chapter', 'part', 'subsection', 'nothing'],
  requires: ['float'],
  environments: algorithmFloats('ruled'),
  commands: [LIST],
  setup: (it, options) => {
    declareFloat(it);
    const style = options.map((option) => option.trim()).find(isFloatStyle);
    if (style === undefined) return;
    for (const entry of algorithmFloats(style)) it.write(environmentCell(entry.name), entry, true);
  },
};
