import { formulasIn } from './prose';
import { CompletionContext, type Completion } from '@codemirror/autocomplete';
import { EditorState } from '@codemirror/state';
import { vocabulary } from '@odd-compass/engine';
import { describe, expect, it } from 'vitest';
import { packageLine } from '@odd-compass/engine/packageLine';
import { complete } from './completion';
import { countsOf } from './counts';
import { EVERYDAY } from './everyday';
import { pairAt } from './pairs';
import { asMarkup, asRows } from './pasted';
import { optionsAt } from './optionNames';
import { readTaste, STANDARD_TASTE } from './taste';
import { formulas, inFormula, knowledge, setFormulas } from './sourceFacts';
import {
  citationKeys,
  environmentEnd,
  hasPackage,
  loadedPackages,
  openEnvironments,
  ownNames,
  withinMarks,
} from './structure';
import { renamePairs } from './typing';

const words = vocabulary();
const engine = knowledge.of({
  words: () => words,
  labels: () => [{ name: 'eq:tide', value: '2', kind: 'equation', page: 0 }],
  glimpse: () => Promise.resolve(null),
  files: () => ['tide-gauge.png', 'part.tex'],
});

/** What may stand at the end of the text. */
function offered(doc: string): readonly Completion[] {
  const state = EditorState.create({ doc, extensions: [engine, formulas] });
  return complete(new CompletionContext(state, doc.length, false))?.options ?? [];
}
const labels = (doc: string): string[] => offered(doc).map(({ label }) => label);

describe('environments around a place', () => {
  const text = '\\begin{a}\\begin{b} x \\end{b} % \\begin{c}\n y \\end{a}';
  it('are those open there, comments left out', () => {
    const names = (at: number) => openEnvironments(text, at).map(({ name }) => name);
    expect(names(text.indexOf('x'))).toEqual(['a', 'b']);
    expect(names(text.indexOf('y'))).toEqual(['a']);
  });
  it('end where their own end stands', () => {
    const nested = '\\begin{a} \\begin{a} \\end{a} z \\end{a} w';
    const end = environmentEnd(nested, { name: 'a', body: 9 });
    expect(nested.slice(end?.to)).toBe(' w');
    expect(environmentEnd('\\begin{a} x', { name: 'a', body: 9 })).toBeNull();
  });
});

describe('characters by their long names', () => {
  it('are offered to who has begun one, not to who mistypes something near', () => {
    expect(labels('x \\texb')).not.toContain('\\textbraceleft');
    expect(labels('x \\texb')).toContain('\\textbf');
    expect(labels('x \\textbra')).toContain('\\textbraceleft');
  });
});

describe('packages', () => {
  const text =
    '\\documentclass{article}\n\\usepackage[a]{mathtools, xcolor}\n% \\usepackage{bm}\n\\begin{document}';
  it('are those the preamble loads, by itself or with others', () => {
    const loaded = loadedPackages(text);
    expect([...loaded]).toEqual(['mathtools', 'xcolor']);
    expect(hasPackage(loaded, 'amsmath', words)).toBe(true);
    expect(hasPackage(loaded, 'bm', words)).toBe(false);
  });
  it('are loaded on a line behind the last', () => {
    const { from = 0, insert } = packageLine(text, 'bm') ?? {};
    expect(text.slice(0, from).endsWith('xcolor}\n')).toBe(true);
    expect(insert).toBe('\\usepackage{bm}\n');
    expect(packageLine('\\documentclass{article}', 'bm')?.insert).toBe('\n\\usepackage{bm}\n');
  });
});

it('names that the document defines are known, with their arguments', () => {
  const own = ownNames(
    '\\newcommand{\\R}[2]{x}\\DeclareMathOperator{\\rank}{rank}\\def\\z#1{y}\\newtheorem{thm}{Theorem}\\newenvironment{box}[1]{}{}',
  );
  expect(own.map(({ name, args }) => [name, args])).toEqual([
    ['R', 2],
    ['rank', 0],
    ['z', 1],
    ['box', 1],
    ['thm', 0],
  ]);
  expect(citationKeys('\\bibitem{a}\\bibitem[X]{b}')).toEqual(['a', 'b']);
});

