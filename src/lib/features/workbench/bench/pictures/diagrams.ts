import { readRows } from '../alignment';
import type { LineEdit } from '../classLine';
import type { Span } from '../figure';
import { optionsAt, type OptionList, type OptionPart } from './optionText';

/** An arrow of a diagram, as its command in a cell says. */
export interface Arrow extends Span {
  /** Row and column of the objects that it leads from and to. */
  readonly start: readonly [number, number];
  readonly end: readonly [number, number];
  readonly options: OptionList;
  readonly look: ArrowLook;
}

/** What is chosen of an arrow; its other options stay. */
export interface ArrowLook {
  /** Beside it, a formula. */
  readonly label: string;
  /** On its other side. */
  readonly swapped: boolean;
  /** One of `KINDS`. */
  readonly kind: string;
  /** One of `BENDS`. */
  readonly bend: string;
}
export const PLAIN: ArrowLook = { label: '', swapped: false, kind: '', bend: '' };

export const KINDS: readonly (readonly [string, string])[] = [
  ['', 'plain'],
  ['hook', 'into'],
  ['two heads', 'onto'],
  ['tail', 'injective'],
  ['dashed', 'that is to exist'],
  ['mapsto', 'of an element'],
  ['Rightarrow', 'double'],
  ['equals', 'equal'],
  ['no head', 'without head'],
];
export const BENDS: readonly (readonly [string, string])[] = [
  ['', 'straight'],
  ['bend left', 'bent left'],
  ['bend right', 'bent right'],
];

/** A cell of a diagram: its object, and where all of it stands. */
export interface DiagramCell extends Span {
  readonly object: string;
}

export interface Diagram {
  readonly cells: readonly (readonly DiagramCell[])[];
  readonly arrows: readonly Arrow[];
}

