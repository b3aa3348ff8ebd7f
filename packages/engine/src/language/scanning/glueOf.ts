import { CELLS } from '../machine/cells';
import type { Glue } from '../../base/lengths';
import type { Token } from '../../expansion/meaning';
import { scanGlue } from '../../expansion/scan';
import type { Interpreter } from '../machine/interpreter';

/** Glue given as an argument. */
export function glueOf(it: Interpreter, tokens: readonly Token[]): Glue {
  const expression = it.read(CELLS.calc) ? [it.p.command('glueexpr')] : [];
  const relax = it.p.command('relax');
  it.p.push([...expression, ...tokens, relax, ...(expression.length > 0 ? [relax] : [])]);
  const g = scanGlue(it.p);
  const rest = it.p.next();
  if (rest && rest.text !== 'relax') it.p.unread(rest);
  return g;
}
