import { PT, type Sp } from '../../base/lengths';
import type { DiagramArrow } from '../../document/math';
import { readArgument } from '../../expansion/arguments';
import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import type { CommandEntry } from '../machine/entries';
import type { MathReader } from '../machine/mathReader';
import { dimenOf } from '../scanning/dimenOf';
import { isRowEnd, partAt } from './diagrams';
import { fieldOf } from './mathEntry';
import { draft, type Draft } from './arrowDiagrams';

/** Objects lie so far apart (the manual's two picas), and have so much room of their own around them. */
const APART: Sp = 24 * PT;
const MARGIN: Sp = 3 * PT;

/** What stands between `\xymatrix` and its brace: `@C=1cm`, `@R+2pc`, `@1`. */
function separations(reader: MathReader, text: string): { columnSep: Sp; rowSep: Sp } {
  const out = { columnSep: APART, rowSep: APART };
  for (const [, which = '', sign = '=', length = ''] of text.matchAll(
    /@([RC]?)([=+-])\s*([\d.]+\s*[a-z]{2})/g,
  )) {
    const by = dimenOf(reader.it, reader.p.chars(length));
    const changed = (old: Sp): Sp => (sign === '=' ? by : sign === '+' ? old + by : old - by);
    if (which !== 'R') out.columnSep = changed(out.columnSep);
    if (which !== 'C') out.rowSep = changed(out.rowSep);
  }
  return { columnSep: out.columnSep + 2 * MARGIN, rowSep: out.rowSep + 2 * MARGIN };
}

