import type { Hyphenation } from '../document/blocks';
import { pointsWithin } from './hyphenation';
import type { Sp } from '../base/lengths';
import type { TextInline } from '../document/inlines';
import type { Font } from '../fonts/font';
import { atSize } from '../fonts/store';
import type { LayoutEnv } from './env';
import { type LineItem, penaltyItem, type WordItem } from './lineItem';

/** `\exhyphenpenalty` and `\hyphenpenalty`, unless the paragraph says otherwise (plain TeX, LaTeX). */
export const HYPHEN_PENALTY = 50;
/** A hyphen, or the dashes made of hyphens, end with a place to break (The TeXbook, chapter 14). */
const AFTER_HYPHEN = /-+/g;

/**
 * Gives the width of the first so many characters of a shaped word, in font units. Asked for
 * growing counts, it goes through the word once.
 */
function widthsOf(font: Font, text: string): (count: number) => number {
  const { clusters, positions, width } = font.shape(text);
  let i = 0;
  let last = 0;
  return (count) => {
    if (count < last) i = 0;
    last = count;
    while (i < clusters.length && (clusters[i] as number) < count) i++;
    return i < clusters.length ? (positions[i] as number) : width;
  };
}

/** Of a longer word, no more than this beside a cut is shaped again with its hyphen, and without. */
const NEAR_CUT = 64;

/** A word cut into stretches that one font has, the document's own first. */
function byFont(
  inline: TextInline,
  font: Font,
  env: LayoutEnv,
): { inline: TextInline; font: Font }[] {
  const parts: { inline: TextInline; font: Font }[] = [];
  const exact = inline.to - inline.from === inline.text.length;
  const { cuts: _, ...uncut } = inline;
  let at = 0;
  for (const char of inline.text) {
    const code = char.codePointAt(0) as number;
    const own = font.shape(char).missing === null;
    const chosen = own ? font : (composed(char, font) ?? env.fonts.fallback(code) ?? font);
    const from = exact ? inline.from + at : inline.from;
    const to = exact ? from + char.length : inline.to;
    const last = parts.at(-1);
    if (last && last.font === chosen) {
      const joined = { ...last.inline, text: last.inline.text + char, to };
      parts[parts.length - 1] = { inline: joined, font: chosen };
    } else parts.push({ inline: { ...uncut, text: char, from, to }, font: chosen });
    at += char.length;
  }
  return parts;
}

/** A letter whose parts the font has: it is left to the font. */
export const composed = (char: string, font: Font): Font | null => {
  const plain = char.normalize('NFD');
  return plain !== char && font.shape(plain).missing === null ? font : null;
};

/** Signs that no line starts with, and those that none ends with. */
const NOT_FIRST = /[，。、；：？！）》」』】〕…—～％]/u;

const NOT_LAST = /[（《「『【〔]/u;
/** Chinese characters: lines break between any two, but for punctuation; room between them gives a little. */
function pushIdeographs(out: LineItem[], inline: TextInline, font: Font): void {
  const { size } = inline.font;
  const stretch = Math.round(0.05 * size);
  const exact = inline.to - inline.from === inline.text.length;
  let at = 0;
  let before = '';
  for (const char of inline.text) {
    if (before !== '') {
      const stays = NOT_FIRST.test(char) || NOT_LAST.test(before);
      if (stays) out.push(penaltyItem(10000));
      out.push({ kind: 'glue', width: 0, stretch, stretchOrder: 0, shrink: 0, shrinkOrder: 0 });
    }
    const from = exact ? inline.from + at : inline.from;
    const one = { ...inline, text: char, from, to: exact ? from + char.length : inline.to };
    const width = atSize(font.shape(char).width, font, size);
    out.push({ kind: 'word', inline: one, font, start: 0, end: char.length, width });
    at += char.length;
    before = char;
  }
}

/** A word cut at places where it may be divided. */
function pushCut(out: LineItem[], inline: TextInline, font: Font, cuts: readonly number[]): void {
  const { text } = inline;
  const at = (units: number): Sp => atSize(units, font, inline.font.size);
  const whole = font.shape(text).width;
  let start = 0;
  let done = 0;
  const widthUpTo = widthsOf(font, text);
  const widthFrom = widthsOf(font, text);
  const widthTo = widthsOf(font, text);
  for (const cut of cuts) {
    const upTo = widthUpTo(cut);
    const [left, right] = [Math.max(0, cut - NEAR_CUT), Math.min(text.length, cut + NEAR_CUT)];
    const beside = widthTo(right) - upTo;
    const before = font.shape(`${text.slice(left, cut)}-`).width - (upTo - widthFrom(left));
    const after = font.shape(text.slice(cut, right)).width - beside;
    out.push({ kind: 'word', inline, font, start, end: cut, width: at(upTo - done) });
    out.push({
      kind: 'disc',
      width: 0,
      before: at(before),
      after: at(after),
      penalty: HYPHEN_PENALTY,
      hyphen: true,
    });
    start = cut;
    done = upTo;
  }
  out.push({ kind: 'word', inline, font, start, end: text.length, width: at(whole - done) });
}

