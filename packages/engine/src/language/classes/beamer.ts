import { CELLS } from '../machine/cells';
import { glue, gluePt, MM, INCH, PT } from '../../base/lengths';
import { readOptional } from '../../expansion/arguments';
import { setDimen, setSkip } from '../../expansion/registers';
import { Cat } from '../../tokens/categories';
import { textOf } from '../../expansion/tokenText';
import {
  type ClassEntry,
  type CommandEntry,
  type EnvironmentEntry,
  tokensOf,
} from '../machine/entries';
import { makeTitle, setTitlePart } from '../constructs/title';
import { addContentsLine } from '../constructs/contents';
import { markHeading, plainTitle } from '../constructs/sections';
import { refStepCounter } from '../machine/counters';
import type { Interpreter } from '../machine/interpreter';
import {
  cover,
  noteVeil,
  overlaySpec,
  overlayText,
  setCovered,
  showsOn,
} from '../machine/overlays';
import { column, columnCommand, columns } from './beamerColumns';
import {
  bracedHere,
  frame,
  frameEnvironment,
  frameOptions,
  ONLY_FRAMES,
  optionsHere,
} from './beamerFrames';
import { NAVIGATION } from './beamerDrawing';
import { templateCommands } from './beamerTemplates';
import { setSizes, themeCommands } from './beamerThemes';
import { beginBlock, type BlockKind, endBlock } from './beamerBlocks';
import { colourCommands } from './beamerColours';
import { beamercolorbox } from './beamerBoxes';
import { defineWithSteps, giveSteps } from './beamerSpecs';
import { setUpTheorems, theoremCommands } from './beamerTheorems';
import { titleFrame } from './beamerTitle';
import { semiverbatim } from './beamerVerbatim';
import { OUTLINE, outlineCommands } from './beamerOutline';
import { BEAMER_PARTS, overlayCommands, overlayEnvironments } from './beamerOverlays';
import { endMark, markProof } from '../constructs/theorems';
import { setAll } from '../constructs/pageLayout';
import { article, ARTICLE, setUp } from './standard';

/** A block: a coloured title, then its text. */
const block = (name: string, kind: BlockKind): EnvironmentEntry => ({
  name,
  signature: '',
  description: 'A passage with a title of its own.',
  example: `\\begin{${name}}{Tides}\nHigh water\n\\end{${name}}`,
  begin: (it) => {
    const before = overlaySpec(it);
    const title = bracedHere(it) ?? [];
    const spec = before ?? overlaySpec(it);
    it.endParagraph();
    it.mode.vlist.push({ kind: 'vspace', glue: gluePt(6, 2), behaviour: 'merge' });
    if (spec !== null && !showsOn(it, spec)) cover(it);
    noteVeil(it);
    beginBlock(it, title, kind);
  },
  end: (it) => {
    endBlock(it);
    it.mode.vlist.push({ kind: 'vspace', glue: gluePt(6, 2), behaviour: 'merge' });
  },
});

function section(name: string, level: number): NonNullable<CommandEntry['run']> {
  return (inner, args) => {
    const starred = args[0] === true;
    const title = tokensOf(args, 2);
    inner.endParagraph();
    if (!starred) refStepCounter(inner, name);
    markHeading(inner, level, '', plainTitle(inner, title));
    if (!starred) addContentsLine(inner, 'toc', name, null, title);
    if (!starred && name === 'section') addContentsLine(inner, 'nav', name, null, title);
    inner.execute([
      ...inner.source(`\\gdef\\insert${name}head`),
      inner.p.make(Cat.Begin, '{'),
      ...title,
      inner.p.make(Cat.End, '}'),
      ...inner.source(name === 'section' ? '\\gdef\\insertsubsectionhead{}' : ''),
      ...(starred ? [] : inner.source(`\\bmr@at${name} `)),
    ]);
  };
}

