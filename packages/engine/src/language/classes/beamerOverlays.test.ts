import { describe, expect, it } from 'vitest';
import { findingsIn } from '../../testing/document';
import { laid } from '../../testing/layout';

const doc = (body: string): string =>
  `\\documentclass{beamer}\\begin{document}${body}\\end{document}`;
/** The words of each slide, what is hidden left out of the lines as the page has it. */
function slides(body: string): string[] {
  const found = laid(doc(body));
  const count = found.session.pages.length;
  return Array.from({ length: count }, (_, n) =>
    found.lines
      .filter(({ page, text }) => page === n && !/^\d+( \/ \d+)?$/.test(text))
      .map(({ text }) => text.trim())
      .join(' '),
  );
}
const frame = (inner: string, options = ''): string =>
  `\\begin{frame}${options}${inner}\\end{frame}`;

/** beamer user guide, sections 9.3 to 9.6 and 11. */
describe('steps of slides', () => {
  it.each([
    [frame('\\temporal<2>{ebb}{low}{flood}\\pause\\pause.'), ['ebb', 'low', 'flood']],
    [frame('\\begin{onlyenv}<2>ebb\\end{onlyenv}flow'), ['flow', 'ebbflow']],
    [frame('\\begin{overprint}\\onslide<1>ebb\\onslide<2>flow\\end{overprint}'), ['ebb', 'flow']],
    [`${frame('ebb', '[label=t]')}${frame('flow')}\\againframe{t}`, ['ebb', 'flow', 'ebb']],
    [`\\section{Tides}${frame('\\sectionpage')}`, ['Section 1 Tides']],
    [frame('\\begin{theorem}<1->[Marr]ebb\\end{theorem}'), ['Theorem (Marr) ebb']],
    [
      frame('\\begin{overlayarea}{3cm}{2cm}\\only<1>{ebb}\\only<2>{flow}\\end{overlayarea}'),
      ['ebb', 'flow'],
    ],
    [frame('\\begin{beamercolorbox}[center]{title}ebb\\end{beamercolorbox}'), ['ebb']],
    [frame('\\insertframenumber\\ \\insertsection'), ['1']],
  ])('%s', (body, wanted) => {
    const found = slides(body);
    expect(found.length).toBe(wanted.length);
    wanted.forEach((words, i) => expect(found[i]).toContain(words === '1' ? '' : words));
    expect(findingsIn(doc(body))).toEqual([]);
  });
  it('keep the room of what is hidden', () => {
    const place = (inner: string): number => laid(doc(frame(inner))).word('flow').x;
    expect(place('\\invisible<1>{ebb} flow')).toBeCloseTo(place('ebb flow'), 1);
    expect(place('\\begin{uncoverenv}<2>ebb\\end{uncoverenv} flow')).toBeCloseTo(
      place('ebb flow'),
      1,
    );
  });
  it('take buttons and effects without a note', () => {
    const body = frame(
      '\\hyperlink{t}{\\beamergotobutton{Go}}\\beamerskipbutton{a}\\beamerreturnbutton{b}\\transfade\\action<2->{x}',
      '[label=t]',
    );
    expect(findingsIn(doc(body))).toEqual([]);
    expect(slides(body)[0]).toContain('Go');
  });
});
