import { glue, INCH, PT, type Sp } from '../../base/lengths';
import { textOf } from '../../expansion/tokenText';
import { getCount } from '../../expansion/registers';
import type { Token } from '../../expansion/meaning';
import {
  type ClassEntry,
  type CommandEntry,
  type EnvironmentEntry,
  tokensOf,
} from '../machine/entries';
import { addToList, entriesOf } from '../constructs/contents';
import { isOn } from '../constructs/chapters';
import { endColumn, beginColumn } from '../machine/columns';
import { dimenOf } from '../scanning/dimenOf';
import { emitStyle } from '../constructs/pageStyle';
import type { Interpreter } from '../machine/interpreter';
import { inPlainFrame } from '../constructs/framedBlocks';
import { paperOf, setAll } from '../constructs/pageLayout';
import { article } from './standard';
import { cell } from '../../expansion/cells';
import { OWN } from '../machine/ownNames';

/** A list of questions or parts: label, counter and margin. */
const level = (name: string, counter: string, label: string, what: string): EnvironmentEntry => ({
  name,
  signature: '',
  description: what,
  example: `\\begin{${name}}\n\\${ITEM[name] ?? 'question'} When does the ferry leave?\n\\end{${name}}`,
  begin: (it) => {
    const entry = it.environment('list');
    const args = [
      it.source(label),
      it.source(
        `\\usecounter{${counter}}\\settowidth{\\leftmargin}{${label.replace(/\\the\w+|\\\w+\{\w+\}/g, '10')}\\hskip\\labelsep}\\setlength{\\labelwidth}{\\leftmargin}\\addtolength{\\labelwidth}{-\\labelsep}`,
      ),
    ];
    entry?.begin?.(it, args, it.p.command(name));
    it.innermost.data.set(QUESTIONS, name);
  },
  end: (it) => it.environment('list')?.end?.(it),
});

const ITEM: Readonly<Record<string, string>> = {
  questions: 'question',
  parts: 'part',
  subparts: 'subpart',
  subsubparts: 'subsubpart',
};

/** Which list of an exam is open. */
const QUESTIONS = cell<string | null>('examlist', null);

/** The room a solution leaves when it is not printed, and its left edge. */
const ROOM = cell<{ readonly room: Sp; readonly left: Sp }>('solutionroom', { room: 0, left: 0 });

/** `\question[5]`: an item, with its points before the text. */
const item = (name: string, env: string): CommandEntry => ({
  name,
  signature: 'o',
  description: 'A question or part; brackets give its points.',
  example: `\\begin{questions}\\question[5] When?\\end{questions}`,
  run: (it, args) => {
    if (!it.environments.some(({ data }) => data.get(QUESTIONS) === env)) return outside(it);
    it.execute(it.source('\\item\\relax'));
    const points = args[0] ? textOf(it.p, tokensOf(args, 0)) : '';
    if (env === 'questions')
      addToList(
        it,
        'exam',
        it.source(`\\relax{${getCount(it.state, 'c@question')}}{${points || '0'}}`),
      );
    else if (points !== '') addToList(it, 'exam', it.source(`\\relax{}{${points}}`));
    if (points === '') return;
    it.execute(it.source(`\\@pointsbefore{${points}}`));
  },
});

/** An item without its list still starts a paragraph that says so. */
function outside(it: Interpreter): void {
  it.p.report('item-outside-list', it.p.place);
  it.endParagraph();
}

/** Contents printed only with the answers; else room for them is left. */
const solution = (name: string, boxed: boolean): EnvironmentEntry => ({
  name,
  signature: 'o',
  description: 'A solution: printed when \\printanswers is given, else its room is left empty.',
  example: `\\printanswers\\begin{${name}}\nAt noon.\n\\end{${name}}`,
  begin: (it, args) => {
    const room = args[0] ? dimenOf(it, tokensOf(args, 0)) : 0;
    it.endParagraph();
    it.innermost.data.set(ROOM, { room, left: it.dimen('totalleftmargin') });
    beginColumn(it, it.dimen('linewidth') - 2 * (it.dimen('fboxsep') + it.dimen('fboxrule')));
    if (isOn(it, 'printanswers')) it.execute(it.source('\\noindent\\solutiontitle'));
  },
  end: (it) => {
    const { blocks, width } = endColumn(it);
    const { room, left } = it.innermost.data.get(ROOM);
    if (!isOn(it, 'printanswers')) {
      if (room > 0) it.mode.vlist.push({ kind: 'vspace', glue: glue(room), behaviour: 'plain' });
      return;
    }
    const frame = boxed ? { rule: it.dimen('fboxrule'), padding: it.dimen('fboxsep') } : null;
    it.mode.vlist.push(inPlainFrame(it, frame, { blocks, width }, left));
  },
});

