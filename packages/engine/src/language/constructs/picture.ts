import { PT, type Sp } from '../../base/lengths';
import { translation, type Point } from '../../base/maps';
import { arcSegments, ellipse, polyline, rectangle, type Path } from '../../base/paths';
import { filled, solidStroke, stroked, type Mark, type PathStyle } from '../../document/drawing';
import type { Inline } from '../../document/inlines';
import { cell } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { textOf } from '../../expansion/tokenText';
import { type Args, type CommandEntry, type EnvironmentEntry, tokensOf } from '../machine/entries';
import { InlineList } from '../machine/inlineList';
import { CELLS } from '../machine/cells';
import type { Interpreter } from '../machine/interpreter';
import type { Mode } from '../machine/modes';
import { splitAt } from '../scanning/optionLists';
import { dimenOf } from '../scanning/dimenOf';

/** The thickness of lines in pictures (`\thinlines`, `\linethickness`). */
const LINE_WIDTH = cell<Sp>('picturelines', 0.4 * PT);

/** A picture that has begun: what it takes up, its lower left corner, what was put in it, the mode around it. */
interface OpenPicture {
  readonly size: Point;
  readonly corner: Point;
  readonly marks: Mark[];
  readonly outer: Mode;
}
const PICTURE = cell<OpenPicture | null>('picture', null);
/** Is it in what is put into a picture? */
const WITHIN = cell<boolean>('withinput', false);
const NO_ROOM = { left: 0, right: 0, low: 0, high: 0 };

/** `(x,y)` in units of `\unitlength`; null when it does not stand here. */
function pair(it: Interpreter): Point | null {
  if (!it.p.takeChar('(')) return null;
  const tokens: Token[] = [];
  let depth = 0;
  for (let t = it.p.next(); t !== null && (depth > 0 || t.text !== ')'); t = it.p.next()) {
    if (t.cat === Cat.Begin) depth++;
    else if (t.cat === Cat.End) depth--;
    tokens.push(t);
  }
  const [x = [], y = []] = splitAt(tokens, ',');
  return { x: numberOf(it, x), y: numberOf(it, y) };
}

/** A number of units; a length is one too (LaTeX's picture commands since 2020). */
function numberOf(it: Interpreter, tokens: readonly Token[]): number {
  const text = textOf(it.p, tokens).trim();
  const number = Number(text);
  if (Number.isFinite(number)) return number;
  const length = /^[-+\d.\s]*[a-z]{2}$|^[-+\s]*$/.test(text) ? dimenOf(it, tokens) : 0;
  return length / (it.dimen('unitlength') || PT);
}

const scaled = (it: Interpreter, { x, y }: Point): Point => {
  const unit = it.dimen('unitlength');
  return { x: Math.round(x * unit), y: Math.round(y * unit) };
};

/** A length in braces, in units of `\unitlength`. */
function unitsOf(it: Interpreter, tokens: readonly Token[]): Sp {
  const number = parseFloat(textOf(it.p, tokens));
  return Number.isFinite(number) ? Math.round(number * it.dimen('unitlength')) : 0;
}

const pen = (it: Interpreter): PathStyle =>
  stroked(solidStroke(it.read(LINE_WIDTH), it.font.color));

/** Paths at the place where they stand; they take no room (LaTeX's picture commands). */
function draw(it: Interpreter, paths: readonly (readonly [Path, PathStyle])[]): void {
  const { from, to } = it.p.place;
  const marks = paths.map(([path, style]): Mark => ({ kind: 'path', path, style, from, to }));
  it.add({ kind: 'drawing', marks, bounds: NO_ROOM, from, to });
}

/** How long and how wide half the head of a vector is, in pt: as those of LaTeX's line font. */
const HEAD = { length: 4 * PT, half: 1.4 * PT };

