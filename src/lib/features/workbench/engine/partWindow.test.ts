import { describe, expect, it } from 'vitest';
import { pageText, Session } from '@odd-compass/engine';
import { testFonts, TODAY } from '../../../../../packages/engine/src/testing/document';
import { accountElsewhere, accountWithin, blockWithin, partWindow } from './partWindow';

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

const windowOf = (main: string, path: string, part: string) =>
  partWindow([
    { path: 'sheet.tex', text: main },
    { path, text: part },
  ]);

describe('a part in its place', () => {
  it.each(['One $x$.\n', 'One.\n\nTwo.\n', 'No line end', '\\section{A}\nText.\n', 'One.\n\n', ''])(
    'is typeset as it is when it is read in: %j',
    (part) => {
      const window = windowOf(MAIN, 'parts/one.tex', part);
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
    const window = windowOf(MAIN.replace('\\input', '\\include'), 'parts/one.tex', 'One.\n');
    expect(linesOf(window?.text ?? '').map(([first]) => first)).toEqual([
      'Before.',
      'One.',
      'Behind it.',
    ]);
  });
  it('is none where the main file does not read it in', () => {
    expect(windowOf(MAIN, 'parts/two.tex', '')).toBeNull();
    expect(windowOf(MAIN.replace('\\input', '% \\input'), 'parts/one.tex', '')).toBeNull();
    expect(windowOf('\\bibliography{refs}', 'refs.bib', '')).toBeNull();
  });
});

describe('parts in parts', () => {
  const texts = {
    'sheet.tex':
      '\\documentclass{article}\\begin{document}\nFirst \\foo.\n\\input{a}\nLast \\brr.\n\\end{document}\n',
    'a.tex': 'Above \\baz.\n\\input{b}\nBelow \\qux.\n',
    'b.tex': '\\section{Inner}\nWords \\quux.\n',
  };
  const names = ['sheet.tex', 'a.tex', 'b.tex'] as const;
  const window = partWindow(names.map((path) => ({ path, text: texts[path] })));
  const placeOf = (grown: number) => ({
    base: window?.base ?? -1,
    stretches: window?.stretches ?? [],
    length: texts['b.tex'].length + grown,
    lengthThen: texts['b.tex'].length,
    path: 'b.tex',
    mainPath: 'sheet.tex',
  });
  const accountOf = (text: string) => {
    const session = new Session({ fonts: testFonts, today: TODAY });
    session.setText(text);
    session.settleAll();
    const findings = session.findings();
    const outline = session.outline();
    return { ...facts, findings, outline };
  };

  it.each([0, 5])('each thing is told at its place in its file, %i letters later', (grown) => {
    const base = window?.base ?? 0;
    const text = window?.text ?? '';
    const typed = text.slice(0, base) + 'x'.repeat(grown) + text.slice(base);
    const told = accountWithin(accountOf(typed), placeOf(grown));
    const unknown = told.findings.filter(({ kind }) => kind === 'command-unknown');
    const now = { ...texts, 'b.tex': 'x'.repeat(grown) + texts['b.tex'] };
    expect(
      unknown.map(({ file, from, to }) => [file, now[file as keyof typeof now].slice(from, to)]),
    ).toEqual([
      ['sheet.tex', '\\foo'],
      ['a.tex', '\\baz'],
      ['b.tex', '\\quux'],
      ['a.tex', '\\qux'],
      ['sheet.tex', '\\brr'],
    ]);
    expect(told.contents.map(({ file, title }) => [file, title])).toEqual([['b.tex', 'Inner']]);
    expect(told.outline[0]?.from).toBe(grown);
  });
  it('a way to mend that reaches into another file is left out', () => {
    const text = texts['b.tex'];
    const at = (from: number) => ({ title: '', edits: [{ from, to: from, text: '' }] });
    const base = window?.base ?? 0;
    const finding = {
      file: 'sheet.tex',
      from: base + 1,
      to: base + 2,
      fix: at(3),
      others: [at(base + text.length)],
    } as never;
    const [mine] = accountWithin({ ...facts, findings: [finding] }, placeOf(0)).findings;
    expect(mine?.fix?.edits[0]?.from).toBe(text.length);
    expect(mine?.others).toEqual([]);
  });
});

describe('what is known of a part', () => {
  const place = {
    base: 100,
    length: 50,
    lengthThen: 50,
    stretches: [],
    path: 'p.tex',
    mainPath: 'sheet.tex',
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
  it('is nothing for a file that the engine does not have in its text', () => {
    const none = accountElsewhere(facts, 'sheet.tex');
    expect([none.blockStarts, none.formulas.length, none.outline]).toEqual([[], 0, []]);
    expect(none.findings).toEqual(facts.findings);
  });
  it('has the blocks that touch it', () => {
    expect(blockWithin({ id: 1, start: 90, length: 5 }, 100, 50)).toBeNull();
    expect(blockWithin({ id: 1, start: 150, length: 5 }, 100, 50)).toBeNull();
    expect(blockWithin({ id: 1, start: 90, length: 20 }, 100, 50)?.start).toBe(-10);
  });
});
