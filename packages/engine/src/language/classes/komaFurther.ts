import { textOf, tokensText } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import { captionForm, CAPTION_OPTIONS, type CaptionOptions } from '../constructs/captionLook';
import { type Args, type CommandEntry, isStarred, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { keyValues } from '../scanning/optionLists';

/** Headings of the document's own, captions and notes of the KOMA classes (guide, chapter 3). */

/** Numbers of headings, names of floats and marks of notes, by macros that the document may change. */
export const KOMA_NUMBERS = String.raw`
\def\@seccntformat#1{\@ifundefined{#1format}{\othersectionlevelsformat{#1}{}{\csname the#1\endcsname}}{\csname #1format\endcsname}}
\newcommand\chapappifchapterprefix[1]{\if@chapterprefix\@chapapp#1\fi}\newcommand\subsubsectionformat{\thesubsubsection\autodot\enskip}\newcommand\paragraphformat{\theparagraph\autodot\enskip}\newcommand\subparagraphformat{\thesubparagraph\autodot\enskip}
\def\deffootnote{\@ifnextchar[{\koma@footnote}{\koma@footnote[]}}
\def\koma@footnote[#1]#2#3#4{\def\koma@markwidth{#1}\ifx\koma@markwidth\@empty\def\koma@markwidth{#2}\fi
 \def\thefootnotemark{\@thefnmark}\long\def\@makefntext##1{\leftskip#2\relax\parindent#3\relax\noindent\kern-\koma@markwidth\hbox to\koma@markwidth{\hss#4}##1}}
\deffootnote[1em]{1.5em}{1em}{\textsuperscript{\thefootnotemark}}
\newcommand\deffootnotemark[1]{\def\@makefnmark{\def\thefootnotemark{\@thefnmark}#1}}
\newcommand\footref[1]{\textsuperscript{\ref{#1}}}
\newcommand\addsec{\@ifstar{\section*}{\koma@addsec}}\newcommand\koma@addsec[2][]{\section*{#2}\addcontentsline{toc}{section}{\ifx\relax#1\relax#2\else#1\fi}\@mkboth{#2}{#2}}
\newcommand\addchap{\@ifstar{\chapter*}{\koma@addchap}}\newcommand\koma@addchap[2][]{\chapter*{#2}\addcontentsline{toc}{chapter}{\ifx\relax#1\relax#2\else#1\fi}\@mkboth{#2}{#2}}
\newcommand\addpart{\@ifstar{\part*}{\koma@addpart}}\newcommand\koma@addpart[2][]{\part*{#2}\addcontentsline{toc}{part}{\ifx\relax#1\relax#2\else#1\fi}}
\newenvironment{addmargin}[2][]{\def\koma@a{#1}\ifx\koma@a\@empty\def\koma@a{#2}\fi\begin{list}{}{\topsep0pt\leftmargin\koma@a\rightmargin#2\listparindent\parindent\parsep\parskip\itemindent\parindent}\item\relax}{\end{list}}
\newenvironment{addmargin*}[2][]{\begin{addmargin}[#1]{#2}}{\end{addmargin}}
\newcommand\setbibpreamble[1]{\let\koma@bibheading\@bibheading\def\@bibheading{\koma@bibheading #1\par}}
\def\koma@chapterpreamble{}\newcommand\setchapterpreamble{\@ifnextchar[{\koma@preamble}{\koma@preamble[]}}\newcommand\setpartpreamble{\@ifnextchar[{\koma@partpreamble}{\koma@partpreamble[]}}
\def\koma@preamble[#1]{\@ifnextchar[{\koma@preambleof{#1}}{\koma@preambleof{#1}[\textwidth]}}\def\koma@partpreamble[#1]{\@ifnextchar[{\koma@partpreambleof}{\koma@partpreambleof[]}}\def\koma@partpreambleof[#1]#2{\@withouteffect{setpartpreamble}}
\def\koma@preambleof#1[#2]#3{\gdef\koma@chapterpreamble{\gdef\koma@chapterpreamble{}\par\noindent\koma@side{#1}{l}{}{\hfill}\parbox{#2}{#3}\par\bigskip}}
\def\koma@side#1#2#3#4{\def\koma@a{#1}\def\koma@b{#2}\ifx\koma@a\koma@b#3\else\def\koma@b{u#2}\ifx\koma@a\koma@b#3\else\ifx\koma@a\@empty\else#4\fi\fi\fi}
\newenvironment{captionbeside}[2][]{\def\koma@beside{#2}\begin{lrbox}{\@tempboxa}}{\end{lrbox}\noindent\begin{minipage}[b]{\wd\@tempboxa}\usebox\@tempboxa\end{minipage}\hfill\begin{minipage}[b]{\dimexpr\linewidth-\wd\@tempboxa-1em\relax}\koma@captionbeside\end{minipage}}
\def\koma@captionbeside{\expandafter\caption\expandafter{\koma@beside}}
`;

type Keys = Readonly<Record<string, string>>;

/** Where the standard form of a heading stands in `\@startsection`: its level, space above and below. */
const HEADINGS: Readonly<Record<string, readonly [string, string, string] | undefined>> = {
  section: ['1', '-3.5ex \\@plus -1ex \\@minus -.2ex', '2.3ex \\@plus.2ex'],
  subsection: ['2', '-3.25ex\\@plus -1ex \\@minus -.2ex', '1.5ex \\@plus .2ex'],
  subsubsection: ['3', '-3.25ex\\@plus -1ex \\@minus -.2ex', '1.5ex \\@plus .2ex'],
  paragraph: ['4', '3.25ex \\@plus1ex \\@minus.2ex', '-1em'],
  subparagraph: ['5', '3.25ex \\@plus1ex \\@minus .2ex', '-1em'],
};

const keysIn = (tokens: readonly Token[]): Keys =>
  Object.fromEntries([...keyValues(tokens)].map(([key, value]) => [key, tokensText(value).trim()]));
const namesIn = (it: Interpreter, tokens: readonly Token[]): string[] =>
  textOf(it.p, tokens)
    .split(',')
    .map((one) => one.trim());

/** A heading by its keys, for the rest in the form of its level. */
function defineHeading(it: Interpreter, name: string, keys: Keys): void {
  const usual = HEADINGS[name] ?? HEADINGS[LEVELS[Number(keys.level)] ?? 'section'];
  const [level, above, below] = usual ?? ['1', '1ex', '1ex'];
  const type = `\\normalfont\\sectfont\\csname usekomafont@${name}\\endcsname`;
  const runIn = /^(?:true|on|yes)$/.test(keys.runin ?? '') ? '-' : '';
  const after = keys.afterskip === undefined ? below : `${runIn}${keys.afterskip}`;
  if (keys.font !== undefined) it.define(`usekomafont@${name}`, keys.font);
  it.define(
    name,
    `\\@startsection{${name}}{${keys.level ?? level}}{${keys.indent ?? '0pt'}}{${keys.beforeskip ?? above}}{${after}}{${type}}`,
  );
}
const LEVELS: Readonly<Record<number, string>> = {
  1: 'section',
  2: 'subsection',
  3: 'subsubsection',
  4: 'paragraph',
  5: 'subparagraph',
};

/** `\RedeclareSectionCommand[beforeskip=…,afterskip=…,font=…,indent=…,runin]{section}`. */
const redeclare = (name: string): CommandEntry => ({
  name,
  signature: 'om',
  description: 'Space, type and indent of a heading, by keys: beforeskip, afterskip, font, indent.',
  example: `\\${name}[beforeskip=1ex,afterskip=.5ex,font=\\itshape]{section}`,
  run: (it, args) => {
    const keys = keysIn(tokensOf(args, 0));
    for (const heading of namesIn(it, tokensOf(args, 1))) {
      if (heading === 'chapter') chapterBy(it, keys);
      else if (HEADINGS[heading]) defineHeading(it, heading, keys);
      if (keys.tocindent !== undefined || keys.tocnumwidth !== undefined)
        tocLine(it, heading, Number(HEADINGS[heading]?.[0] ?? 1), keys);
    }
  },
});

/** Room and type of chapters. */
function chapterBy(it: Interpreter, keys: Keys): void {
  if (keys.font !== undefined) it.define('usekomafont@chapter', keys.font);
  const space = keys.beforeskip?.replace(/^-/, '');
  if (space !== undefined) it.define('koma@above', space);
  if (keys.afterskip !== undefined) it.define('koma@below', keys.afterskip);
}

const tocLine = (it: Interpreter, name: string, level: number, keys: Keys): void =>
  it.define(
    `l@${name}`,
    `\\@dottedtocline{${level}}{${keys.tocindent ?? '1.5em'}}{${keys.tocnumwidth ?? '2.3em'}}`,
  );

/** `\DeclareNewSectionCommand[style=section,level=4,counterwithin=section]{exercise}`. */
const declareNew = (name: string): CommandEntry => ({
  name,
  signature: 'om',
  description: 'Headings of one’s own, by keys: style, level, counterwithin, beforeskip, font.',
  example: `\\${name}[style=section,level=2,beforeskip=1ex,afterskip=.5ex]{haven}\\haven{Quay}`,
  run: (it, args) => {
    const keys = keysIn(tokensOf(args, 0));
    for (const heading of namesIn(it, tokensOf(args, 1))) {
      const within = keys.counterwithin;
      const number = within ? `\\csname the${within}\\endcsname.` : '';
      it.execute(
        it.source(
          `\\newcounter{${heading}}${within ? `[${within}]` : ''}\\@namedef{the${heading}}{${number}\\arabic{${heading}}}\\@namedef{${heading}mark}#1{}`,
        ),
      );
      defineHeading(it, heading, keys);
      tocLine(it, heading, Number(keys.toclevel ?? keys.level ?? 1), keys);
    }
  },
});

const captionsBy = (it: Interpreter, said: CaptionOptions): void =>
  it.write(CAPTION_OPTIONS, { ...it.read(CAPTION_OPTIONS), ...said });

const caption = (
  name: string,
  signature: string,
  description: string,
  example: string,
  said: (it: Interpreter, args: Args) => CaptionOptions,
): CommandEntry => ({
  name,
  signature,
  description,
  example,
  run: (it, args) => captionsBy(it, said(it, args)),
});

const CAPTIONS: readonly CommandEntry[] = [
  caption(
    'setcapindent',
    'sm',
    'How far the lines of a caption behind its first are indented.',
    '\\setcapindent{1em}',
    (_it, args) => {
      const indention = tokensText(tokensOf(args, 1)).trim();
      // With a star all of the words stand below the label.
      return { format: 'plain', indention, labelsep: isStarred(args) ? 'newline' : 'koma' };
    },
  ),
  caption('setcaphanging', '', 'Captions hang behind their label.', '\\setcaphanging', () => ({
    format: 'hang',
  })),
  caption(
    'setcapwidth',
    'om',
    'How wide captions are.',
    '\\setcapwidth{.7\\textwidth}',
    (_it, args) => ({ width: tokensText(tokensOf(args, 1)).trim() }),
  ),
  caption(
    'setcapmargin',
    'som',
    'How far captions stand from the sides.',
    '\\setcapmargin{1cm}',
    (_it, args) => {
      const right = tokensText(tokensOf(args, 2)).trim();
      const left = args[1] ? tokensText(tokensOf(args, 1)).trim() : right;
      return { margin: left === right ? right : `{${left},${right}}` };
    },
  ),
];

/** Captions hang; their name and number, and the sign behind these, are the class's macros. */
export function komaCaptions(it: Interpreter): void {
  it.write(
    captionForm('labelformat:koma'),
    it.source('\\@ifundefined{#3format}{#1~#2}{\\csname #3format\\endcsname}'),
    true,
  );
  it.write(captionForm('labelsep:koma'), it.source('\\captionformat '), true);
  it.write(
    CAPTION_OPTIONS,
    { ...it.read(CAPTION_OPTIONS), format: 'hang', labelformat: 'koma', labelsep: 'koma' },
    true,
  );
}

export const komaFurther: readonly CommandEntry[] = [
  redeclare('RedeclareSectionCommand'),
  redeclare('RedeclareSectionCommands'),
  ...['DeclareNewSectionCommand', 'DeclareNewSectionCommands', 'DeclareSectionCommand'].map(
    declareNew,
  ),
  ...CAPTIONS,
];
