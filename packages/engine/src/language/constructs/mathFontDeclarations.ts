import { cellsBy } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { scanInt } from '../../expansion/scan';
import { textOf, tokensText } from '../../expansion/tokenText';
import type { MathAlphabet, MathClass } from '../../document/math';
import { activeName } from '../../tokens/reader';
import { Cat, withCategory } from '../../tokens/categories';
import { CELLS } from '../machine/cells';
import { type CommandEntry, tokensOf } from '../machine/entries';
import { install } from '../machine/install';
import type { Interpreter } from '../machine/interpreter';
import { quietEntry } from '../machine/macroEntry';
import { ACCENT_AT, signAt } from '../symbols/mathSlots';
import { alphabetCommand } from './mathAlphabets';

/** A font of signs: its encoding and its family (`\DeclareSymbolFont`). */
const symbolFont = cellsBy<{ readonly encoding: string; readonly family: string } | null>(
  'symbolfont',
  null,
);

/** Alphabets at hand that are nearest to a family of fonts, by its name. */
const LIKE: readonly (readonly [RegExp, MathAlphabet])[] = [
  [/^(?:rsfs|eus|zeus)/, 'script'],
  [/^(?:boondox|pzc|cmsy|lmsy|urwchancal|dutchcal)/i, 'calligraphic'],
  [/^(?:msb|bbold|bbm|ds|fourier-bb|stixbb)/, 'blackboard'],
  [/^(?:euf|ygoth|yfrak)/, 'fraktur'],
  [/(?:ss|phv|fvs|avant|\\sf)/, 'sans'],
  [/(?:tt|pcr|\\ttdefault)/, 'mono'],
];

function alphabetOf(family: string, series: string, shape: string): MathAlphabet {
  const known = LIKE.find(([pattern]) => pattern.test(family));
  if (known) return known[1];
  if (/^b/.test(series)) return 'bold';
  return /^(?:it|sl)$/.test(shape) ? 'textItalic' : 'roman';
}

/** Families that ship, so that nothing else stands in their place. */
const SHIPS = /^(?:cm|lm|msb|euf|rsfs|rm|ss|tt|\\)/;

function declareAlphabet(
  it: Interpreter,
  target: readonly Token[],
  family: string,
  series: string,
  shape: string,
): void {
  const name = target.find(({ cell }) => cell !== null)?.text;
  if (name === undefined) return;
  const like = alphabetOf(family, series, shape);
  if (!SHIPS.test(family))
    it.p.report('font-not-here', it.p.place, {
      name: family,
      instead: `another alphabet (${like})`,
    });
  const entry = alphabetCommand(name, like, 'An alphabet of the document');
  install(it, { commands: [entry] }, []);
}

/** The number of a place: `"14`, `` `a ``, `20`. */
function numberIn(it: Interpreter, tokens: readonly Token[]): number {
  it.p.push([...tokens, it.p.command('relax')]);
  const value = scanInt(it.p);
  const rest = it.p.next();
  if (rest && rest.text !== 'relax') it.p.unread(rest);
  return value;
}

function signOf(it: Interpreter, font: string, place: number): string | null {
  const declared = it.read(symbolFont(font));
  const names = declared ? [declared.family, declared.encoding] : [font];
  for (const name of names) {
    const sign = signAt(name, place);
    if (sign !== null) return sign;
  }
  return null;
}

/** The classes of signs by their numbers (The TeXbook, chapter 17). */
export const CLASSES: readonly MathClass[] = [
  'ord',
  'op',
  'bin',
  'rel',
  'open',
  'close',
  'punct',
  'ord',
];
const classOf = (said: string): MathClass =>
  /^\d$/.test(said) ? (CLASSES[Number(said)] ?? 'ord') : (said.replace('math', '') as MathClass);

/** `\DeclareMathSymbol{\shortminus}{\mathbin}{AMSa}{"39}`: a command, or another meaning of a character. */
function declareSymbol(it: Interpreter, args: readonly (readonly Token[])[]): void {
  const [target = [], cls = [], font = [], place = []] = args;
  const name = textOf(it.p, font).trim();
  const sign = signOf(it, name, numberIn(it, place));
  const kind = classOf(
    cls
      .map(({ text }) => text)
      .join('')
      .trim(),
  );
  const [first] = target;
  if (!first) return;
  if (sign === null) it.p.report('font-not-here', it.p.place, { name, instead: 'a box' });
  if (first.cell === null) {
    const meant = {
      ...it.read(CELLS.mathCodes),
      [first.text]: { char: sign ?? first.text, cls: kind },
    };
    it.write(CELLS.mathCodes, meant, true);
  } else {
    // A bracket means what its character means, so that it grows.
    const bare = kind === 'open' || kind === 'close';
    it.define(first.text, bare && sign !== null ? sign : `\\math${kind}{${sign ?? '□'}}`);
  }
}

const declared = (
  name: string,
  signature: string,
  description: string,
  example: string,
  run: (it: Interpreter, args: readonly (readonly Token[])[]) => void,
): CommandEntry => ({
  name,
  signature,
  description,
  example,
  run: (it, args) =>
    run(
      it,
      [...signature].map((_, i) => tokensOf(args, i)),
    ),
});

const textIn = (tokens: readonly Token[] | undefined): string =>
  (tokens ?? [])
    .map((t) => (t.cell === null ? t.text : `\\${t.text}`))
    .join('')
    .trim();

