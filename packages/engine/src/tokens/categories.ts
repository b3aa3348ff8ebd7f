/** Category codes (The TeXbook, chapter 7), and two kinds of our own behind them. */
export const Cat = {
  Escape: 0,
  Begin: 1,
  End: 2,
  Math: 3,
  Tab: 4,
  Eol: 5,
  Parameter: 6,
  Super: 7,
  Sub: 8,
  Ignored: 9,
  Space: 10,
  Letter: 11,
  Other: 12,
  Active: 13,
  Comment: 14,
  Invalid: 15,
  /** A control sequence. */
  Command: 16,
  /** `#1` … `#9` in a macro's body; the digit is the token's text. */
  Argument: 17,
} as const;
export type CatCode = number;

/** Category codes in force: a table for ASCII, exceptions above it. Immutable. */
export interface CatTable {
  readonly ascii: Readonly<Uint8Array>;
  readonly others: ReadonlyMap<number, CatCode>;
}

const SPECIALS: readonly (readonly [string, CatCode])[] = [
  ['\\', Cat.Escape],
  ['{', Cat.Begin],
  ['}', Cat.End],
  ['$', Cat.Math],
  ['&', Cat.Tab],
  ['\n', Cat.Eol],
  ['#', Cat.Parameter],
  ['^', Cat.Super],
  ['_', Cat.Sub],
  ['\r', Cat.Ignored],
  [' ', Cat.Space],
  ['\t', Cat.Space],
  ['~', Cat.Active],
  ['%', Cat.Comment],
];

/** The category codes of the LaTeX format. */
export function standardCategories(): CatTable {
  const ascii = new Uint8Array(128).fill(Cat.Other);
  for (let c = 65; c <= 90; c++) ascii[c] = ascii[c + 32] = Cat.Letter;
  for (const [char, cat] of SPECIALS) ascii[char.charCodeAt(0)] = cat;
  ascii[0] = Cat.Ignored;
  ascii[127] = Cat.Ignored;
  return { ascii, others: new Map() };
}

/** The table with one code changed. */
export function withCategory(table: CatTable, code: number, cat: CatCode): CatTable {
  if (code >= 128) return { ...table, others: new Map(table.others).set(code, cat) };
  const ascii = table.ascii.slice();
  ascii[code] = cat;
  return { ascii, others: table.others };
}

const LETTER = /\p{L}|\p{M}/u;
const SPACE = /\p{Zs}/u;

/** The category of a code point. Above ASCII: letters are letters, the rest is other. */
export function categoryOf(table: CatTable, code: number): CatCode {
  if (code < 128) return table.ascii[code] as CatCode;
  const set = table.others.get(code);
  if (set !== undefined) return set;
  const char = String.fromCodePoint(code);
  if (LETTER.test(char)) return Cat.Letter;
  // A no-break space is kept as a character; other wide blanks act as blanks.
  return code !== 0xa0 && SPACE.test(char) ? Cat.Space : Cat.Other;
}
