import { describe, expect, it } from 'vitest';
import { accountOf, inArticle, typeset } from '../testing/document';

describe('buttons that hang on the whole document', () => {
  const words = '$x$ and $y if z$.';
  it.each([
    ['', '\\mbox{ if }'],
    ['\\usepackage{amsmath}', '\\text{ if }'],
    ['\\usepackage{mathtools}', '\\text{ if }'],
  ])('words in a formula are set by what there is: %s', (preamble, text) =>
    expect(typeset(inArticle(words, preamble)).findings()[0]?.fix?.edits[0]?.text).toBe(text),
  );
  it('are those of cold wherever the reading stopped', () => {
    const session = typeset(inArticle(words, '\\newcommand\\tide{x}\n\\usepackage{amsmath}'));
    const at = session.text.indexOf('{x}') + 1;
    session.edit(at, at + 1, 'y');
    session.settleAll();
    expect(accountOf(session)).toEqual(accountOf(typeset(session.text)));
  });
  it('a name that a macro has wrong is told once, and written right in every place', () => {
    const source = inArticle('\\tide \\tide', '\\newcommand\\tide{\\smlal x \\smlal}');
    const [found, ...others] = typeset(source).findings();
    expect([found?.fix?.edits.length, others]).toEqual([2, []]);
  });
});
