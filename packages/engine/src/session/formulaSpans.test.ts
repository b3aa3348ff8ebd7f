import { describe, expect, it } from 'vitest';
import { corpus, corpusFiles } from '../testing/corpus';
import { inArticle, typeset } from '../testing/document';

const inOrder = (spans: readonly number[]): boolean =>
  spans.every((at, i) => i < 2 || i % 2 === 1 || at >= (spans[i - 2] ?? 0));

it('the labels of a plot are told in the order of the text, each once', () => {
  const text = inArticle(
    'A $x$ b. \\begin{tikzpicture}\\begin{axis}[xlabel={$u$},ylabel={$v$}]\\addplot {x}; \\node at (axis cs:0,0) {$w$};\\end{axis}\\end{tikzpicture} and $y$',
    '\\usepackage{pgfplots}',
  );
  const spans = [...typeset(text).formulaSpans()];
  const shown = spans.flatMap((at, i) => (i % 2 ? [] : [text.slice(at, spans[i + 1])]));
  expect(shown.filter((formula) => formula.startsWith('$'))).toEqual([
    '$x$',
    '$u$',
    '$v$',
    '$w$',
    '$y$',
  ]);
});

describe('formulas are told in the order of the text', () => {
  it.each(corpus.map(({ name, text }) => [name, text] as const))('%s', (_, text) => {
    expect(inOrder([...typeset(text, corpusFiles).formulaSpans()])).toBe(true);
  });
});
