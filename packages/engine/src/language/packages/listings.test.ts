import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle, textFiles, typeset, linesOf } from '../../testing/document';
import { laid, laidBody } from '../../testing/layout';

const USE = '\\usepackage{listings,xcolor}';
const program = (code: string, options = ''): string =>
  `\\begin{lstlisting}[${options}]\n${code}\n\\end{lstlisting}`;
const set = (code: string, options = '', preamble = '') =>
  laidBody(program(code, options), USE + preamble);
/** The lines of a program, blanks as they are. */
const lines = (code: string, options = '', preamble = ''): string[] =>
  linesOf(typeset(inArticle(program(code, options), USE + preamble))).map((line) =>
    line.replaceAll('\u00a0', ' '),
  );
/** Each word of a program with its colour, where that is not black. */
const coloured = (code: string, options: string, preamble = ''): Record<string, number> => {
  // A bracket in brackets would end them.
  const { session } = set(code, '', `${preamble}\\lstset{basicstyle=\\ttfamily,${options}}`);
  const out: Record<string, number> = {};
  for (const page of session.pages) {
    const look = session.describe(page);
    look.runPaint.forEach((paint, i) => {
      const glyphs = look.glyphs.subarray(
        look.runGlyph[i],
        look.runGlyph[i + 1] ?? look.glyphs.length,
      );
      const font = session.fonts.byId(look.runFont[i] ?? 0);
      const text = [...glyphs].map((glyph) => font.textOf(glyph)).join('');
      if (paint !== 0 && /\S/.test(text)) out[text] = paint;
    });
  }
  return out;
};
const [RED, GREEN, BLUE] = [0xff0000, 0x00ff00, 0x0000ff];
const STYLES =
  'keywordstyle=\\color{red},commentstyle=\\color{green},stringstyle=\\color{blue},showstringspaces=false,';

/** listings manual, chapters 2 to 4. */
describe('words of a program', () => {
  it.each<[string, string, Record<string, number>]>([
    ['if x: # y', 'language=Python', { if: RED, '#': GREEN, y: GREEN }],
    ['/* a\nb */ int c', 'language=C', { '/': GREEN, '*': GREEN, a: GREEN, b: GREEN, int: RED }],
    ['"""a\nif""" if', 'language=Python', { '"': BLUE, a: BLUE, if: RED }],
    ['select x', 'language=SQL', { select: RED }],
    ['#include x', 'language=C', { '#': RED, include: RED }],
    ['ebb flood', 'morekeywords={ebb,flood}', { ebb: RED, flood: RED }],
    ['ebb flood', 'morekeywords={ebb},morekeywords=[2]{flood},keywordstyle=[2]\\color{blue}', { ebb: RED, flood: BLUE }],
    ['ebb flood', 'morekeywords={ebb},classoffset=1,morekeywords={flood},keywordstyle=\\color{blue},classoffset=0', { ebb: RED, flood: BLUE }],
    ['if x', 'language=Python,deletekeywords={if}', {}],
    ['low x', 'emph={low},emphstyle=\\color{blue}', { low: BLUE }],
    ['a ;; b', 'morecomment=[l]{;;}', { ';': GREEN, b: GREEN }],
    ['a (* b\n c *) d', 'morecomment=[s]{(*}{*)}', { '(': GREEN, '*': GREEN, b: GREEN, c: GREEN, ')': GREEN }],
    ["a 'b' c", "morestring=[b]'", { '’': BLUE, b: BLUE }],
    ['x1', 'identifierstyle=\\color{blue}', { x1: BLUE }],
  ])('%s with %s', (code, options, wanted) => {
    expect(coloured(code, STYLES + options)).toEqual(wanted);
  }); // prettier-ignore

  it('are those of a language that the document defines, on the ground of another', () => {
    const own = '\\lstdefinelanguage{Tide}[]{Python}{morekeywords={ebb},sensitive=false}\\lstalias{T}{Tide}';
    expect(coloured('EBB if', `${STYLES}language=Tide`, own)).toEqual({ EBB: RED, if: RED });
    expect(coloured('ebb', `${STYLES}language=Tide`, '\\lstdefinelanguage{Tide}{morekeywords={ebb}}')).toEqual({ ebb: RED });
  }); // prettier-ignore

  it('have the look of a style by its name, wherever that is said', () => {
    const style = '\\lstdefinestyle{mine}{keywordstyle=\\color{blue},language=Python}';
    expect(coloured('if', 'style=mine', style)).toEqual({ if: BLUE });
    expect(coloured('if', '', `${style}\\lstset{style=mine}`)).toEqual({ if: BLUE });
    expect(coloured('if', 'style=mine,keywordstyle=\\color{red}', style)).toEqual({ if: RED });
  });
});

