import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laid, laidBody } from '../../testing/layout';

const load = (packages: string): string =>
  `\\usepackage${packages.startsWith('[') ? packages : `{${packages}}`}`;

/** What a body prints: the lines, a bar between them, without the page's number. */
const prints = (packages: string, body: string, before = ''): string =>
  laidBody(body, load(packages) + before).text.replace(/ \| 1$/, '');

/** By package: a body, and what is printed (their manuals). */
const PRINTED: readonly (readonly [string, string, string])[] = [
  ['dirtytalk', '\\say{ebb \\say{and} flow}', '“ebb ‘and’ flow”'],
  [
    'engord',
    '\\engord{1} \\engord{2} \\engord{3} \\engord{11} \\engord{22}',
    '1st 2nd 3rd 11th 22nd',
  ],
  ['mfirstuc', '\\makefirstuc{ebb} \\capitalisewords{ebb and flow}', 'Ebb Ebb And Flow'],
  ['alphalph', '\\alphalph{26} \\alphalph{27} \\AlphAlph{52} \\alphalph{53}', 'z aa AZ ba'],
  ['seqsplit', '\\seqsplit{12345}', '12345'],
  ['newunicodechar', '\\newunicodechar{♮}{natural}♮', 'natural'],
  ['etaremune', '\\begin{etaremune}\\item a\\item b\\item c\\end{etaremune}', '3. a | 2. b | 1. c'],
  [
    'outlines',
    '\\begin{outline}[enumerate]\\1 a \\2 b \\2 c \\1 d\\end{outline}',
    '1. a | (a) b | (b) c | 2. d',
  ],
  [
    'multenum',
    '\\begin{multienumerate}\\mitemxx{a}{b}\\mitemx{c}\\end{multienumerate}',
    '1. a2. b | 3. c',
  ],
  ['moreenum', '\\setcounter{enumi}{26}\\enumHex{enumi} \\enumhex{enumi}', '1A 1a'],
  [
    'version',
    '\\includeversion{hint}\\excludeversion{key}\\begin{hint}a\\end{hint}\n\\begin{key}\nb\n\\end{key}\nc',
    'ac',
  ],
  ['[tutors]{optional}', '\\opt{tutors}{a}\\opt{pupils}{b}\\opt{pupils,tutors}{c}', 'ac'],
  ['trig', '\\CalculateSin{30}\\UseSin{30}', '0.5'],
  ['hologo', '\\hologo{unknown}', 'unknown'],
  [
    'savesym',
    '\\newcommand\\tide{a}\\savesymbol{tide}\\newcommand\\tide{b}\\restoresymbol{TT}{tide}\\tide\\TTtide',
    'ab',
  ],
  ['tocvsec2', '\\setsecnumdepth{section}\\section{A}\\subsection{B}', '1 A | B'],
  ['isotope', '\\isotope[14][6]{C}', '14 6 C'],
  ['pbox', '\\pbox{5cm}{a\\\\b}c', 'a | bc'],
  ['varwidth', '\\begin{varwidth}{5cm}a\\\\b\\end{varwidth}c', 'a | b | c'],
  ['varwidth', '\\begin{varwidth}{5cm}\\{a\\\\b\\}\\end{varwidth}', '{a | b}'],
  ['tabu', '\\begin{tabu} to 5cm {X[2]X[1,r]} a & b\\\\ c & d\\\\ \\end{tabu}', 'ab | cd'],
  ['tabu', '\\begin{longtabu}{lX} a & b\\\\ c & d\\\\ \\end{longtabu}', 'ab | cd'],
  [
    'ctable',
    '\\ctable[caption=Tides,pos=h]{lr}{\\tnote{noon}}{\\FL a & b\\tmark\\ML c & d\\LL}',
    'Table 1: Tides | a | ba | cd | a noon',
  ],
  [
    'manyfoot',
    '\\DeclareNewFootnote{A}[alph]x\\footnoteA{one}y\\footnote{two}',
    'x a y1 | a one | 1two',
  ],
  ['parnotes', 'a\\parnote{b}\n\n\\parnotes', 'a1 | 1 b'],
  ['hanging', '\\begin{hangparas}{2em}{1}a\n\nb\\end{hangparas}', 'a | b'],
  ['fixme', 'a\\fxnote{b}\\fxnote*{c}{d}e', 'ade'],
  [
    'alltt',
    '\\begin{alltt}\n  a \\textbf{b} $ # % {\\em c}\n\n  d\n\\end{alltt}',
    'a b $ # % c | d',
  ],
  [
    'footnote',
    '\\makesavenoteenv{tabular}\\begin{savenotes}a\\footnote{b}\\end{savenotes}',
    'a1 | 1b',
  ],
  ['moreverb', '\\begin{listing}[1]{7}\na_b\n\\end{listing}', '7 a_b'],
  ['boxedminipage', '\\begin{boxedminipage}{4cm}a b\\end{boxedminipage}', 'a b'],
  ['semantic', '$\\inference[R]{a & b}{c}$', '(R) a b | c'],
  ['csquotes', '\\MakeOuterQuote{"}"a" "b"', '“a” “b”'],
  ['csquotes', '\\MakeAutoQuote{»}{«}»a«', '“a”'],
  ['nccmath', '$\\mfrac{a}{b}$', 'a | b'],
];

