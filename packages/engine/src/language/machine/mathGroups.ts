import type { MathNode } from '../../document/math';
import type { Token } from '../../expansion/meaning';
import type { Interpreter } from './interpreter';
import type { MathReader } from './mathReader';

/** `\begingroup` in a formula: unlike a brace it makes no atom (The TeXbook, chapter 24). */
export function beginMathGroup(reader: MathReader, token: Token): null {
  const { alphabet, bold, color } = reader;
  const then = (): void => void Object.assign(reader, { alphabet, bold, color });
  reader.it.openGroup({ kind: 'semisimple', span: reader.it.spanOf(token), then });
  return null;
}

/** `\endgroup`: what was said within is forgotten. */
export function endMathGroup(reader: MathReader, token: Token): MathNode | null {
  const { it, color } = reader;
  if (it.groups.at(-1)?.kind !== 'semisimple') return null;
  it.closeGroup();
  return reader.color === color
    ? null
    : { kind: 'colour', color: reader.color, ...reader.span(token) };
}

/** Reads a list; groups that it leaves open end with it. */
export function inGroups<T>(it: Interpreter, read: () => T): T {
  const before = it.groups.length;
  const result = read();
  while (it.groups.length > before && it.groups.at(-1)?.kind === 'semisimple') it.closeGroup();
  return result;
}
