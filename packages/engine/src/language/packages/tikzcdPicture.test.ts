import { describe, expect, it } from 'vitest';
import { NO_PORT, walkPage } from '../../output/display/walk';
import { findingsIn, inArticle, typeset } from '../../testing/document';
import { laidBody } from '../../testing/layout';
import { textLook } from '../../testing/pictureLook';

const load = '\\usepackage{tikz-cd,amssymb}';
const diagram = (body: string, options = ''): string =>
  `\\begin{tikzcd}${options}${body}\\end{tikzcd}`;

/** How many paths a body draws. */
function paths(body: string): number {
  const session = typeset(inArticle(body, load));
  let count = 0;
  const [page] = session.pages;
  if (page) walkPage(session.describe(page), { ...NO_PORT, path: () => count++ });
  return count;
}

describe('diagrams with all that arrows can be', () => {
  it.each([
    ['a loop', 'A \\arrow[loop right, "f"]'],
    ['an arrow of two lines', 'A \\arrow[r, Rightarrow, red, "f"] & B'],
    ['a curved one', 'A \\arrow[r, curve={height=12pt}] & B'],
    ['a wave', 'A \\arrow[r, squiggly] & B'],
    ['colours', 'A \\arrow[r, red, "f" blue] & B'],
    ['shortened ends', 'A \\arrow[r, shorten >=3pt, shorten <=3pt] & B'],
    [
      'arrows between arrows',
      'A \\arrow[r, bend left, ""{name=U, below}] \\arrow[r, bend right, ""{name=D}] & B \\arrow[Rightarrow, from=U, to=D, "\\eta"]',
    ],
    [
      'arrows beside one another',
      'A \\arrow[r, shift left, "f"] \\arrow[r, shift right, leftarrow, "g"\'] & B',
    ],
    [
      'signs in the middle',
      'A \\arrow[dr, phantom, "\\lrcorner", very near start] & B \\\\ C \\arrow[r, crossing over] & D',
    ],
    ['another sign for &', '[ampersand replacement=\\&] A \\arrow[r] \\& B'],
  ])('%s, in a formula and in text', (_, body) => {
    const [options, rest] = body.startsWith('[')
      ? [body.slice(0, body.indexOf(']') + 1), body.slice(body.indexOf(']') + 1)]
      : ['', body];
    for (const source of [`\\[ ${diagram(rest, options)} \\]`, `Text ${diagram(rest, options)}`]) {
      expect(findingsIn(inArticle(source, load))).toEqual([]);
      expect(laidBody(source, load).text).toContain('𝐴');
    }
    expect(paths(diagram(rest, options))).toBeGreaterThan(0);
  });
  it('a plain one stands in text as in a formula', () => {
    const plain = diagram('A \\arrow[r, "f"] & B');
    expect(findingsIn(inArticle(`Text ${plain}`, load))).toEqual([]);
    expect(laidBody(`Text ${plain}`, load).text).toContain('𝐵');
  });
  it('objects stand in rows and columns', () => {
    const page = laidBody(diagram('A \\arrow[r, Rightarrow] & B \\\\ C & D'), load);
    expect(page.word('𝐴').y).toBeCloseTo(page.word('𝐵').y, 1);
    expect(page.word('𝐶').y - page.word('𝐴').y).toBeGreaterThan(20);
    expect(page.word('𝐴').x).toBeCloseTo(page.word('𝐶').x, -1);
  });
});

