import { tokensText } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import { environmentTokens } from '../machine/environmentTokens';
import { closeNamed } from '../machine/environments';
import {
  tokensOf,
  type CommandEntry,
  type EnvironmentEntry,
  type PackageEntry,
} from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { sourceCommand } from '../machine/macroEntry';
import { keyValues } from '../scanning/optionLists';
import { braced } from './colourBoxes';

/** The parts of a value: `{.9\linewidth}{4cm}`, `1pt 2pt`. */
function partsOf(value: string): string[] {
  const groups = [...value.matchAll(/\{((?:[^{}]|\{[^{}]*\})*)\}/g)].map(
    ([, inner]) => inner ?? '',
  );
  return groups.length > 0 ? groups : value.trim().split(/\s+/);
}

/** One to four lengths as left, bottom, right and top (the order of `trim` and `margin`). */
function sidesOf(value: string): readonly [string, string, string, string] {
  const given = partsOf(value).map((part) => (/^-?[\d.]+$/.test(part) ? `${part}bp` : part));
  const [left = '0pt', bottom = left, right = left, top = bottom] = given;
  return [left, bottom, right, top];
}

const keptAs = (command: string): string => `\\sbox\\adj@box{${command}{\\usebox\\adj@box}}`;
/** A measure of the box, and the command that gives it a length while the shape stays. */
const MEASURES = {
  width: ['\\wd\\adj@box', (to: string) => `\\resizebox{${to}}{!}`],
  height: ['\\ht\\adj@box', (to: string) => `\\resizebox{!}{${to}}`],
  total: ['\\adj@total', (to: string) => `\\resizebox*{!}{${to}}`],
} as const;
type Measure = keyof typeof MEASURES;
const resized = (which: Measure, to: string): string => keptAs(MEASURES[which][1](to));

/** Resized where the box is larger (>) or smaller (<) than the length. */
const bounded =
  (which: Measure, sign: '<' | '>') =>
  (value: string): string =>
    `\\ifdim${MEASURES[which][0]}${sign}\\dimexpr${value}\\relax${resized(which, value)}\\fi`;
const both =
  (sign: '<' | '>') =>
  (value: string): string => {
    const [width = '', height = ''] = partsOf(value);
    return bounded('width', sign)(width) + bounded('total', sign)(height);
  };

/** Room round the box; less of it where lengths are negative. */
function widened(sides: readonly [string, string, string, string]): string {
  const [left, bottom, right, top] = sides;
  return `\\sbox\\adj@box{\\hbox{\\kern\\dimexpr${left}\\relax\\vrule width0pt height\\dimexpr\\ht\\adj@box+${top}\\relax depth\\dimexpr\\dp\\adj@box+${bottom}\\relax\\adj@flat\\kern\\dimexpr${right}\\relax}}`;
}

const RAISED: Readonly<Record<string, string>> = {
  t: '\\dimexpr-\\ht\\adj@box+1.5ex\\relax',
  T: '\\dimexpr-\\ht\\adj@box\\relax',
  m: '\\dimexpr-.5\\ht\\adj@box+.5\\dp\\adj@box+.5ex\\relax',
  M: '\\dimexpr-.5\\ht\\adj@box+.5\\dp\\adj@box+.5ex\\relax',
  c: '\\dimexpr-.5\\ht\\adj@box+.5\\dp\\adj@box+.5ex\\relax',
  b: '\\dp\\adj@box',
  B: '\\dp\\adj@box',
};

type Action = (value: string) => string;

