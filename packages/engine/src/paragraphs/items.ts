import { placedAt } from '../document/placedAt';
import { FIL, type Glue } from '../base/lengths';
import type { Span } from '../base/spans';
import type { Box, HItem, Item } from '../boxes/box';
import {
  UNNAMED,
  type Inline,
  type Leader,
  type LinkInline,
  type RefInline,
  type SpaceInline,
} from '../document/inlines';
import { atSize } from '../fonts/store';
import { formulaContext, layoutInline } from '../math/layout';
import { TEXT } from '../math/style';
import { boxInline, decorated, leaderBox, setText } from './boxes';
import { drawingBox } from './drawing';
import { tabularBox } from './table';
import type { LayoutEnv } from './env';
import { packNatural } from './lines';
import { glueItem, type GlueItem, type LineItem, penaltyItem, type SetLeader } from './lineItem';
import { pushWord } from './words';

/** The blank between words after a character of that space factor (The TeXbook, chapter 12). */
function spaceItem(inline: SpaceInline, env: LayoutEnv): GlueItem {
  if (inline.own) return ownSpace(inline.own, inline.factor, inline, env);
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

/** `\spaceskip` in place of the font's blank; behind a sentence the font's extra is added (TeX: The Program, §1043). */
function ownSpace(
  own: Glue,
  factor: number,
  { font: spec }: SpaceInline,
  env: LayoutEnv,
): GlueItem {
  const font = env.fonts.text(spec);
  const extra = factor >= 2000 ? atSize(env.fonts.wordSpace(font).extra, font, spec.size) : 0;
  return {
    ...glueItem(own),
    width: own.width + extra,
    stretch: (own.stretch * factor) / 1000,
    shrink: (own.shrink * 1000) / factor,
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
    case 'correction': {
      const font = env.fonts.text(inline.font);
      const correction = font.correction(font.glyph(inline.letter.codePointAt(0) ?? 0));
      return void out.push({ kind: 'kern', width: atSize(correction, font, inline.font.size) });
    }
    case 'penalty':
      return void out.push(penaltyItem(inline.penalty));
    case 'break':
      // `\unskip\nobreak\hfil\break`
      if (out.at(-1)?.kind === 'glue') out.pop();
      if (inline.fill) out.push(penaltyItem(10000), glueItem(FIL));
      out.push(penaltyItem(-10000, inline.skip));
      return;
    case 'math': {
      const setInner = (inner: readonly Inline[], scale: number): Box => setText(inner, env, scale);
      const ctx = formulaContext(env.fonts, inline.font, TEXT, setInner, missingIn(env));
      for (const part of layoutInline(inline.list, ctx, inline.breakCosts))
        out.push(fromMath(part));
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
      const { width, height, depth, running } = inline;
      const color = inline.color ?? 0;
      const sizes = { width, height, depth, ...(running ? { running } : {}) };
      const item = { kind: 'rule' as const, ...sizes, color, span: inline };
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

/** Tells of characters of formulas that no font has. */
export const missingIn =
  (env: LayoutEnv) =>
  (char: string, { from, to }: Span): void =>
    env.report({ code: 'character-missing', from, to, args: { char } });

const setLeader = (leader: Leader, env: LayoutEnv): SetLeader =>
  leader.kind === 'rule'
    ? leader
    : { kind: 'box', box: leaderBox(leader.inlines, leader.width, env) };

/** A part of an entry that its list does not say (`key:author`), or a name that nothing bears. */
function reportUnknown(inline: RefInline, env: LayoutEnv): void {
  const { from, to, label, what } = inline;
  const part = what === 'cite' ? /^(.*):(author|full|year)$/s.exec(label) : null;
  const name = part?.[1] ?? label;
  if (part && env.resolve({ ...inline, label: name }) !== null) {
    const said = part[2] === 'year' ? 'year' : 'author';
    env.report({ code: 'citation-part-missing', from, to, args: { name, part: said } });
    return;
  }
  // Empty braces are told of as what they are.
  if (name === '') return;
  const code = what === 'cite' ? 'citation-unknown' : 'reference-unknown';
  env.report({ code, from, to, args: { name } });
}

/** Does a name stand in it that there is no word for? */
const holdsUnnamed = (found: string | readonly Inline[] | null): boolean =>
  typeof found === 'string'
    ? found.includes(UNNAMED)
    : (found ?? []).some(
        (part) =>
          (part.kind === 'text' && part.text.includes(UNNAMED)) ||
          (part.kind === 'link' && holdsUnnamed(part.inlines)),
      );

/** Of several labels, the one whose kind has no word. */
function reportUnnamed({ label, font, from, to }: RefInline, env: LayoutEnv): void {
  const isUnnamed = (one: string): boolean =>
    holdsUnnamed(env.resolve({ kind: 'ref', what: 'kind', label: one, font, from, to }));
  const name = label.split(',').find(isUnnamed);
  if (name !== undefined) env.report({ code: 'kind-unnamed', from, to, args: { name } });
}

function pushReference(out: LineItem[], inline: RefInline, env: LayoutEnv): void {
  const { from, to, label } = inline;
  // What stands in its own number has none.
  const found = env.referring.has(label) ? null : env.resolve(inline);
  if (found === null && inline.what === 'cites') return pushEach(out, inline, env, 'cite');
  if (found === null && (inline.what === 'clevers' || inline.what === 'cleverrange'))
    return pushEach(out, inline, env, 'clever');
  if (found === null) {
    reportUnknown(inline, env);
  }
  if (/^(?:kind|clever)/.test(inline.what) && holdsUnnamed(found)) reportUnnamed(inline, env);
  if (typeof found === 'object' && found !== null) {
    // It was read where the label is; here it stands for the reference.
    env.referring.add(label);
    out.push(...lineItems(placedAt(found, { from, to }), env));
    env.referring.delete(label);
    return;
  }
  const font = found === null ? { ...inline.font, series: 'bold' as const } : inline.font;
  const unknown = inline.what === 'cite' ? '?' : '??';
  (found ?? unknown).split(/([ \u00a0])/).forEach((text, i) => {
    if (i % 2 === 1) {
      if (text === '\u00a0') out.push(penaltyItem(10000));
      out.push(spaceItem({ kind: 'space', font, factor: 1000, from, to }, env));
    } else if (text !== '') pushWord(out, { kind: 'text', text, font, from, to }, env);
  });
}

/** Entries that cannot be put in order, one by one. */
function pushEach(
  out: LineItem[],
  inline: RefInline,
  env: LayoutEnv,
  what: 'cite' | 'clever',
): void {
  const { font, from, to } = inline;
  inline.label.split(',').forEach((label, i) => {
    if (i > 0) {
      pushWord(out, { kind: 'text', text: ',', font, from, to }, env);
      out.push(spaceItem({ kind: 'space', font, factor: 1000, from, to }, env));
    }
    pushReference(out, { ...inline, label, what }, env);
  });
}

/** Every part of a link is one, so that it can break over lines. */
function pushLink(out: LineItem[], inline: LinkInline, env: LayoutEnv): void {
  const start = out.length;
  for (const inner of inline.inlines)
    // Words of a link are divided as others are.
    pushInline(out, inner.kind === 'text' ? { ...inner, target: inline.target } : inner, env);
  for (let i = start; i < out.length; i++) {
    const item = out[i] as LineItem;
    if (item.kind !== 'word' && item.kind !== 'content') continue;
    if (item.kind === 'word' && item.inline.target !== undefined) continue;
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
