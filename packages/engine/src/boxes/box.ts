import type { LineNumbers } from '../document/lineNumbers';
import type { Sp } from '../base/lengths';
import type { AffineMap } from '../base/maps';
import type { Path } from '../base/paths';
import { NOWHERE, type Span } from '../base/spans';
import type { Migrant } from '../document/blocks';
import type { Running } from '../document/inlines';
import type { PathStyle } from '../document/drawing';
import type { Font } from '../fonts/font';

/** One glyph, its reference point at the left end of the baseline. */
export interface GlyphItem {
  readonly kind: 'glyph';
  readonly font: Font;
  readonly size: Sp;
  readonly glyph: number;
  readonly width: Sp;
  readonly height: Sp;
  readonly depth: Sp;
  readonly color: number;
  readonly span: Span;
}

/** A shaped word or part of one. `positions` are in font units. */
export interface RunItem {
  readonly kind: 'run';
  readonly font: Font;
  readonly size: Sp;
  readonly glyphs: readonly number[];
  readonly positions: readonly number[];
  readonly clusters: readonly number[];
  readonly width: Sp;
  readonly height: Sp;
  readonly depth: Sp;
  readonly color: number;
  readonly span: Span;
}

export interface RuleItem {
  readonly kind: 'rule';
  readonly width: Sp;
  readonly height: Sp;
  readonly depth: Sp;
  readonly color: number;
  readonly span: Span;
  readonly running?: Running;
}

/** A path with its style, y upwards from its reference point; takes no room. */
export interface PathItem {
  readonly kind: 'path';
  readonly path: Path;
  readonly style: PathStyle;
  readonly width: 0;
  readonly height: 0;
  readonly depth: 0;
  readonly span: Span;
}

/** What moves a point of a drawing: from the point, where a step in each of its numbers leads. Takes no room. */
export interface HandleItem {
  readonly kind: 'handle';
  readonly path: Path;
  readonly width: 0;
  readonly height: 0;
  readonly depth: 0;
  readonly span: Span;
}

/** A place to be pointed to; takes no room. */
export interface AnchorItem {
  readonly kind: 'anchor';
  readonly label: string;
  readonly width: 0;
  readonly height: 0;
  readonly depth: 0;
}

/** A picture in a file; its reference point is the lower left corner. */
export interface ImageItem {
  readonly kind: 'image';
  readonly file: string;
  readonly width: Sp;
  readonly height: Sp;
  readonly depth: Sp;
  readonly crop: readonly [number, number, number, number] | null;
  readonly blank: boolean;
  readonly span: Span;
}

/** What leaves the line it stands on for the column or the page. */
export interface MigrantItem {
  readonly kind: 'migrant';
  readonly node: Migrant;
  readonly width: 0;
  readonly height: 0;
  readonly depth: 0;
}

/** Contents at fixed places. `x` to the right, `y` upwards, from the box's reference point. */
export interface Box {
  readonly kind: 'box';
  readonly width: Sp;
  readonly height: Sp;
  readonly depth: Sp;
  readonly children: readonly Child[];
  /** Where a link leads, or nothing. */
  readonly link?: string;
  /** Where its own places go, y upwards; children only. */
  readonly map?: AffineMap;
  /** Of its children only what lies inside is drawn. */
  readonly clip?: Path;
  /** How much is seen of paths, rules and pictures in it: 0 nothing, 1 all. */
  readonly veil?: number;
  /** A line whose number stands at the margin. */
  readonly numbered?: NumberedLine;
  /** What stands beside it in the margin. */
  readonly margins?: readonly MarginBox[];
}

/** A note for the margin: as it is set at the right and at the left of its column. */
export interface MarginBox {
  readonly right: Box;
  readonly left: Box;
  readonly width: Sp;
  /** From the column. */
  readonly sep: Sp;
  /** From the next note, which is moved down so far at least; null: it stays where it is. */
  readonly push: Sp | null;
  /** Down from its line. */
  readonly shift: Sp;
  /** It goes to the other margin (`\reversemarginpar`). */
  readonly reversed: boolean;
}

/** How a line is numbered, and how wide its column is. */
export interface NumberedLine extends LineNumbers {
  readonly width: Sp;
}

export interface Child {
  readonly x: Sp;
  readonly y: Sp;
  readonly item: Item;
}

export type Item =
  | GlyphItem
  | RunItem
  | RuleItem
  | PathItem
  | HandleItem
  | AnchorItem
  | ImageItem
  | MigrantItem
  | Box;

/** One part of a horizontal list that can still stretch and break. */
export type HItem =
  | { readonly kind: 'box'; readonly item: Item }
  | { readonly kind: 'glue'; readonly width: Sp; readonly stretch: Sp; readonly shrink: Sp }
  | { readonly kind: 'kern'; readonly width: Sp }
  | { readonly kind: 'penalty'; readonly penalty: number };

export const EMPTY_BOX: Box = { kind: 'box', width: 0, height: 0, depth: 0, children: [] };

/** A box of given size around children; their own sizes play no part. */
export function boxOf(width: Sp, height: Sp, depth: Sp, children: readonly Child[]): Box {
  return { kind: 'box', width, height, depth, children };
}

/** The items side by side at their natural widths. */
export function hpack(items: readonly HItem[]): Box {
  const children: Child[] = [];
  let x = 0;
  let height = 0;
  let depth = 0;
  for (const part of items) {
    if (part.kind === 'box') {
      const { item } = part;
      children.push({ x, y: 0, item });
      x += item.width;
      if (item.height > height) height = item.height;
      if (item.depth > depth) depth = item.depth;
    } else if (part.kind !== 'penalty') x += part.width;
  }
  return boxOf(x, height, depth, children);
}

/** The item moved up by `shift`; height and depth follow. */
export function raised(item: Item, shift: Sp): Box {
  return boxOf(item.width, item.height + shift, item.depth - shift, [{ x: 0, y: shift, item }]);
}

/** The item centred in a width. */
export function centred(item: Item, width: Sp): Box {
  return boxOf(width, item.height, item.depth, [{ x: (width - item.width) / 2, y: 0, item }]);
}

export const rule = (
  width: Sp,
  height: Sp,
  depth: Sp,
  color = 0,
  span: Span = NOWHERE,
): RuleItem => ({ kind: 'rule', width, height, depth, color, span });

/** Items beside one another whose rules run as high and deep as that. */
export const withRulesOf = (height: Sp, depth: Sp, children: readonly Child[]): Child[] =>
  children.map((child) => {
    const { item } = child;
    if (item.kind !== 'rule' || !item.running) return child;
    const sizes = {
      height: item.running.height ? height : item.height,
      depth: item.running.depth ? depth : item.depth,
    };
    return { ...child, item: { ...item, ...sizes } };
  });

export const pathItem = (path: Path, style: PathStyle, span: Span = NOWHERE): PathItem => ({
  kind: 'path',
  path,
  style,
  width: 0,
  height: 0,
  depth: 0,
  span,
});

export const handleItem = (path: Path, span: Span): HandleItem => ({
  kind: 'handle',
  path,
  width: 0,
  height: 0,
  depth: 0,
  span,
});

export const kern = (width: Sp): HItem => ({ kind: 'kern', width });
export const hbox = (item: Item): HItem => ({ kind: 'box', item });
