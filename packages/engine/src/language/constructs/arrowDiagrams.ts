import type { Sp } from '../../base/lengths';
import type { DiagramArrow, DiagramLabel, MathNode } from '../../document/math';
import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { readOptional } from '../../expansion/arguments';
import { Cat } from '../../tokens/categories';
import type { EnvironmentEntry } from '../machine/entries';
import type { MathReader } from '../machine/mathReader';
import { dimenOf } from '../scanning/dimenOf';
import { arrowsIn } from './arrowTokens';
import { isRowEnd, partAt } from './diagrams';
import { leadsSomewhere } from './lostArrows';
import { fieldOf } from './mathEntry';
import { formulaTokens } from '../machine/environmentTokens';

/** An arrow while it is read. */
export type Draft = { -readonly [K in keyof DiagramArrow]: DiagramArrow[K] } & {
  labels: DiagramLabel[];
};

/** Options that change the arrow, by their names. */
const LOOKS: Readonly<Record<string, Partial<DiagramArrow>>> = {
  hook: { tail: 'hook' },
  "hook'": { tail: 'hookBack' },
  hookrightarrow: { tail: 'hook' },
  'two heads': { head: 'two' },
  twoheadrightarrow: { head: 'two' },
  tail: { tail: 'tail' },
  rightarrowtail: { tail: 'tail' },
  'maps to': { tail: 'bar' },
  mapsto: { tail: 'bar' },
  dashed: { line: 'dashed' },
  dashrightarrow: { line: 'dashed' },
  dotted: { line: 'dotted' },
  equal: { line: 'double', head: 'none' },
  equals: { line: 'double', head: 'none' },
  Rightarrow: { line: 'double' },
  dash: { head: 'none' },
  'no head': { head: 'none' },
  '-': { head: 'none' },
  phantom: { line: 'none' },
  'bend left': { bend: 30 },
  'bend right': { bend: -30 },
};

