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
    ['\\pointsdroppedatright', '\\question[5] Ebb? \\droppoints', '1. Ebb? (5)'],
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

/** exam manual, sections 4, 5 and 8. */
describe('the points of a sheet', () => {
  const body = '\\question[2\\half] a \\begin{parts}\\part[3] b\\bonuspart[4] c\\end{parts}';
  it.each([
    ['\\qformat{\\thequestion: \\totalpoints\\ \\points}', '1: 512 points'],
    [
      '\\qformat{\\thequestion: \\totalpoints\\ \\points}\\pointpoints{mark}{marks}',
      '1: 512 marks',
    ],
    ['\\rhead{\\numquestions, \\numpoints, \\numbonuspoints, \\numparts}', '2, 6 12 , 4, 2'],
    ['\\rhead{\\pointsofquestion{2} of \\pointsonpage{1}}', '1 of 6 12'],
    ['\\rhead{\\iflastpage{last}{more}}', 'last'],
    ['\\rhead{\\oddeven{odd}{even}}', 'odd'],
  ])('%s', (setup, said) => {
    const source = doc(setup, `${body}\\question[1] d`);
    const plain = (text: string): string => text.replace(/[\s|]+/g, '');
    expect(plain(laid(source).text)).toContain(plain(said));
    expect(findingsIn(source)).toEqual([]);
  });

  it.each([
    ['gradetable[h]', 'Question: 1 2 Total Points: 5 1 6 Score:'],
    ['bonusgradetable[h][questions]', 'Question: 1 2 Total Bonus Points: 4 0 4 Score:'],
    ['combinedpointtable[h]', 'Question: 1 2 Total Points: 5 1 6 Bonus Points: 4 0 4'],
    ['pointtable[h][pages]', 'Page: 1 Total Points: 6 6'],
    ['pointtable', 'Question Points 1 5 2 1 Total: 6'],
    ['multicolumnpointtable{2}', 'Question Points 1 5'],
    ['partialgradetable{late}[h]', 'Question: 2 Total Points: 1 1 Score:'],
  ])('\\%s', (table, said) => {
    const source = doc(
      '',
      `\\question[2] a\\begin{parts}\\part[3] b\\bonuspart[4] c\\end{parts}\\begingradingrange{late}\\question[1] d\\endgradingrange{late}\\par\\${table}`,
    );
    const words = laid(source).text.replace(/[\s|]+/g, ' ');
    if (table.startsWith('multi')) expect(words.replace(/ /g, '')).toContain('QuestionPoints');
    else expect(words).toContain(said);
    expect(findingsIn(source)).toEqual([]);
  });

  it('tells on the pages that a question goes on', () => {
    const setup =
      '\\lfoot{\\ifcontinuation{Still \\ContinuedQuestion}{}}\\rfoot{\\ifincomplete{More of \\IncompleteQuestion}{}}';
    const { lines } = laid(doc(setup, '\\question a\\newpage b\\newpage\\question c'));
    const said = [0, 1, 2].map((page) =>
      lines
        .filter((line) => line.page === page)
        .map(({ text }) => text)
        .join(' '),
    );
    expect(said[0]).toContain('More of 1');
    expect(said[1]).toContain('Still 1');
    expect(said[1]).not.toContain('More');
    expect(said[2]).not.toContain('Still');
  });

  it('covers are numbered apart, with heads of their own', () => {
    const source =
      '\\documentclass{exam}\\header{Sheet}{}{\\thepage}\\coverheader{Cover}{}{\\thepage\\ of \\numcoverpages}\\begin{document}' +
      '\\begin{coverpages}a\\newpage b\\end{coverpages}c\\end{document}';
    const { session, lines } = laid(source);
    expect(session.pages.map(({ folio }) => folio)).toEqual(['i', 'ii', '1']);
    const says = (page: number): string =>
      lines
        .filter((line) => line.page === page)
        .map(({ text }) => text)
        .join(' ');
    expect(says(0)).toMatch(/Cover.* i of 2/);
    expect(says(2)).toMatch(/Sheet.* 1/);
    expect(says(2)).not.toContain('Cover');
    expect(findingsIn(source)).toEqual([]);
  });
});

describe('room for answers', () => {
  const found = (body: string) => laid(doc('', `\\question a\\par ${body}\\newpage\\question b`));
  it.each([
    // Distances are those of the manual: a quarter of an inch, grids of five millimetres.
    ['\\fillwithlines{1in}', 4, 1],
    ['\\setlength\\linefillheight{.5in}\\fillwithlines{1in}', 2, 1],
    ['\\makeemptybox{1in}', 2, 2],
  ])('%s', (body, across, upright) => {
    const { rules } = found(body);
    const long = rules.filter(({ width }) => width > 100);
    expect(long).toHaveLength(across);
    expect(rules.filter(({ height }) => height > 50).length).toBe(upright - 1 ? upright : 0);
    expect(findingsIn(doc('', `\\question a\\par ${body}`))).toEqual([]);
  });

  it.each([
    '\\fillwithlines{\\stretch{1}}',
    '\\fillwithlines{\\fill}',
    '\\fillwithdottedlines{\\fill}',
  ])('%s fills the page', (body) => {
    const { rules, session, lines } = found(body);
    const [first] = session.pages;
    const bottoms = [
      ...rules,
      ...lines.filter(({ text }) => text.startsWith('. .') || text.startsWith('...')),
    ]
      .filter(({ page }) => page === 0)
      .map(({ y }) => y);
    const end = ((first?.geometry.top ?? 0) + (first?.geometry.textHeight ?? 0)) / 65536;
    expect(Math.max(...bottoms)).toBeGreaterThan(end - 30);
    expect(session.pages).toHaveLength(2);
  });

  it.each(['solutionorlines', 'solutionordottedlines', 'solutionorgrid', 'solutionorbox'])(
    'what %s leaves stands below the words of its part',
    (name) => {
      const { rules, lines, word } = laid(
        doc(
          '',
          `\\question a\\begin{parts}\\part Ebb\\begin{${name}}[1in]b\\end{${name}}\\end{parts}`,
        ),
      );
      const dots = lines.filter(({ text }) => /^(?:\. ?){5}/.test(text));
      const lefts = [...rules.filter(({ width }) => width > 0.01), ...dots].map(({ x }) => x);
      // Dots stand in step with those of other lines.
      expect(Math.abs(Math.min(...lefts) - word('Ebb').x)).toBeLessThan(2);
    },
  );

  it('grids are squares', () => {
    const { rules } = found('\\fillwithgrid{20mm}');
    const across = [
      ...new Set(rules.filter(({ width }) => width > 100).map(({ y }) => Math.round(y))),
    ];
    expect(across.length).toBeGreaterThanOrEqual(5);
    const upright = [
      ...new Set(rules.filter(({ width }) => width < 1).map(({ x }) => Math.round(x * 10))),
    ].sort((a, b) => a - b);
    const gaps = upright.slice(1, 6).map((x, i) => x - (upright[i] ?? 0));
    for (const gap of gaps) expect(gap / 10).toBeCloseTo((5 / 25.4) * 72.27, 0);
  });

  it('answers stand in their frame, which keeps its height', () => {
    const heights = ['', '\\printanswers'].map((setup) => {
      const { rules } = laid(
        doc(setup, '\\question a\\begin{solutionbox}{1in}Noon\\end{solutionbox}'),
      );
      return rules.filter(({ height }) => height > 20).map(({ height }) => Math.round(height));
    });
    expect(heights[0]).toEqual([72, 72]);
    expect(heights[1]).toEqual([72, 72]);
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
