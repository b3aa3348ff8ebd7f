import { Encodings, Font } from '@cantoo/pdf-lib/standard-fonts';

/** Names of the glyphs from code 161 of the standard encoding, `-` where there is none (Language Reference, appendix E.6). */
const STANDARD_UPPER =
  'exclamdown cent sterling fraction yen florin section currency quotesingle quotedblleft guillemotleft guilsinglleft guilsinglright fi fl - endash dagger daggerdbl periodcentered - paragraph bullet quotesinglbase quotedblbase quotedblright guillemotright ellipsis perthousand - questiondown - grave acute circumflex tilde macron breve dotaccent dieresis - ring cedilla - hungarumlaut ogonek caron emdash - - - - - - - - - - - - - - - - AE - ordfeminine - - - - Lslash Oslash OE ordmasculine - - - - - ae - - - dotlessi - - lslash oslash oe germandbls'.split(
    ' ',
  );

const WIN_ANSI = Encodings.WinAnsi;
const SYMBOL = Encodings.Symbol;

const namesByCode = (encoding: typeof WIN_ANSI): ReadonlyMap<number, string> =>
  new Map(
    encoding.supportedCodePoints.map((point) => {
      const { code, name } = encoding.encodeUnicodeCodePoint(point);
      return [code, name] as const;
    }),
  );

/** What a glyph's name stands for: signs of both encodings; what is missing in them stands here. */
const characters: ReadonlyMap<string, string> = new Map([
  ...[SYMBOL, WIN_ANSI].flatMap((encoding) =>
    encoding.supportedCodePoints.map(
      (point) =>
        [encoding.encodeUnicodeCodePoint(point).name, String.fromCodePoint(point)] as const,
    ),
  ),
  ['fi', 'fi'],
  ['fl', 'fl'],
  ['ff', 'ff'],
  ['ffi', 'ffi'],
  ['ffl', 'ffl'],
  ['dotlessi', 'ı'],
  ['minus', '−'],
  ['hyphen', '-'],
  ['space', ' '],
  ['nbspace', ' '],
  ['quotesingle', "'"],
]);

/** The characters that a glyph's name stands for; none for names that tell nothing. */
export function charactersOf(name: string): string {
  const known = characters.get(name);
  if (known !== undefined) return known;
  const code = /^(?:uni|u)([0-9A-Fa-f]{4,6})$/.exec(name)?.[1];
  if (code !== undefined && parseInt(code, 16) <= 0x10ffff)
    return String.fromCodePoint(parseInt(code, 16));
  const plain = name.replace(/\..*$/, '');
  return plain !== name && plain !== '' ? charactersOf(plain) : '';
}

/** Names by code of the encodings that programs name. */
export function encodingNames(kind: 'standard' | 'latin' | 'symbol'): string[] {
  const found = namesByCode(kind === 'symbol' ? SYMBOL : WIN_ANSI);
  const names = Array.from({ length: 256 }, (_, code) => found.get(code) ?? '.notdef');
  if (kind !== 'standard') return names;
  names[39] = 'quoteright';
  names[96] = 'quoteleft';
  for (let code = 127; code < 256; code++) {
    const name = STANDARD_UPPER[code - 161];
    names[code] = name === undefined || name === '-' ? '.notdef' : name;
  }
  return names;
}

type Face = Parameters<typeof Font.load>[0];

/** The standard font that stands nearest to a name, by what its name says of it. */
export interface NearFont {
  readonly face: Face;
  readonly family: 'roman' | 'sans' | 'mono';
  readonly bold: boolean;
  readonly italic: boolean;
}

const STEMS = { roman: 'Times', sans: 'Helvetica', mono: 'Courier' } as const;

export function nearFont(name: string): NearFont {
  const bold = /bold|black|heavy|demi|cmbx|-bd/i.test(name);
  const italic = /italic|oblique|cmti|cmmi|-it\b|slanted/i.test(name);
  const like = (family: NearFont['family']): NearFont => {
    const slope = family === 'roman' ? 'Italic' : 'Oblique';
    const style = `${bold ? 'Bold' : ''}${italic ? slope : ''}` as const;
    const face = `${STEMS[family]}${style === '' ? (family === 'roman' ? '-Roman' : '') : `-${style}`}`;
    return { face: face as Face, family, bold, italic };
  };
  if (/courier|mono|typewriter|cmtt|consol/i.test(name)) return like('mono');
  if (/^symbol/i.test(name)) return { face: 'Symbol', family: 'roman', bold, italic };
  const roman =
    /times|roman|serif(?!.*sans)|georgia|palat|bookman|schola|garamond|^cm(?!ss)|^lmr|nimbusrom/i;
  return like(roman.test(name) && !/sans/i.test(name) ? 'roman' : 'sans');
}

/** How wide a glyph is, in ems, by the published measures of the standard fonts. */
export function glyphWidth(face: Face, name: string): number {
  return (Font.load(face).getWidthOfGlyph(name) ?? 500) / 1000;
}
