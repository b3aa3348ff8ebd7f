import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle, textFiles, typeset } from '../../testing/document';
import { laid, laidBody } from '../../testing/layout';
import { NO_PORT, walkPage } from '../../output/display/walk';

/** The colours in which the first page is filled, in their order. */
function fills(body: string, preamble: string): number[] {
  const session = typeset(inArticle(body, preamble));
  const out: number[] = [];
  const [page] = session.pages;
  if (page)
    walkPage(session.describe(page), {
      ...NO_PORT,
      path: ({ fill }) => void (fill !== null && out.push(fill)),
    });
  return out;
}

describe('quantities', () => {
  it('stand in text, formulas and tables, and have units of the document’s own', () => {
    const text =
      '\\DeclareSIUnit{\\knot}{kn}\\qty{12}{\\knot} and $v=\\SI{3}{\\metre}$ \\begin{tabular}{S[table-format=1.2]c}{x}&y\\\\1.5&2\\end{tabular}';
    expect(findingsIn(inArticle(text, '\\usepackage{siunitx}'))).toEqual([]);
    const page = laidBody(text, '\\usepackage{siunitx}');
    expect(page.text).toContain('kn');
    expect(page.text).not.toContain('table-format');
  });
});

describe('coloured boxes', () => {
  const pkg = '\\usepackage{tcolorbox}';
  it('have a frame, a ground and a title', () => {
    const box =
      '\\begin{tcolorbox}[title=Tide,colback=red,colframe=blue]High water.\\end{tcolorbox}';
    expect(fills(box, pkg)).toEqual([0x0000ff, 0xff0000]);
    expect(laidBody(box, pkg).text).toContain('Tide');
    expect(findingsIn(inArticle(box, pkg))).toEqual([]);
  });
  it('reach from margin to margin, their words indented in them', () => {
    const page = laidBody('\\noindent Before.\\begin{tcolorbox}Inside.\\end{tcolorbox}After.', pkg);
    expect(page.word('Inside.').x - page.word('Before.').x).toBeCloseTo(5.5 * 2.845, 1);
    expect(page.word('After.').y).toBeGreaterThan(page.word('Inside.').y + 12);
  });
  it.each([
    [
      'a box of one’s own',
      '\\newtcolorbox{note}[1][]{colback=red,#1}\\begin{note}[colframe=blue]x\\end{note}',
      [0x0000ff, 0xff0000],
    ],
    [
      'a style',
      '\\tcbset{tide/.style={colback=red,colframe=blue}}\\begin{tcolorbox}[tide]x\\end{tcolorbox}',
      [0x0000ff, 0xff0000],
    ],
    [
      'what holds for all',
      '\\tcbset{colback=red,colframe=blue}\\begin{tcolorbox}x\\end{tcolorbox}',
      [0x0000ff, 0xff0000],
    ],
    ['a word in the line', '\\tcbox[colback=red,colframe=blue]{x}', [0x0000ff, 0xff0000]],
    [
      'the frame of the other package',
      '\\begin{mdframed}[backgroundcolor=red,linecolor=blue]x\\end{mdframed}',
      [0xff0000, 0x0000ff, 0x0000ff, 0x0000ff, 0x0000ff],
    ],
  ] as const)('%s', (_, body, wanted) => {
    expect(fills(body, `${pkg}\\usepackage{mdframed}`)).toEqual(wanted);
  });
  it('number theorems, with titles and labels', () => {
    const theorem = '\\newtcbtheorem[number within=section]{tidal}{Law}{colback=red}{law}';
    const body = `${theorem}\\section{Sea}\\begin{tidal}{Ebb}{ebb}Low.\\end{tidal}See \\ref{law:ebb}.\\begin{tidal*}{}{}No number.\\end{tidal*}`;
    const page = laidBody(body, pkg);
    expect(page.text).toContain('Law 1.1: Ebb');
    expect(page.text).toContain('See 1.1');
    expect(findingsIn(inArticle(body, pkg))).toEqual([]);
  });
  it('an option that nothing knows is told of', () => {
    expect(
      findingsIn(inArticle('\\begin{tcolorbox}[colbck=red]x\\end{tcolorbox}', pkg)).map(
        ({ kind }) => kind,
      ),
    ).toEqual(['option-misspelt']);
  });
});

