import { describe, expect, it } from 'vitest';
import { inArticle, linesOf, newSession, typeset } from '../testing/document';
import { MOST_PAGES, MOST_TEXT } from './bounds';
import type { Session } from './session';

const kinds = (session: Session): string[] => session.findings().map(({ kind }) => kind);

describe('a text beyond all length', () => {
  const line = 'word word\n\n% a comment that says nothing at all, over and over\n\n';
  const text = inArticle(
    `Before.\n\n${line.repeat(Math.ceil(MOST_TEXT / line.length))}Behind.`,
    '',
  );
  it('is read up to its bound, and told where', () => {
    const session = typeset(text);
    expect(kinds(session)).toEqual(['document-too-long', 'document-end-missing']);
    const [found] = session.findings();
    expect(found?.from).toBeGreaterThanOrEqual(MOST_TEXT);
    expect(found?.from).toBeLessThan(MOST_TEXT + 200);
    expect(linesOf(session)[0]).toBe('Before.');
    expect(linesOf(session).join('\n')).not.toContain('Behind');
  });
  it('that is made shorter is whole', () => {
    const session = typeset(text);
    const at = text.indexOf('word');
    session.edit(at, at + 10 * line.length, '');
    session.settleAll();
    expect(kinds(session)).toEqual([]);
    expect(linesOf(session).join('\n')).toContain('Behind');
  });
});

describe('pages beyond all number', () => {
  const text = inArticle('Ebb.\\newpage\n\n'.repeat(MOST_PAGES + 5), '');
  it('are made up to their bound, and it is told where they end', () => {
    const session = typeset(text);
    expect(session.pages).toHaveLength(MOST_PAGES);
    expect(kinds(session)).toEqual(['document-too-long']);
  });
  it('are as from cold when some before them go, or come', () => {
    const session = typeset(text);
    const at = text.indexOf('Ebb');
    let now = text;
    for (const [from, to, put] of [
      [at, at + 3 * 'Ebb.\\newpage\n\n'.length, ''],
      [at, at, 'Flood.\\newpage\n\n'],
      [at, at + 40 * 'Ebb.\\newpage\n\n'.length, ''],
    ] as const) {
      session.edit(from, to, put);
      session.settleAll();
      now = now.slice(0, from) + put + now.slice(to);
      const cold = typeset(now);
      expect(session.pages.length).toBe(cold.pages.length);
      expect(linesOf(session).slice(0, 40)).toEqual(linesOf(cold).slice(0, 40));
      expect(session.findings()).toEqual(cold.findings());
    }
    expect(kinds(session)).toEqual([]);
  });
});

describe('a formula beyond all length', () => {
  it.each([
    ['closed', '$', '$', 'x+', 'formula-too-long'],
    ['displayed', '\\[', '\\]', 'x+', 'formula-too-long'],
    ['of braces', '$', '', '{', 'nesting-too-deep'],
    ['made by a macro', '$\\def\\a{x+\\a}\\a', '$', '', 'macro-runaway'],
  ])(
    'is left where it is too long, and what follows is set: %s',
    (_what, open, close, part, kind) => {
      const body = `Before.\n\n${open}${part.repeat(60_000)}${close}\n\nAfter.`;
      const session = typeset(inArticle(body, ''));
      expect(kinds(session)).toContain(kind);
      expect(linesOf(session)[0]).toBe('Before.');
      expect(linesOf(session).join('\n')).toContain('After.');
    },
  );
  it('of ten thousand signs is a formula', () => {
    const session = typeset(inArticle(`$${'x+'.repeat(5000)}y$`, ''));
    expect(kinds(session)).not.toContain('formula-too-long');
  });
});

describe('the work of a document', () => {
  const runaway = (n: number): string =>
    inArticle(
      Array.from({ length: n }, (_, i) => `Low \\a water ${i}.`).join('\n\n'),
      '\\def\\a{x\\a}',
    );
  it('is shared by all blocks that run away: many take hardly more than one', () => {
    const parts = (text: string): number => JSON.stringify(typeset(text).nodes()).length;
    expect(parts(runaway(60))).toBeLessThan(6 * parts(runaway(1)));
  });
  it('is given back when what took it goes', () => {
    const text = runaway(8);
    const session = typeset(text);
    const at = text.indexOf('\\def');
    session.edit(at, at + '\\def\\a{x\\a}'.length, '\\def\\a{x}');
    session.settleAll();
    expect(kinds(session)).toEqual([]);
    const mended = text.replace('\\def\\a{x\\a}', '\\def\\a{x}');
    expect(linesOf(session)).toEqual(linesOf(typeset(mended)));
  });
  it('is not asked for by what is written out', () => {
    const text = inArticle('Low $\\alpha$ \\emph{water}.\n\n'.repeat(300), '');
    const session = newSession();
    session.setText(text);
    session.settleAll();
    const { blocksRead } = session.work;
    const at = text.indexOf('\\emph');
    session.edit(at, at, '\\def\\a{x\\a}\\a');
    session.settleAll();
    expect(session.work.blocksRead - blocksRead).toBeLessThan(5);
  });
});
