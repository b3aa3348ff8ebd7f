import type { PackageEntry } from '../machine/entries';
import { sourceCommand as command, sourcePackage } from '../machine/macroEntry';

const cell = (inner: string): string => `\\begin{tabular}{c}${inner}\\end{tabular}`;

/** makecell: lines in the cells of a table, heads, thick lines (its manual, sections 2 to 5). */
export const makecell: PackageEntry = sourcePackage(
  'makecell',
  'Several lines in a cell of a table, heads of columns, thick lines.',
  [
    command(
      'makecell',
      'som',
      'Several lines in a cell; in brackets where they stand: l, c, r, t, b.',
      cell('\\makecell[l]{ebb\\\\flood}'),
    ),
    command('thead', 'som', 'The head of a column.', cell('\\thead{ebb\\\\flood}')),
    command('rothead', 'som', 'The head of a column, turned.', cell('\\rothead{ebb}')),
    command(
      'multirowcell',
      'mom',
      'Lines in the middle of several rows.',
      cell('\\multirowcell{2}{ebb\\\\flood}\\\\ \\\\'),
    ),
    command('gape', 'om', 'A cell with room above and below.', cell('\\gape{ebb}')),
    command(
      'Gape',
      'oom',
      'A cell with room of one’s own above and below.',
      cell('\\Gape[4pt]{ebb}'),
    ),
    command('Xhline', 'm', 'A line across the table, so thick.', cell('\\Xhline{2pt} ebb')),
    command(
      'Xcline',
      'mm',
      'A line below some columns, so thick.',
      cell('ebb\\\\ \\Xcline{1-1}{2pt}'),
    ),
    command('setcellgapes', 'om', 'How much room all cells have.', '\\setcellgapes{3pt}'),
    command(
      'makegapedcells',
      '',
      'Cells have that room from here on.',
      '\\setcellgapes{3pt}\\makegapedcells',
    ),
    command('nomakegapedcells', '', 'Cells have no more room.', '\\nomakegapedcells'),
  ],
  String.raw`
\newcommand\cellalign{cc}\newcommand\theadalign{cc}\newcommand\theadfont{\footnotesize}\newcommand\cellset{}\newcommand\theadset{}\newcommand\cellrotangle{90}\newcommand\cellgape{}\newcommand\theadgape{}\newdimen\rotheadsize
\def\mcl@v{c}\def\mcl@h{c}
\def\mcl@in#1#2{\def\mcl@t##1#1##2\@nil{\def\mcl@r{##2}}\mcl@t#2#1\@nil\ifx\mcl@r\@empty\else}
\def\mcl@pos#1{\mcl@in{t}{#1}\def\mcl@v{t}\fi\mcl@in{b}{#1}\def\mcl@v{b}\fi\mcl@in{l}{#1}\def\mcl@h{l}\fi\mcl@in{r}{#1}\def\mcl@h{r}\fi
 \mcl@in{p}{#1}\def\mcl@h{#1}\fi\mcl@in{m}{#1}\def\mcl@h{#1}\fi\mcl@in{X}{#1}\def\mcl@h{#1}\fi}
\def\mcl@one#1{\mcl@pos{#1}}
\def\mcl@cell#1#2#3#4{{\def\mcl@v{c}\def\mcl@h{c}\edef\mcl@a{#1}\expandafter\mcl@pos\expandafter{\mcl@a}\IfNoValueTF{#2}{}{\mcl@pos{#2}}#3\edef\mcl@b{\noexpand\begin{tabular}[\mcl@v]{@{}\mcl@h @{}}}\mcl@b#4\end{tabular}}}
\NewDocumentCommand\makecell{som}{\mcl@cell\cellalign{#2}{\cellset}{#3}}
\NewDocumentCommand\thead{som}{\mcl@cell\theadalign{#2}{\theadfont\theadset}{#3}}
\NewDocumentCommand\rothead{som}{\rotatebox{\cellrotangle}{\mcl@cell{lc}{#2}{\theadfont}{#3}}}
\NewDocumentCommand\rotcell{som}{\rotatebox{\cellrotangle}{\mcl@cell{lc}{#2}{}{#3}}}
\NewDocumentCommand\multirowcell{moom}{\multirow{#1}{*}{\makecell{#4}}}\NewDocumentCommand\multirowthead{moom}{\multirow{#1}{*}{\thead{#4}}}
\newcommand\gape[2][]{\raisebox{0pt}[\dimexpr\height+2pt\relax][\dimexpr\depth+2pt\relax]{#2}}
\NewDocumentCommand\Gape{O{2pt}om}{\raisebox{0pt}[\dimexpr\height+#1\relax][\dimexpr\depth+\IfNoValueTF{#2}{#1}{#2}\relax]{#3}}
\newcommand\topgape[1]{\raisebox{0pt}[\dimexpr\height+2pt\relax]{#1}}\newcommand\bottopstrut{\strut}\newcommand\topstrut{\strut}\newcommand\botstrut{\strut}
\newdimen\mcl@gape\newcommand\setcellgapes[2][]{\setlength\mcl@gape{#2}}\let\mcl@stretch\arraystretch
\newcommand\makegapedcells{\edef\arraystretch{\fpeval{1+2*\strip@pt\mcl@gape/12}}}\newcommand\nomakegapedcells{\def\arraystretch{1}}
\newcommand\Xhline[1]{\noalign{\hrule height#1\relax}}\newcommand\Xcline[2]{\noalign{\global\mcl@rule\arrayrulewidth\global\arrayrulewidth#2\relax}\cline{#1}\noalign{\global\arrayrulewidth\mcl@rule}}\newdimen\mcl@rule
\newcommand\nline[1][0pt]{---}\newcommand\eline[1]{\multicolumn{#1}{l}{}}
`,
  ['multirow', 'graphicx', 'array'],
);
