import { labelFigures } from '../constructs/knownPages';
import type { PackageEntry } from '../machine/entries';
import { sourceCommand, sourceEnvironment, sourcePackage } from '../machine/macroEntry';

/** verse: poems, their lines numbered and set in. */
const verse = sourcePackage(
  'verse',
  'Poems, with titles and lines set in.',
  [
    sourceEnvironment('verse', 'o', 'A poem.', '\\begin{verse}Ebb\\\\flood\\end{verse}'),
    sourceCommand('poemtitle', 'om', 'The title of a poem.', '\\poemtitle{Tides}'),
    sourceCommand('vin', '', 'Sets a line in.', '\\begin{verse}Ebb\\\\\\vin flood\\end{verse}'),
  ],
  String.raw`
\newlength\versewidth\newlength\vgap\vgap1.5em\newlength\vindent\vindent1.5em\newskip\stanzaskip\stanzaskip.75\baselineskip\newskip\beforepoemtitleskip\newskip\afterpoemtitleskip\newcounter{poemline}
\newcommand\vin{\hspace*{\vgap}}\newcommand\poemtitlefont{\normalfont\bfseries\large\centering}\newcommand\poemtoc{section}
\newcommand\poemtitle{\@ifstar\vrs@title\vrs@title}\newcommand\vrs@title[2][]{\par\addvspace{\bigskipamount}{\poemtitlefont#2\par}\nobreak\medskip}\let\PoemTitle\poemtitle
\newcommand\attrib[1]{\par\nopagebreak\raggedleft\footnotesize#1\par}\newcommand\flagverse[1]{\hbox to\z@{\hss#1\hskip3em}}\newcommand\poemlines[1]{}\newcommand\vleftofline[1]{\leavevmode\llap{#1}}\newcommand\verselinebreak{\\}\newcommand\settowidthof{}
\renewenvironment{verse}[1][\linewidth]{\list{}{\itemsep\z@\itemindent-1.5em\listparindent\itemindent\rightmargin\leftmargin\advance\leftmargin1.5em\ifdim#1<\linewidth\leftmargin\dimexpr(\linewidth-#1)/2+1.5em\relax\rightmargin\leftmargin\fi}\item\relax}{\endlist}
\newenvironment{altverse}{}{}\newenvironment{patverse}{}{}\newcommand\indentpattern[1]{}
`,
);

/** hyphenat: where words may be divided. */
const hyphenat = sourcePackage(
  'hyphenat',
  'Where words may be divided.',
  [
    sourceCommand('hyp', '', 'A hyphen whose words may be divided.', 'ebb\\hyp{}flood'),
    sourceCommand('nohyphens', 'm', 'Text whose words are not divided.', '\\nohyphens{ebb}'),
  ],
  String.raw`
\newcommand\hyp{-\nobreak\hskip\z@skip}\newcommand\BreakableHyphen{\hyp}\newcommand\nohyphens[1]{{\hyphenpenalty10000\exhyphenpenalty10000 #1}}\newcommand\textnhtt[1]{\texttt{#1}}\newcommand\nhttfamily{\ttfamily}\newcommand\fshyp{/\hskip\z@skip}\newcommand\dothyp{.\hskip\z@skip}\newcommand\colonhyp{:\hskip\z@skip}\newcommand\bshyp{\textbackslash\hskip\z@skip}\newcommand\prehyphen{-}
`,
);

/** fancyref: references with the name of what they refer to, by the prefix of the label. */
const fancyref = sourcePackage(
  'fancyref',
  'References with the name of what they refer to.',
  [
    sourceCommand(
      'fref',
      'om',
      'A reference with its name, by the prefix of the label.',
      '\\section{Tides}\\label{sec:tide}\\fref{sec:tide}',
    ),
    sourceCommand(
      'Fref',
      'om',
      'The same at the start of a sentence.',
      '\\section{Tides}\\label{sec:tide}\\Fref{sec:tide}',
    ),
  ],
  String.raw`
\newcommand\frefformat[3]{\expandafter\def\csname frf@#1@#2\endcsname##1{\def\fancyrefdefaultspacing{~}#3}}\newcommand\Frefformat[3]{}\newcommand\freflabelformat[3]{}\newcommand\fancyrefchangeprefix[2]{}\newcommand\fancyrefhook{}\newcommand\fancyrefdefaultspacing{~}
\def\frf@name#1#2#3{\expandafter\def\csname frf@s@#1\endcsname{#2}\expandafter\def\csname frf@c@#1\endcsname{#3}}
\frf@name{fig}{figure}{Figure}\frf@name{tab}{table}{Table}\frf@name{sec}{section}{Section}\frf@name{chap}{chapter}{Chapter}\frf@name{eq}{equation}{Equation}\frf@name{fn}{footnote}{Footnote}\frf@name{enum}{item}{Item}\frf@name{part}{part}{Part}
\def\frf@split#1:#2\frf@stop#3{\csname frf@#3@#1\endcsname~}\newcommand\fref[2][]{\frf@split#2:\frf@stop{s}\ref{#2}}\newcommand\Fref[2][]{\frf@split#2:\frf@stop{c}\ref{#2}}
`,
);

