import { EditorState } from '@codemirror/state';
import { vocabulary } from '@odd-compass/engine';
import { describe, expect, it } from 'vitest';
import { corpus } from '../../../../../packages/engine/src/testing/corpus';
import { inArticle, typeset } from '../../../../../packages/engine/src/testing/document';
import { insertion, packagesNeeded, pieceAround } from './fragmentEdits';

const WORDS = vocabulary();

describe('the packages a piece needs', () => {
  it.each([
    ['plain words', []],
    ['$\\frac12$', []],
    ['\\begin{align*}a&=b\\end{align*}', ['amsmath']],
    ['$\\mathbb{R}$', ['amsfonts', 'amssymb']],
    ['\\includegraphics{quay}', ['graphicx']],
    ['\\toprule', ['booktabs']],
    ['% \\toprule\nwords', []],
  ])('%s: %j', (source, some) => {
    const needed = packagesNeeded(source, WORDS);
    if (some.length === 0) expect(needed).toEqual([]);
    else expect(some.some((name) => needed.includes(name))).toBe(true);
  });
});

describe('a piece put in', () => {
  const put = (text: string, source: string, packages: readonly string[]): string => {
    const at = text.indexOf('|');
    const doc = text.replace('|', '');
    const changes = insertion(doc, { from: at, to: at }, source, packages, WORDS);
    return EditorState.create({ doc }).update({ changes }).state.doc.toString();
  };
  it.each([
    ['nothing needed', '', 'x', []],
    ['one package', '', '$\\text{x}$', ['amsmath']],
    ['two packages', '', '$\\text{x}\\lesssim y$', ['amsmath', 'amssymb']],
    ['one that is there', '\\usepackage{amsmath}', '$\\text{x}$', ['amsmath']],
    ['one that another brings', '\\usepackage{mathtools}', '$\\text{x}$', ['amsmath']],
  ])('sets without a finding: %s', (_what, preamble, source, packages) => {
    const made = put(inArticle('Here | it is.', preamble), source, packages);
    expect(made).toContain(`Here ${source} it is.`);
    expect(typeset(made).findings()).toEqual([]);
    for (const name of packages) expect(made.split(`{${name}}`).length - 1).toBeLessThanOrEqual(1);
  });
});

describe('the piece around a place', () => {
  const TEXT = 'One.\n\nTwo \\emph{here}.\n\n\\begin{proof}\nA.\n\nB here.\n\\end{proof}\n\nThree.';
  it.each([
    ['One', 'One.'],
    ['Two', 'Two \\emph{here}.'],
    ['A.', '\\begin{proof}\nA.\n\nB here.\n\\end{proof}'],
    ['B here', '\\begin{proof}\nA.\n\nB here.\n\\end{proof}'],
    ['Three', 'Three.'],
  ])('%s is whole', (word, piece) => {
    expect(pieceAround(TEXT, TEXT.indexOf(word))).toBe(piece);
  });
  it.each(corpus.slice(0, 12).map(({ name, text }) => [name, text] as const))(
    'has as many begins as ends, anywhere in %s',
    (_name, text) => {
      const body = text.slice(
        text.indexOf('\\begin{document}') + 16,
        text.indexOf('\\end{document}'),
      );
      for (let share = 0; share < 1; share += 0.09) {
        const piece = pieceAround(body, Math.floor(share * body.length));
        const count = (mark: string): number =>
          [...piece.matchAll(new RegExp(`\\\\${mark}\\{[a-z]+\\*?\\}`, 'g'))].length;
        expect(body.includes(piece)).toBe(true);
        if (!/verbatim|lstlisting|comment|%/.test(piece)) expect(count('begin')).toBe(count('end'));
      }
    },
  );
});
