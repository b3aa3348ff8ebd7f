import { cell as stored } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { rowsOf } from '../constructs/borderMatrix';
import type { Interpreter } from '../machine/interpreter';
import { keyValues, unspaced } from '../scanning/optionLists';
import { barPlaces, isColumn, type CellLook, type Grid, type GridCell } from './tableGrid';
import { keyed, lookOf, MOST, plainColumns, selected } from './tblrKeys';
import { lineLook, lineValue, ruleAcross, ruleDown, type LineRule } from './tblrLines';

/** A table of tabularray as a grid of cells with lines between them. */

/** Keys that hold for all tables of an environment (`\SetTblrInner`). */
export const INNER = stored<Readonly<Record<string, readonly Token[]>>>('tblrinner', {});
/** The same of what stands around them (`\SetTblrOuter`). */
export const OUTER = stored<Readonly<Record<string, readonly Token[]>>>('tblrouter', {});
/** Columns of the document's own, by their letters. */
export const OWN_COLUMNS = stored<Readonly<Record<string, string>>>('tblrcolumns', {});

export const ofEnvironment = (
  all: Readonly<Record<string, readonly Token[]>>,
  environment: string,
): readonly Token[] => all[environment] ?? [];
export const innerOf = (it: Interpreter, environment: string): readonly Token[] =>
  ofEnvironment(it.read(INNER), environment);

/** A rule that the keys or the body ask for: what it says of which rows, columns or cells. */
interface Rule {
  readonly rows: (place: number) => boolean;
  readonly columns: (place: number) => boolean;
  readonly look: CellLook;
}
const ALL = (): boolean => true;

const SETTERS = /^Set(?:Cells?|Rows?|Columns?|Hlines?|Vlines?)$/;