/** A line in a direction, so long that it reaches `length` across, or up where it is upright. */
function line(it: Interpreter, direction: Point, length: Sp, hasHead: boolean): void {
  const { x, y } = direction;
  if (x === 0 && y === 0) return;
  const share = length / Math.abs(x === 0 ? y : x);
  const end = { x: x * share, y: y * share };
  const whole = Math.hypot(end.x, end.y);
  const along = { x: end.x / whole, y: end.y / whole };
  const back = hasHead ? Math.min(whole, HEAD.length / 2) : 0;
  const stop = { x: end.x - along.x * back, y: end.y - along.y * back };
  const side = (sign: number): Point => ({
    x: end.x - along.x * HEAD.length - sign * along.y * HEAD.half,
    y: end.y - along.y * HEAD.length + sign * along.x * HEAD.half,
  });
  const head = polyline([end, side(1), side(-1)], true);
  draw(it, [
    [polyline([{ x: 0, y: 0 }, stop]), pen(it)],
    ...(hasHead ? [[head, filled(it.font.color)] as const] : []),
  ]);
}

/** A rectangle with round corners about its middle; of a part of it (`[tl]`) only that is drawn. */
function oval(it: Interpreter, size: Point, part: string): void {
  const radius = Math.min(size.x, size.y, 40 * PT) / 2;
  const [right, top] = [size.x / 2, size.y / 2];
  const corners = [
    { quarter: 'tr', at: { x: right - radius, y: top - radius }, from: 0 },
    { quarter: 'tl', at: { x: radius - right, y: top - radius }, from: 90 },
    { quarter: 'bl', at: { x: radius - right, y: radius - top }, from: 180 },
    { quarter: 'br', at: { x: right - radius, y: radius - top }, from: 270 },
  ];
  const edges: readonly Point[] = [
    { x: right, y: 0 },
    { x: 0, y: top },
    { x: -right, y: 0 },
    { x: 0, y: -top },
  ];
  const paths = corners.flatMap(({ quarter, at, from }, i): (readonly [Path, PathStyle])[] => {
    if ([...part].some((letter) => 'tblr'.includes(letter) && !quarter.includes(letter))) return [];
    const angle = (from * Math.PI) / 180;
    const start = { x: at.x + radius * Math.cos(angle), y: at.y + radius * Math.sin(angle) };
    const path: Path = [
      { kind: 'move', to: edges[i] as Point },
      { kind: 'line', to: start },
      ...arcSegments(at, radius, radius, from, from + 90),
      { kind: 'line', to: edges[(i + 1) % 4] as Point },
    ];
    return [[path, pen(it)]];
  });
  draw(it, paths);
}

/** A quadratic curve as a cubic one: its controls lie two thirds of the way to the one there is. */
const quadratic = (start: Point, control: Point, end: Point): Path => {
  const towards = ({ x, y }: Point): Point => ({
    x: x + (2 / 3) * (control.x - x),
    y: y + (2 / 3) * (control.y - y),
  });
  return [
    { kind: 'move', to: start },
    { kind: 'curve', from: towards(start), into: towards(end), to: end },
  ];
};

/** Puts something into the picture, its reference point at a place. */
function put(it: Interpreter, at: Point, inlines: readonly Inline[]): void {
  const mark: Mark = { kind: 'label', inlines, at, across: 0, up: null };
  if (it.read(WITHIN))
    return it.add({ kind: 'drawing', marks: [mark], bounds: NO_ROOM, ...it.p.place });
  const picture = it.environments.findLast(({ data }) => data.get(PICTURE))?.data.get(PICTURE);
  if (!picture) return inlines.forEach((inline) => it.add(inline));
  picture.marks.push(mark);
}

/** What is put: what is put within it counts from its place. */
function contents(it: Interpreter, tokens: readonly Token[]): readonly Inline[] {
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.write(WITHIN, true);
  const inlines = it.inlinesOf(tokens);
  it.closeGroup();
  return inlines;
}

const ALIGN: Readonly<Record<string, number>> = { l: 0, r: 1, b: 0, t: 1 };

/** `\makebox(w,h)[tl]{…}` and its kin: text in a rectangle, which may be drawn. */
function textBox(it: Interpreter, size: Point, position: string, text: readonly Token[]): Mark[] {
  const letters = [...position];
  const across = letters.find((c) => 'lr'.includes(c));
  const up = letters.find((c) => 'bt'.includes(c));
  const [x, y] = [across ? (ALIGN[across] ?? 0.5) : 0.5, up ? (ALIGN[up] ?? 0.5) : 0.5];
  const at = { x: x * size.x, y: y * size.y };
  return [{ kind: 'label', inlines: it.inlinesOf(text), at, across: x, up: y }];
}

