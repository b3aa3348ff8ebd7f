import { describe, expect, it } from 'vitest';
import { pageText, Session } from '@odd-compass/engine';
import { testFonts, TODAY } from '../../../../../packages/engine/src/testing/document';
import { blockWithin, accountWithin, partWindow } from './partWindow';

const MAIN = `\\documentclass{article}
\\begin{document}
Before.

\\input{parts/one}
Behind it.
\\end{document}
`;
const linesOf = (text: string, files?: ConstructorParameters<typeof Session>[0]['files']) => {
  const session = new Session({ fonts: testFonts, today: TODAY, ...(files ? { files } : {}) });
  session.setText(text);
  session.settleAll();
  return session.pages.map((page) => pageText(session.describe(page), session.fonts));
};

describe('a part in its place', () => {
  it.each(['One $x$.\n', 'One.\n\nTwo.\n', 'No line end', '\\section{A}\nText.\n', 'One.\n\n', ''])(
    'is typeset as it is when it is read in: %j',
    (part) => {
      const window = partWindow(MAIN, 'parts/one.tex', part);
      const files = {
        names: () => ['parts/one.tex'],
        bytes: () => null,
        text: (name: string) => (name === 'parts/one.tex' ? part : null),
      };
      expect(linesOf(window?.text ?? '')).toEqual(linesOf(MAIN, files));
      expect(window?.text.slice(window.base, window.base + part.length)).toBe(part);
    },
  );
  it('that begins pages of its own does so', () => {
    const window = partWindow(MAIN.replace('\\input', '\\include'), 'parts/one.tex', 'One.\n');
    expect(linesOf(window?.text ?? '').map(([first]) => first)).toEqual([
      'Before.',
      'One.',
      'Behind it.',
    ]);
  });
  it('is none where the main file does not read it in', () => {
    expect(partWindow(MAIN, 'parts/two.tex', '')).toBeNull();
    expect(partWindow(MAIN.replace('\\input', '% \\input'), 'parts/one.tex', '')).toBeNull();
    expect(partWindow('\\bibliography{refs}', 'refs.bib', '')).toBeNull();
  });
});

describe('what is known of a part', () => {
  const place = { base: 100, length: 50, path: 'p.tex', mainPath: 'sheet.tex' };
  const finding = (file: string, from: number) =>
    ({
      file,
      from,
      to: from + 2,
      fix: { title: '', edits: [{ from, to: from, text: 'x' }] },
    }) as never;
  const facts = {
    kind: 'account' as const,
    revision: 1,
    findings: [finding('sheet.tex', 110), finding('sheet.tex', 10), finding('other.tex', 110)],
    outline: [
      { from: 120, to: 121 },
      { from: 200, to: 201 },
    ] as never,
    blockStarts: [0, 100, 150],
    blockPages: [0, 0, 1],
    labels: [],
    formulas: Int32Array.from([5, 8, 104, 109, 160, 170]),
  };
  it('counts from its start; what is of other files stays with them', () => {
    const mine = accountWithin(facts, place);
    expect(mine.findings.map(({ file, from, fix }) => [file, from, fix?.edits[0]?.from])).toEqual([
      ['p.tex', 10, 10],
      ['sheet.tex', 10, 10],
      ['other.tex', 110, 110],
    ]);
    expect(mine.outline.map(({ from }) => from)).toEqual([20]);
    expect([...mine.formulas]).toEqual([4, 9]);
    expect(mine.blockStarts).toEqual([-100, 0, 50]);
  });
  it('is nothing for a part that the engine does not have in its text', () => {
    const none = accountWithin(facts, { ...place, base: Infinity });
    expect([none.blockStarts, none.formulas.length, none.outline]).toEqual([[], 0, []]);
    expect(none.findings).toEqual(facts.findings);
  });
  it('has the blocks that touch it', () => {
    expect(blockWithin({ id: 1, start: 90, length: 5 }, 100, 50)).toBeNull();
    expect(blockWithin({ id: 1, start: 150, length: 5 }, 100, 50)).toBeNull();
    expect(blockWithin({ id: 1, start: 90, length: 20 }, 100, 50)?.start).toBe(-10);
  });
});
