import { FIL, type Glue, type GlueOrder, type Sp } from '../base/lengths';
import type { Box, HItem, Item } from '../boxes/box';
import type {
  Inline,
  Leader,
  LinkInline,
  RefInline,
  SpaceInline,
  TextInline,
} from '../document/inlines';
import type { Font } from '../fonts/font';
import { atSize } from '../fonts/store';
import { formulaContext, layoutInline } from '../math/layout';
import { TEXT } from '../math/style';
import { boxInline, decorated, leaderBox, setText } from './boxes';
import { drawingBox } from './drawing';
import { tabularBox } from './table';
import type { LayoutEnv } from './env';
import { packNatural } from './lines';

/** Part of a word: characters `start` to `end` of a text inline. */
export interface WordItem {
  readonly kind: 'word';
  readonly inline: TextInline;
  readonly font: Font;
  readonly start: number;
  readonly end: number;
  readonly width: Sp;
}

export interface ContentItem {
  readonly kind: 'content';
  readonly item: Item;
  readonly width: Sp;
}

export interface GlueItem {
  readonly kind: 'glue';
  readonly width: Sp;
  readonly stretch: Sp;
  readonly stretchOrder: GlueOrder;
  readonly shrink: Sp;
  readonly shrinkOrder: GlueOrder;
  readonly leader?: SetLeader;
  /** Inside a formula, where lines break only at its penalties. */
  readonly inMath?: true;
}

/** What fills glue: copies of a box, or a rule. */
export type SetLeader =
  | { readonly kind: 'box'; readonly box: Box }
  | { readonly kind: 'rule'; readonly height: Sp; readonly depth: Sp; readonly color: number };

export interface KernItem {
  readonly kind: 'kern';
  readonly width: Sp;
  readonly inMath?: true;
}

/** A place to break at a cost; `skip` is extra space below a line that ends here. */
export interface PenaltyItem {
  readonly kind: 'penalty';
  readonly width: 0;
  readonly penalty: number;
  readonly skip: Sp;
}

/** A place to divide a word. `before` and `after` are what a break adds to either line. */
export interface DiscItem {
  readonly kind: 'disc';
  readonly width: 0;
  readonly before: Sp;
  readonly after: Sp;
  readonly penalty: number;
  readonly hyphen: boolean;
}

export type LineItem = WordItem | ContentItem | GlueItem | KernItem | PenaltyItem | DiscItem;

/** `\exhyphenpenalty` and `\hyphenpenalty` (plain TeX, LaTeX). */
const EXPLICIT_HYPHEN = 50;
const HYPHEN = 50;
/** A hyphen, or the dashes made of hyphens, end with a place to break (The TeXbook, chapter 14). */
const AFTER_HYPHEN = /-+/g;

export const glueItem = (g: Glue): GlueItem => ({ kind: 'glue', ...g });
export const penaltyItem = (penalty: number, skip: Sp = 0): PenaltyItem => ({
  kind: 'penalty',
  width: 0,
  penalty,
  skip,
});

/** The blank between words after a character of that space factor (The TeXbook, chapter 12). */
export function spaceItem(inline: SpaceInline, env: LayoutEnv): GlueItem {
  const font = env.fonts.text(inline.font);
  const { size } = inline.font;
  const space = env.fonts.wordSpace(font);
  const { factor } = inline;
  const extra = factor >= 2000 ? space.extra : 0;
  return {
    kind: 'glue',
    width: atSize(space.width + extra, font, size),
    stretch: atSize((space.stretch * factor) / 1000, font, size),
    stretchOrder: 0,
    shrink: atSize((space.shrink * 1000) / factor, font, size),
    shrinkOrder: 0,
  };
}

/** A paragraph's inlines as items for line breaking. */
export function lineItems(inlines: readonly Inline[], env: LayoutEnv): LineItem[] {
  const out: LineItem[] = [];
  for (const inline of inlines) pushInline(out, inline, env);
  return out;
}

