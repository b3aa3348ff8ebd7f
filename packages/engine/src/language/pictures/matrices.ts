import type { Point } from '../../base/maps';
import { PT } from '../../base/lengths';
import type { Mark } from '../../document/drawing';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { Interpreter } from '../machine/interpreter';
import type { Reading } from './coordinates';
import type { Graphics } from './graphics';
import { drawCell, isDrawn, type CellPicture } from './cellPictures';
import { CELL_NODES, STYLES, withKeys, withStyle, type NodeSaying } from './keys';
import { freshNode, newSaying, setNode, setText, type NodeText } from './nodes';

/** Rows and cells of a matrix, parted at `\\` and `&` outside braces. */
export function cellsOf(tokens: readonly Token[]): Token[][][] {
  const rows: Token[][][] = [[[]]];
  let depth = 0;
  for (const token of tokens) {
    if (token.cat === Cat.Begin) depth++;
    else if (token.cat === Cat.End) depth--;
    const isCommand = token.cat === Cat.Command;
    if (depth === 0 && isCommand && /^(\\|cr|tabularnewline|pgfmatrixendrow)$/.test(token.text))
      rows.push([[]]);
    else if (
      depth === 0 &&
      (token.cat === Cat.Tab || (isCommand && /^(&|pgfmatrixnextcell)$/.test(token.text)))
    )
      rows.at(-1)?.push([]);
    else rows.at(-1)?.at(-1)?.push(token);
  }
  const isBlank = (row: readonly (readonly Token[])[]): boolean =>
    row.every((cell) => cell.every((t) => t.cat === Cat.Space));
  if (rows.length > 1 && isBlank(rows.at(-1) ?? [])) rows.pop();
  return rows;
}

interface TextCell {
  readonly text: NodeText;
  readonly g: Graphics;
  readonly saying: NodeSaying;
}
type Cell = TextCell | CellPicture;

/**
 * The contents of a matrix of nodes: each cell a node, its columns and rows aligned at their
 * middles and baselines. The cells themselves are nodes of the picture, `name-row-column`.
 */
export function matrixText(
  reading: Reading,
  g: Graphics,
  saying: NodeSaying,
  tokens: readonly Token[],
  span: { from: number; to: number },
  middle: Point,
): NodeText {
  const { it } = reading;
  const inner = freshNode({ ...g, node: { ...g.node, anchor: null, minWidth: 0, minHeight: 0 } });
  const rows = cellsOf(tokens).map((row, r) =>
    row.map((cell, c): Cell | null => {
      const { options, rest, named } = cellOptions(cell);
      const isEmpty = rest.every((t) => t.cat === Cat.Space);
      if (isEmpty && (!saying.fillsEmpty || saying.matrix === 'plain')) return null;
      const own = newSaying();
      let look = withStyle(reading, inner, 'every node', own);
      look = cellLook(reading, look, own, r + 1, c + 1);
      look = withKeys(reading, look, options, own);
      if (isDrawn(rest)) return drawCell(reading, look, rest);
      own.name =
        named ?? own.name ?? (saying.name === null ? null : `${saying.name}-${r + 1}-${c + 1}`);
      const dollar = it.p.make(Cat.Math, '$');
      const words = saying.matrix === 'formulas' ? [dollar, ...rest, dollar] : rest;
      const text = setText(reading, look, words);
      return { text, g: look, saying: own };
    }),
  );
  const columns = Math.max(0, ...rows.map((row) => row.length));
  const across = Array.from({ length: columns }, (_, c) =>
    roomOf(rows.map((row) => reachOf(row[c]).across)),
  );
  const down = rows.map((row) => roomOf(row.map((cell) => reachOf(cell).down)));
  const [xs, ys] = [
    origins(across, g.node.columnSep, g.node.byColumns),
    origins(down, g.node.rowSep, g.node.byRows),
  ];
  const width = (xs.at(-1) ?? 0) + (across.at(-1)?.behind ?? 0);
  const total = (ys.at(-1) ?? 0) + (down.at(-1)?.behind ?? 0);
  const left = middle.x - width / 2;
  const top = middle.y + total / 2;
  const placed = rows.flatMap((row, r) =>
    row.map((cell, c) => ({ cell, base: top - (ys[r] ?? 0), x: left + (xs[c] ?? 0) })),
  );
  return {
    width,
    height: total / 2,
    depth: total / 2,
    // The cells are set by themselves, once the matrix has its place.
    marks: (at): Mark[] => {
      const by = { x: at.x - left, y: at.y - middle.y };
      for (const { cell, base, x } of placed)
        if (cell && 'put' in cell) cell.put({ x: x + by.x, y: base + by.y });
        else if (cell) {
          const look = {
            ...cell.g,
            node: { ...cell.g.node, anchor: cell.g.node.anchor ?? 'base' },
          };
          setNode(
            reading,
            look,
            cell.saying,
            cell.text,
            { x: x + by.x, y: base + by.y },
            null,
            span,
          );
        }
      const { innerX, innerY } = g.node;
      const right = at.x + width + innerX;
      const ends = [at.x - innerX, right] as const;
      saying.delimiters.forEach((sign, i) => {
        if (sign === '') return;
        const bare = { ...inner, node: { ...inner.node, anchor: 'center', innerX: 0, innerY: 0 } };
        const text = setText(reading, bare, delimiter(it, sign, i === 0, total + 2 * innerY));
        const x = (ends[i] ?? 0) + (i === 0 ? -text.width / 2 : text.width / 2);
        setNode(reading, bare, newSaying(), text, { x, y: at.y }, null, span);
      });
      return [];
    },
  };
}

