import { CELLS } from '../machine/cells';
import type { Glue, Sp } from '../../base/lengths';
import type { Token } from '../../expansion/meaning';
import { scanDimen, scanGlue } from '../../expansion/scan';
import type { Interpreter } from '../machine/interpreter';

/** A length given as an argument, in sp. */
export const dimenOf = (it: Interpreter, tokens: readonly Token[]): Sp =>
  scanned(it, 'dimexpr', tokens, scanDimen);

/** The same with what it stretches and shrinks. */
export const glueOf = (it: Interpreter, tokens: readonly Token[]): Glue =>
  scanned(it, 'glueexpr', tokens, (p) => scanGlue(p));

function scanned<T>(
  it: Interpreter,
  calculation: string,
  tokens: readonly Token[],
  scan: (p: Interpreter['p']) => T,
): T {
  const expression = it.read(CELLS.calc) ? [it.p.command(calculation)] : [];
  const relax = it.p.command('relax');
  it.p.push([...expression, ...tokens, relax, ...(expression.length > 0 ? [relax] : [])]);
  const length = scan(it.p);
  const rest = it.p.next();
  if (rest && rest.text !== 'relax') it.p.unread(rest);
  return length;
}
