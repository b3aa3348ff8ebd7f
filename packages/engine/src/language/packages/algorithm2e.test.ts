import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody, type Laid } from '../../testing/layout';

const set = (options: string, body: string): Laid =>
  laidBody(`\\begin{algorithm}[H]${body}\\end{algorithm}`, `\\usepackage[${options}]{algorithm2e}`);
const text = (options: string, body: string): string =>
  set(options, body).text.replace(/\s+/g, ' ');
/** Without blanks and ends of lines: how rows are told apart is no matter of the language. */
const bare = (said: string): string => said.replace(/[\s|]+/g, '');
const LOOP = '\\caption{Count}\\While{$x>0$}{wait\\;\\If{$y$}{go\\;}}stop\\;';

describe('Algorithms in braces', () => {
  it.each([
    ['', 'while 𝑥 > 0 do | wait; | if 𝑦 then | go; | end | end | stop; | Algorithm 1: Count'],
    ['ruled', 'Algorithm 1: Count | while 𝑥 > 0 do | wait; | if 𝑦 then | go; | end | end | stop;'],
    ['noend', 'while 𝑥 > 0 do | wait; | if 𝑦 then | go; | stop;'],
    ['vlined', 'while 𝑥 > 0 do | wait; | if 𝑦 then | go; | stop;'],
    ['longend', 'while 𝑥 > 0 do | wait; | if 𝑦 then | go; | end if | end while | stop;'],
    ['ngerman', 'stop; | Algorithmus 1: Count'],
    ['algosection', 'stop; | Algorithm 0.1: Count'],
  ])('[%s]', (options, printed) => {
    expect(bare(text(options, LOOP))).toContain(bare(printed));
    expect(
      findingsIn(
        inArticle(
          `\\begin{algorithm}[H]${LOOP}\\end{algorithm}`,
          `\\usepackage[${options}]{algorithm2e}`,
        ),
      ),
    ).toEqual([]);
  });

  it.each([
    ['\\eIf{$a$}{b\\;}{c\\;}', 'if 𝑎 then | b; | else | c; | end'],
    [
      '\\uIf{$a$}{b\\;}\\uElseIf{$c$}{d\\;}\\Else{e\\;}',
      'if 𝑎 then | b; | else if 𝑐 then | d; | else | e; | end',
    ],
    ['\\lIf{$a$}{b}c\\;', 'if 𝑎 then b; | c;'],
    ['\\Repeat{$a$}{b\\;}', 'repeat | b; | until 𝑎;'],
    [
      '\\Switch{$a$}{\\Case{1}{b\\;}\\Other{c\\;}}',
      'switch 𝑎 do | case 1 do | b; | end | otherwise do | c; | end | end',
    ],
    ['\\SetKwFor{Each}{each}{:}{done}\\Each{$a$}{b\\;}', 'each 𝑎 : | b; | done'],
    ['\\SetKwRepeat{Do}{do}{while}\\Do{$a$}{b\\;}', 'do | b; | while 𝑎;'],
    ['\\SetKwProg{Fn}{Function}{:}{end}\\Fn{f}{b\\;}', 'Function f : | b; | end'],
    ['\\SetKwComment{Say}{(}{)}\\Say{x}a\\Say*{y}b\\;', '(x) | a; (y) | b;'],
    ['a\\tcp*[f]{x}\\;b\\;', 'a // x; | b;'],
    ['\\If(\\tcp*[f]{x}){$a$}{b\\;}', 'if 𝑎 then // x | b; | end'],
    ['\\lIf(\\tcp*[f]{x}){$a$}{b}c\\;', 'if 𝑎 then b; // x | c;'],
    [
      '\\SetKwIF{Si}{SinonSi}{Sinon}{si}{alors}{sinon si}{sinon}{fin}\\uSi(\\tcp*[f]{x}){$a$}{b\\;}\\lSinonSi{$c$}{d}\\uSinon{e\\;}',
      'si 𝑎 alors // x | b; | sinon si 𝑐 alors d; | sinon | e;',
    ],
    [
      '\\SetKwIF{Si}{SinonSi}{Sinon}{si}{alors}{sinon si}{sinon}{fin}\\leSi{$a$}{b}{c}',
      'si 𝑎 alors b sinon c;',
    ],
    ['\\SetKwFor{Each}{each}{:}{done}\\lEach(\\tcp*[f]{x}){$a$}{b}', 'each 𝑎 : b; // x'],
    [
      '\\SetKwSwitch{Pick}{Of}{Rest}{pick}{from}{of}{rest}{done}{all done}\\Pick{$a$}{\\uOf{1}{b\\;}\\lRest{c}}',
      'pick 𝑎 from | of 1 | b; | rest c; | all done',
    ],
    ['\\DontPrintSemicolon a\\;b\\;', 'a | b'],
  ])('%s', (body, printed) => {
    expect(bare(text('', body))).toContain(bare(printed));
  });

  it('lines are numbered, which labels name; what goes in and out is not', () => {
    const body = '\\KwIn{a tide}\\For{$i$}{one\\;\\label{l:one}two\\;}\\caption{C}\\label{a}';
    const laid = laidBody(
      `\\begin{algorithm}[H]${body}\\end{algorithm}see \\ref{l:one} of \\ref{a}`,
      '\\usepackage[linesnumbered,ruled]{algorithm2e}',
    );
    expect(laid.text.replace(/\s+/g, ' ')).toMatch(
      /Input: a tide \| 1 for .* \| 2 one; \| 3 two; \| 4 end \| see 2 of 1/,
    );
    expect(laid.word('1', 2).x).toBeLessThan(laid.word('for').x);
  });

  it('blocks stand further in, and each has its line at its side', () => {
    const laid = set('lined', '\\While{$x$}{\\If{$y$}{go\\;}wait\\;}');
    expect(laid.word('go').x).toBeGreaterThan(laid.word('if').x + 5);
    expect(laid.word('wait').x).toBeCloseTo(laid.word('if').x, 1);
    const bars = laid.rules.filter(({ width, height }) => width < 1 && height > 5);
    const [outer, inner] = [...new Set(bars.map(({ x }) => Math.round(x)))].sort((a, b) => a - b);
    expect(bars.filter(({ x }) => Math.round(x) === outer).length).toBe(4);
    expect(bars.filter(({ x }) => Math.round(x) === inner).length).toBe(1);
    expect(set('noend', '\\While{$x$}{go\\;}').rules.filter(({ width }) => width < 1)).toEqual([]);
  });

  it('a frame goes around, a caption below', () => {
    const laid = set('boxed', 'go\\;\\caption{Ebb}');
    expect(laid.rules.length).toBeGreaterThanOrEqual(4);
    expect(laid.word('Ebb').y).toBeGreaterThan(laid.word('go').y + 10);
  });
});

