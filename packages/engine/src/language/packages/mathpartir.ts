import type { PackageEntry } from '../machine/entries';
import { sourceCommand, sourceEnvironment } from '../machine/macroEntry';

/**
 * mathpartir: rules of inference, and displays of several of them that break like paragraphs. Premises stand side
 * by side, parted by `\\`; two of these begin a new line. A name in brackets stands above its rule at the left; with
 * the star keys say where (manual, sections 2 and 3).
 */
export const mathpartir: PackageEntry = {
  name: 'mathpartir',
  description: 'Rules of inference, and displays of several of them.',
  options: null,
  requires: ['amsmath'],
  described: [
    sourceCommand(
      'inferrule',
      'somm',
      'A rule: premises over a line, what follows below it; with a star keys say where its name stands.',
      '$\\inferrule*[Right=App]{A \\\\ B}{C}$',
    ),
    sourceEnvironment(
      'mathpar',
      '',
      'Rules side by side, parted by \\and, as many in a line as there is room for.',
      '\\begin{mathpar}\\inferrule{A}{B} \\and \\inferrule{C}{D}\\end{mathpar}',
    ),
  ],
  source: String.raw`
\newcommand\TirNameStyle[1]{{\small\textsc{#1}}}\newcommand\TirName[1]{\TirNameStyle{#1}}\newcommand\RefTirName[1]{\TirNameStyle{#1}}
\newcommand\LabTirName[1]{\TirNameStyle{#1}}\newcommand\DefTirName[1]{\TirNameStyle{#1}}\def\MathparLineskip{\lineskip.8em plus.2em}\def\MathparBindings{}
\def\mpr@clear{\def\mpr@left{}\def\mpr@Left{}\def\mpr@right{}\def\mpr@Right{}\def\mpr@lab{}\def\mpr@before{}\def\mpr@skipl{0pt}\def\mpr@skipr{0pt}\def\mpr@sep{2em}\def\mpr@align{c}\def\mpr@dots{}\def\mpr@frac##1##2{\frac{##1}{##2}}}
\mpr@clear
\def\mpr@define#1{\expandafter\def\csname mpr@key@#1\endcsname##1}
\def\mpr@keys#1{\@for\mpr@k:=#1\do{\expandafter\mpr@key\mpr@k==\@nil}}\def\mpr@key#1=#2=#3\@nil{\edef\mpr@n{\zap@space#1 \@empty}\csname mpr@key@\mpr@n\endcsname{#2}}
\mpr@define{left}{\def\mpr@left{\DefTirName{#1}\;}}\mpr@define{Left}{\def\mpr@Left{\llap{\DefTirName{#1}\;}}}
\mpr@define{right}{\def\mpr@right{\;\DefTirName{#1}}}\mpr@define{Right}{\def\mpr@Right{\rlap{\;\DefTirName{#1}}}}
\mpr@define{lab}{\def\mpr@lab{\LabTirName{#1}}}\mpr@define{Lab}{\def\mpr@lab{\LabTirName{#1}}}\mpr@define{label}{\def\mpr@lab{\LabTirName{#1}}}
\mpr@define{leftskip}{\def\mpr@skipl{#1}}\mpr@define{rightskip}{\def\mpr@skipr{#1}}\mpr@define{before}{\def\mpr@before{#1}}
\mpr@define{width}{}\mpr@define{narrower}{}\mpr@define{sep}{\def\mpr@sep{#1}}\mpr@define{flushleft}{\def\mpr@align{l}}\mpr@define{center}{\def\mpr@align{c}}
\mpr@define{vdots}{\def\mpr@dots{\raisebox{#1}{$\vdots$}\;}}\mpr@define{fraction}{\def\mpr@frac{#1}}\mpr@define{myfraction}{\def\mpr@frac{#1}}\mpr@define{rewrite}{}
\newcommand\mprset[1]{\mpr@keys{#1}}
\def\mpr@line{\@ifnextchar\\{\mpr@newline}{\hskip\mpr@sep\relax}}\def\mpr@newline#1{\cr}
\def\mpr@column#1{\edef\mpr@a{\noexpand\begin{array}{@{}\mpr@align @{}}}\mpr@a\let\\\mpr@line\displaystyle #1\end{array}}
\def\mpr@rule#1#2{\mpr@frac{\displaystyle\mpr@column{#1}}{\displaystyle\mpr@column{#2}}}
\newcommand\inferrule{\@ifstar{\mpr@star}{\mpr@plain}}
\newcommand\mpr@plain[3][]{{\def\mpr@a{#1}\ensuremath{\displaystyle\ifx\mpr@a\@empty\mpr@rule{#2}{#3}\else\mpr@named{\LabTirName{#1}}{\mpr@rule{#2}{#3}}\fi}}}
\def\mpr@named#1#2{\begin{array}[b]{@{}l@{}}\mbox{#1}\cr\displaystyle #2\end{array}}
\newcommand\mpr@star[3][]{{\mpr@keys{#1}\mpr@before\ensuremath{\mbox{\mpr@Left\mpr@left}\hskip-\mpr@skipl\displaystyle\ifx\mpr@lab\@empty\mpr@rule{#2}{#3}\else\mpr@named{\mpr@lab}{\mpr@rule{#2}{#3}}\fi\hskip-\mpr@skipr\relax\mbox{\mpr@right\mpr@Right}}}}
\NewDocumentEnvironment{mathpar}{+b}{\begin{center}\MathparBindings\def\and{$\hskip2em plus.5fil\penalty0 \relax$\displaystyle}\def\\{$\par$\displaystyle}$\displaystyle #1$\end{center}}{}
\NewDocumentEnvironment{mathparpagebreakable}{+b}{\begin{mathpar}#1\end{mathpar}}{}
`,
};
