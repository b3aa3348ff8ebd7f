import type { PackageEntry } from '../machine/entries';
import { scrlayerScrpage } from './scrlayer';
import { appendixnumberbeamer } from './smallPackages';
import { sourceCommand, sourceEnvironment, sourcePackage } from '../machine/macroEntry';

/** nomencl: a list of signs; it stands in the order in which they were named. */
const nomencl = sourcePackage(
  'nomencl',
  'A list of signs with what they mean, in the order they are named.',
  [
    sourceCommand('makenomenclature', '', 'Signs are gathered for the list.', '\\makenomenclature'),
    sourceCommand(
      'nomenclature',
      'omm',
      'A sign and what it means, for the list.',
      '\\nomenclature{$h$}{height of the tide}x',
    ),
    sourceCommand(
      'printnomenclature',
      'o',
      'Prints the list of signs.',
      '\\nomenclature{$h$}{height of the tide}\\printnomenclature',
    ),
  ],
  String.raw`
\newcommand\nomname{Nomenclature}\newcommand\makenomenclature{}\newcommand\nompreamble{}\newcommand\nompostamble{}
\newcommand\nomenclature[3][]{\addtocontents{nlo}{\protect\nom@line{#2}{#3}}}
\newcommand\nom@line[2]{\item[#1] #2}
\newcommand\printnomenclature[1][1cm]{\@ifundefined{chapter}{\section*{\nomname}}{\chapter*{\nomname}}\nompreamble
 \begin{list}{}{\setlength\labelwidth{#1}\setlength\leftmargin{\labelwidth}\addtolength\leftmargin{\labelsep}\def\makelabel##1{##1\hfil}}\item[]\@starttoc{nlo}\end{list}\nompostamble}
`,
);

const tocbibind: PackageEntry = {
  ...sourcePackage('tocbibind', 'The bibliography and the index in the contents.', [], ''),
  setup: (it, options) => {
    if (options.includes('notbib')) return;
    const level =
      '\\@ifundefined{chapter}{\\addcontentsline{toc}{section}{\\refname}}{\\addcontentsline{toc}{chapter}{\\bibname}}';
    it.execute(
      it.source(
        `\\makeatletter\\let\\tbb@heading\\@bibheading\\def\\@bibheading{\\tbb@heading${level}}\\makeatother`,
      ),
    );
  },
};

const footmisc: PackageEntry = {
  ...sourcePackage(
    'footmisc',
    'Notes at the foot in other ways; of its options symbol is carried out.',
    [
      sourceCommand(
        'footref',
        'm',
        'The mark of a note that is named.',
        'x\\footnote{y\\label{n}} \\footref{n}',
      ),
    ],
    '\\providecommand\\footref[1]{\\textsuperscript{\\ref{#1}}}\\newdimen\\footnotemargin\\footnotemargin1.8em\\newcommand\\setfnsymbol[1]{}\\newcommand\\mpfootnotemark{\\footnotemark}',
  ),
  setup: (it, options) => {
    if (options.some((option) => /^symbol/.test(option)))
      it.execute(it.source('\\renewcommand\\thefootnote{\\fnsymbol{footnote}}'));
  },
};

/** tikz-3dplot: the view of pictures in space, by two angles. */
const tikz3dplot = sourcePackage(
  'tikz-3dplot',
  'Pictures in space, seen by two angles.',
  [
    sourceCommand(
      'tdplotsetmaincoords',
      'mm',
      'From where space is seen: turned about x, then about z, in degrees.',
      '\\tdplotsetmaincoords{70}{110}\\begin{tikzpicture}[tdplot_main_coords]\\draw[->] (0,0,0) -- (1,0,0);\\end{tikzpicture}',
    ),
    sourceCommand(
      'tdplotsetcoord',
      'mmmm',
      'A point by its distance and two angles.',
      '\\tdplotsetmaincoords{70}{110}\\begin{tikzpicture}[tdplot_main_coords]\\tdplotsetcoord{P}{1}{30}{60}\\draw (0,0,0) -- (P);\\end{tikzpicture}',
    ),
    sourceCommand(
      'tdplotdrawarc',
      'ommmmmm',
      'An arc in the level plane: its middle, radius, angles, how its label stands, and the label.',
      '\\tdplotsetmaincoords{70}{110}\\begin{tikzpicture}[tdplot_main_coords]\\tdplotdrawarc{(0,0,0)}{1}{0}{90}{below}{$\\phi$}\\end{tikzpicture}',
    ),
  ],
  String.raw`
\newcommand\tdplotsetmaincoords[2]{\edef\tdplotmaintheta{#1}\edef\tdplotmainphi{#2}%
 \edef\tdp@xx{\fpeval{round(cosd(#2),6)}}\edef\tdp@xy{\fpeval{round(-cosd(#1)*sind(#2),6)}}%
 \edef\tdp@yx{\fpeval{round(sind(#2),6)}}\edef\tdp@yy{\fpeval{round(cosd(#1)*cosd(#2),6)}}\edef\tdp@zy{\fpeval{round(sind(#1),6)}}%
 \edef\tdp@do{\noexpand\tikzset{tdplot_main_coords/.style={x={(\tdp@xx cm,\tdp@xy cm)},y={(\tdp@yx cm,\tdp@yy cm)},z={(0cm,\tdp@zy cm)}}}}\tdp@do}
\newcommand\tdplotdrawarc[7][]{\begin{scope}[shift={#2}]\draw[#1] plot[domain=#4:#5,samples=40,variable=\tdp@t] ({(#3)*cos(\tdp@t)},{(#3)*sin(\tdp@t)},0);\node[#6] at ({(#3)*cos((#4+#5)/2)},{(#3)*sin((#4+#5)/2)},0) {#7};\end{scope}}
\newcommand\tdplotsetcoord[4]{\edef\tdp@x{\fpeval{round((#2)*sind(#3)*cosd(#4),6)}}\edef\tdp@y{\fpeval{round((#2)*sind(#3)*sind(#4),6)}}\edef\tdp@z{\fpeval{round((#2)*cosd(#3),6)}}\tdp@at{#1}\tdp@x\tdp@y\tdp@z\tdp@at{#1xy}\tdp@x\tdp@y0\tdp@at{#1xz}\tdp@x0\tdp@z\tdp@at{#1yz}0\tdp@y\tdp@z\tdp@at{#1x}\tdp@x00\tdp@at{#1y}0\tdp@y0\tdp@at{#1z}00\tdp@z}\def\tdp@at#1#2#3#4{\edef\tdp@do{\noexpand\coordinate (#1) at (#2,#3,#4);}\tdp@do}
`,
  ['tikz'],
);

