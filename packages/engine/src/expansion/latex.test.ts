import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bodyLines, findingsIn, inArticle } from '../testing/document';

const body = (text: string, preamble?: string): string =>
  bodyLines(text, preamble).join(' ').replace(/\s+/g, ' ');

describe('commands by their arguments', () => {
  it.each([
    ['m', '\\c{a}', 'a'],
    ['o m', '\\c[x]{a}', 'x-a'],
    ['O{d} m', '\\c{a}', 'd-a'],
    ['s m', '\\c*{a}', 'star-a'],
    ['d() m', '\\c(x){a}', 'x-a'],
    ['d<> m', '\\c<x>{a}', 'x-a'],
    ['D(){d} m', '\\c{a}', 'd-a'],
    ['t! m', '\\c!{a}', 'star-a'],
    ['m m', '\\c{a}{b}', 'a-b'],
  ])('%s', (spec, call, out) => {
    const count = spec.split(' ').filter((s) => s !== '').length;
    const starred = /^[st]/.test(spec);
    const text = count === 1 ? '#1' : starred ? '\\IfBooleanTF{#1}{star}{none}-#2' : '#1-#2';
    expect(body(`\\NewDocumentCommand{\\c}{${spec}}{${text}}${call}`)).toBe(out);
  });
  it.each([
    ['>{\\SplitArgument{1}{,}}m', '{a,b}', '\\two#1', '[a/b]'],
    ['>{\\SplitArgument{1}{,}}m', '{a, b,c}', '\\two#1', '[a/b,c]'],
    ['>{\\SplitArgument{1}{,}}m', '{{a,x} , b}', '\\two#1', '[a,x/b]'],
    ['>{\\SplitArgument{1}{--}}m', '{a--b}', '\\two#1', '[a/b]'],
    ['>{\\SplitArgument{1}{,}}m', '{a}', '\\lack#1', 'a:none'],
    ['>{\\SplitList{;}}m', '{a;b;;c}', '\\ProcessList{#1}{\\one}', '(a)(b)()(c)'],
    ['>{\\SplitList{;}}o', '', '\\IfNoValueTF{#1}{none}{some}', 'none'],
    ['>{\\TrimSpaces}m', '{ a }', '(#1)', '(a)'],
    ['>{\\ReverseBoolean}s m', '*{a}', '\\IfBooleanTF{#1}{yes}{no}#2', 'noa'],
    ['>{\\ReverseBoolean}s m', '{a}', '\\IfBooleanTF{#1}{yes}{no}#2', 'yesa'],
    ['m >{\\SplitList{,}}m', '{x}{a,b}', '#1\\ProcessList{#2}{\\one}', 'x(a)(b)'],
  ])('what is done with an argument before it is given: %s %s', (spec, call, text, out) => {
    const helpers =
      '\\def\\two#1#2{[#1/#2]}\\def\\one#1{(#1)}\\def\\lack#1#2{#1:\\IfNoValueTF{#2}{none}{#2}}';
    expect(body(`${helpers}\\NewDocumentCommand{\\c}{${spec}}{${text}}\\c${call}`)).toBe(out);
  });
  it('tell what was left out', () => {
    const define = '\\NewDocumentCommand{\\c}{o m}{\\IfNoValueTF{#1}{none}{#1}-#2}';
    expect(body(`${define}\\c{a}, \\c[x]{a}, \\c[]{a}`)).toBe('none-a, x-a, -a');
  });
  it('nest brackets of their own kind', () => {
    expect(body('\\NewDocumentCommand{\\c}{d()}{[#1]}\\c(a(b)c)')).toBe('[a(b)c]');
  });
});

