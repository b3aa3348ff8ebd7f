import type { PackageEntry } from '../machine/entries';
import { sourceCommand, sourceEnvironment } from '../machine/macroEntry';

const list = (name: string, what: string): ReturnType<typeof sourceEnvironment> =>
  sourceEnvironment(name, 'o', what, `\\begin{${name}}\n\\item Ebb\n\\item Flood\n\\end{${name}}`);

/** paralist: lists close together, and lists within a paragraph. Their labels are those of `enumerate`. */
export const paralist: PackageEntry = {
  name: 'paralist',
  description: 'Lists close together, or within a paragraph.',
  options: null,
  requires: ['enumerate'],
  described: [
    list('compactitem', 'A list of points without room between them.'),
    list('compactenum', 'A numbered list without room between its items; its label in brackets.'),
    sourceEnvironment(
      'compactdesc',
      '',
      'Terms and what they mean, without room between them.',
      '\\begin{compactdesc}\n\\item[Ebb] falling\n\\end{compactdesc}',
    ),
    list('asparaenum', 'Numbered paragraphs; the label in brackets.'),
    list('asparaitem', 'Paragraphs with a mark before each.'),
    list('inparaenum', 'A numbered list within the paragraph; its label in brackets.'),
    list('inparaitem', 'A list within the paragraph, a mark before each item.'),
    sourceEnvironment(
      'inparadesc',
      '',
      'Terms within the paragraph.',
      '\\begin{inparadesc}\\item[Ebb] falling\\end{inparadesc}',
    ),
    sourceCommand(
      'setdefaultenum',
      'mmmm',
      'The labels of numbered lists, by their level.',
      '\\setdefaultenum{(a)}{i.}{}{}',
    ),
    sourceCommand(
      'setdefaultitem',
      'mmmm',
      'The marks of lists, by their level.',
      '\\setdefaultitem{--}{}{}{}',
    ),
  ],
  source: String.raw`
\def\pl@tight{\itemsep\z@\parskip\z@\parsep\z@\topsep\z@\partopsep\z@}
\newenvironment{compactitem}[1][]{\def\pl@a{#1}\ifx\pl@a\@empty\itemize\else\itemize\def\@itemlabel{#1}\fi\pl@tight}{\enditemize}
\newenvironment{compactenum}[1][]{\def\pl@a{#1}\ifx\pl@a\@empty\begin{enumerate}\else\begin{enumerate}[#1]\fi\pl@tight}{\end{enumerate}}
\newenvironment{compactdesc}{\begin{description}\pl@tight}{\end{description}}
\newcounter{plinline}
\def\pl@number#1{\def\pl@a{#1}\ifx\pl@a\@empty\def\pl@label{\theplinline.}\else\pl@style#1\relax\fi}
\def\pl@style{\let\pl@label\@empty\pl@next}
\def\pl@next{\futurelet\pl@t\pl@look}
\def\pl@look{\ifx\pl@t\relax\let\pl@go\@gobble\else\ifx\pl@t\bgroup\let\pl@go\pl@group\else\let\pl@go\pl@char\fi\fi\pl@go}
\def\pl@group#1{\expandafter\def\expandafter\pl@label\expandafter{\pl@label#1}\pl@next}
\def\pl@char#1{\def\pl@b{#1}\def\pl@c{\pl@b}%
 \if\noexpand#1a\def\pl@c{\alph{plinline}}\fi\if\noexpand#1A\def\pl@c{\Alph{plinline}}\fi
 \if\noexpand#1i\def\pl@c{\roman{plinline}}\fi\if\noexpand#1I\def\pl@c{\Roman{plinline}}\fi
 \if\noexpand#11\def\pl@c{\arabic{plinline}}\fi
 \ifx\pl@c\pl@self\expandafter\def\expandafter\pl@label\expandafter{\pl@label#1}\else
  \expandafter\expandafter\expandafter\def\expandafter\expandafter\expandafter\pl@label\expandafter\expandafter\expandafter{\expandafter\pl@label\pl@c}\fi\pl@next}
\def\pl@self{\pl@b}
\newenvironment{inparaenum}[1][]{\setcounter{plinline}{0}\pl@number{#1}\renewcommand{\item}[1][]{\refstepcounter{plinline}\def\pl@d{##1}\ifx\pl@d\@empty\pl@label\else##1\fi\ \ignorespaces}\ignorespaces}{}
\newenvironment{inparaitem}[1][$\bullet$]{\renewcommand{\item}[1][#1]{##1\ \ignorespaces}\ignorespaces}{}
\newenvironment{inparadesc}{\renewcommand{\item}[1][]{\textbf{##1}\ \ignorespaces}\ignorespaces}{}
\newenvironment{asparaenum}[1][]{\setcounter{plinline}{0}\pl@number{#1}\par\renewcommand{\item}[1][]{\par\refstepcounter{plinline}\def\pl@d{##1}\ifx\pl@d\@empty\pl@label\else##1\fi\ \ignorespaces}\ignorespaces}{\par}
\newenvironment{asparaitem}[1][$\bullet$]{\par\renewcommand{\item}[1][#1]{\par##1\ \ignorespaces}\ignorespaces}{\par}
\newcommand{\defaultleftmargin}[6]{}\newcommand{\setdefaultleftmargin}[6]{}\newcommand{\pltopsep}{}\newcommand{\setdefaultenum}[4]{}\newcommand{\setdefaultitem}[4]{\def\pl@a{#1}\ifx\pl@a\@empty\else\def\labelitemi{#1}\fi\def\pl@a{#2}\ifx\pl@a\@empty\else\def\labelitemii{#2}\fi}
`,
};

