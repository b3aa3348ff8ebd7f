import type { MathNode } from '../../document/math';
import type { Token } from '../../expansion/meaning';
import type { CommandEntry } from '../entries';
import type { MathReader } from '../mathReader';

/** Reads what a math command needs and makes its nodes. */
export type Make = (reader: MathReader, token: Token) => readonly MathNode[] | MathNode | null;

/** A command that belongs in formulas; the example is its formula. */
export const mathEntry = (
  name: string,
  signature: string,
  description: string,
  example: string,
  math: Make,
): CommandEntry => ({
  name,
  signature,
  description,
  example: `$${example}$`,
  math,
});
