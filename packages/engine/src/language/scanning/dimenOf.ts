import { CELLS } from '../machine/cells';
import type { Sp } from '../../base/lengths';
import type { Token } from '../../expansion/meaning';
import { scanDimen } from '../../expansion/scan';
import type { Interpreter } from '../machine/interpreter';

/** A length given as an argument, in sp. */
export function dimenOf(it: Interpreter, tokens: readonly Token[]): Sp {
  const expression = it.read(CELLS.calc) ? [it.p.command('dimexpr')] : [];
  const relax = it.p.command('relax');
  it.p.push([...expression, ...tokens, relax, ...(expression.length > 0 ? [relax] : [])]);
  const length = scanDimen(it.p);
  const rest = it.p.next();
  if (rest && rest.text !== 'relax') it.p.unread(rest);
  return length;
}
