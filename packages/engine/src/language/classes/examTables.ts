import { textOf } from '../../expansion/tokenText';
import { getCount } from '../../expansion/registers';
import type { Token } from '../../expansion/meaning';
import { addToList, CONTENTS, entriesOf } from '../constructs/contents';
import { type Args, type CommandEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import {
  continuedOn,
  type ExamMark,
  type ExamQuestion,
  incompleteOn,
  inParts,
  markRead,
  pagesOf,
  type PlacedExamMark,
  pointTable,
  pointsWritten,
  questionsOf,
  type Sum,
  sumOf,
  type TableForm,
  writtenMark,
} from './examPoints';

const LIST = 'exam';

/** Notes something of the sheet at its place on the page. */
export const markExam = (it: Interpreter, mark: ExamMark): void =>
  addToList(it, LIST, it.p.chars(writtenMark(mark)));

/** Found once for the entries of a document: each question may ask for its sums. */
const known = new WeakMap<object, { marks: PlacedExamMark[]; questions: ExamQuestion[] }>();

/** What the sheet has noted of itself, as its pages were made last, and its questions. */
function noted(it: Interpreter) {
  const contents = it.read(CONTENTS);
  let found = known.get(contents);
  if (!found) {
    const marks = readMarks(it);
    known.set(contents, (found = { marks, questions: questionsOf(marks) }));
  }
  return found;
}

const marksOf = (it: Interpreter): readonly PlacedExamMark[] => noted(it).marks;
const questionsIn = (it: Interpreter): readonly ExamQuestion[] => noted(it).questions;

function readMarks(it: Interpreter): PlacedExamMark[] {
  return entriesOf(it, LIST).flatMap(({ entry, page }) => {
    const mark = markRead(entry.map(({ text }) => text).join(''), page);
    return mark ? [mark] : [];
  });
}

/** Points as they are written, with `\half` for a half. */
export function pointsIn(tokens: readonly Token[]): number {
  const figures = tokens.map(({ text, cell }) => (cell === null ? text : '')).join('');
  const half = tokens.some(({ text, cell }) => cell !== null && text === 'half');
  return (parseFloat(figures) || 0) + (half ? 0.5 : 0);
}

const words = (it: Interpreter, args: Args, i: number): string => textOf(it.p, tokensOf(args, i));

const SHOWN = ['points', 'bonus', 'combined'] as const;

/** `\gradetable[h][questions]` and its kin; `partial…` of a range, `multirow…` in several. */
function table(
  shows: TableForm['shows'],
  score: boolean,
  { partial, multi }: { partial: boolean; multi: 'row' | 'column' | null },
): CommandEntry {
  const kind = shows === 'points' ? '' : shows;
  const name = `${partial ? 'partial' : ''}${multi ? `multi${multi}` : ''}${kind}${score ? 'grade' : 'point'}table`;
  const offset = (partial ? 1 : 0) + (multi ? 1 : 0);
  const given = `${partial ? '{first}' : ''}${multi ? '{2}' : ''}`;
  return {
    name,
    signature: `${partial ? 'm' : ''}${multi ? 'm' : 'o'}o`,
    description: `A table of the questions and their ${shows === 'bonus' ? 'bonus ' : ''}points.`,
    example: `\\${name}${given}`,
    run: (it, args) => {
      const range = partial ? words(it, args, 0) : null;
      const last = words(it, args, multi ? offset : offset + 1);
      const upright = multi ? multi === 'column' : words(it, args, offset) !== 'h';
      const form: TableForm = {
        shows,
        score,
        by: last === 'pages' ? 'pages' : 'questions',
        upright,
      };
      const marks = marksOf(it);
      const rows = form.by === 'pages' ? pagesOf(marks, range) : questionsOf(marks, range);
      const count = multi ? parseInt(words(it, args, partial ? 1 : 0), 10) || 1 : 1;
      const parts = inParts(rows, count);
      const tables = parts.map((part, i) =>
        pointTable(part, form, i < parts.length - 1 ? null : sumOf(rows)),
      );
      it.execute(
        it.source(
          `{\\ex@stretched ${tables.join(multi === 'row' ? '\\\\[\\baselineskip]' : '\\quad ')}}`,
        ),
      );
    },
  };
}

const tables: readonly CommandEntry[] = SHOWN.flatMap((shows) =>
  [true, false].flatMap((score) =>
    [false, true].flatMap((partial) =>
      ([null, 'row', 'column'] as const).map((multi) => table(shows, score, { partial, multi })),
    ),
  ),
);

/** A number that the sheet knows of itself, printed. */
const number = (
  name: string,
  signature: string,
  description: string,
  value: (it: Interpreter, words: string) => number,
): CommandEntry => ({
  name,
  signature,
  description,
  example: signature === 'm' ? `\\${name}{1}` : `\\${name}`,
  run: (it, args) => {
    it.startParagraph();
    const asked = signature === 'm' ? words(it, args, 0) : '';
    it.execute(it.source(pointsWritten(value(it, asked))));
  },
});

const question = (it: Interpreter, label: string): Sum =>
  questionsIn(it).find((one) => one.label === label) ?? { points: 0, bonus: 0 };
const page = (it: Interpreter, label: string): Sum =>
  pagesOf(marksOf(it)).find((one) => one.label === label) ?? { points: 0, bonus: 0 };
const current = (it: Interpreter): Sum => question(it, textOf(it.p, [it.p.command('thequestion')]));
const countOf = (it: Interpreter, level: string): number =>
  marksOf(it).filter((mark) => mark.kind === 'item' && mark.level === level).length;
const range = (it: Interpreter, name: string): ExamQuestion[] => questionsOf(marksOf(it), name);

const numbers: readonly CommandEntry[] = [
  number('numquestions', '', 'How many questions there are.', (it) => questionsIn(it).length),
  number('numparts', '', 'How many parts there are.', (it) => countOf(it, 'part')),
  number('numsubparts', '', 'How many parts of parts there are.', (it) => countOf(it, 'subpart')),
  number('numsubsubparts', '', 'How many parts of those there are.', (it) =>
    countOf(it, 'subsubpart'),
  ),
  number('numpoints', '', 'How many points there are.', (it) => sumOf(questionsIn(it)).points),
  number(
    'numbonuspoints',
    '',
    'How many bonus points there are.',
    (it) => sumOf(questionsIn(it)).bonus,
  ),
  number(
    'totalpoints',
    '',
    'The points of this question with all its parts.',
    (it) => current(it).points,
  ),
  number('totalbonuspoints', '', 'The bonus points of this question.', (it) => current(it).bonus),
  number(
    'pointsofquestion',
    'm',
    'The points of a question with all its parts.',
    (it, n) => question(it, n).points,
  ),
  number(
    'bonuspointsofquestion',
    'm',
    'The bonus points of a question.',
    (it, n) => question(it, n).bonus,
  ),
  number('pointsonpage', 'm', 'The points on a page.', (it, n) => page(it, n).points),
  number('bonuspointsonpage', 'm', 'The bonus points on a page.', (it, n) => page(it, n).bonus),
  number(
    'pointsinrange',
    'm',
    'The points in a grading range.',
    (it, n) => sumOf(range(it, n)).points,
  ),
  number(
    'bonuspointsinrange',
    'm',
    'The bonus points in a grading range.',
    (it, n) => sumOf(range(it, n)).bonus,
  ),
  number(
    'numqinrange',
    'm',
    'How many questions a grading range has.',
    (it, n) => range(it, n).length,
  ),
  number('firstqinrange', 'm', 'The first question of a grading range.', (it, n) =>
    Number(range(it, n)[0]?.label ?? 0),
  ),
  number('lastqinrange', 'm', 'The last question of a grading range.', (it, n) =>
    Number(range(it, n).at(-1)?.label ?? 0),
  ),
];

/** In a head or foot: does a question go on across the edge of the page? Chooses, and says which it is. */
const across = (
  name: string,
  says: string,
  description: string,
  found: (questions: readonly ExamQuestion[], page: number) => string | null,
): CommandEntry => ({
  name,
  signature: 'MM',
  description,
  example: `\\rfoot{\\${name}{Question goes on}{}}`,
  run: (it, args) => {
    const label = found(questionsIn(it), getCount(it.state, 'c@page'));
    it.define(says, label ?? '');
    it.execute(tokensOf(args, label === null ? 1 : 0));
  },
});

/** The points of a sheet, in tables and one by one; what goes by its pages. */
export const examTables: readonly CommandEntry[] = [
  ...tables,
  ...numbers,
  across(
    'ifcontinuation',
    'ContinuedQuestion',
    'Chooses by whether the page begins within a question: \\ContinuedQuestion is its number.',
    continuedOn,
  ),
  across(
    'ifincomplete',
    'IncompleteQuestion',
    'Chooses by whether a question goes on to the next page: \\IncompleteQuestion is its number.',
    incompleteOn,
  ),
  {
    name: 'points',
    signature: '',
    description: 'In \\qformat: the word for the points of the question.',
    example: '\\qformat{Question \\thequestion: \\totalpoints\\ \\points\\hfill}',
    run: (it) => it.execute(it.source(current(it).points === 1 ? '\\ex@point' : '\\ex@points')),
  },
  ...(['range', 'rangeend'] as const).map((kind): CommandEntry => {
    const name = kind === 'range' ? 'begingradingrange' : 'endgradingrange';
    return {
      name,
      signature: 'm',
      description: 'Questions from here to the other end are a range with sums of its own.',
      example: `\\${name}{first}`,
      run: (it, args) => markExam(it, { kind, name: words(it, args, 0) }),
    };
  }),
];
