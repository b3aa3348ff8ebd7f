import type { ColumnSpec, Preamble } from '../machine/tableState';
import type { GapPart, TabularColumn, TabularGap } from '../../document/inlines';
import { dashesIn, dashesNow } from './dashes';
import { textOf } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { colourOf } from '../scanning/colours';
import type { Interpreter } from '../machine/interpreter';
import { dimenOf } from '../scanning/dimenOf';
import { cellsBy } from '../../expansion/cells';

/** What `\newcolumntype` has defined: letter to arguments and tokens. */
interface ColumnType {
  readonly count: number;
  readonly body: readonly Token[];
  /** May settings in brackets stand behind the letter? They are its first argument then. */
  readonly settings?: boolean;
}
export const columnType = cellsBy<ColumnType | null>('column', null);

const ALIGN: Readonly<Record<string, TabularColumn['align']>> = {
  l: 'left',
  c: 'center',
  r: 'right',
};
const PARA: Readonly<Record<string, TabularColumn['valign']>> = {
  p: 'top',
  m: 'center',
  b: 'bottom',
};

/** The group at `at`, or the one token there. */
export function argumentAt(
  tokens: readonly Token[],
  start: number,
): { inner: Token[]; end: number } {
  let at = start;
  while (tokens[at]?.cat === Cat.Space) at++;
  const first = tokens[at];
  if (first?.cat !== Cat.Begin) return { inner: first ? [first] : [], end: at + 1 };
  let depth = 0;
  for (let i = at; i < tokens.length; i++) {
    const { cat } = tokens[i] as Token;
    if (cat === Cat.Begin) depth++;
    else if (cat === Cat.End && --depth === 0)
      return { inner: tokens.slice(at + 1, i), end: i + 1 };
  }
  return { inner: tokens.slice(at + 1), end: tokens.length };
}

/** The preamble with `*{n}{…}` and the document's own column letters written out. */
export function unfold(it: Interpreter, tokens: readonly Token[], depth = 0): Token[] {
  const out: Token[] = [];
  for (let i = 0; i < tokens.length; i++) {
    const token = tokens[i] as Token;
    if (token.cat === Cat.Begin) {
      const { inner, end } = argumentAt(tokens, i);
      out.push(token, ...inner, it.p.make(Cat.End, '}'));
      i = end - 1;
      continue;
    }
    if (token.text === '*' && depth < 8) {
      const times = argumentAt(tokens, i + 1);
      const body = argumentAt(tokens, times.end);
      const count = Math.min(100, parseInt(textOf(it.p, times.inner), 10) || 0);
      const once = unfold(it, body.inner, depth + 1);
      for (let k = 0; k < count; k++) out.push(...once);
      i = body.end - 1;
      continue;
    }
    const own = it.read(columnType(token.text));
    if (own && token.cell === null && depth < 8) {
      let at = own.settings ? behindBrackets(tokens, i + 1) : i + 1;
      const args: Token[][] = own.settings ? [tokens.slice(i + 2, Math.max(i + 2, at - 1))] : [];
      for (let k = 0; k < own.count; k++) {
        const { inner, end } = argumentAt(tokens, at);
        args.push(inner);
        at = end;
      }
      const body = own.body.flatMap((t) =>
        t.cat === Cat.Argument ? (args[Number(t.text) - 1] ?? []) : [t],
      );
      out.push(...unfold(it, body, depth + 1));
      i = at - 1;
      continue;
    }
    out.push(token);
  }
  return out;
}

/** Behind a `[…]`, when one opens here. */
function behindBrackets(tokens: readonly Token[], at: number): number {
  if (tokens[at]?.text !== '[') return at;
  const end = tokens.findIndex((t, i) => i > at && t.text === ']');
  return end < 0 ? at : end + 1;
}

type Draft = { -readonly [K in keyof TabularGap]: TabularGap[K] } & {
  parts: GapPart[];
};

const freshGap = (after: boolean): Draft => ({
  before: after,
  after: false,
  parts: [],
  grows: false,
  extra: 0,
});

/** `\hsize=1.5\hsize`, `\linewidth=\hsize` before a column X: its part of the width, and what else stands there. */
function shareIn(before: Token[]): { readonly share: number; readonly rest: Token[] } {
  const is = (i: number, name: string): boolean =>
    before[i]?.cat === Cat.Command && before[i]?.text === name;
  const rest: Token[] = [];
  let share = 1;
  for (let i = 0; i < before.length; i++) {
    if (!is(i, 'hsize') && !is(i, 'linewidth')) {
      rest.push(before[i] as Token);
      continue;
    }
    let end = i + 1;
    let factor = '';
    while (before[end]?.cell === null && /^[=.\d\s]$/.test(before[end]?.text ?? ''))
      factor += before[end++]?.text;
    if (!is(end, 'hsize')) rest.push(before[i] as Token);
    else {
      if (is(i, 'hsize')) share = parseFloat(factor.replace(/[=\s]/g, '')) || 1;
      i = end;
    }
  }
  return { share, rest };
}

