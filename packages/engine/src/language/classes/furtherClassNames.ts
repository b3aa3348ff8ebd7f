import type { ClassEntry } from '../machine/entries';
import { tellingIdle } from '../machine/macroEntry';

/** What the classes of KOMA-Script have besides (guide, chapters 3 and 21). */
const KOMA = String.raw`
\providecommand\captionof[1]{\def\@captype{#1}\caption}\providecommand\captionaboveof[1]{\def\@captype{#1}\caption}\providecommand\captionbelowof[1]{\def\@captype{#1}\caption}\providecommand\setcapdynwidth[1]{}\providecommand\captionfont{}\providecommand\descfont{\sffamily\bfseries}\providecommand\titlefont{\sffamily\bfseries}
\providecommand\multiplefootnoteseparator{\textsuperscript{,}}\providecommand\thefootnotemark{\@thefnmark}\providecommand\sectionmarkformat{\thesection\autodot\enskip}\providecommand\subsectionmarkformat{\thesubsection\autodot\enskip}\providecommand\chaptermarkformat{\thechapter\autodot\enskip}\providecommand\partformat{\partname~\thepart\autodot}\providecommand\chapterformat{\thechapter\autodot\enskip}\providecommand\sectionlinesformat[4]{#3#4}\providecommand\sectioncatchphraseformat[4]{#3#4}\providecommand\chapterlinesformat[3]{#2#3}\providecommand\partlineswithprefixformat[3]{#2#3}
\providecommand\RedeclareTOCStyleEntry[3][]{}\providecommand\RedeclareTOCStyleEntries[3][]{}\providecommand\BreakBibliography[1]{#1}\providecommand\newbibstyle[3][]{}
\providecommand\dictumwidth{.333\textwidth}\providecommand\raggeddictum{\raggedleft}\providecommand\raggeddictumtext{\raggedright}\providecommand\raggeddictumauthor{\raggedleft}\providecommand\addtoeachtocfile[2][]{}\providecommand\addcontentslinetoeachtocfile[3][]{}\providecommand\AfterPackage[2]{\AtBeginDocument{#2}}\providecommand\AtAddToTocList[2][]{}\providecommand\partheadstartvskip{}\providecommand\partheadmidvskip{}\providecommand\partheadendvskip{}\providecommand\chapterheadstartvskip{}\providecommand\chapterheadmidvskip{}\providecommand\chapterheadendvskip{}\providecommand\storeareas[1]{}\providecommand\appendixmore{}
\providecommand\ifpdfoutput[2]{#1}\providecommand\Ifpdfoutput[2]{#1}\providecommand\Ifthispageodd[2]{\ifodd\value{page}#1\else#2\fi}\providecommand\Ifstr[4]{\def\kma@a{#1}\def\kma@b{#2}\ifx\kma@a\kma@b#3\else#4\fi}\providecommand\ifstr[4]{\Ifstr{#1}{#2}{#3}{#4}}\providecommand\Ifnumber[3]{\ifnum1<1#1 #2\else#3\fi}\providecommand\ifnumber[3]{\Ifnumber{#1}{#2}{#3}}\providecommand\setkomavar[1]{\@ifnextchar[{\kma@var}{\kma@var[]}}\def\kma@var[#1]#2{}`;

const FURTHER: Readonly<Record<string, string>> = {
  scrartcl: KOMA,
  scrreprt: KOMA,
  scrbook: KOMA,
  exam: String.raw`
\providecommand\settabletotalpoints[1]{}\providecommand\nomorequestions{}\providecommand\renewpartlabel{\renewcommand\partlabel}\providecommand\noquestionsonthispage[2]{#2}\providecommand\droppedpoints{}\let\CoverHead\coverheader\let\CoverFoot\coverfooter`,
  amsart: String.raw`\providecommand\dateposted[1]{}\providecommand\datereceived[1]{}\providecommand\daterevised[1]{}\providecommand\contrib[2][]{}\providecommand\contribs{}\providecommand\specialsection{\section}\providecommand\uppercasenonmath[1]{\MakeUppercase{#1}}`,
  letter: String.raw`\providecommand\stopletter{}\providecommand\returnaddress{}`,
  standalone: String.raw`\@provideenv{standaloneframe}{}{}\newif\ifstandalone\standalonetrue\providecommand\IfStandalone[2]{#1}\providecommand\standaloneenv[1]{}`,
};

/** Commands in the sources above that do nothing because there is nothing for them to do here. */
const HARMLESS: ReadonlySet<string> = new Set([
  'storeareas',
  'begingradingrange',
  'endgradingrange',
  'settabletotalpoints',
  'standaloneenv',
  'dateposted',
  'datereceived',
  'daterevised',
]);

/** A class with all its names. */
export function withFurtherNames(entry: ClassEntry): ClassEntry {
  const more = FURTHER[entry.name];
  return more === undefined
    ? entry
    : { ...entry, source: `${entry.source ?? ''}${tellingIdle(more, HARMLESS)}` };
}
