import { describe, expect, it } from 'vitest';
import {
  bodyLines,
  findingsIn,
  inArticle,
  linesOf,
  typeset,
  withFix,
} from '../../testing/document';
import { laidBody } from '../../testing/layout';
import { pageLetters } from '../../output/display/text';

const THINGS =
  '\\section{A}\\label{s}\\section{B}\\label{t}\\section{C}\\label{u}' +
  '\\begin{equation}a\\label{e}\\end{equation}\\begin{equation}b\\label{f}\\end{equation}' +
  '\\begin{equation}c\\label{g}\\end{equation}\\begin{theorem}\\label{h}x\\end{theorem}\\par ';

/** What a reference prints after the things it can name, with what the preamble says. */
function printed(reference: string, said = '', options = ''): string {
  const preamble = `\\usepackage{amsthm}\\usepackage[${options}]{cleveref}\\newtheorem{theorem}{Theorem}${said}`;
  const body = `${THINGS}\\noindent ${reference}`;
  expect(
    findingsIn(inArticle(body, preamble)).filter(({ kind }) => kind !== 'label-unused'),
  ).toEqual([]);
  return (bodyLines(body, preamble).at(-1) ?? '').replaceAll('\u00a0', ' ');
}

describe('references to tags that are signs', () => {
  const given =
    '\\begin{align}a\\tag{$\\ast$}\\label{a}\\\\b\\label{b}\\end{align}\\par\\noindent ';
  it.each([
    ['\\cref{a}', '', 'eq. (∗)'],
    ['\\labelcref{a}', '', '(∗)'],
    ['\\crefrange{b}{a}', '', 'eqs. (1) to (∗)'],
    ['\\cref{a}', '\\crefformat{equation}{[#2#1#3]}', '[∗]'],
    ['\\cref{a}', '\\creflabelformat{equation}{#2/#1/#3}', 'eq. /∗/'],
  ])('%s with “%s”', (reference, said, wanted) => {
    const preamble = `\\usepackage{amsmath,cleveref}${said}`;
    const line = bodyLines(given + reference, preamble).at(-1) ?? '';
    expect(line.replaceAll('\u00a0', ' ')).toBe(wanted);
  });
});

