import { describe, expect, it } from 'vitest';
import { bodyLines, findingsIn, inArticle } from '../testing/document';
import { cleverList } from './referenceNames';

const labels = new Map(
  Object.entries({
    a: ['theorem', '1'],
    b: ['theorem', '2'],
    c: ['theorem', '3'],
    d: ['theorem', '5'],
    l: ['lemma', '4'],
    p: ['equation', '2.1'],
    q: ['equation', '2.2'],
    r: ['equation', '3.1'],
    s: ['section', '10'],
  }).map(([name, [kind = '', value = '']]) => [name, { name, kind, value, from: 0, to: 0 }]),
);
const list = (names: string, form = { capital: false, long: false }): string | undefined =>
  cleverList(labels, names.split(','), form)
    ?.map(({ text }) => text)
    .join('')
    .replaceAll('\u00a0', '~');

/** cleveref manual, section 4. */
describe('several references at once', () => {
  it.each([
    ['a', 'theorem~1'],
    ['a,b', 'theorems~1 and 2'],
    ['b,a', 'theorems~1 and 2'],
    ['a,b,c', 'theorems~1 to~3'],
    ['c,a,b,d', 'theorems~1 to~3 and 5'],
    ['a,b,d', 'theorems~1, 2 and 5'],
    ['a,l', 'theorem~1 and lemma~4'],
    ['l,a,b,s', 'lemma~4, theorems~1 and 2, and section~10'],
    ['p,q,r', 'eqs.~(2.1), (2.2) and (3.1)'],
    ['a,a', 'theorem~1'],
  ])('%s', (names, printed) => expect(list(names)).toBe(printed));
  it('in full and with capitals where that is asked for', () => {
    expect(list('p,q', { capital: true, long: true })).toBe('Equations~(2.1) and (2.2)');
  });
  it('are not known while one is missing', () => {
    expect(list('a,zz')).toBeUndefined();
    const text = inArticle('\\section{A}\\label{a}\\cref{a,zz}', '\\usepackage{cleveref}');
    expect(findingsIn(text).map(({ kind }) => kind)).toEqual(['reference-unknown']);
  });
  it('stand so on the page', () => {
    const body = '\\section{A}\\label{a}\\section{B}\\label{b}\\section{C}\\label{c}\\cref{a,b,c}';
    expect(bodyLines(body, '\\usepackage{cleveref}').join(' ')).toContain('sections 1 to 3');
    expect(findingsIn(inArticle(body, '\\usepackage{cleveref}'))).toEqual([]);
  });
});
