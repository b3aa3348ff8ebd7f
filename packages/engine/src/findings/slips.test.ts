import { describe, expect, it } from 'vitest';
import { inArticle, linesOf, typeset } from '../testing/document';
import { mended, pressed } from '../testing/press';
import { COMMON_SLIPS } from '../testing/commonSlips';

const text = (body: string, preamble = ''): string => inArticle(body, preamble);

const ALL = COMMON_SLIPS.map(([what, source, kind, after, page]) => ({
  what,
  source,
  kind,
  after,
  page,
}));

describe('a slip has one true note, and its button mends it', () => {
  it.each(ALL)('$what', ({ source, kind, after, page }) => {
    const session = typeset(source);
    const wrong = session.findings().filter(({ severity }) => severity !== 'advice');
    expect(wrong.map((found) => found.kind)).toEqual([kind]);
    const [first] = wrong;
    expect(pressed(source, first?.fix ?? { title: '', edits: [] })).toContain(after);
    const { text: end, left } = mended(source);
    expect([end.includes(after), left.map((found) => found.kind)]).toEqual([true, []]);
    if (page) expect(linesOf(session).join(' | ')).toContain(page);
  });
  it.each(ALL)('its words are the writer’s: $what', ({ source }) => {
    for (const { message, cause } of typeset(source).findings())
      expect(`${message} ${cause}`).not.toMatch(/@|\u0001/);
  });
});

describe('what sets as it is written is advice', () => {
  it.each<readonly [string, string, string, string]>([
    ['two signs raised', '$x^10$', 'script-short', '$x^{10}$'],
    ['a sign and a number', '$10^-3$', 'script-short', '$10^{-3}$'],
    ['the start of a sum', '$\\sum_i=1^n i$', 'script-short', '_{i=1}^n'],
    [
      'a swallowed blank',
      '\\title{My \\LaTeX sheet}\\maketitle',
      'blank-swallowed',
      '\\LaTeX{} sheet',
    ],
  ])('%s', (_what, body, kind, after) => {
    const source = text(body);
    const [found, ...others] = typeset(source).findings();
    expect([found?.kind, found?.severity, others]).toEqual([kind, 'advice', []]);
    expect(pressed(source, found?.fix ?? { title: '', edits: [] })).toContain(after);
  });
  it.each<readonly [string, string, string]>([
    ['an empty heading', '\\section{} Low.', 'argument-empty'],
    ['an empty caption', '\\begin{figure}x\\caption{}\\end{figure}', 'argument-empty'],
    ['nothing at all', '', 'nothing-printed'],
    ['Chinese without a package', '中文', 'script-without-package'],
  ])('%s', (_what, body, kind) => {
    expect(
      typeset(text(body))
        .findings()
        .map((found) => [found.kind, found.severity]),
    ).toEqual([[kind, 'advice']]);
  });
  it.each(['$x^1$', '$x^{10}$', '$x_i=1$', '$a_1-2$', '$x^2y$', '$2^n-1$'])(
    '%s is well',
    (body) => {
      expect(typeset(text(body)).findings()).toEqual([]);
    },
  );
});
