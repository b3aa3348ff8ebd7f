import fc from 'fast-check';
import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { environmentKind, environmentsOf, hasRows, isFormula } from './environmentKinds';
import {
  argumentsAt,
  blanked,
  callsOf,
  closingBraceAt,
  firstBehind,
  isBetweenMarks,
  isUnread,
  lineEndAt,
  openAt,
  partnerOf,
  partsNamed,
  shapeOf,
  type Part,
} from './shape';

const FOLDER = new URL('../testing/corpus/', import.meta.url).pathname;
const sources = readdirSync(FOLDER)
  .filter((name) => name.endsWith('.tex'))
  .map((name) => ({ name, text: readFileSync(FOLDER + name, 'utf8') }));

const soup = fc
  .array(
    fc.constantFrom(
      '\\',
      '%',
      '{',
      '}',
      '[',
      ']',
      '$',
      '$$',
      '&',
      '\n',
      '\n\n',
      ' ',
      'a',
      'tide',
      '\\\\',
      '\\begin{align}',
      '\\end{align}',
      '\\begin{verbatim}',
      '\\end{verbatim}',
      '\\verb|x|',
      '\\(',
      '\\)',
      '\\frac{a}{b}',
      '\\begin',
      '\\end{',
      '*',
    ),
    { maxLength: 60 },
  )
  .map((parts) => parts.join(''));

/** What a text is made of, as kind and source. */
const said = (text: string): string[] =>
  shapeOf(text).parts.map(({ kind, from, to }) => `${kind} ${text.slice(from, to).trim()}`.trim());
/** The pairs of a text, as the source of both ends. */
const pairs = (text: string): string[] => {
  const shape = shapeOf(text);
  return shape.parts.flatMap((part) => {
    const other = partnerOf(shape, part);
    return other && other.from > part.from
      ? [`${text.slice(part.from, part.to)} ${text.slice(other.from, other.to)} ${other.from}`]
      : [];
  });
};

describe('the shape of a source', () => {
  it.each([
    ['a % b', ['comment % b']],
    ['50\\% of it', ['command \\%']],
    ['a \\\\% b', ['row \\\\', 'comment % b']],
    ['\\\\\\% b', ['row \\\\', 'command \\%']],
    ['\\verb|%{$| x', ['command \\verb', 'code |%{$|']],
    ['\\verb*+a+', ['command \\verb*', 'code +a+']],
    ['\\verb|a', ['command \\verb']],
    [
      '\\begin{verbatim}\n% $ {\n\\end{verbatim}',
      ['begin \\begin{verbatim}', 'code % $ {', 'end \\end{verbatim}'],
    ],
    ['\\begin {align*}&\\end{align*}', ['begin \\begin {align*}', 'tab &', 'end \\end{align*}']],
    [
      '$$x$$ $y$ \\(z\\) \\[w\\]',
      ['mark $$', 'mark $$', 'mark $', 'mark $', 'mark \\(', 'mark \\)', 'mark \\[', 'mark \\]'],
    ],
    ['a\n \n\nb', ['blank']],
    ['\\url{a%b} % c', ['command \\url', 'code {a%b}', 'comment % c']],
    ['\\section*{A}', ['command \\section*', 'open {', 'close }']],
  ])('%j is told apart', (text, parts) => {
    expect(said(text)).toEqual(parts);
  });

  it.each([
    ['{a{b}c}', ['{ } 6', '{ } 4']],
    ['{a\\}b}', ['{ } 5']],
    ['{a%}\n}', ['{ } 5']],
    ['{{}', ['{ } 2']],
    ['\\begin{a}\\begin{b}\\end{a}', ['\\begin{a} \\end{a} 18']],
    ['\\end{a}\\begin{a}', []],
    ['$a$ and $b\n\n$c$', ['$ $ 2', '$ $ 14']],
    ['\\(a\\) b\\)', ['\\( \\) 3']],
  ])('%j is paired', (text, expected) => {
    expect(pairs(text)).toEqual(expected);
  });

  it('is in order, none within another, each partner the other’s, whatever the text', () => {
    fc.assert(
      fc.property(soup, (text) => {
        const { parts } = shapeOf(text);
        let at = 0;
        for (const part of parts) {
          expect(part.from).toBeGreaterThanOrEqual(at);
          expect(part.to).toBeGreaterThan(part.from);
          at = part.to;
        }
        expect(at).toBeLessThanOrEqual(text.length);
        parts.forEach((part, i) => {
          if (part.kind === 'close' && part.partner >= 0)
            expect(parts[part.partner]?.partner).toBe(i);
        });
      }),
    );
  });

  it('is that of its blocks one by one, where no code goes over a blank line', () => {
    for (const { text } of sources) {
      const whole = shapeOf(text);
      if (partsNamed(whole, 'code').some(({ from, to }) => /\n[ \t]*\n/.test(text.slice(from, to))))
        continue;
      const told = (parts: readonly Part[], base: number): string[] =>
        parts
          .filter(({ kind }) => kind !== 'blank')
          .map(({ kind, from, name }) => `${kind} ${name} ${from + base}`);
      let base = 0;
      const blocks = text.split(/(?<=\n[ \t]*\n)(?=\S)/).flatMap((block) => {
        const parts = told(shapeOf(block).parts, base);
        base += block.length;
        return parts;
      });
      expect(blocks).toEqual(told(whole.parts, 0));
    }
  });

  it('pairs everything in documents without mistakes', () => {
    for (const { name, text } of sources) {
      const shape = shapeOf(text);
      const alone = shape.parts.filter(
        (part) =>
          ['open', 'close', 'begin', 'end'].includes(part.kind) && partnerOf(shape, part) === null,
      );
      // Definitions may hold halves of environments.
      const told = alone.filter(({ kind }) => kind === 'open' || kind === 'close');
      expect([name, told.map(({ from }) => text.slice(from - 20, from + 20))]).toEqual([name, []]);
    }
  });

  it.each([
    ['%\n', 1],
    ['{', 1],
    ['$', 1],
    ['\\\\', 1],
    ['\\begin{x}', 1],
    ['\\begin{x}\\end{y}', 2],
    ['\\verb|x', 1],
    ['\\begin{comment}', 1],
    ['[', 0],
    ['\n \n', 1],
  ])('reads a megabyte of %j', (piece, parts) => {
    const times = Math.ceil(1_000_000 / piece.length);
    const { length } = shapeOf(piece.repeat(times)).parts;
    expect(length).toBeLessThanOrEqual(parts * times + 1);
    expect(length).toBeGreaterThanOrEqual(Math.min(parts, 1));
  });
});

