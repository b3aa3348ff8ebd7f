import type { Span } from '../../base/spans';
import { PT } from '../../base/lengths';
import { OLD_STYLE_DIGITS } from '../../document/font';
import { activeName } from '../../tokens/reader';
import { type CommandEntry, tokensOf } from '../machine/entries';
import { scanInt } from '../../expansion/scan';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { inOldEncoding } from '../machine/encoding';
import type { Interpreter } from '../machine/interpreter';

/** Commands that print one character: name, character, what it is. */
const CHARACTERS: readonly (readonly [string, string, string])[] = [
  ['%', '%', 'A per cent sign'],
  ['&', '&', 'An ampersand'],
  ['#', '#', 'A number sign'],
  ['_', '_', 'An underscore'],
  ['{', '{', 'An opening brace'],
  ['}', '}', 'A closing brace'],
  ['$', '$', 'A dollar sign'],
  ['textbackslash', '\\', 'A backslash'],
  ['textasciitilde', '~', 'A tilde'],
  ['textasciicircum', '^', 'A circumflex'],
  ['textbar', '|', 'A vertical bar'],
  ['textless', '<', 'A less-than sign'],
  ['textgreater', '>', 'A greater-than sign'],
  ['textbullet', '•', 'A bullet'],
  ['textendash', '–', 'A dash for ranges'],
  ['textemdash', '—', 'A dash in a sentence'],
  ['textquoteleft', '‘', 'An opening single quote'],
  ['textquoteright', '’', 'A closing single quote'],
  ['textquotedblleft', '“', 'An opening double quote'],
  ['textquotedblright', '”', 'A closing double quote'],
  ['textdegree', '°', 'A degree sign'],
  ['texteuro', '€', 'The sign of the euro'],
  ['texttrademark', '™', 'A trade mark sign'],
  ['textregistered', '®', 'A registered sign'],
  ['textcopyright', '©', 'A copyright sign'],
  ['textperiodcentered', '·', 'A centred dot'],
  ['ldots', '…', 'Three dots'],
  ['dots', '…', 'Three dots'],
  ['textellipsis', '…', 'Three dots'],
  ['S', '§', 'A section sign'],
  ['P', '¶', 'A paragraph sign'],
  ['dag', '†', 'A dagger'],
  ['ddag', '‡', 'A double dagger'],
  ['copyright', '©', 'A copyright sign'],
  ['pounds', '£', 'A pound sign'],
  ['ss', 'ß', 'A German sharp s'],
  ['ae', 'æ', 'The letter ae'],
  ['AE', 'Æ', 'The letter AE'],
  ['oe', 'œ', 'The letter oe'],
  ['OE', 'Œ', 'The letter OE'],
  ['o', 'ø', 'The letter o with a stroke'],
  ['O', 'Ø', 'The letter O with a stroke'],
  ['aa', 'å', 'The letter a with a ring'],
  ['AA', 'Å', 'The letter A with a ring'],
  ['l', 'ł', 'The letter l with a stroke'],
  ['L', 'Ł', 'The letter L with a stroke'],
  ['i', 'ı', 'An i without its dot'],
  ['j', 'ȷ', 'A j without its dot'],
];

/** More of them, as names and characters (textcomp and the Cork encoding). */
const MORE_CHARACTERS: readonly (readonly [string, string, string])[] = (
  String.raw`texttimes × textdiv ÷ textpm ± textmu µ textohm Ω textcelsius ℃ textpertenthousand ‱ textperthousand ‰ textonehalf ½ textonequarter ¼ textthreequarters ¾ textonesuperior ¹ texttwosuperior ² textthreesuperior ³ textminus − textsurd √ textleftarrow ← textrightarrow → textuparrow ↑ textdownarrow ↓ textmusicalnote ♪ textopenbullet ◦ textbardbl ‖ textbrokenbar ¦ textcent ¢ textsterling £ textyen ¥ textcurrency ¤ textflorin ƒ textcolonmonetary ₡ textwon ₩ textnaira ₦ textbaht ฿ textdong ₫ textlira ₤ textpeso ₱ textservicemark ℠ textnumero № textreferencemark ※ textestimated ℮ textrecipe ℞ textinterrobang ‽ textordfeminine ª textordmasculine º textparagraph ¶ textpilcrow ¶ textsection § textquotesingle ' textquotestraightbase ‚ textquotestraightdblbase „ textasciiacute ´ textasciibreve ˘ textasciicaron ˇ textasciidieresis ¨ textasciimacron ¯ textlbrackdbl ⟦ textrbrackdbl ⟧ textlnot ¬ textbigcircle ◯ textdied † textdagger † textdaggerdbl ‡ textdiscount ⁒ textfractionsolidus ⁄ texttwelveudash – textthreequartersemdash — textmho ℧ textasteriskcentered ∗ textexclamdown ¡ textquestiondown ¿ textvisiblespace ␣ textbraceleft { textbraceright } textdollar $ textunderscore _ guillemotleft « guillemotright » guillemetleft « guillemetright » guilsinglleft ‹ guilsinglright › quotedblbase „ quotesinglbase ‚ th þ TH Þ dh ð DH Ð dj đ DJ Đ ng ŋ NG Ŋ` +
  ' textasciigrave `'
)
  .trim()
  .split(/\s+/)
  .reduce<[string, string, string][]>((found, word, i, all) => {
    if (i % 2 === 0) found.push([word, all[i + 1] ?? '', `The character ${all[i + 1]}`]);
    return found;
  }, []);

