import { mapped } from '../../base/maps';
import { NO_BOUNDS, widened, type Bounds } from '../../base/paths';
import type { PageDescription } from './description';
import { walkPage, type PagePath } from './walk';

/**
 * The smallest upright rectangle around all that is drawn on a page, in big points, y downwards;
 * null when nothing is. Text counts with the room of its line, so that pictures of formulas keep
 * their height while letters are typed.
 */
export function inkExtent(page: PageDescription): Bounds | null {
  let bounds = NO_BOUNDS;
  const take = (x0: number, y0: number, x1: number, y1: number): void => {
    bounds = widened(widened(bounds, { x: x0, y: y0 }), { x: x1, y: y1 });
  };
  const takePath = (path: PagePath): void => {
    const edge = path.stroke ? path.stroke.width / 2 : 0;
    const { left, right, low, high } = tracedBounds(path);
    if (left <= right) take(left - edge, low - edge, right + edge, high + edge);
  };
  walkPage(page, {
    glyphs: ({ x, y, size, map, along }) => {
      const { a, b } = map ?? { a: 1, b: 0 };
      for (const to of along) {
        const [left, base] = [x + a * to, y + b * to];
        take(left, base - size, left + 0.9 * size, base + 0.4 * size);
      }
    },
    rule: ({ x, y, width, height }) => take(x, y, x + width, y + height),
    path: takePath,
    picture: ({ map }) => {
      for (const x of [0, 1])
        for (const y of [0, 1]) bounds = widened(bounds, mapped(map, { x, y }));
    },
    clip: () => undefined,
    unclip: () => undefined,
  });
  return bounds.left === Infinity ? null : bounds;
}

/** Bounds of the points of a path and of its controls, on the page. */
function tracedBounds({ map, trace }: PagePath): Bounds {
  let bounds = NO_BOUNDS;
  const take = (x: number, y: number): void => {
    bounds = widened(bounds, map ? mapped(map, { x, y }) : { x, y });
  };
  trace({
    moveTo: take,
    lineTo: take,
    bezierCurveTo: (ax, ay, bx, by, x, y) => {
      take(ax, ay);
      take(bx, by);
      take(x, y);
    },
    closePath: () => undefined,
  });
  return bounds;
}
