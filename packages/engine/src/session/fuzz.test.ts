import { describe, expect, it } from 'vitest';
import { inArticle, linesOf, newSession, textFiles, typeset } from '../testing/document';
import { corpus, corpusFiles } from '../testing/corpus';
import {
  differencesFromCold,
  randomStep,
  sessionOf,
  shrunk,
  standingOf,
  take,
  type Failure,
  type Subject,
} from '../testing/fuzz';
import { numbers } from '../testing/random';

/**
 * Documents of the corpus, edited at random with their files changing beside them, are as from
 * cold. `npm run fuzz` does twenty thousand edits; here each document has a few.
 */
const subjects = corpus.map((document): Subject => ({ ...document, files: corpusFiles }));
const SEED = 20;

describe('random edits', () => {
  it.each(subjects)('leave what cold gives: $name', (subject) => {
    const random = numbers(SEED + subjects.indexOf(subject));
    const standing = standingOf(subject);
    const session = sessionOf(standing);
    for (let i = 0; i < 4; i++) take(randomStep(random, standing, subjects), standing, session);
    expect(differencesFromCold(session, standing)).toEqual([]);
    expect(session.text).toBe(standing.text);
  });
  it('are the same for the same seed', () => {
    const steps = (): unknown[] => {
      const random = numbers(4);
      const standing = standingOf(subjects[0] as Subject);
      return Array.from({ length: 20 }, () => randomStep(random, standing, subjects));
    };
    expect(steps()).toEqual(steps());
  });
});

/** What the random edits have found, made small. */
describe('what once differed from cold', () => {
  const after = (text: string, ...edits: readonly [number, number, string][]): string[] => {
    const standing = { text, files: new Map<string, Uint8Array>() };
    const session = sessionOf(standing);
    for (const [from, to, put] of edits)
      take({ kind: 'edit', edit: { from, to, text: put } }, standing, session);
    return differencesFromCold(session, standing);
  };
  it('a loop that runs over the end of the document leaves nothing for the next reading', () => {
    const text = inArticle('Ebb.', '\\title{Low \\loop water}');
    expect(after(text, [text.length - 20, text.length, ''])).toEqual([]);
    expect(after(text, [0, 1, '\\'], [3, 5, 'cu'])).toEqual([]);
  });
  it('a heading that stands in its own contents never comes to rest, and stops where cold does', () => {
    const body =
      't\\tableofcontents\\section{eofcontents\n\\section{Main}\n\\section{Extra}\\label{a}\nMore in \\ref{a}.\n';
    expect(after(body, [26, 27, 'f'])).toEqual([]);
    expect(after(body, [26, body.length, body.slice(27)], [30, 30, 'x'])).toEqual([]);
  });
  it('a caption that holds a figure adds nothing to its own list', () => {
    const text = 'o\\listoffigures\\caption{}\\label{f1}\\e\\begin{figure}\\caption{\\begin{figure';
    const broken: [number, number, string] = [24, 37, 'e\\}1f{lebal\\}'];
    expect(after(text, broken)).toEqual([]);
    expect(after(text, broken, [60, 60, '$$'], [0, 0, 'aption{Tab}\\label{t1}\\'])).toEqual([]);
  });
  it('contents in a heading are no contents in the list of contents', () => {
    const text =
      '\\documentclass{report}\n\\usepackage{amsmath}\n\\newtheorem{t}{T}\n\\section{Word\\tableofcontents s}\n\nEbb.\n\\chapter{Codes}\n';
    expect(after(text, [text.length - 9, text.length - 9, '%'])).toEqual([]);
  });
  it('contents that a heading swallowed come to rest in one way only', () => {
    const text =
      'ord} is a finite sequence of short and long flashes.\n\\end{definition}\n\\begin{thion}\n\\be\\tableofcontents\\section{\\begin{equati}$}pendix\n\\chaptees {(1,0.1) (2,0.01) (3,0.002)};';
    expect(
      after(text, [0, 86, ''], [42, 88, ';})200.0,3( )10.0,2( )1.0,1({ seetpahc\\\nxidnep']),
    ).toEqual([]);
  });
  it('a theorem whose number refers to itself', () => {
    const text = '\\newtheorem{thm}\\thm\\label{thm:main}\\ref{thm:main}';
    expect(after(text, [16, 16, '{proof}[Proof of Theorem~\\ref{thm:main}] Cle'])).toEqual([]);
  });
  it('a group that something left open ends with its block', () => {
    const text = '\\documentclass{beamer} \\begin{block}{Def{frame}\n\\begin{frame\n\n\\';
    expect(after(text, [22, 58, ''])).toEqual([]);
  });
  it('a \\begin{document} that was looked for, and is spoilt', () => {
    const text = 'a\n\n\\begin{document}\nEbb.\n';
    expect(after(text, [10, 14, 'x'])).toEqual([]);
    expect(after(text, [18, 19, ''])).toEqual([]);
  });
  it('a second \\begin{document}, paragraphs behind the first', () => {
    const twice = inArticle('Ebb.\n\nSlack.\n\n\\begin{document}\n\nFlood.', '');
    expect(after(twice, [twice.indexOf('Slack'), twice.indexOf('Slack'), 'x'])).toEqual([]);
    expect(after(twice, [twice.indexOf('\\begin'), twice.indexOf('Ebb'), ''])).toEqual([]);
    const once = inArticle('Ebb.\n\nSlack.\n\nFlood.', '');
    const at = once.indexOf('Flood');
    expect(after(once, [at, at, '\\begin{document}\n'])).toEqual([]);
  });
  it.each(['\\part', '\\subpart'])('%s in no list, and what stands behind it', (name) => {
    const text = `\\documentclass{exam}\n\\begin{document}\n${name} Ebb.\n\nFlood.\n\nSlack.\\end{document}`;
    const blank = text.indexOf('\n\nFlood');
    expect(after(text, [blank, blank + 1, ''])).toEqual([]);
    expect(after(text, [blank, blank + 2, ' '])).toEqual([]);
  });
  it('a figure on a page of its own is of its block', () => {
    const text = inArticle(
      'Ebb.\n\n\\begin{figure}[p]Gauge\\end{figure}\n\n\\clearpage\n\nFlood.',
      '',
    );
    const session = typeset(text);
    const [, page] = session.pages;
    if (!page) throw new Error('no second page');
    const blocks = session.blocksOf(session.describe(page));
    expect(blocks.some(({ start }) => text.startsWith('\\begin{figure}', start))).toBe(true);
    expect(after(text, [text.indexOf('Ebb'), text.indexOf('Ebb'), 'Low. '])).toEqual([]);
  });
  it('an abstract that is printed by the title behind it', () => {
    const text =
      '\\documentclass{amsart}\n\\begin{abstract}Ebb.\\end{abstract}\n\n\\begin{document}\n\n\\maketitle\n\nFlood.\\end{document}';
    expect(after(text, [23, 23, '\\def\\x{x}\n'], [24, 26, ''])).toEqual([]);
  });
  it('a name that was proposed for a misspelt one, and is defined no longer', () => {
    const own = '\\newtheorem{mooring}{Mooring}\n\\section{x}\n\\begin{moorin}x\\end{moorin}\n';
    expect(after(own, [1, 4, ''])).toEqual([]);
    const word = '\\newcommand{\\mooring}{x}\n\\section{x}\n\\moorin y\n';
    expect(after(word, [1, 4, ''])).toEqual([]);
  });
  it('a frame in a frame', () => {
    const text =
      '\\documentclass{beamer}\\begin{frame}26}\n\\begin{document}\n\\begin{frame}\\tableofcontents\\end{frame}\n\\section{One}\\begin{frame';
    expect(after(text, [47, 47, '\\end{figure}'], [59, 59, '^'], [47, 47, '&'])).toEqual([]);
  });
});

