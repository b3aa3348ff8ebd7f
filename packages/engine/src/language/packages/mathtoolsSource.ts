import type { SourceName } from '../machine/entries';
import { sourceCommand as command, sourceEnvironment } from '../machine/macroEntry';

/** Brackets as commands (mathtools manual, section 3.6): plain, with a star grown, with `[\big]` of that size. */
const PAIRED = String.raw`
\NewDocumentCommand\DeclarePairedDelimiter{mmm}{\DeclareDocumentCommand#1{som}{\IfBooleanTF{##1}{\mathopen{}\mathclose{\left#2##3\right#3}}{\MT@sized{##2}{#2}{#3}{##3}}}}
\def\MT@sized#1#2#3#4{\IfNoValueTF{#1}{\mathopen{#2}#4\mathclose{#3}}{\mathopen{#1#2}#4\mathclose{#1#3}}}
\NewDocumentCommand\DeclarePairedDelimiterX{mO{1}mmm}{\MT@pairedX#1{#2}{}{#3}{#4}{}{#5}}
\NewDocumentCommand\DeclarePairedDelimiterXPP{mO{1}mmmmm}{\MT@pairedX#1{#2}{#3}{#4}{#5}{#6}{#7}}
\def\MT@pairedX#1#2#3#4#5#6#7{%
\DeclareDocumentCommand#1{so}{\begingroup\IfBooleanTF{##1}{\def\delimsize{\middle}\csname MT@g\string#1\endcsname}{\edef\delimsize{\IfNoValueTF{##2}{}{\noexpand##2}}\csname MT@c\string#1\endcsname}}%
\expandafter\newcommand\csname MT@g\string#1\endcsname[#2]{#3\mathopen{}\mathclose{\left#4#7\right#5}#6\endgroup}%
\expandafter\newcommand\csname MT@c\string#1\endcsname[#2]{#3\mathopen{\delimsize#4}#7\mathclose{\delimsize#5}#6\endgroup}}
`;

/** Widths taken back, parts of formulas in boxes (section 3.1), what stands before a sign (3.5). */
const PLACED = String.raw`
\NewDocumentCommand\mathmakebox{O{}O{c}m}{\mathpalette{\MT@makebox{#1}{#2}}{#3}}
\def\MT@makebox#1#2#3#4{\ifx\relax#1\relax\hbox{$\m@th#3#4$}\else\makebox[#1][#2]{$\m@th#3#4$}\fi}
\def\mathmbox#1{\mathpalette{\MT@makebox{}{c}}{#1}}
\newcommand\crampedllap[2][]{\mathllap{\cramped{#1#2}}}\newcommand\crampedrlap[2][]{\mathrlap{\cramped{#1#2}}}\newcommand\crampedclap[2][]{\mathclap{\cramped{#1#2}}}
\def\textllap#1{\makebox[0pt][r]{#1}}\def\textrlap#1{\makebox[0pt][l]{#1}}\def\textclap#1{\makebox[0pt]{#1}}\let\clap\textclap
\NewDocumentCommand\smashoperator{O{lr}m}{\setbox0\hbox{$\m@th\displaystyle#2$}\setbox2\hbox{$\m@th\displaystyle\MT@first#2\@nil$}\@tempdima=\wd0 \advance\@tempdima-\wd2 \divide\@tempdima2 \ifdim\@tempdima<0pt \@tempdima=0pt \fi\mathop{\MT@smash{#1}\@tempdimb{l}\kern-\@tempdimb\displaystyle#2\MT@smash{#1}\@tempdimb{r}\kern-\@tempdimb}}
\def\MT@first#1#2\@nil{#1}
\def\MT@smash#1#2#3{#2=0pt \edef\MT@a{#1}\edef\MT@b{#3}\ifx\MT@a\MT@b#2=\@tempdima\fi\edef\MT@b{lr}\ifx\MT@a\MT@b#2=\@tempdima\fi}
\def\adjustlimits#1_#2#3_#4{\mathop{#1\vphantom{#3}}\limits_{#2\vphantom{#4}}\mathop{#3\vphantom{#1}}\limits_{#4\vphantom{#2}}}
\newcommand\prescript[3]{\mathop{}\nolimits\setbox0\hbox{$\m@th\scriptstyle#1$}\setbox2\hbox{$\m@th\scriptstyle#2$}\@tempdima=\wd0 \ifdim\wd2>\@tempdima\@tempdima=\wd2 \fi{\vphantom{#3}}^{\hbox to\@tempdima{\hss$\m@th\scriptstyle#1$}}_{\hbox to\@tempdima{\hss$\m@th\scriptstyle#2$}}#3}
\def\nuparrow{\mathrel{\ooalign{$\m@th\uparrow$\cr\hss$\m@th\scriptstyle-$\hss\cr}}}\def\ndownarrow{\mathrel{\ooalign{$\m@th\downarrow$\cr\hss$\m@th\scriptstyle-$\hss\cr}}}
\def\LaTeXunderbrace{\underbrace}\def\LaTeXoverbrace{\overbrace}
\newcommand\xmathstrut[2][]{\mathstrut}
`;

