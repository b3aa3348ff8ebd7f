import type { Token } from '../../expansion/meaning';
import { textOf, tokensText } from '../../expansion/tokenText';
import { cell } from '../../expansion/cells';
import { environmentCell } from '../machine/cells';
import { resumeAfterBlock } from '../machine/formulas';
import { rawOptions } from '../constructs/verbatim';
import {
  tokensOf,
  type CommandEntry,
  type EnvironmentEntry,
  type PackageEntry,
} from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { macroEntry } from '../machine/macroEntry';
import { keyValues } from '../scanning/optionLists';
import { gathered } from './listingKeys';
import { printCode, printFile, printInline } from './listings';

/** Options for all programs (`\setminted`). */
const SETTINGS = cell<readonly Token[]>('minted', []);

/** Keys that both have. */
const SAME =
  'firstnumber stepnumber firstline lastline breaklines tabsize gobble autogobble escapeinside mathescape texcl numbersep xleftmargin xrightmargin framesep framerule showspaces'.split(
    ' ',
  );

/** Keys of minted as those of listings; the colours are of its usual style. */
function options(it: Interpreter, own: readonly Token[], language: string): readonly Token[] {
  const keys = new Map([...keyValues(it.read(SETTINGS)), ...keyValues(own)]);
  const value = (key: string): string => tokensText(keys.get(key) ?? []).trim();
  const isOn = (key: string): boolean => keys.has(key) && value(key) !== 'false';
  const size = value('fontsize');
  const parts = [
    `language=${NAMES[language.toLowerCase()] ?? language}`,
    `basicstyle=\\ttfamily${size}`,
    'keywordstyle=\\color[rgb]{0,.5,0}\\bfseries',
    'commentstyle=\\color[rgb]{.25,.5,.5}\\itshape',
    'stringstyle=\\color[rgb]{.73,.13,.13}',
    'showstringspaces=false',
    // It stands as verbatim does, as a list without marks.
    'aboveskip=\\topsep',
    'belowskip=\\topsep',
  ];
  if (isOn('linenos')) parts.push('numbers=left');
  for (const key of SAME) if (keys.has(key)) parts.push(`${key}={${value(key) || 'true'}}`);
  if (/single|line/.test(value('frame'))) parts.push(`frame=${value('frame')}`);
  if (keys.has('bgcolor')) parts.push(`backgroundcolor=\\color{${value('bgcolor')}}`);
  return it.source(parts.join(','));
}

const NAMES: Readonly<Record<string, string>> = {
  'c++': 'C++',
  cpp: 'C++',
  c: 'C',
  py: 'Python',
  python: 'Python',
  python3: 'Python',
  java: 'Java',
  js: 'JavaScript',
  javascript: 'JavaScript',
  matlab: 'Matlab',
  octave: 'Octave',
  haskell: 'Haskell',
  r: 'R',
  sql: 'SQL',
  bash: 'bash',
  sh: 'bash',
  latex: 'TeX',
  tex: 'TeX',
  text: '',
};

const minted: EnvironmentEntry = {
  name: 'minted',
  signature: 'om',
  package: 'minted',
  description: 'A program in a language, its words in colours by their kind.',
  example: '\\begin{minted}{python}\nfor ferry in pier: leave(ferry)\n\\end{minted}',
  begin: (it, args) => {
    const language = tokensText(tokensOf(args, 1)).trim();
    printCode(it, 'minted', options(it, tokensOf(args, 0), language), gathered);
  },
  end: (it) => void (it.afterEnvironment = resumeAfterBlock),
};

/** An environment for programs of one language. */
const languageEnvironment = (
  name: string,
  language: string,
  preset: readonly Token[],
): EnvironmentEntry => ({
  name,
  signature: '',
  description: `A program in ${language}.`,
  example: '',
  detail: { name, language, preset: tokensText(preset) },
  begin: (it) => {
    const own = rawOptions(it);
    const all = [...preset, ...(own ? [...it.p.chars(','), ...own] : [])];
    printCode(it, name, options(it, all, language), gathered);
  },
  end: (it) => void (it.afterEnvironment = resumeAfterBlock),
});

const inline = (name: string, example: string): CommandEntry => ({
  name,
  signature: 'om',
  package: 'minted',
  description: 'A piece of a program in the line.',
  example,
  run: (it, args, token) => {
    const language = tokensText(tokensOf(args, 1)).trim();
    printInline(it, token, options(it, tokensOf(args, 0), language), gathered);
  },
});

/** minted: programs in colours. */
export const mintedPackage: PackageEntry = {
  name: 'minted',
  description: 'Programs in colours, set here as those of listings.',
  options: null,
  requires: ['listings', 'xcolor', 'float'],
  environments: [minted],
  commands: [
    inline('mint', '\\mint{python}|leave(ferry)|'),
    inline('mintinline', '\\mintinline{python}{leave(ferry)}'),
    {
      name: 'inputminted',
      signature: 'omm',
      package: 'minted',
      description: 'A program from a file.',
      example: '\\inputminted{python}{gauge.py}',
      run: (it, args) => {
        const language = tokensText(tokensOf(args, 1)).trim();
        printFile(
          it,
          textOf(it.p, tokensOf(args, 2)),
          options(it, tokensOf(args, 0), language),
          gathered,
        );
      },
    },
    {
      name: 'setminted',
      signature: 'om',
      package: 'minted',
      description: 'Options for all programs from here on.',
      example: '\\setminted{linenos}',
      run: (it, args) =>
        it.write(SETTINGS, [...it.read(SETTINGS), ...it.p.chars(','), ...tokensOf(args, 1)]),
    },
    {
      name: 'newminted',
      signature: 'omm',
      package: 'minted',
      description: 'An environment of your own for a language; it ends in code.',
      example: '\\newminted{python}{linenos}',
      run: (it, args) => {
        const language = tokensText(tokensOf(args, 1)).trim();
        const name = tokensText(tokensOf(args, 0)).trim() || `${language}code`;
        it.write(
          environmentCell(name),
          languageEnvironment(name, language, tokensOf(args, 2)),
          true,
        );
      },
    },
    macroEntry(
      'usemintedstyle',
      'om',
      'The colours of programs; one style is there.',
      '\\usemintedstyle{bw}',
      '',
    ),
    macroEntry(
      'listoflistings',
      '',
      'The list of programs with captions.',
      '\\listoflistings',
      '\\listof{listing}{List of Listings}',
    ),
  ],
  source: '\\newfloat{listing}{htbp}{lol}\\floatname{listing}{Listing}',
};