const commands: readonly CommandEntry[] = [
  {
    name: 'bmr@givesteps',
    signature: '',
    description: 'Commands take steps.',
    example: '',
    run: giveSteps,
  },
  {
    name: 'column',
    signature: '',
    description: 'The next of the columns, its width in braces.',
    example: '\\begin{columns}\\column{4cm}ebb\\end{columns}',
    run: (it) => {
      readOptional(it.p);
      columnCommand(it);
    },
  },
  {
    name: 'mode',
    signature: '',
    description: 'What holds only for some kinds of output; slides are set here.',
    example: '\\mode<presentation>{}',
    run: (it) => {
      it.p.takeChar('*');
      const spec = overlayText(it);
      const body = bracedHere(it);
      if (body && !/^(article|handout|trans)$/.test(spec ?? '')) it.p.push(body);
    },
  },
  {
    name: 'frametitle',
    signature: 'oM',
    description: 'The title of a frame.',
    example: '\\begin{frame}\\frametitle{Tides}\\end{frame}',
    run: (it, args) => setTitlePart(it, 'frametitle', tokensOf(args, 1)),
  },
  {
    name: 'framesubtitle',
    signature: 'oM',
    description: 'A second line of the title of a frame.',
    example: '\\begin{frame}\\framesubtitle{At noon}\\end{frame}',
    run: (it, args) => setTitlePart(it, 'framesubtitle', tokensOf(args, 1)),
  },
  {
    name: 'frame',
    signature: '',
    description: 'A frame whose contents stand in braces.',
    example: '\\frame{\\titlepage}',
    run: (it) => {
      const steps = overlaySpec(it);
      const options = frameOptions(optionsHere(it), steps);
      const body = bracedHere(it);
      if (body) frame(it, body, options);
    },
  },
  {
    name: 'bmr@markproof',
    signature: '',
    description: 'A proof begins.',
    example: '',
    run: markProof,
  },
  {
    name: 'bmr@qed',
    signature: '',
    description: 'The end mark of a proof, where it is not set yet.',
    example: '',
    run: endMark,
  },
  ...outlineCommands,
  {
    name: 'titlepage',
    signature: '',
    description: 'Title, author, institute and date, centred.',
    example: '\\title{Tides}\\begin{frame}\\titlepage\\end{frame}',
    run: (it) => titleFrame(it),
  },
  {
    name: 'maketitle',
    signature: '',
    description: 'A frame with the title.',
    example: '\\title{Tides}\\maketitle',
    run: (it, _args, token) => {
      if (it.read(CELLS.overlay) === null) frame(it, [it.p.command('titlepage')]);
      else titleFrame(it);
      void token;
      void makeTitle;
    },
  },
  ...(['section', 'subsection', 'subsubsection'] as const).map((name, i): CommandEntry => ({
    name,
    signature: 'soM',
    description: 'A section of the talk; it is named in the contents.',
    example: `\\${name}{Tides}`,
    run: section(name, i + 1),
  })),
  {
    name: 'includeonlyframes',
    signature: 'm',
    description: 'Only these frames are set.',
    example: '\\includeonlyframes{a}',
    run: (it, args) =>
      it.write(
        ONLY_FRAMES,
        textOf(it.p, tokensOf(args, 0))
          .split(',')
          .map((one) => one.trim()),
        true,
      ),
  },
  {
    name: 'setbeamercovered',
    signature: 'm',
    description: 'How what is covered looks: invisible, or transparent.',
    example: '\\setbeamercovered{transparent=20}',
    run: (it, args) => setCovered(it, textOf(it.p, tokensOf(args, 0))),
  },
  {
    name: 'setbeamersize',
    signature: 'm',
    description: 'Margins of the text of slides.',
    example: '\\setbeamersize{text margin left=8mm}',
    run: (it, args) => setSizes(it, tokensOf(args, 0)),
  },
  {
    name: 'setbeameroption',
    signature: 'm',
    description: 'Whether notes are shown.',
    example: '\\setbeameroption{hide notes}',
    run: (it, args, token) => {
      if (/show/.test(textOf(it.p, tokensOf(args, 0))))
        it.p.report('command-without-effect', it.spanOf(token), { name: token.text });
    },
  },
  {
    name: 'bmr@titlepage',
    signature: '',
    description: 'The title page.',
    example: '',
    run: titleFrame,
  },
];

