import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inArticle, linesOf, typeset } from '../../testing/document';

const PREAMBLE =
  '\\usepackage{etoolbox}\\newbool{up}\\booltrue{up}\\newbool{down}\\newtoggle{on}\\toggletrue{on}\\newtoggle{off}';
const printed = (body: string): { text: string; codes: string[] } => {
  const session = typeset(inArticle(body, PREAMBLE));
  return { text: linesOf(session)[0] ?? '', codes: session.findings().map(({ kind }) => kind) };
};

/** An expression as it is written, and its worth worked out from left to right. */
interface Written {
  readonly text: string;
  readonly worth: boolean;
}
const atom = fc.constantFrom<Written>(
  { text: 'bool {up}', worth: true },
  { text: 'bool{down}', worth: false },
  { text: 'togl {on}', worth: true },
  { text: 'togl{off}', worth: false },
  { text: 'test {\\ifnumless{1}{2}}', worth: true },
  { text: 'test{\\ifstrequal{a}{b}}', worth: false },
);
const { expression } = fc.letrec<{ expression: Written; term: Written }>((tie) => ({
  term: fc.oneof(
    { maxDepth: 3 },
    atom,
    tie('term').map(({ text, worth }) => ({ text: `not ${text}`, worth: !worth })),
    tie('expression').map(({ text, worth }) => ({ text: `( ${text} )`, worth })),
  ),
  expression: fc
    .tuple(
      tie('term'),
      fc.array(fc.tuple(fc.constantFrom('and', 'or'), tie('term')), { maxLength: 3 }),
    )
    .map(([first, rest]) =>
      rest.reduce(
        (left, [word, right]) => ({
          text: `${left.text} ${word} ${right.text}`,
          worth: word === 'and' ? left.worth && right.worth : left.worth || right.worth,
        }),
        first,
      ),
    ),
}));

describe('expressions of tests', () => {
  it('are worth what they say, from left to right', () => {
    fc.assert(
      fc.property(expression, ({ text, worth }) => {
        const body = `\\ifboolexpr{ ${text} }{yes}{no} end`;
        expect(printed(body)).toEqual({ text: `${worth ? 'yes' : 'no'} end`, codes: [] });
      }),
      { numRuns: Number(process.env.LAW_RUNS ?? 40) },
    );
  });
  it.each([
    ['\\newcounter{k}\\whileboolexpr{test {\\ifnumless{\\value{k}}{3}}}{\\stepcounter{k}\\thek,}.', '1,2,3,.'],
    ['\\newcounter{k}\\unlessboolexpr{test {\\ifnumequal{\\value{k}}{2}}}{\\stepcounter{k}\\thek,}.', '1,2,.'],
    ['\\edef\\x{\\ifboolexpe{bool{up}}{high}{low}}\\x', 'high'],
  ])('%s', (body, text) => expect(printed(body)).toEqual({ text, codes: [] })); // prettier-ignore
  it.each(['tide {up}', 'bool{up} nor bool{down}', '', '[bool{up}]'])(
    'that say something else are told, and what follows is read: %s',
    (wrong) => {
      const { text, codes } = printed(`\\ifboolexpr{ ${wrong} }{yes}{no} end`);
      expect(text).toMatch(/^(?:yes|no) end$/);
      if (wrong !== '') expect(codes).toContain('argument-missing');
    },
  );
});

describe('tests of package xifthen', () => {
  it.each([
    ['\\isin{ebb}{webbed}', true],
    ['\\isin{tide}{webbed}', false],
    ['\\endswith{harbour}{our}', true],
    ['\\endswith{harbour}{har}', false],
    ['\\isnamedefined{LaTeX}', true],
    ['\\isnamedefined{tide}', false],
    ['\\cnttest{1+1}{<=}{2}', true],
    ['\\cnttest{1+1}{!=}{2}', false],
    ['\\cnttest{3}{>}{2}\\AND\\dimtest{1pt}{<}{1cm}', true],
    ['\\dimtest{1pt+1pt}{=}{2pt}', true],
    ['\\dimtest{1pt+1pt}{>=}{3pt}', false],
  ])('%s', (test, worth) => {
    const body = `\\ifthenelse{${test}}{yes}{no}`;
    const session = typeset(inArticle(body, '\\usepackage{xifthen}'));
    expect(session.findings()).toEqual([]);
    expect(linesOf(session)[0]).toBe(worth ? 'yes' : 'no');
  });
});