describe('algorithms', () => {
  const body = (lines: string, options = '[1]') =>
    `\\begin{algorithmic}${options}${lines}\\end{algorithmic}`;
  it('have numbered lines, each level further to the right, and can be referred to', () => {
    const lines = '\\State First\\While{$x$}\\If{$y$}\\State Second\\label{l}\\EndIf\\EndWhile';
    const page = laidBody(`${body(lines)}See \\ref{l}.`, '\\usepackage{algpseudocode}');
    expect(page.word('Second').x - page.word('First').x).toBeCloseTo(30, 0);
    expect(page.text).toContain('See 4');
    expect(page.text).toContain('end while');
    expect(findingsIn(inArticle(body(lines), '\\usepackage{algpseudocode}'))).toEqual([]);
  });
  it('have no last lines when they are not wanted', () => {
    const lines = '\\While{$x$}\\State Wait\\EndWhile';
    expect(laidBody(body(lines), '\\usepackage[noend]{algpseudocode}').text).not.toContain('end');
  });
  it.each([
    [
      'algorithmic',
      '\\begin{algorithmic}[1]\\REQUIRE $x$\\FOR{$i$}\\IF{$x$}\\STATE Wait\\ELSE\\STATE Go\\ENDIF\\ENDFOR\\RETURN $x$\\end{algorithmic}',
      ['Require:', 'end if', 'return'],
    ],
    [
      'algorithm2e',
      '\\begin{algorithm}[H]\\KwIn{tide}\\While{$x$}{\\eIf{$y$}{Wait\\;}{Go\\;}}\\Return{$x$}\\;\\caption{Crossing}\\end{algorithm}',
      ['Input:', 'while', 'Wait;', 'else', 'end', 'Algorithm 1'],
    ],
    [
      'algorithm',
      '\\begin{algorithm}\\caption{Crossing}\\label{a}Wait.\\end{algorithm}As in \\ref{a}.\\listofalgorithms',
      ['Algorithm 1 Crossing', 'As in 1', 'List of Algorithms'],
    ],
  ])('in the words of %s', (name, text, wanted) => {
    const page = laidBody(text, `\\usepackage{${name}}`);
    for (const words of wanted) expect(page.text).toContain(words);
    expect(
      findingsIn(inArticle(text, `\\usepackage{${name}}`)).filter(
        ({ kind }) => kind !== 'label-unused',
      ),
    ).toEqual([]);
  });
});

describe('formulas in few letters', () => {
  const said = (formula: string) => laidBody(`\\[${formula}\\]`, '\\usepackage{physics}').text;
  it.each([
    ['\\dv{f}{x}', /d𝑓.*d𝑥/],
    ['\\dv[2]{f}{x}', /d2.*𝑓|d.*2.*d𝑥/],
    ['\\dv{x}', /d.*d𝑥/],
    ['\\pdv{f}{x}{y}', /𝜕.*𝑓.*𝜕𝑥𝜕𝑦/],
    ['\\dv*{f}{x}', /d𝑓\/d𝑥/],
    ['\\qty(a+b)', /\(𝑎 \+ 𝑏\)|\(𝑎\+𝑏\)/],
    ['\\qty{a}', /\{𝑎\}/],
    ['\\abs{a}', /∣𝑎∣|\|𝑎\|/],
    ['\\braket{a}{b}', /⟨𝑎∣𝑏⟩|⟨𝑎\|𝑏⟩/],
    ['\\comm{A}{B}', /\[𝐴,.?𝐵\]/],
    ['a\\qif b', /𝑎.*if.*𝑏/],
    ['\\pmqty{a & b}', /𝑎.*𝑏/],
  ])('%s', (formula, wanted) => {
    expect(findingsIn(inArticle(`\\[${formula}\\]`, '\\usepackage{physics}'))).toEqual([]);
    expect(said(formula)).toMatch(wanted);
  });
});

