import type { CommandEntry, PackageEntry } from '../machine/entries';
import { macroEntry, sourceCommand, sourceEnvironment } from '../machine/macroEntry';
import { floatKind } from '../constructs/floats';
import { declareFloat, LIST } from './algorithms';

/** Blocks of algorithm2e, whose bodies stand in braces. */
const SECOND = String.raw`
\newif\ifALG@semicolon\ALG@semicolontrue\newif\ifALG@numbered\newif\ifALG@bars\newif\ifALG@hooks\newif\ifALG@end\ALG@endtrue
\newif\ifALG@captionabove\newif\ifALG@rules\newif\ifALG@framed
\newcounter{AlgoLine}\newsavebox\ALG@box\newsavebox\ALG@body\newdimen\ALG@indent\ALG@indent1.2em
\def\ALG@bars{}\newcommand\NlSty[1]{\textbf{#1}}\newcommand\KwSty[1]{\textbf{#1}}\newcommand\ArgSty[1]{#1}
\newcommand\FuncSty[1]{\texttt{#1}}\newcommand\DataSty[1]{\textsf{#1}}\newcommand\CommentSty[1]{\texttt{#1}}
\def\SetAlgoLined{\ALG@barstrue\ALG@hooksfalse\ALG@endtrue}\def\SetAlgoVlined{\ALG@barstrue\ALG@hookstrue\ALG@endfalse}
\def\SetAlgoNoLine{\ALG@barsfalse\ALG@hooksfalse}\def\SetAlgoNoEnd{\ALG@endfalse}
\def\LinesNumbered{\ALG@numberedtrue}\def\LinesNotNumbered{\ALG@numberedfalse}
\def\DontPrintSemicolon{\ALG@semicolonfalse}\def\PrintSemicolon{\ALG@semicolontrue}
\def\ALG@stop{\ifALG@semicolon;\fi\par}
\def\ALG@bar#1{\hbox to0pt{\kern\dimexpr#1-\leftskip+.3em\relax\vrule height.7\baselineskip depth.3\baselineskip width.4pt\hss}}
\newif\ifALG@hooked\def\ALG@line{\global\ALG@hookedfalse\ifALG@quiet\else\ifALG@numbered\ALG@number\fi\fi\ALG@bars}
\newif\ifALG@quiet
\def\ALG@block#1{\ALG@remarked\gdef\ALG@remarked{}\par{\ifALG@bars\edef\ALG@bars{\ALG@bars\noexpand\ALG@bar{\the\leftskip}}\fi\advance\leftskip\ALG@indent #1\par}%
 \ifALG@hooks\ALG@unhook\nointerlineskip\moveright\dimexpr\leftskip+.3em\relax\vbox to0pt{\hrule width.6em height.4pt\vss}\kern-.3\baselineskip\global\ALG@hookedtrue\fi}
\def\ALG@unhook{\ifALG@hooked\kern.3\baselineskip\global\ALG@hookedfalse\fi}
\def\ALG@word#1{\KwSty{#1}}
\def\ALG@finish{\ifALG@end\ALG@word{end}\par\fi}
\def\ALG@inout#1#2{\par{\ALG@quiettrue\sbox\ALG@box{\textbf{#1:} }\hangindent\wd\ALG@box\hangafter1 \noindent\textbf{#1:} #2\par}}
\def\ALG@remark#1#2{\@ifstar{\ALG@aside{#1}{#2}}{\ALG@below{#1}{#2}}}
\def\ALG@aside#1#2{\@ifnextchar[{\ALG@asideat{#1}{#2}}{\ALG@asideat{#1}{#2}[r]}}
\def\ALG@asideat#1#2[#3]#4{\ifALG@semicolon\if#3f\else\if#3h\else;\fi\fi\fi\hfill\CommentSty{#1#4#2}\if#3f\else\if#3h\else\par\fi\fi}
\def\ALG@below#1#2#3{\CommentSty{#1#3#2}\par}
\newcommand\SetKwComment[3]{\expandafter\def\csname #1\endcsname{\ALG@remark{#2}{#3}}}
\def\ALG@endword#1{\ifALG@end\ALG@word{#1}\par\fi}\def\ALG@end@line{\ifALG@semicolon;\fi\ALG@remarked\gdef\ALG@remarked{}\par}
\newcommand\SetKwFor[4]{\@namedef{#1}##1##2{\ALG@word{#2}\ALG@cond{##1}\ALG@word{#3}\ALG@block{##2}\ALG@endword{#4}}%
 \@namedef{l#1}##1##2{\ALG@word{#2}\ALG@cond{##1}\ALG@word{#3} ##2\ALG@end@line}\ALG@takes{#1}\ALG@takes{l#1}}
\newcommand\SetKwRepeat[3]{\@namedef{#1}##1##2{\ALG@word{#2}\ALG@block{##2}\ALG@word{#3} ##1\ALG@stop}%
 \@namedef{l#1}##1##2{\ALG@word{#2} ##2 \ALG@word{#3} ##1\ALG@end@line}\ALG@takes{#1}\ALG@takes{l#1}}
\newcommand\SetKwIF[8]{\ALG@ifs{#1}{#4}{#5}{#8}\ALG@ifs{#2}{#6}{#5}{#8}%
 \@namedef{e#1}##1##2##3{\ALG@word{#4}\ALG@cond{##1}\ALG@word{#5}\ALG@block{##2}\ALG@word{#7}\ALG@block{##3}\ALG@endword{#8}}%
 \@namedef{le#1}##1##2##3{\ALG@word{#4}\ALG@cond{##1}\ALG@word{#5} ##2 \ALG@word{#7} ##3\ALG@end@line}%
 \@namedef{#3}##1{\ALG@word{#7}\ALG@block{##1}\ALG@endword{#8}}\@namedef{u#3}##1{\ALG@word{#7}\ALG@block{##1}}\@namedef{l#3}##1{\ALG@word{#7} ##1\ALG@end@line}%
 \ALG@takes{e#1}\ALG@takes{le#1}\ALG@takes{#3}\ALG@takes{u#3}\ALG@takes{l#3}}
\def\ALG@ifs#1#2#3#4{\@namedef{#1}##1##2{\ALG@word{#2}\ALG@cond{##1}\ALG@word{#3}\ALG@block{##2}\ALG@endword{#4}}\@namedef{u#1}##1##2{\ALG@word{#2}\ALG@cond{##1}\ALG@word{#3}\ALG@block{##2}}%
 \@namedef{l#1}##1##2{\ALG@word{#2}\ALG@cond{##1}\ALG@word{#3} ##2\ALG@end@line}\ALG@takes{#1}\ALG@takes{u#1}\ALG@takes{l#1}}
\newcommand\SetKwInput[2]{\expandafter\def\csname #1\endcsname##1{\ALG@inout{#2}{##1}}}
\newcommand\SetKwBlock[3]{\@namedef{#1}##1{\ALG@word{#2}\ALG@block{##1}\ALG@endword{#3}}\ALG@takes{#1}}
\newcommand\SetKwArray[2]{\expandafter\def\csname #1\endcsname##1{\DataSty{#2}[##1]}}
\newcommand\SetAlCapSkip[1]{}\newcommand\SetAlgoSkip[1]{}\newcommand\SetAlCapHSkip[1]{}\newcommand\SetAlgoInsideSkip[1]{}\newcommand\SetInd[2]{}\newcommand\ResetInOut[1]{}\newcommand\SetAlgorithmName[3]{\renewcommand\algorithmname{#1}}
\newcommand\SetCommentSty[1]{\renewcommand\CommentSty[1]{\csname #1\endcsname{##1}}}\newcommand\SetKwSty[1]{\renewcommand\KwSty[1]{\csname #1\endcsname{##1}}}\newcommand\SetNlSty[3]{\renewcommand\NlSty[1]{\csname #1\endcsname{#2##1#3}}}\newcommand\SetArgSty[1]{\renewcommand\ArgSty[1]{\csname #1\endcsname{##1}}}\newcommand\SetFuncSty[1]{\renewcommand\FuncSty[1]{\csname #1\endcsname{##1}}}
\newcommand\Indp[1][]{\par\advance\leftskip1em}\newcommand\Indm[1][]{\par\advance\leftskip-1em}\newcommand\nl{\leavevmode\ifALG@numbered\else\ALG@number\fi}\newcommand\nlset[1]{\leavevmode\hbox to0pt{\hss\scriptsize #1\kern\dimexpr\leftskip-.6em\relax}}
\newcommand\InputOutput{}\newcommand\AlgoDontDisplayBlockMarkers{}\newcommand\AlgoDisplayBlockMarkers{}\newcommand\SetAlgoHangIndent[1]{}
\def\ALG@caption@plain#1{\par\vskip4pt{\centering\ALG@named{#1}\par}}
\def\ALG@caption@ruled#1{\kern2pt\noindent\ALG@named{#1}\par\kern2pt\hrule\kern2pt\relax}
\def\ALG@open{\gdef\ALG@title{}\global\setcounter{AlgoLine}{0}%
 \begin{lrbox}{\ALG@body}\begin{minipage}{\dimexpr\linewidth-\ifALG@framed 8pt\else 0pt\fi\relax}\parindent0pt\parskip0pt\lineskiplimit-.5pt\relax\ifALG@numbered\leftskip1.2em\relax\fi
 \def\caption{\@ifnextchar[{\ALG@capt}{\ALG@capt[]}}\AlFnt\let\;\ALG@stop\let\label\ALG@label@\everypar{\ALG@line}\ignorespaces}
\let\ALG@label@\label
\long\def\ALG@capt[#1]#2{\ifx\ALG@refname\@empty\refstepcounter{algorithm}\else\let\thealgorithm\ALG@refname\let\@currentlabel\ALG@refname\global\let\thealgorithm\ALG@refname\fi\gdef\ALG@title{#2}\addcontentsline{loa}{algorithm}{\numberline{\thealgorithm}#2}}
\def\ALG@close{\par\ALG@unhook\end{minipage}\end{lrbox}\parindent0pt\relax
 \ifALG@rules\hrule height.8pt \ifx\ALG@title\@empty\kern2pt\else\ALG@caption@ruled{\ALG@title}\fi\noindent\usebox\ALG@body\par\kern2pt\hrule\relax
 \else\ifALG@framed\noindent\fbox{\kern1pt\usebox\ALG@body\kern1pt}\par\else\noindent\usebox\ALG@body\par\fi\ifx\ALG@title\@empty\else\ALG@caption@plain{\ALG@title}\fi\fi}
`;
/** What sets how algorithms look, and the rest of the blocks (manual, chapters 9 to 11). */
const SETTINGS = String.raw`
\def\ALG@remarked{}\def\ALG@refname{}\def\ALG@sep{:}\def\ALG@before{\ }\def\ALG@after{\ }
\def\ALG@cond#1{\ALG@before#1\ALG@after}\newcommand\SetStartEndCondition[3]{\def\ALG@before{#1}\def\ALG@after{#2}}
\newcommand\AlFnt{}\newcommand\AlCapFnt{}\newcommand\AlCapNameFnt{}\newcommand\AlTitleFnt{}\newcommand\AlCapSty[1]{\textbf{#1}}\newcommand\AlCapNameSty[1]{#1}\newcommand\AlTitleSty[1]{\textbf{#1}}
\newcommand\SetAlFnt[1]{\renewcommand\AlFnt{#1}}\newcommand\SetAlCapFnt[1]{\renewcommand\AlCapFnt{#1}}\newcommand\SetAlCapNameFnt[1]{\renewcommand\AlCapNameFnt{#1}}\newcommand\SetAlTitleFnt[1]{\renewcommand\AlTitleFnt{#1}}
\newcommand\SetAlCapSty[1]{\renewcommand\AlCapSty[1]{\csname #1\endcsname{##1}}}\newcommand\SetAlCapNameSty[1]{\renewcommand\AlCapNameSty[1]{\csname #1\endcsname{##1}}}\newcommand\SetAlTitleSty[1]{\renewcommand\AlTitleSty[1]{\csname #1\endcsname{##1}}}
\newcommand\ProgSty[1]{\textbf{#1}}\newcommand\ProcNameSty[1]{#1}\newcommand\ProcArgSty[1]{#1}\newcommand\FuncArgSty[1]{#1}
\newcommand\SetProgSty[1]{\renewcommand\ProgSty[1]{\csname #1\endcsname{##1}}}\newcommand\SetDataSty[1]{\renewcommand\DataSty[1]{\csname #1\endcsname{##1}}}
\newcommand\SetProcNameSty[1]{\renewcommand\ProcNameSty[1]{\csname #1\endcsname{##1}}}\newcommand\SetProcArgSty[1]{}\newcommand\SetFuncArgSty[1]{}\newcommand\SetProcFnt[1]{}\newcommand\SetProcNameFnt[1]{}\newcommand\SetProcArgFnt[1]{}
\newcommand\SetAlgoCaptionSeparator[1]{\def\ALG@sep{#1}}\newcommand\SetAlgoCaptionLayout[1]{}
\def\ALG@named#1{\AlCapSty{\AlCapFnt\algorithmname~\thealgorithm\ALG@sep} \AlCapNameSty{\AlCapNameFnt#1}}
\newcommand\TitleOfAlgo[1]{\par\AlTitleSty{\AlTitleFnt\algorithmname\ALG@sep}\ #1\par}
\newcommand\SetAlgoRefName[1]{\def\ALG@refname{#1}}\newcommand\SetAlgoRefRelativeSize[1]{}\newcommand\SetAlgoNlRelativeSize[1]{}\newcommand\SetNlSkip[1]{}
\newcommand\SetKwHangingKw[2]{\expandafter\def\csname #1\endcsname##1{\ALG@inout{#2}{##1}}}
\newcommand\SetKwSwitch[9]{\@namedef{#1}##1##2{\ALG@word{#4}\ALG@cond{##1}\ALG@word{#5}\ALG@block{##2}\ALG@endword{#9}}\ALG@takes{#1}%
 \@namedef{#2}##1##2{\ALG@word{#6}\ALG@cond{##1}\ALG@block{##2}\ALG@endword{#8}}\@namedef{u#2}##1##2{\ALG@word{#6}\ALG@cond{##1}\ALG@block{##2}}\@namedef{l#2}##1##2{\ALG@word{#6}\ALG@cond{##1} ##2\ALG@end@line}%
 \@namedef{#3}##1{\ALG@word{#7}\ALG@block{##1}\ALG@endword{#8}}\@namedef{u#3}##1{\ALG@word{#7}\ALG@block{##1}}\@namedef{l#3}##1{\ALG@word{#7} ##1\ALG@end@line}%
 \ALG@takes{#2}\ALG@takes{u#2}\ALG@takes{l#2}\ALG@takes{#3}\ALG@takes{u#3}\ALG@takes{l#3}}
\newcommand\leIf[3]{\ALG@word{if}\ALG@cond{#1}\ALG@word{then} #2 \ALG@word{else} #3\ALG@end@line}
\newcommand\lCase[2]{\ALG@word{case}\ALG@cond{#1}\ALG@word{do} #2\ALG@end@line}\newcommand\lOther[1]{\ALG@word{otherwise} \ALG@word{do} #1\ALG@end@line}\newcommand\uOther[1]{\ALG@word{otherwise} \ALG@word{do}\ALG@block{#1}}
\newcommand\lForAll[2]{\ALG@word{forall}\ALG@cond{#1}\ALG@word{do} #2\ALG@end@line}\newcommand\lRepeat[2]{\ALG@word{repeat} #2 \ALG@word{until} #1\ALG@end@line}
\newcommand\thealgocf{\arabic{algorithm}}\newcommand\SetVlineSkip[1]{}\newcommand\procnameref[1]{\ref{#1}}
\newif\ifALG@hidden\def\LinesNumberedHidden{\ALG@numberedtrue\ALG@hiddentrue}
\def\ALG@number{\refstepcounter{AlgoLine}\ifALG@hidden\else\ALG@shown\fi}\def\ALG@shown{\hbox to0pt{\hss{\scriptsize\NlSty{\theAlgoLine}}\kern\dimexpr\leftskip-.6em\relax}}
\newcommand\ShowLn{\leavevmode\ALG@shown}\newcommand\ShowLnLabel[1]{\leavevmode\ALG@shown\label{#1}}\newcommand\lnl[1]{\nl\label{#1}}\newcommand\nllabel[1]{\label{#1}}\newcommand\lnlset[2]{\nlset{#2}\def\@currentlabel{#2}\label{#1}}
\def\SetAlgoShortEnd{\ALG@endtrue}\def\SetAlgoLongEnd{\ALG@endtrue}\newcommand\SetAlgoBlockMarkers[2]{}
\newcommand\SetSideCommentLeft{}\newcommand\SetSideCommentRight{}\newcommand\SetFillComment{}\newcommand\SetNothing{}\newcommand\SetVline{\SetAlgoVlined}\newcommand\SetLine{\SetAlgoLined}\newcommand\SetNoline{\SetAlgoNoLine}\newcommand\SetNoLine{\SetAlgoNoLine}\newcommand\Setvlineskip[1]{}
\newskip\AlCapSkip\newskip\AlCapHSkip\newskip\algomargin\newdimen\algoheightrule\algoheightrule.8pt\newdimen\algoheightruledefault\newdimen\algotitleheightrule\newdimen\algotitleheightruledefault\newdimen\interspacetitleruled\newdimen\interspacealgoruled\newdimen\interspaceboxruled\newskip\algoskipindent
\newcommand\incmargin[1]{\advance\algomargin#1\relax}\newcommand\decmargin[1]{\advance\algomargin-#1\relax}\newcommand\IncMargin[1]{\advance\algomargin#1\relax}\newcommand\DecMargin[1]{\advance\algomargin-#1\relax}
\newcommand\SetCustomAlgoRuledWidth[1]{}\newcommand\Setnlskip[1]{}\newcommand\setnlskip[1]{}\newcommand\Setnlsty[3]{\SetNlSty{#1}{#2}{#3}}\newcommand\setalcaphskip[1]{}\newcommand\Hlne{\par\hrule}
\def\listalgorithmcfname{\listalgorithmname}\def\algorithmcfname{\algorithmname}\def\algorithmautorefname{algorithm}\def\procedureautorefname{procedure}\def\functionautorefname{function}\def\AlgoLineautorefname{line}
\newenvironment{algomathdisplay}{\[}{\]\@endparenv}
\def\ALG@paren#1{\@ifnextchar({\ALG@inparen#1}{#1}}\def\ALG@inparen#1(#2){\gdef\ALG@remarked{ #2}#1}
\def\ALG@takes#1{\expandafter\let\csname ALG@o@#1\expandafter\endcsname\csname #1\endcsname\expandafter\edef\csname #1\endcsname{\noexpand\ALG@paren\expandafter\noexpand\csname ALG@o@#1\endcsname}}
\@for\ALG@one:=If,uIf,eIf,ElseIf,uElseIf,Else,uElse,For,ForEach,ForAll,While,Repeat,Switch,Case,uCase,lCase,Other,uOther,lOther,Begin,lIf,leIf,lElseIf,lElse,lFor,lForEach,lForAll,lWhile,lRepeat\do{\expandafter\ALG@takes\expandafter{\ALG@one}}
`;
/** Kinds of floats for algorithms. */
const NAMES = ['algorithm', 'procedure', 'function'] as const;
const FLOATS = NAMES.flatMap((name) => [name, `${name}*`])
  .map(
    (name) =>
      `\\newenvironment{${name}}[1][tbp]{\\begin{ALG@${name}}[#1]\\ALG@open}{\\ALG@close\\end{ALG@${name}}}`,
  )
  .join('');

