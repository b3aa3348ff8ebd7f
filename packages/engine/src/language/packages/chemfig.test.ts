import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';
import { atomsOf, readStructure } from './structuralFormulas';

/** Where each group lies, by its atoms, in bonds from the first. */
function places(source: string): Record<string, readonly [number, number]> {
  const { groups } = readStructure(source);
  const at: (readonly [number, number])[] = [];
  const out: Record<string, readonly [number, number]> = {};
  groups.forEach(({ from, dx, dy, atoms }, i) => {
    const [x, y] = from ? (at[from[0]] ?? [0, 0]) : [0, 0];
    at.push([x + dx, y + dy]);
    out[atoms.join('') || `corner ${i}`] = [
      Math.round(100 * (x + dx)) / 100 + 0,
      Math.round(100 * (y + dy)) / 100 + 0,
    ];
  });
  return out;
}

describe('structural formulas', () => {
  it.each([
    ['CH_3', ['C', 'H_3']],
    ['NaCl', ['Na', 'Cl']],
    ['{CH_2}OH', ['{CH_2}', 'O', 'H']],
    ['C|OOH', ['C', 'O', 'O', 'H']],
    ['', []],
  ])('the atoms of %s', (text, wanted) => expect(atomsOf(text)).toEqual(wanted));

  it.each([
    ['A-B', { A: [0, 0], B: [1, 0] }],
    ['A-[2]B', { A: [0, 0], B: [0, 1] }],
    ['A-[:60]B', { A: [0, 0], B: [0.5, 0.87] }],
    ['A-[:30]B-[::60]C', { A: [0, 0], B: [0.87, 0.5], C: [0.87, 1.5] }],
    ['A-[,2]B', { A: [0, 0], B: [2, 0] }],
    ['[2]A-B-C', { A: [0, 0], B: [0, 1], C: [0, 2] }],
    ['A(-[2]B)-C', { A: [0, 0], B: [0, 1], C: [1, 0] }],
    ['A(-[2]B(-[4]D))-C', { A: [0, 0], B: [0, 1], D: [-1, 1], C: [1, 0] }],
    ['A*4(-B-C-D-)', { A: [0, 0], B: [1, 0], C: [1, 1], D: [0, 1] }],
    [
      'A*6(-B-C-D-E-F-)',
      { A: [0, 0], B: [0.87, -0.5], C: [1.73, 0], D: [1.73, 1], E: [0.87, 1.5], F: [0, 1] },
    ],
  ])('%s lies so', (source, wanted) => expect(places(source)).toEqual(wanted));

  it('a ring is closed by its last bond, and has a circle with two stars', () => {
    const ring = readStructure('**6(------)');
    expect([ring.groups.length, ring.bonds.length, ring.circles.length]).toEqual([6, 6, 1]);
    expect(ring.bonds.at(-1)?.to).toEqual([0, 0]);
    expect(readStructure('*6(-----)').bonds.length).toBe(5);
  });

  it('a branch of a ring leads outwards', () => {
    const at = places('A*6(-B-C(-X)-D-E-F-)');
    const [cx, cy] = [0.87, 0.5];
    const away = ([x, y]: readonly [number, number]) => Math.hypot(x - cx, y - cy);
    expect(away(at.X ?? [0, 0])).toBeCloseTo(2, 1);
  });

  it('a bond leads from the last atom to the right, from the first to the left', () => {
    const bonds = (source: string) => readStructure(source).bonds.map(({ from, to }) => [from, to]);
    expect(bonds('CH_3-CH_2')).toEqual([
      [
        [0, 1],
        [1, 0],
      ],
    ]);
    expect(bonds('CH_3-[4]CH_2')).toEqual([
      [
        [0, 0],
        [1, 1],
      ],
    ]);
    expect(bonds('CH_3-[,,1,2]CH_2')).toEqual([
      [
        [0, 0],
        [1, 1],
      ],
    ]);
  });

  it('hooks close a ring from afar', () => {
    expect(readStructure('A?-B-C?').bonds.map(({ to }) => to[0])).toEqual([1, 2, 2]);
  });

  it.each(['-', '=', '~', '>', '<', '>:', '<:', '>|', '<|'])('the bond %s is read', (kind) => {
    expect(readStructure(`A${kind}B`).bonds.map((bond) => bond.kind)).toEqual([kind]);
  });

  it('anything is read to its end', () => {
    const piece = fc.constantFrom(
      'A',
      'CH_3',
      '-',
      '=',
      '(',
      ')',
      '[',
      ']',
      ':30',
      '*6',
      '*',
      '?',
      '{',
      '}',
      ',',
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 25 }), (pieces) => {
        const { groups, bonds } = readStructure(pieces.join(''));
        for (const { from, to } of bonds)
          expect([from[0], to[0]].every((group) => group < groups.length)).toBe(true);
      }),
    );
  });
});

describe('on the page', () => {
  const set = (body: string) => laidBody(`\\noindent ${body}`, '\\usepackage{chemfig}');
  it('atoms stand a bond apart, on the line of the text', () => {
    const { word } = set('x \\chemfig{A-B}');
    const [x, a, b] = ['x', 'A', 'B'].map((text) => word(text));
    expect((b?.x ?? 0) - (a?.x ?? 0)).toBeCloseTo(30, 0);
    for (const atom of [a, b]) expect(atom?.y).toBeCloseTo(x?.y ?? NaN, 3);
  });
  it('are as far apart as is set', () => {
    const { word } = set('\\setchemfig{atom sep=2em}\\chemfig{A-B}');
    expect(word('B').x - word('A').x).toBeCloseTo(20, 0);
  });
  it('pieces stand for what they were defined as', () => {
    const text = '\\definesubmol{x}{-B-}\\definesubmol{yy}{C!xD}\\chemfig{A!x E!{yy}}';
    expect(set(text).text.replace(/\W/g, '')).toContain('ABECBD');
  });
  it.each([
    'H_3C-C(=[:60]O)-[:-60]OH',
    '*6(-=-(-OH)=-=)',
    'C(<[:200]H)(<:[:250]H)(>|[2]H)',
    'N~N',
    '[:30]CH_3-*6(=-=-=-)',
    '',
  ])('%s is drawn without a finding', (source) => {
    expect(findingsIn(inArticle(`x \\chemfig{${source}}`, '\\usepackage{chemfig}'))).toEqual([]);
  });
  it('settings that nobody knows are told of', () => {
    const found = findingsIn(inArticle('\\setchemfig{atom sap=2em}', '\\usepackage{chemfig}'));
    expect(found.map(({ kind }) => kind)).toEqual(['option-misspelt']);
  });
});