describe('packages that stand together', () => {
  it.each(PRINTED)('%s: %s', (packages, body, printed) => {
    const plain = (text: string): string => text.normalize('NFKC').replace(/[\s|]+/g, '');
    expect(plain(prints(packages, body))).toBe(plain(printed));
    const told = findingsIn(inArticle(body, load(packages)));
    expect(told.filter(({ kind }) => !/^(?:line-wide|file-missing)$/.test(kind))).toEqual([]);
  });

  it('solutions are printed where they are wanted (answers)', () => {
    const body =
      '\\Opensolutionfile{ans}\\begin{exo}How high?\\begin{sol}\nVery \\textbf{high}.\n\\end{sol}\n\\end{exo}\n\\begin{exo}How low?\\begin{sol}\nLow.\n\\end{sol}\n\\end{exo}\n\\Closesolutionfile{ans}\nAnswers:\n\\Readsolutionfile{ans}';
    const text = prints(
      'answers',
      body,
      '\\newtheorem{exo}{Exercise}\\Newassociation{sol}{Solution}{ans}',
    );
    expect(text).toBe(
      'Exercise 1 How high? | Exercise 2 How low? | Answers: | 1. Very high. | 2. Low.',
    );
  });

  it('columns share a width as they are asked to (tabu)', () => {
    const { word } = laidBody(
      '\\noindent\\begin{tabu} to 90mm {X[2]X[1]} ebb & flow\\\\ \\end{tabu}',
      load('tabu'),
    );
    // Two shares of three of what six spaces between columns leave.
    const shared = 90 * (72.27 / 25.4) - 4 * 6;
    expect(word('flow').x - word('ebb').x).toBeCloseTo((2 / 3) * shared + 12, 0);
  });

  it('a picture is as large as its package of margins says (vmargin, anysize)', () => {
    for (const set of ['\\setmarginsrb{30mm}{20mm}{20mm}{20mm}{0pt}{0pt}{0pt}{0pt}', '']) {
      const name = set ? 'vmargin' : 'anysize';
      const { word } = laidBody(
        '\\noindent Ebb',
        `${load(name)}${set || '\\marginsize{30mm}{20mm}{20mm}{20mm}'}`,
      );
      expect(word('Ebb').x).toBeCloseTo(30 * (72.27 / 25.4), 1);
    }
  });
});

/** Pseudocode in the manner of clrscode3e: where a line stands says what it is within. */
it('lines of a procedure are set in by what is open (clrscode3e)', () => {
  const body =
    '\\begin{codebox}\\Procname{$\\proc{Tide}(A)$}\\li \\For $j \\gets 1$ \\To $n$\n\\li \\Do ebb\n\\li flow \\End\n\\li quay\\end{codebox}';
  const { word } = laidBody(body, load('clrscode3e'));
  expect(word('flow').x).toBeCloseTo(word('ebb').x, 1);
  expect(word('ebb').x - word('quay').x).toBeCloseTo(15, 0);
  expect(findingsIn(inArticle(body, load('clrscode3e')))).toEqual([]);
});

