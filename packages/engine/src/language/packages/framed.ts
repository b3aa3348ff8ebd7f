import { PT, type Sp } from '../../base/lengths';
import type { EnvironmentEntry, PackageEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { beginColumn, endColumn } from '../machine/columns';
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
      const { rule, padding } = look(it);
      it.innermost.data.set(LEFT, it.dimen('totalleftmargin'));
      beginColumn(it, it.dimen('linewidth') - 2 * (rule + padding));
    },
    end: (it) => {
      const { blocks, width } = endColumn(it);
      const at = it.p.place;
      const inner = {
        kind: 'parbox' as const,
        blocks,
        width,
        valign: 'top' as const,
        ...at,
      };
      it.mode.vlist.push({ kind: 'vspace', glue: it.skip('topsep'), behaviour: 'merge' });
      it.mode.vlist.push({
        kind: 'loosebox',
        left: it.innermost.data.get(LEFT),
        inline: {
          kind: 'box',
          inlines: [inner],
          width: null,
          align: 'left',
          raise: 0,
          hidden: false,
          frame: look(it),
          grow: false,
          ...at,
        },
        spacing: {
          baselineSkip: it.skip('baselineskip'),
          lineSkip: it.skip('lineskip'),
          lineSkipLimit: 0,
        },
      });
      it.mode.vlist.push({ kind: 'vspace', glue: it.skip('topsep'), behaviour: 'merge' });
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
