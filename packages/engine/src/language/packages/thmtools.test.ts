import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const load = (setup: string): string => `\\usepackage{amsthm,thmtools}${setup}`;
const says = (setup: string, body: string): string =>
  laidBody(body, load(setup)).text.replace(/\s+/g, ' ');

/** thmtools manual, sections 2 to 4. */
describe('theorems declared by keys', () => {
  it.each([
    ['\\declaretheorem{claim}', '\\begin{claim}Ebb.\\end{claim}', 'Claim 1. Ebb.'],
    [
      '\\declaretheorem[name=Law,numbered=no]{claim}',
      '\\begin{claim}Ebb.\\end{claim}',
      'Law. Ebb.',
    ],
    [
      '\\declaretheorem[numberwithin=section]{claim}',
      '\\section{S}\\begin{claim}Ebb.\\end{claim}',
      'Claim 1.1. Ebb.',
    ],
    [
      '\\declaretheorem{a}\\declaretheorem[sibling=a]{b}',
      '\\begin{a}x\\end{a}\\begin{b}y\\end{b}',
      'B 2. y',
    ],
    [
      '\\declaretheoremstyle[headpunct=:]{s}\\declaretheorem[style=s]{claim}',
      '\\begin{claim}Ebb.\\end{claim}',
      'Claim 1: Ebb.',
    ],
    [
      '\\declaretheoremstyle[qed=END]{s}\\declaretheorem[style=s]{claim}',
      '\\begin{claim}Ebb.\\end{claim}',
      'Ebb. END',
    ],
    ['\\declaretheorem[qed=Q]{claim}', '\\begin{claim}Ebb.\\end{claim}', 'Ebb. Q'],
    [
      '\\declaretheoremstyle[headformat=swapnumber]{s}\\declaretheorem[style=s]{claim}',
      '\\begin{claim}Ebb.\\end{claim}',
      '1 Claim. Ebb.',
    ],
    [
      '\\declaretheoremstyle[notebraces={[}{]}]{s}\\declaretheorem[style=s]{claim}',
      '\\begin{claim}[Marr]Ebb.\\end{claim}',
      'Claim 1 [Marr]. Ebb.',
    ],
    ['\\declaretheorem{a,b}', '\\begin{b}Ebb.\\end{b}', 'B 1. Ebb.'],
  ])('%s', (setup, body, printed) => {
    expect(says(setup, body)).toContain(printed);
    expect(findingsIn(inArticle(body, load(setup)))).toEqual([]);
  });
  it('stand on a ground, or in a frame', () => {
    const left = (setup: string): number =>
      laidBody('\\begin{claim}Ebb.\\end{claim}', load(setup)).word('Claim').x;
    const plain = left('\\declaretheorem{claim}');
    expect(left('\\declaretheorem[shaded={bgcolor=yellow}]{claim}')).toBeGreaterThan(plain + 3);
    expect(left('\\declaretheorem[mdframed={linecolor=blue}]{claim}')).toBeGreaterThan(plain + 3);
  });
  const listed = (list: string, setup = ''): string => {
    const kinds =
      '\\declaretheorem{claim}\\declaretheorem[name=Tide]{tide}\\newtheorem{fact}{Fact}';
    const body = `${list}\\begin{claim}a\\end{claim}\\begin{tide}[Neap]b\\end{tide}\\begin{fact}c\\end{fact}`;
    const words = says(kinds + setup, body);
    expect(findingsIn(inArticle(body, load(kinds + setup)))).toEqual([]);
    const [lines = ''] = words.split('| Claim 1.');
    return [...lines.matchAll(/Claim|Tide|Fact/g)].join(' ');
  };
  it.each([
    ['\\listoftheorems', '', 'Claim Tide Fact'],
    ['\\listoftheorems[ignoreall,show={tide,fact}]', '', 'Tide Fact'],
    ['\\listoftheorems[ignore=tide]', '', 'Claim Fact'],
    ['\\listoftheorems[onlynamed]', '', 'Tide'],
    ['\\listoftheorems[onlynamed={claim,tide}]', '', 'Tide'],
    ['\\listoftheorems', '\\ignoretheorems{claim,fact}', 'Tide'],
    ['\\ignoretheorems{claim,fact}\\showtheorems{fact}\\listoftheorems', '', 'Tide Fact'],
    ['\\listoftheorems[ignore=claim,showall]', '', 'Claim Tide Fact'],
    ['\\onlynamedtheorems\\listoftheorems', '', 'Tide'],
  ])('%s after “%s” lists %s', (list, setup, kinds) => {
    expect(listed(list, setup)).toBe(kinds);
  });
  it('have a list with a title of its own; what it cannot do is told', () => {
    const body = '\\listoftheorems[title=All tides,colour=red]\\begin{claim}a\\end{claim}';
    const setup = '\\declaretheorem{claim}';
    expect(says(setup, body)).toContain('All tides');
    expect(findingsIn(inArticle(body, load(setup))).map(({ kind }) => kind)).toEqual([
      'option-unknown',
    ]);
  });
  it('are listed with their notes and pages', () => {
    const body = '\\listoftheorems\\newpage\\begin{claim}[Marr]Ebb.\\end{claim}';
    expect(says('\\declaretheorem{claim}', body)).toMatch(
      /List of Theorems \| 1 Claim \(Marr\)[ .]*2/,
    );
  });
});

it('ntheorem puts its framed statements in frames', () => {
  const found = laidBody(
    '\\begin{law}Ebb.\\end{law}',
    '\\usepackage{ntheorem}\\newframedtheorem{law}{Law}',
  );
  expect(found.rules.length).toBeGreaterThan(0);
});
