import { describe, expect, it } from 'vitest';
import { bodyLines, findingsIn, inArticle } from '../testing/document';

/** What a body prints on its first line. */
const prints = (body: string): string => bodyLines(body)[0] ?? '';

describe('definitions', () => {
  it('replace arguments, also inside definitions they make', () => {
    expect(prints('\\newcommand{\\pair}[2]{#1 and #2}\\pair{ebb}{flood}')).toBe('ebb and flood');
    expect(prints('\\def\\make#1{\\def\\made##1{#1:##1}}\\make{a}\\made{b}')).toBe('a:b');
  });
  it('take an optional first argument', () => {
    const define = '\\newcommand{\\port}[2][North]{#1--#2}';
    expect(prints(`${define}\\port{x}`)).toBe('North–x');
    expect(prints(`${define}\\port[West]{x}`)).toBe('West–x');
  });
  it('match delimited arguments', () => {
    expect(prints('\\def\\split#1,#2;{#2 #1}\\split a,b;')).toBe('b a');
    expect(prints('\\def\\split#1,#2;{#2 #1}\\split {a,c},b;')).toBe('b a,c');
  });
  it('are local to their group unless global', () => {
    expect(prints('\\def\\x{1}{\\def\\x{2}\\x}\\x')).toBe('21');
    expect(prints('\\def\\x{1}{\\gdef\\x{2}\\x}\\x')).toBe('22');
    expect(prints('\\def\\x{1}{\\global\\let\\x=a\\x}\\x')).toBe('aa');
  });
  it('expand at once in edef, and not what is protected', () => {
    expect(prints('\\def\\a{1}\\edef\\b{\\a}\\def\\a{2}\\b')).toBe('1');
    expect(prints('\\def\\a{1}\\edef\\b{\\noexpand\\a}\\def\\a{2}\\b')).toBe('2');
  });
  it('are reached by names put together', () => {
    expect(
      prints('\\expandafter\\def\\csname tide-3\\endcsname{ok}\\csname tide-3\\endcsname'),
    ).toBe('ok');
  });
});

describe('conditionals', () => {
  it.each([
    ['\\ifnum 3<5 yes\\else no\\fi', 'yes'],
    ['\\ifnum 3>5 yes\\else no\\fi', 'no'],
    ['\\ifdim 1cm>1in yes\\else no\\fi', 'no'],
    ['\\ifodd 7 yes\\else no\\fi', 'yes'],
    ['\\ifcase 2 a\\or b\\or c\\else d\\fi', 'c'],
    ['\\ifcase 9 a\\or b\\else d\\fi', 'd'],
    ['\\ifcase2\\or b\\or c\\or d\\fi', 'c'],
    ['\\ifcase1\\else d\\fi x', 'dx'],
    ['\\ifnum1=1\\else n\\fi y', 'y'],
    ['\\ifnum1=2\\else n\\fi y', 'ny'],
    ['\\ifnum1=1\\fi y', 'y'],
    ['\\def\\a{x}\\def\\b{x}\\ifx\\a\\b yes\\else no\\fi', 'yes'],
    ['\\iffalse a\\iftrue b\\fi c\\else d\\fi', 'd'],
    ['\\newif\\iftide\\tidetrue\\iftide in\\else out\\fi', 'in'],
    ['\\ifdefined\\nosuch yes\\else no\\fi', 'no'],
  ])('%s', (body, expected) => {
    expect(prints(body)).toBe(expected);
  });
});

describe('registers', () => {
  it('count and calculate', () => {
    expect(
      prints('\\newcount\\n \\n=6 \\advance\\n by 4 \\multiply\\n by 3 \\divide\\n by 4 \\the\\n'),
    ).toBe('7');
    expect(prints('\\newdimen\\d \\d=1.5pt \\advance\\d by 2\\d \\the\\d')).toBe('4.5pt');
    expect(prints('\\newlength{\\w}\\setlength{\\w}{2pt plus 1fil}\\the\\w')).toBe(
      '2.0pt plus 1.0fil',
    );
    expect(prints('\\number`A, \\romannumeral 14')).toBe('65, xiv');
  });
  it('come back at the end of a group', () => {
    expect(prints('\\newcount\\n \\n=1 {\\n=2 \\the\\n}\\the\\n')).toBe('21');
  });
});

describe('what goes wrong', () => {
  it('a macro that goes on for ever is stopped and named', () => {
    const found = findingsIn(inArticle('Before. \\def\\tide{\\tide x}\\tide\n\nAfter.'));
    expect(found.map(({ kind }) => kind)).toEqual(['macro-runaway']);
    expect(bodyLines('\\def\\a{\\b\\b}\\def\\b{\\a}\\a\n\nAfter.').at(-1)).toBe('After.');
  });
  it('a brace that is never closed costs its paragraph only', () => {
    const text = inArticle('\\section{Ebb\n\nText.\n\n\\section{Flood}\n\nMore.');
    expect(findingsIn(text)).toEqual([
      expect.objectContaining({
        kind: 'argument-unclosed',
        at: '{',
        fixed: text.replace('{Ebb', '{Ebb}'),
      }),
    ]);
  });
  it('a definition used against its pattern is told where it is used', () => {
    const [found] = findingsIn(inArticle('\\def\\at(#1){#1}\\at[3]'));
    expect(found).toMatchObject({ kind: 'macro-pattern', at: '\\at' });
  });
});
