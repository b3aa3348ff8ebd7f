import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { PT } from '../../base/lengths';
import { exampleImage } from './exampleImages';

/** Package mwe: pictures that every LaTeX has. */
describe('pictures to try a layout with', () => {
  it.each([
    ['example-image', 320, 240],
    ['example-image-a', 320, 240],
    ['example-image-b.png', 320, 240],
    ['example-image-16x9', 320, 180],
    ['example-image-a4', 595, 842],
  ])('%s is %d by %d big points', (name, width, height) => {
    const found = exampleImage(name);
    expect((found?.width ?? 0) / PT / (72.27 / 72)).toBeCloseTo(width, 3);
    expect((found?.height ?? 0) / PT / (72.27 / 72)).toBeCloseTo(height, 3);
  });
  it.each(['boat', 'example', 'my-example-image', 'example-image/x'])('%s is none', (name) => {
    expect(exampleImage(name)).toBeNull();
  });
  it('are set without a file, to the size that is asked', () => {
    const body = (name: string): string => `\\includegraphics[width=3cm]{${name}}`;
    const kinds = (name: string): string[] =>
      findingsIn(inArticle(body(name), '\\usepackage{graphicx}')).map(({ kind }) => kind);
    expect(kinds('example-image-a')).toEqual([]);
    expect(kinds('boat')).toEqual(['file-missing']);
  });
});