const ARROW = /\\(?:arrow|ar)(?=\s*\[)/g;
const DIRECTION = /^[rlud]+$/;
const LABEL = /^"([\s\S]*)"\s*('?)(?:\s*\{[\s\S]*\})?$/;

/** Reads the body of a diagram; `base` is where it stands. */
export function readDiagram(body: string, base = 0): Diagram {
  const arrows: Arrow[] = [];
  const cells = readRows(body, base).map(({ cells: row }, r) =>
    row.map(({ text, from, to }, c): DiagramCell => {
      const own = arrowsIn(text, from, [r, c]);
      arrows.push(...own);
      let object = text;
      for (const one of [...own].reverse())
        object = object.slice(0, one.from - from) + object.slice(one.to - from);
      return { object: object.trim().replace(/\s+/g, ' '), from, to };
    }),
  );
  return { cells, arrows };
}

function arrowsIn(text: string, base: number, start: readonly [number, number]): Arrow[] {
  return [...text.matchAll(ARROW)].map((match): Arrow => {
    const behind = match.index + match[0].length;
    const options = optionsAt(text, behind, base);
    const direction = options.parts.find(({ text: one }) => DIRECTION.test(one))?.text ?? '';
    const count = (letter: string): number => direction.split(letter).length - 1;
    const end = [start[0] + count('d') - count('u'), start[1] + count('r') - count('l')] as const;
    const from = base + match.index;
    return { from, to: options.inner.to + 1, start, end, options, look: lookOf(options.parts) };
  });
}

const among = (choices: typeof KINDS, parts: readonly OptionPart[]): string =>
  parts.find(({ key }) => choices.some(([value]) => value !== '' && value === key))?.key ?? '';

function lookOf(parts: readonly OptionPart[]): ArrowLook {
  const label = parts.map(({ text }) => LABEL.exec(text)).find((found) => found !== null);
  return {
    label: bared(label?.[1] ?? ''),
    swapped: label?.[2] === "'" || parts.some(({ text }) => text === 'swap'),
    kind: among(KINDS, parts),
    bend: among(BENDS, parts),
  };
}
const bared = (text: string): string => /^\{([\s\S]*)\}$/.exec(text)?.[1] ?? text;

/** The letters that lead from one cell to another. */
export function directionOf(
  start: readonly [number, number],
  end: readonly [number, number],
): string {
  const [down, right] = [end[0] - start[0], end[1] - start[1]];
  const across = (right < 0 ? 'l' : 'r').repeat(Math.abs(right));
  return across + (down < 0 ? 'u' : 'd').repeat(Math.abs(down));
}

/** An arrow's command; `others` are options that no tool knows. */
function arrowSource(
  start: readonly [number, number],
  end: readonly [number, number],
  { label, swapped, kind, bend }: ArrowLook,
  others: readonly string[] = [],
): string {
  const formula = /[,\]"]/.test(label) ? `{${label}}` : label;
  const words = label === '' ? '' : `"${formula}"${swapped ? "'" : ''}`;
  const options = [directionOf(start, end), words, kind, bend, ...others];
  return `\\arrow[${options.filter((one) => one !== '').join(', ')}]`;
}

/** The edit that puts another object into a cell; its arrows stay. */
export function withObject(
  diagram: Diagram,
  at: readonly [number, number],
  object: string,
): LineEdit | null {
  const cell = diagram.cells[at[0]]?.[at[1]];
  if (!cell || cell.object === object) return null;
  const own = diagram.arrows.filter(({ from }) => from >= cell.from && from < cell.to);
  const arrows = own.map(({ start, end, look, options }) =>
    arrowSource(start, end, look, othersOf(options)),
  );
  const insert = [object, ...arrows].filter((one) => one !== '').join(' ');
  return isBare(cell, own.length)
    ? intoBare(cell, insert)
    : { from: cell.from, to: cell.to, insert };
}

/** Holds a cell nothing but blanks? */
const isBare = ({ object }: DiagramCell, arrows: number): boolean => object === '' && arrows === 0;

/** Something put between the blanks of a cell, so that ends of lines stay. */
const intoBare = ({ from, to }: DiagramCell, source: string): LineEdit => ({
  from,
  to: from,
  insert: from === to ? ` ${source} ` : ` ${source}`,
});

const KNOWN = new Set([...KINDS, ...BENDS].map(([value]) => value));
const othersOf = ({ parts }: OptionList): string[] =>
  parts
    .filter(
      ({ text, key }) =>
        !DIRECTION.test(text) && !LABEL.test(text) && !KNOWN.has(key) && text !== 'swap',
    )
    .map(({ text }) => text);

/** The edit that draws an arrow from one cell to another. */
export function withArrow(
  { cells, arrows }: Diagram,
  start: readonly [number, number],
  end: readonly [number, number],
  look: ArrowLook = PLAIN,
): LineEdit | null {
  const cell = cells[start[0]]?.[start[1]];
  if (!cell || directionOf(start, end) === '') return null;
  const source = arrowSource(start, end, look);
  const own = arrows.filter(({ from }) => from >= cell.from && from < cell.to);
  if (isBare(cell, own.length)) return intoBare(cell, source);
  return { from: cell.to, to: cell.to, insert: ` ${source}` };
}

/** The edit that makes an arrow look otherwise. */
export const withLook = ({ from, to, start, end, options }: Arrow, look: ArrowLook): LineEdit => ({
  from,
  to,
  insert: arrowSource(start, end, look, othersOf(options)),
});

/** The edit that takes an arrow out, with the blank before it. */
export function withoutArrow(body: string, base: number, { from, to }: Arrow): LineEdit {
  const blank = body[from - base - 1] === ' ' ? 1 : 0;
  return { from: from - blank, to, insert: '' };
}

/** The edit that adds a row below all, or a column behind all. */
export function withMore(
  body: string,
  base: number,
  { cells }: Diagram,
  what: 'row' | 'column',
): LineEdit[] {
  const width = Math.max(1, ...cells.map((row) => row.length));
  const end = base + body.trimEnd().length;
  if (what === 'row')
    return [{ from: end, to: end, insert: ` \\\\\n  ${'& '.repeat(width - 1)}`.trimEnd() + ' ' }];
  return cells.map((row) => {
    const at = row.at(-1)?.to ?? base;
    return { from: at, to: at, insert: ' &'.repeat(width + 1 - row.length) + ' ' };
  });
}
