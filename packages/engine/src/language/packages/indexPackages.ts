import { emit } from '../constructs/pageStyle';
import { entriesOf } from '../constructs/contents';
import { indexLines } from '../constructs/indexEntries';
import { cell } from '../../expansion/cells';
import { detach, type Token } from '../../expansion/meaning';
import { textOf, tokensText } from '../../expansion/tokenText';
import { aside } from '../machine/asides';
import { type Args, type CommandEntry, type PackageEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { macroEntry, quietEntry, sourceEnvironment } from '../machine/macroEntry';
import { optionWords } from '../scanning/optionWords';

/** An index: its title, and whether the contents list it (package imakeidx). */
interface Made {
  readonly title: string | null;
  readonly intoc: boolean;
}
/** The indexes that the document makes, by their names. */
const MADE = cell<Readonly<Record<string, Made>>>('indexes', {});

const listOf = (name: string): string => `index ${name}`;
const nameOf = (it: Interpreter, args: Args): string =>
  Array.isArray(args[0]) ? textOf(it.p, tokensOf(args, 0)) : '';

/** `\makeindex[name=…, title=…, columns=…, intoc]`: from here on entries are kept. */
const makeindex: CommandEntry = {
  name: 'makeindex',
  signature: 'o',
  package: 'makeidx',
  description: 'Entries are gathered for an index.',
  example: '\\makeindex',
  run: (it, args) => {
    const words = optionWords(tokensOf(args, 0));
    const made: Made = {
      title: words['title'] ?? null,
      intoc: words['intoc'] !== undefined && words['intoc'] !== 'false',
    };
    it.write(MADE, { ...it.read(MADE), [words['name'] ?? '']: made }, true);
  },
};

const index: CommandEntry = {
  name: 'index',
  signature: 'om',
  package: 'makeidx',
  description: 'Names this page in the index: group!entry, key@printed, entry|textbf.',
  example: 'tide\\index{tide!ebb}',
  run: (it, args) => {
    const name = nameOf(it, args);
    if (!it.read(MADE)[name]) return;
    const entry = detach([...tokensOf(args, 1)]);
    aside(it, () => emit(it, { kind: 'contents', list: listOf(name), entry, ...it.p.place }));
  },
  math: (reader, token) => {
    reader.it.readArguments('om', token);
    return null;
  },
};

const ITEMS = ['\\item', '\\subitem', '\\subsubitem'];

/** The index as source: sorted, each entry with its pages. */
function written(it: Interpreter, name: string): string {
  const entries = entriesOf(it, listOf(name)).map(({ entry, page }) => ({
    text: tokensText(entry as readonly Token[]).replace(/(\\[A-Za-z@]+) (?![A-Za-z])/g, '$1'),
    page,
  }));
  return indexLines(entries)
    .map(
      ({ depth, printed, pages, apart }) =>
        `${apart ? '\\indexspace ' : ''}${ITEMS[Math.min(2, depth)]} ${[printed, ...pages].join(', ')}\n`,
    )
    .join('');
}

const printindex: CommandEntry = {
  name: 'printindex',
  signature: 'o',
  package: 'makeidx',
  description: 'Prints the index, sorted, with the pages of its entries.',
  example: '\\makeindex tide\\index{tide}\\printindex',
  run: (it, args) => {
    const name = nameOf(it, args);
    const made = it.read(MADE)[name];
    const body = made ? written(it, name) : '';
    if (body === '') return;
    const title = made?.title ? `\\def\\indexname{${made.title}}` : '';
    const listed = made?.intoc ? '\\let\\@indexlisted\\@indexintoc ' : '';
    it.execute(
      it.source(`\\begingroup${title}${listed}\\begin{theindex}${body}\\end{theindex}\\endgroup`),
    );
  },
};

const THEINDEX = String.raw`
\def\@idxitem{\par\hangindent 40pt}
\let\@indexlisted\relax
\providecommand\seename{see}\providecommand\alsoname{see also}
\def\seealso#1#2{\emph{\alsoname} #1}
\def\@indexintoc{\@ifundefined{chapter}{\addcontentsline{toc}{section}{\indexname}}{\addcontentsline{toc}{chapter}{\indexname}}}
\let\theindex\undefined\let\endtheindex\undefined\newenvironment{theindex}{%
  \if@twocolumn\@restonecolfalse\else\@restonecoltrue\fi
  \columnseprule0pt\columnsep35pt\relax
  \@ifundefined{chapter}{\twocolumn[\@indexheading]}{\twocolumn[\@schapterhead{\indexname}]}%
  \@indexlisted\@mkboth{\MakeUppercase\indexname}{\MakeUppercase\indexname}%
  \thispagestyle{plain}\parindent0pt\parskip0pt plus .3pt\relax
  \def\item{\@idxitem}\def\subitem{\@idxitem\hspace*{20pt}}\def\subsubitem{\@idxitem\hspace*{30pt}}}
 {\if@restonecol\onecolumn\else\clearpage\fi}
`;

/** makeidx: an index of the document. */
export const makeidx: PackageEntry = {
  name: 'makeidx',
  description: 'An index of the document, sorted and printed.',
  options: null,
  commands: [
    makeindex,
    index,
    printindex,
    macroEntry(
      'see',
      'mm',
      'A reference within the index.',
      '\\see{tide}{}',
      '\\emph{\\seename} #1',
    ),
    quietEntry('indexsetup', 'm', 'Options of the index.'),
  ],
  described: [
    sourceEnvironment(
      'theindex',
      '',
      'The index, in two columns.',
      '\\begin{theindex}\\item tide, 1\\end{theindex}',
    ),
  ],
  source: THEINDEX,
};
export const imakeidx: PackageEntry = { ...makeidx, name: 'imakeidx' };
