import { PT } from '../../base/lengths';
import type { Inline, TextInline } from '../../document/inlines';
import { type CommandEntry, type PackageEntry, tokensOf } from '../machine/entries';
import { decorate } from '../constructs/kernelCommands';
import { colourOf } from '../scanning/colours';
import { textOf } from '../../expansion/tokenText';
import type { Interpreter } from '../machine/interpreter';
import { cell } from '../../expansion/cells';

const under = (name: string, rise: number, what: string): CommandEntry => ({
  name,
  signature: 'M',
  description: what,
  example: `\\${name}{high water}`,
  package: 'soul',
  run: (it, args) =>
    decorate(it, tokensOf(args, 0), { rise: Math.round(rise * it.font.size), thickness: 0.4 * PT }),
});

/** Letters set apart by a quarter of an em, words by more (soul manual, defaults of `\so`). */
function spaced(it: Interpreter, inlines: readonly Inline[]): Inline[] {
  const gap = Math.round(0.25 * it.font.size);
  return inlines.flatMap((inline): Inline[] => {
    if (inline.kind === 'space')
      return [
        {
          kind: 'glue',
          glue: {
            width: Math.round(0.65 * it.font.size),
            stretch: 0,
            stretchOrder: 0,
            shrink: 0,
            shrinkOrder: 0,
          },
          from: inline.from,
          to: inline.to,
        },
      ];
    if (inline.kind !== 'text') return [inline];
    return [...inline.text].flatMap((char, i, all): Inline[] => {
      const letter: TextInline = { ...inline, text: char };
      const kern: Inline = { kind: 'kern', width: gap, from: inline.from, to: inline.to };
      return i < all.length - 1 ? [letter, kern] : [letter];
    });
  });
}

/** The ground of highlighted words; null is yellow. */
const HIGHLIGHT = cell<number | null>('hlcolor', null);

/** soul: spaced out, underlined and highlighted words. */
export const soul: PackageEntry = {
  name: 'soul',
  description: 'Words spaced out, underlined, struck out, highlighted.',
  options: null,
  commands: [
    under('ul', -0.25, 'Words with a line under them.'),
    under('st', 0.22, 'Words with a line through them.'),
    {
      name: 'hl',
      signature: 'M',
      description: 'Words on a coloured ground.',
      example: '\\hl{high water}',
      package: 'soul',
      run: (it, args) => {
        const own = it.read(HIGHLIGHT);
        decorate(it, tokensOf(args, 0), {
          rise: Math.round(-0.3 * it.font.size),
          thickness: Math.round(1.1 * it.font.size),
          color: own ?? 0xffff00,
          behind: true,
        });
      },
    },
    {
      name: 'sethlcolor',
      signature: 'm',
      description: 'The colour behind highlighted words.',
      example: '\\sethlcolor{yellow}',
      package: 'soul',
      run: (it, args) => it.write(HIGHLIGHT, colourOf(it, null, tokensOf(args, 0))),
    },
    {
      name: 'so',
      signature: 'M',
      description: 'Words with their letters set apart.',
      example: '\\so{high water}',
      package: 'soul',
      run: (it, args) => {
        it.startParagraph();
        for (const inline of spaced(it, it.inlinesOf(tokensOf(args, 0)))) it.add(inline);
      },
    },
    {
      name: 'caps',
      signature: 'M',
      description: 'Small capitals.',
      example: '\\caps{High water}',
      package: 'soul',
      macro: '\\textsc{#1}',
    },
    {
      name: 'setul',
      signature: 'mm',
      description: 'Depth and thickness of lines.',
      example: '\\setul{1pt}{.4pt}',
      package: 'soul',
      run: (it, args) => void textOf(it.p, tokensOf(args, 0)),
    },
  ],
};