const shapeCommand = (
  name: string,
  description: string,
  example: string,
  run: (it: Interpreter, args: Args, token: Token) => void,
  signature = '',
): CommandEntry => ({
  name,
  signature,
  description,
  example: `\\begin{picture}(20,20)\\put(10,10){${example}}\\end{picture}`,
  run,
});

/** Plain TeX's `\line{…}`: text spread over a line of its own. */
function plainLine(it: Interpreter): boolean {
  const next = it.p.nextNonBlank();
  if (next) it.p.unread(next);
  if (next?.cat !== 1) return false;
  it.p.push([it.p.command('hbox'), ...it.source('to\\hsize')]);
  return true;
}

const lineCommand = (name: 'line' | 'vector', description: string): CommandEntry =>
  shapeCommand(name, description, `\\${name}(1,1){8}`, (it, _args, token) => {
    const direction = pair(it);
    const args = it.readArguments('m', token);
    if (direction && args) line(it, direction, unitsOf(it, tokensOf(args, 0)), name === 'vector');
  });

/** A box of a given size in a picture: drawn around, dashed around, or not drawn. */
const boxCommand = (name: string, frame: 'none' | 'solid' | 'dashed', what: string): CommandEntry =>
  shapeCommand(
    name,
    what,
    `\\${name}${frame === 'dashed' ? '{1}' : ''}(8,6){ebb}`,
    (it, _args, token) => {
      const dash = frame === 'dashed' ? it.readArguments('m', token) : null;
      const size = scaled(it, pair(it) ?? { x: 0, y: 0 });
      const args = it.readArguments('om', token);
      if (!args) return;
      const { from, to } = it.p.place;
      const length = unitsOf(it, tokensOf(dash ?? [], 0));
      const style =
        frame === 'dashed'
          ? { ...solidStroke(it.read(LINE_WIDTH), it.font.color), dash: [length, length] }
          : null;
      const edges: Mark = {
        kind: 'path',
        path: rectangle(0, 0, size.x, size.y),
        style: style ? stroked(style) : pen(it),
        from,
        to,
      };
      const text = textBox(it, size, textOf(it.p, tokensOf(args, 0)), tokensOf(args, 1));
      const bounds = { left: 0, right: size.x, low: 0, high: size.y };
      it.add({
        kind: 'drawing',
        marks: [...(frame === 'none' ? [] : [edges]), ...text],
        bounds,
        from,
        to,
      });
    },
  );

