import { PT, toBp } from '../base/lengths';
import { NO_PORT, walkPage } from '../output/display/walk';
import type { Laid } from './layout';

/** What is filled or drawn on the first page: its colour and its edges, in pt from the upper left corner. */
export function painted({ session }: Laid) {
  const out: {
    paint: number;
    stroke: boolean;
    left: number;
    right: number;
    top: number;
    bottom: number;
  }[] = [];
  walkPage(session.describe(session.pages[0] as never), {
    ...NO_PORT,
    path: ({ trace, map, fill, stroke }) => {
      const points: [number, number][] = [];
      const { a, b, c, d, e, f } = map ?? { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 };
      const take = (x: number, y: number): void =>
        void points.push([(a * x + c * y + e) / toBp(PT), (b * x + d * y + f) / toBp(PT)]);
      trace({
        moveTo: take,
        lineTo: take,
        bezierCurveTo: (_a, _b, _c, _d, x, y) => take(x, y),
        closePath: () => undefined,
      });
      const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
      out.push({
        paint: fill ?? stroke?.paint ?? 0,
        stroke: stroke !== null,
        left: Math.min(...xs),
        right: Math.max(...xs),
        top: Math.min(...ys),
        bottom: Math.max(...ys),
      });
    },
  });
  return out;
}
