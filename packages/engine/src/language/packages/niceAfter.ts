import { cell } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import type { Interpreter } from '../machine/interpreter';
import { RULES } from './niceCells';

/**
 * What is drawn over a matrix or table once it has its place (nicematrix manual, section 10): its
 * cells are nodes of the text that pictures remember, and the code is one picture over the page.
 */

const COUNT = cell('nicecount', 0);
/** Larger ones have no nodes. */
const MOST_CELLS = 900;

type Rows = readonly (readonly (readonly Token[])[])[];

export interface DrawnOver {
  /** The rows with nodes in their cells. */
  readonly rows: Rows;
  /** The picture that stands behind. */
  readonly after: readonly Token[];
}

/**
 * @param first the numbers of the first row and column.
 * @param inFormula whether cells are formulas.
 */
export function drawnOver(
  it: Interpreter,
  rows: Rows,
  code: readonly Token[],
  first: readonly [number, number],
  inFormula: boolean,
): DrawnOver {
  const width = Math.max(0, ...rows.map((cells) => cells.length));
  const isEmpty = code.every(({ cat }) => cat === Cat.Space);
  if (isEmpty || rows.length * width > MOST_CELLS) return { rows, after: [] };
  const count = it.read(COUNT) + 1;
  it.write(COUNT, count, true);
  const name = `nm${count}`;
  const marked: string[] = [];
  const withNodes = rows.map((cells, r) =>
    cells.map((tokens, c) => {
      const { before, words } = wordsOf(tokens);
      if (words.length === 0) return tokens;
      const node = `${name}-${r + first[0]}-${c + first[1]}`;
      marked.push(node);
      const math = inFormula ? it.source('$') : [];
      return [
        ...before,
        ...it.source(
          `\\tikz[remember picture,baseline=(${node}.base)]\\node[inner sep=0pt,outer sep=0pt,anchor=base](${node}){`,
        ),
        ...math,
        ...words,
        ...math,
        ...it.source('};'),
      ];
    }),
  );
  const last = [rows.length + first[0], width + first[1]] as const;
  const text = tokensText(code);
  const lines = /-\||\|-/.test(text) ? gridPlaces(name, marked, first, last) : '';
  const picture = `\\begin{tikzpicture}[remember picture,overlay]${lines}${drawing(text, name, last)}\\end{tikzpicture}`;
  return { rows: withNodes, after: it.source(picture) };
}

/** Rules, blocks and styles at the head of a cell are no part of its node. */
function wordsOf(tokens: readonly Token[]) {
  let at = 0;
  while (tokens[at] && (tokens[at]?.cat === Cat.Space || RULES.test(tokens[at]?.text ?? ''))) at++;
  const words = tokens.slice(at);
  const isOwn = /^(?:Block|RowStyle|multicolumn|diagbox|CodeBefore)$/.test(words[0]?.text ?? '');
  return isOwn ? { before: tokens, words: [] } : { before: tokens.slice(0, at), words };
}

/**
 * Places on the lines between rows and columns: halfway from the cells on one side to those on the
 * other; at the edges as far out as half of that.
 */
function gridPlaces(
  name: string,
  marked: readonly string[],
  [firstRow, firstColumn]: readonly [number, number],
  [lastRow, lastColumn]: readonly [number, number],
): string {
  const at = (row: number | null, column: number | null): string[] =>
    marked.filter((node) => {
      const [, r, c] = node.split('-').map(Number);
      return (row === null || r === row) && (column === null || c === column);
    });
  const nodes = (which: readonly string[], side: string): string[] =>
    which.map((node) => `(${node}.${side})`);
  const most = (points: readonly string[], axis: 'x' | 'y', sign: 1 | -1): string => {
    const names = points.map((_, i) => `\\${axis}{${i}}`);
    return names.length === 0 ? '' : `${sign > 0 ? 'max' : 'min'}(${names.join(',')})`;
  };
  const out: string[] = [];
  const line = (points: readonly string[], value: string, put: string): void => {
    const lets = points.map((point, i) => `\\p{${i}}=${point}`).join(',');
    if (points.length > 0)
      out.push(`\\path let ${lets},\\n{v}={${value}} in coordinate (${put}) at `);
  };
  const edge = '.5em';
  for (let r = firstRow; r <= lastRow; r++) {
    const [above, below] = [nodes(at(r - 1, null), 'south'), nodes(at(r, null), 'north')];
    const points = [...above, ...below];
    const up = most(above, 'y', -1);
    const down =
      below.length === 0 ? '' : `max(${below.map((_, i) => `\\y{${above.length + i}}`).join(',')})`;
    line(
      points,
      up && down ? `(${up}+${down})/2` : up ? `${up}-${edge}` : `${down}+${edge}`,
      `${name}-r${r}`,
    );
    if (points.length > 0) out.push('(0,\\n{v});');
  }
  for (let c = firstColumn; c <= lastColumn; c++) {
    const [before, behind] = [nodes(at(null, c - 1), 'east'), nodes(at(null, c), 'west')];
    const points = [...before, ...behind];
    const left = most(before, 'x', 1);
    const right =
      behind.length === 0
        ? ''
        : `min(${behind.map((_, i) => `\\x{${before.length + i}}`).join(',')})`;
    line(
      points,
      left && right ? `(${left}+${right})/2` : left ? `${left}+${edge}` : `${right}-${edge}`,
      `${name}-c${c}`,
    );
    if (points.length > 0) out.push('(\\n{v},0);');
  }
  return out.join('');
}

