import { EditorState } from '@codemirror/state';
import { vocabulary } from '@odd-compass/engine';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { formulas, setFormulas } from '../source/sourceFacts';
import { pastedCells, readRows, writeRows } from './alignment';
import { benchContext } from './context';
import { lookingLines } from '../source/preamble';
import { alignedChain, formOf, rewritten } from './rewrite';
import { findSigns, GROUPS, signsOf } from './symbols';

const texts = (body: string): string[][] =>
  readRows(body).map(({ cells }) => cells.map(({ text }) => text));

describe('rows and cells', () => {
  it('part at & and \\\\ outside braces and inner environments', () => {
    expect(texts(' a & b \\\\ c & \\frac{1 & 2}{3} ')).toEqual([
      ['a', 'b'],
      ['c', '\\frac{1 & 2}{3}'],
    ]);
    expect(texts('x & \\begin{matrix} 1 & 2 \\\\ 3 \\end{matrix} \\\\ y')).toEqual([
      ['x', '\\begin{matrix} 1 & 2 \\\\ 3 \\end{matrix}'],
      ['y'],
    ]);
    expect(texts('a \\& b % c & d\n& e')).toEqual([['a \\& b % c & d', 'e']]);
  });
  it('know where each cell stands, and the space below a row', () => {
    const body = '\n  a  & bc \\\\[2ex]\n d & ';
    for (const { cells } of readRows(body, 10))
      for (const { text, from, to } of cells)
        expect(body.slice(from - 10, to - 10).trim()).toBe(text);
    expect(readRows(body)[0]?.skip).toBe('[2ex]');
  });
  it('come back as they were written', () => {
    const cell = fc.stringMatching(/^[a-z0-9+]{0,5}$/);
    const grid = fc.array(fc.array(cell, { minLength: 2, maxLength: 4 }), {
      minLength: 1,
      maxLength: 5,
    });
    fc.assert(
      fc.property(grid, (rows) => {
        // A last row of nothing is no row.
        fc.pre((rows.at(-1) ?? []).some((c) => c !== ''));
        expect(texts(writeRows(rows.map((cells) => ({ cells }))))).toEqual(rows);
      }),
    );
  });
  it('are taken from a spreadsheet', () => {
    expect(pastedCells('1\t2\r\n3\t4\r\n')).toEqual([
      ['1', '2'],
      ['3', '4'],
    ]);
    expect(pastedCells('12')).toBeNull();
  });
});

describe('what the caret is in', () => {
  const contextAt = (marked: string) => {
    const at = marked.indexOf('|');
    const doc = marked.replace('|', '');
    const state = EditorState.create({ doc, selection: { anchor: at }, extensions: formulas });
    const spans = [...doc.matchAll(/\$[^$]*\$/g)].flatMap((m) => [m.index, m.index + m[0].length]);
    const read = setFormulas.of(Int32Array.from(spans));
    return benchContext(state.update({ effects: read }).state);
  };
  it.each([
    ['\\begin{pmatrix} a & |b \\end{pmatrix}', 'matrix'],
    ['\\begin{array}{cc} a & |b \\end{array}', 'matrix'],
    ['\\begin{align} a &= |b \\end{align}', 'lines'],
    ['see \\eqref{eq:t|ide}', 'reference'],
    ['so $x + |y$ is', 'formula'],
    ['so $x$ |is', 'text'],
    ['\\begin{align} a \\end{align} |b', 'text'],
  ])('%s: %s', (marked, kind) => expect(contextAt(marked).kind).toBe(kind));
  it('tells the label whole', () => {
    expect(contextAt('\\ref{eq:t|ide}')).toEqual({ kind: 'reference', label: 'eq:tide' });
  });
});

describe('a formula in another form', () => {
  it.each([
    ['$a = b$', 'inline'],
    ['\\(a\\)', 'inline'],
    ['\\[ a \\]', 'displayed'],
    ['\\begin{equation} a \\end{equation}', 'numbered'],
    ['\\begin{align*} a &= b \\end{align*}', 'aligned'],
  ])('%s is %s', (source, form) => expect(formOf(source)?.form).toBe(form));
  it('goes from the line into a display and back', () => {
    expect(rewritten('a = b', 'inline', 'displayed')).toBe('\\[\n  a = b\n\\]');
    expect(rewritten('a = b', 'displayed', 'inline')).toBe('$a = b$');
    expect(rewritten('a &= b \\\\\n &= c', 'aligned', 'inline')).toBe('$a = b = c$');
    expect(rewritten('a \\label{x}', 'numbered', 'displayed')).toBe('\\[\n  a\n\\]');
  });
  it('a chain is aligned at its relations, those in brackets left alone', () => {
    expect(alignedChain('f(x=1) = a + b \\le c')).toBe('  f(x=1) &= a + b \\\\\n         &\\le c');
  });
});

describe('symbols', () => {
  const signs = signsOf(vocabulary());
  const found = (sought: string) => findSigns(signs, sought)[0]?.name;
  it.each([
    ['subset or equal', 'subseteq'],
    ['belongs to', 'in'],
    ['there is', 'exists'],
    ['tensor product', 'otimes'],
    ['infinity', 'infty'],
    ['mapsto', 'mapsto'],
    ['\\alpha', 'alpha'],
    ['∂', 'partial'],
    ['end of proof', 'square'],
    ['less than or equal', 'le'],
    ['goes to', 'to'],
    ['equals with a sign above', 'overset{!}{=}'],
    ['blackboard bold R', 'mathbb{R}'],
    ['integers', 'mathbb{Z}'],
    ['whole numbers', 'mathbb{Z}'],
    ['real numbers', 'mathbb{R}'],
    ['power set', 'mathcal{P}'],
    ['transpose', '^\\top'],
    ['three dots', 'dots'],
    ['approximately equal', 'approx'],
    ['upside down A', 'forall'],
    ['backwards E', 'exists'],
    ['congruent', 'equiv'],
    ['defined as', 'coloneqq'],
    ['at most', 'le'],
    ['plus minus', 'pm'],
    ['norm', 'lVert'],
    ['round down', 'lfloor'],
    ['empty set', 'emptyset'],
    ['perpendicular', 'perp'],
    ['expected value', 'mathbb{E}'],
    ['is isomorphic to', 'cong'],
    ['does not divide', 'nmid'],
    ['not equal', 'ne'],
    ['if and only if', 'iff'],
    ['such that', 'mid'],
    ['how do I write a union?', 'cup'],
  ])('“%s” finds %s', (sought, name) => expect(found(sought)).toBe(name));
  it('of every group are known', () => {
    const known = new Set(signs.map(({ name }) => name));
    expect(
      Object.values(GROUPS)
        .flat()
        .filter((name) => !known.has(name)),
    ).toEqual([]);
  });
  it('says nothing for nonsense', () => expect(findSigns(signs, 'qqqq')).toEqual([]));
});

it('a picture of a formula loads what the document does, and not its page', () => {
  const text =
    '\\documentclass{article}\n\\usepackage[margin=1in]{geometry}\n\\usepackage{amsmath}\n' +
    '\\newcommand{\\R}{\\mathbb{R}}\n\\newcommand{\\x}{%\n a}\n\\begin{document}\n';
  expect(lookingLines(text)).toBe('\\usepackage{amsmath}\n\\newcommand{\\R}{\\mathbb{R}}');
});
