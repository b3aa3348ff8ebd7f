import { describe, expect, it } from 'vitest';
import { drawn } from '../../testing/drawn';

const LOAD =
  '\\usetikzlibrary{shadows,fadings,decorations.markings,decorations.fractals,decorations.shapes,decorations.pathmorphing}';
const picture = (body: string) => drawn(body, LOAD);
const RED = 0xff0000;
const cm = 28.4528;

/** The manual of tikz, “actions on paths”. */
describe('paths painted more than once', () => {
  it.each([
    ['\\draw[postaction={draw=red,line width=1pt},line width=3pt]', [0, RED]],
    ['\\draw[preaction={draw=red,line width=3pt}]', [RED, 0]],
    ['\\path[postaction={draw=red}]', [RED]],
    ['\\draw[postaction={draw=red},postaction={draw}]', [0, RED, 0]],
  ])('%s: in their order', (command, colours) => {
    const found = picture(`${command} (0,0) -- (1,0);`);
    expect(found.findings).toEqual([]);
    expect(found.paths.map(({ path }) => path.stroke?.paint)).toEqual(colours);
  });
});

describe('marks on a path', () => {
  const marked = (mark: string, more = '') =>
    picture(`\\draw[decoration={markings,mark=${mark}}${more}] (0,0) -- (4,0);`);
  it('are there where the path is decorated, which itself is not drawn then', () => {
    const mark = 'at position .5 with {\\draw[red] (0,0) -- (0,1);}';
    expect(marked(mark).paths).toHaveLength(1);
    expect(marked(mark, ',decorate').paths.map(({ path }) => path.stroke?.paint)).toEqual([RED]);
    expect(marked(mark, ',postaction={decorate}').paths).toHaveLength(2);
  });
  it.each([
    ['at position .25', [1]],
    ['at position 1cm', [1]],
    ['at position -1cm', [3]],
    ['between positions 0 and 1 step 1cm', [0, 1, 2, 3, 4]],
    ['between positions 5mm and 3cm step .25', [0.5, 1.5, 2.5]],
  ])('%s: something drawn stands there, across the path', (places, wanted) => {
    const found = marked(`${places} with {\\draw[red] (0,0) -- (0,1);}`, ',decorate');
    expect(found.findings).toEqual([]);
    expect(
      found.paths.map(({ points }) => Math.round(((points[0]?.[0] ?? 0) / cm) * 10) / 10),
    ).toEqual(wanted);
    for (const { points } of found.paths) expect((points[1]?.[1] ?? 0) / cm).toBeCloseTo(1, 2);
  });
  it('turn with the path; words stand upright', () => {
    const found = picture(
      '\\path[decoration={markings,mark=at position .5 with {\\draw (0,0) -- (1,0);\\node at (1,0) {W};}},decorate] (0,0) -- (0,2);',
    );
    const [[from, to] = []] = found.paths.map(({ points }) => points);
    expect([(from?.[1] ?? 0) / cm, (to?.[1] ?? 0) / cm].map(Math.round)).toEqual([1, 2]);
    expect(Math.round(found.word('W')[1] / cm)).toBe(2);
  });
});

describe('shadows', () => {
  const fills = (options: string) => picture(`\\node[fill=red,${options}] at (0,0) {Noon};`).paths;
  it.each([
    ['drop shadow', 1],
    ['copy shadow', 1],
    ['double copy shadow', 2],
    ['drop shadow={fill=blue,opacity=1}', 1],
  ])('%s: %i below the node', (options, count) => {
    const found = fills(options);
    expect(found).toHaveLength(count + 1);
    expect(found.at(-1)?.path.fill).toBe(RED);
  });
  it.each([
    ['shadow xshift=10pt,shadow yshift=5pt', 10, 5],
    ['shadow xshift=-3pt', -3, null],
  ])('with %s lies so far away', (options, x, y) => {
    const [shadow, node] = fills(`drop shadow={${options}}`);
    const by = [0, 1].map((i) => (shadow?.points[0]?.[i] ?? 0) - (node?.points[0]?.[i] ?? 0));
    expect(by[0]).toBeCloseTo(x, 1);
    if (y !== null) expect(by[1]).toBeCloseTo(y, 1);
  });
  it('is as it is told', () => {
    expect(fills('drop shadow={fill=blue,opacity=1}')[0]?.path.fill).toBe(0x0000ff);
    expect(fills('circular glow={fill=blue},circle').length).toBeGreaterThan(10);
  });
  it.each(['east', 'west', 'north', 'south', 'circle with fuzzy edge 15 percent'])(
    'a fill fades towards %s',
    (name) => {
      const found = picture(`\\fill[red,path fading=${name}] (0,0) rectangle (2,2);`);
      expect(found.findings).toEqual([]);
      const paints = new Set(found.paths.map(({ path }) => path.fill));
      expect(paints.size).toBeGreaterThan(5);
    },
  );
});

