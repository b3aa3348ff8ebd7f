import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { laidBody } from '../testing/layout';
import { englishHyphenator } from './hyphenation';
import { LATER_PATTERNS } from './laterPatterns';

const divide = englishHyphenator();
const shown = (word: string): string => {
  const points = divide(word);
  return [...word].map((char, i) => (points.includes(i) ? `-${char}` : char)).join('');
};

describe('the standard English patterns', () => {
  it.each([
    'def-i-ni-tion',
    'pa-ram-e-ter',
    'log-i-cal',
    'al-go-rithm',
    'sym-met-ric',
    'con-di-tion',
    'as-so-ciate',
    'present',
    'ta-ble',
    'im-ple-men-ta-tion',
  ])('%s', (word) => expect(shown(word.replaceAll('-', ''))).toBe(word));

  it('are those of the registry but for what was added to them', () => {
    expect(LATER_PATTERNS.size).toBe(491);
    for (const letters of LATER_PATTERNS) expect(letters).toMatch(/^\.?[a-z]+\.?$/);
  });

  it('divide a word the same whatever its capitals', () => {
    fc.assert(
      fc.property(fc.stringMatching(/^[a-z]{3,14}$/), (word) => {
        expect(divide(word.toUpperCase())).toEqual(divide(word));
        for (const at of divide(word)) expect(at).toBeGreaterThan(0);
      }),
    );
  });
});

describe('a word in a narrow column', () => {
  const lines = (text: string): string[] =>
    laidBody(`\\parbox{70pt}{\\hspace{0pt}${text}}`, '').lines.map((line) => line.text);
  // TeX: The Program, §896 to §899.
  it.each([
    ['of nonsymmetric/lower', /^nonsym-$|-$/m],
    ['aaa (nonsymmetric)', /-$/m],
    ["the characteristic's", /-$/m],
    ['of characteristic, and', /-$/m],
    ['of characteristic\\footnote{n}', /-$/m],
    ['the characteristic\\label{a}', /-$/m],
  ])('%s is divided', (text, mark) => {
    expect(lines(text).join('\n')).toMatch(mark);
  });
  it.each(['of nonsymmetric$x$', 'of nonsymmetric\\mbox{x}', 'of \\mbox{nonsymmetric}'])(
    '%s is not',
    (text) => {
      expect(lines(text).join('\n')).not.toMatch(/-$/m);
    },
  );
  it('breaks at a hyphen of its own and nowhere else', () => {
    expect(lines('of nonsymmetrical-lower')).toContain('nonsymmetrical-');
  });
});
