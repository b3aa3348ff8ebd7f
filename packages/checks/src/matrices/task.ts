import type { ArrayNode, MathNode } from '@odd-compass/engine/written';
import { CannotTell } from '../numbers/value';
import { Unreadable } from '../reading/reader';
import { readerFor } from '../reading/read';
import type { WrittenBlock } from '../sheet/pieces';
import {
  characteristic,
  determinantOf,
  inverted,
  matrixPower,
  product,
  rowReduced,
  solutionsOf,
  sum,
  transposed,
  type Entries,
} from './operations';
import { quotientOf, quotientTex } from './quotients';
import {
  matrixSource,
  reductionSource,
  solutionsSource,
  unknownNames,
  type MatrixStyle,
} from './writing';

/** What can be worked out of a matrix. */
export type MatrixTask =
  | 'transpose'
  | 'determinant'
  | 'inverse'
  | 'rank'
  | 'reduce'
  | 'power'
  | 'characteristic'
  | 'solve'
  | 'product'
  | 'sum';

/** A matrix of the sheet by its place, and what is asked of it. */
export interface MatrixQuestion {
  readonly task: MatrixTask;
  /** Where its environment begins in the text. */
  readonly from: number;
  readonly environment: string;
  /** The columns argument of an `array`, with its braces. */
  readonly columns: string;
  /** For powers. */
  readonly exponent: number;
}

/** What comes of it: LaTeX to look at, and the edits that write it; or why nothing does. */
export type MatrixAnswer =
  | {
      readonly shown: string;
      readonly edits: readonly {
        readonly from: number;
        readonly to: number;
        readonly insert: string;
      }[];
      /** What was taken not to be 0. */
      readonly assumed: readonly string[];
    }
  | { readonly refused: string };

/** Works out what is asked of a matrix that stands on the sheet. */
export function answerMatrix(
  blocks: readonly WrittenBlock[],
  question: MatrixQuestion,
): MatrixAnswer {
  const found = findMatrix(blocks, question.from);
  if (!found) return { refused: 'The matrix is not read yet.' };
  try {
    return worked(found, question);
  } catch (error) {
    if (error instanceof CannotTell) return { refused: error.message };
    if (error instanceof Unreadable) return { refused: `An entry is not read: ${error.message}.` };
    throw error;
  }
}

interface Placed {
  readonly node: ArrayNode;
  readonly from: number;
  readonly to: number;
  readonly before: string;
  readonly behind: string;
}

interface Found extends Placed {
  readonly offset: number;
  /** The matrix that follows, and whether a plus stands between. */
  readonly next: (Placed & { readonly plus: boolean }) | null;
}

function findMatrix(blocks: readonly WrittenBlock[], from: number): Found | null {
  const block = blocks.findLast(({ start }) => start <= from);
  if (!block) return null;
  let found: Found | null = null;
  const look = (value: unknown): void => {
    if (Array.isArray(value)) {
      if (!found) found = inList(value as readonly MathNode[], block.start, from);
      for (const part of value) if (!found) look(part);
      return;
    }
    if (value === null || typeof value !== 'object' || found) return;
    for (const [key, part] of Object.entries(value))
      if (key !== 'font' && typeof part === 'object') look(part);
  };
  look(block.nodes);
  return found;
}

/** The matrix of a list whose environment begins at a place, with the one that follows it. */
function inList(list: readonly MathNode[], offset: number, from: number): Found | null {
  const all = list.map((node) => placed(node, offset));
  const at = all.findIndex((one) => one !== null && one.node.from + offset === from);
  const own = all[at];
  if (!own) return null;
  const between = list.slice(at + 1);
  const first = between[0];
  const isSign = first?.kind === 'symbol' && /^[+⋅×]$/.test(first.char);
  const next = all[at + (isSign ? 2 : 1)] ?? null;
  const plus = first?.kind === 'symbol' && first.char === '+';
  return { ...own, offset, next: next && { ...next, plus } };
}

