import type { Point } from '../../base/maps';
import { PT } from '../../base/lengths';
import type { Mark } from '../../document/drawing';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { Interpreter } from '../machine/interpreter';
import type { Reading } from './coordinates';
import type { Graphics } from './graphics';
import { withKeys, withStyle, type NodeSaying } from './keys';
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

interface Cell {
  readonly text: NodeText;
  readonly g: Graphics;
  readonly saying: NodeSaying;
}

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
      if (rest.every((t) => t.cat === Cat.Space)) return null;
      const own = newSaying();
      let look = withStyle(reading, inner, 'every node', own);
      look = withKeys(reading, withStyle(reading, look, 'nodes', own), options, own);
      own.name =
        named ?? own.name ?? (saying.name === null ? null : `${saying.name}-${r + 1}-${c + 1}`);
      const math = saying.matrix === 'formulas' && !hasNode(rest);
      const words = nodeWords(rest);
      const dollar = it.p.make(Cat.Math, '$');
      const text = setText(reading, look, math ? [dollar, ...words, dollar] : words);
      return { text, g: look, saying: own };
    }),
  );
  const columns = Math.max(0, ...rows.map((row) => row.length));
  const pad = (cell: Cell | null | undefined): { w: number; up: number; down: number } =>
    cell
      ? {
          w: Math.max(cell.text.width + 2 * cell.g.node.innerX, cell.g.node.minWidth),
          up: cell.text.height + cell.g.node.innerY,
          down: cell.text.depth + cell.g.node.innerY,
        }
      : { w: 0, up: 0, down: 0 };
  const widths = Array.from({ length: columns }, (_, c) =>
    Math.max(...rows.map((row) => pad(row[c]).w)),
  );
  const heights = rows.map((row) => Math.max(...row.map((cell) => pad(cell).up), 0));
  const depths = rows.map((row) => Math.max(...row.map((cell) => pad(cell).down), 0));
  const width = sum(widths) + Math.max(0, columns - 1) * saying.columnSep;
  const total = sum(heights) + sum(depths) + Math.max(0, rows.length - 1) * saying.rowSep;
  const left = middle.x - width / 2;
  let top = middle.y + total / 2;
  const placed = rows.flatMap((row, r) => {
    const base = top - (heights[r] ?? 0);
    top = base - (depths[r] ?? 0) - saying.rowSep;
    return row.map((cell, c) => ({
      cell,
      base,
      x: left + sum(widths.slice(0, c)) + c * saying.columnSep + (widths[c] ?? 0) / 2,
    }));
  });
  return {
    width,
    height: total / 2,
    depth: total / 2,
    // The cells are set by themselves, once the matrix has its place.
    marks: (at): Mark[] => {
      const by = { x: at.x - left, y: at.y - middle.y };
      for (const { cell, base, x } of placed)
        if (cell) {
          const look = { ...cell.g, node: { ...cell.g.node, anchor: 'base' } };
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
const sum = (numbers: readonly number[]): number => numbers.reduce((a, b) => a + b, 0);

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

const hasNode = (cell: readonly Token[]): boolean =>
  cell.some((t) => t.cat === Cat.Command && t.text === 'node');

/** The words of a cell: those of its `\node{…};`, when it is written so. */
function nodeWords(cell: readonly Token[]): readonly Token[] {
  if (!hasNode(cell)) return cell;
  const open = cell.findIndex((t) => t.cat === Cat.Begin);
  const close = cell.findLastIndex((t) => t.cat === Cat.End);
  return open < 0 ? [] : cell.slice(open + 1, close);
}
