import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const load = '\\usepackage{tikz}\\usetikzlibrary{automata,positioning}';
const picture = (keys: string, options = ''): string =>
  `\\begin{tikzpicture}[${options}]\\node[state,${keys}] (a) {Q};\\end{tikzpicture}`;
const at = (keys: string, word: string, options = '') => {
  const { word: find } = laidBody(picture(keys, options), load);
  const [w, q] = [find(word), find('Q')];
  return { across: w.x - q.x, up: q.y - w.y };
};

/** Where the word of the arrow stands that leads into a state (the manual of tikz, 41). */
describe('the arrow into the first state', () => {
  it.each([
    ['initial', 'start', -1, 0],
    ['initial,initial text=Go', 'Go', -1, 0],
    ['initial text=Go,initial', 'Go', -1, 0],
    ['initial,initial where=above', 'start', 0, 1],
    ['initial below', 'start', 0, -1],
    ['initial right', 'start', 1, 0],
    ['accepting by arrow,accepting text=End,accepting above', 'End', 0, 1],
  ])('%s', (keys, word, across, up) => {
    const found = at(keys, word);
    const side = (value: number): number => (Math.abs(value) < 16 ? 0 : Math.sign(value));
    expect([side(found.across), side(found.up)]).toEqual([across, up]);
    expect(findingsIn(inArticle(picture(keys), load))).toEqual([]);
  });

  it('is longer where that is asked, and may have no word', () => {
    const [short, long] = [at('initial', 'start'), at('initial,initial distance=2cm', 'start')];
    expect(short.across - long.across).toBeCloseTo(2 * 28.45 - 3 * 4.3, 0);
    expect(laidBody(picture('initial', 'initial text='), load).text).not.toContain('start');
  });
});