describe('completion', () => {
  it('offers commands of the language and of the document', () => {
    const found = labels('\\newcommand{\\frost}{x} \\fr');
    expect(found).toContain('\\frac');
    expect(found).toContain('\\frost');
    expect(found).toContain('\\begin');
  });
  it('says which package a word needs', () => {
    const found = offered('\\documentclass{article}\n\\begin{document}\n\\inte');
    expect(found.find(({ label }) => label === '\\intertext')?.detail).toBe('needs amsmath');
  });
  it('offers environments, labels with their numbers, citations, packages and classes', () => {
    expect(labels('\\newtheorem{tide}{Tide}\\begin{')).toEqual(
      expect.arrayContaining(['tide', 'enumerate', 'align*']),
    );
    expect(offered('\\eqref{')[0]).toMatchObject({ label: 'eq:tide', detail: 'equation 2' });
    expect(labels('\\bibitem{wick}\\cite{')).toEqual(['wick']);
    expect(labels('\\usepackage{ams')).toContain('amsmath');
    expect(labels('\\documentclass{')).toContain('article');
  });
  it('offers what the class has', () => {
    expect(labels('\\documentclass{article}\\sec')).toContain('\\section');
    expect(labels('\\documentclass{article}\\chap')).not.toContain('\\chapter');
    expect(labels('\\documentclass{report}\\chap')).toContain('\\chapter');
    expect(labels('\\newcomm')).toContain('\\newcommand');
  });
  it('offers options of classes, packages and commands, and the files that fit', () => {
    expect(labels('\\documentclass[a4')).toContain('a4paper');
    expect(labels('\\includegraphics[wid')).toContain('width=\\textwidth');
    expect(labels('\\begin{enumerate}[la')).toContain('label=(\\alph*)');
    expect(labels('\\includegraphics{')).toEqual(['tide-gauge.png']);
    expect(labels('\\input{')).toEqual(['part.tex']);
    expect(optionsAt('\\usepackage[', ']{geometry}', words)?.names).toContain('margin=');
    expect(optionsAt('\\usepackage[fleqn,', ']{amsmath}', words)?.names).not.toContain('fleqn');
    expect(optionsAt('in [brackets', '', words)).toBeNull();
  });
  it('offers nothing in plain text', () => expect(offered('the tide')).toEqual([]));
});

describe('what is offered first', () => {
  const first = (doc: string): string => {
    const typed = /\\[A-Za-z]+$/.exec(doc)?.[0] ?? '';
    const [best] = offered(doc)
      .filter(({ label }) => label.startsWith(typed))
      .sort((a, b) => (b.boost ?? 0) - (a.boost ?? 0) || (a.label < b.label ? -1 : 1));
    return best?.label ?? '';
  };
  it.each([
    ['$\\al', '\\alpha'],
    ['$\\su', '\\subset'],
    ['$\\la', '\\lambda'],
    ['\\se', '\\section'],
    ['\\textb', '\\textbf'],
    ['\\inc', '\\includegraphics'],
  ])('%s: %s', (doc, expected) => {
    const source = `\\documentclass{article}\\usepackage{graphicx}\\begin{document}\n${doc}`;
    expect(first(source)).toBe(expected);
  });
  it('only names that are', () => {
    const names = words.map(({ name }) => name);
    expect([...EVERYDAY].filter((name) => !names.includes(name))).toEqual([]);
  });
});

describe('formulas in the source', () => {
  it('move with what is typed before them', () => {
    let state = EditorState.create({ doc: 'a $x$ b', extensions: formulas });
    state = state.update({ effects: setFormulas.of(Int32Array.from([2, 5])) }).state;
    expect([inFormula(state, 3), inFormula(state, 6)]).toEqual([true, false]);
    state = state.update({ changes: { from: 0, insert: 'zz' } }).state;
    expect([inFormula(state, 3), inFormula(state, 5)]).toEqual([false, true]);
  });
  it('have no extent any more when the text around them is replaced', () => {
    const doc = 'a $x$ b $y$ c';
    const state = EditorState.create({ doc, extensions: formulas }).update({
      effects: setFormulas.of(Int32Array.from([2, 5, 8, 11])),
    }).state;
    const after = (from: number, to: number, insert: string) => [
      ...state.update({ changes: { from, to, insert } }).state.field(formulas),
    ];
    expect(after(0, doc.length, 'another text')).toEqual([12, 12, 12, 12]);
    expect(after(3, 10, 'z')).toEqual([2, 3, 4, 5]);
    // One that is written over exactly, or written on at its end, is likely one still.
    expect(after(2, 5, '$zz$')).toEqual([2, 6, 9, 12]);
    expect(after(11, 11, 'z')).toEqual([2, 5, 8, 12]);
  });
  it('are known by their marks before the engine has read them', () => {
    const within = (marked: string) => withinMarks(marked.replace('|', ''), marked.indexOf('|'));
    expect(['$a|', '\\(a|', '\\[a|', '$$a|', '\\begin{align}a|'].map(within)).toEqual(
      Array(5).fill(true),
    );
    expect(['$a$|', '\\$a|', '\\(a\\)|', '% $\na|', '$a\n\nb|', '$$a$$|'].map(within)).toEqual(
      Array(6).fill(false),
    );
  });
  it('pasted cells become rows', () => {
    expect(asRows('1\t2\r\n3\t4\n')).toBe('1 & 2 \\\\\n  3 & 4');
    expect(asRows('one\ntwo')).toBeNull();
  });
  it('pasted signs become the commands for them', () => {
    expect(asMarkup('x² ≤ √2·α∈ℝ, aₙ₊₁→∞')).toBe(
      'x^2 \\le \\sqrt{2}\\cdot\\alpha\\in\\mathbb{R}, a_{n+1}\\to\\infty',
    );
    expect(asMarkup('αx')).toBe('\\alpha x');
    expect(asMarkup('plain')).toBe('plain');
  });
});

