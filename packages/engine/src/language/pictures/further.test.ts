import { describe, expect, it } from 'vitest';
import { drawn } from '../../testing/drawn';
import { laidBody } from '../../testing/layout';

const LOAD = '\\usetikzlibrary{quotes,arrows.meta,calc,positioning,graphs,math}';
const picture = (body: string, options = '') => drawn(body, LOAD, options);
const RED = 0xff0000;
const cm = 28.4528;
const round = (n: number | undefined): number => Math.round(((n ?? 99) / cm) * 10) / 10;

describe('words on lines', () => {
  it.each([
    ['\\draw (0,0) to["W"] (2,0);', 1],
    ['\\draw (0,0) to["W"\'] (2,0);', -1],
    ['\\draw (0,0) to[edge label=W] (2,0);', 1],
    ["\\draw (0,0) to[edge label'=W] (2,0);", -1],
    ['\\path (0,0) edge["W"] (2,0);', 1],
    ['\\path (0,0) edge[edge node={node[below]{W}}] (2,0);', -1],
    ['\\path (0,0) edge[edge node={node[above]{W} node[below]{V}}] (2,0);', 1],
  ])('%s', (body, side) => {
    const found = picture(body);
    expect(found.findings).toEqual([]);
    const [x, y] = found.word('W');
    expect(Math.abs(round(x) - 0.9)).toBeLessThan(0.3);
    expect(Math.sign(y)).toBe(side);
  });
  it('those of a loop stand at its side', () => {
    const found = picture('\\node[draw,circle] (a) {a};\\path (a) edge[loop above] node {W} ();');
    const loop = found.paths.at(-1)?.points ?? [];
    expect(found.word('W')[1]).toBeGreaterThan(Math.max(...loop.map(([, y]) => y)));
  });
  it('what every line of `to` has', () => {
    const found = picture('\\draw[every to/.style={bend left}] (0,0) to (2,0);');
    expect(found.paths[0]?.curves).toBe(1);
  });
});

describe('what options bring', () => {
  it.each([
    [
      '\\draw[insert path={(0,0) -- (1,0)}];',
      [
        [0, 0],
        [1, 0],
      ],
    ],
    [
      '\\draw (0,0) [insert path={-- (1,0)}] -- (1,1);',
      [
        [0, 0],
        [1, 0],
        [1, 1],
      ],
    ],
    [
      '\\draw node[append after command={(\\tikzlastnode.center) -- (2,0)}] at (1,0) {};',
      [
        [1, 0],
        [2, 0],
      ],
    ],
  ])('%s: goes on with the path', (body, points) => {
    const found = picture(body);
    expect(found.findings).toEqual([]);
    expect(found.paths.at(-1)?.points.map(([x, y]) => [round(x) + 0, round(y) + 0])).toEqual(
      points,
    );
  });
  it('something is drawn at the start and at the end of a picture', () => {
    const found = picture(
      '\\draw (0,0) -- (2,1);',
      '[execute at begin picture={\\draw[blue] (0,0) -- (1,0);},execute at end picture={\\draw[red] (current bounding box.south west) -- (current bounding box.north east);}]',
    );
    expect(found.findings).toEqual([]);
    const colours = found.paths.map(({ path }) => path.stroke?.paint);
    expect(colours.lastIndexOf(RED)).toBe(colours.length - 1);
    expect([
      round(found.paths.at(-1)?.points[1]?.[0]),
      round(found.paths.at(-1)?.points[1]?.[1]),
    ]).toEqual([2, 1]);
  });
  it.each([
    ['\\draw (1,1) rectangle (3,2);', [1, 1, 3, 2]],
    ['\\draw (1,1) -- (2,4) (0,2) -- (1,2);', [0, 1, 2, 4]],
    ['\\draw (1,1) -- (2,4);\\node[inner sep=0pt,minimum size=2cm] at (4,1) {};', [1, 0, 5, 4]],
  ])('a box around a part of the picture: %s', (body, [left = 0, low = 0, right = 0, high = 0]) => {
    const found = picture(
      `\\begin{scope}[local bounding box=b]${body}\\end{scope}\\draw (9,9) -- (8,8);\\draw (b.south west) -- (b.north east);`,
    );
    expect(found.findings).toEqual([]);
    const [from, to] = found.paths.at(-1)?.points ?? [];
    expect([from, to].flatMap((point) => point?.map(round) ?? [])).toEqual([
      left,
      low,
      right,
      high,
    ]);
  });
  it.each([
    ['\\node foreach \\x in {1,2,3} at (\\x,0) {\\x};', 3],
    ['\\node[draw] foreach \\x/\\w in {1/a,2/b} at (\\x,0) {\\w};', 2],
  ])('%s: a node for each', (body, count) => {
    const found = picture(body);
    expect(found.findings).toEqual([]);
    const at = found.word(count === 3 ? '3' : 'b');
    expect(Math.abs(round(at[0]) - count)).toBeLessThan(0.2);
  });
  it('the line of a pin is as it is told', () => {
    const found = picture('\\node[pin={[pin edge={red,->}]45:W}] at (0,0) {};');
    expect(found.findings).toEqual([]);
    expect(found.paths.filter(({ path }) => path.stroke?.paint === RED)).toHaveLength(2);
  });
});

