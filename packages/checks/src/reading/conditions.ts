import type { Condition, Expr, Relation, RelationSign } from './expression';
import { stopAt, type Reader } from './reader';
import type { Token } from './tokens';

const READ_SIGNS = /^[=≠<≤>≥≡≢∣∤≈]$/;

/**
 * The condition beside a case: relations parted by commas and words; null where it says “otherwise” or nothing.
 * `near` is the token whose rows they stand in.
 */
export function condition(reader: Reader, tokens: readonly Token[], near: Token): Condition | null {
  const parts: Token[][] = [[]];
  let words = '';
  for (const token of tokens) {
    if (token.t === 'text') words += ` ${token.words}`;
    if (token.t === 'text' || token.t === 'comma' || token.t === 'gap') parts.push([]);
    else parts.at(-1)?.push(token);
  }
  const relations = parts.filter((part) => part.length > 0);
  if (relations.length === 0) {
    if (/\b(even|odd|rational|prime|integer)\b/.test(words)) {
      throw stopAt(near, 'the condition of a case is written in words');
    }
    return null;
  }
  if (/\b(even|odd|rational|prime|or)\b/.test(words)) {
    throw stopAt(near, 'the condition of a case is written in words');
  }
  return relations.flatMap((part) => chainRelations(reader, part, near));
}

/** `0 < x \le 1` as two relations. */
export function chainRelations(reader: Reader, tokens: readonly Token[], near: Token): Relation[] {
  const sides: Token[][] = [[]];
  const signs: RelationSign[] = [];
  for (const token of tokens) {
    if (token.t !== 'relation') {
      sides.at(-1)?.push(token);
      continue;
    }
    if (!READ_SIGNS.test(token.char))
      throw stopAt(token, `the sign ${token.char} is not read in a condition`);
    signs.push(token.char as RelationSign);
    sides.push([]);
  }
  if (signs.length === 0) throw stopAt(near, 'no relation stands in the condition');
  const values: Expr[] = sides.map((side) => reader.expression(side, near));
  return signs.map((sign, i) => ({ left: values[i] as Expr, sign, right: values[i + 1] as Expr }));
}
