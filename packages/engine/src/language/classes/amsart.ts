import { placedAt } from '../../document/placedAt';
import { emptyBox } from '../machine/paragraphMode';
import { CELLS } from '../machine/cells';
import { gluePt, INCH, PT, type Sp } from '../../base/lengths';
import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { setDimen, setSkip } from '../../expansion/registers';
import { centred, keep, setTitlePart, space, splitAtCommand, titlePart } from '../constructs/title';
import {
  type ClassEntry,
  type CommandEntry,
  type EnvironmentEntry,
  tokensOf,
} from '../machine/entries';
import { plainPage } from '../constructs/pageStyle';
import { enterColumn, leaveColumn } from '../machine/columns';
import { setSize } from '../constructs/fonts';
import type { Interpreter } from '../machine/interpreter';
import { paperOf, setAll } from '../constructs/pageLayout';
import { article, ARTICLE, book, setUp } from './standard';
import { cell, flag } from '../../expansion/cells';
import type { Mode } from '../machine/modes';
import type { BlockNode } from '../../document/blocks';
import { OWN } from '../machine/ownNames';

/** How the heads of pages call the authors. */
const SHORT_AUTHORS = cell<readonly (readonly Token[])[]>('amsshortauthors', []);
/** The authors named so far, the summary that waits for the title, and whether the title has come. */
const AUTHORS = cell<readonly (readonly Token[])[]>('amsauthors', []);
const ABSTRACT = cell<readonly BlockNode[] | null>('amsabstract', null);
const TITLED = flag('amstitled');
/** Lines for the end of the document. */
const LISTS = cell<readonly (readonly Token[])[]>('amslists', []);
/** Of the summary that is being read: the mode around it. */
const AROUND = cell<Mode | null>('amsaround', null);

/** Lines that `\address`, `\email` and their kin leave for the end of the document. */
const later = (name: string, lead: string, style: string): CommandEntry => ({
  name,
  signature: 'oM',
  description: 'Of the author: printed at the end of the document.',
  example: `\\${name}{Harbour College}`,
  run: (it, args) => {
    const line = [
      ...it.source(
        `\\par${name === 'address' ? '\\addvspace\\bigskipamount' : ''}\\noindent\\hspace*{12pt}{\\footnotesize\\def\\\\{\\unskip, \\ignorespaces}${lead}${style}{`,
      ),
      ...tokensOf(args, 1),
      ...it.source('}\\par}'),
    ];
    it.write(LISTS, [...it.read(LISTS), line], true);
  },
});

function abstractBegin(it: Interpreter): void {
  it.innermost.data.set(AROUND, enterColumn(it, null));
  setSize(it, 'footnotesize');
  const margin = 36 * PT;
  setDimen(it.state, 'totalleftmargin', margin);
  setDimen(it.state, 'linewidth', it.dimen('hsize') - 2 * margin);
  it.startParagraph();
  it.execute(it.source('\\textsc{\\abstractname.}\\hskip5pt '));
}

function abstractEnd(it: Interpreter): void {
  const outer = it.innermost.data.get(AROUND);
  const blocks = outer ? leaveColumn(it, outer) : [];
  if (it.read(TITLED)) it.mode.vlist.push(space(12), ...blocks, space(12));
  else it.afterEnvironment = (inner) => inner.write(ABSTRACT, blocks, true);
}

const abstract: EnvironmentEntry = {
  name: 'abstract',
  signature: '',
  description: 'A summary, printed below the title.',
  example: '\\begin{abstract}\nWe time the ferries.\n\\end{abstract}',
  begin: abstractBegin,
  end: abstractEnd,
};

