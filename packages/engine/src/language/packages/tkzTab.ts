import { cell } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import type { Args, CommandEntry, PackageEntry } from '../machine/entries';
import { tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { Cat } from '../../tokens/categories';
import { keyValues, splitAt, trimmed } from '../scanning/optionLists';
import { variationsOf, type Variation } from './tkzTabVariations';

/** A table of signs and variations that is being drawn; lengths in the picture's units, downwards from its top. */
interface Table {
  /** Where the values stand. */
  readonly columns: readonly number[];
  /** Where rows end, from the top of the first on. */
  readonly edges: readonly number[];
  /** The row that is drawn next. */
  readonly row: number;
}

const TABLE = cell<Table>('signtable', { columns: [], edges: [0], row: 1 });

type Piece = string | readonly Token[];

/** Draws what the pieces say; tokens are words of a node. */
function draw(it: Interpreter, ...pieces: readonly Piece[]): void {
  const { p } = it;
  it.execute(
    pieces.flatMap((piece) =>
      typeof piece === 'string' ? it.source(piece) : [p.make(1, '{'), ...piece, p.make(2, '}')],
    ),
  );
}

const number = (tokens: readonly Token[], otherwise: number): number => {
  const value = Number.parseFloat(tokensText(tokens));
  return Number.isFinite(value) ? value : otherwise;
};
const fixed = (value: number): string => String(Math.round(value * 1e4) / 1e4);
const at = (x: number, y: number): string => `(${fixed(x)},${fixed(-y)})`;
const optional = (args: Args, index: number): readonly Token[] =>
  Array.isArray(args[index]) ? (args[index] as Token[]) : [];

/** Lengths of the table in centimetres, with what they are where nothing is said (tkz-tab manual, section 3). */
const LENGTHS = { lgt: 2, espcl: 2, deltacl: 0.5 };
const LENGTH_NAMES = ['lgt', 'espcl', 'deltacl'] as const;

function lengthsOf(it: Interpreter, options: readonly Token[]) {
  const lengths = { ...LENGTHS };
  let framed = true;
  for (const [key, value] of keyValues(options)) {
    const length = LENGTH_NAMES.find((name) => name === key);
    if (length) lengths[length] = number(value, LENGTHS[length]);
    else if (key === 'nocadre') framed = tokensText(value).trim() === 'false';
    else if (options[0]) it.p.report('option-unknown', it.spanOf(options[0]), { name: key });
  }
  return { ...lengths, framed };
}

/** `\tkzTabInit[options]{name/height,…}{values}`: frame, names of rows, values in the first row. */
function beginTable(it: Interpreter, args: Args): void {
  const { lgt, espcl, deltacl, framed } = lengthsOf(it, optional(args, 0));
  const rows = splitAt(tokensOf(args, 1), ',').map((row) => {
    const [name = [], height = []] = splitAt(row, '/');
    return { name: trimmed(name), height: number(height, 1) };
  });
  const values = splitAt(tokensOf(args, 2), ',').map((value) => trimmed(value));
  const columns = values.map((_, i) => lgt + deltacl + i * espcl);
  const edges = [0];
  for (const { height } of rows) edges.push((edges.at(-1) ?? 0) + height);
  const [width, height] = [(columns.at(-1) ?? lgt) + deltacl, edges.at(-1) ?? 0];
  it.write(TABLE, { columns, edges, row: 1 });
  const inner = framed ? edges.slice(1, -1) : edges;
  const across = inner.map((y) => `${at(0, y)} -- ${at(width, y)}`).join(' ');
  const frame = framed ? `${at(0, 0)} rectangle ${at(width, height)} ` : '';
  draw(it, `\\draw[tab frame] ${frame}${across} ${at(lgt, 0)} -- ${at(lgt, height)};`);
  rows.forEach(({ name }, i) => draw(it, `\\node at ${at(lgt / 2, middle(edges, i))} `, name, ';'));
  values.forEach((value, i) =>
    draw(it, `\\node at ${at(columns[i] ?? 0, middle(edges, 0))} `, value, ';'),
  );
  // The points `N12`: below the second row at the first value; `M12` between it and the next.
  edges.forEach((y, row) =>
    columns.forEach((x, i) => {
      draw(it, `\\coordinate (N${i + 1}${row}) at ${at(x, y)};`);
      if (i < columns.length - 1)
        draw(it, `\\coordinate (M${i + 1}${row}) at ${at(x + espcl / 2, y)};`);
    }),
  );
}

const middle = (edges: readonly number[], row: number): number =>
  ((edges[row] ?? 0) + (edges[row + 1] ?? edges[row] ?? 0)) / 2;

/** Begins the next row: where it is; null when the table has no more. */
function nextRow(it: Interpreter, token: Token) {
  const table = it.read(TABLE);
  const [top, bottom] = [table.edges[table.row], table.edges[table.row + 1]];
  if (top === undefined || bottom === undefined) {
    it.p.report('sign-table-full', it.spanOf(token), { rows: String(table.edges.length - 1) });
    return null;
  }
  it.write(TABLE, { ...table, row: table.row + 1 });
  return { table, top, bottom, row: table.row };
}

const bar = (x: number, top: number, bottom: number): string =>
  ['-1pt', '1pt']
    .map(
      (shift) =>
        `([xshift=${shift}]${fixed(x)},${fixed(-top)}) -- ([xshift=${shift}]${fixed(x)},${fixed(-bottom)})`,
    )
    .join(' ');

/** `\tkzTabLine{…}`: signs between values; at a value z a zero, t a line, d a double one; h between them is no place. */
function signs(it: Interpreter, args: Args, token: Token): void {
  const place = nextRow(it, token);
  if (!place) return;
  const { table, top, bottom } = place;
  const { columns } = table;
  splitAt(tokensOf(args, 0), ',').forEach((part, i) => {
    const [one, next] = [columns[Math.floor(i / 2)], columns[Math.ceil(i / 2)]];
    if (one === undefined || next === undefined) return;
    const x = (one + next) / 2;
    const line = `${at(x, top)} -- ${at(x, bottom)}`;
    const said = trimmed(part);
    const kind = tokensText(said);
    if (kind === 'z' || kind === 't') draw(it, `\\draw[t style] ${line};`);
    if (kind === 'd') return draw(it, `\\draw[tab frame] ${bar(x, top, bottom)};`);
    if (kind === 'h')
      return draw(it, `\\fill[h style] ${at(one, top)} rectangle ${at(next, bottom)};`);
    if (kind === 'z') return draw(it, `\\node at ${at(x, (top + bottom) / 2)} {$0$};`);
    if (kind === 't' || kind === '') return;
    const [open, close] = said.some(({ cat }) => cat === Cat.Math) ? ['', ''] : ['$', '$'];
    draw(it, `\\node at ${at(x, (top + bottom) / 2)} {${open}`, said, `${close}};`);
  });
}

/** The node that a variation leaves from, or comes to, in its row. */
const nodeOf = (
  row: number,
  index: number,
  { left, right }: Variation,
  side: 'in' | 'out',
): string => `tab${row}-${index}${(side === 'in' ? left : !right) ? 'l' : 'r'}`;

/** `\tkzTabVar{+/max,-/min,…}`: values high and low, with arrows from each to the next. */
function variations(it: Interpreter, args: Args, token: Token): void {
  const place = nextRow(it, token);
  if (!place) return;
  const { table, top, bottom, row } = place;
  let from: { readonly index: number; readonly variation: Variation } | null = null;
  variationsOf(tokensOf(args, 0)).forEach((variation, index) => {
    const x = table.columns[index];
    if (x === undefined) return;
    const { left, right, barred, forbidden } = variation;
    if (barred) draw(it, `\\draw[tab frame] ${bar(x, top, bottom)};`);
    const next = table.columns[index + 1];
    if (forbidden && next !== undefined)
      draw(it, `\\fill[h style] ${at(x, top)} rectangle ${at(next, bottom)};`);
    const alone = !barred && !forbidden && !(left && right);
    for (const [side, value] of [
      ['l', left],
      ['r', right],
    ] as const) {
      if (!value) continue;
      const across = alone ? '' : side === 'l' ? ' east' : ' west';
      const anchor = `${value.high ? 'north' : 'south'}${across}`;
      const y = value.high ? top : bottom;
      draw(
        it,
        `\\node[tab value,anchor=${anchor}] (tab${row}-${index}${side}) at ${at(x, y)} `,
        value.words,
        ';',
      );
    }
    if (!left && !right) return;
    if (from)
      draw(
        it,
        `\\draw[arrow style] (${nodeOf(row, from.index, from.variation, 'out')}) -- (${nodeOf(row, index, variation, 'in')});`,
      );
    from = forbidden ? null : { index, variation };
    draw(
      it,
      `\\coordinate (tab${row}-${index}i) at (${nodeOf(row, index, variation, 'in')}.center);\\coordinate (tab${row}-${index}o) at (${nodeOf(row, index, variation, 'out')}.center);`,
    );
  });
}

/** A value on the arrow between two others of the row last drawn, that far along; its name above it, or null. */
function onArrow(
  it: Interpreter,
  ends: readonly [number, number],
  along: number,
  name: readonly Token[] | null,
  words: readonly Token[],
  drawn: boolean,
): void {
  const { edges, row } = it.read(TABLE);
  const of = row - 1;
  const [i, j] = ends;
  draw(
    it,
    `\\path (tab${of}-${i - 1}o) -- (tab${of}-${j - 1}i) node[pos=${fixed(along)},fill=white,inner sep=2pt] (tab${of}-on) `,
    words,
    ';',
  );
  const head = middle(edges, 0);
  if (name) draw(it, `\\node (tab${of}-head) at (tab${of}-on |- 0,${fixed(-head)}) `, name, ';');
  if (drawn)
    draw(it, `\\draw[t style] (tab${of}-on |- 0,${fixed(-(edges[1] ?? 0))}) -- (tab${of}-on);`);
}

const isDrawn = (args: Args): boolean => tokensText(optional(args, 0)).trim() === 'draw';
const index = (args: Args, i: number): number => Math.round(number(tokensOf(args, i), 1));

const entry = (
  name: string,
  signature: string,
  description: string,
  example: string,
  run: (it: Interpreter, args: Args, token: Token) => void,
): CommandEntry => ({
  name,
  signature,
  description,
  example: `\\begin{tikzpicture}\n${example}\n\\end{tikzpicture}`,
  package: 'tkz-tab',
  run,
});

const INIT = "\\tkzTabInit{$x$/1,$f'(x)$/1,$f$/2}{$0$,$1$,$2$}";
const LINE = '\\tkzTabLine{,+,z,-,}';

const commands: readonly CommandEntry[] = [
  entry(
    'tkzTabInit',
    'omm',
    'A table of signs and variations: its rows with their heights, its values.',
    INIT,
    beginTable,
  ),
  entry(
    'tkzTabLine',
    'm',
    'A row of signs, each between two values; z is a zero, d a double line.',
    `${INIT}\n${LINE}`,
    signs,
  ),
  entry(
    'tkzTabVar',
    'm',
    'A row of variations: values that are high or low, with arrows between them.',
    `${INIT}\n${LINE}\n\\tkzTabVar{-/$0$,+/$1$,-/$0$}`,
    variations,
  ),
  entry(
    'tkzTabVal',
    'ommmmm',
    'A value on an arrow, and where it is taken.',
    `${INIT}\n${LINE}\n\\tkzTabVar{-/$0$,+/$1$,-/$0$}\n\\tkzTabVal[draw]{1}{2}{.5}{$a$}{$b$}`,
    (it, args) =>
      onArrow(
        it,
        [index(args, 1), index(args, 2)],
        number(tokensOf(args, 3), 0.5),
        tokensOf(args, 4),
        tokensOf(args, 5),
        isDrawn(args),
      ),
  ),
  entry(
    'tkzTabIma',
    'ommmm',
    'The value on an arrow that passes over a column.',
    `${INIT}\n${LINE}\n\\tkzTabVar{-/$0$,R/,+/$2$}\n\\tkzTabIma{1}{3}{2}{$1$}`,
    (it, args) => {
      const [i, j, k] = [index(args, 1), index(args, 2), index(args, 3)];
      onArrow(it, [i, j], (k - i) / Math.max(1, j - i), null, tokensOf(args, 4), isDrawn(args));
    },
  ),
  entry(
    'tkzTab',
    'ommmm',
    'A table with one row of signs and one of variations.',
    "\\tkzTab{$x$/1,$f'$/1,$f$/2}{$0$,$1$}{,+,}{-/$0$,+/$1$}",
    (it, args, token) => {
      beginTable(it, args);
      signs(it, args.slice(3), token);
      variations(it, args.slice(4), token);
    },
  ),
];

/** tkz-tab: tables of signs and variations, drawn in pictures. */
export const tkzTab: PackageEntry = {
  name: 'tkz-tab',
  description: 'Tables of signs and variations of functions.',
  options: null,
  requires: ['tikz'],
  commands,
  source:
    '\\usetikzlibrary{patterns,arrows}\\tikzset{tab frame/.style={},tab value/.style={inner sep=3pt},' +
    't style/.style={dotted},h style/.style={pattern=north west lines},' +
    'arrow style/.style={->,>=latex}}',
};
