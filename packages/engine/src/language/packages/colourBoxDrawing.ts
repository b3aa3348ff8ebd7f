import { PT, type Sp } from '../../base/lengths';
import { translation } from '../../base/maps';
import { blended, withOpacity, type Paint } from '../../base/paint';
import { polyline, rectangle, type Bounds } from '../../base/paths';
import type { Span } from '../../base/spans';
import type { Framed } from '../../document/blocks';
import { solidStroke, stroked, type Mark } from '../../document/drawing';
import type { DrawingInline, Inline } from '../../document/inlines';
import { labelMark, outline, pathMark, roundedBox } from '../constructs/framedBlocks';
import type { Interpreter } from '../machine/interpreter';
import type { Token } from '../../expansion/meaning';
import { boxLook } from './colourBoxKeys';
import { MM, STANDARD_BOX, type BoxLook } from './colourBoxLook';

type BoundedDrawing = DrawingInline & { readonly bounds: Bounds };
const ALL = { top: true, bottom: true };

/** What a box holds, and of its text so much that stands below `\tcblower`; null for none, or none of another look. */
export interface Held {
  readonly inner: readonly Inline[];
  readonly lower: Sp | null;
}

/** A box around what was set: its frame, its ground, its title above. Lower left corner at the origin. */
export function drawnBox(
  it: Interpreter,
  look: BoxLook,
  { inner, lower }: Held,
  width: Sp,
): BoundedDrawing {
  const at = it.p.place;
  const { height, depth } = it.host.measure(inner);
  const { ground: back, frame } = paintsOf(look);
  const [left, right, top, bottom] = look.rules;
  const attached = attachedTitle(it, look, width);
  const [roomLeft, , top_, bottom_] = look.room;
  const roomTop = top_ + (attached?.top ? attached.overlap : 0);
  const roomBottom = bottom_ + (attached && !attached.top ? attached.overlap : 0);
  const title =
    look.title === null || !look.titleShown || attached ? null : titleOf(it, look, width);
  const head = title ? title.size : 0;
  const natural = height + depth + roomTop + roomBottom;
  const body = Math.max(natural, (look.height ?? 0) - head - top - bottom);
  const whole = body + head + top + bottom;
  const free = body - natural;
  const raise = look.valign === 'bottom' ? 0 : look.valign === 'center' ? free / 2 : free;
  const marks: Mark[] = shadowOf(look, width, whole, at);
  const hasFrame = [left, right, top, bottom].some((rule) => rule > 0) || title !== null;
  const round = (x: Sp, y: Sp, w: Sp, h: Sp, arc: Sp, corners: typeof ALL) =>
    roundedBox(x, y, w, h, arc, corners, look.corners);
  const inset = Math.max(0, look.arc - left);
  const within = width - left - right;
  const isSquare = arcOf(look) === 0;
  if (isSquare && title === null && back !== null && hasFrame) {
    marks.push(pathMark(rectangle(0, 0, width, whole), back, at));
    marks.push(...outline({ rules: look.rules, frame }, width, whole, ALL, at));
  } else if (hasFrame && back !== null && !look.jigsaw)
    marks.push(pathMark(round(0, 0, width, whole, look.arc, ALL), frame, at));
  else if (hasFrame) marks.push(...frameAlone(look, width, whole, head, at));
  if (back !== null && !(isSquare && title === null && hasFrame)) {
    const ground = round(left, bottom, within, body, inset, { top: title === null, bottom: true });
    marks.push(pathMark(ground, back, at));
  }
  if (lower !== null && look.lower.ground !== null) {
    const low = lower + roomBottom + LOWER_GAP / 2;
    const ground = round(left, bottom, within, low, inset, { top: false, bottom: true });
    marks.push(pathMark(ground, look.lower.ground, at));
  }
  if (title && look.titleGround !== null)
    marks.push(
      pathMark(
        round(left, bottom + body + look.titleRule, within, head - look.titleRule, inset, TOP_ONLY),
        titlePaint(look, look.titleGround),
        at,
      ),
    );
  const node = { width, whole, body, head, left, right, bottom };
  marks.push(...pictureOver(it, look.underlay, node));
  if (look.watermark.length > 0) marks.push(...watermarkOf(it, look, node));
  if (title)
    marks.push(labelMark(title.inlines, { x: left + roomLeft, y: bottom + body + title.base }));
  marks.push(...bordersOf(look, width, whole, at));
  marks.push(labelMark(inner, { x: left + roomLeft, y: bottom + roomBottom + depth + raise }));
  const bounds = { left: 0, right: width, low: 0, high: whole };
  if (attached) {
    const y = attached.top ? whole - attached.overlap : attached.overlap - attached.size;
    marks.push(labelMark([attached.inline], { x: attached.x, y }));
    bounds.high = Math.max(whole, y + attached.size);
    bounds.low = Math.min(0, y);
  }
  marks.push(...pictureOver(it, look.overlay, node));
  return { kind: 'drawing', marks, bounds, ...at };
}

