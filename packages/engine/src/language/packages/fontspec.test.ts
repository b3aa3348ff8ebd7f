import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';
import { faceNamed } from './fontspec';

describe('Fonts by their names', () => {
  it.each([
    ['Times New Roman', 'termes'],
    ['TeX Gyre Termes', 'termes'],
    ['XITS Math', 'termes'],
    ['Palatino Linotype', 'pagella'],
    ['TeX Gyre Pagella', 'pagella'],
    ['Latin Modern Roman', 'modern'],
    ['CMU Serif', 'modern'],
    ['Comic Sans', null],
    ['Arial', null],
  ])('%s is %s', (name, face) => {
    expect(faceNamed(name)).toBe(face);
  });
  it('the one that is like it is set', () => {
    const fontOf = (line: string): string =>
      laidBody('tide', `\\usepackage{fontspec}${line}`).word('tide').font;
    expect(fontOf('\\setmainfont{Times New Roman}')).toContain('termes');
    expect(fontOf('\\setmainfont[Ligatures=TeX]{Palatino}')).toContain('pagella');
    expect(fontOf('')).toContain('lmroman');
  });
  it.each([
    ['\\setmainfont{Minion Pro}', ['font-not-here']],
    ['\\setmainfont{Times New Roman}', []],
    ['\\setsansfont{Quay Sans}\\setmonofont{Quay Mono}', ['font-not-here', 'font-not-here']],
    ['\\setsansfont{Latin Modern Sans}\\setmonofont{Latin Modern Mono}', []],
  ])('of others it is told: %s', (line, kinds) => {
    const found = findingsIn(inArticle('tide', `\\usepackage{fontspec}${line}`));
    expect(found.map(({ kind }) => kind)).toEqual(kinds);
  });
});

describe('Formulas from such fonts', () => {
  it.each([
    ['\\setmathfont{Latin Modern Math}', []],
    ['\\setmainfont{Times New Roman}\\setmathfont{XITS Math}', []],
    ['\\setmathfont{XITS Math}', ['font-not-here']],
  ])('%s', (line, kinds) => {
    const found = findingsIn(inArticle('$x$', `\\usepackage{unicode-math}${line}`));
    expect(found.map(({ kind }) => kind)).toEqual(kinds);
  });
  it('letters by their look', () => {
    const body = '$\\symbf{x}\\symbb{R}\\symcal{A}\\symfrak{g}\\symsf{a}\\symbfit{v}∑_{i∈ℕ}α_i≤∞$';
    expect(findingsIn(inArticle(body, '\\usepackage{unicode-math}'))).toEqual([]);
  });
});