/** Points of all questions, from the whole document. */
function totals(it: Interpreter): { questions: string[]; points: number[] } {
  const entries = entriesOf(it, 'exam');
  const questions: string[] = [];
  const points: number[] = [];
  for (const { entry } of entries) {
    const [number, worth] = groups(entry);
    if (number !== '') {
      questions.push(number ?? '');
      points.push(0);
    }
    const last = points.length - 1;
    if (last >= 0) points[last] = (points[last] ?? 0) + (parseInt(worth ?? '0', 10) || 0);
  }
  return { questions, points };
}

function groups(tokens: readonly Token[]): string[] {
  return tokens
    .map((t) => (t.cat === 1 ? '{' : t.cat === 2 ? '}' : t.cat === 16 ? '' : t.text))
    .join('')
    .replace('relax', '')
    .split('}')
    .map((part) => part.replace('{', ''));
}

function gradeTable(it: Interpreter, vertical: boolean): void {
  const { questions, points } = totals(it);
  const total = points.reduce((a, b) => a + b, 0);
  const source = vertical
    ? `\\begin{tabular}{|c|c|c|}\\hline Question & Points & Score\\\\\\hline ${questions.map((q, i) => `${q} & ${points[i] ?? 0} &\\\\\\hline `).join('')}Total: & ${total} &\\\\\\hline\\end{tabular}`
    : `\\begin{tabular}{|l|*{${questions.length}}{c|}c|}\\hline Question: & ${questions.map((q) => `${q} & `).join('')}Total\\\\\\hline Points: & ${points.map((p) => `${p} & `).join('')}${total}\\\\\\hline Score: & ${questions.map(() => '& ').join('')}\\\\\\hline\\end{tabular}`;
  it.execute(it.source(source));
}

const total = (
  name: string,
  value: (t: ReturnType<typeof totals>) => number,
  what: string,
): CommandEntry => ({
  name,
  signature: '',
  description: what,
  example: `\\${name}`,
  run: (it) => {
    it.startParagraph();
    it.execute(it.p.chars(String(value(totals(it)))));
  },
});

const commands: readonly CommandEntry[] = [
  item('question', 'questions'),
  item('part', 'parts'),
  item('subpart', 'subparts'),
  item('subsubpart', 'subsubparts'),
  {
    name: 'gradetable',
    signature: 'oo',
    description: 'A table of the questions and their points.',
    example: '\\gradetable',
    run: (it, args) => gradeTable(it, tokensOf(args, 0)[0]?.text !== 'h'),
  },
  total('numquestions', (t) => t.questions.length, 'How many questions there are.'),
  total('numpoints', (t) => t.points.reduce((a, b) => a + b, 0), 'How many points there are.'),
  {
    name: 'fillwithlines',
    signature: 'm',
    description: 'Lines to write on, over a height.',
    example: '\\fillwithlines{2in}',
    run: (it, args) => {
      const height = dimenOf(it, tokensOf(args, 0));
      it.endParagraph();
      const count = Math.min(200, Math.floor(height / (0.25 * INCH)));
      for (let i = 0; i < count; i++) {
        it.mode.vlist.push({ kind: 'vspace', glue: glue(0.25 * INCH), behaviour: 'plain' });
        const left = it.dimen('totalleftmargin');
        it.mode.vlist.push({
          kind: 'rule',
          width: it.dimen('linewidth'),
          height: 0.1 * PT,
          left,
          color: 0,
        });
      }
    },
  },
  {
    name: OWN.examStyle,
    signature: '',
    description: '',
    example: '',
    run: (it) => emitStyle(it, false),
  },
];

