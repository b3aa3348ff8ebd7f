import { describe, expect, it } from 'vitest';
import { inArticle, linesOf, typeset } from '../../testing/document';
import { laidBody } from '../../testing/layout';
import { pressed } from '../../testing/press';

const PREAMBLE = '\\usepackage[inline,shortlabels]{enumitem}\\usepackage{multicol}';
function printed(body: string, preamble = PREAMBLE): string {
  const session = typeset(inArticle(body, preamble));
  expect(session.findings().map(({ message }) => message)).toEqual([]);
  return linesOf(session).slice(0, -1).join('|');
}

describe('lists within a paragraph', () => {
  const list = (name: string, options = '', items = '\\item a \\item b\n\\item c'): string =>
    `We \\begin{${name}}${options}${items}\\end{${name}} go.`;
  it.each([
    [list('enumerate*'), 'We 1. a 2. b 3. c go.'],
    [list('enumerate*', '[label=(\\alph*)]'), 'We (a) a (b) b (c) c go.'],
    [list('enumerate*', '[(i)]'), 'We (i) a (ii) b (iii) c go.'],
    [list('enumerate*', '[start=4,label=\\arabic*)]'), 'We 4) a 5) b 6) c go.'],
    [list('enumerate*', '[itemjoin={{; }}]'), 'We 1. a; 2. b; 3. c go.'],
    [list('enumerate*', '[itemjoin={{, }},itemjoin*={{ and }}]'), 'We 1. a, 2. b and 3. c go.'],
    [list('enumerate*', '[after={!},before={so }]'), 'We so 1. a 2. b 3. c! go.'],
    [list('enumerate*', '[afterlabel={-}]'), 'We 1.-a 2.-b 3.-c go.'],
    [list('itemize*', '[label=--]'), 'We – a – b – c go.'],
    [list('description*', '', '\\item[Ebb] low\\item[Flood] high'), 'We Ebb low Flood high go.'],
    [list('enumerate*', '', '\\item[*] a\\item b'), 'We * a 1. b go.'],
    [list('enumerate*', '', '\\item a \\begin{enumerate*}\\item x\\item y\\end{enumerate*}\\item b'), 'We 1. a (a) x (b) y 2. b go.'],
    [`${list('enumerate*', '[label=(\\alph*)]', '\\item a\\item\\label{q} b')} \\ref{q}.`, 'We (a) a (b) b go. (b).'],
    [`${list('enumerate*', '[ref=R\\arabic*]', '\\item a\\item\\label{q} b')} \\ref{q}.`, 'We 1. a 2. b go. R2.'],
    [`\\newlist{tides}{enumerate*}{1}\\setlist[tides]{label=\\roman*:}${list('tides')}`, 'We i: a ii: b iii: c go.'],
    ['\\begin{enumerate}\\item A \\begin{enumerate*}\\item x\\end{enumerate*}\\item B\\end{enumerate}', '1. A (a) x|2. B'],
  ])('%s', (body, text) => expect(printed(body)).toBe(text)); // prettier-ignore

  it.each([
    ['\\usepackage{enumitem}', '\\usepackage[inline]{enumitem}'],
    ['\\usepackage[shortlabels]{enumitem}', '\\usepackage[shortlabels,inline]{enumitem}'],
    ['\\usepackage[]{enumitem}', '\\usepackage[inline]{enumitem}'],
  ])('without their option are told, and the button gives it: %s', (line, whole) => {
    const session = typeset(inArticle(list('enumerate*'), line));
    const [found, ...others] = session.findings();
    expect([found?.kind, others]).toEqual(['option-needed', []]);
    expect(found?.fix && pressed(session.text, found.fix)).toBe(session.text.replace(line, whole));
  });
  it('without the package are told by its name', () => {
    const [found] = typeset(inArticle(list('enumerate*', '[label=(\\alph*)]'), '')).findings();
    expect(found?.message).toContain('enumitem');
  });
});

describe('lists around which another environment stands', () => {
  const COLUMNS = 'before=\\begin{multicols}{2},after=\\end{multicols}';
  it.each([
    ['items', `\\begin{enumerate}[${COLUMNS}]\\item a\\item b\\end{enumerate}`, ['1. a', '2. b']],
    ['their options', `\\begin{enumerate}[label=(\\alph*),${COLUMNS}]\\item a\\item b\\end{enumerate}`, ['(a) a', '(b) b']],
    ['points', `\\begin{itemize}[${COLUMNS}]\\item a\\item b\\end{itemize}`, ['• a', '• b']],
    ['terms', `\\begin{description}[${COLUMNS}]\\item[Ebb] a\\item[Flood] b\\end{description}`, ['Ebb a', 'Flood b']],
    ['lists in them', `\\begin{enumerate}[${COLUMNS}]\\item a\\begin{enumerate}\\item x\\end{enumerate}\\item b\\end{enumerate}`, ['(a) x', '2. b']],
    ['a key of their own', `\\SetEnumitemKey{two}{${COLUMNS}}\\begin{enumerate}[two]\\item a\\item b\\end{enumerate}`, ['1. a', '2. b']],
    ['what all of them are', `\\setlist[enumerate,1]{${COLUMNS},label=\\Roman*}\\begin{enumerate}\\item a\\item b\\end{enumerate}`, ['I a', 'II b']],
  ])('%s', (_, body, pieces) => {
    const text = printed(`${body}\n\nAfter.`);
    for (const piece of pieces) expect(text).toContain(piece);
    expect(text).toMatch(/After\.$/);
  }); // prettier-ignore
  it('stand side by side in its columns', () => {
    const page = laidBody(
      `\\begin{enumerate}[${COLUMNS}]\\item ebb\\item flood\\end{enumerate}`,
      PREAMBLE,
    );
    expect(page.word('flood').y).toBeCloseTo(page.word('ebb').y, 2);
    expect(page.word('flood').x).toBeGreaterThan(page.word('ebb').right + 50);
  });
  it('what is carried out before a list and opens nothing stays within it', () =>
    expect(printed('\\begin{itemize}[before=\\itshape,after={ So.}]\\item a\\end{itemize}')).toBe(
      '• a So.',
    ));
});

describe('what the manual has for lists besides', () => {
  it('counts anew where a list that goes on is told to', () => {
    const steps = '\\begin{steps}\\item a\\end{steps}';
    const made = '\\newlist{steps}{enumerate}{1}\\setlist[steps]{label=\\arabic*.,resume}';
    expect(printed(`${made}${steps}${steps}\\restartlist{steps}${steps}`)).toBe('1. a|2. a|1. a');
  });
  it('stands labels as the document says', () => {
    const made = '\\SetLabelAlign{far}{\\hbox to 60pt{\\hfil#1}}';
    const page = laidBody(
      `${made}\\begin{description}[align=far]\\item[Ebb] low\\end{description}`,
      PREAMBLE,
    );
    const usual = laidBody('\\begin{description}\\item[Ebb] low\\end{description}', PREAMBLE);
    expect(page.word('Ebb').x - usual.word('Ebb').x).toBeGreaterThan(30);
  });
});
