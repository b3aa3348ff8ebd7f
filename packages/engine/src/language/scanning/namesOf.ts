import type { Token } from '../../expansion/meaning';
import { textOf } from '../../expansion/tokenText';
import type { Interpreter } from '../machine/interpreter';

/** A comma-separated list of names. */
export function namesOf(it: Interpreter, tokens: readonly Token[]): string[] {
  return textOf(it.p, tokens)
    .split(',')
    .map((s) => s.trim())
    .filter((s) => s !== '');
}
