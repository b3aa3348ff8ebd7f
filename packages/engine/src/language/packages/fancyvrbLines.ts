import { Cat, type CatCode } from '../../tokens/categories';
import type { Token } from '../../expansion/meaning';
import type { Inline } from '../../document/inlines';
import { tokensText } from '../../expansion/tokenText';
import { typewriterInlines } from '../constructs/verbatim';
import type { Interpreter } from '../machine/interpreter';
import { isOn, type Keys, numberOf, word } from './fancyvrbKeys';
import { untabbed } from './listingCode';
import type { ProgramLine } from './listingLayout';

/** What characters are in verbatim text: of another kind than "as they stand" by `commandchars` and `codes`. */
type Kinds = ReadonlyMap<string, CatCode>;

/** `commandchars=\\\{\}`: a backslash, an opening and a closing brace, each written with a backslash before it. */
function kindsOf(keys: Keys): Kinds {
  const kinds = new Map<string, CatCode>();
  const chars = (keys.commandchars ?? []).filter(({ cat }) => cat !== Cat.Space);
  if (chars.length === 3)
    [Cat.Escape, Cat.Begin, Cat.End].forEach((cat, i) => kinds.set(chars[i]?.text ?? '', cat));
  const codes = tokensText(keys.codes ?? []);
  for (const [, char = '', cat] of codes.matchAll(/\\catcode\s*`\\?(.)\s*=?\s*(\d+)/g))
    kinds.set(char, Number(cat));
  return kinds;
}

/** A line as tokens: characters as they stand but for the few that are commands. */
function tokensOfLine(it: Interpreter, line: string, kinds: Kinds): Token[] {
  const out: Token[] = [];
  const escape = [...kinds].find(([, cat]) => cat === Cat.Escape)?.[0];
  for (let i = 0; i < line.length; i++) {
    const char = line[i] ?? '';
    const cat = kinds.get(char);
    if (char === escape) {
      const name = /^(?:[a-zA-Z@]+|.)/u.exec(line.slice(i + 1))?.[0] ?? '';
      if (name !== '') out.push(it.p.command(name));
      i += name.length;
    } else if (cat !== undefined) out.push(it.p.make(cat, char));
    else if (char === ' ') out.push(it.p.make(Cat.Other, '\u00a0'));
    else out.push(it.p.make(/[a-zA-Z]/.test(char) ? Cat.Letter : Cat.Other, char));
  }
  return out;
}

/** Tabs to their stops (`obeytabs`), or each as so many blanks. */
const withoutTabs = (line: string, size: number, obeyed: boolean): string =>
  obeyed ? untabbed(line, size) : line.replaceAll('\t', ' '.repeat(size));

/** How lines are read and set, found once for all of a text. */
export function lineSetter(
  it: Interpreter,
  keys: Keys,
): (line: string) => readonly (readonly Inline[])[] {
  const kinds = kindsOf(keys);
  const [size, obeyed] = [
    Math.max(1, numberOf(it, keys, 'tabsize', 8)),
    isOn(it, keys, 'obeytabs'),
  ];
  const blanks = isOn(it, keys, 'showspaces');
  const format = it.p.command('FancyVerbFormatLine');
  return (raw) => {
    const tabs = isOn(it, keys, 'showtabs') ? raw.replaceAll('\t', '→'.padEnd(size)) : raw;
    const text = withoutTabs(tabs, size, obeyed);
    const line = blanks ? text.replaceAll(' ', '␣') : text;
    const group = (tokens: readonly Token[]): Token[] => [
      it.p.make(Cat.Begin, '{'),
      ...tokens,
      it.p.make(Cat.End, '}'),
    ];
    // Where nothing is a command a line may be broken at its blanks, so each word is a piece.
    if (kinds.size > 0 || isOwn(it, format))
      return [it.inlinesOf([format, ...group(tokensOfLine(it, line, kinds))])];
    return line
      .split(/(?<=\s)(?=\S)/)
      .map((piece) => typewriterInlines(it, piece, false, it.font.family));
  };
}

/** Has the document said how lines are made, other than as they are? */
function isOwn(it: Interpreter, format: Token): boolean {
  const meaning = it.state.meaning(it.state.cell(format.text));
  return (
    meaning?.kind === 'macro' &&
    !(meaning.body.length === 1 && meaning.body[0]?.cat === Cat.Argument)
  );
}

/** The lines that are shown, without their blanks at the left and without comments. */
export function shownLines(it: Interpreter, keys: Keys, all: readonly string[]): string[] {
  const at = (key: string, otherwise: number): number => {
    const said = word(it, keys, key);
    const line = /^\d+$/.test(said) ? Number(said) : all.indexOf(said) + 1;
    return said === '' ? otherwise : line;
  };
  const lines = all.slice(
    Math.max(0, at('firstline', 1) - 1),
    at('lastline', all.length) || all.length,
  );
  const comment = word(it, keys, 'commentchar');
  const kept =
    comment === '' || comment === 'none'
      ? lines
      : lines.filter((line) => !line.startsWith(comment));
  const gobble = isOn(it, keys, 'autogobble')
    ? commonIndent(kept)
    : numberOf(it, keys, 'gobble', 0);
  return kept.map((line) => line.slice(Math.max(0, gobble)));
}

/** How many blanks all lines begin with that are not empty. */
export function commonIndent(lines: readonly string[]): number {
  const written = lines.filter((line) => line.trim() !== '');
  const least = Math.min(...written.map((line) => /^\s*/.exec(line)?.[0].length ?? 0));
  return Number.isFinite(least) ? least : 0;
}

/** Lines with their numbers, from `first` on; empty ones are left out of the count where that is said. */
export function programLines(
  it: Interpreter,
  keys: Keys,
  lines: readonly string[],
  first: number,
): ProgramLine[] {
  const set = lineSetter(it, keys);
  const countsBlank = word(it, keys, 'numberblanklines') !== 'false';
  // Rows of a frame are as high as the type's lines (fancyvrb.sty, `\FV@LeftListFrame@Single`).
  const frame = word(it, keys, 'frame');
  const strut = frame === 'single' || frame === 'leftline';
  const before = strut ? [it.inlinesOf([it.p.command('strut')])] : [];
  let number = first - 1;
  return lines.map((line) => {
    const counted = countsBlank || line.trim() !== '';
    if (counted) number++;
    return {
      pieces: [...before, ...set(line)],
      number: counted ? number : NaN,
      indent: before.length + (/^\s/.test(line) ? 1 : 0),
    };
  });
}
