import { describe, expect, it } from 'vitest';
import { bodyLines, inArticle, typeset } from '../../testing/document';
import { laidBody } from '../../testing/layout';

describe('signs that the text fonts have not', () => {
  it.each([
    ['a<b', 'a¡b'],
    ['a>b', 'a¿b'],
    ['a|b', 'a—b'],
    ['``a" b', '“a” b'],
    ['\\texttt{a<b>"|}', 'a<b>"|'],
    ['\\verb+a<b+', 'a<b'],
    ['$a<b$', '𝑎<𝑏'],
    ['\\textless\\textgreater\\textbar', '<>|'],
    ['\\fontencoding{T1}\\selectfont a<b', 'a<b'],
  ])('%s prints %s under OT1 (The TeXbook, appendix F)', (source, printed) => {
    expect(bodyLines(source).join('').replaceAll(' ', '')).toBe(printed.replaceAll(' ', ''));
  });
  it.each(['\\usepackage[T1]{fontenc}', '\\usepackage[OT1,T1]{fontenc}', '\\usepackage{fontspec}'])(
    'print as they are with %s',
    (preamble) => {
      expect(bodyLines('a<b>c|d"', preamble)).toEqual(['a<b>c|d"']);
    },
  );
  it('are told of, with a formula as the way out', () => {
    const text = inArticle('Let a <b.', '');
    const [found, ...others] = typeset(text).findings();
    expect(found).toMatchObject({ kind: 'sign-in-text', severity: 'advice' });
    expect(found?.fix?.edits[0]?.text).toBe('$<$');
    expect(others).toEqual([]);
  });
});

describe('\\_', () => {
  it('is a rule of .3 em by .4 pt behind .06 em, where the font has none', () => {
    const page = laidBody('a\\_b');
    expect(page.text).not.toContain('_');
    const [rule] = page.rules;
    expect(rule?.width).toBeCloseTo(3, 2);
    expect(rule?.height).toBeCloseTo(0.4, 2);
    // a of 5 pt, .6 pt, 3 pt, then b.
    expect(page.word('b').x - page.word('a').x).toBeCloseTo(5 + 0.6 + 3, 2);
  });
  it('is the sign itself under T1', () => {
    expect(laidBody('a\\_b', '\\usepackage[T1]{fontenc}').text).toContain('a_b');
  });
});
