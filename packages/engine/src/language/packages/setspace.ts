import { CELLS } from '../machine/cells';
import { textOf } from '../../expansion/tokenText';
import {
  type CommandEntry,
  type EnvironmentEntry,
  type PackageEntry,
  tokensOf,
} from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { setLineSpread } from '../machine/lineSpacing';

/** Stretch of “one and a half” and “double” by base size (setspace.sty). */
const FACTORS: Readonly<Record<string, Readonly<Record<number, number>>>> = {
  singlespacing: { 10: 1, 11: 1, 12: 1 },
  onehalfspacing: { 10: 1.25, 11: 1.213, 12: 1.241 },
  doublespacing: { 10: 1.667, 11: 1.618, 12: 1.655 },
};

const spread = (it: Interpreter, name: string): void =>
  setLineSpread(it, FACTORS[name]?.[it.read(CELLS.baseSize)] ?? 1);

const command = (name: string): CommandEntry => ({
  name,
  signature: '',
  description: 'The distance of lines from here on.',
  example: `\\${name}`,
  package: 'setspace',
  run: (it) => spread(it, name),
});

const environment = (name: string, factor: string): EnvironmentEntry => ({
  name,
  signature: '',
  description: 'Lines at this distance.',
  example: `\\begin{${name}}\nText.\n\\end{${name}}`,
  package: 'setspace',
  begin: (it) => {
    it.endParagraph();
    spread(it, factor);
  },
  end: (it) => it.endParagraph(),
});

/** setspace: the distance of lines. */
export const setspace: PackageEntry = {
  name: 'setspace',
  description: 'One and a half, or double line spacing.',
  options: Object.keys(FACTORS),
  commands: [
    ...Object.keys(FACTORS).map(command),
    {
      name: 'setstretch',
      signature: 'm',
      description: 'The distance of lines as a factor.',
      example: '\\setstretch{1.3}',
      package: 'setspace',
      run: (it, args) => setLineSpread(it, parseFloat(textOf(it.p, tokensOf(args, 0)))),
    },
  ],
  environments: [
    environment('singlespace', 'singlespacing'),
    environment('onehalfspace', 'onehalfspacing'),
    environment('doublespace', 'doublespacing'),
  ],
  setup: (it, options) => {
    for (const option of options) if (option in FACTORS) spread(it, option);
  },
};