/** parallel: two texts side by side. */
const parallel = sourcePackage(
  'parallel',
  'Two texts side by side.',
  [
    sourceEnvironment(
      'Parallel',
      'omm',
      'Two texts side by side, so wide.',
      '\\begin{Parallel}{4cm}{4cm}\\ParallelLText{Ebb}\\ParallelRText{Flood}\\end{Parallel}',
    ),
    sourceCommand(
      'ParallelLText',
      'm',
      'The text at the left.',
      '\\begin{Parallel}{4cm}{4cm}\\ParallelLText{Ebb}\\ParallelRText{Flood}\\end{Parallel}',
    ),
  ],
  String.raw`
\newsavebox\prl@box\newdimen\prl@l\newdimen\prl@r\def\prl@half#1#2{\if\relax\detokenize{#2}\relax#1\dimexpr(\linewidth-1em)/2\relax\else#1\dimexpr#2\relax\fi}
\newenvironment{Parallel}[3][]{\par\prl@half\prl@l{#2}\prl@half\prl@r{#3}}{\par}
\newcommand\ParallelLText[1]{\par\sbox\prl@box{\parbox[t]{\prl@l}{#1}}}\newcommand\ParallelRText[1]{\noindent\usebox\prl@box\hfill\parbox[t]{\prl@r}{#1}\par}
\newcommand\ParallelPar{\par\medskip}\newcommand\ParallelAtEnd{}\newcommand\ParallelDot{}\newcommand\ParallelUserMidSkip{1em}
`,
);

/** bigstrut: struts for rows of tables. */
const bigstrut = sourcePackage(
  'bigstrut',
  'Struts for rows of tables.',
  [
    sourceCommand(
      'bigstrut',
      'o',
      'Room above or below a row.',
      '\\begin{tabular}{c}\\hline Ebb\\bigstrut\\\\\\hline\\end{tabular}',
    ),
  ],
  String.raw`\newdimen\bigstrutjot\bigstrutjot2pt
\newcommand\bigstrut[1][x]{\leavevmode\vrule width\z@ height\dimexpr\ht\strutbox\if#1b\else+\bigstrutjot\fi\relax depth\dimexpr\dp\strutbox\if#1t\else+\bigstrutjot\fi\relax}`,
);

/** refcount: numbers of references. */
const refcount: PackageEntry = {
  ...sourcePackage(
    'refcount',
    'Numbers of references.',
    [
      sourceCommand(
        'getrefnumber',
        'm',
        'The number of a label.',
        '\\section{Tides}\\label{tide}\\getrefnumber{tide}',
      ),
      sourceCommand(
        'getpagerefnumber',
        'm',
        'The page of a label.',
        '\\section{Tides}\\label{tide}\\getpagerefnumber{tide}',
      ),
    ],
    String.raw`\newcommand\refused[1]{}\newcommand\setrefcountdefault[1]{}\newcommand\IfRefUndefinedExpandable[3]{#3}\newcommand\IfRefUndefinedBabel[3]{#3}`,
  ),
  setup: (it) => {
    for (const figures of [
      labelFigures('getrefnumber', 'value'),
      labelFigures('getpagerefnumber', 'page'),
    ])
      it.state.set(it.state.cell(figures.name), figures, true);
  },
};

/** verbatimbox: verbatim text as a box. */
const verbatimbox = sourcePackage(
  'verbatimbox',
  'Verbatim text as a box.',
  [
    sourceEnvironment(
      'verbbox',
      'o',
      'Keeps verbatim text as a box, which theverbbox sets.',
      '\\begin{verbbox}\nebb_1\n\\end{verbbox}\n\\theverbbox',
    ),
    sourceCommand(
      'theverbbox',
      'o',
      'The box that verbbox kept.',
      '\\begin{verbbox}\nebb_1\n\\end{verbbox}\n\\fbox{\\theverbbox}',
    ),
  ],
  String.raw`
\CustomVerbatimEnvironment{vbx@text}{BVerbatim}{}\newcounter{VerbboxLineNo}\newlength\boxtopsep
\DefineSavedVerbatim{verbbox}{vbx@kept}\DefineSavedVerbatim{verbnobox}{vbx@kept}
\newcommand\theverbbox[1][b]{\BUseVerbatim[baseline=#1]{vbx@kept}}\newcommand\addvbuffer[2][0pt]{\raisebox{\z@}[\dimexpr\height+#1\relax][\dimexpr\depth+#1\relax]{#2}}
\newcommand\verbfilebox[2][]{\sbox\vbx@box{\BVerbatimInput{#2}}}\newcommand\verbfilenobox[2][]{\VerbatimInput{#2}}\newsavebox\vbx@box
`,
  ['fancyvrb'],
);