/** tasks: short questions side by side in columns. */
export const tasks: PackageEntry = {
  name: 'tasks',
  description: 'Short questions side by side.',
  options: null,
  described: [
    sourceEnvironment(
      'tasks',
      'o',
      'Questions in so many columns, numbered by letters; the number of columns in round brackets.',
      '\\begin{tasks}(2)\n\\task $1+1$\n\\task $2+2$\n\\end{tasks}',
    ),
    sourceCommand(
      'task',
      'so',
      'A question of its own; with a star it takes the columns that are left, with ! the whole line.',
      '\\begin{tasks}(2)\\task Ebb\\task! Tide\\end{tasks}',
    ),
    sourceCommand(
      'settasks',
      'm',
      'How questions are numbered and set.',
      '\\settasks{label=\\arabic*.}',
    ),
  ],
  requires: ['keyval'],
  source: String.raw`
\newcounter{task}\newcount\tk@columns\newcount\tk@at\newcount\tk@span\newdimen\tk@col\newdimen\tk@ind\newif\iftk@open\newif\iftk@resume
\def\tk@label{\alph{task})}\def\thetask{\tk@label}
\def\tk@indent{2.5em}\def\tk@lw{1em}\def\tk@offset{.3333em}\def\tk@sep{\z@}\def\tk@skip{1ex plus 1ex minus 1ex}\def\tk@before{\z@}\def\tk@after{\z@}\def\tk@lformat{}\def\tk@iformat{}\let\tk@put\tk@put@left
\def\tk@put@left#1{\hbox to\tk@lw{#1\hss}}\def\tk@put@right#1{\hbox to\tk@lw{\hss#1}}\def\tk@put@center#1{\hbox to\tk@lw{\hss#1\hss}}\let\tk@put\tk@put@left
\def\tk@take#1{\begingroup\def\alph##1{\noexpand\alph{task}}\def\Alph##1{\noexpand\Alph{task}}\def\arabic##1{\noexpand\arabic{task}}\def\roman##1{\noexpand\roman{task}}\def\Roman##1{\noexpand\Roman{task}}\protected@xdef\tk@tmp{#1}\endgroup\let\tk@label\tk@tmp}
\def\tk@short tsk#1\tk@stop{\tk@kind#1\tk@stop}
\def\tk@kind[#1]#2\tk@stop{\if a#1\def\tk@label{\alph{task}#2}\fi\if A#1\def\tk@label{\Alph{task}#2}\fi\if r#1\def\tk@label{\roman{task}#2}\fi\if R#1\def\tk@label{\Roman{task}#2}\fi\if 1#1\def\tk@label{\arabic{task}#2}\fi}
\define@key{tasks}{label}{\tk@take{#1}}\define@key{tasks}{counter-format}{\tk@short#1\tk@stop}\define@key{tasks}{ref}{}
\define@key{tasks}{label-format}{\def\tk@lformat{#1}}\define@key{tasks}{item-format}{\def\tk@iformat{#1}}
\define@key{tasks}{item-indent}{\def\tk@indent{#1}}\define@key{tasks}{label-width}{\def\tk@lw{#1}}\define@key{tasks}{label-offset}{\def\tk@offset{#1}}
\define@key{tasks}{label-align}{\expandafter\let\expandafter\tk@put\csname tk@put@#1\endcsname}
\define@key{tasks}{column-sep}{\def\tk@sep{#1}}\define@key{tasks}{after-item-skip}{\def\tk@skip{#1}}\define@key{tasks}{before-skip}{\def\tk@before{#1}}\define@key{tasks}{after-skip}{\def\tk@after{#1}}
\define@key{tasks}{resume}[true]{\csname tk@resume#1\endcsname}\define@key{tasks}{start}{\tk@resumetrue\setcounter{task}{#1}\addtocounter{task}{-1}}\define@key{tasks}{debug}[true]{}\define@key{tasks}{display-style}[true]{}\define@key{tasks}{counter}{}
\define@key{tasks}{style}{\csname tk@style@#1\endcsname}
\def\tk@style@enumerate{\def\tk@label{\arabic{task}.}}\def\tk@style@itemize{\def\tk@label{\labelitemi}\def\tk@lw{1.5em}}\def\tk@style@alphabetize{\def\tk@label{\alph{task})}}
\newcommand{\settasks}[1]{\setkeys{tasks}{#1}}
\NewDocumentCommand\NewTasksEnvironment{O{} m o d()}{\NewDocumentEnvironment{#2}{O{} d()}{\begin{tasks}[#1,##1](\IfValueTF{##2}{##2}{\IfValueTF{#4}{#4}{1}})\IfValueT{#3}{\let#3\task}\ignorespaces}{\end{tasks}}}\let\RenewTasksEnvironment\NewTasksEnvironment
\newenvironment{tasks}[1][]{\par\tk@resumefalse\setkeys{tasks}{#1}\addvspace{\medskipamount}\vskip\tk@before\relax\iftk@resume\else\setcounter{task}{0}\fi\tk@openfalse\tk@at\z@\parindent\z@\tk@first}{\tk@close\par\vskip\tk@after\relax\addvspace{\medskipamount}}
\def\tk@first{\@ifnextchar({\tk@columned}{\tk@columned(1)}}
\def\tk@columned(#1){\tk@columns#1\relax\tk@col\dimexpr(\linewidth-\tk@sep*(\tk@columns-1))/\tk@columns\relax\ignorespaces}
\def\tk@close{\iftk@open\end{minipage}\tk@openfalse\fi}
\newcommand{\task}{\tk@close\@ifstar{\@ifnextchar({\tk@part}{\tk@rest}}{\@ifnextchar!{\tk@whole}{\tk@begin1}}}
\def\tk@part(#1){\tk@begin{#1}}
\def\tk@rest{\ifnum\tk@at<\tk@columns\tk@span\tk@columns\advance\tk@span-\tk@at\else\tk@span\tk@columns\fi\tk@begin\tk@span}
\def\tk@whole!{\tk@row\tk@begin\tk@columns}
\def\tk@row{\ifnum\tk@at>\z@\par\vskip\tk@skip\relax\tk@at\z@\fi}
\def\tk@begin#1{\tk@span#1\relax\ifnum\numexpr\tk@at+\tk@span\relax>\tk@columns\tk@row\fi\refstepcounter{task}\ifnum\tk@at=\z@\noindent\else\hskip\tk@sep\relax\fi\advance\tk@at\tk@span\tk@opentrue\@ifnextchar[{\tk@own}{\tk@set{\tk@label}}}
\def\tk@own[#1]{\addtocounter{task}{-1}\tk@set{#1}}
\def\tk@set#1{\hbox to\dimexpr\tk@indent\relax{\hss\tk@put{\tk@lformat{#1}}\hskip\tk@offset}\edef\tk@now{\the\dimexpr\tk@col*\tk@span+\tk@sep*(\tk@span-1)-\tk@indent\relax}\begin{minipage}[t]{\tk@now}\tk@iformat\ignorespaces}
`,
};
