import { CELLS } from '../machine/cells';
import { textOf } from '../../expansion/tokenText';
import { type Args, type CommandEntry, type PackageEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { parameterise } from '../../expansion/definitions';
import { detach, type Token } from '../../expansion/meaning';
import { macroOf } from '../machine/define';
import { emitStyle } from '../constructs/pageStyle';
import { macroEntry } from '../machine/macroEntry';
import { flag, ownName } from '../../expansion/cells';
import { OWN } from '../machine/ownNames';

/** Heads and feet are those of this package. */
const IN_FORCE = flag('fancyon');

/** The macro that holds one of the twelve fields: odd or even, left, centre or right, head or foot. */
const fieldName = (parity: string, side: string, part: string): string =>
  ownName(`f${parity}${side}${part}`);

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
  for (const name of names) {
    const macro = macroOf(it.state, '');
    it.state.set(it.state.cell(name), { ...macro, body: detach(parameterise(text)) });
  }
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

const ALIGNED = ['\\raggedright', '\\centering', '\\raggedleft'] as const;

/** Does a field hold several lines? */
function hasLines({ state }: Interpreter, field: string): boolean {
  const meaning = state.meaning(state.cell(field));
  return meaning?.kind === 'macro' && meaning.body.some(({ text }) => text === '\\');
}

/** Left, centre and right on one line, each where it belongs whatever the others hold; one of several lines is a column of them. */
const line = (it: Interpreter, parity: string, part: string): string =>
  ['L', 'C', 'R']
    .map((side, i) => {
      const field = fieldName(parity, side, part);
      const said = `\\csname ${field}\\endcsname`;
      const text = hasLines(it, field)
        ? `\\parbox[${part === 'H' ? 'b' : 't'}]{\\headwidth}{${ALIGNED[i]}\\strut ${said}\\strut}`
        : said;
      return i === 0 ? `\\rlap{${text}}\\hfil` : i === 1 ? `${text}\\hfil` : `\\llap{${text}}`;
    })
    .join('');

const STYLE = [
  ['@oddhead', 'O', 'H'],
  ['@evenhead', 'E', 'H'],
  ['@oddfoot', 'O', 'F'],
  ['@evenfoot', 'E', 'F'],
] as const;

function fancyStyle(it: Interpreter): void {
  const define = (name: string, body: string): void =>
    it.state.set(it.state.cell(name), macroOf(it.state, body));
  for (const [macro, parity, part] of STYLE) define(macro, line(it, parity, part));
  it.write(IN_FORCE, true);
  // How thick its rules are is asked when a head is set: they may be said later than the style.
  define(OWN.headRule, '\\headrulewidth');
  define(OWN.footRule, '\\footrulewidth');
  it.call('@fancymarks');
}

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
    macroEntry(
      'fancyplain',
      'mm',
      'One text on plain pages, another on the rest (an old form).',
      '\\lhead{\\fancyplain{}{Tide}}',
      '#2',
    ),
    {
      name: 'fancypagestyle',
      signature: 'mM',
      description: 'A page style of your own made of such fields.',
      example: '\\fancypagestyle{plain}{\\fancyhf{}}',
      package: 'fancyhdr',
      run: fancyPageStyle,
    },
    macroEntry(
      'nouppercase',
      'M',
      'Text as it is, not in capitals.',
      '\\nouppercase{\\leftmark}',
      '{\\def\\MakeUppercase##1{##1}#1}',
    ),
    macroEntry(
      'fancyheadoffset',
      'om',
      'How far heads reach into the margin.',
      '\\fancyheadoffset{0pt}',
      '',
      '',
    ),
    macroEntry(
      'fancyfootoffset',
      'om',
      'How far feet reach into the margin.',
      '\\fancyfootoffset{0pt}',
      '',
      '',
    ),
    macroEntry(
      'fancyhfoffset',
      'om',
      'How far both reach into the margin.',
      '\\fancyhfoffset{0pt}',
      '',
      '',
    ),
    macroEntry(
      'iffloatpage',
      'MM',
      'One text on pages of floats, another elsewhere.',
      '\\iffloatpage{a}{b}',
      '#2',
    ),
  ],
  source: String.raw`
\def\headrulewidth{0.4pt}\def\footrulewidth{0pt}\def\headruleskip{0pt}\def\footruleskip{.3\baselineskip}
\def\plainheadrulewidth{0pt}\def\plainfootrulewidth{0pt}\def\headrule{}\def\footrule{}
\newdimen\headwidth\headwidth=\textwidth
\def\@fancymarks{\let\@mkboth\markboth
  \@ifundefined{chapter}{%
    \def\sectionmark##1{\markboth{\MakeUppercase{\ifnum\c@secnumdepth>0 \thesection\hskip 1em\relax\fi ##1}}{}}%
    \def\subsectionmark##1{\markright{\ifnum\c@secnumdepth>1 \thesubsection\hskip 1em\relax\fi ##1}}}{%
    \def\chaptermark##1{\markboth{\MakeUppercase{\ifnum\c@secnumdepth>-1 \@chapapp\ \thechapter. \ \fi ##1}}{}}%
    \def\sectionmark##1{\markright{\MakeUppercase{\ifnum\c@secnumdepth>0 \thesection. \ \fi ##1}}}}}
\def\ps@fancyplain{\ps@fancy\let\ps@plain\ps@fancy}`,
  setup: defaults,
};

/** What the fields hold until they are set: marks above, the number below. */
function defaults(it: Interpreter): void {
  for (const parity of ['O', 'E'])
    for (const part of ['H', 'F'])
      for (const side of ['L', 'C', 'R']) it.define(fieldName(parity, side, part), '');
  it.define(fieldName('E', 'L', 'H'), '\\slshape\\rightmark');
  it.define(fieldName('O', 'R', 'H'), '\\slshape\\rightmark');
  it.define(fieldName('E', 'R', 'H'), '\\slshape\\leftmark');
  it.define(fieldName('O', 'L', 'H'), '\\slshape\\leftmark');
  it.define(fieldName('O', 'C', 'F'), '\\thepage');
  it.define(fieldName('E', 'C', 'F'), '\\thepage');
}
