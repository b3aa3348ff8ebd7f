import type { Fix } from './entry';
import { breaks, brokenFormula, DISPLAY, linesAt, loading, seen, withMarks } from './brokenFormula';

/** Ways to mend what is wider than the text. */
const isFix = (way: Fix | null): way is Fix => way !== null;

/**
 * A formula that is too wide: over several lines, or smaller.
 *
 * @param from,to the formula, or the row of an alignment.
 * @param times how many times as wide as the text it is.
 */
export const tooWideFormula = (text: string, from: number, to: number, times: number): Fix[] =>
  [
    brokenFormula(text, from, to) ?? brokenRow(text, from, to),
    shrunkFormula(text, from, to, times),
  ].filter(isFix);

/** A line of text that is too wide: the formula on it in a display, or its words further apart. */
export const tooWideLine = (text: string, from: number, to: number): Fix[] =>
  [displayedFormula(text, from, to) ?? looserParagraph(text, from, to)].filter(isFix);

const ROWS = /\\begin\{(align|gather|multline)(\*?)\}/g;
/** How far back the start of an alignment is looked for. */
const NEAR = 10_000;
/** What stands behind a row, up to the end of the alignment. */
const ROW_END = /\s*(?:\\\\(?:\[[^\]]*\])?\s*|\\end\{[^{}]*\}\s*)+$/;
const LABEL = /\s*\\(?:label|tag\*?)\{[^{}]*\}/g;

/** A row of an alignment over several; the last of them keeps its number. */
function brokenRow(text: string, from: number, to: number): Fix | null {
  const whole = text.slice(from, to);
  const row = whole.slice(0, ROW_END.exec(whole)?.index);
  const before = text.slice(Math.max(0, from - NEAR), from);
  const around = [...before.matchAll(ROWS)].at(-1);
  if (!around || /\\begin|\\\\/.test(row) || before.slice(around.index).includes('\\end{'))
    return null;
  const [, name = '', star = ''] = around;
  const marks = row.match(/(?<!\\)&/g)?.length ?? 0;
  const labels = (row.match(LABEL) ?? []).map((label) => label.trim()).join(' ');
  const plain = row
    .replace(LABEL, '')
    .replace(/(?<!\\)&/, '')
    .trim();
  const { relations, signs } = breaks(plain);
  // Where it is aligned elsewhere than at its first relation, lines of ours would not meet it.
  const isAtRelation =
    row.slice(0, row.indexOf('&')).trim() === plain.slice(0, relations[0] ?? 0).trim();
  if (marks > 1 || (marks === 1 && !isAtRelation)) return null;
  const lines = linesAt(plain, relations, signs)?.split(' \\\\\n');
  if (!lines) return null;
  const isNumbered = star === '' && name !== 'multline';
  const written = lines.map((line, i) => {
    const shown = name === 'align' ? line.trim() : line.replace(/&(\\quad )?/, '').trim();
    const isLast = i === lines.length - 1;
    return isLast ? `${shown} ${labels}`.trim() : `${shown}${isNumbered ? ' \\nonumber' : ''}`;
  });
  const start = from + row.search(/\S/);
  return {
    title: 'Break this line in two or more',
    edits: [{ from: start, to: from + row.length, text: written.join(' \\\\\n  ') }],
  };
}

/** Letters smaller than that are hard to read. */
const MOST_SHRINKING = 1.3;

/** A displayed formula on one line, shrunk until it fits, its number beside it. */
function shrunkFormula(text: string, from: number, to: number, times: number): Fix | null {
  const span = withMarks(text, from, to);
  const found = DISPLAY.exec(text.slice(span.from, span.to));
  if (!found || !(times < MOST_SHRINKING)) return null;
  const [, open = '', body = '', close = ''] = found;
  if (/\\\\|\\begin|(?<!\\)&/.test(body)) return null;
  const labels = (body.match(LABEL) ?? []).map((label) => label.trim()).join(' ');
  const plain = body.replace(LABEL, '').trim();
  const width = open === '\\begin{equation}' ? '0.9\\textwidth' : '\\textwidth';
  const boxed = `\\resizebox{${width}}{!}{$\\displaystyle ${plain}$}`;
  const written = `${open}${labels === '' ? '' : ` ${labels}`}\n  ${boxed}\n${close}`;
  return {
    title: 'Shrink it to fit',
    edits: [...loading(text, 'graphicx'), { ...span, text: written }],
  };
}

