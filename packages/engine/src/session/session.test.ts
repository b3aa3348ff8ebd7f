import fc from 'fast-check';
import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { FALLBACK_FONT, MATH_FONTS } from '../fonts/catalog';
import { applyEdit } from '../source/edits';
import {
  inArticle,
  linesOf,
  newSession,
  picture,
  testFonts,
  TODAY,
  typeset,
} from '../testing/document';
import { editOf, relativeEdit } from '../testing/edits';
import { Session } from './session';

const DEMO = new URL('../../../../tools/demo/', import.meta.url).pathname;
const corpus = readdirSync(DEMO)
  .filter((name) => name.endsWith('.tex'))
  .map((name) => ({ name, text: readFileSync(DEMO + name, 'utf8') }));

/** Where the law broke, with the text that broke it. */
function compareToCold(text: string, session: ReturnType<typeof newSession>): void {
  const cold = typeset(text);
  expect(session.text).toBe(text);
  expect(linesOf(session)).toEqual(linesOf(cold));
  expect(JSON.stringify(picture(session)) === JSON.stringify(picture(cold))).toBe(true);
  expect(session.findings()).toEqual(cold.findings());
  expect(session.outline()).toEqual(cold.outline());
}

describe('a session after edits', () => {
  it.each(corpus)('equals one from cold, whatever the edits: $name', ({ text }) => {
    fc.assert(
      fc.property(fc.array(relativeEdit, { minLength: 1, maxLength: 5 }), (edits) => {
        const session = newSession();
        session.setText(text);
        session.settleAll();
        let now = text;
        for (const relative of edits) {
          const edit = editOf(now, relative);
          session.edit(edit.from, edit.to, edit.text);
          now = applyEdit(now, edit);
          session.settleAll();
        }
        compareToCold(now, session);
      }),
      { numRuns: Number(process.env.LAW_RUNS ?? 8) },
    );
  });

  it('equals one from cold when pages are abandoned half-way', () => {
    const text = (corpus.find(({ name }) => name.startsWith('ferry')) as (typeof corpus)[number])
      .text;
    fc.assert(
      fc.property(
        fc.array(fc.tuple(relativeEdit, fc.nat(4)), { minLength: 2, maxLength: 5 }),
        (edits) => {
          const session = newSession();
          session.setText(text);
          let now = text;
          for (const [relative, steps] of edits) {
            const edit = editOf(now, relative);
            session.edit(edit.from, edit.to, edit.text);
            now = applyEdit(now, edit);
            const run = session.settle();
            for (let i = 0; i < steps; i++) run.next();
          }
          session.settleAll();
          compareToCold(now, session);
        },
      ),
      { numRuns: 10 },
    );
  });
});

describe('the work after an edit', () => {
  const long = inArticle(
    Array.from(
      { length: 400 },
      (_, i) => `Paragraph ${i} of the log says $x_{${i}} = ${i}^2$ and no more.`,
    ).join('\n\n'),
  );

  it('is one or two blocks for a keystroke in a paragraph', () => {
    const session = typeset(long);
    const before = { ...session.work };
    const at = long.indexOf('Paragraph 200') + 4;
    session.edit(at, at, 'x');
    session.settleAll();
    expect(session.work.blocksRead - before.blocksRead).toBeLessThanOrEqual(2);
    expect(session.work.blocksLaid - before.blocksLaid).toBeLessThanOrEqual(2);
    expect(session.work.pagesBuilt - before.pagesBuilt).toBeLessThanOrEqual(3);
    expect(linesOf(session).join(' ')).toContain('Paraxgraph 200');
  });

  it('passes over blocks that never looked at what changed', () => {
    const sections = Array.from({ length: 50 }, (_, i) =>
      [`\\section{Leg ${i}}`, 'Text that counts nothing.', 'More such text.'].join('\n\n'),
    );
    const text = inArticle(sections.join('\n\n'));
    const session = typeset(text);
    const before = session.work.blocksRead;
    const at = text.indexOf('\\section{Leg 0}');
    session.edit(at, at, '\\section{New}\n\n');
    session.settleAll();
    // Each heading is read again, for its number; the paragraphs that follow one, for its after-effect, at most.
    expect(session.work.blocksRead - before).toBeLessThanOrEqual(60);
    expect(linesOf(session).some((line) => line.includes('51 Leg 49'))).toBe(true);
  });
});

