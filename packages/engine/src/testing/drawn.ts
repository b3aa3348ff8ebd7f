import { PT, toBp } from '../base/lengths';
import { NO_PORT, walkPage, type PagePath } from '../output/display/walk';
import { laidBody, type Laid } from './layout';

/** A path of a page: the ends of its parts in pt from the origin of its picture, y upwards. */
export interface DrawnPath {
  readonly points: readonly (readonly [number, number])[];
  readonly curves: number;
  readonly path: PagePath;
}

/** What a hand may take: its point, where one more in each of its numbers leads, the text of its numbers. */
export interface DrawnHandle {
  readonly points: DrawnPath['points'];
  readonly text: string;
}

/** A picture as it is drawn. */
export interface Drawn {
  readonly paths: readonly DrawnPath[];
  readonly handles: readonly DrawnHandle[];
  /** Where words begin, on their baselines, from the same origin. */
  readonly word: (text: string) => readonly [number, number];
  readonly laid: Laid;
  readonly findings: readonly string[];
}

const round = (n: number): number => Math.round(100 * n) / 100 + 0;

/** The ends of a path's parts in pt from the corner of the page, y upwards. */
function traced(path: PagePath): { raw: [number, number][]; curves: number } {
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
  return { raw, curves };
}

/**
 * Draws the body of a `tikzpicture`. Its origin is found by a mark of our own, drawn first: the
 * first path of all, which is left out.
 */
export function drawn(body: string, preamble = '', options = ''): Drawn {
  return drawnFrom(
    `\\noindent\\begin{tikzpicture}${options}${MARK}${body}\\end{tikzpicture}`,
    preamble,
  );
}
const MARK = '\\path[draw=red] (0,0) -- ++(0.01pt,0);';

/** Draws a body of text that has pictures in it; places count from a mark before it. */
export const drawnText = (body: string, preamble = ''): Drawn =>
  drawnFrom(`\\noindent\\tikz{${MARK}}${body}`, preamble);

function drawnFrom(source: string, preamble: string): Drawn {
  const laid = laidBody(source, `\\usepackage{tikz}${preamble}`);
  const { session } = laid;
  const paths: DrawnPath[] = [];
  const handles: DrawnHandle[] = [];
  const [page] = session.pages;
  let origin: readonly [number, number] | null = null;
  const placed = (raw: [number, number][]): DrawnPath['points'] => {
    const [x0, y0] = origin ?? [0, 0];
    return raw.map(([x, y]) => [round(x - x0), round(y - y0)] as const);
  };
  if (page)
    walkPage(session.describe(page), {
      ...NO_PORT,
      path: (path) => {
        const { raw, curves } = traced(path);
        if (origin) paths.push({ points: placed(raw), curves, path });
        else origin = raw[0] ?? [0, 0];
      },
      handle: (path) => {
        const text = source.slice(path.from, path.to);
        // Those of the mark of our own come before it.
        if (origin) handles.push({ points: placed(traced(path).raw), text });
      },
    });
  const at = (origin ?? [0, 0]) as readonly [number, number];
  return {
    paths,
    handles,
    word: (text) => {
      const { x, y } = laid.word(text);
      return [round(x - at[0]), round(-y - at[1])];
    },
    laid,
    findings: session.findings().map(({ kind }) => kind),
  };
}
