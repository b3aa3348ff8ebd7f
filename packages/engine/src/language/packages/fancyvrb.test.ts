import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle, linesOf, textFiles, typeset } from '../../testing/document';
import { laid, laidBody } from '../../testing/layout';
import { painted } from '../../testing/painted';

const USE = '\\usepackage{fancyvrb,xcolor}';
const verbatim = (code: string, options = '', name = 'Verbatim'): string =>
  `\\begin{${name}}${options === '' ? '' : `[${options}]`}\n${code}\n\\end{${name}}`;
const lines = (body: string, preamble = ''): string[] =>
  linesOf(typeset(inArticle(body, USE + preamble)))
    .map((line) => line.replaceAll('\u00a0', ' '))
    .filter((line) => line !== '');
const kinds = (body: string, preamble = ''): string[] =>
  findingsIn(inArticle(body, USE + preamble)).map(({ kind }) => kind);

/** fancyvrb manual, sections 3 to 6. */
describe('verbatim text', () => {
  it.each<[string, string, string[]]>([
    ['is as it is typed', verbatim('a  {b} % \\c'), ['a  {b} % \\c']],
    ['has commands where three signs say so', verbatim('a !textbf(b) {c}', 'commandchars=!()'), ['a b {c}']],
    ['has the usual signs as commands', verbatim('a \\textbf{b} %', 'commandchars=\\\\\\{\\}'), ['a b %']],
    ['has formulas by their codes', verbatim('a $x$', 'commandchars=!(),codes={\\catcode`\\$=3}'), ['a 𝑥']],
    ['has no blanks at its left', verbatim('  a\n   b', 'gobble=2'), ['a', ' b']],
    ['loses the indent of all lines', verbatim('    a\n      b', 'autogobble'), ['a', '  b']],
    ['shows some lines', verbatim('a\nb\nc\nd', 'firstline=2,lastline=3'), ['b', 'c']],
    ['shows lines up to one', verbatim('a\nSTOP\nc', 'firstline=STOP'), ['STOP', 'c']],
    ['leaves comments out', verbatim('a\n!b\nc', 'commentchar=!'), ['a', 'c']],
    ['has tabs by their stops', verbatim('a\tb', 'tabsize=4,obeytabs'), ['a   b']],
    ['numbers lines', verbatim('a\nb', 'numbers=left,firstnumber=9'), ['9 a', '10 b']],
    ['numbers every other line', verbatim('a\nb\nc', 'numbers=left,stepnumber=2'), ['a', '2 b', 'c']],
    ['numbers the first line too', verbatim('a\nb', 'numbers=left,stepnumber=2,numberfirstline'), ['1 a', '2 b']],
    ['numbers both sides', verbatim('a', 'numbers=both'), ['1 1a']],
    ['counts on', `${verbatim('a\nb', 'numbers=left')}${verbatim('c', 'numbers=left,firstnumber=last')}`, ['1 a', '2 b', '3 c']],
    ['leaves empty lines out of the count', verbatim('a\n\nb', 'numbers=left,numberblanklines=false'), ['1 a', '2 b']],
    ['says the label of its frame', verbatim('a', 'frame=lines,label=Tide'), ['Tide', 'a']],
    ['says both labels', verbatim('a', 'frame=lines,label={[Ebb]Flood}'), ['Ebb', 'a', 'Flood']],
    ['is kept and used', `${verbatim('a_b', '', 'SaveVerbatim').replace('}\n', '}{k}\n')}\\UseVerbatim{k}`, ['a_b']],
    ['is kept as a file', `${verbatim('a_b', '', 'VerbatimOut').replace('}\n', '}{k.txt}\n')}\\VerbatimInput{k.txt}`, ['a_b']],
    ['stands as a box in its line', `x ${verbatim('a_b', '', 'BVerbatim')} y`, ['x a_b y']],
    ['stands in the line, kept before', '\\SaveVerb{k}|a_b|x \\UseVerb{k} y', ['x a_b y']],
    ['stands in the line with commands', 'x \\Verb[commandchars=!()]|a!textbf(b)| y', ['x ab y']],
  ])('%s', (_what, body, wanted) => {
    expect(lines(body).slice(0, wanted.length)).toEqual(wanted);
    expect(kinds(body)).toEqual([]);
  }); // prettier-ignore

  it('is set by an environment, a command and forms of one’s own', () => {
    const own =
      '\\DefineVerbatimEnvironment{code}{Verbatim}{numbers=left}\\CustomVerbatimCommand{\\tide}{Verb}{fontsize=\\small}' +
      '\\renewcommand\\theFancyVerbLine{[\\arabic{FancyVerbLine}]}\\renewcommand\\FancyVerbFormatLine[1]{>#1}';
    expect(lines(`${verbatim('a', '', 'code')}x \\tide|b_c|`, own).slice(0, 2)).toEqual([
      '[1] >a',
      'x >b_c',
    ]);
  });
  it('is a file of the assignment', () => {
    const text = inArticle('\\VerbatimInput[lastline=1]{gauge.txt}', USE);
    expect(linesOf(typeset(text, textFiles({ 'gauge.txt': 'a_b\nc\n' })))[0]).toBe('a_b');
  });
  it('tells of a key that is not known', () => {
    expect(kinds(verbatim('a', 'frame=single,tide=2'))).toEqual(['option-unknown']);
  });
  it.each([
    ['single', true],
    ['none', false],
  ])('stands within the measure with frame=%s', (frame, isFramed) => {
    const { word } = laidBody(verbatim('tide', `frame=${frame},numbers=left`), USE);
    const margin = laidBody('tide', `${USE}\\setlength\\parindent{0pt}`).word('tide').x;
    expect(word('tide').x - margin).toBeCloseTo(isFramed ? 0.4 + 3 : 0, 1);
    // Twelve points beside the frame.
    expect(margin - word('1').x).toBeGreaterThan(12);
  });
  it('has no gaps in a frame with a label', () => {
    const set = laidBody(verbatim('a', 'frame=single,label=Tide'), USE);
    const top = set.rules.find(({ width }) => width > 50);
    const sides = Math.min(...painted(set).map((one) => one.top));
    expect(sides).toBeCloseTo((top?.y ?? 0) + (top?.height ?? 0), 0);
  });
  it('goes on over pages in its frame', () => {
    const long = verbatim(Array.from({ length: 90 }, (_, i) => `l${i}`).join('\n'), 'frame=single');
    const { session } = laid(inArticle(long, USE));
    expect(session.pages.length).toBeGreaterThan(1);
    expect(linesOf(session)).toContain('l89');
  });
});

