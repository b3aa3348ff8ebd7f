import { laidBody } from '../../testing/layout';
import { describe, expect, it } from 'vitest';
import { bodyLines, findingsIn, inArticle, linesOf, typeset } from '../../testing/document';

/** What is loaded, what is written, and the lines it prints. */
type Row = readonly [what: string, preamble: string, body: string, lines: readonly string[]];

const use = (name: string, options = ''): string =>
  `\\usepackage${options === '' ? '' : `[${options}]`}{${name}}`;

/** Each row printed, and nothing found in it. */
function prints(title: string, rows: readonly Row[]): void {
  describe(title, () => {
    it.each(rows)('%s', (_what, preamble, body, lines) => {
      // Letters of a program stand in columns, with space between them.
      const close = (line: string): string =>
        preamble.includes('listings') ? line.replace(/ /g, '') : line.replace(/\u00a0/g, ' ');
      expect(bodyLines(body, preamble).map(close)).toEqual(lines.map(close));
      expect(findingsIn(inArticle(body, preamble))).toEqual([]);
    });
  });
}

const XSPACE = `${use('xspace')}\\newcommand{\\tide}{tide\\xspace}`;
prints('xspace', [
  ['a space before a word', XSPACE, 'The \\tide falls.', ['The tide falls.']],
  ['none before a full stop', XSPACE, 'The \\tide.', ['The tide.']],
  ['none before a comma', XSPACE, 'The \\tide, low.', ['The tide, low.']],
  ['none before a bracket', XSPACE, '(\\tide)', ['(tide)']],
  ['none before an apostrophe', XSPACE, "the \\tide's end", ['the tide’s end']],
  ['none before a hyphen', XSPACE, '\\tide-table', ['tide-table']],
  ['none where the line holds nothing more', XSPACE, 'The \\tide', ['The tide']],
  ['none where one was written', XSPACE, 'The \\tide{} falls', ['The tide falls']],
]);

prints('csquotes', [
  ['quotation marks', use('csquotes'), 'He says \\enquote{low}.', ['He says “low”.']],
  [
    'single ones within',
    use('csquotes'),
    '\\enquote{so \\enquote{low} it was}',
    ['“so ‘low’ it was”'],
  ],
  ['single ones asked for', use('csquotes'), '\\enquote*{low}', ['‘low’']],
]);

const TORF = `${use('ifthen')}\\newcommand{\\says}[1]{\\ifthenelse{#1}{yes}{no}}\\newcounter{n}\\setcounter{n}{3}\\newboolean{ebb}\\setboolean{ebb}{true}`;
prints('ifthen', [
  ['numbers compared', TORF, '\\says{1<2} \\says{2<1} \\says{2=2} \\says{3>2}', ['yes no yes yes']],
  ['counters compared', TORF, '\\says{\\value{n}=3}', ['yes']],
  ['words compared', TORF, '\\says{\\equal{ebb}{ebb}} \\says{\\equal{ebb}{flood}}', ['yes no']],
  ['odd and even', TORF, '\\says{\\isodd{3}} \\says{\\isodd{4}}', ['yes no']],
  ['booleans', TORF, '\\says{\\boolean{ebb}}', ['yes']],
  ['not', TORF, '\\says{\\not\\boolean{ebb}}', ['no']],
  ['and, or', TORF, '\\says{1<2 \\and 2<1} \\says{1<2 \\or 2<1}', ['no yes']],
  ['in brackets', TORF, '\\says{\\(1<2 \\or 2<1\\) \\and 3=3}', ['yes']],
  [
    'while something holds',
    `${TORF}\\newcounter{k}`,
    '\\whiledo{\\value{k}<3}{\\arabic{k}\\stepcounter{k}}',
    ['012'],
  ],
]);