/** cleveref manual, sections 4 to 8. */
describe('references that say what they point to', () => {
  it.each([
    // Names of one's own hold for formulas too.
    ['\\cref{e}', '\\crefname{equation}{Glg.}{Glgn.}', 'Glg. (1)'],
    ['\\cref{e,g}', '\\crefname{equation}{Glg.}{Glgn.}', 'Glgn. (1) and (3)'],
    // Formats.
    ['\\cref{s}', '\\crefformat{section}{\\S#2#1#3}', '§1'],
    ['\\Cref{s}', '\\crefformat{section}{\\S#2#1#3}', '§1'],
    ['\\cref{s}', '\\crefformat{section}{\\S#2#1#3}\\Crefformat{section}{Part~#2#1#3}', '§1'],
    ['\\Cref{s}', '\\crefformat{section}{\\S#2#1#3}\\Crefformat{section}{Part~#2#1#3}', 'Part 1'],
    ['\\Cref{s}', '\\Crefformat{section}{Part~#2#1#3}', 'Part 1'],
    [
      '\\cref{s,u}',
      '\\crefmultiformat{section}{\\S\\S#2#1#3}{ +~#2#1#3}{, #2#1#3}{ *~#2#1#3}',
      '§§1 + 3',
    ],
    ['\\cref{e,f,g}', '\\crefrangeformat{equation}{Eqs.~#3#1#4--#5#2#6}', 'Eqs. 1–3'],
    ['\\crefrange{e}{g}', '\\crefrangeformat{equation}{Eqs.~#3#1#4--#5#2#6}', 'Eqs. 1–3'],
    ['\\crefrange{e}{g}', '', 'eqs. (1) to (3)'],
    ['\\cref{h}', '\\creflabelformat{theorem}{[#2#1#3]}', 'theorem [1]'],
    ['\\labelcref{h}', '\\creflabelformat{theorem}{[#2#1#3]}', '[1]'],
    ['\\cref{h}', '\\crefdefaultlabelformat{(#2#1#3)}', 'theorem (1)'],
    // Words between.
    ['\\cref{s,u}', '\\newcommand{\\crefpairconjunction}{ und~}', 'sections 1 und 3'],
    ['\\cref{s,h}', '\\newcommand{\\crefpairgroupconjunction}{ und~}', 'section 1 und theorem 1'],
    ['\\crefrange{s}{u}', '\\newcommand{\\crefrangeconjunction}{--}', 'sections 1–3'],
    // Names alone.
    [
      '\\namecref{h} \\nameCref{h} \\namecrefs{h} \\nameCrefs{h}',
      '',
      'theorem Theorem theorems Theorems',
    ],
    ['\\lcnamecref{h}', '', 'theorem'],
    ['\\cref{h}', '\\crefalias{theorem}{lemma}', 'lemma 1'],
    ['\\cpageref{s}, \\Cpageref{s,t}', '', 'page 1, Pages 1 and 1'],
  ])('%s with %s', (reference, said, result) => expect(printed(reference, said)).toBe(result));

  it('with capitals for all, formats of running text still hold', () => {
    const said = '\\crefformat{section}{\\S#2#1#3}\\Crefformat{section}{Part~#2#1#3}';
    expect(printed('\\cref{s} \\Cref{s} \\cref{h}', said, 'capitalise')).toBe(
      '§1 Part 1 Theorem 1',
    );
  });

  it('a format has its type, and what is around it its own', () => {
    const preamble = '\\usepackage{cleveref}\\crefformat{section}{\\textbf{Sec}~#2#1#3}';
    const page = laidBody('\\section{A}\\label{s}\\emph{see \\cref{s}}', preamble);
    expect(page.word('Sec').font).toMatch(/bold/i);
    expect(page.word('Sec').font).toMatch(/italic/i);
    expect(page.word('see').font).not.toMatch(/bold/i);
  });

  it('a label that is missing is named by itself', () => {
    const body = '\\section{A}\\label{a}\\crefrange{a}{zz}';
    const found = findingsIn(inArticle(body, '\\usepackage{cleveref}'));
    expect(found).toMatchObject([{ kind: 'reference-unknown' }]);
  });

  it('a kind without a word prints ??, is told, and the button gives it one', () => {
    const text = inArticle(
      '\\begin{thm}\\label{h}x\\end{thm}See \\cref{h}.',
      '\\usepackage{amsthm,cleveref}\\newtheorem{thm}{Theorem}[section]',
    );
    expect(linesOf(typeset(text)).join(' ').replaceAll('\u00a0', ' ')).toContain('See ?? 0.1.');
    const [found] = typeset(text).findings();
    expect(found?.kind).toBe('kind-unnamed');
    const mended = withFix(text, found?.fix as never);
    expect(mended).toContain('[section]\n\\crefname{thm}{theorem}{theorems}');
    expect(typeset(mended).findings()).toEqual([]);
    expect(linesOf(typeset(mended)).join(' ').replaceAll('\u00a0', ' ')).toContain('theorem 0.1.');
  });
  it('of several labels the one is told that has no word; its word stands where \\crefname is known', () => {
    const text = inArticle(
      '\\section{A}\\label{s}\\begin{thm}\\label{h}x\\end{thm}See \\cref{s,h}.',
      '\\usepackage{amsthm}\\newtheorem{thm}{Theorem}\n\\usepackage{cleveref} % \\newtheorem{thm}{Not}',
    );
    const [found, ...others] = typeset(text).findings();
    expect(others).toEqual([]);
    expect(found?.message).toContain('“h”');
    const mended = withFix(text, found?.fix as never);
    expect(mended).toContain('\\usepackage{cleveref}\n\\crefname{thm}{theorem}{theorems} %');
    expect(typeset(mended).findings()).toEqual([]);
  });
  it.each([
    ['ngerman', 'Abschnitt 1, Abschnitte 1 bis 3, Gleichung (1) und Theorem 1'],
    ['french', 'section 1, sections 1 à 3, équation (1) et théorème 1'],
    ['spanish', 'sección 1, secciones 1 a 3, ecuación (1) y teorema 1'],
    ['italian', 'sezione 1, sezioni 1 a 3, equazione (1) e teorema 1'],
    ['portuguese', 'seção 1, seções 1 a 3, equação (1) e teorema 1'],
    ['dutch', 'paragraaf 1, paragrafen 1 tot 3, vergelijking (1) en stelling 1'],
    ['english', 'section 1, sections 1 to 3, eq. (1) and theorem 1'],
  ])('in the language of the document: %s', (language, words) => {
    const body = `${THINGS}\\noindent\\cref{s}, \\cref{s,t,u}, \\cref{e,h}`;
    const preamble = `\\usepackage[${language}]{babel}\\usepackage{amsthm,cleveref}\\newtheorem{theorem}{Theorem}`;
    expect(bodyLines(body, preamble).at(-1)?.replaceAll('\u00a0', ' ')).toBe(words);
  });
});

