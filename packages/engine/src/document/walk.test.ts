import { describe, expect, it } from 'vitest';
import { corpus, corpusFiles } from '../testing/corpus';
import { inArticle, typeset } from '../testing/document';
import { walk } from './walk';

describe('a way through nodes', () => {
  const seen = (nodes: unknown, into = (_: object): boolean => true): unknown[] => {
    const found: unknown[] = [];
    walk(nodes, (node) => {
      found.push((node as { name?: string }).name);
      return into(node);
    });
    return found;
  };
  const tree = {
    name: 'a',
    parts: [{ name: 'b', font: { name: 'font' } }, [{ name: 'c', next: { name: 'd' } }]],
    entry: { name: 'entry' },
    last: { name: 'e' },
  };
  it('meets each in its order, and passes by what is no part of the document', () =>
    expect(seen(tree)).toEqual(['a', 'b', 'c', 'd', 'e']));
  it('goes into those alone that it is let into', () =>
    expect(seen(tree, (node) => (node as { name?: string }).name !== 'c')).toEqual([
      'a',
      'b',
      'c',
      'e',
    ]));
  it('takes nodes as deep as they stand in one another', () => {
    let deep: object = { name: 'last' };
    for (let i = 0; i < 100_000; i++) deep = { inner: [deep] };
    expect(seen(deep).at(-1)).toBe('last');
  });
});

describe('what a document is made of leads to nothing that the language remembers', () => {
  it.each(corpus)('$name', ({ text }) => {
    const session = typeset(text, corpusFiles);
    let cells = 0;
    walk(session.nodes(), (node) => {
      if ('readStamp' in node || 'chunk' in node) cells++;
      return true;
    });
    expect(cells).toBe(0);
  });
});

describe('names that lead back to themselves may stand where entries of lists are made', () => {
  const AGAIN = '\\DeclareRobustCommand\\tide[1]{\\ifnum#1>0 ebb\\tide{0}\\fi}';
  it.each([
    '\\tableofcontents\\section{Ebb \\tide{1}}Low $x$.',
    '\\listoffigures\\begin{figure}Quay\\caption{Flood \\tide{1}}\\end{figure}',
    '\\tableofcontents\\addcontentsline{toc}{section}{Slack \\tide{1}}',
    '\\section{Ebb \\tide{1}}\\label{a}See \\ref{a} and \\pageref{a}.',
    '\\markboth{\\tide{1}}{\\tide{1}}\\thispagestyle{headings}Low.',
    'Low\\footnote{\\tide{1}} water\\index{\\tide{1}}.\\printindex',
    '\\begin{tide*}Low\\end{tide*}\\begin{tide*}[\\tide{1}]High\\end{tide*}',
    '\\begin{enumerate}\\item[\\tide{1}] Low $y$.\\end{enumerate}',
  ])('%s', (body) => {
    const preamble = `\\usepackage{makeidx,amsthm}\\makeindex\\newtheorem*{tide*}{Tide}${AGAIN}`;
    const session = typeset(inArticle(body, preamble));
    expect(session.findings()).toEqual([]);
    expect([...session.formulaSpans()].length % 2).toBe(0);
    session.edit(session.text.length - 20, session.text.length - 20, ' $\\sqrt{');
    session.settleAll();
    expect(session.pages.length).toBe(1);
  });
});
