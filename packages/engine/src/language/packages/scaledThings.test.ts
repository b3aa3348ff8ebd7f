import { describe, expect, it } from 'vitest';
import { inArticle, linesOf, typeset } from '../../testing/document';

const PREAMBLE = '\\usepackage{amsmath,scalerel,stackengine,calc}';
/** What is printed of a body, and that nothing was found in it. */
function printed(body: string): string {
  const session = typeset(inArticle(`\\noindent ${body}`, PREAMBLE));
  expect(session.findings()).toEqual([]);
  return linesOf(session)[0] ?? '';
}
/** Height with depth, and width, of what is boxed, in points. */
const sizeOf = (what: string): number[] =>
  printed(`\\sbox0{${what}}\\the\\dimexpr\\ht0+\\dp0\\relax;\\the\\wd0`)
    .split(';')
    .map((length) => parseFloat(length));

describe('things scaled to the size of others', () => {
  it.each([
    ['$\\scaleto{x^2}{12pt}$', 12],
    ['$\\stretchto{(}{20pt}$', 20],
    ['$\\scalerel*{x}{\\rule[-3pt]{1pt}{10pt}}$', 10],
    ['$\\scalerel{x}{\\rule[-3pt]{1pt}{10pt}}$', 10],
    ['$\\stretchrel*{(}{\\rule[-3pt]{1pt}{30pt}}$', 30],
    ['$\\scaleto{\\scalerel*{x}{\\rule{1pt}{10pt}}}{5pt}$', 5],
  ])('%s is as high as it is to be', (what, height) =>
    expect(sizeOf(what)[0]).toBeCloseTo(height, 2),
  );
  it.each([
    ['$\\scalerel*[4pt]{\\bigwedge}{\\rule{1pt}{60pt}}$', 60, 4],
    ['$\\scaleto[3pt]{xyz}{20pt}$', 20, 3],
    ['$\\stretchrel*[5]{\\rule{1pt}{2pt}}{\\rule{1pt}{20pt}}$', 20, 4],
  ])('%s keeps its bound', (what, height, width) => {
    const size = sizeOf(what);
    expect(size[0]).toBeCloseTo(height, 2);
    expect(size[1]).toBeCloseTo(width, 2);
  });
  it('stretching leaves the width', () =>
    expect(sizeOf('$\\stretchto{(}{40pt}$')[1]).toBe(sizeOf('$($')[1]));
  it.each(['hstretch', 'vstretch', 'scaleobj'])('\\%s goes by its factor', (name) => {
    const [height = 0, width = 0] = sizeOf('$x$');
    const [h = 0, w = 0] = sizeOf(`$\\${name}{2}{x}$`);
    expect(h / height).toBeCloseTo(name === 'hstretch' ? 1 : 2, 2);
    expect(w / width).toBeCloseTo(name === 'vstretch' ? 1 : 2, 2);
  });
  it('in an index are scaled to what they are there', () => {
    const large = sizeOf('$\\scalerel*{\\bigcirc}{X}$')[0] ?? 0;
    const small = sizeOf('$\\scriptstyle\\scalerel*{\\bigcirc}{X}$')[0] ?? 0;
    expect(small / large).toBeLessThan(0.8);
  });
});

describe('things stacked on one another', () => {
  const RULE = '\\rule{10pt}{4pt}';
  it.each([
    [`\\stackon{${RULE}}{${RULE}}`, 11, 10],
    [`\\stackon[1pt]{${RULE}}{\\rule[-2pt]{20pt}{6pt}}`, 11, 20],
    [`\\stackunder[5pt]{\\rule[-1pt]{10pt}{5pt}}{${RULE}}`, 14, 10],
    [`\\def\\stacktype{L}\\stackon[12pt]{${RULE}}{${RULE}}`, 16, 10],
    [`\\def\\useanchorwidth{T}\\stackon{${RULE}}{\\rule{30pt}{4pt}}`, 11, 10],
    [`\\stackinset{r}{1pt}{t}{1pt}{\\rule{2pt}{2pt}}{${RULE}}`, 4, 10],
    [`\\setstackgap{S}{6pt}\\stackon{${RULE}}{${RULE}}`, 14, 10],
    [`\\Shortstack{${RULE}\\\\${RULE}\\\\${RULE}}`, 18, 10],
    [`\\setstackgap{L}{9pt}\\Longstack{${RULE}\\\\${RULE}}`, 13, 10],
    [`\\stackanchor{${RULE}}{${RULE}}`, 11, 10],
    ['\\stackMath\\stackon{\\rule{9pt}{4pt}}{\\rule{9pt}{4pt}}', 11, 9],
  ])('%s', (what, height, width) => {
    const size = sizeOf(what);
    expect(size[0]).toBeCloseTo(height, 1);
    expect(size[1]).toBeCloseTo(width, 2);
  });
  it('lines are parted by blanks, where they are by nothing else', () => {
    const [apart, together] = ['\\Shortstack{a bb ccc}', '\\Shortstack{a bb\\\\ccc}'].map(sizeOf);
    expect((apart?.[0] ?? 0) > (together?.[0] ?? 0)).toBe(true);
  });
  it('a hat as wide as what it stands on', () => {
    const hat =
      '\\stackMath\\newcommand\\wide[1]{\\savestack{\\pier}{\\stretchto{\\scaleto{\\scalerel*[\\widthof{\\ensuremath{#1}}]{\\bigwedge}{\\rule[-\\textheight/2]{1ex}{\\textheight}}}{\\textheight}}{0.5ex}}\\stackon[1pt]{#1}{\\pier}}';
    const [height = 0, width = 0] = sizeOf('$f*g*h$');
    const [h = 0, w = 0] = sizeOf(`${hat}$\\wide{f*g*h}$`);
    expect(w).toBeCloseTo(width, 1);
    // The gap, and half of the height of an x (4.31 pt) above it.
    expect(h - height).toBeCloseTo(1 + 4.31 / 2, 1);
  });
});