describe('sums', () => {
  it('are worked out as e-TeX does', () => {
    expect(
      body(
        '\\the\\numexpr 2+3*4\\relax, \\the\\numexpr(2+3)*4\\relax, \\the\\numexpr 7/2\\relax, \\the\\numexpr-7/2\\relax',
      ),
    ).toBe('14, 20, 4, -4');
    expect(body('\\the\\dimexpr 1cm*2/2\\relax, \\the\\dimexpr 10pt-3pt\\relax')).toBe(
      '28.45274pt, 7.0pt',
    );
  });
  it('agree with arithmetic', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -999, max: 999 }),
        fc.integer({ min: -999, max: 999 }),
        (a, b) => {
          expect(body(`\\the\\numexpr ${a} + ${b} * 3\\relax`)).toBe(String(a + b * 3));
        },
      ),
      { numRuns: 30 },
    );
  });
  it('in lengths and counters come with calc', () => {
    const text =
      '\\newlength{\\x}\\setlength{\\x}{2cm+1pt*3}\\the\\x, \\newcounter{k}\\setcounter{k}{2+3*4}\\arabic{k}, \\setlength{\\x}{10pt*\\real{1.5}}\\the\\x, \\setlength{\\x}{\\widthof{\\rule{7pt}{1pt}}}\\the\\x';
    expect(body(text, '\\usepackage{calc}')).toBe('59.9055pt, 14, 15.0pt, 7.0pt');
  });
});

describe('loops and lists', () => {
  it('go through each entry', () => {
    expect(body('\\makeatletter\\@for\\x:=a,{b,c},d\\do{(\\x)}\\makeatother')).toBe('(a)(b,c)(d)');
    expect(body('\\makeatletter\\@tfor\\x:=abc\\do{(\\x)}\\makeatother')).toBe('(a)(b)(c)');
    expect(
      body(
        '\\newcount\\n\\makeatletter\\@whilenum\\n<3\\do{\\the\\n\\advance\\n by 1 }\\makeatother',
      ),
    ).toBe('012');
  });
  it('stop where their condition ends', () => {
    expect(body('\\newcount\\n\\loop\\the\\n\\advance\\n by 1 \\ifnum\\n<4\\repeat')).toBe('0123');
  });
});

describe('definitions', () => {
  it('match their delimiters', () => {
    expect(body('\\def\\pair(#1,#2){#2-#1}\\pair(a,b) \\def\\upto#1.{[#1]}\\upto a b.')).toBe(
      'b-a [a b]',
    );
  });
  it('are looked ahead for by \\futurelet and \\@ifnextchar', () => {
    expect(
      body(
        '\\makeatletter\\def\\x{\\@ifnextchar[{\\y}{no}}\\def\\y[#1]{(#1)}\\x[a] \\x\\ b\\makeatother',
      ),
    ).toBe('(a) no b');
    expect(body('\\def\\z{\\ifx\\next a yes\\else no\\fi}\\futurelet\\next\\z a')).toContain('yes');
  });
  it('hold category codes at their place', () => {
    expect(body('{\\catcode`\\!=13 \\gdef!{bang}}a! {\\catcode`\\!=13 !}')).toBe('a! bang');
    expect(body('\\catcode`\\@=11 \\def\\a@b{x}\\a@b')).toBe('x');
  });
  it('add to macros', () => {
    expect(body('\\makeatletter\\def\\x{a}\\g@addto@macro\\x{b}\\x\\makeatother')).toBe('ab');
  });
  it('keep what \\edef and \\noexpand say', () => {
    expect(body('\\def\\a{1}\\edef\\b{\\a\\noexpand\\a}\\def\\a{2}\\b')).toBe('12');
  });
});

describe('choices', () => {
  it.each([
    ['\\equal{a}{a}', 'yes'],
    ['\\equal{a}{b}', 'no'],
    ['3>2', 'yes'],
    ['3>2 \\and 1>2', 'no'],
    ['3>2 \\or 1>2', 'yes'],
    ['\\not 1>2', 'yes'],
    ['\\isodd{3}', 'yes'],
    ['\\(1>2 \\or 2>1\\) \\and 1=1', 'yes'],
    ['\\lengthtest{1cm>1pt}', 'yes'],
  ])('\\ifthenelse{%s}', (test, out) => {
    expect(body(`\\ifthenelse{${test}}{yes}{no}`, '\\usepackage{ifthen}')).toBe(out);
  });
  it('report nothing that is fine', () => {
    expect(findingsIn(inArticle('\\ifthenelse{1>0}{a}{b}', '\\usepackage{ifthen}'))).toEqual([]);
  });
});
