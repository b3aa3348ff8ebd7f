import { describe, expect, it } from 'vitest';
import { inArticle, typeset } from '../testing/document';
import { pageText } from './display/text';
import { lineLook } from './display/look';

/** The looks of the lines of the first page, by their words. */
function looks(body: string, preamble = ''): Map<string, string> {
  const session = typeset(inArticle(body, `\\usepackage{xcolor,tikz}${preamble}`));
  const page = session.describe(session.pages[0] as never);
  const words = pageText(page, session.fonts);
  return new Map(words.map((text, i) => [text, lineLook(page, i, session.fonts)]));
}

describe('what is seen of a line', () => {
  const plain = looks('Ebb.\n\nLow water at noon.\n\nFlood.');
  it('is the same wherever it stands', () => {
    const lower = looks('Ebb.\n\n\\vspace{2cm}Low water at noon.\n\nMore of it.\n\nFlood.');
    for (const words of ['Ebb.', 'Low water at noon.', 'Flood.'])
      expect([words, lower.get(words)]).toEqual([words, plain.get(words)]);
  });
  it('is the same in a document that loads its fonts in another order', () => {
    const later = looks('{\\itshape First}\n\n$x$\n\nEbb.');
    expect(later.get('Ebb.')).toBe(plain.get('Ebb.'));
  });
  it.each([
    'Low \\textbf{water} at noon.',
    'Low \\textit{water} at noon.',
    'Low \\textcolor{red}{water} at noon.',
    'Low {\\small water} at noon.',
    'Low\\quad water at noon.',
    'Low \\underline{water} at noon.',
    'Low water at noon\\tikz\\draw (0,0) -- (1,0);.',
  ])('is another when it is set as %s', (body) => {
    const [look] = [...looks(`Ebb.\n\n${body}\n\nFlood.`)]
      .find(([words]) => words.includes('noon'))
      ?.slice(1) as [string];
    expect(look).not.toBe(plain.get('Low water at noon.'));
  });
});