const SOURCE = String.raw`
\def\@gobbleoverlay{\@ifnextchar<{\@gobbleangle}{}}\def\@gobbleangle<#1>{}
\def\@gobblebracket[#1]#2{}
\def\inserttitlegraphic{}\def\titlegraphic#1{\gdef\inserttitlegraphic{#1}}
\def\beamertemplatenavigationsymbolsempty{}
\def\AtBeginSection{\@ifnextchar[{\bmr@atbegin{section}}{\bmr@atbegin{section}[]}}\def\AtBeginSubsection{\@ifnextchar[{\bmr@atbegin{subsection}}{\bmr@atbegin{subsection}[]}}
\long\def\bmr@atbegin#1[#2]#3{\expandafter\gdef\csname bmr@at#1\endcsname{#3}}\def\bmr@atsection{}\def\bmr@atsubsection{}\def\bmr@atsubsubsection{}
\AtEndPreamble{\@settletheme\bmr@givesteps}
\newcounter{framenumber}\AtEndDocument{\edef\@currentlabel{\arabic{framenumber}}\label{bmr@total}}
\def\insertsectionhead{}\def\insertsubsectionhead{}\def\insertsubsubsectionhead{}
\def\insertshortinstitute{}\def\insertshortdate{}\def\insertshorttitle{}\def\insertshortauthor{}
\def\@shortinstitute{\ifx\insertshortinstitute\@empty\else\ (\insertshortinstitute)\fi}
\def\subtitle{\@ifnextchar[{\@subtitle}{\@subtitle[]}}\def\@subtitle[#1]#2{\gdef\@subtitle@{#2}}
\def\inst#1{\textsuperscript{#1}}
\def\insertframenumber{\arabic{framenumber}}\def\inserttotalframenumber{\ref*{bmr@total}}
\def\insertsection{\insertsectionhead}\def\insertsubsection{\insertsubsectionhead}\def\insertslidenumber{\thepage}
\def\inserttitle{\@title}\def\insertauthor{\@author}\def\insertdate{\@date}
\def\insertframetitle{}
\def\note{\@ifnextchar<{\bmr@noteon}{\bmr@note}}\def\bmr@noteon<#1>{\bmr@note}\def\bmr@note{\@ifnextchar[{\@gobblebracket}{\@gobble}}
${OUTLINE}${NAVIGATION}
\def\l@subsubsection#1#2{}
\def\framebreak{\par\penalty-10000 }\def\noframebreak{\nopagebreak}\def\@listheading#1{}\def\@bibheading{}
\def\labelitemi{{\bmr@colour{itemize item}\bmr@mark}}\def\labelitemii{{\small\bmr@colour{itemize subitem}\bmr@mark}}\def\labelitemiii{{\footnotesize\bmr@colour{itemize subsubitem}\bmr@mark}}\def\labelenumi{{\bmr@colour{enumerate item}\theenumi.}}\def\labelenumii{{\bmr@colour{enumerate subitem}\theenumi.\theenumii}}\def\labelenumiii{{\bmr@colour{enumerate subsubitem}\theenumi.\theenumii.\theenumiii}}\def\descriptionlabel#1{\hspace\labelsep{\bmr@colour{description item}#1}}
\renewcommand\theenumii{\arabic{enumii}}\renewcommand\theenumiii{\arabic{enumiii}}
\def\fnum@figure{{\bmr@colour{caption name}\figurename\bmr@captionnumber{figure}}}\def\fnum@table{{\bmr@colour{caption name}\tablename\bmr@captionnumber{table}}}\def\bmr@captionnumber#1{}\def\bmr@captionnumbered#1{\nobreakspace\csname the#1\endcsname}
\def\ps@plain{\ps@empty\def\@oddfoot{\hfil\scriptsize\thepage}\let\@evenfoot\@oddfoot}
`;

