import { placedAt } from '../../document/placedAt';
import { emptyBox } from '../machine/paragraphMode';
import { CELLS } from '../machine/cells';
import { gluePt, INCH, PT, type Sp } from '../../base/lengths';
import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { setDimen } from '../../expansion/registers';
import { centred, keep, setTitlePart, space, splitAtCommand, titlePart } from '../constructs/title';
import {
  type ClassEntry,
  type CommandEntry,
  type EnvironmentEntry,
  tokensOf,
} from '../machine/entries';
import { plainPage } from '../constructs/pageStyle';
import { enterColumn, leaveColumn } from '../machine/columns';
import { setSize } from '../constructs/fonts';
import type { Interpreter } from '../machine/interpreter';
import { paperOf, setAll } from '../constructs/pageLayout';
import { article, ARTICLE, book, setUp } from './standard';
import { cell, flag } from '../../expansion/cells';
import type { Mode } from '../machine/modes';
import type { BlockNode } from '../../document/blocks';
import { OWN } from '../machine/ownNames';

/** How the heads of pages call the authors. */
const SHORT_AUTHORS = cell<readonly (readonly Token[])[]>('amsshortauthors', []);
/** The authors named so far, the summary that waits for the title, and whether the title has come. */
const AUTHORS = cell<readonly (readonly Token[])[]>('amsauthors', []);
const ABSTRACT = cell<readonly BlockNode[] | null>('amsabstract', null);
const TITLED = flag('amstitled');
/** Lines for the end of the document. */
const LISTS = cell<readonly (readonly Token[])[]>('amslists', []);
/** Of the summary that is being read: the mode around it. */
const AROUND = cell<Mode | null>('amsaround', null);

/** Lines that `\address`, `\email` and their kin leave for the end of the document. */
const later = (name: string, lead: string, style: string): CommandEntry => ({
  name,
  signature: 'oM',
  description: 'Of the author: printed at the end of the document.',
  example: `\\${name}{Harbour College}`,
  run: (it, args) => {
    const line = [
      ...it.source(`\\par\\noindent\\hspace*{12pt}{\\footnotesize ${lead}${style}{`),
      ...tokensOf(args, 1),
      ...it.source('}\\par}'),
    ];
    it.write(LISTS, [...it.read(LISTS), line], true);
  },
});

function abstractBegin(it: Interpreter): void {
  it.innermost.data.set(AROUND, enterColumn(it, null));
  setSize(it, 'small');
  const margin = 36 * PT;
  setDimen(it.state, 'totalleftmargin', margin);
  setDimen(it.state, 'linewidth', it.dimen('hsize') - 2 * margin);
  it.startParagraph();
  it.execute(it.source('\\textsc{\\abstractname.} '));
}

function abstractEnd(it: Interpreter): void {
  const outer = it.innermost.data.get(AROUND);
  const blocks = outer ? leaveColumn(it, outer) : [];
  if (it.read(TITLED)) it.mode.vlist.push(space(12), ...blocks, space(12));
  else it.afterEnvironment = (inner) => inner.write(ABSTRACT, blocks, true);
}

const abstract: EnvironmentEntry = {
  name: 'abstract',
  signature: '',
  description: 'A summary, printed below the title.',
  example: '\\begin{abstract}\nWe time the ferries.\n\\end{abstract}',
  begin: abstractBegin,
  end: abstractEnd,
};

