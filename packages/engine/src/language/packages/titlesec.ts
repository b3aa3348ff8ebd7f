import { textOf, tokensText } from '../../expansion/tokenText';
import { parameterise } from '../../expansion/definitions';
import { detach, type Token } from '../../expansion/meaning';
import {
  type Args,
  type CommandEntry,
  isStarred,
  type PackageEntry,
  tokensOf,
} from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { macroOf } from '../machine/define';
import { idleEntry, macroEntry, sourceCommand } from '../machine/macroEntry';
import { OWN } from '../machine/ownNames';
import {
  formatOf,
  type HeadingFormat,
  type HeadingSpacing,
  spacingOf,
  UNNUMBERED,
} from '../constructs/sections';

/** The command a format is for, and whether it is for headings without a number: `name=\\section,numberless`. */
const nameOf = (it: Interpreter, tokens: readonly Token[]): string =>
  (tokens.find((t) => t.cell !== null)?.text ?? textOf(it.p, tokens).trim()) +
  (/numberless/.test(tokensText(tokens)) ? UNNUMBERED : '');

/** `\titleformat{\section}[shape]{format}{label}{gap}{before}[after]`. */
function titleFormat(it: Interpreter, args: Args): void {
  if (isStarred(args)) {
    const [name, format] = [nameOf(it, tokensOf(args, 1)), tokensOf(args, 3)];
    const label = it.source(
      name === 'chapter' ? '\\chaptertitlename\\ \\thechapter' : `\\the${name}`,
    );
    set(it, name, {
      shape: name === 'chapter' ? 'display' : 'hang',
      format,
      label,
      gap: it.source(name === 'chapter' ? '20pt' : '1em'),
      before: [],
      after: [],
    });
    return;
  }
  const name = nameOf(it, tokensOf(args, 1));
  const shape = args[2] ? textOf(it.p, tokensOf(args, 2)) : 'hang';
  const rest = it.readArguments('MMMo', it.p.command('titleformat'));
  if (!rest) return;
  set(it, name, {
    shape,
    format: tokensOf(args, 3),
    label: tokensOf(rest, 0),
    gap: tokensOf(rest, 1),
    before: tokensOf(rest, 2),
    after: tokensOf(rest, 3),
  });
}

function set(it: Interpreter, name: string, format: HeadingFormat): void {
  const { format: form, label, gap, before, after } = format;
  it.write(formatOf(name), {
    ...format,
    format: detach(form),
    label: detach(label),
    gap: detach(gap),
    before: detach(before),
    after: detach(after),
  });
}

/** `\titlespacing*{\section}{left}{above}{below}`; `*` before a number counts in lines of space. */
function titleSpacing(it: Interpreter, args: Args): void {
  const name = nameOf(it, tokensOf(args, 1));
  const length = (i: number): Token[] => {
    const tokens = tokensOf(args, i);
    const text = tokens.map((t) => t.text).join('');
    const factor = /^\*\s*([\d.]+)?/.exec(text);
    if (!factor) return detach(tokens);
    const n = Number(factor[1] ?? 1);
    return it.source(
      i === 3 ? `${3.5 * n}ex plus ${n}ex minus ${0.2 * n}ex` : `${2.3 * n}ex plus ${0.2 * n}ex`,
    );
  };
  const spacing: HeadingSpacing = { left: length(2), above: length(3), below: length(4) };
  it.write(spacingOf(name), spacing);
}

/** Sizes of headings that the options name, from sections down (manual, section 2.3). */
const SIZES: Readonly<Record<string, readonly [string, string, string]>> = {
  big: ['Large', 'large', 'normalsize'],
  medium: ['large', 'large', 'normalsize'],
  small: ['large', 'normalsize', 'normalsize'],
  tiny: ['normalsize', 'normalsize', 'normalsize'],
};
const TYPES: Readonly<Record<string, string>> = {
  rm: '\\rmfamily',
  sf: '\\sffamily',
  tt: '\\ttfamily',
  md: '\\mdseries',
  bf: '\\bfseries',
  up: '\\upshape',
  it: '\\itshape',
  sl: '\\slshape',
  sc: '\\scshape',
};
const ALIGNED: Readonly<Record<string, string>> = {
  raggedleft: '\\raggedleft',
  center: '\\centering',
  raggedright: '\\raggedright',
};
/** Space above and below in lines of space, of the option `compact`. */
const COMPACT = [
  ['section', '2ex plus .6ex minus .1ex', '1ex plus .1ex'],
  ['subsection', '1.6ex plus .5ex minus .1ex', '.8ex plus .1ex'],
  ['subsubsection', '1.6ex plus .5ex minus .1ex', '.8ex plus .1ex'],
] as const;
/** Options that say where pages and contents are marked; nothing else here. */
const OTHERS =
  'explicit,pagestyles,toctitles,newlinetospace,rigidchapters,rubberchapters,bottomtitles,bottomtitles*,aftersep,largestsep,nobottomtitles,nobottomtitles*,newparttoc,oldparttoc,clearempty,noindentafter,indentafter,topmarks,botmarks,innermarks,outermarks,psfloats';

