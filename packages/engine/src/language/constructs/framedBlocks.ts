import { PT, type Sp } from '../../base/lengths';
import type { Paint } from '../../base/paint';
import { rectangle, type Path } from '../../base/paths';
import type { Span } from '../../base/spans';
import type { BlockNode, Framed } from '../../document/blocks';
import { filled, type Mark } from '../../document/drawing';
import type { DrawingInline, Inline } from '../../document/inlines';
import { rounded } from '../../drawing/curves';
import type { Interpreter } from '../machine/interpreter';
import { box } from './boxes';
import { veiledAround } from '../machine/overlays';

/** How a frame that goes on over pages looks. */
export interface FrameShape {
  readonly rules: readonly [left: Sp, right: Sp, top: Sp, bottom: Sp];
  /** Room within at left, right, top and bottom. */
  readonly room: readonly [left: Sp, right: Sp, top: Sp, bottom: Sp];
  readonly arc: Sp;
  readonly frame: Paint;
  readonly ground: Paint | null;
  readonly titleGround: Paint | null;
}

/** Words above what a frame holds: their size, and how far their baseline stands above its lower edge. */
export interface FrameTitle {
  readonly inlines: readonly Inline[];
  readonly size: Sp;
  readonly base: Sp;
}

/** Frames less high than so many lines stay whole. */
const WHOLE_LINES = 5;

/** Is a frame so high that it should go on over pages? */
export const isTall = (it: Interpreter, inner: Inline): boolean => {
  const { height, depth } = it.host.measure([inner]);
  return height + depth > WHOLE_LINES * it.skip('baselineskip').width;
};

/** A path with its corners rounded; only those named. */
export function roundedBox(
  x: Sp,
  y: Sp,
  width: Sp,
  height: Sp,
  arc: Sp,
  at: { top: boolean; bottom: boolean },
  only: RoundCorners = ALL_ROUND,
): Path {
  const path = rectangle(x, y, width, height);
  // The corners in the order of the path: its second, third and fourth, then the one it closes at.
  const order = ['sw', 'se', 'ne', 'nw', 'sw'] as const;
  const radii = path.map((_, i) => {
    const corner = order[i] ?? 'sw';
    return (corner.startsWith('n') ? at.top : at.bottom) && only[corner] ? arc : 0;
  });
  return rounded(path, radii);
}

/** Which corners of a box are round. */
export type RoundCorners = Readonly<Record<'nw' | 'ne' | 'sw' | 'se', boolean>>;
export const ALL_ROUND: RoundCorners = { nw: true, ne: true, sw: true, se: true };

export const pathMark = (path: Path, paint: number, { from, to }: Span): Mark => ({
  kind: 'path',
  path,
  style: filled(paint),
  from,
  to,
});

export const labelMark = (inlines: readonly Inline[], at: { x: Sp; y: Sp }): Mark => ({
  kind: 'label',
  inlines,
  at,
  across: 0,
  up: null,
});

const drawing = (marks: readonly Mark[], right: Sp, high: Sp, at: Span): DrawingInline => ({
  kind: 'drawing',
  marks,
  bounds: { left: 0, right, low: 0, high },
  ...at,
});

/** The ground of an edge reaches so far into the piece beside it: no seam shows. */
const SEAM = 0.3 * PT;

const TOP = { top: true, bottom: false };
const BOTTOM = { top: false, bottom: true };

function headOf(shape: FrameShape, width: Sp, title: FrameTitle | null, at: Span): DrawingInline {
  const [left, right, top] = shape.rules;
  const [roomLeft, , roomTop] = shape.room;
  const [within, inset] = [width - left - right, Math.max(0, shape.arc - left)];
  const high = top + (title?.size ?? 0) + roomTop;
  const marks: Mark[] = [];
  const { ground } = shape;
  if (ground === null || shape.arc === 0) {
    marks.push(...groundOf(shape, width, roomTop, -SEAM, at));
    if (title && ground !== null)
      marks.push(pathMark(rectangle(0, roomTop, width, top + title.size), shape.frame, at));
    marks.push(...outline(shape, width, high, TOP, at));
  } else {
    if (top + left + right > 0 || title)
      marks.push(pathMark(roundedBox(0, 0, width, high, shape.arc, TOP), shape.frame, at));
    const corners = { top: title === null, bottom: false };
    marks.push(
      pathMark(roundedBox(left, -SEAM, within, roomTop + SEAM, inset, corners), ground, at),
    );
  }
  if (title && shape.titleGround !== null)
    marks.push(
      pathMark(roundedBox(left, roomTop, within, title.size, inset, TOP), shape.titleGround, at),
    );
  if (title) marks.push(labelMark(title.inlines, { x: left + roomLeft, y: roomTop + title.base }));
  return drawing(marks, width, high, at);
}

