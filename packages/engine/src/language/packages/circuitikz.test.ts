import { describe, expect, it } from 'vitest';
import { CIRCUIT_BODIES, type CircuitBody } from '../../drawing/circuitBodies';
import { CIRCUIT_SIGNS } from '../../drawing/circuits';
import { drawn } from '../../testing/drawn';
import { findingsIn, inArticle } from '../../testing/document';

const CM = 28.45276;
const circuit = (body: string, options = '') => drawn(body, `\\usepackage${options}{circuitikz}`);
/** The ends of a wire, in cm. */
const ends = (points: readonly (readonly [number, number])[]) =>
  points.map(([x, y]) => [
    Math.round((100 * x) / CM) / 100 + 0,
    Math.round((100 * y) / CM) / 100 + 0,
  ]);
/** The least box around paths, in cm. */
function boxOf(paths: ReturnType<typeof circuit>['paths']) {
  const all = paths.flatMap(({ points }) => ends(points));
  const of = (axis: 0 | 1) => all.map((point) => point[axis] as number);
  return [Math.min(...of(0)), Math.max(...of(0)), Math.min(...of(1)), Math.max(...of(1))];
}

describe('a part of a circuit', () => {
  // How it is written, and what it is drawn as; a line of 4 cm leads through.
  it.each([
    ['R', 'american resistor'],
    ['generic', 'generic'],
    ['C', 'capacitor'],
    ['L', 'inductor'],
    ['battery', 'battery'],
    ['battery1', 'cell'],
    ['V', 'european voltage source'],
    ['sV', 'sinusoidal source'],
    ['I', 'european current source'],
    ['D', 'empty diode'],
    ['D*', 'full diode'],
    ['zD', 'zener diode'],
    ['lamp', 'lamp'],
    ['switch', 'open switch'],
    ['fuse', 'fuse'],
    ['pR', 'potentiometer'],
    ['eC', 'polar capacitor'],
    ['cV', 'controlled voltage source'],
    ['cI', 'controlled current source'],
    ['sD', 'Schottky diode'],
    ['photodiode', 'photodiode'],
    ['dcvsource', 'dc voltage source'],
    ['galvanometer', 'galvanometer'],
  ] as const)('%s stands in the middle of its line', (written, part) => {
    const { paths, findings } = circuit(`\\draw (0,0) to[${written}] (4,0);`);
    const { half } = CIRCUIT_SIGNS[part];
    expect(findings).toEqual([]);
    const [wire, ...sign] = paths;
    expect(ends(wire?.points ?? [])).toEqual(
      [
        [0, 0],
        [2 - 1.4 * half, 0],
        [2 + 1.4 * half, 0],
        [4, 0],
      ].map(([x, y]) => [expect.closeTo(x ?? 0, 1), y]),
    );
    const [left = 0, right = 0] = boxOf(sign);
    expect((left + right) / 2).toBeCloseTo(2, 0);
  });

  it('lies along its line, whichever way that goes', () => {
    const [, sign] = circuit('\\draw (0,0) to[C] (0,4);').paths;
    expect(boxOf(sign ? [sign] : [])).toEqual(
      [-0.42, 0.42, 1.86, 1.86].map((n) => expect.closeTo(n, 1)),
    );
  });

  it('is drawn twice as bold as its wires', () => {
    const [wire, sign] = circuit('\\draw (0,0) to[R] (4,0);').paths;
    expect(sign?.path.stroke?.width).toBeCloseTo(2 * (wire?.path.stroke?.width ?? 0), 3);
  });

  it.each([
    ['short', 1],
    ['open', 0],
  ])('%s is no sign', (part, wires) =>
    expect(circuit(`\\draw (0,0) to[${part}] (2,0);`).paths.length).toBe(wires),
  );

  it.each([
    ['o-o', 4],
    ['*-*', 2],
    ['-o', 2],
    ['*-', 1],
    ['o-*', 3],
  ])('has poles: %s', (poles, circles) => {
    const { paths } = circuit(`\\draw (0,0) to[short, ${poles}] (2,0);`);
    expect(paths.length - 1).toBe(circles);
  });
});

