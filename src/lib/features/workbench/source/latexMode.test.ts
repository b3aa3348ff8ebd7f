import { ensureSyntaxTree } from '@codemirror/language';
import { EditorState } from '@codemirror/state';
import { describe, expect, it } from 'vitest';
import { latexMode } from './latexMode';

function parse(source: string) {
  const state = EditorState.create({ doc: source, extensions: latexMode });
  return ensureSyntaxTree(state, source.length, 5000);
}

/** The stretches of a source that the mode takes for mathematics, joined. */
function formulas(source: string): string {
  const tree = parse(source);
  let out = '';
  tree?.iterate({
    enter: ({ name, from, to }) => {
      if (/^(math|mathCommand|mark)$/.test(name)) out += source.slice(from, to);
    },
  });
  return out;
}

/** What is marked as the name that a command is given. */
function argumentsIn(source: string): string[] {
  const tree = parse(source);
  const out: string[] = [];
  tree?.iterate({
    enter: ({ name, from, to }) => {
      if (name === 'argument') out.push(source.slice(from, to));
    },
  });
  return out;
}

describe('the source told apart', () => {
  it('knows the names that commands are given from text', () => {
    expect(
      argumentsIn('\\label{eq:tide} so \\emph{ebb} \\includegraphics[width=2cm]{map}'),
    ).toEqual(['eq:tide', 'width=2cm', 'map']);
    expect(argumentsIn('see \\ref here {now}')).toEqual([]);
  });
  it('tints the whole of a formula, its marks included', () => {
    expect(formulas('Let $x \\le 2$ be')).toBe('$x \\le 2$');
    expect(formulas('a \\(b\\) c \\[d\\] e')).toBe('\\(b\\)\\[d\\]');
    expect(formulas('$$x$$ y')).toBe('$$x$$');
  });
  it('goes on to the paragraph’s end after a forgotten mark, and no further', () => {
    expect(formulas('Let $x be\nso\n\nNext')).toBe('$x beso');
  });
  it('knows display environments, not others', () => {
    expect(formulas('\\begin{align*}\na &= b\n\\end{align*} c')).toContain('a &= b');
    expect(formulas('\\begin{center}\na = b\n\\end{center}')).toBe('');
  });
  it('leaves comments and escaped signs alone', () => {
    expect(formulas('5\\$ and % $x$\nmore')).toBe('');
  });
});
