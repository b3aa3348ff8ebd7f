import type { Sp } from '../../base/lengths';
import type {
  Inline,
  TableRule,
  TabularCell,
  TabularColumn,
  TabularGap,
  TabularInline,
  TabularRow,
} from '../../document/inlines';
import { isPar } from '../../expansion/arguments';
import { textOf } from '../../expansion/expandables';
import { colourOf } from '../colours';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { Args, CommandEntry, EnvironmentEntry } from '../entries';
import { tokensOf } from '../entries';
import type { Interpreter } from '../interpreter';
import { readCell, type CellFrame } from '../tableCell';
import { dimenOf } from './boxes';
import { glueOf } from './spacing';

/** A column as the preamble describes it: with the tokens before and behind each of its cells. */
export interface ColumnSpec {
  readonly column: TabularColumn;
  readonly before: readonly Token[];
  readonly after: readonly Token[];
  readonly color: number | null;
}

export interface Preamble {
  readonly columns: readonly ColumnSpec[];
  readonly gaps: readonly TabularGap[];
}

/** What `\newcolumntype` has defined: letter to arguments and tokens. */
interface ColumnType {
  readonly count: number;
  readonly body: readonly Token[];
}
export const columnTypeCell = (it: Interpreter, letter: string) =>
  it.state.cell(`\u0001column:${letter}`);

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
function argumentAt(tokens: readonly Token[], start: number): { inner: Token[]; end: number } {
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
function unfold(it: Interpreter, tokens: readonly Token[], depth = 0): Token[] {
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
    const own = it.state.get(columnTypeCell(it, token.text)) as ColumnType | undefined;
    if (own && token.cell === null && depth < 8) {
      let at = i + 1;
      const args: Token[][] = [];
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

type Draft = { -readonly [K in keyof TabularGap]: TabularGap[K] } & {
  parts: ('bar' | readonly Inline[])[];
};

const freshGap = (after: boolean): Draft => ({
  before: after,
  after: false,
  parts: [],
  grows: false,
});

/** Columns and borders of a preamble (LaTeX kernel and package array). */
export function readPreamble(it: Interpreter, tokens: readonly Token[]): Preamble {
  const list = unfold(it, tokens);
  const columns: { -readonly [K in keyof ColumnSpec]: ColumnSpec[K] }[] = [];
  const gaps: Draft[] = [freshGap(false)];
  let before: Token[] = [];
  let bare = false;
  let grows = false;
  const gap = (): Draft => gaps.at(-1) as Draft;
  const addColumn = (column: TabularColumn): void => {
    if (!bare) gap().after = true;
    bare = false;
    const color = columnColor(it, before);
    columns.push({ column, before: color.rest, after: [], color: color.color });
    before = [];
    gaps.push(freshGap(true));
    gap().grows = grows;
  };
  for (let i = 0; i < list.length; i++) {
    const token = list[i] as Token;
    const letter = token.text;
    if (token.cat === Cat.Space || token.cat === Cat.End) continue;
    if (letter === '|') gap().parts.push('bar');
    else if (letter in ALIGN)
      addColumn({ align: ALIGN[letter] ?? 'left', width: null, valign: 'top', flexible: false });
    else if (letter in PARA || letter === 'w' || letter === 'W') {
      const first = argumentAt(list, i + 1);
      const second = letter === 'w' || letter === 'W' ? argumentAt(list, first.end) : null;
      i = (second ?? first).end - 1;
      const width = dimenOf(it, (second ?? first).inner);
      const align = second ? (ALIGN[textOf(it.p, first.inner)] ?? 'left') : 'left';
      addColumn({ align, width, valign: PARA[letter] ?? 'top', flexible: false });
    } else if (letter === 'X') {
      addColumn({ align: 'left', width: it.dimen('linewidth') / 4, valign: 'top', flexible: true });
    } else if ('><@!'.includes(letter) && letter !== '') {
      const { inner, end } = argumentAt(list, i + 1);
      i = end - 1;
      if (letter === '>') before = [...inner, ...before];
      else if (letter === '<') {
        const last = columns.at(-1);
        if (last) last.after = [...inner, ...last.after];
      } else {
        const { stretch, rest } = extraSep(it, inner);
        if (stretch) {
          grows = true;
          gap().grows = columns.length > 0;
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
  return { columns, gaps };
}

/** `\extracolsep{…}` in a border: the borders from here on grow. */
function extraSep(it: Interpreter, tokens: readonly Token[]): { stretch: boolean; rest: Token[] } {
  const at = tokens.findIndex((t) => t.text === 'extracolsep');
  if (at < 0) return { stretch: false, rest: [...tokens] };
  const { inner, end } = argumentAt(tokens, at + 1);
  void it;
  const stretch = inner.some((t) => t.text === 'fill' || t.text === 'fil' || t.text === 'stretch');
  return { stretch, rest: [...tokens.slice(0, at), ...tokens.slice(end)] };
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

/** What commands inside a table leave for it: rules, colours, a cell of its own kind. */
export interface TableState {
  rules: TableRule[];
  rowColor: number | null;
  cellColor: number | null;
  own: { span: number; preamble: Preamble } | null;
  rows: number;
  /** Rows of the head of a long table, once it has ended. */
  head: number | null;
  headRows: number | null;
  /** Rows read when the foot, and the last foot, ended. */
  footAt: readonly number[];
  caption: (() => void) | null;
  count: number;
}

export const freshTable = (): TableState => ({
  rules: [],
  rowColor: null,
  cellColor: null,
  own: null,
  rows: 1,
  head: null,
  headRows: null,
  footAt: [],
  caption: null,
  count: 0,
});

const PLAIN: TabularColumn = { align: 'left', width: null, valign: 'top', flexible: false };

/** Commands that stand between rows and are carried out there. */
const BETWEEN = new Set([
  'hline',
  'cline',
  'toprule',
  'midrule',
  'bottomrule',
  'cmidrule',
  'addlinespace',
  'specialrule',
  'morecmidrules',
  'rowcolor',
  'noalign',
  'endhead',
  'endfirsthead',
  'endfoot',
  'endlastfoot',
  'arrayrulecolor',
  'rowcolors',
  'hhline',
  'caption',
  'label',
  'hiderowcolors',
  'showrowcolors',
]);

/** Reads what stands between two rows; rules go to the table. True when a cell follows. */
function betweenRows(it: Interpreter, table: TableState): void {
  for (;;) {
    const token = it.p.nextNonBlank();
    if (token === null) return;
    if (isPar(token)) continue;
    const between = token.cat === Cat.Command && BETWEEN.has(token.text);
    const isCaption = token.text === 'caption' || token.text === 'label';
    if (!between || (isCaption && table.caption === null)) return it.p.unread(token);
    if (token.text === 'caption') {
      table.caption?.();
      skipRowEnd(it);
    } else it.carryOut(token);
  }
}

/** The `\\\\` behind a caption ends no row. */
function skipRowEnd(it: Interpreter): void {
  const token = it.p.nextNonBlank();
  if (!token) return;
  if (token.text === '\\' || token.text === 'tabularnewline') it.readArguments('so', token);
  else it.p.unread(token);
}

/** The next token of a cell, when it changes the cell: `\multicolumn` must come first in it. */
function takeMulticolumn(it: Interpreter): void {
  const token = it.p.nextNonBlank();
  if (!token) return;
  if (token.cat === Cat.Command && (token.text === 'multicolumn' || token.text === 'omit')) {
    if (token.text === 'omit') return;
    it.carryOut(token);
    return;
  }
  it.p.unread(token);
}

/** All rows up to the `\end` of the table. */
export function readRows(
  it: Interpreter,
  preamble: Preamble,
  environment: string,
  table: TableState,
) {
  const rows: TabularRow[] = [];
  const outer = it.table;
  it.table = table;
  for (;;) {
    betweenRows(it, table);
    const row = readRow(it, preamble, environment, table);
    const { cells, ended, color } = row;
    const [only] = cells;
    const empty =
      cells.length === 1 && only?.inlines.length === 0 && (only.blocks ?? []).length === 0;
    if (ended === 'end' && empty) break;
    const above = table.rules;
    table.rules = [];
    table.count++;
    const skip = ended === 'row' ? rowSkip(it) : 0;
    rows.push({ cells, above, skip, color });
    if (ended === 'end') break;
  }
  it.table = outer;
  return rows;
}

function readRow(it: Interpreter, preamble: Preamble, environment: string, table: TableState) {
  const cells: TabularCell[] = [];
  let at = 0;
  table.rowColor = table.rowColor ?? stripe(it, table);
  for (;;) {
    table.own = null;
    table.cellColor = null;
    table.rows = 1;
    takeMulticolumn(it);
    const own = table.own as TableState['own'];
    const spec = own ? own.preamble.columns[0] : preamble.columns[at];
    const column = spec?.column ?? PLAIN;
    const frame: CellFrame = { environment, after: spec?.after ?? [] };
    const { inlines, blocks, ended } = readCell(it, frame, column, spec?.before ?? []);
    const span = own?.span ?? 1;
    cells.push({
      span,
      column,
      before:
        own && (at === 0 || own.preamble.gaps[0]?.parts.length)
          ? (own.preamble.gaps[0] ?? null)
          : null,
      after: own?.preamble.gaps[1] ?? null,
      inlines,
      blocks,
      color: table.cellColor ?? spec?.color ?? null,
      rows: table.rows,
    });
    at += span;
    if (ended !== 'tab') {
      const color = table.rowColor;
      table.rowColor = null;
      return { cells, ended, color };
    }
    if (at === preamble.columns.length) it.p.report('columns-too-many', it.p.place);
  }
}

/** `\rowcolors`: the colour of the row by its number. */
function stripe(it: Interpreter, table: TableState): number | null {
  const stripes = it.state.get(it.state.cell('\u0001rowcolors')) as
    { start: number; odd: number | null; even: number | null } | undefined;
  if (!stripes || table.count + 1 < stripes.start) return null;
  return (table.count + 1) % 2 === 1 ? stripes.odd : stripes.even;
}

function rowSkip(it: Interpreter): Sp {
  const args = it.readArguments('so', it.p.command('\\'));
  const skip = args?.[1];
  return Array.isArray(skip) ? glueOf(it, skip as Token[]).width : 0;
}

/** The number that `\arraystretch` holds. */
export function arrayStretch(it: Interpreter): number {
  const value = parseFloat(textOf(it.p, [it.p.command('arraystretch')]));
  return Number.isFinite(value) && value > 0 ? value : 1;
}

const VALIGN: Readonly<Record<string, TabularInline['valign']>> = {
  t: 'top',
  c: 'center',
  b: 'bottom',
};

/** A table read, as a node. */
export function tableNode(
  it: Interpreter,
  preamble: Preamble,
  rows: readonly TabularRow[],
  table: TableState,
  options: { readonly position: string; readonly width: Sp | null },
): TabularInline {
  const line = it.skip('baselineskip').width * arrayStretch(it);
  return {
    kind: 'tabular',
    columns: preamble.columns.map(({ column }) => column),
    gaps: preamble.gaps,
    rows,
    rulesBelow: table.rules,
    valign: VALIGN[options.position] ?? 'center',
    width: options.width,
    strut: { height: Math.round(0.7 * line), depth: Math.round(0.3 * line) },
    extraHeight: it.dimen('extrarowheight'),
    columnSep: it.dimen('tabcolsep'),
    ruleWidth: it.dimen('arrayrulewidth'),
    doubleSep: it.dimen('doublerulesep'),
    ruleColor:
      (it.state.get(it.state.cell('\u0001arrayrulecolor')) as number | undefined) ?? it.font.color,
    ...it.p.place,
  };
}

function beginTabular(name: string, widthArgument: number | null, spec: number) {
  return (it: Interpreter, args: Args): void => {
    it.startParagraph();
    const width = widthArgument === null ? null : dimenOf(it, tokensOf(args, widthArgument));
    const position = tokensOf(args, widthArgument === null ? 0 : 1)[0]?.text ?? 'c';
    const preamble = readPreamble(it, tokensOf(args, spec));
    const table = freshTable();
    const rows = readRows(it, preamble, name, table);
    it.add(tableNode(it, preamble, rows, table, { position, width }));
  };
}

export const tableEnvironments: readonly EnvironmentEntry[] = [
  {
    name: 'tabular',
    signature: 'om',
    description: 'A table of text: a letter for each column.',
    example: '\\begin{tabular}{lr}\nNorth Pier & 06:40\\\\\nSouth Quay & 07:05\n\\end{tabular}',
    begin: beginTabular('tabular', null, 1),
  },
  {
    name: 'tabular*',
    signature: 'mom',
    description: 'A table as wide as you say.',
    example:
      '\\begin{tabular*}{5cm}{l@{\\extracolsep{\\fill}}r}\nNorth Pier & 06:40\n\\end{tabular*}',
    begin: beginTabular('tabular*', 0, 2),
  },
];

/** The table being read, for commands that leave something for it. */
const withTable =
  (act: (it: Interpreter, table: TableState, args: Args, token: Token) => void) =>
  (it: Interpreter, args: Args, token: Token): void => {
    if (it.table) act(it, it.table, args, token);
    else it.p.report('alignment-outside', it.spanOf(token));
  };

export const ruleOf = (it: Interpreter, size: Sp, change: Partial<TableRule> = {}): TableRule => ({
  kind: 'rule',
  size,
  span: null,
  trim: [0, 0],
  color: (it.state.get(it.state.cell('\u0001arrayrulecolor')) as number | undefined) ?? 0,
  level: false,
  ...change,
});

/** Columns `a-b` of a partial rule, from 0, the end not included. */
export function columnSpan(it: Interpreter, tokens: readonly Token[]): [number, number] {
  const [from, to] = textOf(it.p, tokens)
    .split('-')
    .map((n) => parseInt(n, 10) || 1);
  return [(from ?? 1) - 1, to ?? from ?? 1];
}

export const tableCommand = (
  entry: Omit<CommandEntry, 'run'>,
  act: (it: Interpreter, table: TableState, args: Args, token: Token) => void,
): CommandEntry => ({ ...entry, run: withTable(act) });

/** Commands of tables. */
export const tableCommands: readonly CommandEntry[] = [
  {
    ...tableCommand(
      {
        name: 'hline',
        signature: '',
        description: 'A rule across the table.',
        example: '\\begin{tabular}{l}\\hline ebb\\\\\\hline\\end{tabular}',
      },
      (it, table) => table.rules.push(ruleOf(it, it.dimen('arrayrulewidth'))),
    ),
    math: (reader) => {
      reader.rules++;
      return null;
    },
  },
  {
    ...tableCommand(
      {
        name: 'cline',
        signature: 'm',
        description: 'A rule under some columns: from-to.',
        example: '\\begin{tabular}{ll}ebb & flood\\\\\\cline{1-1}\\end{tabular}',
      },
      (it, table, args) => {
        const span = columnSpan(it, tokensOf(args, 0));
        table.rules.push(ruleOf(it, it.dimen('arrayrulewidth'), { span, level: true }));
      },
    ),
    math: (reader, token) => {
      reader.argument(token);
      return null;
    },
  },
  tableCommand(
    {
      name: 'multicolumn',
      signature: 'mm',
      description: 'A cell over several columns: how many, how set, what.',
      example: '\\begin{tabular}{ll}\\multicolumn{2}{c}{Ferries}\\\\ebb & flood\\end{tabular}',
    },
    (it, table, args) => {
      const span = Math.max(1, parseInt(textOf(it.p, tokensOf(args, 0)), 10) || 1);
      table.own = { span, preamble: readPreamble(it, tokensOf(args, 1)) };
    },
  ),
  tableCommand(
    {
      name: 'noalign',
      signature: 'm',
      description: 'Something between two rows: space or a rule.',
      example: '\\begin{tabular}{l}ebb\\\\\\noalign{\\smallskip}flood\\end{tabular}',
    },
    (it, table, args) => {
      const blocks = it.blocksOf(tokensOf(args, 0));
      for (const block of blocks) {
        if (block.kind === 'vspace')
          table.rules.push(ruleOf(it, block.glue.width, { kind: 'space' }));
        if (block.kind === 'rule') table.rules.push(ruleOf(it, block.height));
      }
    },
  ),
  {
    name: 'newcolumntype',
    signature: 'mom',
    description: 'A letter of your own for a kind of column.',
    example: '\\newcolumntype{R}{>{\\bfseries}r}',
    package: 'array',
    run: (it, args) => {
      const letter = textOf(it.p, tokensOf(args, 0));
      const count = args[1] ? parseInt(textOf(it.p, tokensOf(args, 1)), 10) || 0 : 0;
      const body = tokensOf(args, 2);
      const parameters: Token[] = [];
      for (let i = 0; i < body.length; i++) {
        const t = body[i] as Token;
        const next = body[i + 1];
        if (t.cat === Cat.Parameter && next && /[1-9]/.test(next.text)) {
          parameters.push({ ...next, cat: Cat.Argument });
          i++;
        } else parameters.push(t);
      }
      it.state.set(columnTypeCell(it, letter), { count, body: parameters });
    },
  },
];