describe('what stands in a program', () => {
  it.each<[string, string, string, string[]]>([
    ['tabs up to their stops', 'a\tb', 'tabsize=4', ['a   b']],
    ['blanks of strings, seen', '"a b"', 'language=C', ['"a␣b"']],
    ['or not', '"a b"', 'language=C,showstringspaces=false', ['"a b"']],
    ['all blanks seen', 'a b', 'showspaces', ['a␣b']],
    ['without what is taken off its lines', '  a\n  b', 'gobble=2', ['a', 'b']],
    ['some of its lines', 'a\nb\nc\nd\ne', 'linerange={2-3,5-5}', ['b', 'c', 'e']],
    ['some by first and last', 'a\nb\nc\nd', 'firstline=2,lastline=3', ['b', 'c']],
    ['numbers', 'a\nb', 'numbers=left', ['1 a', '2 b']],
    ['numbers from, and every second', 'a\nb\nc', 'numbers=left,firstnumber=9,stepnumber=2', ['a', '10 b', 'c']],
    ['signs for others', 'a -> b', 'literate={->}{{$\\to$}}2', ['a → b']],
    ['formulas', 'a $x^2$', 'mathescape', ['a 𝑥2']],
    ['text', 'a (*\\textbf{b}*) c', 'escapeinside={(*}{*)}', ['a b c']],
    ['text between one sign', 'a |\\textbf{b}| c', 'escapechar=|', ['a b c']],
  ])('%s', (_, code, options, wanted) => {
    expect(lines(code, `basicstyle=\\ttfamily,${options}`)).toEqual([...wanted, '1']);
  }); // prettier-ignore

  it('counts on where the last one ended', () => {
    const body = `${program('a\nb', 'numbers=left')}${program('c', 'numbers=left,firstnumber=last')}`;
    expect(laidBody(body, USE).text.replace(/\s/g, '')).toContain('3c');
  });

  it('breaks lines that are too wide when it is told so, its indent kept', () => {
    const code = `  ${'word '.repeat(30)}`;
    const { lines: rows } = set(code, 'basicstyle=\\ttfamily,breaklines,breakindent=10pt');
    const [first, second] = rows;
    expect(rows.length).toBeGreaterThan(2);
    expect((second?.x ?? 0) - (first?.x ?? 0)).toBeGreaterThan(9);
    const tooWide = (options: string): boolean =>
      findingsIn(inArticle(program(code, `basicstyle=\\ttfamily${options}`), USE)).length > 0;
    expect([tooWide(''), tooWide(',breaklines')]).toEqual([true, false]);
  });

  it('shows where a line is broken, as it is told', () => {
    const { lines: rows } = set(
      'word '.repeat(30),
      'basicstyle=\\ttfamily,breaklines,breakindent=0pt,postbreak=\\mbox{Q },prebreak=Z',
    );
    const texts = rows.map(({ text }) => text).filter((text) => text.includes('word'));
    expect(texts.length).toBeGreaterThan(1);
    expect(texts.map((text) => [text.startsWith('Q'), text.endsWith('Z')])).toEqual(
      texts.map((_, i) => [i > 0, i < texts.length - 1]),
    );
  });
  it('comments are the language of documents where they should, their first signs are not', () => {
    expect(lines('x # $y$', 'language=Python,texcl')).toEqual(['x # 𝑦', '1']);
    expect(lines('x // \\textbf{y}', 'language=C,texcl')).toEqual(['x // y', '1']);
  });

  it('of twenty thousand lines is read to its end', () => {
    const code = 'int x;\n'.repeat(20_000);
    const { session } = set(code, 'language=C,basicstyle=\\ttfamily');
    expect(session.findings()).toEqual([]);
    expect(session.pages.length).toBeGreaterThan(400);
  });

  it('comes from a file of the assignment', () => {
    const text = inArticle('\\lstinputlisting[linerange={2-2}]{gauge.py}', USE);
    expect(linesOf(typeset(text, textFiles({ 'gauge.py': 'a\nb\nc\n' })))[0]).toBe('b');
  });
});

