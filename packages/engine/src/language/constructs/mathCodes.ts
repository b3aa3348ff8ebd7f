import type { AccentNode, BigNode, MathNode } from '../../document/math';
import { scanInt } from '../../expansion/scan';
import { textOf } from '../../expansion/tokenText';
import type { CommandEntry } from '../machine/entries';
import type { MathReader } from '../machine/mathReader';
import { ACCENT_AT, signAt } from '../symbols/mathSlots';
import { accentMark } from './mathAccents';
import { readDelimiter } from './mathBrackets';
import { mathEntry as entry } from './mathEntry';
import { CLASSES } from './mathFontDeclarations';

/** The fonts of the first families (plain TeX; LaTeX's `fontmath`). */
const FAMILIES = ['operators', 'letters', 'symbols', 'largesymbols', 'AMSa', 'AMSb'] as const;

/** A sign by its number (The TeXbook, chapter 17): 4096 × class + 256 × family + place. */
function signOfCode(reader: MathReader, code: number): MathNode | null {
  const [cls, family, place] = [(code >> 12) & 7, (code >> 8) & 15, code & 255];
  const sign = signAt(FAMILIES[family] ?? '', place);
  const span = reader.it.p.place;
  if (sign === null) {
    reader.p.report('font-not-here', span, {
      name: `of family ${family}`,
      instead: 'nothing',
    });
    return null;
  }
  return reader.symbol(sign, CLASSES[cls] ?? 'ord', span);
}

/** A bracket by its number: `"4266308` is class 4, family 2, place 66, and its large form. */
const bracketOfCode = (code: number): string | null =>
  signAt(FAMILIES[(code >> 20) & 15] ?? '', (code >> 12) & 255);

/** `\bBigg@{2.5}(`: a bracket so many times as tall as a line and a fifth (amsmath). */
const bigBy = (factor: number, bracket: BigNode): BigNode => ({
  ...bracket,
  size: 2 * (Number.isFinite(factor) ? factor : 1) - 1,
});

/** Signs, brackets, roots and accents by their numbers in fonts (The TeXbook, chapters 17 and 26). */
export const mathCodes: readonly CommandEntry[] = [
  entry('mathchar', '', 'A sign by its class, family and place.', 'a\\mathchar"2203 b', (reader) =>
    signOfCode(reader, scanInt(reader.p)),
  ),
  entry('delimiter', '', 'A bracket by its number.', '\\delimiter"4262304 x', (reader, token) => {
    const code = scanInt(reader.p);
    const sign = bracketOfCode(code);
    const cls = CLASSES[(code >> 24) & 7] ?? 'ord';
    return sign === null ? null : reader.symbol(sign, cls, reader.span(token));
  }),
  entry('radical', '', 'A root by the number of its sign.', '\\radical"270370 {x}', (reader) => {
    scanInt(reader.p);
    reader.p.push([reader.p.command('sqrt')]);
    return null;
  }),
  entry('mathaccent', '', 'An accent by its place.', '\\mathaccent"705E x', (reader, token) => {
    const name = ACCENT_AT[scanInt(reader.p) & 255];
    const base = reader.field(token);
    const char = name === undefined ? null : accentMark(name);
    if (char === null) return base;
    const accent: AccentNode = {
      kind: 'accent',
      char,
      wide: false,
      below: false,
      base,
      ...reader.span(token),
    };
    return accent;
  }),
  entry(
    'bBigg@',
    'm',
    'A bracket so many times as tall as a line.',
    '\\bBigg@{3}(',
    (reader, token) => {
      const factor = parseFloat(textOf(reader.p, reader.argument(token)));
      const char = readDelimiter(reader, token);
      return bigBy(factor, { kind: 'big', char, cls: 'ord', size: 1, ...reader.span(token) });
    },
  ),
];
