import { CELLS } from '../machine/cells';
import { glue, gluePt, MM, INCH, PT } from '../../base/lengths';
import { readOptional } from '../../expansion/arguments';
import { setDimen, setSkip } from '../../expansion/registers';
import { Cat } from '../../tokens/categories';
import {
  type ClassEntry,
  type CommandEntry,
  type EnvironmentEntry,
  tokensOf,
} from '../machine/entries';
import { centred, makeTitle, setTitlePart, space, titlePart } from '../constructs/title';
import { addContentsLine } from '../constructs/contents';
import { markHeading, plainTitle } from '../constructs/sections';
import { refStepCounter } from '../machine/counters';
import type { Interpreter } from '../machine/interpreter';
import { INVISIBLE, overlaySpec, overlayText, showsOn } from '../machine/overlays';
import { column, columnCommand, columns } from './beamerColumns';
import {
  bracedHere,
  frame,
  frameEnvironment,
  frameOptions,
  hide,
  onSteps,
  optionsHere,
  pause,
} from './beamerFrames';
import { NAVIGATION } from './beamerDrawing';
import { templateCommands } from './beamerTemplates';
import { LOOK, SEA, themeCommands } from './beamerThemes';
import { beginFilled, endFilled } from './beamerBlocks';
import { OUTLINE, outlineCommands } from './beamerOutline';
import { BEAMER_PARTS, overlayCommands, overlayEnvironments } from './beamerOverlays';
import { endMark, markProof } from '../constructs/theorems';
import { setAll } from '../constructs/pageLayout';
import { article, ARTICLE, setUp } from './standard';

/** Colours of blocks that warn and that show. */
const ALERT = 0xa3262a;
const EXAMPLE = 0x2f6b4f;

