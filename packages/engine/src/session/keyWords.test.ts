import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../testing/document';
import { KEY_WORDS } from './keyWords';

/** What the examples need besides their package. */
const LIBRARIES =
  '\\usetikzlibrary{arrows.meta,automata,decorations.pathreplacing,decorations.pathmorphing,fit,intersections,patterns,positioning,shapes.geometric,shadings}';

describe('keys of pictures', () => {
  it('are told once each', () => {
    const names = KEY_WORDS.map(({ name, package: from }) => `${from} ${name}`);
    expect(names.filter((name, i) => names.indexOf(name) !== i)).toEqual([]);
    expect(names.length).toBeGreaterThan(100);
  });
  it.each(KEY_WORDS)('$name: $example', ({ name, example, description, package: from }) => {
    const preamble = `\\usepackage{${from}}${LIBRARIES}`;
    expect(findingsIn(inArticle(example, preamble))).toEqual([]);
    expect(example).toContain(name);
    expect(description).toMatch(/^[A-Z].*\.$/);
  });
});
