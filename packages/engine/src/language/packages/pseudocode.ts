import type { PackageEntry } from '../machine/entries';
import { describedPackage } from '../machine/macroEntry';

const NAMES = String.raw`
  {codebox} | A procedure, line by line. | \begin{codebox}\Procname{$\proc{Ebb}(A)$}\li $i \gets 1$\End\end{codebox}
  Procname m | The head of a procedure. | \begin{codebox}\Procname{$\proc{Ebb}(A)$}\end{codebox}
  li | A numbered line. | \begin{codebox}\li $i \gets 1$\end{codebox}
  zi | A line without a number. | \begin{codebox}\zi $i \gets 1$\end{codebox}
  proc m | The name of a procedure. | $\proc{Ebb}(A)$
  id m | A name of several letters. | $\id{tide}$
  const m | A constant. | $\const{nil}$
  attrib mm | An attribute of an object. | $\attrib{A}{length}$`;

/** Lines: number, indentation by the depth of what is open, and what stands on them. */
const LINES = String.raw`
\newcounter{codelinenumber}\newcount\clr@deep\newif\ifclr@own\newdimen\clr@step\clr@step1.5em
\newenvironment{codebox}{\par\addvspace{\medskipamount}\setcounter{codelinenumber}{0}\clr@deep0 \parindent0pt\parskip0pt\rightskip0pt plus 1fil}{\par\addvspace{\medskipamount}}
\newcommand\setlinenumber[1]{\setcounter{codelinenumber}{#1}}\newcommand\setlinenumberplus[2]{\setcounter{codelinenumber}{\numexpr#1+#2}}
\newcommand\Procname[1]{\par\noindent #1\par\nobreak}
\def\clr@line#1{\par\noindent\hangindent\dimexpr2.5em+\clr@deep\clr@step+1em\relax\makebox[2em][r]{#1}\hskip.5em\hskip\clr@deep\clr@step\relax\ignorespaces}
\newcommand\li{\stepcounter{codelinenumber}\edef\@currentlabel{\arabic{codelinenumber}}\clr@line{\arabic{codelinenumber}}}\newcommand\zi{\clr@line{}}
\newcommand\clr@word[1]{\textbf{#1}\ }
\newcommand\Indentmore{\advance\clr@deep1 \hskip\clr@step\ignorespaces}\newcommand\Do{\Indentmore}\newcommand\Then{\Indentmore}\newcommand\End{\advance\clr@deep-1 \ignorespaces}
\newcommand\For{\clr@word{for}}\newcommand\To{\ \textbf{to}\ }\newcommand\Downto{\ \textbf{downto}\ }\newcommand\By{\ \textbf{by}\ }\newcommand\While{\clr@word{while}}\newcommand\If{\clr@word{if}}\newcommand\Repeat{\textbf{repeat}\advance\clr@deep1 \ignorespaces}\newcommand\Until{\advance\clr@deep-1 \hskip-\clr@step\textbf{until}\ \ignorespaces}
\newcommand\Else{\advance\clr@deep-1 \hskip-\clr@step\textbf{else}\ \advance\clr@deep1 \ignorespaces}\newcommand\ElseIf{\advance\clr@deep-1 \hskip-\clr@step\textbf{elseif}\ \ignorespaces}\newcommand\ElseNoIf{\advance\clr@deep-1 \hskip-\clr@step\textbf{else}\ \advance\clr@deep1 \ignorespaces}
\newcommand\Return{\clr@word{return}}\newcommand\Error{\clr@word{error}}\newcommand\Goto{\clr@word{goto}}\newcommand\Spawn{\clr@word{spawn}}\newcommand\Sync{\textbf{sync}}\newcommand\Parfor{\clr@word{parallel for}}\newcommand\Comment{\hskip1em$\triangleright$\ }\newcommand\RComment[1]{\hfill$\triangleright$\ #1}\newcommand\CommentSymbol{$\triangleright$}
\newcommand\proc[1]{\textnormal{\textsc{#1}}}\newcommand\id[1]{\mathit{#1}}\newcommand\func[1]{\mathrm{#1}}\newcommand\const[1]{\textnormal{\textsc{#1}}}\newcommand\kw[1]{\textbf{#1}}
\newcommand\attrib[2]{\ensuremath{#1.\mathit{#2}}}\newcommand\attribii[3]{\ensuremath{#1.\mathit{#2}.\mathit{#3}}}\newcommand\attribiii[4]{\ensuremath{#1.\mathit{#2}.\mathit{#3}.\mathit{#4}}}\newcommand\attribxi[2]{\attrib{#1}{#2}}\newcommand\attribe[3]{\ensuremath{(#1,#2).\mathit{#3}}}\newcommand\attribb[3]{\ensuremath{#1.\mathit{#2}}}
\newcommand\isequal{\ensuremath{\mathrel{=\mkern-2mu=}}}\newcommand\twodots{\mathinner{\ldotp\ldotp}}\newcommand\subarr[3]{#1[#2\twodots #3]}\newcommand\sub[2]{#1[#2]}
`;

const named = (name: string): PackageEntry =>
  describedPackage(name, 'Procedures in the manner of a well-known textbook.', NAMES, LINES, [
    'amssymb',
  ]);

/** clrscode3e: procedures line by line, set in by what is open. */
export const pseudocode: readonly PackageEntry[] = [named('clrscode3e'), named('clrscode')];
