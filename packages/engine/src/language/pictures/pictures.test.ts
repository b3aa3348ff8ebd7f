import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { drawn } from '../../testing/drawn';
import { laidBody } from '../../testing/layout';

const CM = 28.45276;
const cm = (...points: readonly (readonly [number, number])[]) =>
  points.map(([x, y]) => [Math.round(100 * x * CM) / 100 + 0, Math.round(100 * y * CM) / 100 + 0]);
/** The points of each path, tips left out when `most` says how many paths count. */
const points = (body: string, most = 99) =>
  drawn(body)
    .paths.slice(0, most)
    .map((path) => path.points);

describe('coordinates', () => {
  it.each([
    ['(1,2)', [1, 2]],
    ['(90:2)', [0, 2]],
    ['(0:1cm)', [1, 0]],
    ['(10mm,1)', [1, 1]],
    ['({1+1},{sin(30)})', [2, 0.5]],
    ['([xshift=1cm]1,1)', [2, 1]],
    ['(A |- B)', [1, 3]],
    ['(A -| B)', [2, 1]],
    ['($(A)!.5!(B)$)', [1.5, 2]],
    ['($(A)!1cm!90:(2,1)$)', [1, 2]],
    ['($(A)+(B)$)', [3, 4]],
    ['($2*(A)-(0,1)$)', [2, 1]],
    ['($(A)!(2,3)!(3,1)$)', [2, 1]],
    ['(barycentric cs:A=1,B=1)', [1.5, 2]],
    ['(intersection of A--B and 0,3--1,3)', [2, 3]],
    ['(canvas cs:x=1cm,y=2cm)', [1, 2]],
    ['(xyz cs:x=1,y=2)', [1, 2]],
    ['(0,0,-1)', [0.385, 0.385]],
    ['(right:2)', [2, 0]],
  ] as const)('%s', (coordinate, wanted) => {
    const named = '\\coordinate (A) at (1,1);\\coordinate (B) at (2,3);';
    expect(points(`${named}\\draw (0,0) -- ${coordinate};`)).toEqual([cm([0, 0], wanted)]);
  });
  it('are relative to the one before', () => {
    expect(points('\\draw (1,1) -- ++(1,0) -- ++(0,1) -- +(1,0) -- +(0,1);')).toEqual([
      cm([1, 1], [2, 1], [2, 2], [3, 2], [2, 3]),
    ]);
  });
  it('go by the picture’s own axes and its transforms', () => {
    expect(points('\\draw[scale=2,shift={(1,0)}] (0,0) -- (1,0);')).toEqual([cm([2, 0], [4, 0])]);
    expect(points('\\draw[x=5mm,y=2cm] (0,0) -- (2,1);')).toEqual([cm([0, 0], [1, 2])]);
    expect(points('\\draw[rotate=90] (0,0) -- (1,0);')).toEqual([cm([0, 0], [0, 1])]);
    expect(points('\\draw[rotate around={90:(1,0)}] (0,0) -- (1,0);')).toEqual([
      cm([1, -1], [1, 0]),
    ]);
    expect(
      points('\\begin{scope}[yshift=1cm]\\draw (0,0) -- (1,0);\\end{scope}\\draw (0,0) -- (1,0);'),
    ).toEqual([cm([0, 1], [1, 1]), cm([0, 0], [1, 0])]);
  });
});

it('a coordinate on the way has its name, and the line goes on', () => {
  expect(
    points(
      '\\draw (0,0) -- coordinate (m) (2,0) -- coordinate[pos=1] (e) (2,2);\\draw (m) -- (e);',
    ),
  ).toEqual([cm([0, 0], [2, 0], [2, 2]), cm([1, 0], [2, 2])]);
});