/** Title in bold capitals, authors in small capitals, notes at the foot (amsart.cls). */
function makeTitle(it: Interpreter, token: Token): void {
  const title = titlePart(it, 'title');
  if (!title) it.p.report('title-missing', it.spanOf(token));
  it.endParagraph();
  const authors = it.read(AUTHORS);
  it.startParagraph(false);
  it.add(emptyBox(it));
  it.endParagraph();
  it.mode.vlist.push(
    space(42 - 12),
    ...centred(it, 'normalsize', () => {
      it.changeFont({ series: 'bold' });
      it.execute([...it.source('\\MakeUppercase{'), ...(title ?? []), ...it.source('}')]);
    }),
  );
  if (authors.length > 0) {
    it.mode.vlist.push(
      space(14),
      ...centred(it, 'footnotesize', () => {
        const joined = authors.flatMap((a, i) => [
          ...(i > 0 ? it.source(i === authors.length - 1 ? ' \\textsc{and} ' : ', ') : []),
          ...a,
        ]);
        it.execute([...it.source('\\MakeUppercase{'), ...joined, ...it.source('}')]);
      }),
    );
  }
  for (const part of ['dedicatory'] as const) {
    const tokens = titlePart(it, part);
    if (tokens)
      it.mode.vlist.push(
        space(12),
        ...centred(it, 'footnotesize', () => it.execute([...it.source('\\itshape '), ...tokens])),
      );
  }
  const kept = it.read(ABSTRACT);
  // It was read in another block; here it stands for the title's command.
  if (kept) it.mode.vlist.push(space(18), ...placedAt(kept, it.p.place));
  titleNotes(it);
  it.mode.vlist.push({ kind: 'vspace', glue: gluePt(26, 12), behaviour: 'plain' });
  it.write(TITLED, true, true);
  plainPage(it);
  runningHeads(it);
}

/** Date, subjects, keywords and thanks as notes without marks. */
function titleNotes(it: Interpreter): void {
  const notes: readonly (readonly [string, string])[] = [
    ['date', '\\textit{Date}: '],
    ['subjclass', '2020 \\textit{Mathematics Subject Classification}. '],
    ['keywords', '\\textit{Key words and phrases}. '],
    ['thanks', ''],
  ];
  for (const [part, lead] of notes) {
    const tokens = titlePart(it, part);
    if (!tokens || tokens.length === 0) continue;
    // `\\@addpunct`: no full stop behind one.
    const ends = /[.!?]$/.test(tokensText(tokens).trim());
    it.execute([...it.source(`\\@blanknote{${lead}`), ...tokens, ...it.source(ends ? '}' : '.}')]);
  }
}

const commands: readonly CommandEntry[] = [
  {
    name: 'title',
    signature: 'oM',
    description: 'The title; in brackets as the heads of pages have it.',
    example: '\\title[Tides]{On the Tides of Three Harbours}',
    run: (it, args) => {
      setTitlePart(it, 'title', tokensOf(args, 1));
      if (args[0])
        it.execute([...it.source('\\def\\shorttitle{'), ...tokensOf(args, 0), ...it.source('}')]);
    },
  },
  {
    name: 'author',
    signature: 'oM',
    description: 'An author; once for each.',
    example: '\\author{M. Quill}',
    run: (it, args) => {
      const more = splitAtCommand(tokensOf(args, 1), 'and').map(
        (a) => splitAtCommand(a, '\\')[0] ?? [],
      );
      it.write(AUTHORS, [...it.read(AUTHORS), ...more], true);
      const short = args[0] ? [tokensOf(args, 0)] : more;
      it.write(SHORT_AUTHORS, [...it.read(SHORT_AUTHORS), ...short], true);
    },
  },
  ...['subjclass', 'keywords', 'dedicatory', 'thanks', 'translator', 'commby'].map((name) =>
    keep(name, 'A note of the title'),
  ),
  later('address', '', '\\scshape '),
  later('curraddr', '\\textit{Current address}: ', ''),
  later('email', '\\textit{Email address}: ', '\\ttfamily '),
  later('urladdr', '\\textit{URL}: ', '\\ttfamily '),
  {
    name: 'maketitle',
    signature: '',
    description: 'Prints the title.',
    example: '\\title{Tides}\\maketitle',
    run: (it, _args, token) => makeTitle(it, token),
  },
  {
    name: OWN.amsEnd,
    signature: '',
    description: '',
    example: '',
    run: (it) => {
      const lines = it.read(LISTS);
      if (lines.length > 0) it.addBlock(space(12));
      for (const line of lines) it.execute(line);
    },
  },
];