describe('styles with arguments', () => {
  it.each([
    ['b/.style={line width=#1}', 'b=2pt'],
    ['b/.style args={#1 and #2}{line width=#1,draw=#2}', 'b=2pt and red'],
    ['b/.style args={from #1 to #2}{line width=#2,draw=#1}', 'b=from red to 2pt'],
    ['b/.style args={#1:#2:#3}{line width=#3,draw=#1}', 'b=red:x:2pt'],
    ['b/.style 2 args={line width=#1,draw=#2}', 'b={2pt}{red}'],
    ['b/.style n args={2}{line width=#1,draw=#2}', 'b={2pt}{red}'],
    ['b/.code args={#1 and #2}{\\tikzset{line width=#1}}', 'b=2pt and red'],
    ['b/.style={line width=#1},b/.default=2pt', 'b'],
    ['a/.store in=\\wide', 'a=2pt,line width=\\wide'],
  ])('%s: %s', (definition, use) => {
    const found = drawn(`\\draw[${use}] (0,0) -- (1,0);`, `\\tikzset{${definition}}`);
    expect(found.findings).toEqual([]);
    expect(found.paths.map(({ path }) => Math.round((path.stroke?.width ?? 0) * 10))).toEqual([20]);
  });
});

describe('small pictures with names', () => {
  const house = 'code={\\draw[fill=#1] (0,0) rectangle (1,1);\\node (-m) at (.5,.5) {h};}';
  it.each([
    [`pics/house/.style={${house}},pics/house/.default=red`, 'house', RED],
    [`pics/house/.style={${house}}`, 'house=blue', 0x0000ff],
    [`pics/.cd,house/.style={${house}}`, 'house=red', RED],
    [
      `house/.pic={\\draw[fill=red] (0,0) rectangle (1,1);\\node (-m) at (.5,.5) {h};}`,
      'house',
      RED,
    ],
    [
      'pics/house/.style args={#1 and #2}{code={\\draw[fill=#1] (0,0) rectangle (#2,1);\\node (-m) at (.5,.5) {h};}}',
      'house=red and 1',
      RED,
    ],
  ])('%s: %s', (definition, use, fill) => {
    const found = drawn(
      `\\pic (A) at (0,0) {${use}};\\pic (B) at (3,0) {${use}};\\draw (A-m.center) -- (B-m.center);`,
      `\\tikzset{${definition}}`,
    );
    expect(found.findings).toEqual([]);
    expect(found.paths[0]?.path.fill).toBe(fill);
    const [from, to] = found.paths.at(-1)?.points ?? [];
    expect((from?.[0] ?? 0) / cm).toBeCloseTo(0.5, 1);
    expect((to?.[0] ?? 0) / cm).toBeCloseTo(3.5, 1);
  });
  it('what lies in the background of one lies behind', () => {
    const found = drawn(
      '\\draw (0,0) -- (1,0);\\pic {p};',
      '\\tikzset{pics/p/.style={background code={\\draw[red] (0,0) -- (1,1);}}}',
    );
    expect(found.paths[0]?.path.stroke?.paint).toBe(RED);
  });
});

describe('decorations of figures', () => {
  const at = (points: readonly (readonly [number, number])[]) =>
    points.map(([x, y]) => [
      Math.round((x / cm) * 100) / 100 + 0,
      Math.round((y / cm) * 100) / 100 + 0,
    ]);
  it.each([
    [
      'Koch snowflake',
      [
        [0, 0],
        [1, 0],
        [1.5, 0.87],
        [2, 0],
        [3, 0],
      ],
    ],
    [
      'Koch curve type 1',
      [
        [0, 0],
        [1, 0],
        [1, 1],
        [2, 1],
        [2, 0],
        [3, 0],
      ],
    ],
    [
      'Cantor set',
      [
        [0, 0],
        [1, 0],
        [2, 0],
        [3, 0],
      ],
    ],
  ])('%s', (name, points) => {
    const found = picture(`\\draw[decorate,decoration=${name}] (0,0) -- (3,0);`);
    expect(at(found.paths[0]?.points ?? [])).toEqual(points);
  });
  it('one within another: each piece of a path is decorated anew', () => {
    const found = picture(
      '\\draw[decoration=Koch snowflake] decorate{ decorate{ (0,0) -- (3,0) }};',
    );
    expect(found.findings).toEqual([]);
    expect(found.paths[0]?.points).toHaveLength(17);
  });
  it.each([
    ['crosses', 8],
    ['triangles', 4],
  ])('%s stand a segment apart', (name, moves) => {
    const found = picture(
      `\\draw[decorate,decoration={${name},segment length=1cm}] (0,0) -- (4,0);`,
    );
    expect(found.paths[0]?.points.length).toBeGreaterThanOrEqual(moves);
    expect(found.findings).toEqual([]);
  });
  it('a coil goes back over itself where it is seen aslant enough', () => {
    const goesBack = (aspect: number): boolean => {
      const found = picture(
        `\\draw[decorate,decoration={coil,aspect=${aspect},segment length=2mm,amplitude=2mm}] (0,0) -- (3,0);`,
      );
      const xs = (found.paths[0]?.points ?? []).map(([x]) => x);
      return xs.some((x, i) => i > 0 && x < (xs[i - 1] as number) - 0.1);
    };
    expect([goesBack(0), goesBack(0.8)]).toEqual([false, true]);
  });
});
