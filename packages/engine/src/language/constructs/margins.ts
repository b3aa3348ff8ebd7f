import { glue, type Sp } from '../../base/lengths';
import { cell } from '../../expansion/cells';
import type { MarginNote } from '../../document/blocks';
import type { Inline } from '../../document/inlines';
import type { Token } from '../../expansion/meaning';
import { setSkip } from '../../expansion/registers';
import { type Args, type CommandEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { narrow } from '../machine/columns';
import { dimenOf } from '../scanning/dimenOf';
import { box } from './boxes';

/** Notes go to the other margin. */
const REVERSED = cell('reversedmargins', false);

/** A note as a column of its own, its first line on the line it stands beside. */
function noteBox(it: Interpreter, tokens: readonly Token[]): Inline {
  const width = it.dimen('marginparwidth');
  const at = it.p.place;
  it.openGroup({ kind: 'semisimple', span: at });
  narrow(it, width);
  it.changeFont({ family: it.textFamily, series: 'medium', shape: 'upright' });
  setSkip(it.state, 'parskip', glue(0));
  const blocks = it.blocksOf(tokens);
  it.closeGroup();
  return { kind: 'parbox', blocks, width, valign: 'top', ...at };
}

/** Puts what is set beside the line that is being set, or beside the last one between paragraphs. */
export function putBeside(
  it: Interpreter,
  inline: Inline,
  { left = null, push, shift = 0 }: Pick<MarginNote, 'push'> & Partial<MarginNote>,
): void {
  const node: MarginNote = {
    kind: 'marginnote',
    inline,
    left,
    width: it.dimen('marginparwidth'),
    sep: it.dimen('marginparsep'),
    push,
    shift,
    reversed: it.read(REVERSED),
  };
  const migrant: Inline = { kind: 'migrant', node, ...it.p.place };
  if (it.mode.hlist !== null) {
    it.mode.hlist.add(migrant);
    return;
  }
  const spacing = { baselineSkip: glue(0), lineSkip: glue(0), lineSkipLimit: -0x3fffffff };
  const flat = box(it, [migrant], { vertical: { height: 0, depth: 0 } });
  it.mode.vlist.push({
    kind: 'loosebox',
    inline: flat,
    left: it.dimen('totalleftmargin'),
    spacing,
  });
}

const addNote = (it: Interpreter, args: Args, push: Sp | null, shift: Sp): void =>
  putBeside(it, noteBox(it, tokensOf(args, 1)), {
    left: Array.isArray(args[0]) ? noteBox(it, tokensOf(args, 0)) : null,
    push,
    shift,
  });

const side = (name: string, reversed: boolean, description: string): CommandEntry => ({
  name,
  signature: '',
  description,
  example: `\\${name} the gauge\\marginpar{Read at noon.}`,
  run: (it) => it.write(REVERSED, reversed),
});

/** Notes in the margin. */
export const marginCommands: readonly CommandEntry[] = [
  {
    name: 'marginpar',
    signature: 'oM',
    description: 'A note in the margin; in brackets what it is in the left one.',
    example: 'the gauge\\marginpar{Read at noon.}',
    run: (it, args) => addNote(it, args, it.dimen('marginparpush'), 0),
  },
  side('reversemarginpar', true, 'Notes go to the other margin.'),
  side('normalmarginpar', false, 'Notes go to the usual margin.'),
];

/** Package marginnote: notes that stay beside their line, moved by a length where one is given. */
export const marginNoteCommand: CommandEntry = {
  name: 'marginnote',
  signature: 'oMo',
  package: 'marginnote',
  description: 'A note in the margin that stays beside its line.',
  example: 'Tide\\marginnote{low}[2pt]',
  run: (it, args) => addNote(it, args, null, args[2] ? dimenOf(it, tokensOf(args, 2)) : 0),
};
