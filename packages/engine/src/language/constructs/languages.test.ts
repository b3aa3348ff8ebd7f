import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle, linesOf, typeset } from '../../testing/document';
import { laidBody } from '../../testing/layout';
import { LANGUAGES } from '../symbols/languages';

const inLanguage = (options: string, body: string, more = ''): string =>
  `\\documentclass{article}\\usepackage[${options}]{babel}${more}\\begin{document}${body}\\end{document}`;
const text = (source: string): string => linesOf(typeset(source)).join(' | ');

/** A word in a column so narrow that it is divided wherever it may be. */
async function divided(options: string, word: string, select = ''): Promise<string> {
  const session = typeset(inLanguage(options, `${select}\\parbox{1pt}{\\hspace{0pt}${word}\\par}`));
  if (await session.loadPatterns()) session.settleAll();
  return linesOf(session).join('').replaceAll('- ', '-').replace(/\d+$/, '');
}

describe('words are divided as in their language', () => {
  it.each([
    ['english', 'education', 'ed-u-ca-tion'],
    ['ngerman', 'Grenzwertsatz', 'Grenz-wert-satz'],
    ['french', 'mathématiques', 'ma-thé-ma-tiques'],
    ['spanish', 'matemáticas', 'ma-te-má-ti-cas'],
    ['italian', 'dimostrazione', 'di-mo-stra-zio-ne'],
    ['portuguese', 'matemática', 'ma-te-má-tica'],
    ['dutch', 'wiskunde', 'wis-kun-de'],
    ['polish', 'matematyka', 'ma-te-ma-ty-ka'],
  ])('%s: %s', async (language, word, expected) => {
    expect(await divided(language, word)).toBe(expected);
  });
  it('from the place on where it changes, and back at the end of the group', async () => {
    expect(await divided('ngerman,english', 'Grenzwertsatz')).not.toBe('Grenz-wert-satz');
    expect(await divided('ngerman,english', 'Grenzwertsatz', '\\selectlanguage{ngerman}')).toBe(
      'Grenz-wert-satz',
    );
    const inside = '{\\selectlanguage{ngerman}x}\\par ';
    expect(await divided('ngerman,english', 'education', inside)).toContain('ed-u-ca-tion');
  });
  it('in the language its paragraph began in, whatever holds at its end', async () => {
    const environment =
      '\\parbox{1pt}{\\begin{otherlanguage}{ngerman}\\hspace{0pt}Grenzwertsatz\\end{otherlanguage}}';
    const session = typeset(inLanguage('english', environment));
    expect(await session.loadPatterns()).toBe(true);
    session.settleAll();
    expect(linesOf(session).join('').replaceAll('- ', '-')).toContain('Grenz-wert-satz');
  });
  it('or not at all', async () => {
    const rules = '\\begin{hyphenrules}{nohyphenation}\\parbox{1pt}{\\hspace{0pt}education\\par}';
    const session = typeset(inLanguage('english', `${rules}\\end{hyphenrules}`));
    expect(linesOf(session).join('|')).toContain('education');
  });
  it('fetches nothing for English', async () => {
    expect(await typeset(inLanguage('english', 'education')).loadPatterns()).toBe(false);
  });
});

describe('what a document prints of itself', () => {
  const FLOAT = '\\begin{figure}[h]x\\caption{y}\\end{figure}';
  it.each(LANGUAGES.map(({ names, words }) => [names[0] as string, words] as const))(
    'is in %s',
    (name, words) => {
      const found = text(
        inLanguage(name, `\\tableofcontents ${FLOAT} \\proofname`, '\\usepackage{amsthm}'),
      );
      expect(found).toContain(words.contentsname);
      expect(found).toContain(`${words.figurename} 1`);
      expect(found).toContain(words.proofname);
    },
  );
  it.each([
    ['ngerman', 'Abbildung 1, Abschnitt 1'],
    ['french', 'Figure 1, section 1'],
    ['spanish', 'Figura 1, Sección 1'],
    ['english', 'Figure 1, section 1'],
  ])('names what \\autoref refers to, in %s', (name, words) => {
    const body = `\\section{S}\\label{s}\\begin{figure}[h]x\\caption{y}\\label{f}\\end{figure}\\autoref{f}, \\autoref{s}`;
    expect(text(inLanguage(name, body, '\\usepackage{hyperref}'))).toContain(words);
  });
  it.each([
    ['english', 'March 7, 2024'],
    ['british', '7 March 2024'],
    ['ngerman', '7. März 2024'],
    ['french', '7 mars 2024'],
    ['spanish', '7 de marzo de 2024'],
    ['brazil', '7 de março de 2024'],
    ['polish', '7 marca 2024'],
  ])('has the date as in %s', (name, expected) => {
    const date = '\\year=2024 \\month=3 \\day=7 \\today';
    expect(text(inLanguage(name, date)).replaceAll('\u00a0', ' ')).toContain(expected);
  });
  it.each([
    [
      'the last option of the package',
      inLanguage('english,french', '\\contentsname'),
      'Table des matières',
    ],
    ['what main says', inLanguage('main=german,french', '\\contentsname'), 'Inhaltsverzeichnis'],
    [
      'the option of the class',
      '\\documentclass[spanish]{article}\\usepackage{babel}\\begin{document}\\contentsname\\end{document}',
      'Índice',
    ],
    [
      'polyglossia',
      '\\documentclass{article}\\usepackage{polyglossia}\\setmainlanguage{italian}\\setotherlanguage{english}\\begin{document}\\contentsname\\end{document}',
      'Indice',
    ],
    [
      'what the document adds to it',
      inLanguage(
        'english',
        '\\contentsname',
        '\\addto\\captionsenglish{\\renewcommand{\\contentsname}{Overview}}',
      ),
      'Overview',
    ],
  ])('follows %s', (_, source, expected) => {
    expect(text(source)).toContain(expected);
    expect(findingsIn(source)).toEqual([]);
  });
});