/** A character typed directly that stands for something else in text. */
export function declareCharacter(it: Interpreter, code: string, body: readonly Token[]): void {
  const char = String.fromCodePoint(Math.min(parseInt(code, 16) || 0xfffd, 0x10ffff));
  it.p.setCategories(withCategory(it.p.categories, char.codePointAt(0) ?? 0, Cat.Active));
  it.define(activeName(char), tokensText(body));
}

/** Declarations of fonts and signs that preambles bring along (LaTeX's font guide, chapter 3). */
export const mathFontDeclarations: readonly CommandEntry[] = [
  declared(
    'DeclareMathAlphabet',
    'mmmmm',
    'An alphabet of formulas from a font; the nearest one at hand is taken.',
    '\\DeclareMathAlphabet{\\tide}{OT1}{cmr}{bx}{n}$\\tide{A}$',
    (it, [target = [], , family, series, shape]) =>
      declareAlphabet(it, target, textIn(family), textIn(series), textIn(shape)),
  ),
  declared(
    'DeclareSymbolFont',
    'mmmmm',
    'A font of signs, for \\DeclareMathSymbol.',
    '\\DeclareSymbolFont{tides}{OMS}{cmsy}{m}{n}',
    (it, [name, encoding, family]) =>
      it.write(
        symbolFont(textIn(name)),
        { encoding: textIn(encoding), family: textIn(family) },
        true,
      ),
  ),
  declared(
    'DeclareSymbolFontAlphabet',
    'mm',
    'An alphabet of formulas from a font of signs.',
    '\\DeclareSymbolFont{tides}{U}{msb}{m}{n}\\DeclareSymbolFontAlphabet{\\tide}{tides}$\\tide{A}$',
    (it, [target = [], font]) => {
      const name = textIn(font);
      declareAlphabet(it, target, it.read(symbolFont(name))?.family ?? name, 'm', 'n');
    },
  ),
  declared(
    'DeclareMathSymbol',
    'mmmm',
    'A sign from a font: its command or character, its class, font and place.',
    '\\DeclareMathSymbol{\\below}{\\mathrel}{symbols}{"14}$a \\below b$',
    declareSymbol,
  ),
  declared(
    'DeclareMathDelimiter',
    'mmmmmm',
    'A bracket from a font: its command, class, font and place, small and large.',
    '\\DeclareMathDelimiter{\\floor}{\\mathopen}{symbols}{"62}{largesymbols}{"04}$\\floor x$',
    (it, args) => declareSymbol(it, args.slice(0, 4)),
  ),
  declared(
    'DeclareMathAccent',
    'mmmm',
    'An accent of formulas from a font and its place.',
    '\\DeclareMathAccent{\\roof}{\\mathalpha}{operators}{"5E}$\\roof x$',
    (it, [target = [], , , place = []]) => {
      const name = target.find(({ cell }) => cell !== null)?.text;
      const accent = ACCENT_AT[numberIn(it, place)];
      if (name !== undefined) it.define(name, accent ? `\\${accent}` : '\\relax');
    },
  ),
  declared(
    'DeclareUnicodeCharacter',
    'mm',
    'What a character that is typed directly stands for, by its number.',
    '\\DeclareUnicodeCharacter{2115}{the naturals}ℕ',
    (it, [code, body = []]) => declareCharacter(it, textIn(code), body),
  ),
  quietEntry('DeclareFontFamily', 'mmm', 'A family of fonts; those that ship are known.'),
  quietEntry('DeclareFontShape', 'mmmmmm', 'A font of a family; those that ship are known.'),
  quietEntry('DeclareFontEncoding', 'mmm', 'An encoding; text is Unicode here.'),
  quietEntry('DeclareMathVersion', 'm', 'A version of formulas; normal and bold are known.'),
  quietEntry('SetSymbolFont', 'mmmmmm', 'The font of signs of a version.'),
  quietEntry('SetMathAlphabet', 'mmmmmm', 'The font of an alphabet of a version.'),
];

/** What the kernel says of fonts in the language itself. */
export const FONT_SOURCE = String.raw`
\newcommand\DeclareTextFontCommand[2]{\DeclareRobustCommand#1[1]{{#2##1}}}
\newcommand\DeclareOldFontCommand[3]{\DeclareRobustCommand#1{#2}}
\newcommand\DeclareFixedFont[6]{\def#1{\fontsize{#6}{#6}\usefont{#2}{#3}{#4}{#5}}}
\newcommand\DeclareTextCommand[2]{\newcommand#1}\newcommand\ProvideTextCommand[2]{\providecommand#1}
\newcommand\DeclareTextCommandDefault[1]{\providecommand#1}\newcommand\DeclareTextSymbol[3]{\providecommand#1{}}
\def\mathversion#1{\def\@tempa{#1}\def\@tempb{bold}\ifx\@tempa\@tempb\boldmath\else\unboldmath\fi}
\def\AtBeginDvi#1{}\def\NewHook#1{}\def\SS{SS}\def\textlangle{\ensuremath{\langle}}\def\textrangle{\ensuremath{\rangle}}\def\tabularnewline{\\}
\newcommand\shortstack[2][c]{{\renewcommand\arraystretch{.8}\begin{tabular}[b]{@{}#1@{}}#2\end{tabular}}}
`;
