import { describe, expect, it } from 'vitest';
import { drawn } from '../../testing/drawn';

const LOAD =
  '\\usetikzlibrary{chains,positioning,through,shapes.callouts,shapes.multipart,shadows,decorations.markings,arrows.meta}';
const picture = (body: string, options = '') =>
  drawn(`\\begin{scope}[${options}]${body}\\end{scope}`, LOAD);
const boxes = (found: ReturnType<typeof drawn>) =>
  found.paths.filter(({ points }) => points.length === 4).map(({ points }) => points);
const middle = (points: readonly (readonly number[])[]) =>
  [0, 1].map((i) => points.reduce((sum, point) => sum + (point[i] ?? 0), 0) / points.length);

/** The manual of tikz: the libraries of chains, through, shapes and shadows. */
describe('chains', () => {
  it.each([
    ['start chain', 1, 0],
    ['start chain=going below', 0, -1],
    ['start chain=going left', -1, 0],
    ['start chain=steps going above', 0, 1],
  ])('%s: each node stands beside the one before', (options, x, y) => {
    const found = picture(
      '\\node[draw,on chain]{a};\\node[draw,on chain]{a};\\node[draw,on chain]{a};',
      options,
    );
    const [one = [0, 0], two = [0, 0], three = [0, 0]] = boxes(found).map(middle);
    for (const [before, behind] of [
      [one, two],
      [two, three],
    ] as const) {
      const [dx = 0, dy = 0] = [0, 1].map((i) => (behind[i] ?? 0) - (before[i] ?? 0));
      expect([Math.sign(Math.round(dx)), Math.sign(Math.round(dy))]).toEqual([x, y]);
    }
    expect(found.findings).toEqual([]);
  });

  it('lines join them, as they are told', () => {
    const found = picture(
      '\\node[draw,on chain]{a};\\node[draw,on chain,join]{b};\\node[draw,on chain,join=by red]{c};\\draw (chain-1) -- (chain-end);',
      'start chain,every join/.style={->}',
    );
    const lines = found.paths.filter(({ path, points }) => points.length === 2 && path.stroke);
    expect(lines.some(({ path }) => path.stroke?.paint === 0xff0000)).toBe(true);
    expect(lines.length).toBeGreaterThanOrEqual(3);
    expect(found.findings).toEqual([]);
  });
});

describe('nodes of several parts', () => {
  it.each([
    ['rectangle split,rectangle split parts=3', 'down'],
    ['rectangle split,rectangle split horizontal,rectangle split parts=3', 'across'],
  ])('%s has a line between two of them', (options, way) => {
    const found = picture(
      `\\node[draw,${options}] (n) at (0,0) {a\\nodepart{two}b\\nodepart{three}c};\\draw[red] (n.two) -- +(3,0);`,
    );
    expect(found.findings).toEqual([]);
    const words = ['a', 'b', 'c'].map((word) => found.word(word));
    const along = words.map(([x, y]) => (way === 'down' ? -y : x));
    expect([...along].sort((a, b) => a - b)).toEqual(along);
    const strokes = found.paths.flatMap(({ points, path }) =>
      path.stroke && points.length >= 2 ? [points] : [],
    );
    expect(strokes.length).toBeGreaterThanOrEqual(3);
    const arrow = found.paths.find(({ path }) => path.stroke?.paint === 0xff0000)?.points ?? [];
    expect(Math.abs((arrow[0]?.[1] ?? 9) - (words[1]?.[1] ?? 0))).toBeLessThan(6);
  });
});

describe('nodes that reach out', () => {
  it.each(['rectangle callout', 'ellipse callout'])('a %s points to its place', (shape) => {
    const found = picture(
      `\\node[draw,${shape},callout absolute pointer={(2,0)}] at (0,2) {Hi};\\fill (2,0) circle (1pt);`,
    );
    const far = 2 * 28.4528;
    expect(
      found.paths.some(({ points }) =>
        points.some(([x, y]) => Math.abs(x - far) < 0.1 && Math.abs(y) < 0.1),
      ),
    ).toBe(true);
    expect(found.findings).toEqual([]);
  });

  it('a circle goes through a place', () => {
    const found = picture('\\coordinate (a) at (3,4);\\node[draw,circle through=(a)] at (0,0) {};');
    const [points = []] = found.paths.map(({ points: all }) => all);
    for (const [x, y] of points) expect(Math.hypot(x, y) / 28.4528).toBeCloseTo(5, 1);
    expect(found.findings).toEqual([]);
  });

  it('a shadow lies below its node, moved to the right and down', () => {
    const [shadow, node] = boxes(picture('\\node[draw,fill=white,drop shadow] at (0,0) {Noon};'));
    const [a = [0, 0], b = [0, 0]] = [middle(shadow ?? []), middle(node ?? [])];
    expect(a[0]).toBeGreaterThan(b[0] ?? 0);
    expect(a[1]).toBeLessThan(b[1] ?? 0);
  });
});

it.each([
  ['at position .5', 1],
  ['between positions 0 and 1 step .25', 5],
  ['between positions .1 and .9 step .2', 5],
  ['between positions 0 and 1 step 0', 1],
])('marks %s: %d', (places, count) => {
  const marked = (mark: string) =>
    picture(
      `\\draw[postaction={decorate},decoration={markings,mark=${mark} with {\\arrow{Stealth}}}] (0,0) -- (4,0);`,
    ).paths.length;
  expect(marked(places) - marked('at position .5')).toBe(count - 1);
});
