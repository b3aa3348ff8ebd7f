import { proofEnvironment, theoremCommands } from '../constructs/theorems';
import type { PackageEntry } from '../machine/entries';

/** amsthm: theorem styles and proofs. */
export const amsthm: PackageEntry = {
  name: 'amsthm',
  description: 'Theorems in three styles, and proofs with their end mark.',
  options: [],
  commands: theoremCommands,
  environments: [proofEnvironment],
  source: '\\newskip\\thm@preskip\\newskip\\thm@postskip',
  macros: { proofname: 'Proof', qedsymbol: '\\openbox' },
};
