import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { rowsOf } from '../constructs/borderMatrix';
import { tokensOf, type EnvironmentEntry, type PackageEntry } from '../machine/entries';
import { environmentTokens } from '../machine/environmentTokens';
import { closeNamed } from '../machine/environments';
import type { Interpreter } from '../machine/interpreter';
import { quietEntry } from '../machine/macroEntry';
import { keyValues } from '../scanning/optionLists';

/** Columns as `tabular` knows them: `Q[c,2cm]` and `X[l]` by their alignment. */
export function plainColumns(spec: string): string {
  return spec
    .replace(/\*\{(\d+)\}\{([^{}]*)\}/g, (_, n: string, one: string) =>
      one.repeat(Math.min(40, Number(n))),
    )
    .replace(/[QX](?:\[([^\]]*)\])?/g, (_, options = '') => {
      const width = /(?:wd\s*=\s*)?(\d[\d.]*\s*(?:cm|mm|em|ex|pt|in))/.exec(options as string)?.[1];
      if (width) return `p{${width}}`;
      return /(?:^|[,=\s])([lcr])(?:$|[,\s])/.exec(options as string)?.[1] ?? 'l';
    })
    .replace(/[^lcrpm|{}@!><\d.a-z\\]/gi, '');
}

/** `\SetCell[c=2]{c}` at the head of a cell: it spans so many columns. */
function spanned(
  cell: readonly Token[],
): { readonly span: number; readonly align: string; readonly rest: readonly Token[] } | null {
  const at = cell.findIndex(({ cat }) => cat !== Cat.Space);
  const first = cell[at];
  if (first?.cat !== Cat.Command || first.text !== 'SetCell') return null;
  const text = tokensText(cell.slice(at));
  const match = /^\\SetCell\s*(?:\[([^\]]*)\])?\s*\{([^{}]*)\}/.exec(text);
  if (!match) return null;
  let depth = 0;
  let i = at + 1;
  let groups = 0;
  for (; i < cell.length && groups < 1; i++) {
    if (cell[i]?.cat === Cat.Begin) depth++;
    if (cell[i]?.cat === Cat.End && --depth === 0) groups++;
  }
  return {
    span: Number(/c\s*=\s*(\d+)/.exec(match[1] ?? '')?.[1] ?? 1),
    align: /[lcr]/.exec(match[2] ?? '')?.[0] ?? 'c',
    rest: cell.slice(i),
  };
}

function rowTokens(it: Interpreter, cells: readonly (readonly Token[])[], bar: string): Token[] {
  const out: Token[] = [];
  for (let c = 0; c < cells.length; c++) {
    if (c > 0) out.push(...it.source('&'));
    const cell = cells[c] ?? [];
    const wide = spanned(cell);
    if (!wide) out.push(...cell);
    else {
      out.push(
        ...it.source(`\\multicolumn{${wide.span}}{${bar}${wide.align}${bar}}{`),
        ...wide.rest,
        ...it.source('}'),
      );
      c += Math.max(0, wide.span - 1);
    }
  }
  return out;
}

/** A table of tabularray as a `tabular` with the lines its keys ask for. */
export function tblr(it: Interpreter, options: readonly Token[], body: readonly Token[]): Token[] {
  const text = tokensText(options);
  const keys =
    /[=,]/.test(text) || /^(hlines|vlines)$/.test(text.trim()) ? keyValues(options) : null;
  const rows = rowsOf(body);
  const count = Math.max(1, ...rows.map((cells) => cells.length));
  const given = keys ? tokensText(keys.get('colspec') ?? []) : text;
  const aligned =
    keys && /[lcr]/.exec(tokensText(keys.get('cells') ?? keys.get('columns') ?? []))?.[0];
  let columns = given ? plainColumns(given) : (aligned ?? 'l').repeat(count);
  const all = keys?.has('vlines') ?? false;
  if (all) columns = `|${columns.replace(/\|/g, '').replace(/(p\{[^{}]*\}|[lcr])/g, '$1|')}`;
  const bar = columns.includes('|') ? '|' : '';
  const line = keys?.has('hlines') ? '\\hline ' : '';
  const bold = (r: number): string =>
    /\\bfseries|bold/.test(tokensText(keys?.get(`row{${r + 1}}`) ?? [])) ? '\\bfseries' : '';
  return [
    ...it.source(`\\begin{tabular}{${columns}}${line}`),
    ...rows.flatMap((cells, r) => [
      ...rowTokens(
        it,
        cells.map((cell) =>
          bold(r)
            ? [...leadingRules(cell).rules, ...it.source(`${bold(r)} `), ...leadingRules(cell).rest]
            : cell,
        ),
        bar,
      ),
      ...(r < rows.length - 1 || line ? it.source(`\\\\${line}`) : []),
    ]),
    ...it.source('\\end{tabular}'),
  ];
}

/** Lines between rows stand at the head of the first cell behind them. */
function leadingRules(cell: readonly Token[]): {
  readonly rules: readonly Token[];
  readonly rest: readonly Token[];
} {
  let at = 0;
  while (
    cell[at] &&
    (cell[at]?.cat === Cat.Space ||
      /^(hline|toprule|midrule|bottomrule)$/.test(cell[at]?.text ?? ''))
  )
    at++;
  return { rules: cell.slice(0, at), rest: cell.slice(at) };
}

const environment = (name: string, signature: string, description: string): EnvironmentEntry => ({
  name,
  signature,
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
  description: 'Tables whose columns and lines are said by keys.',
  options: null,
  environments: [
    environment('tblr', 'om', 'A table by its keys: colspec, hlines, vlines, rows.'),
    environment('longtblr', 'om', 'A long table by its keys; it is set on one page.'),
    environment('booktabs', 'om', 'A table with rules of three weights.'),
  ],
  commands: [
    quietEntry('UseTblrLibrary', 'm', 'Loads a part of it.'),
    quietEntry('SetTblrInner', 'om', 'Keys for all tables.'),
  ],
};
