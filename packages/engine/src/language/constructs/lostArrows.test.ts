import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle, typeset } from '../../testing/document';
import { mended } from '../../testing/press';

const sheet = (body: string): string =>
  inArticle(`\\[ \\begin{tikzcd}${body}\\end{tikzcd} \\]`, '\\usepackage{tikz-cd}');
const square = 'A \\arrow[r] \\arrow[d] & B \\arrow[d]';

describe('arrows lead to places of their diagram', () => {
  it.each([
    ['beside the last place', 'A \\arrow[r]', '1', '2'],
    ['below the last row', 'A \\arrow[d] & B', '2', '1'],
    ['to a place a shorter row has not', 'A & B \\arrow[d] \\\\ C', '2', '2'],
    ['above the first row', 'A \\arrow[u]', '0', '1'],
    ['to a place by its number', 'A \\arrow[to=2-1]', '2', '1'],
    ['from a place by its number', 'A \\arrow[from=1-2]', '1', '2'],
    ['in its short form', 'A \\dar', '2', '1'],
    ['in its older form', 'A \\arrow{r}{f}', '1', '2'],
  ])('%s', (_, body, row, column) => {
    for (const look of ['', ', Rightarrow']) {
      const drawn = look === '' ? body : body.replace(/(\\arrow\[[^\]]*)/, `$1${look}`);
      const [found, ...others] = typeset(sheet(drawn)).findings();
      expect(found?.message).toContain(`row ${row}, column ${column} `);
      expect(found?.severity).toBe('broken');
      expect(others).toEqual([]);
    }
  });
  it.each([
    `${square} \\\\ C \\arrow[r] & D`,
    'A \\arrow[r] & {}',
    'A \\arrow[r] &',
    'A \\arrow[loop right]',
    'A \\arrow[r, bend left, ""{name=U}] & B \\arrow[from=U, to=1-2]',
  ])('as these do: %s', (body) => expect(findingsIn(sheet(body))).toEqual([]));
});

describe('what was forgotten between the places is put there', () => {
  it.each([
    ['a sign between two', `A \\arrow[r, "f"] B`, 'A \\arrow[r, "f"] & B'],
    [
      'a sign behind two arrows',
      `A \\arrow[r] \\arrow[d, "f"'] B \\\\ C &`,
      `A \\arrow[r] \\arrow[d, "f"'] & B \\\\ C &`,
    ],
    ['the end of a row', `${square}\nC & D`, `${square} \\\\\nC & D`],
    ['the end of a row with curved arrows', `A \\arrow[d, bend left] & B\nC`, `& B \\\\\nC`],
    ['a row end typed twice', `${square} \\\\\\\\\nC & D`, `${square} \\\\\nC & D`],
  ])('%s', (_, body, after) => {
    const { text, left } = mended(sheet(body));
    expect(left).toEqual([]);
    expect(text).toContain(after);
  });
});
