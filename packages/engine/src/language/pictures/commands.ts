import { startGraphics } from './startGraphics';
import { PT } from '../../base/lengths';
import { translation } from '../../base/maps';
import type { Mark } from '../../document/drawing';
import { formulaTokens } from '../machine/environmentTokens';
import { InlineList } from '../machine/inlineList';
import { CELLS } from '../machine/cells';
import { drawOnPaper } from '../machine/paper';
import { overlaySpec, showsOn } from '../machine/overlays';
import { tokensOf, type CommandEntry, type EnvironmentEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import type { LanguageCommand } from '../machine/reading';
import type { MathReader } from '../machine/mathReader';
import type { Mode } from '../machine/modes';
import { cell } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { splitAt } from '../scanning/optionLists';
import { ARITHMETIC } from './arithmeticCommands';
import { numberIn, placeOf } from './coordinates';
import { LIBRARY_COMMANDS } from './libraryCommands';
import { GRAPHICS, type Graphics, type PathMode } from './graphics';
import { define, withKeys, withStyle } from './keys';
import { readLoop, runLoop } from './loops';
import { DEFERRED, graphicsOf, LOCAL_BOXES, newPicture, PICTURE, TARGET } from './openPicture';
import { anchorOf, keepNodes } from './remembered';
import { readPath } from './pathReader';
import { readingOf } from './reading';
import { peek, takeGroup, takeOptions, upToSemicolon } from './scanPath';
import { wordsOf } from './words';
import { LIBRARIES, loadLibraries } from './libraries';
import { tellUnknownKeys } from '../scanning/unknownKeys';

/** Where the picture's baseline is asked for, and the mode around it. */
interface Frame {
  readonly outer: Mode;
  readonly baseline: string | null;
}
const NO_ROOM = { left: 0, right: 0, low: 0, high: 0 };
const FRAME = cell<Frame | null>('tikzframe', null);

/** The words behind `baseline=` in options; null when nothing says. */
function baselineIn(it: Interpreter, options: readonly Token[]): string | null {
  for (const part of splitAt(options, ',')) {
    const words = wordsOf(it, part);
    const found = /^baseline\s*(?:=\s*([\s\S]*))?$/.exec(words);
    if (found) return (found[1] ?? '0pt').replace(/^\{([\s\S]*)\}$/, '$1').trim();
  }
  return null;
}

/** Begins a picture in the group at hand. */
function begin(it: Interpreter, options: readonly Token[]): Frame {
  const hlist = new InlineList(it.read(CELLS.divisions));
  const outer = it.pushMode({ hlist, restricted: true, inMath: false });
  it.write(PICTURE, newPicture());
  for (const command of PATHS) it.state.set(it.state.cell(command.name), command);
  it.write(TARGET, null);
  it.write(LOCAL_BOXES, []);
  it.write(GRAPHICS, startGraphics(it.em, it.font.color));
  const reading = readingOf(it);
  let g = withStyle(reading, graphicsOf(it), 'every picture');
  g = withKeys(reading, g, options);
  it.write(GRAPHICS, g);
  reading.picture.isOverlay = g.mode.overlay;
  for (const tokens of reading.picture.atStart) it.execute(tokens);
  return { outer, baseline: baselineIn(it, options) };
}

/** Ends it: what was drawn, as one thing in the line around it. */
function end(
  it: Interpreter,
  { outer, baseline }: Frame,
  span: { from: number; to: number },
): void {
  const picture = it.read(PICTURE);
  const reading = readingOf(it);
  for (const tokens of reading.picture.atEnd) it.execute(tokens);
  const { bounds } = reading.picture;
  const lines = baseline === null ? null : heightOf(it, baseline);
  it.popMode(outer);
  if (!picture) return;
  const box = bounds.left > bounds.right ? { left: 0, right: 0, low: 0, high: 0 } : bounds;
  const marks: Mark[] = [...picture.behind, ...picture.marks];
  keepNodes(it, picture);
  if (picture.onPaper) {
    const drawing = { kind: 'drawing', marks, bounds: NO_ROOM, ...span } as const;
    return drawOnPaper(it, drawing, picture.overText);
  }
  const base = lines ?? box.low;
  if (picture.ownName !== null) it.add(anchorOf(it, picture.ownName, { x: -box.left, y: -base }));
  it.add({
    kind: 'drawing',
    marks: [{ kind: 'group', marks, map: translation(-box.left, -base), clip: null }],
    bounds: { left: 0, right: box.right - box.left, low: box.low - base, high: box.high - base },
    from: span.from,
    to: span.to,
  });
}

/** The height at which the baseline lies: of a place, or a length. */
function heightOf(it: Interpreter, words: string): number {
  const reading = readingOf(it);
  const inner = /^\(([\s\S]*)\)$/.exec(words);
  if (inner) return placeOf(reading, graphicsOf(it), inner[1] ?? '').at.y;
  return numberIn(reading, words).value * PT;
}

/** How an environment of pictures with this name is read in a formula: as a piece of text in it. */
export function pictureInMath(name: string): NonNullable<EnvironmentEntry['math']> {
  return (reader, token) => {
    const { it, p } = reader;
    const body = formulaTokens(reader, name, token);
    const edge = (command: string): Token[] => [
      p.command(command),
      p.make(Cat.Begin, '{'),
      ...p.chars(name),
      p.make(Cat.End, '}'),
    ];
    const inlines = it.inlinesOf([...edge('begin'), ...body, ...edge('end')]);
    return { kind: 'text', inlines, ...reader.span(token) };
  };
}

export const pictureEnvironment: EnvironmentEntry = {
  name: 'tikzpicture',
  signature: '',
  package: 'tikz',
  description: 'A picture described in text: lines, curves, nodes with words.',
  example:
    '\\begin{tikzpicture}\n\\draw[->] (0,0) -- (2,1) node[right] {buoy};\n\\end{tikzpicture}',
  begin: (it) => {
    const options = takeOptions({ it }) ?? [];
    it.startParagraph();
    it.innermost.data.set(FRAME, begin(it, options));
  },
  end: (it) => {
    const { data, span } = it.innermost;
    const frame = data.get(FRAME);
    if (frame) end(it, frame, { from: span.from, to: it.p.place.to });
  },
  math: pictureInMath('tikzpicture'),
};

/** `\begin{scope}[…]`: what is said in it holds to its end. */
const scope: EnvironmentEntry = {
  name: 'scope',
  signature: '',
  package: 'tikz',
  description: 'Part of a picture with options of its own.',
  example:
    '\\begin{tikzpicture}\n\\begin{scope}[thick]\\draw (0,0) -- (1,0);\\end{scope}\n\\end{tikzpicture}',
  begin: (it) => {
    const reading = readingOf(it);
    const g = withStyle(reading, graphicsOf(it), 'every scope');
    it.write(GRAPHICS, withKeys(reading, g, takeOptions({ it }) ?? []));
  },
  end: () => undefined,
};

/** `pgfonlayer`: what is drawn in it lies behind, when its layer does. */
const layer: EnvironmentEntry = {
  name: 'pgfonlayer',
  signature: 'm',
  package: 'tikz',
  description: 'What is drawn on a layer of the picture.',
  example:
    '\\begin{tikzpicture}\n\\begin{pgfonlayer}{background}\\fill[yellow] (0,0) circle (1);\\end{pgfonlayer}\n\\end{tikzpicture}',
  begin: (it, args) => {
    const g = graphicsOf(it);
    const behind = /back/.test(wordsOf(it, tokensOf(args, 0)));
    it.write(GRAPHICS, { ...g, mode: { ...g.mode, behind } });
  },
  end: () => undefined,
};
export const pictureEnvironments: readonly EnvironmentEntry[] = [pictureEnvironment, scope, layer];

const path = (
  name: string,
  mode: Partial<PathMode>,
  description: string,
  example: string,
  first: 'node' | 'coordinate' | 'matrix' | 'pic' | null = null,
): CommandEntry => ({
  name,
  signature: '',
  package: 'tikz',
  description,
  example: `\\begin{tikzpicture}\n${example}\n\\end{tikzpicture}`,
  yields: true,
  run: (it, _args, command) => {
    const waiting = it.read(DEFERRED);
    if (waiting) return void waiting.push([command, ...upToSemicolon(it)]);
    // On slides a path may be said to be there on some steps only.
    const steps = it.read(CELLS.overlay) === null ? null : overlaySpec(it);
    if (steps !== null && !showsOn(it, steps)) return void upToSemicolon(it);
    const reading = readingOf(it);
    if (!it.read(PICTURE)) it.p.report('picture-outside', it.spanOf(command), { name });
    readPath({ it, reading, command }, graphicsOf(it), mode, first);
  },
});

/** `\tikz[…]{…}`, or up to a `;`: a picture in the line. */
function small(it: Interpreter, token: Token): void {
  const options = takeOptions({ it }) ?? [];
  const start = it.spanOf(token);
  if (!it.mode.hlist) it.startParagraph();
  const body = peek({ it })?.cat === Cat.Begin ? (takeGroup({ it }) ?? []) : upToSemicolon(it);
  it.openGroup({ kind: 'semisimple', span: start });
  const frame = begin(it, options);
  it.execute(body);
  end(it, frame, { from: start.from, to: Math.max(start.to, it.p.place.to) });
  it.closeGroup();
}
/** `\tikzset{…}`: styles for what follows, and keys for the picture at hand. */
function set(it: Interpreter, tokens: readonly Token[]): void {
  const reading = readingOf(it);
  const inPicture = it.read(PICTURE) !== null;
  const g: Graphics = graphicsOf(it);
  const after = withKeys(reading, g, tokens);
  if (inPicture) return it.write(GRAPHICS, after);
  // Outside pictures plain keys hold for all that follow.
  const plain = splitAt(tokens, ',').filter((part) => {
    const words = part
      .map((t) => t.text)
      .join('')
      .trim();
    return (
      !/^(?:declare function\b.*)?$/.test(words) &&
      !/\/\.[a-z]/.test(words.split('=')[0] ?? '') &&
      !/\.cd$/.test(words)
    );
  });
  if (plain.length > 0) {
    const comma = it.p.chars(',');
    define(
      reading,
      'every picture',
      'append style',
      plain.flatMap((part, i) => (i === 0 ? part : [...comma, ...part])),
    );
  }
}

/** Paths, whose names mean them within pictures alone. */
const paths: readonly CommandEntry[] = [
  path('draw', { draw: true }, 'Draws a line along a path.', '\\draw[thick,->] (0,0) -- (2,1);'),
  path(
    'path',
    {},
    'A path with which only its options do something.',
    '\\path[draw] (0,0) -- (2,1);',
  ),
  path('fill', { fill: true }, 'Fills what a path encloses.', '\\fill[blue!20] (0,0) circle (1);'),
  path(
    'filldraw',
    { draw: true, fill: true },
    'Fills and draws a path.',
    '\\filldraw[fill=blue!20] (0,0) circle (1);',
  ),
  path(
    'clip',
    { clip: true },
    'Only what lies within the path is drawn from here on.',
    '\\clip (0,0) circle (1);\\fill[blue!20] (0,0) rectangle (2,2);',
  ),
  path(
    'shade',
    { shade: true },
    'Fills a path with a colour that runs into another.',
    '\\shade[top color=blue!30,bottom color=white] (0,0) rectangle (2,1);',
  ),
  path(
    'shadedraw',
    { shade: true, draw: true },
    'Shades and draws a path.',
    '\\shadedraw (0,0) rectangle (2,1);',
  ),
  path(
    'pattern',
    { pattern: 'north east lines' },
    'Fills a path with a pattern.',
    '\\pattern[pattern=dots] (0,0) rectangle (2,1);',
  ),
  path(
    'useasboundingbox',
    { asBounds: true },
    'The picture takes up as much room as this path.',
    '\\useasboundingbox (0,0) rectangle (2,1);',
  ),
  path(
    'node',
    {},
    'Words at a place, with a shape around them.',
    '\\node[draw,circle] (A) at (0,0) {$A$};',
    'node',
  ),
  path(
    'coordinate',
    {},
    'A name for a place.',
    '\\coordinate (A) at (1,1);\\draw (0,0) -- (A);',
    'coordinate',
  ),
  path(
    'matrix',
    {},
    'Nodes in rows and columns.',
    '\\matrix[matrix of math nodes,column sep=5mm] { a & b \\\\ c & d \\\\ };',
    'matrix',
  ),
  path(
    'pic',
    {},
    'The mark of an angle, or a small picture of your own.',
    '\\coordinate (A) at (2,0);\\coordinate (B) at (0,0);\\coordinate (C) at (1,1);\\draw (A) -- (B) -- (C);\\pic[draw] {angle=A--B--C};',
    'pic',
  ),
];
const PATHS = paths.map((entry): LanguageCommand => ({ kind: 'command', name: entry.name, entry }));

/** Commands of pictures. */
export const pictureCommands: readonly CommandEntry[] = [
  ...paths,
  {
    name: 'tikz',
    signature: '',
    package: 'tikz',
    description: 'A small picture in the line.',
    example: '\\tikz \\draw (0,0) circle (1ex);',
    run: (it, _args, token) => small(it, token),
    math: (reader, token) => inFormula(reader, token),
  },
  {
    name: 'tikzset',
    signature: 'm',
    package: 'tikz',
    description: 'Sets keys and defines styles for the pictures that follow.',
    example: '\\tikzset{lamp/.style={draw,circle,fill=yellow}}\\tikz \\node[lamp] {};',
    run: (it, args) => {
      set(it, tokensOf(args, 0));
    },
  },
  {
    name: 'tikzstyle',
    signature: '',
    package: 'tikz',
    description: 'Defines a style, in the old way.',
    example: '\\tikzstyle{lamp}=[draw,circle]\\tikz \\node[lamp] {};',
    run: (it) => {
      const name = wordsOf(it, takeGroup({ it }) ?? []);
      const plus = it.p.takeChar('+');
      it.p.takeChar('=');
      define(readingOf(it), name, plus ? 'append style' : 'style', takeOptions({ it }) ?? []);
    },
  },
  {
    name: 'usetikzlibrary',
    signature: 'm',
    package: 'tikz',
    description: 'Loads libraries of pictures: their keys are here already.',
    example: '\\usetikzlibrary{arrows.meta,calc}',
    run: (it, args) => {
      tellUnknownKeys(it, tokensOf(args, 0), LIBRARIES);
      loadLibraries(it, wordsOf(it, tokensOf(args, 0)));
    },
  },
  {
    name: 'foreach',
    signature: '',
    package: 'tikz',
    description: 'Does something for each thing of a list.',
    example: '\\foreach \\n in {1,...,4} {$\\n^2$ }',
    run: (it) => {
      const reading = readingOf(it);
      const loop = readLoop({ it }, reading);
      if (loop) runLoop(it, loop, reading);
    },
  },
  {
    name: 'pgfdeclarelayer',
    signature: 'm',
    package: 'tikz',
    description: 'A layer to draw on.',
    example: '\\pgfdeclarelayer{background}',
    run: () => undefined,
  },
  {
    name: 'pgfsetlayers',
    signature: 'm',
    package: 'tikz',
    description: 'The order of layers.',
    example: '\\pgfsetlayers{background,main}',
    run: () => undefined,
  },
  ...LIBRARY_COMMANDS,
  ...ARITHMETIC,
];

/** A small picture within a formula is a piece of text in it. */
function inFormula(reader: MathReader, token: Token) {
  const { it } = reader;
  return {
    kind: 'text' as const,
    inlines: it.inlinesBy(() => small(it, token)),
    ...reader.span(token),
  };
}
