import { describe, expect, it } from 'vitest';
import { vocabulary } from '@odd-compass/engine';
import { chapterOf, findEntries, shapeOf } from './entries';

const WORDS = vocabulary();
const names = (question: string, chapter: Parameters<typeof findEntries>[2] = null) =>
  findEntries(WORDS, question, chapter).map(({ name }) => name);

describe('the handbook', () => {
  it('finds entries by name, with or without the backslash, the nearest first', () => {
    expect(names('\\frac')[0]).toBe('frac');
    expect(names('frac').slice(0, 2)).toContain('frac');
    expect(names('itemi')[0]).toBe('itemize');
  });
  it('finds them by what they are for', () => {
    expect(names('subset or equal')).toContain('subseteq');
    expect(names('square root')[0]).toBe('sqrt');
    expect(names('choose k of n')[0]).toBe('binom');
    expect(names('zebra lorry')).toEqual([]);
    expect(names('[(~^')).toEqual([]);
  });
  it('keeps to a chapter', () => {
    expect(names('', 'packages')).toContain('amsmath');
    expect(names('', 'environments')).toContain('align');
    expect(names('article', 'kinds of document')[0]).toBe('article');
    const frac = WORDS.find(({ name }) => name === 'frac');
    expect(frac && chapterOf(frac)).toBe('in formulas');
  });
  it('shows how each is written', () => {
    const shape = (name: string, kind = 'command') => {
      const word = WORDS.find((one) => one.name === name && one.kind === kind);
      return word && shapeOf(word);
    };
    expect(shape('frac')).toBe('\\frac{…}{…}');
    expect(shape('pmatrix', 'environment')).toBe('\\begin{pmatrix} … \\end{pmatrix}');
    expect(shape('booktabs', 'package')).toBe('\\usepackage{booktabs}');
  });
});
