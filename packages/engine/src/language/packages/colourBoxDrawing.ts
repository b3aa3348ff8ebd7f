import { PT, type Sp } from '../../base/lengths';
import { translation } from '../../base/maps';
import { withOpacity } from '../../base/paint';
import { rectangle, type Bounds } from '../../base/paths';
import type { Span } from '../../base/spans';
import type { Framed } from '../../document/blocks';
import { solidStroke, stroked, type Mark } from '../../document/drawing';
import type { DrawingInline, Inline } from '../../document/inlines';
import { labelMark, pathMark, roundedBox } from '../constructs/framedBlocks';
import type { Interpreter } from '../machine/interpreter';
import { boxLook, MM, STANDARD_BOX, type BoxLook } from './colourBoxLook';

type BoundedDrawing = DrawingInline & { readonly bounds: Bounds };
const ALL = { top: true, bottom: true };

/** A box around what was set: its frame, its ground, its title above. Lower left corner at the origin. */
export function drawnBox(
  it: Interpreter,
  look: BoxLook,
  inner: readonly Inline[],
  width: Sp,
): BoundedDrawing {
  const at = it.p.place;
  const { height, depth } = it.host.measure(inner);
  const [left, right, top, bottom] = look.rules;
  const attached = attachedTitle(it, look, width);
  const [roomLeft, , top_, bottom_] = look.room;
  const roomTop = top_ + (attached?.top ? attached.overlap : 0);
  const roomBottom = bottom_ + (attached && !attached.top ? attached.overlap : 0);
  const title = look.title === null || attached ? null : titleOf(it, look, width);
  const body = height + depth + roomTop + roomBottom;
  const head = title ? title.size : 0;
  const whole = body + head + top + bottom;
  const both = { top: true, bottom: true };
  const marks: Mark[] = shadowOf(look, width, whole, at);
  const hasFrame = [left, right, top, bottom].some((rule) => rule > 0) || title !== null;
  if (hasFrame)
    marks.push(pathMark(roundedBox(0, 0, width, whole, look.arc, both), look.frame, at));
  const inset = Math.max(0, look.arc - left);
  marks.push(
    pathMark(
      roundedBox(left, bottom, width - left - right, body, inset, {
        top: title === null,
        bottom: true,
      }),
      look.ground,
      at,
    ),
  );
  if (title && look.titleGround !== null)
    marks.push(
      pathMark(
        roundedBox(left, bottom + body, width - left - right, head, inset, {
          top: true,
          bottom: false,
        }),
        look.titleGround,
        at,
      ),
    );
  if (title)
    marks.push(labelMark(title.inlines, { x: left + roomLeft, y: bottom + body + title.base }));
  marks.push(...bordersOf(look, width, whole, at));
  marks.push(labelMark(inner, { x: left + roomLeft, y: bottom + roomBottom + depth }));
  const bounds = { left: 0, right: width, low: 0, high: whole };
  if (attached) {
    const y = attached.top ? whole - attached.overlap : attached.overlap - attached.size;
    marks.push(labelMark([attached.inline], { x: attached.x, y }));
    bounds.high = Math.max(whole, y + attached.size);
    bounds.low = Math.min(0, y);
  }
  return { kind: 'drawing', marks, bounds, ...at };
}

/** The title set in its colour, over the width of the text. */
export function titleOf(it: Interpreter, look: BoxLook, width: Sp) {
  const [left, right] = look.rules;
  const [roomLeft, roomRight] = look.room;
  const room = width - left - right - roomLeft - roomRight;
  const { p } = it;
  const inlines = it.inlinesBy(() => {
    it.changeFont({ color: look.titleWords });
    it.execute([
      ...it.source(`\\parbox{${room / PT}pt}`),
      p.make(1, '{'),
      ...it.source('\\raggedright\\strut '),
      ...look.titleFont,
      it.p.command('relax'),
      ...(look.title ?? []),
      ...it.source('\\strut'),
      p.make(2, '}'),
    ]);
  });
  const { height, depth } = it.host.measure(inlines);
  const pad = 1.5 * PT;
  return { inlines, size: height + depth + 2 * pad, base: depth + pad };
}

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
  if (!attached || title === null) return null;
  const own = boxLook(it, titleLook(look), look.titleKeys);
  const words = it.inlinesBy(() => {
    it.changeFont({ color: own.words ?? look.titleWords });
    it.execute([...it.source('\\strut '), ...look.titleFont, it.p.command('relax'), ...title]);
  });
  const [left, right] = own.rules;
  const natural = it.host.measure(words).width + own.room[0] + own.room[1] + left + right;
  const inline = drawnBox(it, { ...own, title: null, attached: null }, words, natural);
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
  return borderlines.flatMap(({ edges, width: thick, offset, paint }): Mark[] => {
    if (edges === 'nesw') {
      const inset = offset + thick / 2;
      const radius = Math.max(0, arc - inset);
      const path = roundedBox(inset, inset, width - 2 * inset, height - 2 * inset, radius, ALL);
      return [{ kind: 'path', path, style: stroked(solidStroke(thick, paint)), ...at }];
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

/** The look of a box that goes on over pages: a line at the left alone is its left rule there. */
export function asBreakable(look: BoxLook): BoxLook {
  const west = look.borderlines.find(({ edges }) => edges.includes('w'));
  if (!west || look.rules.some((rule) => rule > 0)) return look;
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
  const down = rules[3] + room[3] + it.host.measure(inner).depth;
  const { low, high } = drawing.bounds;
  return {
    ...drawing,
    marks: [{ kind: 'group', marks: drawing.marks, map: translation(0, -down), clip: null }],
    bounds: { ...drawing.bounds, low: low - down, high: high - down },
  };
}