describe('the room of a program', () => {
  it('is framed around the text, which stays where it is', () => {
    const plain = set('a', 'basicstyle=\\ttfamily').word('a').x;
    for (const frame of ['single', 'tb', 'lines', 'L', 'trbl'])
      expect(set('a', `basicstyle=\\ttfamily,frame=${frame}`).word('a').x).toBeCloseTo(plain, 2);
    expect(set('a', 'basicstyle=\\ttfamily,xleftmargin=20pt').word('a').x).toBeCloseTo(plain + 20, 2);
  }); // prettier-ignore

  it('goes on over pages with its frame', () => {
    const code = Array.from({ length: 80 }, (_, i) => `line${i}`).join('\n');
    const { word, session } = set(code, 'basicstyle=\\ttfamily,frame=single');
    expect(session.pages.length).toBe(2);
    expect([word('line0').page, word('line79').page]).toEqual([0, 1]);
    expect(session.pages.every(({ overfull }) => overfull === 0)).toBe(true);
  });

  it('is that of listings.sty: aboveskip, caption, program, belowskip', () => {
    const y = (options: string, text: string): number =>
      laidBody(`Before.\n\n${program('a', `basicstyle=\\ttfamily,${options}`)}\n\nBehind.`, USE).word(text).y;
    const shift = (options: string, text = 'a'): number => y(options, text) - y('', text);
    expect(shift('aboveskip=20pt')).toBeCloseTo(20 - 6, 1);
    expect(shift('belowskip=20pt')).toBeCloseTo(0, 1);
    expect(shift('belowskip=20pt', 'Behind.')).toBeCloseTo(20 - 6, 1);
  }); // prettier-ignore

  it('no page ends between a caption and its program', () => {
    const pagesOf = (height: number): number[] => {
      const body = `\\noindent\\rule{1pt}{${height}pt}\n\n${program('a = b', 'caption={Euclid}')}`;
      const { word } = laidBody(body, USE);
      return [word('Euclid').page, word('b').page];
    };
    // 550 pt stand on a page: below most of these the caption alone would find room.
    const found = [480, 490, 500, 505, 510, 515, 520, 525].map(pagesOf);
    expect(found.every(([caption, line]) => caption === line)).toBe(true);
    expect(new Set(found.map(([caption]) => caption)).size).toBe(2);
  });

  it('has a short title for the list', () => {
    const body = `\\lstlistoflistings ${program('a', 'caption={[Short]Long words}')}`;
    expect(laid(inArticle(body, USE)).text).toMatch(/Listings.*Short.*Listing 1: Long words/);
  });
});

it.each([
  ['ebbandflow=3', 'ebbandflow', 'numbers=left'],
  ['style=nowhere', 'nowhere', null],
])(
  'a key that is not known is told, and taken out where that mends it: %s',
  (options, name, left) => {
    const own = inArticle(program('a', `${options},numbers=left`), USE);
    const forAll = inArticle(program('a', ''), `${USE}\\lstset{${options}}`);
    for (const text of [own, forAll])
      expect(
        typeset(text)
          .findings()
          .map(({ message }) => message),
      ).toEqual([expect.stringContaining(name)]);
    const [found] = findingsIn(own);
    if (left) expect(found?.fixed).toContain(`[${left}]`);
    else expect(found?.fixed).toBeNull();
  },
);

describe('minted', () => {
  const minted = (options: string, code: string, preamble = '') =>
    laidBody(
      `Before.\n\n\\begin{minted}[${options}]{python}\n${code}\n\\end{minted}\nBehind.`,
      `\\usepackage{minted}${preamble}`,
    );
  it('goes by its own keys, not by those of listings', () => {
    const { text } = minted('', 'x = "a b"', '\\lstset{numbers=left,frame=single}');
    expect(text.replaceAll('\u00a0', ' ')).toMatch(/\| ?x = "a b" ?\|/);
    const paths = ({ session }: ReturnType<typeof minted>): number =>
      session.pages.reduce((sum, page) => sum + session.describe(page).pathDrawn.length, 0);
    expect(paths(minted('', 'x', '\\lstset{frame=single}'))).toBe(0);
    expect(paths(minted('frame=lines', 'x'))).toBeGreaterThan(0);
  });
  it('takes off what all of its lines begin with, when told', () => {
    const plain = minted('', 'x').word('x').x;
    expect(minted('autogobble', '    x\n      y').word('x').x).toBeCloseTo(plain, 2);
    expect(lines('    x', 'basicstyle=\\ttfamily,autogobble')[0]).toBe('x');
    expect(lines('    x', 'basicstyle=\\ttfamily')[0]?.trim()).toBe('x');
  });
  it('has the room of a list above and below', () => {
    const { word } = minted('', 'x');
    const above = word('x').y - word('Before.').y;
    expect(word('Behind.').y - word('x').y).toBeCloseTo(above, 0);
    expect(above).toBeGreaterThan(18);
  });
});