describe('signs', () => {
  it.each([
    ['ngerman', '"`Ebbe"\' und S"alze, Stra"se', '„Ebbe“ und Sälze, Straße'],
    ['ngerman', '"<Ebbe">, x"=y', '«Ebbe», x-y'],
    ['french', '\\og flux\\fg{} et', '« flux » et'],
    ['ngerman', '\\enquote{Ebbe \\enquote{und} Flut}', '„Ebbe ‚und‘ Flut“'],
    ['polish', '\\enquote{odpływ}', '„odpływ”'],
    [
      'ngerman,english',
      '\\begin{otherlanguage}{ngerman}"a \\enquote{b}\\end{otherlanguage} \\enquote{a}',
      'ä „b“ “a”',
    ],
    ['ngerman', '\\iflanguage{german}{ja}{nein} \\iflanguage{french}{oui}{non}', 'ja non'],
  ])('of %s: %s', (name, body, expected) => {
    const found = text(inLanguage(name, body, '\\usepackage{csquotes}'));
    expect(found.replaceAll('\u00a0', ' ')).toContain(expected);
  });
});

describe('a language that is not known', () => {
  it('is told of, with the nearest one', () => {
    const source = inLanguage('english', '\\selectlanguage{germn} x');
    const [found, ...others] = findingsIn(source);
    expect([found?.kind, found?.at, others]).toEqual(['language-unknown', 'germn', []]);
    expect(found?.fixed).toBe(source.replace('germn', 'german'));
  });
  it('is told of among the options', () => {
    expect(findingsIn(inLanguage('klingon', 'x')).map(({ kind }) => kind)).toEqual([
      'language-unknown',
    ]);
  });
});

/** What the files of languages for babel bring besides words (their manuals). */
describe('customs of languages', () => {
  const french = '\\usepackage[french]{babel}';
  const at = (text: string, word: string, preamble = french): number =>
    laidBody(`\\noindent ${text}`, preamble).word(word).x;
  it.each([
    ['x ;q', 'x;q'],
    ['x !q', 'x!q'],
    ['x :q', 'x:q'],
  ])('French: %s and %s are set alike', (spaced, tight) =>
    expect(at(spaced, 'q')).toBeCloseTo(at(tight, 'q'), 2),
  );
  it('the space before a colon is a blank, before the others half of one', () => {
    const plain = '\\usepackage[english]{babel}';
    const wider = (text: string): number => at(text, 'q') - at(text, 'q', plain);
    expect(wider('x:q')).toBeCloseTo(3.333, 1);
    expect(wider('x;q')).toBeCloseTo(1.667, 1);
    expect(wider('\\texttt{x;}q')).toBeCloseTo(0, 1);
    expect(wider('{\\selectlanguage{english}x;}q')).toBeCloseTo(0, 1);
  });
  it.each([
    [french, '1\\ier{} 2\\ieme{} \\no 3, \\bsc{Quai} 20\\degres', '1er 2e no3, Quai 20°'],
    [french, '\\og oui\\fg{} non', '«oui» non'],
    [french, '\\begin{figure}[h]\\caption{Ebbe}\\end{figure}', 'Figure 1 – Ebbe'],
    [french, '\\begin{itemize}\\item un\\end{itemize}', '— un'],
    [french, 'mot\\footnote{note}', 'mot1 1.note'],
    ['\\usepackage[spanish]{babel}', '$\\sen x$ $\\tg x$', 'sen x tg x'],
    [
      '\\usepackage[spanish]{babel}',
      '\\begin{enumerate}\\item a\\begin{enumerate}\\item b\\end{enumerate}\\end{enumerate}',
      '1. a a) b',
    ],
    ['\\usepackage[ngerman]{babel}', 'x""y "~z "`Ebbe"\' "a"u', 'xy -z „Ebbe“ äü'],
  ])('%s: %s', (preamble, body, printed) => {
    const plain = (text: string): string => text.normalize('NFKC').replace(/[\s|]+/g, '');
    expect(plain(laidBody(body, preamble).text)).toBe(`${plain(printed)}1`);
    expect(findingsIn(inArticle(body, preamble)).filter(({ kind }) => !/quote/.test(kind))).toEqual(
      [],
    );
  });
  it('a blank before a closing quotation mark counts once, and for nothing', () => {
    const end = (body: string): number => laidBody(body, french).word('»').right;
    expect(end('\\noindent\\og oui \\fg')).toBeCloseTo(end('\\noindent\\og oui\\fg'), 2);
    expect(end('\\noindent\\frquote{oui}')).toBeCloseTo(end('\\noindent\\og oui\\fg'), 2);
  });
  // babel-french, ReduceListSpacing: topsep .8ex, parsep and itemsep .4ex each.
  it.each([
    ['', 12 + 0.8 * 4.3055],
    ['\\usepackage{enumitem}', 20],
  ])('French lists are set closer than usual, but by enumitem: %s', (load, distance) => {
    const body = 'x\\begin{enumerate}\\item aaa\\item bbb\\end{enumerate}';
    const page = laidBody(body, `${french}${load}`);
    expect(page.word('bbb').y - page.word('aaa').y).toBeCloseTo(distance, 1);
  });
});
