import type { PackageEntry } from '../machine/entries';
import { macroEntry } from '../machine/macroEntry';

const hook = (name: string, what: string) =>
  macroEntry(
    name,
    'M',
    `${what} the title block.`,
    `\\${name}{\\vspace{-1em}}`,
    `\\gdef\\@${name}{#1}`,
  );

/** A part of the title without its notes. */
const bare = (part: string): string => `{\\def\\thanks##1{}\\def\\footnote##1{}\\@${part}}`;

/** titling: the parts of the title as commands, and hooks around them. */
export const titling: PackageEntry = {
  name: 'titling',
  description: 'Title, author and date as commands, and hooks around them.',
  options: null,
  commands: [
    macroEntry('thetitle', '', 'The title.', '\\title{Tides}\\thetitle', bare('title')),
    macroEntry('theauthor', '', 'The author.', '\\author{M. Quill}\\theauthor', bare('author')),
    macroEntry('thedate', '', 'The date.', '\\date{March}\\thedate', bare('date')),
    hook('pretitle', 'Before the title in'),
    hook('posttitle', 'After the title in'),
    hook('preauthor', 'Before the author in'),
    hook('postauthor', 'After the author in'),
    hook('predate', 'Before the date in'),
    hook('postdate', 'After the date in'),
    macroEntry('maketitlehooka', '', 'Before the title.', '\\maketitlehooka', ''),
    macroEntry('maketitlehookb', '', 'Between title and author.', '\\maketitlehookb', ''),
    macroEntry('maketitlehookc', '', 'Between author and date.', '\\maketitlehookc', ''),
    macroEntry('maketitlehookd', '', 'After the date.', '\\maketitlehookd', ''),
  ],
  source: String.raw`
\newlength\droptitle
\def\@pretitle{\begin{center}\LARGE}\def\@posttitle{\par\end{center}\vskip .5em}
\def\@preauthor{\begin{center}\large\lineskip .5em\begin{tabular}[t]{c}}\def\@postauthor{\end{tabular}\par\end{center}}
\def\@predate{\begin{center}\large}\def\@postdate{\par\end{center}}
\def\@maketitle{\null\vskip 2em\vspace*{\droptitle}\maketitlehooka
  {\@pretitle \@title \@posttitle}\maketitlehookb{\@preauthor\def\and{\end{tabular}\hskip 1em plus .17fil\begin{tabular}[t]{c}}\@author \@postauthor}\maketitlehookc
  {\@predate \@date \@postdate}\maketitlehookd\par\vskip 1.5em}
\def\@date{\today}
`,
};