/** Title in bold capitals, authors in small capitals, notes at the foot (amsart.cls). */
function makeTitle(it: Interpreter, token: Token): void {
  const title = titlePart(it, 'title');
  if (!title) it.p.report('title-missing', it.spanOf(token));
  it.endParagraph();
  const authors = it.read(AUTHORS);
  it.startParagraph(false);
  it.add(emptyBox(it));
  it.endParagraph();
  it.mode.vlist.push(
    space(42 - 10 - 14),
    ...centred(it, 'normalsize', () => {
      setSkip(it.state, 'baselineskip', gluePt(14));
      it.changeFont({ series: 'bold' });
      it.execute([...it.source('\\MakeUppercase{'), ...(title ?? []), ...it.source('}')]);
    }),
  );
  if (authors.length > 0) {
    it.mode.vlist.push(
      space(20),
      ...centred(it, 'footnotesize', () => {
        const joined = authors.flatMap((a, i) => [
          ...(i > 0 ? it.source(i === authors.length - 1 ? ' \\textsc{and} ' : ', ') : []),
          ...a,
        ]);
        it.execute([...it.source('\\MakeUppercase{'), ...joined, ...it.source('}')]);
      }),
    );
  }
  for (const part of ['dedicatory'] as const) {
    const tokens = titlePart(it, part);
    if (tokens)
      it.mode.vlist.push(
        space(10.1),
        ...centred(it, 'footnotesize', () => it.execute([...it.source('\\itshape '), ...tokens])),
      );
  }
  const kept = it.read(ABSTRACT);
  // It was read in another block; here it stands for the title's command.
  if (kept) it.mode.vlist.push(space(10), ...placedAt(kept, it.p.place));
  titleNotes(it);
  it.mode.vlist.push(space(24));
  it.write(TITLED, true, true);
  plainPage(it);
  runningHeads(it);
}

/** Date, subjects, keywords and thanks as notes without marks. */
function titleNotes(it: Interpreter): void {
  const notes: readonly (readonly [string, string])[] = [
    ['date', '\\textit{Date}: '],
    ['subjclass', '2020 \\textit{Mathematics Subject Classification}. '],
    ['keywords', '\\textit{Key words and phrases}. '],
    ['thanks', ''],
  ];
  for (const [part, lead] of notes) {
    const tokens = titlePart(it, part);
    if (!tokens || tokens.length === 0) continue;
    // `\\@addpunct`: no full stop behind one.
    const ends = /[.!?]$/.test(tokensText(tokens).trim());
    it.execute([...it.source(`\\@blanknote{${lead}`), ...tokens, ...it.source(ends ? '}' : '.}')]);
  }
}

const commands: readonly CommandEntry[] = [
  {
    name: 'title',
    signature: 'oM',
    description: 'The title; in brackets as the heads of pages have it.',
    example: '\\title[Tides]{On the Tides of Three Harbours}',
    run: (it, args) => {
      setTitlePart(it, 'title', tokensOf(args, 1));
      if (args[0])
        it.execute([...it.source('\\def\\shorttitle{'), ...tokensOf(args, 0), ...it.source('}')]);
    },
  },
  {
    name: 'author',
    signature: 'oM',
    description: 'An author; once for each.',
    example: '\\author{M. Quill}',
    run: (it, args) => {
      const more = splitAtCommand(tokensOf(args, 1), 'and').map(
        (a) => splitAtCommand(a, '\\')[0] ?? [],
      );
      it.write(AUTHORS, [...it.read(AUTHORS), ...more], true);
      const short = args[0] ? [tokensOf(args, 0)] : more;
      it.write(SHORT_AUTHORS, [...it.read(SHORT_AUTHORS), ...short], true);
    },
  },
  ...['subjclass', 'keywords', 'dedicatory', 'thanks', 'translator', 'commby'].map((name) =>
    keep(name, 'A note of the title'),
  ),
  later('address', '', '\\scshape '),
  later('curraddr', '\\textit{Current address}: ', ''),
  later('email', '\\textit{Email address}: ', '\\ttfamily '),
  later('urladdr', '\\textit{URL}: ', '\\ttfamily '),
  {
    name: 'maketitle',
    signature: '',
    description: 'Prints the title.',
    example: '\\title{Tides}\\maketitle',
    run: (it, _args, token) => makeTitle(it, token),
  },
  {
    name: OWN.amsEnd,
    signature: '',
    description: '',
    example: '',
    run: (it) => {
      const lines = it.read(LISTS);
      for (const line of lines) it.execute(line);
    },
  },
];