/** The bracket at a side of a matrix, as high as it is. */
function delimiter(it: Interpreter, sign: string, isLeft: boolean, high: number): Token[] {
  const half = `${high / 2 / PT}pt`;
  const inside = `\\vcenter{\\hrule height ${half} depth ${half} width 0pt}`;
  const named = /^[{}]$/.test(sign) ? `\\${sign}` : sign;
  const formula = isLeft ? `\\left${named} ${inside}\\right.` : `\\left.${inside}\\right${named}`;
  return it.source(`$${formula}$`);
}

/** How far something reaches before and behind the place where it is put: in a column leftwards, in a row upwards. */
interface Reach {
  readonly before: number;
  readonly behind: number;
}

/** How far a cell reaches from where its anchor lies: its baseline in the middle, where it does not say. */
function reachOf(cell: Cell | null | undefined): { across: Reach; down: Reach } {
  if (!cell) return { across: { before: 0, behind: 0 }, down: { before: 0, behind: 0 } };
  if ('put' in cell) {
    const { left, right, low, high } = cell.bounds;
    return { across: { before: -left, behind: right }, down: { before: high, behind: -low } };
  }
  const { text, g } = cell;
  const { innerX, innerY, minWidth, minHeight, anchor } = g.node;
  const [width, tall] = [
    Math.max(text.width + 2 * innerX, minWidth),
    Math.max(text.height + text.depth + 2 * innerY, minHeight),
  ];
  const side = anchor ?? 'base';
  const share = /west/.test(side) ? 0 : /east/.test(side) ? 1 : 0.5;
  // The text stands in the middle of the height.
  const above = tall / 2 + (text.height - text.depth) / 2;
  const up = /^north/.test(side)
    ? 0
    : /^south/.test(side)
      ? tall
      : /^(?:base|mid)/.test(side)
        ? above
        : tall / 2;
  return {
    across: { before: share * width, behind: (1 - share) * width },
    down: { before: up, behind: tall - up },
  };
}
const roomOf = (parts: readonly Reach[]): Reach => ({
  before: Math.max(0, ...parts.map(({ before }) => before)),
  behind: Math.max(0, ...parts.map(({ behind }) => behind)),
});

/** Where the places of columns (or rows) lie, one behind another. @param byOrigins counts their distance from place to place. */
function origins(parts: readonly Reach[], sep: number, byOrigins: boolean): number[] {
  const out: number[] = [];
  parts.forEach(({ before }, i) => {
    const last = parts[i - 1];
    const at = out.at(-1);
    if (last === undefined || at === undefined) out.push(before);
    else out.push(at + sep + (byOrigins ? 0 : last.behind + before));
  });
  return out;
}

/**
 * What the styles of its column and row say of a cell (the manual, “matrices and alignment”), and
 * what `nodes` adds: in one of these it is meant for their nodes alone.
 */
function cellLook(
  reading: Reading,
  g: Graphics,
  own: NodeSaying,
  row: number,
  column: number,
): Graphics {
  const { it } = reading;
  const styles = it.read(STYLES);
  const parity = (n: number): string => (n % 2 === 1 ? 'odd' : 'even');
  let look = withStyle(reading, g, CELL_NODES, own);
  for (const name of [
    'every cell',
    `column ${column}`,
    `every ${parity(column)} column`,
    `row ${row}`,
    `every ${parity(row)} row`,
    `row ${row} column ${column}`,
  ]) {
    const style = styles[name];
    if (!style) continue;
    it.write(STYLES, { ...styles, [CELL_NODES]: NOTHING });
    look = withStyle(reading, withStyle(reading, look, name, own), CELL_NODES, own);
  }
  if (it.read(STYLES) !== styles) it.write(STYLES, styles);
  return look;
}
const NOTHING = { body: [], fallback: null, code: false, params: 1 };

/** `|[options] (name)|` before a cell. */
function cellOptions(cell: readonly Token[]) {
  const first = cell.findIndex((t) => t.cat !== Cat.Space);
  const none = { options: [] as readonly Token[], rest: cell, named: null as string | null };
  if (cell[first]?.text !== '|') return none;
  const close = cell.findIndex((t, i) => i > first && t.text === '|');
  if (close < 0) return none;
  const inner = cell.slice(first + 1, close);
  const from = inner.findIndex((t) => t.text === '[');
  const to = inner.findLastIndex((t) => t.text === ']');
  const name =
    /\(([^()]*)\)/.exec(
      inner
        .slice(to + 1)
        .map((t) => t.text)
        .join(''),
    )?.[1] ?? null;
  return {
    options: from < 0 ? [] : inner.slice(from + 1, to),
    rest: cell.slice(close + 1),
    named: name,
  };
}
