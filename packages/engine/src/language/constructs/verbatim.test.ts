import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';

describe('text exactly as it is typed, in a line', () => {
  it.each([
    ['\\verb|50 % ebb| c', '50 % ebb c'],
    ['\\verb*+a b+', 'a␣b'],
    ['\\verb!a|b!', 'a|b'],
  ])('%s', (body, printed) => {
    expect(laidBody(body).text.replaceAll('\u00a0', ' ')).toContain(printed);
    expect(findingsIn(inArticle(body))).toEqual([]);
  });
  it('ends with its line when it is not closed: what follows stays', () => {
    const body = '\\verb|low water\n\nThe tide | and the ebb.';
    expect(laidBody(body).text).toContain('The tide');
    expect(findingsIn(inArticle(body)).map(({ kind }) => kind)).toContain('verb-unclosed');
  });
});
