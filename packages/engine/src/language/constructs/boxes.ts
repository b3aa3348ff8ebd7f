import type { BlockNode } from '../../document/blocks';
import type { BoxInline, Inline, Leader } from '../../document/inlines';
import { FILL, PT, type Sp } from '../../base/lengths';
import { scanDimen, takeKeyword } from '../../expansion/scan';
import { readOptional } from '../../expansion/arguments';
import type { Token } from '../../expansion/meaning';
import { type Args, type CommandEntry, type EnvironmentEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import type { MathReader } from '../machine/mathReader';
import { setCounter } from '../machine/counters';
import { minipageNotes } from './footnotes';
import { dimenOf } from '../scanning/dimenOf';
import { endColumn, beginColumn, narrow } from '../machine/columns';
import { cell, ownName } from '../../expansion/cells';
import { pictureBox } from './picture';

type BoxChange = Partial<Omit<BoxInline, 'kind' | 'inlines'>>;

export function box(it: Interpreter, inlines: readonly Inline[], change: BoxChange): BoxInline {
  return {
    kind: 'box',
    inlines,
    width: null,
    align: 'center',
    raise: 0,
    hidden: false,
    frame: null,
    grow: false,
    ...it.p.place,
    ...change,
  };
}

export const frameOf = (it: Interpreter) => ({
  rule: it.dimen('fboxrule'),
  padding: it.dimen('fboxsep'),
  color: it.font.color,
});

const ALIGNMENTS: Readonly<Record<string, BoxInline['align']>> = {
  l: 'left',
  c: 'center',
  r: 'right',
  s: 'fill',
};

/** `\\width` and its kin stand for the size of the contents while `read` runs. */
export function withSizes<T>(it: Interpreter, inlines: readonly Inline[], read: () => T): T {
  const size = it.host.measure(inlines);
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  const values = { ...size, totalheight: size.height + size.depth };
  for (const [name, value] of Object.entries(values)) {
    const storage = it.state.register('dimen', ownName(`size:${name}`));
    it.state.set(storage, value);
    it.state.set(it.state.cell(name), { kind: 'register', type: 'dimen', storage });
  }
  const result = read();
  it.closeGroup();
  return result;
}

function sized(it: Interpreter, args: Args, framed: boolean): BoxInline {
  const inlines = it.inlinesOf(tokensOf(args, 2));
  const frame = framed ? frameOf(it) : null;
  const edge = frame ? 2 * (frame.rule + frame.padding) : 0;
  const width = args[0]
    ? withSizes(it, inlines, () => dimenOf(it, tokensOf(args, 0))) - edge
    : null;
  const letter = tokensOf(args, 1)[0]?.text ?? 'c';
  const align = ALIGNMENTS[letter] ?? 'center';
  return box(it, inlines, { width, align, frame });
}

const filler = (
  name: string,
  description: string,
  leader: (it: Interpreter) => Leader,
): CommandEntry => ({
  name,
  signature: '',
  description,
  example: `Name: \\${name}`,
  run: (it) => {
    it.add({
      kind: 'glue',
      glue: { ...FILL, stretchOrder: 2 },
      leader: leader(it),
      ...it.p.place,
    });
    // `\kern\z@`: at the end of a line it is not dropped.
    it.add({ kind: 'kern', width: 0, ...it.p.place });
  },
});

/** Inside a formula the same box is a piece of text. */
const inFormula =
  (make: (it: Interpreter, tokens: readonly Token[]) => Inline) =>
  (reader: MathReader, token: Token) => ({
    kind: 'text' as const,
    inlines: [make(reader.it, reader.argument(token))],
    ...reader.span(token),
  });

/** An argument read in a formula, put back between its braces. */
function groupTokens(reader: MathReader, token: Token): Token[] {
  const { p } = reader;
  return [p.make(1, '{'), ...reader.argument(token), p.make(2, '}')];
}

function optionalTokens(reader: MathReader): Token[] {
  const { p } = reader;
  const own = readOptional(p);
  return own ? [...p.chars('['), ...own, ...p.chars(']')] : [];
}

const simple = (
  name: string,
  description: string,
  make: (it: Interpreter, tokens: readonly Token[]) => Inline,
): CommandEntry => ({
  name,
  signature: 'M',
  description,
  example: `\\${name}{ferry}`,
  run: (it, args) => it.add(make(it, tokensOf(args, 0))),
  math: inFormula(make),
});

/** Boxes on one line, and rules. */
export const boxCommands: readonly CommandEntry[] = [
  simple('mbox', 'Text that is never broken over lines.', (it, t) => box(it, it.inlinesOf(t), {})),
  simple('fbox', 'Text in a frame.', (it, t) => box(it, it.inlinesOf(t), { frame: frameOf(it) })),
  {
    name: 'makebox',
    signature: 'ooM',
    description: 'Text in a box of a given width.',
    example: '\\makebox[2cm][l]{ebb}',
    run: (it, args) => it.add(sized(it, args, false)),
    instead: (it, token) => pictureBox(it, token, false),
  },
  {
    name: 'framebox',
    signature: 'ooM',
    description: 'Text in a framed box of a given width.',
    example: '\\framebox[2cm]{ebb}',
    run: (it, args) => it.add(sized(it, args, true)),
    instead: (it, token) => pictureBox(it, token, true),
  },
  {
    name: 'raisebox',
    signature: 'mooM',
    description:
      'Text raised above the line; lengths in brackets are taken for its height and depth.',
    example: '\\raisebox{1ex}{ebb}',
    run: (it, args) => {
      const inlines = it.inlinesOf(tokensOf(args, 3));
      const [raise, height, depth] = withSizes(it, inlines, (): [Sp, Sp | null, Sp | null] => [
        dimenOf(it, tokensOf(args, 0)),
        args[1] ? dimenOf(it, tokensOf(args, 1)) : null,
        args[2] ? dimenOf(it, tokensOf(args, 2)) : null,
      ]);
      const vertical = args[1] ? { vertical: { height, depth } } : {};
      it.add(box(it, [box(it, inlines, { raise })], vertical));
    },
  },
  {
    name: 'rule',
    signature: 'omm',
    description: 'A rule of a width and a height.',
    example: '\\rule{2cm}{0.4pt}',
    run: (it, args) => {
      const lift = args[0] ? dimenOf(it, tokensOf(args, 0)) : 0;
      const width = dimenOf(it, tokensOf(args, 1));
      const height = dimenOf(it, tokensOf(args, 2));
      it.add({
        kind: 'rule',
        width,
        height: height + lift,
        depth: -lift,
        color: it.font.color,
        ...it.p.place,
      });
    },
    math: (reader, token) => {
      const inlines = reader.it.inlinesOf([
        token,
        ...optionalTokens(reader),
        ...groupTokens(reader, token),
        ...groupTokens(reader, token),
      ]);
      return { kind: 'text', inlines, ...reader.span(token) };
    },
  },
  filler('hrulefill', 'A rule that fills the rest of the line.', (it) => ({
    kind: 'rule',
    height: it.dimen('fboxrule'),
    depth: 0,
    color: it.font.color,
  })),
  filler('dotfill', 'Dots that fill the rest of the line.', (it) => ({
    kind: 'box',
    inlines: it.inlinesOf(it.p.chars('.')),
    width: Math.round(0.44 * it.font.size),
  })),
  {
    name: 'hrule',
    signature: '',
    description: 'A rule across the text.',
    example: '\\hrule',
    run: (it) => {
      const { width, height, depth } = ruleSizes(it);
      const left = it.dimen('totalleftmargin');
      const high = (height ?? 0.4 * PT) + (depth ?? 0);
      it.addBlock({
        kind: 'rule',
        width: width ?? it.dimen('linewidth'),
        height: high,
        left,
        color: it.font.color,
        running: width === null,
      });
    },
  },
  {
    name: 'vrule',
    signature: '',
    description: 'An upright rule in the line.',
    example: 'a \\vrule\\ b',
    run: (it) => {
      const { width, height, depth } = ruleSizes(it);
      const line = it.skip('baselineskip').width;
      it.add({
        kind: 'rule',
        width: width ?? 0.4 * PT,
        height: height ?? 0.7 * line,
        depth: depth ?? 0.3 * line,
        ...(height !== null && depth !== null
          ? {}
          : { running: { height: height === null, depth: depth === null } }),
        color: it.font.color,
        ...it.p.place,
      });
    },
    math: (reader, token) => {
      const { width, height, depth } = ruleSizes(reader.it);
      const rule = {
        kind: 'rule' as const,
        width: width ?? 0.4 * PT,
        height: height ?? 8 * PT,
        depth: depth ?? 3 * PT,
      };
      return { kind: 'text', inlines: [{ ...rule, ...reader.span(token) }], ...reader.span(token) };
    },
  },
  {
    name: 'parbox',
    signature: 'ooomM',
    description: 'A paragraph in a box of a given width.',
    example: '\\parbox{4cm}{High water at noon.}',
    run: (it, args) => it.add(parboxCommand(it, args)),
    math: (reader, token) => {
      const args = reader.it.readArguments('ooomM', token);
      if (!args) return null;
      return { kind: 'text', inlines: [parboxCommand(reader.it, args)], ...reader.span(token) };
    },
  },
];

function parboxCommand(it: Interpreter, args: Args): Inline {
  const position = tokensOf(args, 0)[0]?.text ?? 'c';
  const height = args[1] ? dimenOf(it, tokensOf(args, 1)) : null;
  const inner = tokensOf(args, 2)[0]?.text ?? position;
  const width = dimenOf(it, tokensOf(args, 3));
  const made = parbox(it, width, position, () => it.blocksOf(tokensOf(args, 4)));
  return made.kind === 'parbox' ? { ...made, height, inner: INNER[inner] ?? 'top' } : made;
}

/** `width`, `height` and `depth` behind `\\hrule` and `\\vrule`, in any order. */
export function ruleSizes(it: Interpreter): {
  width: Sp | null;
  height: Sp | null;
  depth: Sp | null;
} {
  const sizes: { width: Sp | null; height: Sp | null; depth: Sp | null } = {
    width: null,
    height: null,
    depth: null,
  };
  for (;;) {
    const name = (['width', 'height', 'depth'] as const).find((n) => takeKeyword(it.p, n));
    if (!name) return sizes;
    sizes[name] = scanDimen(it.p);
  }
}

const INNER: Readonly<Record<string, 'top' | 'center' | 'bottom' | 'stretch'>> = {
  t: 'top',
  c: 'center',
  b: 'bottom',
  s: 'stretch',
};

const VALIGN: Readonly<Record<string, 'top' | 'center' | 'bottom'>> = {
  t: 'top',
  c: 'center',
  b: 'bottom',
};

function parbox(
  it: Interpreter,
  width: Sp,
  position: string,
  fill: () => readonly BlockNode[],
): Inline {
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  narrow(it, width);
  const blocks = fill();
  it.closeGroup();
  const { size } = it.font;
  const valign = VALIGN[position] ?? 'center';
  return { kind: 'parbox', blocks, width, valign, size, ...it.p.place };
}

/** How high a minipage is to be, and where its line and its contents stand in it. */
const PLACEMENT = cell<{
  readonly position: string;
  readonly height: Sp | null;
  readonly inner: string;
}>('minipageplacement', { position: 'c', height: null, inner: 'c' });

export const minipage: EnvironmentEntry = {
  name: 'minipage',
  signature: 'ooom',
  description: 'A small page of a given width.',
  example: '\\begin{minipage}{4cm}\nHigh water at noon.\n\\end{minipage}',
  begin: (it, args) => {
    const width = dimenOf(it, tokensOf(args, 3));
    const height = args[1] ? dimenOf(it, tokensOf(args, 1)) : null;
    it.startParagraph();
    const position = tokensOf(args, 0)[0]?.text ?? 'c';
    const inner = tokensOf(args, 2)[0]?.text ?? position;
    it.innermost.data.set(PLACEMENT, { position, height, inner });
    beginColumn(it, width);
    setCounter(it.state, 'mpfootnote', 0);
    it.skipBlanks();
  },
  end: (it) => {
    it.endParagraph();
    const notes = minipageNotes(it, it.innermost);
    const { position, height, inner } = it.innermost.data.get(PLACEMENT);
    const column = endColumn(it);
    const { width } = column;
    const blocks = [...column.blocks, ...notes];
    const valign = VALIGN[position] ?? 'center';
    it.add({
      kind: 'parbox',
      blocks,
      width,
      valign,
      size: it.font.size,
      height,
      inner: INNER[inner] ?? 'top',
      ...it.p.place,
    });
  },
};
