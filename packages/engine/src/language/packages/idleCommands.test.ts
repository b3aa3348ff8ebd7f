import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';
import { tellingIdle } from '../machine/macroEntry';

/** What is found in a body: the kind, and the words that are marked. */
const found = (packages: string, body: string, before = ''): string[] =>
  findingsIn(inArticle(body, `\\usepackage{${packages}}${before}`)).map(
    ({ kind, at }) => `${kind} ${at}`,
  );

describe('Commands that change nothing yet', () => {
  it.each([
    ['youngtab', '\\Yboxdim{9pt}\\young(12,3)', 'Yboxdim'],
    ['systeme', '\\sysalign{l}x', 'sysalign'],
    ['mathtools', '\\renewgathered{a}{}{}{}x', 'renewgathered'],
    ['psfrag', '\\psfrag{a}[t][t]{$x$}x', 'psfrag'],
    ['fontspec', '\\newfontfamily\\quay{Quay Sans}[Scale=2] {\\quay x}', 'newfontfamily'],
    ['fontspec', '\\newfontfamily\\quay{Quay Sans}', 'newfontfamily'],
    ['titlesec', '\\assignpagestyle{\\part}{empty}x', 'assignpagestyle'],
  ])('with %s, %s is told of once, and nothing else', (packages, body, name) => {
    expect(found(packages, body)).toEqual([
      expect.stringMatching(`^command-without-effect \\\\${name}`),
    ]);
  });

  it.each([
    ['listings', '\\lstloadlanguages{C}x'],
    ['hyperref', '\\thispdfpagelabel{a}x'],
    ['float', '\\floatstyle{plain}x'],
    ['ulem', '\\normalem x'],
  ])('with %s, %s has nothing to do and is not spoken of', (packages, body) => {
    expect(found(packages, body)).toEqual([]);
  });

  it('is a word on the page that stays as it was', () => {
    const { text } = laidBody('a\\sysalign{l} b', '\\usepackage{systeme}');
    expect(text.replaceAll('|', '')).toMatch(/^a b/);
  });

  it('takes empty commands with arguments of a source, but those said to be harmless', () => {
    const source =
      '\\providecommand\\ebb[1]{}\\providecommand\\flood[2][x]{}\\providecommand\\slack{}';
    expect(tellingIdle(source, new Set(['ebb']))).toBe(
      '\\providecommand\\ebb[1]{}\\providecommand\\flood[2][x]{\\@withouteffect{flood}}\\providecommand\\slack{}',
    );
  });

  it('is a command of the document where the document declares one of that name', () => {
    expect(found('systeme', '\\sysalign{l}', '\\renewcommand\\sysalign[1]{#1}')).toEqual([]);
  });
});

describe('What was silent and has its effect now', () => {
  it('babeltags name languages by short names', () => {
    const body = '\\de heute \\textde{Ebbe} \\today';
    const before = '\\babeltags{de = german, fr=french}';
    expect(found('babel', body, before)).toEqual([]);
    const loads = `\\usepackage[french,german,english]{babel}${before}`;
    const { text } = laidBody('{\\de\\contentsname} \\textfr{\\languagename}', loads);
    expect(text.replaceAll('|', '')).toMatch(/^Inhaltsverzeichnis french/);
  });

  it('floatplacement sends a kind of float where it says', () => {
    const body = '\\noindent ebb\\begin{figure}\\centering flood\\end{figure}\\par\\noindent slack';
    const placed = (where: string): string =>
      laidBody(body, `\\usepackage{float}\\floatplacement{figure}{${where}}`).text.replaceAll(
        '|',
        ' ',
      );
    expect(placed('H')).toMatch(/ebb\s+flood\s+slack/);
    expect(placed('t')).toMatch(/flood\s+ebb\s+slack/);
  });
});