/** What a key does with the box it is given, as source; keys are carried out in their order. */
const ACTIONS: Readonly<Record<string, Action | undefined>> = {
  width: (value) => resized('width', value),
  height: (value) => resized('height', value),
  totalheight: (value) => resized('total', value),
  scale: (value) => keptAs(`\\scalebox{${partsOf(value)[0] ?? '1'}}`),
  reflect: () => keptAs('\\reflectbox'),
  angle: (value) => keptAs(`\\rotatebox{${value}}`),
  rotate: (value) => keptAs(`\\rotatebox{${value}}`),
  'max width': bounded('width', '>'),
  'max height': bounded('height', '>'),
  'max totalheight': bounded('total', '>'),
  'max size': both('>'),
  'min width': bounded('width', '<'),
  'min height': bounded('height', '<'),
  'min totalheight': bounded('total', '<'),
  'min size': both('<'),
  frame: (value) => keptAs(`\\fboxsep0pt${ruled(value)}\\fbox`),
  fbox: (value) => keptAs(`${ruled(value)}\\fbox`),
  cframe: (value) => coloured(value, '\\fboxsep0pt'),
  cfbox: (value) => coloured(value, ''),
  bgcolor: (value) => keptAs(`\\fboxsep0pt\\colorbox{${value}}`),
  fgcolor: (value) => keptAs(`\\textcolor{${value}}`),
  margin: (value) => widened(sidesOf(value)),
  padding: (value) => widened(sidesOf(value)),
  vspace: (value) => {
    const [above = '0pt', below = above] = partsOf(value);
    return widened(['0pt', below, '0pt', above]);
  },
  hspace: (value) => {
    const [left = '0pt', right = left] = partsOf(value);
    return widened([left, '0pt', right, '0pt']);
  },
  trim: (value) => {
    const [left, bottom, right, top] = sidesOf(value).map((side) => `-\\dimexpr${side}\\relax`);
    return widened([left ?? '', bottom ?? '', right ?? '', top ?? '']);
  },
  raise: (value) => keptAs(`\\raisebox{${partsOf(value)[0] ?? '0pt'}}`),
  valign: (value) => keptAs(`\\raisebox{${RAISED[value.trim()] ?? '0pt'}}`),
  minipage: (value) => `\\sbox\\adj@box{\\parbox{${value}}{\\usebox\\adj@box}}`,
  lap: (value) => `\\sbox\\adj@box{\\hbox to\\dimexpr${value}\\relax{\\hss\\usebox\\adj@box}}`,
  center: () => '\\def\\adj@place{center}',
  left: () => '\\def\\adj@place{left}',
  right: () => '\\def\\adj@place{right}',
  caption: (value) => `\\def\\adj@caption{\\caption{${value}}}`,
  label: (value) => `\\def\\adj@label{\\label{${value}}}`,
  float: (value) => `\\def\\adj@float{${value || 'figure'}}`,
  figure: () => '\\def\\adj@float{figure}',
  nofloat: (value) => `\\def\\@captype{${value || 'figure'}}`,
  noindent: () => '\\ifvmode\\noindent\\fi',
  keepaspectratio: () => '',
  precode: (value) => value,
};

const ruled = (value: string): string =>
  /\d/.test(value) ? `\\fboxrule${partsOf(value)[0]}\\relax` : '';
const coloured = (value: string, room: string): string => {
  const [color = 'black', width = ''] = partsOf(value);
  return keptAs(`${room}${ruled(width)}\\fcolorbox{${color}}{white}`);
};

/** Keys of pictures alone, that `\includegraphics` carries out itself. */
const OF_PICTURES = new Set([
  'page',
  'draft',
  'clip',
  'viewport',
  'origin',
  'type',
  'ext',
  'read',
  'natwidth',
  'natheight',
  'bb',
  'alt',
  'interpolate',
  'decodearray',
]);

/** Keys as one list again, each with its value. */
const listOf = (it: Interpreter, keys: readonly (readonly [string, readonly Token[]])[]): Token[] =>
  keys.flatMap(([key, value]) => [
    ...it.p.chars(key),
    ...(value.length > 0 ? [...it.p.chars('='), ...braced(it, value)] : []),
    ...it.p.chars(','),
  ]);

/** `\adj@apply{keys}`: what the keys make of the box; one that makes nothing of it is told of. */
const apply: CommandEntry = {
  name: 'adj@apply',
  signature: 'm',
  description: 'Inside packages.',
  example: '',
  run: (it, args, token) => {
    const done = [...keyValues(tokensOf(args, 0))].map(([key, value]) => {
      const action = ACTIONS[key];
      if (!action) it.p.report('option-unknown', it.spanOf(token), { name: key });
      return action?.(tokensText(value)) ?? '';
    });
    it.p.push(it.source(`\\def\\adj@place{}${done.join('')}\\adj@put`));
  },
};

/** `\adj@picture{keys}{file}`: what a picture can do by its own keys, it does; the box does the others. */
const picture: CommandEntry = {
  name: 'adj@picture',
  signature: 'mm',
  description: 'Inside packages.',
  example: '',
  run: (it, args) => {
    const keys = [...keyValues(tokensOf(args, 0))];
    const own = keys.filter(([key]) => OF_PICTURES.has(key) || key === 'trim');
    const others = keys.filter(([key]) => !OF_PICTURES.has(key) && key !== 'trim');
    it.p.push([
      ...it.source('\\adj@make'),
      ...braced(it, listOf(it, others)),
      ...braced(it, [
        ...it.source('\\adj@graphics['),
        ...listOf(it, own),
        ...it.p.chars(']'),
        ...braced(it, tokensOf(args, 1)),
      ]),
    ]);
  },
};

