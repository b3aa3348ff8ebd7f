import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle, typeset } from '../../testing/document';
import { PACKAGES } from '../packages';
import { nearestPackage } from './meantModules';
import { bringsCommandsAlone } from './commandsAlone';
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

  it.each(['xlop', 'acro', 'tkz-graph', 'csvsimple'])(
    'of which nothing is used are passed over where they change nothing by themselves: %s',
    (name) => {
      expect(bringsCommandsAlone(name) && isPublished(name) && PACKAGES[name] === undefined).toBe(
        true,
      );
      const kinds = (body: string): string[] =>
        findingsIn(inArticle(body, `\\usepackage{${name}}`)).map(({ kind }) => kind);
      expect(kinds('x')).toEqual([]);
      expect(kinds('\\buoy{x}')).toEqual(['package-not-here']);
      expect(kinds('\\begin{buoy}x\\end{buoy}')).toEqual(['package-not-here']);
      expect(kinds('\\setlength\\buoy{3pt}x')).toEqual(['package-not-here']);
    },
  );
  it('of which loading alone changes a page are told of all the same', () => {
    for (const name of ['nowidow', 'draftcopy', 'marginfix', 'prelim2e'])
      expect(bringsCommandsAlone(name)).toBe(false);
  });

  it('that nobody has published are not known', () => {
    expect(isPublished('shoals')).toBe(false);
    const kinds = findingsIn(inArticle('x', '\\usepackage{shoals}')).map(({ kind }) => kind);
    expect(kinds).toEqual(['package-unknown']);
  });
});