/** delarray: arrays with brackets around them, said with their columns. */
const delarray: PackageEntry = {
  name: 'delarray',
  description: 'Arrays with brackets around them, said with their columns.',
  options: null,
  requires: ['array'],
};

const command = sourceCommand;

/** Packages of a few macros each. */
const few: readonly PackageEntry[] = [
  sourcePackage(
    'scalefnt',
    'Type in so many times its size.',
    [command('scalefont', 'm', 'Type in so many times its size.', '{\\scalefont{1.5}Tide}')],
    String.raw`\newcommand\scalefont[1]{\fontsize{\strip@pt\dimexpr#1\dimexpr\f@size pt\relax\relax}{\strip@pt\dimexpr#1\baselineskip\relax}\selectfont}`,
  ),
  sourcePackage(
    'tablefootnote',
    'Notes in tables.',
    [
      command(
        'tablefootnote',
        'om',
        'A note at the foot, from a table.',
        'Tide\\tablefootnote{Ebb.}',
      ),
    ],
    String.raw`\NewDocumentCommand\tablefootnote{o m}{\IfValueTF{#1}{\footnotemark[#1]\footnotetext[#1]{#2}}{\footnotemark\footnotetext{#2}}}`,
  ),
  sourcePackage(
    'sidenotes',
    'Notes at the side.',
    [command('sidenote', 'oom', 'A numbered note at the side.', 'Tide\\sidenote{Ebb.}')],
    String.raw`\newcounter{sidenote}\NewDocumentCommand\sidenote{o o m}{\refstepcounter{sidenote}\textsuperscript{\thesidenote}\marginpar{\footnotesize\textsuperscript{\thesidenote}~#3}}\newcommand\sidenotemark[1][]{\textsuperscript{\thesidenote}}\newcommand\sidenotetext[2][]{\marginpar{\footnotesize#2}}\newcommand\sidecaption[2][]{\caption{#2}}\newenvironment{marginfigure}{\begin{lrbox}{\sdn@box}\begin{minipage}{\marginparwidth}\def\@captype{figure}}{\end{minipage}\end{lrbox}\marginpar{\usebox\sdn@box}}\newsavebox\sdn@box`,
  ),
  sourcePackage(
    'threeparttablex',
    'Tables with notes, over pages too.',
    [
      command(
        'insertTableNotes',
        '',
        'The notes of a table, where they are wanted.',
        '\\insertTableNotes',
      ),
    ],
    String.raw`\newenvironment{ThreePartTable}{}{}\newenvironment{TableNotes}[1][]{\begin{lrbox}{\tptx@box}\begin{minipage}{\linewidth}\begin{tablenotes}}{\end{tablenotes}\end{minipage}\end{lrbox}\global\setbox\tptx@box\box\tptx@box}\newsavebox\tptx@box\newcommand\insertTableNotes{\ifvmode\noindent\fi\usebox\tptx@box}`,
    ['threeparttable', 'longtable'],
  ),
  sourcePackage(
    'tabto',
    'Goes on at a place in the line.',
    [command('tabto', 'm', 'Goes on so far from the left.', 'Ebb\\tabto{3cm}flood')],
    String.raw`\newsavebox\tbt@box\NewDocumentCommand\tabto{s m}{\leavevmode\rlap{\hskip\z@}\unskip\hskip\dimexpr#2-\tbt@done\relax}\def\tbt@done{\z@}\newcommand\TabPositions[1]{}\newcommand\NumTabs[1]{\def\tbt@n{#1}}\newcommand\tab{\quad}\newcommand\tabdent{}`,
  ),
  sourcePackage(
    'transparent',
    'Type that what is beneath shows through.',
    [command('transparent', 'm', 'So opaque from here on.', '{\\transparent{0.5}Tide}')],
    String.raw`\newcommand\transparent[1]{\color{.!\the\numexpr\dimexpr#1pt\relax*100/65536\relax}}\newcommand\texttransparent[2]{{\transparent{#1}#2}}`,
    ['xcolor'],
  ),
  sourcePackage(
    'dashrule',
    'Rules of dashes.',
    [
      command(
        'hdashrule',
        'oommm',
        'A rule of dashes, so wide and high.',
        '\\hdashrule{3cm}{1pt}{3pt 2pt}',
      ),
    ],
    String.raw`\NewDocumentCommand\hdashrule{o o m m m}{\hbox to#3{\leaders\hbox{\vrule width3pt height#4\relax\hskip3pt}\hfill}}`,
  ),
  sourcePackage(
    'spverbatim',
    'Verbatim text whose lines are broken.',
    [
      sourceEnvironment(
        'spverbatim',
        '',
        'Verbatim text whose lines are broken.',
        '\\begin{spverbatim}\nebb_1\n\\end{spverbatim}',
      ),
    ],
    String.raw`\DefineVerbatimEnvironment{spverbatim}{Verbatim}{breaklines}\CustomVerbatimCommand\spverb{Verb}{}`,
    ['fancyvrb'],
  ),
  sourcePackage(
    'contour',
    'Type with a line around it.',
    [
      command(
        'contour',
        'omm',
        'Type with a line around it, which is left out here.',
        '\\contour{red}{Tide}',
      ),
    ],
    String.raw`\newcommand\contour[3][]{#3}\newcommand\contourlength[1]{}\newcommand\contournumber[1]{}`,
  ),
  sourcePackage(
    'totpages',
    'How many pages there are.',
    [command('ref', 'm', 'How many pages there are, by TotPages.', '\\ref{TotPages}')],
    String.raw`\AtBeginDocument{\let\ttp@ref\pageref}\newcounter{TotPages}\AtEndDocument{\edef\@currentlabel{\thepage}\label{TotPages}}`,
  ),
  sourcePackage(
    'realboxes',
    'Boxes that take whatever they hold.',
    [command('Fbox', 'm', 'A frame.', '\\Fbox{Tide}')],
    String.raw`\newcommand\Fbox{\fbox}\newcommand\Mbox{\mbox}\newcommand\Makebox{\makebox}\newcommand\Framebox{\framebox}\newcommand\Parbox{\parbox}\newcommand\Rotatebox{\rotatebox}\newcommand\Scalebox{\scalebox}\newcommand\Colorbox{\colorbox}\newcommand\Fcolorbox{\fcolorbox}`,
    ['graphicx', 'xcolor'],
  ),
  sourcePackage(
    'rotfloat',
    'Floats on their side.',
    [command('newfloat', 'mmmo', 'A kind of float.', '\\newfloat{tide}{htbp}{ltd}')],
    String.raw`\providecommand\rotfloatname{}`,
    ['float', 'rotating'],
  ),
  sourcePackage(
    'isodate',
    'Dates in several ways.',
    [command('printdate', 'm', 'A date.', '\\printdate{2026-03-01}')],
    String.raw`\newcommand\isodate{\def\today{\number\year-\two@digits\month-\two@digits\day}}\newcommand\numdate[1][]{\def\today{\number\day/\number\month/\number\year}}\newcommand\shortdate{}\newcommand\origdate{}\newcommand\printdate[1]{#1}\newcommand\cleanlookdateon{}\newcommand\dateinputformat[1]{}\providecommand\two@digits[1]{\ifnum#1<10 0\fi\number#1}`,
  ),
  sourcePackage(
    'currfile',
    'The name of the file that is read.',
    [command('currfilename', '', 'The name of the file.', '\\currfilename')],
    String.raw`\newcommand\currfilename{\jobname.tex}\newcommand\currfilebase{\jobname}\newcommand\currfiledir{}\newcommand\currfileext{tex}\newcommand\currfilepath{\jobname.tex}`,
  ),
  ...['flushend', 'balance', 'savetrees', 'grffile', 'lstautogobble', 'ltcaption', 'cprotect'].map(
    (name) =>
      sourcePackage(
        name,
        'Nothing is left to do for it here.',
        [],
        name === 'balance'
          ? '\\newcommand\\balance{\\@withouteffect{balance}}\\newcommand\\nobalance{}'
          : name === 'flushend'
            ? '\\newcommand\\flushend{\\@withouteffect{flushend}}\\newcommand\\raggedend{}\\newcommand\\flushcolsend{}\\newcommand\\atColsEnd[1]{}\\newcommand\\atColsBreak[1]{}'
            : name === 'cprotect'
              ? '\\newcommand\\cprotect{}\\newcommand\\cMakeRobust[1]{}\\newcommand\\icprotect{}'
              : '',
      ),
  ),
];

export const morePackages: readonly PackageEntry[] = [
  verse,
  hyphenat,
  fancyref,
  parallel,
  bigstrut,
  refcount,
  verbatimbox,
  delarray,
  ...few,
];
