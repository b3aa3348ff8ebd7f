import type { Inline } from '../../document/inlines';
import type { Token } from '../../expansion/meaning';
import type { Interpreter } from '../machine/interpreter';

/** A label as `\\makelabel` dresses it. */
export function makeLabel(it: Interpreter, label: readonly Token[]): readonly Inline[] {
  const own = it.state.meaning(it.state.cell('makelabel'));
  if (own?.kind !== 'macro') return it.inlinesOf(label);
  return it.inlinesOf([it.p.command('makelabel'), it.p.make(1, '{'), ...label, it.p.make(2, '}')]);
}
