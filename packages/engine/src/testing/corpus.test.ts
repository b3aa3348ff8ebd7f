import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyEdit } from '../source/edits';
import { corpus, corpusFiles } from './corpus';
import { linesOf, newSession, picture, typeset } from './document';
import { editOf, relativeEdit } from './edits';

interface Expected {
  readonly pages: number;
  /** Pieces of text in the order they must be found in. */
  readonly text: readonly string[];
}

/** What each document must show: its pages, its numbers, its words. */
const EXPECTED: Readonly<Record<string, Expected>> = {
  '01-template-macros': {
    pages: 1,
    text: [
      'MA 214: Tides and Series',
      'Problem Set 4',
      'Problem 1 (10 points).',
      'Solution.',
      '(1)',
      'So by (1) the series of Problem 1 converges',
      'Problem 2.',
      '(a)',
      'Item (b) is what was asked',
      'Page 1 of 1',
    ],
  },
  '02-chaptered-notes': {
    pages: 7,
    text: [
      'Lecture Notes on Signals',
      'Contents',
      '1 Lamps 1',
      '1.1 Words of light',
      'A Tables 3',
      'A.1 Of words',
      'ii',
      'List of Figures',
      '1.1 A lamp',
      'iii',
      'Chapter 1',
      'Definition 1.1.',
      'Theorem 1.2.',
      '(1.1)',
      'Figure 1.1: A lamp seen',
      'Figure 1.1 is in Chapter 1',
      'Chapter 2',
      'Lemma 2.1.',
      '(2.1)',
      '(2.2)',
      'Theorem 1.2, Lemma 2.1 and (2.2)',
      '2.1.1 A subsection',
      'Not numbered',
      'Appendix A',
      '(A.1)',
    ],
  },
  '03-old-style': {
    pages: 1,
    text: [
      'Exercises on Tides',
      '1. Let',
      'Proof',
      '(1)',
      'That is all',
      '2. Small capitals',
      '3. A loop',
      '1, 2, 3, 4, 5.',
      'left right',
      'one',
      'two',
    ],
  },
  '04-exam': {
    pages: 1,
    text: [
      'Answer all 4 questions for 27 points',
      '1. (10 points) When does',
      '(a) (3 points) In winter',
      '(b) (7 points)',
      'i. At dawn',
      'ii. At noon',
      'Solution:',
      '2. (5 points)',
      'A. Ebb',
      'B. Neither',
      '3. Explain',
      '4. (2 points)',
      'Question',
      'Total: 27',
    ],
  },
  '05-beamer': {
    pages: 9,
    text: [
      'A Chain of Ferries',
      'Three harbours',
      'Outline',
      'The model',
      'North Pier',
      'The matrix',
      'Definition',
      'Theorem 1',
      'Only on the second',
    ],
  },
  '06-letter': {
    pages: 1,
    text: [
      '12 Gull Lane',
      '1 March 2026',
      'The Registrar',
      'Dear Registrar,',
      'Yours faithfully,',
      'Aurelia Marsh',
      'P.S. The gauge',
      'encl: Note on the gauge',
      'cc: B. Thorn',
    ],
  },
  '07-tables': {
    pages: 2,
    text: [
      'List of Tables',
      '1 Sailings',
      '3 A long one',
      'Table 1: Sailings',
      'North Pier South Quay 6:40',
      'Table 2: Tides',
      'Table 3: A long one',
      'n square',
      'Tables 1 and 3',
    ],
  },
  '08-amsart': {
    pages: 1,
    text: [
      'ON THE REGULARITY OF TIDE GAUGES',
      'AURELIA MARSH AND B. THORN',
      'We show that a gauge',
      '1. Introduction',
      'Theorem 1.1.',
      'Proposition 1.2.',
      'Remark. This is Theorem 1.1 again',
      '1.1. Notation',
      '2. Proof',
      'Proof of Theorem 1.1.',
      '[1] M. Quill',
    ],
  },
  '09-natbib': {
    pages: 1,
    text: [
      'Quill and Thorn (2019) showed it',
      '(Brae, 2021; Quill and Thorn,',
      'As Brae said in 2021',
      'References',
      'Ines Brae. Lamps and Signals. Harbour Press, Port Aure, 2021.',
    ],
  },
  '10-bib-alpha': {
    pages: 1,
    text: [
      'See [MWSS24], [QT19, Thm. 2] and [Tho10, Bra21].',
      '[Bra21] Ines Brae',
      '[MWSS24] Aurelia Marsh',
      '[Off] Tide tables',
      '[QT19]',
      '12(3):1–20, 2019',
      'PhD thesis, Harbour College',
    ],
  },
  '11-own-class': {
    pages: 1,
    text: [
      'Signals I',
      'Sheet 3',
      'Ola Wick',
      '1 Warm up',
      'Question 1. Show',
      'odd and even numbers: [a][b][c]',
      'Question 2.',
      'from Question 1?',
      'No.',
    ],
  },
  '12-two-files': {
    pages: 3,
    text: [
      '1 The first part',
      '(1)',
      '2 The second part',
      'See (1) in Section 1, and [1]',
      'Figure 1: Pictures',
      '[1] Mara Quill',
    ],
  },
  '13-twocolumn': {
    pages: 3,
    text: [
      'Two Columns on Tides',
      'Figure 1: Narrow',
      'Abstract',
      '1 Introduction',
      'Figure 2: Wide',
      '(1)',
      '(2)',
      '2 More',
    ],
  },
  '14-book': {
    pages: 10,
    text: [
      'Preface',
      'ii',
      'Contents',
      'I Light 1',
      '1.1 Short',
      'Part I',
      'Chapter 1',
      'Theorem 1.1.',
      'First.',
      'Second.',
      'Chapter 2',
      'Theorem 2.1.',
      '(2.1)',
      'Counted anew',
      'Appendix A',
      'Afterword',
      'Bibliography',
    ],
  },
  '15-cleveref': {
    pages: 1,
    text: [
      'By theorem 1 and lemma 2, Lemma 2 and eq. (1); also eqs. (1) and (2)',
      'section 1, Table 1, item 1. Theorem 1, One, eqs. (1) to (2), page 1',
      'https://tides.example/a_b?c=%20d',
    ],
  },
  '16-listings': {
    pages: 1,
    text: [
      'Listing 1: Powers',
      'def power(P, n):',
      'Listing 1. Inline',
      '\\alpha_{1}&%',
      'raw % text \\here',
      'a␣b',
    ],
  },
  '17-floats': {
    pages: 5,
    text: [
      'Figure 1: At the top',
      '1 Floats',
      'Figure 3: Here',
      'Figure 2: At the bottom',
      'Figure 4: On a page',
      '(a) Left',
      '(b) Right',
      'Figure 5: Two parts',
      'See 1, 2, 3, 4, 5, 5a, 5b',
    ],
  },
  '18-footnotes': {
    pages: 2,
    text: [
      'Text1 and2',
      'In a small page',
      'A note inside',
      'Signs',
      'One.',
      'Two, with',
      'Three, apart',
      'A dagger',
      'On a later page',
    ],
  },
  '19-chinese': {
    pages: 1,
    text: [
      '潮汐与灯塔',
      '林海',
      '1 引言',
      '渡船在三个港口之间往返，时间由潮汐决定。',
      'English beside 中文',
      'naïve, Łódź',
    ],
  },
  '20-packages': {
    pages: 1,
    text: [
      '§1 Words',
      'The Aurelia sails; Aurelia, too',
      '“Ebb and ‘flood’”',
      'seven: 7. draft',
      '6 5',
      'In a frame',
      'Half.',
    ],
  },
  '41-mathematics': {
    pages: 2,
    text: [
      'Theorem 1.1 (Wick).',
      '(1.1)',
      'Lemma 1.2 (after Theorem 1.1).',
      'By (1.1)',
      '(1.2)',
      'From (1.2) and',
      '(1.3)',
      '(mod 𝑛)',
      'and the square commutes',
      '2 Again Theorem 1.1 (Wick).',
      'Numbers go on',
      'Theorem 2.1.',
    ],
  },
  '21-analysis': {
    pages: 1,
    text: [
      'Definition 1.1.',
      'Lemma 1.2.',
      '(1)',
      'and moreover',
      'By (1). Consider',
      'and (⋆)',
      '(5a)',
      'See (5) and (5a)',
      'Corollary 1.3.',
    ],
  },
  '22-kernel-internals': {
    pages: 1,
    text: [
      'Head 1',
      '1. INTERNALS',
      'Plain A, Star B; (x), (y:z); right-left',
      '14, one+more, two, odd, by name, tok',
      'long, abab, 3 2 1',
      'two, odd, small',
      'UP low xiv, \\abc',
      '(1-1)',
      'bar and |',
      'inner',
      'def/a, b/c',
      'none-a-opt-no, star-b-c-d',
      '2. SECOND',
      '(2-1)',
    ],
  },
  '23-environments': {
    pages: 1,
    text: [
      'a 1',
      'b 2',
      'Quoted words',
      '(1)',
      'Equation (1)',
      'Note (first). One',
      'Remark (second). Two',
      'Ebb falling',
      'The tide comes in,',
      '1. one',
      '(a) a',
      'i. i',
      'A. A',
      'Item 1(a)iA',
      'right',
    ],
  },
  '24-spacing': {
    pages: 1,
    text: [
      'Starred',
      'Spaces after',
      'No space here: joined',
      'Line one',
      'line two',
      'line four',
      'Not indented',
      'Text before a display',
      'and after',
      'Centred',
      'saved',
    ],
  },
  '25-report-options': {
    pages: 3,
    text: [
      'A Report',
      'Abstract',
      'Chapter 1',
      '1.1 A',
      '(1.1)',
      '(1.2)',
      '(1.3)',
      'Unnumbered',
      'See (1.1)',
    ],
  },
  '26-authblk': {
    pages: 2,
    text: [
      'Joint work',
      'A. Marsh1 and B. Thorn2',
      'Harbour College',
      'Contents',
      '1 Main 1',
      'A Extra 1',
      'More in Appendix A',
    ],
  },
  '27-pagella': { pages: 1, text: ['1 Another face', 'Bold and italic'] },
  '28-termes': { pages: 1, text: ['1 Another face', 'Bold and italic'] },
  '29-slides': { pages: 2, text: ['Tides', 'ebb', 'flood'] },
  '30-proc': { pages: 1, text: ['On Ferries', '1 One', '2 Two'] },
  '31-problem-set-a4': {
    pages: 1,
    text: [
      'Groups of signals',
      'Problem 1',
      '(i) Let',
      '(ii) Let',
      '(a) Case i.',
      'Remark. A run-in heading',
      'Note Another',
    ],
  },
  '32-cv-style': {
    pages: 1,
    text: ['Mara Quill', 'Teaching', 'Tutor in Signals I', 'Skills', 'Lamps'],
  },
  '33-course-notes': {
    pages: 3,
    text: [
      'Contents',
      '2.2 Harmonic',
      'Theorem 1.1.',
      'Bounded monotone',
      'Solution. It tends',
      '2 Series',
      '2.1 Geometric',
      '2.2 Harmonic',
    ],
  },
  '34-ifcourse': { pages: 1, text: ['Question one', 'Solution. Answer one', 'Done'] },
  '35-unicode': {
    pages: 1,
    text: ['Élan, Übung, señor', '“double” and ‘single’', '5–7', '¿qué? ¡sí!'],
  },
  '36-long-proof': {
    pages: 1,
    text: [
      'A LONG PROOF',
      'Theorem 1.',
      'Claim 1.1.',
      'Proof of claim',
      'With a list',
      'Theorem 1',
    ],
  },
  '37-nested-lists': {
    pages: 1,
    text: [
      'a',
      'b',
      'c',
      'd',
      'Step 1: First',
      'Step 2: Second',
      'Q3. Third',
      '4. Goes on',
      'Term',
      '5. five',
    ],
  },
  '38-conditional-macros': {
    pages: 1,
    text: ['Hint: Look', 'Hint (easy): Look again', 'long; other; blank', 'Small', '<a><b><c>'],
  },
  '39-lab-report': {
    pages: 1,
    text: [
      'Gauge calibration',
      'March 1, 2026',
      'Abstract',
      '1 Data',
      'Table 1: Readings',
      'Figure 1: The gauge',
      'Table 1, Figure 1',
      'Acknowledgements',
      '[1] B. Thorn. Waves. 2010',
      '[Qu19] M. Quill',
      '[1, Qu19]',
    ],
  },
  '40-plain-minimal': { pages: 1, text: ['Hello, harbour'] },
  '41-multicol-exam': {
    pages: 1,
    text: ['Quick questions', '1.', '2.', 'by definition', 'expanding'],
  },
  '42-report-floats': {
    pages: 5,
    text: [
      'List of Figures',
      '1.1 First',
      '2.1 Third',
      'List of Tables',
      '1.1 Tab',
      'Chapter 1',
      'Chapter 2',
      'Figures 1.1, 1.2, 2.1, Table 1.1, page 5',
    ],
  },
};

