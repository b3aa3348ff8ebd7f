import { EditorState } from '@codemirror/state';
import { describe, expect, it } from 'vitest';
import { belowLine, writtenBehind } from './values';

/** A text after an edit of what stands between two bars in it. */
function after(
  text: string,
  edit: (state: EditorState, from: number, to: number) => object,
): string {
  const [from, to] = [text.indexOf('¦'), text.lastIndexOf('¦') - 1];
  const state = EditorState.create({ doc: text.replaceAll('¦', '') });
  return state.update({ changes: edit(state, from, to) as never }).newDoc.toString();
}

describe('a value is written behind what it is of', () => {
  it.each([
    ['$¦2 + 3¦$', '5', true, '$2 + 3 = 5$'],
    ['$¦2 + 3 ¦$', '5', true, '$2 + 3 = 5$'],
    ['$¦2 + 3 =¦$', '5', true, '$2 + 3 = 5$'],
    ['$¦\\sqrt 2 = ¦$', '1.41', false, '$\\sqrt 2 \\approx 1.41$'],
    ['$x = ¦\\ln 2¦ + 1$', '0.69', false, '$x = \\ln 2 \\approx 0.69 + 1$'],
  ])('%s', (text, tex, exact, result) => {
    const value = { kind: 'value', exact, tex } as const;
    expect(after(text, ({ doc }, from, to) => writtenBehind(doc, { from, to }, value))).toBe(
      result,
    );
  });
});

it('what is made of a formula stands below its line', () => {
  expect(after('See ¦$x$¦.\nNext', ({ doc }, _, to) => belowLine(doc, to, 'P'))).toBe(
    'See $x$.\n\\begin{center}\nP\n\\end{center}\nNext',
  );
});