function pushInline(out: LineItem[], inline: Inline, env: LayoutEnv): void {
  switch (inline.kind) {
    case 'text':
      return pushWord(out, inline, env);
    case 'space':
      return void out.push(spaceItem(inline, env));
    case 'glue':
      return void out.push(
        inline.leader
          ? { ...glueItem(inline.glue), leader: setLeader(inline.leader, env) }
          : glueItem(inline.glue),
      );
    case 'kern':
      return void out.push({ kind: 'kern', width: inline.width });
    case 'penalty':
      return void out.push(penaltyItem(inline.penalty));
    case 'break':
      // `\unskip\nobreak\hfil\break`
      if (out.at(-1)?.kind === 'glue') out.pop();
      if (inline.fill) out.push(penaltyItem(10000), glueItem(FIL));
      out.push(penaltyItem(-10000, inline.skip));
      return;
    case 'math': {
      const ctx = formulaContext(env.fonts, inline.font, TEXT, (inner, scale) =>
        setText(inner, env, scale),
      );
      for (const part of layoutInline(inline.list, ctx)) out.push(fromMath(part));
      return;
    }
    case 'ref':
      return pushReference(out, inline, env);
    case 'field':
      return void out.push(...lineItems(env.field(inline), env));
    case 'migrant':
      return void out.push({
        kind: 'content',
        width: 0,
        item: { kind: 'migrant', node: inline.node, width: 0, height: 0, depth: 0 },
      });
    case 'image': {
      const { file, width, height, crop, blank } = inline;
      const item = {
        kind: 'image' as const,
        file,
        width,
        height,
        depth: 0,
        crop,
        blank,
        span: inline,
      };
      return void out.push({ kind: 'content', item, width });
    }
    case 'decorated':
      return void out.push(...decorated(inline, lineItems(inline.inlines, env)));
    case 'link':
      return pushLink(out, inline, env);
    case 'anchor':
      return void out.push({
        kind: 'content',
        width: 0,
        item: { kind: 'anchor', label: inline.label, width: 0, height: 0, depth: 0 },
      });
    case 'rule': {
      const { width, height, depth } = inline;
      const color = inline.color ?? 0;
      const item = { kind: 'rule' as const, width, height, depth, color, span: inline };
      return void out.push({ kind: 'content', item, width });
    }
    case 'box':
      return pushContent(out, boxInline(inline, env));
    case 'tabular':
      return pushContent(out, tabularBox(inline, env));
    case 'parbox':
      return pushContent(out, env.setParbox(inline));
    case 'drawing':
      return pushContent(out, drawingBox(inline, env));
    default:
      return inline satisfies never;
  }
}

const setLeader = (leader: Leader, env: LayoutEnv): SetLeader =>
  leader.kind === 'rule'
    ? leader
    : { kind: 'box', box: leaderBox(leader.inlines, leader.width, env) };

function pushReference(out: LineItem[], inline: RefInline, env: LayoutEnv): void {
  const { from, to, label } = inline;
  const found = env.resolve(inline);
  if (found === null) {
    const code = inline.what === 'cite' ? 'citation-unknown' : 'reference-unknown';
    env.report({ code, from, to, args: { name: label } });
  }
  if (typeof found === 'object' && found !== null) {
    out.push(...lineItems(found, env));
    return;
  }
  const font = found === null ? { ...inline.font, series: 'bold' as const } : inline.font;
  const unknown = inline.what === 'cite' ? '?' : '??';
  (found ?? unknown).split(' ').forEach((text, i) => {
    if (i > 0) out.push(spaceItem({ kind: 'space', font, factor: 1000, from, to }, env));
    if (text !== '') pushWord(out, { kind: 'text', text, font, from, to }, env);
  });
}

/** Every part of a link is one, so that it can break over lines. */
function pushLink(out: LineItem[], inline: LinkInline, env: LayoutEnv): void {
  const start = out.length;
  for (const inner of inline.inlines) pushInline(out, inner, env);
  for (let i = start; i < out.length; i++) {
    const item = out[i] as LineItem;
    if (item.kind !== 'word' && item.kind !== 'content') continue;
    const box: Box = { ...packNatural([item]), link: inline.target };
    out[i] = { kind: 'content', width: box.width, item: box };
  }
}

const pushContent = (out: LineItem[], item: Item): void =>
  void out.push({ kind: 'content', item, width: item.width });

function fromMath(part: HItem): LineItem {
  switch (part.kind) {
    case 'box':
      return { kind: 'content', item: part.item, width: part.item.width };
    case 'glue':
      return {
        kind: 'glue',
        width: part.width,
        stretch: part.stretch,
        stretchOrder: 0,
        shrink: part.shrink,
        shrinkOrder: 0,
        inMath: true,
      };
    case 'kern':
      return { kind: 'kern', width: part.width, inMath: true };
    case 'penalty':
      return penaltyItem(part.penalty);
  }
}

