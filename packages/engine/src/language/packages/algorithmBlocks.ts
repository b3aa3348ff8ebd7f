import type { SourceName } from '../machine/entries';
import { sourceCommand as command } from '../machine/macroEntry';

/**
 * Lines and blocks of one's own (algorithmicx manual, section 3): `\algdef{SE}…` and what is written
 * with it. An end without a text has no line.
 */
export const ALGORITHM_BLOCKS = String.raw`
\let\algnewcommand\newcommand\let\algrenewcommand\renewcommand
\def\ALG@ifin#1#2{\def\ALG@a##1#2##2\@nil{\def\ALG@b{##2}}\ALG@a#1#2\@nil\ifx\ALG@b\@empty\let\ALG@next\@secondoftwo\else\let\ALG@next\@firstoftwo\fi\ALG@next}
\NewDocumentCommand\algdef{s m o}{\ALG@ifin{#2}{S}{\ALG@ifin{#2}{E}{\ALG@start\ALG@blockend}{\ALG@start\relax}}{\ALG@ifin{#2}{C}{\ALG@continue}{\ALG@blockend}}}
\def\ALG@start#1{\ALG@ifx#1\relax\ALG@single\ALG@both}
\def\ALG@ifx#1#2{\ifx#1#2\expandafter\@firstoftwo\else\expandafter\@secondoftwo\fi}
\NewDocumentCommand\ALG@single{m O{0} o m}{\ALG@define{#1}{#2}{#3}{\ALG@item#4\relax}}
\NewDocumentCommand\ALG@both{m m O{0} o m O{0} o m}{\ALG@define{#1}{#3}{#4}{\ALG@item#5\ALG@in}\ALG@ending{#2}{#6}{#7}{#8}}
\NewDocumentCommand\ALG@blockend{m O{0} o m}{\ALG@ending{#1}{#2}{#3}{#4}}
\NewDocumentCommand\ALG@continue{m O{0} o m}{\ALG@define{#1}{#2}{#3}{\ALG@out\ALG@item#4\ALG@in}}
\def\ALG@ending#1#2#3#4{\@namedef{ALG@end@#1}{}\def\ALG@b{#4}\ifx\ALG@b\@empty\ALG@bare{#1}{\ALG@out}\else\ALG@define{#1}{#2}{#3}{\ALG@out\ALG@item#4\relax}\fi}
\def\ALG@bare#1#2{\expandafter\def\csname#1\endcsname{#2}}
\def\ALG@define#1#2#3#4{\expandafter\let\csname#1\endcsname\relax\IfNoValueTF{#3}{\expandafter\newcommand\csname#1\endcsname[#2]{#4}}{\expandafter\newcommand\csname#1\endcsname[#2][#3]{#4}}}
\NewDocumentCommand\algblock{o m m}{\@namedef{ALG@end@#3}{}\ALG@bare{#2}{\ALG@item\textbf{#2}\ALG@in}\ALG@bare{#3}{\ALG@out\ALG@item\textbf{#3}}}
\NewDocumentCommand\algblockdefx{o m m O{0} o m O{0} o m}{\ALG@define{#2}{#4}{#5}{\ALG@item#6\ALG@in}\ALG@ending{#3}{#7}{#8}{#9}}
\let\algblockdef\algblockdefx\let\algcblockdefx\algblockdefx
\NewDocumentCommand\algloop{o m}{\ALG@bare{#2}{\ALG@item\textbf{#2}\relax}}
\NewDocumentCommand\algloopdefx{o m O{0} o m}{\ALG@define{#2}{#3}{#4}{\ALG@item#5\relax}}
\def\algtext{\@ifstar\algnotext\ALG@text}\def\algnotext{\@ifstar\ALG@none\ALG@none}\def\ALG@isend#1{\ALG@ifin{#1}{End}\@firstoftwo{\@ifundefined{ALG@end@#1}\@secondoftwo\@firstoftwo}}\def\ALG@none#1{\ALG@isend{#1}{\ALG@bare{#1}{\ALG@out}}{\ALG@bare{#1}{\ALG@in}}}
\NewDocumentCommand\ALG@text{m O{0} o m}{\algrenewtext{#1}[#2]{#4}}
\NewDocumentCommand\algrenewtext{o m O{0} o m}{\ALG@isend{#2}{\ALG@define{#2}{#3}{#4}{\ALG@out\ALG@item#5\relax}}{\ALG@define{#2}{#3}{#4}{\ALG@item#5\ALG@in}}}
\def\algstore#1{\expandafter\xdef\csname ALG@kept@#1\endcsname{\arabic{ALG@line}}}\def\algrestore#1{\setcounter{ALG@line}{\csname ALG@kept@#1\endcsname}}
\def\BState{\State\hskip-\algorithmicindent}\def\algsetup#1{}\def\algdefaulttext#1{}\def\algnewlanguage#1{}\def\alglanguage#1{}
`;

const within = (name: string, signature: string, what: string, example: string): SourceName =>
  command(name, signature, what, example);

export const algorithmBlockNames: readonly SourceName[] = [
  within(
    'algnewcommand',
    'mm',
    'A command of one’s own for algorithms.',
    '\\algnewcommand{\\tide}{\\textbf{tide}}\\tide',
  ),
  within(
    'algrenewcommand',
    'mm',
    'Another form of a word of algorithms.',
    '\\algrenewcommand\\algorithmicdo{\\textbf{:}}',
  ),
  within(
    'algdef',
    'smo',
    'A block of one’s own: kind, names, what stands at its start and end.',
    '\\algdef{SE}[DO]{Do}{While}{\\textbf{do}}[1]{\\textbf{while} #1}',
  ),
  within(
    'algblock',
    'omm',
    'A block of one’s own by the names of its first and last line.',
    '\\algblock{Wait}{EndWait}',
  ),
  within(
    'algblockdefx',
    'omm',
    'A block of one’s own with the texts of its first and last line.',
    '\\algblockdefx{Wait}{EndWait}[1]{\\textbf{wait} #1}{\\textbf{go on}}',
  ),
  within(
    'algloopdefx',
    'om',
    'A line of one’s own without an end.',
    '\\algloopdefx{Once}[1]{\\textbf{once} #1}',
  ),
  within('algtext', 'sm', 'The text of a line; with a star it has none.', '\\algtext*{EndIf}'),
  within('algnotext', 'm', 'A line is left out.', '\\algnotext{EndFor}'),
  within(
    'algrenewtext',
    'om',
    'Another text of a line.',
    '\\algrenewtext{If}[1]{\\textbf{when} #1}',
  ),
  within('algstore', 'm', 'Keeps the number of the line.', '\\algstore{tide}'),
  within(
    'algrestore',
    'm',
    'Goes on with the number of the line that was kept.',
    '\\algstore{tide}\\algrestore{tide}',
  ),
  within(
    'algorithmiccomment',
    'm',
    'How comments look.',
    '\\algrenewcommand\\algorithmiccomment[1]{\\hfill // #1}',
  ),
];
