import { describe, expect, it } from 'vitest';
import { drawn } from '../../testing/drawn';

const LOAD = '\\usetikzlibrary{graphs,graphs.standard,quotes,math}';
const graph = (body: string, options = '') => drawn(`\\graph${options} {${body}};`, LOAD);
const cm = 28.4528;
/** A place of the picture in cm, where the middle of a node's letter lies. */
const place = (found: ReturnType<typeof drawn>, word: string): readonly [number, number] => {
  const [x, y] = found.word(word);
  return [Math.round((2 * x) / cm) / 2 + 0, Math.round((2 * y) / cm) / 2 + 0];
};
const lines = (found: ReturnType<typeof drawn>) =>
  found.paths.filter(({ path, points }) => path.stroke && points.length === 2 && !path.fill);

/** The manual of tikz, “specifying graphs”. */
describe('graphs', () => {
  it.each([
    ['a -> b -> c', '', { a: [0, 0], b: [1, 0], c: [2, 0] }],
    ['a, b, c', '', { a: [0, 0], b: [0, -1], c: [0, -2] }],
    ['a -> {b, c, d} -> e', '', { b: [1, 0], c: [1, -1], d: [1, -2], e: [2, 0] }],
    ['a -> {b -> {d, e}, c}', '', { d: [2, 0], e: [2, -1], c: [1, -2] }],
    ['a -> b -> c -> a', '', { a: [0, 0], c: [2, 0] }],
    ['a -> {b, c}', '[grow down=2cm,branch right=15mm]', { b: [0, -2], c: [1.5, -2] }],
    ['a -> {b, c}', '[chain shift={(2,1)},group shift={(0,1)}]', { b: [2, 1], c: [2, 2] }],
    ['a[x=1,y=2] -> b[x=3,y=0]', '[no placement]', { a: [1, 2], b: [3, 0] }],
    ['a[at={(1,2)}] -> b', '', { a: [1, 2] }],
    ['a, b, c, d', '[clockwise,radius=2cm]', { a: [0, 2], b: [2, 0], c: [0, -2], d: [-2, 0] }],
    ['a, b, c, d', '[counterclockwise,radius=2cm,phase=0]', { a: [2, 0], b: [0, 2], c: [-2, 0] }],
    [
      '{[cycle] a, b, c, d}, a -- c',
      '[clockwise,radius=2cm]',
      { a: [0, 2], b: [2, 0], c: [0, -2] },
    ],
    ['\\foreach \\i in {1,...,3} { \\i }', '', { '1': [0, 0], '2': [0, -1], '3': [0, -2] }],
  ] as const)('%s %s: nodes stand where they should', (body, options, wanted) => {
    const found = graph(body, options);
    expect(found.findings).toEqual([]);
    for (const [name, at] of Object.entries(wanted))
      expect([name, place(found, name)]).toEqual([name, at]);
  });

  it.each([
    ['a -- b -- c', '', 2],
    ['a -- {b, c, d}', '', 3],
    ['{a, b} -- {c, d}', '', 2],
    ['{a, b} -- {c, d, e}', '', 3],
    ['{a, b} -- {c, d, e}', '[complete bipartite]', 6],
    ['a -- {b -- c, d} -- e', '', 5],
    ['subgraph K_n [n=5]', '', 10],
    ['subgraph C_n [n=5,clockwise]', '', 5],
    ['subgraph P_n [n=5]', '', 4],
    ['subgraph I_n [n=5]', '', 0],
    ['subgraph K_nm [n=3,m=2]', '', 6],
    ['subgraph I_nm [V={x,y},W={z}]', '', 0],
    ['{[clique] a, b, c, d}', '', 6],
    ['{[cycle] a, b, c, d}', '', 4],
    ['{[path] a, b, c, d}', '', 3],
    ['{[clique] a, b, c, d}, a -!- c', '', 5],
    ['a -- b, a -- b', '', 2],
    ['a -- b, b -- a', '[simple]', 1],
  ] as const)('%s %s: %i edges', (body, options, count) => {
    const found = graph(body, options);
    expect(found.findings).toEqual([]);
    expect(lines(found)).toHaveLength(count);
  });

  it('edges have tips, options and words; nodes the look and the text they are told', () => {
    const found = graph(
      'a/"$x$" ->["W"] b, c --[red] d[as=Z], "$q$"',
      '[nodes={draw,circle},edges={thick}]',
    );
    expect(found.findings).toEqual([]);
    for (const word of ['𝑥', 'W', 'Z', '𝑞']) expect(found.word(word)).toBeTruthy();
    expect(lines(found).some(({ path }) => path.stroke?.paint === 0xff0000)).toBe(true);
    expect(lines(found).every(({ path }) => (path.stroke?.width ?? 0) > 0)).toBe(true);
    expect(found.paths.filter(({ curves }) => curves === 4)).toHaveLength(5);
  });

  it.each([
    ['[math nodes]', '𝑎'],
    ['[nodes={font=\\bfseries}]', 'a'],
  ])('%s', (options, word) => {
    expect(graph('a', options).word(word)).toBeTruthy();
  });
  it('empty nodes have no words', () => {
    expect(() => graph('a', '[empty nodes]').word('a')).toThrow();
  });

  it('nodes of the picture are joined by their names in brackets', () => {
    const found = drawn(
      '\\node (s) at (0,2) {s};\\graph { (s) -> t };\\draw[red] (s.center) -- (t.center);',
      LOAD,
    );
    expect(found.findings).toEqual([]);
    expect(lines(found)).toHaveLength(2);
  });

  it.each([
    ['', 2],
    ['[use existing nodes]', 1],
  ])('a name that the picture has %s: %i nodes', (options, count) => {
    const found = drawn(
      `\\node[draw] (a) at (0,3) {a};\\graph[nodes={draw}${options === '' ? '' : ',use existing nodes'}] { a };`,
      LOAD,
    );
    expect(found.findings).toEqual([]);
    expect(found.paths.filter(({ points }) => points.length === 4)).toHaveLength(count);
  });

  it('rooms between nodes are counted from border to border', () => {
    const found = graph(
      'a/"a very long one" -> b',
      '[grow right sep=1cm,nodes={draw,inner sep=0pt,outer sep=0pt}]',
    );
    const [a, b] = found.paths.filter(({ points }) => points.length === 4);
    const right = Math.max(...(a?.points ?? []).map(([x]) => x));
    const left = Math.min(...(b?.points ?? []).map(([x]) => x));
    expect(left - right).toBeCloseTo(cm, 0);
  });

  it('layouts that are worked out elsewhere are told of', () => {
    expect(graph('a -> b', '[layered layout]').findings).toEqual(['key-without-effect']);
  });
});

