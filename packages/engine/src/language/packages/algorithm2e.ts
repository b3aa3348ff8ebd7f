import type { CommandEntry, EnvironmentEntry, PackageEntry } from '../machine/entries';
import { macroEntry } from '../machine/macroEntry';
import { floatKind } from '../constructs/floats';
import { declareFloat, LIST, ruled } from './algorithms';

/** Blocks of algorithm2e, whose bodies stand in braces. */
const SECOND = String.raw`
\newif\ifALG@semicolon\ALG@semicolontrue
\def\DontPrintSemicolon{\ALG@semicolonfalse}\def\PrintSemicolon{\ALG@semicolontrue}
\def\ALG@stop{\ifALG@semicolon;\fi\par}
\def\ALG@block#1{\par{\advance\leftskip1.2em #1\par}}
\def\ALG@word#1{\textbf{#1}}
\def\ALG@inout#1#2{\par\noindent{\hangindent\wd\ALG@box\hangafter1 \textbf{#1:} #2\par}}
\newsavebox\ALG@box
\def\ALG@tcp#1{\texttt{// #1}\par}\def\ALG@tcc#1{\texttt{/* #1 */}\par}
`;
const second = (
  name: string,
  args: string,
  what: string,
  example: string,
  macro: string,
): CommandEntry => ({
  ...macroEntry(name, args, what, `\\begin{algorithm}\n${example}\n\\end{algorithm}`, macro),
  package: 'algorithm2e',
});
const word = (text: string): string => `\\ALG@word{${text}}`;

