import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { drawnText } from '../../testing/drawn';
import { textLook } from '../../testing/pictureLook';

const LOAD = '\\usepackage[edges]{forest}';
const tree = (keys: string, own = '', inner = 'edge'): string =>
  `\\begin{forest}${keys}[S${own} [A [C] [D, ${inner}]] [B]]\\end{forest}`;
const look = (keys: string, own = ''): string => textLook(tree(keys, own, 'name=d'), LOAD);

/** forest manual, section 3. */
describe('each key changes what is drawn', () => {
  it.each([
    ...[
      'for tree={draw}',
      'for tree={circle,draw}',
      'for tree={l sep=2cm}',
      'for tree={s sep=2cm}',
    ],
    ...['for tree={grow=0}', "for tree={grow'=0}", 'for tree={grow=north}', 'for tree={grow=west}'],
    ...[
      'for tree={edge={red}}',
      'for children={draw}',
      'for descendants={draw}',
      'for leaves={draw}',
    ],
    ...['where n children=0{draw}{}', 'where level=1{draw}{}', 'for tree={if n=1{draw}{}}'],
    ...[
      'for tree={parent anchor=south,child anchor=north}',
      'for tree={folder}',
      'for tree={forked edges}',
    ],
    ...[
      'for tree={math content}',
      'for tree={content={X}}',
      'for tree={phantom}',
      'for tree={no edge}',
    ],
    ...[
      'delay={for tree={draw}}',
      'for tree={edge label={node[midway]{w}}}',
      'for leaves={tier=low}',
    ],
    ...['for tree={edge path={\\noexpand\\path[\\forestoption{edge}](!u.south)--(.north);}}'],
    ...['for tree={tikz={\\draw (.south) -- ++(0,-1);}}', 'for descendants={roof}'],
  ])('%s', (keys) => expect(look(keys)).not.toBe(look('')));
  it.each([',draw', ',fill=red', ',phantom', ',content=T', ',for children={draw}'])(
    'of its root: %s',
    (own) => expect(look('', own)).not.toBe(look('')),
  );
  it('nothing is told of, not even of what other libraries bring', () => {
    expect(
      findingsIn(inArticle(tree('for tree={draw}'), `${LOAD}\\useforestlibrary{linguistics}`)),
    ).toEqual([]);
  });
});

describe('styles and what is drawn behind a tree', () => {
  it('a style of the document, with what it is given, also one for a whole tree', () => {
    const styles =
      '\\forestset{mine/.style={for tree={draw,rounded corners}},hued/.style={fill=#1}}';
    const styled = textLook(`${styles}${tree('mine')}`, LOAD);
    expect(styled).toBe(textLook(`${styles}${tree('for tree={draw,rounded corners}')}`, LOAD));
    const hued = textLook(`${styles}${tree('', ', hued=red')}`, LOAD);
    expect(hued).toBe(textLook(`${styles}${tree('', ', fill=red')}`, LOAD));
  });
  it('what holds for all trees', () => {
    const all = textLook(`\\forestset{default preamble={for tree={draw}}}${tree('')}`, LOAD);
    expect(all).toBe(textLook(`\\forestset{}${tree('for tree={draw}')}`, LOAD));
  });
  it('own keys of a node hold over those for all', () => {
    const one = tree('for tree={fill=yellow}', ', fill=red');
    const fills = drawnText(one, LOAD).paths.map(({ path }) => path.fill);
    expect(fills.filter((fill) => fill === 0xff0000).length).toBe(1);
  });
  it('nodes have names, by which lines are drawn behind the tree', () => {
    const body = '\\begin{forest}[S [A, name=a] [B, name=b]]\\draw[red] (a) -- (b);\\end{forest}';
    const { paths } = drawnText(body, LOAD);
    expect(paths.length).toBe(3);
  });
});

describe('where nodes stand', () => {
  const at = (keys: string, word: string): readonly [number, number] =>
    drawnText(tree(keys, '', 'name=d'), LOAD).word(word);
  it.each([
    ['', 0, -1],
    ['for tree={grow=north}', 0, 1],
    ['for tree={grow=0}', 1, 0],
    ['for tree={grow=180}', -1, 0],
  ])('%s', (keys, across, up) => {
    const [root, leaf] = [at(keys, 'S'), at(keys, 'C')];
    if (up !== 0) expect(Math.sign(leaf[1] - root[1])).toBe(up);
    if (across !== 0) expect(Math.sign(leaf[0] - root[0])).toBe(across);
  });
  it.each([
    ['', 1, 0],
    ['for tree={reversed}', -1, 0],
    ['for tree={grow=0}', 0, 1],
    ["for tree={grow'=0}", 0, -1],
    ['for tree={grow=0,reversed}', 0, -1],
    ['for tree={grow=180}', 0, -1],
    ['for tree={grow=north}', -1, 0],
  ])('the order of children: %s', (keys, across, up) => {
    const [first, last] = [at(keys, 'C'), at(keys, 'D')];
    if (across !== 0) expect(Math.sign(last[0] - first[0])).toBe(across);
    if (up !== 0) expect(Math.sign(last[1] - first[1])).toBe(up);
  });
  it('nodes of one tier stand on one level', () => {
    expect(at('', 'B')[1]).toBeGreaterThan(at('', 'C')[1] + 10);
    const keys = 'where n children=0{tier=low}{}';
    expect(at(keys, 'B')[1]).toBeCloseTo(at(keys, 'C')[1], 1);
  });
  it('as folders they stand on lines of their own, children further in', () => {
    const places = ['S', 'A', 'C', 'D', 'B'].map((word) => at('for tree={folder}', word));
    places.forEach(([x, y], i) => {
      const before = places[i - 1];
      if (before) expect(y).toBeLessThan(before[1] - 5);
      if (i > 0) expect(x).toBeGreaterThan((places[0]?.[0] ?? 0) + 5);
    });
  });
});
