import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const SI = '\\usepackage{siunitx}';
const prints = (body: string): string =>
  laidBody(body, SI).text.replace(/\s+/g, '').replace(/\|1$/, '');

/** siunitx manual, sections 3.1 to 3.5. */
describe('numbers and quantities together', () => {
  it.each([
    ['\\numproduct{2 x 3 x 4}', '2×3×4'],
    ['\\qtyproduct{2 x 3}{\\metre}', '2m×3m'],
    ['\\complexnum{1+2i}', '1+2i'],
    ['\\complexnum{1-2.5i}', '1−2.5i'],
    ['\\complexnum{3i}', '3i'],
    ['\\tablenum{12.3}', '12.3'],
    ['\\numrange{1}{5}', '1to5'],
    ['\\numrange[range-phrase=--]{1}{5}', '1–5'],
    ['\\qtyrange{1}{5}{\\metre}', '1mto5m'],
    ['\\qtyrange[range-units=single]{1}{5}{\\metre}', '1to5m'],
    ['\\sisetup{range-phrase=bis}\\numrange{1}{5}', '1bis5'],
    ['\\numlist{1;2;3}', '1,2and3'],
    ['\\numlist[list-final-separator=und]{1;2;3}', '1,2und3'],
  ])('%s is %s', (body, printed) => {
    expect(prints(body)).toBe(printed);
    expect(findingsIn(inArticle(body, SI))).toEqual([]);
  });
});
