import type { Token } from '../../../expansion/meaning';
import type { CommandEntry } from '../../machine/entries';
import type { Interpreter } from '../../machine/interpreter';
import { readingOf } from '../reading';
import { takeGroup, takeOptions } from '../scanPath';
import { bare, partsOf, wordsOf } from '../words';
import { type Option, optionsIn } from './optionPaths';
import { tickText } from './scale';
import { tableIn, type DataTable } from './tables';

/** How a column of a printed table looks. */
interface ColumnStyle {
  readonly name: readonly Token[] | null;
  readonly type: string | null;
  readonly isText: boolean;
  readonly precision: number;
  readonly form: 'auto' | 'fixed' | 'sci' | 'int';
  readonly zeroFill: boolean;
}

/** What stands above and below the rows of one kind. */
interface RowStyle {
  readonly before: readonly Token[];
  readonly after: readonly Token[];
}

interface TableStyle {
  readonly columns: readonly string[] | null;
  readonly all: ColumnStyle;
  readonly of: ReadonlyMap<string, ColumnStyle>;
  readonly displayed: ReadonlyMap<number, ColumnStyle>;
  readonly rows: ReadonlyMap<string, RowStyle>;
}

const PLAIN: ColumnStyle = {
  name: null,
  type: null,
  isText: false,
  precision: 2,
  form: 'auto',
  zeroFill: false,
};
const NO_ROW: RowStyle = { before: [], after: [] };

/** A column with what its options say. */
function columnWith(it: Interpreter, from: ColumnStyle, options: readonly Option[]): ColumnStyle {
  let style = from;
  for (const [key, value] of options) {
    const text = bare(wordsOf(it, value));
    if (key === 'column name') style = { ...style, name: value };
    else if (key === 'column type' || key === 'column type/.add') style = { ...style, type: text };
    else if (key === 'string type') style = { ...style, isText: true };
    else if (key === 'precision') style = { ...style, precision: Number(text) || 0 };
    else if (key === 'fixed' || key === 'sci' || key === 'int detect')
      style = { ...style, form: key === 'int detect' ? 'int' : key };
    else if (key === 'fixed zerofill' || key === 'sci zerofill' || key === 'zerofill')
      style = {
        ...style,
        zeroFill: text !== 'false',
        form: key.startsWith('fixed') ? 'fixed' : style.form,
      };
  }
  return style;
}

function styleOf(it: Interpreter, options: readonly Option[]): TableStyle {
  const of = new Map<string, ColumnStyle>();
  const displayed = new Map<number, ColumnStyle>();
  const rows = new Map<string, RowStyle>();
  const all = columnWith(it, PLAIN, options);
  let columns: readonly string[] | null = null;
  for (const [key, value] of options) {
    const column = /^(display )?columns\/(.+)\/\.(?:style|append style)$/.exec(key);
    const row = /^every (.+) row(?: no (\d+))?\/\.(?:style|append style)$/.exec(key);
    const inner = (): Option[] => optionsIn(it, value);
    if (key === 'columns') columns = partsOf(bare(wordsOf(it, value)), ',');
    else if (column?.[1]) {
      const at = Number(column[2]);
      displayed.set(at, columnWith(it, displayed.get(at) ?? all, inner()));
    } else if (column?.[2]) {
      const name = bare(column[2]);
      of.set(name, columnWith(it, of.get(name) ?? all, inner()));
    } else if (row?.[1]) {
      let found = rows.get(row[1]) ?? NO_ROW;
      for (const [what, tokens] of inner()) {
        if (what === 'before row') found = { ...found, before: tokens };
        if (what === 'after row') found = { ...found, after: tokens };
      }
      rows.set(row[1], found);
    }
  }
  return { columns, all, of, displayed, rows };
}

/** A number of a table as it is printed by default: so many places at most, large and small ones with a power of ten. */
export function cellText(
  text: string,
  style: Pick<ColumnStyle, 'precision' | 'form' | 'zeroFill'>,
): string {
  const value = Number(text);
  if (text.trim() === '' || Number.isNaN(value)) return text;
  const order = value === 0 ? 0 : Math.floor(Math.log10(Math.abs(value)) + 1e-12);
  const asPower = style.form === 'sci' || (style.form === 'auto' && (order >= 5 || order <= -5));
  const shown = (number: number): string =>
    style.zeroFill
      ? number.toFixed(style.precision).replace(/\B(?=(\d{3})+(?!\d))(?<!\.\d*)/g, '{,}')
      : tickText(number, style.precision);
  if (!asPower) return `$${shown(value)}$`;
  return `$${shown(value / 10 ** order)}\\cdot 10^{${order}}$`;
}

/** A table of data as a tabular. */
function tabularOf(it: Interpreter, table: DataTable, style: TableStyle): Token[] {
  const names = style.columns ?? table.names;
  const columns = names.map((name, i) => ({
    name,
    at: table.names.indexOf(name),
    look: style.displayed.get(i) ?? style.of.get(name) ?? style.all,
  }));
  const source = (text: string): readonly Token[] => it.source(text);
  const out: Token[] = [
    ...source(`\\begin{tabular}{${columns.map(({ look }) => look.type ?? 'c').join('')}}`),
  ];
  const row = (cells: readonly (readonly Token[])[], ...kinds: readonly string[]): void => {
    const looks = kinds.map((kind) => style.rows.get(kind) ?? NO_ROW);
    for (const { before } of looks) out.push(...before);
    cells.forEach((cell, i) => out.push(...(i > 0 ? source('&') : []), ...cell));
    out.push(...source('\\\\'));
    for (const { after } of looks) out.push(...after);
  };
  row(
    columns.map(({ name, look }) => look.name ?? source(name)),
    'head',
  );
  table.rows.forEach((cells, i) => {
    const last = i === table.rows.length - 1 ? ['last'] : [];
    row(
      columns.map(({ at, look }) => {
        const text = at < 0 ? '' : (cells[at] ?? '');
        return source(look.isText ? text : cellText(text, look));
      }),
      i % 2 === 0 ? 'even' : 'odd',
      ...(i === 0 ? ['first'] : []),
      ...last,
    );
  });
  return [...out, ...source('\\end{tabular}')];
}

/** `\pgfplotstabletypeset`: a table of data as a tabular (its manual, sections 2 and 3). */
export const typesetTable: CommandEntry = {
  name: 'pgfplotstabletypeset',
  signature: '',
  package: 'pgfplotstable',
  description: 'Prints a table of data: of a file, of a name, or typed.',
  example: '\\pgfplotstabletypeset[columns/x/.style={column name=$x$}]{\nx y\n0 1\n1 2.5\n}',
  run: (it) => {
    const options = takeOptions({ it }) ?? [];
    const next = it.p.nextNonBlank();
    if (!next) return;
    it.p.unread(next);
    const tokens = next.cell === null ? (takeGroup({ it }) ?? []) : [it.p.next() as Token];
    const table = tableIn(readingOf(it), options, tokens);
    if (table) it.execute(tabularOf(it, table, styleOf(it, optionsIn(it, options))));
  },
};
