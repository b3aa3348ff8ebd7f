import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { HELD } from '../document/font';
import { inArticle, linesOf, newSession, testFonts, TODAY, typeset } from '../testing/document';
import { editOf, relativeEdit } from '../testing/edits';
import { Session } from './session';

/** A session that keeps last good forms, and a way to type in it. */
function writing(body: string) {
  const session = new Session({ fonts: testFonts, today: TODAY, keepLastGood: true });
  session.setText(inArticle(body));
  session.settleAll();
  const replace = (what: string, by: string): void => {
    const at = session.text.indexOf(what);
    session.edit(at, at + what.length, by);
    session.settleAll();
  };
  return { session, replace };
}

/** The first line in plain letters. */
const firstLine = (session: Session): string => (linesOf(session)[0] ?? '').normalize('NFKC');

const heldRuns = (session: Session): number =>
  session.pages.flatMap((page) => [...session.describe(page).runPaint]).filter((c) => c === HELD)
    .length;

describe('while a formula is broken', () => {
  it('its last good form stays, marked, and the text around it follows', () => {
    const { session, replace } = writing('The gauge shows $a + b$ at noon.\n\nIt falls.');
    replace('a + b', 'a + \\nosuch b');
    expect(firstLine(session)).toBe('The gauge shows a + b at noon.');
    expect(heldRuns(session)).toBeGreaterThan(0);
    replace('at noon', 'at six');
    expect(firstLine(session)).toBe('The gauge shows a + b at six.');
    replace('\\nosuch', 'c');
    expect(firstLine(session)).toBe('The gauge shows a + cb at six.');
    expect(heldRuns(session)).toBe(0);
  });
  it('a display keeps its form and takes the number given out now', () => {
    const { session, replace } = writing('\\begin{equation} x = \\frac{1}{2} \\end{equation}');
    replace('\\frac{1}{2}', '\\frac{1}{2} \\left( y');
    expect(heldRuns(session)).toBeGreaterThan(0);
    expect(linesOf(session).join(' ')).toContain('(1)');
    expect(linesOf(session).join(' ')).not.toContain('y');
  });
  it('one that was never good shows what can be read of it', () => {
    const { session } = writing('The gauge $\\nosuch + b$.');
    expect(heldRuns(session)).toBe(0);
    expect(linesOf(session)[0]).toContain('nosuch');
  });
  it('formulas beside it are their own', () => {
    const { session, replace } = writing('Let $a$ and $b$ be.');
    replace('$b$', '$b^$');
    replace('$a$', '$c$');
    expect(firstLine(session)).toBe('Let c and b be.');
  });
  it.each([
    ['its opening sign gone', 'one page, $y$ two.', 'page, $', ''],
    ['its sign and more before it gone', 'Let $a$ be, and $b$ two.', 'be, and $', ''],
  ])('one that is the rest of another is no form of it: %s', (_what, body, what, by) => {
    const { session, replace } = writing(body);
    replace(what, by);
    expect(heldRuns(session)).toBe(0);
    expect(firstLine(session)).toContain('two.');
  });
  it.each([
    ['the block before it parted', 'Low water, and $a + b$ too.', 'water, and', 'water\n\nand'],
    ['the block before it joined', 'Low water\n\nand $a + b$ too.', '\n\nand', ' and'],
  ])('it is found again with %s in the same edit', (_what, body, what, by) => {
    const { session } = writing(body);
    const { text } = session;
    session.setText(text.replace(what, by).replace('+ b', '+ \\nosuch b'));
    session.settleAll();
    expect(heldRuns(session)).toBeGreaterThan(0);
    expect(linesOf(session).join(' ').normalize('NFKC')).toContain('a + b too.');
  });
  it('one that refers to a label shows itself, and what is told of the label stays', () => {
    const { session, replace } = writing('So $a + b$ by \\ref{nowhere}.');
    const told = () => session.findings().map(({ kind }) => kind);
    expect(told()).toEqual(['reference-unknown']);
    replace('b$', 'b');
    expect(told()).toContain('reference-unknown');
  });
  it('a session that makes a PDF holds nothing', () => {
    const session = newSession();
    session.setText(inArticle('So $a + b$.'));
    session.settleAll();
    const at = session.text.indexOf('+ b');
    session.edit(at, at, '\\nosuch');
    session.settleAll();
    expect(heldRuns(session)).toBe(0);
  });
});

describe('what is found while forms are held', () => {
  const kinds = (session: Session) =>
    session.findings().map(({ kind, from, to }) => [kind, from, to]);
  it('is what is found from cold, however edits come', () => {
    const body =
      'Let $x^2$ and $y$ by \\ref{e}.\n\n\\begin{equation}\\label{e} a = \\frac{1}{2} \\end{equation}\n\n' +
      'So \\[ \\left( b \\right) \\] with $z$ \\emph{or} $w$, by~\\eqref{e}.';
    fc.assert(
      fc.property(fc.array(fc.tuple(relativeEdit, fc.boolean()), { maxLength: 4 }), (edits) => {
        const { session } = writing(body);
        for (const [relative, settles] of edits) {
          const { from, to, text } = editOf(session.text, relative);
          session.edit(from, to, text);
          if (settles) session.settleAll();
        }
        session.settleAll();
        expect(kinds(session)).toEqual(kinds(typeset(session.text)));
      }),
      { numRuns: Number(process.env.LAW_RUNS ?? 40) },
    );
  });
});
