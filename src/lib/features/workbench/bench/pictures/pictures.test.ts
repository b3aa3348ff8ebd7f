import { EditorState } from '@codemirror/state';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { nodeNames } from '../../source/pictureNames';
import type { LineEdit } from '../classLine';
import { benchContext, pictureAt } from '../context';
import { domainOf, graphSource, newPlot, readAxis, withLegend, withoutPlot } from './axes';
import {
  directionOf,
  PLAIN,
  readDiagram,
  withArrow,
  withLook,
  withMore,
  withObject,
  withoutArrow,
} from './diagrams';
import { cutBy, optionsAt, valueOf, withKey } from './optionText';
import {
  addition,
  choose,
  chosenOf,
  COLOUR,
  DASHES,
  FILL,
  newEdge,
  newVertex,
  statementAt,
  statementsOf,
  TIPS,
  WIDTH,
} from './statements';

/** A text after edits, the last first so that places hold. */
function after(text: string, edits: LineEdit | readonly LineEdit[] | null): string {
  const list =
    edits === null ? [] : Array.isArray(edits) ? (edits as LineEdit[]) : [edits as LineEdit];
  return [...list]
    .sort((a, b) => b.from - a.from)
    .reduce(
      (now, { from, to = from, insert }) => now.slice(0, from) + insert + now.slice(to),
      text,
    );
}

describe('options', () => {
  it.each([
    ['[a, b=1]', 'b', '2', '[a, b=2]'],
    ['[a, b=1]', 'c', '3', '[a, b=1, c=3]'],
    ['[a, b=1]', 'b', '', '[a]'],
    ['[b=1, a]', 'b', '', '[a]'],
    ['[b=1]', 'b', '', ''],
    ['[]', 'b', '1', '[b=1]'],
    ['', 'b', '1', '[b=1]'],
    ['[b={1,2}, c]', 'b', '3,4', '[b={3,4}, c]'],
    ['[b={1,2}, c]', 'c', 'd=[e]', '[b={1,2}, c={d=[e]}]'],
    ['[\n  a,\n  b=1,\n]', 'c', '2', '[\n  a,\n  b=1, c=2,\n]'],
    ['[b=1, b=2]', 'b', '3', '[b=1, b=3]'],
  ])('%s with %s=%s', (text, key, value, wanted) => {
    const list = optionsAt(text, 0);
    expect(after(text, withKey(list, key, value))).toBe(wanted);
  });

  it('are read with their values', () => {
    const list = optionsAt('x [thick, label={[red]above:$a,b$}, ->, at = {(1,2)}] y', 1);
    expect(list.parts.map(({ key, value }) => [key, value])).toEqual([
      ['thick', null],
      ['label', '[red]above:$a,b$'],
      ['->', null],
      ['at', '(1,2)'],
    ]);
    expect([valueOf(list, 'thick'), valueOf(list, 'at'), valueOf(list, 'b')]).toEqual([
      '',
      '(1,2)',
      null,
    ]);
  });

  it('set and taken out again are as they were', () => {
    const key = fc.constantFrom('thick', 'red', 'domain=1:2', 'label={a,b}', '->');
    fc.assert(
      fc.property(fc.uniqueArray(key, { maxLength: 4 }), (keys) => {
        const text = keys.length === 0 ? '' : `[${keys.join(', ')}]`;
        const set = after(text, withKey(optionsAt(text, 0), 'shift', '{(1,2)}'));
        expect(valueOf(optionsAt(set, 0), 'shift')).toContain('(1,2)');
        expect(after(set, withKey(optionsAt(set, 0), 'shift', ''))).toBe(text);
      }),
    );
  });

  it('are cut only outside brackets', () => {
    const pieces = (text: string) => cutBy(text, ',').map(({ from, to }) => text.slice(from, to));
    expect(pieces('a,{b,c},(d,e),[f,g],h')).toEqual(['a', '{b,c}', '(d,e)', '[f,g]', 'h']);
    expect(pieces('a\\{,b')).toEqual(['a\\{', 'b']);
  });
});