/** Commands within cells: `\SetRow{bg=…}`, `\SetCell[c=2]{c}`, `\SetColumn{…}`, with what is left of the cell. */
function commandsOf(
  cell: readonly Token[],
): { name: string; options: string; look: string }[] & { rest?: readonly Token[] } {
  const found: { name: string; options: string; look: string }[] & { rest?: readonly Token[] } = [];
  let rest = cell;
  for (;;) {
    const at = rest.findIndex(({ cat }) => cat !== Cat.Space);
    const first = rest[at];
    if (first?.cat !== Cat.Command || !SETTERS.test(first.text)) break;
    const text = tokensText(rest.slice(at));
    const match = /^\\Set\w+\s*(?:\[([^\]]*)\])?\s*(?:\{[^{}]*\}(?=\s*\{))?\s*\{/.exec(text);
    if (!match) break;
    let depth = 0;
    let end = at + 1;
    for (; end < rest.length; end++) {
      if (rest[end]?.cat === Cat.Begin) depth++;
      if (rest[end]?.cat === Cat.End && --depth === 0) break;
    }
    const open = rest.findIndex((t, i) => i > at && t.cat === Cat.Begin);
    found.push({
      name: first.text,
      options: match[1] ?? '',
      look: tokensText(rest.slice(open + 1, end)),
    });
    rest = rest.slice(end + 1);
  }
  found.rest = rest;
  return found;
}

/** Lines between rows stand at the head of the first cell behind them. */
function leadingRules(cell: readonly Token[]): [rules: readonly Token[], rest: readonly Token[]] {
  let at = 0;
  let rules = 0;
  while (cell[at]) {
    if (cell[at]?.cat === Cat.Space) at++;
    else if (
      /^(?:hline|toprule|midrule|bottomrule|cmidrule|cline|addlinespace)$/.test(
        cell[at]?.text ?? '',
      )
    ) {
      const takes = /^c/.test(cell[at]?.text ?? '');
      at++;
      if (takes) at = cell.findIndex((t, i) => i >= at && t.cat === Cat.End) + 1;
      rules = at;
    } else break;
  }
  return [cell.slice(0, rules), cell.slice(rules)];
}

/** A table of tabularray as a grid. */
export function tblrGrid(
  it: Interpreter,
  options: readonly Token[],
  body: readonly Token[],
  environment = 'tblr',
): Grid {
  const text = tokensText(options);
  const isKeys = /[=,]/.test(text) || /^[hv]lines$/.test(text.trim());
  const keys = keyValues([
    ...innerOf(it, environment),
    ...it.p.chars(','),
    ...(isKeys ? options : []),
  ]);
  const rows = rowsOf(body);
  // A line behind the last row is no row.
  const tail = rows.at(-1);
  const isTail =
    rows.length > 1 &&
    tail?.length === 1 &&
    leadingRules(tail[0] ?? [])[1].every(({ cat }) => cat === Cat.Space);
  if (isTail) rows.pop();
  const rules = [...rows, ...(isTail && tail ? [tail] : [])].map(
    (cells) => leadingRules(cells[0] ?? [])[0],
  );
  const count = Math.max(1, ...rows.map((cells) => cells.length));
  const given = isKeys ? tokensText(keys.get('colspec') ?? []) : text;
  const parts = plainColumns(given, it.read(OWN_COLUMNS));
  const barsBefore = barPlaces(parts);
  // What stands before a column's cells belongs to it.
  const columns = parts.flatMap((part, i) => {
    const before = parts[i - 1] ?? '';
    return isColumn(part) ? [`${before.startsWith('>') ? before : ''}${part}`] : [];
  });
  const usual = lookOf(
    [...keyed(keys, 'cells'), ...keyed(keys, 'columns')].map((one) => one.text).join(','),
  );
  while (columns.length < count) columns.push(usual.halign ?? 'l');
  const looks: Rule[] = [{ rows: ALL, columns: ALL, look: usual }];
  const rowCount = rows.length;
  for (const { selectors, text: said } of keyed(keys, 'column'))
    looks.push({ rows: ALL, columns: selected(selectors[0] ?? '', count), look: lookOf(said) });
  for (const { selectors, text: said } of keyed(keys, 'rows?'))
    looks.push({ rows: selected(selectors[0] ?? '', rowCount), columns: ALL, look: lookOf(said) });
  for (const { selectors, text: said } of keyed(keys, 'cell'))
    looks.push({
      rows: selected(selectors[0] ?? '', rowCount),
      columns: selected(selectors[1] ?? '', count),
      look: lookOf(said.replace(/^\{[^{}]*\}/, '')),
    });
  const spans = new Map<string, [number, number]>();
  const contents = rows.map((cells, r) =>
    cells.map((tokens, c) => {
      const inner = c === 0 ? leadingRules(tokens)[1] : tokens;
      const commands = commandsOf(inner);
      for (const { name, options: said, look } of commands) {
        const [rowsSaid, columnsSaid] = [
          /r\s*=\s*(\d+)/.exec(said)?.[1],
          /c\s*=\s*(\d+)/.exec(said)?.[1],
        ];
        const here = (place: number): boolean => place === r + 1;
        const there = (place: number): boolean => place === c + 1;
        if (name === 'SetCell')
          spans.set(`${r},${c}`, [Number(rowsSaid ?? 1), Number(columnsSaid ?? 1)]);
        looks.push({
          rows: /Column/.test(name) ? ALL : here,
          columns: name === 'SetRow' ? ALL : there,
          look: lookOf(look),
        });
      }
      return commands.rest ?? inner;
    }),
  );
  for (const { selectors, text: said } of keyed(keys, 'cell'))
    rows.forEach((cells, r) =>
      cells.forEach((_, c) => {
        const [rowsSaid, columnsSaid] = [
          /r\s*=\s*(\d+)/.exec(said)?.[1],
          /c\s*=\s*(\d+)/.exec(said)?.[1],
        ];
        const isHere =
          selected(selectors[0] ?? '', rowCount)(r + 1) &&
          selected(selectors[1] ?? '', count)(c + 1);
        if (isHere && (rowsSaid ?? columnsSaid))
          spans.set(`${r},${c}`, [Number(rowsSaid ?? 1), Number(columnsSaid ?? 1)]);
      }),
    );
  const across = lineRules(keys, 'hline', rowCount + 1, count);
  const down = lineRules(keys, 'vline', count + 1, rowCount);
  const wide = commonWidth(keys, count);
  const struts = rowStruts(keys, rowCount);
  return {
    cells: contents.map((cells, r) => {
      // Room above and below a row is held by a strut in a cell of its own.
      const holder = cells.findIndex((_, c) => (spans.get(`${r},${c}`)?.[0] ?? 1) === 1);
      return cells.map((own, c): GridCell => {
        const content = c === holder ? [...it.source(struts(r + 1)), ...unspaced(own)] : own;
        const [high, wide] = spans.get(`${r},${c}`) ?? [1, 1];
        const held = looks.filter((one) => one.rows(r + 1) && one.columns(c + 1));
        return {
          content,
          rows: Math.min(MOST, high),
          columns: Math.min(MOST, wide),
          look: Object.assign({}, ...held.map(({ look }) => look)) as CellLook,
        };
      });
    }),
    rules,
    lineAbove: (row) => across.some(({ holds, over, none }) => holds(row) && !over && !none),
    ownLine: (row) => ownLine(across, row, count),
    columns: columns.map((column, i) => (/^[lcr]$/.test(column) ? wide(i + 1, column) : column)),
    lineBefore: (place) => down.some(({ holds }) => holds(place)) || barsBefore.has(place),
    ownBar: (place) => {
      const found = down.findLast(({ holds }) => holds(place));
      return found ? ruleDown(found.look) : null;
    },
  };
}

/** The lines that keys ask for: `hlines`, `hline{1,Z}={1pt}`, `vline{2}={1-3}{dashed}`. */
function lineRules(
  keys: ReadonlyMap<string, readonly Token[]>,
  name: 'hline' | 'vline',
  places: number,
  others: number,
): LineRule[] {
  const rule = (value: readonly Token[], holds: LineRule['holds']): LineRule => {
    const { over, look } = lineValue(value);
    const { none, ...said } = lineLook(look);
    const all = over.trim() === '-' || over.trim() === '';
    return { holds, over: all ? null : selected(over, others), look: said, none: none === true };
  };
  return [...keys].flatMap(([key, value]) => {
    const found = new RegExp(`^${name}(s)?(?:\\{([^{}]*)\\})?$`).exec(key.replace(/\s/g, ''));
    if (!found) return [];
    return [rule(value, found[1] ? ALL : selected(found[2] ?? '', places))];
  });
}

/** The line above a row where it looks otherwise than usual, or stands over some columns alone. */
function ownLine(rules: readonly LineRule[], row: number, columns: number): string | null {
  const here = rules.filter(({ holds }) => holds(row));
  if (here.length === 0) return null;
  const last = here.at(-1);
  if (last?.none) return '';
  const whole = here.findLast(({ over }) => over === null);
  if (whole) return ruleAcross(whole.look);
  const parts: string[] = [];
  for (const { over, look } of here)
    for (let c = 1; c <= columns; c++)
      if (over?.(c)) {
        const color = look.colour ? `\\arrayrulecolor{${look.colour}}` : '';
        parts.push(`${color}\\cline{${c}-${c}}${color && '\\arrayrulecolor{black}'}`);
      }
  return parts.join('');
}

/** Columns that keys give a width: `columns={wd=2cm}`, `column{2}={wd=3cm,r}`. */
function commonWidth(keys: ReadonlyMap<string, readonly Token[]>, count: number) {
  const said = keyed(keys, 'columns?').flatMap(({ selectors, text }) => {
    const width = /(?:^|,)\s*wd\s*=\s*([^,]+)/.exec(text)?.[1]?.trim();
    return width ? [{ holds: selected(selectors[0] ?? '', count), width, look: lookOf(text) }] : [];
  });
  return (place: number, column: string): string => {
    const found = said.findLast(({ holds }) => holds(place));
    if (!found) return column;
    const align = found.look.halign ?? column;
    const arrow = { c: '>{\\centering\\arraybackslash}', r: '>{\\raggedleft\\arraybackslash}' }[
      align
    ];
    return `${arrow ?? ''}p{${found.width}}`;
  };
}

/** Room above and below each row where nothing is said (manual, section 2.2). */
const ROW_SEP = '2pt';

/** The struts of rows: a line with room above and below it, or as high as `ht` has it. */
function rowStruts(
  keys: ReadonlyMap<string, readonly Token[]>,
  count: number,
): (row: number) => string {
  const said = [...keyed(keys, 'rows?'), ...keyed(keys, 'row')].map(({ selectors, text }) => ({
    holds: selected(selectors[0] ?? '', count),
    of: (key: string): string | null =>
      new RegExp(`(?:^|,)\\s*${key}\\s*=\\s*([-\\d.]+\\s*[a-z]+)`).exec(text)?.[1] ?? null,
  }));
  const common = (key: string): string | null => tokensText(keys.get(key) ?? []).trim() || null;
  return (row) => {
    const own = (key: string): string | null =>
      said
        .filter(({ holds }) => holds(row))
        .reduce<string | null>((found, { of }) => of(key) ?? found, null);
    const sep = own('rowsep') ?? common('rowsep') ?? ROW_SEP;
    const above = own('abovesep') ?? common('abovesep') ?? sep;
    const below = own('belowsep') ?? common('belowsep') ?? sep;
    const ht = own('ht');
    const depth = ht ? `\\dimexpr${ht}-.7\\baselineskip` : '\\dimexpr.3\\baselineskip';
    const top = `\\dimexpr.7\\baselineskip+${above}\\relax`;
    return `\\vrule width0pt height${top} depth${depth}+${below}\\relax\\relax `;
  };
}