/** Headings of the AMS classes: centred small capitals, then run-in bold. */
const SOURCE = String.raw`
\def\@seccntformat#1{\csname the#1\endcsname.\enspace}
\def\section{\@startsection{section}{1}{0pt}{8.4pt plus 12pt}{6pt}{\normalfont\scshape\centering}}
\def\subsection{\@startsection{subsection}{2}{0pt}{6pt plus 8.4pt}{-.5em}{\normalfont\bfseries}}
\def\subsubsection{\@startsection{subsubsection}{3}{0pt}{6pt plus 8.4pt}{-.5em}{\normalfont\itshape}}
\def\paragraph{\@startsection{paragraph}{4}{0pt}{0pt}{-\fontdimen2\font}{\normalfont}}
\def\@blanknote#1{\begingroup\def\thefootnote{}\footnotetext[0]{#1}\endgroup}
\def\shorttitle{\@title}
\def\ps@plain{\ps@empty\def\@oddfoot{\footnotesize\hfil\thepage\hfil}\let\@evenfoot\@oddfoot}
\def\qedsymbol{\openbox}
\AtEndDocument{\@amsend}
`;

/** Heads of a paper: its authors on even pages, its short title on odd ones; sections change nothing of them. */
const HEADS = String.raw`
\def\ps@headings{\ps@empty\let\@mkboth\@gobbletwo\let\sectionmark\@gobble\let\subsectionmark\@gobble
  \def\@oddhead{\hfil{\normalfont\scriptsize\rightmark}\hfil\llap{\scriptsize\thepage}}%
  \def\@evenhead{\rlap{\scriptsize\thepage}\hfil{\normalfont\scriptsize\leftmark}\hfil}}
`;

/** What the heads say: the authors as they are called for short, all or the first of many. */
function runningHeads(it: Interpreter): void {
  const authors = it.read(SHORT_AUTHORS);
  const [first = []] = authors;
  const and = (i: number): Token[] =>
    it.source(i < authors.length - 1 ? ', ' : authors.length > 2 ? ', and ' : ' and ');
  const names =
    authors.length > 3
      ? [...first, ...it.source(' et al.')]
      : authors.flatMap((author, i) => [...(i > 0 ? and(i) : []), ...author]);
  it.execute([
    ...it.source('\\markboth{\\MakeUppercase{'),
    ...names,
    ...it.source('}}{\\MakeUppercase{\\shorttitle}}'),
  ]);
}

function page(it: Interpreter, options: readonly string[]): void {
  const [width, height] = paperOf(options);
  const textWidth: Sp = 360 * PT;
  const [head, headSep, foot] = [8 * PT, 14 * PT, 12 * PT];
  const textHeight = 584 * PT;
  setAll(it, {
    textwidth: textWidth,
    textheight: textHeight,
    hsize: textWidth,
    linewidth: textWidth,
    columnwidth: textWidth,
    headheight: head,
    headsep: headSep,
    footskip: foot,
    parindent: 12 * PT,
    oddsidemargin: (width - textWidth) / 2 - INCH,
    evensidemargin: (width - textWidth) / 2 - INCH,
    topmargin: (height - head - headSep - textHeight - foot) / 2 - INCH,
  });
}

function amsClass(name: string, base: ClassEntry, chapters: boolean): ClassEntry {
  return {
    name,
    description: chapters
      ? 'A mathematical book in chapters.'
      : 'A mathematical paper: theorems and displays of its own style.',
    options: [
      ...base.options,
      '8pt',
      '9pt',
      'reqno',
      'centertags',
      'tbtags',
      'noamsfonts',
      'nomath',
    ],
    commands: [...(base.commands ?? []), ...commands],
    environments: [...(base.environments ?? []), abstract],
    macros: base.macros ?? {},
    source: (base.source ?? '') + SOURCE.replace('\\@amsend', `\\csname ${OWN.amsEnd}\\endcsname`),
    requires: ['amsmath', 'amsthm', 'amsfonts'],
    setup: (it, options) => {
      setUp(it, ['10pt', ...options], { ...ARTICLE, chapters, twoSide: true });
      page(it, options);
      it.write(CELLS.flushBottom, false, true);
      if (!chapters) it.execute(it.source(HEADS));
      it.execute(it.source('\\pagestyle{headings}'));
    },
  };
}

export const amsart = amsClass('amsart', article, false);
export const amsbook = amsClass('amsbook', book, true);