/** Accents over letters: command, combining character, name. */
const ACCENTS: readonly (readonly [string, string, string])[] = [
  ['`', '\u0300', 'A grave accent'],
  ["'", '\u0301', 'An acute accent'],
  ['^', '\u0302', 'A circumflex'],
  ['~', '\u0303', 'A tilde'],
  ['=', '\u0304', 'A bar over a letter'],
  ['u', '\u0306', 'A breve'],
  ['.', '\u0307', 'A dot over a letter'],
  ['"', '\u0308', 'Two dots over a letter'],
  ['r', '\u030a', 'A ring'],
  ['H', '\u030b', 'A long Hungarian umlaut'],
  ['v', '\u030c', 'A caron'],
  ['c', '\u0327', 'A cedilla'],
  ['k', '\u0328', 'An ogonek'],
  ['d', '\u0323', 'A dot under a letter'],
  ['b', '\u0331', 'A bar under a letter'],
];

/** The dots of `\ldots` in text: three full stops, spaced as TeX spaces them. */
function textDots(it: Interpreter, at: Span): void {
  const gap = {
    kind: 'glue' as const,
    glue: {
      width: it.em / 6,
      stretch: 0,
      stretchOrder: 0 as const,
      shrink: 0,
      shrinkOrder: 0 as const,
    },
    ...at,
  };
  for (let i = 0; i < 3; i++) {
    it.character('.', at);
    it.add({ kind: 'penalty', penalty: 10000, ...at });
    it.add(gap);
  }
}

/** `\textunderscore` where the font has none: `\kern.06em\vbox{\hrule width.3em}`. */
function underscore(it: Interpreter, at: Span): void {
  if (!inOldEncoding(it)) return it.character('_', at);
  it.startParagraph();
  it.add({ kind: 'kern', width: Math.round(0.06 * it.em), ...at });
  it.add({ kind: 'rule', width: Math.round(0.3 * it.em), height: RULE, depth: 0, ...at });
}

const RULE = Math.round(0.4 * PT);

const PRINTS: Readonly<Record<string, (it: Interpreter, at: Span) => void>> = {
  '…': textDots,
  _: underscore,
};

const printed: readonly CommandEntry[] = [...CHARACTERS, ...MORE_CHARACTERS].map(
  ([name, char, what]) => ({
    name,
    signature: '',
    description: `${what}.`,
    example: `\\${name}{}`,
    run: (it, _args, token) => {
      const at = it.spanOf(token);
      const print = PRINTS[char];
      if (print) print(it, at);
      else it.character(char, at);
    },
  }),
);

const accents: readonly CommandEntry[] = ACCENTS.map(([name, mark, what]) => ({
  name,
  signature: 'm',
  description: `${what} on the letter behind it.`,
  // A cedilla belongs under a c; the fonts have no e with one.
  example: `\\${name}{${name === 'c' ? 'c' : 'e'}}`,
  run: (it, args, token) => {
    const letters = tokensOf(args, 0)
      .map((t) => (t.cat === 16 ? (t.text === 'i' ? 'i' : t.text === 'j' ? 'j' : '') : t.text))
      .join('');
    setAccent(it, mark, letters, token);
  },
}));

function setAccent(it: Interpreter, mark: string, letters: string, token: Token): void {
  const [first = ' ', ...rest] = [...letters];
  const span = it.spanOf(token);
  it.character((first + mark).normalize('NFC') + rest.join(''), {
    from: span.from,
    to: Math.max(span.to, it.p.here()),
  });
}

/** The marks of accents by their places in the fonts of text (OT1; T1 has its own from 0 on). */
const ACCENT_PLACES: Readonly<Record<number, string | undefined>> = {
  0: '\u0300',
  1: '\u0301',
  2: '\u0302',
  3: '\u0303',
  4: '\u0308',
  5: '\u030b',
  6: '\u030a',
  7: '\u030c',
  8: '\u0306',
  9: '\u0304',
  18: '\u0300',
  19: '\u0301',
  20: '\u030c',
  21: '\u0306',
  22: '\u0304',
  23: '\u030a',
  24: '\u0327',
  94: '\u0302',
  95: '\u0307',
  125: '\u030b',
  126: '\u0303',
  127: '\u0308',
};

