import { PT, type Sp } from '../../base/lengths';
import type { Paint } from '../../base/paint';
import type { BlockNode } from '../../document/blocks';
import { type EnvironmentEntry, type PackageEntry, tokensOf } from '../machine/entries';
import { sourceCommand } from '../machine/macroEntry';
import type { Interpreter } from '../machine/interpreter';
import { passWrapped } from '../machine/wrapped';
import { beginColumn, endColumn } from '../machine/columns';
import { framedBlocks, type FrameShape, inPlainFrame } from '../constructs/framedBlocks';
import { beginBox, braced, endBox } from './colourBoxes';
import { colourOf, definedColour } from '../scanning/colours';
import { resumeAfterBlock } from '../machine/formulas';
import { cell } from '../../expansion/cells';

/** The left edge of what is framed. */
const LEFT = cell<Sp>('framedleft', 0);

/** How a kind stands: its rules at left, right, top and bottom, the room within, and its ground. */
interface Look {
  readonly rules: FrameShape['rules'];
  readonly room: FrameShape['room'];
  readonly ground: Paint | null;
  /** Does the ground stick out, so that the text stands in the measure (framed.sty, `shaded`)? */
  readonly bleeds: boolean;
}

/** Without the space and the penalty that a list leaves behind it. */
function unspacedEnd(blocks: readonly BlockNode[]): readonly BlockNode[] {
  const kinds = blocks.map(({ kind }) => kind);
  const end = kinds.findLastIndex((kind) => kind !== 'vspace' && kind !== 'penalty') + 1;
  return blocks.slice(0, end);
}

/** Paragraphs over the width of the text, with a frame or a ground. */
function boxed(name: string, what: string, lookOf: (it: Interpreter) => Look): EnvironmentEntry {
  return {
    name,
    signature: '',
    description: what,
    example: `${/shade/.test(name) ? '\\definecolor{shadecolor}{gray}{0.9}\n' : ''}\\begin{${name}}\nHigh water\n\\end{${name}}`,
    package: 'framed',
    begin: (it) => {
      it.endParagraph();
      passWrapped(it);
      const look = lookOf(it);
      const [left, right] = sidesOf(look);
      const out = look.bleeds ? 0 : left + right;
      it.innermost.data.set(LEFT, it.dimen('totalleftmargin') - (look.bleeds ? left : 0));
      beginColumn(it, it.dimen('linewidth') - out);
    },
    end: (it) => {
      const column = endColumn(it);
      const { width } = column;
      // `\par\unskip\endMakeFramed`: the room behind a list at the end is taken back.
      const blocks = unspacedEnd(column.blocks);
      const left = it.innermost.data.get(LEFT);
      const look = lookOf(it);
      const [before, after] = sidesOf(look);
      const shape: FrameShape = { ...look, arc: 0, frame: 0, titleGround: null };
      const space = { kind: 'vspace', glue: it.skip('topsep'), behaviour: 'merge' } as const;
      const [rule] = look.rules;
      const even = look.rules.every((one) => one === rule);
      const framed = even
        ? inPlainFrame(
            it,
            {
              rule,
              padding: look.room[0],
              ...(look.ground === null ? {} : { background: look.ground }),
            },
            { blocks, width },
            left,
          )
        : framedBlocks(it, shape, { blocks, left, width: width + before + after });
      it.mode.vlist.push(space, framed, space);
      it.afterEnvironment = resumeAfterBlock;
    },
  };
}

const sidesOf = ({ rules, room }: Look): readonly [Sp, Sp] => [
  rules[0] + room[0],
  rules[1] + room[1],
];
const four = (size: Sp): readonly [Sp, Sp, Sp, Sp] => [size, size, size, size];

const inFrame = (it: Interpreter): Look => ({
  rules: four(it.dimen('FrameRule')),
  room: four(it.dimen('FrameSep')),
  ground: null,
  bleeds: false,
});
const onGround =
  (sep: 'FrameSep' | 'fboxsep', bleeds: boolean) =>
  (it: Interpreter): Look => ({
    rules: four(0),
    room: four(it.dimen(sep)),
    ground: colourOf(it, null, it.source('shadecolor')),
    bleeds,
  });

/** framed: paragraphs in frames and on grounds. */
export const framed: PackageEntry = {
  name: 'framed',
  description: 'Paragraphs in a frame, on a coloured ground, or beside a bar.',
  options: null,
  requires: ['xcolor'],
  environments: [
    boxed('framed', 'Paragraphs in a frame.', inFrame),
    boxed('oframed', 'Paragraphs in a frame.', inFrame),
    boxed('shaded', 'Paragraphs on a coloured ground.', onGround('FrameSep', true)),
    boxed('shaded*', 'Paragraphs on a ground within the margins.', onGround('FrameSep', false)),
    boxed('snugshade', 'Paragraphs on a ground close around them.', onGround('fboxsep', true)),
    boxed(
      'snugshade*',
      'Paragraphs on a ground close around them, within the margins.',
      onGround('fboxsep', false),
    ),
    boxed('leftbar', 'Paragraphs beside a bar.', () => ({
      rules: [3 * PT, 0, 0, 0],
      room: [10 * PT, 0, 0, 0],
      ground: null,
      bleeds: false,
    })),
    {
      name: 'titled-frame',
      signature: 'm',
      description: 'Paragraphs in a frame with a title.',
      example: '\\begin{titled-frame}{Tides}\nHigh water\n\\end{titled-frame}',
      package: 'framed',
      begin: (it, args) =>
        beginBox(it, [
          ...it.source(
            `breakable,sharp corners,boxrule=2pt,colback=white,coltitle=${named(it, 'TFTitleColor', 'white')},colframe=${named(it, 'TFFrameColor', 'black')},title=`,
          ),
          ...braced(it, tokensOf(args, 0)),
        ]),
      end: endBox,
    },
  ],
  described: [
    sourceCommand(
      'MakeFramed',
      'm',
      'Begins paragraphs within what FrameCommand says.',
      '\\MakeFramed{\\advance\\hsize-\\width\\FrameRestore}Ebb\\endMakeFramed',
    ),
    sourceCommand('FrameCommand', 'm', 'What stands around paragraphs.', '\\FrameCommand{Ebb}'),
  ],
  source: String.raw`\newdimen\FrameRule\FrameRule=.4pt\newdimen\FrameSep\FrameSep=9pt\newdimen\OuterFrameSep
\newdimen\FRM@width\newsavebox\FRM@box
\def\FrameCommand{\setlength\fboxrule\FrameRule\setlength\fboxsep\FrameSep\fbox}
\def\FrameRestore{\linewidth\hsize}\def\FrameHeightAdjust{.6em}
\def\MakeFramed#1{\par\begingroup\sbox\FRM@box{\FrameCommand{\hbox{}}}\FRM@width\wd\FRM@box\let\width\FRM@width
 \begin{lrbox}{\FRM@box}\hsize\linewidth#1\begin{minipage}{\hsize}}
\def\endMakeFramed{\end{minipage}\end{lrbox}\par\addvspace\topsep\noindent\FrameCommand{\usebox\FRM@box}\par\endgroup\addvspace\topsep}
`,
};

/** A colour of the document by its name, or what stands in for it. */
const named = (it: Interpreter, name: string, otherwise: string): string =>
  it.read(definedColour(name)) === null ? otherwise : name;
