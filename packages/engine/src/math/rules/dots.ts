import { PT, type Sp } from '../../base/lengths';
import { boxOf, type Box, type Child } from '../../boxes/box';
import type { SymbolNode } from '../../document/math';
import { glyphFor, glyphItem, inStyle, mu, type MathContext } from '../context';
import { TEXT } from '../style';

/** Where full stops stand: how far up, and math units from the one before. */
interface Row {
  readonly ups: readonly Sp[];
  /** Before the first, between any two, and behind the last. */
  readonly gaps: readonly [number, number, number] | null;
}

const DOWN: readonly Sp[] = [7 * PT, 4 * PT, PT];
/**
 * `\vdots`, `\ddots` and the dots that rise (LaTeX kernel): full stops of text, the upper ones
 * under six or seven points of room.
 */
const ROWS: Readonly<Record<string, Row>> = {
  '⋮': { ups: [8 * PT, 4 * PT, 0], gaps: null },
  '⋱': { ups: DOWN, gaps: [1, 2, 1] },
  '⋰': { ups: [...DOWN].reverse(), gaps: [1, 2, 1] },
};
const ROOM = { upright: 6 * PT, slanting: 7 * PT };

/** Dots one under another as the kernel puts them together; null for any other sign. */
export function slopingDots(node: SymbolNode, around: MathContext): Box | null {
  const row = ROWS[node.char];
  if (!row) return null;
  const ctx = inStyle(around, TEXT);
  const dot = glyphItem(glyphFor('.', ctx), ctx, node, node.color);
  const [before, between, behind] = (row.gaps ?? [0, 0, 0]).map((gap) => gap * mu(around));
  let x = before ?? 0;
  const children = row.ups.map((up, i): Child => {
    if (row.gaps && i > 0) x += dot.width + (between ?? 0);
    return { x, y: up, item: dot };
  });
  const room = row.gaps ? ROOM.slanting : ROOM.upright;
  const width = x + dot.width + (behind ?? 0);
  return boxOf(width, Math.max(...row.ups) + dot.height + room, 0, children);
}