/** Ground and frame with their opacities; what shows through has nothing of the frame beneath it. */
function paintsOf({ ground, frame, opacity }: BoxLook): { ground: Paint | null; frame: Paint } {
  return {
    ground: ground === null ? null : withOpacity(ground, opacity.back),
    frame: withOpacity(frame, opacity.frame),
  };
}

/** The ground of a title; nothing of the frame lies beneath it where the pieces of the box do not overlap. */
const titlePaint = ({ jigsaw, opacity }: BoxLook, ground: Paint): Paint =>
  jigsaw && opacity.title < 1
    ? blended(ground, 0xffffff, opacity.title)
    : withOpacity(ground, opacity.title);

const TOP_ONLY = { top: true, bottom: false };
/** Room between the two parts of a box. */
export const LOWER_GAP = 8 * PT;

/** The frame where nothing fills it: its rules, and the ground of a title. */
function frameAlone(look: BoxLook, width: Sp, whole: Sp, head: Sp, at: Span): Mark[] {
  const [left, , top] = look.rules;
  const inset = left / 2;
  const path = roundedBox(
    inset,
    inset,
    width - 2 * inset,
    whole - 2 * inset,
    Math.max(0, look.arc - inset),
    ALL,
    look.corners,
  );
  const stroke: Mark = { kind: 'path', path, style: stroked(solidStroke(left, look.frame)), ...at };
  const ground = roundedBox(
    0,
    whole - head - top,
    width,
    head + top,
    look.arc,
    TOP_ONLY,
    look.corners,
  );
  return [...(left > 0 ? [stroke] : []), ...(head > 0 ? [pathMark(ground, look.frame, at)] : [])];
}

/** The measures of a box, its lower left corner at the origin. */
interface BoxNode {
  readonly width: Sp;
  readonly whole: Sp;
  readonly body: Sp;
  readonly head: Sp;
  readonly left: Sp;
  readonly right: Sp;
  readonly bottom: Sp;
}

const pt = (length: Sp): string => `${(length / PT).toFixed(4)}pt`;

/** A node of a picture that is as large as a part of the box. */
const nodeOf = (name: string, x: Sp, y: Sp, width: Sp, height: Sp): string =>
  `\\node[rectangle,anchor=south west,inner sep=0pt,outer sep=0pt,minimum width=${pt(width)},minimum height=${pt(height)}](${name}) at (${pt(x)},${pt(y)}) {};`;

/** A picture drawn over a box, whose parts are nodes in it: `frame`, `interior`, `title` (manual, section 10). */
function pictureOver(it: Interpreter, code: readonly Token[], box: BoxNode): Mark[] {
  if (code.length === 0) return [];
  const { width, whole, body, head, left, right, bottom } = box;
  const inlines = it.inlinesOf([
    ...it.source(
      `\\begin{tikzpicture}[overlay]${nodeOf('frame', 0, 0, width, whole)}${nodeOf('interior', left, bottom, width - left - right, body)}${nodeOf('title', left, bottom + body, width - left - right, head)}`,
    ),
    ...code,
    ...it.source('\\end{tikzpicture}'),
  ]);
  return [labelMark(inlines, { x: 0, y: 0 })];
}

