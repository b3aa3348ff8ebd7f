import { describe, expect, it } from 'vitest';
import { drawn } from '../../testing/drawn';

const LOAD = '\\usetikzlibrary{matrix,circuits.logic.US,circuits.logic.IEC,shapes}';
const picture = (body: string) => drawn(body, LOAD);
const cm = 28.45;

/** The manual of tikz, “matrices and alignment”. */
describe('matrices', () => {
  it('cells that are drawn stand by their own origins, what is named in them is there behind', () => {
    const found = picture(
      '\\matrix[column sep=1cm,row sep=1cm]{\\node (a) {A}; & \\draw (0,0) -- (1,0); \\\\ & \\node[draw,circle] (b) {B}; \\\\};\\draw[red] (a.center) -- (b.center);',
    );
    expect(found.findings).toEqual([]);
    const red = found.paths.find(({ path }) => path.stroke?.paint === 0xff0000);
    const [from, to] = red?.points ?? [];
    const [a, b] = [found.word('A'), found.word('B')];
    // Nodes are as wide as their letters: some pt from the start of each to its middle.
    for (const [point, word] of [
      [from, a],
      [to, b],
    ] as const) {
      expect(Math.abs((point?.[0] ?? 99) - word[0])).toBeLessThan(6);
      expect(Math.abs((point?.[1] ?? 99) - word[1])).toBeLessThan(6);
    }
  });

  it.each([
    ['nodes in empty cells,nodes={draw}', 4],
    ['nodes={draw}', 3],
    ['column 1/.style={nodes={draw}}', 2],
    ['column 2/.style={nodes=draw}', 1],
    ['row 2/.style={nodes={draw}}', 2],
    ['every odd row/.style={nodes=draw}', 1],
    ['row 2 column 2/.style={draw}', 1],
    ['column 2/.style={nodes={draw}},row 2/.style={nodes={draw}}', 2],
  ])('%s: %i of the cells have a frame', (options, count) => {
    const found = picture(`\\matrix[matrix of nodes,${options}]{a & \\\\ b & c \\\\};`);
    expect(found.paths.filter(({ points }) => points.length === 4)).toHaveLength(count);
    expect(found.findings).toEqual([]);
  });

  it.each([
    ['column sep={2cm,between origins}', 2 * cm],
    ['column sep={15mm,between origins}', 1.5 * cm],
  ])('%s counts from middle to middle', (options, distance) => {
    const found = picture(
      `\\matrix (m) [matrix of nodes,${options}]{aaaa & b \\\\ c & dddd \\\\};\\draw[red] (m-1-1.center) -- (m-1-2.center);`,
    );
    const [from, to] = found.paths.at(-1)?.points ?? [];
    expect((to?.[0] ?? 0) - (from?.[0] ?? 0)).toBeCloseTo(distance, 0);
  });

  it.each([
    ['anchor=east', 'east'],
    ['anchor=west', 'west'],
  ])('%s of a column: its cells stand at that side', (options, side) => {
    const found = picture(
      `\\matrix (m) [matrix of nodes,column 1/.style={${options}}]{aaaa \\\\ c \\\\};\\draw[red] (m-1-1.${side}) -- (m-2-1.${side});`,
    );
    const [from, to] = found.paths.at(-1)?.points ?? [];
    expect((to?.[0] ?? 0) - (from?.[0] ?? 9)).toBeCloseTo(0, 1);
  });

  it('cells lie one upon the line of the other with a separation of less than nothing', () => {
    const found = picture(
      '\\matrix[matrix of nodes,nodes={draw,minimum size=1cm},column sep=-\\pgflinewidth]{1 & 2 \\\\};',
    );
    const [one, two] = found.paths.filter(({ points }) => points.length === 4);
    const [right, left] = [
      Math.max(...(one?.points ?? []).map(([x]) => x)),
      Math.min(...(two?.points ?? []).map(([x]) => x)),
    ];
    expect(right - left).toBeCloseTo(0.4, 1);
  });
});

describe('gates in circuits', () => {
  it.each([
    ['circuit logic US', 'and gate', 1],
    ['circuit logic US', 'xor gate', 2],
    ['circuit logic IEC', 'or gate', 1],
    ['circuit logic IEC', 'nor gate', 1],
  ])('%s: %s is drawn by itself, and joined by its anchors', (kind, gate, strokes) => {
    const found = picture(
      `\\begin{scope}[${kind}]\\node[${gate},inputs=nn] (g) {};\\end{scope}\\draw[red] (g.input 1) -- ++(-1,0) (g.input 2) -- ++(-1,0) (g.output) -- ++(1,0);`,
    );
    expect(found.findings).toEqual([]);
    const black = found.paths.filter(({ path }) => path.stroke && path.stroke.paint !== 0xff0000);
    expect(black).toHaveLength(strokes);
    const red = found.paths.find(({ path }) => path.stroke?.paint === 0xff0000)?.points ?? [];
    expect(red[0]?.[1]).toBeGreaterThan(red[2]?.[1] ?? 0);
    expect(red[4]?.[0]).toBeGreaterThan(red[0]?.[0] ?? 0);
  });
  it.each([
    ['and gate IEC', '&'],
    ['or gate IEC', '≥'],
  ])('%s has its sign in it, or what is written', (shape, sign) => {
    expect(picture(`\\node[draw,${shape}] {};`).word(sign)).toBeTruthy();
    expect(picture(`\\node[draw,${shape}] {X};`).word('X')).toBeTruthy();
  });
});

describe('what is said of nodes', () => {
  it('has another name', () => {
    const found = picture('\\node[alias=b] (a) at (1,2) {};\\draw (0,0) -- (b.center);');
    expect(found.findings).toEqual([]);
    expect(found.paths.at(-1)?.points[1]?.[0]).toBeCloseTo(cm, 1);
  });
  it('has something before and behind its words', () => {
    const found = picture(
      '\\begin{scope}[every node/.style={execute at begin node=$,execute at end node=$}]\\node {x};\\end{scope}',
    );
    expect(found.word('𝑥')).toBeTruthy();
  });
  it.each([
    ['label position=below', -1],
    ['label position=above', 1],
  ])('%s: labels that do not say stand there', (option, side) => {
    const found = picture(`\\node[draw,circle,${option},label=W] at (0,0) {};`);
    expect(Math.sign(found.word('W')[1])).toBe(side);
  });
  it.each(['circle split', 'ellipse split'])('%s: one part above its line, one below', (shape) => {
    const found = picture(`\\node[draw,${shape}] at (0,0) {U\\nodepart{lower}L};`);
    expect(found.word('U')[1]).toBeGreaterThan(0);
    expect(found.word('L')[1]).toBeLessThan(0);
    expect(found.findings).toEqual([]);
  });
});
