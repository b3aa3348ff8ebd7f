import { describe, expect, it } from 'vitest';
import { inArticle, linesOf, typeset } from '../../testing/document';
import { laid } from '../../testing/layout';

const PLAIN = '\\fancypagestyle{plain}{\\fancyhf{}\\fancyfoot[C]{P\\thepage}}';
const MAIN = '\\pagestyle{fancy}\\fancyhf{}\\fancyfoot[C]{F\\thepage}';
const document = (preamble: string, body: string, kind = 'article', options = ''): string =>
  `\\documentclass[${options}]{${kind}}\\usepackage{fancyhdr,xcolor}${preamble}\\begin{document}${body}\\end{document}`;

describe('a style of one page leaves the others as they were', () => {
  it.each([
    ['\\thispagestyle{plain}a\\newpage b', 'article'],
    ['\\title{T}\\author{A}\\date{}\\maketitle a\\newpage b', 'article'],
    ['\\chapter{One}a\\newpage b', 'report'],
  ])('%s', (body, kind) => {
    for (const preamble of [PLAIN + MAIN, MAIN + PLAIN]) {
      const lines = linesOf(typeset(document(preamble, body, kind)));
      expect(lines.filter((line) => /^[FP]\d$/.test(line))).toEqual(['P1', 'F2']);
    }
  });
});

/** fancyhdr.sty: fields end with a strut, and the rule lies below it. */
describe('where heads and feet stand', () => {
  const at = (preamble: string, options = '', body = 'text') =>
    laid(document(`\\pagestyle{fancy}\\fancyhf{}${preamble}`, body, 'article', options));

  it.each([
    ['10pt', 3.6],
    ['11pt', 4.08],
    ['12pt', 4.35],
  ])('the words of a head stand a strut above its rule (%s)', (size, depth) => {
    const page = at('\\lhead{head}', size);
    expect(page.word('head').y + depth).toBeCloseTo(page.rules[0]?.y ?? 0, 1);
    expect(page.rules[0]?.height).toBeCloseTo(0.4, 2);
  });
  it('the rule of a foot is a skip and a strut above its words', () => {
    const page = at('\\cfoot{foot}\\renewcommand\\footrulewidth{1pt}');
    const rule = page.rules.at(-1);
    expect(rule?.height).toBeCloseTo(1, 2);
    expect((rule?.y ?? 0) + 1 + 3.6 + 8.4).toBeCloseTo(page.word('foot').y, 1);
  });
  it('the width of heads is that of the text when the style is chosen', () => {
    const later = at('\\rhead{head}\\textwidth=200pt');
    expect(later.rules[0]?.width).toBeCloseTo(345, 0);
  });
  it('offsets widen the head, on the side that is said', () => {
    const [plain, wide] = [
      at('\\lhead{a}\\rhead{b}'),
      at('\\lhead{a}\\rhead{b}\\fancyhfoffset[L]{20pt}'),
    ];
    expect(plain.word('a').x - wide.word('a').x).toBeCloseTo(20, 1);
    expect(plain.word('b').right).toBeCloseTo(wide.word('b').right, 1);
    expect(wide.rules[0]?.width).toBeCloseTo((plain.rules[0]?.width ?? 0) + 20, 1);
  });
  it('the rule is what \\headrule says', () => {
    const page = at(
      '\\lhead{a}\\renewcommand\\headrule{\\hbox to\\headwidth{\\color{red}\\leaders\\hrule height 3pt\\hfill}}',
    );
    expect(page.rules.map(({ height }) => Math.round(height))).toEqual([3]);
    expect(at('\\lhead{a}\\renewcommand\\headrule{}').rules).toEqual([]);
  });
  it('a field that is too long breaks', () => {
    const long = at(`\\lhead{${'tide and gauge '.repeat(12)}}`);
    const head = long.lines.filter(
      ({ text }) => text.startsWith('tide') || text.startsWith('gauge'),
    );
    expect(head.length).toBeGreaterThan(1);
  });
});

describe('marks in heads', () => {
  const head = (
    field: string,
    kind = 'article',
    body = '\\section{Ebb and Flow}a\\newpage b',
  ): string =>
    linesOf(typeset(document(`\\pagestyle{fancy}\\fancyhf{}\\lhead{${field}}`, body, kind))).find(
      (line) => /ebb/i.test(line) && /\d/.test(line) && !/^1 Ebb and Flow$/.test(line),
    ) ?? '';

  it.each([
    ['\\leftmark', 'article', '1 EBB AND FLOW'],
    ['Q \\nouppercase{\\leftmark}', 'article', 'Q 1 Ebb and Flow'],
    ['Q \\nouppercase\\leftmark', 'article', 'Q 1 Ebb and Flow'],
  ])('%s', (field, kind, said) => {
    expect(head(field, kind).replace(/\s+/g, ' ')).toBe(said);
  });
  it('are of both kinds in reports', () => {
    const body = '\\chapter{Sea}\\section{Ebb}a\\newpage b';
    const field = '\\nouppercase{\\leftmark} / \\rightmark';
    const lines = linesOf(
      typeset(document(`\\pagestyle{fancy}\\fancyhf{}\\lhead{${field}}`, body, 'report')),
    );
    expect(lines.map((line) => line.replace(/\s+/g, ' '))).toContain('Chapter 1. Sea / 1.1. EBB');
  });
});

describe('the style fancyplain', () => {
  it('has one text on plain pages, another on the rest', () => {
    const source = document(
      '\\pagestyle{fancyplain}\\lhead{\\fancyplain{one}{two}}\\chead{}\\rhead{}\\cfoot{}',
      'a\\thispagestyle{plain}\\newpage b',
    );
    expect(linesOf(typeset(source))).toEqual(['a', 'one', '', 'b', 'two', '']);
  });
});

it('nothing is told of what is known', () => {
  const session = typeset(inArticle('a', '\\usepackage{fancyhdr}\\pagestyle{fancy}'));
  expect(session.findings()).toEqual([]);
});
