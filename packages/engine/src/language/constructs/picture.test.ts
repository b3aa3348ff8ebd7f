import { describe, expect, it } from 'vitest';
import { NO_PORT, walkPage, type PagePath } from '../../output/display/walk';
import { PT, toBp } from '../../base/lengths';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody, type Laid } from '../../testing/layout';

const picture = (body: string, size = '(40,20)'): Laid =>
  laidBody(
    `\\setlength{\\unitlength}{1pt}\\noindent a\\begin{picture}${size}${body}\\end{picture}b`,
  );

/** Every path of the first page: its points in pt from the lower left corner of the picture, y upwards. */
function paths(laid: Laid): { points: number[][]; path: PagePath }[] {
  const out: { points: number[][]; path: PagePath }[] = [];
  const a = laid.word('a');
  const [left, base] = [a.right, a.y];
  const [page] = laid.session.pages;
  walkPage(laid.session.describe(page as never), {
    ...NO_PORT,
    path: (path) => {
      const points: number[][] = [];
      const { a: ma, b, c, d, e, f } = path.map ?? { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 };
      const take = (x: number, y: number): unknown => {
        const at = [(ma * x + c * y + e) / toBp(PT) - left, base - (b * x + d * y + f) / toBp(PT)];
        return points.push(at.map((n) => Math.round(10 * n) / 10 + 0));
      };
      path.trace({
        moveTo: take,
        lineTo: take,
        bezierCurveTo: (_a, _b, _c, _d, x, y) => take(x, y),
        closePath: () => undefined,
      });
      out.push({ points, path });
    },
  });
  return out;
}
const points = (body: string, size?: string): number[][][] =>
  paths(picture(body, size)).map((one) => one.points);

describe('a picture', () => {
  it('is as wide and high as it says, whatever is in it', () => {
    const laid = picture('\\put(0,0){\\line(1,0){500}}');
    expect(laid.word('b').x - laid.word('a').right).toBeCloseTo(40, 1);
  });
  it.each([
    [
      '\\put(3,4){\\line(1,0){10}}',
      [
        [3, 4],
        [13, 4],
      ],
    ],
    [
      '\\put(0,0){\\line(1,2){10}}',
      [
        [0, 0],
        [10, 20],
      ],
    ],
    [
      '\\put(5,5){\\line(0,-1){5}}',
      [
        [5, 5],
        [5, 0],
      ],
    ],
    [
      '\\put(5,5){\\line(-2,1){4}}',
      [
        [5, 5],
        [1, 7],
      ],
    ],
    [
      '\\qbezier(0,0)(10,20)(20,0)',
      [
        [0, 0],
        [20, 0],
      ],
    ],
  ])('%s is drawn where it is put', (body, expected) => {
    expect(points(body)[0]).toEqual(expected);
  });
  it('has its corner where it says', () => {
    expect(points('\\put(0,0){\\line(1,0){10}}', '(40,20)(-10,-5)')[0]).toEqual([
      [10, 5],
      [20, 5],
    ]);
  });
  it('counts in \\unitlength', () => {
    const laid = laidBody(
      '\\setlength{\\unitlength}{2pt}\\noindent a\\begin{picture}(10,10)\\put(1,1){\\line(1,0){3}}\\end{picture}',
    );
    expect(paths(laid)[0]?.points).toEqual([
      [2, 2],
      [8, 2],
    ]);
  });
  it('draws circles by their diameter, filled with a star', () => {
    const drawn = paths(picture('\\put(10,10){\\circle{8}}\\put(10,10){\\circle*{4}}'));
    expect(drawn.map(({ points: [first] }) => first)).toEqual([
      [14, 10],
      [12, 10],
    ]);
    expect(drawn.map(({ path }) => [path.fill !== null, path.stroke !== null])).toEqual([
      [false, true],
      [true, false],
    ]);
  });
  it('draws vectors with a head at their end', () => {
    const [shaft, head] = points('\\put(0,0){\\vector(1,0){20}}');
    expect(shaft?.[0]).toEqual([0, 0]);
    expect(head?.[0]).toEqual([20, 0]);
    expect(head?.[1]?.[0]).toBe(16);
  });
  it('puts the same thing many times', () => {
    expect(points('\\multiput(0,0)(5,1){3}{\\line(1,0){2}}').map(([first]) => first)).toEqual([
      [0, 0],
      [5, 1],
      [10, 2],
    ]);
  });
  it('sets lines thin or thick, in the colour of the text', () => {
    const laid = laidBody(
      '\\noindent a\\begin{picture}(9,9)\\thicklines\\put(0,0){\\color{red}\\line(1,0){5}}\\linethickness{2pt}\\put(0,0){\\line(1,0){5}}\\end{picture}',
      '\\usepackage{xcolor}',
    );
    const strokes = paths(laid).map(({ path }) => path.stroke);
    expect(
      strokes.map((stroke) => Math.round((10 * (stroke?.width ?? 0)) / toBp(PT)) / 10),
    ).toEqual([0.8, 2]);
    expect(strokes.map((stroke) => stroke?.paint)).toEqual([0xff0000, 0]);
  });
  it('draws the part of an oval that is asked for', () => {
    expect(points('\\put(10,10){\\oval(20,10)}')).toHaveLength(4);
    expect(points('\\put(10,10){\\oval(20,10)[t]}')).toHaveLength(2);
    expect(points('\\put(10,10){\\oval(20,10)[bl]}')).toEqual([
      [
        [0, 10],
        [0, 10],
        [5, 5],
        [10, 5],
      ],
    ]);
  });
  it.each([
    ['\\makebox(20,10){mid}', 0],
    ['\\framebox(20,10)[tr]{top}', 1],
    ['\\dashbox{2}(20,10){low}', 1],
  ])('%s sets text in a rectangle', (body, drawn) => {
    const laid = picture(`\\put(10,5){${body}}`);
    expect(paths(laid)).toHaveLength(drawn);
    const word = laid.word(/mid|top|low/.exec(body)?.[0] ?? '');
    const left = word.x - laid.word('a').right;
    expect(left).toBeGreaterThan(10);
    expect(word.right - laid.word('a').right).toBeLessThan(30.1);
    if (body.includes('[tr]')) expect(word.right - laid.word('a').right).toBeCloseTo(30, 0);
  });
  it('leads from its words to their source', () => {
    const text = inArticle('\\begin{picture}(9,9)\\put(1,1){buoy}\\end{picture}');
    expect(findingsIn(text)).toEqual([]);
  });
  it.each([
    '\\put(1',
    '\\put(1,2)',
    '\\line(1,1)',
    '\\put(x,y){z}',
    '\\multiput(0,0)(1,1){99999999}{.}',
  ])('is set with what is broken in it: %s', (body) => {
    expect(picture(body).text).toContain('a');
  });
});

describe("plain TeX's line", () => {
  it('is text over the whole width', () => {
    const laid = laidBody('\\noindent\\line{ebb\\hfil flood}');
    expect(laid.word('flood').right - laid.word('ebb').x).toBeCloseTo(345, 0);
  });
});

describe('a wave under words', () => {
  it('is a curve, under blanks too', () => {
    const laid = laidBody('\\noindent a \\uwave{high water} b', '\\usepackage{ulem}');
    const drawn = paths(laid);
    expect(drawn.length).toBeGreaterThanOrEqual(2);
    expect(drawn[0]?.points.length).toBeGreaterThan(4);
  });
});