describe('paths', () => {
  it.each([
    ['corner', '(0,0) |- (1,1)', cm([0, 0], [0, 1], [1, 1])],
    ['other corner', '(0,0) -| (1,1)', cm([0, 0], [1, 0], [1, 1])],
    ['rectangle', '(0,0) rectangle (2,1)', cm([0, 0], [0, 1], [2, 1], [2, 0])],
    ['curve', '(0,0) .. controls (0,1) and (1,1) .. (1,0)', cm([0, 0], [1, 0])],
    ['arc', '(1,0) arc (0:90:1)', cm([1, 0], [0, 1])],
    ['arc by keys', '(1,0) arc[start angle=0,end angle=90,radius=1cm]', cm([1, 0], [0, 1])],
    ['ellipse', '(0,0) ellipse (2 and 1)', cm([2, 0], [0, 1], [-2, 0], [0, -1], [2, 0])],
    ['circle', '(1,1) circle [radius=1]', cm([2, 1], [1, 2], [0, 1], [1, 0], [2, 1])],
    [
      'grid',
      '(0,0) grid (1,1)',
      cm([0, 0], [1, 0], [0, 1], [1, 1], [0, 0], [0, 1], [1, 0], [1, 1]),
    ],
    ['pieces', '(0,0) -- (1,0) (2,0) -- (3,0)', cm([0, 0], [1, 0], [2, 0], [3, 0])],
    ['plot', 'plot coordinates {(0,0) (1,1) (2,0)}', cm([0, 0], [1, 1], [2, 0])],
    ['function', 'plot[domain=0:2,samples=3] (\\x,{\\x^2/2})', cm([0, 0], [1, 0.5], [2, 2])],
    ['parabola', '(0,0) parabola (1,1)', cm([0, 0], [1, 1])],
    ['bend', '(0,0) parabola bend (1,-1) (2,0)', cm([0, 0], [1, -1], [2, 0])],
    ['loop', '(0,0) \\foreach \\x in {1,2} { -- (\\x,1) }', cm([0, 0], [1, 1], [2, 1])],
    ['let', 'let \\p1=(1,2), \\n1={\\x1*2} in (\\p1) -- (\\n1,\\y1)', cm([1, 2], [2, 2])],
    ['own macro', '\\quay -- (1,0)', cm([3, 0], [1, 0])],
  ])('%s', (_, path, wanted) => {
    expect(points(`\\def\\quay{(3,0)}\\draw ${path};`)).toEqual([wanted]);
  });
  it('round their corners', () => {
    const [path] = drawn('\\draw[rounded corners=5pt] (0,0) -- (1,0) -- (1,1);').paths;
    expect(path?.curves).toBe(1);
    expect(path?.points[1]).toEqual([Math.round(100 * (CM - 5)) / 100, 0]);
  });
});

describe('nodes', () => {
  it('stand by their anchors, as large as their words with room around', () => {
    const { paths } = drawn('\\node[draw,minimum width=2cm,minimum height=1cm] at (1,1) {x};');
    expect(paths[0]?.points).toEqual(cm([0, 0.5], [2, 0.5], [2, 1.5], [0, 1.5]));
    const { word } = drawn('\\node[anchor=west,inner sep=0pt] at (2,0) {Quay};');
    // Half the width of its line lies around it, drawn or not.
    expect(word('Quay')[0]).toBeCloseTo(2 * CM + 0.2, 1);
  });
  it.each([
    ['right', '(A.east)', [1.014, 0]],
    ['top', '(A.north)', [0, 1.014]],
    ['corner', '(A.north east)', [0.717, 0.717]],
    ['angle', '(A.180)', [-1.014, 0]],
  ] as const)('lines meet a circle at its border: %s', (_, anchor, [x, y]) => {
    const [, line] = drawn(
      `\\node[circle,draw,minimum size=2cm,line width=.8pt] (A) at (0,0) {};\\draw (3,3) -- ${anchor};`,
    ).paths;
    expect(line?.points[1]?.[0]).toBeCloseTo(x * CM, 0);
    expect(line?.points[1]?.[1]).toBeCloseTo(y * CM, 0);
  });
  it('lines between two end at both borders', () => {
    const two =
      '\\node[draw,circle,minimum size=1cm] (A) at (0,0) {};\\node[draw,minimum size=1cm] (B) at (3,0) {};';
    const line = drawn(`${two}\\draw (A) -- (B);`).paths[2];
    expect(line?.points.map(([x, y]) => [Math.round(x / 0.5) * 0.5, y])).toEqual([
      [14.5, 0],
      [71, 0],
    ]);
  });
  it('stand beside others', () => {
    const [a, b] = drawn(
      '\\node[draw,minimum size=1cm] (A) {};\\node[draw,minimum size=1cm,right=2cm of A] {};',
    ).paths;
    expect((b?.points[0]?.[0] ?? 0) - (a?.points[1]?.[0] ?? 0)).toBeCloseTo(2 * CM + 0.4, 1);
    const grid = drawn(
      '\\node[draw,minimum size=1cm] (A) {};\\node[draw,minimum size=1cm,on grid,above=2cm of A] {};',
    ).paths;
    expect((grid[1]?.points[0]?.[1] ?? 0) - (grid[0]?.points[0]?.[1] ?? 0)).toBeCloseTo(2 * CM, 1);
  });
  it('stand on lines, above or below them', () => {
    const at = (keys: string) => drawn(`\\draw (0,0) -- node[${keys}] {Quay} (4,0);`).word('Quay');
    expect(at('above')[1]).toBeGreaterThan(0);
    expect(at('below')[1]).toBeLessThan(0);
    expect(at('near end')[0] - at('near start')[0]).toBeCloseTo(2 * CM, 1);
    expect(at('auto')[1]).toBeGreaterThan(0);
    expect(at('auto,swap')[1]).toBeLessThan(0);
  });
  it('are drawn above the path they stand on', () => {
    const { paths } = drawn('\\fill[yellow] (0,0) rectangle (1,1) node[draw=blue,midway] {x};');
    expect(paths.map(({ path }) => path.fill !== null)).toEqual([true, false]);
  });
  it('of a matrix have names by row and column', () => {
    const { findings, paths } = drawn(
      '\\matrix (m) [matrix of math nodes,column sep=1cm] { a & b \\\\ c & d \\\\ };\\draw (m-1-1) -- (m-2-2);',
    );
    expect(findings).toEqual([]);
    expect(paths).toHaveLength(1);
  });
  it('grow as trees', () => {
    const tree = '\\node {Quay} child {node {Ebb}} child {node {Flood} child {node {Spring}}};';
    const { word, paths } = drawn(tree);
    expect(word('Ebb')[0]).toBeLessThan(word('Quay')[0]);
    expect(word('Flood')[0]).toBeGreaterThan(word('Quay')[0]);
    expect(word('Spring')[1]).toBeLessThan(word('Flood')[1]);
    expect(paths).toHaveLength(3);
  });
});

