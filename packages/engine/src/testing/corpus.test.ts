import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyEdit } from '../source/edits';
import { corpus, corpusFiles } from './corpus';
import { EXPECTED, type Expected } from './corpusExpected';
import { linesOf, newSession, picture, typeset } from './document';
import { editOf, relativeEdit } from './edits';

/** Where the pieces are looked for: all lines as one text, blanks made single. */
const flat = (lines: readonly string[]): string => lines.join(' ').replace(/\s+/g, ' ');

describe('the corpus of coursework', () => {
  it('holds forty documents at least, and each has its expectations', () => {
    expect(corpus.length).toBeGreaterThanOrEqual(40);
    expect(corpus.map(({ name }) => name).filter((name) => !EXPECTED[name])).toEqual([]);
  });

  it.each(corpus)('$name typesets as it is meant to', ({ name, text }) => {
    const session = typeset(text, corpusFiles);
    expect(
      session.findings().map(({ kind, from, to }) => `${kind} ${text.slice(from, to)}`),
    ).toEqual([]);
    const expected = EXPECTED[name] as Expected;
    const found = flat(linesOf(session));
    expect([name, session.pages.length]).toEqual([name, expected.pages]);
    for (const piece of expected.text) expect(found).toContain(piece);
  });

  it('is read to its end when a list is opened before it', () => {
    for (const { text } of corpus) {
      const session = newSession(corpusFiles);
      session.setText(`\\begin{itemize}${text}`);
      session.settleAll();
      expect(session.pages.length).toBeGreaterThan(0);
    }
  });

  it.each(['31-problem-set-a4', '41-mathematics'])(
    '%s knows no place of a block that was read before, when its class line is broken',
    (name) => {
      const text = corpus.find((one) => one.name === name)?.text ?? '';
      const session = newSession(corpusFiles);
      session.setText(text);
      session.edit(0, 0, '$');
      session.edit(2, 3, '');
      session.settleAll();
      const cold = typeset(`$\\${text.slice(2)}`, corpusFiles);
      expect(JSON.stringify(picture(session)) === JSON.stringify(picture(cold))).toBe(true);
    },
  );

  it.each(corpus)('$name is after edits what it is from cold', ({ text }) => {
    fc.assert(
      fc.property(fc.array(relativeEdit, { minLength: 1, maxLength: 3 }), (edits) => {
        const session = newSession(corpusFiles);
        session.setText(text);
        session.settleAll();
        let now = text;
        for (const relative of edits) {
          const edit = editOf(now, relative);
          session.edit(edit.from, edit.to, edit.text);
          now = applyEdit(now, edit);
          session.settleAll();
        }
        const cold = typeset(now, corpusFiles);
        expect(linesOf(session)).toEqual(linesOf(cold));
        expect(JSON.stringify(picture(session)) === JSON.stringify(picture(cold))).toBe(true);
        expect(session.findings()).toEqual(cold.findings());
      }),
      { numRuns: Number(process.env.LAW_RUNS ?? 2) },
    );
  });
});
