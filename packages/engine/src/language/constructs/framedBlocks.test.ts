import { describe, expect, it } from 'vitest';
import { differencesFromCold } from '../../testing/fuzz';
import { findingsIn, inArticle, newSession, typeset } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const paragraphs = (count: number): string =>
  Array.from({ length: count }, (_, i) => `Boat ${i} leaves the pier at noon.`).join('\n\n');
const FRAMES: readonly (readonly [name: string, preamble: string, begin: string, end: string])[] = [
  [
    'tcolorbox',
    '\\usepackage[most]{tcolorbox}',
    '\\begin{tcolorbox}[breakable,title=Boats]',
    '\\end{tcolorbox}',
  ],
  ['mdframed', '\\usepackage{mdframed}', '\\begin{mdframed}', '\\end{mdframed}'],
  ['framed', '\\usepackage{framed}', '\\begin{framed}', '\\end{framed}'],
  [
    'shaded',
    '\\usepackage{framed,xcolor}\\definecolor{shadecolor}{gray}{.9}',
    '\\begin{shaded}',
    '\\end{shaded}',
  ],
];

describe('frames go on over pages', () => {
  it.each(FRAMES)(
    '%s: every line of it is printed, in order, none below the page',
    (_, preamble, begin, end) => {
      const text = inArticle(`Before.\n${begin}\n${paragraphs(90)}\n${end}\nBehind.`, preamble);
      const session = typeset(text);
      expect(session.pages.length).toBeGreaterThan(1);
      expect(findingsIn(text)).toEqual([]);
      const page = laidBody(`Before.\n${begin}\n${paragraphs(90)}\n${end}\nBehind.`, preamble);
      const numbers = [...page.text.matchAll(/Boat (\d+)/g)].map(([, n]) => Number(n));
      expect(numbers).toEqual(Array.from({ length: 90 }, (_, i) => i));
      expect(page.lines.every(({ y }) => y < 800)).toBe(true);
    },
  );
  it.each(FRAMES)('%s that is low stays whole', (_, preamble, begin, end) => {
    const session = typeset(inArticle(`${begin}${paragraphs(1)}${end}`, preamble));
    expect(
      JSON.stringify(session.written().map(({ nodes }) => nodes.map(({ kind }) => kind))),
    ).toContain('loosebox');
  });
  it.each(FRAMES)('%s stands as high as its lines and its edges', (_, preamble, begin, end) => {
    const above = laidBody(`Before.\n${begin}\n${paragraphs(8)}\n${end}\nBehind.`, preamble);
    const distance = above.word('Behind.').y - above.word('Before.').y;
    expect(distance).toBeGreaterThan(9 * 12);
    expect(distance).toBeLessThan(9 * 12 + 90);
  });
  it('what is typed in one is as from cold', () => {
    const text = inArticle(
      `\\begin{mdframed}\n${paragraphs(60)}\n\\end{mdframed}`,
      '\\usepackage{mdframed}',
    );
    const session = newSession();
    session.setText(text);
    session.settleAll();
    const at = text.indexOf('Boat 30');
    const longer = 'A long ship with many words, so many that the line is broken,';
    session.change(at, at + 4, longer);
    session.settleAll();
    const changed = text.slice(0, at) + longer + text.slice(at + 4);
    expect(differencesFromCold(session, { text: changed, files: new Map() })).toEqual([]);
  });
});
