import { gluePt, INCH, PT } from '../../base/lengths';
import { type ClassEntry, type EnvironmentEntry, tokensOf } from '../machine/entries';
import { clearPage } from '../constructs/chapters';
import { setTitlePart } from '../constructs/title';
import { setPage as countFrom } from '../constructs/pageStyle';
import { setDimen, setSkip } from '../../expansion/registers';
import type { Interpreter } from '../machine/interpreter';
import { setAll, STANDARD_OPTIONS } from '../constructs/pageLayout';
import { ARTICLE, setUp } from './standard';

/** One letter: its own page 1, paragraphs apart and without indent (letter.cls). */
const letterEnvironment: EnvironmentEntry = {
  name: 'letter',
  signature: 'M',
  description: 'A letter, to whom it goes in braces.',
  example:
    '\\begin{letter}{The harbour master}\n\\opening{Dear sir,}\n\\closing{Yours,}\n\\end{letter}',
  begin: (it, args) => {
    clearPage(it, false);
    setTitlePart(it, 'toname', tokensOf(args, 0));
    countFrom(it, 1, null);
    setDimen(it.state, 'parindent', 0);
    setSkip(it.state, 'parskip', gluePt(7));
  },
  end: (it) => clearPage(it, false),
};

const SOURCE = String.raw`
\def\address#1{\def\@fromaddress{#1}}\let\@fromaddress\@empty
\def\name#1{\def\@fromname{#1}}\let\@fromname\@empty
\def\signature#1{\def\@fromsig{#1}}\let\@fromsig\@empty
\def\location#1{\def\@location{#1}}\let\@location\@empty
\def\telephone#1{\def\@phone{#1}}\let\@phone\@empty
\def\@date{\today}\def\date#1{\def\@date{#1}}
\def\makelabels{}\def\startlabels{}
\newcounter{equation}\newcounter{figure}\newcounter{table}\newcounter{section}
\newlength\longindentation\setlength\longindentation{.5\textwidth}
\newlength\indentedwidth
\def\opening#1{\ifx\@fromaddress\@empty\thispagestyle{plain}\hfill\mbox{\@date}\par
  \else\thispagestyle{empty}\hfill\begin{tabular}{l@{}}\ignorespaces\@fromaddress\\[8pt]\@date\end{tabular}\par\fi
  \vspace{14pt}{\raggedright\@toname\par}\vspace{14pt}#1\par\nobreak}
\def\closing#1{\par\nobreak\vspace{7pt}\noindent\hspace*{.5\textwidth}%
  \parbox[t]{.45\textwidth}{\raggedright\ignorespaces #1\\[42pt]%
    \ifx\@fromsig\@empty\@fromname\else\@fromsig\fi\strut}\par}
\def\ps{\par}\def\stopbreaks{\interlinepenalty\@M\relax}\def\startbreaks{\interlinepenalty200\relax}
\def\cc#1{\par\noindent\parbox[t]{\textwidth}{\ccname: #1}\par}
\def\encl#1{\par\noindent\parbox[t]{\textwidth}{\enclname: #1}\par}
\def\ccname{cc}\def\enclname{encl}\def\pagename{Page}\def\headtoname{To}
\setcounter{secnumdepth}{0}\setcounter{tocdepth}{0}
\def\@listheading#1{}\def\@bibheading{}
`;

function setup(it: Interpreter, options: readonly string[]): void {
  it.execute(it.source('\\def\\@headingmarks@one{}\\def\\@headingmarks@two{}'));
  setUp(it, options, ARTICLE);
  // letter.cls: `\textwidth` 365, 370, 400 pt by size; `\textheight` in whole lines.
  const base = options.includes('12pt') ? 400 : options.includes('11pt') ? 370 : 365;
  const margin = (it.dimen('paperwidth') - base * PT) / 2 - INCH;
  setAll(it, {
    textwidth: base * PT,
    hsize: base * PT,
    linewidth: base * PT,
    columnwidth: base * PT,
    oddsidemargin: Math.trunc(margin / PT) * PT,
    evensidemargin: Math.trunc(margin / PT) * PT,
  });
}

export const letter: ClassEntry = {
  name: 'letter',
  description: 'Letters.',
  options: STANDARD_OPTIONS,
  environments: [letterEnvironment],
  macros: {
    figurename: 'Figure',
    tablename: 'Table',
    refname: 'References',
    abstractname: 'Abstract',
  },
  source: SOURCE,
  setup,
};