/** framed.sty: grounds of `shaded` reach into the margins, those of the starred forms do not. */
describe('frames', () => {
  const FRAMES =
    '\\usepackage{framed,xcolor}\\definecolor{shadecolor}{rgb}{1,0,0}\\setlength\\parindent{0pt}';
  it.each([
    ['shaded', -9, 0],
    ['shaded*', 0, 9],
    ['snugshade', -3, 0],
    ['snugshade*', 0, 3],
  ])('%s', (name, ground, text) => {
    const set = laidBody(`Flat.\\begin{${name}}Tide\\end{${name}}`, FRAMES);
    const margin = set.word('Flat.').x;
    expect((set.rules[0]?.x ?? NaN) - margin).toBeCloseTo(ground, 1);
    expect(set.word('Tide').x - margin).toBeCloseTo(text, 1);
  });
  it('are made by hand', () => {
    const own =
      '\\newenvironment{beside}{\\def\\FrameCommand{{\\color{red}\\vrule width 3pt}\\hspace{10pt}}\\MakeFramed{\\advance\\hsize-\\width\\FrameRestore}}{\\endMakeFramed}';
    const set = laidBody('Flat.\\begin{beside}Tide\\end{beside}', FRAMES + own);
    expect(set.word('Tide').x - set.word('Flat.').x).toBeCloseTo(13, 1);
    expect(findingsIn(inArticle('\\begin{beside}Tide\\end{beside}', FRAMES + own))).toEqual([]);
  });
  it.each([
    ['fancybox', '\\begin{Sbox}Tide\\end{Sbox}\\fbox{\\TheSbox}', 'Tide'],
    ['fancybox', '\\noindent\\begin{Bitemize}\\item Ebb\\end{Bitemize}', '• Ebb'],
    ['framed,xcolor', '\\begin{titled-frame}{Tide}Ebb\\end{titled-frame}', 'Tide'],
    ['mdframed', '\\newmdenv{note}\\renewmdenv[linewidth=2]{note}\\begin{note}Ebb\\mdfsubtitle{Flood}x\\end{note}', 'Ebb'],
    ['mdframed', '\\mdfdefinestyle{a}{linewidth=1}\\mdfapptodefinestyle{a}{innerleftmargin=3}\\begin{mdframed}[style=a]Ebb\\end{mdframed}', 'Ebb'],
    ['thmtools', '\\declaretheoremstyle[qed=\\qedsymbol]{s}\\declaretheorem[style=s]{tide}\\begin{tide}Ebb\\end{tide}', 'Tide 1. Ebb'],
  ])('of %s: %s', (packages, body, wanted) => {
    const text = inArticle(body, `\\usepackage{amsthm,${packages}}`);
    expect(linesOf(typeset(text)).join(' ').replaceAll('\u00a0', ' ')).toContain(wanted);
    expect(findingsIn(text)).toEqual([]);
  }); // prettier-ignore
});