/** Where the pieces are looked for: all lines as one text, blanks made single. */
const flat = (lines: readonly string[]): string => lines.join(' ').replace(/\s+/g, ' ');

describe('the corpus of coursework', () => {
  it('holds forty documents at least, and each has its expectations', () => {
    expect(corpus.length).toBeGreaterThanOrEqual(40);
    expect(corpus.map(({ name }) => name).filter((name) => !EXPECTED[name])).toEqual([]);
  });

  it.each(corpus)('$name typesets as it is meant to', ({ name, text }) => {
    const session = typeset(text, corpusFiles);
    expect(
      session.findings().map(({ kind, from, to }) => `${kind} ${text.slice(from, to)}`),
    ).toEqual([]);
    const expected = EXPECTED[name] as Expected;
    const found = flat(linesOf(session));
    expect([name, session.pages.length]).toEqual([name, expected.pages]);
    for (const piece of expected.text) expect(found).toContain(piece);
  });

  it('is read to its end when a list is opened before it', () => {
    for (const { text } of corpus) {
      const session = newSession(corpusFiles);
      session.setText(`\\begin{itemize}${text}`);
      session.settleAll();
      expect(session.pages.length).toBeGreaterThan(0);
    }
  });

  it.each(corpus)('$name is after edits what it is from cold', ({ text }) => {
    fc.assert(
      fc.property(fc.array(relativeEdit, { minLength: 1, maxLength: 3 }), (edits) => {
        const session = newSession(corpusFiles);
        session.setText(text);
        session.settleAll();
        let now = text;
        for (const relative of edits) {
          const edit = editOf(now, relative);
          session.edit(edit.from, edit.to, edit.text);
          now = applyEdit(now, edit);
          session.settleAll();
        }
        const cold = typeset(now, corpusFiles);
        expect(linesOf(session)).toEqual(linesOf(cold));
        expect(JSON.stringify(picture(session)) === JSON.stringify(picture(cold))).toBe(true);
        expect(session.findings()).toEqual(cold.findings());
      }),
      { numRuns: Number(process.env.LAW_RUNS ?? 2) },
    );
  });
});