describe('keys', () => {
  it.each([
    ['thick', 0.8],
    ['line width=2pt', 2],
    ['ultra thin', 0.1],
    ['help lines', 0.2],
  ])('%s', (key, width) => {
    const { stroke } = drawn(`\\draw[${key}] (0,0) -- (1,0);`).paths[0]?.path ?? {};
    expect((stroke?.width ?? 0) * (72.27 / 72)).toBeCloseTo(width, 3);
  });
  it('styles take arguments, build on one another, and hold in their group', () => {
    const body = (style: string, use: string) =>
      drawn(`\\tikzset{${style}}\\draw[${use}] (0,0) -- (1,0);`);
    const colourOf = (style: string, use: string) => body(style, use).paths[0]?.path.stroke?.paint;
    expect(colourOf('lamp/.style={draw=#1}', 'lamp=red')).toBe(0xff0000);
    expect(colourOf('lamp/.style={draw=#1},lamp/.default=blue', 'lamp')).toBe(0x0000ff);
    expect(colourOf('lamp/.style 2 args={draw=#2}', 'lamp={red}{green}')).toBe(0x00ff00);
    expect(colourOf('a/.style={blue},b/.style={a,thick}', 'b')).toBe(0x0000ff);
    expect(colourOf('a/.style={blue},a/.append style={draw=red}', 'a')).toBe(0xff0000);
    expect(colourOf('lamp/.code={\\tikzset{draw=red}}', 'lamp')).toBe(0xff0000);
    const twice = drawn(
      '\\begin{scope}[every path/.style={red}]\\draw (0,0) -- (1,0);\\end{scope}\\draw (0,0) -- (1,0);',
    );
    expect(twice.paths.map(({ path }) => path.stroke?.paint)).toEqual([0xff0000, 0]);
  });
  it('one that is not known is told of once, with the nearest, and the rest is drawn', () => {
    const { laid, paths } = drawn('\\draw[rouned corners,->] (0,0) -- (1,0);');
    const told = laid.session.findings();
    expect(told.map(({ kind }) => kind)).toEqual(['picture-key']);
    expect(told[0]?.fix?.edits[0]?.text).toBe('rounded corners');
    expect(laid.session.text.slice(told[0]?.from, told[0]?.to)).toBe('rouned corners');
    expect(paths).toHaveLength(2);
  });
  it.each([
    ['\\draw (0,0) -- (Q);', 'picture-node'],
    ['\\node (A) {};\\draw (A.nrth) -- (1,1);', 'picture-anchor'],
    ['\\draw (0,0) -- (1,wobble(2));', 'picture-number'],
    ['\\draw (0,0) => (1,1);', 'picture-word'],
    ['\\draw (0,0) -- (1,0)\n\\draw (0,1) -- (1,1);', 'picture-semicolon'],
    ['\\draw (0,0) towards (1,1);', 'picture-word'],
    ['\\foreach \\x {1,2} \\draw (\\x,0) -- (1,1);', 'picture-loop'],
  ])('what cannot be read is named: %s', (body, kind) => {
    expect(new Set(drawn(body).findings)).toEqual(new Set([kind]));
  });
});

