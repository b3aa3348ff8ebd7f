import { PT, type Sp } from '../../base/lengths';
import type { EnvironmentEntry, PackageEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { passWrapped } from '../machine/wrapped';
import { beginColumn, endColumn } from '../machine/columns';
import { inPlainFrame } from '../constructs/framedBlocks';
import { colourOf } from '../scanning/colours';
import { resumeAfterBlock } from '../machine/formulas';
import { cell } from '../../expansion/cells';

/** The left edge of what is framed. */
const LEFT = cell<Sp>('framedleft', 0);

/** A box over the width of the text around paragraphs, with a frame or a ground. */
function boxed(
  name: string,
  what: string,
  look: (it: Interpreter) => { rule: number; padding: number; background?: number },
): EnvironmentEntry {
  return {
    name,
    signature: '',
    description: what,
    example: `\\begin{${name}}\nHigh water\n\\end{${name}}`,
    package: 'framed',
    begin: (it) => {
      it.endParagraph();
      passWrapped(it);
      const { rule, padding } = look(it);
      it.innermost.data.set(LEFT, it.dimen('totalleftmargin'));
      beginColumn(it, it.dimen('linewidth') - 2 * (rule + padding));
    },
    end: (it) => {
      const column = endColumn(it);
      const left = it.innermost.data.get(LEFT);
      const space = { kind: 'vspace', glue: it.skip('topsep'), behaviour: 'merge' } as const;
      it.mode.vlist.push(space, inPlainFrame(it, look(it), column, left), space);
      it.afterEnvironment = resumeAfterBlock;
    },
  };
}

/** framed: paragraphs in frames and on grounds. */
export const framed: PackageEntry = {
  name: 'framed',
  description: 'Paragraphs in a frame, on a coloured ground, or beside a bar.',
  options: null,
  environments: [
    boxed('framed', 'Paragraphs in a frame.', (it) => ({
      rule: it.dimen('FrameRule'),
      padding: it.dimen('FrameSep'),
    })),
    boxed('oframed', 'Paragraphs in a frame.', (it) => ({
      rule: it.dimen('FrameRule'),
      padding: it.dimen('FrameSep'),
    })),
    boxed('shaded', 'Paragraphs on a coloured ground.', (it) => ({
      rule: 0,
      padding: it.dimen('FrameSep'),
      background: colourOf(it, null, it.source('shadecolor')) || 0xe6e6e6,
    })),
    boxed('snugshade', 'Paragraphs on a coloured ground, close around them.', (it) => ({
      rule: 0,
      padding: 3 * PT,
      background: colourOf(it, null, it.source('shadecolor')) || 0xe6e6e6,
    })),
    boxed('leftbar', 'Paragraphs beside a bar; it is set as a frame.', () => ({
      rule: 0,
      padding: 6 * PT,
    })),
  ],
  source:
    '\\newdimen\\FrameRule\\FrameRule=.4pt\\newdimen\\FrameSep\\FrameSep=9pt\\newdimen\\OuterFrameSep',
};
