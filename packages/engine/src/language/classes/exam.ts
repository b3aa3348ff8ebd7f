import type { Inline } from '../../document/inlines';
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
import { box } from '../constructs/boxes';
import { inPlainFrame } from '../constructs/framedBlocks';
import { definedColour } from '../scanning/colours';
import { paperOf, setAll } from '../constructs/pageLayout';
import { article } from './standard';
import { cell } from '../../expansion/cells';
import { OWN } from '../machine/ownNames';
import { EXAM_SOURCE } from './examSource';

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
    if (env === 'questions')
      it.execute(it.source(`\\edef\\@thepoints{${points || '\\ex@bonuspoints'}}\\ex@heading`));
    if (points === '') return;
    const said = env === 'questions' && ownHeading(it);
    if (!said) it.execute(it.source(`\\@pointsbefore{${points}}`));
  },
});

/** `\\qformat` says itself where the points of a question stand. */
const ownHeading = (it: Interpreter): boolean =>
  textOf(it.p, [it.p.command('ex@qformat')]).trim() !== '';

/** An item without its list still starts a paragraph that says so. */
function outside(it: Interpreter): void {
  it.p.report('item-outside-list', it.p.place);
  it.endParagraph();
}

/** The ground of shaded solutions where no `SolutionColor` is defined. */
const SHADE = 0xcccccc;

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
    if (isOn(it, 'printanswers')) it.execute(it.source('\\ex@solution\\noindent\\solutiontitle'));
  },
  end: (it) => {
    const { blocks, width } = endColumn(it);
    const { room, left } = it.innermost.data.get(ROOM);
    if (!isOn(it, 'printanswers')) {
      if (room > 0) it.mode.vlist.push({ kind: 'vspace', glue: glue(room), behaviour: 'plain' });
      return;
    }
    const padding = it.dimen('fboxsep');
    const frame =
      boxed && isOn(it, 'solshade')
        ? { rule: 0, padding, background: it.read(definedColour('SolutionColor')) ?? SHADE }
        : boxed && isOn(it, 'solframe')
          ? { rule: it.dimen('fboxrule'), padding }
          : null;
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
    ? `\\begin{tabular}{|c|c|c|}\\hline \\ex@vq & \\ex@vp & \\ex@vs\\\\\\hline ${questions.map((q, i) => `${q} & ${points[i] ?? 0} &\\\\\\hline `).join('')}\\ex@vt & ${total} &\\\\\\hline\\end{tabular}`
    : `\\begin{tabular}{|l|*{${questions.length}}{c|}c|}\\hline \\ex@hq & ${questions.map((q) => `${q} & `).join('')}\\ex@ht\\\\\\hline \\ex@hp & ${points.map((p) => `${p} & `).join('')}${total}\\\\\\hline \\ex@hs & ${questions.map(() => '& ').join('')}\\\\\\hline\\end{tabular}`;
  it.execute(it.source(source));
}

const total = (
  name: string,
  value: (t: ReturnType<typeof totals>, it: Interpreter) => number,
  what: string,
): CommandEntry => ({
  name,
  signature: '',
  description: what,
  example: `\\${name}`,
  run: (it) => {
    it.startParagraph();
    it.execute(it.p.chars(String(value(totals(it), it))));
  },
});

/** Something in the right margin, level with the line that is being read: one edge for all, however wide their labels. */
function inRightMargin(it: Interpreter, tokens: readonly Token[]): void {
  it.startParagraph();
  const before = it.host.measure(it.mode.hlist?.inlines ?? []).width;
  const gap = it.dimen('linewidth') + 0.5 * it.em - before;
  const at = it.p.place;
  const inlines: Inline[] = [{ kind: 'kern', width: gap, ...at }, ...it.inlinesOf(tokens)];
  it.add(box(it, inlines, { width: 0, align: 'left' }));
}

const commands: readonly CommandEntry[] = [
  {
    name: '@inrightmargin',
    signature: 'M',
    description: 'Something in the right margin.',
    example: '',
    run: (it, args) => inRightMargin(it, tokensOf(args, 0)),
  },
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
  total(
    'totalpoints',
    (t, it) => t.points[getCount(it.state, 'c@question') - 1] ?? 0,
    'The points of this question with all its parts.',
  ),
  {
    name: 'pointsofquestion',
    signature: 'm',
    description: 'The points of a question with all its parts.',
    example: '\\pointsofquestion{1}',
    run: (it, args) => {
      it.startParagraph();
      const number = Number(textOf(it.p, tokensOf(args, 0)));
      it.execute(it.p.chars(String(totals(it).points[number - 1] ?? 0)));
    },
  },
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
  source: (article.source ?? '') + EXAM_SOURCE,
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