/** Words across the ground of a box, as large as it allows. */
function watermarkOf(it: Interpreter, look: BoxLook, box: BoxNode): Mark[] {
  const inlines = it.inlinesOf(look.watermark);
  const size = it.host.measure(inlines);
  const scale = Math.min(
    (0.75 * box.width) / Math.max(1, size.width),
    (0.75 * box.body) / Math.max(1, size.height + size.depth),
  );
  const colour = blended(look.frame, look.ground ?? 0xffffff, 0.25)
    .toString(16)
    .padStart(6, '0');
  return pictureOver(
    it,
    [
      ...it.source(
        `\\definecolor{tcb@mark}{HTML}{${colour.toUpperCase()}}\\node[scale=${Math.max(0.1, scale).toFixed(3)},text=tcb@mark] at (interior.center) {`,
      ),
      ...look.watermark,
      ...it.source('};'),
    ],
    box,
  );
}

const ALIGNMENTS: Readonly<Record<string, string>> = {
  center: '\\centering',
  'flush center': '\\centering',
  right: '\\raggedleft',
  'flush right': '\\raggedleft',
  left: '\\raggedright',
  'flush left': '\\raggedright',
};
/** How text stands that an option names; nothing for text from margin to margin. */
export const alignmentOf = (name: string): string => ALIGNMENTS[name] ?? '';

/** The title set in its colour, over the width of the text. */
export function titleOf(it: Interpreter, look: BoxLook, width: Sp) {
  const [left, right] = look.rules;
  const [roomLeft, roomRight] = look.room;
  const room = width - left - right - roomLeft - roomRight;
  const { p } = it;
  const inlines = inGroup(it, () => {
    it.changeFont({ color: look.titleWords });
    it.execute([
      ...it.source(`\\parbox{${room / PT}pt}`),
      p.make(1, '{'),
      ...it.source(`${alignmentOf(look.titleAlign) || '\\raggedright'}\\strut `),
      ...titleWords(it, look),
      ...it.source('\\strut'),
      p.make(2, '}'),
    ]);
  });
  const { height, depth } = it.host.measure(inlines);
  const pad = 1.5 * PT;
  const [above, below] = look.titleRoom;
  const size = height + depth + 2 * pad + above + below + look.titleRule;
  return { inlines, size, base: depth + pad + below + look.titleRule };
}

/** What an action gives on one line; what it changes of the type ends with it. */
function inGroup(it: Interpreter, action: () => void): readonly Inline[] {
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  const inlines = it.inlinesBy(action);
  it.closeGroup();
  return inlines;
}

/** The words of a title with what stands around them. */
export const titleWords = (it: Interpreter, look: BoxLook): Token[] => [
  ...look.titleFont,
  it.p.command('relax'),
  ...look.around['before title'],
  ...(look.title ?? []),
  ...look.around['after title'],
];

/** A title that is a box of its own: how wide and high, where it begins, how far it reaches into the box. */
interface Attached {
  readonly inline: BoundedDrawing;
  readonly size: Sp;
  readonly x: Sp;
  readonly overlap: Sp;
  readonly top: boolean;
}

/** The look of such a title before its own keys: the colours of titles, little room. */
const titleLook = (look: BoxLook): BoxLook => ({
  ...STANDARD_BOX,
  ground: look.titleGround ?? look.frame,
  frame: look.frame,
  words: look.titleWords,
  room: [2 * MM, 2 * MM, MM, MM],
});

/** The title as a box on the edge of its own; null when the look has none. */
function attachedTitle(it: Interpreter, look: BoxLook, width: Sp): Attached | null {
  const { attached, title } = look;
  if (!attached || title === null || !look.titleShown) return null;
  const own = boxLook(it, titleLook(look), look.titleKeys);
  const words = inGroup(it, () => {
    it.changeFont({ color: own.words ?? look.titleWords });
    it.execute([...it.source('\\strut '), ...titleWords(it, look)]);
  });
  const [left, right] = own.rules;
  const natural = it.host.measure(words).width + own.room[0] + own.room[1] + left + right;
  const inline = drawnBox(
    it,
    { ...own, title: null, attached: null },
    { inner: words, lower: null },
    natural,
  );
  const size = inline.bounds.high - inline.bounds.low;
  const [shift, up] = attached.shift;
  const free = width - natural;
  const x = (attached.align === 'left' ? 0 : attached.align === 'right' ? free : free / 2) + shift;
  const raised = up === 'half' ? -size / 2 : up;
  return { inline, size, x, overlap: attached.top ? -raised : raised, top: attached.top };
}

