import { argumentOf } from '@odd-compass/checks';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { layersOf, nameOf, placedNodes, remarksOn } from './layers';

/** A sheet of so many lemmas, each with references to others. */
function sheet(references: readonly (readonly number[])[]): string {
  const lemmas = references.map(
    (to, i) =>
      `\\begin{lemma}\\label{${i}} L.\\end{lemma}\\begin{proof} ${to.map((t) => `\\ref{${t}}`).join(' ')}\\end{proof}`,
  );
  return `\\newtheorem{lemma}{Lemma}${lemmas.join('\n')}`;
}

describe('the map of an argument', () => {
  it('puts what rests on nothing to the left, and all else behind what it rests on', () => {
    expect(layersOf(argumentOf(sheet([[], [0], [0], [1, 2]])))).toEqual([0, 1, 1, 2]);
  });
  it('keeps statements apart, whatever refers to what', () => {
    const lists = fc.array(fc.array(fc.nat(7), { maxLength: 3 }), { minLength: 1, maxLength: 8 });
    fc.assert(
      fc.property(lists, (references) => {
        const { placed, width, height } = placedNodes(argumentOf(sheet(references)));
        expect(new Set(placed.map(({ x, y }) => `${x} ${y}`)).size).toBe(references.length);
        expect(placed.every(({ x, y }) => x >= 0 && y >= 0 && x < width && y < height)).toBe(true);
      }),
    );
  });
  it('tells circles, gaps and what is not used in sentences', () => {
    const text = `\\newtheorem{lemma}{Lemma}\\begin{lemma}\\label{a} A.\\end{lemma}${sheet([[1], [0]]).replace('\\newtheorem{lemma}{Lemma}', '')}\\begin{lemma}[Last] Z.\\end{lemma}`;
    const argument = argumentOf(text);
    const given = argument.nodes
      .slice(0, 3)
      .map(({ from }, i) => ({ title: 'Lemma', number: String(i + 1), from }));
    expect(remarksOn(argument, (node) => nameOf(node, given)).map(({ says }) => says)).toEqual([
      'Lemma 2, Lemma 3 rest on one another.',
      'Lemma 1 has no proof here.',
      'Lemma (Last) has no proof here.',
      'Nothing refers to Lemma 1.',
      'Lemma 2 refers to Lemma 3, which stands further down.',
    ]);
  });
});
