import { PT, type Sp } from '../../base/lengths';
import { boxOf, hbox, hpack, type Box, type HItem } from '../../boxes/box';
import type { BigNode, DelimitedNode, MathList, MathNode, MiddleNode } from '../../document/math';
import { atom, type Atom } from '../atom';
import {
  centredOnAxis,
  constant,
  extension,
  glyphItem,
  glyphFor,
  sizeOf,
  type MathContext,
} from '../context';
import { growVertically } from '../growth';
import { NULL_DELIMITER } from './fraction';

/** `\delimiterfactor` 901 and `\delimitershortfall` 5 pt (plain TeX, LaTeX). */
const FACTOR = 0.901;
const SHORTFALL: Sp = 5 * PT;
/**
 * Heights with depths of `\big`, `\Big`, `\bigg`, `\Bigg` at 10 pt: what rule 19 asks for around
 * boxes 8.5, 11.5, 14.5 and 17.5 pt high (plain TeX) is 10.8, 16.2, 21.6 and 27 pt, which `cmex10`
 * meets with 12, 18, 24 and 30 pt. A little more lets each font take the form drawn for that.
 */
const BIG_SIZES: readonly Sp[] = [11.5 * PT, 16.6 * PT, 22.2 * PT, 27.7 * PT];

/** The size brackets need around contents (rule 19). */
export function delimiterSize(body: Pick<Box, 'height' | 'depth'>, ctx: MathContext): Sp {
  const axis = constant('axisHeight', ctx);
  const half = Math.max(body.height - axis, body.depth + axis);
  return Math.max(2 * half * FACTOR, 2 * half - SHORTFALL);
}

/** A bracket of at least that size centred on the axis; null is an empty one. */
export function delimiter(char: string | null, size: Sp, ctx: MathContext, node: MathNode): Box {
  if (char === null) return boxOf(NULL_DELIMITER, 0, 0, []);
  return centredOnAxis(growVertically(char, size, ctx, node).item, ctx);
}

/** `\left … \middle … \right`: all brackets as tall as the tallest part asks. */
export function delimited(node: DelimitedNode, ctx: MathContext): Atom {
  const parts = splitAtMiddles(node.body);
  const boxes = parts.map((part) => ctx.lay.list(part.list, ctx));
  const tallest = {
    height: Math.max(0, ...boxes.map((b) => b.height)),
    depth: Math.max(0, ...boxes.map((b) => b.depth)),
  };
  const size = delimiterSize(tallest, ctx);
  const items: HItem[] = [hbox(delimiter(node.left, size, ctx, node))];
  boxes.forEach((box, i) => {
    const before = parts[i]?.middle;
    if (before) items.push(hbox(delimiter(before.char, size, ctx, before)));
    items.push(hbox(box));
  });
  items.push(hbox(delimiter(node.right, size, ctx, node)));
  return atom('inner', hpack(items), ctx.style);
}

interface Part {
  readonly middle: MiddleNode | null;
  readonly list: MathList;
}

function splitAtMiddles(body: MathList): Part[] {
  const parts: { middle: MiddleNode | null; list: MathNode[] }[] = [{ middle: null, list: [] }];
  for (const node of body) {
    if (node.kind === 'middle') parts.push({ middle: node, list: [] });
    else parts.at(-1)?.list.push(node);
  }
  return parts;
}

/** A `\middle` outside `\left … \right` is a plain bracket. */
export function middle(node: MiddleNode, ctx: MathContext): Atom {
  if (node.char === null) return atom('rel', boxOf(0, 0, 0, []), ctx.style);
  return atom('rel', glyphItem(glyphFor(node.char, ctx), ctx, node), ctx.style);
}

export function big(node: BigNode, ctx: MathContext): Atom {
  // Other sizes by the height asked for: (size + 1) / 2 times 14.4 pt, less what rule 19 lets be short.
  const asked = BIG_SIZES[node.size - 1] ?? 7.2 * PT * (node.size + 1) - SHORTFALL;
  const size = (asked * sizeOf(extension(ctx))) / (10 * PT);
  return atom(node.cls, delimiter(node.char, size, ctx, node), ctx.style);
}