const TOOLS = use('etoolbox');
prints('etoolbox', [
  ['a switch', `${TOOLS}\\newtoggle{low}\\toggletrue{low}`, '\\iftoggle{low}{ebb}{flood}', ['ebb']],
  ['a boolean', `${TOOLS}\\newbool{low}`, '\\ifbool{low}{ebb}{flood}', ['flood']],
  ['defined or not', TOOLS, '\\ifdef{\\emph}{is}{not} \\ifdef{\\nobody}{is}{not}', ['is not']],
  ['defined by name', TOOLS, '\\ifcsdef{emph}{is}{not} \\ifcsdef{nobody}{is}{not}', ['is not']],
  ['empty or not', TOOLS, '\\ifblank{ }{blank}{not} \\ifblank{x}{blank}{not}', ['blank not']],
  [
    'strings',
    TOOLS,
    '\\ifstrequal{a}{a}{same}{other} \\ifstrequal{a}{b}{same}{other}',
    ['same other'],
  ],
  ['numbers', TOOLS, '\\ifnumcomp{1}{<}{2}{yes}{no} \\ifnumequal{2}{3}{yes}{no}', ['yes no']],
  ['put behind', `${TOOLS}\\newcommand{\\w}{ebb}\\appto\\w{, flood}`, '\\w', ['ebb, flood']],
  ['put before', `${TOOLS}\\newcommand{\\w}{flood}\\preto\\w{ebb, }`, '\\w', ['ebb, flood']],
  [
    'a list gone through',
    TOOLS,
    '\\newcommand{\\say}[1]{(#1)}\\forcsvlist{\\say}{ebb,flood,slack}',
    ['(ebb)(flood)(slack)'],
  ],
  [
    'at an environment',
    `${TOOLS}\\AtBeginEnvironment{quote}{Thus: }`,
    '\\begin{quote}low.\\end{quote}',
    ['Thus:', 'low.'],
  ],
]);

prints('calc', [
  ['counters', `${use('calc')}\\newcounter{n}`, '\\setcounter{n}{2+3*4}\\arabic{n}', ['14']],
  ['in brackets', `${use('calc')}\\newcounter{n}`, '\\setcounter{n}{(2+3)*4}\\arabic{n}', ['20']],
  [
    'of another counter',
    `${use('calc')}\\newcounter{n}\\newcounter{m}\\setcounter{m}{5}`,
    '\\setcounter{n}{\\value{m}-1}\\arabic{n}',
    ['4'],
  ],
]);

const LABELS =
  '\\section{Ebb}\\label{s}\\subsection{Low}\\label{ss}\\begin{equation}\\label{e}a\\end{equation}';
describe('references by kind', () => {
  const line = (preamble: string, body: string): string =>
    bodyLines(`${LABELS}\n\n${body}`, `${use('amsmath')}${preamble}`).at(-1) ?? '';
  it.each([
    ['cleveref', '\\cref{s}', 'section 1'],
    ['cleveref', '\\Cref{s}', 'Section 1'],
    ['cleveref', '\\cref{e}', 'eq. (1)'],
    ['cleveref', '\\Cref{e}', 'Equation (1)'],
    ['cleveref', '\\cref{s,ss}', 'section 1 and section 1.1'],
    ['nameref', '\\nameref{s}', 'Ebb'],
    ['nameref', '\\nameref*{s}', 'Ebb'],
    ['hyperref', '\\autoref*{s}', 'section 1'],
    ['hyperref', '\\ref*{s}', '1'],
    ['babel', '\\glqq x\\grqq', '„x“'],
    ['hyperref', '\\autoref{s}', 'section 1'],
    ['hyperref', '\\autoref{ss}', 'subsection 1.1'],
    ['hyperref', '\\autoref{e}', 'Equation 1'],
    ['hyperref', '\\hyperref[s]{there}', 'there'],
    ['amsmath', '\\eqref{e}', '(1)'],
  ])('%s: %s is %s', (name, body, says) => {
    expect(line(use(name), body)).toBe(says);
  });
});

const BOOKS =
  '\\begin{thebibliography}{9}\\bibitem[Marsh(2020)]{m} A. Marsh. \\bibitem[Quay and Mole(2021)]{q} B. Quay.\\end{thebibliography}';
describe('natbib', () => {
  const first = (body: string, options = ''): string =>
    bodyLines(`${body}\n\n${BOOKS}`, use('natbib', options))[0] ?? '';
  it.each([
    ['\\citet{m}', 'Marsh (2020)'],
    ['\\citep{m}', '(Marsh, 2020)'],
    ['\\citep[see][p. 3]{m}', '(see Marsh, 2020, p. 3)'],
    ['\\citep[p. 3]{m}', '(Marsh, 2020, p. 3)'],
    ['\\citet[p. 3]{m}', 'Marsh (2020, p. 3)'],
    ['\\citeauthor{q}', 'Quay and Mole'],
    ['\\citeyear{q}', '2021'],
    ['\\citeyearpar{q}', '(2021)'],
    ['\\citealt{m}', 'Marsh 2020'],
    ['\\citealp{m}', 'Marsh, 2020'],
    ['\\citep{m,q}', '(Marsh, 2020; Quay and Mole, 2021)'],
  ])('%s prints %s', (body, says) => expect(first(body)).toBe(says));
  it.each([
    ['\\citep{m}', '[1]'],
    ['\\citet{m}', 'Marsh [1]'],
    ['\\cite{m}', '[1]'],
  ])('with numbers %s prints %s', (body, says) => expect(first(body, 'numbers')).toBe(says));
});