describe('statements of a picture', () => {
  const BODY = `[scale=2]
  \\draw[thick, ->] (0,0) -- node[above] {$a;b$} (2,1);
  \\foreach \\i in {1,2} { \\fill[red!20] (\\i,0) circle (1pt); }
  \\node (a) at (0,0) {ebb;};
  \\draw (a) -- (1,1)`;
  const statements = statementsOf(BODY);

  it('reach to their semicolon, outside braces', () => {
    expect(statements.map(({ from, to }) => BODY.slice(from, to).trim())).toEqual([
      '\\draw[thick, ->] (0,0) -- node[above] {$a;b$} (2,1);',
      '\\fill[red!20] (\\i,0) circle (1pt);',
      '\\node (a) at (0,0) {ebb;};',
      '\\draw (a) -- (1,1)',
    ]);
  });

  it.each([
    ['(2,1)', 0],
    ['circle', 1],
    ['ebb', 2],
    ['(1,1)', 3],
    ['foreach', -1],
  ])('%s stands in number %i', (words, wanted) => {
    const held = statementAt(statements, BODY.indexOf(words));
    expect(held ? statements.indexOf(held) : -1).toBe(wanted);
  });

  it.each([
    ['\\draw (0,0);', COLOUR, 'red', '\\draw[red] (0,0);'],
    ['\\draw[red, thick] (0,0);', COLOUR, 'blue', '\\draw[blue, thick] (0,0);'],
    ['\\draw[draw=red] (0,0);', COLOUR, '', '\\draw (0,0);'],
    ['\\draw[thick] (0,0);', WIDTH, 'very thick', '\\draw[very thick] (0,0);'],
    ['\\draw[thick] (0,0);', WIDTH, '', '\\draw (0,0);'],
    ['\\draw[thick] (0,0);', DASHES, 'dashed', '\\draw[thick, dashed] (0,0);'],
    ['\\draw[->, thick] (0,0);', TIPS, '<->', '\\draw[<->, thick] (0,0);'],
    ['\\draw[-Stealth] (0,0);', TIPS, '', '\\draw (0,0);'],
    ['\\node[fill=red!10] {x};', FILL, 'blue!15', '\\node[fill=blue!15] {x};'],
    ['\\draw[bend left=30] (0,0);', TIPS, '->', '\\draw[bend left=30, ->] (0,0);'],
  ] as const)('%s, %o set to “%s”', (source, choice, value, wanted) => {
    const [statement] = statementsOf(source);
    expect(statement && after(source, choose(statement, choice, value))).toBe(wanted);
    const [then] = statementsOf(wanted);
    expect(then && chosenOf(then, choice)).toBe(value);
  });

  it('come behind the one that is held, as far in as it', () => {
    const text = '\n  \\draw (0,0);\n  \\draw (1,1);\n';
    const [first = null] = statementsOf(text);
    expect(after(text, addition(text, 0, first, '\\fill (2,2);'))).toBe(
      '\n  \\draw (0,0);\n  \\fill (2,2);\n  \\draw (1,1);\n',
    );
    expect(after(text, addition(text, 0, null, 'a\nb'))).toBe(`${text.trimEnd()}\n  a\n  b\n`);
    expect(after('\n', addition('\n', 0, null, 'a'))).toBe('\n  a\n');
  });
});

describe('vertices and edges', () => {
  const BODY =
    '\\node[circle] (a) at (0,0) {};\\coordinate (b c) at (1,1);\\draw (a) -- node (d) {} (b c);';
  it('are known by name', () => expect(nodeNames(BODY)).toEqual(['a', 'b c', 'd']));
  it('have the next free letter and place', () => {
    expect(newVertex('')).toBe('\\node[circle, draw] (a) at (0,0) {$a$};');
    expect(newVertex(BODY)).toBe('\\node[circle, draw] (b) at (2,0) {$b$};');
    let text = '';
    for (let i = 0; i < 30; i++) text += newVertex(text);
    expect(new Set(nodeNames(text)).size).toBe(30);
    const places = [...text.matchAll(/at (\([^)]*\))/g)].map((match) => match[1]);
    expect(new Set(places).size).toBe(30);
  });
  it.each([
    ['a', 'b', '', false, '\\draw (a) -- (b);'],
    ['a', 'b', ' 3 ', true, '\\draw[->] (a) -- node[auto] {$3$} (b);'],
    ['a', 'a', '', true, '\\draw[->] (a) to[loop above] (a);'],
  ])('from %s to %s with “%s”, a tip: %s', (from, to, weight, directed, wanted) => {
    expect(newEdge(from, to, weight, directed)).toBe(wanted);
  });
});

describe('axes', () => {
  const BODY = `[xlabel=$x$, domain=0:2]
    \\addplot[red, domain=-1:1] {x^2}; \\addlegendentry{low}
    \\addplot+ coordinates {(0,1) (1,2)};
    \\addplot {sin(deg(x))};
  `;
  const axis = readAxis(BODY, 0);
  it('are read with what is drawn in them', () => {
    expect(axis.plots.map(({ kind, drawn, legend }) => [kind, drawn.text, legend?.text])).toEqual([
      ['function', 'x^2', 'low'],
      ['points', '(0,1) (1,2)', undefined],
      ['function', 'sin(deg(x))', undefined],
    ]);
    expect(axis.plots.map((plot) => domainOf(plot, axis))).toEqual([
      ['-1', '1'],
      ['0', '2'],
      ['0', '2'],
    ]);
  });
  it('lose a plot with its legend and its line', () => {
    const [first] = axis.plots;
    if (!first) throw new Error('no plot');
    expect(after(BODY, withoutPlot(BODY, 0, first))).toBe(BODY.replace(/\n.*entry\{low\}/, ''));
  });
  it.each([
    [0, 'high', '\\addlegendentry{high}'],
    [0, '', '{x^2};\n'],
    [1, 'points', '(1,2)}; \\addlegendentry{points}'],
  ])('give plot %i the words “%s”', (at, words, wanted) => {
    const plot = axis.plots[at];
    expect(plot && after(BODY, withLegend(plot, words))).toContain(wanted);
  });
  it('are written for a formula that is drawn', () => {
    const source = graphSource('t^2', 't', ['0', '3']);
    expect(source).toContain(newPlot('t^2', ['0', '3']));
    expect(source).toContain('variable=\\t');
  });
});

