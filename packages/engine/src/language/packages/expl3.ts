import { bindLayer } from '../expl';
import type { PackageEntry } from '../machine/entries';

/** expl3: the programming layer of the language: its common functions. */
export const expl3: PackageEntry = {
  name: 'expl3',
  description: 'The programming layer: lists, numbers, tests and keys for commands of your own.',
  options: null,
  setup: (it) => bindLayer(it.p, (source) => it.execute(it.source(source))),
};