/** Columns and borders of a preamble (LaTeX kernel and package array). */
export function readPreamble(it: Interpreter, tokens: readonly Token[]): Preamble {
  const list = unfold(it, tokens);
  const columns: { -readonly [K in keyof ColumnSpec]: ColumnSpec[K] }[] = [];
  const gaps: Draft[] = [freshGap(false)];
  let before: Token[] = [];
  let bare = false;
  /** What `\extracolsep` said last. */
  let extra: ExtraSep = { grows: false, extra: 0 };
  const gap = (): Draft => gaps.at(-1) as Draft;
  const addColumn = (column: TabularColumn): void => {
    if (!bare) gap().after = true;
    bare = false;
    const color = columnColor(it, before);
    columns.push({ column, before: color.rest, after: [], color: color.color });
    before = [];
    gaps.push(freshGap(true));
    Object.assign(gap(), extra);
  };
  for (let i = 0; i < list.length; i++) {
    const token = list[i] as Token;
    const letter = token.text;
    if (token.cat === Cat.Space || token.cat === Cat.End) continue;
    if (letter === '|') gap().parts.push('bar');
    else if (letter === ':' && it.hasPackage('arydshln')) gap().parts.push(dashesNow(it));
    else if (letter === ';' && it.hasPackage('arydshln')) {
      const { inner, end } = argumentAt(list, i + 1);
      i = end - 1;
      gap().parts.push(dashesIn(it, inner));
    } else if (letter in ALIGN)
      addColumn({ align: ALIGN[letter] ?? 'left', width: null, valign: 'top', flexible: false });
    else if (letter in PARA || letter === 'w' || letter === 'W') {
      const first = argumentAt(list, i + 1);
      const second = letter === 'w' || letter === 'W' ? argumentAt(list, first.end) : null;
      i = (second ?? first).end - 1;
      const width = dimenOf(it, (second ?? first).inner);
      const align = second ? (ALIGN[textOf(it.p, first.inner)] ?? 'left') : 'left';
      addColumn({ align, width, valign: PARA[letter] ?? 'top', flexible: false });
    } else if (letter === 'X') {
      const { share, rest } = shareIn(before);
      before = rest;
      const width = it.dimen('linewidth') / 4;
      addColumn({
        align: 'left',
        width,
        valign: 'top',
        flexible: true,
        ...(share === 1 ? {} : { share }),
      });
    } else if ('><@!'.includes(letter) && letter !== '') {
      const { inner, end } = argumentAt(list, i + 1);
      i = end - 1;
      if (letter === '>') before = [...inner, ...before];
      else if (letter === '<') {
        const last = columns.at(-1);
        if (last) last.after = [...inner, ...last.after];
      } else {
        const { said, rest } = extraSep(it, inner);
        if (said) {
          extra = said;
          if (columns.length > 0) Object.assign(gap(), said);
        }
        if (letter === '@') {
          gap().before = false;
          bare = true;
        }
        if (rest.length > 0) gap().parts.push(it.inlinesOf(rest));
      }
    } else if (token.cat === Cat.Letter || token.cat === Cat.Other) {
      it.p.report('column-unknown', it.spanOf(token), { name: letter });
      addColumn({ align: 'left', width: null, valign: 'top', flexible: false });
    }
  }
  // Behind the last column there is none (the kernel's `\@array` ends with no tab skip).
  Object.assign(gap(), { grows: false, extra: 0 });
  return { columns, gaps };
}

type ExtraSep = Pick<TabularGap, 'grows' | 'extra'>;

/** `\extracolsep{…}` in a border: all borders from here on are wider by it, or grow. */
function extraSep(
  it: Interpreter,
  tokens: readonly Token[],
): { said: ExtraSep | null; rest: Token[] } {
  const at = tokens.findIndex((t) => t.text === 'extracolsep');
  if (at < 0) return { said: null, rest: [...tokens] };
  const { inner, end } = argumentAt(tokens, at + 1);
  const grows = inner.some((t) => t.text === 'fill' || t.text === 'fil' || t.text === 'stretch');
  const said = { grows, extra: grows ? 0 : dimenOf(it, inner) };
  return { said, rest: [...tokens.slice(0, at), ...tokens.slice(end)] };
}

/** `\columncolor` among the tokens before a column's cells. */
function columnColor(
  it: Interpreter,
  tokens: readonly Token[],
): { color: number | null; rest: Token[] } {
  const at = tokens.findIndex((t) => t.text === 'columncolor');
  if (at < 0) return { color: null, rest: [...tokens] };
  let start = at + 1;
  let model: Token[] | null = null;
  if (tokens[start]?.text === '[') {
    const close = tokens.findIndex((t, k) => k > start && t.text === ']');
    model = tokens.slice(start + 1, close);
    start = close + 1;
  }
  const { inner, end } = argumentAt(tokens, start);
  let after = end;
  while (tokens[after]?.text === '[')
    after = tokens.findIndex((t, k) => k > after && t.text === ']') + 1;
  const color = colourOf(it, model, inner) ?? null;
  return { color, rest: [...tokens.slice(0, at), ...tokens.slice(after)] };
}

/** The number that `\arraystretch` holds. */
export function arrayStretch(it: Interpreter): number {
  const value = parseFloat(textOf(it.p, [it.p.command('arraystretch')]));
  return Number.isFinite(value) && value > 0 ? value : 1;
}