/** `[sf,bf,small,compact,center]`: how all headings look. */
function setUp(it: Interpreter, options: readonly string[]): void {
  const sizes = options.map((option) => SIZES[option]).find((found) => found !== undefined);
  const types = options.map((option) => TYPES[option] ?? '').join('');
  const align = options.map((option) => ALIGNED[option] ?? '').join('');
  if (sizes || types !== '' || align !== '')
    ['section', 'subsection', 'subsubsection'].forEach((name, i) => {
      const size = (sizes ?? SIZES.big)?.[i] ?? 'normalsize';
      set(it, name, {
        shape: 'hang',
        format: it.source(`\\normalfont${align}\\${size}${types === '' ? '\\bfseries' : types}`),
        label: it.source(`\\the${name}`),
        gap: it.source('1em'),
        before: [],
        after: [],
      });
    });
  if (options.includes('compact'))
    for (const [name, above, below] of COMPACT)
      it.write(spacingOf(name), {
        left: it.source('0pt'),
        above: it.source(above),
        below: it.source(below),
      });
}

/** `\sethead[even left][even centre][even right]{left}{centre}{right}`, and the same for feet. */
const pageFields = (name: string, part: 'head' | 'foot'): CommandEntry => ({
  name,
  signature: 'oooMMM',
  description: `What stands at the ${part} of pages of a style, left, in the middle, at the right; in brackets on even ones.`,
  example: `\\newpagestyle{tides}{\\${name}{}{Tides}{\\thepage}}`,
  run: (it, args) => {
    const odd = [3, 4, 5].map((i) => tokensOf(args, i));
    const even = args[0] ? [0, 1, 2].map((i) => tokensOf(args, i)) : odd;
    const line = ([left = [], middle = [], right = []]: (readonly Token[])[]): Token[] => [
      ...it.source('\\ttl@fieldstyle\\rlap{'),
      ...left,
      ...it.source('}\\hfil{'),
      ...middle,
      ...it.source('}\\hfil\\llap{'),
      ...right,
      ...it.source('}'),
    ];
    const define = (macro: string, body: readonly Token[]): void =>
      it.state.set(it.state.cell(macro), {
        ...macroOf(it.state, ''),
        body: detach(parameterise(body)),
      });
    define(`@odd${part}`, line(odd));
    define(`@even${part}`, line(even));
  },
});

/** A rule below the head or above the foot of a style. */
const pageRule = (name: string, rule: string): CommandEntry => ({
  name,
  signature: '',
  description: 'A rule below the head of pages of a style, or above their foot.',
  example: `\\newpagestyle{tides}{\\${name}\\sethead{}{Tides}{}}`,
  run: (it) => {
    it.state.set(it.state.cell(rule), macroOf(it.state, '.4pt'));
  },
});

/** `\newpagestyle{name}[type]{commands}`: a style of pages (manual, section 5). */
const pageStyle = (name: string): CommandEntry => ({
  name,
  signature: 'moM',
  description:
    'A style of pages: its head and foot, with the titles of chapter and section in them.',
  example: `\\${name}{tides}{\\sethead{\\sectiontitle}{}{\\thepage}}\\pagestyle{tides}`,
  run: (it, args) => {
    const [style, body] = [textOf(it.p, tokensOf(args, 0)).trim(), tokensOf(args, 2)];
    it.state.set(
      it.state.cell(`ps@${style}`),
      {
        ...macroOf(it.state, ''),
        body: detach([
          ...it.source('\\ttl@newstyle\\def\\ttl@fieldstyle{'),
          ...tokensOf(args, 1),
          ...it.source('}'),
          ...body,
        ]),
      },
      true,
    );
  },
});

