import { CELLS } from '../machine/cells';
import { glue, type Sp } from '../../base/lengths';
import { cell } from '../../expansion/cells';
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
    const outer = it.skip('baselineskip').width;
    spread(it, factor);
    if (factor === 'singlespacing') addRoom(it, outer - it.skip('baselineskip').width);
    else it.innermost.data.set(AROUND, outer);
  },
  end: (it) => endSpacing(it),
});

/** The distance of lines around an environment, sp. */
const AROUND = cell<Sp | null>('spacingaround', null);

/** Room between paragraphs that makes up for another distance of lines (setspace.sty: `\vskip` by one and back by the other). */
function addRoom(it: Interpreter, width: Sp): void {
  if (width !== 0) it.mode.vlist.push({ kind: 'vspace', glue: glue(width), behaviour: 'plain' });
}

function endSpacing(it: Interpreter): void {
  it.endParagraph();
  const outer = it.innermost.data.get(AROUND);
  if (typeof outer === 'number') addRoom(it, it.skip('baselineskip').width - outer);
}

/** `\begin{spacing}{1.3}`. */
const spacing: EnvironmentEntry = {
  name: 'spacing',
  signature: 'm',
  description: 'Lines at a distance that is a factor of the usual one.',
  example: '\\begin{spacing}{1.3}\nText.\n\\end{spacing}',
  package: 'setspace',
  begin: (it, args) => {
    it.endParagraph();
    it.innermost.data.set(AROUND, it.skip('baselineskip').width);
    setLineSpread(it, parseFloat(textOf(it.p, tokensOf(args, 0))));
  },
  end: (it) => endSpacing(it),
};

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
    spacing,
    environment('singlespace', 'singlespacing'),
    environment('onehalfspace', 'onehalfspacing'),
    environment('doublespace', 'doublespacing'),
  ],
  setup: (it, options) => {
    for (const option of options) if (option in FACTORS) spread(it, option);
  },
};