describe('a failure made small', () => {
  /** Stands in for a fault: the text holds both letters after the steps. */
  const fault = ({ text, steps }: Failure): boolean => {
    let now = text;
    for (const step of steps)
      if (step.kind === 'edit')
        now = now.slice(0, step.edit.from) + step.edit.text + now.slice(step.edit.to);
    return now.includes('q') && now.includes('z');
  };
  const long = `${'one two three\n'.repeat(40)}a q b\n${'four five\n'.repeat(40)}`;
  const put = (at: number, text: string) =>
    ({ kind: 'edit', edit: { from: at, to: at, text } }) as const;
  it('keeps what it needs, and no more', () => {
    const steps = [put(3, 'x'), put(700, 'y'), put(10, 'z')];
    const small = shrunk({ text: long, files: new Map(), steps }, fault);
    expect(fault(small)).toBe(true);
    expect(small.steps).toHaveLength(1);
    expect(small.text.length).toBeLessThan(12);
  });
  it('of files, goes without those that do not matter', () => {
    const files = new Map([['a.tex', new Uint8Array(1)]]);
    const gone = { kind: 'file', name: 'a.tex', bytes: null } as const;
    const small = shrunk({ text: long, files, steps: [put(0, 'z'), gone, put(1, 'y')] }, fault);
    expect(small.files.size).toBe(0);
    expect(small.steps.every(({ kind }) => kind === 'edit')).toBe(true);
  });
});

describe('files that change beside the text', () => {
  it('are read again', () => {
    const text = inArticle('\\input{part}', '');
    const session = newSession(textFiles({ 'part.tex': 'Ebb.' }));
    session.setText(text);
    session.settleAll();
    expect(linesOf(session)[0]).toBe('Ebb.');
    session.setFiles(textFiles({ 'part.tex': 'Flood.' }));
    session.settleAll();
    expect(linesOf(session)).toEqual(linesOf(typeset(text, textFiles({ 'part.tex': 'Flood.' }))));
  });
});