/** Blocks end with what they are (option `longend`). */
const LONG_ENDS = String.raw`
\SetKwIF{If}{ElseIf}{Else}{if}{then}{else if}{else}{end if}\SetKwFor{For}{for}{do}{end for}\SetKwFor{ForEach}{foreach}{do}{end foreach}\SetKwFor{ForAll}{forall}{do}{end forall}\SetKwFor{While}{while}{do}{end while}\SetKwSwitch{Switch}{Case}{Other}{switch}{do}{case}{otherwise}{end case}{end switch}
`;
const NAMES_BY_LANGUAGE: readonly (readonly [RegExp, string])[] = [
  [/^n?german$/, 'Algorithmus'],
  [/^french(?:kw)?$|^francais$/, 'Algorithme'],
  [/^spanish(?:kw)?$/, 'Algoritmo'],
];

/** How an algorithm is framed, by the names of its options. */
const STYLES = String.raw`
\def\ALG@style@plain{\ALG@rulesfalse\ALG@framedfalse}\def\ALG@style@boxed{\ALG@rulesfalse\ALG@framedtrue}
\def\ALG@style@ruled{\ALG@rulestrue\ALG@framedfalse}\let\ALG@style@algoruled\ALG@style@ruled\let\ALG@style@boxruled\ALG@style@ruled\let\ALG@style@tworuled\ALG@style@ruled
`;
const second = (
  name: string,
  args: string,
  what: string,
  example: string,
  macro: string,
): CommandEntry => ({
  ...macroEntry(name, args, what, `\\begin{algorithm}\n${example}\n\\end{algorithm}`, macro),
  package: 'algorithm2e',
});
const word = (text: string): string => `\\ALG@word{${text}}`;