const PLAIN_LABEL = /^"[^"]*"\s*(?:'|swap|description)?$/;
const PLAIN_OPTION =
  /^(?:[rlud]+|swap|'|description|bend (?:left|right)(?:\s*=\s*\d+)?|(?:from|to)\s*=\s*\d+-\d+|shift (?:left|right)(?:\s*=\s*[\d.]+(?:pt|ex|em|mm)?)?)$/;

/** Does an arrow set as mathematics do what an option says? */
export const isPlain = (option: string): boolean =>
  option === '' ||
  LOOKS[option] !== undefined ||
  PLAIN_OPTION.test(option) ||
  PLAIN_LABEL.test(option);

/** Names of separations in em: of columns, of rows. */
const SEPARATIONS: Readonly<Record<string, readonly [number, number]>> = {
  tiny: [0.6, 0.45],
  small: [1.2, 0.9],
  scriptsize: [1.2, 0.9],
  normal: [2.4, 1.8],
  large: [3.6, 2.7],
  huge: [4.8, 3.6],
};

const DIRECTION = /^[rlud]+$/;

/** The cell that letters lead to from another. */
export function cellAfter(
  [row, column]: readonly [number, number],
  letters: string,
): [number, number] {
  const count = (letter: string): number => letters.split(letter).length - 1;
  return [row + count('d') - count('u'), column + count('r') - count('l')];
}

/** One option of an arrow: a direction, a label in quotation marks, a look. */
function takeOption(
  reader: MathReader,
  caller: Token,
  tokens: readonly Token[],
  arrow: Draft,
  state: { swap: boolean },
): void {
  const text = tokensText(tokens).trim();
  if (text === '') return;
  const first = tokens.find((t) => t.cat !== Cat.Space);
  if (first?.text === '"') return takeLabel(reader, caller, tokens, arrow);
  if (DIRECTION.test(text)) {
    arrow.toCell = cellAfter(arrow.fromCell, text);
    return;
  }
  if (text === 'swap' || text === "'") {
    state.swap = true;
    return;
  }
  if (text === 'description') {
    const last = arrow.labels.at(-1);
    if (last) arrow.labels[arrow.labels.length - 1] = { ...last, side: 'on' };
    return;
  }
  const [name = '', value] = text.split('=').map((part) => part.trim());
  if (name === 'from' || name === 'to') {
    const [row, column] = (value ?? '').split('-').map(Number);
    if (row && column) arrow[name === 'from' ? 'fromCell' : 'toCell'] = [row - 1, column - 1];
  } else if (name.startsWith('bend') && value) {
    arrow.bend = (name === 'bend left' ? 1 : -1) * (parseFloat(value) || 30);
  } else if (name.startsWith('shift')) {
    const sign = name === 'shift left' ? 1 : -1;
    arrow.shift = sign * shiftOf(reader, value);
  } else Object.assign(arrow, LOOKS[name] ?? {});
}

/** `shift left`, `shift left=2`, `shift left=1ex`: a unit is 0.56 ex. */
function shiftOf(reader: MathReader, value: string | undefined): Sp {
  const unit = 0.24 * reader.it.font.size;
  if (value === undefined) return unit;
  if (/^[\d.]+$/.test(value)) return parseFloat(value) * unit;
  return dimenOf(reader.it, reader.p.chars(value));
}

/** `"f"`, `"f"'`, `"f" description`, `"f"{near start}`. */
function takeLabel(
  reader: MathReader,
  caller: Token,
  tokens: readonly Token[],
  arrow: Draft,
): void {
  const open = tokens.findIndex((t) => t.text === '"');
  const close = tokens.findIndex((t, i) => i > open && t.text === '"');
  const end = close < 0 ? tokens.length : close;
  const list = fieldOf(reader, tokens.slice(open + 1, end), caller);
  const behind = tokensText(tokens.slice(end + 1));
  const side =
    behind.includes('description') || behind.includes('marking')
      ? 'on'
      : behind.includes("'") || behind.includes('swap')
        ? 'right'
        : 'left';
  if (list.length > 0) arrow.labels.push({ list, side });
}

/** A comma parts options, but not within a label. */
export function optionsOf(tokens: readonly Token[]): Token[][] {
  let quoted = false;
  return partAt(tokens, (t) => {
    if (t.text === '"') quoted = !quoted;
    return !quoted && t.text === ',';
  });
}

/** A plain arrow that begins and ends in a cell. */
export const draft = (
  cell: readonly [number, number],
  at: { from: number; to: number },
): Draft => ({
  fromCell: cell,
  toCell: cell,
  labels: [],
  line: 'solid',
  head: 'arrow',
  tail: 'none',
  bend: 0,
  shift: 0,
  ...at,
});

/** An arrow, and where it is written. */
interface PlacedArrow {
  readonly arrow: DiagramArrow;
  readonly token: Token;
  readonly place: readonly [number, number];
}

/** Takes the arrows out of a cell; what is left is its object. */
function readCell(
  reader: MathReader,
  caller: Token,
  tokens: readonly Token[],
  cell: readonly [number, number],
  arrows: PlacedArrow[],
): Token[] {
  let object: Token[] = [];
  let behind = 0;
  for (const { at, end, short, groups } of arrowsIn(tokens)) {
    object = [...object, ...tokens.slice(behind, at)];
    behind = end;
    const token = tokens[at] as Token;
    const arrow = draft(cell, reader.it.spanOf(token));
    if (short) arrow.toCell = cellAfter(cell, short);
    const state = { swap: false };
    for (const { inner, bracketed } of groups) {
      // In the older form braces hold a direction first and then labels.
      const isOption = bracketed || arrow.toCell === cell;
      if (isOption) for (const o of optionsOf(inner)) takeOption(reader, caller, o, arrow, state);
      else {
        const list = fieldOf(reader, inner, caller);
        if (list.length > 0) arrow.labels.push({ list, side: state.swap ? 'right' : 'left' });
      }
    }
    if (state.swap && arrow.labels[0]?.side === 'left')
      arrow.labels[0] = { ...arrow.labels[0], side: 'right' };
    arrows.push({ arrow, token, place: cell });
  }
  return [...object, ...tokens.slice(behind)];
}

function separations(reader: MathReader, options: readonly Token[]) {
  const em = reader.it.font.size;
  const [columns, rows] = SEPARATIONS.normal as readonly [number, number];
  const out = { columnSep: columns * em, rowSep: rows * em };
  for (const option of partAt(options, (t) => t.text === ',')) {
    const [name, value = ''] = tokensText(option)
      .split('=')
      .map((part) => part.trim());
    const known = SEPARATIONS[value];
    const asked = known
      ? null
      : /\d/.test(value)
        ? dimenOf(reader.it, reader.p.chars(value))
        : null;
    if (name === 'column sep' || name === 'sep')
      out.columnSep = known ? known[0] * em : (asked ?? out.columnSep);
    if (name === 'row sep' || name === 'sep')
      out.rowSep = known ? known[1] * em : (asked ?? out.rowSep);
  }
  // The separation is counted from the boxes of the objects, which have room of their own around them.
  return { columnSep: out.columnSep + 0.67 * em, rowSep: out.rowSep + 0.73 * em };
}

/** Diagrams of objects and arrows (the common part of the package tikz-cd). */
export const arrowDiagram: EnvironmentEntry = {
  name: 'tikzcd',
  signature: 'o',
  package: 'tikz-cd',
  description: 'A diagram of objects in rows and columns with arrows between them.',
  example: '\\[\\begin{tikzcd} A \\arrow[r, "f"] \\arrow[d] & B \\\\ C & \\end{tikzcd}\\]',
  math: (reader, token) => {
    const options = readOptional(reader.p) ?? [];
    return plainDiagram(reader, token, options, formulaTokens(reader, 'tikzcd', token));
  },
};

/** A diagram of straight and bent arrows, set as mathematics. */
export function plainDiagram(
  reader: MathReader,
  token: Token,
  options: readonly Token[],
  body: readonly Token[],
): MathNode {
  const measures = separations(reader, options);
  const found: PlacedArrow[] = [];
  const cells = partAt(body, isRowEnd).map((row) => partAt(row, (t) => t.cat === Cat.Tab));
  const rows = cells.map((row, r) =>
    row.map((cell, c) => fieldOf(reader, readCell(reader, token, cell, [r, c], found), token)),
  );
  const arrows = found
    .filter(({ arrow: { fromCell: from, toCell: to }, ...at }) =>
      leadsSomewhere(reader.it, cells, { ...at, from, to }),
    )
    .map(({ arrow }) => arrow);
  return { kind: 'diagram', rows, arrows, ...measures, ...reader.span(token) };
}
