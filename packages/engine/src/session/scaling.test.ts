import { Session as Inspector } from 'node:inspector/promises';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { inArticle, newSession } from '../testing/document';

/**
 * No step over linear: twice the input makes at most 2.3 times the work. Work is counted, not
 * timed: how often the functions of the engine are called, by the blocks of code that V8 counts.
 */
interface Coverage {
  readonly result: readonly {
    readonly url: string;
    readonly functions: readonly {
      readonly ranges: readonly { readonly count: number }[];
    }[];
  }[];
}

/** All counted calls and turns of loops since it was last asked. */
async function countedSince(inspector: Inspector): Promise<number> {
  const { result } = (await inspector.post('Profiler.takePreciseCoverage')) as Coverage;
  let sum = 0;
  for (const { url, functions } of result)
    if (url.includes('/engine/src/'))
      for (const { ranges } of functions) for (const { count } of ranges) sum += count;
  return sum;
}

const times = (n: number, text: string): string => text.repeat(n);
const each = (n: number, of: (i: number) => string): string =>
  Array.from({ length: n }, (_, i) => of(i)).join('');
const letters = (i: number): string => [...String(i)].map((d) => 'abcdefghij'[Number(d)]).join('');

/** Much of one thing, `n` of it. */
const GROWING: Readonly<Record<string, (n: number) => string>> = {
  blanks: (n) => `x${times(40 * n, ' ')}y`,
  'empty lines': (n) => `x${times(20 * n, '\n')}y`,
  'a comment': (n) => `x\n%${times(40 * n, 'c')}\ny`,
  comments: (n) => `x\n${times(2 * n, '% nothing\n')}y`,
  verbatim: (n) => `\\begin{verbatim}\n${times(n, 'a line\n')}\\end{verbatim}`,
  'verbatim that is open': (n) => `\\begin{verbatim}\n${times(n, 'a line\n')}`,
  dollars: (n) => times(n, '$'),
  'dollars around letters': (n) => times(n, '$x$ '),
  'one formula': (n) => `$${times(2 * n, 'x+')}y$`,
  'braces in a formula': (n) => `$${times(n, '{x}')}$`,
  // Longer than the paragraphs in which a missing dollar is looked for at every place.
  'open braces in a formula': (n) => `$${times(20 * n, '{')}`,
  'rows of a matrix': (n) => `\\[\\begin{matrix}${times(n, '1&2\\\\')}\\end{matrix}\\]`,
  'rows of a table': (n) => `\\begin{tabular}{ll}${times(n, '1&2\\\\')}\\end{tabular}`,
  'rows of an alignment': (n) => `\\begin{align}${times(n, 'a&=b\\\\')}\\end{align}`,
  'line ends': (n) => times(n, 'x\\\\'),
  'line ends alone': (n) => `x${times(n, '\\\\')}`,
  labels: (n) => each(n, (i) => `x\\label{l${i}} \\ref{l${i}} `),
  'labels in paragraphs': (n) => each(n, (i) => `x\\label{l${i}} \\ref{l${i}}\n\n`),
  'references astray': (n) => each(n, (i) => `x\\ref{l${i}} `),
  notes: (n) => times(n, 'x\\footnote{y} '),
  'marginal notes': (n) => times(n, 'x\\marginpar{y} '),
  'sections with contents': (n) => `\\tableofcontents ${times(n, '\\section{x} y\n\n')}`,
  figures: (n) => times(n >> 1, '\\begin{figure}x\\caption{y}\\end{figure} z\n\n'),
  items: (n) => `\\begin{itemize}${times(n, '\\item x ')}\\end{itemize}`,
  words: (n) => times(4 * n, 'word '),
  'one word': (n) => times(20 * n, 'x'),
  'one word of many parts': (n) => times(4 * n, 'ebb-'),
  'one word with many cuts': (n) => times(2 * n, 'ebb\\-'),
  paragraphs: (n) => times(2 * n, 'word word\n\n'),
  ampersands: (n) => times(n, '&'),
  hashes: (n) => times(n, '#'),
  ends: (n) => times(n, '\\end{center}'),
  'names that nobody defined': (n) => each(n, (i) => `\\${letters(i)}qz `),
  macros: (n) => each(n, (i) => `\\newcommand{\\${letters(i)}qz}{x}\\${letters(i)}qz `),
  groups: (n) => times(n, '{\\bf x} '),
  conditions: (n) => `${times(n, '\\iftrue ')}x${times(n, '\\fi ')}`,
  'a citation of many': (n) => `\\cite{${each(n, (i) => `k${i},`)}}`,
  bibitems: (n) =>
    `\\cite{k1}\\begin{thebibliography}{9}${each(n, (i) => `\\bibitem{k${i}} x `)}\\end{thebibliography}`,
  'columns that are balanced': (n) =>
    `\\begin{multicols}{2}${times(2 * n, 'word word word word\n\n')}\\end{multicols}`,
  'a long title': (n) => `\\section{${times(4 * n, 'x ')}}`,
};

const SIZE = 250;
const MOST = 2.3;
/** Functions that V8 lets go of are counted anew: so much is no sign of anything. */
const SLACK = 40_000;

describe('twice as much', () => {
  const inspector = new Inspector();
  inspector.connect();
  // Counting is begun once: each beginning has V8 translate everything anew.
  beforeAll(async () => {
    await inspector.post('Profiler.enable');
    await inspector.post('Profiler.startPreciseCoverage', { callCount: true, detailed: true });
  });
  afterAll(() => inspector.post('Profiler.stopPreciseCoverage'));
  async function work(body: string): Promise<number> {
    await countedSince(inspector);
    const session = newSession();
    session.setText(inArticle(body, '\\usepackage{amsmath,multicol}'));
    session.settleAll();
    session.findings();
    session.outline();
    session.formulaSpans();
    for (const page of session.pages) session.describe(page);
    return countedSince(inspector);
  }
  // Counts that V8 lost on the way are lost in one try only.
  const tries = { retry: 2 };
  it.each(Object.entries(GROWING))(
    'twice over, makes at most 2.3 times the work each time: %s',
    tries,
    async (_, text) => {
      const [once, twice, fourTimes] = [
        await work(text(SIZE)),
        await work(text(2 * SIZE)),
        await work(text(4 * SIZE)),
      ];
      // What more of it costs: what is done once, whatever is written, is no part of that.
      expect(fourTimes - twice).toBeLessThan(MOST * (twice - once) + SLACK);
    },
  );
});
