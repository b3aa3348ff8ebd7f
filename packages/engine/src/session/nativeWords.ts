/** What the processor and the kernel understand without an entry of their own, as far as a document uses it. */
export interface NativeWord {
  readonly name: string;
  readonly signature: string;
  readonly description: string;
  readonly example: string;
}

/** Data table: name, arguments, what it is, example. */
const SAID = String.raw`
newcommand|mm|Defines a command; a number in brackets says how many arguments it has.|\newcommand{\tide}[1]{\textbf{#1} tide}\tide{high}
renewcommand|mm|Gives a command another meaning.|\renewcommand{\labelitemi}{--}\begin{itemize}\item ebb\end{itemize}
providecommand|mm|Defines a command unless there is one of that name.|\providecommand{\tide}{tide}\tide
today||The date of the day.|\today
def||Defines a macro, in the old way.|\def\tide{tide}\tide
let||Makes a command mean what another one means now.|\let\tide\emph\tide{ebb}
appendix||From here on sections (or chapters) are appendices, with letters.|\appendix\section{Tables}
and||Between the names of two authors.|\author{Ines Marr \and Tove Aske}
textwidth||The width of the text on the page.|\rule{0.5\textwidth}{1pt}
linewidth||The width of the lines where it stands, also in lists and columns.|\rule{0.5\linewidth}{1pt}
columnwidth||The width of a column.|\rule{0.5\columnwidth}{1pt}
textheight||The height of the text on the page.|\setlength{\textheight}{23cm}
paperwidth||The width of the paper.|\rule{0.1\paperwidth}{1pt}
paperheight||The height of the paper.|\rule{1pt}{0.02\paperheight}
oddsidemargin||The space left of the text, less one inch.|\setlength{\oddsidemargin}{0pt}
evensidemargin||The space left of the text of even pages, less one inch.|\setlength{\evensidemargin}{0pt}
topmargin||The space above the head of the page, less one inch.|\setlength{\topmargin}{0pt}
headheight||The height of the head of the page.|\setlength{\headheight}{14pt}
headsep||The space between the head of the page and the text.|\setlength{\headsep}{20pt}
footskip||The distance from the last line of the text to the foot of the page.|\setlength{\footskip}{30pt}
parindent||How far the first line of a paragraph is set in.|\setlength{\parindent}{0pt}
parskip||The space between paragraphs.|\setlength{\parskip}{6pt}
baselineskip||The distance from line to line.|\vspace{\baselineskip}
baselinestretch||The factor of the distance from line to line.|\renewcommand{\baselinestretch}{1.2}
columnsep||The space between columns.|\setlength{\columnsep}{20pt}
columnseprule||The width of the line between columns.|\setlength{\columnseprule}{0.4pt}
tabcolsep||Half the space between the columns of a table.|\setlength{\tabcolsep}{4pt}
arraycolsep||Half the space between the columns of an array.|\setlength{\arraycolsep}{2pt}
arraystretch||The factor of the height of rows.|\renewcommand{\arraystretch}{1.3}
jot||The space added between the lines of a formula.|\setlength{\jot}{6pt}
abovedisplayskip||The space above a displayed formula.|\setlength{\abovedisplayskip}{6pt}
belowdisplayskip||The space below a displayed formula.|\setlength{\belowdisplayskip}{6pt}
itemsep||The space between the items of a list.|\begin{itemize}\setlength{\itemsep}{0pt}\item ebb\item flood\end{itemize}
topsep||The space above and below a list.|\setlength{\topsep}{3pt}
leftmargin||How far a list is set in.|\setlength{\leftmargin}{2em}
fboxsep||The space between a frame and what is in it.|\setlength{\fboxsep}{5pt}\fbox{tide}
fboxrule||The width of the line of a frame.|\setlength{\fboxrule}{1pt}\fbox{tide}
textfloatsep||The space between figures and the text.|\setlength{\textfloatsep}{10pt}
intextsep||The space around a figure within the text.|\setlength{\intextsep}{8pt}
abovecaptionskip||The space above the words of a figure.|\setlength{\abovecaptionskip}{4pt}
fill||A length that takes all the room there is.|ebb\hspace{\fill}flood
arabic|m|A counter in figures.|\arabic{page}
roman|m|A counter in small Roman numerals.|\roman{page}
Roman|m|A counter in large Roman numerals.|\Roman{page}
alph|m|A counter as a small letter.|\alph{page}
Alph|m|A counter as a capital.|\Alph{page}
fnsymbol|m|A counter as a mark of a note.|\fnsymbol{page}
value|m|What a counter stands at, where a number is asked for.|\setcounter{section}{\value{page}}
thepage||The number of the page.|\thepage
thesection||The number of the section, as it is printed.|\renewcommand{\thesection}{\Alph{section}}
thesubsection||The number of the subsection, as it is printed.|\renewcommand{\thesubsection}{\thesection.\alph{subsection}}
theequation||The number of the formula, as it is printed.|\renewcommand{\theequation}{\thesection.\arabic{equation}}
thefigure||The number of the figure, as it is printed.|\renewcommand{\thefigure}{\Roman{figure}}
thetable||The number of the table, as it is printed.|\renewcommand{\thetable}{\Roman{table}}
thefootnote||The mark of a note.|\renewcommand{\thefootnote}{\fnsymbol{footnote}}
labelitemi||The mark of the items of a list; ii, iii and iv are those within it.|\renewcommand{\labelitemi}{--}
labelenumi||The number of the items of a list; ii, iii and iv are those within it.|\renewcommand{\labelenumi}{(\alph{enumi})}
contentsname||The heading of the contents.|\renewcommand{\contentsname}{What is where}
refname||The heading of the literature in an article.|\renewcommand{\refname}{Sources}
bibname||The heading of the literature in a report or book.|\renewcommand{\bibname}{Sources}
abstractname||The heading of the summary.|\renewcommand{\abstractname}{In short}
figurename||The word before the number of a figure.|\renewcommand{\figurename}{Fig.}
tablename||The word before the number of a table.|\renewcommand{\tablename}{Tab.}
appendixname||The word before the letter of an appendix.|\renewcommand{\appendixname}{Annex}
newlength|m|A length of one's own.|\newlength{\tidemark}\setlength{\tidemark}{2cm}\rule{\tidemark}{1pt}
newif||A switch of one's own, which is on or off.|\newif\ifebb\ebbtrue\ifebb ebb\else flood\fi
makeatletter||From here on the sign @ is a letter in names of commands.|\makeatletter\def\tide@mark{ebb}\tide@mark\makeatother
makeatother||The sign @ is no longer a letter.|\makeatletter\def\tide@mark{ebb}\tide@mark\makeatother
`;

export const NATIVE_WORDS: readonly NativeWord[] = SAID.trim()
  .split('\n')
  .map((line) => {
    const [name = '', signature = '', description = '', example = ''] = line.split('|');
    return { name, signature, description, example };
  });