/** listings manual, sections 2.6 and 4.18. */
describe('parts of a program between signs of one’s own', () => {
  it.each<[string, string, string, string[]]>([
    ['a @b@ c', 'moredelim=[is][\\color{red}]{@}{@}', 'signs left out', ['a b c']],
    ['a @b@ c', 'moredelim=[s][\\color{red}]{@}{@}', 'signs shown', ['a @b@ c']],
    ['a ;b c', 'moredelim=[il][\\color{red}]{;}', 'to the end of the line', ['a b c']],
    ['a ;b c', 'moredelim=[l][\\color{red}]{;}', 'to the end, the sign shown', ['a ;b c']],
  ])('%s with %s: %s', (code, options, _what, wanted) => {
    const [line = ''] = lines(code, '', `\\lstset{${options}}`);
    expect([line.replace(/ /g, '')]).toEqual(wanted.map((one) => one.replace(/ /g, '')));
    expect(coloured(code, options)).toMatchObject({ b: RED });
  });
  it('have the styles of words too, with a star', () => {
    const options =
      'language=Python,keywordstyle=\\color{blue},moredelim=**[is][\\color{red}]{@}{@}';
    expect(coloured('@if x@ y', options)).toEqual({ if: BLUE, x: RED });
    expect(coloured('@if x@ y', options.replace('**', ''))).toEqual({ if: RED, x: RED });
  });
});

describe('programs that float, and their lines', () => {
  it('float where that is said', () => {
    const body = `Text.\n\n${program('a', 'float=t,caption=Ebb,label=e')}\n\nMore \\ref{e}.`;
    const { word } = laidBody(body, USE);
    expect(word('Ebb').y).toBeLessThan(word('Text.').y);
    expect(findingsIn(inArticle(body, USE))).toEqual([]);
  });
  it('are numbered as a counter prints them', () => {
    const own = '\\renewcommand\\thelstnumber{[\\arabic{lstnumber}]}';
    expect(lines('a\nb', 'numbers=left', own)[1]).toBe('[2] b');
    expect(lines('a\nb\nc', 'numbers=left,stepnumber=2,numberfirstline')).toEqual([
      '1 a',
      '2 b',
      'c',
      '1',
    ]);
  });
  it('can be referred to, line by line', () => {
    const body = `${program('a\n(*\\label{l}*)b', 'escapeinside={(*}{*)},numbers=left')}See \\ref{l}.`;
    expect(laidBody(body, USE).text).toContain('See 2.');
  });
});

it.each([
  ['\\\\def x', true],
  ['def x', false],
  ['\\\\section x', true],
  ['the section x', false],
  ['lamp x', true, 'morekeywords={lamp}'],
  ['lamp x', false, 'moretexcs={lamp}'],
  ['\\lamp x', true, 'moretexcs={lamp}'],
])('of TeX the words behind a backslash stand out: %s', (code, stands, more = '') => {
  const listing = `\\begin{lstlisting}[language=TeX,keywordstyle=\\color{blue},${more}]\n${code.replace(/\\\\/g, '\\')}\n\\end{lstlisting}`;
  const { word } = laidBody(listing, '\\usepackage{listings,xcolor}');
  const name = /(?:def|section|lamp)/.exec(code)?.[0] ?? '';
  expect(word(name.charAt(0)).color === 0x0000ff).toBe(stands);
});

/** listings manual, sections 4.16 and 5.1. */
describe('programs through macros and environments of one’s own', () => {
  const load = (setup: string): string =>
    `\\usepackage{listings}\\lstset{columns=fullflexible}${setup}`;
  const shows = (setup: string, body: string): string =>
    laidBody(body, load(setup)).text.replace(/\s+/g, ' ').replaceAll(' | ', ' ');
  it.each<[string, string, RegExp]>([
    ['\\lstnewenvironment{code}[1][]{\\lstset{language=C,#1}}{}', '\\begin{code}\nint x;\n\\end{code}', /^int x;/],
    ['\\lstnewenvironment{code}[1][]{\\lstset{language=C,#1}}{}', '\\begin{code}[caption={Ebb}]\nint x;\n\\end{code}', /^Listing 1: Ebb int x;/],
    ['\\lstnewenvironment{code}[1][numbers=left]{\\lstset{#1}}{}', '\\begin{code}\nint x;\n\\end{code}', /^1 ?int x;/],
    ['\\lstnewenvironment{code}[2][]{\\lstset{language=#2,caption={#2},#1}}{}', '\\begin{code}[numbers=left]{Java}\nint x;\n\\end{code}', /^Listing 1: Java 1 ?int x;/],
    ['\\lstnewenvironment{code}{\\lstset{language=C}}{}', '\\begin{code}\nint x;\n\\end{code}', /^int x;/],
    ['\\newcommand{\\py}[1]{\\lstinline[language=Python]{#1}}', 'a \\py{def f} b', /^a def f b/],
    ['\\newcommand{\\py}[1]{\\lstinline!#1!}', 'a \\py{def f} b', /^a def f b/],
    ['\\newcommand{\\py}{\\lstinline[language=Python]}', 'a \\py{def f} \\py!x! b', /^a def f x b/],
  ])('%s %s', (setup, body, printed) => {
    expect(shows(setup, body)).toMatch(printed);
    expect(findingsIn(inArticle(body, load(setup)))).toEqual([]);
  }); // prettier-ignore
});
