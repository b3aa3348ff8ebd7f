import { describe, expect, it } from 'vitest';
import { laidBody, type Laid } from '../../testing/layout';

const LOAD = '\\usepackage{needspace,multicol}';
/** So many lines, then what is asked for. */
const after = (lines: number, body: string): Laid =>
  laidBody(`${'line\\par '.repeat(lines)}${body}`, LOAD);

/** A page of article holds some 45 lines. */
describe('room that is needed', () => {
  it.each([
    [40, '\\needspace{3\\baselineskip}here', 0],
    [44, '\\needspace{3\\baselineskip}here', 1],
    [44, '\\needspace{1\\baselineskip}here', 0],
    [30, '\\begin{multicols}{2}[here]a\\par b\\end{multicols}', 0],
    [42, '\\begin{multicols}{2}[here]a\\par b\\end{multicols}', 1],
    [36, '\\begin{multicols}{2}[here][9cm]a\\par b\\end{multicols}', 1],
  ])('after %i lines: %s', (lines, body, page) => {
    expect(after(lines, body).word('here').page).toBe(page);
  });
  it('moves nothing where there is enough', () => {
    const [with_, without] = [after(5, '\\needspace{3cm}here'), after(5, 'here')];
    expect(with_.word('here').y).toBeCloseTo(without.word('here').y, 2);
  });
});
