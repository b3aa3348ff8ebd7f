import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { PACKAGES } from '../packages';
import { nearestPackage } from './meantModules';
import { OTHER_PACKAGES } from './otherPackages';

describe('names of packages that are not set here', () => {
  const names = [...OTHER_PACKAGES];
  it('are none that are', () => expect(names.filter((name) => PACKAGES[name])).toEqual([]));
  it('are no misspelling of those that are', () =>
    expect(names.filter((name) => nearestPackage(name) !== null)).toEqual([]));
  it.each([
    ['mathtool', 'mathtools'],
    ['amsmaths', 'amsmath'],
    ['nicefracs', 'nicefrac'],
    ['grapicx', 'graphicx'],
    ['enumitm', 'enumitem'],
  ])('a slip is still told of: %s is %s', (slip, meant) => {
    expect(nearestPackage(slip)).toBe(meant);
    const kinds = findingsIn(inArticle('x', `\\usepackage{${slip}}`)).map(({ kind }) => kind);
    expect(kinds).toEqual(['package-misspelt']);
  });
});