describe('coordinates of a system', () => {
  const POINTS = '\\coordinate (A) at (0,0);\\coordinate (B) at (2,0);\\coordinate (C) at (1,2);';
  it.each([
    ['$(barycentric cs:A=1,B=1)!.5!(C)$', 1, 1],
    ['$(canvas cs:x=1cm,y=1cm)+(1,0)$', 2, 1],
    ['$(1,0)+(xy polar cs:angle=90,radius=2)$', 1, 2],
    ['$(node cs:name=C)-(1,0)$', 0, 2],
  ])('(%s)', (place, x, y) => {
    const found = picture(`${POINTS}\\draw (0,0) -- (${place});`);
    expect(found.findings).toEqual([]);
    expect(found.paths[0]?.points[1]?.map((n) => round(n) + 0)).toEqual([x, y]);
  });
  it('goes on from a point', () => {
    const found = picture('\\draw (1,1) -- +(xy polar cs:angle=0,radius=2);');
    expect(found.findings).toEqual([]);
    expect(found.paths[0]?.points[1]?.map(round)).toEqual([3, 1]);
  });
  it('of an axis is reckoned with', () => {
    const found = drawn(
      '\\begin{axis}[x=1cm,y=1cm,xmin=0,xmax=4,ymin=0,ymax=4]\\draw[red] ($(axis cs:1,2)+(1cm,0)$) -- +(axis direction cs:1,1);\\end{axis}',
      '\\usepackage{pgfplots}\\usetikzlibrary{calc}',
    );
    expect(found.findings).toEqual([]);
    const red = found.paths.find(({ path }) => path.stroke?.paint === RED);
    expect(red?.points.map((point) => point.map(round))).toEqual([
      [2, 2],
      [3, 3],
    ]);
  });
});

describe('tips', () => {
  it.each([
    ['Stealth[red]', RED, null],
    ['Stealth[color=red]', RED, null],
    ['Triangle[fill=red]', RED, 0],
    ['Kite[red]', RED, null],
  ])('%s has its own colours', (tip, fill, stroke) => {
    const found = picture(`\\draw[-{${tip}}] (0,0) -- (2,0);`);
    expect(found.findings).toEqual([]);
    expect(found.paths[0]?.path.stroke?.paint).toBe(0);
    expect(found.paths[1]?.path.fill).toBe(fill);
    expect(found.paths[1]?.path.stroke?.paint ?? null).toBe(stroke);
  });
  it.each(['Straight Barb', 'Arc Barb', 'Kite', 'Turned Square', 'Tee Barb'])(
    '%s ends where its line does',
    (tip) => {
      const found = picture(`\\draw[-{${tip}}] (0,0) -- (2,0);`);
      const right = Math.max(...found.paths.flatMap(({ points }) => points.map(([x]) => x)));
      expect(right).toBeLessThan(2 * cm + 0.01);
      expect(right).toBeGreaterThan(2 * cm - 0.5);
    },
  );
});

it('plots have bars as wide as they are told, and points where a list with dots says', () => {
  const bars = picture('\\draw plot[ybar,bar width=1cm,bar shift=1cm] coordinates {(0,2)};');
  const xs = bars.paths[0]?.points.map(([x]) => round(x));
  expect([Math.min(...(xs ?? [])), Math.max(...(xs ?? []))]).toEqual([0.5, 1.5]);
  const marks = picture('\\draw plot[only marks,mark=*,samples at={0,.5,...,2}] (\\x,0);');
  expect(marks.paths).toHaveLength(5);
});

it.each([
  '$a \\tikz \\draw[->] (0,0) -- (1,0); b$',
  '\\tikz \\graph { a -> b; c -> d };',
  '\\tikzmath{ for \\i in {1,...,3} { \\s = \\i; }; }',
])('%s: signs in a picture are none of the text', (body) => {
  const { session } = laidBody(body, `\\usepackage{tikz}${LOAD}`);
  expect(session.findings().map(({ kind }) => kind)).toEqual([]);
});

describe('styles that libraries bring', () => {
  const LIBRARIES = '\\usetikzlibrary{er,petri}';
  it.each([
    ['\\node[entity] {W};', 4, 0],
    ['\\node[relationship] {W};', 4, 0],
    ['\\node[attribute] {W};', 5, 4],
    ['\\node[key attribute] {W};', 5, 4],
    ['\\node[place] {W};', 5, 4],
    ['\\node[transition] {W};', 4, 0],
  ])('%s', (body, points, curves) => {
    const found = drawn(body, LIBRARIES);
    expect(found.findings).toEqual([]);
    expect(found.paths.map((path) => [path.points.length, path.curves])).toEqual([
      [points, curves],
    ]);
  });
  it.each([1, 2, 3, 5])('a place with %i tokens', (count) => {
    const found = drawn(`\\node[place,tokens=${count}] {};`, LIBRARIES);
    expect(found.findings).toEqual([]);
    const dots = found.paths.filter(({ path }) => path.fill === 0);
    expect(dots).toHaveLength(count);
    // They lie around its middle.
    const middle = (axis: 0 | 1): number =>
      dots
        .flatMap(({ points }) => points.slice(0, 4).map((point) => point[axis]))
        .reduce((a, b) => a + b, 0) /
      (4 * count);
    expect(Math.abs(middle(0))).toBeLessThan(0.5);
    expect(Math.abs(middle(1))).toBeLessThan(1.5);
  });
  it('what a document says of every one of them holds', () => {
    const found = drawn(
      '\\node[place] {W};\\node[draw,every thing/.try] {V};',
      `${LIBRARIES}\\tikzset{every place/.style={draw=red}}`,
    );
    expect(found.findings).toEqual([]);
    expect(found.paths[0]?.path.stroke?.paint).toBe(RED);
  });
});