describe('each word of an arrow changes what is drawn', () => {
  const look = (word: string, rest = ''): string =>
    textLook(
      diagram(`A \\arrow[r, "f"${word && `, ${word}`}] & B \\\\ C \\arrow[u] & D ${rest}`),
      load,
    );
  it.each([
    ...['hook', "hook'", 'tail', 'two heads', 'maps to', 'mapsfrom', 'leftarrow', 'leftrightarrow'],
    ...[
      'dash',
      'no head',
      'harpoon',
      "harpoon'",
      'leftharpoonup',
      'hookleftarrow',
      'twoheadleftarrow',
    ],
    ...['leftarrowtail', 'Rightarrow', 'Leftarrow', 'Leftrightarrow', 'Mapsto', 'equal', '2tail'],
    ...['squiggly', 'leftsquigarrow', 'dashed', 'dashleftarrow', 'dotted', 'phantom', 'no body'],
    ...[
      'red',
      'bend left',
      'bend right=50',
      'curve={height=12pt}',
      'shift left',
      'shift right=2ex',
    ],
    ...['shorten=2mm', 'shorten <=2mm', 'start anchor=north', 'end anchor={[yshift=2pt]west}'],
    ...['start anchor={[yshift=1ex]}', 'between={.2}{.8}', 'swap', 'description', 'near end'],
    ...['controls={+(0,1) and +(0,1)}', 'to path={-- (\\tikztotarget.north)\\tikztonodes}'],
    ...['line width=1pt', '-{Latex[length=2mm]}', 'to=2-2', 'from=2-1'],
  ])('%s', (word) => expect(look(word)).not.toBe(look('')));
  it('an older form is the newer one', () => {
    const older = textLook(diagram('A \\arrow[red]{r}{f}[swap]{g} & B'), load);
    expect(older).toBe(textLook(diagram('A \\arrow[red, r, "f", "g"\'] & B'), load));
  });
  it('a word that is said of the arrow is said of its labels, before and behind them', () => {
    const swapped = textLook(diagram('A \\arrow[r, red, "f"\'] & B'), load);
    for (const words of ['r, red, swap, "f"', 'r, red, "f", swap'])
      expect(textLook(diagram(`A \\arrow[${words}] & B`), load)).toBe(swapped);
  });
  it('a label is swapped before its keys as among them', () => {
    const [sign, key] = ['"f"\'{near start}', '"f"{near start,swap}'].map((label) =>
      textLook(diagram(`A \\arrow[r, red, ${label}] & B`), load),
    );
    expect(sign).toBe(key);
  });
  it('arrows beside one another are as far apart as they say', () => {
    const shifted = (by: string): number => {
      const [[[from]]] = JSON.parse(textLook(diagram(`A \\arrow[r, red, ${by}] & B`), load))[0] as [
        [[number, number][]],
      ];
      return from?.[1] ?? NaN;
    };
    expect(shifted('shift left=4pt') - shifted('shift left=1pt')).toBeCloseTo(
      3 * (72 / 72.27) * Math.sign(shifted('shift left=4pt') - shifted('shift left=1pt')),
      1,
    );
  });
});

describe('each setting changes what is drawn', () => {
  const body = 'A \\arrow[r, "f"] & |[alias=Z]| B \\\\ C & D \\arrow[from=Z, to=2-1, bend left]';
  const plain = textLook(diagram(body), load);
  const settings = [
    ...[
      'row sep=large',
      'column sep=huge',
      'sep=1cm',
      'column sep={2cm,between origins}',
      'cramped',
    ],
    ...['cells={nodes={draw}}', 'nodes={draw}', 'arrows=red', 'arrows={shorten <=3pt}'],
    ...['labels={font=\\tiny}', 'labels=red', 'every arrow/.append style={dashed}'],
    ...['every label/.append style={red}', 'every cell/.style={blue}', 'math mode=false'],
    ...['execute at end picture={\\draw (\\tikzcdmatrixname-1-1) circle (3mm);}'],
  ];
  it.each(settings)('of one diagram: %s', (setting) =>
    expect(textLook(diagram(body, `[${setting}]`), load)).not.toBe(plain),
  );
  it.each([
    ...settings.filter((one) => !/math mode/.test(one)),
    'diagrams={column sep=huge}',
    'row sep/normal=1cm',
    'arrow style=tikz,diagrams={>=stealth}',
  ])('of all that follow: %s', (setting) =>
    expect(textLook(`\\tikzcdset{${setting}}${diagram(body)}`, load)).not.toBe(plain),
  );
  it('a style of the document for arrows and for diagrams', () => {
    const own =
      '\\tikzset{symbol/.style={draw=none,every to/.append style={edge node={node[sloped,auto=false]{$#1$}}}},scale cd/.style={cells={nodes={scale=#1}}}}';
    const look = (options: string, word: string): string =>
      textLook(`${own}${diagram(`A \\arrow[r, ${word}] & B`, options)}`, load);
    expect(look('', 'symbol=\\subset')).toContain('⊂');
    expect(look('[scale cd=2]', 'red')).not.toBe(look('', 'red'));
  });
});

it('the nodes of a matrix take the keys said for them', () => {
  const matrix = (nodes: string): string =>
    `\\begin{tikzpicture}\\matrix[matrix of nodes${nodes}]{a & b\\\\ c & d\\\\};\\end{tikzpicture}`;
  expect(paths(matrix(''))).toBe(0);
  expect(paths(matrix(',nodes={draw}'))).toBe(4);
});
