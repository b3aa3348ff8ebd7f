import { describe, expect, it } from 'vitest';
import { inArticle, linesOf, typeset } from '../../testing/document';

const rowsOf = (body: string): { lines: string[]; codes: string[] } => {
  const session = typeset(inArticle(body, '\\usepackage{amsmath}'));
  return {
    lines: linesOf(session).slice(0, -1),
    codes: session.findings().map(({ kind }) => kind),
  };
};

describe('rows of an alignment', () => {
  const TEMPLATE = '\\halign{#\\quad&#\\cr ';
  it.each([
    ['are typed', `${TEMPLATE}Ebb&1\\cr Flood&2\\cr}`],
    ['end without a last \\cr', `${TEMPLATE}Ebb&1\\cr Flood&2}`],
    ['end with \\crcr', `${TEMPLATE}Ebb&1\\cr Flood&2\\crcr}`],
    ['end with another name', `\\let\\nl\\cr${TEMPLATE}Ebb&1\\nl Flood&2\\nl}`],
    ['end with \\\\', `{\\let\\\\\\cr${TEMPLATE}Ebb&1\\\\Flood&2\\\\}}`],
    ['are macros', `\\def\\row#1#2{#1&#2\\cr}${TEMPLATE}\\row{Ebb}{1}\\row{Flood}{2}}`],
    [
      'are macros of macros',
      `\\def\\row#1#2{#1&#2\\cr}\\def\\both{\\row{Ebb}{1}\\row{Flood}{2}}${TEMPLATE}\\both}`,
    ],
    ['have their sign in a macro', `\\def\\to{&}${TEMPLATE}Ebb\\to1\\cr Flood\\to2\\cr}`],
    ['are kept tokens', `\\newtoks\\kept\\kept{Ebb&1\\cr Flood&2\\cr}${TEMPLATE}\\the\\kept}`],
  ])('%s', (_, body) => expect(rowsOf(body)).toEqual({ lines: ['Ebb 1', 'Flood 2'], codes: [] }));
  it('signs within braces are of what stands there', () =>
    expect(rowsOf('\\def\\to{&}\\halign{#&#\\cr Ebb{\\halign{#&#\\cr a\\to b\\cr}}&1\\cr}').codes).toEqual([])); // prettier-ignore
  it.each(['\\cr', '\\crcr'])('%s where there are none is told', (name) =>
    expect(rowsOf(`Ebb ${name} flood`)).toEqual({
      lines: ['Ebb flood'],
      codes: ['row-end-outside'],
    }),
  );
  it.each([
    '$\\matrix{1&2\\cr3&4\\crcr}$',
    '$\\cases{1&2\\cr3&4\\crcr}$',
    '$\\begin{matrix}1&2\\cr3&4\\crcr\\end{matrix}$',
    '\\begin{tabular}{cc}1&2\\cr 3&4\\crcr\\end{tabular}',
  ])('%s ends its rows so as well', (body) => expect(rowsOf(body).codes).toEqual([]));
});

it('macros that hold one another many times are looked into once each', () => {
  const names = [...'abcdefghijklm'];
  const defs = names.map((name, i) => {
    const next = names[i + 1];
    return `\\def\\x${name}{${next ? `\\x${next}`.repeat(20) : 'ebb'}}`;
  });
  // Where none of them is used but the last nothing grows; that it holds no cell is found at once.
  expect(rowsOf(`${defs.join('')}\\def\\y{\\iffalse\\xa\\fi low}\\halign{#\\cr\\y\\cr}`)).toEqual({
    lines: ['low'],
    codes: [],
  });
});
