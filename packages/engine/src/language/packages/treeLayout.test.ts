import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';
import { NO_PORT, walkPage } from '../../output/display/walk';
import { regionOf } from './venn';
import { placedTree } from './treeLayout';

interface Node {
  readonly width: number;
  readonly children: readonly Node[];
}

const treeOf = (depth: number): fc.Arbitrary<Node> =>
  fc.record({
    width: fc.integer({ min: 4, max: 60 }),
    children: depth > 0 ? fc.array(treeOf(depth - 1), { maxLength: 3 }) : fc.constant([]),
  });
const tree = treeOf(4);
const sizes = ({ width }: Node) => ({ width, height: 10 });
const options = { sideways: false, gap: 8, apart: 20 };

describe('trees are laid out', () => {
  it('so that no two nodes meet, and parents stand over the middle of their children', () => {
    fc.assert(
      fc.property(tree, (root) => {
        const placed = placedTree(root, sizes, options);
        for (const [i, a] of placed.entries()) {
          for (const b of placed.slice(i + 1)) {
            if (a.y !== b.y) continue;
            expect(Math.abs(a.x - b.x)).toBeGreaterThan((a.node.width + b.node.width) / 2 + 7.9);
          }
          const own = placed.filter(({ parent }) => parent === i);
          if (own.length) expect(((own[0]?.x ?? 0) + (own.at(-1)?.x ?? 0)) / 2).toBeCloseTo(a.x, 6);
        }
      }),
      { numRuns: 60 },
    );
  });
  it('sideways they are the same, turned', () => {
    const root: Node = {
      width: 10,
      children: [
        { width: 10, children: [] },
        { width: 10, children: [] },
      ],
    };
    const [, first, second] = placedTree(root, sizes, { ...options, sideways: true });
    expect(first?.x).toBe(second?.x);
    expect(first?.y).toBeGreaterThan(second?.y ?? 0);
  });
});

describe('trees in brackets', () => {
  it.each([
    ['forest', '\\begin{forest}[S [{a, b}] [VP [c]]]\\end{forest}', ['S', 'a,', 'VP', 'c']],
    [
      'forest',
      '\\begin{forest}for tree={draw,circle}[1 [2, fill=red] [3]]\\end{forest}',
      ['1', '2', '3'],
    ],
    ['qtree', '\\Tree [.S [.NP tide ] \\qroof{at noon}.PP ]', ['S', 'NP', 'tide', 'PP', 'noon']],
    ['tikz-qtree', '\\Tree [ a [ b ].c ].S', ['S', 'a', 'c', 'b']],
  ])('%s: %s', (name, body, words) => {
    const load = `\\usepackage{${name}}`;
    expect(findingsIn(inArticle(body, load))).toEqual([]);
    const page = laidBody(body, load);
    const heights = words.map((word) => page.word(word).y);
    expect(heights[0]).toBeLessThan(Math.max(...heights.slice(1)));
  });
});

describe('the regions of a diagram of sets', () => {
  it.each([
    ['fillA', ['A'], [], false],
    ['fillOnlyA', ['A'], ['B', 'C'], false],
    ['fillACapB', ['A', 'B'], [], false],
    ['fillACapBNotC', ['A', 'B'], ['C'], false],
    ['fillNotAorB', [], ['A', 'B'], false],
    ['fillACupB', ['A', 'B'], [], true],
    ['fillAll', ['A', 'B', 'C'], [], true],
  ])('%s', (command, within, outside, union) => {
    expect(regionOf(command, ['A', 'B', 'C'])).toEqual({ within, outside, union });
  });
  it('other names are none', () => expect(regionOf('fillX', ['A', 'B'])).toBe(null));
});

it('a system has each unknown in its column', () => {
  const page = laidBody('$\\systeme{x+y=1,2x-y=3}$', '\\usepackage{systeme}');
  expect(page.word('𝑦').x).toBeCloseTo(page.word('𝑦', 2).x, 1);
  expect(page.word('=').x).toBeCloseTo(page.word('=', 2).x, 1);
});

it.each([
  ['', 3, 2],
  [',phantom', 2, 1],
  [',no edge', 3, 1],
])('a node of a tree with%s: %d nodes and %d lines are drawn', (key, nodes, lines) => {
  const body = `\\begin{forest}for tree={draw}[a[b][c${key}]]\\end{forest}`;
  expect(findingsIn(inArticle(body, '\\usepackage{forest}'))).toEqual([]);
  const { session } = laidBody(body, '\\usepackage{forest}');
  const points: number[] = [];
  const [page] = session.pages;
  if (page)
    walkPage(session.describe(page), {
      ...NO_PORT,
      path: ({ trace, stroke }) => {
        let count = 0;
        trace({
          moveTo: () => count++,
          lineTo: () => count++,
          bezierCurveTo: () => count++,
          closePath: () => undefined,
        });
        if (stroke) points.push(count);
      },
    });
  expect(points.filter((count) => count === 4)).toHaveLength(nodes);
  expect(points.filter((count) => count === 2)).toHaveLength(lines);
});
