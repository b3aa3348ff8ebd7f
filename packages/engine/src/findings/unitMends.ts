import type { Fix } from './entry';

/** Of a picture: a share of the text, or centimetres. Of margins: inches, or centimetres. */
function likelyUnits(before: string, value: number): readonly string[] {
  if (/width\s*=\s*$/.test(before)) return value <= 1.5 ? ['\\textwidth', 'cm'] : ['cm', 'in'];
  if (/(?:margin|left|right|top|bottom|inner|outer)\s*=\s*$/.test(before))
    return value <= 2 ? ['in', 'cm'] : value < 10 ? ['cm', 'mm'] : ['mm', 'pt'];
  if (value === 0) return ['pt'];
  if (value < 1) return ['cm', 'em'];
  return value < 5 ? ['cm', 'em', 'pt'] : ['pt', 'mm'];
}

/** Units by their names. */
const UNIT_WORDS: readonly (readonly [RegExp, string])[] = [
  [/^\s*(?:centi\s*met(?:er|re)s?|cent)(?![A-Za-z])/i, 'cm'],
  [/^\s*(?:milli\s*met(?:er|re)s?)(?![A-Za-z])/i, 'mm'],
  [/^\s*(?:points?|pixels?|px)(?![A-Za-z])/i, 'pt'],
  [/^\s*(?:"|”|″)/, 'in'],
];

/**
 * A length that has no unit, with those that are likely by what it measures and how large it is.
 *
 * @param at where its number begins.
 */
export function withUnit(text: string, at: number, number: string): Fix[] {
  const end = at + number.length;
  const bare = /^\s*(?:text|line|column)(?:width|height)(?![A-Za-z])/.exec(text.slice(end))?.[0];
  if (bare !== undefined) {
    const width = `\\${bare.trim()}`;
    return [
      {
        title: `Make it ${number}${width}`,
        edits: [{ from: end, to: end + bare.length, text: width }],
      },
    ];
  }
  const [said, unit] = UNIT_WORDS.find(([words]) => words.test(text.slice(end))) ?? [];
  const spelt = said?.exec(text.slice(end))?.[0];
  if (unit !== undefined && spelt !== undefined)
    return [
      {
        title: `Make it ${number} ${unit}`,
        edits: [{ from: end, to: end + spelt.length, text: unit }],
      },
    ];
  const before = text.slice(Math.max(0, at - 30), at);
  return likelyUnits(before, Math.abs(Number(number.replace(',', '.')))).map((unit) => ({
    title: `Make it ${number === '1' && unit.startsWith('\\') ? '' : number}${unit.startsWith('\\') ? '' : ' '}${unit}`,
    edits: [
      number === '1' && unit.startsWith('\\')
        ? { from: at, to: end, text: unit }
        : { from: end, to: end, text: unit },
    ],
  }));
}
