import { describe, expect, it } from 'vitest';
import { findingsIn, newSession, picture, typeset } from '../../testing/document';
import { laid } from '../../testing/layout';
import { fromNumeral } from '../../expansion/numerals';

const sheet = (preamble: string, body: string): string =>
  `\\documentclass{article}\\usepackage{fancyhdr,ifthen,etoolbox,xstring,lastpage,refcount,eso-pic}\\pagestyle{fancy}\\fancyhf{}${preamble}\\begin{document}${body}\\end{document}`;
const THREE = 'Ebb\\newpage Flow\\label{flow}\\newpage Slack';

/** What the pages say besides their text. */
const heads = (source: string): string[] => {
  const { session, lines } = laid(source);
  return session.pages.map((_, page) =>
    lines
      .flatMap((line) => (line.page === page && !/Ebb|Flow|Slack/.test(line.text) ? line.text : []))
      .join(' '),
  );
};

describe('what stands on every page', () => {
  it.each([
    ['\\lhead{\\ifnum\\value{page}=1 first\\else later\\fi}', ['first', 'later', 'later']],
    ['\\lhead{\\ifnum\\value{page}>1 later\\fi}', ['', 'later', 'later']],
    ['\\lhead{\\ifnum\\thepage=3 third\\fi}', ['', '', 'third']],
    ['\\lhead{\\ifnum\\c@page<2 first\\fi}', ['', '', '']],
    ['\\cfoot{\\ifodd\\value{page}odd\\else even\\fi}', ['odd', 'even', 'odd']],
    ['\\cfoot{\\ifthenelse{\\isodd{\\value{page}}}{odd}{even}}', ['odd', 'even', 'odd']],
    ['\\cfoot{\\ifthenelse{\\value{page}=1}{first}{later}}', ['first', 'later', 'later']],
    ['\\cfoot{\\ifthenelse{\\equal{\\thepage}{2}}{second}{}}', ['', 'second', '']],
    ['\\cfoot{\\IfStrEq{\\thepage}{2}{second}{}}', ['', 'second', '']],
    ['\\cfoot{\\ifnumcomp{\\value{page}}{=}{2}{second}{}}', ['', 'second', '']],
    ['\\cfoot{\\ifcase\\value{page}\\or one\\or two\\or three\\fi}', ['one', 'two', 'three']],
    [
      '\\cfoot{\\ifthenelse{\\value{page}=\\pageref{LastPage}}{end}{over}}',
      ['over', 'over', 'end'],
    ],
    ['\\cfoot{\\ifnum\\value{page}=\\getpagerefnumber{flow}flow\\fi}', ['', 'flow', '']],
    ['\\rfoot{\\number\\numexpr\\value{page}+10\\relax}', ['11', '12', '13']],
    ['\\AddToShipoutPictureBG{\\AtPageCenter{\\ifnum\\value{page}=2 mark\\fi}}', ['', 'mark', '']],
  ])('goes by the number of the page: %s', (preamble, said) => {
    const source = sheet(preamble, THREE);
    const internal = preamble.includes('c@');
    if (!internal) expect(findingsIn(source)).toEqual([]);
    expect(
      heads(internal ? sheet(`\\makeatletter${preamble}\\makeatother`, THREE) : source),
    ).toEqual(internal ? ['first', '', ''] : said);
  });

  it('goes by the numbers that pages bear, not by their place', () => {
    expect(
      heads(sheet('\\cfoot{\\ifnum\\value{page}=7 seven\\fi}', `\\setcounter{page}{6}${THREE}`)),
    ).toEqual(['', 'seven', '']);
  });

  it('is what it is from cold when pages come and go', () => {
    const preamble =
      '\\cfoot{\\ifthenelse{\\value{page}=\\pageref{LastPage}}{end}{over \\number\\value{page}}}';
    const session = newSession();
    session.setText(sheet(preamble, THREE));
    session.settleAll();
    for (const more of ['\\newpage Ebb', '\\newpage Flow', '']) {
      const now = sheet(preamble, THREE + more);
      const common = now.indexOf('\\end{document}');
      const was = session.text;
      session.edit(was.indexOf('Slack') + 5, was.indexOf('\\end{document}'), more);
      session.settleAll();
      expect(common).toBeGreaterThan(0);
      expect(session.text).toBe(now);
      expect(picture(session)).toEqual(picture(typeset(now)));
    }
  });
});

describe('labels where a number is wanted', () => {
  const body = (text: string): string =>
    `\\section{Ebb}\\label{ebb}\\section{Flow}\\label{flow}\\newpage\\section{Slack}\\label{slack}${text}`;
  it.each([
    ['\\ifnum\\ref{flow}=2 yes\\else no\\fi', 'yes'],
    ['\\ifnum\\getrefnumber{slack}>2 yes\\else no\\fi', 'yes'],
    ['\\ifthenelse{\\pageref{ebb}<\\pageref{slack}}{yes}{no}', 'yes'],
    ['\\setcounter{equation}{\\getpagerefnumber{slack}}Nr \\theequation', 'Nr 2'],
    ['\\setcounter{equation}{\\pageref{slack}}Nr \\theequation', 'Nr 2'],
    ['\\number\\numexpr\\getrefnumber{slack}-1\\relax', '2'],
    ['\\ifnum\\pageref{nowhere}=0 none\\fi', 'none'],
  ])('%s', (text, said) => {
    const source = sheet('', body(text));
    expect(laid(source).lines.map((line) => line.text)).toContain(said);
    const told = findingsIn(source).map(({ kind }) => kind);
    expect(told.filter((kind) => kind !== 'label-unused')).toEqual([]);
  });
});

it.each([
  ['12', 12],
  ['iv', 4],
  ['XIX', 19],
  ['mcmxc', 1990],
  ['2.1', 2],
  ['?', 0],
  ['', 0],
])('%s is %d', (text, number) => expect(fromNumeral(text)).toBe(number));

it.each([
  '\\ifnum\\getrefnumber{flow}=2 x\\fi',
  '\\ifnum\\getpagerefnumber{flow}>1 x\\fi',
  '\\ifnum\\ref{flow}=2 x\\fi',
  '\\setcounter{equation}{\\pageref{flow}}',
])('a label that is reckoned with is referred to: %s', (text) => {
  const source = sheet('', `\\section{A}\\label{ebb}\\ref{ebb}\\section{B}\\label{flow}${text}`);
  expect(findingsIn(source)).toEqual([]);
});