/** Commands for drawing in a `picture`. Their numbers count in `\unitlength`. */
export const pictureCommands: readonly CommandEntry[] = [
  {
    name: 'put',
    signature: '',
    description: 'Puts something into a picture.',
    example: '\\begin{picture}(20,10)\\put(3,2){buoy}\\end{picture}',
    run: (it, _args, token) => {
      const at = pair(it);
      const args = it.readArguments('M', token);
      if (at && args) put(it, scaled(it, at), contents(it, tokensOf(args, 0)));
    },
  },
  {
    name: 'multiput',
    signature: '',
    description: 'Puts the same thing into a picture many times, a step apart.',
    example: '\\begin{picture}(20,10)\\multiput(0,0)(4,0){5}{\\circle*{1}}\\end{picture}',
    run: (it, _args, token) => {
      const at = pair(it);
      const step = pair(it);
      const args = it.readArguments('mM', token);
      if (!at || !step || !args) return;
      const times = Math.min(MOST_TIMES, parseInt(textOf(it.p, tokensOf(args, 0)), 10) || 0);
      const inlines = contents(it, tokensOf(args, 1));
      for (let i = 0; i < times; i++)
        put(it, scaled(it, { x: at.x + i * step.x, y: at.y + i * step.y }), inlines);
    },
  },
  {
    ...lineCommand('line', 'A line in a direction, as long across as the number says.'),
    instead: plainLine,
  },
  lineCommand('vector', 'An arrow in a direction, as long across as the number says.'),
  shapeCommand(
    'circle',
    'A circle by its diameter; with a star it is filled.',
    '\\circle{6}',
    (it, args) => {
      const radius = unitsOf(it, tokensOf(args, 1)) / 2;
      draw(it, [
        [
          ellipse({ x: 0, y: 0 }, radius, radius),
          args[0] === true ? filled(it.font.color) : pen(it),
        ],
      ]);
    },
    'sm',
  ),
  shapeCommand(
    'oval',
    'A rectangle with round corners, by width and height.',
    '\\oval(8,4)',
    (it, _args, token) => {
      const size = pair(it);
      const part = it.readArguments('o', token);
      if (size) oval(it, scaled(it, size), textOf(it.p, tokensOf(part ?? [], 0)));
    },
  ),
  {
    name: 'qbezier',
    signature: 'o',
    description: 'A curve from the first place to the third, drawn towards the second.',
    example: '\\begin{picture}(20,10)\\qbezier(0,0)(10,10)(20,0)\\end{picture}',
    run: (it) => {
      const [start, control, end] = [pair(it), pair(it), pair(it)];
      if (start && control && end)
        draw(it, [[quadratic(scaled(it, start), scaled(it, control), scaled(it, end)), pen(it)]]);
    },
  },
  ...(
    [
      ['thinlines', 0.4],
      ['thicklines', 0.8],
    ] as const
  ).map(([name, width]): CommandEntry => ({
    name,
    signature: '',
    description: `Lines of pictures are ${width} pt thick.`,
    example: `\\begin{picture}(10,10)\\${name}\\put(5,5){\\circle{6}}\\end{picture}`,
    run: (it) => it.write(LINE_WIDTH, width * PT),
  })),
  {
    name: 'linethickness',
    signature: 'm',
    description: 'How thick the lines of pictures are.',
    example: '\\begin{picture}(10,10)\\linethickness{1pt}\\put(5,5){\\circle{6}}\\end{picture}',
    run: (it, args) => it.write(LINE_WIDTH, dimenOf(it, tokensOf(args, 0))),
  },
  boxCommand('dashbox', 'dashed', 'Text in a rectangle of dashes.'),
];

/** A thing is put into a picture so often at most. */
const MOST_TIMES = 10_000;

/** What `\makebox` and `\framebox` do with a size in round brackets behind them; false when there is none. */
export function pictureBox(it: Interpreter, token: Token, framed: boolean): boolean {
  it.p.skipSpaces();
  const next = it.p.next();
  if (next) it.p.unread(next);
  if (next?.text !== '(' || next.cell !== null) return false;
  boxCommand(token.text, framed ? 'solid' : 'none', '').run?.(it, [], token);
  return true;
}

export const pictureEnvironment: EnvironmentEntry = {
  name: 'picture',
  signature: '',
  description: 'A drawing of lines, circles and text at places; its size in units of \\unitlength.',
  example:
    '\\begin{picture}(30,20)\n\\put(0,0){\\vector(1,0){30}}\n\\put(12,8){\\circle{8}}\n\\end{picture}',
  begin: (it) => {
    const size = scaled(it, pair(it) ?? { x: 0, y: 0 });
    const corner = scaled(it, pair(it) ?? { x: 0, y: 0 });
    it.startParagraph();
    const hlist = new InlineList(it.read(CELLS.divisions));
    const { data } = it.innermost;
    it.write(WITHIN, false);
    data.set(PICTURE, { size, corner, marks: [], outer: it.pushMode({ hlist, restricted: true }) });
  },
  end: (it) => {
    const { data, span } = it.innermost;
    const picture = data.get(PICTURE);
    if (!picture) return;
    const { size, corner, marks, outer } = picture;
    // Curves stand where they say; blanks between commands are nothing.
    const loose = it.popMode(outer).hlist?.finish() ?? [];
    const beside = loose
      .filter(({ kind }) => kind !== 'space')
      .map((inline): Mark => {
        return { kind: 'label', inlines: [inline], at: { x: 0, y: 0 }, across: 0, up: null };
      });
    it.add({
      kind: 'drawing',
      marks: [
        {
          kind: 'group',
          marks: [...beside, ...marks],
          map: translation(-corner.x, -corner.y),
          clip: null,
        },
      ],
      bounds: { left: 0, right: size.x, low: 0, high: size.y },
      from: span.from,
      to: it.p.place.to,
    });
  },
};
