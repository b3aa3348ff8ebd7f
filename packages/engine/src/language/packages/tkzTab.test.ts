import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const INIT = '\\tkzTabInit{$x$/1,signs/1,ways/2}{$a$,$b$,$c$}';
const table = (...rows: readonly string[]) =>
  `\\begin{tikzpicture}\n${[INIT, ...rows].join('\n')}\n\\end{tikzpicture}`;
const PACKAGE = '\\usepackage{tkz-tab}';
const set = (...rows: readonly string[]) => {
  expect(findingsIn(inArticle(table(...rows), PACKAGE))).toEqual([]);
  return laidBody(table(...rows), PACKAGE);
};
const CM = 28.45;

/** tkz-tab manual, sections 3 to 6: two centimetres of names, values two apart, half a centimetre at the ends. */
describe('tables of signs and variations', () => {
  it('have values in columns and names in rows', () => {
    const sheet = set();
    const [a, b, c] = ['𝑎', '𝑏', '𝑐'].map((letter) => sheet.word(letter));
    expect((b?.x ?? 0) - (a?.x ?? 0)).toBeCloseTo(2 * CM, -0.5);
    expect((c?.x ?? 0) - (b?.x ?? 0)).toBeCloseTo(2 * CM, -0.5);
    expect(sheet.word('signs').y - (a?.y ?? 0)).toBeCloseTo(CM, -0.5);
    expect(sheet.word('ways').y - sheet.word('signs').y).toBeCloseTo(1.5 * CM, -0.5);
  });
  it('have signs between values, and zeros at them', () => {
    const sheet = set('\\tkzTabLine{,p,z,$q$,}');
    const [b, zero] = [sheet.word('𝑏'), sheet.word('0')];
    expect((zero.x + zero.right) / 2).toBeCloseTo((b.x + b.right) / 2, 0);
    expect(zero.x - sheet.word('𝑝').x).toBeCloseTo(CM, -0.5);
    expect(sheet.word('𝑞').x - zero.x).toBeCloseTo(CM, -0.5);
  });
  it.each([
    ['-/low,+/high,-/last', 1],
    ['+/high,-/low,+/last', -1],
    ['-/low,+D-/high/other,-/last', 1],
    ['-/low,R/,+/high', 1],
    ['D-/low,+H/high,/', 1],
  ])('%s stand high and low', (ways, up) => {
    const sheet = set('\\tkzTabLine{,+,t,-,}', `\\tkzTabVar{${ways}}`);
    const rise = sheet.word('low').y - sheet.word('high').y;
    expect(Math.sign(sheet.word('high').x - sheet.word('low').x)).toBe(up);
    expect(rise).toBeGreaterThan(1.3 * CM);
  });
  it('have values on arrows, by how far along, and by their column', () => {
    const rows = ['\\tkzTabLine{,+,,+,}', '\\tkzTabVar{-/low,R/,+/high}'];
    const half = set(...rows, '\\tkzTabVal[draw]{1}{3}{.5}{$m$}{here}');
    const [b, here, m] = ['𝑏', 'here', '𝑚'].map((word) => half.word(word));
    expect(((here?.x ?? 0) + (here?.right ?? 0)) / 2).toBeCloseTo(
      ((b?.x ?? 0) + (b?.right ?? 0)) / 2,
      -0.5,
    );
    expect(m?.y).toBeCloseTo(b?.y ?? 0, -0.5);
    const column = set(...rows, '\\tkzTabIma{1}{3}{2}{here}');
    expect(column.word('here').x).toBeCloseTo(here?.x ?? 0, -0.5);
  });
  it('take their lengths from options; what cannot be done, and rows without a place, are told', () => {
    const wide = INIT.replace('Init', 'Init[lgt=3,espcl=4,nocadre]');
    const [plain, other] = [INIT, wide].map((init) =>
      laidBody(`\\begin{tikzpicture}${init}\\end{tikzpicture}`, PACKAGE),
    );
    expect((other?.word('𝑐').x ?? 0) - (other?.word('𝑎').x ?? 0)).toBeCloseTo(8 * CM, -0.5);
    expect(other?.word('𝑎').x).toBeCloseTo((plain?.word('𝑎').x ?? 0) + CM, -0.5);
    const kinds = (body: string) => findingsIn(inArticle(body, PACKAGE)).map(({ kind }) => kind);
    expect(kinds(table().replace('Init', 'Init[colour]'))).toEqual(['option-unknown']);
    expect(kinds(table('\\tkzTabLine{}', '\\tkzTabLine{}', '\\tkzTabLine{}'))).toEqual([
      'sign-table-full',
    ]);
  });
  it('are the same in one command', () => {
    const parts = set('\\tkzTabLine{,+,z,-,}', '\\tkzTabVar{-/low,+/high,-/last}');
    const one = `\\begin{tikzpicture}${INIT.replace('Init', '')}{,+,z,-,}{-/low,+/high,-/last}\\end{tikzpicture}`;
    expect(findingsIn(inArticle(one, PACKAGE))).toEqual([]);
    expect(laidBody(one, PACKAGE).text).toBe(parts.text);
  });
});