/** An environment whose contents are a box that the command of its name makes. */
const boxedBy = (
  name: string,
  signature: string,
  what: string,
  sample: string,
): EnvironmentEntry => ({
  name,
  signature,
  package: 'adjustbox',
  description: what,
  example: `\\begin{${name}}${sample}\nTides and ferries\n\\end{${name}}`,
  begin: (it, args) => {
    const body = environmentTokens(it, name);
    closeNamed(it, name);
    it.p.push([
      ...it.source(`\\${name}`),
      ...[...signature].flatMap((_, i) => braced(it, tokensOf(args, i))),
      ...braced(it, body),
    ]);
  },
});

/** adjustbox: boxes made to fit. */
export const adjustbox: PackageEntry = {
  name: 'adjustbox',
  description: 'Boxes scaled, turned and framed by keys.',
  options: null,
  requires: ['graphicx', 'xcolor'],
  commands: [apply, picture],
  environments: [
    boxedBy(
      'adjustbox',
      'm',
      'Its contents as a box, made by the keys: max width, scale, angle, center, frame.',
      '{max width=3cm}',
    ),
    boxedBy('trimbox', 'm', 'Its contents with so much taken off each side.', '{1pt}'),
    boxedBy('marginbox', 'm', 'Its contents with room round them.', '{3pt}'),
  ],
  described: [
    sourceCommand('adjustbox', 'mm', 'A box made by keys.', '\\adjustbox{scale=2}{Tide}'),
    sourceCommand(
      'adjustimage',
      'mm',
      'A picture made to fit by keys.',
      '\\adjustimage{max width=3cm}{gauge}',
    ),
    sourceCommand(
      'adjincludegraphics',
      'om',
      'A picture made to fit by keys.',
      '\\adjincludegraphics[max width=3cm]{gauge}',
    ),
    sourceCommand(
      'adjustboxset',
      'm',
      'Keys for all boxes.',
      '\\adjustboxset{max width=\\linewidth}',
    ),
    sourceCommand(
      'trimbox',
      'mm',
      'A box that counts less than it is: left, bottom, right, top.',
      '\\trimbox{1pt}{Tide}',
    ),
    sourceCommand('marginbox', 'mm', 'A box with room round it.', '\\marginbox{3pt}{Tide}'),
    sourceCommand(
      'clipbox',
      'mm',
      'A box of which so much is cut off; it is left whole here.',
      '\\clipbox{1pt}{Tide}',
    ),
  ],
  source: String.raw`
\newsavebox\adj@box\def\adj@place{}\def\adj@all{}\def\adj@total{\dimexpr\ht\adj@box+\dp\adj@box\relax}
\def\adj@flat{\smash{\hbox to\wd\adj@box{\usebox\adj@box}}}
\def\adj@set{\def\adj@is{center}\ifx\adj@place\adj@is\par{\centering\usebox\adj@box\par}\else\def\adj@is{right}\ifx\adj@place\adj@is\par{\raggedleft\usebox\adj@box\par}\else\leavevmode\usebox\adj@box\fi\fi}
\def\adj@put{\ifx\adj@float\@empty\adj@set\adj@caption\adj@label\else\expandafter\adj@floated\expandafter{\adj@float}\fi}
\def\adj@floated#1{\begin{#1}\centering\adj@set\par\adj@caption\adj@label\end{#1}}
\newcommand\adjustbox{\begingroup\@ifnextchar[{\adj@opt}{\adj@opt[]}}
\def\adj@opt[#1]#2#3{\adj@make{#2}{#3}\endgroup}
\newcommand\adj@make[2]{\def\adj@float{}\def\adj@caption{}\def\adj@label{}\sbox\adj@box{#2}\expandafter\adj@apply\expandafter{\adj@all#1}}
\let\adj@graphics\includegraphics
\newcommand\adjustimage[2]{{\adj@picture{#1}{#2}}}
\newcommand\adjincludegraphics[2][]{{\adj@picture{#1}{#2}}}\let\adjustincludegraphics\adjincludegraphics
\newcommand\adjustboxset[1]{\def\adj@all{#1,}}\let\adjboxset\adjustboxset
\newcommand\trimbox[2]{\adjustbox{trim={#1}}{#2}}\newcommand\marginbox[2]{\adjustbox{margin={#1}}{#2}}
\newcommand\clipbox[2]{#2}\newcommand\phantombox[3]{\vrule width\z@\hskip#1}
\newcommand\minsizebox[3]{\adjustbox{min width=#1}{#3}}\newcommand\maxsizebox[3]{\adjustbox{max width=#1}{#3}}
`,
  // With these options pictures take all keys, and keys set for them hold for all of them.
  setup: (it, options) => {
    if (options.includes('export') || options.includes('Export'))
      it.execute(
        it.source(
          '\\def\\includegraphics{\\@ifstar\\adj@include\\adj@include}\\newcommand\\adj@include[2][]{{\\adj@picture{#1}{#2}}}',
        ),
      );
  },
};
