import { describe, expect, it } from 'vitest';
import { differencesFromCold } from '../../testing/fuzz';
import { findingsIn, inArticle, newSession, typeset } from '../../testing/document';
import { laidBody } from '../../testing/layout';
import { painted } from '../../testing/painted';

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

/** A thin rule is drawn as one, so that no screen and no printer loses it between two grounds. */
describe('lines of frames', () => {
  const LINES = 'linecolor=red,backgroundcolor=blue,linewidth=2pt';
  const reds = (options: string, count: number) => {
    const page = laidBody(
      `\\begin{mdframed}[${options}]${paragraphs(count)}\\end{mdframed}`,
      '\\usepackage{xcolor}\\usepackage[framemethod=TikZ]{mdframed}',
    );
    return painted(page).filter(({ paint }) => paint === 0xff0000);
  };
  it.each([
    ['', 4],
    [',rightline=false', 3],
    [',hidealllines=true,leftline=true', 1],
    [',hidealllines=true', 0],
  ])('stand at the sides that have them, where the frame stays whole: %s', (options, count) => {
    const found = reds(LINES + options, 1);
    expect(found).toHaveLength(count);
    for (const { left, right, top, bottom } of found)
      expect(Math.min(right - left, bottom - top)).toBeCloseTo(2, 1);
  });
  it('are round where that is asked for, whole or over pages', () => {
    const curves = (count: number): number => reds(`${LINES},roundcorner=5pt`, count).length;
    // One ground of the colour of the lines below another.
    expect(curves(1)).toBe(1);
    expect(curves(12)).toBe(2);
  });
});
