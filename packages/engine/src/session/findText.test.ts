import { describe, expect, it } from 'vitest';
import { findText } from './findText';

const pages = [
  ['The tide gauge', 'shows 𝑎 + 𝑏 at the har-', 'bour wall.'],
  ['Nothing', 'of the Tide', 'gauge here'],
];

describe('a text on the pages', () => {
  it('is found on each page, whatever its letters look like', () => {
    expect(findText(pages, 'TIDE')).toEqual([
      { page: 0, line: 0 },
      { page: 1, line: 1 },
    ]);
    expect(findText(pages, 'a + b')).toEqual([{ page: 0, line: 1 }]);
  });
  it('is found over the end of a line, and where a word is broken there', () => {
    expect(findText(pages, 'tide gauge')).toEqual([
      { page: 0, line: 0 },
      { page: 1, line: 1 },
    ]);
    expect(findText(pages, 'harbour wall')).toEqual([{ page: 0, line: 1 }]);
  });
  it('is nowhere when it is empty or not there', () => {
    expect(findText(pages, '  ')).toEqual([]);
    expect(findText(pages, 'moon')).toEqual([]);
  });
});
