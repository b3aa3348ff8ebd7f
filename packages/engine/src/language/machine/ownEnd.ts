import type { Token } from '../../expansion/meaning';
import type { OpenEnvironment } from './environments';
import type { Interpreter } from './interpreter';
import { flag } from '../../expansion/cells';
import { OWN } from './ownNames';

/** The closing half of the document's own environment is being read. */
export const ENDING = flag('ending');

export const braced = (it: Interpreter, name: string): Token[] => [
  it.p.make(1, '{'),
  ...it.p.chars(name),
  it.p.make(2, '}'),
];

/** The document's own `\endname` runs inside the group; a mark behind it closes. Once for each environment. */
export function runOwnEnd(it: Interpreter, open: OpenEnvironment): void {
  open.data.set(ENDING, true);
  // A switch used as an environment (`\begin{large}`) has no closing half.
  const half = it.p.command(`end${open.name}`);
  const defined = half.cell !== null && it.state.get(half.cell) !== undefined;
  it.p.push([
    ...(defined ? [half] : []),
    it.p.command(OWN.closeEnvironment),
    ...braced(it, open.name),
  ]);
}