/** Lines that no paragraph goes over. */
const BETWEEN = /^\s*(?:$|\\(?:begin|end|item|part|chapter|(?:sub)*section|maketitle|label)\b)/;

/** The lines of the paragraph around a place. */
function paragraphAt(text: string, at: number): { from: number; to: number } {
  let from = text.lastIndexOf('\n', at - 1) + 1;
  while (from > 0) {
    const before = text.lastIndexOf('\n', from - 2) + 1;
    if (BETWEEN.test(text.slice(before, from - 1))) break;
    from = before;
  }
  let to = at;
  for (;;) {
    const end = text.indexOf('\n', to);
    if (end < 0) return { from, to: text.length };
    const next = text.indexOf('\n', end + 1);
    if (BETWEEN.test(text.slice(end + 1, next < 0 ? text.length : next))) return { from, to: end };
    to = end + 1;
  }
}

/** A formula that takes less room than this many signs is not what makes a line too wide. */
const LONG_FORMULA = 10;

/** The longest formula on the line, on a line of its own. */
function displayedFormula(text: string, from: number, to: number): Fix | null {
  const paragraph = paragraphAt(text, from);
  const source = text.slice(paragraph.from, paragraph.to);
  const formulas = [
    ...source.matchAll(/(?<![\\$])\$([^$]+)(?<!\\)\$(?!\$)|\\\(([\s\S]*?)\\\)/g),
  ].map(({ 0: whole, 1: dollars, 2: brackets, index }) => ({
    from: paragraph.from + index,
    to: paragraph.from + index + whole.length,
    body: (dollars ?? brackets ?? '').trim(),
  }));
  const [longest] = formulas
    .filter((formula) => formula.from < to && formula.to > from)
    .sort((a, b) => seen(b.body) - seen(a.body));
  if (!longest || seen(longest.body) < LONG_FORMULA) return null;
  const stop = /^[.,;:]/.exec(text.slice(longest.to))?.[0] ?? '';
  const blanks = /^\s*/.exec(text.slice(longest.to + stop.length))?.[0].length ?? 0;
  const end = longest.to + stop.length + blanks;
  // At the end of a paragraph the blank line behind it stays.
  const isLast = end >= paragraph.to;
  const before = /[ \t]*$/.exec(text.slice(0, longest.from))?.[0].length ?? 0;
  return {
    title: 'Put the formula on a line of its own',
    edits: [
      {
        from: longest.from - before,
        to: isLast ? longest.to + stop.length : end,
        text: `\n\\[\n  ${longest.body}${stop}\n\\]${isLast ? '' : '\n'}`,
      },
    ],
  };
}

/** With fewer words than this on it, a line gains little when they stand further apart. */
const FEW_WORDS = 6;

/** The paragraph set with wider gaps between its words. */
function looserParagraph(text: string, from: number, to: number): Fix | null {
  const { from: start, to: end } = paragraphAt(text, from);
  const paragraph = text.slice(start, end);
  if (/\\(?:begin|end|item|[a-z]*section|chapter|[hm]box|verb)\b/.test(paragraph)) return null;
  if ((text.slice(from, to).match(/\s+/g)?.length ?? 0) < FEW_WORDS) return null;
  return {
    title: 'Let the words stand further apart',
    edits: [
      { from: start, to: start, text: '\\begin{sloppypar}\n' },
      { from: end, to: end, text: '\n\\end{sloppypar}' },
    ],
  };
}