function pushShaped(out: LineItem[], inline: TextInline, font: Font): void {
  const { text } = inline;
  if (inline.cuts) return pushCut(out, inline, font, inline.cuts);
  const shaped = font.shape(text);
  const at = (units: number): Sp => atSize(units, font, inline.font.size);
  let start = 0;
  let done = 0;
  // `\\hyphenchar` of the typewriter fonts is -1: nothing breaks at a hyphen there.
  if (text.includes('-') && inline.font.family !== 'mono') {
    const widthUpTo = widthsOf(font, text);
    for (const hit of text.matchAll(AFTER_HYPHEN)) {
      const end = hit.index + hit[0].length;
      const upTo = widthUpTo(end);
      out.push({ kind: 'word', inline, font, start, end, width: at(upTo - done) });
      out.push({
        kind: 'disc',
        width: 0,
        before: 0,
        after: 0,
        penalty: HYPHEN_PENALTY,
        hyphen: false,
      });
      start = end;
      done = upTo;
    }
  }
  if (start < text.length || start === 0)
    out.push({
      kind: 'word',
      inline,
      font,
      start,
      end: text.length,
      width: at(shaped.width - done),
    });
}

export function pushWord(out: LineItem[], inline: TextInline, env: LayoutEnv): void {
  const font = env.fonts.text(inline.font);
  const shaped = font.shape(inline.text);
  if (shaped.missing === null) return pushShaped(out, inline, font);
  for (const part of byFont(inline, font, env)) {
    const { missing } = part.font.shape(part.inline.text);
    if (missing !== null && !inline.foreign) {
      const { from, to } = inline;
      env.report({ code: 'character-missing', from, to, args: { char: missing } });
    }
    const isSign = part.font !== font && env.fonts.isMathematics(part.font);
    if (isSign && missing === null && !inline.foreign) {
      const { from, to, text: char } = part.inline;
      env.report({ code: 'character-in-text', from, to, args: { char } });
    }
    if (part.font === font || isSign) pushShaped(out, part.inline, part.font);
    else pushIdeographs(out, part.inline, part.font);
  }
}

/** The first run of letters in a word; what stands before it is no letter. */
const FIRST_LETTERS = /\p{L}+/u;

/** Cuts a word where it may be divided, so many of its letters from its ends (TeX: The Program, §899, §923). */
function pushDivided(
  out: LineItem[],
  word: WordItem,
  hyphenation: Hyphenation,
  env: LayoutEnv,
): void {
  const { inline, font } = word;
  const { text } = inline;
  const letters = FIRST_LETTERS.exec(text);
  if (!letters || letters[0].length < hyphenation.left + hyphenation.right) {
    out.push(word);
    return;
  }
  const all = env.divide(letters[0], hyphenation.patterns);
  const found = pointsWithin(all, letters[0].length, hyphenation);
  const points = found.map((point) => letters.index + point);
  pushCut(out, inline, font, points);
}

/** A mark or a place in the source: it is there without being seen. */
const isUnseen = (item: LineItem | undefined): boolean =>
  item?.kind === 'content' && item.width === 0;

/** Does a word that ends at an item go on with a hyphen of its own or a formula? Then it is not divided. */
function goesOnWhole(items: readonly LineItem[], from: number): boolean {
  let at = from;
  while (items[at]?.kind === 'word') at++;
  const next = items[at];
  return next?.kind === 'disc' || (next?.kind === 'content' && !isUnseen(next));
}

function followsBlank(items: readonly LineItem[], at: number): boolean {
  let before = at - 1;
  while (isUnseen(items[before])) before--;
  return items[before]?.kind === 'glue';
}

/**
 * The items with every word that may be divided cut at its hyphenation points. A word is tried
 * when it follows a blank; of it the first run of letters, whatever signs and letters come behind
 * that (TeX: The Program, §896 to §899).
 */
export function hyphenated(
  items: readonly LineItem[],
  hyphenation: Hyphenation,
  env: LayoutEnv,
): LineItem[] {
  const out: LineItem[] = [];
  items.forEach((item, i) => {
    const mayDivide =
      item.kind === 'word' &&
      item.start === 0 &&
      item.end === item.inline.text.length &&
      !item.inline.cuts &&
      item.inline.font.family !== 'mono' &&
      followsBlank(items, i) &&
      !goesOnWhole(items, i + 1);
    if (mayDivide) pushDivided(out, item, hyphenation, env);
    else out.push(item);
  });
  return out;
}
