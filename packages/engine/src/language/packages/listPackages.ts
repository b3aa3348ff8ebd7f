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
\newcommand{\setdefaultenum}[4]{}\newcommand{\setdefaultitem}[4]{\def\pl@a{#1}\ifx\pl@a\@empty\else\def\labelitemi{#1}\fi\def\pl@a{#2}\ifx\pl@a\@empty\else\def\labelitemii{#2}\fi}
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
      'A question of its own; with a star it takes the whole line.',
      '\\begin{tasks}(2)\\task* Tide\\end{tasks}',
    ),
    sourceCommand(
      'settasks',
      'm',
      'How questions are numbered and set.',
      '\\settasks{label=\\arabic*.}',
    ),
  ],
  source: String.raw`
\newcounter{task}\newlength{\tk@width}\newcount\tk@columns\newcount\tk@at\newif\iftk@open
\def\tk@label{\alph{task})}
\def\tk@settings#1{\tk@each#1,\tk@end}
\def\tk@each#1,#2\tk@end{\tk@one#1==\tk@stop\def\tk@rest{#2}\ifx\tk@rest\@empty\let\tk@go\@empty\else\def\tk@go{\tk@each#2\tk@end}\fi\tk@go}
\def\tk@one#1=#2=#3\tk@stop{\edef\tk@key{\zap@space#1 \@empty}\def\tk@is{label}\ifx\tk@key\tk@is\tk@take#2\tk@stop\fi
 \def\tk@is{style}\ifx\tk@key\tk@is\def\tk@is{enumerate}\def\tk@val{#2}\ifx\tk@val\tk@is\def\tk@label{\arabic{task}.}\fi\def\tk@is{itemize}\ifx\tk@val\tk@is\def\tk@label{\labelitemi}\fi\fi
 \def\tk@is{counter-format}\ifx\tk@key\tk@is\tk@short#2\tk@stop\fi}
\def\tk@take#1\tk@stop{\begingroup\def\alph##1{\noexpand\alph{task}}\def\Alph##1{\noexpand\Alph{task}}\def\arabic##1{\noexpand\arabic{task}}\def\roman##1{\noexpand\roman{task}}\def\Roman##1{\noexpand\Roman{task}}\xdef\tk@tmp{#1}\endgroup\let\tk@label\tk@tmp}
\def\tk@short tsk#1\tk@stop{\tk@kind#1\tk@stop}
\def\tk@kind[#1]#2\tk@stop{\if a#1\def\tk@label{\alph{task}#2}\fi\if A#1\def\tk@label{\Alph{task}#2}\fi\if r#1\def\tk@label{\roman{task}#2}\fi\if 1#1\def\tk@label{\arabic{task}#2}\fi}
\newcommand{\settasks}[1]{\tk@settings{#1}}
\newenvironment{tasks}[1][]{\par\addvspace{\medskipamount}\setcounter{task}{0}\def\tk@a{#1}\ifx\tk@a\@empty\else\tk@settings{#1}\fi\tk@openfalse\tk@at\z@\parindent\z@\tk@first}{\tk@close\par\addvspace{\medskipamount}}
\def\tk@first{\@ifnextchar({\tk@columned}{\tk@columned(1)}}
\def\tk@columned(#1){\tk@columns#1\relax\tk@width\linewidth\advance\tk@width-2.5em\divide\tk@width\tk@columns\ignorespaces}
\def\tk@close{\iftk@open\end{minipage}\tk@openfalse\fi}
\newcommand{\task}{\tk@close\@ifstar{\tk@whole}{\@ifnextchar!{\tk@whole@}{\tk@plain}}}
\def\tk@whole@!{\tk@whole}
\def\tk@whole{\par\tk@at\z@\begingroup\tk@width\linewidth\advance\tk@width-2.5em\xdef\tk@now{\the\tk@width}\endgroup\tk@begin\tk@at\tk@columns\advance\tk@at\m@ne}
\def\tk@plain{\ifnum\tk@at=\tk@columns\par\vskip 2pt\tk@at\z@\fi\xdef\tk@now{\the\tk@width}\tk@begin}
\def\tk@begin{\refstepcounter{task}\ifnum\tk@at=\z@\noindent\hspace*{2.5em}\fi\advance\tk@at\@ne\tk@opentrue\begin{minipage}[t]{\tk@now}\@ifnextchar[{\tk@own}{\tk@set{\tk@label}}}
\def\tk@own[#1]{\addtocounter{task}{-1}\tk@set{#1}}
\def\tk@set#1{\hangindent1.5em\hangafter\@ne\noindent\hbox to1.5em{#1\hss}\ignorespaces}
`,
};
