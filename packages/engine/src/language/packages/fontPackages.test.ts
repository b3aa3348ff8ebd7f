import { describe, expect, it } from 'vitest';
import { findingsIn } from '../../testing/document';
import { laid } from '../../testing/layout';

const sheet = (preamble: string, body: string): string =>
  `\\documentclass{article}\n\\usepackage[T1]{fontenc}${preamble}\n\\begin{document}\n${body}\n\\end{document}`;
const BODY = 'Ebb \\textsf{flow} \\texttt{quay} $x$';
/** The files that the words of the three kinds of type are set in. */
const files = (preamble: string, body = BODY): string[] => {
  const { word } = laid(sheet(preamble, body));
  return ['Ebb', 'flow', 'quay'].map((text) => word(text).font.replace(/-.*/, ''));
};
const LM = ['lmroman10', 'lmsans10', 'lmmono10'];

/** What each package sets for the three kinds of type (psnfss, table 1; the manuals of TeX Gyre). */
describe('packages of fonts', () => {
  it.each([
    ['times', ['texgyretermes', 'texgyreheros', 'texgyrecursor']],
    ['palatino', ['texgyrepagella', 'texgyreheros', 'texgyrecursor']],
    ['bookman', ['texgyrebonum', 'texgyreadventor', 'texgyrecursor']],
    ['newcent', ['texgyreschola', 'texgyreadventor', 'texgyrecursor']],
    ['helvet', [LM[0], 'texgyreheros', LM[2]]],
    ['avant', [LM[0], 'texgyreadventor', LM[2]]],
    ['courier', [LM[0], LM[1], 'texgyrecursor']],
    ['tgschola', ['texgyreschola', LM[1], LM[2]]],
    ['libertine', ['libertine', LM[1], LM[2]]],
  ])('%s', (name, wanted) => {
    const preamble = `\\usepackage{${name}}`;
    expect(files(preamble)).toEqual(wanted);
    expect(findingsIn(sheet(preamble, BODY))).toEqual([]);
  });

  it.each([
    ['\\renewcommand{\\rmdefault}{ptm}', ['texgyretermes', LM[1], LM[2]]],
    ['\\renewcommand{\\sfdefault}{phv}', [LM[0], 'texgyreheros', LM[2]]],
    ['\\renewcommand{\\ttdefault}{pcr}', [LM[0], LM[1], 'texgyrecursor']],
    ['\\renewcommand{\\familydefault}{\\sfdefault}', [LM[1], LM[1], LM[2]]],
    [
      '\\usepackage{helvet}\\renewcommand{\\familydefault}{\\sfdefault}',
      ['texgyreheros', 'texgyreheros', LM[2]],
    ],
    ['\\usepackage{fontspec}\\setmainfont{Arial}', ['texgyreheros', 'texgyreheros', LM[2]]],
    ['\\usepackage{fontspec}\\setmonofont{Courier New}', [LM[0], LM[1], 'texgyrecursor']],
  ])('%s', (preamble, wanted) => expect(files(preamble)).toEqual(wanted));

  it.each(['charter', 'ebgaramond', 'lato', 'inconsolata', 'eulervm'])(
    '%s does not ship: another is set, and that is told',
    (name) => {
      const kinds = findingsIn(sheet(`\\usepackage{${name}}`, BODY)).map(({ kind }) => kind);
      expect(kinds).toEqual(['font-not-here']);
      expect(files(`\\usepackage{${name}}`)).toEqual(LM);
    },
  );

  it('sizes of type without serifs are multiplied, those of the rest are not', () => {
    const body = `${BODY} \\sffamily tide {\\Large gauge \\rmfamily lamp}`;
    const { word } = laid(sheet('\\usepackage[scaled=.9]{helvet}', body));
    const sizes = ['Ebb', 'flow', 'tide', 'gauge', 'lamp'].map((text) => word(text).size);
    [10, 9, 9, 12.96, 14.4].forEach((size, i) => expect(sizes[i]).toBeCloseTo(size, 2));
  });

  it('small capitals are glyphs of their own, and copy out as small letters', () => {
    const { word } = laid(sheet('\\usepackage{times}', 'Tide \\textsc{Tide}'));
    const [plain, capitals] = [word('Tide'), word('Tide', 2)];
    expect(capitals.font).toBe(plain.font);
    expect(Math.abs(capitals.right - capitals.x - (plain.right - plain.x))).toBeGreaterThan(0.3);
  });

  it('all characters of Courier are as wide', () => {
    const width = (text: string): number => {
      const { word } = laid(sheet('\\usepackage{courier}', `\\texttt{${text}}`));
      return word(text).right - word(text).x;
    };
    expect(width('iii')).toBeCloseTo(width('mmm'), 3);
    expect(width('iii')).toBeCloseTo(18, 2);
  });
});