const prettyref = sourcePackage(
  'prettyref',
  'References with the name of what they name.',
  [
    sourceCommand(
      'prettyref',
      'm',
      'A reference with its name, by the letters before the colon.',
      '\\section{T}\\label{sec:t}\\prettyref{sec:t}',
    ),
    sourceCommand(
      'newrefformat',
      'mm',
      'What references with such letters say.',
      '\\newrefformat{sec}{Section~\\ref{#1}}',
    ),
  ],
  String.raw`
\newcommand\newrefformat[2]{\expandafter\def\csname pr@#1\endcsname##1{#2}}
\newcommand\prettyref[1]{\pr@split#1:\@nil{#1}}\def\pr@split#1:#2\@nil#3{\@ifundefined{pr@#1}{\ref{#3}}{\csname pr@#1\endcsname{#3}}}
\newrefformat{eq}{(\ref{#1})}\newrefformat{lem}{Lemma~\ref{#1}}\newrefformat{thm}{Theorem~\ref{#1}}\newrefformat{cha}{Chapter~\ref{#1}}\newrefformat{sec}{Section~\ref{#1}}\newrefformat{tab}{Table~\ref{#1}}\newrefformat{fig}{Figure~\ref{#1}}
`,
);

/** Packages of layout that coursework asks for now and then. */
export const wantedLayout: readonly PackageEntry[] = [
  scrlayerScrpage,
  appendixnumberbeamer,
  nomencl,
  tocbibind,
  footmisc,
  tikz3dplot,
  prettyref,
  sourcePackage(
    'quoting',
    'Longer quotations.',
    [
      sourceEnvironment(
        'quoting',
        'o',
        'A quotation.',
        '\\begin{quoting}High water at noon.\\end{quoting}',
      ),
    ],
    '\\newenvironment{quoting}[1][]{\\begin{quote}}{\\end{quote}}\\newcommand\\quotingsetup[1]{}',
  ),
  sourcePackage(
    'mdwlist',
    'Lists without room between their items.',
    ['itemize', 'enumerate', 'description'].map((name) =>
      sourceEnvironment(
        `${name}*`,
        '',
        'The list without room between its items.',
        `\\begin{${name}*}\\item${name === 'description' ? '[ebb]' : ''} low\\end{${name}*}`,
      ),
    ),
    ['itemize', 'enumerate', 'description']
      .map(
        (name) =>
          `\\newenvironment{${name}*}{\\begin{${name}}\\setlength\\itemsep{0pt}\\setlength\\parsep{0pt}\\setlength\\parskip{0pt}}{\\end{${name}}}`,
      )
      .join(''),
  ),
  sourcePackage(
    'svg',
    'Drawings as SVG files.',
    [sourceCommand('svgsetup', 'm', 'Settings of drawings.', '\\svgsetup{}')],
    '\\newcommand\\includesvg[2][]{\\includegraphics[#1]{#2.svg}}\\newcommand\\svgpath[1]{}\\newcommand\\svgsetup[1]{}',
    ['graphicx'],
  ),
  sourcePackage(
    'circledsteps',
    'Numbers in circles.',
    [sourceCommand('Circled', 'om', 'A few signs in a circle.', 'Step \\Circled{1}')],
    '\\newcommand\\Circled[2][]{\\tikz[baseline=(crs.base)]\\node[draw,circle,inner sep=1.2pt,#1] (crs) {#2};}\\let\\CircledText\\Circled',
    ['tikz'],
  ),
  sourcePackage(
    'changes',
    'What was added and taken out, marked.',
    [
      sourceCommand('added', 'om', 'What was added.', '\\added{high water}'),
      sourceCommand('deleted', 'om', 'What was taken out.', '\\deleted{low water}'),
      sourceCommand(
        'replaced',
        'omm',
        'What stands now, and what stood before.',
        '\\replaced{high}{low}',
      ),
    ],
    '\\newcommand\\added[2][]{\\textcolor{blue}{#2}}\\newcommand\\deleted[2][]{\\textcolor{blue}{\\sout{#2}}}\\newcommand\\replaced[3][]{\\textcolor{blue}{#2 \\sout{#3}}}\\newcommand\\highlight[2][]{\\colorbox{yellow!40}{#2}}\\newcommand\\definechangesauthor[2][]{}\\newcommand\\listofchanges[1][]{}\\newcommand\\setdeletedmarkup[1]{}\\newcommand\\setaddedmarkup[1]{}',
    ['xcolor', 'ulem'],
  ),
  {
    name: 'showkeys',
    description: 'Names of labels beside them; none are shown here.',
    options: null,
  },
];