it('what is drawn outside a picture is told of', () => {
  const { findings } = drawn('\\end{tikzpicture}\\draw (0,0) -- (1,1);\\begin{tikzpicture}');
  expect(findings).toEqual(['picture-outside']);
});

describe('loops', () => {
  const said = (head: string, body = '\\x') =>
    drawn(`\\foreach ${head} {\\node {Q${body}};}`)
      .laid.lines.map(({ text }) => text)
      .join(' ')
      .match(/Q[^Q\s]*/g);
  it.each([
    ['\\x in {1,...,4}', '\\x', ['Q1', 'Q2', 'Q3', 'Q4']],
    ['\\x in {1,3,...,7}', '\\x', ['Q1', 'Q3', 'Q5', 'Q7']],
    ['\\x in {0,0.5,...,1}', '\\x', ['Q0', 'Q0.5', 'Q1']],
    ['\\x in {3,...,1}', '\\x', ['Q3', 'Q2', 'Q1']],
    ['\\x in {a,...,c}', '\\x', ['Qa', 'Qb', 'Qc']],
    ['\\x/\\y in {1/a,2/b}', '\\x\\y', ['Q1a', 'Q2b']],
    ['\\x [count=\\i] in {a,b}', '\\i\\x', ['Q1a', 'Q2b']],
    ['\\x [evaluate=\\x as \\y using int(2*\\x)] in {1,2}', '\\y', ['Q2', 'Q4']],
    ['\\x [remember=\\x as \\last (initially 0)] in {1,2}', '\\last\\x', ['Q01', 'Q12']],
  ])('%s', (head, body, wanted) => expect(said(head, body)).toEqual(wanted));
});

describe('bounds', () => {
  it('a picture takes up what is drawn, or what it is told', () => {
    const width = (body: string) => {
      const { laid } = drawn(`${body}\\end{tikzpicture}Quay\\begin{tikzpicture}`);
      return laid.word('Quay').x;
    };
    expect(width('\\draw (0,0) -- (2,0);') - width('\\draw (0,0) -- (1,0);')).toBeCloseTo(CM, 1);
    expect(width('\\useasboundingbox (0,0) rectangle (1,1);\\draw (0,0) -- (3,0);')).toBeCloseTo(
      width('\\draw (0,0) -- (1,0);'),
      0,
    );
    expect(width('\\draw[overlay] (0,0) -- (3,0);')).toBeCloseTo(width(''), 0);
  });
  it('its baseline is its lower edge, or where it is asked for', () => {
    const lift = (options: string) =>
      drawn(
        '\\node (A) {Quay};\\draw (0,-1) -- (0,0);\\end{tikzpicture}Pier\\begin{tikzpicture}',
        '',
        options,
      );
    const plain = lift('');
    expect(plain.word('Pier')[1]).toBeCloseTo(-CM - 0.2, 0);
    const based = lift('[baseline=(A.base)]');
    expect(based.word('Pier')[1]).toBeCloseTo(based.word('Quay')[1], 1);
  });
});