describe('diagrams', () => {
  const BODY = `
  A \\arrow[r, "f"] \\arrow[d, "g"', hook] & B \\arrow[d, bend left, shift left=1ex] \\\\
  C \\arrow[rr, dashed, "{h,k}" description] & & D
`;
  const diagram = readDiagram(BODY);
  it('are read as objects and arrows between them', () => {
    expect(diagram.cells.map((row) => row.map(({ object }) => object))).toEqual([
      ['A', 'B'],
      ['C', '', 'D'],
    ]);
    expect(diagram.arrows.map(({ start, end, look }) => [start, end, look])).toEqual([
      [[0, 0], [0, 1], { ...PLAIN, label: 'f' }],
      [[0, 0], [1, 0], { ...PLAIN, label: 'g', swapped: true, kind: 'hook' }],
      [[0, 1], [1, 1], { ...PLAIN, bend: 'bend left' }],
      [[1, 0], [1, 2], { ...PLAIN, kind: 'dashed' }],
    ]);
  });
  it.each([
    [[0, 0], [0, 1], 'r'],
    [[0, 0], [1, 2], 'rrd'],
    [[2, 2], [0, 1], 'luu'],
    [[1, 1], [1, 1], ''],
  ] as const)('lead from %o to %o by %s', (start, end, wanted) => {
    expect(directionOf(start, end)).toBe(wanted);
  });
  it('take another object, and keep its arrows with their other options', () => {
    const text = after(BODY, withObject(diagram, [0, 1], 'B_1'));
    expect(text).toContain('B_1 \\arrow[d, bend left, shift left=1ex] \\\\');
    expect(after(BODY, withObject(diagram, [1, 1], 'E'))).toMatch(/& +E +& D/);
    expect(withObject(diagram, [0, 0], 'A')).toBeNull();
  });
  it('gain and lose arrows', () => {
    const drawn = after(BODY, withArrow(diagram, [1, 2], [0, 1], { ...PLAIN, label: 'p,q' }));
    expect(drawn).toContain('D \\arrow[lu, "{p,q}"]');
    expect(readDiagram(drawn).arrows.at(-1)?.look.label).toBe('p,q');
    const [first] = diagram.arrows;
    expect(first && after(BODY, withoutArrow(BODY, 0, first))).toContain('A \\arrow[d,');
    expect(withArrow(diagram, [0, 0], [0, 0])).toBeNull();
  });
  it('look as they are chosen', () => {
    const look = { label: 'q', swapped: true, kind: 'two heads', bend: 'bend right' };
    for (const arrow of diagram.arrows.slice(0, 3)) {
      const text = after(BODY, withLook(arrow, look));
      const again = readDiagram(text).arrows[diagram.arrows.indexOf(arrow)];
      expect([again?.look, again?.start, again?.end]).toEqual([look, arrow.start, arrow.end]);
    }
  });
  it('grow by a row or a column', () => {
    for (const [what, rows, columns] of [
      ['row', 3, 3],
      ['column', 2, 4],
    ] as const) {
      const { cells } = readDiagram(after(BODY, withMore(BODY, 0, diagram, what)));
      expect([cells.length, Math.max(...cells.map((row) => row.length))]).toEqual([rows, columns]);
    }
  });
});

it.each([
  ['\\begin{tikzpicture}\n|\\end{tikzpicture}', 'picture'],
  ['\\begin{circuitikz}\n|\\end{circuitikz}', 'picture'],
  ['\\begin{tikzpicture}\\begin{axis}\n|\\end{axis}\\end{tikzpicture}', 'axis'],
  ['\\[\\begin{tikzcd}A | B\\end{tikzcd}\\]', 'diagram'],
  ['Words |alone.', 'text'],
])('in %s the tools are those of: %s', (marked, kind) => {
  const state = EditorState.create({
    doc: marked.replace('|', ''),
    selection: { anchor: marked.indexOf('|') },
  });
  expect(benchContext(state).kind).toBe(kind);
  expect(pictureAt(state) !== null).toBe(kind === 'picture' || kind === 'axis');
});
