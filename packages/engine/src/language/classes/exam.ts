import { INCH, PT } from '../../base/lengths';
import type { BlockNode } from '../../document/blocks';
import type { Inline } from '../../document/inlines';
import { cell } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { textOf } from '../../expansion/tokenText';
import { box } from '../constructs/boxes';
import { paperOf, setAll } from '../constructs/pageLayout';
import { emitStyle } from '../constructs/pageStyle';
import {
  type ClassEntry,
  type CommandEntry,
  type EnvironmentEntry,
  isStarred,
  tokensOf,
} from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { OWN } from '../machine/ownNames';
import { examRoom, examSolutions } from './examSolutions';
import { EXAM_SOURCE } from './examSource';
import { examTables, markExam, pointsIn } from './examTables';
import { article } from './standard';

/** A list of questions or parts: label, counter, and the widest label that its margin has room for. */
const level = (
  name: string,
  counter: string,
  label: string,
  widest: string,
  what: string,
): EnvironmentEntry => ({
  name,
  signature: '',
  description: what,
  example: `\\begin{${name}}\n\\${ITEM[name] ?? 'question'} When does the ferry leave?\n\\end{${name}}`,
  begin: (it) => {
    const entry = it.environment('list');
    const args = [
      it.source(label),
      it.source(
        `\\usecounter{${counter}}\\settowidth{\\leftmargin}{${widest}\\hskip\\labelsep}\\setlength{\\labelwidth}{\\leftmargin}\\addtolength{\\labelwidth}{-\\labelsep}`,
      ),
    ];
    entry?.begin?.(it, args, it.p.command(name));
    it.innermost.data.set(QUESTIONS, name);
  },
  end: (it) => {
    if (name === 'questions') endQuestion(it);
    it.environment('list')?.end?.(it);
  },
});

const ITEM: Readonly<Record<string, string>> = {
  questions: 'question',
  parts: 'part',
  subparts: 'subpart',
  subsubparts: 'subsubpart',
};

/** Which list of an exam is open. */
const QUESTIONS = cell<string | null>('examlist', null);

/** A question ends before the page break that is asked for behind it. */
function endQuestion(it: Interpreter): void {
  const { vlist, hlist } = it.mode;
  const moving: BlockNode[] = [];
  const isBreak = (node: BlockNode | undefined): boolean =>
    node?.kind === 'clear' || node?.kind === 'vspace' || node?.kind === 'penalty';
  if (hlist === null) while (isBreak(vlist.at(-1))) moving.unshift(vlist.pop() as BlockNode);
  markExam(it, { kind: 'end' });
  vlist.push(...moving);
}

/** `\question[5]`: an item, with its points before the text. */
const item = (name: string, env: string, bonus = false): CommandEntry => ({
  name: bonus ? `bonus${name}` : name,
  signature: 'o',
  description: `A ${bonus ? 'bonus ' : ''}question or part; brackets give its points.`,
  example:
    name === 'question'
      ? `\\begin{questions}\\${bonus ? 'bonus' : ''}question[5] When?\\end{questions}`
      : `\\begin{questions}\\question When?\\begin{parts}\\part Ebb?\\end{parts}\\end{questions}`,
  run: (it, args) => {
    if (!it.environments.some(({ data }) => data.get(QUESTIONS) === env)) return outside(it);
    const isQuestion = env === 'questions';
    const points = args[0] ? tokensOf(args, 0) : [];
    if (isQuestion) endQuestion(it);
    it.execute(it.source('\\item\\relax'));
    markExam(
      it,
      isQuestion
        ? { kind: 'question', number: textOf(it.p, [it.p.command('thequestion')]) }
        : { kind: 'item', level: name },
    );
    if (points.length > 0) markExam(it, { kind: 'points', points: pointsIn(points), bonus });
    it.call('ex@setpoints', points);
    it.execute(it.source(`\\ex@bonus${bonus ? 'true' : 'false'}`));
    if (isQuestion) it.execute(it.source('\\ex@heading'));
    if (points.length === 0 || (isQuestion && ownHeading(it))) return;
    it.execute(it.source('\\ex@beforetext'));
  },
});

/** `\\qformat` says itself where the points of a question stand. */
const ownHeading = (it: Interpreter): boolean =>
  textOf(it.p, [it.p.command('ex@qformat')]).trim() !== '';

/** How far the end of a part is looked for that stands in no list, in characters. */
const LONGEST_PART = 2000;

/** An item without its list still starts a paragraph that says so. */
function outside(it: Interpreter): void {
  const { text, base } = it.p.reader;
  const { from } = it.p.place;
  const ahead = text.slice(base + from, base + from + LONGEST_PART);
  it.p.reach = Math.max(it.p.reach, base + from + ahead.length);
  const name = /^\\((?:sub)*part)(?![A-Za-z])/.exec(ahead)?.[1];
  const end = /\n[ \t]*(?=\n|\\(?:begin\{(?:sub)*parts\}|end\{|question))/.exec(ahead);
  const at = from + (end?.index ?? 0);
  const edits = [
    { from, to: from, text: `\\begin{${name ?? ''}s}\n` },
    { from: at, to: at, text: `\n\\end{${name ?? ''}s}` },
  ];
  const fix = name && end ? { title: `Put it in ${name}s`, edits } : undefined;
  it.p.report('item-outside-list', it.p.place, {}, fix);
  it.endParagraph();
}

/** Something in the right margin, level with the line that is being read: all end at one distance from the paper's edge. */
function inRightMargin(it: Interpreter, tokens: readonly Token[], atLineEnd: boolean): void {
  it.startParagraph();
  const before = atLineEnd
    ? it.dimen('linewidth')
    : it.host.measure(it.mode.hlist?.inlines ?? []).width;
  const left = INCH + it.dimen('hoffset') + it.dimen('oddsidemargin') + it.dimen('totalleftmargin');
  const end = it.dimen('paperwidth') - it.dimen('rightpointsmargin') - left;
  const at = it.p.place;
  const space: Inline = { kind: 'kern', width: end - before, ...at };
  const said = box(it, it.inlinesOf(tokens), { width: 0, align: 'right' });
  it.add(box(it, [space, said], { width: 0, align: 'left' }));
}

const commands: readonly CommandEntry[] = [
  {
    name: '@inrightmargin',
    signature: 'sM',
    description: 'Something in the right margin; with a star, at the end of a full line.',
    example: '',
    run: (it, args) => inRightMargin(it, tokensOf(args, 1), isStarred(args)),
  },
  ...[false, true].flatMap((bonus) => [
    item('question', 'questions', bonus),
    item('part', 'parts', bonus),
    item('subpart', 'subparts', bonus),
    item('subsubpart', 'subsubparts', bonus),
  ]),
  ...examTables,
  ...examRoom,
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
    level('questions', 'question', '\\questionlabel', '10.', 'The questions of a sheet.'),
    level('parts', 'partno', '\\partlabel', '(m)', 'The parts of a question.'),
    level('subparts', 'subpart', '\\subpartlabel', 'vii.', 'The parts of a part.'),
    level(
      'subsubparts',
      'subsubpart',
      '\\subsubpartlabel',
      '$\\delta$)',
      'The parts of a part of a part.',
    ),
    ...examSolutions,
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
