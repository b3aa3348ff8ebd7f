import { textOf } from '../../expansion/expandables';
import type { Args, CommandEntry, PackageEntry } from '../entries';
import { tokensOf } from '../entries';
import type { Interpreter } from '../interpreter';
import { parameterise, detach } from '../../expansion/definitions';
import { macroOf } from '../define';
import { emitStyle } from '../constructs/pageStyle';
import { setDimen } from '../../expansion/registers';
import { macroEntry } from '../macroEntry';
import type { Token } from '../../expansion/meaning';

/** The macro that holds one of the twelve fields: odd or even, left, centre or right, head or foot. */
const fieldName = (parity: string, side: string, part: string): string =>
  `\u0001f${parity}${side}${part}`;

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
  const meaning = it.state.meaning(it.state.cell('\u0001fancyon'));
  if (meaning === undefined || it.fact<boolean>('choosingStyle') === true) return;
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

/** Left, centre and right on one line, each where it belongs whatever the others hold. */
const line = (parity: string, part: string): string =>
  ['L', 'C', 'R']
    .map((side, i) => {
      const text = `\\csname ${fieldName(parity, side, part)}\\endcsname`;
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
  for (const [macro, parity, part] of STYLE) define(macro, line(parity, part));
  define('\u0001fancyon', '');
  it.state.set(it.state.register('dimen', '\u0001headrule'), ruleWidth(it, 'headrulewidth'));
  it.state.set(it.state.register('dimen', '\u0001footrule'), ruleWidth(it, 'footrulewidth'));
  for (const name of ['\u0001headrule', '\u0001footrule']) define(name, '');
  it.call('@fancymarks');
}

function ruleWidth(it: Interpreter, macro: string): number {
  it.execute([...it.source('\\@tempdima='), it.p.command(macro), it.p.command('relax')]);
  return it.dimen('@tempdima');
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
`,
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
  setDimen(it.state, '\u0001headrule', 0, true);
}
