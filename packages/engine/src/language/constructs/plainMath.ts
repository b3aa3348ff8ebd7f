import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { CommandEntry } from '../machine/entries';
import type { MathReader } from '../machine/mathReader';
import { macroEntry } from '../machine/macroEntry';
import { bordermatrix } from './borderMatrix';
import { mathEntry } from './mathEntry';

/** A formula part of plain TeX whose rows end with `\cr`: set as an array between brackets. */
function rows(name: string, before: string, behind: string, what: string): CommandEntry {
  return mathEntry(name, 'm', what, `\\${name}{a & b\\cr c & d\\cr}`, (reader, token) => {
    const body = withoutLastRow(reader.argument(token));
    const open = before.replace('*', 'c'.repeat(columnCount(body)));
    reader.p.push([...reader.it.source(open), ...body, ...reader.it.source(behind)]);
    return null;
  });
}

/** How many cells the longest row has. */
function columnCount(tokens: readonly Token[]): number {
  let most = 1;
  let count = 1;
  let depth = 0;
  for (const { cat, text } of tokens) {
    if (cat === Cat.Begin) depth++;
    else if (cat === Cat.End) depth--;
    else if (depth === 0 && cat === Cat.Tab) most = Math.max(most, ++count);
    else if (depth === 0 && cat === Cat.Command && ['cr', 'crcr', '\\'].includes(text)) count = 1;
  }
  return most;
}

/** The `\cr` behind the last row starts no new one. */
function withoutLastRow(tokens: readonly Token[]): readonly Token[] {
  const last = tokens.findLastIndex((t) => t.cat !== Cat.Space);
  return /^cr(?:cr)?$/.test(tokens[last]?.text ?? '') ? tokens.slice(0, last) : tokens;
}

/** `$$ … \eqno(1) $$`: what stands behind it is the number. */
function equationNumber(reader: MathReader): null {
  const tokens: Token[] = [];
  for (let t = reader.p.next(); t !== null; t = reader.p.next()) {
    if (t.cat === Cat.Math || t.cat === 18) {
      reader.p.unread(t);
      break;
    }
    tokens.push(t);
  }
  const dollar = reader.p.make(Cat.Math, '$');
  if (reader.rowMarks) reader.rowMarks.tag = { tokens: [dollar, ...tokens, dollar], bare: true };
  return null;
}

/** Mathematics in the manner of plain TeX (The TeXbook, chapters 18 and 19). */
export const plainMath: readonly CommandEntry[] = [
  macroEntry(
    'iff',
    '',
    'If and only if, with space around it.',
    '$a \\iff b$',
    '\\;\\Longleftrightarrow\\;',
  ),
  rows('matrix', '\\begin{array}{*}', '\\end{array}', 'Rows and columns without brackets.'),
  rows(
    'pmatrix',
    '\\left(\\begin{array}{*}',
    '\\end{array}\\right)',
    'Rows and columns in round brackets.',
  ),
  rows('cases', '\\left\\{\\begin{array}{ll}', '\\end{array}\\right.', 'Cases behind a brace.'),
  bordermatrix,
  rows('eqalign', '\\begin{array}{rl}', '\\end{array}', 'Lines aligned at &.'),
  rows('displaylines', '\\begin{array}{c}', '\\end{array}', 'Lines one under another.'),
  mathEntry('eqno', '', 'What follows is the number of the display.', 'x', equationNumber),
  mathEntry('leqno', '', 'What follows is the number of the display.', 'x', equationNumber),
];