/** `\titleformat` for chapters: the form of the document's own holds for word, number and title (titlesec, 3.1). */
describe('heads of chapters', () => {
  const head = (preamble: string) =>
    laid(
      `\\documentclass{book}${preamble}\\begin{document}\\chapter{Tides}\\noindent Ebb\\hfill flow\\end{document}`,
    ).word;
  it('stand where their form says, in the type it says', () => {
    const word = head(
      '\\usepackage{titlesec}\\titleformat{\\chapter}[display]{\\raggedleft}{Part}{6pt}{\\Huge}',
    );
    expect(word('Tides').right).toBeCloseTo(word('flow').right, 1);
    expect(word('Part').right).toBeCloseTo(word('flow').right, 1);
    expect(word('Tides').font).not.toContain('bold');
  });
  it.each(['Sonny', 'Lenny', 'Glenn', 'Conny', 'Rejne', 'Bjarne', 'Bjornstrup'])(
    'of fncychap, %s: the number above the title',
    (look) => {
      const word = head(`\\usepackage[${look}]{fncychap}`);
      expect(word('1').y).toBeLessThan(word('Tides').y);
    },
  );
  it('bear the words of others once (quotchap)', () => {
    const text = laid(
      '\\documentclass{book}\\usepackage{quotchap}\\begin{document}\\begin{savequote}Ebb\\qauthor{Quay}\\end{savequote}\\chapter{Tides}\\chapter{Lamps}\\end{document}',
    ).text;
    expect(text.match(/Ebb/g)).toHaveLength(1);
    expect(text.indexOf('Quay')).toBeLessThan(text.indexOf('Tides'));
  });
});

/** Keys for commands of one's own (the manual of pgfkeys). */
describe('pgfkeys', () => {
  const run = (keys: string, body: string): string =>
    prints('pgfkeys', `\\pgfkeys{${keys}}${body}`).replace(/\s*\|\s*/g, ' ');
  it.each([
    ['/t/.is family, /t, a/.code={(#1)}', '\\pgfkeys{/t, a=1, a=2}', '(1)(2)'],
    ['/t/a/.code={(#1)}, /t/a/.default=d', '\\pgfkeys{/t/a, /t/a=e}', '(d)(e)'],
    ['/t/a/.store in=\\ta, /t/b/.style={/t/a=#1#1}', '\\pgfkeys{/t/b=x}\\ta', 'xx'],
    ['/t/a/.initial=5', '\\pgfkeysvalueof{/t/a}\\pgfkeys{/t/a=7}\\pgfkeysvalueof{/t/a}', '57'],
    ['/t/a/.code 2 args={#2#1}', '\\pgfkeys{/t/a={x}{y}}', 'yx'],
    [
      '/t/.cd, a/.code={#1}, b/.append style={a=1}, b/.append style={a=2}',
      '\\pgfqkeys{/t}{b}',
      '12',
    ],
    ['/t/.unknown/.code={[\\pgfkeyscurrentname]}', '\\pgfkeys{/t/nix=1}', '[nix]'],
    ['/t/c/.is choice, /t/c/on/.code=1, /t/c/off/.code=0', '\\pgfkeys{/t/c=off,/t/c=on}', '01'],
    ['/t/a/.code={(#1)}', '\\pgfkeys{/t/a/.list={x,y}}', '(x)(y)'],
    ['/t/a/.code=x', '\\pgfkeysifdefined{/t/a/.@cmd}{y}{n}\\pgfkeysifdefined{/t/a}{y}{n}', 'ny'],
  ])('%s', (keys, body, printed) => {
    expect(run(keys, body)).toBe(printed);
    expect(findingsIn(inArticle(`\\pgfkeys{${keys}}${body}`, load('pgfkeys')))).toEqual([]);
  });
  it('keys that call each other for ever are told of once, and the sheet goes on', () => {
    const keys = '\\pgfkeys{/t/.cd, a/.style={b}, b/.style={a}, a}after';
    expect(prints('pgfkeys', keys)).toContain('after');
    expect(findingsIn(inArticle(keys, load('pgfkeys'))).map(({ kind }) => kind)).toEqual([
      'nesting-too-deep',
    ]);
  });
  it('tells of a key that nobody declared', () =>
    expect(
      findingsIn(inArticle('\\pgfkeys{/t/.is family, /t, nix=3}', load('pgfkeys'))).map(
        ({ kind }) => kind,
      ),
    ).toEqual(['option-unknown']));
});