/** algorithm2e: algorithms whose blocks stand in braces. */
export const algorithm2e: PackageEntry = {
  name: 'algorithm2e',
  description: 'Algorithms whose blocks stand in braces: \\If{…}{…}, \\For{…}{…}.',
  options: null,
  requires: ['float'],
  environments: NAMES.flatMap((name) =>
    floatKind(name, 'An algorithm').map((entry) => ({ ...entry, name: `ALG@${entry.name}` })),
  ),
  commands: [
    LIST,
    second(
      'If',
      'mm',
      'If it is so, this.',
      '\\If{$x>0$}{wait}',
      `${word('if')}\\ALG@cond{#1}${word('then')}\\ALG@block{#2}\\ALG@finish `,
    ),
    second(
      'eIf',
      'mmm',
      'If it is so, this, else that.',
      '\\eIf{$x>0$}{wait}{go}',
      `${word('if')}\\ALG@cond{#1}${word('then')}\\ALG@block{#2}${word('else')}\\ALG@block{#3}\\ALG@finish `,
    ),
    second(
      'ElseIf',
      'mm',
      'Another case.',
      '\\If{$x$}{a}\\ElseIf{$y$}{b}',
      `${word('else if')}\\ALG@cond{#1}${word('then')}\\ALG@block{#2}\\ALG@finish `,
    ),
    second(
      'Else',
      'm',
      'All other cases.',
      '\\If{$x$}{a}\\Else{b}',
      `${word('else')}\\ALG@block{#1}\\ALG@finish `,
    ),
    second(
      'For',
      'mm',
      'Repeats for each.',
      '\\For{$i=1$ to $n$}{wait}',
      `${word('for')}\\ALG@cond{#1}${word('do')}\\ALG@block{#2}\\ALG@finish `,
    ),
    second(
      'ForEach',
      'mm',
      'Repeats for each of them.',
      '\\ForEach{$x\\in X$}{wait}',
      `${word('foreach')}\\ALG@cond{#1}${word('do')}\\ALG@block{#2}\\ALG@finish `,
    ),
    second(
      'ForAll',
      'mm',
      'Repeats for all of them.',
      '\\ForAll{$x\\in X$}{wait}',
      `${word('forall')}\\ALG@cond{#1}${word('do')}\\ALG@block{#2}\\ALG@finish `,
    ),
    second(
      'While',
      'mm',
      'Repeats as long as it is so.',
      '\\While{$x>0$}{wait}',
      `${word('while')}\\ALG@cond{#1}${word('do')}\\ALG@block{#2}\\ALG@finish `,
    ),
    second(
      'Repeat',
      'mm',
      'Repeats until it is so.',
      '\\Repeat{noon}{wait}',
      `${word('repeat')}\\ALG@block{#2}${word('until')} #1\\ALG@stop `,
    ),
    ...(['uIf', 'lIf', 'uElseIf', 'lElseIf'] as const).map((name) =>
      second(
        name,
        'mm',
        name.startsWith('l') ? 'A case on one line.' : 'A case that others follow.',
        name.endsWith('ElseIf') ? `\\uIf{$x$}{a}\\${name}{$y$}{b}` : `\\${name}{$x$}{a}`,
        `${word(name.endsWith('ElseIf') ? 'else if' : 'if')}\\ALG@cond{#1}${word('then')}${name.startsWith('l') ? ' #2\\ALG@end@line ' : '\\ALG@block{#2}'}`,
      ),
    ),
    second(
      'uElse',
      'm',
      'The other cases.',
      '\\uIf{$x$}{a}\\uElse{b}',
      `${word('else')}\\ALG@block{#1}`,
    ),
    second(
      'lElse',
      'm',
      'The other cases, on one line.',
      '\\uIf{$x$}{a}\\lElse{b}',
      `${word('else')} #1\\ALG@end@line `,
    ),
    second(
      'lFor',
      'mm',
      'Repeats for each, on one line.',
      '\\lFor{$i$}{a}',
      `${word('for')}\\ALG@cond{#1}${word('do')} #2\\ALG@end@line `,
    ),
    second(
      'lForEach',
      'mm',
      'Repeats for each of them, on one line.',
      '\\lForEach{$i$}{a}',
      `${word('foreach')}\\ALG@cond{#1}${word('do')} #2\\ALG@end@line `,
    ),
    second(
      'lWhile',
      'mm',
      'Repeats as long as it is so, on one line.',
      '\\lWhile{$x$}{a}',
      `${word('while')}\\ALG@cond{#1}${word('do')} #2\\ALG@end@line `,
    ),
    second(
      'Switch',
      'mm',
      'Cases by a value.',
      '\\Switch{$x$}{\\Case{1}{a}\\Other{b}}',
      `${word('switch')}\\ALG@cond{#1}${word('do')}\\ALG@block{#2}\\ALG@finish `,
    ),
    second(
      'Case',
      'mm',
      'One of the cases.',
      '\\Switch{$x$}{\\Case{1}{a}}',
      `${word('case')}\\ALG@cond{#1}${word('do')}\\ALG@block{#2}\\ALG@finish `,
    ),
    second(
      'uCase',
      'mm',
      'One of the cases, without an end.',
      '\\Switch{$x$}{\\uCase{1}{a}}',
      `${word('case')}\\ALG@cond{#1}${word('do')}\\ALG@block{#2}`,
    ),
    second(
      'Other',
      'm',
      'All other cases.',
      '\\Switch{$x$}{\\Other{a}}',
      `${word('otherwise')} ${word('do')}\\ALG@block{#1}\\ALG@finish `,
    ),
    second(
      'Begin',
      'm',
      'A block of its own.',
      '\\Begin{wait}',
      `${word('begin')}\\ALG@block{#1}\\ALG@finish `,
    ),
    ...(
      [
        ['KwIn', 'Input'],
        ['KwOut', 'Output'],
        ['KwData', 'Data'],
        ['KwResult', 'Result'],
      ] as const
    ).map(([name, text]) =>
      second(
        name,
        'm',
        `What is its ${text.toLowerCase()}.`,
        `\\${name}{a tide}`,
        `\\ALG@inout{${text}}{#1}`,
      ),
    ),
    second('KwRet', 'm', 'What is given back.', '\\KwRet{$x$}', `${word('return')} #1`),
    second('Return', 'm', 'What is given back.', '\\Return{$x$}', `${word('return')} #1`),
    second(
      'KwTo',
      '',
      'The word “to” between bounds.',
      '\\For{$i=1$ \\KwTo $n$}{wait}',
      `${word('to')} `,
    ),
    second('tcp', '', 'A remark.', '\\tcp{till noon}', '\\ALG@remark{// }{}'),
    second('tcc', '', 'A remark.', '\\tcc{till noon}', '\\ALG@remark{/* }{ */}'),
    second('BlankLine', '', 'A line left blank.', 'a\\;\\BlankLine b', '\\par\\vskip 4pt '),
    second(
      'SetNoFillComment',
      '',
      'Remarks are as wide as they are.',
      '\\SetNoFillComment',
      '\\relax',
    ),
    second(
      'RestyleAlgo',
      'm',
      'How algorithms look.',
      '\\RestyleAlgo{ruled}',
      '\\@nameuse{ALG@style@#1}',
    ),
    second(
      'SetKwInOut',
      'mm',
      'A word like “Input” of your own.',
      '\\SetKwInOut{Need}{Need}\\Need{a tide}',
      '\\expandafter\\def\\csname #1\\endcsname##1{\\ALG@inout{#2}{##1}}',
    ),
    second(
      'SetKw',
      'mm',
      'A word in bold of your own.',
      '\\SetKw{Go}{go}\\Go',
      '\\expandafter\\def\\csname #1\\endcsname{\\textbf{#2}}',
    ),
    second(
      'SetKwFunction',
      'mm',
      'The name of a function of your own.',
      '\\SetKwFunction{Tide}{Tide}\\Tide{x}',
      '\\expandafter\\def\\csname #1\\endcsname##1{\\texttt{#2}(##1)}',
    ),
    second(
      'SetKwData',
      'mm',
      'The name of data of your own.',
      '\\SetKwData{Sea}{Sea}\\Sea',
      '\\expandafter\\def\\csname #1\\endcsname{\\textsf{#2}}',
    ),
    second(
      'SetKwProg',
      'mmmm',
      'A block of your own.',
      '\\SetKwProg{Fn}{Function}{:}{end}\\Fn{tide}{wait}',
      '\\expandafter\\def\\csname #1\\endcsname##1##2{\\KwSty{#2} ##1 #3\\ALG@block{##2}\\ifx\\relax#4\\relax\\else\\ifALG@end\\KwSty{#4}\\par\\fi\\fi}',
    ),
  ],
  described: [
    ...NAMES.map((name) =>
      sourceEnvironment(
        name,
        'o',
        'An algorithm, its blocks in braces.',
        `\\begin{${name}}[H]\n\\KwIn{a tide}\n\\If{$x>0$}{wait\\;}\n\\end{${name}}`,
      ),
    ),
    ...[
      ['SetAlgoLined', '', 'Lines at the side of blocks.'],
      ['SetAlgoVlined', '', 'Lines at the side of blocks, in place of their ends.'],
      ['SetAlgoNoLine', '', 'No lines at the side of blocks.'],
      ['SetAlgoNoEnd', '', 'Blocks do not say where they end.'],
      ['LinesNumbered', '', 'Lines are numbered.'],
      ['DontPrintSemicolon', '', 'No semicolons at the ends of lines.'],
      ['PrintSemicolon', '', 'Semicolons at the ends of lines.'],
    ].map(([name = '', signature = '', what = '']) =>
      sourceCommand(name, signature, what, `\\begin{algorithm}\n\\${name} a\\;\n\\end{algorithm}`),
    ),
  ],
  source: SECOND + SETTINGS + STYLES + FLOATS,
  setup: (it, options) => {
    declareFloat(it);
    const has = (name: string): boolean => options.includes(name);
    const style = ['ruled', 'algoruled', 'boxruled', 'tworuled', 'boxed'].find(has) ?? 'plain';
    const on = [
      ...(has('linesnumbered') ? ['\\LinesNumbered '] : []),
      ...(has('lined') ? ['\\SetAlgoLined '] : has('vlined') ? ['\\SetAlgoVlined '] : []),
      ...(has('noend') ? ['\\SetAlgoNoEnd '] : []),
      ...(has('longend') ? [LONG_ENDS] : []),
      ...(has('linesnumberedhidden') ? ['\\LinesNumberedHidden '] : []),
      ...['section', 'chapter', 'part']
        .filter((level) => has(`algo${level}`))
        .map((level) => `\\counterwithin{algorithm}{${level}}`),
      ...(has('algo2e')
        ? ['\\newenvironment{algorithm2e}[1][tbp]{\\begin{algorithm}[#1]}{\\end{algorithm}}']
        : []),
      ...NAMES_BY_LANGUAGE.filter(([pattern]) => options.some((one) => pattern.test(one))).map(
        ([, name]) => `\\def\\algorithmname{${name}}`,
      ),
    ];
    it.execute(it.source(`\\@nameuse{ALG@style@${style}}${on.join('')}`));
  },
};