/** Lines of alignments (3.4) and fractions of two lines (3.5). */
const LINES = String.raw`
\newcommand\MoveEqLeft[1][2]{\kern#1em&\kern-#1em}
\def\Aboxed#1{\MT@aboxed#1&&\@nil}
\def\MT@aboxed#1&#2&#3\@nil{\setbox0\hbox{$\m@th\displaystyle#1{}$}\@tempdima=\wd0 \advance\@tempdima\fboxsep\advance\@tempdima\fboxrule\global\@tempdima\@tempdima\kern\@tempdima&\kern-\@tempdima\boxed{#1{}#2}}
\NewDocumentCommand\ArrowBetweenLines{sO{\Updownarrow}}{\IfBooleanTF{#1}{&&#2}{#2}\notag\\}
\def\vdotswithin#1{\setbox0\hbox{$\m@th\displaystyle{}#1{}$}\hbox to\wd0{\hss$\m@th\vdots$\hss}}
\NewDocumentCommand\shortvdotswithin{sm}{\IfBooleanTF{#1}{\vdotswithin{#2}&}{&\vdotswithin{#2}}\notag\\}
\def\MTFlushSpaceAbove{}\def\MTFlushSpaceBelow{\\}
\newcommand\splitfrac[2]{\MT@splitfrac\textstyle{#1}{#2}}\newcommand\splitdfrac[2]{\MT@splitfrac\displaystyle{#1}{#2}}
\def\MT@splitfrac#1#2#3{\setbox0\hbox{$\m@th#1#2\quad$}\setbox2\hbox{$\m@th#1\quad#3$}\@tempdima=\wd0 \ifdim\wd2>\@tempdima\@tempdima=\wd2 \fi{\begin{gathered}\hbox to\@tempdima{$\m@th#1#2$\hss}\\[-1.5\jot]\hbox to\@tempdima{\hss$\m@th#1#3$}\end{gathered}}}
\def\SwapAboveDisplaySkip{}
\newenvironment{spreadlines}[1]{\setlength\jot{#1}}{}
\newcommand\newcases[6]{\newenvironment{#1}{\left#5\begin{array}{@{}l@{#2}l@{}}}{\end{array}\right#6}\newenvironment{#1*}{\left#5\begin{array}{@{}l@{#2}l@{}}}{\end{array}\right#6}}
\newcommand\renewcases[6]{\renewenvironment{#1}{\left#5\begin{array}{@{}l@{#2}l@{}}}{\end{array}\right#6}}
`;

/** The brackets of numbers (3.2). */
const TAGS = String.raw`
\NewDocumentCommand\newtagform{mO{}mm}{\@namedef{MT@tagform@#1}{\def\@tagopen{#3}\def\@tagclose{#4}\def\@tagformat{#2}}}
\let\renewtagform\newtagform\newtagform{default}{(}{)}
\def\usetagform#1{\csname MT@tagform@#1\endcsname}
\def\refeq#1{\@tagopen\ref{#1}\@tagclose}\def\noeqref#1{}
`;

export const MATHTOOLS_SOURCE = PAIRED + PLACED + LINES + TAGS;

const SIZES =
  'A pair of brackets as a command; with a star they grow, with [\\big] they are of that size.';