/** A rule across the text; with a star, what is repeated up to the margin (titletoc has it too). */
export const TITLE_RULE = String.raw`\DeclareDocumentCommand\titlerule{s o +g}{\IfBooleanTF{#1}{\IfValueTF{#2}{\leaders\hbox to#2{\hss#3\hss}}{\leaders\hbox{#3}}\hfill}{\par\nobreak\vskip2pt\hrule height\IfValueTF{#2}{#2}{.4pt}\relax}}`;

/** titlesec: how headings are set. */
export const titlesec: PackageEntry = {
  name: 'titlesec',
  description: 'How headings look: font, label, space around them.',
  options: [
    ...Object.keys(SIZES),
    ...Object.keys(TYPES),
    ...Object.keys(ALIGNED),
    'compact',
    'uppercase',
    ...OTHERS.split(','),
  ],
  setup: setUp,
  commands: [
    {
      name: 'titleformat',
      signature: 'smoM',
      description:
        'How a heading is set: its shape, font, label, the gap behind that, what comes before the title.',
      example: '\\titleformat{\\section}{\\large\\bfseries}{\\thesection}{1em}{}',
      package: 'titlesec',
      run: titleFormat,
    },
    {
      name: 'titlespacing',
      signature: 'smMMM',
      description: 'Space around a heading: left, above, below.',
      example: '\\titlespacing{\\section}{0pt}{2ex}{1ex}',
      package: 'titlesec',
      run: titleSpacing,
    },
    macroEntry(
      'titlelabel',
      'M',
      'The label of all headings.',
      '\\titlelabel{\\thetitle.\\quad}',
      '\\def\\@seccntformat##1{\\def\\thetitle{\\csname the##1\\endcsname}#1}',
    ),
    macroEntry(
      'chaptertitlename',
      '',
      'The word before the number of a chapter.',
      '\\chaptertitlename',
      '\\@chapapp',
    ),
    macroEntry('filcenter', '', 'Centres a heading.', '\\filcenter', '\\centering'),
    macroEntry('filright', '', 'Sets a heading ragged right.', '\\filright', '\\raggedright'),
    macroEntry('filleft', '', 'Sets a heading ragged left.', '\\filleft', '\\raggedleft'),
    macroEntry('fillast', '', 'Centres the last line of a heading.', '\\fillast', '\\centering'),
    macroEntry('filinner', '', 'Sets a heading to the inner side.', '\\filinner', '\\raggedright'),
    macroEntry('filouter', '', 'Sets a heading to the outer side.', '\\filouter', '\\raggedleft'),
    macroEntry(
      'titleline',
      'om',
      'A line of its own within a heading.',
      '\\titleline{Tides}',
      '\\par\\noindent\\hbox to\\linewidth{#2\\hfil}\\par',
      'l',
    ),
    macroEntry(
      'wordsep',
      '',
      'The space between words, where a length is asked for.',
      '\\hspace{\\wordsep}',
      '.333em plus .167em minus .111em',
    ),
    idleEntry('titleclass', 'mom', 'What kind of heading a command sets.'),
    idleEntry('assignpagestyle', 'mm', 'The style of the page that a chapter begins on.'),
    pageStyle('newpagestyle'),
    pageStyle('renewpagestyle'),
    pageFields('sethead', 'head'),
    pageFields('setfoot', 'foot'),
    pageRule('headrule', OWN.headRule),
    pageRule('footrule', OWN.footRule),
    idleEntry('setheadrule', 'm', 'How thick the rule below heads is.'),
    idleEntry('setfootrule', 'm', 'How thick the rule above feet is.'),
    idleEntry('widenhead', 'smm', 'Heads reach into the margins.'),
    idleEntry('settitlemarks', 'm', 'Which titles heads follow.'),
    macroEntry(
      'chaptertitle',
      '',
      'The title of the chapter, in heads.',
      '\\chaptertitle',
      '\\leftmark',
    ),
    macroEntry(
      'sectiontitle',
      '',
      'The title of the section, in heads.',
      '\\sectiontitle',
      '\\rightmark',
    ),
    macroEntry('sectionbreak', '', 'What happens before a section.', '\\sectionbreak', ''),
  ],
  described: [
    sourceCommand(
      'titlerule',
      'so',
      'A rule across the text; with a star, what is repeated.',
      '\\titlerule',
    ),
  ],
  source: String.raw`
\def\ttl@fieldstyle{}
\def\ttl@newstyle{\let\@mkboth\@gobbletwo\def\chaptermark##1{\markboth{##1}{}}\def\sectionmark##1{\markright{##1}}\def\@oddhead{}\def\@evenhead{}\def\@oddfoot{}\def\@evenfoot{}}
${TITLE_RULE}
`,
};
