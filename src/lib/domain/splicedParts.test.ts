import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { placeIn, splicedParts } from './splicedParts';

const spliced = (texts: Readonly<Record<string, string>>) =>
  splicedParts('main.tex', texts['main.tex'] ?? '', (name) => texts[name] ?? null);

describe('a sheet with its parts in their places', () => {
  it.each([
    ['before \\input{a} behind', { 'a.tex': 'A' }, 'before A behind'],
    ['\\include{a}\n\\input{b.tex}', { 'a.tex': '1\\input{b}', 'b.tex': '2' }, '12\n2'],
    ['% \\input{a}', { 'a.tex': 'A' }, '% \\input{a}'],
    ['\\input{missing}', {}, '\\input{missing}'],
  ])('%s', (main, parts, whole) => {
    expect(spliced({ 'main.tex': main, ...parts }).text).toBe(whole);
  });
  it('that reads itself ends', () => {
    expect(spliced({ 'main.tex': 'x\\input{main}' }).text).toMatch(/^x+\\input\{main\}$/);
  });
  it('every place of it stands in its file', () => {
    const piece = fc.constantFrom('a ', 'b\n', '$x$', '\\input{one}', '\\input{two} ', '% c\n');
    const text = fc.array(piece, { maxLength: 8 }).map((pieces) => pieces.join(''));
    fc.assert(
      fc.property(text, text, text, (main, one, two) => {
        const texts = { 'main.tex': main, 'one.tex': one, 'two.tex': two };
        const { text: whole, stretches } = spliced(texts);
        for (let at = 0; at < whole.length; at++) {
          const place = placeIn(stretches, at);
          expect(texts[place.file as keyof typeof texts][place.at]).toBe(whole[at]);
        }
      }),
      { numRuns: 100 },
    );
  });
});
