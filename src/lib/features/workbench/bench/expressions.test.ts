import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { beside, expressionsOf, larger, smaller, type Expression } from './expressions';
import { nextForm } from './letterForms';
import { alignedAtRelation, nameIn, splitNear, withName } from './lineEdits';
import { formOf } from './rewrite';

const text = '\\frac{a+b^2}{c} = \\left( x_{i} \\right)';
const whole = { from: 0, to: text.length };
const parts = expressionsOf(text, 0, text.length);
const said = ({ from, to }: { from: number; to: number }): string => text.slice(from, to);

describe('the parts of a formula', () => {
  it('are its fractions, scripts, brackets and letters', () => {
    expect(parts.map(said)).toEqual(['\\frac{a+b^2}{c}', '=', '\\left( x_{i} \\right)']);
  });
  it('grow to what is around them, up to all of it', () => {
    const b = text.indexOf('b');
    let span = { from: b, to: b + 1 };
    const steps: string[] = [];
    for (let i = 0; i < 4; i++) {
      span = larger(parts, span, whole);
      steps.push(said(span));
    }
    expect(steps).toEqual(['b^2', '{a+b^2}', '\\frac{a+b^2}{c}', text]);
    expect(said(smaller(parts, span))).toBe('\\frac{a+b^2}{c}');
  });
  it('are stepped through among their neighbours', () => {
    const [first] = parts as [Expression];
    expect(said(beside(parts, first, 1))).toBe('=');
    expect(said(beside(parts, beside(parts, first, 1), -1))).toBe('\\frac{a+b^2}{c}');
    const a = text.indexOf('a+');
    expect(said(beside(parts, { from: a, to: a + 1 }, 1))).toBe('+');
  });
  it('lie within one another and in order, whatever is typed', () => {
    const soup = fc
      .array(
        fc.constantFrom(
          'a',
          '1',
          '{',
          '}',
          '\\frac',
          '^',
          '_',
          '\\left(',
          '\\right)',
          ' ',
          '&',
          '\\',
          '[',
          ']',
          "'",
          '\\begin{x}',
          '\\end{x}',
        ),
      )
      .map((tokens) => tokens.join(''));
    const check = (list: readonly Expression[], from: number, to: number): void => {
      let at = from;
      for (const part of list) {
        expect(part.from).toBeGreaterThanOrEqual(from);
        expect(part.to).toBeLessThanOrEqual(to);
        expect(part.to).toBeGreaterThan(part.from);
        at = Math.max(at, part.from);
        check(part.parts, part.from, part.to);
      }
    };
    fc.assert(
      fc.property(soup, (given) => check(expressionsOf(given, 0, given.length), 0, given.length)),
    );
  });
});

describe('the forms of a letter', () => {
  const after = (given: string, at: number): string => {
    const next = nextForm(given, at);
    return next ? given.slice(0, next.from) + next.insert + given.slice(next.to) : given;
  };
  it('come one after another and come round again', () => {
    let now = 'R';
    const seen: string[] = [];
    for (let i = 0; i < 7; i++) seen.push((now = after(now, now.length)));
    expect(seen.slice(0, 3)).toEqual(['\\mathbf{R}', '\\mathbb{R}', '\\mathcal{R}']);
    expect(seen.at(-1)).toBe('R');
  });
  it('of Greek letters are their variants, not letters of their names', () => {
    expect(after('\\epsilon', 3)).toBe('\\varepsilon');
    expect(after('\\alpha', 3)).toBe('\\alpha');
    expect(nextForm('\\varepsilon', 11)?.insert).toBe('\\epsilon');
    expect(nextForm('12', 1)).toBeNull();
  });
});

describe('lines of an alignment', () => {
  it('are aligned at their first relation', () => {
    expect(alignedAtRelation('a + b = c = d')).toBe('a + b &= c = d');
    expect(alignedAtRelation('a = & c')).toBe('a &= c');
    expect(alignedAtRelation('a')).toBe('a');
    expect(alignedAtRelation('(a = b) < c')).toBe('(a = b) &< c');
  });
  it('are split at the relation or sign nearest to the caret', () => {
    expect(splitNear('a &= b + c = d', 12)).toEqual(['a &= b + c', '&= d']);
    expect(splitNear('a &= b + c = d', 7)).toEqual(['a &= b', '&\\quad + c = d']);
    expect(splitNear('a + b', 3)).toEqual(['a', '+ b']);
    expect(splitNear('abc', 1)).toBeNull();
    expect(splitNear('-(a+b)', 3)).toBeNull();
  });
  it('have tags and labels', () => {
    expect(withName('a &= b', 'label', 'eq:ebb')).toBe('a &= b \\label{eq:ebb}');
    expect(withName('a \\tag{1} b', 'tag', '2')).toBe('a b \\tag{2}');
    expect(withName('a \\label{x}', 'label', '')).toBe('a');
    expect(nameIn('a \\tag*{T} b', 'tag')).toBe('T');
  });
});

it('a formula tells where what it holds begins', () => {
  for (const source of ['$e$', '\\[ e \\]', '\\begin{equation}\n  e\n\\end{equation}']) {
    const found = formOf(source);
    expect(source.slice(found?.bodyAt).startsWith('e')).toBe(true);
  }
});
