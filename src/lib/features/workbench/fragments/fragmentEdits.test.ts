import { EditorState } from '@codemirror/state';
import { describe, expect, it } from 'vitest';
import { vocabulary } from '@odd-compass/engine';
import { insertion, packagesNeeded, pieceAround } from './fragmentEdits';

const WORDS = vocabulary();
const SHEET =
  '\\documentclass{article}\n\\usepackage{amsmath}\n\\begin{document}\nHere: .\n\\end{document}\n';

describe('fragments', () => {
  it('know the packages that their names are from', () => {
    expect(packagesNeeded('$\\mathbb{R}$ and \\includegraphics{x}', WORDS)).toEqual([
      'amsfonts',
      'graphicx',
    ]);
    expect(packagesNeeded('\\begin{pmatrix}a\\end{pmatrix}', WORDS)).toEqual(['amsmath']);
    expect(packagesNeeded('only $x^2$', WORDS)).toEqual([]);
  });
  it('bring the lines of the packages that are missing, in the same edit', () => {
    const state = EditorState.create({ doc: SHEET });
    const at = SHEET.indexOf('.\n\\end');
    const changes = insertion(
      SHEET,
      { from: at, to: at },
      'X',
      ['amsmath', 'amssymb', 'graphicx'],
      WORDS,
    );
    const after = state.update({ changes }).state.doc.toString();
    expect(after).toBe(
      SHEET.replace('Here: ', 'Here: X').replace(
        '{amsmath}\n',
        '{amsmath}\n\\usepackage{amssymb}\n\\usepackage{graphicx}\n',
      ),
    );
    expect(insertion(SHEET, { from: at, to: at }, 'X', ['amsmath'], WORDS)).toHaveLength(1);
    // What a loaded package brings along is there.
    const symbols = SHEET.replace('amsmath', 'amssymb');
    expect(insertion(symbols, { from: at, to: at }, 'X', ['amsfonts'], WORDS)).toHaveLength(1);
    expect(insertion('no preamble', { from: 0, to: 0 }, 'X', ['amssymb'], WORDS)).toHaveLength(1);
  });
  it('of earlier sheets are whole: between blank lines, with both halves of their environments', () => {
    const text = 'First.\n\n\\begin{proof}\nOne.\n\nTwo \\emph{here}.\n\\end{proof}\n\nLast.';
    expect(pieceAround(text, text.indexOf('First'))).toBe('First.');
    const proof = text.slice(8, text.indexOf('\n\nLast'));
    expect(pieceAround(text, text.indexOf('One'))).toBe(proof);
    expect(pieceAround(text, text.indexOf('here'))).toBe(proof);
    expect(pieceAround('a', 0)).toBe('a');
  });
});
