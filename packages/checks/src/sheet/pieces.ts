import type { BlockNode, Display, Inline, MathList } from '@odd-compass/engine/written';
import { tokensOf, type Token } from '../reading/tokens';

/** What the engine read of a part of the sheet, and where that part starts in the text. */
export interface WrittenBlock {
  readonly start: number;
  readonly nodes: readonly BlockNode[];
}

/** A sheet as what is said in it, one thing after another. Places are offsets in the text. */
export type Piece =
  | { readonly kind: 'words'; readonly text: string; readonly from: number; readonly to: number }
  | Formula
  /** A paragraph ends, a statement (a theorem, a problem) begins, or a heading stands here. */
  | { readonly kind: 'break'; readonly what: 'paragraph' | 'statement' | 'heading' };

export interface Formula {
  readonly kind: 'formula';
  readonly display: boolean;
  /** Columns of an alignment that are read down, each with its rows; a formula in the line has one of one. */
  readonly strands: readonly (readonly Row[])[];
  /** Where its block starts in the text. */
  readonly offset: number;
  readonly from: number;
  readonly to: number;
}

export type Row = readonly Token[];

/** The pieces of a sheet in the order of its text. */
export function piecesOf(blocks: readonly WrittenBlock[]): readonly Piece[] {
  const pieces: Piece[] = [];
  for (const { start, nodes } of blocks) {
    const gather: Gather = { start, pieces };
    for (const node of nodes) blockPieces(node, gather);
  }
  return pieces;
}

interface Gather {
  readonly start: number;
  readonly pieces: Piece[];
}

function blockPieces(node: BlockNode, gather: Gather): void {
  const { pieces } = gather;
  switch (node.kind) {
    case 'paragraph':
      for (const inline of node.inlines) inlinePieces(inline, gather);
      pieces.push({ kind: 'break', what: 'paragraph' });
      return;
    case 'display':
      for (const part of displayParts(node, gather.start)) pieces.push(part);
      return;
    case 'outline':
      pieces.push({ kind: 'break', what: 'heading' });
      return;
    case 'number':
      if (node.what !== 'equation') pieces.push({ kind: 'break', what: 'statement' });
      return;
    case 'balanced':
    case 'framed':
    case 'float':
    case 'footnote':
      for (const inner of node.blocks) blockPieces(inner, gather);
      return;
    case 'loosebox':
      inlinePieces(node.inline, gather);
      return;
    case 'longtable':
      inlinePieces(node.table, gather);
      return;
    default:
      return;
  }
}

function inlinePieces(inline: Inline, gather: Gather): void {
  const { start, pieces } = gather;
  const [from, to] = 'from' in inline ? [start + inline.from, start + inline.to] : [start, start];
  switch (inline.kind) {
    case 'text':
      words(pieces, inline.text, from, to);
      return;
    case 'space':
    case 'break':
    case 'glue':
      words(pieces, ' ', from, to);
      return;
    case 'math':
      pieces.push(inlineFormula(inline.list, start, from, to));
      return;
    case 'ref':
      words(pieces, '§', from, to);
      return;
    case 'box':
    case 'link':
    case 'decorated':
      for (const inner of inline.inlines) inlinePieces(inner, gather);
      return;
    case 'parbox':
      for (const block of inline.blocks) blockPieces(block, gather);
      return;
    case 'tabular':
      for (const cell of inline.rows.flatMap(({ cells }) => cells)) {
        for (const inner of cell.inlines) inlinePieces(inner, gather);
        for (const block of cell.blocks ?? []) blockPieces(block, gather);
        pieces.push({ kind: 'break', what: 'paragraph' });
      }
      return;
    case 'migrant':
      if (inline.node.kind === 'number' || inline.node.kind === 'footnote') {
        blockPieces(inline.node, gather);
      }
      return;
    default:
      return;
  }
}

/** Words that follow one another are one piece. */
function words(pieces: Piece[], text: string, from: number, to: number): void {
  const last = pieces.at(-1);
  if (last?.kind === 'words') pieces[pieces.length - 1] = { ...last, text: last.text + text, to };
  else pieces.push({ kind: 'words', text, from, to });
}

function inlineFormula(list: MathList, start: number, from: number, to: number): Formula {
  const rows = rowsWithin(tokensOf(list, start), start);
  return { kind: 'formula', display: false, strands: [rows], offset: start, from, to };
}

/** A display, with the words between its rows (`\intertext`) as pieces of their own. */
function displayParts(display: Display, start: number): readonly Piece[] {
  const parts: Piece[] = [];
  let rows: (readonly MathList[])[] = [];
  const place = { from: start + display.from, to: start + display.to };
  const end = (): void => {
    if (rows.length)
      parts.push({
        kind: 'formula',
        display: true,
        strands: strandsOf(display, rows, start),
        offset: start,
        ...place,
      });
    rows = [];
  };
  for (const { cells, textAbove } of display.rows) {
    if (textAbove) {
      end();
      const gather: Gather = { start, pieces: [] };
      for (const block of textAbove) blockPieces(block, gather);
      parts.push(...gather.pieces.filter(({ kind }) => kind !== 'break'));
    }
    rows.push(cells);
  }
  end();
  return parts;
}

function strandsOf(
  { layout }: Display,
  rows: readonly (readonly MathList[])[],
  start: number,
): readonly (readonly Row[])[] {
  const tokens = rows.map((cells) => cells.map((cell) => tokensOf(cell, start)));
  if (!layout.startsWith('aligned')) {
    return [tokens.flatMap((cells) => rowsWithin(cells.flat(), start))];
  }
  const pairs = Math.max(1, ...tokens.map((cells) => Math.ceil(cells.length / 2)));
  return Array.from({ length: pairs }, (_, pair) =>
    tokens.map((cells) => cells.slice(2 * pair, 2 * pair + 2).flat()),
  );
}

/** The rows of an alignment within a formula (`split`, `aligned`), with what stands before and behind it. */
function rowsWithin(tokens: Row, start: number): readonly Row[] {
  const at = tokens.findIndex((token) => token.t === 'array' && token.node.paired);
  const array = tokens[at];
  if (array?.t !== 'array') return [tokens];
  const rows = array.node.rows.map(({ cells }) => cells.flatMap((cell) => tokensOf(cell, start)));
  return rows.map((row, i) => [
    ...(i === 0 ? tokens.slice(0, at) : []),
    ...row,
    ...(i === rows.length - 1 ? tokens.slice(at + 1) : []),
  ]);
}
