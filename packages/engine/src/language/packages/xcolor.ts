import { sourceCommand } from '../machine/macroEntry';
import { textOf } from '../../expansion/tokenText';
import { type Args, type CommandEntry, type PackageEntry, tokensOf } from '../machine/entries';
import { COLOUR_OPTIONS, colourOf, definedColour, isColour } from '../scanning/colours';
import { box } from '../constructs/boxes';
import type { MathReader } from '../machine/mathReader';
import type { Interpreter } from '../machine/interpreter';
import type { Token } from '../../expansion/meaning';
import type { MathNode } from '../../document/math';
import { veiled } from '../machine/overlays';
import { OWN } from '../machine/ownNames';
import { CELLS } from '../machine/cells';
import { COLOUR_LISTS, type ColourList } from '../../base/colourNames';

const optional = (arg: readonly Token[] | null | boolean | undefined): readonly Token[] | null =>
  Array.isArray(arg) ? (arg as Token[]) : null;

/** What is drawn around signs has the reader's colour from here on. */
const colourNode = (reader: MathReader, token: Token): MathNode => ({
  kind: 'colour',
  color: reader.color,
  ...reader.span(token),
});

/** The colour that the arguments say, as far as it is seen here. */
const seenIn = ({ it }: MathReader, args: Args): number =>
  veiled(it, colourOf(it, optional(args[0]), tokensOf(args, 1)));

const SIGNS: ReadonlySet<MathNode['kind']> = new Set(['symbol', 'operator', 'space', 'text']);

/** A box with a ground, and a frame if asked. */
function coloredBox(
  it: Interpreter,
  text: readonly Token[],
  background: number,
  frame: number | null,
): void {
  const inlines = it.inlinesOf(text);
  const rule = frame === null ? 0 : it.dimen('fboxrule');
  const padding = it.dimen('fboxsep');
  const framed = { rule, padding, background, ...(frame === null ? {} : { color: frame }) };
  it.add(box(it, inlines, { frame: framed }));
}

const inMath =
  (name: string): NonNullable<CommandEntry['math']> =>
  (reader, token) => ({
    kind: 'text',
    inlines: reader.it.inlinesOf([
      reader.p.command(name),
      ...readGroups(reader, token, name === 'fcolorbox' ? 3 : 2),
    ]),
    ...reader.span(token),
  });

function readGroups(reader: MathReader, token: Token, count: number): Token[] {
  const { p } = reader;
  return Array.from({ length: count }, () => [
    p.make(1, '{'),
    ...reader.argument(token),
    p.make(2, '}'),
  ]).flat();
}

/** `\definecolor[type]{name}{model}{values}`. */
const defining = (name: string, description: string, once: boolean): CommandEntry => ({
  name,
  signature: 'ommm',
  description,
  example: `\\${name}{brass}{HTML}{B08D57}`,
  run: (it, args) => {
    const own = textOf(it.p, tokensOf(args, 1)).trim();
    if (once && isColour(it, own)) return;
    it.write(definedColour(own), colourOf(it, tokensOf(args, 2), tokensOf(args, 3)), true);
  },
});