const SOURCE = String.raw`
\newcounter{question}\newcounter{partno}[question]\newcounter{subpart}[partno]\newcounter{subsubpart}[subpart]
\newcounter{choice}
\def\thequestion{\arabic{question}}\def\thepartno{\alph{partno}}
\def\thesubpart{\roman{subpart}}\def\thesubsubpart{\greek{subsubpart}}\def\thechoice{\Alph{choice}}
\def\questionlabel{\thequestion.}\def\partlabel{(\thepartno)}\def\subpartlabel{\thesubpart.}
\def\subsubpartlabel{\thesubsubpart)}\def\choicelabel{\thechoice.}
\def\greek#1{\ensuremath{\ifcase\value{#1}\or\alpha\or\beta\or\gamma\or\delta\or\epsilon\or\zeta\fi}}
\newif\if@printanswers
\def\printanswers{\@printanswerstrue}\def\noprintanswers{\@printanswersfalse}
\def\ifprintanswers{\if@printanswers}
\def\addpoints{}\def\noaddpoints{}
\def\marginpointname#1{\def\@marginpointname{#1}}\def\@marginpointname{}
\def\@pointsalone#1{\def\@thepoints{#1}\@pointsopen#1\@marginpointname\@pointsclose}
\def\pointsinmargin{\def\@pointsbefore##1{\leavevmode\llap{\@pointsalone{##1}\hskip\dimexpr\@totalleftmargin+.5em\relax}}}\let\pointsinleftmargin\pointsinmargin
\def\pointsinrightmargin{\def\@pointsbefore##1{\leavevmode\hbox to0pt{\hskip\dimexpr\linewidth+.5em\relax\@pointsalone{##1}\hss}}}
\def\nopointsinmargin{\let\@pointsbefore\@pointsinline}\let\nopointsinrightmargin\nopointsinmargin
\def\bracketedpoints{\def\@pointsopen{[}\def\@pointsclose{]}}
\def\boxedpoints{\def\@pointsopen{}\def\@pointsclose{}}
\def\@pointsopen{(}\def\@pointsclose{)}
\def\pointname#1{\def\@pointname{#1}}\def\@pointname{\ifnum\@thepoints=1 \ point\else\ points\fi}
\def\marksnotpoints{\def\@pointname{\ifnum\@thepoints=1 \ mark\else\ marks\fi}}
\def\@pointsinline#1{\def\@thepoints{#1}\@pointsopen#1\@pointname\@pointsclose\ }
\let\@pointsbefore\@pointsinline
\def\qformat#1{}\def\pointpoints#1#2{\def\@pointname{\ifnum\@thepoints=1 \ #1\else\ #2\fi}}
\def\droppoints{}\def\pointsdroppedatright{}\def\shadedsolutions{}\def\framedsolutions{}\def\unframedsolutions{}
\def\SolutionEmphasis#1{}\def\CorrectChoiceEmphasis#1{\def\@correctchoice{#1}}\def\@correctchoice{\bfseries}
\def\checkboxchar#1{\def\@checkboxchar{#1}}\def\@checkboxchar{$\bigcirc$}\def\checkedchar#1{\def\@checkedchar{#1}}\def\@checkedchar{$\surd$}\def\unframedsolutions{}
\def\solutiontitle{\textbf{Solution:}\enspace}
\def\titledquestion#1{\@ifnextchar[{\@titledquestion{#1}}{\question \textbf{#1}\quad}}
\def\@titledquestion#1[#2]{\question[#2] \textbf{#1}\quad}
\def\bonusquestion{\question}\def\bonuspart{\part}
\newenvironment{choices}{\begin{list}{\choicelabel}{\usecounter{choice}}\def\choice{\mdseries\item}\def\CorrectChoice{\mdseries\if@printanswers\item\@correctchoice\else\item\fi}\let\correctchoice\CorrectChoice}{\end{list}}
\newenvironment{oneparchoices}{\setcounter{choice}{0}\def\choice{\mdseries\stepcounter{choice}\quad\choicelabel~}\def\CorrectChoice{\if@printanswers\stepcounter{choice}\quad\@correctchoice\choicelabel~\else\expandafter\choice\fi}\let\correctchoice\CorrectChoice}{}
\newenvironment{checkboxes}{\begin{list}{\@checkboxchar}{}\def\choice{\mdseries\item}\def\CorrectChoice{\mdseries\if@printanswers\item[\@checkedchar]\@correctchoice\else\item\fi}\let\correctchoice\CorrectChoice}{\end{list}}
\def\answerline{\@ifnextchar[{\@answerline}{\@answerline[]}}
\def\@answerline[#1]{\par\nobreak\vskip 2ex\hfill\rule{1in}{0.4pt}\if@printanswers\llap{#1}\fi\par}
\def\fillin{\@ifnextchar[{\@fillin}{\@fillin[]}}
\def\@fillin[#1]{\@ifnextchar[{\@@fillin{#1}}{\@@fillin{#1}[1in]}}
\def\@@fillin#1[#2]{\if@printanswers\underline{\hbox to #2{\hfil#1\hfil}}\else\rule{#2}{0.4pt}\fi}
\def\makeemptybox#1{\par\noindent\framebox[\linewidth]{\rule{0pt}{#1}}\par}
\def\fillwithdottedlines#1{\fillwithlines{#1}}
\def\uplevel#1{\par\noindent #1\par}\def\fullwidth#1{\par\noindent #1\par}
\def\half{$\frac12$}
\def\@lhead{}\def\@chead{}\def\@rhead{}\def\@lfoot{}\def\@cfoot{\thepage}\def\@rfoot{}
\def\lhead#1{\def\@lhead{#1}\@examhead}\def\chead#1{\def\@chead{#1}\@examhead}\def\rhead#1{\def\@rhead{#1}\@examhead}
\def\lfoot#1{\def\@lfoot{#1}\@examhead}\def\cfoot#1{\def\@cfoot{#1}\@examhead}\def\rfoot#1{\def\@rfoot{#1}\@examhead}
\def\header#1#2#3{\def\@lhead{#1}\def\@chead{#2}\def\@rhead{#3}\@examhead}
\def\footer#1#2#3{\def\@lfoot{#1}\def\@cfoot{#2}\def\@rfoot{#3}\@examhead}
\def\runningheader#1#2#3{\header{#1}{#2}{#3}}\def\runningfooter#1#2#3{\footer{#1}{#2}{#3}}
\def\firstpageheader#1#2#3{\AtBeginDocument{{\def\@lhead{#1}\def\@chead{#2}\def\@rhead{#3}\thispagestyle{head}}}}
\def\firstpagefooter#1#2#3{}
\def\firstpageheadrule{\@headruletrue}\def\runningheadrule{\@headruletrue\@examhead}\def\headrule{\runningheadrule}
\def\runningfootrule{}\def\footrule{}\def\firstpagefootrule{}
\newif\if@headrule
\def\extraheadheight{\@ifnextchar[{\@gobblebracket}{\@gobble}}\def\@gobblebracket[#1]#2{}
\let\extrafootheight\extraheadheight
\def\iflastpage#1#2{#2}\def\oddeven#1#2{#1}\def\numpages{\pageref{LastPage}}
\def\ps@head{\ps@empty\def\@oddhead{\rlap{\@lhead}\hfil\@chead\hfil\llap{\@rhead}}\let\@evenhead\@oddhead}
\def\ps@headandfoot{\ps@head\def\@oddfoot{\rlap{\@lfoot}\hfil\@cfoot\hfil\llap{\@rfoot}}\let\@evenfoot\@oddfoot}
\def\ps@foot{\ps@headandfoot\let\@oddhead\@empty\let\@evenhead\@empty}
\def\@examhead{\pagestyle{headandfoot}}
`;