/** The manual of tikz, the library math. */
describe('statements of arithmetic', () => {
  const says = (statements: string, words: string) =>
    drawn(`\\tikzmath{${statements}}\\node {${words}};`, LOAD);
  it.each([
    ['\\a = 3; \\b = \\a^2;', '\\b', '9.0'],
    ['int \\n; \\n = 7/2;', '\\n', '3'],
    ['integer \\n,\\m; \\n = 7/2; \\m = \\n*2;', '\\m', '6'],
    ['let \\t = abc;', '\\t', 'abc'],
    ['if 3 > 2 then { \\r = 1; } else { \\r = 0; };', '\\r', '1.0'],
    [
      'if 3 < 2 then { \\r = 1; } else if 1 == 1 then { \\r = 2; } else { \\r = 0; };',
      '\\r',
      '2.0',
    ],
    ['int \\s; \\s = 0; for \\i in {1,...,4} { \\s = \\s+\\i; };', '\\s', '10'],
    ['int \\s; \\s = 0; for \\i in {1,2}, \\j in {1,2,3} { \\s = \\s+\\i*\\j; };', '\\s', '18'],
    ['function f(\\x) { return \\x^2+1; }; \\v = f(3);', '\\v', '10.0'],
    [
      'function g(\\n) { if \\n < 2 then { return 1; } else { return \\n*g(\\n-1); }; }; \\v = g(5);',
      '\\v',
      '120.0',
    ],
    ['function h(\\x,\\y) { \\z = \\x-\\y; return \\z; }; \\v = h(5,2);', '\\v', '3.0'],
    ['\\q1 = 5; \\q2 = 6; \\v = \\q1+\\q2;', '\\v', '11.0'],
    ['coordinate \\c; \\c = (1,2)+(1,0); \\v = \\cx/1cm;', '\\v', '2.0'],
  ])('%s', (statements, words, value) => {
    const found = says(statements, words);
    expect(found.findings).toEqual([]);
    expect(found.word(value.slice(0, 2))).toBeTruthy();
  });
  it('what stands in braces is drawn', () => {
    const found = drawn('\\tikzmath{for \\i in {1,2,3} { {\\draw (\\i,0) -- (\\i,1);}; };}', LOAD);
    expect(lines(found)).toHaveLength(3);
    expect(found.findings).toEqual([]);
  });
  it('a word that is none is told of', () => {
    expect(says('whenever \\a;', 'x').findings).toEqual(['picture-word']);
  });
  it.each([
    'function f(\\x) { return f(\\x); }; \\v = f(1);',
    'for \\i in {1,...,99999} { for \\j in {1,...,99999} { \\a=1; }; };',
  ])('ends: %s', (statements) => {
    expect(says(statements, 'x').word('x')).toBeTruthy();
  });
});
