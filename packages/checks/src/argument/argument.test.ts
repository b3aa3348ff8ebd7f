import { describe, expect, it } from 'vitest';
import { argumentOf } from './argument';

const PREAMBLE =
  '\\newtheorem{lemma}{Lemma}\\newtheorem{theorem}{Theorem}\\newtheorem{defi}{Definition}\n';
const lemma = (label: string, body: string, proof: string | null): string =>
  `\\begin{lemma}\\label{${label}} ${body}\\end{lemma}\n${proof === null ? '' : `\\begin{proof} ${proof}\\end{proof}\n`}`;

describe('the argument of a sheet', () => {
  const text =
    PREAMBLE +
    '\\begin{defi}\\label{d} A lamp is \\emph{lit}.\\end{defi}\n' +
    lemma('a', 'The tide turns.', 'By definition \\ref{d}.') +
    lemma('b', 'The lamp is lit.', 'By Lemma~\\ref{a} and \\eqref{later}.') +
    lemma('c', 'No one knows.', null) +
    '\\begin{equation}\\label{later} x = y \\end{equation}\n' +
    '\\begin{theorem}[Harbour] It follows.\\end{theorem}\\begin{proof} By \\cref{a,b}.\\end{proof}';
  const argument = argumentOf(text);
  it('has statements with what they are called, and their proofs', () => {
    expect(
      argument.nodes.map(({ kind, isClaim, proof, title, first }) => [
        kind,
        isClaim,
        proof !== null,
        title,
        first,
      ]),
    ).toEqual([
      ['Definition', false, false, '', 'A lamp is \\emph{lit}.'],
      ['Lemma', true, true, '', 'The tide turns.'],
      ['Lemma', true, true, '', 'The lamp is lit.'],
      ['Lemma', true, false, '', 'No one knows.'],
      ['Equation', false, false, '', '$x = y$'],
      ['Theorem', true, true, 'Harbour', 'It follows.'],
    ]);
  });
  it('has an edge where a proof refers to another statement', () => {
    expect(argument.edges.map(({ from, to }) => [from, to])).toEqual([
      [1, 0],
      [2, 1],
      [2, 4],
      [5, 1],
      [5, 2],
    ]);
    expect(text.slice(argument.edges[0]?.at, (argument.edges[0]?.at ?? 0) + 7)).toBe('\\ref{d}');
  });
  it('tells what is missing', () => {
    const { circles, unproved, unused, forward } = argument;
    expect({
      circles,
      unproved,
      unused,
      forward: forward.map(({ from, to }) => [from, to]),
    }).toEqual({
      circles: [],
      unproved: [3],
      unused: [3],
      forward: [[2, 4]],
    });
  });
});

it('circles are found', () => {
  const text =
    PREAMBLE +
    lemma('a', 'A.', 'See \\ref{b}.') +
    lemma('b', 'B.', 'See \\ref{c}.') +
    lemma('c', 'C.', 'See \\ref{a}.');
  expect(argumentOf(text).circles).toEqual([[0, 1, 2]]);
});

it('a proof may stand elsewhere and name what it proves', () => {
  const text = `${PREAMBLE}${lemma('a', 'A.', null)}${lemma('b', 'B.', null)}\\begin{proof}[Proof of Lemma \\ref{a}] Clear.\\end{proof}`;
  const { nodes, edges, unproved } = argumentOf(text);
  expect(nodes.map(({ proof }) => proof !== null)).toEqual([true, false]);
  expect([edges, unproved]).toEqual([[], [1]]);
});

it('problems and their solutions, comments left alone', () => {
  const text =
    '\\begin{problem}\\label{p} Find it.\\end{problem}\\begin{solution} Here. % \\ref{q}\n\\end{solution}\\begin{problem}\\label{q} Use \\ref{p}.\\end{problem}';
  const { nodes, edges, unproved } = argumentOf(text);
  expect(nodes.map(({ kind, isClaim, proof }) => [kind, isClaim, proof !== null])).toEqual([
    ['Problem', false, true],
    ['Problem', false, false],
  ]);
  expect([edges.map(({ from, to }) => [from, to]), unproved]).toEqual([[[1, 0]], []]);
});

it.each(['', '\\begin{lemma}', '\\begin{theorem}\\label{', '\\ref{a}\\begin{proof}'])(
  '%j is read without end or complaint',
  (text) => {
    expect(() => argumentOf(PREAMBLE + text)).not.toThrow();
  },
);
