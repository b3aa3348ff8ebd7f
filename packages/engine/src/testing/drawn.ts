import { PT, toBp } from '../base/lengths';
import { NO_PORT, walkPage, type PagePath } from '../output/display/walk';
import { laidBody, type Laid } from './layout';

/** A path of a page: the ends of its parts in pt from the origin of its picture, y upwards. */
export interface DrawnPath {
  readonly points: readonly (readonly [number, number])[];
  readonly curves: number;
  readonly path: PagePath;
}

/** A picture as it is drawn. */
export interface Drawn {
  readonly paths: readonly DrawnPath[];
  /** Where words begin, on their baselines, from the same origin. */
  readonly word: (text: string) => readonly [number, number];
  readonly laid: Laid;
  readonly findings: readonly string[];
}

const round = (n: number): number => Math.round(100 * n) / 100 + 0;

/**
 * Draws the body of a `tikzpicture`. Its origin is found by a mark of our own, drawn first: the
 * first path of all, which is left out.
 */
export function drawn(body: string, preamble = '', options = ''): Drawn {
  const laid = laidBody(
    `\\noindent\\begin{tikzpicture}${options}\\path[draw=red] (0,0) -- ++(0.01pt,0);${body}\\end{tikzpicture}`,
    `\\usepackage{tikz}${preamble}`,
  );
  const { session } = laid;
  const paths: DrawnPath[] = [];
  const [page] = session.pages;
  let origin: readonly [number, number] | null = null;
  if (page)
    walkPage(session.describe(page), {
      ...NO_PORT,
      path: (path) => {
        const raw: [number, number][] = [];
        let curves = 0;
        const { a, b, c, d, e, f } = path.map ?? { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 };
        const take = (x: number, y: number): void =>
          void raw.push([(a * x + c * y + e) / toBp(PT), -(b * x + d * y + f) / toBp(PT)]);
        path.trace({
          moveTo: take,
          lineTo: take,
          bezierCurveTo: (_a, _b, _c, _d, x, y) => {
            curves++;
            take(x, y);
          },
          closePath: () => undefined,
        });
        if (!origin) return void (origin = raw[0] ?? [0, 0]);
        const [x0, y0] = origin;
        const points = raw.map(([x, y]) => [round(x - x0), round(y - y0)] as const);
        paths.push({ points, curves, path });
      },
    });
  const at = (origin ?? [0, 0]) as readonly [number, number];
  return {
    paths,
    word: (text) => {
      const { x, y } = laid.word(text);
      return [round(x - at[0]), round(-y - at[1])];
    },
    laid,
    findings: session.findings().map(({ kind }) => kind),
  };
}