/** Headings of the AMS classes: centred small capitals, then run-in bold, which end with a full stop. */
const HEADINGS = String.raw`
\newdimen\linespacing
\def\ams@punct#1{#1\@addpunct{.}}\providecommand\@addpunct[1]{\ifnum\spacefactor>\@m\else#1\fi}
\def\@seccntformat#1{\csname ams@name@#1\endcsname\csname the#1\endcsname.\enspace}
\def\section{\ams@heading{section}{1}{.7\linespacing plus \linespacing}{.5\linespacing}{\normalfont\scshape\centering}}
\def\subsection{\ams@heading{subsection}{2}{.5\linespacing plus .7\linespacing}{-.5em}{\normalfont\bfseries\ams@punct}}
\def\subsubsection{\ams@heading{subsubsection}{3}{.5\linespacing plus .7\linespacing}{-.5em}{\normalfont\itshape\ams@punct}}
\def\paragraph{\ams@heading{paragraph}{4}{0pt}{-\fontdimen2\font}{\normalfont\ams@punct}}
\def\ams@heading#1#2#3#4#5{\@ifstar{\ams@starred{#1}{#2}{#3}{#4}{#5}}{\@startsection{#1}{#2}{0pt}{#3}{#4}{#5}}}
\def\ams@starred#1#2#3#4#5#6{\@startsection{#1}{#2}{0pt}{#3}{#4}{#5}*{#6}\addcontentsline{toc}{#1}{#6}}
\def\ams@listsection#1{\@startsection{section}{1}{0pt}{\linespacing plus \linespacing}{.5\linespacing}{\normalfont\scshape\centering}*{#1}}
\def\@listheading#1{\ams@listsection{#1}}
\def\@blanknote#1{\begingroup\def\thefootnote{}\footnotetext[0]{#1}\endgroup}
\def\shorttitle{\@title}
\def\ps@plain{\ps@empty\def\@oddfoot{\footnotesize\hfil\thepage\hfil}\let\@evenfoot\@oddfoot}
\def\qedsymbol{\openbox}
\AtEndDocument{\@amsend}
`;

/** An appendix says what it is, in its heading and in the contents; the bibliography is a section, in small type. */
const SECTIONS = String.raw`
\def\appendix{\par\setcounter{section}{0}\setcounter{subsection}{0}\gdef\thesection{\@Alph\c@section}\gdef\ams@name@section{\appendixname\ }\addtocontents{toc}{\protect\ams@appendices}}
\def\@bibheading{\section*{\refname}\normalfont\footnotesize}\def\@indexheading{\section*{\indexname}}
`;

/** Lines of contents: no dots, the numbers with their stop, all from one margin. */
const CONTENTS_LINES = String.raw`
\def\ams@appendices{\def\ams@tocname{\appendixname\ }}\def\ams@tocname{}
\def\l@section{\ams@tocline{1}{\ams@tocname}{}}\def\l@subsection{\ams@tocline{2}{}{5pc}}\def\l@subsubsection{\ams@tocline{3}{}{7pc}}
\let\l@paragraph\@gobbletwo
\def\l@figure{\ams@listline}\def\l@table{\ams@listline}
\def\ams@listline#1#2{\par\addvspace{3pt plus 2pt}{\parindent0pt \rightskip1.6em plus 4em \parfillskip-1.6em \def\numberline##1{##1.\enspace}\noindent#1\nobreak\hfil\hbox to1.6em{\hfil#2}\par}}
\def\ams@tocline#1#2#3#4#5{\ifnum#1>\c@tocdepth\else\par\begingroup\hyphenpenalty10000 \def\@tempa{#3}\ifx\@tempa\@empty\settowidth\@tempdima{9.\quad}\else\@tempdima#3\relax\fi
  \parindent0pt \leftskip1pc \advance\leftskip\@tempdima \rightskip1.6em plus 4em \parfillskip-1.6em
  \def\numberline##1{\ams@toclabel{#3}{#2##1.\quad}}\leavevmode\hskip-\@tempdima#4\nobreak\hfil\hbox to1.6em{\hfil#5}\par\endgroup\fi}
\def\ams@toclabel#1#2{\setbox\@tempboxa\hbox{#2}\ifx\\#1\\\ifdim\wd\@tempboxa<\@tempdima\hbox to\@tempdima{#2\hfil}\else#2\fi\else#2\fi}
`;

