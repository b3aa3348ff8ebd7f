import { PT } from '../base/lengths';
import type { Box, Item } from '../boxes/box';
import { inArticle, typeset } from './document';

/** A glyph or rule with its place in pt, `y` upwards from the baseline. */
export interface At {
  readonly char: string;
  readonly x: number;
  readonly y: number;
  readonly size: number;
  readonly item: Item;
}

export const ALL_MATH =
  '\\usepackage{amsmath,amssymb,amsthm,mathtools,bm,mathrsfs,cancel,braket,amscd,tikz-cd,stmaryrd}';

/** The first line that holds the formula, as a box. */
export function formula(source: string, preamble?: string): Box {
  const session = typeset(inArticle(`\\noindent$${source}$`, preamble));
  return session.pages[0]?.placed[0]?.box as Box;
}

/** Every glyph and rule of a box with its place. */
export function flat(box: Box, x = 0, y = 0): At[] {
  return box.children.flatMap(({ x: dx, y: dy, item }): At[] => {
    if (item.kind === 'box') return flat(item, x + dx, y + dy);
    if (item.kind === 'anchor') return [];
    const char = item.kind === 'glyph' ? item.font.textOf(item.glyph) : item.kind;
    const size = 'size' in item ? item.size / PT : 0;
    return [{ char, x: (x + dx) / PT, y: (y + dy) / PT, size, item }];
  });
}

/** What is drawn of a formula, for comparison with another: signs, places to a hundredth of a pt. */
export const drawing = (source: string, preamble = ALL_MATH): string[] =>
  flat(formula(source, preamble)).map(
    ({ char, x, y, size }) => `${char} ${x.toFixed(2)} ${y.toFixed(2)} ${size}`,
  );

/** The first sign of a formula that is the character. */
export const find = (source: string, char: string, preamble = ALL_MATH): At => {
  const found = flat(formula(source, preamble)).find((g) => g.char === char);
  if (!found) throw new Error(`no ${char} in ${source}`);
  return found;
};

/** The signs of a formula, in order. */
export const signs = (source: string, preamble = ALL_MATH): string =>
  flat(formula(source, preamble))
    .map(({ char }) => char)
    .join(' ');

/** Where the last sign of a formula ends, in pt. */
export function rightEdge(source: string, preamble = ALL_MATH): number {
  return Math.max(...flat(formula(source, preamble)).map((g) => g.x + g.item.width / PT));
}