const oldStyle: CommandEntry = {
  name: 'oldstylenums',
  signature: 'm',
  description: 'Digits that rise and fall as small letters do.',
  example: '\\oldstylenums{1984}',
  run: (it, args, token) => {
    const digits = tokensOf(args, 0).map((t) =>
      /^\d$/.test(t.text)
        ? it.p.make(Cat.Other, String.fromCodePoint(OLD_STYLE_DIGITS + Number(t.text)))
        : t,
    );
    it.p.place = it.spanOf(token);
    it.p.push(digits);
  },
};

/** A tie over two letters; a command, so that pictures and programs may have a variable of its name. */
const tieAccent: CommandEntry = {
  name: 't',
  signature: 'm',
  description: 'A tie over two letters.',
  example: '\\t{oo}',
  run: (it, args) =>
    it.p.push([
      ...it.source('\\leavevmode\\setbox255\\hbox{'),
      ...tokensOf(args, 0),
      ...it.source(
        '}\\rlap{\\hbox to\\wd255{\\hss\\raise1ex\\hbox{$\\scriptstyle\\frown$}\\hss}}\\box255 ',
      ),
    ]),
};

/** `\accent`: an accent by its place in the font, over the character behind it (The TeXbook, chapter 9). */
const accent: CommandEntry = {
  name: 'accent',
  signature: '',
  description: 'An accent by its place in the font, over the letter behind it.',
  example: '\\accent19 e',
  run: (it, _args, token) => {
    const mark = ACCENT_PLACES[scanInt(it.p)] ?? '';
    const letter = it.p.nextNonBlank();
    if (letter === null) return;
    const plain = letter.cat === Cat.Letter || letter.cat === Cat.Other;
    const name = letter.text === 'i' || letter.text === 'j' ? letter.text : '';
    if (!plain && name === '') it.p.unread(letter);
    else setAccent(it, mark, plain ? letter.text : name, token);
  },
};

const logo = (name: string, text: string): CommandEntry => ({
  name,
  signature: '',
  description: `The name ${text} as it is set.`,
  example: `\\${name}`,
  run: (it, _args, token) => {
    const at = it.spanOf(token);
    const { size } = it.font;
    const kern = (em: number): void => it.add({ kind: 'kern', width: em * size, ...at });
    const tex = (): void => {
      it.character('T', at);
      kern(-0.1667);
      it.add({
        kind: 'box',
        inlines: [{ kind: 'text', text: 'E', font: it.font, ...at }],
        width: null,
        align: 'left',
        raise: (-0.5 * 4.3 * PT * size) / (10 * PT),
        hidden: false,
        frame: null,
        grow: false,
        ...at,
      });
      kern(-0.125);
      it.character('X', at);
    };
    if (text === 'LaTeX') {
      it.character('L', at);
      kern(-0.36);
      it.add({
        kind: 'box',
        inlines: [
          {
            kind: 'text',
            text: 'A',
            font: it.intern({ ...it.font, size: Math.round(0.7 * size) }),
            ...at,
          },
        ],
        width: null,
        align: 'left',
        raise: 0.2 * size,
        hidden: false,
        frame: null,
        grow: false,
        ...at,
      });
      kern(-0.15);
    }
    tex();
  },
});

const tie = (name: string): CommandEntry => ({
  name,
  signature: '',
  description: 'A blank at which the line never breaks.',
  example: 'Theorem~3',
  run: (it, _args, token) => {
    const at = it.spanOf(token);
    it.startParagraph();
    it.add({ kind: 'penalty', penalty: 10000, ...at });
    it.space(at, true);
  },
  math: (reader, token) => ({ kind: 'space', mu: 6, width: 0, ...reader.span(token) }),
});

/** Characters that a name stands for, accents, and the dashes and quotes as commands. */
export const characters: readonly CommandEntry[] = [
  ...printed,
  ...accents,
  accent,
  oldStyle,
  tieAccent,
  logo('LaTeX', 'LaTeX'),
  logo('TeX', 'TeX'),
  tie(activeName('~')),
  tie('nobreakspace'),
  {
    name: ' ',
    signature: '',
    description: 'A blank of ordinary width, also behind a command.',
    example: '\\LaTeX\\ notes',
    run: (it, _args, token) => {
      const at = it.spanOf(token);
      it.startParagraph();
      it.space(at, true);
    },
    math: (reader, token) => ({ kind: 'space', mu: 6, width: 0, ...reader.span(token) }),
  },
];
