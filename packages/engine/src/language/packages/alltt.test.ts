import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { laidBody } from '../../testing/layout';

const PLAIN = fc
  .array(fc.stringMatching(/^[a-z0-9#$&_^~%.,=+ -]{1,12}$/), { minLength: 1, maxLength: 5 })
  .map((lines) => lines.map((line) => `q${line.trimEnd()}`));

/** alltt is `verbatim` in which a backslash and braces keep their meaning (the LaTeX tools, alltt). */
describe('text as it is typed, in which commands work', () => {
  const places = (name: string, body: string) =>
    laidBody(
      `Ebb.\n\\begin{${name}}\n${body}\n\\end{${name}}\nFlow.`,
      '\\usepackage{alltt}',
    ).lines.map(({ text, x, y }) => ({
      text: text.replace(/\s+/g, ' '),
      x: Math.round(x * 10),
      y: Math.round(y * 10),
    }));
  it('stands where verbatim stands, line by line', () =>
    fc.assert(
      fc.property(PLAIN, (lines) => {
        const body = lines.join('\n');
        expect(places('alltt', body)).toEqual(places('verbatim', body));
      }),
      { numRuns: 20 },
    ));

  it.each([
    ['\\textbf{b} c', 'b c'],
    ['a \\(x\\) b', 'a 𝑥 b'],
    ['\\{a\\}', '{a}'],
    ['{\\em a} $b$', 'a $b$'],
  ])('%s', (line, printed) => {
    const { text } = laidBody(`\\begin{alltt}\n${line}\n\\end{alltt}`, '\\usepackage{alltt}');
    expect(text.normalize('NFKC')).toContain(printed.normalize('NFKC'));
  });
});