/** Lists stand close, their numbers in round brackets; their margins are as wide as their labels ask for. */
const LISTS_SOURCE = String.raw`
\linespacing\baselineskip\def\labelenumi{(\theenumi)}\def\labelenumii{(\theenumii)}\def\labelenumiii{(\theenumiii)}\def\labelenumiv{(\theenumiv)}
\def\theenumiii{\roman{enumiii}}
\def\labelitemi{$\bullet$}\def\labelitemii{{\bfseries --}}\def\labelitemiii{$\ast$}\def\labelitemiv{$\cdot$}
\newskip\listisep\listisep\smallskipamount
\def\@listi{\leftmargin\leftmargini\labelwidth\leftmargini\advance\labelwidth-\labelsep\parsep0pt \topsep\listisep\itemsep0pt \listparindent\parindent}\let\@listI\@listi
\def\@listii{\leftmargin\leftmarginii\labelwidth\leftmarginii\advance\labelwidth-\labelsep\topsep0pt \parsep0pt \partopsep0pt \itemsep0pt}
\def\@listiii{\leftmargin\leftmarginiii\labelwidth\leftmarginiii\advance\labelwidth-\labelsep\topsep0pt \parsep0pt \partopsep0pt \itemsep0pt}
\def\@listiv{\leftmargin\leftmarginiv\labelwidth\leftmarginiv\advance\labelwidth-\labelsep\topsep0pt \parsep0pt \partopsep0pt \itemsep0pt}
\labelsep5pt \partopsep0pt \topsep\listisep
\AtBeginDocument{\settowidth\leftmargini{\labelenumi\hskip\labelsep}\advance\leftmargini\parindent
  \settowidth\leftmarginii{\labelenumii\hskip\labelsep}\advance\leftmarginii15pt
  \settowidth\leftmarginiii{\labelenumiii\hskip\labelsep}\advance\leftmarginiii12pt
  \settowidth\leftmarginiv{\labelenumiv\hskip\labelsep}\advance\leftmarginiv10pt
  \leftmarginv10pt \leftmarginvi10pt }
`;

/** Captions in small capitals, indented where they are long; the room of floats and statements. */
const FLOATS_SOURCE = String.raw`
\newdimen\captionindent\captionindent3pc \abovecaptionskip12pt \belowcaptionskip12pt
\skip\footins7pt plus 11pt \floatsep15pt plus 12pt \textfloatsep15pt plus 12pt \intextsep15pt plus 12pt
\long\def\@makecaption#1#2{\def\ams@table{table}\def\ams@words{{\scshape#1}\ifx\\#2\\\else.\enspace#2\fi}%
  \ifx\@captype\ams@table\else\vskip\abovecaptionskip\fi
  \setbox\@tempboxa\hbox{\ams@words}\dimen@\hsize\advance\dimen@-2\captionindent
  \ifdim\wd\@tempboxa>\dimen@\hbox to\hsize{\hss\parbox[t]{\dimen@}{\ams@words}\hss}\else\hbox to\hsize{\hss\box\@tempboxa\hss}\fi
  \ifx\@captype\ams@table\vskip\belowcaptionskip\fi}
\def\fnum@figure{\figurename\ \thefigure}\def\fnum@table{\tablename\ \thetable}
\def\thm@space@setup{\thm@preskip.5\baselineskip plus .2\baselineskip minus .2\baselineskip \thm@postskip\thm@preskip}
\def\Tiny{\tiny}\def\SMALL{\scriptsize}\def\Small{\footnotesize}
`;