const commands: readonly CommandEntry[] = [
  {
    name: 'colorbox',
    signature: 'omM',
    description: 'Text on a coloured ground.',
    example: '\\colorbox{yellow}{tide}',
    run: (it, args) =>
      coloredBox(it, tokensOf(args, 2), colourOf(it, optional(args[0]), tokensOf(args, 1)), null),
    math: inMath('colorbox'),
  },
  {
    name: 'fcolorbox',
    signature: 'ommM',
    description: 'Text on a coloured ground in a coloured frame.',
    example: '\\fcolorbox{red}{yellow}{tide}',
    run: (it, args) => {
      const model = optional(args[0]);
      const [frame, ground] = [
        colourOf(it, model, tokensOf(args, 1)),
        colourOf(it, model, tokensOf(args, 2)),
      ];
      coloredBox(it, tokensOf(args, 3), ground, frame);
    },
    math: inMath('fcolorbox'),
  },
  {
    name: 'normalcolor',
    signature: '',
    description: 'The ordinary colour of the document.',
    example: '\\normalcolor',
    run: (it) => it.changeFont({ color: 0 }),
    math: () => null,
  },
  {
    name: 'colorlet',
    signature: 'omom',
    description: 'Another name for a colour or a mix.',
    example: '\\colorlet{shoal}{yellow!30}',
    run: (it, args) =>
      it.write(
        definedColour(textOf(it.p, tokensOf(args, 1)).trim()),
        colourOf(it, null, tokensOf(args, 3)),
        true,
      ),
  },
  {
    name: 'pagecolor',
    signature: 'om',
    description: 'The colour of the paper, from this page on.',
    example: '\\pagecolor{yellow!10}',
    run: (it, args) => {
      const colour = colourOf(it, optional(args[0]), tokensOf(args, 1));
      const [red, green, blue] = [colour >> 16, (colour >> 8) & 255, colour & 255];
      it.execute(it.source(`\\@paintpaper{\\color[RGB]{${red},${green},${blue}}}`));
    },
  },
  {
    name: 'nopagecolor',
    signature: '',
    description: 'Paper is white again.',
    example: '\\pagecolor{yellow!10}\\nopagecolor',
    run: (it) => it.execute(it.source('\\@paintpaper{}')),
  },

  {
    name: 'color',
    signature: 'om',
    description: 'The colour from here to the end of the group.',
    example: '{\\color{blue} tide}',
    run: (it, args) => it.changeFont({ color: colourOf(it, optional(args[0]), tokensOf(args, 1)) }),
    math: (reader, token) => {
      const args = reader.it.readArguments('om', token);
      if (args) reader.color = seenIn(reader, args);
      return colourNode(reader, token);
    },
  },
  {
    name: 'textcolor',
    signature: 'omM',
    description: 'Text in a colour.',
    example: '\\textcolor{red}{tide}',
    run: (it, args) => {
      const color = colourOf(it, optional(args[0]), tokensOf(args, 1));
      it.startParagraph();
      it.openGroup({ kind: 'semisimple', span: it.p.place });
      it.changeFont({ color });
      it.p.push([...tokensOf(args, 2), it.p.command(OWN.closeGroup)]);
    },
    math: (reader, token) => {
      const outer = reader.color;
      const args = reader.it.readArguments('om', token);
      if (args) reader.color = seenIn(reader, args);
      const before = colourNode(reader, token);
      const body = reader.field(token);
      reader.color = outer;
      // Signs bear their colour; only what is drawn around them asks for it.
      if (body.every(({ kind }) => SIGNS.has(kind))) return body;
      return {
        kind: 'group',
        cls: 'ord',
        limits: false,
        body: [before, ...body],
        ...reader.span(token),
      };
    },
  },
  defining('definecolor', 'A colour of your own.', false),
  defining('providecolor', 'A colour of your own, unless it is there.', true),
];

/** xcolor manual, section 2.5. */
const MORE = String.raw`
\providecommand\definecolorset[4]{\def\xc@model{#1}\def\xc@head{#2}\def\xc@tail{#3}\xc@set#4;;}
\def\xc@set#1;{\def\xc@a{#1}\ifx\xc@a\@empty\else\xc@each#1,\@nil\expandafter\xc@set\fi}
\def\xc@each#1,#2,\@nil{\edef\xc@do{\noexpand\definecolor{\xc@head#1\xc@tail}{\xc@model}{#2}}\xc@do}
\providecommand\providecolorset[4]{\definecolorset{#1}{#2}{#3}{#4}}\providecommand\selectcolormodel[1]{}\providecommand\substitutecolormodel[2]{}\providecommand\rowcolorsoff{}
`;

/** xcolor and color: coloured text. */
export const xcolor: PackageEntry = {
  name: 'xcolor',
  description: 'Coloured text, and colours of your own.',
  options: null,
  commands,
  described: [
    sourceCommand(
      'definecolorset',
      'mmmm',
      'Several colours at once.',
      '\\definecolorset{rgb}{}{}{ebb,0,0,1;flow,1,0,0}',
    ),
  ],
  source: MORE,
  setup: (it, options) => {
    const said = [...options, ...(it.read(CELLS.classOptions) ?? [])].flatMap((option) =>
      option.split(/[={},\s]+/),
    );
    const before = it.read(COLOUR_OPTIONS);
    const lists = (Object.keys(COLOUR_LISTS) as ColourList[]).filter(
      (one) => before.includes(one) || said.includes(one),
    );
    it.write(COLOUR_OPTIONS, lists, true);
    if (said.includes('table')) loadColorTables(it);
  },
};
export const color: PackageEntry = { ...xcolor, name: 'color' };

/** The option `table` brings the package of coloured tables along. */
function loadColorTables(it: Interpreter): void {
  it.execute(it.source('\\RequirePackage{colortbl}'));
}
