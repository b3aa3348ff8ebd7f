import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { rowsOf } from '../constructs/borderMatrix';
import { cell as stored } from '../../expansion/cells';
import { tokensOf, type EnvironmentEntry, type PackageEntry } from '../machine/entries';
import { environmentTokens } from '../machine/environmentTokens';
import { closeNamed } from '../machine/environments';
import type { Interpreter } from '../machine/interpreter';
import { idleEntry } from '../machine/macroEntry';
import { keyValues, unspaced } from '../scanning/optionLists';
import {
  barPlaces,
  gridTokens,
  isColumn,
  type CellLook,
  type Grid,
  type GridCell,
} from './tableGrid';

const MOST = 60;

/** Columns as `tabular` knows them, one by one: `Q[c,2cm]` and `X[l]` by their alignment. */
export function plainColumns(spec: string): string[] {
  const flat = spec
    .replace(/\*\{?(\d+)\}?\{([^{}]*)\}/g, (_, n: string, one: string) =>
      one.repeat(Math.min(MOST, Number(n))),
    )
    .replace(/[QX](?:\[([^\]]*)\])?/g, (whole, options: string | undefined) => {
      const said = options ?? '';
      const width = /(?:wd\s*=\s*)?(\d[\d.]*\s*(?:cm|mm|em|ex|pt|in))/.exec(said)?.[1];
      if (width) return `p{${width}}`;
      if (whole.startsWith('X'))
        return `X${/(?:^|[,=\s])([lcr])(?:$|[,\s])/.exec(said)?.[1] ?? ''};`;
      return /(?:^|[,=\s])([lcr])(?:$|[,\s])/.exec(said)?.[1] ?? 'l';
    });
  return flat.match(/[lcr]|[pmb]\{[^{}]*\}|X[lcr]?;|[@!><]\{[^{}]*\}|\|/g) ?? [];
}

/** Which places a selector names among so many: `2`, `1,3`, `2-4`, `odd`, `even`, `Z` for the last. */
export function selected(selector: string, count: number): (place: number) => boolean {
  const last = selector
    .replace(/\bZ\b/g, String(count))
    .replace(/\bY\b/g, String(count - 1))
    .trim();
  if (last === '' || last === '-') return () => true;
  const parts = last.split(',').map((part) => part.trim());
  return (place) =>
    parts.some((part) => {
      if (part === 'odd') return place % 2 === 1;
      if (part === 'even') return place % 2 === 0;
      const [from, to = from] = part.split('-').map((end) => parseInt(end, 10));
      return from !== undefined && to !== undefined && place >= from && place <= to;
    });
}

/** `halign=c,bg=red!20,font=\bfseries`, `c,bg=…`: how cells look. */
export function lookOf(text: string): CellLook {
  const out: { -readonly [K in keyof CellLook]: CellLook[K] } = {};
  for (const part of text.split(/,(?![^{]*\})/)) {
    const at = part.indexOf('=');
    const key = (at < 0 ? part : part.slice(0, at)).trim();
    const value = at < 0 ? '' : part.slice(at + 1).trim();
    if (key === 'bg') out.bg = value;
    else if (key === 'fg') out.fg = value;
    else if (key === 'font') out.font = value.replace(/^\{|\}$/g, '');
    else if (key === 'halign' && /^[lcr]$/.test(value)) out.halign = value as 'l' | 'c' | 'r';
    else if (at < 0 && /^[lcr]$/.test(key)) out.halign = key as 'l' | 'c' | 'r';
    else if (
      at < 0 &&
      /^[a-z]+(?:![\d.]+)*(?:![a-z]+)?$/.test(key) &&
      key.length > 1 &&
      !/^(?:m|t|b|h|f|mode|guard)$/.test(key)
    )
      out.bg = key;
  }
  return out;
}

/** A rule that the keys or the body ask for: what it says of which rows, columns or cells. */
interface Rule {
  readonly rows: (place: number) => boolean;
  readonly columns: (place: number) => boolean;
  readonly look: CellLook;
}
const ALL = (): boolean => true;