const LISTED = use('enumitem');
const list = (options: string, items = '\\item ebb \\item flood'): string =>
  `\\begin{enumerate}[${options}]${items}\\end{enumerate}`;
prints('enumitem', [
  ['letters in brackets', LISTED, list('label=(\\alph*)'), ['(a) ebb', '(b) flood']],
  ['Roman numbers', LISTED, list('label=\\roman*.'), ['i. ebb', 'ii. flood']],
  ['large Roman numbers', LISTED, list('label=\\Roman*'), ['I ebb', 'II flood']],
  ['from another number', LISTED, list('start=4'), ['4. ebb', '5. flood']],
  ['a word before', LISTED, list('label=Case \\arabic*:'), ['Case 1: ebb', 'Case 2: flood']],
  [
    'going on with the one before',
    LISTED,
    `${list('label=\\arabic*.')}${list('resume')}`,
    ['1. ebb', '2. flood', '3. ebb', '4. flood'],
  ],
  ['a short label', use('enumitem', 'shortlabels'), list('(a)'), ['(a) ebb', '(b) flood']],
  ['a short Roman label', use('enumitem', 'shortlabels'), list('i)'), ['i) ebb', 'ii) flood']],
  ['set for all', `${LISTED}\\setlist[enumerate]{label=\\Alph*}`, list(''), ['A ebb', 'B flood']],
]);

prints('lists of the kernel', [
  [
    'in one another',
    '',
    '\\begin{enumerate}\\item a\\begin{enumerate}\\item b\\begin{enumerate}\\item c\\end{enumerate}\\end{enumerate}\\end{enumerate}',
    ['1. a', '(a) b', 'i. c'],
  ],
  [
    'points',
    '',
    '\\begin{itemize}\\item a\\begin{itemize}\\item b\\end{itemize}\\end{itemize}',
    ['• a', '– b'],
  ],
  ['named', '', '\\begin{description}\\item[Ebb] falls\\end{description}', ['Ebb falls']],
  ['a label of one’s own', '', '\\begin{itemize}\\item[*] a\\end{itemize}', ['* a']],
  ['numbers set', '', '\\begin{enumerate}\\setcounter{enumi}{6}\\item a\\end{enumerate}', ['7. a']],
  [
    'how numbers are shown',
    '\\renewcommand{\\theenumi}{\\Roman{enumi}}',
    '\\begin{enumerate}\\item a\\end{enumerate}',
    ['I. a'],
  ],
]);

const BOXED = '\\begin{lstlisting}\nfor i in tide:\n  low(i)\n\\end{lstlisting}';
prints('programs and text as typed', [
  ['listings', use('listings'), BOXED, ['for i in tide:', 'low(i)']],
  [
    'with numbers',
    use('listings'),
    BOXED.replace('}\n', '}[numbers=left]\n'),
    ['1 for i in tide:', '2 low(i)'],
  ],
  ['in the line', use('listings'), 'So \\lstinline|low(x)| is.', ['So low(x) is.']],
  ['Verbatim', use('fancyvrb'), '\\begin{Verbatim}\na  \\b\n\\end{Verbatim}', ['a  \\b']],
  [
    'Verbatim with numbers',
    use('fancyvrb'),
    '\\begin{Verbatim}[numbers=left]\na\nb\n\\end{Verbatim}',
    ['1 a', '2 b'],
  ],
  ['a comment', use('comment'), 'x\\begin{comment}\n\\nobody\n\\end{comment}\ny', ['x y']],
  ['verb', '', '\\verb|a_b^c\\d|', ['a_b^c\\d']],
  ['verb with stars for blanks', '', '\\verb*|a b|', ['a␣b']],
]);