export const mathtoolsNames: readonly SourceName[] = [
  command(
    'DeclarePairedDelimiter',
    'mmm',
    SIZES,
    '\\DeclarePairedDelimiter{\\abs}{\\lvert}{\\rvert}$\\abs[\\big]{x}$',
  ),
  command(
    'DeclarePairedDelimiterX',
    'mommm',
    'Brackets of your own around a body that you say.',
    '\\DeclarePairedDelimiterX{\\inner}[2]{\\langle}{\\rangle}{#1,#2}$\\inner{u}{v}$',
  ),
  command(
    'DeclarePairedDelimiterXPP',
    'mommmmm',
    'Brackets of your own, with what stands before and behind them.',
    '\\DeclarePairedDelimiterXPP{\\chance}[1]{P}{(}{)}{}{#1}$\\chance{A}$',
  ),
  command(
    'prescript',
    'mmm',
    'Raised and lowered before a sign.',
    '$\\prescript{14}{6}{\\mathrm{C}}$',
  ),
  command(
    'smashoperator',
    'om',
    'A large sign whose long limits take no width.',
    '\\[\\smashoperator{\\sum_{1\\le i\\le n}} a_i\\]',
  ),
  command('crampedclap', 'om', 'The same without width.', '$\\sum_{\\crampedclap{a^2<b}}$'),
  command('crampedllap', 'om', 'The same, to the left.', '$\\crampedllap{a^2}$'),
  command('crampedrlap', 'om', 'The same, to the right.', '$\\crampedrlap{a^2}$'),
  command('mathmakebox', 'oom', 'A formula in a box of a width.', '$\\mathmakebox[2cm][l]{x}$'),
  command('mathmbox', 'm', 'A formula in a box.', '$\\mathmbox{x}$'),
  command('textclap', 'm', 'Text that takes no width, around its place.', '\\textclap{x}'),
  command('textllap', 'm', 'Text that takes no width, left of its place.', 'a\\textllap{/}'),
  command('textrlap', 'm', 'Text that takes no width, right of its place.', '\\textrlap{/}a'),
  command(
    'adjustlimits',
    '',
    'Two limits beside each other, at one height.',
    '\\[\\adjustlimits\\lim_{n\\to\\infty}\\max_{p\\ge n} x\\]',
  ),
  command('nuparrow', '', 'An arrow up with a stroke.', '$a \\nuparrow b$'),
  command('ndownarrow', '', 'An arrow down with a stroke.', '$a \\ndownarrow b$'),
  command(
    'MoveEqLeft',
    'o',
    'The first line of an alignment begins further left.',
    '\\begin{align*}\\MoveEqLeft a+b\\\\&=c\\end{align*}',
  ),
  command(
    'Aboxed',
    'm',
    'A frame around a line of an alignment.',
    '\\begin{align*}\\Aboxed{a&=b}\\end{align*}',
  ),
  command(
    'ArrowBetweenLines',
    'so',
    'An arrow between two lines of an alignment.',
    '\\begin{alignat*}{2}&a=b&&\\\\\\ArrowBetweenLines&c=d&&\\end{alignat*}',
  ),
  command(
    'vdotswithin',
    'm',
    'Dots down, as wide as a sign.',
    '\\begin{align*}a&=b\\\\&\\vdotswithin{=}\\\\&=c\\end{align*}',
  ),
  command(
    'shortvdotswithin',
    'sm',
    'The same as a line of its own.',
    '\\begin{align*}a&=b\\\\\\shortvdotswithin{=}&=c\\end{align*}',
  ),
  command('splitfrac', 'mm', 'Two lines in a numerator.', '$\\frac{\\splitfrac{a+b}{+c+d}}{e}$'),
  command(
    'splitdfrac',
    'mm',
    'Two lines of display size in a numerator.',
    '$\\frac{\\splitdfrac{a+b}{+c+d}}{e}$',
  ),
  command(
    'newcases',
    'mmmmmm',
    'Cases of one’s own: name, space, columns, brackets.',
    '\\newcases{sides}{\\quad}{$##$\\hfil}{$##$\\hfil}{\\lbrace}{\\rbrace}$\\begin{sides}a&b\\end{sides}$',
  ),
  command(
    'newtagform',
    'momm',
    'Brackets for numbers of formulas.',
    '\\newtagform{square}{[}{]}\\usetagform{square}\\begin{equation}a\\end{equation}',
  ),
  command(
    'usetagform',
    'm',
    'Takes brackets for numbers of formulas.',
    '\\usetagform{default}\\begin{equation}a\\end{equation}',
  ),
  command(
    'refeq',
    'm',
    'A reference to a formula in the brackets of its number.',
    '\\begin{equation}\\label{q}a\\end{equation}\\refeq{q}',
  ),
  sourceEnvironment(
    'spreadlines',
    'm',
    'More room between lines of formulas.',
    '\\begin{spreadlines}{10pt}\\begin{gather*}a\\\\b\\end{gather*}\\end{spreadlines}',
  ),
];