/** Commands within cells: `\SetRow{bg=…}`, `\SetCell[c=2]{c}`, `\SetColumn{…}`, with what is left of the cell. */
function commandsOf(
  cell: readonly Token[],
): { name: string; options: string; look: string }[] & { rest?: readonly Token[] } {
  const found: { name: string; options: string; look: string }[] & { rest?: readonly Token[] } = [];
  let rest = cell;
  for (;;) {
    const at = rest.findIndex(({ cat }) => cat !== Cat.Space);
    const first = rest[at];
    if (first?.cat !== Cat.Command || !/^Set(?:Cell|Row|Column|Cells)$/.test(first.text)) break;
    const text = tokensText(rest.slice(at));
    const match = /^\\Set\w+\s*(?:\[([^\]]*)\])?\s*\{/.exec(text);
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

/** Keys whose names carry a selector: `row{2-3}`, `hline{1,Z}`, `cell{1}{2}`. */
function keyed(keys: ReadonlyMap<string, readonly Token[]>, name: string) {
  return [...keys].flatMap(([key, value]) => {
    const match = new RegExp(`^${name}((?:\\{[^{}]*\\})*)$`).exec(key.replace(/\s/g, ''));
    if (!match) return [];
    const selectors = [...(match[1] ?? '').matchAll(/\{([^{}]*)\}/g)].map((one) => one[1] ?? '');
    return [{ selectors, text: tokensText(value).trim() }];
  });
}

/** A table of tabularray as a grid. */
export function tblrGrid(it: Interpreter, options: readonly Token[], body: readonly Token[]): Grid {
  const text = tokensText(options);
  const isKeys = /[=,]/.test(text) || /^[hv]lines$/.test(text.trim());
  const keys = keyValues([...it.read(INNER), ...it.p.chars(','), ...(isKeys ? options : [])]);
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
  const parts = plainColumns(given);
  const barsBefore = barPlaces(parts);
  const columns = parts.filter(isColumn);
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
  const lines = (name: string, number: number): ((place: number) => boolean) => {
    const tests = keyed(keys, name).map(({ selectors }) => selected(selectors[0] ?? '', number));
    return keys.has(`${name}s`) ? ALL : (place) => tests.some((test) => test(place));
  };
  const vline = lines('vline', count + 1);
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
    lineAbove: lines('hline', rowCount + 1),
    columns: columns.map((column) => column.replace(';', '')),
    lineBefore: (place) => vline(place) || barsBefore.has(place),
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

/** Keys that hold for all tables (`\SetTblrInner`). */
const INNER = stored<readonly Token[]>('tblrinner', []);

/** A table as a `tabular`, or as wide as the text when columns share it. */
export function tblr(it: Interpreter, options: readonly Token[], body: readonly Token[]): Token[] {
  const grid = tblrGrid(it, options, body);
  const shares = grid.columns.some((column) => column.startsWith('X'));
  if (!shares) return gridTokens(it, grid, 'tabular');
  const columns = grid.columns.map((column) => {
    const align = { c: '\\centering', r: '\\raggedleft', l: '\\raggedright' }[column[1] ?? ''];
    return column.startsWith('X') ? `${align ? `>{${align}\\arraybackslash}` : ''}X` : column;
  });
  const width = widthIn(it, options) ?? '\\linewidth';
  return gridTokens(it, { ...grid, columns }, 'tabularx', `{${width}}`);
}

/** `width=0.6\linewidth`: how wide a table is whose columns share its width. */
const widthIn = (it: Interpreter, options: readonly Token[]): string | null =>
  tokensText(
    keyValues([...it.read(INNER), ...it.p.chars(','), ...options]).get('width') ?? [],
  ).trim() || null;

const environment = (name: string, description: string): EnvironmentEntry => ({
  name,
  signature: 'om',
  package: 'tabularray',
  description,
  example: `\\begin{${name}}{colspec={ll}, hlines}\nebb & flood \\\\\nlow & high\n\\end{${name}}`,
  begin: (it, args) => {
    const body = environmentTokens(it.p, name);
    closeNamed(it, name);
    it.p.push(tblr(it, tokensOf(args, 1), body));
  },
});

/** tabularray: tables by keys. */
export const tabularray: PackageEntry = {
  name: 'tabularray',
  description: 'Tables whose columns, cells and lines are said by keys.',
  options: null,
  requires: ['colortbl', 'multirow', 'tabularx', 'array'],
  environments: [
    environment('tblr', 'A table by its keys: colspec, hlines, vlines, rows, cells.'),
    environment('longtblr', 'A long table by its keys; it is set on one page.'),
    environment('talltblr', 'A tall table by its keys, with what is said below it.'),
    environment('booktabs', 'A table with rules of three weights.'),
  ],
  commands: [
    {
      name: 'UseTblrLibrary',
      signature: 'm',
      package: 'tabularray',
      description: 'Loads a part of it: booktabs, siunitx.',
      example: '\\UseTblrLibrary{booktabs}',
      run: (it, args) => {
        for (const name of tokensText(tokensOf(args, 0)).split(','))
          if (/^(?:booktabs|siunitx|amsmath|varwidth|diagbox)$/.test(name.trim()))
            it.execute(it.source(`\\RequirePackage{${name.trim()}}`));
      },
    },
    {
      name: 'SetTblrInner',
      signature: 'om',
      package: 'tabularray',
      description: 'Keys for all tables.',
      example: '\\SetTblrInner{hlines}',
      run: (it, args) =>
        it.write(INNER, [...it.read(INNER), ...it.p.chars(','), ...tokensOf(args, 1)]),
    },
    idleEntry('SetTblrOuter', 'om', 'Keys around all tables.'),
  ],
};