describe('\\everypar', () => {
  it('is inserted at the beginning of each paragraph of its group', () => {
    const { text: all } = laidBody('{\\everypar{[E]}one\n\ntwo\n\n$x$ three\\par}four');
    expect(all.replace(/\s+/g, ' ')).toContain('[E]one | [E]two | [E]𝑥 three | four');
  });
  it('is read and set as a register', () => {
    const { text: all } = laidBody('\\everypar{a}\\everypar\\expandafter{\\the\\everypar b}c');
    expect(all).toContain('abc');
  });
});

/** algorithm2e manual, chapters 9 to 11. */
describe('What an algorithm’s looks and words can be told', () => {
  const USE =
    '\\usepackage[linesnumbered]{algorithm2e}\\DontPrintSemicolon\\SetAlgoCaptionSeparator{.}';
  const words = (body: string): string =>
    laidBody(`\\begin{algorithm}[H]${body}\\end{algorithm}`, USE)
      .text.replaceAll('|', '')
      .replace(/\s+/g, ' ')
      .replace(/ 1$/, '')
      .trim();
  it.each([
    ['\\While(\\tcp*[h]{why}){a}{b\\;}', '1 while a do // why 2 b 3 end'],
    ['\\leIf{a}{b}{c}', '1 if a then b else c'],
    ['\\lForAll{a}{b}\\lRepeat{c}{d}', '1 forall a do b 2 repeat d until c'],
    ['\\SetKwSwitch{Sw}{Cs}{Ot}{pick}{from}{when}{rest}{end}{done}\\Sw{a}{\\Cs{b}{c\\;}}', '1 pick a from 2 when b 3 c 4 end 5 done'],
    ['\\SetStartEndCondition{ (}{) }{)}\\If{a}{b\\;}', '1 if (a) then 2 b 3 end'],
    ['\\SetKwProg{Fn}{Tide}{:}{}\\Fn{a}{b\\;}', '1 Tide a : 2 b'],
    ['\\SetKwHangingKw{Need}{Need}\\Need{a}', 'Need: a'],
    ['\\TitleOfAlgo{Ebb}a\\;', '1 Algorithm. Ebb 2 a'],
    ['\\caption{Ebb}a\\;', '1 a Algorithm 1. Ebb'],
    ['\\LinesNumberedHidden a\\;\\ShowLn b\\;', 'a 2 b'],
  ])('%s', (body, wanted) => {
    expect(words(body)).toBe(wanted);
  }); // prettier-ignore
  it('has bars without gaps', () => {
    const { rules } = laidBody('\\begin{algorithm}[H]\\SetAlgoLined\\If{a}{b\\;$x_i$\\;c\\;}\\end{algorithm}', USE);
    const bars = rules.filter(({ height }) => height > 5).sort((a, b) => a.y - b.y);
    expect(bars.length).toBe(3);
    bars.slice(1).forEach((bar, i) => {
      const above = bars[i];
      expect(bar.y - (above?.y ?? 0) - (above?.height ?? 0)).toBeLessThan(0.1);
    });
  }); // prettier-ignore
});

it.each([1, 2, 3])(
  'blocks that end together %d deep leave the last line its room (vlined)',
  (deep) => {
    const body = `${'\\If{a}{'.repeat(deep)}print${'}'.repeat(deep)}`;
    const { word, rules } = laidBody(
      `\\begin{algorithm}[H]${body}\\caption{Tides}\\end{algorithm}`,
      '\\usepackage[ruled,vlined]{algorithm2e}',
    );
    const wide = rules.filter(({ width }) => width > 100);
    const below = Math.max(...wide.map(({ y }) => y)) - word('print').y;
    expect(below).toBeGreaterThan(3);
    expect(below).toBeLessThan(9);
  },
);

it('[algo2e] names its environment otherwise', () => {
  const body = '\\begin{algorithm2e}[H]a\\;\\caption{Ebb}\\end{algorithm2e}';
  const load = '\\usepackage[algo2e,ruled]{algorithm2e}';
  expect(laidBody(body, load).text).toContain('Algorithm 1: Ebb');
  expect(findingsIn(inArticle(body, load))).toEqual([]);
});
