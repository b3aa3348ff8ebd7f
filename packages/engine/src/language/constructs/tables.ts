import type { Sp } from '../../base/lengths';
import type {
  TableRule,
  TabularCell,
  TabularColumn,
  TabularInline,
  TabularRow,
} from '../../document/inlines';
import { isPar } from '../../expansion/arguments';
import { textOf } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { type Args, type CommandEntry, type EnvironmentEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import type { MathReader } from '../machine/mathReader';
import { alignPoints } from './decimalColumns';
import { readCell } from './tableCell';
import type { CellFrame, Preamble, TableState } from '../machine/tableState';
import { dimenOf } from '../scanning/dimenOf';
import { glueOf } from '../scanning/glueOf';
import { seenAround } from '../machine/overlays';
import { arrayStretch, columnType, readPreamble } from './tablePreamble';
import { spanningCell } from './mathArrays';
import { cell } from '../../expansion/cells';
import { givenColumns } from './givenColumns';

export const freshTable = (it: Interpreter): TableState => ({
  ink: it.font.color,
  rules: [],
  rowColor: null,
  cellColor: null,
  own: null,
  rows: 1,
  parts: [],
  caption: null,
  count: 0,
  points: new Map(),
});

const PLAIN: TabularColumn = { align: 'left', width: null, valign: 'top', flexible: false };

/** Commands that stand between rows and are carried out there. */
const BETWEEN = new Set([
  'hline',
  'cline',
  'hdashline',
  'firsthdashline',
  'lasthdashline',
  'cdashline',
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
  const outer = it.mode.table;
  it.mode.table = table;
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
  it.mode.table = outer;
  return alignPoints(rows, table.points, it.p.place);
}

function readRow(it: Interpreter, preamble: Preamble, environment: string, table: TableState) {
  const cells: TabularCell[] = [];
  const start = it.p.here();
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
    const cell: TabularCell = {
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
    };
    cells.push(cell);
    if (frame.point) table.points.set(cell, frame.point);
    at += span;
    if (ended !== 'tab') {
      const color = table.rowColor;
      table.rowColor = null;
      return { cells, ended, color };
    }
    if (at === preamble.columns.length) tooManyColumns(it, start, at);
  }
}

/** A `&` behind the last column: its row may have gone on over the end of its line. */
function tooManyColumns(it: Interpreter, start: number, columns: number): void {
  const { text, base, pos } = it.p.reader;
  const row = it.p.atFile ? text.slice(base + start, pos) : '';
  const lead = /^\s*/.exec(row)?.[0].length ?? 0;
  const end = row.indexOf('\n', lead);
  const line = end < 0 ? '' : row.slice(lead, end).trimEnd();
  const signs = (line.match(/(?<!\\)&/g) ?? []).length;
  if (line === '' || signs !== columns - 1 || /[{%\\]/.test(line))
    return it.p.report('columns-too-many', it.p.place);
  const from = start + lead;
  it.p.report('row-break-missing', { from, to: from + line.length });
}

/** What `\rowcolors` asks for: from which row on, and the colours of odd and even ones. */
export const ROW_COLOURS = cell<{
  readonly start: number;
  readonly odd: number | null;
  readonly even: number | null;
} | null>('rowcolors', null);

/** The colour of rules in tables; null is that of the text. */
export const RULE_COLOUR = cell<number | null>('arrayrulecolor', null);

/** `\rowcolors`: the colour of the row by its number. */
function stripe(it: Interpreter, table: TableState): number | null {
  const stripes = it.read(ROW_COLOURS);
  if (!stripes || table.count + 1 < stripes.start) return null;
  return (table.count + 1) % 2 === 1 ? stripes.odd : stripes.even;
}

function rowSkip(it: Interpreter): Sp {
  const args = it.readArguments('so', it.p.command('\\'));
  const skip = args?.[1];
  return Array.isArray(skip) ? glueOf(it, skip as Token[]).width : 0;
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
    size: it.font.size,
    width: options.width,
    strut: { height: Math.round(0.7 * line), depth: Math.round(0.3 * line) },
    extraHeight: it.dimen('extrarowheight'),
    columnSep: it.dimen('tabcolsep'),
    ruleWidth: it.dimen('arrayrulewidth'),
    doubleSep: it.dimen('doublerulesep'),
    ruleColor: it.read(RULE_COLOUR) ?? table.ink,
    ...it.p.place,
  };
}

function beginTabular(name: string, widthArgument: number | null, spec: number) {
  return (it: Interpreter, args: Args, token: Token): void => {
    it.startParagraph();
    const columns = givenColumns(it, tokensOf(args, spec), token);
    const width = widthArgument === null ? null : dimenOf(it, tokensOf(args, widthArgument));
    const position = tokensOf(args, widthArgument === null ? 0 : 1)[0]?.text ?? 'c';
    const preamble = readPreamble(it, columns);
    const table = freshTable(it);
    const rows = readRows(it, preamble, name, table);
    it.add(seenAround(it, tableNode(it, preamble, rows, table, { position, width })));
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
    if (it.mode.table) act(it, it.mode.table, args, token);
    else it.p.report('alignment-outside', it.spanOf(token));
  };

export const ruleOf = (it: Interpreter, size: Sp, change: Partial<TableRule> = {}): TableRule => ({
  kind: 'rule',
  size,
  span: null,
  trim: [0, 0],
  color: it.read(RULE_COLOUR) ?? it.font.color,
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

/** How many tokens a rule of one's own may be made of. */
const LONGEST_RULE = 200;

/**
 * What stands between rows where a rule of one's own opens it with a brace that TeX does not count
 * (`\noalign{\ifnum0=`}\fi … \@xhline`, as the kernel's `\hline`): up to what closes it.
 */
function takeOpenRule({ p }: Interpreter): Token[] {
  const out: Token[] = [];
  for (let n = 0; n < LONGEST_RULE; n++) {
    const token = p.next();
    if (token === null || (token.cat === Cat.Command && /^@x\w*hline$/.test(token.text))) break;
    if (token.cat === Cat.Command && token.text === 'futurelet') p.next();
    else if (token.cat === Cat.Command && token.text === 'ifnum') {
      for (let end = p.next(); end !== null && end.cat !== Cat.End; end = p.next());
      break;
    } else if (token.cat !== Cat.Command || token.text !== 'fi') out.push(token);
  }
  return out;
}

/** In a formula: a rule under the columns that the argument names. */
export function partialRule(reader: MathReader, token: Token): void {
  const text = textOf(reader.p, reader.argument(token));
  const [first, last] = text.split('-').map(Number);
  if (first && last) reader.borders.parts.push([first - 1, last - 1]);
}

/** Commands of tables. */
export const tableCommands: readonly CommandEntry[] = [
  {
    name: 'vline',
    signature: '',
    description: 'A vertical rule as high as the row.',
    example: '\\begin{tabular}{l}ebb \\vline\\ flood\\end{tabular}',
    macro: '\\vrule height.7\\baselineskip depth.3\\baselineskip width\\arrayrulewidth\\relax',
  },
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
      reader.borders.rules++;
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
      partialRule(reader, token);
      return null;
    },
  },
  {
    ...tableCommand(
      {
        name: 'multicolumn',
        signature: 'mm',
        description: 'A cell over several columns: how many, how set, what.',
        example: '\\begin{tabular}{ll}\\multicolumn{2}{c}{Ferries}\\\\ebb & flood\\end{tabular}',
      },
      (it, table, args) => {
        const span = Math.max(1, parseInt(textOf(it.p, tokensOf(args, 0)), 10) || 1);
        table.own = { span, preamble: readPreamble(it, tokensOf(args, 1)) };
        // The argument is the next token that is no blank; blanks at its head are none of it.
        it.skipBlanks();
        const open = it.p.next();
        if (open?.cat === Cat.Begin) it.skipBlanks();
        if (open) it.p.unread(open);
      },
    ),
    math: spanningCell,
  },
  tableCommand(
    {
      name: 'noalign',
      signature: 'm',
      description: 'Something between two rows: space or a rule.',
      example: '\\begin{tabular}{l}ebb\\\\\\noalign{\\smallskip}flood\\end{tabular}',
    },
    (it, table, args) => {
      const given = tokensOf(args, 0);
      const blocks = it.blocksOf(given.at(-1)?.text === '`' ? takeOpenRule(it) : given);
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
      it.write(columnType(letter), { count, body: parameters });
    },
  },
];
