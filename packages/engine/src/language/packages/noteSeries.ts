import type { PackageEntry } from '../machine/entries';
import { describedPackage, sourcePackage } from '../machine/macroEntry';

const SERIES = String.raw`
\newcommand\DeclareNewFootnote[2][plain]{\@ifnextchar[{\fns@declare{#2}}{\fns@declare{#2}[arabic]}}
\def\fns@declare#1[#2]{\newcounter{footnote#1}\expandafter\def\csname thefootnote#1\endcsname{\csname @#2\endcsname{\value{footnote#1}}}%
\expandafter\newcommand\csname footnote#1\endcsname[1]{\stepcounter{footnote#1}{\expandafter\let\expandafter\thefootnote\csname thefootnote#1\endcsname\addtocounter{footnote}{-1}\footnote{##1}}}%
\expandafter\newcommand\csname Footnote#1\endcsname[2]{{\def\thefootnote{##1}\addtocounter{footnote}{-1}\footnote{##2}}}}
\newcommand\SetFootnoteHook[1]{}\newcommand\MakeSortedPerPage[2][]{}\newcommand\SelectFootnoteRule[2][]{}\newcommand\extrafootnoterule{}
`;

const series = (name: string): PackageEntry =>
  describedPackage(
    name,
    'Further series of notes at the foot of the page.',
    String.raw`DeclareNewFootnote omo | A series of notes: its letter, how it is numbered. | \DeclareNewFootnote{A}[alph]x\footnoteA{ebb}`,
    SERIES,
  );

/** Packages that add to notes. */
export const noteSeries: readonly PackageEntry[] = [
  series('manyfoot'),
  series('bigfoot'),
  describedPackage(
    'parnotes',
    'Notes behind the paragraph they belong to.',
    String.raw`
    parnote m | A note that is printed behind its paragraph. | Ebb\parnote{flow}\parnotes
    parnotes | Prints the notes of the paragraph. | Ebb\parnote{flow}\parnotes`,
    String.raw`\newcounter{parnotemark}\def\pnt@all{}\newcommand\theparnotemark@{\arabic{parnotemark}}\newcommand\parnote[1]{\stepcounter{parnotemark}\textsuperscript{\arabic{parnotemark}}\expandafter\g@addto@macro\expandafter\pnt@all\expandafter{\expandafter\pnt@one\expandafter{\number\value{parnotemark}}{#1}}}\def\pnt@one#1#2{\textsuperscript{#1}\,#2\quad}\newcommand\parnotes{\par{\footnotesize\noindent\pnt@all\par}\gdef\pnt@all{}}\newcommand\parnotemark[1]{\textsuperscript{#1}}\newcommand\parnotereset{\setcounter{parnotemark}{0}}`,
  ),
  ...['fnpct', 'footnotebackref', 'fnpos', 'fixfoot'].map((name) =>
    sourcePackage(
      name,
      'How marks of notes stand; they stand as LaTeX has them.',
      [],
      String.raw`\providecommand\setfnpct[1]{}\providecommand\makeFNbottom{}\providecommand\makeFNbelow{}\providecommand\makeFNmid{}\providecommand\DeclareFixedFootnote{\@ifstar\fnx@dec\fnx@dec}\providecommand\fnx@dec[2]{\newcommand#1{\footnote{#2}}}`,
    ),
  ),
];