/** The width of the first `count` characters of a shaped word, in font units. */
export function widthUpTo(font: Font, text: string, count: number): number {
  const shaped = font.shape(text);
  for (let i = 0; i < shaped.clusters.length; i++) {
    if ((shaped.clusters[i] as number) >= count) return shaped.positions[i] as number;
  }
  return shaped.width;
}

function pushWord(out: LineItem[], inline: TextInline, env: LayoutEnv): void {
  const font = env.fonts.text(inline.font);
  const shaped = font.shape(inline.text);
  if (shaped.missing === null) return pushShaped(out, inline, font);
  for (const part of byFont(inline, font, env)) {
    const { missing } = part.font.shape(part.inline.text);
    if (missing !== null) {
      const { from, to } = inline;
      env.report({ code: 'character-missing', from, to, args: { char: missing } });
    }
    if (part.font === font) pushShaped(out, part.inline, font);
    else pushIdeographs(out, part.inline, part.font);
  }
}

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
const composed = (char: string, font: Font): Font | null => {
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

function pushShaped(out: LineItem[], inline: TextInline, font: Font): void {
  const { text } = inline;
  if (inline.cuts) return pushCut(out, inline, font, inline.cuts);
  const shaped = font.shape(text);
  const at = (units: number): Sp => atSize(units, font, inline.font.size);
  let start = 0;
  let done = 0;
  if (text.includes('-')) {
    for (const hit of text.matchAll(AFTER_HYPHEN)) {
      const end = hit.index + hit[0].length;
      if (end >= text.length) break;
      const upTo = widthUpTo(font, text, end);
      out.push({ kind: 'word', inline, font, start, end, width: at(upTo - done) });
      out.push({
        kind: 'disc',
        width: 0,
        before: 0,
        after: 0,
        penalty: EXPLICIT_HYPHEN,
        hyphen: false,
      });
      start = end;
      done = upTo;
    }
  }
  out.push({ kind: 'word', inline, font, start, end: text.length, width: at(shaped.width - done) });
}

/** The first run of letters in a word; what stands before it is no letter. */
const FIRST_LETTERS = /\p{L}+/u;

/**
 * The items with every word that may be divided cut at its hyphenation points.
 * A word is tried when it follows a blank, is whole, and holds one run of letters
 * (The TeXbook, appendix H).
 */
export function hyphenated(items: readonly LineItem[], env: LayoutEnv): LineItem[] {
  const out: LineItem[] = [];
  items.forEach((item, i) => {
    const mayDivide =
      item.kind === 'word' &&
      item.start === 0 &&
      item.end === item.inline.text.length &&
      !item.inline.cuts &&
      item.inline.font.family !== 'mono' &&
      items[i - 1]?.kind === 'glue';
    if (mayDivide) pushDivided(out, item, env);
    else out.push(item);
  });
  return out;
}

function pushDivided(out: LineItem[], word: WordItem, env: LayoutEnv): void {
  const { inline, font } = word;
  const { text } = inline;
  const letters = FIRST_LETTERS.exec(text);
  const rest = letters ? text.slice(letters.index + letters[0].length) : '';
  if (!letters || /\p{L}/u.test(rest) || letters[0].length < 5) {
    out.push(word);
    return;
  }
  const points = env.hyphenate(letters[0]).map((point) => letters.index + point);
  pushCut(out, inline, font, points);
}

/** A word cut at places where it may be divided. */
function pushCut(out: LineItem[], inline: TextInline, font: Font, cuts: readonly number[]): void {
  const { text } = inline;
  const at = (units: number): Sp => atSize(units, font, inline.font.size);
  const whole = font.shape(text).width;
  let start = 0;
  let done = 0;
  for (const cut of cuts) {
    const upTo = widthUpTo(font, text, cut);
    const before = font.shape(`${text.slice(0, cut)}-`).width - upTo;
    const after = font.shape(text.slice(cut)).width - (whole - upTo);
    out.push({ kind: 'word', inline, font, start, end: cut, width: at(upTo - done) });
    out.push({
      kind: 'disc',
      width: 0,
      before: at(before),
      after: at(after),
      penalty: HYPHEN,
      hyphen: true,
    });
    start = cut;
    done = upTo;
  }
  out.push({ kind: 'word', inline, font, start, end: text.length, width: at(whole - done) });
}
