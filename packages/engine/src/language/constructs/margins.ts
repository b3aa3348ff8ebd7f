import { glue, type Sp } from '../../base/lengths';
import type { BoxInline, Inline } from '../../document/inlines';
import { type CommandEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { setSkip } from '../../expansion/registers';
import { box } from './boxes';
import { narrow } from '../machine/columns';

/** A note beside the line it is met on: a box without width, hung out to the right margin. */
function marginNote(
  it: Interpreter,
  tokens: readonly Parameters<Interpreter['execute']>[0][number][],
): Inline {
  const width = it.dimen('marginparwidth');
  const at = it.p.place;
  it.openGroup({ kind: 'semisimple', span: at });
  narrow(it, width);
  it.changeFont({ family: it.textFamily, series: 'medium', shape: 'upright' });
  setSkip(it.state, 'parskip', glue(0));
  const blocks = it.blocksOf(tokens);
  it.closeGroup();
  const note: Inline = { kind: 'parbox', blocks, width, valign: 'top', ...at };
  return box(it, [note], { width: 0, align: 'left', vertical: { height: 0, depth: 0 } });
}

/** How far from here the margin is, when the paragraph is as wide as the text: told by glue that fills the line. */
function hung(it: Interpreter, note: Inline): Inline {
  const gap: Sp = it.dimen('marginparsep');
  const at = it.p.place;
  const boxed = box(it, [{ kind: 'kern', width: gap, ...at }, note], { width: 0, align: 'left' });
  return { ...(boxed as BoxInline), vertical: { height: 0, depth: 0 } };
}

/** Notes in the margin. */
export const marginCommands: readonly CommandEntry[] = [
  {
    name: 'marginpar',
    signature: 'oM',
    description: 'A note in the margin.',
    example: 'the gauge\\marginpar{Read at noon.}',
    run: (it, args) => {
      const note = hung(it, marginNote(it, tokensOf(args, 1)));
      const at = it.p.place;
      if (it.mode.hlist === null) {
        const spacing = { baselineSkip: glue(0), lineSkip: glue(0), lineSkipLimit: -0x3fffffff };
        const left = it.dimen('textwidth');
        it.mode.vlist.push({
          kind: 'loosebox',
          inline: box(it, [note], { vertical: { height: 0, depth: 0 } }),
          left,
          spacing,
        });
        return;
      }
      it.mode.hlist.add({
        kind: 'migrant',
        node: {
          kind: 'marginnote',
          inline: note,
          left: it.dimen('linewidth') + it.dimen('totalleftmargin'),
        },
        ...at,
      });
    },
  },
  {
    name: 'reversemarginpar',
    signature: '',
    description: 'Notes go to the other margin.',
    example: '\\reversemarginpar',
    run: () => undefined,
  },
  {
    name: 'normalmarginpar',
    signature: '',
    description: 'Notes go to the usual margin.',
    example: '\\normalmarginpar',
    run: () => undefined,
  },
];
