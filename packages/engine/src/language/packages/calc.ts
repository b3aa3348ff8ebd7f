import { CELLS } from '../machine/cells';
import type { Primitive } from '../../expansion/meaning';
import { readArgument } from '../../expansion/arguments';
import type { PackageEntry } from '../machine/entries';
import type { Interpreter, Size } from '../machine/interpreter';
import { quietEntry } from '../machine/macroEntry';

/** `\widthof{text}` and its kin, wherever a length is wanted. */
const sizeOf = (it: Interpreter, name: string, part: (size: Size) => number): Primitive => ({
  kind: 'primitive',
  name,
  run: (p, token) => void readArgument(p, token),
  read: (p, token) => {
    const tokens = readArgument(p, token, true) ?? [];
    return { type: 'dimen', value: Math.round(part(it.host.measure(it.inlinesOf(tokens)))) };
  },
});

/** calc: sums in lengths and counters. */
export const calc: PackageEntry = {
  name: 'calc',
  description: 'Sums where a length or a number is given.',
  options: [],
  commands: [
    quietEntry('real', 'm', 'A decimal number in a product.'),
    quietEntry('ratio', 'mm', 'The ratio of two lengths in a product.'),
  ],
  setup: (it) => {
    it.write(CELLS.calc, true, true);
    const sizes = [
      sizeOf(it, 'widthof', (s) => s.width),
      sizeOf(it, 'heightof', (s) => s.height),
      sizeOf(it, 'depthof', (s) => s.depth),
      sizeOf(it, 'totalheightof', (s) => s.height + s.depth),
    ];
    for (const size of sizes) it.state.set(it.state.cell(size.name), size, true);
  },
};