function footOf(shape: FrameShape, width: Sp, at: Span): DrawingInline {
  const [left, right, , bottom] = shape.rules;
  const high = bottom + shape.room[3];
  const marks: Mark[] = [];
  const { ground } = shape;
  if (ground === null || shape.arc === 0) {
    marks.push(...groundOf(shape, width, high, 0, at), ...outline(shape, width, high, BOTTOM, at));
    return drawing(marks, width, high, at);
  }
  if (bottom + left + right > 0)
    marks.push(pathMark(roundedBox(0, 0, width, high, shape.arc, BOTTOM), shape.frame, at));
  const inset = Math.max(0, shape.arc - left);
  const groundHeight = shape.room[3] + SEAM;
  const within = roundedBox(left, bottom, width - left - right, groundHeight, inset, BOTTOM);
  marks.push(pathMark(within, ground, at));
  return drawing(marks, width, high, at);
}

/** The ground of an edge, below its rules. */
const groundOf = (
  { ground }: FrameShape,
  width: Sp,
  high: Sp,
  low: Sp,
  at: Span,
): readonly Mark[] =>
  ground === null ? [] : [pathMark(rectangle(0, low, width, high - low), ground, at)];

/** The rules of an edge. */
export function outline(
  { rules: [left, right, top, bottom], frame }: Pick<FrameShape, 'rules' | 'frame'>,
  width: Sp,
  high: Sp,
  edge: { readonly top: boolean; readonly bottom: boolean },
  at: Span,
): Mark[] {
  const sizes: readonly (readonly [Sp, Sp, Sp, Sp])[] = [
    [0, 0, left, high],
    [width - right, 0, right, high],
    ...(edge.top ? [[0, high - top, width, top] as const] : []),
    ...(edge.bottom ? [[0, 0, width, bottom] as const] : []),
  ];
  return sizes
    .filter(([, , across, up]) => across > 0 && up > 0)
    .map(([x, y, across, up]) => pathMark(rectangle(x, y, across, up), frame, at));
}

/** Blocks in a frame that goes on over pages. */
export function framedBlocks(
  it: Interpreter,
  bare: FrameShape,
  {
    blocks,
    left,
    width,
    title = null,
  }: {
    readonly blocks: readonly BlockNode[];
    readonly left: Sp;
    readonly width: Sp;
    readonly title?: FrameTitle | null;
  },
): Framed {
  const { from, to } = it.p.place;
  const at = { from, to };
  const [frame, ground, titleGround] = [bare.frame, bare.ground, bare.titleGround].map((paint) =>
    veiledAround(it, paint),
  );
  const shape = {
    ...bare,
    frame: frame as Paint,
    ground: ground ?? null,
    titleGround: titleGround ?? null,
  };
  return {
    kind: 'framed',
    head: headOf(shape, width, title, at),
    foot: footOf(shape, width, at),
    blocks,
    left,
    width,
    rules: [shape.rules[0], shape.rules[1]],
    frame: shape.frame,
    ground: shape.ground,
    room: shape.rules[0] + shape.room[0],
    spacing: {
      baselineSkip: it.skip('baselineskip'),
      lineSkip: it.skip('lineskip'),
      lineSkipLimit: 0,
    },
  };
}

/** A plain frame: the thickness of its rule, the room within it, and its ground. */
export interface PlainFrame {
  readonly rule: Sp;
  readonly padding: Sp;
  readonly background?: Paint;
}

/** What was gathered as a column, in a plain frame: whole when it is low, else so that it goes on over pages. */
export function inPlainFrame(
  it: Interpreter,
  frame: PlainFrame | null,
  { blocks, width }: { readonly blocks: readonly BlockNode[]; readonly width: Sp },
  left: Sp,
): BlockNode {
  const at = it.p.place;
  const inner = { kind: 'parbox' as const, blocks, width, valign: 'top' as const, ...at };
  const { rule = 0, padding = 0, background = null } = frame ?? {};
  if (isTall(it, inner)) {
    const shape: FrameShape = {
      rules: [rule, rule, rule, rule],
      room: [padding, padding, padding, padding],
      arc: 0,
      frame: 0,
      ground: background,
      titleGround: null,
    };
    return framedBlocks(it, shape, { blocks, left, width: width + 2 * (rule + padding) });
  }
  return {
    kind: 'loosebox',
    left,
    inline: box(it, [inner], { align: 'left', frame }),
    spacing: {
      baselineSkip: it.skip('baselineskip'),
      lineSkip: it.skip('lineskip'),
      lineSkipLimit: 0,
    },
  };
}