/** Slides in roman type. */
const serifType: CommandEntry = {
  name: 'bmr@serif',
  signature: '',
  description: 'Slides in roman type.',
  example: '',
  run: (it) => {
    it.changeFont({ family: 'roman' });
    it.write(CELLS.textFamily, 'roman', true);
    it.write(CELLS.font, it.font, true);
  },
};

function setup(it: Interpreter, options: readonly string[]): void {
  const size = options.find((o) => /^\d+pt$/.test(o)) ?? '11pt';
  setUp(it, [size === '10pt' || size === '12pt' ? size : '11pt'], ARTICLE);
  const ratio = options.find((o) => o.startsWith('aspectratio='))?.split('=')[1] ?? '43';
  const [w, h] = {
    '169': [160, 90],
    '1610': [160, 100],
    '149': [140, 90],
    '54': [125, 100],
    '32': [135, 90],
  }[ratio] ?? [128, 96];
  const [width, height] = [(w as number) * MM, (h as number) * MM];
  const margin = 10 * MM;
  setAll(it, {
    paperwidth: width,
    paperheight: height,
    textwidth: width - 2 * margin,
    hsize: width - 2 * margin,
    linewidth: width - 2 * margin,
    columnwidth: width - 2 * margin,
    textheight: height - 17 * MM,
    headheight: 0,
    headsep: 0,
    topmargin: 8 * MM - INCH,
    footskip: 6 * MM,
    oddsidemargin: margin - INCH,
    evensidemargin: margin - INCH,
    parindent: 0,
    topskip: 11 * PT,
    leftmargini: 22 * PT,
    leftmarginii: 18 * PT,
    leftmarginiii: 16 * PT,
  });
  setSkip(it.state, 'parskip', glue(0), true);
  setDimen(it.state, 'parindent', 0, true);
  it.changeFont({ family: 'sans' });
  it.write(CELLS.textFamily, 'sans', true);
  it.write(CELLS.topFrames, options.includes('t'), true);
  it.write(CELLS.handout, options.includes('handout') || options.includes('trans'), true);
  setUpTheorems(it, options);
  defineWithSteps(it);
}

const KEEPS: readonly string[] = ['title', 'author', 'date', 'institute', 'subtitle'];

export const beamer: ClassEntry = {
  ...article,
  name: 'beamer',
  description: 'Slides for a talk: frames, blocks, columns, overlays.',
  options: [
    ...article.options,
    't',
    'c',
    'b',
    'handout',
    'compress',
    'aspectratio',
    '8pt',
    '9pt',
    '14pt',
    '17pt',
    '20pt',
    'xcolor',
    'professionalfonts',
    'mathserif',
    'serif',
    'trans',
    'ignorenonframetext',
    'notheorems',
    'noamsthm',
    'envcountsect',
    'usepdftitle',
  ],
  commands: [
    ...(article.commands ?? []).filter(({ name }) => !['maketitle', 'part'].includes(name)),
    ...commands,
    ...themeCommands,
    ...colourCommands,
    ...templateCommands,
    serifType,
    ...overlayCommands,
    ...theoremCommands,
    ...KEEPS.map((name): CommandEntry => ({
      name,
      signature: 'oM',
      description: 'A part of the title page.',
      example: `\\${name}{Harbour College}`,
      run: (it, args) => {
        setTitlePart(it, name, tokensOf(args, 1));
        it.execute([
          ...it.source(`\\gdef\\insertshort${name}`),
          it.p.make(Cat.Begin, '{'),
          ...tokensOf(args, args[0] ? 0 : 1),
          it.p.make(Cat.End, '}'),
        ]);
      },
    })),
  ],
  environments: [
    ...(article.environments ?? []),
    frameEnvironment('frame'),
    ...overlayEnvironments,
    block('block', ''),
    block('alertblock', ' alerted'),
    block('exampleblock', ' example'),
    beamercolorbox,
    semiverbatim,
    columns,
    column,
  ],
  requires: ['amsmath', 'amssymb', 'amsthm', 'xcolor', 'graphicx', 'hyperref', 'enumerate'],
  source: (article.source ?? '') + SOURCE.replace(/\\def\\subtitle.*\n/, '\n') + BEAMER_PARTS,
  setup,
};