/** Heads of a paper: its authors on even pages, its short title on odd ones; sections change nothing of them. */
const HEADS = String.raw`
\def\ps@headings{\ps@empty\let\@mkboth\@gobbletwo\let\sectionmark\@gobble\let\subsectionmark\@gobble
  \def\@oddhead{\hfil{\normalfont\scriptsize\rightmark}\hfil\llap{\scriptsize\thepage}}%
  \def\@evenhead{\rlap{\scriptsize\thepage}\hfil{\normalfont\scriptsize\leftmark}\hfil}}
`;

/** What the heads say: the authors as they are called for short, all or the first of many. */
function runningHeads(it: Interpreter): void {
  const authors = it.read(SHORT_AUTHORS);
  const [first = []] = authors;
  const and = (i: number): Token[] =>
    it.source(i < authors.length - 1 ? ', ' : authors.length > 2 ? ', and ' : ' and ');
  const names =
    authors.length > 3
      ? [...first, ...it.source(' et al.')]
      : authors.flatMap((author, i) => [...(i > 0 ? and(i) : []), ...author]);
  it.execute([
    ...it.source('\\markboth{\\MakeUppercase{'),
    ...names,
    ...it.source('}}{\\MakeUppercase{\\shorttitle}}'),
  ]);
}

function page(it: Interpreter, options: readonly string[]): void {
  const [width, height] = paperOf(options);
  const textWidth: Sp = 360 * PT;
  const [head, headSep, foot] = [8 * PT, 14 * PT, 12 * PT];
  const textHeight = 584 * PT;
  setAll(it, {
    textwidth: textWidth,
    textheight: textHeight,
    hsize: textWidth,
    linewidth: textWidth,
    columnwidth: textWidth,
    headheight: head,
    headsep: headSep,
    footskip: foot,
    parindent: 12 * PT,
    oddsidemargin: (width - textWidth) / 2 - INCH,
    evensidemargin: (width - textWidth) / 2 - INCH,
    topmargin: (height - head - headSep - textHeight - foot) / 2 - INCH,
  });
}

function amsClass(name: string, base: ClassEntry, chapters: boolean): ClassEntry {
  return {
    name,
    description: chapters
      ? 'A mathematical book in chapters.'
      : 'A mathematical paper: theorems and displays of its own style.',
    options: [
      ...base.options,
      '8pt',
      '9pt',
      'reqno',
      'centertags',
      'tbtags',
      'noamsfonts',
      'nomath',
    ],
    commands: [...(base.commands ?? []), ...commands],
    environments: [...(base.environments ?? []), abstract],
    macros: base.macros ?? {},
    source:
      (base.source ?? '') +
      HEADINGS.replace('\\@amsend', `\\csname ${OWN.amsEnd}\\endcsname`) +
      (chapters ? '' : SECTIONS + CONTENTS_LINES),
    requires: ['amsmath', 'amsthm', 'amsfonts'],
    setup: (it, options) => {
      it.write(CELLS.amsSizes, true, true);
      setUp(it, [...options, '10pt'], { ...ARTICLE, chapters, twoSide: true });
      // Numbers of formulas stand at the left.
      if (!options.includes('reqno')) it.write(CELLS.leqno, true, true);
      page(it, options);
      it.write(CELLS.flushBottom, false, true);
      it.execute(it.source(LISTS_SOURCE + FLOATS_SOURCE + (chapters ? '' : HEADS)));
      it.execute(it.source('\\pagestyle{headings}'));
    },
  };
}

export const amsart = amsClass('amsart', article, false);
export const amsproc = amsClass('amsproc', article, false);
export const amsbook = amsClass('amsbook', book, true);