describe('whatever is written', () => {
  const SCRAPS = [
    '\\draw',
    '\\node',
    '\\path',
    '\\fill',
    '[',
    ']',
    '(',
    ')',
    '{',
    '}',
    ';',
    '--',
    '..',
    'controls',
    'and',
    '|-',
    ' to ',
    'node',
    'edge',
    'cycle',
    '(0,0)',
    '(A)',
    '(A.north)',
    '(30:1)',
    '++(1,0)',
    '$(A)!.5!(1,1)$',
    'rectangle',
    'circle',
    'arc',
    'grid',
    'plot',
    '(\\x,{\\x^2})',
    'coordinates',
    '{(0,0) (1,1)}',
    'thick',
    '->',
    'draw=red',
    'scale=2',
    'every node/.style={draw}',
    'a/.style={a}',
    'a',
    ',',
    '=',
    'bend left',
    'decorate',
    'decoration=snake',
    'rounded corners',
    '\\foreach \\x in {1,...,3}',
    '\\begin{scope}',
    '\\end{scope}',
    '\\begin{axis}',
    '\\end{axis}',
    '\\addplot',
    '{x^2}',
    'table',
    '\\matrix',
    'child',
    '{node {x}}',
    'pic',
    '{angle=A--B--C}',
    'let',
    '\\p1',
    'in',
    '\\clip',
    '\\graph',
    '{a -> b}',
    '->[red]',
    '\\tikzmath',
    '{\\x = 1;}',
    'if \\x then',
    'foreach',
    'decorate',
    'edge node=',
    'local bounding box=A',
    'execute at end picture=',
    'remember picture',
    '(pic cs:a)',
    'postaction=',
    '\n\n',
    '"x"',
    "'",
    '$x$',
    '\\def\\y{\\y}',
    '\\y',
    '1/0',
    'sin(',
    '%\n',
  ];
  it('ends, is drawn, and says what was not read', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...SCRAPS), { maxLength: 25 }), (parts) => {
        const made = drawn(parts.join(' '), '\\usepackage{pgfplots}');
        expect(made.laid.session.pages.length).toBeGreaterThan(0);
        expect(made.findings.length).toBeLessThan(400);
      }),
      { numRuns: 150 },
    );
  });
  it.each([
    ['a style of itself', '\\tikzset{a/.style={a}}\\draw[a] (0,0) -- (1,0);', 'nesting-too-deep'],
    ['a macro of itself', '\\def\\y{\\y}\\draw (0,0) -- \\y;', 'macro-runaway'],
  ])('what has no end is stopped: %s', (_, body, kind) => {
    expect(drawn(body).findings).toContain(kind);
  });
  it('a statement of an axis with an open brace is told of, and the axis ends', () => {
    const { findings, paths } = drawn(
      '\\begin{axis}\\addplot {x};\\draw {',
      '\\usepackage{pgfplots}',
    );
    expect(findings.length).toBeLessThan(5);
    expect(paths.length).toBeGreaterThan(4);
  });
  it('a loop over too many things is cut, and the rest of the sheet follows', () => {
    const many = drawn(
      '\\foreach \\x in {1,...,10000000} \\draw (\\x,0);\\end{tikzpicture}After.\\begin{tikzpicture}',
    );
    expect(many.laid.text).toContain('After.');
  });
});

describe('A matrix of nodes', () => {
  it.each([
    ['(', ')'],
    ['{[}', '{]}'],
    ['\\lbrace', '\\rbrace'],
  ])('has its delimiters, which belong to the picture: %s %s', (left, right) => {
    const matrix = (delimiters: string): number => {
      const body = `\\mbox{a\\begin{tikzpicture}\\matrix[matrix of math nodes${delimiters}]{1 & 2\\\\ 3 & 4\\\\};\\end{tikzpicture}b}`;
      const { word } = laidBody(body, '\\usepackage{tikz}\\usetikzlibrary{matrix}');
      return word('b').x - word('a').x;
    };
    const wider = matrix(`,left delimiter=${left},right delimiter=${right}`) - matrix('');
    expect(wider).toBeGreaterThan(8);
    expect(wider).toBeLessThan(25);
  });
  it('a brace below stays below where circuits have words of their own', () => {
    const body =
      '\\begin{tikzpicture}\\draw[decorate,decoration={brace,mirror,raise=12pt}] (0,0) -- (3,0) node[midway,above=0pt]{m};\\end{tikzpicture}';
    const low = (packages: string): number =>
      laidBody(body, `\\usepackage{${packages}}`).word('m').y;
    expect(low('tikz,circuitikz')).toBeCloseTo(low('tikz'), 1);
  });
});

/** Library 3d: what is drawn on a plane of space lies in it. */
it.each([
  ['xy plane at z=1', [0, 1], [1, 3]],
  ['xz plane at y=1', [0, 2], [1, 3]],
  ['yz plane at x=1', [1, 0], [1, 3]],
])('canvas is %s', (plane, from, to) => {
  const axes = 'x={(1cm,0cm)},y={(0cm,2cm)},z={(0cm,1cm)}';
  const { paths } = drawn(
    `\\begin{scope}[${axes}]\\begin{scope}[canvas is ${plane}]\\draw (0,0) -- (1,1);\\end{scope}\\end{scope}`,
  );
  const cm = 72.27 / 2.54;
  const near = (place: number[]) => place.map((n) => expect.closeTo(n * cm, 0) as number);
  expect(paths[0]?.points).toEqual([near(from), near(to)]);
});
