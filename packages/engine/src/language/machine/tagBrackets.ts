import { textOf } from '../../expansion/tokenText';
import type { Interpreter } from './interpreter';

/** What stands around the number of a formula: `\\newtagform` of mathtools says otherwise. */
export const tagBrackets = (it: Interpreter): readonly [string, string] => [
  textOf(it.p, [it.p.command('@tagopen')]),
  textOf(it.p, [it.p.command('@tagclose')]),
];