/** A node as a matrix, with the brackets it stands in. */
function placed(node: MathNode | undefined, offset: number): Placed | null {
  if (node?.kind === 'array' && !node.paired) {
    return { node, from: node.from + offset, to: node.to + offset, before: '', behind: '' };
  }
  if (node?.kind !== 'delimited') return null;
  const inner = node.body.filter(
    ({ kind }) => kind !== 'style' && kind !== 'colour' && kind !== 'space',
  );
  const [only, ...others] = inner;
  if (only?.kind !== 'array' || others.length) return null;
  const bracket = (char: string | null): string =>
    char === null ? '.' : /[{}]/.test(char) ? `\\${char}` : char;
  return {
    node: only,
    from: node.from + offset,
    to: node.to + offset,
    before: `\\left${bracket(node.left)}`,
    behind: `\\right${bracket(node.right)}`,
  };
}

function entriesOf({ node }: Placed, offset: number): Entries {
  const reader = readerFor(offset);
  return node.rows.map(({ cells }) =>
    cells.map((cell) => quotientOf(reader.expression(reader.tokens(cell), null))),
  );
}

function worked(found: Found, question: MatrixQuestion): MatrixAnswer {
  const entries = entriesOf(found, found.offset);
  const { environment, columns, exponent } = question;
  const style: MatrixStyle = { environment, columns, before: found.before, behind: found.behind };
  const source = (result: Entries): string => matrixSource(result, style);
  const behind = (text: string, at = found.to): MatrixAnswer => ({
    shown: text.replace(/^\s*=\s*/, ''),
    edits: [{ from: at, to: at, insert: text }],
    assumed: [],
  });
  const named = (name: string, text: string): MatrixAnswer => ({
    shown: text,
    edits: [
      { from: found.from, to: found.from, insert: name },
      { from: found.to, to: found.to, insert: ` = ${text}` },
    ],
    assumed: [],
  });
  switch (question.task) {
    case 'transpose':
      return behind(`^{T} = ${source(transposed(entries))}`);
    case 'inverse':
      return behind(`^{-1} = ${source(inverted(entries))}`);
    case 'power':
      return behind(`^{${exponent}} = ${source(matrixPower(entries, exponent))}`);
    case 'determinant': {
      const value = quotientTex(determinantOf(entries));
      return environment === 'vmatrix' ? behind(` = ${value}`) : named('\\det ', value);
    }
    case 'rank':
      return named('\\operatorname{rank} ', String(rowReduced(entries).pivots.length));
    case 'characteristic':
      return behind(`,\\quad \\det(A - \\lambda I) = ${quotientTex(characteristic(entries))}`);
    case 'reduce': {
      const bar = found.node.columns.findIndex(({ barsBefore }, i) => i > 0 && barsBefore > 0);
      const reduction = rowReduced(entries, bar > 0 ? bar : undefined);
      if (reduction.stages.length === 0)
        return { refused: 'It is in reduced row echelon form already.' };
      const answer = behind(reductionSource(reduction, style));
      return 'edits' in answer ? { ...answer, assumed: reduction.assumed } : answer;
    }
    case 'solve': {
      const unknowns = (entries[0]?.length ?? 1) - 1;
      if (unknowns < 1) return { refused: 'A system needs a column for its right side.' };
      const solutions = solutionsOf(entries);
      const answer = behind(`,\\quad ${solutionsSource(solutions, unknownNames(unknowns))}`);
      const assumed = solutions.kind === 'some' ? solutions.assumed : [];
      return 'edits' in answer ? { ...answer, assumed } : answer;
    }
    case 'product':
    case 'sum': {
      if (!found.next) return { refused: 'No other matrix follows this one in the formula.' };
      const other = entriesOf(found.next, found.offset);
      const result = question.task === 'sum' ? sum(entries, other) : product(entries, other);
      return behind(` = ${source(result)}`, found.next.to);
    }
  }
}
