import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { EXPECTED, examples, sourceOf } from '../../testing/examples';

describe('the examples of the tables', () => {
  it('are many', () => expect(examples.length).toBeGreaterThan(500));
  it.each(examples)('$packages: $name typesets without a finding', (example) => {
    const found = findingsIn(
      inArticle(`x ${sourceOf(example)}`, `\\usepackage{${example.packages}}`),
    );
    expect(found.filter(({ kind }) => !EXPECTED.has(kind))).toEqual([]);
  });
});