prints('decoration', [
  ['underlined', use('soul'), '\\ul{low water}', ['low water']],
  ['struck out', use('soul'), '\\st{low}', ['low']],
  ['spaced out', use('soul'), '\\caps{low}', ['low']],
  ['ulem', use('ulem'), '\\uline{low} \\sout{high} \\uwave{slack}', ['low high slack']],
]);

prints('kets and bras', [
  ['a ket', use('braket'), '$\\ket{\\psi}$', ['|𝜓⟩']],
  ['a bra', use('braket'), '$\\bra{\\psi}$', ['⟨𝜓|']],
  ['both', use('braket'), '$\\braket{\\phi|\\psi}$', ['⟨𝜙|𝜓⟩']],
  ['a set', use('braket'), '$\\set{x}$', ['{ 𝑥 }']],
]);

describe('titles', () => {
  const title = '\\title{Tides}\\author{A. Marsh \\and B. Quay}\\date{March 2026}';
  it.each([
    ['by the kernel', title, ['Tides', 'A. Marsh B. Quay', 'March 2026']],
    ['without a date', title.replace('March 2026', ''), ['Tides', 'A. Marsh B. Quay']],
    [
      'of today',
      title.replace('\\date{March 2026}', ''),
      ['Tides', 'A. Marsh B. Quay', 'March 1, 2026'],
    ],
  ])('are set %s', (_how, preamble, lines) => {
    expect(bodyLines('\\maketitle', preamble).filter((line) => line !== '')).toEqual(lines);
  });
  it('have authors with their places', () => {
    const authors =
      '\\title{Tides}\\author[1]{A. Marsh}\\author[2]{B. Quay}\\affil[1]{Pier}\\affil[2]{Mole}\\date{}';
    const text = bodyLines('\\maketitle', `${use('authblk')}${authors}`).join('\n');
    expect(text).toMatch(/A\. Marsh ?1.*B\. Quay ?2/);
    expect(text).toMatch(/1 ?Pier/);
    expect(text).toMatch(/2 ?Mole/);
  });
  it.each([
    [
      'with marks, the places below all authors',
      '\\author[1]{Marsh}\\author[1,2]{Quay}\\author[2]{Tarn}\\affil[1]{Pier}\\affil[2]{Mole}',
      ['Tides', 'Marsh1, Quay1,2, and Tarn2', '1Pier', '2Mole'],
    ],
    [
      'without, in blocks side by side',
      '\\author{Marsh}\\affil{Pier}\\author{Quay}\\author{Tarn}\\affil{Mole}',
      ['Tides', 'Marsh', 'Pier', 'Quay and Tarn', 'Mole'],
    ],
    [
      'with words of one’s own between',
      '\\author[1]{Marsh}\\author[1]{Quay}\\affil[1]{Pier}\\renewcommand\\Authand{ \\& }',
      ['Tides', 'Marsh1 & Quay1', '1Pier'],
    ],
  ])('have authors and places in lines, %s', (_, authors, wanted) => {
    const preamble = `${use('authblk')}\\title{Tides}${authors}\\date{}`;
    const bare = (line: string): string => line.replace(/\s/g, '');
    const page = laidBody('\\maketitle', preamble);
    const lines = page.lines.map(({ text }) => bare(text)).slice(0, -1);
    expect(lines.join('')).toBe(wanted.map(bare).join(''));
    expect(page.word('Pier').y).toBeGreaterThan(page.word('Marsh').y + 10);
  });
  it('can be said again behind', () => {
    const preamble = `${use('titling')}\\title{Tides}\\author{A. Marsh}`;
    expect(bodyLines('\\thetitle{} by \\theauthor', preamble)).toEqual(['Tides by A. Marsh']);
  });
});

const whole = (source: string): string => linesOf(typeset(source)).join('\n');
const inClass = (name: string, body: string, preamble = ''): string =>
  `\\documentclass{${name}}\n${preamble}\n\\begin{document}\n${body}\n\\end{document}\n`;