describe('proofs as trees', () => {
  const proof =
    '\\AxiomC{Quay}\\AxiomC{Pier}\\RightLabel{MP}\\BinaryInfC{Ebb}\\AxiomC{Lamp}\\BinaryInfC{Flood}';
  it('stand over what follows from them, side by side', () => {
    const page = laidBody(`\\begin{prooftree}${proof}\\end{prooftree}`, '\\usepackage{bussproofs}');
    const [quay, pier, ebb, lamp, flood] = ['Quay', 'Pier', 'Ebb', 'Lamp', 'Flood'].map((words) =>
      page.word(words),
    );
    expect(pier?.y).toBeCloseTo(quay?.y ?? 0, 3);
    expect(ebb?.y).toBeGreaterThan(quay?.y ?? 0);
    expect(lamp?.y).toBeCloseTo(ebb?.y ?? 0, 3);
    expect(flood?.y).toBeGreaterThan(ebb?.y ?? 0);
    expect(page.rules).toHaveLength(2);
    expect(page.text).toContain('MP');
  });
  it('stand in the line and in formulas', () => {
    const both = `${proof}\\DisplayProof and $${proof}\\DisplayProof$`;
    expect(findingsIn(inArticle(both, '\\usepackage{bussproofs}'))).toEqual([]);
  });
});

describe('environments of small packages', () => {
  it.each([
    ['empheq', '\\begin{empheq}[left=x]{align}a &= b\\\\ c &= d\\end{empheq}', '(2)'],
    ['changepage', '\\begin{adjustwidth}{1cm}{1cm}Narrow.\\end{adjustwidth}', 'Narrow.'],
    [
      'threeparttable',
      '\\begin{threeparttable}\\begin{tabular}{c}a\\tnote{1}\\end{tabular}\\begin{tablenotes}\\item[1] Note.\\end{tablenotes}\\end{threeparttable}',
      'Note.',
    ],
  ])('%s', (name, text, wanted) => {
    expect(findingsIn(inArticle(text, `\\usepackage{${name}}`))).toEqual([]);
    expect(laidBody(text, `\\usepackage{${name}}`).text).toContain(wanted);
  });
});

describe('the lines of algorithms', () => {
  const at = (options: string, word: string): number =>
    laidBody(
      `Edge.\\begin{algorithmic}${options}\\Require a tide\\State Wait.\\end{algorithmic}`,
      '\\usepackage{algpseudocode}\\parindent0pt',
    ).word(word).x;
  it.each([
    ['[1]', 17],
    ['', 10],
  ])('with %s stand %s pt behind what an algorithm is given', (options, points) => {
    expect(at(options, 'Require:')).toBeCloseTo(at(options, 'Edge.'), 1);
    expect(at(options, 'Wait.') - at(options, 'Edge.')).toBeCloseTo(points, 0);
  });
});