describe('what is said of it', () => {
  it.each([
    ['R=$q$', 1],
    ['R, l=$q$', 1],
    ['R, l_=$q$', -1],
    ['R, i=$q$', 1],
    ['R, i_=$q$', -1],
    ['R, v=$q$', -1],
    ['R, v^=$q$', 1],
  ])('%s stands on its side', (written, side) => {
    const { word, findings } = circuit(`\\draw (0,0) to[${written}] (4,0);`);
    const [x, y] = word('𝑞');
    expect(findings).toEqual([]);
    expect(Math.sign(y)).toBe(side);
    expect(x / CM).toBeGreaterThan(1.5);
  });
  it('a current has its arrow on the wire, with it or against it', () => {
    const tip = (written: string) => {
      const { paths } = circuit(`\\draw (0,0) to[R, ${written}] (4,0);`);
      const [a, b] = ends(paths.at(-1)?.points ?? []);
      return Math.sign((a?.[0] ?? 0) - (b?.[0] ?? 0));
    };
    expect([tip('i=$q$'), tip('i<=$q$')]).toEqual([1, -1]);
  });
  it('a voltage is an arrow, or plus and minus in the American way', () => {
    const european = circuit('\\draw (0,0) to[R, v=$q$] (4,0);');
    const american = circuit('\\draw (0,0) to[R, v=$q$] (4,0);', '[american]');
    expect(european.paths.length).toBeGreaterThan(american.paths.length);
    expect(american.word('+')[0]).toBeLessThan(american.word('−')[0]);
  });
});

describe('ways of drawing', () => {
  const resistor = (options: string, body: string) =>
    circuit(body, options).paths.some(({ points }) => points.length === 8);
  it.each([
    ['', '\\draw (0,0) to[R] (4,0);', true],
    ['[european]', '\\draw (0,0) to[R] (4,0);', false],
    ['[european]', '\\ctikzset{american}\\draw (0,0) to[R] (4,0);', true],
    ['', '\\begin{scope}[european]\\draw (0,0) to[R] (4,0);\\end{scope}', false],
  ])('%s %s: a resistor of teeth is %s', (options, body, teeth) =>
    expect(resistor(options, body)).toBe(teeth),
  );
  it('ends hang on their place', () => {
    const [, ...ground] = circuit('\\draw (0,0) -- (2,0) node[ground] {};').paths;
    const [left, right, low, high] = boxOf(ground);
    expect([left, right, low, high]).toEqual(
      [1.72, 2.28, -0.55, 0].map((n) => expect.closeTo(n, 1)),
    );
  });
  it('without the package its words are told of', () => {
    const text = inArticle(
      '\\begin{tikzpicture}\\draw (0,0) to[R] (4,0);\\end{tikzpicture}',
      '\\usepackage{tikz}',
    );
    expect(findingsIn(text).length).toBe(1);
  });
});

describe('parts that are nodes', () => {
  const BODIES = Object.entries(CIRCUIT_BODIES) as [string, CircuitBody][];
  it.each(BODIES)('%s is drawn around its place, and wires reach its ends', (name, body) => {
    const places = Object.entries(body.ends);
    const wires = places.map(([end]) => `\\draw (P.${end}) -- ++(0.1,0);`).join('');
    const { paths, findings } = circuit(`\\node[${name}](P) at (2,1) {};${wires}`);
    expect(findings).toEqual([]);
    const count = body.bold.length + body.fine.length + body.solid.length;
    expect(paths.length).toBe(count + places.length);
    const own = paths.slice(0, count);
    const [left = 0, right = 0, low = 0, high = 0] = boxOf(own);
    expect(left).toBeLessThan(right);
    expect(low).toBeLessThanOrEqual(high);
    places.forEach(([, [x, y]], i) => {
      const [first] = ends(paths[count + i]?.points ?? []);
      expect(first).toEqual([2 + 1.4 * x, 1 + 1.4 * y].map((n) => expect.closeTo(n, 1)));
      // An end lies on what is drawn.
      expect(2 + 1.4 * x).toBeGreaterThan(left - 0.02);
      expect(2 + 1.4 * x).toBeLessThan(right + 0.02);
    });
  });
  it('turn and are mirrored with their ends', () => {
    const at = (keys: string): (number | undefined)[] => {
      const { paths } = circuit(`\\node[npn${keys}](Q) at (0,0) {};\\draw[red] (Q.C) -- (Q.E);`);
      return ends(paths.at(-1)?.points ?? []).flat();
    };
    expect(at('').map((n) => Math.abs(n ?? 9))).toEqual(
      [0, 0.77, 0, 0.77].map((n) => expect.closeTo(n, 1)),
    );
    expect(at(',rotate=90')).toEqual([-0.77, 0, 0.77, 0].map((n) => expect.closeTo(n, 1)));
    expect(at(',yscale=-1')).toEqual([0, -0.77, 0, 0.77].map((n) => expect.closeTo(n, 1)));
  });
  it('words stand beside a transistor and above a supply', () => {
    const { word } = circuit('\\node[npn] at (0,0) {Q1};\\node[vcc] at (3,0) {5V};');
    expect(word('Q1')[0]).toBeGreaterThan(0.1 * CM);
    expect(word('5V')[1]).toBeGreaterThan(0.3 * CM);
  });
  it('quantities in angle brackets, with units', () => {
    const { findings, laid } = circuit('\\draw (0,0) to[R=4<\\ohm>] (3,0);', '[siunitx]');
    expect(findings).toEqual([]);
    expect(laid.text).toMatch(/4 ?Ω/);
  });
});