describe('a pair of begin and end', () => {
  const typed = (doc: string, at: number, insert: string): string =>
    EditorState.create({ doc, extensions: renamePairs })
      .update({
        changes: { from: at, insert },
        userEvent: 'input.type',
      })
      .state.doc.toString();
  it('keeps one name when either half is renamed', () => {
    const doc = '\\begin{align}\n a \\begin{x} \\end{x}\n\\end{align} z';
    expect(typed(doc, 12, '*')).toBe('\\begin{align*}\n a \\begin{x} \\end{x}\n\\end{align*} z');
    const end = doc.lastIndexOf('align}') + 5;
    expect(typed(doc, end, '*')).toBe('\\begin{align*}\n a \\begin{x} \\end{x}\n\\end{align*} z');
  });
  it('is left alone when its other half is missing', () => {
    expect(typed('\\begin{align} a', 12, '*')).toBe('\\begin{align*} a');
  });
});

describe('partners', () => {
  const at = (marked: string): string[] | null => {
    const doc = marked.replace('|', '');
    const pair = pairAt(EditorState.create({ doc }), marked.indexOf('|'));
    return pair && pair.map((mark) => (mark ? doc.slice(mark.from, mark.to) : 'none'));
  };
  it('of begin and end, of left and right, are found through others', () => {
    expect(at('\\be|gin{a} \\begin{b} \\end{b} \\end{a}')).toEqual(['\\begin{a}', '\\end{a}']);
    expect(at('\\left( \\left[ x \\right] \\rig|ht)')).toEqual(['\\right', '\\left']);
    expect(at('\\begin{a} \\e|nd{b}')).toEqual(['\\end{b}', 'none']);
    expect(at('no | mark')).toBeNull();
  });
});

describe('counts', () => {
  it('are of words outside formulas, commands and comments', () => {
    const text =
      '\\title{x}\\begin{document} The \\emph{high} tide $a+b$ turns. % not this\n\\label{a b} It’s so.';
    const from = text.indexOf('$');
    expect(countsOf(text, [from, from + 5])).toEqual({ words: 6, formulas: 1 });
  });
  it('leaves pictures and code aside', () => {
    const body =
      'Ebb \\begin{tikzpicture}\\draw[thick] (0,0) -- node {low} (1,1);\\end{tikzpicture} and flood.';
    expect(countsOf(`\\begin{document}${body}\\end{document}`, [])).toEqual({
      words: 3,
      formulas: 0,
    });
  });
});

describe('taste', () => {
  it('is what was kept, and the standard where that makes no sense', () => {
    expect(readTaste('{"size":18,"wrap":false,"spelling":"none"}')).toEqual({
      size: 18,
      wrap: false,
      numbers: true,
      spelling: 'none',
    });
    expect(readTaste('{"spelling":"martian"}').spelling).toBe('british');
    expect(readTaste('{"size":999}')).toEqual(STANDARD_TASTE);
    expect(readTaste('{')).toEqual(STANDARD_TASTE);
    expect(readTaste(null)).toEqual(STANDARD_TASTE);
  });
});

it.each([
  ['Ebb $x$ and \\(y\\).', ['$x$', '\\(y\\)']],
  [
    '\\[x\\] low \\begin{align}a\\text{ $b$ }\\end{align}',
    ['\\[x\\]', '\\begin{align}a\\text{ $b$ }\\end{align}'],
  ],
  ['A lonely $ sign.', []],
  ['\\verb|$x$| % $y$', []],
])('the formulas of %s by the text alone', (text, wanted) => {
  const spans = formulasIn(text);
  const found = spans.flatMap((at, i) => (i % 2 === 0 ? [text.slice(at, spans[i + 1])] : []));
  expect(found).toEqual(wanted);
});
