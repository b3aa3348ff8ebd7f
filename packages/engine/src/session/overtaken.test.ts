import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyEdit, composed, type TextEdit } from '../source/edits';
import { inArticle, newSession, typeset } from '../testing/document';
import { corpus, corpusFiles } from '../testing/corpus';
import { editOf, relativeEdit } from '../testing/edits';
import { differencesFromCold, standingOf } from '../testing/fuzz';

describe('two edits as one', () => {
  const text = fc.string({ maxLength: 30 });
  it('give what they give one after the other', () => {
    fc.assert(
      fc.property(text, relativeEdit, relativeEdit, (before, one, other) => {
        const first = editOf(before, one);
        const between = applyEdit(before, first);
        const second = editOf(between, other);
        const both: TextEdit = composed(first, second, (from, to) => between.slice(from, to));
        expect(applyEdit(before, both)).toBe(applyEdit(between, second));
      }),
    );
  });
});

describe('reading that a newer edit overtakes', () => {
  it.each(corpus.filter((_, i) => i % 6 === 0))(
    'leaves what cold gives, wherever it was stopped: $name',
    ({ name, text }) => {
      const steps = fc.array(fc.tuple(relativeEdit, fc.nat(6), fc.boolean()), {
        minLength: 2,
        maxLength: 6,
      });
      fc.assert(
        fc.property(steps, (edits) => {
          const session = newSession(corpusFiles);
          session.setText(text);
          session.settleAll();
          const standing = standingOf({ name, text, files: corpusFiles });
          for (const [relative, read, pages] of edits) {
            const { from, to, text: put } = editOf(standing.text, relative);
            standing.text = applyEdit(standing.text, { from, to, text: put });
            session.change(from, to, put);
            const reading = pages ? session.settle() : session.read();
            for (let i = 0; i < read; i++) reading.next();
          }
          session.settleAll();
          expect(session.text).toBe(standing.text);
          expect(differencesFromCold(session, standing)).toEqual([]);
        }),
        { numRuns: Number(process.env.LAW_RUNS ?? 40) / 8 },
      );
    },
  );
  it('goes on in small steps: no step reads more than one block', () => {
    const session = newSession();
    session.change(0, 0, inArticle('Ebb and flood.\n\n'.repeat(200), ''));
    let most = 0;
    let before = session.nodes().length;
    for (const step of session.read()) {
      void step;
      most = Math.max(most, session.nodes().length - before);
      before = session.nodes().length;
    }
    // Nothing is shown of a reading before it is whole.
    expect(most).toBe(0);
    session.settleAll();
    expect(session.nodes().length).toBeGreaterThan(200);
  });
  it('keeps the pages that were there, until the new ones are', () => {
    const text = inArticle('Ebb.\n\n'.repeat(100), '');
    const session = typeset(text);
    const { pages } = session;
    const at = text.indexOf('\\begin{document}');
    session.change(at, at, '\\setlength{\\parindent}{0pt}');
    session.read().next();
    expect(session.pages).toEqual(pages);
    expect(session.text).toContain('\\parindent');
    session.settleAll();
    expect(session.pages[0]).not.toBe(pages[0]);
  });
});
