import { decimalCell } from './decimalCells';
import type { PackageEntry } from '../machine/entries';
import { sourceCommand, sourceEnvironment, sourcePackage } from '../machine/macroEntry';

type Described = NonNullable<PackageEntry['described']>;

const table = (
  name: string,
  description: string,
  requires: readonly string[],
  described: Described,
  source: string,
): PackageEntry => sourcePackage(name, description, described, source, requires);

/** hhline: lines between rows, by the kind of line under each column. */
export const hhline = table(
  'hhline',
  'Lines between rows, single or double.',
  [],
  [
    sourceCommand(
      'hhline',
      'm',
      'A line below each column: - a single one, = a double one.',
      '\\begin{tabular}{c}a\\\\\\hhline{=}b\\end{tabular}',
    ),
  ],
  String.raw`
\newcommand\hhline[1]{\hhl@tilde#1~\hhl@end\hhl@stop{#1}}
\def\hhl@tilde#1~#2\hhl@stop#3{\ifx\hhl@end#2\expandafter\@firstoftwo\else\expandafter\@secondoftwo\fi{\hhl@look#3=\hhl@stop}{\hhl@one{1}#3\hhl@end}}
\def\hhl@is#1#2{\ifx#1#2\expandafter\@firstoftwo\else\expandafter\@secondoftwo\fi}
\def\hhl@one#1#2{\hhl@is\hhl@end#2{}{\hhl@is-#2{\hhl@line{#1}}{\hhl@is=#2{\hhl@line{#1}}{\hhl@is~#2{\hhl@next{#1}}{\hhl@is>#2{\hhl@skip{#1}}{\hhl@is*#2{\hhl@star{#1}}{\hhl@one{#1}}}}}}}}
\def\hhl@line#1{\cline{#1-#1}\hhl@next{#1}}\def\hhl@next#1{\expandafter\hhl@one\expandafter{\the\numexpr#1+1\relax}}\def\hhl@skip#1#2{\hhl@one{#1}}
\def\hhl@star#1#2#3{\ifnum#2>0 \expandafter\@firstoftwo\else\expandafter\@secondoftwo\fi{\expandafter\hhl@copy\expandafter{\the\numexpr#2-1\relax}{#1}{#3}}{\hhl@one{#1}}}\def\hhl@copy#1#2#3{\hhl@one{#2}#3*{#1}{#3}}
\def\hhl@look#1=#2\hhl@stop{\hline\ifx\hhl@stop#2\hhl@stop\else\hline\fi}
`,
);

/** diagbox: a cell parted by a line. */
export const diagbox = table(
  'diagbox',
  'The corner cell of a table, parted by a slanted line.',
  [],
  [
    sourceCommand(
      'diagbox',
      'omm',
      'A cell parted by a line: what is below it and what is above.',
      '\\begin{tabular}{|c|c|}\\hline\\diagbox{day}{tide} & ebb\\\\\\hline\\end{tabular}',
    ),
    sourceCommand(
      'backslashbox',
      'mm',
      'A cell parted by a line from the upper left.',
      '\\begin{tabular}{|c|c|}\\hline\\backslashbox{day}{tide} & ebb\\\\\\hline\\end{tabular}',
    ),
    sourceCommand(
      'slashbox',
      'mm',
      'A cell parted by a line from the lower left.',
      '\\begin{tabular}{|c|c|}\\hline\\slashbox{day}{tide} & ebb\\\\\\hline\\end{tabular}',
    ),
  ],
  String.raw`
\newdimen\dgb@w\newcount\dgb@x\newcount\dgb@y
\def\dgb@measure#1#2{\settowidth\dgb@w{#1\hskip1.2em#2}}
\newcommand\diagbox[3][]{\dgb@measure{#2}{#3}\hskip-\tabcolsep\dgb@cell{#2}{#3}{0}{2\baselineskip}{-}\kern-\tabcolsep}
\newcommand\backslashbox[2]{\diagbox{#1}{#2}}
\newcommand\slashbox[2]{\dgb@measure{#1}{#2}\hskip-\tabcolsep\dgb@cell{#2}{#1}{0}{0}{}\kern-\tabcolsep}
\def\dgb@cell#1#2#3#4#5{\advance\dgb@w2\tabcolsep\begingroup\setlength\unitlength{1pt}\dgb@x\dgb@w\divide\dgb@x65536 \dgb@y\dimexpr2\baselineskip\relax\divide\dgb@y65536
 \raisebox{-.3\baselineskip}[1.7\baselineskip][.3\baselineskip]{\begin{picture}(\the\dgb@x,\the\dgb@y)
 \ifx\relax#5\relax\put(0,0){\line(\the\dgb@x,\the\dgb@y){\the\dgb@x}}\put(3,\the\dgb@y){\makebox(0,0)[tl]{\raisebox{-1ex}{#2}}}\put(\the\dgb@x,2){\makebox(0,0)[br]{#1\kern3pt}}\else
 \put(0,\the\dgb@y){\line(\the\dgb@x,-\the\dgb@y){\the\dgb@x}}\put(3,2){\makebox(0,0)[bl]{#1}}\put(\the\dgb@x,\the\dgb@y){\makebox(0,0)[tr]{\raisebox{-1ex}{#2}\kern3pt}}\fi
 \end{picture}}\endgroup}
`,
);

