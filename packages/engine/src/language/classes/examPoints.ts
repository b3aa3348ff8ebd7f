import { fromNumeral } from '../../expansion/numerals';

/** What an exam sheet notes of itself on its pages, in order. */
export type ExamMark =
  | { readonly kind: 'question'; readonly number: string }
  | { readonly kind: 'item'; readonly level: string }
  | { readonly kind: 'points'; readonly points: number; readonly bonus: boolean }
  | { readonly kind: 'end' }
  | { readonly kind: 'range' | 'rangeend'; readonly name: string };

/** A mark and the number of the page on which it stands. */
export type PlacedExamMark = ExamMark & { readonly page: number };

/** How a mark is written into the list of the document. */
export function writtenMark(mark: ExamMark): string {
  switch (mark.kind) {
    case 'question':
      return `question ${mark.number}`;
    case 'item':
      return `item ${mark.level}`;
    case 'points':
      return `points ${mark.points} ${mark.bonus ? 'bonus' : 'plain'}`;
    case 'end':
      return 'end';
    default:
      return `${mark.kind} ${mark.name}`;
  }
}

/** The mark that is written so; null for anything else. */
export function markRead(text: string, page: string): PlacedExamMark | null {
  const [kind = '', first = '', second] = text.trim().split(' ');
  const at = { page: fromNumeral(page) };
  if (kind === 'question') return { kind, number: first, ...at };
  if (kind === 'item') return { kind, level: first, ...at };
  if (kind === 'points')
    return { kind, points: Number(first) || 0, bonus: second === 'bonus', ...at };
  if (kind === 'end') return { kind, ...at };
  if (kind === 'range' || kind === 'rangeend') return { kind, name: first, ...at };
  return null;
}

/** Points that count and points besides. */
export interface Sum {
  readonly points: number;
  readonly bonus: number;
}

/** A row of a table of points: a question or a page. */
export interface ExamRow extends Sum {
  readonly label: string;
}

/** A question with all its parts: from page to page, and its points on each. */
export interface ExamQuestion extends ExamRow {
  readonly from: number;
  readonly to: number;
}

const NOTHING: Sum = { points: 0, bonus: 0 };
const added = (sum: Sum, { points, bonus }: { points: number; bonus: boolean }): Sum => ({
  points: sum.points + (bonus ? 0 : points),
  bonus: sum.bonus + (bonus ? points : 0),
});

/** The questions of a sheet with their points; `range` names a part of it. */
export function questionsOf(
  marks: readonly PlacedExamMark[],
  range: string | null = null,
): ExamQuestion[] {
  const out: ExamQuestion[] = [];
  let inRange = range === null;
  let open = false;
  for (const mark of marks) {
    const last = out.at(-1);
    if (mark.kind === 'range' && mark.name === range) inRange = true;
    else if (mark.kind === 'rangeend' && mark.name === range) inRange = false;
    else if (mark.kind === 'question') {
      open = inRange;
      if (open) out.push({ label: mark.number, from: mark.page, to: Infinity, ...NOTHING });
    } else if (!open || !last) continue;
    else if (mark.kind === 'points') out[out.length - 1] = { ...last, ...added(last, mark) };
    else if (mark.kind === 'end') {
      out[out.length - 1] = { ...last, to: mark.page };
      open = false;
    }
  }
  return out;
}

/** The pages that have points, with their sums. */
export function pagesOf(marks: readonly PlacedExamMark[], range: string | null = null): ExamRow[] {
  const sums = new Map<number, Sum>();
  let inRange = range === null;
  for (const mark of marks) {
    if (mark.kind === 'range' && mark.name === range) inRange = true;
    else if (mark.kind === 'rangeend' && mark.name === range) inRange = false;
    else if (inRange && mark.kind === 'points')
      sums.set(mark.page, added(sums.get(mark.page) ?? NOTHING, mark));
  }
  return [...sums].map(([page, sum]) => ({ label: String(page), ...sum }));
}

export const sumOf = (rows: readonly Sum[]): Sum =>
  rows.reduce(
    (sum, row) => ({ points: sum.points + row.points, bonus: sum.bonus + row.bonus }),
    NOTHING,
  );

/** How points are written: halves by `\half`. */
export function pointsWritten(points: number): string {
  const whole = Math.floor(points);
  if (points === whole) return String(whole);
  return `${whole === 0 ? '' : whole}\\half{}`;
}

/** The question that goes on from the page before to this one; the question that goes on to the next. */
export const continuedOn = (questions: readonly ExamQuestion[], page: number): string | null =>
  questions.find(({ from, to }) => from < page && to >= page)?.label ?? null;
export const incompleteOn = (questions: readonly ExamQuestion[], page: number): string | null =>
  questions.find(({ from, to }) => from <= page && to > page)?.label ?? null;

/** What a table of points shows (exam manual, section 5). */
export interface TableForm {
  readonly shows: 'points' | 'bonus' | 'combined';
  readonly score: boolean;
  readonly by: 'questions' | 'pages';
  readonly upright: boolean;
}

/** The words of a table stand in macros named so: `\ex@` and the letters of its form. */
const word = ({ shows, upright }: TableForm, what: string): string =>
  `\\ex@${shows === 'points' ? '' : shows[0]}${upright ? 'v' : 'h'}${what}`;

/** The columns or rows of a table behind the first: what is said at their head, and what they hold. */
function series(form: TableForm): { head: string; cell: (sum: Sum) => string }[] {
  const points = { head: word(form, 'p'), cell: (sum: Sum) => pointsWritten(sum.points) };
  const bonus = {
    head: word(form, form.shows === 'combined' ? 'bp' : 'p'),
    cell: (sum: Sum) => pointsWritten(sum.bonus),
  };
  const shown =
    form.shows === 'points' ? [points] : form.shows === 'bonus' ? [bonus] : [points, bonus];
  return form.score ? [...shown, { head: word(form, 's'), cell: () => '' }] : shown;
}

/** A table of points as source. */
export function pointTable(rows: readonly ExamRow[], form: TableForm, total: Sum | null): string {
  const named = word(form, form.by === 'pages' ? 'pg' : 'q');
  const columns = series(form);
  const end = total ? [{ label: word(form, 't'), ...total }] : [];
  const all: readonly ExamRow[] = [...rows, ...end];
  if (form.upright) {
    const line = (cells: readonly string[]): string => `${cells.join('&')}\\\\\\hline `;
    const head = line([named, ...columns.map(({ head }) => head)]);
    const body = all.map((row) => line([row.label, ...columns.map(({ cell }) => cell(row))]));
    return `\\begin{tabular}{|c|${'c|'.repeat(columns.length)}}\\hline ${head}${body.join('')}\\end{tabular}`;
  }
  const line = (head: string, cells: readonly string[]): string =>
    `${[head, ...cells].join('&')}\\\\\\hline `;
  const body = columns.map(({ head, cell }) => line(head, all.map(cell)));
  const wide = line(
    named,
    all.map(({ label }) => `\\ex@cell{${label}}`),
  );
  return `\\begin{tabular}{|l|${'c|'.repeat(all.length)}}\\hline ${wide}${body.join('')}\\end{tabular}`;
}

/** A long table in so many rows (or columns) of tables, the total in the last. */
export function inParts<T>(rows: readonly T[], count: number): T[][] {
  const size = Math.max(1, Math.ceil((rows.length + 1) / Math.max(1, count)));
  const parts: T[][] = [];
  for (let at = 0; at < rows.length; at += size) parts.push(rows.slice(at, at + size));
  return parts.length === 0 ? [[]] : parts;
}