/** A block: a coloured title, then its text. */
const block = (name: string, color: number): EnvironmentEntry => ({
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
    if (spec !== null && !showsOn(it, spec)) hide(it);
    const { filled, structure } = it.read(LOOK);
    const own = color === SEA ? structure : color;
    if (filled) return beginFilled(it, title, own);
    if (title.length > 0) {
      it.openGroup({ kind: 'semisimple', span: it.p.place });
      it.changeFont({ series: 'bold', color: it.font.color === INVISIBLE ? INVISIBLE : own });
      it.startParagraph(false);
      it.execute(title);
      it.endParagraph();
      it.closeGroup();
      it.mode.vlist.push(space(1.5));
    }
  },
  end: (it) => {
    if (it.read(LOOK).filled) endFilled(it);
    else it.endParagraph();
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
  onSteps('only', false, 'Text on some steps only; else it takes no room.'),
  onSteps('uncover', true, 'Text that appears on some steps.'),
  onSteps('visible', true, 'Text that appears on some steps.'),
  {
    name: 'onslide',
    signature: '',
    description: 'What follows appears on some steps.',
    example: '\\begin{frame}\\onslide<2->high water\\end{frame}',
    run: (it, _args, token) => {
      const spec = overlaySpec(it);
      const hidden = spec !== null && !showsOn(it, spec);
      const next = it.p.next();
      if (next) it.p.unread(next);
      if (next?.cat === Cat.Begin) {
        const text = it.readArguments('M', token);
        it.openGroup({ kind: 'semisimple', span: it.p.place });
        if (hidden) hide(it);
        if (text) it.execute(tokensOf(text, 0));
        it.closeGroup();
      } else if (hidden) hide(it);
      else it.changeFont({ color: 0 });
    },
  },
  {
    name: 'alt',
    signature: '',
    description: 'One text on some steps, another on the others.',
    example: '\\begin{frame}\\alt<2>{ebb}{flood}\\end{frame}',
    run: (it, _args, token) => {
      const spec = overlaySpec(it);
      const texts = it.readArguments('MM', token);
      if (texts) it.execute(tokensOf(texts, spec === null || showsOn(it, spec) ? 0 : 1));
    },
  },
  {
    name: 'alert',
    signature: '',
    description: 'Text that stands out.',
    example: '\\alert{high water}',
    run: (it, _args, token) => {
      const spec = overlaySpec(it);
      const text = it.readArguments('M', token);
      if (!text) return;
      it.openGroup({ kind: 'semisimple', span: it.p.place });
      if ((spec === null || showsOn(it, spec)) && it.font.color !== INVISIBLE)
        it.changeFont({ color: ALERT });
      it.execute(tokensOf(text, 0));
      it.closeGroup();
    },
  },
  {
    name: 'pause',
    signature: 'o',
    description: 'What follows appears a step later.',
    example: '\\begin{frame}ebb\\pause flood\\end{frame}',
    run: pause,
    math: (reader) => {
      pause(reader.it);
      return null;
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
      overlaySpec(it);
      const options = frameOptions(optionsHere(it));
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
    run: () => undefined,
  },
];

function titleFrame(it: Interpreter): void {
  const parts: readonly (readonly [string, string, string, number])[] = [
    ['title', 'LARGE', '\\bfseries', 0],
    ['subtitle', 'large', '', 6],
    ['author', 'normalsize', '', 18],
    ['institute', 'small', '', 6],
    ['date', 'normalsize', '', 12],
  ];
  for (const [name, size, style, above] of parts) {
    const tokens = titlePart(it, name) ?? (name === 'date' ? [it.p.command('today')] : []);
    if (tokens.length === 0) continue;
    it.mode.vlist.push(
      space(above),
      ...centred(it, size, () => {
        if (name === 'title') it.changeFont({ color: it.read(LOOK).structure });
        it.execute([...it.source(style), ...tokens]);
      }),
    );
  }
}

const SOURCE = String.raw`
\def\@gobbleoverlay{\@ifnextchar<{\@gobbleangle}{}}\def\@gobbleangle<#1>{}
\def\@gobblebracket[#1]#2{}
\def\setbeamercovered#1{}\def\setbeamersize#1{}\def\setbeameroption#1{}\def\titlegraphic#1{}
\def\usebeamertemplate{\@ifstar\@gobble\@gobble}
\def\beamertemplatenavigationsymbolsempty{}
\def\AtBeginSection{\@ifnextchar[{\bmr@atbegin{section}}{\bmr@atbegin{section}[]}}\def\AtBeginSubsection{\@ifnextchar[{\bmr@atbegin{subsection}}{\bmr@atbegin{subsection}[]}}
\long\def\bmr@atbegin#1[#2]#3{\expandafter\gdef\csname bmr@at#1\endcsname{#3}}\def\bmr@atsection{}\def\bmr@atsubsection{}\def\bmr@atsubsubsection{}
\AtEndPreamble{\@settletheme}
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
\def\hyperlink#1#2{#2}\def\hypertarget#1#2{#2}\def\note{\@ifnextchar[{\@gobblebracket}{\@gobble}}
${OUTLINE}${NAVIGATION}
\def\l@subsubsection#1#2{}
\def\@listheading#1{}\def\@bibheading{}
\def\labelitemi{{\bmr@structure\bmr@mark}}\def\labelitemii{{\small\bmr@structure\bmr@mark}}\def\labelitemiii{{\footnotesize\bmr@structure\bmr@mark}}\def\labelenumi{{\bmr@structure\theenumi.}}\def\labelenumii{{\bmr@structure(\theenumii)}}
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
  it.execute(it.source(THEOREMS));
}

const THEOREMS = String.raw`
\def\bmr@statement#1#2#3#4{\newenvironment{#1}{\bmr@begin{#2}{#3}{#4}}{\end{#3}}}
\NewDocumentCommand\bmr@begin{m m m d<> o d<>}{\IfNoValueTF{#4}{\IfNoValueTF{#6}{\begin{#2}}{\begin{#2}<#6>}}{\begin{#2}<#4>}{#1\IfNoValueTF{#5}{}{\ (#5)}}#3}
\bmr@statement{theorem}{Theorem}{block}{\itshape}\bmr@statement{corollary}{Corollary}{block}{\itshape}
\bmr@statement{lemma}{Lemma}{block}{\itshape}\bmr@statement{fact}{Fact}{block}{\itshape}
\bmr@statement{problem}{Problem}{block}{}\bmr@statement{solution}{Solution}{block}{}
\bmr@statement{definition}{Definition}{block}{}\bmr@statement{definitions}{Definitions}{block}{}
\renewenvironment{proof}{\bmr@markproof\bmr@proof}{\bmr@qed\end{block}}\NewDocumentCommand\bmr@proof{d<> O{\proofname} d<>}{\IfNoValueTF{#1}{\IfNoValueTF{#3}{\begin{block}}{\begin{block}<#3>}}{\begin{block}<#1>}{#2.}}
\bmr@statement{example}{Example}{exampleblock}{}\bmr@statement{examples}{Examples}{exampleblock}{}
`;

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
    'usepdftitle',
  ],
  commands: [
    ...(article.commands ?? []).filter(({ name }) => !['maketitle', 'part'].includes(name)),
    ...commands,
    ...themeCommands,
    ...templateCommands,
    serifType,
    ...overlayCommands,
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
    block('block', SEA),
    block('alertblock', ALERT),
    block('exampleblock', EXAMPLE),
    columns,
    column,
  ],
  requires: ['amsmath', 'amssymb', 'amsthm', 'xcolor', 'graphicx', 'hyperref', 'enumerate'],
  source: (article.source ?? '') + SOURCE.replace(/\\def\\subtitle.*\n/, '\n') + BEAMER_PARTS,
  setup,
};