describe('exam', () => {
  it.each([
    ['questions in order', '\\question Ebb? \\question Flood?', [/1\. Ebb\?/, /2\. Flood\?/]],
    ['points', '\\question[5] Ebb?', [/1\. \(5 points\) Ebb\?/]],
    ['one point', '\\question[1] Ebb?', [/1\. \(1 point\) Ebb\?/]],
    [
      'parts',
      '\\question Tides. \\begin{parts}\\part Ebb? \\part Flood?\\end{parts}',
      [/1\. Tides\./, /\(a\) Ebb\?/, /\(b\) Flood\?/],
    ],
    [
      'parts of parts',
      '\\question T. \\begin{parts}\\part P. \\begin{subparts}\\subpart S.\\end{subparts}\\end{parts}',
      [/\(a\) P\./, /i\. S\./],
    ],
    [
      'choices',
      '\\question Ebb? \\begin{choices}\\choice low \\CorrectChoice high\\end{choices}',
      [/A\. low/, /B\. high/],
    ],
  ])('has %s', (_what, questions, patterns) => {
    const text = whole(inClass('exam', `\\begin{questions}${questions}\\end{questions}`));
    for (const pattern of patterns) expect(text).toMatch(pattern);
  });
  it.each([
    ['', false],
    ['\\printanswers', true],
  ])('shows solutions only when asked: %s', (preamble, shown) => {
    const body =
      '\\begin{questions}\\question Ebb? \\begin{solution}At six.\\end{solution}\\end{questions}';
    expect(whole(inClass('exam', body, preamble)).includes('At six.')).toBe(shown);
  });
});

describe('letter', () => {
  const letter =
    '\\begin{letter}{B. Quay\\\\Mole 2}\\opening{Dear B.,}Low water.\\closing{Yours,}\\end{letter}';
  const lines = whole(
    inClass('letter', letter, '\\signature{A. Marsh}\\address{Pier 1}\\date{1 March}'),
  );
  it.each([
    'Pier 1',
    '1 March',
    'B. Quay',
    'Mole 2',
    'Dear B.,',
    'Low water.',
    'Yours,',
    'A. Marsh',
  ])('has its %s', (part) => expect(lines).toContain(part));
  it('in their order', () => {
    const at = ['Pier 1', '1 March', 'B. Quay', 'Dear B.,', 'Yours,', 'A. Marsh'].map((part) =>
      lines.indexOf(part),
    );
    expect([...at].sort((a, b) => a - b)).toEqual(at);
  });
});

describe('beamer', () => {
  const frame = (body: string, title = ''): string => `\\begin{frame}${title}${body}\\end{frame}`;
  const pagesOf = (body: string) => typeset(inClass('beamer', body)).pages.length;
  it.each([
    ['a page for each frame', frame('a') + frame('b'), 2],
    ['a page for each pause', frame('a \\pause b \\pause c'), 3],
    [
      'a page for each item uncovered',
      frame('\\begin{itemize}[<+->]\\item a \\item b\\end{itemize}'),
      2,
    ],
    ['as many as the last overlay says', frame('\\only<3>{a} b'), 3],
    ['one without any', frame('\\alert{a} b'), 1],
  ])('has %s', (_what, body, count) => expect(pagesOf(body)).toBe(count));
  it('shows what its overlays say', () => {
    const session = typeset(inClass('beamer', frame('\\only<1>{ebb}\\only<2>{flood}')));
    const pages = linesOf(session).join('\n');
    expect(pages.match(/ebb/g)).toHaveLength(1);
    expect(pages.match(/flood/g)).toHaveLength(1);
  });
  it('has titles of frames and blocks', () => {
    const body = frame('\\begin{block}{Rule}Low.\\end{block}', '\\frametitle{Tides}');
    const text = whole(inClass('beamer', body));
    for (const part of ['Tides', 'Rule', 'Low.']) expect(text).toContain(part);
  });
});

describe('classes with chapters', () => {
  it.each([
    ['book', '\\chapter{Ebb}\\section{Low}', ['Chapter 1', 'Ebb', '1.1 Low']],
    ['report', '\\chapter{Ebb}\\section{Low}', ['Chapter 1', 'Ebb', '1.1 Low']],
    ['report', '\\appendix\\chapter{Ebb}', ['Appendix A', 'Ebb']],
    ['book', '\\chapter*{Ebb}', ['Ebb']],
    ['book', '\\part{Tides}', ['Part I', 'Tides']],
  ])('%s: %s', (name, body, parts) => {
    const text = whole(inClass(name, body));
    for (const part of parts) expect(text).toContain(part);
  });
  it('number theorems and equations within them', () => {
    const body = '\\chapter{Ebb}\\begin{equation}a\\end{equation}\\begin{t}b\\end{t}';
    const text = whole(inClass('report', body, '\\newtheorem{t}{Tide}[chapter]'));
    expect(text).toContain('(1.1)');
    expect(text).toContain('Tide 1.1');
  });
});
