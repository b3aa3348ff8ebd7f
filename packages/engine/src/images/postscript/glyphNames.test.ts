import { describe, expect, it } from 'vitest';
import { charactersOf, encodingNames, glyphWidth, nearFont } from './glyphNames';

describe('the font nearest to a name', () => {
  it.each([
    ['Helvetica', 'Helvetica'],
    ['ArialMT', 'Helvetica'],
    ['Helvetica-BoldOblique', 'Helvetica-BoldOblique'],
    ['DejaVuSans-Oblique', 'Helvetica-Oblique'],
    ['Times-Roman', 'Times-Roman'],
    ['TimesNewRomanPS-BoldMT', 'Times-Bold'],
    ['CMR10', 'Times-Roman'],
    ['CMTI10', 'Times-Italic'],
    ['CMBX10', 'Times-Bold'],
    ['CMSS10', 'Helvetica'],
    ['Courier-Bold', 'Courier-Bold'],
    ['Symbol', 'Symbol'],
  ])('%s is %s, and its measures are known', (name, face) => {
    expect(nearFont(name).face).toBe(face);
    expect(glyphWidth(nearFont(name).face, 'space')).toBeGreaterThan(0);
  });
});

it.each([
  ['A', 'A'],
  ['alpha', 'α'],
  ['fi', 'fi'],
  ['uni00E9', 'é'],
  ['a.alt', 'a'],
  ['g123', ''],
])('the glyph %s stands for %s', (name, characters) => {
  expect(charactersOf(name)).toBe(characters);
});

it('encodings differ where they should', () => {
  expect([encodingNames('standard')[39], encodingNames('latin')[39]]).toEqual([
    'quoteright',
    'quotesingle',
  ]);
  expect(encodingNames('symbol')[97]).toBe('alpha');
});
