import type { Box, Item } from '../boxes/box';
import type { Migrant } from '../document/blocks';

type Special = Extract<Item, { kind: 'anchor' | 'migrant' }>;

/** From so many items on what is found in a box is remembered: boxes in boxes ask at every level. */
const MANY = 32;
const remembered = new WeakMap<Box, readonly Special[]>();

/** Adds the labels and migrants in an item, in reading order; gives how many items were looked at. */
function collect(item: Item, found: Special[]): number {
  if (item.kind === 'anchor' || item.kind === 'migrant') found.push(item);
  if (item.kind !== 'box') return 1;
  const known = remembered.get(item);
  if (known) {
    for (const special of known) found.push(special);
    return MANY;
  }
  const before = found.length;
  let seen = 1;
  for (const child of item.children) seen += collect(child.item, found);
  if (seen >= MANY) remembered.set(item, found.slice(before));
  return seen;
}

function specialsOf(item: Item): Special[] {
  const found: Special[] = [];
  collect(item, found);
  return found;
}

/** The labels that stand in a box. */
export const anchorsOf = (box: Box): string[] =>
  specialsOf(box).flatMap((item) => (item.kind === 'anchor' ? [item.label] : []));

/** What stands in a box and goes to the column it is in. */
export const migrantsOf = (item: Item): Migrant[] =>
  specialsOf(item).flatMap((inner) => (inner.kind === 'migrant' ? [inner.node] : []));