describe('facts known at the end', () => {
  it('come back to references without a second run', () => {
    const body =
      'See \\ref{late} on page \\pageref{late}.\n\n\\newpage\n\n\\section{Ebb}\\label{late}\n\nText.';
    expect(linesOf(typeset(inArticle(body)))[0]).toBe('See 1 on page 2.');
  });

  it('change in place when an edit moves the label', () => {
    const text = inArticle(
      'See \\ref{late} on page \\pageref{late}.\n\n\\section{Ebb}\\label{late}\n\nText.',
    );
    const session = typeset(text);
    expect(linesOf(session)[0]).toBe('See 1 on page 1.');
    const at = text.indexOf('\\section');
    session.edit(at, at, '\\section{Flood}\n\nText.\n\n\\newpage\n\n');
    session.settleAll();
    expect(linesOf(session)[0]).toBe('See 2 on page 2.');
  });
});

describe('what reading measures', () => {
  const body = (label: string): string =>
    inArticle(
      `\\newlength\\w\\settowidth\\w{\\ref{tide}}\\hspace*{\\w}|\n\n\\section{Ebb}${label}\n\nText.`,
    );
  it('goes by no label: it is the same before and after that is there', () => {
    const [without, within] = [body(''), body('\\label{tide}')];
    const at = within.indexOf('\\label{tide}');
    const session = typeset(without);
    session.edit(at, at, '\\label{tide}');
    session.settleAll();
    compareToCold(within, session);
    session.edit(at, at + 12, '');
    session.settleAll();
    compareToCold(without, session);
  });
});

describe('fonts that come late', () => {
  it('leave no trace: what was measured with others is measured again', () => {
    const text = inArticle(
      '\\section{Ebb} \\textbf{bold} $x\\text{ if \\bfseries so}$.\n\n{\\Large\\itshape\\hspace*{2em}\\settowidth\\parindent{wide}\n\nLater.}',
    );
    const brought = new Set<string>([FALLBACK_FONT, MATH_FONTS.modern]);
    const session = new Session({
      fonts: (file) => (brought.has(file) ? testFonts(file) : null),
      today: TODAY,
    });
    session.setText(text);
    session.settleAll();
    expect(session.fonts.missing.size).toBeGreaterThan(0);
    while (session.fonts.missing.size > 0) {
      for (const file of session.fonts.missing) brought.add(file);
      session.fontsArrived();
      session.settleAll();
    }
    compareToCold(text, session);
  });
});

describe('a condition that nothing ends', () => {
  const paragraphs = Array.from({ length: 8 }, (_, i) => `Tide ${i} comes and goes.`);
  const text = inArticle(paragraphs.join('\n\n'), '');
  it('ends with its paragraph: what stands behind is read, edited or from cold', () => {
    fc.assert(
      fc.property(fc.nat(7), fc.nat(7), (open, close) => {
        const session = newSession();
        session.setText(text);
        session.settleAll();
        let now = text;
        const edit = (at: number, insert: string): void => {
          session.edit(at, at, insert);
          session.settleAll();
          now = now.slice(0, at) + insert + now.slice(at);
          const cold = typeset(now);
          expect(linesOf(session)).toEqual(linesOf(cold));
          expect(session.findings()).toEqual(cold.findings());
        };
        edit(text.indexOf(`Tide ${open}`), '\\iffalse ');
        expect(session.findings().map(({ kind }) => kind)).toEqual(['conditional-unclosed']);
        expect(linesOf(session).join(' ').match(/Tide/g)).toHaveLength(7);
        edit(now.indexOf(`Tide ${Math.max(open, close)}`) + 4, '\\fi ');
        expect(session.findings()).toEqual([]);
      }),
      { numRuns: 12 },
    );
  });
});

it('proposes names that came in above, as a cold start does', () => {
  const text = inArticle('Low \\tidw water.');
  const session = newSession();
  session.setText(text);
  session.settleAll();
  const at = text.indexOf('\\begin{document}');
  session.edit(at, at, '\\newcommand{\\tide}{x}\n');
  session.settleAll();
  compareToCold(session.text, session);
  expect(session.findings()[0]?.fix?.title).toContain('\\tide');
});
