import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle, typeset } from '../../testing/document';
import { PACKAGES } from '../packages';
import { nearestPackage } from './meantModules';
import { isPublished } from './publishedPackages';

describe('names of packages', () => {
  it.each([
    ['mathtool', 'mathtools'],
    ['amsmaths', 'amsmath'],
    ['nicefracs', 'nicefrac'],
    ['grapicx', 'graphicx'],
    ['enumitm', 'enumitem'],
    ['ams', 'amsmath'],
  ])('a slip is told of: %s is %s', (slip, meant) => {
    const kinds = findingsIn(inArticle('x', `\\usepackage{${slip}}`)).map(({ kind }) => kind);
    expect(kinds).toEqual(['package-misspelt']);
    if (slip !== 'ams') expect(nearestPackage(slip)).toBe(meant);
  });

  // One letter from a package that is known here, and there all the same.
  it.each(['pst-all', 'xcomment', 'multitoc', 'inputenx', 'expex', 'tabularew'])(
    'that are not carried out are no slips: %s',
    (name) => {
      expect(PACKAGES[name]).toBeUndefined();
      expect(isPublished(name)).toBe(true);
      const text = inArticle('A \\buoy{x} here.', `\\usepackage{${name}}`);
      const [finding, ...more] = typeset(text).findings();
      expect(more).toEqual([]);
      expect(finding).toMatchObject({ kind: 'package-not-here', severity: 'off' });
      expect(finding?.message).toContain('\\buoy in line 4');
      expect(finding?.fix).toBeUndefined();
    },
  );

  it('that nobody has published are not known', () => {
    expect(isPublished('shoals')).toBe(false);
    const kinds = findingsIn(inArticle('x', '\\usepackage{shoals}')).map(({ kind }) => kind);
    expect(kinds).toEqual(['package-unknown']);
  });
});