/** algorithm2e: algorithms whose blocks stand in braces. */
export const algorithm2e: PackageEntry = {
  name: 'algorithm2e',
  description: 'Algorithms whose blocks stand in braces: \\If{…}{…}, \\For{…}{…}.',
  options: null,
  requires: ['float'],
  environments: floatKind('algorithm', 'An algorithm').map((entry) => {
    const framed = ruled(entry, 'algorithm2e');
    return {
      ...framed,
      begin: (it, args, token) => {
        framed.begin?.(it, args, token);
        // A caption may stand anywhere; `\;` ends a line.
        it.execute(it.source('\\let\\;\\ALG@stop\\parindent0pt\\relax\\noindent\\ignorespaces '));
      },
    } satisfies EnvironmentEntry;
  }),
  commands: [
    LIST,
    second(
      'If',
      'mm',
      'If it is so, this.',
      '\\If{$x>0$}{wait}',
      `${word('if')} #1 ${word('then')}\\ALG@block{#2}${word('end')}\\par `,
    ),
    second(
      'eIf',
      'mmm',
      'If it is so, this, else that.',
      '\\eIf{$x>0$}{wait}{go}',
      `${word('if')} #1 ${word('then')}\\ALG@block{#2}${word('else')}\\ALG@block{#3}${word('end')}\\par `,
    ),
    second(
      'ElseIf',
      'mm',
      'Another case.',
      '\\If{$x$}{a}\\ElseIf{$y$}{b}',
      `${word('else if')} #1 ${word('then')}\\ALG@block{#2}${word('end')}\\par `,
    ),
    second(
      'Else',
      'm',
      'All other cases.',
      '\\If{$x$}{a}\\Else{b}',
      `${word('else')}\\ALG@block{#1}${word('end')}\\par `,
    ),
    second(
      'For',
      'mm',
      'Repeats for each.',
      '\\For{$i=1$ to $n$}{wait}',
      `${word('for')} #1 ${word('do')}\\ALG@block{#2}${word('end')}\\par `,
    ),
    second(
      'ForEach',
      'mm',
      'Repeats for each of them.',
      '\\ForEach{$x\\in X$}{wait}',
      `${word('foreach')} #1 ${word('do')}\\ALG@block{#2}${word('end')}\\par `,
    ),
    second(
      'ForAll',
      'mm',
      'Repeats for all of them.',
      '\\ForAll{$x\\in X$}{wait}',
      `${word('forall')} #1 ${word('do')}\\ALG@block{#2}${word('end')}\\par `,
    ),
    second(
      'While',
      'mm',
      'Repeats as long as it is so.',
      '\\While{$x>0$}{wait}',
      `${word('while')} #1 ${word('do')}\\ALG@block{#2}${word('end')}\\par `,
    ),
    second(
      'Repeat',
      'mm',
      'Repeats until it is so.',
      '\\Repeat{noon}{wait}',
      `${word('repeat')}\\ALG@block{#2}${word('until')} #1\\par `,
    ),
    second(
      'Begin',
      'm',
      'A block of its own.',
      '\\Begin{wait}',
      `${word('begin')}\\ALG@block{#1}${word('end')}\\par `,
    ),
    ...(
      [
        ['KwIn', 'Input'],
        ['KwOut', 'Output'],
        ['KwData', 'Data'],
        ['KwResult', 'Result'],
      ] as const
    ).map(([name, text]) =>
      second(
        name,
        'm',
        `What is its ${text.toLowerCase()}.`,
        `\\${name}{a tide}`,
        `\\ALG@inout{${text}}{#1}`,
      ),
    ),
    second('KwRet', 'm', 'What is given back.', '\\KwRet{$x$}', `${word('return')} #1`),
    second('Return', 'm', 'What is given back.', '\\Return{$x$}', `${word('return')} #1`),
    second(
      'KwTo',
      '',
      'The word “to” between bounds.',
      '\\For{$i=1$ \\KwTo $n$}{wait}',
      ` ${word('to')} `,
    ),
    second('tcp', '', 'A remark.', '\\tcp{till noon}', '\\@ifstar\\ALG@tcp\\ALG@tcp '),
    second('tcc', '', 'A remark.', '\\tcc{till noon}', '\\@ifstar\\ALG@tcc\\ALG@tcc '),
    ...[
      'SetAlgoLined',
      'SetAlgoNoLine',
      'SetAlgoNoEnd',
      'SetAlgoVlined',
      'LinesNumbered',
      'BlankLine',
      'DontPrintSemicolon',
      'PrintSemicolon',
      'SetNoFillComment',
      'RestyleAlgo',
    ].map((name) =>
      second(
        name,
        name === 'RestyleAlgo' ? 'm' : '',
        'How algorithms look.',
        `\\${name}${name === 'RestyleAlgo' ? '{ruled}' : ''}`,
        name === 'BlankLine'
          ? '\\par\\vskip 4pt '
          : name === 'DontPrintSemicolon'
            ? '\\ALG@semicolonfalse'
            : '\\relax',
      ),
    ),
    second(
      'SetKwInOut',
      'mm',
      'A word like “Input” of your own.',
      '\\SetKwInOut{Need}{Need}\\Need{a tide}',
      '\\expandafter\\def\\csname #1\\endcsname##1{\\ALG@inout{#2}{##1}}',
    ),
    second(
      'SetKw',
      'mm',
      'A word in bold of your own.',
      '\\SetKw{Go}{go}\\Go',
      '\\expandafter\\def\\csname #1\\endcsname{\\textbf{#2}}',
    ),
    second(
      'SetKwFunction',
      'mm',
      'The name of a function of your own.',
      '\\SetKwFunction{Tide}{Tide}\\Tide{x}',
      '\\expandafter\\def\\csname #1\\endcsname##1{\\texttt{#2}(##1)}',
    ),
    second(
      'SetKwData',
      'mm',
      'The name of data of your own.',
      '\\SetKwData{Sea}{Sea}\\Sea',
      '\\expandafter\\def\\csname #1\\endcsname{\\textsf{#2}}',
    ),
    second(
      'SetKwProg',
      'mmmm',
      'A block of your own.',
      '\\SetKwProg{Fn}{Function}{:}{end}\\Fn{tide}{wait}',
      '\\expandafter\\def\\csname #1\\endcsname##1##2{\\textbf{#2} ##1 #3\\ALG@block{##2}\\textbf{#4}\\par}',
    ),
  ],
  source: SECOND,
  setup: declareFloat,
};
