import { describe, expect, it } from 'vitest';
import { MM, PT } from '../../base/lengths';
import { findingsIn, typeset } from '../../testing/document';
import { layoutOf, type Wishes } from './geometryLayout';

/** Measures of pages in millimetres: left, right, top, bottom of the text on each. */
function marginsOf(head: string, body = 'x'): number[][] {
  return typeset(`${head}\\begin{document}${body}\\end{document}`).pages.map(
    ({ geometry: g, number }) => {
      const left = g.twoSided && number % 2 === 0 ? g.evenLeft : g.left;
      const ends = [
        left,
        g.paperWidth - left - g.textWidth,
        g.top,
        g.paperHeight - g.top - g.textHeight,
      ];
      return ends.map((end) => Math.round((end / MM) * 100) / 100);
    },
  );
}
const of = (options: string, kind = 'a4paper'): number[] =>
  marginsOf(`\\documentclass[${kind}]{article}\\usepackage[${options}]{geometry}`)[0] as number[];

/** A4 is 210 by 297 mm; a head of article is 12 pt and 25 pt, its foot 30 pt. */
const HEAD = (37 * PT) / MM;
const FOOT = (30 * PT) / MM;

describe('margins by keys (geometry manual, section 5)', () => {
  it.each<[string, number[]]>([
    ['margin=1in', [25.4, 25.4, 25.4, 25.4]],
    ['margin={2cm,3cm}', [20, 20, 30, 30]],
    ['hmargin={2cm,3cm},vmargin=4cm', [20, 30, 40, 40]],
    ['margin=1in,left=2cm', [20, 25.4, 25.4, 25.4]],
    ['left=2cm,margin=1in', [25.4, 25.4, 25.4, 25.4]],
    ['lmargin=2cm,rmargin=1cm,tmargin=3cm,bmargin=4cm', [20, 10, 30, 40]],
    ['inner=2cm,outer=1cm', [20, 10, 35.64, 53.46]],
    // What is left out: 0.7 of the paper, sides 1:1 across and 2:3 down.
    ['', [31.5, 31.5, 35.64, 53.46]],
    ['left=3cm', [30, 30, 35.64, 53.46]],
    ['top=2cm', [31.5, 31.5, 20, 30]],
    ['bottom=3cm', [31.5, 31.5, 20, 30]],
    ['width=150mm', [30, 30, 35.64, 53.46]],
    ['width=150mm,left=1cm', [10, 50, 35.64, 53.46]],
    ['textheight=247mm', [31.5, 31.5, 20, 30]],
    ['total={150mm,247mm}', [30, 30, 20, 30]],
    ['total={150mm,247mm},centering', [30, 30, 25, 25]],
    ['body={150mm,247mm},vcentering', [30, 30, 25, 25]],
    ['scale=0.8', [21, 21, 23.76, 35.64]],
    ['scale={0.8,0.9},ratio={1:2,1:1}', [14, 28, 14.85, 14.85]],
    ['hscale=0.8,hmarginratio=1:2', [14, 28, 35.64, 53.46]],
    ['hdivide={*,150mm,20mm},vdivide={10mm,*,20mm}', [40, 20, 10, 20]],
    ['margin=2cm,bindingoffset=1cm', [30, 20, 20, 20]],
    ['margin=2cm,includehead', [20, 20, 20 + HEAD, 20]],
    ['margin=2cm,includefoot', [20, 20, 20, 20 + FOOT]],
    ['margin=2cm,includeheadfoot', [20, 20, 20 + HEAD, 20 + FOOT]],
    ['margin=2cm,includehead,nohead', [20, 20, 20, 20]],
    ['margin=2cm,includemp,marginpar=2cm,marginparsep=5mm', [20, 45, 20, 20]],
    ['margin=2cm,paper=a5paper', [20, 20, 20, 20]],
    ['a5paper,landscape,margin=10mm', [10, 10, 10, 10]],
    ['letterpaper,margin=1in', [25.4, 25.4, 25.4, 25.4]],
    ['papersize={100mm,120mm},margin=10mm', [10, 10, 10, 10]],
  ])('%s', (options, wanted) => {
    of(options).forEach((value, i) => expect(value).toBeCloseTo(wanted[i] as number, 1));
  });
  it('are inner and outer ones on two sides, 2:3 when nothing is said', () => {
    const book = '\\documentclass[a4paper,twoside]{article}';
    const two = 'x\\newpage y';
    expect(
      marginsOf(`${book}\\usepackage[inner=3cm,outer=1cm]{geometry}`, two).map((m) =>
        m.slice(0, 2),
      ),
    ).toEqual([
      [30, 10],
      [10, 30],
    ]);
    expect(marginsOf(`${book}\\usepackage{geometry}`, two).map((m) => m.slice(0, 2))).toEqual([
      [25.2, 37.8],
      [37.8, 25.2],
    ]);
    const one =
      '\\documentclass[a4paper]{article}\\usepackage[twoside,left=3cm,right=1cm]{geometry}';
    expect(marginsOf(one, two)[1]?.slice(0, 2)).toEqual([10, 30]);
  });
  it('add up over commands', () => {
    const head = '\\documentclass[a4paper]{article}\\usepackage[margin=1in]{geometry}';
    expect(marginsOf(`${head}\\geometry{left=2cm}\\geometry{top=3cm}`)[0]).toEqual([
      20, 25.4, 30, 25.4,
    ]);
  });
  it('hold whole lines when they are asked for', () => {
    const height = (options: string): number => {
      const text = `\\documentclass{article}\\usepackage[${options}]{geometry}\\begin{document}x\\end{document}`;
      return Math.round((typeset(text).pages[0]?.geometry.textHeight ?? 0) / PT);
    };
    expect(height('lines=40')).toBe(39 * 12 + 10);
    // The manual's example: 486 pt become 490 pt.
    expect(height('textheight=486pt,heightrounded')).toBe(490);
  });
});

