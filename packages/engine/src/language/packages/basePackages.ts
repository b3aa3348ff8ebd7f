import type { PackageEntry } from '../machine/entries';
import { asOthers, describedPackage, idleEntry } from '../machine/macroEntry';

/** alltt: text as it is typed in which commands work; the blanks and lines of the source stand. */
const alltt = describedPackage(
  'alltt',
  'Text as it is typed, in which commands work.',
  String.raw`{alltt} | Text as it is typed, but for commands and braces. | \begin{alltt}ebb \textbf{flow}\end{alltt}`,
  String.raw`
\newif\ifalltt@line
\newenvironment{alltt}{\trivlist\item\relax\if@minipage\else\vskip\parskip\fi
\leftskip\@totalleftmargin\rightskip\z@\parindent\z@\parfillskip\@flushglue\parskip\z@skip
\alltt@linefalse\def\par{\ifalltt@line\leavevmode\null\@@par\penalty\interlinepenalty\else\alltt@linetrue\ifhmode\@@par\penalty\interlinepenalty\fi\fi}
\obeylines\ifdefined\verbatim@font\verbatim@font\else\ttfamily\fi\let\do\@makeother\do\$\do\&\do\#\do\^\do\_\do\%\do\~\frenchspacing\@vobeyspaces}{\endtrivlist}
`,
);

/** trig: sines and cosines of degrees, worked out. */
const trig = describedPackage(
  'trig',
  'Sines and cosines of degrees.',
  String.raw`
    CalculateSin m | Works out a sine, for \\UseSin. | \CalculateSin{30}\UseSin{30}
    UseSin m | A sine that was worked out. | \CalculateSin{30}\UseSin{30}
    UseCos m | A cosine that was worked out. | \CalculateCos{60}\UseCos{60}
    UseTan m | A tangent that was worked out. | \CalculateTan{45}\UseTan{45}`,
  String.raw`\def\CalculateSin#1{}\def\CalculateCos#1{}\def\CalculateTan#1{}\def\UseSin#1{\fpeval{round(sind(#1),5)}}\def\UseCos#1{\fpeval{round(cosd(#1),5)}}\def\UseTan#1{\fpeval{round(tand(#1),5)}}`,
);

/** footnote: notes from where none come out elsewhere; here they come out anyway. */
const footnote = (name: string): PackageEntry =>
  describedPackage(
    name,
    'Notes from tables and boxes, and notes with text as it is typed.',
    String.raw`
    {savenotes} | Notes within come out behind it. | \begin{savenotes}ebb\footnote{flow}\end{savenotes}
    makesavenoteenv m | Notes of an environment come out behind it. | \makesavenoteenv{tabular}
    savenotes | Keeps notes, for \\spewnotes. | \savenotes ebb\spewnotes`,
    String.raw`\newenvironment{savenotes}{}{}\newcommand\spewnotes{}\newcommand\makesavenoteenv[2][]{}`,
  );

/** xr: labels of other documents, which are not at hand. */
const elsewhere = (name: string): PackageEntry => ({
  name,
  description: 'Labels of other documents; they are not at hand here.',
  options: null,
  commands: [idleEntry('externaldocument', 'oom', 'Takes in the labels of another document.')],
});

/** The packages of the base and its tools that few sheets load, and their kin. */
export const basePackages: readonly PackageEntry[] = [
  alltt,
  trig,
  footnote('footnote'),
  footnote('footnotehyper'),
  elsewhere('xr'),
  elsewhere('xr-hyper'),
  asOthers('newlfont', ['amssymb'], 'Fonts as of old.'),
  asOthers('upref', ['amsmath'], 'Numbers of references stand upright.'),
  asOthers(
    'eufrak',
    ['amsfonts'],
    'Fraktur letters.',
    String.raw`\newcommand\EuFrak[1]{\mathfrak{#1}}`,
  ),
  asOthers('euscript', ['eucal'], 'Euler’s script letters.'),
  asOthers('chngpage', ['changepage'], 'Margins of passages.'),
  asOthers('caption2', ['caption'], 'The looks of captions.'),
  asOthers('isorot', ['rotating'], 'Text and floats on their side.'),
  asOthers('fvextra', ['fancyvrb'], 'Text as it is typed, whose lines break.'),
  asOthers('glossaries-extra', ['glossaries'], 'Terms and their list.'),
  asOthers('soulutf8', ['soul'], 'Spaced, underlined and struck text.'),
  asOthers('listingsutf8', ['listings'], 'Programs whose text has accents.'),
  asOthers('slashbox', ['diagbox'], 'Cells cut by a slanted line.'),
  asOthers('wrapfig2', ['wrapfig'], 'Figures that text runs round.'),
  asOthers('eepic', ['epic'], 'Lines in pictures.'),
  asOthers(
    'index',
    ['makeidx'],
    'Entries of an index.',
    String.raw`\providecommand\newindex[4]{}\providecommand\shortindexingon{}\providecommand\shortindexingoff{}\providecommand\proofmodetrue{}`,
  ),
  asOthers('dvipscol', [], 'Colours in old files.'),
  asOthers(
    'autonum',
    ['mathtools', 'cleveref'],
    'Displays that nothing refers to bear no number.',
    String.raw`\mathtoolsset{showonlyrefs}`,
  ),
  asOthers(
    'graphbox',
    [],
    'Pictures set higher or lower.',
    String.raw`\RequirePackage[export]{adjustbox}`,
  ),
];