describe('what is asked of it', () => {
  it('which environments are open at a place', () => {
    const text = '\\begin{a}\\begin{b}x\\end{a}y\\begin{c}z';
    const names = (sought: string) =>
      openAt(shapeOf(text), text.indexOf(sought)).map(({ name }) => name);
    expect([names('x'), names('y'), names('z')]).toEqual([['a', 'b'], [], ['c']]);
  });
  it('whether a place is in a formula, by marks', () => {
    const text = 'a $b$ c \\[d\\] e $f\n\ng $h';
    const inside = [...'abcdefgh'].filter((c) => isBetweenMarks(shapeOf(text), text.indexOf(c)));
    expect(inside.join('')).toBe('bdfh');
  });
  it('whether a place is read at all', () => {
    const text = 'a % b\n\\verb|c| d \\begin{comment}e\\end{comment} f';
    const unread = [...'abcdef'].filter((c) => {
      const at =
        c === 'd'
          ? text.indexOf(' d ') + 1
          : c === 'e'
            ? text.indexOf('}e') + 1
            : c === 'f'
              ? text.length - 1
              : text.indexOf(c);
      return isUnread(shapeOf(text), at);
    });
    expect(unread).toEqual(['b', 'c', 'e'].filter((c) => unread.includes(c)));
    expect(unread).toContain('b');
    expect(unread).not.toContain('a');
    expect(unread).not.toContain('d');
  });
  it('the arguments of a call, those that are not there too', () => {
    const shape = shapeOf('\\caption*[short {]}]{long \\% {x}} \\caption\n {b} \\caption[c]');
    const calls = callsOf(shape, ['caption'], 'som');
    expect(calls.map(({ args }) => args.map((argument) => argument?.text ?? null))).toEqual([
      ['*', 'short {]}', 'long \\% {x}'],
      [null, null, 'b'],
      [null, 'c', null],
    ]);
    expect(shape.text.slice(calls[0]?.from, calls[0]?.to)).toBe(
      '\\caption*[short {]}]{long \\% {x}}',
    );
  });
  it('nothing beyond the end of a paragraph, and nothing of braces in comments', () => {
    expect(argumentsAt(shapeOf('[a\n\nb]'), 0, 'o')).toEqual([null]);
    expect(argumentsAt(shapeOf('{a % }\n}'), 0, 'm')[0]?.text).toBe('a % }\n');
    expect(closingBraceAt(shapeOf('x{'), 1)).toBeNull();
    expect(closingBraceAt(shapeOf('x{}'), 0)).toBeNull();
  });
  it('the text with some parts blanked out, as long as it was', () => {
    const text = 'a % b\n\\verb|c| 50\\% \\\\% d';
    expect(blanked(shapeOf(text), 'comment', 'code')).toBe('a    \n\\verb    50\\% \\\\   ');
    fc.assert(fc.property(soup, (t) => blanked(shapeOf(t), 'comment', 'code').length === t.length));
  });
  it('where a line ends, its comment left out', () => {
    expect(lineEndAt(shapeOf('ab \\% c % d\ne'), 0)).toBe(8);
    expect(lineEndAt(shapeOf('ab\ne'), 0)).toBe(2);
    expect(firstBehind(shapeOf('ab'), 0)).toBe(0);
  });
});

describe('kinds of environments', () => {
  it.each([
    ['align*', 'display', true, true],
    ['pmatrix', 'matrix', true, true],
    ['tabular', 'table', true, false],
    ['itemize', 'list', false, false],
    ['lemma', undefined, false, false],
    ['tikzcd', 'picture', true, false],
  ] as const)('%s: %s', (name, kind, rows, formula) => {
    expect([environmentKind(name), hasRows(name), isFormula(name)]).toEqual([kind, rows, formula]);
  });
  it('name each environment once', () => {
    const kinds = [
      'code',
      'display',
      'rows',
      'matrix',
      'table',
      'list',
      'float',
      'picture',
    ] as const;
    const all = kinds.flatMap((kind) => environmentsOf(kind));
    expect(all).toHaveLength(new Set(all).size);
  });
});