describe('margins within a document', () => {
  const head = '\\documentclass[a4paper]{article}\\usepackage[margin=3cm]{geometry}';
  it('change from a new page on, and come back', () => {
    const body = 'a\\newgeometry{margin=2cm,bottom=4cm}b\\newpage c\\restoregeometry d';
    expect(marginsOf(head, body)).toEqual([
      [30, 30, 30, 30],
      [20, 20, 20, 40],
      [20, 20, 20, 40],
      [30, 30, 30, 30],
    ]);
  });
  it('are kept by name', () => {
    const body = 'a\\savegeometry{one}\\newgeometry{left=1cm,right=1cm}b\\loadgeometry{one}c';
    expect(marginsOf(head, body).map(([left]) => left)).toEqual([30, 10, 30]);
  });
  it('break the lines that follow to their width, and need no note', () => {
    const text = `${head}\\begin{document}a\\newgeometry{left=8cm,right=8cm}${'ebb and flow '.repeat(6)}\\end{document}`;
    expect(findingsIn(text)).toEqual([]);
    expect(typeset(text).pages[1]?.placed.length).toBeGreaterThan(2);
  });
});

it('text and margins fill the paper, whatever is asked', () => {
  const bare: Wishes = {
    paperWidth: 600,
    paperHeight: 800,
    across: {},
    down: {},
    binding: 0,
    twoSided: false,
    asymmetric: false,
    headHeight: 12,
    headSep: 25,
    footSkip: 30,
    marginWidth: 60,
    marginSep: 10,
    withHead: false,
    withFoot: false,
    withMargin: false,
    lines: null,
    rounded: false,
    baselineSkip: 12,
    topSkip: 10,
  };
  for (const across of [
    {},
    { before: 50 },
    { after: 70 },
    { size: 300 },
    { text: 250 },
    { scale: 0.5 },
  ])
    for (const withMargin of [false, true])
      for (const twoSided of [false, true]) {
        const found = layoutOf({ ...bare, across, withMargin, twoSided });
        const beside = withMargin ? 70 : 0;
        const right = 600 - found.left - found.textWidth - beside;
        if (twoSided) expect(found.evenLeft).toBeCloseTo(right, 0);
        if ('before' in across) expect(found.left).toBe(across.before);
        if ('after' in across) expect(right).toBeCloseTo(across.after ?? 0, 0);
      }
});