/** tabulary: columns that share the width by what stands in them. */
export const tabulary = table(
  'tabulary',
  'Tables of a given width; their columns share it evenly here.',
  ['tabularx'],
  [
    sourceEnvironment(
      'tabulary',
      'mm',
      'A table of that width; columns L, C, R and J take what is left.',
      '\\begin{tabulary}{5cm}{LC}\nebb & flood\n\\end{tabulary}',
    ),
  ],
  String.raw`
\newcolumntype{L}{>{\raggedright\arraybackslash}X}\newcolumntype{C}{>{\centering\arraybackslash}X}
\newcolumntype{R}{>{\raggedleft\arraybackslash}X}\newcolumntype{J}{X}
\newenvironment{tabulary}[2]{\tabularx{#1}{#2}}{\endtabularx}
\newdimen\tymin\newdimen\tymax
`,
);

const asTabularx = (name: string, environment: string): PackageEntry =>
  table(
    name,
    'Tables of a given width over several pages; here on one.',
    ['tabularx', 'longtable'],
    [
      sourceEnvironment(
        environment,
        'mm',
        'A table of that width.',
        `\\begin{${environment}}{5cm}{lX}\nebb & flood\n\\end{${environment}}`,
      ),
    ],
    `\\newenvironment{${environment}}[2]{\\tabularx{#1}{#2}}{\\endtabularx}\\newcommand\\keepXColumns{}\\newcommand\\convertXColumns{}`,
  );
export const xltabular = asTabularx('xltabular', 'xltabular');

/** ltablex: `tabularx` over several pages. */
export const ltablex: PackageEntry = {
  name: 'ltablex',
  description: 'Tables of a given width over several pages; here on one.',
  options: null,
  requires: ['tabularx', 'longtable'],
  source: '\\newcommand\\keepXColumns{}\\newcommand\\convertXColumns{}',
};

const superTable = (name: string, environments: readonly string[]): PackageEntry =>
  table(
    name,
    'Tables over several pages.',
    ['longtable'],
    [
      ...environments.map((environment) =>
        sourceEnvironment(
          environment,
          'm',
          'A table that goes on over pages.',
          `\\begin{${environment}}{ll}\nebb & flood\\\\\n\\end{${environment}}`,
        ),
      ),
      sourceCommand(
        'tablehead',
        'm',
        'What stands at the head of each page of it.',
        '\\tablehead{a & b\\\\}',
      ),
      sourceCommand(
        'tablefirsthead',
        'm',
        'What stands at its head.',
        '\\tablefirsthead{a & b\\\\}',
      ),
      sourceCommand(
        'tabletail',
        'm',
        'What stands at the foot of each page of it.',
        '\\tabletail{\\hline}',
      ),
      sourceCommand('tablelasttail', 'm', 'What stands at its foot.', '\\tablelasttail{\\hline}'),
      sourceCommand('topcaption', 'm', 'Its caption, above.', '\\topcaption{Tides}'),
      sourceCommand('tablecaption', 'm', 'Its caption.', '\\tablecaption{Tides}'),
    ],
    `\\newcommand\\tablehead[1]{\\gdef\\st@head{#1}}\\newcommand\\tablefirsthead[1]{\\gdef\\st@first{#1}}\\newcommand\\tabletail[1]{\\gdef\\st@tail{#1}}\\newcommand\\tablelasttail[1]{\\gdef\\st@last{#1}}` +
      `\\newcommand\\topcaption[2][]{\\gdef\\st@caption{\\caption{#2}\\\\}}\\newcommand\\tablecaption[2][]{\\topcaption{#2}}\\newcommand\\bottomcaption[2][]{\\topcaption{#2}}\\newcommand\\shrinkheight[1]{}` +
      `\\def\\st@head{}\\def\\st@first{}\\def\\st@tail{}\\def\\st@last{}\\def\\st@caption{}` +
      environments
        .map(
          (environment) =>
            `\\newenvironment{${environment}}[1]{\\begin{longtable}{#1}\\st@caption\\ifx\\st@first\\@empty\\else\\st@first\\endfirsthead\\fi\\ifx\\st@head\\@empty\\else\\st@head\\endhead\\fi}{\\st@last\\end{longtable}\\gdef\\st@head{}\\gdef\\st@first{}\\gdef\\st@last{}\\gdef\\st@caption{}}`,
        )
        .join(''),
  );
export const supertabular = superTable('supertabular', ['supertabular', 'mpsupertabular']);
export const xtab = superTable('xtab', ['xtabular', 'mpxtabular']);

/** dcolumn: numbers in columns. */
export const dcolumn: PackageEntry = {
  ...table(
    'dcolumn',
    'Columns of decimal numbers, their points below one another.',
    ['array'],
    [],
    String.raw`\newcolumntype{D}[3]{>{\@dcell{#1}{#2}{#3}}c}`,
  ),
  commands: [decimalCell],
};