export const exam: ClassEntry = {
  ...article,
  name: 'exam',
  description: 'Problem sheets and tests: questions, parts, points, solutions.',
  options: [
    ...article.options,
    'addpoints',
    'answers',
    'noanswers',
    'cancelspace',
    'nocancelspace',
  ],
  commands: [...(article.commands ?? []).filter(({ name }) => name !== 'part'), ...commands],
  environments: [
    ...(article.environments ?? []),
    level('questions', 'question', '\\questionlabel', 'The questions of a sheet.'),
    level('parts', 'partno', '\\partlabel', 'The parts of a question.'),
    level('subparts', 'subpart', '\\subpartlabel', 'The parts of a part.'),
    level('subsubparts', 'subsubpart', '\\subsubpartlabel', 'The parts of a part of a part.'),
    solution('solution', true),
    solution('solutionorbox', true),
    solution('solutionorlines', true),
    solution('solutionordottedlines', true),
  ],
  source: (article.source ?? '') + SOURCE,
  setup: (it, options) => {
    article.setup?.(it, options);
    const [width, height] = paperOf(options);
    const textWidth = width - 2 * INCH;
    setAll(it, {
      textwidth: textWidth,
      hsize: textWidth,
      linewidth: textWidth,
      columnwidth: textWidth,
      oddsidemargin: 0,
      evensidemargin: 0,
      textheight: height - 2.2 * INCH,
      topmargin: -37 * PT + 0.2 * INCH,
      headheight: 15 * PT,
      headsep: 15 * PT,
    });
    if (options.includes('answers')) it.execute(it.source('\\printanswers'));
    it.execute(it.source('\\pagestyle{headandfoot}'));
  },
};