/** What lies below a box as its shadow: to the right and down; fuzzy, it fades towards its edge. */
function shadowOf(look: BoxLook, width: Sp, height: Sp, at: Span): Mark[] {
  if (look.shadow === 'none') return [];
  const layers = look.shadow === 'plain' ? [0] : [0.6, 0.3, 0, -0.3];
  const paint = withOpacity(0, look.shadow === 'plain' ? 0.4 : 0.14);
  return layers.map((share) => {
    const out = share * MM;
    const [x, y] = [0.8 * MM - out, -0.8 * MM - out];
    const arc = look.arc + Math.max(0, out);
    return pathMark(roundedBox(x, y, width + 2 * out, height + 2 * out, arc, ALL), paint, at);
  });
}

/** The lines beside the frame. */
function bordersOf({ borderlines, arc }: BoxLook, width: Sp, height: Sp, at: Span): Mark[] {
  return borderlines.flatMap(({ edges, width: thick, offset, paint, dash }): Mark[] => {
    const pen = stroked({ ...solidStroke(thick, paint), dash });
    if (edges === 'nesw') {
      const inset = offset + thick / 2;
      const radius = Math.max(0, arc - inset);
      const path = roundedBox(inset, inset, width - 2 * inset, height - 2 * inset, radius, ALL);
      return [{ kind: 'path', path, style: pen, ...at }];
    }
    if (dash.length > 0) {
      const [x, y] = [offset + thick / 2, height - offset - thick / 2];
      const lines = {
        w: [x, 0, x, height],
        e: [width - x, 0, width - x, height],
        s: [0, x, width, x],
        n: [0, y, width, y],
      };
      return [...edges].map((edge): Mark => {
        const [x1 = 0, y1 = 0, x2 = 0, y2 = 0] = lines[edge as keyof typeof lines];
        const path = polyline([
          { x: x1, y: y1 },
          { x: x2, y: y2 },
        ]);
        return { kind: 'path', path, style: pen, ...at };
      });
    }
    const sides = {
      w: rectangle(offset, 0, thick, height),
      e: rectangle(width - offset - thick, 0, thick, height),
      s: rectangle(0, offset, width, thick),
      n: rectangle(0, height - offset - thick, width, thick),
    };
    return [...edges].map((edge) => pathMark(sides[edge as keyof typeof sides], paint, at));
  });
}

/** How round its corners are, where any is. */
const arcOf = ({ arc, corners }: BoxLook): Sp => (Object.values(corners).includes(true) ? arc : 0);

/** The look of a box that goes on over pages: a line at the left alone is its left rule there. */
export function asBreakable(look: BoxLook): BoxLook {
  const west = look.borderlines.find(({ edges }) => edges.includes('w'));
  if (!west || look.rules.some((rule) => rule > 0)) return { ...look, arc: arcOf(look) };
  return { ...look, rules: [west.width, 0, 0, 0], frame: west.paint, arc: 0 };
}

/** A box that goes on over pages, with its title on its upper edge. */
export function withAttached(it: Interpreter, look: BoxLook, node: Framed, width: Sp): Framed {
  const title = attachedTitle(it, look, width);
  const { head } = node;
  if (!title || head.kind !== 'drawing' || !head.bounds) return node;
  const raised = { x: title.x, y: head.bounds.high - title.overlap };
  const marks = [...head.marks, labelMark([title.inline], raised)];
  const bounds = { ...head.bounds, high: Math.max(head.bounds.high, raised.y + title.size) };
  return { ...node, head: { ...head, marks, bounds } };
}

/** A box in the line, lowered so that its words stand on the baseline. */
export function onLine(
  it: Interpreter,
  { rules, room }: BoxLook,
  inner: readonly Inline[],
  drawing: BoundedDrawing,
): DrawingInline {
  return lowered(drawing, rules[3] + room[3] + it.host.measure(inner).depth);
}

/** A drawing moved down in its line. */
export function lowered(drawing: BoundedDrawing, down: Sp): DrawingInline {
  const { low, high } = drawing.bounds;
  return {
    ...drawing,
    marks: [{ kind: 'group', marks: drawing.marks, map: translation(0, -down), clip: null }],
    bounds: { ...drawing.bounds, low: low - down, high: high - down },
  };
}
