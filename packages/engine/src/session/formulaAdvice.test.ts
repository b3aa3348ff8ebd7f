import { describe, expect, it } from 'vitest';
import { inArticle, typeset } from '../testing/document';

/** The kinds of what is noted of one sheet with this preamble and this text. */
const kinds = (preamble: string, body: string): string[] =>
  typeset(inArticle(body, preamble))
    .findings()
    .map(({ kind }) => kind);

/** Pictures whose keys look like typed signs. */
const PICTURES: readonly (readonly [name: string, preamble: string, picture: string])[] = [
  [
    'forest',
    '\\usepackage{forest}',
    '\\begin{forest} for tree={edge={->}} [Ebb [flood] [slack]] \\end{forest}',
  ],
  [
    'circuitikz',
    '\\usepackage[siunitx]{circuitikz}',
    '\\begin{circuitikz} \\draw[->] (0,0) to[R=2<\\ohm>] (2,0); \\end{circuitikz}',
  ],
  [
    'tikzpicture',
    '\\usepackage{tikz}',
    '\\begin{tikzpicture} \\draw[->] (0,0) -- (1,1); \\end{tikzpicture}',
  ],
  ['tikz', '\\usepackage{tikz}', '\\tikz \\draw[->] (0,0) -- (1,1);'],
];

describe.each(PICTURES)('a key of %s is no sign typed into a formula', (_, preamble, picture) => {
  it.each([
    ['in a display', `\\[ ${picture} \\]`],
    ['in a line', `Here $${picture}$ stands.`],
    ['in text', `Here ${picture} stands.`],
  ])('%s', (_place, body) => {
    expect(kinds(preamble, body)).toEqual([]);
  });
  it('and a sign typed beside it is told once', () => {
    expect(kinds(preamble, `\\[ a <= b \\quad ${picture} \\]`)).toEqual(['sign-typed']);
    expect(kinds(preamble, `\\[ ${picture} \\quad x -> 0 \\]`)).toEqual(['sign-typed']);
  });
});
