import { describe, expect, it } from 'vitest';
import { laidBody } from '../../testing/layout';

/** The blank between a word and what follows it, in pt: 3.33 after a letter, 4.44 after a sentence. */
const blank = (word: string): number => {
  const found = laidBody(`\\noindent ${word} next\\hfill`, '');
  const [line] = found.lines;
  const shown = (line?.text ?? '').replace(/ next.*$/, '');
  return found.word('next').x - found.word(shown).right;
};

describe('the space factor (The TeXbook, chapter 12)', () => {
  it.each([
    ['a', 3.33],
    ['a.', 4.44],
    ['a:', 4.44],
    ['a;', 3.33],
    ['A.', 3.33],
    ['A:', 3.33],
    ['a.)', 4.44],
    ['a.]', 4.44],
    ["A(p,:)*A(p,:)'", 4.44],
    ['A(p,q)', 3.33],
    ['{\\tt a:}', 4.44],
    ['NASA.', 3.33],
    ['NASA\\@.', 4.44],
  ])('behind %s the blank is %f pt', (word, width) => {
    expect(blank(word)).toBeCloseTo(width, 1);
  });
});

describe('\\spacefactor', () => {
  it.each([
    ['a\\the\\spacefactor', '1000'],
    ['a.\\the\\spacefactor', '3000'],
    ['A\\the\\spacefactor', '999'],
    ['a,\\the\\spacefactor', '1250'],
    ['\\spacefactor=1500 \\the\\spacefactor', '1500'],
    ['a.\\ifnum\\spacefactor>1000 Y\\else N\\fi', 'Y'],
  ])('%s', (body, wanted) => {
    expect(laidBody(`\\leavevmode ${body}`).lines[0]?.text).toContain(wanted);
  });
  it('may be said', () => {
    const gap = (said: string): number => {
      const found = laidBody(`\\noindent a${said} next\\hfill`);
      return found.word('next').x;
    };
    expect(gap('\\spacefactor3000{}') - gap('')).toBeCloseTo(1.11, 1);
  });
});
