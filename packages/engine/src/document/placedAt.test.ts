import { describe, expect, it } from 'vitest';
import { inArticle, typeset } from '../testing/document';
import { NO_PORT, walkPage } from '../output/display/walk';
import { placedAt } from './placedAt';

describe('nodes at another place', () => {
  const font = { from: 'kept' };
  const node = {
    kind: 'box',
    from: 3,
    to: 5,
    font,
    inlines: [
      { kind: 'text', text: 'a', font, from: 3, to: 4 },
      { kind: 'kern', width: 7 },
    ],
  };
  it('stand there with all that is in them, and are else what they were', () => {
    const moved = placedAt(node, { from: 10, to: 12 });
    expect(moved).toEqual({
      kind: 'box',
      from: 10,
      to: 12,
      font,
      inlines: [
        { kind: 'text', text: 'a', font, from: 10, to: 12 },
        { kind: 'kern', width: 7 },
      ],
    });
    expect(moved.font).toBe(font);
    expect(node.from).toBe(3);
  });
  it('are what a reference prints that is more than characters: a click leads to the reference', () => {
    const body =
      '\\renewcommand{\\thesection}{\\textsc{s}\\arabic{section}}\\section{Ebb}\\label{ebb}\n\nSee \\ref{ebb}.';
    const text = inArticle(body, '');
    const session = typeset(text);
    const [page] = session.pages;
    if (!page) throw new Error('no page');
    const description = session.describe(page);
    const starts = new Map(session.blocksOf(description).map(({ id, start }) => [id, start]));
    const line = description.lineBlock.findIndex((id) => text.startsWith('See', starts.get(id)));
    const ops = [...description.operationFrom].slice(
      description.lineOperation[line],
      description.lineOperation[line + 1],
    );
    const start = starts.get(description.lineBlock[line] as number) ?? 0;
    for (const from of ops) expect(text.slice(start, start + 20)).toContain(text[start + from]);
    expect(Math.max(...ops)).toBeLessThan('See \\ref{ebb}.'.length + 1);
  });
});

it('a picture that is kept as a box is drawn where the box is used', () => {
  const picture = '\\begin{tikzpicture}\\draw[red] (0,0) circle (1);\\end{tikzpicture}';
  const session = typeset(
    inArticle(
      `A \\sbox{\\pier}{${picture}}\\usebox{\\pier} \\usebox{\\pier}`,
      '\\usepackage{tikz}\\newsavebox{\\pier}',
    ),
  );
  const [page] = session.pages;
  const description = page && session.describe(page);
  let paths = 0;
  if (description) walkPage(description, { ...NO_PORT, path: () => paths++ });
  expect(paths).toBe(2);
  expect([...(description?.points ?? [NaN])].every(Number.isFinite)).toBe(true);
});
