import { foldable } from '@codemirror/language';
import { EditorState } from '@codemirror/state';
import { describe, expect, it } from 'vitest';
import { folding } from './folding';

/** The text that a line folds away; null when it folds nothing. */
function folded(doc: string, line: number): string | null {
  const state = EditorState.create({ doc, extensions: folding });
  const { from, to } = state.doc.line(line);
  const range = foldable(state, from, to);
  return range && state.sliceDoc(range.from, range.to);
}

describe('folding', () => {
  it('an environment folds up to its own end, however far that is', () => {
    const nested = '\\begin{proof}\n\\begin{proof}\nx\n\\end{proof}\n\\end{proof} y';
    expect(folded(nested, 1)).toBe('\n\\begin{proof}\nx\n\\end{proof}\n');
    const long = 'tide\n'.repeat(2000);
    expect(folded(`\\begin{proof}\n${long}\\end{proof}`, 1)).toBe(`\n${long}`);
    expect(folded('\\begin{proof}\nx', 1)).toBeNull();
    expect(folded('\\begin{proof} x \\end{proof}', 1)).toBeNull();
    expect(folded('\\begin{document}\nx\n\\end{document}', 1)).toBeNull();
  });
  it('a heading folds to the next of its rank, without the blank lines before it', () => {
    const doc =
      '\\section{Ebb}\na\n\\subsection{Low}\nb\n\n\\section{Flood}\nc\n\\end{document}\n\\section{End}';
    expect(folded(doc, 1)).toBe('\na\n\\subsection{Low}\nb');
    expect(folded(doc, 3)).toBe('\nb');
    expect(folded(doc, 6)).toBe('\nc');
    expect(folded(doc, 9)).toBeNull();
    expect(folded(doc, 2)).toBeNull();
  });
});
