import { describe, expect, it } from 'vitest';
import { findingsIn } from '../../testing/document';
import { laid } from '../../testing/layout';

const doc = (setup: string, body: string): string =>
  `\\documentclass[addpoints]{exam}${setup}\\begin{document}\\begin{questions}${body}\\end{questions}\\end{document}`;
const says = (setup: string, body: string): string =>
  laid(doc(setup, body)).text.replace(/\s+/g, ' ');

/** exam manual, sections 3, 4, 6 and 8. */
describe('sheets of class exam', () => {
  it.each([
    ['', '\\question[5] Ebb?', '1. (5 points) Ebb?'],
    ['\\marksnotpoints', '\\question[1] Ebb?', '1. (1 mark) Ebb?'],
    ['\\bracketedpoints', '\\question[5] Ebb?', '1. [5 points] Ebb?'],
    ['\\pointformat{<\\thepoints>}', '\\question[5] Ebb?', '5 points'],
    ['\\pointsdroppedatright', '\\question[5] Ebb? \\droppoints', '1. Ebb? (5 points)'],
    ['', '\\bonusquestion[2] Ebb?', '1. (2 points (bonus)) Ebb?'],
    [
      '\\qformat{\\thequestion: \\thepoints}',
      '\\bonusquestion[2] Ebb?',
      '1: 2 points (bonus) | Ebb?',
    ],
    [
      '\\qformat{\\thequestion: \\thepoints}',
      '\\bonusquestion[2] a\\question[1] b',
      '2: 1 point | b',
    ],
    ['', '\\question[2] a \\begin{parts}\\part[3] b\\end{parts} \\totalpoints', 'b | 5'],
    ['', '\\question[2] a \\question[4] b \\pointsofquestion{1}', 'b 2'],
    [
      '\\qformat{Exercise \\thequestion: \\thepoints}',
      '\\question[5] Ebb?',
      'Exercise 1: 5 points | Ebb?',
    ],
    [
      '\\qformat{\\thequestion\\ \\thequestiontitle}',
      '\\titledquestion{Tide}[5] Ebb?\\question Flow?',
      '1 Tide | Ebb? | 2 | Flow?',
    ],
    ['', '\\titledquestion{Tide} Ebb?', '1. Tide Ebb?'],
    ['\\printanswers', '\\question Ebb \\fillin[noon].', 'Ebb noon .'],
    ['\\printanswers', '\\question Ebb \\answerline[noon]', '1. noon'],
    ['\\hqword{Task:}', '\\question[5] a \\gradetable[h]', 'Task: 1 Total'],
    ['\\vtword{All:}', '\\question[5] a \\gradetable', 'All: 5'],
  ])('%s %s', (setup, body, printed) => {
    expect(says(setup, body)).toContain(printed);
    expect(findingsIn(doc(setup, body))).toEqual([]);
  });
  it('tell the head and foot of the first page from those of the others', () => {
    const setup =
      '\\firstpageheader{School}{}{Sheet 4}\\runningheader{Sheet}{}{\\thepage}\\firstpagefooter{}{begin}{}\\runningfooter{}{on}{}';
    const found = laid(doc(setup, '\\question a\\newpage\\question b'));
    const page = (n: number): string =>
      found.lines
        .filter((line) => line.page === n)
        .map(({ text }) => text)
        .join('|');
    expect(page(0)).toMatch(/School.*Sheet 4/);
    expect(page(0)).toContain('begin');
    expect(page(1)).toMatch(/Sheet.*2/);
    expect(page(1)).not.toContain('School');
    expect(page(1)).toContain('on');
  });
  it('draw a rule below the head where it is asked for', () => {
    const rules = (setup: string, n: number): number =>
      laid(doc(setup, '\\question a\\newpage\\question b')).rules.filter(({ page }) => page === n)
        .length;
    expect([rules('\\runningheadrule', 0), rules('\\runningheadrule', 1)]).toEqual([0, 1]);
    expect([rules('\\headrule', 0), rules('\\headrule', 1)]).toEqual([1, 1]);
  });
  it('frame solutions unless they should not be', () => {
    const rules = (setup: string): number =>
      laid(doc(`\\printanswers${setup}`, '\\question a\\begin{solution}b\\end{solution}')).rules
        .length;
    expect(rules('')).toBeGreaterThan(rules('\\unframedsolutions'));
  });
});

it.each([
  ['', 0xcccccc],
  ['\\definecolor{SolutionColor}{rgb}{0.9,0.95,1}', 0xe6f2ff],
])('shaded solutions lie on their colour: %s', (colour, wanted) => {
  const setup = `\\usepackage{xcolor}\\printanswers\\shadedsolutions${colour}`;
  const { session } = laid(doc(setup, '\\question a\\begin{solution}b\\end{solution}'));
  const paints = session.pages.flatMap((page) => [...session.describe(page).rulePaint]);
  expect(paints).toEqual([wanted]);
});

describe('points in the right margin', () => {
  it('stand one under another, whatever stands before them', () => {
    const body =
      '\\documentclass{exam}\\pointsinrightmargin\\bracketedpoints\\begin{document}\\begin{questions}' +
      '\\question[5] Ebb\\begin{parts}\\part[2] Low\\part[3] High\\begin{subparts}\\subpart[4] Slack\\end{subparts}\\end{parts}\\end{questions}\\end{document}';
    expect(findingsIn(body)).toEqual([]);
    const { word } = laid(body);
    const [first, ...others] = ['[5]', '[2]', '[3]', '[4]'].map((points) => word(points));
    for (const one of others) expect(one.x).toBeCloseTo(first?.x ?? 0, 0);
    expect(word('[2]').y).toBeCloseTo(word('Low').y, 1);
    expect(word('Ebb').x).toBeLessThan(word('[5]').x);
  });
});
