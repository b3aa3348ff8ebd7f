import type { PackageEntry } from '../machine/entries';
import { sourceCommand, sourceEnvironment } from '../machine/macroEntry';
import { LISTS_THEOREMS } from '../constructs/theorems';

/** fancybox: frames with shadows, double and round ones. */
export const fancybox: PackageEntry = {
  name: 'fancybox',
  description: 'Frames with a shadow, double, or with round corners.',
  options: null,
  requires: ['fancyvrb', 'eso-pic'],
  described: [
    sourceCommand('shadowbox', 'm', 'A frame with a shadow.', '\\shadowbox{Tide}'),
    sourceCommand('doublebox', 'm', 'A double frame.', '\\doublebox{Tide}'),
    sourceCommand('ovalbox', 'm', 'A thin frame with round corners.', '\\ovalbox{Tide}'),
    sourceCommand('Ovalbox', 'm', 'A thick frame with round corners.', '\\Ovalbox{Tide}'),
    sourceEnvironment(
      'Bcenter',
      '',
      'Lines in the middle of a box.',
      '\\fbox{\\begin{Bcenter}ebb\\\\flood\\end{Bcenter}}',
    ),
    sourceEnvironment(
      'Bflushleft',
      '',
      'Lines at the left of a box.',
      '\\fbox{\\begin{Bflushleft}ebb\\\\flood\\end{Bflushleft}}',
    ),
    sourceEnvironment(
      'Bitemize',
      '',
      'A list in a box.',
      '\\begin{Bitemize}\\item ebb\\end{Bitemize}',
    ),
    sourceEnvironment(
      'Sbox',
      '',
      'Keeps a box, which TheSbox sets.',
      '\\begin{Sbox}Tide\\end{Sbox}\\fbox{\\TheSbox}',
    ),
    sourceCommand(
      'TheSbox',
      '',
      'The box that Sbox kept.',
      '\\begin{Sbox}Tide\\end{Sbox}\\fbox{\\TheSbox}',
    ),
    sourceCommand(
      'fancyput',
      'sdm',
      'Something at a place of every page.',
      '\\fancyput(1cm,-1cm){Tide}',
    ),
  ],
  source: String.raw`
\newdimen\shadowsize\shadowsize4pt\newsavebox\fcb@box
\newcommand\cornersize{\@ifstar\@gobble\@gobble}
\newcommand\shadowbox[1]{\sbox\fcb@box{\fbox{#1}}\raisebox{-\dp\fcb@box}{\vbox{\offinterlineskip\hbox{\raisebox{\dp\fcb@box}{\usebox\fcb@box}\vrule width\shadowsize height\dimexpr\ht\fcb@box+\dp\fcb@box-\shadowsize\relax depth\z@}\hbox{\hskip\shadowsize\vrule width\wd\fcb@box height\shadowsize depth\z@}}}}
\newcommand\doublebox[1]{{\fboxrule.75pt\sbox\fcb@box{\fbox{#1}}\fboxrule1.5pt\fboxsep1.5pt\fbox{\usebox\fcb@box}}}
\newcommand\ovalbox[1]{\fcb@oval{\thinlines}{#1}}\newcommand\Ovalbox[1]{\fcb@oval{\thicklines}{#1}}
\newcount\fcb@x\newcount\fcb@y
\long\def\fcb@oval#1#2{\sbox\fcb@box{\hskip\fboxsep\hskip2pt#2\hskip2pt\hskip\fboxsep}\begingroup\setlength\unitlength{1pt}\fcb@x\dimexpr\wd\fcb@box\relax\divide\fcb@x65536 \fcb@y\dimexpr\ht\fcb@box+\dp\fcb@box+2\fboxsep\relax\divide\fcb@y65536
 \raisebox{-\dimexpr\dp\fcb@box+\fboxsep\relax}{\begin{picture}(\the\fcb@x,\the\fcb@y)#1\put(0,0){\makebox(\the\fcb@x,\the\fcb@y){\usebox\fcb@box}}\put(\fcb@half\fcb@x,\fcb@half\fcb@y){\oval(\the\fcb@x,\the\fcb@y)}\end{picture}}\endgroup}
\def\fcb@half#1{\strip@pt\dimexpr\the#1pt/2\relax}
\newenvironment{Bcenter}{\begin{tabular}{@{}c@{}}}{\end{tabular}}\newenvironment{Bflushleft}{\begin{tabular}{@{}l@{}}}{\end{tabular}}\newenvironment{Bflushright}{\begin{tabular}{@{}r@{}}}{\end{tabular}}
\newenvironment{Bitemize}{\begin{minipage}{\linewidth}\begin{itemize}}{\end{itemize}\end{minipage}}
\newenvironment{Benumerate}{\begin{minipage}{\linewidth}\begin{enumerate}}{\end{enumerate}\end{minipage}}
\newenvironment{Bdescription}{\begin{minipage}{\linewidth}\begin{description}}{\end{description}\end{minipage}}
\newenvironment{Beqnarray}{\(\displaystyle\begin{array}{r@{\;}c@{\;}l}}{\end{array}\)}
\newenvironment{Beqnarray*}{\(\displaystyle\begin{array}{r@{\;}c@{\;}l}}{\end{array}\)}
\newsavebox\fcb@kept\newenvironment{Sbox}{\begin{lrbox}{\fcb@kept}}{\end{lrbox}\global\setbox\fcb@kept\box\fcb@kept}\def\TheSbox{\box\fcb@kept}
\newcommand\boxput{\@ifstar\fcb@put\fcb@put}\def\fcb@put(#1,#2)#3#4{\sbox\fcb@box{#4}\raisebox{\z@}{\rlap{#3}\usebox\fcb@box}}
\newcommand\fancyoval{\ovalbox}\newcommand\fancypage[2]{}\newcommand\thisfancypage[2]{}
\NewDocumentCommand\fancyput{s d() m}{\AddToShipoutPictureBG{\AtTextUpperLeft{\put(#2){#3}}}}
\NewDocumentCommand\thisfancyput{s d() m}{\AddToShipoutPictureBG*{\AtTextUpperLeft{\put(#2){#3}}}}
\newcommand\GenericCaption[1]{\par\vskip\abovecaptionskip#1\par}
`,
};