/** cleveref manual, section 8 (`#2` and `#3` are where the link begins and ends) and option `nameinlink`. */
describe('links', () => {
  /** The words in the colour of links, and where links lead. */
  function linked(reference: string, options = '', said = ''): [words: string, to: string[]] {
    const preamble = `\\usepackage{amsthm,xcolor}\\usepackage[colorlinks,linkcolor=blue]{hyperref}\\usepackage[${options}]{cleveref}\\newtheorem{theorem}{Theorem}${said}`;
    const session = typeset(inArticle(`${THINGS}\\noindent ${reference}`, preamble));
    const pages = session.pages.map((page) => session.describe(page));
    const words = pages.flatMap((page) =>
      pageLetters(page, session.fonts).flatMap(({ text, run }) =>
        [...text].filter((_, i) => run[i]?.paint === 0x0000ff),
      ),
    );
    return [words.join('').replace(/\s+/g, ''), pages.flatMap(({ linkTarget }) => linkTarget)];
  }
  it.each<[string, string, string, string, string[]]>([
    ['\\cref{h}', '', '', '1', ['#h']],
    ['\\cref{h}', 'nameinlink', '', 'theorem1', ['#h', '#h']],
    ['\\cref{s,u}', '', '', '13', ['#s', '#u']],
    ['\\cref{s,u}', 'nameinlink', '', 'sections13', ['#s', '#s', '#u']],
    ['\\cref{e,f,g}', '', '', '13', ['#e', '#g']],
    ['\\crefrange{s}{u}', '', '', '13', ['#s', '#u']],
    ['\\cref{e}', '', '', '1', ['#e']],
    ['\\cref{s}', '', '\\crefformat{section}{Part [#2#1#3]}', '1', ['#s']],
    ['\\cref{s}', '', '\\crefformat{section}{#2Part #1#3}', 'Part1', ['#s']],
    ['\\crefrange{s}{u}', '', '\\crefrangeformat{section}{#3#1#4--#5#2#6}', '13', ['#s', '#u']],
    ['\\cref*{s,u}', 'nameinlink', '', '', []],
    ['\\namecref{h}', 'nameinlink', '', '', []],
  ])('%s %s %s', (reference, options, said, words, targets) => {
    const [found, to] = linked(reference, options, said);
    expect(found).toBe(words);
    expect([...new Set(to)]).toEqual([...new Set(targets)]);
  });
  it('an unknown label is told of once, and stands as two question marks', () => {
    expect(bodyLines('\\cref{none}', '\\usepackage{cleveref}').at(-1)).toBe('??');
    const found = findingsIn(inArticle('\\cref{none}', '\\usepackage{cleveref}'));
    expect(found.map(({ kind }) => kind)).toEqual(['reference-unknown']);
  });
});
