import { describe, expect, it } from 'vitest';
import { laid } from '../../testing/layout';
import { metricsOf, type Design } from './design';
import { designFor, DESIGN_SIZES, widthAt, type DesignSize } from './sizes';

const em = (design: Design, char: string, size: DesignSize): number => {
  const code = char.codePointAt(0) ?? 0;
  const metrics = metricsOf(design).get(code);
  if (!metrics) throw new Error(`${design} has no ${char}`);
  return widthAt(design, code, metrics, size);
};

describe('the designs of Computer Modern', () => {
  // The ranges of LaTeX's font tables (omlcmm.fd, ot1cmr.fd).
  it.each([
    [5, 5],
    [6, 6],
    [7, 7],
    [8, 8],
    [9, 9],
    [10, 10],
    [10.95, 10],
    [12, 12],
    [14.4, 12],
    [24.88, 12],
    [3, 5],
  ])('%d pt is made from %d', (pt, design) => expect(designFor(pt)).toBe(design));

  // Widths that files made with these fonts tell: cmmi8, cmr8, cmr7, cmsy7, cmsy6, cmmi12, cmbx12, cmtt8.
  it.each([
    ['Math-Italic', 'A', 8, 0.7958],
    ['Math-Italic', 'α', 8, 0.6824],
    ['Math-Italic', 'x', 12, 0.5564],
    ['Math-Italic', 'i', 7, 0.4042],
    ['Main-Regular', '2', 8, 0.5313],
    ['Main-Regular', '2', 7, 0.5694],
    ['Main-Regular', '2', 6, 0.6111],
    ['Main-Regular', '2', 5, 0.6806],
    ['Main-Regular', '=', 12, 0.7616],
    ['Main-Regular', '−', 7, 0.8929],
    ['Main-Regular', '−', 12, 0.7778],
    ['Main-Regular', '⋅', 8, 0.2951],
    ['Main-Regular', '<', 12, 0.7616],
    ['Main-Bold', 'P', 12, 0.7691],
    ['Caligraphic-Regular', 'A', 7, 0.9176],
    ['Typewriter-Regular', 'x', 8, 0.53125],
  ] as const)('%s: %s at %d pt is %f em wide', (design, char, size, expected) => {
    expect(em(design, char, size)).toBeCloseTo(expected, 3);
  });

  it.each(['Main-Regular', 'Math-Italic', 'Main-Bold', 'SansSerif-Regular'] as const)(
    'no character of %s is wider in a larger design',
    (design) => {
      for (const [code, metrics] of metricsOf(design)) {
        // Signs that are put together elsewhere have no size of their own.
        const widths = DESIGN_SIZES.map((size) => widthAt(design, code, metrics, size));
        widths.forEach((width, i) => {
          if (i > 0) expect(width).toBeLessThanOrEqual((widths[i - 1] ?? 0) + 0.002);
        });
      }
    },
  );
});

/** How wide something is in the document, in pt. */
const wide = (content: string, options = '', preamble = ''): number => {
  const source = `\\documentclass[${options}]{article}${preamble}\\begin{document}\\newdimen\\w\\settowidth\\w{${content}}\\noindent\\the\\w\\end{document}`;
  return parseFloat(laid(source).lines[0]?.text ?? '');
};

describe('formulas are measured in the design of their size', () => {
  it.each([
    // cmmi10, cmr7 and \scriptspace; at eleven point cmmi10 at 10.95 and cmr8.
    ['$x_2$', '', 5.71527 + 3.9862 + 0.5],
    ['$x_2$', '11pt', 6.25822 + 4.25 + 0.5],
    ['$x_2$', '12pt', 6.6768 + 4.25 + 0.5],
    ['$2$', '12pt', 5.875],
    ['\\footnotesize$x$', '', 8 * 0.59455],
    ['$\\mathbf{P}$', '12pt', 9.229],
  ])('%s with [%s] is %f pt wide', (content, options, width) => {
    expect(wide(content, options)).toBeCloseTo(width, 1);
  });
  it('typewriter has the width of its design: cmtt12, 26 letters of 6.175 pt', () => {
    expect(wide('\\texttt{abcdefghijklmnopqrstuvwxyz}', '12pt')).toBeCloseTo(26 * 6.175, 2);
  });
  it('a line of text is as long as the metrics say to 1/1000 pt', () => {
    const line =
      'freed the matrix can no longer be used.  The only safe thing that can be done with such a';
    expect(wide(line)).toBeCloseTo(393.307, 2);
  });
});

describe('packages for the type of text', () => {
  const fonts = (preamble: string): string[] => {
    const found = laid(
      `\\documentclass{article}${preamble}\\begin{document}Word $x=2$\\end{document}`,
    );
    return ['Word', '𝑥'].map((word) => found.word(word).font.replace(/-.*|10|\d+$/, ''));
  };
  it.each([
    ['', 'lmroman', 'latinmodern'],
    ['\\usepackage{times}', 'texgyretermes', 'latinmodern'],
    ['\\usepackage{palatino}', 'texgyrepagella', 'latinmodern'],
    ['\\usepackage{newtxtext}', 'texgyretermes', 'latinmodern'],
    ['\\usepackage{newtxmath}', 'lmroman', 'texgyretermes'],
    ['\\usepackage{newtxtext,newtxmath}', 'texgyretermes', 'texgyretermes'],
    ['\\usepackage{mathptmx}', 'texgyretermes', 'texgyretermes'],
    ['\\usepackage{times,mathptmx}', 'texgyretermes', 'texgyretermes'],
  ])('%s: text in %s, formulas in %s', (preamble, text, formulas) => {
    expect(fonts(preamble)).toEqual([
      expect.stringContaining(text),
      expect.stringContaining(formulas),
    ]);
  });
});

describe('large signs', () => {
  // Display sums of cmex10 are 14 pt high and deep; the kernel has no other size of them (fontmath.ltx).
  const sum = (options: string, preamble: string): number => {
    const found = laid(
      `\\documentclass[${options}]{article}${preamble}\\begin{document}\\[\\sum\\]\\end{document}`,
    );
    return found.word('∑').size;
  };
  it.each([
    ['10pt', '', 10],
    ['12pt', '', 10],
    ['12pt', '\\usepackage{amsmath}', 12],
    ['12pt', '\\usepackage{amssymb}', 12],
    ['12pt', '\\usepackage{exscale}', 12],
    ['11pt', '', 10],
    ['11pt', '\\usepackage{amsmath}', 10.95],
  ])('at %s, %j, are those of %f pt', (options, preamble, size) => {
    expect(sum(options, preamble)).toBeCloseTo(size, 1);
  });
  it('small brackets are letters among letters all the same', () => {
    const found = laid(
      '\\documentclass[12pt]{article}\\begin{document}$\\left(x\\right)$\\end{document}',
    );
    expect(found.word('(').size).toBeCloseTo(12, 1);
  });
});
