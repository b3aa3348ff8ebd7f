import { flag } from '../../expansion/cells';
import type { Processor } from '../../expansion/processor';
import { Cat, withCategory } from '../../tokens/categories';
import type { CommandEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';

/** Names are written with `_` and `:`, blanks count for nothing and `~` is one. */
const IN_FORCE = flag('explsyntax');

const CATEGORIES: readonly (readonly [char: string, within: number, outside: number])[] = [
  ['_', Cat.Letter, Cat.Sub],
  [':', Cat.Letter, Cat.Other],
  ['~', Cat.Space, Cat.Active],
  [' ', Cat.Ignored, Cat.Space],
  ['\t', Cat.Ignored, Cat.Space],
  ['\n', Cat.Ignored, Cat.Eol],
];

function setCategories(p: Processor, isOn: boolean): void {
  const table = CATEGORIES.reduce(
    (before, [char, within, outside]) =>
      withCategory(before, char.charCodeAt(0), isOn ? within : outside),
    p.categories,
  );
  p.setCategories(table);
}

/** Reads names of the layer from here on, or no longer. */
export function explSyntax(it: Interpreter, isOn: boolean): void {
  if (it.read(IN_FORCE) === isOn) return;
  it.write(IN_FORCE, isOn);
  setCategories(it.p, isOn);
}

const SAMPLE = '\\ExplSyntaxOn \\int_eval:n { 2 + 3 } \\ExplSyntaxOff';

/** Commands that are there without the package: they load it. */
export const layerCommands = (load: (it: Interpreter) => void): readonly CommandEntry[] => [
  {
    name: 'ExplSyntaxOn',
    signature: '',
    description: 'The programming layer begins: names with _ and :, blanks without effect.',
    example: SAMPLE,
    run: (it) => {
      load(it);
      explSyntax(it, true);
    },
  },
  {
    name: 'ExplSyntaxOff',
    signature: '',
    description: 'The programming layer ends.',
    example: SAMPLE,
    run: (it) => explSyntax(it, false),
  },
  ...['Package', 'Class', 'File'].map((kind): CommandEntry => ({
    name: `ProvidesExpl${kind}`,
    signature: 'mmmm',
    description: 'What a file in the programming layer is; the layer begins.',
    example: '',
    run: (it) => {
      load(it);
      explSyntax(it, true);
    },
  })),
];
