import { FIL, NO_GLUE, PT, type Sp } from '../base/lengths';
import { scaledTurned } from '../base/maps';
import { boundsOf, mappedPath, rectangle, type Path, type Segment } from '../base/paths';
import { solidStroke, stroked } from '../document/drawing';
import { boxOf, pathItem, rule, type Box, type Child } from '../boxes/box';
import type { BoxInline, DecoratedInline, Inline } from '../document/inlines';
import type { LayoutEnv } from './env';
import { glueItem, type LineItem, type SetLeader } from './lineItem';
import { packNatural, packTo } from './lines';

/** Inlines side by side at their natural width, fonts scaled: text inside formulas. */
export function setText(inlines: readonly Inline[], env: LayoutEnv, scale = 1): Box {
  const scaled = scale === 1 ? inlines : inlines.map((inline) => scaleFonts(inline, scale));
  return packNatural(env.lineItems(scaled));
}

function scaleFonts(inline: Inline, scale: number): Inline {
  if (!('font' in inline)) return inline;
  return { ...inline, font: { ...inline.font, size: Math.round(inline.font.size * scale) } };
}

/** `\mbox`, `\makebox`, `\framebox`, `\raisebox` and `\phantom`. */
export function boxInline(inline: BoxInline, env: LayoutEnv): Box {
  const items = env.lineItems(inline.inlines);
  const natural = packNatural(items);
  const fixed = inline.width !== null && !(inline.grow && natural.width > inline.width);
  let box = fixed ? aligned(items, inline.width as Sp, inline.align) : natural;
  if (inline.frame) box = framed(box, inline.frame);
  if (inline.transform) box = transformed(box, inline.transform);
  if (inline.vertical) {
    const { height, depth } = inline.vertical;
    box = { ...box, height: height ?? box.height, depth: depth ?? box.depth };
  }
  if (inline.hidden) box = { ...box, children: [] };
  if (inline.veil !== undefined) box = { ...box, veil: inline.veil };
  if (inline.raise === 0) return box;
  return boxOf(box.width, box.height + inline.raise, box.depth - inline.raise, [
    { x: 0, y: inline.raise, item: box },
  ]);
}

function aligned(items: readonly LineItem[], width: Sp, align: BoxInline['align']): Box {
  if (align === 'fill') return packTo(items, width);
  const ss = glueItem({ ...FIL, shrink: PT, shrinkOrder: 1 });
  return packTo(
    [...(align !== 'left' ? [ss] : []), ...items, ...(align !== 'right' ? [ss] : [])],
    width,
  );
}

type Frame = NonNullable<BoxInline['frame']>;

function framed(box: Box, { rule: line, padding, color = 0, background }: Frame): Box {
  const edge = line + padding;
  const width = box.width + 2 * edge;
  const height = box.height + edge;
  const depth = box.depth + edge;
  const children: Child[] = [];
  if (background !== undefined)
    children.push({ x: 0, y: 0, item: rule(width, height, depth, background) });
  children.push({ x: edge, y: 0, item: box });
  if (line > 0) {
    children.push(
      { x: 0, y: height - line, item: rule(width, line, 0, color) },
      { x: 0, y: -depth, item: rule(width, line, 0, color) },
      { x: 0, y: 0, item: rule(line, height, depth, color) },
      { x: width - line, y: 0, item: rule(line, height, depth, color) },
    );
  }
  return boxOf(width, height, depth, children);
}

/** Scaled and turned; its size is that of the upright rectangle around it. */
function transformed(box: Box, by: NonNullable<BoxInline['transform']>): Box {
  const map = scaledTurned(by.x, by.y, by.degrees);
  const edges = rectangle(0, -box.depth, box.width, box.height + box.depth);
  const { left, right, low, high } = boundsOf(mappedPath(edges, map));
  return boxOf(right - left, Math.max(0, high), Math.max(0, -low), [
    { x: -left, y: 0, item: { ...box, map } },
  ]);
}

/** The length of a wave under words, and how far it goes up and down. */
const WAVE: Sp = 4 * PT;
const WAVE_HEIGHT: Sp = 0.8 * PT;

/** Waves as long as a width, about a height. */
function waves(width: Sp, y: Sp, thickness: Sp, color: number): Child {
  const count = Math.max(1, Math.round(width / WAVE));
  const half = width / (2 * count);
  const path: Path = [
    { kind: 'move', to: { x: 0, y } },
    ...Array.from({ length: 2 * count }, (_, i): Segment => {
      const [x, up] = [i * half, i % 2 === 0 ? WAVE_HEIGHT : -WAVE_HEIGHT];
      return {
        kind: 'curve',
        from: { x: x + half / 2, y: y + up },
        into: { x: x + half / 2, y: y + up },
        to: { x: x + half, y },
      };
    }),
  ];
  return { x: 0, y: 0, item: pathItem(path, stroked(solidStroke(thickness, color))) };
}

/** The items with a line under, through or behind each of them, blanks included. */
export function decorated(inline: DecoratedInline, items: readonly LineItem[]): LineItem[] {
  const { rise, thickness, color, behind } = inline;
  const { wave } = inline;
  const leader: SetLeader = wave
    ? { kind: 'box', box: { ...boxOf(WAVE, 0, 0, [waves(WAVE, rise, thickness, color)]) } }
    : { kind: 'rule', height: rise + thickness, depth: -rise, color };
  return items.map((item): LineItem => {
    if (item.kind === 'glue') return { ...item, leader };
    if (item.kind !== 'word' && item.kind !== 'content') return item;
    const inner = packNatural([item]);
    const line = wave
      ? waves(inner.width, rise, thickness, color)
      : { x: 0, y: 0, item: rule(inner.width, rise + thickness, -rise, color) };
    const text = { x: 0, y: 0, item: inner };
    const box = boxOf(inner.width, inner.height, inner.depth, behind ? [line, text] : [text, line]);
    return { kind: 'content', width: inner.width, item: box };
  });
}

/** A leader's box, as wide as it is asked to be. */
export function leaderBox(inlines: readonly Inline[], width: Sp, env: LayoutEnv): Box {
  const items = env.lineItems(inlines);
  if (width === 0) return packNatural(items);
  const ss = glueItem({ ...NO_GLUE, stretch: PT, stretchOrder: 1, shrink: PT, shrinkOrder: 1 });
  return packTo([ss, ...items, ss], width);
}