/** shadow: a frame with a shadow around a paragraph. */
export const shadow: PackageEntry = {
  name: 'shadow',
  description: 'A frame with a shadow.',
  options: null,
  requires: ['fancybox'],
  described: [sourceCommand('shabox', 'm', 'A frame with a shadow.', '\\shabox{Tide}')],
  source:
    '\\newcommand\\shabox[1]{\\shadowbox{#1}}\\newdimen\\sdim\\newdimen\\sboxsep\\newdimen\\sboxrule',
};

/** ntheorem: statements with styles and end marks of their own. */
export const ntheorem: PackageEntry = {
  name: 'ntheorem',
  description: 'Statements with styles, fonts and end marks of their own.',
  options: null,
  requires: ['amsthm', 'framed', 'xcolor'],
  setup: (it) => it.write(LISTS_THEOREMS, true, true),
  described: [
    sourceCommand(
      'theoremheaderfont',
      'm',
      'The font of the heading of statements.',
      '\\theoremheaderfont{\\scshape}',
    ),
    sourceCommand(
      'theorembodyfont',
      'm',
      'The font of the text of statements.',
      '\\theorembodyfont{\\upshape}',
    ),
    sourceCommand(
      'theoremsymbol',
      'm',
      'The mark at the end of statements.',
      '\\theoremsymbol{$\\star$}',
    ),
    sourceCommand(
      'theoremseparator',
      'm',
      'What follows the number of statements.',
      '\\theoremseparator{:}',
    ),
    sourceCommand(
      'theoremnumbering',
      'm',
      'How statements are numbered.',
      '\\theoremnumbering{arabic}',
    ),
    sourceCommand(
      'newframedtheorem',
      'momo',
      'A statement in a frame.',
      '\\newframedtheorem{law}{Law}',
    ),
  ],
  source: String.raw`
\def\nt@head{\bfseries}\def\nt@body{\itshape}\def\nt@sep{}\def\nt@break{ }\newcount\nt@count
\newcommand\theoremheaderfont[1]{\def\nt@head{#1}\nt@made}\newcommand\theorembodyfont[1]{\def\nt@body{#1}\nt@made}
\newcommand\theoremseparator[1]{\def\nt@sep{#1}\nt@made}\newcommand\theoremsymbol[1]{\def\nt@mark{#1}}
\newcommand\theoremnumbering[1]{}\newcommand\theoremindent{}\newcommand\theoremprework[1]{}\newcommand\theorempostwork[1]{}
\newskip\theorempreskipamount\newskip\theorempostskipamount\newcommand\theorempreskip[1]{}\newcommand\theorempostskip[1]{}
\def\nt@made{\advance\nt@count\@ne\edef\nt@name{ntstyle\the\nt@count}%
 \expandafter\nt@new\expandafter{\nt@name}\nt@theoremstyle{\nt@name}}
\def\nt@keep#1{\expandafter\let\csname nt@#1\the\nt@count\expandafter\endcsname\csname nt@#1\endcsname}
\def\nt@kept#1{\expandafter\noexpand\csname nt@#1\the\nt@count\endcsname}
\def\nt@new#1{\nt@keep{body}\nt@keep{head}\nt@keep{sep}%
 \edef\nt@do{\noexpand\newtheoremstyle{#1}{\topsep}{\topsep}{\nt@kept{body}}{}{\nt@kept{head}}{\nt@kept{sep}}{\nt@break}{}}\nt@do}
\let\nt@theoremstyle\theoremstyle
\def\theoremstyle#1{\def\nt@a{#1}\def\nt@break{ }%
 \def\nt@b{plain}\ifx\nt@a\nt@b\def\nt@body{\itshape}\def\nt@head{\bfseries}\def\nt@sep{}\nt@made\else
 \def\nt@b{break}\ifx\nt@a\nt@b\def\nt@break{\noexpand\newline}\nt@made\else
 \def\nt@b{marginbreak}\ifx\nt@a\nt@b\def\nt@break{\noexpand\newline}\nt@made\else
 \def\nt@b{nonumberplain}\ifx\nt@a\nt@b\nt@made\else
 \def\nt@b{definition}\ifx\nt@a\nt@b\nt@theoremstyle{definition}\else\def\nt@b{remark}\ifx\nt@a\nt@b\nt@theoremstyle{remark}\else\nt@made\fi\fi\fi\fi\fi\fi}
\NewDocumentCommand\newframedtheorem{m o m o}{\@hookenv{#1}{before}{\begin{framed}}\@hookenv{#1}{after}{\end{framed}}\IfValueTF{#2}{\newtheorem{#1}[#2]{#3}}{\IfValueTF{#4}{\newtheorem{#1}{#3}[#4]}{\newtheorem{#1}{#3}}}}
\NewDocumentCommand\newshadedtheorem{m o m o}{\@hookenv{#1}{before}{\begin{shaded}}\@hookenv{#1}{after}{\end{shaded}}\IfValueTF{#2}{\newtheorem{#1}[#2]{#3}}{\IfValueTF{#4}{\newtheorem{#1}{#3}[#4]}{\newtheorem{#1}{#3}}}}
\def\theoremframecommand{\fbox}\newcommand\newtheoremlisttype[4]{}\newskip\theoreminframepreskipamount\newskip\theoreminframepostskipamount
\newcommand\theoreminframepreskip[1]{\theoreminframepreskipamount#1\relax}\newcommand\theoreminframepostskip[1]{\theoreminframepostskipamount#1\relax}\let\shadecolor\@gobble
\newcommand\renewtheorem[2]{}\newcommand\listtheorems[1]{\@starttoc{loe}}\newcommand\addtheoremline[2]{}\newcommand\theoremlisttype[1]{}\newcommand\theoremclass[1]{}
\theoremstyle{plain}
`,
};
