import { translation } from '../base/maps';
import {
  boundsOf,
  joinedBounds,
  mappedPath,
  NO_BOUNDS,
  rectangle,
  type Bounds,
} from '../base/paths';
import { boxOf, handleItem, pathItem, type Box, type Child } from '../boxes/box';
import type { Mark } from '../document/drawing';
import type { DrawingInline } from '../document/inlines';
import type { LayoutEnv } from './env';
import { packNatural } from './lines';

/** A mark set: what is drawn, and the room it takes, y upwards from the drawing's reference point. */
interface SetMark {
  readonly child: Child;
  readonly bounds: Bounds;
}

/** A drawing as a box: as large as it says, or as its marks are; labels in it are boxes like others. */
export function drawingBox(inline: DrawingInline, env: LayoutEnv): Box {
  const set = inline.marks.map((mark) => setMark(mark, env));
  const bounds = inline.bounds ?? set.map((mark) => mark.bounds).reduce(joinedBounds, NO_BOUNDS);
  if (bounds.left > bounds.right) return boxOf(0, 0, 0, childrenOf(set));
  const children = childrenOf(set).map((child) => ({ ...child, x: child.x - bounds.left }));
  return boxOf(bounds.right - bounds.left, bounds.high, -bounds.low, children);
}

const childrenOf = (set: readonly SetMark[]): Child[] => set.map(({ child }) => child);

function setMark(mark: Mark, env: LayoutEnv): SetMark {
  switch (mark.kind) {
    case 'path': {
      const item = pathItem(mark.path, mark.style, mark);
      const edge = (mark.style.stroke?.width ?? 0) / 2;
      const { left, right, low, high } = boundsOf(mark.path);
      const bounds = { left: left - edge, right: right + edge, low: low - edge, high: high + edge };
      return { child: { x: 0, y: 0, item }, bounds };
    }
    case 'handle':
      return { child: { x: 0, y: 0, item: handleItem(mark.path, mark) }, bounds: NO_BOUNDS };
    case 'label':
      return setLabel(mark, env);
    case 'group': {
      const set = mark.marks.map((inner) => setMark(inner, env));
      const { map, clip } = mark;
      const box = { ...boxOf(0, 0, 0, childrenOf(set)), map, ...(clip ? { clip } : {}) };
      const inside = clip
        ? boundsOf(clip)
        : set.map((m) => m.bounds).reduce(joinedBounds, NO_BOUNDS);
      const corners = rectangle(
        inside.left,
        inside.low,
        inside.right - inside.left,
        inside.high - inside.low,
      );
      const isEmpty = inside.left > inside.right;
      const bounds = isEmpty ? NO_BOUNDS : boundsOf(mappedPath(corners, map));
      return { child: { x: 0, y: 0, item: box }, bounds };
    }
    default:
      return mark satisfies never;
  }
}

function setLabel(mark: Extract<Mark, { kind: 'label' }>, env: LayoutEnv): SetMark {
  const { at, across, up } = mark;
  const item = packNatural(env.lineItems(mark.inlines));
  const x = at.x - across * item.width;
  const y = up === null ? at.y : at.y + item.depth - up * (item.height + item.depth);
  const room = rectangle(0, -item.depth, item.width, item.height + item.depth);
  return { child: { x, y, item }, bounds: boundsOf(mappedPath(room, translation(x, y))) };
}
