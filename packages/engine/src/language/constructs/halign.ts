import { glue, type Sp } from '../../base/lengths';
import type { Inline } from '../../document/inlines';
import { readArgument } from '../../expansion/arguments';
import type { Token } from '../../expansion/meaning';
import { getSkip, setSkip } from '../../expansion/registers';
import { scanDimen, scanGlue, takeKeyword } from '../../expansion/scan';
import { Cat } from '../../tokens/categories';
import type { CommandEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { box } from './boxes';
import { addBox } from './boxMaking';
import { endsRow, openedRows } from './openedRows';

/** What stands before and behind the cells of a column, and the glue behind it. */
interface Column {
  readonly before: readonly Token[];
  readonly after: readonly Token[];
  readonly skip: Sp;
}

/** A cell as it is set, over so many columns. */
interface Cell {
  readonly inlines: readonly Inline[];
  readonly width: Sp;
  readonly span: number;
}

const isNamed = (token: Token, ...names: readonly string[]): boolean =>
  token.cat === Cat.Command && names.includes(token.text);

/** Tokens cut where `ends` says, outside of groups. */
function cut(tokens: readonly Token[], ends: (token: Token) => boolean): Token[][] {
  const parts: Token[][] = [[]];
  let depth = 0;
  for (const token of tokens) {
    if (token.cat === Cat.Begin) depth++;
    else if (token.cat === Cat.End) depth--;
    if (depth === 0 && ends(token)) parts.push([]);
    else parts.at(-1)?.push(token);
  }
  return parts;
}

/** A piece of the preamble: `\tabskip` in it is carried out, and what is left is before and behind its `#`. */
function columnOf(it: Interpreter, piece: readonly Token[]): Column {
  const { p } = it;
  const at = piece.findIndex((token) => isNamed(token, 'tabskip'));
  let rest = piece;
  if (at >= 0) {
    // A sum (`\dimexpr`) takes the first of them as its end.
    const [end, last] = [p.command('relax'), p.command('relax')];
    p.push([...piece.slice(at + 1), end, last]);
    p.takeChar('=');
    setSkip(it.state, 'tabskip', scanGlue(p));
    const left: Token[] = [];
    for (let token = p.next(); token !== null && token !== last; token = p.next())
      if (token !== end) left.push(token);
    rest = [...piece.slice(0, at), ...left];
  }
  const hash = rest.findIndex(({ cat }) => cat === Cat.Parameter);
  const first = rest.findIndex(({ cat }) => cat !== Cat.Space);
  return {
    // Blanks before a template are skipped (The TeXbook, chapter 22).
    before: hash < 0 ? [] : rest.slice(Math.max(0, first), hash),
    after: hash < 0 ? [] : rest.slice(hash + 1),
    skip: getSkip(it.state, 'tabskip').width,
  };
}

/** The columns of a preamble, and from which on they come again (`&&`). */
function preambleOf(
  it: Interpreter,
  tokens: readonly Token[],
): { readonly columns: readonly Column[]; readonly again: number | null } {
  const pieces = cut(tokens, ({ cat }) => cat === Cat.Tab);
  const isEmpty = (piece: readonly Token[]): boolean => piece.every(({ cat }) => cat === Cat.Space);
  const twice = pieces.findIndex((piece, i) => i > 0 && isEmpty(piece) && i < pieces.length - 1);
  const first = pieces[0] && isEmpty(pieces[0]) && pieces.length > 1 ? 0 : null;
  const again = first ?? (twice > 0 ? twice : null);
  return {
    columns: pieces.filter((_, i) => i !== again).map((piece) => columnOf(it, piece)),
    again,
  };
}

const columnAt = (
  { columns, again }: ReturnType<typeof preambleOf>,
  i: number,
): Column | undefined =>
  columns[i] ??
  (again === null ? undefined : columns[again + ((i - again) % (columns.length - again))]);

/** Cells of a row, each in a group of its own with its template around it. */
function cellsOf(
  it: Interpreter,
  row: readonly Token[],
  preamble: ReturnType<typeof preambleOf>,
): Cell[] {
  let column = 0;
  return cut(row, (token) => token.cat === Cat.Tab || isNamed(token, 'span')).map((piece) => {
    const start = piece.findIndex(({ cat }) => cat !== Cat.Space);
    let cell = start < 0 ? [] : piece.slice(start);
    let span = 1;
    let bare = false;
    const [first] = cell;
    if (first && isNamed(first, 'omit')) {
      bare = true;
      cell = cell.slice(1);
    } else if (first && isNamed(first, 'multispan')) {
      bare = true;
      it.p.push(cell.slice(1));
      const count = readArgument(it.p, first) ?? [];
      span = Math.max(1, parseInt(count.map(({ text }) => text).join(''), 10) || 1);
      cell = cell.slice(1 + (cell[1]?.cat === Cat.Begin ? count.length + 2 : 1));
      for (let left = cell.length; left > 0; left--) it.p.next();
    }
    const { before = [], after = [] } = bare ? {} : (columnAt(preamble, column) ?? {});
    column += span;
    it.openGroup({ kind: 'semisimple', span: it.p.place });
    const inlines = it.inlinesOf([...before, ...cell, ...after]);
    it.closeGroup();
    return { inlines, width: it.host.measure(inlines).width, span };
  });
}

/** As wide as the widest cell of each column; what spans several widens the last of them. */
function widthsOf(rows: readonly (readonly Cell[])[], skipAt: (column: number) => Sp): Sp[] {
  const widths: Sp[] = [];
  for (const spans of [false, true])
    for (const row of rows) {
      let column = 0;
      for (const { width, span } of row) {
        const last = column + span - 1;
        let others = 0;
        for (let i = column; i < last; i++) others += (widths[i] ?? 0) + skipAt(i);
        if (span > 1 === spans) widths[last] = Math.max(widths[last] ?? 0, width - others);
        column += span;
      }
    }
  return widths;
}

/** `\halign to …{preamble\cr rows}`: boxes one under another, their cells in columns (The TeXbook, chapter 22). */
function align(it: Interpreter, token: Token): void {
  const { p } = it;
  const to = takeKeyword(p, 'to') ? scanDimen(p) : null;
  const spread = to === null && takeKeyword(p, 'spread') ? scanDimen(p) : 0;
  const body = readArgument(p, token, true) ?? [];
  it.endParagraph();
  it.openGroup({ kind: 'semisimple', span: p.place });
  const isEnd = (one: Token): boolean => endsRow(it, one);
  const [template = []] = cut(body, isEnd);
  const rest = cut(openedRows(it, body.slice(template.length + 1)), isEnd);
  const before = getSkip(it.state, 'tabskip').width;
  const preamble = preambleOf(it, template);
  const rows: (Cell[] | readonly Token[])[] = [];
  for (const row of rest) {
    let left = row.slice(
      Math.max(
        0,
        row.findIndex(({ cat }) => cat !== Cat.Space),
      ),
    );
    while (left[0] && isNamed(left[0], 'noalign')) {
      const [name, ...behind] = left;
      p.push(behind);
      const between = readArgument(p, name, true) ?? [];
      left = behind.slice(behind[0]?.cat === Cat.Begin ? between.length + 2 : 1);
      for (let n = left.length; n > 0; n--) p.next();
      rows.push(between);
      left = left.slice(
        Math.max(
          0,
          left.findIndex(({ cat }) => cat !== Cat.Space),
        ),
      );
    }
    if (left.some(({ cat }) => cat !== Cat.Space)) rows.push(cellsOf(it, left, preamble));
  }
  const isCells = (row: Cell[] | readonly Token[]): row is Cell[] =>
    row.some((one) => 'inlines' in one);
  const cells = rows.filter(isCells);
  const skipAt = (i: number): Sp => columnAt(preamble, i)?.skip ?? 0;
  const widths = widthsOf(cells, skipAt);
  const natural = widths.reduce((sum, width, i) => sum + width + skipAt(i), before);
  const free = to === null ? spread : to - natural;
  const each = widths.length > 1 ? free / (widths.length - 1) : 0;
  const gapAt = (i: number): Sp => skipAt(i) + (i < widths.length - 1 ? Math.round(each) : 0);
  for (const row of rows) {
    if (!isCells(row)) it.execute(row);
    else addBox(it, box(it, rowOf(it, row, widths, gapAt, before), { align: 'left' }));
  }
  it.closeGroup();
}

function rowOf(
  it: Interpreter,
  row: readonly Cell[],
  widths: readonly Sp[],
  gapAt: (column: number) => Sp,
  before: Sp,
): Inline[] {
  const at = it.p.place;
  const out: Inline[] = [{ kind: 'kern', width: before, ...at }];
  let column = 0;
  for (const { inlines, span } of row) {
    const last = column + span - 1;
    let width = 0;
    for (let i = column; i <= last; i++) width += (widths[i] ?? 0) + (i < last ? gapAt(i) : 0);
    out.push(box(it, inlines, { width, align: 'fill' }), {
      kind: 'kern',
      width: gapAt(last),
      ...at,
    });
    column += span;
  }
  return out;
}

const alignment = (name: string, description: string): CommandEntry => ({
  name,
  signature: '',
  description,
  example: `\\${name}{\\hfil#&#\\cr 1&ebb\\cr 10&flood\\cr}`,
  run: (it, _args, token) => {
    if (name === 'ialign') setSkip(it.state, 'tabskip', glue(0));
    align(it, token);
  },
});

/** Read by the alignment it stands in; anywhere else it ends nothing. */
const rowEnd = (name: string): CommandEntry => ({
  name,
  signature: '',
  description: 'Ends a row of an alignment.',
  example: `\\halign{#\\${name} ebb\\${name} flood\\${name}}`,
  run: (it, _args, token) => it.p.report('row-end-outside', it.spanOf(token)),
});

/** Alignments of plain TeX. */
export const alignmentCommands: readonly CommandEntry[] = [
  rowEnd('cr'),
  rowEnd('crcr'),
  alignment('halign', 'Rows of cells by templates: what stands around each, a # for the cell.'),
  alignment('ialign', 'Rows of cells by templates, without room between columns.'),
];