describe('notation that staff load', () => {
  it.each([
    [
      'nicematrix',
      '\\begin{pNiceMatrix}[margin] 1 & \\Cdots \\\\ \\Vdots & 2 \\end{pNiceMatrix}',
      '1',
    ],
    ['spalign', '\\spalignmat{a b; c d}', 'a'],
    ['mathpartir', '\\inferrule[mp]{A \\\\ B}{C}', 'mp'],
    ['mathpartir', '\\inferrule{A}{B}', 'B'],
    [
      'ebproof',
      '\\begin{prooftree}\\hypo{A}\\hypo{B}\\infer2[mp]{C}\\infer[no rule]1{D}\\end{prooftree}',
      'D',
    ],
    ['ebproof', '\\begin{prooftree}\\hypo{A}\\ellipsis{}{B}\\end{prooftree}', 'B'],
    ['esvect', '\\vv{AB}', 'AB'],
    ['esdiff', '\\diff[2]{f}{x}+\\diffp{g}{y}', 'd2'],
    ['derivative', '\\odv{f}{x}+\\pdv{g}{y}+\\odif{t}', 'd'],
    ['stackrel', 'a \\stackrel[n]{!}{=} b', '!'],
    ['accents', '\\accentset{\\ast}{x}\\underaccent{\\ast}{y}', '∗'],
  ])('%s: %s', (name, formula, word) => {
    for (const body of [`\\[${formula}\\]`, `In the line $${formula}$.`]) {
      expect(findingsIn(inArticle(body, `\\usepackage{${name}}`))).toEqual([]);
      const text = laidBody(body, `\\usepackage{${name}}`)
        .text.normalize('NFKD')
        .replace(/\s/g, '');
      expect(text).toContain(word);
    }
  });
  it('a rule has as many premises as its number says', () => {
    const made = laidBody(
      '\\begin{prooftree}\\hypo{A}\\hypo{B}\\hypo{C}\\infer2{D}\\infer2{E}\\end{prooftree}',
      '\\usepackage{ebproof}',
    );
    const height = (name: string): number => made.word(name).y;
    expect(height('𝐸')).toBeGreaterThan(height('𝐷'));
    expect(height('𝐷')).toBeGreaterThan(height('𝐵'));
    expect(height('𝐴')).toBeCloseTo(height('𝐷'), 0);
  });
  it.each(['subfig', 'subfigure'])(
    'parts of figures by %s, with labels in their captions',
    (name) => {
      const command = name === 'subfig' ? 'subfloat' : 'subfigure';
      const made = laidBody(
        `\\begin{figure}[h]\\${command}[Ebb at the quay\\label{e}]{\\rule{5cm}{1cm}}\\${command}[Flood]{\\rule{5cm}{1cm}}\\caption{Both}\\end{figure}See \\ref{e}.`,
        `\\usepackage{${name}}`,
      );
      expect(made.session.findings()).toEqual([]);
      expect(made.text).toContain('(b)');
      expect(made.text).toContain('See 1a.');
    },
  );
  it.each(['musixtex', 'media9', 'skull', 'sudoku', 'tkz-fct', 'picture'])(
    'the name %s is no misspelling',
    (name) =>
      expect(findingsIn(inArticle('x', `\\usepackage{${name}}`)).map(({ kind }) => kind)).toEqual([
        'package-not-here',
      ]),
  );
});

describe('bibliographies by the newer package', () => {
  const bib =
    '@book{b, title={Tides}, author={Bo Quill}, year={2001}, publisher={Pier}}\n@book{a, title={Lamps}, author={Ada Reef}, year={1999}, publisher={Pier}}';
  const page = (options: string, body: string) =>
    laid(
      inArticle(
        `${body}\\printbibliography[title={Sources}]`,
        `\\usepackage[${options}]{biblatex}\\addbibresource{sea.bib}`,
      ),
      textFiles({ 'sea.bib': bib }),
    );
  it.each([
    ['', '\\cite{a}, \\cite{b}', '[2], [1]'],
    ['sorting=none', '\\cite{a}, \\cite{b}', '[1], [2]'],
    ['style=alphabetic', '\\cite{b}', '[Qui01]'],
    ['style=authoryear', '\\parencite{b}', '(Quill 2001)'],
    ['style=authoryear', '\\textcite{b}', 'Quill (2001)'],
    ['style=authoryear', '\\citeauthor{a}', 'Reef'],
    ['style=ieee', '\\autocite{b}', '[1]'],
  ])('with [%s] %s is %s', (options, body, wanted) => {
    const made = page(options, body);
    expect(made.session.findings()).toEqual([]);
    expect(made.text.replace(/~/g, ' ')).toContain(wanted);
    expect(made.text).toContain('Sources');
  });
});
