import { describe, expect, it } from 'vitest';
import { Cat, standardCategories, withCategory } from './categories';
import { Reader } from './reader';

const CATS = standardCategories();

function tokens(text: string, cats = CATS): string[] {
  const reader = new Reader<string>(text, (name) => name, 0, 1);
  const out: string[] = [];
  for (let t = reader.next(cats); t; t = reader.next(cats)) {
    out.push(t.cat === Cat.Command ? `\\${t.text}` : t.cat === Cat.Space ? '␣' : t.text);
  }
  return out;
}

describe('the reader', () => {
  it('makes one blank of many, and of a line end', () => {
    expect(tokens('a  b\n c')).toEqual(['a', '␣', 'b', '␣', 'c']);
  });
  it('swallows blanks behind a control word, not behind a control symbol', () => {
    expect(tokens('\\foo  x')).toEqual(['\\foo', 'x']);
    expect(tokens('\\% x')).toEqual(['\\%', '␣', 'x']);
    expect(tokens('\\ x')).toEqual(['\\ ', 'x']);
  });
  it('ends a paragraph at a blank line, however many there are', () => {
    expect(tokens('a\n\nb')).toEqual(['a', '␣', '\\par', 'b']);
    expect(tokens('a\n   \n\t\nb')).toEqual(['a', '␣', '\\par', '\\par', 'b']);
  });
  it('passes over comments with their line end', () => {
    expect(tokens('a% no\n  b')).toEqual(['a', 'b']);
    expect(tokens('a %\n\nb')).toEqual(['a', '␣', '\\par', 'b']);
  });
  it('takes a backslash at the line end for a control space', () => {
    expect(tokens('a\\\nb')).toEqual(['a', '\\ ', 'b']);
  });
  it('goes by the category codes in force', () => {
    expect(tokens('\\a@b', withCategory(CATS, 64, Cat.Letter))).toEqual(['\\a@b']);
    expect(tokens('\\a@b')).toEqual(['\\a', '@', 'b']);
  });
  it('keeps characters beyond the first plane whole', () => {
    expect(tokens('𝔸x')).toEqual(['𝔸', 'x']);
  });
  it('knows where each token stands', () => {
    const reader = new Reader<string>('ab \\cd{', (name) => name, 0, 1);
    const spans: [number, number][] = [];
    for (let t = reader.next(CATS); t; t = reader.next(CATS)) spans.push([t.from, t.to]);
    expect(spans).toEqual([
      [0, 1],
      [1, 2],
      [2, 3],
      [3, 6],
      [6, 7],
    ]);
  });
  it('gives words of plain characters in one piece', () => {
    const reader = new Reader<string>('tide-table, {x}', (name) => name, 0, 1);
    expect(reader.plainRun(CATS)).toBe('tide-table,');
    expect(reader.plainRun(CATS)).toBe('');
  });
});