const DOTS =
  'line cap=round,line width=1.06pt,dash pattern=on 0pt off 4.5pt,shorten <=.3em,shorten >=.3em';

/** The code as one of a picture: names of cells are those of their nodes, its own commands are drawn. */
function drawing(
  code: string,
  name: string,
  [lastRow, lastColumn]: readonly [number, number],
): string {
  const row = (n: string): string => `${name}-r${n === 'last' ? lastRow : n}`;
  const column = (n: string): string => `${name}-c${n === 'last' ? lastColumn : n}`;
  const node = (place: string): string => `${name}-${place.trim()}`;
  return code
    .replace(/\\begin\s*\{tikzpicture\}/g, '\\begin{scope}')
    .replace(/\\end\s*\{tikzpicture\}/g, '\\end{scope}')
    .replace(/\\tikz\b\s*/g, '')
    .replace(
      /\\line\s*(?:\[([^\]]*)\])?\{([^{}]*)\}\{([^{}]*)\}/g,
      (_, keys: string | undefined, a: string, b: string) =>
        `\\draw[${DOTS}${keys ? `,${keys}` : ''}] (${node(a)}) -- (${node(b)});`,
    )
    .replace(
      /\\(Under|Over)Brace\s*(?:\[([^\]]*)\])?\{([^{}]*)\}\{([^{}]*)\}\{((?:[^{}]|\{[^{}]*\})*)\}/g,
      (_, kind: string, keys: string | undefined, a: string, b: string, words: string) =>
        brace(kind === 'Over', keys ?? '', node(a), node(b), words),
    )
    .replace(
      /\\SubMatrix\s*(\\?[^\s{])\s*\{([^{}]*)\}\s*\{([^{}]*)\}\s*(\\?[^\s{[])(?:\[[^\]]*\])?/g,
      (_, left: string, a: string, b: string, right: string) =>
        delimiters(left, right, node(a), node(b)),
    )
    .replace(
      /\((\[[^\]]*\])?\s*(\d+)-(\d+)(?:-(?:block|medium|large))?((?:\.[a-z\d -]+)?)\s*\)/g,
      (_, keys: string | undefined, r: string, c: string, side: string) =>
        `(${keys ?? ''}${name}-${r}-${c}${side})`,
    )
    .replace(
      /\(\s*(\d+|last)\s*-\|\s*(\d+|last)\s*\)/g,
      (_, r: string, c: string) => `(${row(r)}-|${column(c)})`,
    )
    .replace(
      /\(\s*(\d+|last)\s*\|-\s*(\d+|last)\s*\)/g,
      (_, c: string, r: string) => `(${column(c)}|-${row(r)})`,
    );
}

function brace(isOver: boolean, keys: string, a: string, b: string, words: string): string {
  const lift = /yshift\s*=\s*([^,]+)/.exec(keys)?.[1] ?? '3pt';
  const colour = /color\s*=\s*([^,]+)/.exec(keys)?.[1];
  const look = colour ? `,${colour}` : '';
  const ends = isOver
    ? `([yshift=${lift}]${a}.north west) -- ([yshift=${lift}]${a}.north west-|${b}.north east)`
    : `([yshift=-${lift}]${a}.west|-${b}.south west) -- ([yshift=-${lift}]${b}.south east)`;
  const side = isOver ? 'above=4pt' : 'below=4pt';
  return `\\draw[decorate,decoration={brace,amplitude=4pt${isOver ? '' : ',mirror'}}${look}] ${ends} node[midway,${side}]{$${words}$};`;
}

/** Brackets around a part, as high as it is. */
function delimiters(left: string, right: string, a: string, b: string): string {
  const tall = '\\rule[-\\n{h}]{0pt}{\\dimexpr\\n{h}+\\n{h}\\relax}';
  const middle = '{(\\y{a}+\\y{b})/2}';
  return (
    `\\path let \\p{a}=(${a}.north west),\\p{b}=(${b}.south east),\\n{h}={(\\y{a}-\\y{b})/2+2pt} in ` +
    `node[anchor=east,inner xsep=1pt,inner ysep=0pt] at (\\x{a},${middle}) {$\\left${left}${tall}\\right.$} ` +
    `node[anchor=west,inner xsep=1pt,inner ysep=0pt] at (\\x{b},${middle}) {$\\left.${tall}\\right${right}$};`
  );
}
