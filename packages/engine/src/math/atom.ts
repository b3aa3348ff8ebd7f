import type { Sp } from '../base/lengths';
import type { Item } from '../boxes/box';
import type { MathClass } from '../document/math';
import type { Style } from './style';

/** A laid-out noad: what it looks like, and what its neighbours must know. */
export interface Atom {
  readonly kind: 'atom';
  readonly cls: MathClass;
  readonly item: Item;
  /** Italic correction of a single glyph, not part of the item's width. */
  readonly italic: Sp;
  /** How much of the width of an operator only its upper part takes: a subscript stands that much to the left. */
  readonly overhang: Sp;
  /** The glyph, when the nucleus is a single character. */
  readonly glyph: number | null;
  readonly style: Style;
  /** Scripts go above and below. */
  readonly limits: boolean;
}

export interface AtomSpace {
  readonly kind: 'space';
  readonly width: Sp;
}

export interface AtomPenalty {
  readonly kind: 'penalty';
  readonly penalty: number;
}

export type Laid = Atom | AtomSpace | AtomPenalty;

export function atom(
  cls: MathClass,
  item: Item,
  style: Style,
  extra: Partial<Pick<Atom, 'italic' | 'overhang' | 'glyph' | 'limits'>> = {},
): Atom {
  return {
    kind: 'atom',
    cls,
    item,
    style,
    italic: 0,
    overhang: 0,
    glyph: null,
    limits: false,
    ...extra,
  };
}
