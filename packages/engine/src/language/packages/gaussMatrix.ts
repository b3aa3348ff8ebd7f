import type { Token } from '../../expansion/meaning';
import { PT } from '../../base/lengths';
import { textOf, tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { rowsOf } from '../constructs/borderMatrix';
import type { EnvironmentEntry, PackageEntry } from '../machine/entries';
import { formulaTokens } from '../machine/environmentTokens';
import type { Interpreter } from '../machine/interpreter';
import { readOptional } from '../../expansion/arguments';

/** An operation that is written beside a matrix (gauss manual): on rows at its right, on columns above it. */
export type Operation =
  | { readonly kind: 'mult'; readonly at: number; readonly label: string }
  | {
      readonly kind: 'add' | 'swap';
      readonly from: number;
      readonly to: number;
      readonly labels: readonly [string, string];
    };

const GROUP = String.raw`\s*(?:\{((?:[^{}]|\{[^{}]*\})*)\}|(\d))`;
const OPERATION = new RegExp(
  String.raw`\\(mult|add|swap)\s*(?:\[((?:[^\][]|\[[^\]]*\])*)\])?\s*(?:\[((?:[^\][]|\[[^\]]*\])*)\])?${GROUP}${GROUP}`,
  'g',
);

/** The operations that a part of the environment names, in order. */
export function operationsIn(source: string): Operation[] {
  return [...source.matchAll(OPERATION)].map((found): Operation => {
    const [, name, first = '', second = '', a, a1, b, b1] = found;
    const [one, two] = [a ?? a1 ?? '', b ?? b1 ?? ''];
    if (name === 'mult') return { kind: 'mult', at: Number(one) || 0, label: two };
    return {
      kind: name === 'swap' ? 'swap' : 'add',
      from: Number(one) || 0,
      to: Number(two) || 0,
      labels: [first, second],
    };
  });
}

/** Room of one operation across, in pt. */
const STEP = 14;
/** Room of the factor before its line, in pt. */
const LABEL = 12;

/** The operations as a picture, pt from the first row's middle down: `places` are the rows' middles. */
export function drawnOperations(
  operations: readonly Operation[],
  places: readonly number[],
): string {
  const y = (row: number): number => -(places[Math.min(row, places.length - 1)] ?? 0);
  const put = (x: number, at: number, what: string): string => `\\put(${x},${at}){${what}}`;
  const label = (x: number, at: number, text: string): string =>
    text === '' ? '' : put(x, at, `\\makebox(0,0)[l]{$\\scriptstyle ${text}$}`);
  let x = 3;
  let out = '';
  for (const operation of operations) {
    if (operation.kind === 'mult') {
      out +=
        put(x, y(operation.at) - 5, '\\line(0,1){10}') +
        label(x + 2, y(operation.at), operation.label);
      x += STEP + 6;
      continue;
    }
    const { from, to, labels } = operation;
    const [a, b] = [y(from), y(to)];
    const isAdd = operation.kind === 'add';
    const words = isAdd && labels[0] !== '' ? LABEL : 0;
    const wide = STEP + words;
    const tip = (at: number): string => put(x + wide - 4, at, `\\vector(-1,0){${wide - 4}}`);
    const stroke = (at: number): string => put(x + words, at, `\\line(1,0){${STEP - 4}}`);
    out +=
      (isAdd ? stroke(a) : tip(a)) +
      tip(b) +
      put(x + wide - 4, Math.min(a, b), `\\line(0,1){${Math.abs(a - b)}}`) +
      label(isAdd ? x : x + wide - 2, a + (isAdd ? 0 : 4), labels[0]) +
      label(x + wide - 2, b + 4, labels[1]) +
      (isAdd ? put(x + wide - 4, b, '\\makebox(0,0){$\\scriptscriptstyle +$}') : '');
    x += wide + 4;
  }
  const height = places.at(-1) ?? 0;
  return `\\begin{picture}(${x},${height})(0,${-height})${out}\\end{picture}`;
}

const commandAt = (tokens: readonly Token[], name: string): number =>
  tokens.findIndex((t) => t.cat === Cat.Command && t.text === name);

/** How far below the first the middles of the rows of a matrix stand, in pt. */
function middles(it: Interpreter, rows: readonly (readonly (readonly Token[])[])[]): number[] {
  const line = it.skip('baselineskip').width || 12 * PT;
  const places: number[] = [];
  let [at, depth] = [0, 0];
  rows.forEach((cells, i) => {
    const dollar = it.p.make(Cat.Math, '$');
    const sizes = cells.map((cell) => it.host.measure(it.inlinesOf([dollar, ...cell, dollar])));
    const height = Math.max(0.7 * line, ...sizes.map((size) => size.height));
    if (i > 0) at += depth + height;
    depth = Math.max(0.3 * line, ...sizes.map((size) => size.depth));
    places.push(at / PT);
  });
  return places;
}

/** `gmatrix`: a matrix with what is done to its rows. */
function gaussMatrix(it: Interpreter, kind: string, body: readonly Token[]): Token[] {
  const [rowsAt, columnsAt] = [commandAt(body, 'rowops'), commandAt(body, 'colops')];
  const ends = [rowsAt, columnsAt].filter((at) => at >= 0);
  const entries = body.slice(0, ends.length > 0 ? Math.min(...ends) : body.length);
  const part = (at: number, other: number): string =>
    at < 0 ? '' : tokensText(body.slice(at + 1, other > at ? other : undefined));
  const rows = rowsOf(entries);
  const places = middles(it, rows);
  const operations = operationsIn(part(rowsAt, columnsAt));
  const matrix = `${/^[pbBvV]?$/.test(kind) ? kind : 'p'}matrix`;
  const beside =
    operations.length === 0
      ? ''
      : `\\vcenter{\\hbox{\\unitlength1pt\\relax${drawnOperations(operations, places)}}}`;
  const above = operationsIn(part(columnsAt, rowsAt))
    .map((one) =>
      one.kind === 'mult'
        ? `C_{${one.at + 1}}\\cdot ${one.label}`
        : one.kind === 'swap'
          ? `C_{${one.from + 1}}\\leftrightarrow C_{${one.to + 1}}`
          : `C_{${one.to + 1}}+${one.labels[0]}C_{${one.from + 1}}`,
    )
    .join(',\\;');
  const inner = [
    ...it.source(`\\begin{${matrix}}`),
    ...entries,
    ...it.source(`\\end{${matrix}}${beside}`),
  ];
  return above === ''
    ? inner
    : [
        ...it.source('\\overset{'),
        ...it.source(above),
        ...it.source('}{'),
        ...inner,
        ...it.source('}'),
      ];
}

const gmatrix: EnvironmentEntry = {
  name: 'gmatrix',
  signature: '',
  package: 'gauss',
  description: 'A matrix with what is done to its rows: \\rowops, then \\swap, \\mult, \\add.',
  example:
    '$\\begin{gmatrix}[p] 1 & 2 \\\\ 3 & 4 \\rowops \\add[-3]{0}{1} \\swap{0}{1} \\mult{0}{\\cdot 2} \\end{gmatrix}$',
  math: (reader, token) => {
    const { it, p } = reader;
    const kind = textOf(p, readOptional(p) ?? []);
    const body = formulaTokens(reader, 'gmatrix', token);
    const made = gaussMatrix(it, kind, body);
    p.push([p.make(Cat.Begin, '{'), ...made, p.make(Cat.End, '}')]);
    return null;
  },
};

/** gauss: matrices with the operations of elimination beside them. */
export const gauss: PackageEntry = {
  name: 'gauss',
  description: 'Matrices with the operations of elimination beside them.',
  options: null,
  requires: ['amsmath'],
  environments: [gmatrix],
};