/** `@{->>}`, `@{^{(}->}`, `@{=}`: the look of an arrow by its signs. */
function lookOf(signs: string): Partial<DiagramArrow> {
  const line = /=/.test(signs)
    ? 'double'
    : /--/.test(signs)
      ? 'dashed'
      : /\./.test(signs)
        ? 'dotted'
        : 'solid';
  const head = /(?:>>|\{>>\})\s*$/.test(signs)
    ? 'two'
    : /[>)]\}?\s*$/.test(signs) && !/\(\}?\s*$/.test(signs)
      ? 'arrow'
      : 'none';
  const tail = /^\s*\^\s*\{?\(/.test(signs)
    ? 'hook'
    : /^\s*_\s*\{?\(/.test(signs)
      ? 'hookBack'
      : /^\s*\|/.test(signs)
        ? 'bar'
        : /^\s*\{?>/.test(signs)
          ? 'tail'
          : 'none';
  if (signs.trim() === '') return { line: 'none', head: 'none' };
  return { line, head, tail };
}

/** Reads the tokens of a cell, one after another. */
interface Reading {
  readonly tokens: readonly Token[];
  at: number;
}
const next = (r: Reading): Token | undefined => {
  while (r.tokens[r.at]?.cat === Cat.Space) r.at++;
  return r.tokens[r.at];
};
/** One token, or what stands in braces. */
function argument(r: Reading): Token[] {
  const first = next(r);
  if (!first) return [];
  r.at++;
  if (first.cat !== Cat.Begin) return [first];
  const out: Token[] = [];
  for (let depth = 1; r.at < r.tokens.length;) {
    const token = r.tokens[r.at++] as Token;
    if (token.cat === Cat.Begin) depth++;
    else if (token.cat === Cat.End && --depth === 0) break;
    out.push(token);
  }
  return out;
}
function upTo(r: Reading, sign: string): string {
  let text = '';
  while (r.at < r.tokens.length) {
    const token = r.tokens[r.at++] as Token;
    if (token.text === sign) break;
    text += token.text;
  }
  return text;
}

/** An arrow behind its `\ar`: where it goes, how it looks, what stands beside it. */
function readArrow(
  reader: MathReader,
  caller: Token,
  r: Reading,
  cell: readonly [number, number],
  command: Token,
): Draft {
  const arrow = draft(cell, reader.it.spanOf(command));
  for (;;) {
    const token = next(r);
    if (token?.text === '@') {
      r.at++;
      readLook(reader, r, arrow);
    } else if (token?.text === '[') {
      r.at++;
      const path = upTo(r, ']');
      const count = (letter: string): number => path.split(letter).length - 1;
      arrow.toCell = [cell[0] + count('d') - count('u'), cell[1] + count('r') - count('l')];
    } else if (token && (token.cat === Cat.Super || token.cat === Cat.Sub || token.text === '|')) {
      r.at++;
      // `^-{f}` stands at the middle of the line that is seen, `^(.3)f` at a share of it.
      while (/^[-<>+]$/.test(next(r)?.text ?? '')) r.at++;
      if (next(r)?.text === '(') upTo(r, ')');
      const list = fieldOf(reader, argument(r), caller);
      const side = token.text === '|' ? 'on' : token.cat === Cat.Super ? 'left' : 'right';
      if (list.length > 0) arrow.labels.push({ list, side });
    } else return arrow;
  }
}

function readLook(reader: MathReader, r: Reading, arrow: Draft): void {
  const token = next(r);
  if (token?.cat === Cat.Begin)
    Object.assign(arrow, lookOf(tokensText(argument(r)).replace(/\s+/g, '')));
  else if (token?.text === '/') {
    r.at++;
    const curve = upTo(r, '/');
    const size = /[\d.]+/.exec(curve)?.[0];
    arrow.bend =
      (curve.includes('_') ? -1 : 1) *
      30 *
      (size && curve.includes('pc') ? Math.min(2, Number(size)) : 1);
  } else if (token?.text === '<') {
    r.at++;
    const shift = upTo(r, '>');
    arrow.shift = dimenOf(reader.it, reader.p.chars(shift));
  } else if (token?.text === '(') upTo(r, ')');
  else if (token) argument(r);
}

/** A cell's arrows taken out of it; what is left is its object. */
function readCell(
  reader: MathReader,
  caller: Token,
  tokens: readonly Token[],
  cell: readonly [number, number],
  arrows: DiagramArrow[],
): Token[] {
  const object: Token[] = [];
  const r: Reading = { tokens, at: 0 };
  while (r.at < tokens.length) {
    const token = tokens[r.at++] as Token;
    if (token.cat === Cat.Command && token.text === 'ar')
      arrows.push(readArrow(reader, caller, r, cell, token));
    else if (token.text === '*' && object.every((t) => t.cat === Cat.Space)) {
      // `*+[F]{x}`: how the object is set around; the object itself is in the braces.
      while (r.at < tokens.length && tokens[r.at]?.cat !== Cat.Begin) r.at++;
      object.push(...argument(r));
    } else object.push(token);
  }
  return object;
}

/** What stands before the brace, and what is in it. */
function readMatrix({ p }: MathReader, token: Token): { options: string; body: readonly Token[] } {
  let options = '';
  for (let t = p.next(); t !== null; t = p.next()) {
    if (t.cat === Cat.Begin) {
      p.unread(t);
      break;
    }
    options += t.text;
    if (options.length > 100) break;
  }
  return { options, body: readArgument(p, token, true) ?? [] };
}

/** `\xymatrix{…}`: objects in rows and columns with arrows between them (package xy). */
export const xyMatrix: CommandEntry = {
  name: 'xymatrix',
  signature: '',
  package: 'xy',
  description: 'A diagram of objects in rows and columns with arrows between them.',
  example: '\\[\\xymatrix{ A \\ar[r]^f \\ar[d]_g & B \\\\ C & }\\]',
  run: (it, _args, token) => {
    const dollar = it.p.make(Cat.Math, '$');
    const tokens: Token[] = [];
    for (let t = it.p.next(); t !== null; t = it.p.next()) {
      if (t.cat === Cat.Begin) {
        it.p.unread(t);
        break;
      }
      tokens.push(t);
    }
    const body = readArgument(it.p, token, true) ?? [];
    it.p.push([
      dollar,
      token,
      ...tokens,
      it.p.make(Cat.Begin, '{'),
      ...body,
      it.p.make(Cat.End, '}'),
      dollar,
    ]);
  },
  math: (reader, token) => {
    const { options, body } = readMatrix(reader, token);
    const arrows: DiagramArrow[] = [];
    const written = partAt(body, isRowEnd);
    // What stands behind the last `\\` is no row when it is empty.
    if (written.length > 1 && written.at(-1)?.every((t) => t.cat === Cat.Space)) written.pop();
    const rows = written
      .map((row) => partAt(row, (t) => t.cat === Cat.Tab))
      .map((cells, r) =>
        cells.map((cell, c) =>
          fieldOf(reader, readCell(reader, token, cell, [r, c], arrows), token),
        ),
      );
    return {
      kind: 'diagram',
      rows,
      arrows,
      margin: MARGIN,
      ...separations(reader, options),
      ...reader.span(token),
    };
  },
};
