import { CELLS } from '../machine/cells';
import { textOf } from '../../expansion/tokenText';
import { type Args, type CommandEntry, type PackageEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { parameterise } from '../../expansion/definitions';
import { detach, type Token } from '../../expansion/meaning';
import { macroOf } from '../machine/define';
import { emitStyle, nouppercase } from '../constructs/pageStyle';
import { macroEntry } from '../machine/macroEntry';
import { flag } from '../../expansion/cells';

/** Heads and feet are those of this package. */
const IN_FORCE = flag('fancyon');

/** The macro that holds one of the twelve fields: odd or even, left, centre or right, head or foot. */
const fieldName = (parity: string, side: string, part: string): string =>
  `fh@${parity}${side}${part}`;

/** `[LE,RO]` and its like: which fields are meant. */
function fieldsOf(places: string, parts: readonly string[]): string[] {
  const out: string[] = [];
  for (const place of places === '' ? ['LCR'] : places.toUpperCase().split(',')) {
    const parities = [...'OE'].filter((p) => place.includes(p));
    const sides = [...'LCR'].filter((s) => place.includes(s));
    const named = [...'HF'].filter((p) => place.includes(p));
    for (const parity of parities.length > 0 ? parities : ['O', 'E'])
      for (const side of sides.length > 0 ? sides : ['L', 'C', 'R'])
        for (const part of named.length > 0 ? named : parts)
          out.push(fieldName(parity, side, part));
  }
  return out;
}

function setFields(it: Interpreter, names: readonly string[], text: readonly Token[]): void {
  const macro = { ...macroOf(it.state, ''), body: detach(parameterise(text)) };
  for (const name of names) it.state.set(it.state.cell(name), macro);
  renew(it);
}

/** The pages that follow take the fields as they are now, if the style is in force. */
function renew(it: Interpreter): void {
  if (!it.read(IN_FORCE) || it.read(CELLS.choosingStyle)) return;
  it.call('ps@fancy');
  emitStyle(it, false);
}

const field = (name: string, parts: readonly string[], what: string): CommandEntry => ({
  name,
  signature: 'oM',
  description: `What stands at the ${what}; brackets say where: L, C, R, with E or O.`,
  example: `\\${name}[L]{Tides}`,
  package: 'fancyhdr',
  run: (it, args) =>
    setFields(it, fieldsOf(textOf(it.p, tokensOf(args, 0)), parts), tokensOf(args, 1)),
});

/** `\lhead[even]{odd}` and its kin. */
const oldField = (name: string, side: string, part: string): CommandEntry => ({
  name,
  signature: 'oM',
  description: 'One field of the head or foot.',
  example: `\\${name}{Tides}`,
  package: 'fancyhdr',
  run: (it, args) => {
    setFields(it, [fieldName('O', side, part)], tokensOf(args, 1));
    setFields(it, [fieldName('E', side, part)], tokensOf(args, args[0] ? 0 : 1));
  },
});

/** Heads and feet are put together when they are set: what is said of fields, rules and widths holds whenever it is said. */
function fancyStyle(it: Interpreter): void {
  it.write(IN_FORCE, true);
  it.call('fh@style');
}

/** `\fancyhfoffset[LE,RO]{1cm}`: how far heads and feet reach beyond the text; the width of heads goes with it. */
const offset = (name: string, parts: readonly string[], what: string): CommandEntry => ({
  name,
  signature: 'om',
  description: `How far ${what} reach beyond the text; brackets say where: L, R, with E or O.`,
  example: `\\${name}[L]{12pt}`,
  package: 'fancyhdr',
  run: (it, args) => {
    const places = fieldsOf(textOf(it.p, tokensOf(args, 0)), parts).map((place) => `${place}o`);
    setFields(it, places, tokensOf(args, 1));
    it.call('fh@widen');
  },
});

function fancyPageStyle(it: Interpreter, args: Args): void {
  const name = textOf(it.p, tokensOf(args, 0));
  const body = tokensOf(args, 1);
  const cell = it.state.cell(`ps@${name}`);
  const macro = macroOf(it.state, '');
  const { p } = it;
  it.state.set(
    cell,
    { ...macro, body: detach([p.command('ps@fancy'), ...body, p.command('ps@fancy')]) },
    true,
  );
}

const SIDES = [
  ['lhead', 'L', 'H'],
  ['chead', 'C', 'H'],
  ['rhead', 'R', 'H'],
  ['lfoot', 'L', 'F'],
  ['cfoot', 'C', 'F'],
  ['rfoot', 'R', 'F'],
] as const;

/** fancyhdr: heads and feet in three fields. */
export const fancyhdr: PackageEntry = {
  name: 'fancyhdr',

  description: 'Heads and feet of pages in three fields, with rules.',
  options: null,
  commands: [
    field('fancyhead', ['H'], 'head of pages'),
    field('fancyfoot', ['F'], 'foot of pages'),
    field('fancyhf', ['H', 'F'], 'head and foot of pages'),
    ...SIDES.map(([name, side, part]) => oldField(name, side, part)),
    {
      name: 'ps@fancy',
      signature: '',
      description: 'The style with three fields.',
      example: '',
      run: fancyStyle,
    },
    {
      name: 'fancypagestyle',
      signature: 'mM',
      description: 'A page style of your own made of such fields.',
      example: '\\fancypagestyle{plain}{\\fancyhf{}}',
      package: 'fancyhdr',
      run: fancyPageStyle,
    },
    nouppercase,
    offset('fancyheadoffset', ['H'], 'heads'),
    offset('fancyfootoffset', ['F'], 'feet'),
    offset('fancyhfoffset', ['H', 'F'], 'heads and feet'),
    macroEntry(
      'iffloatpage',
      'MM',
      'One text on pages of floats, another elsewhere.',
      '\\iffloatpage{a}{b}',
      '#2',
    ),
    macroEntry(
      'fancyplain',
      'MM',
      'In the style fancyplain: one text on plain pages, another on the rest.',
      '\\lhead{\\fancyplain{}{Tide}}',
      '\\if@fancyplain#1\\else#2\\fi',
    ),
  ],
  source: String.raw`
\newif\if@fancyplain
\def\headrulewidth{0.4pt}\def\footrulewidth{0pt}\def\headruleskip{0pt}\def\footruleskip{.3\normalbaselineskip}
\def\plainheadrulewidth{0pt}\def\plainfootrulewidth{0pt}
\def\headrule{{\if@fancyplain\let\headrulewidth\plainheadrulewidth\fi\vskip\headruleskip
  \hrule height\headrulewidth width\headwidth\vskip-\headrulewidth}}
\def\footrule{{\if@fancyplain\let\footrulewidth\plainfootrulewidth\fi\vskip-\footruleskip\vskip-\footrulewidth
  \hrule width\headwidth height\footrulewidth\vskip\footruleskip}}
\newdimen\headwidth\headwidth=-123456789sp
\def\fh@style{\ifdim\headwidth<0sp \global\advance\headwidth123456789sp\global\advance\headwidth\textwidth\fi
  \@norules\@fancymarks
  \def\@oddhead{\fh@all OH\fh@head}\def\@oddfoot{\fh@all OF\fh@foot}%
  \if@twoside\def\@evenhead{\fh@all EH\fh@head}\def\@evenfoot{\fh@all EF\fh@foot}%
  \else\let\@evenhead\@oddhead\let\@evenfoot\@oddfoot\fi}
\def\fh@all#1#2#3{\if O#1\kern-\fh@off{O}{L}{#2}\else\ifdim\headwidth=\textwidth\else\hss\fi\fi
  \hbox to\headwidth{\def\fh@side{#1}\def\baselinestretch{1}\normalsize#3{#1}}\if E#1\kern-\fh@off{E}{R}{#2}\else\hss\fi}
\def\fh@off#1#2#3{\csname fh@#1#2#3o\endcsname}
\def\fh@field#1#2#3{\expandafter\ifx\csname fh@#1#2#3\endcsname\@empty\else\csname fh@#1#2#3\endcsname\strut\fi}
\def\fh@head#1{\vbox{\fh@line{#1}{H}{b}\headrule}}
\def\fh@foot#1{\vbox{\footrule\fh@line{#1}{F}{t}}}
\def\fh@line#1#2#3{\hbox{\rlap{\parbox[#3]{\headwidth}{\raggedright\fh@field{#1}{L}{#2}}}\hfill
  \parbox[#3]{\headwidth}{\centering\fh@field{#1}{C}{#2}}\hfill
  \llap{\parbox[#3]{\headwidth}{\raggedleft\fh@field{#1}{R}{#2}}}}}
\def\@fancymarks{\let\@mkboth\markboth
  \@ifundefined{chapter}{%
    \def\sectionmark##1{\markboth{\MakeUppercase{\ifnum\c@secnumdepth>0 \thesection\hskip 1em\relax\fi ##1}}{}}%
    \def\subsectionmark##1{\markright{\ifnum\c@secnumdepth>1 \thesubsection\hskip 1em\relax\fi ##1}}}{%
    \def\chaptermark##1{\markboth{\MakeUppercase{\ifnum\c@secnumdepth>-1 \@chapapp\ \thechapter. \ \fi ##1}}{}}%
    \def\sectionmark##1{\markright{\MakeUppercase{\ifnum\c@secnumdepth>0 \thesection. \ \fi ##1}}}}}
\def\ps@fancyplain{\ps@fancy\def\ps@plain{\ps@fancy\@fancyplaintrue}}
\def\fh@widen{\global\headwidth=\dimexpr\textwidth+\fh@off{O}{L}{H}+\fh@off{O}{R}{H}\relax}`,
  setup: defaults,
};

/** What the fields hold until they are set: marks above, the number below. */
function defaults(it: Interpreter): void {
  for (const parity of ['O', 'E'])
    for (const part of ['H', 'F'])
      for (const side of ['L', 'C', 'R']) {
        it.define(fieldName(parity, side, part), '');
        it.define(`${fieldName(parity, side, part)}o`, '0pt');
      }
  it.define(fieldName('E', 'L', 'H'), '\\slshape\\rightmark');
  it.define(fieldName('O', 'R', 'H'), '\\slshape\\rightmark');
  it.define(fieldName('E', 'R', 'H'), '\\slshape\\leftmark');
  it.define(fieldName('O', 'L', 'H'), '\\slshape\\leftmark');
  it.define(fieldName('O', 'C', 'F'), '\\thepage');
  it.define(fieldName('E', 'C', 'F'), '\\thepage');
}
