import { describe, expect, it } from 'vitest';
import { PT } from '../../base/lengths';
import {
  bodyLines,
  findingsIn,
  inArticle,
  linesOf,
  textFiles,
  typeset,
} from '../../testing/document';

const body = (text: string, preamble?: string): string =>
  bodyLines(text, preamble).join(' | ').replace(/\s+/g, ' ');
const ys = (text: string): number[] =>
  (typeset(inArticle(text)).pages[0]?.placed ?? []).map(({ y }) => y / PT);

describe('spaces', () => {
  it('are swallowed behind a command, not behind braces or a control space', () => {
    expect(body('\\newcommand{\\x}{X}\\x y, \\x{} y, \\x\\ y')).toBe('Xy, X y, X y');
  });
  it('go with a comment at the end of a line', () => {
    expect(body('a%\nb c %\nd')).toBe('ab c d');
  });
  it('of several kinds count as one; a blank line as a paragraph', () => {
    expect(body('a   b\n c\n\n\n d')).toBe('a b c | d');
  });
});

describe('lines and displays', () => {
  it('\\\\[2ex] adds below the line', () => {
    const [first = 0, second = 0] = ys('a\\\\[2ex]b');
    expect(second - first).toBeCloseTo(12 + 2 * 4.30554, 1);
  });
  it('a blank line before a display starts a paragraph of its own', () => {
    const close = ys('text\n\\[x\\]');
    const apart = ys('text\n\n\\[x\\]');
    const below = (all: number[]): number => (all.at(-1) ?? 0) - (all[0] ?? 0);
    expect(below(apart)).toBeGreaterThan(below(close));
  });
});

describe('tables', () => {
  const AMS = '\\usepackage{array,booktabs,multirow}';
  it('span columns, rule parts, repeat columns', () => {
    const text =
      '\\begin{tabular}{|l|*{2}{c}|}\\hline\\multicolumn{2}{|c|}{ab} & c\\\\\\cline{1-2} d & e & f\\\\\\hline\\end{tabular}';
    expect(findingsIn(inArticle(text))).toEqual([]);
    expect(body(text).replace(/ /g, '')).toBe('abcdef');
  });
  it('set paragraphs in p columns and dress cells by > and <', () => {
    const text =
      '\\begin{tabular}{>{$}l<{$}@{--}>{\\bfseries}r p{3cm}}x^2 & b & words in a column that are longer than it\\end{tabular}';
    expect(findingsIn(inArticle(text, AMS))).toEqual([]);
    expect(body(text, AMS)).toContain('longer');
  });
  it('may be opened and closed in the halves of an environment', () => {
    const text =
      '\\newenvironment{tb}{\\begin{tabular}{ll}\\hline}{\\\\\\hline\\end{tabular}}\\begin{tb}a & b\\end{tb} after';
    expect(findingsIn(inArticle(text))).toEqual([]);
    expect(body(text)).toContain('after');
  });
  it('say that a column letter is none', () => {
    expect(
      findingsIn(inArticle('\\begin{tabular}{lz}a & b\\end{tabular}')).map(({ kind }) => kind),
    ).toEqual(['column-unknown']);
  });
});

describe('files', () => {
  const main =
    '\\documentclass{article}\\begin{document}\\input{part}\\input{missing}\\end{document}';
  it('are read in their place; what is wrong in them is told there', () => {
    const files = textFiles({ 'part.tex': 'Text of the part.\n\\undefinedcommand\n' });
    const session = typeset(main, files);
    expect(linesOf(session)[0]).toContain('Text of the part.');
    const found = session.findings().map(({ kind, file }) => `${kind} ${file}`);
    expect(found).toContain('command-unknown part.tex');
    expect(found).toContain('file-missing sheet.tex');
  });
  it('that read one another end in a finding', () => {
    const files = textFiles({ 'part.tex': '\\input{part}' });
    expect(
      typeset(main, files)
        .findings()
        .some(({ kind }) => kind === 'files-in-circle'),
    ).toBe(true);
  });
  it('that are styles see their options, once', () => {
    const files = textFiles({
      'tide.sty':
        '\\ProvidesPackage{tide}\\newcommand\\mode{none}\\DeclareOption{loud}{\\renewcommand\\mode{loud}}\\DeclareOption*{\\edef\\other{\\CurrentOption}}\\ProcessOptions\\def\\@hidden{ok}\\newcommand\\shown{\\@hidden}',
    });
    const text =
      '\\documentclass{article}\\usepackage[loud,x]{tide}\\usepackage{tide}\\begin{document}\\mode, \\other, \\shown, a@b\\end{document}';
    const session = typeset(text, files);
    expect(session.findings()).toEqual([]);
    expect(linesOf(session)[0]).toBe('loud, x, ok, a@b');
  });
  it('written down in the document are there', () => {
    const text =
      '\\begin{filecontents}{p.tex}\nInside.\n\\end{filecontents}\n\\documentclass{article}\n\\begin{document}\n\\input{p}\n\\end{document}';
    expect(linesOf(typeset(text))[0]).toBe('Inside.');
  });
});

describe('packages that are not known', () => {
  it('give one finding that says what is used of them and where', () => {
    const text = inArticle('A \\buoy{x} here.\n\n\\buoy{y} \\shoalmark', '\\usepackage{shoals}');
    const findings = typeset(text).findings();
    expect(findings.map(({ kind }) => kind)).toEqual(['package-unknown']);
    expect(findings[0]?.message).toContain('\\buoy in line 4');
    expect(findings[0]?.message).toContain('\\shoalmark in line 6');
  });
});

describe('references', () => {
  it('tell kinds and titles', () => {
    const text =
      '\\section{Tides}\\label{s}\\begin{equation}\\label{e}x\\end{equation}\\cref{e}, \\Cref{s}, \\nameref{s}';
    expect(body(text, '\\usepackage{amsmath,cleveref,nameref}')).toContain(
      'eq. (1), Section 1, Tides',
    );
  });
  it('to the last page hold its number', () => {
    expect(
      linesOf(
        typeset(inArticle('\\pageref{LastPage}\\newpage b\\newpage c', '\\usepackage{lastpage}')),
      )[0],
    ).toBe('3');
  });
  it('that nothing answers are told of', () => {
    expect(findingsIn(inArticle('\\cite{nobody}')).map(({ kind }) => kind)).toEqual([
      'citation-unknown',
    ]);
  });
});

describe('boxes', () => {
  it('are measured, kept and used', () => {
    const text =
      '\\newlength{\\w}\\settowidth{\\w}{\\rule{20pt}{1pt}}\\the\\w, \\newsavebox{\\b}\\sbox{\\b}{kept}\\usebox{\\b}\\usebox{\\b}, \\setbox0=\\hbox to 30pt{a}\\the\\wd0';
    expect(body(text)).toBe('20.0pt, keptkept, 30.0pt');
  });
  it('run away no more than macros do: a loop is named', () => {
    const [finding] = findingsIn(inArticle('\\def\\x{\\x}\\x'));
    expect(finding?.kind).toBe('macro-runaway');
    const [loop] = findingsIn(inArticle('\\newcount\\n\\loop\\iftrue\\repeat'));
    expect(loop?.kind).toBe('macro-runaway');
  });
});
