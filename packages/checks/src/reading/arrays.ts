import type { ArrayNode, MathList } from '@odd-compass/engine/written';
import { condition } from './conditions';
import type { Branch, Expr } from './expression';
import { atToken, stopAt, type Reader } from './reader';
import type { Token } from './tokens';

/** A matrix, a determinant or a distinction of cases, by its brackets. */
export function arrayExpression(reader: Reader, token: Token, node: ArrayNode): Expr {
  if (node.left === '{' && !node.right) return cases(reader, token, node);
  const rows = node.rows.map(({ cells }) =>
    cells.map((cell) => reader.expression(reader.tokens(cell), token)),
  );
  const width = rows[0]?.length ?? 0;
  if (rows.some((row) => row.length !== width))
    throw stopAt(token, 'the rows of this matrix differ in length');
  const matrix = atToken(token, { kind: 'matrix', rows });
  const [left, right] = [node.left ?? '', node.right ?? ''];
  if (/^[|∣]$/.test(left) && /^[|∣]$/.test(right)) {
    return atToken(token, { kind: 'call', fn: 'det', args: [matrix] });
  }
  if (/^[‖∥]$/.test(left)) return atToken(token, { kind: 'call', fn: 'norm', args: [matrix] });
  if (left === '{' || (left && !right)) throw stopAt(token, 'these rows are not read as one value');
  return matrix;
}

function cases(reader: Reader, token: Token, node: ArrayNode): Expr {
  const branches: Branch[] = [];
  for (const { cells } of node.rows) {
    const [value, ...rest] = cells;
    if (!value?.length && rest.every((cell) => cell.length === 0)) continue;
    const { head, tail } = splitAtWords(reader.tokens(value ?? []));
    branches.push({
      value: reader.expression(head, token),
      when: condition(
        reader,
        [...tail, ...rest.flatMap((cell: MathList) => reader.tokens(cell))],
        token,
      ),
    });
  }
  return atToken(token, { kind: 'cases', branches });
}

/** Value and condition in one cell: `x, if x > 0`. */
function splitAtWords(tokens: readonly Token[]): {
  readonly head: readonly Token[];
  readonly tail: readonly Token[];
} {
  const at = tokens.findIndex(({ t }) => t === 'text' || t === 'gap' || t === 'comma');
  return at < 0
    ? { head: tokens, tail: [] }
    : { head: tokens.slice(0, at), tail: tokens.slice(at) };
}
