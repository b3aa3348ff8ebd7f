import type { Token } from '../../../expansion/meaning';
import { numberIn, type Reading } from '../coordinates';
import { readExpression, ExpressionTrouble } from '../arithmetic';
import { surroundings, unitsOf } from '../openPicture';
import { cell } from '../../../expansion/cells';
import { bare, partsOf, wordsOf } from '../words';
import type { DataPoint, OpenAxis } from './axis';
import { dayOf } from './dates';

/** A table of data: the names of its columns and its rows. */
export interface DataTable {
  readonly names: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** Tables that the document read under a name. */
export const TABLES = cell<Readonly<Record<string, DataTable>>>('pgfplotstables', {});

const isNumber = (word: string): boolean =>
  /^[-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?$/.test(word);

/** Text in rows as a table: a first row of names where it is not all numbers. */
export function tableOf(text: string, separator: string): DataTable {
  const lines = text.split('\n').filter((line) => line.trim() !== '' && !/^\s*[%#]/.test(line));
  const rows = lines.map((line) => cellsOf(line, separator));
  const [first] = rows;
  if (first && !first.every(isNumber)) return { names: first, rows: rows.slice(1) };
  return { names: (first ?? []).map((_, i) => String(i)), rows };
}
const cellsOf = (line: string, separator: string): string[] =>
  (separator === ' ' ? line.trim().split(/\s+/) : line.split(separator)).map((one) => one.trim());

/** Data that lost the ends of its lines: there are as many columns as it has names. */
function tableOfWords(text: string): DataTable {
  const words = text
    .trim()
    .split(/[\s&]+/)
    .filter((word) => word !== '');
  const names = words.slice(0, Math.max(0, words.findIndex(isNumber)));
  const width = names.length > 0 ? names.length : 2;
  const data = words.slice(names.length);
  const rows: string[][] = [];
  for (let i = 0; i + width <= data.length; i += width) rows.push(data.slice(i, i + width));
  return { names: names.length > 0 ? names : ['0', '1'], rows };
}

const SEPARATORS: Readonly<Record<string, string>> = {
  comma: ',',
  semicolon: ';',
  colon: ':',
  tab: '\t',
  space: ' ',
};

/** Reads a table that stands in the source, is a file's, or has a name. */
export function tableIn(
  reading: Reading,
  options: readonly Token[],
  tokens: readonly Token[],
): DataTable | null {
  const { it } = reading;
  const [only] = tokens.filter((t) => t.text.trim() !== '');
  const named = only && tokens.length <= 2 ? it.read(TABLES)[only.text] : undefined;
  if (named) return named;
  const settings = optionsOf(reading, options);
  const separator = SEPARATORS[settings.get('col sep') ?? 'space'] ?? ' ';
  const text = tokens.map((t) => (t.cell === null ? t.text : `\\${t.text}`)).join('');
  if (/^[\w./-]+\.\w+$/.test(text.trim())) {
    const file = it.host.readFile(text.trim());
    if (file === null) {
      it.p.report('file-missing', it.p.place, { name: text.trim(), near: '' });
      return null;
    }
    return tableOf(file, separator);
  }
  if (text.includes('\\\\')) return tableOf(text.replaceAll('\\\\', '\n'), separator);
  return tableOfWords(separator === ' ' ? text : text.replaceAll(separator, ' '));
}

function optionsOf({ it }: Reading, options: readonly Token[]): ReadonlyMap<string, string> {
  return new Map(
    partsOf(wordsOf(it, options), ',').map((part): [string, string] => {
      const [key = '', ...value] = part.split('=');
      return [key.trim(), bare(value.join('='))];
    }),
  );
}

/** The points that a plot takes from a table: by name, by place, or worked out from a row. */
export function readTable(
  reading: Reading,
  axis: OpenAxis,
  options: readonly Token[],
  tokens: readonly Token[],
): DataPoint[] {
  const table = tableIn(reading, options, tokens);
  if (!table) return [];
  const settings = optionsOf(reading, options);
  const column = (axisName: string, usual: number) =>
    columnOf(reading, table, settings, axisName, usual);
  const [x, y, z] = [column('x', 0), column('y', 1), column('z', 2)];
  const error = (axisName: string, side: string) =>
    column(
      settings.has(`${axisName} error ${side}`) ? `${axisName} error ${side}` : `${axisName} error`,
      -1,
    );
  const [errorX, errorY] = [error('x', 'plus'), error('y', 'plus')];
  const [minusX, minusY] = [error('x', 'minus'), error('y', 'minus')];
  const labels = settings.has('meta index')
    ? Number(settings.get('meta index'))
    : table.names.indexOf(settings.get('meta') ?? '');
  const { symbols, dates } = axis.settings;
  const dayIn = (row: readonly string[], i: 0 | 1): number | null => {
    if (!dates[i]) return null;
    const name = settings.get(i === 0 ? 'x' : 'y');
    return dayOf(row[name === undefined ? i : table.names.indexOf(name)] ?? '');
  };
  return table.rows.map((row, i) => ({
    x: dayIn(row, 0) ?? symbolIn(symbols[0] ?? null, row, settings, table) ?? x(row, i),
    y: dayIn(row, 1) ?? y(row, i),
    z: z(row, i),
    errorX: errorX(row, i),
    errorY: errorY(row, i),
    minusX: minusX(row, i),
    minusY: minusY(row, i),
    ...(labels >= 0 && { meta: reading.it.source(row[labels] ?? '') }),
  }));
}

function symbolIn(
  symbols: readonly string[] | null,
  row: readonly string[],
  settings: ReadonlyMap<string, string>,
  { names }: DataTable,
): number | null {
  if (!symbols) return null;
  const at = Math.max(0, names.indexOf(settings.get('x') ?? ''));
  const found = symbols.indexOf(row[at] ?? '');
  return found < 0 ? null : found;
}

function columnOf(
  reading: Reading,
  { names }: DataTable,
  settings: ReadonlyMap<string, string>,
  axis: string,
  usual: number,
): (row: readonly string[], i: number) => number {
  const expression = settings.get(`${axis} expr`);
  if (expression !== undefined) return byExpression(reading, names, expression);
  const index = settings.get(`${axis} index`);
  const name = settings.get(axis);
  const at = index !== undefined ? Number(index) : name !== undefined ? names.indexOf(name) : usual;
  if (name !== undefined && at < 0 && index === undefined)
    reading.trouble({ kind: 'number', word: name });
  return (row) => (at < 0 ? 0 : numberIn(reading, row[at] ?? '0').value);
}

/** An expression of a row: `\thisrow{…}` are its numbers, `\coordindex` counts the rows. */
function byExpression(
  reading: Reading,
  names: readonly string[],
  text: string,
): (row: readonly string[], i: number) => number {
  const { it } = reading;
  return (row, i) => {
    const filled = text
      .replace(
        /\\thisrow\s*\{([^{}]*)\}/g,
        (_, name: string) => `(${row[names.indexOf(name.trim())] ?? '0'})`,
      )
      .replace(/\\thisrowno\s*\{(\d+)\}/g, (_, at: string) => `(${row[Number(at)] ?? '0'})`)
      .replace(/\\(?:coordindex|lineno)\s*/g, String(i));
    try {
      return Number(readExpression(filled, unitsOf(it)).run(surroundings(it)));
    } catch (error) {
      if (!(error instanceof ExpressionTrouble)) throw error;
      reading.trouble({ kind: 'number', word: text });
      return NaN;
    }
  };
}
